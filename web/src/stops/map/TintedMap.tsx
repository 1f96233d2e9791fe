import { useRef } from 'react';
import { percent } from '@green-thicket/core/base/wording';
import { overlaps, type Box } from '@green-thicket/core/map/free-place';
import {
  halfPlanes,
  isInside,
  projectInto,
  roomForBox,
  type Polygon,
} from '@green-thicket/core/map/geometry';
import { roundedPath } from '@green-thicket/core/map/shapes';
import { DRAWN, inkOf, tint } from '../../pieces/drawn-colours.ts';
import type { MapLabel, MapParcel, MapScene } from '@green-thicket/core/map/scene';
import type { Sheet } from '@green-thicket/core/base/sheets';
import { textWidth } from '@green-thicket/core/map/text-width';
import { drawingOfBoard } from '../../pieces/drawings.ts';
import { pressKeys } from '../../pieces/press-keys.ts';
import { useArrowWords } from '../../pieces/use-arrow-words.ts';
import styles from './GroupMaps.module.css';

/** The tinted maps on a part of the page as one drawing, each under its name. */
export const drawingOfMaps = (
  board: HTMLElement | null,
  names: readonly string[],
  { width, height }: Sheet,
): string => drawingOfBoard([...(board?.querySelectorAll('svg') ?? [])], names, { width, height, type: 32 });

/** What a group says, or one says more than another. */
export interface Weights {
  /** Strength of a theme, or the difference of two strengths. */
  readonly ofTheme: (letter: string) => number;
  readonly ofWord: (key: string) => number;
  /** The largest of each on all maps that are looked at together. */
  readonly mostTheme: number;
  readonly mostWord: number;
  /** Whether what is said of a word or theme is beyond chance; all is where it is left out. */
  readonly isSure?: (what: { letter: string } | { key: string }) => boolean;
  /** Whether groups differ in a theme beyond chance. */
  readonly differs?: (letter: string) => boolean;
}

interface Written extends Box {
  readonly label: MapLabel;
  readonly type: number;
  readonly weight: number;
}

/** A theme's strength, or by how much two strengths differ. */
const saidOf = (weight: number, isDifference: boolean): string =>
  isDifference ? `${weight < 0 ? '−' : '+'}${percent(Math.abs(weight), 1)}` : percent(weight, 1);

/** A box where it stood on the whole map, drawn into its parcel as far as that has room: here it is larger. */
function drawnInto(polygon: Polygon, { x, y, width, height }: Box, sheet: Sheet): Box {
  const room = roomForBox(halfPlanes(polygon), width, height);
  const within = projectInto(room, x, y);
  const [newX, newY] = isInside(room, ...within, 0.5) ? within : [x, y];
  return { x: Math.max(width / 2 + 4, Math.min(sheet.width - width / 2 - 4, newX)), y: newY, width, height };
}

const isWithin = (polygon: Polygon, { x, y, width, height }: Box): boolean =>
  isInside(roomForBox(halfPlanes(polygon), width, height), x, y, 0.5);

/** Where a parcel's letter and what is said of it stand. */
const nameBox = (
  { letter, polygon, written }: MapParcel,
  said: string,
  { smallest, sheet }: { readonly smallest: number; readonly sheet: Sheet },
): Box =>
  drawnInto(
    polygon,
    {
      x: written.x,
      y: written.y,
      width: textWidth(`${letter} ${said}`, 1.1 * smallest) + 6,
      height: 1.3 * smallest,
    },
    sheet,
  );

/** The word said most is so many times the least type; one too wide is tried so much smaller. */
const LARGEST = 2.2;
const SMALLER = [1, 0.8, 0.6, 0] as const;

/** The words a map of this size can show: those that are said most, at their places, none on another. */
function wordsShown(
  scene: MapScene,
  keys: readonly string[],
  weights: Weights,
  { smallest, names }: { readonly smallest: number; readonly names: readonly Box[] },
): Written[] {
  const shown: Written[] = [];
  const candidates = scene.labels
    .filter(({ theme, zoom }) => theme >= 0 && zoom === 1)
    .map((label) => ({ label, weight: weights.ofWord(keys[label.concept]) }))
    .filter(({ weight }) => weight !== 0)
    .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight) || a.label.concept - b.label.concept);
  for (const { label, weight } of candidates) {
    const { polygon } = scene.parcels[label.theme];
    // Its area is its share, down to what can be read.
    const largest = smallest * Math.max(1, LARGEST * Math.sqrt(Math.abs(weight) / weights.mostWord));
    const boxOf = (type: number): Box =>
      drawnInto(
        polygon,
        { x: label.x, y: label.y, width: textWidth(label.text, type) + 4, height: type * 1.15 },
        scene.sheet,
      );
    // A word too wide for its parcel is set smaller, as far as it stays readable.
    const type = SMALLER.map((share) => Math.max(smallest, share * largest)).find((each) =>
      isWithin(polygon, boxOf(each)),
    );
    if (type === undefined) continue;
    const box = boxOf(type);
    if ([...shown, ...names].some((other) => overlaps(other, box, 2))) continue;
    shown.push({ ...box, label, type, weight });
  }
  return shown;
}

