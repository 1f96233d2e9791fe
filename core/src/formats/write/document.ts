import { inFigures } from '../../base/wording.ts';
import { escapeXml, unescapeXml } from '../../base/xml.ts';

/** A run of text in a paragraph. */
export interface Run {
  readonly text: string;
  readonly bold?: boolean;
  readonly italic?: boolean;
}

/** A table: numbers stay numbers, so that a reader can tell them. */
export interface DocumentTable {
  readonly head: readonly string[];
  readonly rows: readonly (readonly (string | number)[])[];
}

/** From here on commas are needed to read a count; below it, it may be a year. */
const LONG_COUNT = 10_000;

/** A cell as it is read: long counts with commas at their thousands. */
export const cellText = (cell: string | number): string =>
  typeof cell === 'number' && Number.isInteger(cell) && Math.abs(cell) >= LONG_COUNT
    ? inFigures(cell)
    : String(cell);

/** A drawing as a standing SVG with its size in its `viewBox`; `png` is for readers that know no SVG. */
export interface DocumentPicture {
  readonly svg: string;
  /** What it shows, for whoever does not see it. */
  readonly alt: string;
  readonly png?: Uint8Array;
}

/** A part of a document; the same parts make a page and a text document. */
export type Block =
  | { readonly kind: 'heading'; readonly level: 1 | 2 | 3; readonly text: string }
  | { readonly kind: 'paragraph'; readonly runs: readonly Run[] }
  /** Words somebody said, and where. */
  | { readonly kind: 'quote'; readonly runs: readonly Run[]; readonly source: string }
  | { readonly kind: 'list'; readonly items: readonly (readonly Run[])[] }
  | ({ readonly kind: 'table'; readonly caption: string } & DocumentTable)
  | ({ readonly kind: 'picture'; readonly caption: string } & DocumentPicture);

export const heading = (level: 1 | 2 | 3, text: string): Block => ({ kind: 'heading', level, text });

/** A paragraph of plain words. */
export const paragraph = (text: string): Block => ({ kind: 'paragraph', runs: [{ text }] });

/** The width and height of a drawing by its `viewBox`; throws where it has none. */
export function sizeOfDrawing(svg: string): { readonly width: number; readonly height: number } {
  const [, width, height] = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg) ?? [];
  if (width === undefined) throw new Error('A drawing needs a viewBox that begins at 0 0.');
  return { width: Number(width), height: Number(height) };
}

/** A drawing of so many units of width has words too small to be read on a page that stands upright. */
const BROAD = 900;
/** Whether a drawing is to lie on a page on its side. */
export function isBroad(svg: string): boolean {
  const { width, height } = sizeOfDrawing(svg);
  return width > BROAD && width > height;
}

/** A drawing with its type brought along, as CSS with the font in it; one that names no type gets this one. */
export function withDrawnFace(drawing: string, face: string): string {
  const styled = drawing.includes('<style>')
    ? drawing
    : drawing.replace(
        /<svg\b[^>]*>/,
        `$&<style>text{font-family:'Figtree Variable',Figtree,sans-serif}</style>`,
      );
  return styled.replace('<style>', () => `<style>${face}`);
}

/** Turns a drawing into a picture, PNG, of so many times its size. */
export type DrawPng = (svg: string, scale: number) => Promise<Uint8Array>;

const PICTURE_SCALE = 2;

/** The same document, each drawing of it with a picture: word processors of before 2019 know no SVG. */
export async function withPictures(blocks: readonly Block[], face: string, draw: DrawPng): Promise<Block[]> {
  const drawn: Block[] = [];
  for (const block of blocks)
    drawn.push(
      block.kind === 'picture'
        ? { ...block, png: await draw(withDrawnFace(block.svg, face), PICTURE_SCALE) }
        : block,
    );
  return drawn;
}

