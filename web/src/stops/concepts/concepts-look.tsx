import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import type { FigureName } from '@green-thicket/core/words/figure-sentences';
import type { Group } from '@green-thicket/core/views/view-types';

/** How Concepts is looked at. It outlives a visit to another stop, and is no decision. */
export interface ConceptsLook {
  readonly face: 'field' | 'table' | 'bars' | 'cloud' | 'matrix' | 'pairs' | 'counts';
  readonly panel: 'words' | 'kinds' | 'suggestions' | 'lists';
  /** The figures the field's axes follow. */
  readonly across: FigureName;
  readonly up: FigureName;
  /** The group whose distinctive concepts are looked for, and what it is set against; the rest where left out. */
  readonly group?: Group;
  readonly against?: Group;
  readonly sort: 'score' | 'mentions' | 'letters';
}

export const FIRST_LOOK: ConceptsLook = {
  face: 'field',
  panel: 'words',
  across: 'sources',
  up: 'pull',
  sort: 'score',
};

export interface ConceptsLookState {
  readonly look: ConceptsLook;
  readonly change: (change: Partial<ConceptsLook>) => void;
}

export const ConceptsLookContext = createContext<ConceptsLookState>({
  look: FIRST_LOOK,
  change: () => undefined,
});

export const useConceptsLook = (): ConceptsLookState => useContext(ConceptsLookContext);

/** Holds the look over visits to other stops. */
export function ConceptsLookDesk({ children }: { children: ReactNode }) {
  const [look, setLook] = useState(FIRST_LOOK);
  const held = useMemo(
    () => ({ look, change: (next: Partial<ConceptsLook>) => setLook((before) => ({ ...before, ...next })) }),
    [look],
  );
  return <ConceptsLookContext.Provider value={held}>{children}</ConceptsLookContext.Provider>;
}
