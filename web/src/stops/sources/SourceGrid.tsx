import { useVirtualizer } from '@tanstack/react-virtual';
import { App } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import { writeClipboardTable } from '@green-thicket/core/formats/csv';
import { counted } from '@green-thicket/core/base/wording';
import { attributeNames } from '@green-thicket/core/study/groups';
import type { StudySource } from '@green-thicket/core/study/study';
import { workingSources } from '@green-thicket/core/study/subset';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { useBegun } from '../../pieces/use-begun.ts';
import { AttributeHead } from './AttributeHead.tsx';
import { boxOf, pasted, valuesOfBox, type Cell, type Range, type Values } from './grid-range.ts';
import type { RowOrder } from './row-order.ts';
import { ownValue } from '@green-thicket/core/base/records';
import { LONGEST } from '@green-thicket/core/study/limits';

const ROW_HEIGHT = 31;
const LONGEST_BAR = 34;
/** Least widths of the columns, in pixels. */
const NAME_WIDTH = 150;
const ATTRIBUTE_WIDTH = 84;

/**
 * The collection as a grid: attributes are typed, pasted and filled as in a spreadsheet; only rows in sight are drawn. Their
 * parts are the browser’s own, as those of the component library take ten times as long to draw.
 */
export function SourceGrid({
  rows,
  words,
  ticked,
  onTick,
  order,
  onOrder,
  onRemove,
}: {
  rows: readonly StudySource[];
  words: ReadonlyMap<string, number> | undefined;
  ticked: ReadonlySet<string>;
  onTick: (ticked: ReadonlySet<string>) => void;
  order: RowOrder | undefined;
  onOrder: (order: RowOrder) => void;
  onRemove: (id: string) => void;
}) {
  const { state, decide } = useStudy();
  const { openSource } = useSelection();
  const { message } = App.useApp();
  const attributes = attributeNames(state.sources);
  const scroller = useRef<HTMLDivElement>(null);
  const [range, setRange] = useState<Range>();
  const [draft, setDraft] = useState<string>();
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 3,
  });
  const working = new Set(workingSources(state).map((source) => source.id));
  const drawn = useBegun(virtual.getVirtualItems());
  const most = useMemo(() => {
    let longest = 1;
    for (const length of words?.values() ?? []) longest = Math.max(longest, length);
    return longest;
  }, [words]);
  const active = range?.active;

  // The cell that is worked in has the focus, once its row is drawn.
  useEffect(() => {
    if (!active || draft !== undefined) return;
    scroller.current
      ?.querySelector<HTMLElement>(`[data-cell="${active.row}-${active.column}"]`)
      ?.focus({ preventScroll: true });
  }, [active, draft, rows]);

  const set = (values: Values): void => {
    if (Object.keys(values).length > 0) decide({ kind: 'setValues', values });
  };
  const goTo = (cell: Cell, extend = false): void => {
    const inside = {
      row: Math.max(0, Math.min(rows.length - 1, cell.row)),
      column: Math.max(0, Math.min(attributes.length - 1, cell.column)),
    };
    virtual.scrollToIndex(inside.row);
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

  const onKeyDown = (event: React.KeyboardEvent): void => {
    if (!active || !range) return;
    const { row, column } = active;
    if (draft !== undefined) {
      if (event.key === 'Escape') setDraft(undefined);
      else if (event.key === 'Enter' || event.key === 'Tab') {
        event.preventDefault();
        commit();
        const back = event.shiftKey ? -1 : 1;
        goTo(event.key === 'Enter' ? { row: row + back, column } : { row, column: column + back });
      }
      return;
    }
    const moves: Record<string, Cell> = {
      ArrowDown: { row: row + 1, column },
      ArrowUp: { row: row - 1, column },
      ArrowLeft: { row, column: column - 1 },
      ArrowRight: { row, column: column + 1 },
      PageDown: { row: row + 15, column },
      PageUp: { row: row - 15, column },
      Home: { row, column: 0 },
      End: { row, column: attributes.length - 1 },
    };
    const control = event.ctrlKey || event.metaKey;
    const move = ownValue(moves, event.key);
    if (move && !control) {
      event.preventDefault();
      goTo(move, event.shiftKey);
    } else if (event.key === 'Enter' || event.key === 'F2') {
      event.preventDefault();
      setDraft(ownValue(rows[row].attributes, attributes[column]) ?? '');
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      set(valuesOfBox(boxOf(range), rows, attributes, () => ''));
    } else if (control && event.key.toLowerCase() === 'd') {
      event.preventDefault();
      const box = boxOf(range);
      set(
        valuesOfBox(
          box,
          rows,
          attributes,
          (_, each) => ownValue(rows[box.top].attributes, attributes[each]) ?? '',
        ),
      );
    } else if (event.key.length === 1 && !control && !event.altKey) {
      event.preventDefault();
      setDraft(event.key);
    }
  };
  const onCopy = (event: React.ClipboardEvent): void => {
    if (draft !== undefined || !range) return;
    event.preventDefault();
    const { top, bottom, left, right } = boxOf(range);
    const cells = rows
      .slice(top, bottom + 1)
      .map((source) =>
        attributes.slice(left, right + 1).map((name) => ownValue(source.attributes, name) ?? ''),
      );
    event.clipboardData.setData('text/plain', writeClipboardTable(cells));
  };
  const onPaste = (event: React.ClipboardEvent): void => {
    if (draft !== undefined || !range) return;
    event.preventDefault();
    const { values, beyond } = pasted(event.clipboardData.getData('text/plain'), range, rows, attributes);
    set(values);
    if (beyond > 0) {
      void message.warning(
        `${counted(beyond, 'cell')} would stand beyond the last row or attribute and ${beyond === 1 ? 'was' : 'were'} left out.`,
      );
    }
  };

  const allTicked = rows.length > 0 && rows.every((source) => ticked.has(source.id));
  // Every row has the same width, so that its columns stand under their heads.
  const layout = {
    gridTemplateColumns: `26px minmax(0, 1.4fr) 104px ${attributes.map(() => 'minmax(0, 1fr)').join(' ')} 30px`,
    minWidth: 26 + NAME_WIDTH + 92 + 30 + attributes.length * ATTRIBUTE_WIDTH,
  };
  const box = range && boxOf(range);
  return (
    <div
      ref={scroller}
      className="source-grid"
      role="grid"
      aria-label="Sources and their attributes"
      aria-rowcount={rows.length + 1}
      onKeyDown={onKeyDown}
      onCopy={onCopy}
      onPaste={onPaste}
    >
      <div className="grid-head" role="row" style={layout}>
        <span role="columnheader">
          <input
            type="checkbox"
            className="tick"
            aria-label="Tick all"
            checked={allTicked}
            ref={(box) => {
              if (box) box.indeterminate = !allTicked && ticked.size > 0;
            }}
            onChange={(event) => onTick(new Set(event.target.checked ? rows.map((source) => source.id) : []))}
          />
        </span>
        <SortHead label="Source" by="name" order={order} onOrder={onOrder} />
        <SortHead label="Words" by="words" order={order} onOrder={onOrder} />
        {attributes.map((name) => (
          <span role="columnheader" key={name}>
            <AttributeHead attribute={name} order={order} onOrder={onOrder} />
          </span>
        ))}
        <span role="columnheader">
          <span className="visually-hidden">Remove</span>
        </span>
      </div>
      <div className="grid-body" style={{ height: virtual.getTotalSize() }}>
        {drawn.map(({ index, start }) => {
          const source = rows[index];
          const own = words?.get(source.id);
          return (
            <div
              key={source.id}
              role="row"
              aria-rowindex={index + 2}
              className={working.has(source.id) ? 'grid-row' : 'grid-row not-working'}
              style={{ ...layout, transform: `translateY(${start}px)` }}
            >
              <span role="gridcell">
                <input
                  type="checkbox"
                  className="tick"
                  aria-label={`Tick ${source.name}`}
                  checked={ticked.has(source.id)}
                  onChange={(event) => {
                    const next = new Set(ticked);
                    if (event.target.checked) next.add(source.id);
                    else next.delete(source.id);
                    onTick(next);
                  }}
                />
              </span>
              <span role="rowheader" className="grid-name">
                <button
                  type="button"
                  className="linklike"
                  title={`Read ${source.name}`}
                  onClick={() => openSource({ sourceId: source.id, at: 0 })}
                >
                  {source.name}
                </button>
              </span>
              <span role="gridcell" className="length-cell">
                <span
                  className="length-bar"
                  style={{ width: `${own === undefined ? 0 : (LONGEST_BAR * own) / most}px` }}
                />
                {working.has(source.id) ? (own?.toLocaleString('en-GB') ?? '…') : 'not in'}
              </span>
              {attributes.map((name, column) => {
                const value = ownValue(source.attributes, name) ?? '';
                const isActive = active?.row === index && active.column === column;
                const inRange =
                  box !== undefined &&
                  index >= box.top &&
                  index <= box.bottom &&
                  column >= box.left &&
                  column <= box.right;
                const isEdited = isActive && draft !== undefined;
                return (
                  <span
                    key={name}
                    role="gridcell"
                    data-cell={`${index}-${column}`}
                    aria-label={`${name} of ${source.name}: ${value === '' ? 'empty' : value}`}
                    aria-selected={inRange}
                    tabIndex={isActive || (!active && index === 0 && column === 0) ? 0 : -1}
                    className={`grid-cell${inRange ? ' in-range' : ''}${isActive ? ' active' : ''}`}
                    title={value}
                    onMouseDown={(event) => {
                      if (isEdited) return;
                      commit();
                      goTo({ row: index, column }, event.shiftKey);
                    }}
                    onMouseEnter={(event) => {
                      if (event.buttons === 1 && draft === undefined && range)
                        goTo({ row: index, column }, true);
                    }}
                    onDoubleClick={() => setDraft(value)}
                    onFocus={() => {
                      if (!isActive && draft === undefined) goTo({ row: index, column });
                    }}
                  >
                    {isEdited ? (
                      <input
                        className="cell-input"
                        aria-label={`${name} of ${source.name}`}
                        autoFocus
                        value={draft}
                        maxLength={LONGEST.value}
                        onChange={(event) => setDraft(event.target.value)}
                        onBlur={commit}
                      />
                    ) : (
                      value
                    )}
                  </span>
                );
              })}
              <span role="gridcell">
                <button
                  type="button"
                  className="row-remove"
                  aria-label={`Remove ${source.name}`}
                  onClick={() => onRemove(source.id)}
                >
                  ✕
                </button>
              </span>
            </div>
          );
        })}
      </div>
    </div>
  );
}

function SortHead({
  label,
  by,
  order,
  onOrder,
}: {
  label: string;
  by: 'name' | 'words';
  order: RowOrder | undefined;
  onOrder: (order: RowOrder) => void;
}) {
  const isBy = order?.by === by;
  return (
    <span role="columnheader" aria-sort={isBy ? (order.falling ? 'descending' : 'ascending') : 'none'}>
      <button
        type="button"
        className="head-button"
        title={`Sort by ${label.toLowerCase()}`}
        onClick={() => onOrder({ by, falling: isBy ? !order.falling : by === 'words' })}
      >
        {label} {isBy && (order.falling ? '↓' : '↑')}
      </button>
    </span>
  );
}
