import { escapeXml } from '../base/xml.ts';
import { MOSS, NEUTRAL_INK, PAPER } from './palette.ts';
import type { MapScene } from './scene.ts';
import { SMALLEST_TYPE } from './sheet.ts';
import { inLines } from './text-width.ts';
import { digit, footWords, shapesOf } from './shapes.ts';

/** How the map is drawn. */
export interface DrawingChoices {
  /** Lines under the map, such as the method sentence; long ones are broken. */
  readonly foot?: readonly string[];
  /** Whether the title stands over it. */
  readonly head?: boolean;
  readonly greyscale?: boolean;
}

const HEAD = 44;
const FOOT_TYPE = 13;
const FOOT_LINE = 18;

/** A colour as the grey of its lightness (ITU-R BT.709). */
const grey = (colour: string): string => {
  const [r, g, b] = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16));
  const light = Math.round(0.2126 * r + 0.7152 * g + 0.0722 * b)
    .toString(16)
    .padStart(2, '0');
  return `#${light}${light}${light}`;
};

/**
 * The map as a standing SVG 1.1 file, on paper.
 *
 * @param title what the picture is called
 */
export function renderMap(
  scene: MapScene,
  title: string,
  { foot = [], head = false, greyscale = false }: DrawingChoices = {},
): string {
  const lines = foot.flatMap((line) => inLines(line, scene.sheet.width - 40, FOOT_TYPE));
  const top = head ? HEAD : 0;
  const bottom = lines.length === 0 ? 0 : FOOT_LINE * lines.length + 18;
  const height = scene.sheet.height + top + bottom;
  const drawn = mapOnPaper(scene, title, { height, top });
  const words = [
    ...(head
      ? [`<text x="20" y="30" font-size="22" font-weight="650" fill="${MOSS}">${escapeXml(title)}</text>`]
      : []),
    ...lines.map(
      (line, i) =>
        `<text x="20" y="${top + scene.sheet.height + 20 + FOOT_LINE * i}" font-size="${FOOT_TYPE}" fill="${NEUTRAL_INK}">${escapeXml(line)}</text>`,
    ),
  ];
  const text = drawn.replace(/<\/svg>$/, `${words.join('\n')}</svg>`);
  return greyscale ? text.replace(/#[0-9a-f]{6}\b/gi, grey) : text;
}

function mapOnPaper(
  scene: MapScene,
  title: string,
  { height, top }: { readonly height: number; readonly top: number },
): string {
  const out: string[] = [];
  out.push(
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${scene.sheet.width} ${height}" width="${scene.sheet.width}" height="${height}" role="img">`,
    `<title>${escapeXml(title)}</title>`,
    `<style>text{font-family:'Figtree Variable',Figtree,'Helvetica Neue',Arial,sans-serif}</style>`,
    '<defs>',
  );
  const shapes = shapesOf(scene);
  for (const [i, { hatch }] of shapes.parcels.entries()) {
    const { angle, distance, ink, width, opacity } = hatch;
    out.push(
      `<pattern id="hatch-${scene.parcels[i].letter}" width="${distance}" height="${distance}" patternUnits="userSpaceOnUse" patternTransform="rotate(${angle})"><line x1="0" y1="0" x2="0" y2="${distance}" stroke="${ink}" stroke-width="${width}" opacity="${opacity}"/></pattern>`,
    );
  }
  out.push('</defs>', `<rect width="${scene.sheet.width}" height="${height}" fill="${PAPER}"/>`);
  if (top > 0) out.push(`<g transform="translate(0 ${top})">`);
  for (const [i, { path, fill, stroke, width }] of shapes.parcels.entries()) {
    out.push(
      `<path d="${path}" fill="${fill}" stroke="${stroke}" stroke-width="${width}"/>`,
      `<path d="${path}" fill="url(#hatch-${scene.parcels[i].letter})"/>`,
    );
  }
  for (const { path, width, stroke, opacity, dash } of shapes.links) {
    const dots = dash === undefined ? '' : ` stroke-dasharray="${dash}" stroke-linecap="round"`;
    out.push(
      `<path d="${path}" fill="none" stroke-width="${digit(width)}" stroke="${stroke}"${dots} opacity="${opacity}"/>`,
    );
  }
  for (const [i, { x, lines, type, weight, letterWeight, ink, halo, haloWidth }] of shapes.names.entries()) {
    const { letter } = scene.parcels[i];
    lines.forEach(({ text, y }, line) => {
      const first =
        line === 0
          ? `<tspan font-style="normal" font-weight="${letterWeight}">${escapeXml(letter)}</tspan> `
          : '';
      out.push(
        `<text x="${digit(x)}" y="${digit(y)}" text-anchor="middle" font-size="${digit(type)}" font-style="italic" font-weight="${weight}" fill="${ink}" stroke="${halo}" stroke-width="${haloWidth}" paint-order="stroke">${first}${escapeXml(text)}</text>`,
      );
    });
  }
  for (const { x, y, text } of footWords(scene)) {
    out.push(
      `<text x="${digit(x)}" y="${digit(y)}" font-size="${SMALLEST_TYPE}" fill="${NEUTRAL_INK}">${escapeXml(text)}</text>`,
    );
  }
  for (const [i, { x, y, type, weight, ink, halo, haloWidth, bar }] of shapes.words.entries()) {
    // What comes with zoom is counted in the interface; a picture has one zoom.
    if (scene.labels[i].zoom > 1) continue;
    out.push(
      `<text x="${digit(x)}" y="${digit(y)}" font-size="${digit(type)}" font-weight="${weight}" fill="${ink}" stroke="${halo}" stroke-width="${haloWidth}" stroke-linejoin="round" paint-order="stroke">${escapeXml(scene.labels[i].text)}</text>`,
      `<rect x="${digit(x)}" y="${digit(bar.y)}" width="${digit(bar.width)}" height="${bar.height}" rx="${bar.round}" fill="${ink}"/>`,
    );
  }
  if (scene.parcels.length === 0) {
    out.push(
      `<text x="${scene.sheet.width / 2}" y="${scene.sheet.height / 2}" text-anchor="middle" font-size="16" fill="${MOSS}">There are no themes to draw.</text>`,
    );
  }
  if (top > 0) out.push('</g>');
  out.push('</svg>');
  return out.join('\n');
}
