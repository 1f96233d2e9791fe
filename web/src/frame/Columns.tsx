import {
  useEffect,
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
import { FirstNote } from '../pieces/FirstNote.tsx';
import { focusCentre } from '../pieces/focus-centre.ts';
import type { LedgerKind } from '../stops/stop.ts';
import { keptWidths, keepWidths, type Pane, type PaneWidths } from './pane-widths.ts';
import styles from './Columns.module.css';

type Side = Pane;

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

/** Whether the Reader is open: where something is picked, until that is closed, or always where it is to stay. */
function useReaderOpen(widths: PaneWidths, change: (change: Partial<PaneWidths>) => void) {
  const { selection, open } = useSelection();
  const picked = selection === null && open === null ? undefined : JSON.stringify([selection, open]);
  // What was picked when it was closed: the next pick opens it again.
  const [closedFor, setClosedFor] = useState<string>();
  const isFolded = widths.reader === 'folded';
  const isOpen = !isFolded && (widths.readerStays || (picked !== undefined && picked !== closedFor));
  const setOpen = (next: boolean): void => {
    setClosedFor(next ? undefined : picked);
    change({
      ...(next && isFolded ? { reader: 'auto' } : {}),
      ...(!next || picked === undefined ? { readerStays: next } : {}),
    });
  };
  return { isOpen, isEmpty: picked === undefined, setOpen };
}

/** Hears a key anywhere but where one types. */
function usePaneKey(key: string, onPress: () => void): void {
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent): void => {
      const target = event.target as HTMLElement;
      const isTyping = target.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(target.tagName);
      const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey && !event.shiftKey;
      if (event.key !== key || !isPlain || isTyping || target.closest('[role=dialog]')) return;
      event.preventDefault();
      onPress();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
}

/**
 * Ledger, centre and Reader beside each other; the outer two are widened, narrowed and folded, by pointer and by keys. The Reader is an
 * edge until something is picked.
 *
 * @param isWhole whether the centre takes the ledger's place too
 * @param ledger whether the stop has one, and whether it stands unasked
 */
export function Columns({
  isWhole,
  ledger,
  children,
}: {
  isWhole: boolean;
  ledger: LedgerKind;
  children: ReactNode;
}) {
  const [widths, setWidths] = useState(keptWidths);
  const columns = useRef<HTMLDivElement>(null);
  const changeAll = (changed: Partial<PaneWidths>): void => {
    const next = { ...widths, ...changed };
    setWidths(next);
    keepWidths(next);
  };
  const change = (side: Side, width: number | 'folded' | 'auto'): void => {
    if (side === 'ledger' && width === 'folded') {
      setListOpen(false);
      focusCentre();
    } else changeAll({ [side]: width });
  };
  const { isOpen, isEmpty, setOpen } = useReaderOpen(widths, changeAll);
  usePaneKey('r', () => setOpen(!isOpen));
  const hasLedger = ledger !== 'none' && !isWhole;
  const isListOpen = ledger === 'asked' ? widths.listAsked : widths.ledger !== 'folded';
  const setListOpen = (next: boolean): void =>
    changeAll(
      ledger === 'asked'
        ? { listAsked: next, ...(next && widths.ledger === 'folded' ? { ledger: 'auto' } : {}) }
        : { ledger: next ? 'auto' : 'folded' },
    );
  usePaneKey('l', () => hasLedger && setListOpen(!isListOpen));
  const variables = Object.fromEntries(
    (['ledger', 'reader'] as const)
      .filter((side) => typeof widths[side] === 'number')
      .map((side) => [VARIABLES[side], `${widths[side]}px`]),
  );
  const marks = [
    styles.columns,
    hasLedger && !isListOpen && styles.noLedger,
    ledger === 'none' && !isWhole && styles.withoutLedger,
    !isOpen && styles.unread,
  ].filter(Boolean);
  return (
    <div ref={columns} className={marks.join(' ')} style={variables as CSSProperties}>
      {hasLedger && !isListOpen && (
        <button
          type="button"
          className={`${styles.edge} ${styles.leftEdge}`}
          aria-label="Open the list"
          title="Open the list (L)"
          onClick={() => setListOpen(true)}
        >
          List
        </button>
      )}
      {children}
      <div
        className={styles.readerPane}
        onKeyDown={(event) => {
          if (event.key !== 'Escape' || event.defaultPrevented) return;
          setOpen(false);
          focusCentre();
        }}
      >
        <Reader />
        {isOpen && isEmpty && (
          <button
            type="button"
            className={styles.close}
            aria-label="Close the Reader"
            title="Close the Reader (R, or Esc in it); the next pick opens it again"
            onClick={() => setOpen(false)}
          >
            ×
          </button>
        )}
      </div>
      {!isOpen && (
        <button
          type="button"
          className={styles.edge}
          aria-label="Open the Reader"
          title="Open the Reader (R): the passages behind what is picked; it opens by itself when something is"
          onClick={() => setOpen(true)}
        >
          Reader
        </button>
      )}
      {!isOpen && (
        <aside aria-label="What the edge is for">
          <FirstNote of="reader" />
        </aside>
      )}
      <section className={styles.dividers} aria-label="Widths of the panes">
        {hasLedger && isListOpen && (
          <Divider side="ledger" columns={columns} widths={widths} onChange={change} />
        )}
        {isOpen && <Divider side="reader" columns={columns} widths={widths} onChange={change} />}
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
