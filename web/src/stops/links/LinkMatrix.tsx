import {
  NETWORK_FORMATS,
  NETWORK_FORMAT_NAMES,
  type NetworkFormat,
} from '@green-thicket/core/formats/write/network-write';
import { Button } from 'antd';
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { largest } from '@green-thicket/core/base/extent';
import { counted } from '@green-thicket/core/base/wording';
import { inkNumber, tint } from '@green-thicket/core/map/palette';
import type { LinkMatrixView } from '@green-thicket/core/views/view-types';
import { useAsk } from '../../engine/use-ask.ts';
import { useView } from '../../engine/use-view.ts';
import { coloursOn, type Ground } from '../../theme.ts';
import { inkOf } from '../../pieces/drawn-colours.ts';
import { useGround } from '../../pieces/ground.ts';
import { download, fileName } from '../../pieces/download.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './LinkMatrix.module.css';
import { useOutsideTitle } from '../../pieces/use-renamer.ts';

/** Pixels of a cell. */
const CELL = 14;
const NAMES = 116;
/** Concepts shown; more are as many shades of nothing. */
const MOST = 200;

interface Cell {
  readonly row: number;
  readonly column: number;
}

/** Every pair of concepts in theme order: strength as shade, links that stand marked; a cell opens its passages. */
export function LinkMatrix() {
  const title = useOutsideTitle();
  const { data, isPlaceholderData } = useView('linkMatrix', null);
  const ask = useAsk();
  const tellFault = useTellFault();
  if (!data) return <p className="quiet">Laying out the matrix …</p>;
  const save = (as: 'csv' | NetworkFormat): void =>
    tellFault('Nothing was saved', async () => {
      if (as === 'csv') {
        const { bytes } = await ask('adjacencyFile', null);
        download(fileName(`${title} links as a matrix`, '.csv'), bytes, 'text/csv');
        return;
      }
      const { bytes } = await ask('networkFile', { as });
      download(fileName(`${title} network`, `.${as}`), bytes, NETWORK_FORMATS[as].mediaType);
    });
  return (
    <div className={isPlaceholderData ? `${styles.face} dimmed` : styles.face}>
      <p className="quiet">
        Concepts in the order of their themes; the darker, the stronger; a dot where the link stands.{' '}
        <HowFound page="links" heading="Chance" />{' '}
        {data.keys.length > MOST && `The first ${MOST} of ${counted(data.keys.length, 'concept')}. `}
        <Button size="small" onClick={() => save('csv')}>
          Save as .csv
        </Button>{' '}
        {NETWORK_FORMAT_NAMES.map((as) => (
          <Button key={as} size="small" title={NETWORK_FORMATS[as].hint} onClick={() => save(as)}>
            .{as}
          </Button>
        ))}
      </p>
      <Grid data={data} />
    </div>
  );
}

function Grid({ data }: { data: LinkMatrixView }) {
  const { select } = useSelection();
  const canvas = useRef<HTMLCanvasElement>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<Cell>();
  const ground = useGround();
  const n = Math.min(MOST, data.keys.length);
  useEffect(() => {
    if (canvas.current) paint(canvas.current, data, { n, at, ground });
  }, [data, n, at, ground]);
  const open = (cell: Cell | undefined): void => {
    if (!cell) return;
    const [source, target] = [data.keys[cell.row], data.keys[cell.column]];
    select(
      cell.row === cell.column ? { kind: 'concept', key: source } : { kind: 'link', keys: [source, target] },
    );
  };
  const cellOf = (event: PointerEvent): Cell | undefined => {
    const box = event.currentTarget.getBoundingClientRect();
    const [column, row] = [event.clientX - box.left, event.clientY - box.top].map((each) =>
      Math.floor(each / CELL),
    );
    return row >= 0 && column >= 0 && row < n && column < n ? { row, column } : undefined;
  };
  const press = (event: KeyboardEvent): void => {
    const { row, column } = at ?? { row: 0, column: 0 };
    if (event.key === 'Enter') {
      open(at);
      return;
    }
    const step = new Map([
      ['ArrowUp', [-1, 0]],
      ['ArrowDown', [1, 0]],
      ['ArrowLeft', [0, -1]],
      ['ArrowRight', [0, 1]],
    ]).get(event.key);
    if (!step) return;
    event.preventDefault();
    const within = (value: number): number => Math.max(0, Math.min(n - 1, value));
    const next = { row: within(row + step[0]), column: within(column + step[1]) };
    setAt(next);
    const view = scroller.current;
    if (!view) return;
    // The names stand over the first cells in sight.
    view.scrollLeft = inSight(view.scrollLeft, view.clientWidth, next.column);
    view.scrollTop = inSight(view.scrollTop, view.clientHeight, next.row);
  };
  return (
    <>
      <p className={styles.said} role="status">
        {at
          ? saidOf(data, at)
          : 'Point at a cell, or go to one with the arrow keys; Enter opens its passages.'}
      </p>
      <div ref={scroller} className={styles.scroller} tabIndex={-1}>
        <div className={styles.sheet} style={{ width: NAMES + n * CELL, height: NAMES + n * CELL }}>
          <div className={styles.top} style={{ height: NAMES }}>
            <div className={styles.corner} style={{ width: NAMES }} />
            {data.labels.slice(0, n).map((label, i) => (
              <span
                key={data.keys[i]}
                className={at?.column === i ? styles.here : undefined}
                style={{ left: NAMES + i * CELL, width: NAMES - 6, color: inkAt(data, i) }}
              >
                {label}
              </span>
            ))}
          </div>
          <div className={styles.side} style={{ width: NAMES }}>
            {data.labels.slice(0, n).map((label, i) => (
              <span
                key={data.keys[i]}
                className={at?.row === i ? styles.here : undefined}
                style={{ height: CELL, lineHeight: `${CELL}px`, color: inkAt(data, i) }}
              >
                {label}
              </span>
            ))}
          </div>
          <canvas
            ref={canvas}
            className={styles.cells}
            style={{ left: NAMES, top: NAMES, width: n * CELL, height: n * CELL }}
            tabIndex={0}
            role="application"
            aria-label={`Links of ${counted(n, 'concept')} as a matrix; arrow keys go from cell to cell, Enter opens passages`}
            onPointerMove={(event) => setAt(cellOf(event))}
            onClick={() => open(at)}
            onKeyDown={press}
          />
        </div>
      </div>
    </>
  );
}

