import { useMemo, useState } from 'react';
import type { CandidateRow } from '@green-thicket/core/study/view-types';
import { FigureTable, type FigureColumn } from '../../shell/FigureTable.tsx';
import { BulkChoice } from './BulkChoice.tsx';
import { STATUS_WORDS } from './status-words.ts';

const keyOf = (row: CandidateRow): string => row.key;

/** Every candidate with its figures; those ticked are decided on together. */
export function ConceptFigures({
  rows,
  onPick,
}: {
  rows: readonly CandidateRow[];
  onPick: (key: string) => void;
}) {
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const columns = useMemo(
    (): FigureColumn<CandidateRow>[] => [
      {
        key: 'label',
        title: 'Concept',
        width: 150,
        value: (row) => row.label,
        render: (row) => (
          <button type="button" className="linklike" onClick={() => onPick(row.key)}>
            {row.label}
          </button>
        ),
      },
      { key: 'part', title: 'Kind', width: 80, value: (row) => row.part },
      { key: 'mentions', title: 'Mentions', width: 85, value: (row) => row.mentions },
      { key: 'sources', title: 'Sources', width: 75, value: (row) => row.sources },
      {
        key: 'spread',
        title: 'Spread',
        hint: 'How evenly the sources use it, 0 to 1 (1 − DP)',
        width: 70,
        value: (row) => row.spread,
        render: (row) => row.spread.toFixed(2),
      },
      {
        key: 'pull',
        title: 'Pull',
        hint: 'How selective it is in the company it keeps; 0 is no more than chance',
        width: 60,
        value: (row) => row.pull,
        render: (row) => row.pull.toFixed(2),
      },
      { key: 'status', title: 'Standing', width: 115, value: (row) => STATUS_WORDS[row.status] },
    ],
    [onPick],
  );
  return (
    <>
      <BulkChoice rows={rows} ticked={ticked} onDone={() => setTicked(new Set())} />
      <FigureTable
        label="Candidates"
        columns={columns}
        rows={rows}
        rowKey={keyOf}
        ticks={{ ticked, nameOf: (row) => row.label, onTick: setTicked }}
      />
    </>
  );
}