/** A line of words in a drawing: its attributes but for how far down it stands, a letter before it, its words. */
const LINE = /<text\b([^>]*)>(<tspan\b[^>]*>[^<]*<\/tspan> ?)?([^<]*)<\/text>/g;
const DOWN = / y="[^"]*"/;
/** A line of words as above, a label for who does not see the drawing, or any other words; a style sheet has none. */
const ANY_WORDS =
  /<style>[\s\S]*?<\/style>|(<text\b[^>]*>(?:<tspan\b[^>]*>[^<]*<\/tspan> ?)?[^<]*<\/text>)|aria-label="([^"]*)"|>([^<]+)(?=<)/g;

/** Words laid into so many lines, each about as long as the others. */
function inSoManyLines(words: string, count: number): string[] {
  const lines = new Array<string>(count).fill('');
  let line = 0;
  for (const word of words.split(' ')) {
    const filled = lines[line].length + word.length / 2 > words.length / count;
    if (lines[line] !== '' && filled && line < count - 1) line++;
    lines[line] += `${lines[line] === '' ? '' : ' '}${word}`;
  }
  return lines;
}

/**
 * A drawing with the words on it changed by a function; what is drawn stays. A name that is broken over lines, which are alike but
 * for how far down they stand, is changed as a whole.
 */
export function withDrawnWords(svg: string, change: (words: string) => string): string {
  const lines = Array.from(svg.matchAll(LINE), ([whole, attributes, before = '', words], i) => ({
    ...{ whole, attributes, before, words: unescapeXml(words), i },
  }));
  const written = lines.map(({ words }) => words);
  const alike = (a: string, b: string): boolean =>
    DOWN.test(a) && a.replace(DOWN, '') === b.replace(DOWN, '') && a.includes('text-anchor="middle"');
  for (let first = 0; first < lines.length;) {
    let end = first + 1;
    while (
      end < lines.length &&
      lines[end].before === '' &&
      alike(lines[first].attributes, lines[end].attributes)
    )
      end++;
    const together = written.slice(first, end).join(' ');
    const changed = change(together);
    if (changed !== together)
      inSoManyLines(changed, end - first).forEach((line, i) => (written[first + i] = line));
    first = end;
  }
  let next = 0;
  return svg.replace(
    ANY_WORDS,
    (whole, line: string | undefined, label: string | undefined, words: string | undefined) => {
      if (line !== undefined) {
        const { attributes, before, words: was } = lines[next];
        const now = written[next++];
        return now === was ? whole : `<text${attributes}>${before}${escapeXml(now)}</text>`;
      }
      if (label !== undefined) return `aria-label="${escapeXml(change(unescapeXml(label)))}"`;
      return words === undefined || words.trim() === '' ? whole : `>${escapeXml(change(unescapeXml(words)))}`;
    },
  );
}

/** How the words of a document are changed: prose, and names and labels by themselves. */
export interface WordChange {
  readonly prose: (words: string) => string;
  readonly label: (words: string) => string;
}

/** The same document with every word of it changed, those in pictures too. */
export function withWords(blocks: readonly Block[], { prose, label }: WordChange): Block[] {
  const changed = (runs: readonly Run[]): Run[] => runs.map((run) => ({ ...run, text: prose(run.text) }));
  return blocks.map((block): Block => {
    switch (block.kind) {
      case 'heading':
        return { ...block, text: label(block.text) };
      case 'paragraph':
        return { ...block, runs: changed(block.runs) };
      case 'quote':
        return { ...block, runs: changed(block.runs), source: label(block.source) };
      case 'list':
        return { ...block, items: block.items.map(changed) };
      case 'table':
        return {
          ...block,
          caption: label(block.caption),
          head: block.head.map(label),
          rows: block.rows.map((row) => row.map((cell) => (typeof cell === 'string' ? label(cell) : cell))),
        };
      case 'picture':
        return {
          ...block,
          caption: label(block.caption),
          alt: label(block.alt),
          svg: withDrawnWords(block.svg, label),
        };
    }
  });
}
