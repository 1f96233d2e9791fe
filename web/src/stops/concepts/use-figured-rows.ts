import { useMemo } from 'react';
import type { CandidateRow } from '@green-thicket/core/concepts/candidate-rows';
import type { Group } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import type { FiguredRow } from './figures.ts';
import { ownValue } from '@green-thicket/core/base/records';

const NO_GROUP: Group = { attribute: '', value: '' };

/** The candidates with in how many halves of the sources they are chosen, and how a group uses them where one is chosen. */
export function useFiguredRows(
  rows: readonly CandidateRow[] | undefined,
  group: Group | undefined,
  against: Group | undefined,
): readonly FiguredRow[] {
  const { data: redrawn, isPlaceholderData } = useView('chosenAgain', null);
  const { data } = useView(
    'distinct',
    { group: group ?? NO_GROUP, ...(against ? { against } : {}) },
    group !== undefined,
  );
  // What was told of other concepts would be nobody's.
  const again = isPlaceholderData ? undefined : redrawn;
  return useMemo(() => {
    if (!rows) return [];
    if (!again && !(group && data)) return rows;
    return rows.map((row): FiguredRow => {
      const use = group && data && ownValue(data.of, row.key);
      return {
        ...row,
        ...(again && { again: { draws: again.draws, chosen: ownValue(again.of, row.key) ?? 0 } }),
        ...(use && { use: { group: group.value, against: against?.value ?? 'the rest', ...use } }),
      };
    });
  }, [rows, group, against, data, again]);
}
