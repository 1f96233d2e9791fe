import { useRef } from 'react';
import { Link, useSearchParams } from 'react-router';
import { STOPS, type Stop } from '@green-thicket/core/words/sentences';
import type { LiveFigure } from '../stops/live-figure.ts';
import { STOPS_BY_NAME } from '../stops/stops.ts';
import { FirstNote } from '../pieces/FirstNote.tsx';
import { useArrowWords } from '../pieces/use-arrow-words.ts';
import { useNetwork } from '../pieces/use-network.ts';
import { useStudy } from '../pieces/study-context.ts';
import styles from './Trail.module.css';

type StopState = 'ready' | 'computing' | 'waiting' | 'needless' | 'failed';

const STATE_WORDS: Record<StopState, string> = {
  ready: 'up to date',
  computing: 'computing',
  waiting: 'waiting for sources',
  needless: 'not for a network',
  failed: 'not computed',
};

/** Stops at which a network without texts has nothing. */
const WITHOUT_WORDS: ReadonlySet<Stop> = new Set<Stop>(['clean', 'compare']);

interface TrailStopProps {
  readonly name: Stop;
  readonly isHere: boolean;
}

/** A stop on the trail, with its figure and its state. */
function TrailStop({
  name,
  isHere,
  figure,
  now,
}: TrailStopProps & { readonly figure: string; readonly now: StopState }) {
  const { id } = useStudy();
  const [params] = useSearchParams();
  const search = params.size > 0 ? `?${params.toString()}` : '';
  return (
    <li className={`${isHere ? 'here ' : ''}is-${now}`}>
      <Link
        to={`/study/${id}/${name}${search}`}
        aria-current={isHere ? 'page' : undefined}
        tabIndex={isHere ? 0 : -1}
      >
        <span className={styles.trailDot} title={STATE_WORDS[now]} />
        <span className={styles.trailName}>{STOPS_BY_NAME[name].name}</span>
        <span className={styles.trailFigure}>
          {figure}
          <span className="visually-hidden">, {STATE_WORDS[now]}</span>
        </span>
      </Link>
    </li>
  );
}

/** A stop whose figure is computed. */
function LiveStop({ useFigure, ...stop }: TrailStopProps & { readonly useFigure: () => LiveFigure }) {
  const { state } = useStudy();
  const { figure, isComputing, isFailed } = useFigure();
  const network = useNetwork();
  if (network && WITHOUT_WORDS.has(stop.name))
    return <TrailStop {...stop} figure="without texts" now="needless" />;
  if (!network && state.sources.length === 0) return <TrailStop {...stop} figure="waiting" now="waiting" />;
  if (isFailed) return <TrailStop {...stop} figure={figure ?? STATE_WORDS.failed} now="failed" />;
  return <TrailStop {...stop} figure={figure ?? 'computing …'} now={isComputing ? 'computing' : 'ready'} />;
}

/** The trail: the way through the seven stops, each with its live figure and state. */
export function Trail({ stop }: { stop: Stop }) {
  const { state } = useStudy();
  const stops = useRef<HTMLOListElement>(null);
  const toNext = useArrowWords(stops, 'a');
  return (
    <nav className={styles.trail} aria-label="Trail; arrow keys go from stop to stop">
      <svg className={styles.trailPath} viewBox="0 0 700 24" preserveAspectRatio="none" aria-hidden="true">
        <path d="M50 12 C80 4 120 20 150 12 S220 4 250 12 S320 20 350 12 S420 4 450 12 S520 20 550 12 S620 4 650 12" />
      </svg>
      <ol ref={stops} onKeyDown={toNext}>
        {STOPS.map((each) => {
          const { figure } = STOPS_BY_NAME[each];
          const common = { name: each, isHere: each === stop };
          return 'plain' in figure ? (
            <TrailStop key={each} {...common} figure={figure.plain(state)} now="ready" />
          ) : (
            <LiveStop key={each} {...common} useFigure={figure.useFigure} />
          );
        })}
      </ol>
      <FirstNote of="trail" />
    </nav>
  );
}
