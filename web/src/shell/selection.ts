import { useSearchParams } from 'react-router';
import type { Selection } from '@green-thicket/core/study/view-types';

/** The selection as search parameters, so that an address is a bookmark of it. */
function toParams(selection: Selection): Record<string, string> {
  switch (selection.kind) {
    case 'concept':
      return { concept: selection.key };
    case 'link':
      return { concept: selection.keys[0], with: selection.keys[1] };
    case 'theme':
      return { theme: selection.letter };
    case 'cell':
      return { theme: selection.letter, attribute: selection.attribute, group: selection.group };
  }
}

function fromParams(params: URLSearchParams): Selection | null {
  const concept = params.get('concept');
  const other = params.get('with');
  if (concept !== null) {
    return other !== null ? { kind: 'link', keys: [concept, other] } : { kind: 'concept', key: concept };
  }
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

export interface SelectionState {
  readonly selection: Selection | null;
  readonly select: (selection: Selection | null) => void;
  /** The source that is open in the Reader, if one is. */
  readonly open: OpenSource | null;
  readonly openSource: (open: OpenSource | null) => void;
}

/** What is selected, kept in the address. */
export function useSelection(): SelectionState {
  const [params, setParams] = useSearchParams();
  const selection = fromParams(params);
  const sourceId = params.get('source');
  return {
    selection,
    select: (next) => setParams(next ? toParams(next) : {}, { replace: true }),
    open: sourceId === null ? null : { sourceId, at: Number(params.get('at') ?? 0) },
    openSource: (open) =>
      setParams(
        {
          ...(selection ? toParams(selection) : {}),
          ...(open ? { source: open.sourceId, at: String(open.at) } : {}),
        },
        { replace: false },
      ),
  };
}
