import { DRAWN, inkOf } from '../../pieces/drawn-colours.ts';
import type { ComparedRow } from '@green-thicket/core/views/view-types';
import { useSelection } from '../../pieces/selection.ts';
import { selectionOf } from './faces.ts';

/** The ink of a row: its theme's, or that of rows of none. */
export const rowInk = ({ letter }: Pick<ComparedRow, 'letter'>): string =>
  letter === '' ? DRAWN.moss : inkOf(letter);

/** What a row is of; picked, it opens its passages in all sources. */
export function RowName({ row }: { row: ComparedRow }) {
  const { select } = useSelection();
  return (
    <button
      type="button"
      className="linklike"
      title="Read its passages in all sources"
      onClick={() => select(selectionOf(row))}
    >
      <b style={{ color: rowInk(row) }}>{row.letter}</b> {row.label}
    </button>
  );
}
