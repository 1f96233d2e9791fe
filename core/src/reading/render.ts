import { counted } from '../base/wording.ts';
import { escapeXml } from '../base/xml.ts';
import { DRAWN_FONT, inkOf, MOSS, NEUTRAL_INK, PAPER } from '../map/palette.ts';

/** Where something stands in the collection, as it is drawn. */
export interface DrawnPlaces {
  readonly title: string;
  /** Of its theme; empty for none. */
  readonly letter: string;
  readonly total: number;
  /** Share of the collection’s words before each mention. */
  readonly places: readonly { readonly at: number }[];
}

const WIDTH = 900;
const EDGE = 16;
const STRIP = 26;
const ROW = 62;
const HEAD = 44;

/**
 * Where words stand, from the collection's first to its last, as a standing SVG 1.1 file: a tick for each mention, thin lines
 * between the sources.
 *
 * @param sourceStarts where each source begins, as a share of the collection's words
 */
export function renderDispersion(
  rows: readonly DrawnPlaces[],
  sourceStarts: readonly number[],
  title: string,
): string {
  const height = HEAD + ROW * rows.length + EDGE;
  const across = (share: number): string => (EDGE + share * (WIDTH - 2 * EDGE)).toFixed(1);
  const out = [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${height}" width="${WIDTH}" height="${height}" role="img" font-family="${DRAWN_FONT}">`,
    `<title>${escapeXml(title)}</title>`,
    `<rect width="${WIDTH}" height="${height}" fill="${PAPER}"/>`,
    `<text x="${EDGE}" y="26" font-size="15" font-weight="650" fill="${MOSS}">${escapeXml(title)}</text>`,
  ];
  rows.forEach((row, r) => {
    const top = HEAD + r * ROW + 18;
    const ink = row.letter === '' ? MOSS : inkOf(row.letter);
    out.push(
      `<text x="${EDGE}" y="${top - 6}" font-size="12" fill="${NEUTRAL_INK}">${escapeXml(`${row.title}: ${counted(row.total, 'mention')}`)}</text>`,
      `<rect x="${EDGE}" y="${top}" width="${WIDTH - 2 * EDGE}" height="${STRIP}" fill="none" stroke="#e2dfd2"/>`,
      `<path d="${sourceStarts.map((start) => `M${across(start)} ${top}v${STRIP}`).join('')}" stroke="#d8d4c4" fill="none"/>`,
      `<path d="${row.places.map(({ at }) => `M${across(at)} ${top + 3}v${STRIP - 6}`).join('')}" stroke="${ink}" stroke-width="1.4" fill="none"/>`,
    );
  });
  out.push('</svg>');
  return out.join('\n');
}
