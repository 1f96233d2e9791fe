import { useRef } from 'react';
import { Link, useSearchParams } from 'react-router';
import { STOPS, type Stop } from '@green-thicket/core/words/sentences';
import { STOPS_BY_NAME } from '../stops/stops.ts';
import { useView } from '../engine/use-view.ts';
import { useArrowWords } from '../pieces/use-arrow-words.ts';
import { useStudy } from '../pieces/study-context.ts';
import styles from './Trail.module.css';

type StopState = 'ready' | 'computing' | 'waiting' | 'failed';

const STATE_WORDS: Record<StopState, string> = {
  ready: 'up to date',
  computing: 'computing',
  waiting: 'waiting for sources',
  failed: 'not computed',
};

/** The trail: the way through the seven stops, each with its live figure and state. */
export function Trail({ stop }: { stop: Stop }) {
  const { id, state } = useStudy();
  const [params] = useSearchParams();
  const { data, isPlaceholderData, isFetching, isError } = useView('overview', null);
  const stops = useRef<HTMLOListElement>(null);
  const toNext = useArrowWords(stops, 'a');
  const search = params.size > 0 ? `?${params.toString()}` : '';
  const stateOf = (each: Stop): StopState => {
    if ('plain' in STOPS_BY_NAME[each].figure) return 'ready';
    if (state.sources.length === 0) return 'waiting';
    if (isError) return 'failed';
    return isFetching || isPlaceholderData || !data ? 'computing' : 'ready';
  };
  return (
    <nav className={styles.trail} aria-label="Trail; arrow keys go from stop to stop">
      <svg className={styles.trailPath} viewBox="0 0 700 24" preserveAspectRatio="none" aria-hidden="true">
        <path d="M50 12 C80 4 120 20 150 12 S220 4 250 12 S320 20 350 12 S420 4 450 12 S520 20 550 12 S620 4 650 12" />
      </svg>
      <ol ref={stops} onKeyDown={toNext}>
        {STOPS.map((each) => {
          const now = stateOf(each);
          const { name, figure: figureOf } = STOPS_BY_NAME[each];
          const figure =
            'plain' in figureOf
              ? figureOf.plain(state)
              : data && now !== 'waiting'
                ? figureOf(state, data)
                : now === 'computing'
                  ? 'computing …'
                  : now === 'failed'
                    ? STATE_WORDS.failed
                    : 'waiting';
          return (
            <li key={each} className={`${each === stop ? 'here ' : ''}is-${now}`}>
              <Link
                to={`/study/${id}/${each}${search}`}
                aria-current={each === stop ? 'page' : undefined}
                tabIndex={each === stop ? 0 : -1}
              >
                <span className={styles.trailDot} title={STATE_WORDS[now]} />
                <span className={styles.trailName}>{name}</span>
                <span className={styles.trailFigure}>
                  {figure}
                  <span className="visually-hidden">, {STATE_WORDS[now]}</span>
                </span>
              </Link>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