/** The same ground for whoever is asked: parcels and words weighted by what a group says, or by what sets two apart. */
export function TintedMap({
  scene,
  keys,
  weights,
  title,
  smallest,
  inks,
  onTheme,
  onWord,
}: {
  scene: MapScene;
  keys: readonly string[];
  weights: Weights;
  title: string;
  /** Least type, in map units. */
  smallest: number;
  /** The inks of more and less, for differences; else each theme’s own. */
  inks?: readonly [more: string, less: string];
  onTheme: (letter: string) => void;
  onWord: (key: string) => void;
}) {
  const board = useRef<SVGSVGElement>(null);
  const toNext = useArrowWords(board, '.tinted-word');
  const isDifference = inks !== undefined;
  const names = scene.parcels.map((parcel) =>
    nameBox(parcel, saidOf(weights.ofTheme(parcel.letter), isDifference), {
      smallest,
      sheet: scene.sheet,
    }),
  );
  const inkOfWeight = (own: string, weight: number): string => (inks ? inks[weight < 0 ? 1 : 0] : own);
  return (
    <svg
      ref={board}
      className={styles.tinted}
      viewBox={`0 0 ${scene.sheet.width} ${scene.sheet.height}`}
      role="group"
      aria-label={title}
    >
      {scene.parcels.map(({ letter, name, polygon }, p) => {
        const ink = inkOf(letter);
        const weight = weights.ofTheme(letter);
        const isSure = weights.isSure?.({ letter }) ?? true;
        const shade = inkOfWeight(ink, weight);
        const said = saidOf(weight, isDifference);
        const differs = weights.differs?.(letter) ?? false;
        return (
          <g
            key={letter}
            role="button"
            tabIndex={0}
            className={styles.tintedParcel}
            aria-label={`${letter} ${said}: ${name}, ${title}${isSure ? '' : ', may be chance'}${differs ? ', differs beyond chance' : ''}`}
            onClick={() => onTheme(letter)}
            onKeyDown={pressKeys(() => onTheme(letter))}
          >
            <title>{`${letter} ${name}: ${said}${isSure ? '' : ' (may be chance)'}`}</title>
            <path
              d={roundedPath(polygon)}
              fill={tint(shade, 0.04 + 0.3 * (Math.abs(weight) / Math.max(weights.mostTheme, 1e-9)))}
              stroke={tint(shade, 0.5)}
              strokeWidth={differs || (isSure && inks) ? 4 : 1.2}
              strokeDasharray={isSure ? undefined : '6 5'}
            />
            <text
              x={names[p].x}
              y={names[p].y + smallest * 0.4}
              textAnchor="middle"
              fontSize={smallest * 1.25}
              fontWeight={800}
              fill={ink}
              stroke={DRAWN.paper}
              strokeWidth={smallest * 0.12}
              paintOrder="stroke"
            >
              {letter}
              <tspan fontSize={smallest} fontWeight={differs ? 800 : 500}>
                {' '}
                {said}
              </tspan>
            </text>
          </g>
        );
      })}
      {wordsShown(scene, keys, weights, { smallest, names }).map(({ label, x, y, width, type, weight }) => {
        const key = keys[label.concept];
        const isSure = weights.isSure?.({ key }) ?? true;
        return (
          <text
            key={key}
            x={x - width / 2 + 2}
            y={y + type * 0.33}
            fontSize={type}
            fontWeight={isSure && inks ? 700 : 500}
            fill={isSure ? inkOfWeight(inkOf(scene.parcels[label.theme].letter), weight) : DRAWN.quiet}
            stroke={DRAWN.paper}
            strokeWidth={type * 0.14}
            paintOrder="stroke"
            className={styles.tintedWord}
            role="button"
            tabIndex={-1}
            aria-label={`${label.text}, ${title}`}
            onClick={() => onWord(key)}
            onKeyDown={(event) => {
              if (!toNext(event)) pressKeys(() => onWord(key))(event);
            }}
          >
            {label.text}
          </text>
        );
      })}
    </svg>
  );
}
