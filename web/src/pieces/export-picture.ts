import { sizeOfDrawing } from '@green-thicket/core/formats/write/document';
import { fontFace } from '@green-thicket/core/formats/write/html-write';
import fontAddress from '@fontsource-variable/figtree/files/figtree-latin-wght-normal.woff2?url';

let face: Promise<string> | undefined;

/** The interface's type as CSS with the font in it, so that a saved picture looks the same elsewhere. */
export function embeddedFont(): Promise<string> {
  face ??= (async () => {
    const bytes = new Uint8Array(await (await fetch(fontAddress)).arrayBuffer());
    let binary = '';
    for (let i = 0; i < bytes.length; i += 8192)
      binary += String.fromCharCode(...bytes.subarray(i, i + 8192));
    return fontFace(btoa(binary));
  })();
  return face;
}

/** Draws an SVG text on a canvas of its size times `scale` and returns the PNG. */
export async function svgToPng(svg: string, scale: number): Promise<Blob> {
  const { width, height } = sizeOfDrawing(svg);
  const image = new Image();
  const address = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
  try {
    image.src = address;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = width * scale;
    canvas.height = height * scale;
    const pen = canvas.getContext('2d');
    if (!pen) throw new Error('This browser can’t draw pictures.');
    pen.drawImage(image, 0, 0, canvas.width, canvas.height);
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
    if (!blob) throw new Error('The picture is too large for this browser.');
    return blob;
  } finally {
    URL.revokeObjectURL(address);
  }
}
