import { useSearchParams } from 'react-router';
import type { PlainSelection, Selection } from '@green-thicket/core/study/view-types';

/** The selection as search parameters, so that an address is a bookmark of it. */
function toParams(selection: Selection): Record<string, string> {
  switch (selection.kind) {
    case 'concept':
      return { concept: selection.key };
    case 'link':
      return { concept: selection.keys[0], with: selection.keys[1] };
    case 'search':
      return { find: selection.query };
    case 'following':
      return { ...toParams(selection.of), [selection.direction]: selection.words.join(' ') };
    case 'theme':
      return { theme: selection.letter };
    case 'cell':
      return { theme: selection.letter, attribute: selection.attribute, group: selection.group };
  }
}

function fromParams(params: URLSearchParams): Selection | null {
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
  const find = params.get('find');
  if (find !== null) return { kind: 'search', query: find };
  const letter = params.get('theme');
  const attribute = params.get('attribute');
  const group = params.get('group');
  if (letter === null) return null;
  return attribute !== null && group !== null
    ? { kind: 'cell', letter, attribute, group }
    : { kind: 'theme', letter };
}

export interface OpenSource {
  readonly sourceId: string;
  /** Character of the original to show. */
  readonly at: number;
}

/** The ways of looking at the words behind a selection on the whole stage. */
export const LOOKS = ['lines', 'where', 'branches'] as const;
export type Look = (typeof LOOKS)[number];

export interface SelectionState {
  readonly selection: Selection | null;
  readonly select: (selection: Selection | null) => void;
  /** The source that is open in the Reader, if one is. */
  readonly open: OpenSource | null;
  readonly openSource: (open: OpenSource | null) => void;
  /** How the words are looked at on the stage; undefined while the stop's own stage is shown. */
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
  return {
    selection,
    look,
    setLook: (next) =>
      setParams({ ...(selection ? toParams(selection) : {}), ...(next ? { look: next } : {}) }),
    select: (next) => setParams(next ? { ...toParams(next), ...looking } : {}, { replace: true }),
    open: sourceId === null ? null : { sourceId, at: Number(params.get('at') ?? 0) },
    openSource: (open) =>
      setParams(
        {
          ...(selection ? toParams(selection) : {}),
          ...looking,
          ...(open ? { source: open.sourceId, at: String(open.at) } : {}),
        },
        { replace: false },
      ),
  };
}
