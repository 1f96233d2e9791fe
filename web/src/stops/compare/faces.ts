import { useState } from 'react';
import type { ComparedRow, RowsAsked, Selection, Within } from '@green-thicket/core/views/view-types';

/** The ways a comparison is looked at. */
export const FACES = {
  marks: { label: 'Marks', title: 'Strength of each theme in each group, with its interval, on one scale' },
  table: { label: 'Table', title: 'The same as numbers, shaded by strength' },
  profiles: { label: 'Profiles', title: 'Each source’s mixture of themes, and how far it is from its group' },
  time: { label: 'Over time', title: 'Strength by period, where sources have a date' },
  apart: { label: 'Apart', title: 'What sets one group apart from another' },
  course: { label: 'Course', title: 'Where in their sources people speak to a theme, from beginning to end' },
  tone: { label: 'Tone', title: 'Which themes are spoken of well or badly, by lists of words' },
  voices: { label: 'Voices', title: 'Typical passages of a theme in each group, side by side' },
} as const;
export type Face = keyof typeof FACES;
export const FACE_NAMES = Object.keys(FACES) as readonly Face[];

/** What a mark stands for: a share, how far it is from the whole, or its place among the groups. */
export const SHOWN = { share: 'share', difference: 'difference from all', rank: 'rank' } as const;
export type Shown = keyof typeof SHOWN;

interface Looked {
  readonly face: Face;
  readonly rows: RowsAsked;
  readonly shown: Shown;
}
const FIRST: Looked = { face: 'marks', rows: { kind: 'themes' }, shown: 'share' };
/** How each study was looked at last, as long as the page is open. */
const lookedAt = new Map<string, Looked>();

/** How the comparison is looked at; kept while other stops are visited. */
export function useLooked(studyId: string): [Looked, (change: Partial<Looked>) => void] {
  const [looked, setLooked] = useState(lookedAt.get(studyId) ?? FIRST);
  return [
    looked,
    (change) => {
      const next = { ...looked, ...change };
      lookedAt.set(studyId, next);
      setLooked(next);
    },
  ];
}

/** What reading a row is: a theme, or the stretches with its concepts. */
export const selectionOf = ({ letter, keys }: ComparedRow): Selection =>
  keys.length === 0 ? { kind: 'theme', letter } : { kind: 'stretches', letter: '', keys };

export const sameSelection = (a: Selection | null, b: Selection): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

export const sameWithin = (a: Within | undefined, b: Within | undefined): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

/** A key for a row in a list. */
export const rowKey = ({ letter, keys }: ComparedRow): string => [letter, ...keys].join('\t');
