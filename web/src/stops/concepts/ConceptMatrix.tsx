import { useVirtualizer, type VirtualItem } from '@tanstack/react-virtual';
import { Button, Segmented } from 'antd';
import { useRef, useState } from 'react';
import { MATRIX_FIGURES, type MatrixFigure, type MatrixView } from '@green-thicket/core/views/view-types';
import { useAsk } from '../../engine/use-ask.ts';
import { DRAWN, tint } from '../../pieces/drawn-colours.ts';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { download, fileName } from '../../pieces/download.ts';
import styles from './ConceptMatrix.module.css';
import { useOutsideTitle } from '../../pieces/use-renamer.ts';

const ROW = 28;
const COLUMN = 92;
const NAME_COLUMN = 170;

const FIGURE_TEXTS: Readonly<
  Record<MatrixFigure, { label: string; title: string; show: (value: number) => string }>
> = {
  mentions: { label: 'Mentions', title: 'How often the source mentions it', show: String },
  windowShare: {
    label: 'Share of windows',
    title: 'Share of the source’s windows that hold it',
    show: (value) => `${(100 * value).toFixed(1)} %`,
  },
  tfIdf: {
    label: 'tf-idf',
    title: 'Mentions in the source × ln(all sources ÷ sources with it)',
    show: (value) => value.toFixed(1),
  },
};

/** Sources by kept concepts; only the cells in sight are drawn, and each opens its passages. */
export function ConceptMatrix() {
  const { state } = useStudy();
  const [figure, setFigure] = useState<MatrixFigure>('mentions');
  const { data, isPlaceholderData } = useView('matrix', { figure });
  const ask = useAsk();
  const tellFault = useTellFault();
  const scroller = useRef<HTMLDivElement>(null);
  const down = useVirtualizer({
    count: data?.sourceIds.length ?? 0,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 6,
  });
  const across = useVirtualizer({
    horizontal: true,
    count: data?.keys.length ?? 0,
    getScrollElement: () => scroller.current,
    estimateSize: () => COLUMN,
    overscan: 3,
  });
  const title = useOutsideTitle();
  const save = (): void =>
    tellFault('Nothing was saved', async () => {
      const { bytes } = await ask('matrixFile', { figure });
      download(fileName(`${title} sources by concepts`, '.csv'), bytes, 'text/csv');
    });
  if (!data) return <p className="quiet">Counting …</p>;
  const names = new Map(state.sources.map(({ id, name }) => [id, name]));
  const width = data.keys.length;
  const most = data.values.reduce((highest, value) => Math.max(highest, value), 0);
  return (
    <>
      <div className="centre-bar">
        <Segmented
          size="small"
          aria-label="Figure of the matrix"
          value={figure}
          options={MATRIX_FIGURES.map((value) => ({
            value,
            label: FIGURE_TEXTS[value].label,
            title: FIGURE_TEXTS[value].title,
          }))}
          onChange={setFigure}
        />
        <Button size="small" onClick={() => save()}>
          Save as .csv
        </Button>
      </div>
      <div
        ref={scroller}
        className={`source-grid ${styles.matrix}${isPlaceholderData ? ' dimmed' : ''}`}
        role="table"
        aria-label={`Sources by concepts: ${FIGURE_TEXTS[figure].label}`}
        aria-rowcount={data.sourceIds.length + 1}
        aria-colcount={width + 1}
        tabIndex={0}
      >
        <div
          className={`grid-head ${styles.matrixHead}`}
          role="row"
          style={{ width: NAME_COLUMN + across.getTotalSize() }}
        >
          <span role="columnheader" className={styles.matrixName}>
            Source
          </span>
          {across.getVirtualItems().map(({ index, start }) => (
            <span
              key={data.keys[index]}
              role="columnheader"
              aria-colindex={index + 2}
              className={styles.matrixCell}
              title={data.labels[index]}
              style={{ transform: `translateX(${start}px)` }}
            >
              {data.labels[index]}
            </span>
          ))}
        </div>
        <div
          className="grid-body"
          style={{ height: down.getTotalSize(), width: NAME_COLUMN + across.getTotalSize() }}
        >
          {down.getVirtualItems().map((row) => {
            const sourceId = data.sourceIds[row.index];
            return (
              <MatrixRow
                key={sourceId}
                data={data}
                at={row.index}
                name={names.get(sourceId) ?? ''}
                top={row.start}
                most={most}
                figure={figure}
                columns={across.getVirtualItems()}
              />
            );
          })}
        </div>
      </div>
    </>
  );
}

/** A source's cells, those in sight. */
function MatrixRow({
  data,
  at,
  name,
  top,
  most,
  figure,
  columns,
}: {
  data: MatrixView;
  /** Which of the sources it is. */
  at: number;
  name: string;
  top: number;
  /** The largest of all values, which is darkest. */
  most: number;
  figure: MatrixFigure;
  columns: readonly VirtualItem[];
}) {
  const { selection, within, select } = useSelection();
  const sourceId = data.sourceIds[at];
  const width = data.keys.length;
  const isPicked = (key: string): boolean =>
    selection?.kind === 'concept' &&
    selection.key === key &&
    within !== undefined &&
    'sourceId' in within &&
    within.sourceId === sourceId;
  return (
    <div
      role="row"
      aria-rowindex={at + 2}
      className={styles.matrixRow}
      style={{ transform: `translateY(${top}px)` }}
    >
      <span role="rowheader" className={styles.matrixName} title={name}>
        {name}
      </span>
      {columns.map(({ index, start }) => {
        const key = data.keys[index];
        const value = data.values[at * width + index];
        const shown = value === 0 && figure !== 'tfIdf' ? '·' : FIGURE_TEXTS[figure].show(value);
        return (
          <span
            key={key}
            role="cell"
            className={styles.matrixCell}
            style={{ transform: `translateX(${start}px)` }}
          >
            <button
              type="button"
              className={isPicked(key) ? 'here' : undefined}
              aria-label={`${data.labels[index]} in ${name}: ${FIGURE_TEXTS[figure].show(value)}`}
              style={{ background: tint(DRAWN.moss, most > 0 ? (0.3 * value) / most : 0) }}
              onClick={() => select({ kind: 'concept', key }, { sourceId })}
            >
              {shown}
            </button>
          </span>
        );
      })}
    </div>
  );
}