/** Where to scroll to so that a row or a column is in sight beside the names. */
function inSight(scrolled: number, room: number, index: number): number {
  const [start, end] = [index * CELL, NAMES + (index + 1) * CELL];
  return Math.max(Math.min(scrolled, start), end - room);
}

const inkAt = ({ letters }: LinkMatrixView, i: number): string | undefined =>
  letters[i] === '' ? undefined : inkOf(letters[i]);

/** A cell in words. */
function saidOf({ labels, keys, strength, both, stands }: LinkMatrixView, { row, column }: Cell): string {
  if (row === column) return labels[row];
  const at = row * keys.length + column;
  const pair = `${labels[row]} and ${labels[column]}`;
  if (both[at] === 0) return `${pair}: no window with both.`;
  return `${pair}: ${counted(both[at], 'window')} with both, strength ${strength[at].toFixed(2)}, ${stands[at] ? 'a link' : 'no link'}.`;
}

function paint(
  canvas: HTMLCanvasElement,
  data: LinkMatrixView,
  {
    n,
    at,
    ground,
  }: {
    /** Rows and columns drawn. */
    readonly n: number;
    readonly at: Cell | undefined;
    readonly ground: Ground;
  },
): void {
  const { colours, inks } = coloursOn(ground);
  const scale = window.devicePixelRatio;
  canvas.width = n * CELL * scale;
  canvas.height = n * CELL * scale;
  const context = canvas.getContext('2d');
  if (!context) return;
  context.scale(scale, scale);
  const size = data.keys.length;
  const most = largest(
    Array.from(data.strength).filter((each) => each > 0),
    1e-9,
  );
  context.fillStyle = colours.sheet;
  context.fillRect(0, 0, n * CELL, n * CELL);
  for (let row = 0; row < n; row++) {
    for (let column = 0; column < n; column++) {
      const cell = row * size + column;
      const isOwn = row === column;
      const strength = data.strength[cell];
      if (!isOwn && !(strength > 0)) continue;
      const sameTheme = data.letters[row] !== '' && data.letters[row] === data.letters[column];
      const ink = sameTheme ? inks[inkNumber(data.letters[row])] : colours.moss;
      context.fillStyle = tint(ink, isOwn ? 0.9 : 0.08 + (0.72 * strength) / most, colours.paper);
      context.fillRect(column * CELL, row * CELL, CELL - 1, CELL - 1);
      if (!isOwn && data.stands[cell]) {
        context.fillStyle = strength > 0.55 * most ? colours.sheet : ink;
        context.beginPath();
        context.arc((column + 0.5) * CELL - 0.5, (row + 0.5) * CELL - 0.5, 2, 0, 2 * Math.PI);
        context.fill();
      }
    }
  }
  if (!at) return;
  context.strokeStyle = colours.rust;
  context.lineWidth = 2;
  context.strokeRect(at.column * CELL - 0.5, at.row * CELL - 0.5, CELL, CELL);
}
