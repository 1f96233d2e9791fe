import { inFigures } from '@green-thicket/core/base/wording';
import { ownValue } from '@green-thicket/core/base/records';
import { LONGEST } from '@green-thicket/core/study/limits';
import type { StudySource } from '@green-thicket/core/study/study';
import type { CSSProperties } from 'react';
import { useSelection } from '../../pieces/selection.ts';
import type { GridEditing } from './grid-editing.ts';
import { boxOf, type Cell } from './grid-range.ts';
import styles from './SourceGrid.module.css';

const LONGEST_BAR = 34;

/** A source in the grid: its name, its length beside the longest, its attributes. */
export function SourceRow({
  source,
  index,
  attributes,
  words,
  most,
  isWorking,
  isTicked,
  onTick,
  onRemove,
  editing,
  style,
}: {
  source: StudySource;
  /** Its place among the rows. */
  index: number;
  attributes: readonly string[];
  words: number | undefined;
  /** Words of the longest source. */
  most: number;
  /** Whether it is in the subset. */
  isWorking: boolean;
  isTicked: boolean;
  onTick: (ticked: boolean) => void;
  onRemove: (id: string) => void;
  editing: GridEditing;
  style: CSSProperties;
}) {
  const { openSource } = useSelection();
  return (
    <div
      role="row"
      aria-rowindex={index + 2}
      className={isWorking ? 'grid-row' : `grid-row ${styles.notWorking}`}
      style={style}
    >
      <span role="gridcell">
        <input
          type="checkbox"
          className="tick"
          aria-label={`Tick ${source.name}`}
          checked={isTicked}
          onChange={(event) => onTick(event.target.checked)}
        />
      </span>
      <span role="rowheader" className={styles.gridName}>
        <button
          type="button"
          className="linklike"
          title={`Read ${source.name}`}
          onClick={() => openSource({ sourceId: source.id, at: 0 })}
        >
          {source.name}
        </button>
      </span>
      <span role="gridcell" className={styles.lengthCell}>
        <span
          className={styles.lengthBar}
          style={{ width: `${words === undefined ? 0 : (LONGEST_BAR * words) / most}px` }}
        />
        {isWorking ? (words === undefined ? '…' : inFigures(words)) : 'not in'}
      </span>
      {attributes.map((name, column) => (
        <ValueCell key={name} name={name} source={source} cell={{ row: index, column }} editing={editing} />
      ))}
      <span role="gridcell">
        <button
          type="button"
          className={styles.rowRemove}
          aria-label={`Remove ${source.name}`}
          onClick={() => onRemove(source.id)}
        >
          ✕
        </button>
      </span>
    </div>
  );
}

/** The value of an attribute: to be chosen, typed over, or part of a range. */
function ValueCell({
  name,
  source,
  cell,
  editing,
}: {
  name: string;
  source: StudySource;
  cell: Cell;
  editing: GridEditing;
}) {
  const { range, draft, setDraft, commit, goTo } = editing;
  const { row, column } = cell;
  const value = ownValue(source.attributes, name) ?? '';
  const box = range && boxOf(range);
  const isActive = range?.active.row === row && range.active.column === column;
  const inRange =
    box !== undefined && row >= box.top && row <= box.bottom && column >= box.left && column <= box.right;
  const isEdited = isActive && draft !== undefined;
  return (
    <span
      role="gridcell"
      data-cell={`${row}-${column}`}
      aria-label={`${name} of ${source.name}: ${value === '' ? 'empty' : value}`}
      aria-selected={inRange}
      tabIndex={isActive || (!range && row === 0 && column === 0) ? 0 : -1}
      className={`${styles.gridCell}${inRange ? ` ${styles.inRange}` : ''}${isActive ? ` ${styles.active}` : ''}`}
      title={value}
      onMouseDown={(event) => {
        if (isEdited) return;
        commit();
        goTo(cell, event.shiftKey);
      }}
      onMouseEnter={(event) => {
        if (event.buttons === 1 && draft === undefined && range) goTo(cell, true);
      }}
      onDoubleClick={() => setDraft(value)}
      onFocus={() => {
        if (!isActive && draft === undefined) goTo(cell);
      }}
    >
      {isEdited ? (
        <input
          className={styles.cellInput}
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
}
