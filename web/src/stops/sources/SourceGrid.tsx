import { useMemo } from 'react';
import { attributeNames } from '@green-thicket/core/study/groups';
import type { StudySource } from '@green-thicket/core/study/study';
import { shownSources } from '@green-thicket/core/study/subset';
import { useStudy } from '../../pieces/study-context.ts';
import { useBegun } from '../../pieces/use-begun.ts';
import { AttributeHead } from './AttributeHead.tsx';
import { useGridEditing } from './grid-editing.ts';
import type { RowOrder } from './row-order.ts';
import { useRows } from '../../pieces/use-rows.ts';
import { SourceRow } from './SourceRow.tsx';

const ROW_HEIGHT = 31;
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
  const { state } = useStudy();
  const attributes = attributeNames(state.sources);
  const { scroller, virtual } = useRows(rows.length, ROW_HEIGHT, 3);
  const editing = useGridEditing(rows, attributes, scroller, (row) => virtual.scrollToIndex(row));
  const working = new Set(shownSources(state).map((source) => source.id));
  const drawn = useBegun(virtual.getVirtualItems());
  const most = useMemo(() => {
    let longest = 1;
    for (const length of words?.values() ?? []) longest = Math.max(longest, length);
    return longest;
  }, [words]);
  const tick = (id: string, on: boolean): void => {
    const next = new Set(ticked);
    if (on) next.add(id);
    else next.delete(id);
    onTick(next);
  };
  const allTicked = rows.length > 0 && rows.every((source) => ticked.has(source.id));
  // Every row has the same width, so that its columns stand under their heads.
  const layout = {
    gridTemplateColumns: `26px minmax(0, 1.4fr) 104px ${attributes.map(() => 'minmax(0, 1fr)').join(' ')} 30px`,
    minWidth: 26 + NAME_WIDTH + 92 + 30 + attributes.length * ATTRIBUTE_WIDTH,
  };
  return (
    <div
      ref={scroller}
      className="source-grid"
      role="grid"
      aria-label="Sources and their attributes"
      aria-rowcount={rows.length + 1}
      onKeyDown={editing.onKeyDown}
      onCopy={editing.onCopy}
      onPaste={editing.onPaste}
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
          return (
            <SourceRow
              key={source.id}
              source={source}
              index={index}
              attributes={attributes}
              words={words?.get(source.id)}
              most={most}
              isWorking={working.has(source.id)}
              isTicked={ticked.has(source.id)}
              onTick={(on) => tick(source.id, on)}
              onRemove={onRemove}
              editing={editing}
              style={{ ...layout, transform: `translateY(${start}px)` }}
            />
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
