import { useMemo } from 'react';
import { hashValue } from '@green-thicket/core/numeric/hash';
import { workingSources } from '@green-thicket/core/study/subset';
import type { CandidateRow } from '@green-thicket/core/study/view-types';
import { useView } from '../../engine/use-view.ts';
import { useStudy } from '../../shell/study-context.ts';
import type { FiguredRow } from './figures.ts';

/** The candidates with how a group uses them, where one is chosen. */
export function useFiguredRows(
  rows: readonly CandidateRow[] | undefined,
  group: { readonly attribute: string; readonly value: string } | undefined,
): readonly FiguredRow[] {
  const { state } = useStudy();
  const members = useMemo(
    () =>
      group ? hashValue(workingSources(state).map((source) => source.attributes[group.attribute] ?? '')) : '',
    [state, group],
  );
  const { data } = useView(
    'distinct',
    { attribute: group?.attribute ?? '', value: group?.value ?? '', members },
    group !== undefined,
  );
  return useMemo(() => {
    if (!rows) return [];
    if (!group || !data) return rows;
    return rows.map((row) => {
      const use = data.of[row.key];
      return use === undefined ? row : { ...row, use: { group: group.value, ...use } };
    });
  }, [rows, group, data]);
}
