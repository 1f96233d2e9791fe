import { strongestOf } from '@green-thicket/core/network/backbone';
import type { LinkRow } from '@green-thicket/core/views/view-types';

/** Which links the list holds. */
export const SHOWN_LINKS = [
  { value: 'all', label: 'all that stand', title: 'Every link' },
  {
    value: 'backbone',
    label: 'backbone',
    title:
      'Links that are surprisingly strong for one of their concepts (disparity filter, Serrano, Boguñá and Vespignani 2009), and every concept’s strongest',
  },
  { value: 'three', label: 'three strongest of each', title: 'Each concept’s three strongest links' },
  { value: 'one', label: 'strongest of each', title: 'Each concept’s strongest link' },
  {
    value: 'rarer',
    label: 'rarer than chance',
    title:
      'Pairs that share fewer windows than chance would make them share: they are no links, but they may tell something',
  },
] as const;
export type ShownLinks = (typeof SHOWN_LINKS)[number]['value'];

/** Of the links that stand, those that are asked for; or the pairs that are rarer than chance. */
export function linksShown(
  shown: ShownLinks,
  rows: readonly LinkRow[],
  rarer: readonly LinkRow[] = [],
): readonly LinkRow[] {
  switch (shown) {
    case 'all':
      return rows;
    case 'rarer':
      return rarer;
    case 'backbone':
      return rows.filter((row) => row.inBackbone);
    case 'three':
    case 'one': {
      const number = new Map<string, number>();
      for (const { source, target } of rows)
        for (const key of [source, target]) if (!number.has(key)) number.set(key, number.size);
      const kept = strongestOf(
        number.size,
        {
          source: rows.map(({ source }) => number.get(source) ?? 0),
          target: rows.map(({ target }) => number.get(target) ?? 0),
          weight: rows.map(({ strength }) => strength),
        },
        shown === 'one' ? 1 : 3,
      );
      return rows.filter((_, i) => kept.has(i));
    }
  }
}
