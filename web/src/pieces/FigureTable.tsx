import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import { useBegun } from './use-begun.ts';
import styles from './FigureTable.module.css';

/** Height of a row, in pixels. */
const ROW = 31;

export interface FigureColumn<Row> {
  readonly key: string;
  readonly title: string;
  /** What the figure says, shown on hover. */
  readonly hint?: string;
  /** Least width in pixels; the first column takes what is left over. */
  readonly width: number;
  /** What rows are sorted by, and shown where there is no `render`. */
  readonly value: (row: Row) => number | string;
  readonly render?: (row: Row) => ReactNode;
}

interface FigureTableProps<Row> {
  readonly label: string;
  readonly columns: readonly FigureColumn<Row>[];
  readonly rows: readonly Row[];
  readonly rowKey: (row: Row) => string;
  readonly rowClass?: (row: Row) => string;
  /** Shown at the start of each row, with one in the head for all; ticks are by row key. */
  readonly ticks?: {
    readonly ticked: ReadonlySet<string>;
    readonly nameOf: (row: Row) => string;
    readonly onTick: (ticked: ReadonlySet<string>) => void;
  };
}

interface Order {
  readonly key: string;
  readonly descending: boolean;
}

function compare(a: number | string, b: number | string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}

/** Rows of figures to sort and pick from; only those in sight are drawn, however many there are. */
export function FigureTable<Row>({
  label,
  columns,
  rows,
  rowKey,
  rowClass,
  ticks,
}: FigureTableProps<Row>): React.JSX.Element {
  const scroller = useRef<HTMLDivElement>(null);
  const [order, setOrder] = useState<Order>();
  const sorted = useMemo(() => {
    const column = columns.find(({ key }) => key === order?.key);
    if (!order || !column) return rows;
    const sign = order.descending ? -1 : 1;
    return [...rows].sort((a, b) => sign * compare(column.value(a), column.value(b)));
  }, [rows, columns, order]);
  const virtual = useVirtualizer({
    count: sorted.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 8,
  });
  const drawn = useBegun(virtual.getVirtualItems());
  const grid = `${ticks ? '30px ' : ''}${columns
    .map(({ width }, i) => (i === 0 ? `minmax(${width}px, 1fr)` : `${width}px`))
    .join(' ')}`;
  // Figures stand under each other by their last digits.
  const classOf = ({ value }: FigureColumn<Row>): string | undefined =>
    rows.length > 0 && typeof value(rows[0]) === 'number' ? styles.isFigure : undefined;
  const least = columns.reduce((sum, { width }) => sum + width, ticks ? 30 : 0);
  // The order that comes first is the useful one: largest figures, or words from a; then the other way, then as given.
  const sortBy = ({ key, value }: FigureColumn<Row>): void => {
    const first = rows.length > 0 && typeof value(rows[0]) === 'number';
    if (order?.key !== key) setOrder({ key, descending: first });
    else if (order.descending === first) setOrder({ key, descending: !first });
    else setOrder(undefined);
  };
  const allTicked = ticks && rows.length > 0 && rows.every((row) => ticks.ticked.has(rowKey(row)));
  const tick = (key: string): void => {
    if (!ticks) return;
    const next = new Set(ticks.ticked);
    if (!next.delete(key)) next.add(key);
    ticks.onTick(next);
  };
  return (
    <div
      ref={scroller}
      className={`source-grid ${styles.figureTable}`}
      role="table"
      aria-label={label}
      aria-rowcount={rows.length + 1}
      tabIndex={0}
    >
      <div className="grid-head" role="row" style={{ gridTemplateColumns: grid, minWidth: least }}>
        {ticks && (
          <span role="columnheader">
            <input
              type="checkbox"
              className="tick"
              aria-label="Tick all"
              checked={allTicked === true}
              onChange={() => ticks.onTick(new Set(allTicked ? [] : rows.map(rowKey)))}
            />
          </span>
        )}
        {columns.map((column) => (
          <ColumnHead
            key={column.key}
            column={column}
            className={classOf(column)}
            order={order?.key === column.key ? order : undefined}
            onSort={() => sortBy(column)}
          />
        ))}
      </div>
      <div className="grid-body" style={{ height: virtual.getTotalSize(), minWidth: least }}>
        {drawn.map(({ index, start }) => {
          const row = sorted[index];
          const key = rowKey(row);
          return (
            <div
              key={key}
              role="row"
              aria-rowindex={index + 2}
              className={`grid-row ${rowClass?.(row) ?? ''}`}
              style={{ gridTemplateColumns: grid, transform: `translateY(${start}px)` }}
            >
              {ticks && (
                <span role="cell">
                  <input
                    type="checkbox"
                    className="tick"
                    aria-label={`Tick ${ticks.nameOf(row)}`}
                    checked={ticks.ticked.has(key)}
                    onChange={() => tick(key)}
                  />
                </span>
              )}
              {columns.map((column) => (
                <span key={column.key} role="cell" className={classOf(column)}>
                  {column.render ? column.render(row) : column.value(row)}
                </span>
              ))}
            </div>
          );
        })}
      </div>
    </div>
  );
}

/** A column's head, which sorts by it. */
function ColumnHead<Row>({
  column,
  className,
  order,
  onSort,
}: {
  column: FigureColumn<Row>;
  className: string | undefined;
  /** The order, where it is by this column. */
  order: Order | undefined;
  onSort: () => void;
}) {
  return (
    <span
      role="columnheader"
      className={className}
      aria-sort={order ? (order.descending ? 'descending' : 'ascending') : 'none'}
    >
      <button type="button" className="head-button" title={column.hint} onClick={onSort}>
        {column.title}
        {order && <span aria-hidden="true">{order.descending ? ' ↓' : ' ↑'}</span>}
      </button>
    </span>
  );
}
