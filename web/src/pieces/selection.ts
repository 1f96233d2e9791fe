import { useSearchParams } from 'react-router';
import { PERIODS } from '@green-thicket/core/base/periods';
import { SEVERAL_HOWS } from '@green-thicket/core/views/view-types';
import type { PlainSelection, Selection, Within, Group } from '@green-thicket/core/views/view-types';

/** Keys in one parameter, parted by bars; a bar in a key, and what says so, has a stroke before it. */
const joinedKeys = (keys: readonly string[]): string =>
  keys.map((key) => key.replace(/[\\|]/g, '\\$&')).join('|');

function partedKeys(joined: string): string[] {
  if (joined === '') return [];
  return Array.from(joined.matchAll(/(?:^|\|)((?:[^\\|]|\\[\s\S]?)*)/g), ([, key]) =>
    key.replace(/\\([\s\S])/g, '$1'),
  );
}

/** The selection as search parameters, so that an address is a bookmark of it. */
export function toParams(selection: Selection): Record<string, string> {
  switch (selection.kind) {
    case 'concept':
      return { concept: selection.key };
    case 'link':
      return { concept: selection.keys[0], with: selection.keys[1] };
    case 'several':
      return { concepts: joinedKeys(selection.keys), how: selection.how };
    case 'search':
      return { find: selection.query };
    case 'following':
      return { ...toParams(selection.of), [selection.direction]: selection.words.join(' ') };
    case 'missed':
      return { missed: 'all' };
    case 'stretches':
      return {
        stretches: selection.letter,
        ...(selection.keys.length > 0 ? { of: joinedKeys(selection.keys) } : {}),
        ...(selection.also === undefined ? {} : { also: selection.also }),
        ...(selection.tenth === undefined ? {} : { tenth: String(selection.tenth) }),
        ...(selection.tone ? { list: selection.tone.list, sounds: selection.tone.aspect } : {}),
      };
    case 'theme':
      return { theme: selection.letter };
    case 'cell':
      return { theme: selection.letter, attribute: selection.attribute, group: selection.group };
  }
}

/** The selection an address is a bookmark of. */
export function fromParams(params: URLSearchParams): Selection | null {
  const of = plainFromParams(params);
  for (const direction of ['after', 'before'] as const) {
    const words = params.get(direction);
    if (of && words !== null) return { kind: 'following', of, direction, words: words.split(' ') };
  }
  return of;
}

function plainFromParams(params: URLSearchParams): PlainSelection | null {
  const concept = params.get('concept');
  const other = params.get('with');
  if (concept !== null) {
    return other !== null ? { kind: 'link', keys: [concept, other] } : { kind: 'concept', key: concept };
  }
  const keys = params.get('concepts');
  if (keys !== null) {
    const how = SEVERAL_HOWS.find((each) => each === params.get('how')) ?? 'all';
    return { kind: 'several', keys: partedKeys(keys), how };
  }
  const find = params.get('find');
  if (find !== null) return { kind: 'search', query: find };
  if (params.get('missed') !== null) return { kind: 'missed' };
  const stretches = params.get('stretches');
  if (stretches !== null) return stretchesOf(stretches, params);
  const letter = params.get('theme');
  const attribute = params.get('attribute');
  const group = params.get('group');
  if (letter === null) return null;
  return attribute !== null && group !== null
    ? { kind: 'cell', letter, attribute, group }
    : { kind: 'theme', letter };
}

function stretchesOf(letter: string, params: URLSearchParams): PlainSelection {
  const [tenth, list, aspect, also] = ['tenth', 'list', 'sounds', 'also'].map((name) => params.get(name));
  return {
    kind: 'stretches',
    letter,
    keys: partedKeys(params.get('of') ?? ''),
    ...(also === null ? {} : { also }),
    ...(tenth === null ? {} : { tenth: Number(tenth) }),
    ...(list === null || aspect === null ? {} : { tone: { list, aspect } }),
  };
}

/** Search parameters of an address; one may be there several times. */
export type Params = Record<string, string | string[]>;

/** The sources asked of, as search parameters. */
export function withinParams(within: Within): Params {
  const { when } = within;
  const then: Params = when ? { dates: when.dates, period: when.period, then: when.value } : {};
  if ('sourceId' in within) return { only: within.sourceId, ...then };
  if ('subset' in within) return { subset: within.subset, ...then };
  return {
    ...then,
    by: within.groups.map(({ attribute }) => attribute),
    value: within.groups.map(({ value }) => value),
  };
}

/** The sources an address asks of. */
export function withinOf(params: URLSearchParams): Within | undefined {
  const [dates, value, only, subset] = ['dates', 'then', 'only', 'subset'].map((name) => params.get(name));
  const period = PERIODS.find((each) => each === params.get('period'));
  const then = dates !== null && value !== null && period ? { when: { dates, period, value } } : {};
  if (only !== null) return { sourceId: only, ...then };
  if (subset !== null) return { subset, ...then };
  const values = params.getAll('value');
  const groups = params
    .getAll('by')
    .slice(0, values.length)
    .map((attribute, i): Group => ({ attribute, value: values[i] }));
  return groups.length > 0 || 'when' in then ? { groups, ...then } : undefined;
}

export interface OpenSource {
  readonly sourceId: string;
  /** Character of the original to show. */
  readonly at: number;
}

/** The ways of looking at the words behind a selection on the whole centre. */
export const LOOKS = ['lines', 'where', 'branches'] as const;
export type Look = (typeof LOOKS)[number];

export interface SelectionState {
  readonly selection: Selection | null;
  /** Selects something in all sources, or in some, and may change how it is looked at. */
  readonly select: (selection: Selection | null, within?: Within, look?: Look) => void;
  /** The sources passages are asked of; all where there is none. */
  readonly within: Within | undefined;
  /** The source that is open in the Reader, if one is. */
  readonly open: OpenSource | null;
  readonly openSource: (open: OpenSource | null) => void;
  /** How the words are looked at on the centre; undefined while the stop's own centre is shown. */
  readonly look: Look | undefined;
  readonly setLook: (look: Look | undefined) => void;
}

/** What is selected, kept in the address. */
export function useSelection(): SelectionState {
  const [params, setParams] = useSearchParams();
  const selection = fromParams(params);
  const sourceId = params.get('source');
  const look = LOOKS.find((each) => each === params.get('look'));
  const looking: Record<string, string> = look ? { look } : {};
  const within = withinOf(params);
  return {
    selection,
    look,
    setLook: (next) =>
      setParams({
        ...(selection ? toParams(selection) : {}),
        ...(within ? withinParams(within) : {}),
        ...(next ? { look: next } : {}),
      }),
    within,
    select: (next, only, how) =>
      setParams(
        next
          ? { ...toParams(next), ...(how ? { look: how } : looking), ...(only ? withinParams(only) : {}) }
          : {},
        {
          replace: true,
        },
      ),
    open: sourceId === null ? null : { sourceId, at: Number(params.get('at') ?? 0) },
    openSource: (open) =>
      setParams(
        {
          ...(selection ? toParams(selection) : {}),
          ...looking,
          ...(within ? withinParams(within) : {}),
          ...(open ? { source: open.sourceId, at: String(open.at) } : {}),
        },
        { replace: false },
      ),
  };
}
