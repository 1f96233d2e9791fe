import { isBeyondChance } from '../base/beyond-chance.ts';
import { largest } from '../base/extent.ts';
import { escapeXml } from '../base/xml.ts';
import { percent } from '../base/wording.ts';
import { inLines } from '../map/text-width.ts';
import { DRAWN_FONT, inkOf, MOSS, NEUTRAL_INK, PAPER } from '../map/palette.ts';
import type { Comparison } from './strength.ts';

/** A row as it is written beside its marks. */
export interface DrawnRow {
  readonly letter: string;
  readonly label: string;
}

const LINE = 34;
const TITLE = 34;
const HEAD = 64;
const NAMES = 210;
/** Of more groups than stand beside each other on a page, the others stand under them, each part with the rows' names. */
const PAGE = 700;
const LEAST_CELL = 90;
const MOST_CELL = 150;
const EDGE = 16;
/** Of longer names the end is left out. */
const LONGEST_NAME = 34;

const cut = (text: string, most: number): string =>
  escapeXml(text.length > most ? `${text.slice(0, most - 1)}…` : text);

/**
 * A comparison as a standing SVG 1.1 file on paper, as wide as a page holds: rows by groups, each mark with its interval on one
 * scale, the mean of all as a tick through its row.
 *
 * @param order numbers of the rows, as they stand under each other
 */
export function renderComparison(
  rows: readonly DrawnRow[],
  { groups, overall, q }: Comparison,
  order: readonly number[],
  { title, foot }: { readonly title: string; readonly foot: string },
): string {
  const most = largest(
    groups.flatMap(({ strengths }) => strengths.map(({ high }) => high)),
    0.01,
  );
  const beside = Math.floor((PAGE - NAMES - 2 * EDGE) / LEAST_CELL);
  const parts = Math.max(1, Math.ceil(groups.length / beside));
  const each = Math.ceil(groups.length / parts);
  const cell = Math.min(MOST_CELL, (PAGE - NAMES - 2 * EDGE) / Math.max(1, each));
  const width = NAMES + cell * each + 2 * EDGE;
  const partHeight = HEAD - TITLE + LINE * order.length;
  const footLines = inLines(foot, width - 2 * EDGE, 12);
  const height = TITLE + parts * partHeight + 28 + 16 * footLines.length;
  const at = (share: number): number => 8 + (cell - 24) * (share / most);
  const out = [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" role="img" font-family="${DRAWN_FONT}">`,
    `<title>${escapeXml(title)}</title>`,
    `<rect width="${width}" height="${height}" fill="${PAPER}"/>`,
    `<text x="${EDGE}" y="24" font-size="15" font-weight="650" fill="${MOSS}">${cut(title, Math.floor(width / 8))}</text>`,
  ];
  const text = (x: number, y: number, words: string, more = ''): void => {
    out.push(`<text x="${x}" y="${y}" font-size="12" fill="${NEUTRAL_INK}" ${more}>${words}</text>`);
  };
  const placeOf = (g: number): { readonly x: number; readonly top: number } => ({
    x: EDGE + NAMES + (g % each) * cell,
    top: TITLE + Math.floor(g / each) * partHeight,
  });
  const longest = Math.floor((cell - 10) / 6.4);
  groups.forEach(({ group }, g) => {
    const { x, top } = placeOf(g);
    text(x + 8, top + HEAD - TITLE - 12, cut(group, longest));
  });
  for (let part = 0; part < parts; part++)
    order.forEach((row, i) => {
      const y = HEAD + part * partHeight + i * LINE;
      const { letter, label } = rows[row];
      const ink = letter === '' ? MOSS : inkOf(letter);
      out.push(
        `<line x1="${EDGE}" x2="${width - EDGE}" y1="${y + LINE - 2}" y2="${y + LINE - 2}" stroke="#e2dfd2"/>`,
      );
      text(EDGE, y + 20, cut(letter, 4), `style="fill:${ink};font-weight:650"`);
      const sure = isBeyondChance(q[row]) ? ' *' : '';
      text(EDGE + 18, y + 20, `${cut(label, LONGEST_NAME)}${sure}`, `style="fill:#26302a"`);
      groups.slice(part * each, (part + 1) * each).forEach(({ strengths, windows }, g) => {
        const { x } = placeOf(g);
        const strength = strengths[row];
        const middle = y + 12;
        out.push(
          `<line x1="${x + at(overall[row])}" x2="${x + at(overall[row])}" y1="${middle - 8}" y2="${middle + 8}" stroke="#8a8f7a" stroke-dasharray="2 2"/>`,
        );
        if (windows === 0) return;
        out.push(
          `<line x1="${x + at(strength.low)}" x2="${x + at(strength.high)}" y1="${middle}" y2="${middle}" stroke="${ink}" stroke-width="3" stroke-linecap="round" opacity="0.45"/>`,
          `<circle cx="${x + at(strength.share)}" cy="${middle}" r="4.5" fill="${ink}"/>`,
        );
        text(x + 8, y + 29, percent(strength.share, 1), 'style="font-size:10px"');
      });
    });
  footLines.forEach((line, i) => text(EDGE, TITLE + parts * partHeight + 28 + 16 * i, escapeXml(line)));
  out.push('</svg>');
  return out.join('\n');
}
