import { useRef } from 'react';
import { Link, useSearchParams } from 'react-router';
import { counted, STOPS, type Stop } from '@green-thicket/core/words/sentences';
import { comparedAttribute } from '@green-thicket/core/study/groups';
import type { StudyState } from '@green-thicket/core/study/study';
import { workingSources } from '@green-thicket/core/study/subset';
import type { Overview } from '@green-thicket/core/views/view-types';
import { useView } from '../engine/use-view.ts';
import { useArrowWords } from './use-arrow-words.ts';
import { useStudy } from './study-context.ts';

export const STOP_NAMES: Record<Stop, string> = {
  sources: 'Sources',
  clean: 'Clean',
  concepts: 'Concepts',
  links: 'Links',
  themes: 'Themes',
  map: 'Map',
  compare: 'Compare',
};

type StopState = 'ready' | 'computing' | 'waiting' | 'failed';

const STATE_WORDS: Record<StopState, string> = {
  ready: 'up to date',
  computing: 'computing',
  waiting: 'waiting for sources',
  failed: 'not computed',
};

function figureOf(stop: Stop, overview: Overview, groups: string | undefined): string {
  const number = (value: number): string => value.toLocaleString('en-GB');
  switch (stop) {
    case 'sources':
      return '';
    case 'clean':
      return `${number(overview.words)} words`;
    case 'concepts':
      return `${number(overview.concepts)} kept`;
    case 'links':
      return `${number(overview.links)} stand`;
    case 'themes':
      return overview.themes === 0
        ? 'none yet'
        : `${overview.themes} · ${Math.round(overview.steadiness * 100)} % steady`;
    case 'map':
      return overview.themes === 0 ? 'nothing to draw' : `${overview.themes} parcels`;
    case 'compare':
      return groups ? `by ${groups}` : 'no attribute yet';
  }
}

/** How many sources are worked with, of how many. */
function sourcesFigure(state: StudyState): string {
  const working = workingSources(state).length;
  return working === state.sources.length
    ? counted(working, 'source')
    : `${working} of ${counted(state.sources.length, 'source')}`;
}

/** The trail: the way through the seven stops, each with its live figure and state. */
export function Trail({ stop }: { stop: Stop }) {
  const { id, state } = useStudy();
  const [params] = useSearchParams();
  const { data, isPlaceholderData, isFetching, isError } = useView('overview', null);
  const stops = useRef<HTMLOListElement>(null);
  const toNext = useArrowWords(stops, 'a');
  const attribute = comparedAttribute(state);
  const search = params.size > 0 ? `?${params.toString()}` : '';
  const stateOf = (each: Stop): StopState => {
    if (each === 'sources') return 'ready';
    if (state.sources.length === 0) return 'waiting';
    if (isError) return 'failed';
    return isFetching || isPlaceholderData || !data ? 'computing' : 'ready';
  };
  return (
    <nav className="trail" aria-label="Trail; arrow keys go from stop to stop">
      <svg className="trail-path" viewBox="0 0 700 24" preserveAspectRatio="none" aria-hidden="true">
        <path d="M50 12 C80 4 120 20 150 12 S220 4 250 12 S320 20 350 12 S420 4 450 12 S520 20 550 12 S620 4 650 12" />
      </svg>
      <ol ref={stops} onKeyDown={toNext}>
        {STOPS.map((each) => {
          const now = stateOf(each);
          const figure =
            each === 'sources'
              ? sourcesFigure(state)
              : data && now !== 'waiting'
                ? figureOf(each, data, attribute)
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
                <span className="trail-dot" title={STATE_WORDS[now]} />
                <span className="trail-name">{STOP_NAMES[each]}</span>
                <span className="trail-figure">
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
