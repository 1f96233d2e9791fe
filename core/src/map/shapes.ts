import { vectorLength, type Polygon } from './geometry.ts';
import { LINE_HEIGHT } from './names.ts';
import { hatchOf, ON_PAPER, type Hatch, type Palette } from './palette.ts';
import type { MapScene } from './scene.ts';
import { FOOT_LEAD } from './words.ts';

/** A place or a length with a digit behind the point. */
export const digit = (value: number): string => String(Math.round(value * 10) / 10);
const CORNER = 16;

/** A convex polygon as an SVG path with rounded corners. */
export function roundedPath(polygon: Polygon, corner = CORNER): string {
  const n = polygon.length;
  if (n < 3) return '';
  const towards = (from: readonly [number, number], to: readonly [number, number]): string => {
    const length = vectorLength(to[0] - from[0], to[1] - from[1]);
    const share = length === 0 ? 0 : Math.min(corner, length / 2) / length;
    return `${digit(from[0] + (to[0] - from[0]) * share)} ${digit(from[1] + (to[1] - from[1]) * share)}`;
  };
  const parts = polygon.map((at, i) => {
    const before = polygon[(i + n - 1) % n];
    const after = polygon[(i + 1) % n];
    return `${i === 0 ? 'M' : 'L'}${towards(at, before)}Q${digit(at[0])} ${digit(at[1])} ${towards(at, after)}`;
  });
  return `${parts.join('')}Z`;
}

/** A link's curve as an SVG path. */
function linkPath(link: MapScene['links'][number]): string {
  const point = ([x, y]: readonly [number, number]): string => `${digit(x)} ${digit(y)}`;
  return `M${point(link.from)}Q${point(link.bend)} ${point(link.to)}`;
}

/** Where a label's text and bar stand, from its box. */
function labelLines(label: MapScene['labels'][number]): { left: number; base: number; barY: number } {
  const top = label.y - label.height / 2;
  return {
    left: label.x - label.width / 2 + 2 * (label.type / 14),
    base: top + label.type * 0.92,
    barY: top + label.type * 1.15 + 1.5 * (label.type / 14),
  };
}

/** A theme's land: a filled outline with a hatch over it. */
export interface ParcelShape {
  readonly path: string;
  readonly fill: string;
  readonly stroke: string;
  readonly width: number;
  readonly hatch: Hatch & { readonly ink: string; readonly width: number; readonly opacity: number };
}

/** A link as a curve. */
export interface LinkShape {
  readonly path: string;
  readonly stroke: string;
  readonly width: number;
  readonly opacity: number;
  /** Bridges are dotted, links by which sources hold both are dashed, and both where both. */
  readonly dash?: string;
}

/** Words with a halo of the ground they stand on. */
interface TextShape {
  readonly x: number;
  readonly y: number;
  readonly type: number;
  readonly weight: number;
  readonly ink: string;
  readonly halo: string;
  readonly haloWidth: number;
}

/** A theme's name, around its middle: its lines, each with the height of its foot; the first begins with the letter. */
export interface NameShape extends TextShape {
  readonly letterWeight: number;
  readonly lines: readonly { readonly text: string; readonly y: number }[];
}

/** A concept's label, from its left end, with the bar of its mentions under it. */
export interface WordShape extends TextShape {
  readonly bar: {
    readonly y: number;
    readonly width: number;
    readonly height: number;
    readonly round: number;
  };
}

/** What the map is drawn of, in the order it is drawn: the picture to save and the page draw these and nothing else. */
export interface MapShapes {
  /** As the scene’s parcels. */
  readonly parcels: readonly ParcelShape[];
  /** As the scene’s links. */
  readonly links: readonly LinkShape[];
  /** As the scene’s parcels. */
  readonly names: readonly NameShape[];
  /** As the scene’s labels. */
  readonly words: readonly WordShape[];
}

/** The shapes of a scene, with every colour and width of the map: on paper, or in a page’s own colours. */
export function shapesOf(scene: MapScene, { paper, neutral, inkOf, tint }: Palette = ON_PAPER): MapShapes {
  const inks = scene.parcels.map(({ letter }) => inkOf(letter));
  const halo = (ink: string): string => tint(ink, 0.08);
  return {
    parcels: scene.parcels.map(({ polygon, letter }, p) => ({
      path: roundedPath(polygon),
      fill: tint(inks[p], 0.1),
      stroke: tint(inks[p], 0.5),
      width: 1.2,
      hatch: { ...hatchOf(letter), ink: inks[p], width: 1, opacity: 0.13 },
    })),
    links: scene.links.map((link) => ({
      path: linkPath(link),
      width: link.width,
      ...(link.bridge
        ? { stroke: neutral, opacity: 0.55, dash: link.bySources ? '1.5 9' : '1.5 4' }
        : {
            stroke: inks[link.theme],
            opacity: 0.28,
            ...(link.bySources ? { dash: '8 6' } : {}),
          }),
    })),
    names: scene.parcels.map(({ written: { lines, x, y, type, height }, letter }, p) => ({
      x,
      y,
      type,
      // The letter is set apart from the first line, which begins with it.
      lines: lines.map((line, i) => ({
        text: i === 0 ? line.slice(letter.length).trimStart() : line,
        y: y - height / 2 + type * (0.86 + LINE_HEIGHT * i),
      })),
      weight: 600,
      letterWeight: 800,
      ink: inks[p],
      halo: halo(inks[p]),
      haloWidth: 3,
    })),
    words: scene.labels.map((label) => {
      const { left, base, barY } = labelLines(label);
      const ink = label.theme < 0 ? neutral : inks[label.theme];
      return {
        x: left,
        y: base,
        type: label.type,
        weight: label.bold ? 650 : 500,
        ink,
        halo: label.theme < 0 ? paper : halo(ink),
        haloWidth: Math.min(3.5, label.type * 0.22),
        bar: { y: barY, width: label.bar, height: 2.4, round: 1.2 },
      };
    }),
  };
}

/** What stands round the words at the foot: what they are, and how many more there are. */
export function footWords(scene: MapScene): { x: number; y: number; text: string }[] {
  const row = scene.labels.filter(({ theme }) => theme < 0);
  if (scene.parcels.length === 0 || scene.loose.length === 0) return [];
  const y = scene.sheet.height - 13.5;
  const more = scene.loose.length - row.length;
  const last = row[row.length - 1];
  const end = last ? last.x + last.width / 2 + 14 : 150;
  return [{ x: 12, y, text: FOOT_LEAD }, ...(more > 0 ? [{ x: end, y, text: `${more} more` }] : [])];
}
