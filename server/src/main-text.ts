import { Readability } from '@mozilla/readability';
import { parseHTML } from 'linkedom';
import { PageError, type RawPage } from './page-fetch.ts';

/** A page's title and main text. */
export interface PageText {
  readonly title: string;
  readonly text: string;
}

/** The page's characters by the encoding it names, in its head or in the answer's; UTF-8 where it names none. */
export function decodePage({ charset, bytes }: Pick<RawPage, 'charset' | 'bytes'>): string {
  const head = bytes.subarray(0, 2048).toString('latin1');
  const named = charset || (/<meta[^>]{0,200}charset=["']?([\w-]+)/i.exec(head)?.[1] ?? 'utf-8');
  try {
    return new TextDecoder(named).decode(bytes);
  } catch {
    // The page names an encoding that there is none of.
    return new TextDecoder('utf-8').decode(bytes);
  }
}

const NO_MAIN_TEXT =
  'The page has no main text that can be told from its surroundings. Copy its words and paste them.';

const BLOCKS = 'p,div,section,article,li,tr,h1,h2,h3,h4,h5,h6,blockquote,pre,figcaption,dt,dd,br';

/** The title and main text of a page, paragraphs parted by blank lines; what surrounds it is left out. */
export function mainText(page: RawPage): PageText {
  const source = decodePage(page);
  if (page.type === 'text/plain')
    return { title: page.address.pathname.split('/').at(-1) ?? '', text: source };
  if (source.trim() === '') throw new PageError('The page is empty.');
  const { document } = parseHTML(source);
  // What is no page at all has no root.
  if (!(document.documentElement as unknown)) throw new PageError(NO_MAIN_TEXT);
  const article = new Readability(document).parse();
  const title = (article?.title ?? document.title ?? '').replace(/\s+/g, ' ').trim();
  const found = article?.content ?? '';
  const { document: inner } = parseHTML(`<!doctype html><html><body>${found}</body></html>`);
  for (const node of inner.querySelectorAll('script,style,noscript')) node.remove();
  for (const block of inner.querySelectorAll(BLOCKS)) block.after(inner.createTextNode('\n\n'));
  const said: string = inner.body.textContent ?? '';
  const text = said
    .split(/\n\s*\n/)
    .map((paragraph) => paragraph.replace(/\s+/g, ' ').trim())
    .filter((paragraph) => paragraph !== '')
    .join('\n\n');
  if (text === '') {
    throw new PageError(NO_MAIN_TEXT);
  }
  return { title, text };
}
