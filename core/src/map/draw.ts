import { escapeXml } from '../base/xml.ts';
import { MOSS, PAPER } from './palette.ts';
import { MAP_HEIGHT, MAP_WIDTH, type MapScene } from './scene.ts';
import { digit, shapesOf } from './shapes.ts';

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
  const shapes = shapesOf(scene);
  for (const [i, { hatch }] of shapes.parcels.entries()) {
    const { angle, distance, ink, width, opacity } = hatch;
    out.push(
      `<pattern id="hatch-${scene.parcels[i].letter}" width="${distance}" height="${distance}" patternUnits="userSpaceOnUse" patternTransform="rotate(${angle})"><line x1="0" y1="0" x2="0" y2="${distance}" stroke="${ink}" stroke-width="${width}" opacity="${opacity}"/></pattern>`,
    );
  }
  out.push('</defs>', `<rect width="${MAP_WIDTH}" height="${MAP_HEIGHT}" fill="${PAPER}"/>`);
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
  for (const [i, { x, y, type, weight, letterWeight, ink, halo, haloWidth }] of shapes.names.entries()) {
    const { letter, name } = scene.parcels[i];
    out.push(
      `<text x="${digit(x)}" y="${digit(y)}" text-anchor="middle" font-size="${digit(type)}" font-style="italic" font-weight="${weight}" fill="${ink}" stroke="${halo}" stroke-width="${haloWidth}" paint-order="stroke"><tspan font-style="normal" font-weight="${letterWeight}">${escapeXml(letter)}</tspan> ${escapeXml(name)}</text>`,
    );
  }
  for (const [i, { x, y, type, weight, ink, halo, haloWidth, bar }] of shapes.words.entries()) {
    out.push(
      `<text x="${digit(x)}" y="${digit(y)}" font-size="${digit(type)}" font-weight="${weight}" fill="${ink}" stroke="${halo}" stroke-width="${haloWidth}" stroke-linejoin="round" paint-order="stroke">${escapeXml(scene.labels[i].text)}</text>`,
      `<rect x="${digit(x)}" y="${digit(bar.y)}" width="${digit(bar.width)}" height="${bar.height}" rx="${bar.round}" fill="${ink}"/>`,
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
