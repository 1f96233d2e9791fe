import { App } from 'antd';
import { useEffect, useState, type ClipboardEvent, type KeyboardEvent, type RefObject } from 'react';
import { ownValue } from '@green-thicket/core/base/records';
import { counted } from '@green-thicket/core/base/wording';
import { writeClipboardTable } from '@green-thicket/core/formats/csv';
import type { StudySource } from '@green-thicket/core/study/study';
import { useStudy } from '../../pieces/study-context.ts';
import { boxOf, pasted, valuesOfBox, type Cell, type Range, type Values } from './grid-range.ts';

/** Rows that Page up and Page down go over. */
const PAGE = 15;

/** What is worked on in the grid, and what can be done there. */
export interface GridEditing {
  readonly range: Range | undefined;
  /** What is typed into the active cell; undefined where nothing is. */
  readonly draft: string | undefined;
  readonly setDraft: (draft: string | undefined) => void;
  readonly goTo: (cell: Cell, extend?: boolean) => void;
  /** Keeps what was typed. */
  readonly commit: () => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
  readonly onCopy: (event: ClipboardEvent) => void;
  readonly onPaste: (event: ClipboardEvent) => void;
}

/** Typing, moving, filling, copying and pasting in the cells of the grid, as in a spreadsheet. */
export function useGridEditing(
  rows: readonly StudySource[],
  attributes: readonly string[],
  scroller: RefObject<HTMLElement | null>,
  scrollTo: (row: number) => void,
): GridEditing {
  const { decide } = useStudy();
  const { message } = App.useApp();
  const [range, setRange] = useState<Range>();
  const [draft, setDraft] = useState<string>();
  const active = range?.active;

  // The cell that is worked in has the focus, once its row is drawn.
  useEffect(() => {
    if (!active || draft !== undefined) return;
    scroller.current
      ?.querySelector<HTMLElement>(`[data-cell="${active.row}-${active.column}"]`)
      ?.focus({ preventScroll: true });
  }, [active, draft, rows, scroller]);

  const set = (values: Values): void => {
    if (Object.keys(values).length > 0) decide({ kind: 'setValues', values });
  };
  const goTo = (cell: Cell, extend = false): void => {
    const inside = {
      row: Math.max(0, Math.min(rows.length - 1, cell.row)),
      column: Math.max(0, Math.min(attributes.length - 1, cell.column)),
    };
    scrollTo(inside.row);
    setRange((before) => ({ active: inside, anchor: extend && before ? before.anchor : inside }));
  };
  const commit = (): void => {
    if (draft === undefined || !active) return;
    set(
      valuesOfBox(
        { top: active.row, bottom: active.row, left: active.column, right: active.column },
        rows,
        attributes,
        () => draft,
      ),
    );
    setDraft(undefined);
  };

  const typing = (event: KeyboardEvent, { row, column }: Cell): void => {
    if (event.key === 'Escape') setDraft(undefined);
    else if (event.key === 'Enter' || event.key === 'Tab') {
      event.preventDefault();
      commit();
      const back = event.shiftKey ? -1 : 1;
      goTo(event.key === 'Enter' ? { row: row + back, column } : { row, column: column + back });
    }
  };
  /** What a key does to the cells, or undefined where it does nothing. */
  const actOf = (event: KeyboardEvent, present: Range): (() => void) | undefined => {
    const { row, column } = present.active;
    const control = event.ctrlKey || event.metaKey;
    const move = control ? undefined : movedBy(event.key, present.active, attributes.length);
    if (move) return () => goTo(move, event.shiftKey);
    if (event.key === 'Enter' || event.key === 'F2')
      return () => setDraft(ownValue(rows[row].attributes, attributes[column]) ?? '');
    if (event.key === 'Delete' || event.key === 'Backspace')
      return () => set(valuesOfBox(boxOf(present), rows, attributes, () => ''));
    if (control && event.key.toLowerCase() === 'd') return () => set(filledDown(present, rows, attributes));
    if (event.key.length === 1 && !control && !event.altKey) return () => setDraft(event.key);
    return undefined;
  };
  return {
    range,
    draft,
    setDraft,
    goTo,
    commit,
    onKeyDown(event) {
      if (!range) return;
      if (draft !== undefined) {
        typing(event, range.active);
        return;
      }
      const act = actOf(event, range);
      if (!act) return;
      event.preventDefault();
      act();
    },
    onCopy(event) {
      if (draft !== undefined || !range) return;
      event.preventDefault();
      const { top, bottom, left, right } = boxOf(range);
      const cells = rows
        .slice(top, bottom + 1)
        .map((source) =>
          attributes.slice(left, right + 1).map((name) => ownValue(source.attributes, name) ?? ''),
        );
      event.clipboardData.setData('text/plain', writeClipboardTable(cells));
    },
    onPaste(event) {
      if (draft !== undefined || !range) return;
      event.preventDefault();
      const { values, beyond } = pasted(event.clipboardData.getData('text/plain'), range, rows, attributes);
      set(values);
      if (beyond > 0) {
        void message.warning(
          `${counted(beyond, 'cell')} would stand beyond the last row or attribute and ${beyond === 1 ? 'was' : 'were'} left out.`,
        );
      }
    },
  };
}

/** The cell a key moves to from another. */
function movedBy(key: string, { row, column }: Cell, columns: number): Cell | undefined {
  const moves: Record<string, Cell> = {
    ArrowDown: { row: row + 1, column },
    ArrowUp: { row: row - 1, column },
    ArrowLeft: { row, column: column - 1 },
    ArrowRight: { row, column: column + 1 },
    PageDown: { row: row + PAGE, column },
    PageUp: { row: row - PAGE, column },
    Home: { row, column: 0 },
    End: { row, column: columns - 1 },
  };
  return ownValue(moves, key);
}

/** The values of a range when its first row is filled down. */
function filledDown(range: Range, rows: readonly StudySource[], attributes: readonly string[]): Values {
  const box = boxOf(range);
  const first = rows[box.top].attributes;
  return valuesOfBox(box, rows, attributes, (_, each) => ownValue(first, attributes[each]) ?? '');
}
