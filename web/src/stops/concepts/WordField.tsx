import { useMemo, useRef, useState } from 'react';
import { overlaps, type Box } from '@green-thicket/core/map/placement';
import { textWidth } from '@green-thicket/core/map/text-width';
import type { CandidateRow } from '@green-thicket/core/study/view-types';
import { useStudy } from '../../shell/study-context.ts';
import { scaledType } from '../scaled-type.ts';

const WIDTH = 680;
const HEIGHT = 470;
const LEFT = 34;
const BOTTOM = 26;
const MOST_WORDS = 150;

interface PlacedWord extends Box {
  readonly row: CandidateRow;
  readonly type: number;
}

/** Puts words where their figures say, as near as the words already there leave room. */
function placeWords(rows: readonly CandidateRow[], sources: number): PlacedWord[] {
  const shown = [
    ...rows.filter((row) => row.status === 'chosen' || row.status === 'kept'),
    ...rows.filter((row) => row.status === 'dropped' || row.status === 'out'),
  ].slice(0, MOST_WORDS);
  const mostMentions = Math.max(1, ...shown.map((row) => row.mentions));
  const mostPull = Math.max(1e-9, ...shown.map((row) => row.pull));
  const mostSources = Math.max(2, Math.min(sources, Math.max(2, ...shown.map((row) => row.sources))));
  const placed: PlacedWord[] = [];
  for (const row of shown) {
    const type = 11 + 12 * Math.sqrt(row.mentions / mostMentions);
    const width = textWidth(row.label, type) + 6;
    const height = type * 1.15;
    const wishX = LEFT + width / 2 + (WIDTH - LEFT - width) * (Math.log(row.sources) / Math.log(mostSources));
    const wishY = (HEIGHT - BOTTOM - height) * (1 - Math.sqrt(row.pull / mostPull)) + height / 2;
    const spot = nearestGap(placed, wishX, wishY, width, height);
    if (spot) placed.push({ row, type, width, height, x: spot[0], y: spot[1] });
  }
  return placed;
}

/** The wish itself or a place near it, looked for along a spiral; none where it would say something untrue. */
function nearestGap(
  placed: readonly Box[],
  wishX: number,
  wishY: number,
  width: number,
  height: number,
): [number, number] | undefined {
  for (let step = 0; step < 260; step++) {
    const angle = step * 0.7;
    const away = 1.3 * step ** 0.75;
    const x = Math.max(LEFT + width / 2, Math.min(WIDTH - width / 2, wishX + 1.8 * away * Math.cos(angle)));
    const y = Math.max(height / 2, Math.min(HEIGHT - BOTTOM - height / 2, wishY + away * Math.sin(angle)));
    if (!placed.some((box) => overlaps(box, { x, y, width, height }, 0.5))) return [x, y];
  }
  return undefined;
}

/** The field of words: across how many sources use a word, up its pull, its size its mentions. */
export function WordField({
  rows,
  picked,
  onPick,
  sources,
}: {
  rows: readonly CandidateRow[];
  picked: string | undefined;
  onPick: (key: string) => void;
  sources: number;
}) {
  const { decide } = useStudy();
  const words = useMemo(() => placeWords(rows, sources), [rows, sources]);
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<{ key: string; x: number; y: number; moved: boolean }>();
  const place = (event: React.PointerEvent): { x: number; y: number } => {
    // The drawing keeps its shape in a box of another, so the box alone does not say where a place in it is.
    const matrix = svg.current?.getScreenCTM();
    if (!matrix) return { x: 0, y: 0 };
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return { x, y };
  };
  const under = drag?.moved
    ? words.find(
        (word) =>
          word.row.key !== drag.key &&
          Math.abs(word.x - drag.x) < word.width / 2 &&
          Math.abs(word.y - drag.y) < word.height / 2,
      )
    : undefined;
  const drop = (): void => {
    if (drag && under) decide({ kind: 'mergeConcepts', into: under.row.key, keys: [drag.key] });
    setDrag(undefined);
  };
  return (
    <svg
      ref={svg}
      className="word-field"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="group"
      aria-label="Field of words"
      onPointerMove={(event) => {
        if (!drag) return;
        const at = place(event);
        setDrag({ ...drag, ...at, moved: drag.moved || Math.hypot(at.x - drag.x, at.y - drag.y) > 4 });
      }}
      onPointerUp={drop}
      onPointerLeave={() => setDrag(undefined)}
    >
      <g className="field-axes" aria-hidden="true">
        <line x1={LEFT} y1={HEIGHT - BOTTOM} x2={WIDTH} y2={HEIGHT - BOTTOM} />
        <line x1={LEFT} y1={0} x2={LEFT} y2={HEIGHT - BOTTOM} />
        <text x={WIDTH} y={HEIGHT - 8} textAnchor="end">
          more sources →
        </text>
        <text x={LEFT} y={HEIGHT - 8}>
          few sources
        </text>
        <text transform={`translate(${LEFT - 10} 90) rotate(-90)`} textAnchor="middle">
          more pull →
        </text>
      </g>
      {words.map(({ row, x, y, type }) => {
        const dragged = drag?.moved && drag.key === row.key;
        return (
          <text
            key={row.key}
            role="button"
            tabIndex={0}
            aria-pressed={row.key === picked}
            className={`field-word is-${row.status}${row.key === picked ? ' here' : ''}${under?.row.key === row.key ? ' target' : ''}`}
            {...scaledType(dragged ? drag.x : x, (dragged ? drag.y : y) + type * 0.33, type)}
            textAnchor="middle"
            onPointerDown={(event) => {
              if (event.button === 0) setDrag({ key: row.key, ...place(event), moved: false });
            }}
            onClick={() => onPick(row.key)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === ' ') {
                event.preventDefault();
                onPick(row.key);
              }
              if (event.key === 'Delete') decide({ kind: 'dropConcepts', keys: [row.key] });
            }}
          >
            {row.label}
            <title>{`${row.label}: ${row.mentions} mentions in ${row.sources} sources, pull ${row.pull.toFixed(2)}`}</title>
          </text>
        );
      })}
    </svg>
  );
}
