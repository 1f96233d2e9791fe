import { useMemo } from 'react';
import { FIGURES, type FigureName } from '@green-thicket/core/words/figure-sentences';
import { FigureTable, type FigureColumn } from '../../pieces/FigureTable.tsx';
import { FIGURE_FACES, isAtEdge, type FiguredRow } from './figures.ts';
import { STATUS_WORDS } from './status-words.ts';

/** Widths of columns whose heads need more than most, in pixels. */
const WIDTHS: Partial<Record<FigureName, number>> = { mentions: 72, sources: 62, windowShare: 68, again: 92 };

const keyOf = (row: FiguredRow): string => row.key;

/** Every candidate with its figures; those ticked are decided on together. */
export function ConceptFigures({
  rows,
  onPick,
  ticked,
  onTick,
  group,
}: {
  rows: readonly FiguredRow[];
  onPick: (key: string) => void;
  ticked: ReadonlySet<string>;
  onTick: (ticked: ReadonlySet<string>) => void;
  /** The group whose distinctive concepts are looked for. */
  group: string | undefined;
}) {
  const columns = useMemo(
    (): FigureColumn<FiguredRow>[] => [
      {
        key: 'label',
        title: 'Concept',
        width: 88,
        value: (row) => row.label,
        render: (row) => (
          <button type="button" className="linklike" onClick={() => onPick(row.key)}>
            {row.label}
          </button>
        ),
      },
      { key: 'part', title: 'Kind', width: 56, value: (row) => row.part },
      ...FIGURES.filter((figure) => figure !== 'distinct' || group !== undefined).map(
        (figure): FigureColumn<FiguredRow> => ({
          key: figure,
          title: FIGURE_FACES[figure].title,
          hint: FIGURE_FACES[figure].hint,
          width: WIDTHS[figure] ?? 54,
          value: FIGURE_FACES[figure].of,
          render: FIGURE_FACES[figure].show,
        }),
      ),
      {
        key: 'status',
        title: 'Standing',
        width: 104,
        value: (row) =>
          isAtEdge(row) ? `${STATUS_WORDS[row.status]}, at the edge` : STATUS_WORDS[row.status],
      },
    ],
    [onPick, group],
  );
  return (
    <FigureTable
      label="Candidates"
      columns={columns}
      rows={rows}
      rowKey={keyOf}
      ticks={{ ticked, nameOf: (row) => row.label, onTick }}
    />
  );
}
