import { memo } from 'react';
import { byCodeUnits } from '@green-thicket/core/base/order';
import { inFigures } from '@green-thicket/core/base/wording';
import { useStudy } from '../../pieces/study-context.ts';
import { decisionByKey, KEYS_SAID } from '../../pieces/key-decisions.ts';
import { FIGURE_FACES, isAtEdge, type FiguredRow } from './figures.ts';
import { STATUS_WORDS } from './status-words.ts';
import { useRows } from '../../pieces/use-rows.ts';
import styles from './WordLedger.module.css';
import shared from './concepts.module.css';

const LEDGER_ROW = 36;

type Sorter = (rows: readonly FiguredRow[]) => readonly FiguredRow[];
const bestFirst: Sorter = (rows) => rows;
const byMentions: Sorter = (rows) => [...rows].sort((a, b) => b.mentions - a.mentions);
const byLetters: Sorter = (rows) =>
  [...rows].sort((a, b) => byCodeUnits(a.label.toLowerCase(), b.label.toLowerCase()));
/** The orders of the list, each with its name. */
export const LEDGER_SORTS = {
  score: { label: 'best first', sorted: bestFirst },
  mentions: { label: 'most mentions first', sorted: byMentions },
  letters: { label: 'from a to z', sorted: byLetters },
} as const;
export const LEDGER_ORDERS = ['score', 'mentions', 'letters'] as const;

/** The words as a list with bars; only those in sight are drawn, however many there are. */
export function WordLedger({
  rows,
  picked,
  onPick,
  dimmed,
  known,
}: {
  rows: readonly FiguredRow[];
  picked: string | undefined;
  onPick: (key: string) => void;
  dimmed: boolean;
  known: boolean;
}) {
  const { decide } = useStudy();
  const { scroller, virtual } = useRows(rows.length, LEDGER_ROW, 10);
  const most = rows.reduce((highest, row) => Math.max(highest, row.mentions), 1);
  return (
    <div
      ref={scroller}
      className={`${shared.scrollList}${dimmed ? ' dimmed' : ''}`}
      data-testid="concept-ledger"
      tabIndex={-1}
    >
      {known && rows.length === 0 && <p className="quiet">No word is like that.</p>}
      <ul
        className={`plain-list ${shared.ledgerRows}`}
        style={{ height: virtual.getTotalSize() }}
        onClick={(event) => {
          const key = keyUnder(event);
          if (key !== undefined) onPick(key);
        }}
        onKeyDown={(event) => {
          const key = keyUnder(event);
          const decision = key === undefined ? undefined : decisionByKey(event, key);
          if (decision) decide(decision);
        }}
      >
        {virtual.getVirtualItems().map(({ index, start }) => (
          <li key={rows[index].key} style={{ transform: `translateY(${start}px)` }}>
            <LedgerRow row={rows[index]} most={most} picked={rows[index].key === picked} />
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The key of the word an event is on. */
function keyUnder({ target }: React.SyntheticEvent): string | undefined {
  return target instanceof Element
    ? target.closest<HTMLElement>('.concept-row')?.dataset['concept']
    : undefined;
}

/** That a word is at the edge of what is chosen, in words. */
const edgeSaid = (row: FiguredRow): string =>
  isAtEdge(row)
    ? `, at the edge: chosen in ${FIGURE_FACES.again.show(row)} of halves of the sources, so which sources there are decides on it`
    : '';

/** A word in the list. The list hears what is done to it, so that it is drawn again only when it changes. */
const LedgerRow = memo(function LedgerRow({
  row,
  most,
  picked,
}: {
  row: FiguredRow;
  most: number;
  picked: boolean;
}) {
  return (
    <button
      type="button"
      className={`row-button ${styles.conceptRow} is-${row.status}${picked ? ' here' : ''}`}
      aria-pressed={picked}
      data-concept={row.key}
      title={`${STATUS_WORDS[row.status]}${edgeSaid(row)}. ${KEYS_SAID}.`}
    >
      <span className="row-name">
        {row.label}
        {row.status === 'kept' && <span className={shared.rowFlag}> kept</span>}
        {row.status === 'dropped' && <span className={shared.rowFlag}> dropped</span>}
        {isAtEdge(row) && <span className={shared.rowFlag}> at the edge</span>}
      </span>
      <span className="row-figure">{inFigures(row.mentions)}</span>
      <span className="row-bar" style={{ width: `${(100 * row.mentions) / most}%` }} />
    </button>
  );
});
