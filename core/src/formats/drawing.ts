import { escapeXml, unescapeXml } from '../base/xml.ts';

/** An element of a drawing with what is in it; text stands as strings. */
export interface DrawnElement {
  readonly name: string;
  readonly attributes: readonly (readonly [name: string, value: string])[];
  readonly children: readonly (DrawnElement | string)[];
}

/** Why a drawing can't be read, as the end of a sentence. */
export class DrawingError extends Error {
  override readonly name = 'DrawingError';
}

/** What a drawing is made of: nothing that runs, loads, links or moves. */
const ELEMENTS = new Set(
  'svg title defs pattern g path rect line circle ellipse polyline polygon text tspan style'.split(' '),
);

const NUMBERS = /^[\d\s.,eE+-]*$/;
const WORDS = /^[\w\s.,%-]*$/;
const PAINT = /^(?:#[0-9a-fA-F]{3,8}|none|currentColor|[a-z]{3,20}|url\(#[\w-]+\))$/;
const FONTS = /^[\w\s'",-]*$/;
const TRANSFORM = /^(?:\s*(?:translate|rotate|scale|matrix)\([\d\s.,eE+-]*\))*$/;
const STYLE = /^(?:\s*(?:fill|font-weight|font-size|font-style|opacity)\s*:\s*[\w\s.#-]*;?)*$/;
/** The one style sheet our drawings bring along: which type they are set in. */
const SHEET = /^\s*(?:svg )?text\s*\{\s*font-family:[\w\s',-]*\}\s*$/;

/** The attributes a drawing may have, with what may stand in each. */
const ATTRIBUTES: ReadonlyMap<string, RegExp> = new Map([
  ['xmlns', /^http:\/\/www\.w3\.org\/2000\/svg$/] as const,
  ['role', /^img$/] as const,
  ['id', /^[\w-]+$/] as const,
  ['d', /^[\d\s.,eE+\-MmLlHhVvCcSsQqTtAaZz]*$/] as const,
  ['transform', TRANSFORM] as const,
  ['patternTransform', TRANSFORM] as const,
  ['style', STYLE] as const,
  ['font-family', FONTS] as const,
  ...['fill', 'stroke'].map((name) => [name, PAINT] as const),
  ...'viewBox width height x y x1 x2 y1 y2 cx cy r rx ry dx dy points data-word'
    .split(' ')
    .map((name) => [name, NUMBERS] as const),
  ...'patternUnits stroke-width stroke-dasharray stroke-linecap stroke-linejoin stroke-opacity fill-opacity opacity paint-order font-size font-style font-weight text-anchor dominant-baseline letter-spacing'
    .split(' ')
    .map((name) => [name, WORDS] as const),
]);

const DEEPEST = 24;
const MOST_ELEMENTS = 200_000;
const LARGEST_SIDE = 100_000;

const TAG =
  /<(?:!--[\s\S]*?--|\/\s*([\w:-]+)\s*|([\w:-]+)((?:\s+[\w:-]+\s*=\s*(?:"[^"<]*"|'[^'<]*'))*)\s*(\/?))>/y;
const ATTRIBUTE = /([\w:-]+)\s*=\s*(?:"([^"]*)"|'([^']*)')/g;

/** A drawing that was read, and what of it was left out, by name. */
export interface ReadDrawing {
  readonly root: DrawnElement;
  readonly leftOut: readonly string[];
}

interface Open {
  readonly name: string;
  readonly attributes: DrawnElement['attributes'];
  readonly children: (DrawnElement | string)[];
  /** Whether it is kept; of what is not, nothing inside is. */
  readonly kept: boolean;
}

function attributesOf(written: string, leave: (what: string) => void): (readonly [string, string])[] {
  const kept: (readonly [string, string])[] = [];
  for (const [, name, double, single] of written.matchAll(ATTRIBUTE)) {
    const value = unescapeXml(double ?? single);
    if (ATTRIBUTES.get(name)?.test(value)) kept.push([name, value]);
    else leave(name);
  }
  return kept;
}

function childrenOf({ name, children }: Open, leave: (what: string) => void): Open['children'] {
  if (name !== 'style') return children;
  const sheet = children.join('');
  if (SHEET.test(sheet)) return [sheet];
  leave('style');
  return [];
}

/**
 * Reads a drawing, SVG 1.1, as data: elements and attributes that a drawing needs and that can do nothing but be seen; all else
 * is left out and named, comments and labels for machines without a word.
 *
 * @throws DrawingError where it is none, or its `viewBox` does not begin at 0 0
 */
export function readDrawing(svg: string): ReadDrawing {
  const leftOut = new Set<string>();
  const leave = (what: string): void => {
    leftOut.add(what);
  };
  const top: Open = { name: '', attributes: [], children: [], kept: true };
  const open: Open[] = [top];
  let elements = 0;
  for (let at = 0; at < svg.length;) {
    const inside = open[open.length - 1];
    if (svg[at] !== '<') {
      const next = svg.indexOf('<', at);
      const end = next < 0 ? svg.length : next;
      if (inside.kept && inside !== top) inside.children.push(unescapeXml(svg.slice(at, end)));
      else if (inside === top && svg.slice(at, end).trim() !== '') throw new DrawingError('it is no drawing');
      at = end;
      continue;
    }
    TAG.lastIndex = at;
    const tag = TAG.exec(svg);
    if (!tag) throw new DrawingError('it is no drawing, or was cut short');
    at = TAG.lastIndex;
    const [, closing, name, written, empty] = tag;
    if (closing !== undefined) {
      const closed = open.pop();
      if (!closed || closed.name !== closing || open.length === 0) throw new DrawingError('it is no drawing');
      if (closed.kept)
        open[open.length - 1].children.push({ ...closed, children: childrenOf(closed, leave) });
      continue;
    }
    // A comment.
    if (name === undefined) continue;
    if (++elements > MOST_ELEMENTS || open.length > DEEPEST)
      throw new DrawingError('it is larger than any drawing of ours');
    const known = ELEMENTS.has(name);
    if (!known) leave(name);
    const began: Open = {
      name,
      attributes: known ? attributesOf(written, leave) : [],
      children: [],
      kept: inside.kept && known,
    };
    if (empty === '') open.push(began);
    else if (began.kept) inside.children.push({ ...began, children: [] });
  }
  const [root, ...others] = top.children;
  if (open.length !== 1 || root === undefined || typeof root === 'string' || others.length > 0)
    throw new DrawingError('it is no drawing, or was cut short');
  const [, width = '', height = ''] =
    /^0 0 ([\d.]+) ([\d.]+)$/.exec(root.attributes.find(([name]) => name === 'viewBox')?.[1] ?? '') ?? [];
  const isSize = (side: string): boolean => Number(side) > 0 && Number(side) <= LARGEST_SIDE;
  if (root.name !== 'svg' || !isSize(width) || !isSize(height))
    throw new DrawingError('it does not say how large it is');
  return { root, leftOut: [...leftOut] };
}

/** A drawing as text. */
export function writeDrawing({ name, attributes, children }: DrawnElement): string {
  const head = `${name}${attributes.map(([key, value]) => ` ${key}="${escapeXml(value)}"`).join('')}`;
  if (children.length === 0) return `<${head}/>`;
  const inside = children.map((child) =>
    typeof child === 'string' ? (name === 'style' ? child : escapeXml(child)) : writeDrawing(child),
  );
  return `<${head}>${inside.join('')}</${name}>`;
}

/** A drawing that can do nothing but be seen, or undefined where it is none. */
export function safeDrawing(svg: string): string | undefined {
  try {
    return writeDrawing(readDrawing(svg).root);
  } catch (error) {
    if (error instanceof DrawingError) return undefined;
    throw error;
  }
}
