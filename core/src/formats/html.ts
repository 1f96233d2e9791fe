import { convert } from 'html-to-text';
import { refused, type FileContent } from './read-result.ts';
import { tidyText } from './text-file.ts';

/** Elements inside elements that are read; pages have a few dozen, and far deeper ones exhaust whoever walks them. */
const DEEPEST = 1000;

/** The words of a page as text: paragraphs, headings, lists and tables kept apart; no scripts, pictures or addresses. */
export function htmlToText(html: string): string {
  const skip = ['img', 'script', 'style', 'noscript', 'svg', 'iframe', 'form', 'nav', 'template'];
  const text = convert(html, {
    wordwrap: false,
    preserveNewlines: false,
    limits: { maxInputLength: 100 * 1024 * 1024, maxDepth: DEEPEST, ellipsis: '' },
    selectors: [
      { selector: 'a', options: { ignoreHref: true } },
      ...skip.map((selector) => ({ selector, format: 'skip' })),
      ...['h1', 'h2', 'h3', 'h4', 'h5', 'h6'].map((selector) => ({
        selector,
        options: { uppercase: false },
      })),
      // Numbers and marks of lists are the page's, not the writer's words, as in the other kinds of document.
      ...['ul', 'ol'].map((selector) => ({
        selector,
        format: 'unorderedList',
        options: { itemPrefix: ' ' },
      })),
      ...['td', 'th', 'caption', 'dt', 'dd'].map((selector) => ({
        selector,
        format: 'block',
        options: { leadingLineBreaks: 2, trailingLineBreaks: 2 },
      })),
    ],
  });
  return tidyText(text)
    .replace(/^[ \t]+|[ \t]+$/gm, '')
    .replace(/\n{3,}/g, '\n\n')
    .trim();
}

/** The title of a page, or undefined. */
export function htmlTitle(html: string): string | undefined {
  const found = /<title[^>]{0,200}>([^<]{1,500})<\/title/i.exec(html);
  const title = found && convert(found[1]).replace(/\s+/g, ' ').trim();
  return title ? title : undefined;
}

/** Reads a saved page. */
export function readHtml(name: string, html: string): FileContent {
  const text = htmlToText(html);
  return text === ''
    ? refused('There are no words on the page; perhaps a program in it was to fetch them.')
    : { kind: 'texts', texts: [{ name, text: `${text}\n` }] };
}
