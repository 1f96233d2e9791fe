import { vectorLength, type Polygon } from './geometry.ts';
import { hatchOf, inkOf, MOSS, NEUTRAL_INK, PAPER, tint } from './palette.ts';
import { MAP_HEIGHT, MAP_WIDTH, type MapScene } from './scene.ts';
import { escapeXml } from '../base/xml.ts';

const digit = (value: number): string => String(Math.round(value * 10) / 10);
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
export function linkPath(link: MapScene['links'][number]): string {
  const point = ([x, y]: readonly [number, number]): string => `${digit(x)} ${digit(y)}`;
  return `M${point(link.from)}Q${point(link.bend)} ${point(link.to)}`;
}

/** Where a label's text and bar stand, from its box. */
export function labelLines(label: MapScene['labels'][number]): { left: number; base: number; barY: number } {
  const top = label.y - label.height / 2;
  return {
    left: label.x - label.width / 2 + 2 * (label.type / 14),
    base: top + label.type * 0.92,
    barY: top + label.type * 1.15 + 1.5 * (label.type / 14),
  };
}

/**
 * The map as a standing SVG 1.1 file, on paper.
 *
 * @param title what the picture is called
 * @param fontFace CSS that brings the type along, or nothing to rely on the reader's
 */
export function drawMap(scene: MapScene, title: string, fontFace = ''): string {
  const out: string[] = [];
  out.push(
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${MAP_WIDTH} ${MAP_HEIGHT}" width="${MAP_WIDTH}" height="${MAP_HEIGHT}" role="img">`,
    `<title>${escapeXml(title)}</title>`,
    `<style>${fontFace}text{font-family:'Figtree Variable',Figtree,'Helvetica Neue',Arial,sans-serif}</style>`,
    '<defs>',
  );
  for (const parcel of scene.parcels) {
    const { angle, distance } = hatchOf(parcel.letter);
    out.push(
      `<pattern id="hatch-${parcel.letter}" width="${distance}" height="${distance}" patternUnits="userSpaceOnUse" patternTransform="rotate(${angle})"><line x1="0" y1="0" x2="0" y2="${distance}" stroke="${parcel.ink}" stroke-width="1" opacity="0.13"/></pattern>`,
    );
  }
  out.push('</defs>', `<rect width="${MAP_WIDTH}" height="${MAP_HEIGHT}" fill="${PAPER}"/>`);
  for (const parcel of scene.parcels) {
    const path = roundedPath(parcel.polygon);
    out.push(
      `<path d="${path}" fill="${tint(parcel.ink, 0.1)}" stroke="${tint(parcel.ink, 0.5)}" stroke-width="1.2"/>`,
      `<path d="${path}" fill="url(#hatch-${parcel.letter})"/>`,
    );
  }
  for (const link of scene.links) {
    const style = link.bridge
      ? `stroke="${NEUTRAL_INK}" stroke-dasharray="1.5 4" stroke-linecap="round" opacity="0.55"`
      : `stroke="${inkOf(scene.parcels[link.theme].letter)}" opacity="0.28"`;
    out.push(`<path d="${linkPath(link)}" fill="none" stroke-width="${digit(link.width)}" ${style}/>`);
  }
  const halo = (theme: number): string => tint(scene.parcels[theme].ink, 0.08);
  for (const parcel of scene.parcels) {
    out.push(
      `<text x="${digit(parcel.nameX)}" y="${digit(parcel.nameY + parcel.nameType * 0.35)}" text-anchor="middle" font-size="${digit(parcel.nameType)}" font-style="italic" font-weight="600" fill="${parcel.ink}" stroke="${halo(parcel.theme)}" stroke-width="3" paint-order="stroke"><tspan font-style="normal" font-weight="800">${escapeXml(parcel.letter)}</tspan> ${escapeXml(parcel.name)}</text>`,
    );
  }
  for (const label of scene.labels) {
    const { left, base, barY } = labelLines(label);
    const ink = scene.parcels[label.theme].ink;
    out.push(
      `<text x="${digit(left)}" y="${digit(base)}" font-size="${digit(label.type)}" font-weight="${label.bold ? 650 : 500}" fill="${ink}" stroke="${halo(label.theme)}" stroke-width="3.5" stroke-linejoin="round" paint-order="stroke">${escapeXml(label.text)}</text>`,
      `<rect x="${digit(left)}" y="${digit(barY)}" width="${digit(label.bar)}" height="2.4" rx="1.2" fill="${ink}"/>`,
    );
  }
  if (scene.parcels.length === 0) {
    out.push(
      `<text x="${MAP_WIDTH / 2}" y="${MAP_HEIGHT / 2}" text-anchor="middle" font-size="16" fill="${MOSS}">There are no themes to draw.</text>`,
    );
  }
  out.push('</svg>');
  return out.join('\n');
}
