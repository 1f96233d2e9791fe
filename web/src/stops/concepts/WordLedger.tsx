import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef } from 'react';
import { byCodeUnits } from '@green-thicket/core/numeric/order';
import type { CandidateRow } from '@green-thicket/core/study/concept-rows';
import { useStudy } from '../../shell/study-context.ts';
import { decisionByKey, KEYS_SAID } from './key-decisions.ts';
import { STATUS_WORDS } from './status-words.ts';

const LEDGER_ROW = 36;

type Sorter = (rows: readonly CandidateRow[]) => readonly CandidateRow[];
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
  rows: readonly CandidateRow[];
  picked: string | undefined;
  onPick: (key: string) => void;
  dimmed: boolean;
  known: boolean;
}) {
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => LEDGER_ROW,
    overscan: 10,
  });
  const most = rows.reduce((highest, row) => Math.max(highest, row.mentions), 1);
  return (
    <div
      ref={scroller}
      className={`scroll-list${dimmed ? ' dimmed' : ''}`}
      data-testid="concept-ledger"
      tabIndex={-1}
    >
      {known && rows.length === 0 && <p className="quiet">No word is like that.</p>}
      <ul className="plain-list ledger-rows" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, start }) => (
          <li key={rows[index].key} style={{ transform: `translateY(${start}px)` }}>
            <LedgerRow row={rows[index]} most={most} picked={rows[index].key === picked} onPick={onPick} />
          </li>
        ))}
      </ul>
    </div>
  );
}

function LedgerRow({
  row,
  most,
  picked,
  onPick,
}: {
  row: CandidateRow;
  most: number;
  picked: boolean;
  onPick: (key: string) => void;
}) {
  const { decide } = useStudy();
  return (
    <button
      type="button"
      className={`row-button concept-row is-${row.status}${picked ? ' here' : ''}`}
      aria-pressed={picked}
      title={`${STATUS_WORDS[row.status]}. ${KEYS_SAID}.`}
      onClick={() => onPick(row.key)}
      onKeyDown={(event) => {
        const decision = decisionByKey(event, row.key);
        if (decision) decide(decision);
      }}
    >
      <span className="row-name">
        {row.label}
        {row.status === 'kept' && <span className="row-flag"> kept</span>}
        {row.status === 'dropped' && <span className="row-flag"> dropped</span>}
      </span>
      <span className="row-figure">{row.mentions.toLocaleString('en-GB')}</span>
      <span className="row-bar" style={{ width: `${(100 * row.mentions) / most}%` }} />
    </button>
  );
}
