import { refused, type FileContent, type ReadingControl } from './read-result.ts';
import { tidyText } from './text-file.ts';

/** A line of a page, from the top. */
interface PageLine {
  readonly text: string;
  /** Height of its base line above the page's foot, in points. */
  readonly y: number;
  readonly size: number;
}

/** Lines at the top and foot of a page among which running heads are looked for. */
const HEAD_LINES = 2;
/** A head stands on at least this share of the pages, and on three. */
const HEAD_SHARE = 0.5;
/** A gap of more than this many times the usual one parts paragraphs. */
const PARAGRAPH_GAP = 1.45;

/** Reads the text layer of a PDF, page by page: running heads and page numbers go, paragraphs run on over pages. */
export async function readPdf(
  name: string,
  bytes: Uint8Array,
  { onProgress, stopped }: ReadingControl = {},
): Promise<FileContent> {
  const pdf = await import('pdfjs-dist/legacy/build/pdf.mjs');
  // The library would start a worker of its own; it runs where it is called instead, which is a worker already.
  const scope = globalThis as { pdfjsWorker?: unknown };
  scope.pdfjsWorker ??= await import('pdfjs-dist/legacy/build/pdf.worker.mjs');
  const task = pdf.getDocument({
    // The library takes the bytes over, so it gets its own.
    data: new Uint8Array(bytes),
    isEvalSupported: false,
    useSystemFonts: false,
    disableFontFace: true,
    stopAtErrors: false,
    verbosity: 0,
  });
  try {
    const document = await task.promise;
    const pages: PageLine[][] = [];
    for (let number = 1; number <= document.numPages; number++) {
      if (stopped?.()) return refused('Reading it was stopped.');
      const page = await document.getPage(number);
      const { items } = await page.getTextContent();
      pages.push(linesOf(items.filter((item) => 'str' in item)));
      page.cleanup();
      onProgress?.(number / document.numPages);
    }
    const text = tidyText(joinPages(withoutHeads(pages)));
    if (text.trim() === '') {
      return refused(
        `Its ${pages.length === 1 ? 'page has' : `${pages.length} pages have`} no text layer, only pictures. Run it through text recognition (OCR) first, then add the result.`,
      );
    }
    return { kind: 'texts', texts: [{ name, text }] };
  } catch (error) {
    const kind = error instanceof Error ? error.name : '';
    if (kind === 'PasswordException') {
      return refused('It is protected by a password. Open it, save a copy without one, and add that.');
    }
    return refused(
      'The PDF is damaged and can’t be read. Open it in a viewer, print it to a new PDF, and add that.',
    );
  } finally {
    await task.destroy();
  }
}

function linesOf(
  items: readonly {
    str: string;
    hasEOL: boolean;
    width: number;
    height: number;
    transform: readonly number[];
  }[],
): PageLine[] {
  const lines: PageLine[] = [];
  let text = '';
  let y: number | undefined;
  let size = 0;
  let end = 0;
  const close = (): void => {
    if (text.trim() !== '') lines.push({ text: text.trim(), y: y ?? 0, size });
    text = '';
    y = undefined;
    size = 0;
  };
  for (const item of items) {
    const [x, base] = [item.transform[4], item.transform[5]];
    const height = item.height || Math.abs(item.transform[3]);
    if (y !== undefined && item.str !== '' && Math.abs(base - y) > Math.max(size, height) * 0.5) close();
    if (item.str !== '') {
      // Words placed apart without a space between them are words apart.
      if (text !== '' && !/\s$/.test(text) && !/^\s/.test(item.str) && x - end > height * 0.2) text += ' ';
      text += item.str;
      y ??= base;
      size = Math.max(size, height);
      end = x + item.width;
    }
    if (item.hasEOL) close();
  }
  close();
  return lines;
}

const headKey = (text: string): string => text.toLowerCase().replace(/\d+/g, '0').replace(/\s+/g, ' ');
const isPageNumber = (text: string): boolean =>
  /^(?:page\s+)?[-–—\s]*(?:\d{1,5}|[ivxlc]{1,8})[-–—\s]*(?:(?:of|\/)\s*\d{1,5})?$/i.test(text);

/** The pages without the lines that come back at their top or foot, and without page numbers. */
function withoutHeads(pages: readonly PageLine[][]): PageLine[][] {
  const counts = new Map<string, number>();
  const edge = (lines: readonly PageLine[], i: number): boolean =>
    i < HEAD_LINES || i >= lines.length - HEAD_LINES;
  for (const lines of pages) {
    const seen = new Set(lines.filter((_, i) => edge(lines, i)).map((line) => headKey(line.text)));
    for (const key of seen) counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  const enough = Math.max(3, pages.length * HEAD_SHARE);
  return pages.map((lines) =>
    lines.filter(
      (line, i) =>
        !edge(lines, i) ||
        ((counts.get(headKey(line.text)) ?? 0) < enough &&
          !((i === 0 || i === lines.length - 1) && pages.length > 1 && isPageNumber(line.text))),
    ),
  );
}

function joinPages(pages: readonly PageLine[][]): string {
  const gaps: number[] = [];
  for (const lines of pages) {
    for (let i = 1; i < lines.length; i++) {
      const gap = lines[i - 1].y - lines[i].y;
      if (gap > 0) gaps.push(gap);
    }
  }
  gaps.sort((a, b) => a - b);
  const usual = gaps[Math.floor(gaps.length / 2)] ?? 12;
  const out: string[] = [];
  for (const lines of pages) {
    lines.forEach((line, i) => {
      if (i > 0) {
        const gap = lines[i - 1].y - line.y;
        out.push(gap > usual * PARAGRAPH_GAP || gap < 0 ? '\n\n' : '\n');
      } else if (out.length > 0) {
        // A paragraph that ends no sentence runs on over the page.
        const last = out[out.length - 1];
        out.push(/[.!?…:]["'”’)]*$/.test(last) ? '\n\n' : '\n');
      }
      out.push(line.text);
    });
  }
  return out.length === 0 ? '' : `${out.join('')}\n`;
}
