import {
  useRef,
  useState,
  type CSSProperties,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
} from 'react';
import { ownValue } from '@green-thicket/core/base/records';
import { useSelection } from '../pieces/selection.ts';
import { Reader } from '../reading/Reader.tsx';
import { keptWidths, keepWidths, type PaneWidths } from './pane-widths.ts';
import styles from './Columns.module.css';

type Side = keyof PaneWidths;

/** Pixels; a ledger needs room for a word and its bar, the Reader for a line of about thirty letters. */
const LEAST: Readonly<Record<Side, number>> = { ledger: 170, reader: 220 };
const MOST: Readonly<Record<Side, number>> = { ledger: 560, reader: 760 };
/** What the centre keeps whatever is drawn. */
const LEAST_STAGE = 320;
/** What the style sheet reads their widths from. */
const VARIABLES: Readonly<Record<Side, string>> = { ledger: '--ledger-width', reader: '--reader-width' };
/** What the style sheet gives them. */
const AS_GIVEN: Readonly<Record<Side, number>> = { ledger: 250, reader: 340 };
const KEY_STEP = 16;
const NAMES: Readonly<Record<Side, string>> = { ledger: 'list', reader: 'Reader' };

/** Ledger, centre and Reader beside each other; the outer two are widened, narrowed and folded, by pointer and by keys. */
export function Columns({ isWhole, children }: { isWhole: boolean; children: ReactNode }) {
  const [widths, setWidths] = useState(keptWidths);
  const columns = useRef<HTMLDivElement>(null);
  const { selection, open } = useSelection();
  const isRead = selection !== null || open !== null;
  const change = (side: Side, width: number | 'folded' | 'auto'): void => {
    const next = { ...widths, [side]: width };
    setWidths(next);
    keepWidths(next);
  };
  const variables = Object.fromEntries(
    (['ledger', 'reader'] as const)
      .filter((side) => widths[side] !== 'auto')
      .map((side) => [VARIABLES[side], widths[side] === 'folded' ? '0px' : `${widths[side]}px`]),
  );
  const marks = [
    styles.columns,
    widths.ledger === 'folded' && styles.noLedger,
    widths.reader === 'folded' && styles.noReader,
    !isRead && styles.unread,
  ].filter(Boolean);
  return (
    <div ref={columns} className={marks.join(' ')} style={variables as CSSProperties}>
      {children}
      <Reader />
      <section className={styles.dividers} aria-label="Widths of the panes">
        {!isWhole && <Divider side="ledger" columns={columns} widths={widths} onChange={change} />}
        <Divider side="reader" columns={columns} widths={widths} onChange={change} />
      </section>
    </div>
  );
}

/** The line between two columns: a window splitter as the ARIA practices describe it. */
function Divider({
  side,
  columns,
  widths,
  onChange,
}: {
  side: Side;
  columns: React.RefObject<HTMLDivElement | null>;
  widths: PaneWidths;
  onChange: (side: Side, width: number | 'folded' | 'auto') => void;
}) {
  const isFolded = widths[side] === 'folded';
  const [isDragged, setDragged] = useState(false);
  /** The width in force, measured, since it may be the style sheet's. */
  const widthNow = (): number => {
    const shown = columns.current && getComputedStyle(columns.current).gridTemplateColumns.split(' ');
    const width = Number.parseFloat(shown?.[side === 'ledger' ? 0 : 2] ?? '');
    return Number.isFinite(width) ? width : LEAST[side];
  };
  const fitted = (width: number): number => {
    const total = columns.current?.clientWidth ?? 1280;
    const shown = columns.current ? getComputedStyle(columns.current).gridTemplateColumns.split(' ') : [];
    const other = Number.parseFloat(shown[side === 'ledger' ? 2 : 0] ?? '0');
    return Math.round(Math.max(LEAST[side], Math.min(MOST[side], total - other - LEAST_STAGE, width)));
  };
  const drag = (event: PointerEvent): void => {
    if (!isDragged || !columns.current) return;
    const box = columns.current.getBoundingClientRect();
    const width = side === 'ledger' ? event.clientX - box.left : box.right - event.clientX;
    // Drawn well beyond its least, a pane folds away.
    onChange(side, width < LEAST[side] / 2 ? 'folded' : fitted(width));
  };
  const press = (event: KeyboardEvent): void => {
    const wider = side === 'ledger' ? 'ArrowRight' : 'ArrowLeft';
    const narrower = side === 'ledger' ? 'ArrowLeft' : 'ArrowRight';
    const asked: Readonly<Record<string, () => PaneWidths[Side]>> = {
      [wider]: () => fitted(widthNow() + KEY_STEP),
      [narrower]: () => fitted(widthNow() - KEY_STEP),
      Home: () => LEAST[side],
      End: () => fitted(MOST[side]),
      Enter: () => (isFolded ? 'auto' : 'folded'),
    };
    const width = ownValue(asked, event.key)?.();
    if (width === undefined) return;
    event.preventDefault();
    onChange(side, width);
  };
  return (
    <div
      role="separator"
      tabIndex={0}
      aria-orientation="vertical"
      aria-label={`Width of the ${NAMES[side]}`}
      aria-valuenow={isFolded ? 0 : typeof widths[side] === 'number' ? widths[side] : AS_GIVEN[side]}
      aria-valuemin={0}
      aria-valuemax={MOST[side]}
      title={`Drag, or arrow keys, to widen or narrow the ${NAMES[side]}; double-click or Enter ${isFolded ? 'opens' : 'folds'} it`}
      className={`${styles.divider} ${side === 'ledger' ? styles.left : styles.right}${isDragged ? ` ${styles.isDragged}` : ''}`}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setDragged(true);
      }}
      onPointerMove={drag}
      onPointerUp={() => setDragged(false)}
      onPointerCancel={() => setDragged(false)}
      onDoubleClick={() => onChange(side, isFolded ? 'auto' : 'folded')}
      onKeyDown={press}
    />
  );
}
