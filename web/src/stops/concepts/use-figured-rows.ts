import { useMemo } from 'react';
import type { CandidateRow } from '@green-thicket/core/concepts/candidate-rows';
import type { Group } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import type { FiguredRow } from './figures.ts';
import { ownValue } from '@green-thicket/core/base/records';

const NO_GROUP: Group = { attribute: '', value: '' };

/** The candidates with how a group uses them against another or the rest, where one is chosen. */
export function useFiguredRows(
  rows: readonly CandidateRow[] | undefined,
  group: Group | undefined,
  against: Group | undefined,
): readonly FiguredRow[] {
  const { data } = useView(
    'distinct',
    { group: group ?? NO_GROUP, ...(against ? { against } : {}) },
    group !== undefined,
  );
  return useMemo(() => {
    if (!rows) return [];
    if (!group || !data) return rows;
    return rows.map((row) => {
      const use = ownValue(data.of, row.key);
      if (use === undefined) return row;
      return { ...row, use: { group: group.value, against: against?.value ?? 'the rest', ...use } };
    });
  }, [rows, group, against, data]);
}
