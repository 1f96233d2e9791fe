import { largest } from '@green-thicket/core/base/extent';
import { readClipboardTable } from '@green-thicket/core/formats/csv';
import type { StudySource } from '@green-thicket/core/study/study';
import { ownValue } from '@green-thicket/core/base/records';
import { LONGEST } from '@green-thicket/core/study/limits';

/** A cell of the grid: its row and its attribute, both by number. */
export interface Cell {
  readonly row: number;
  readonly column: number;
}

/** The cells from an anchor to the cell that is worked in. */
export interface Range {
  readonly anchor: Cell;
  readonly active: Cell;
}

export interface Box {
  readonly top: number;
  readonly bottom: number;
  readonly left: number;
  readonly right: number;
}

export function boxOf({ anchor, active }: Range): Box {
  return {
    top: Math.min(anchor.row, active.row),
    bottom: Math.max(anchor.row, active.row),
    left: Math.min(anchor.column, active.column),
    right: Math.max(anchor.column, active.column),
  };
}

/** Attribute → source id → value, as a decision takes it. */
export type Values = Record<string, Record<string, string>>;

/** The values of some cells, each by its row and column. */
export function valuesOfBox(
  box: Box,
  rows: readonly StudySource[],
  attributes: readonly string[],
  valueAt: (row: number, column: number) => string,
): Values {
  const values = new Map<string, Record<string, string>>();
  for (let column = box.left; column <= box.right; column++) {
    const own = new Map<string, string>();
    for (let row = box.top; row <= box.bottom; row++) {
      const source = rows[row];
      const value = valueAt(row, column).trim().slice(0, LONGEST.value);
      if ((ownValue(source.attributes, attributes[column]) ?? '') !== value) own.set(source.id, value);
    }
    if (own.size > 0) values.set(attributes[column], Object.fromEntries(own));
  }
  return Object.fromEntries(values);
}

/**
 * What pasting a piece of a spreadsheet sets, from the range's first cell on. One value fills the whole range; what would
 * fall beyond the last row or attribute is counted.
 */
export function pasted(
  text: string,
  range: Range,
  rows: readonly StudySource[],
  attributes: readonly string[],
): { values: Values; beyond: number } {
  const cells = readClipboardTable(text);
  const box = boxOf(range);
  if (cells.length === 1 && cells[0].length === 1) {
    return { values: valuesOfBox(box, rows, attributes, () => cells[0][0]), beyond: 0 };
  }
  const width = largest(
    cells.map((row) => row.length),
    1,
  );
  const target: Box = {
    top: box.top,
    left: box.left,
    bottom: Math.min(rows.length - 1, box.top + cells.length - 1),
    right: Math.min(attributes.length - 1, box.left + width - 1),
  };
  const beyond = cells.reduce(
    (sum, row, i) =>
      sum + row.filter((_, j) => box.top + i >= rows.length || box.left + j >= attributes.length).length,
    0,
  );
  return {
    values: valuesOfBox(
      target,
      rows,
      attributes,
      (row, column) => cells[row - box.top][column - box.left] ?? '',
    ),
    beyond,
  };
}
