import { escapeXml } from '@green-thicket/core/base/xml';
import { withDrawnFace } from '@green-thicket/core/formats/write/document';
import { PAPER } from '@green-thicket/core/map/palette';
import { onPaper } from './drawn-colours.ts';
import { download, fileName } from './download.ts';
import { embeddedFont, svgToPng } from './export-picture.ts';

/** Some drawings of one size side by side, each under its name, as one standing SVG. */
export function drawingOfBoard(
  drawings: readonly SVGElement[],
  names: readonly string[],
  size: { readonly width: number; readonly height: number; readonly type: number },
): string {
  const head = size.type * 1.9;
  const across = Math.min(2, drawings.length);
  const writer = new XMLSerializer();
  const parts = drawings.map((drawing, i) => {
    const copy = drawing.cloneNode(true) as SVGElement;
    const [x, y] = [(i % across) * size.width, Math.floor(i / across) * (size.height + head)];
    const place = { x, y: y + head, width: size.width, height: size.height };
    for (const [name, value] of Object.entries(place)) copy.setAttribute(name, String(value));
    return `<text x="${x + size.type / 2}" y="${y + size.type * 1.3}" font-size="${size.type}" font-weight="650">${escapeXml(names[i] ?? '')}</text>${writer.serializeToString(copy)}`;
  });
  const [width, height] = [across * size.width, Math.ceil(drawings.length / across) * (size.height + head)];
  return onPaper(
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}"><rect width="${width}" height="${height}" fill="${PAPER}"/>${parts.join('')}</svg>`,
  );
}

/** What a drawing is kept as: a drawing, a picture of so many times its size, or a picture in the clipboard. */
export type DrawingKept = 'svg' | 'copy' | { readonly scale: number };

/** Keeps a drawing as a file or in the clipboard. */
export async function keepDrawing(title: string, drawing: string, as: DrawingKept): Promise<void> {
  const svg = withDrawnFace(drawing, await embeddedFont());
  if (as === 'svg') {
    download(fileName(title, '.svg'), svg, 'image/svg+xml');
    return;
  }
  const png = await svgToPng(svg, as === 'copy' ? 2 : as.scale);
  if (as === 'copy') await navigator.clipboard.write([new ClipboardItem({ 'image/png': png })]);
  else download(fileName(title, '.png'), png, 'image/png');
}
