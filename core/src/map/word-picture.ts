import { largest } from '../base/extent.ts';
import { packCloud } from './cloud.ts';
import { MOSS, NEUTRAL_INK, PAPER } from './palette.ts';
import { escapeXml } from '../base/xml.ts';

/** A word of a picture, with its number. */
export interface PicturedWord {
  readonly text: string;
  readonly weight: number;
  /** Colour of the word; the interface's own where none is given. */
  readonly ink?: string;
}

/** How a cloud is packed. */
export interface CloudChoices {
  /** The biggest in the middle, or in rows from the biggest on. */
  readonly order?: 'middle' | 'rows';
  /** Type sizes of the lightest and the heaviest word, in pixels; the heaviest as large as there is room for if left out. */
  readonly smallest?: number;
  readonly largest?: number;
}

const FONT = "'Figtree Variable', Figtree, 'Helvetica Neue', Arial, sans-serif";

/** A drawing as SVG 1.1 with its size in pixels. */
export interface WordDrawing {
  readonly svg: string;
  readonly width: number;
  readonly height: number;
}

function drawing(width: number, height: number, title: string, inner: string): WordDrawing {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" font-family="${escapeXml(FONT)}"><title>${escapeXml(title)}</title><rect width="${width}" height="${height}" fill="${PAPER}"/>${inner}</svg>`;
  return { svg, width, height };
}

export const CLOUD_SIZE = { width: 720, height: 460 };

/** A packed cloud; each word carries its number in the list as `data-word`. */
export function renderCloud(
  words: readonly PicturedWord[],
  title: string,
  choices: CloudChoices = {},
): WordDrawing {
  const placed = packCloud(words, { ...CLOUD_SIZE, ...choices });
  const inner = placed
    .map(
      ({ index, text, x, y, size }) =>
        `<text data-word="${index}" x="${x.toFixed(1)}" y="${(y + size * 0.35).toFixed(1)}" font-size="${size.toFixed(1)}" font-weight="650" fill="${words[index].ink ?? MOSS}" text-anchor="middle">${escapeXml(text)}</text>`,
    )
    .join('');
  return drawing(CLOUD_SIZE.width, CLOUD_SIZE.height, title, inner);
}

const BAR = { row: 19, label: 170, longest: 460, width: 720 };

/** Ranks of falling weights; those with the same weight share one: 1, 2, 2, 4. */
export function sharedRanks(weights: readonly number[]): number[] {
  return weights.map((weight) => 1 + weights.filter((other) => other > weight).length);
}

/** Words as bars by falling weight, with their ranks; ties share a rank. */
export function renderBars(words: readonly PicturedWord[], title: string): WordDrawing {
  const sorted = words
    .map((word, index) => ({ ...word, index }))
    .sort((a, b) => b.weight - a.weight || a.index - b.index);
  const most = largest(
    sorted.map(({ weight }) => weight),
    1,
  );
  const ranks = sharedRanks(sorted.map(({ weight }) => weight));
  const inner = sorted
    .map(({ text, weight, index }, i) => {
      const y = 14 + i * BAR.row;
      const length = ((BAR.longest * weight) / most).toFixed(1);
      const rank = i > 0 && ranks[i] === ranks[i - 1] ? '=' : String(ranks[i]);
      return (
        `<g data-word="${index}" font-size="12.5"><text x="24" y="${y}" fill="${NEUTRAL_INK}" text-anchor="end">${rank}</text>` +
        `<text x="${BAR.label}" y="${y}" fill="${MOSS}" text-anchor="end">${escapeXml(text)}</text>` +
        `<rect x="${BAR.label + 8}" y="${y - 9}" width="${length}" height="10" rx="2" fill="#7d9483"/>` +
        `<text x="${(BAR.label + 14 + Number(length)).toFixed(1)}" y="${y}" fill="${NEUTRAL_INK}">${weight}</text></g>`
      );
    })
    .join('');
  return drawing(BAR.width, 12 + sorted.length * BAR.row, title, inner);
}
