import { decodeHTML } from 'entities';
import { Tokenizer } from 'htmlparser2';
import { refused, type FileContent } from './read-result.ts';
import { tidyText } from './text-file.ts';

/** What holds no words of the page’s own, or words that were taken back; where its end never comes, what follows was not meant to be in it. */
const SKIPPED = new Set(
  'script style noscript svg iframe nav template select button textarea datalist object head del'.split(' '),
);
/** A new line before and after, or an empty line. */
const LINES = new Set(
  'div article aside footer header main section form address figure figcaption fieldset legend details summary li tr option body html center'.split(
    ' ',
  ),
);
const PARAGRAPHS = new Set(
  'p h1 h2 h3 h4 h5 h6 ul ol dl dt dd table td th caption blockquote pre hr'.split(' '),
);

/** How words are laid into lines as the tags of a page go by. */
class PageText {
  readonly #out: string[] = [];
  /** Line ends that are due before the next word. */
  #breaks = 0;
  #space = false;
  #quoted = 0;
  #kept = 0;
  /** What is being skipped, how many of its kind stand open, and where the text was when it began. */
  #skipping:
    { readonly name: string; open: number; readonly at: number; readonly breaks: number } | undefined;

  opened(name: string): void {
    if (this.#skipping) {
      if (name === this.#skipping.name) this.#skipping.open++;
      // A page that never closes its head begins its body all the same.
      if (name === 'body' && this.#skipping.name === 'head') this.#dropSkipped();
      return;
    }
    if (SKIPPED.has(name)) {
      this.#skipping = { name, open: 1, at: this.#out.length, breaks: this.#breaks };
      return;
    }
    if (name === 'br') this.#breaks = Math.min(2, this.#breaks + 1);
    else this.#block(name);
    if (name === 'blockquote') this.#quoted++;
    if (name === 'pre') this.#kept++;
  }

  closed(name: string): void {
    if (this.#skipping) {
      if (name === this.#skipping.name && --this.#skipping.open === 0) this.#dropSkipped();
      // Where its end never comes what is in it stays, its paragraphs apart.
      else if (this.#skipping.name === 'del') this.#block(name);
      return;
    }
    this.#block(name);
    if (name === 'blockquote') this.#quoted = Math.max(0, this.#quoted - 1);
    if (name === 'pre') this.#kept = Math.max(0, this.#kept - 1);
  }

  said(text: string): void {
    if (this.#kept > 0) {
      text.split('\n').forEach((line, i) => {
        if (i > 0) this.#breaks = Math.min(2, this.#breaks + 1);
        if (line !== '') this.#put(line);
      });
      return;
    }
    const words = text.split(/[ \t\r\n\f]+/);
    words.forEach((word, i) => {
      if (i > 0) this.#space = true;
      if (word !== '') this.#put(word);
    });
  }

  /** All that was said. */
  whole(): string {
    return this.#out.join('');
  }

  #put(words: string): void {
    if (this.#breaks > 0 && this.#out.length > 0) this.#out.push('\n'.repeat(this.#breaks));
    else if (this.#space && this.#out.length > 0) this.#out.push(' ');
    if ((this.#breaks > 0 || this.#out.length === 0) && this.#quoted > 0)
      this.#out.push('> '.repeat(Math.min(this.#quoted, DEEPEST_QUOTE)));
    this.#breaks = 0;
    this.#space = false;
    this.#out.push(words);
  }

  #block(name: string): void {
    const due = PARAGRAPHS.has(name) ? 2 : LINES.has(name) ? 1 : 0;
    this.#breaks = Math.max(this.#breaks, due);
  }

  #dropSkipped(): void {
    if (!this.#skipping) return;
    this.#out.length = this.#skipping.at;
    this.#breaks = this.#skipping.breaks;
    this.#space = true;
    this.#skipping = undefined;
  }
}

/** Quotations in quotations that are marked; nobody tells more apart. */
const DEEPEST_QUOTE = 10;

/**
 * The words of a page as text: paragraphs, headings, lists and tables kept apart; no scripts, pictures or addresses. Tags go by one
 * after the other, so that it takes as long as the page is, however deep they are nested or badly closed.
 */
export function htmlToText(html: string): string {
  const page = new PageText();
  const nameAt = (start: number, end: number): string => html.slice(start, end).toLowerCase();
  let name = '';
  const nothing = (): void => undefined;
  const tokens = new Tokenizer(
    { xmlMode: false, decodeEntities: true },
    {
      onopentagname(start, end) {
        name = nameAt(start, end);
        page.opened(name);
      },
      onclosetag: (start, end) => page.closed(nameAt(start, end)),
      ontext: (start, end) => page.said(html.slice(start, end)),
      ontextentity: (codepoint) => page.said(String.fromCodePoint(codepoint)),
      onopentagend: nothing,
      onselfclosingtag: nothing,
      onattribdata: nothing,
      onattribentity: nothing,
      onattribend: nothing,
      onattribname: nothing,
      oncdata: nothing,
      oncomment: nothing,
      ondeclaration: nothing,
      onprocessinginstruction: nothing,
      onend: nothing,
      isInForeignContext: () => false,
    },
  );
  tokens.write(html);
  tokens.end();
  return tidyText(page.whole())
    .replace(/^[ \t]+|[ \t]+$/gm, '')
    .replace(/\n{3,}/g, '\n\n')
    .trim();
}

/** The title of a page, or undefined. */
export function htmlTitle(html: string): string | undefined {
  const found = /<title[^>]{0,200}>([^<]{1,500})<\/title/i.exec(html);
  const title = found && decodeHTML(found[1]).replace(/\s+/g, ' ').trim();
  return title ? title : undefined;
}

/** Reads a saved page. */
export function readHtml(name: string, html: string): FileContent {
  const text = htmlToText(html);
  return text === ''
    ? refused('There are no words on the page; perhaps a program in it was to fetch them.')
    : { kind: 'texts', texts: [{ name, text: `${text}\n` }] };
}
