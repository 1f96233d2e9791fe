import { ownValue } from '../../base/records.ts';
import { refused, type FileContent } from './read-result.ts';
import { tidyText } from './text-file.ts';

/** Groups inside groups that are read; word processors write a few dozen. */
const DEEPEST = 2000;

/** Destinations whose words are no part of the text (Rich Text Format specification 1.9.1). */
const SKIPPED: ReadonlySet<string> = new Set(
  (
    'colortbl stylesheet info pict object header headerl headerr headerf footer footerl footerr footerf ' +
    'fldinst listtext pntext pntxta pntxtb themedata colorschememapping datastore latentstyles listtable ' +
    'listoverridetable revtbl rsidtbl generator xmlnstbl mmathPr annotation atnid atnauthor atrfstart atrfend ' +
    'bkmkstart bkmkend nonshppict shprslt filetbl operator author title subject keywords doccomm company'
  ).split(' '),
);

/** Control words that stand for characters. */
const CHARACTERS: Readonly<Record<string, string>> = {
  par: '\n\n',
  sect: '\n\n',
  page: '\n\n',
  cell: '\n\n',
  nestcell: '\n\n',
  row: '\n\n',
  nestrow: '\n\n',
  line: '\n',
  lbr: '\n',
  tab: '\t',
  emdash: '—',
  endash: '–',
  emspace: ' ',
  enspace: ' ',
  lquote: '‘',
  rquote: '’',
  ldblquote: '“',
  rdblquote: '”',
  bullet: '•',
};

/** Encodings by the number of their code page, as the WHATWG Encoding standard calls them. */
const PAGES: Readonly<Record<number, string>> = {
  866: 'ibm866',
  874: 'windows-874',
  932: 'shift_jis',
  936: 'gbk',
  949: 'euc-kr',
  950: 'big5',
  10000: 'macintosh',
  65001: 'utf-8',
};
/** Code pages by a font's character set. */
const CHARSET_PAGES: Readonly<Record<number, number>> = {
  0: 1252,
  77: 10000,
  128: 932,
  129: 949,
  134: 936,
  136: 950,
  161: 1253,
  162: 1254,
  163: 1258,
  177: 1255,
  178: 1256,
  186: 1257,
  204: 1251,
  222: 874,
  238: 1250,
};

const encodingOf = (page: number): string =>
  PAGES[page] ?? (page >= 1250 && page <= 1258 ? `windows-${page}` : 'windows-1252');

/** What holds inside one group. */
interface Group {
  /** Where its words go. */
  readonly into: 'text' | 'note' | 'fonts' | 'nowhere';
  /** Code page of its bytes; 0 for the document's. */
  readonly page: number;
  /** Characters that stand for a reader without Unicode, after each `\u`. */
  readonly substitutes: number;
  readonly isHidden: boolean;
}

/** A control word with its number, a control symbol, a byte in hexadecimal, a brace, or plain characters. */
const PART =
  /\\([a-zA-Z]{1,32})(-?\d{1,10})? ?|\\'([0-9a-fA-F]{2})|\\([\s\S])|([{}])|([^\\{}\r\n]+)|[\r\n]+/g;

/** Reads the words of a rich text document: paragraphs and table cells one paragraph apart, notes after them. */
export function readRichText(name: string, bytes: Uint8Array): FileContent {
  const text = wordsOf(bytes);
  if (text === undefined)
    return refused('The document is damaged: its groups do not close. Open it, save it anew and add that.');
  const tidy = tidyText(text)
    .split('\n')
    .map((line) => line.trimEnd())
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim();
  return tidy === ''
    ? refused('There is no text in the document; perhaps it holds pictures only.')
    : { kind: 'texts', texts: [{ name, text: `${tidy}\n` }] };
}

function wordsOf(bytes: Uint8Array): string | undefined {
  // Bytes as characters of the same number, so that they can be decoded by their own code page later.
  let raw = '';
  for (let at = 0; at < bytes.length; at += 8192)
    raw += String.fromCharCode(...bytes.subarray(at, at + 8192));
  const words = { text: '', note: '' };
  const fonts = new Map<number, number>();
  const stack: Group[] = [];
  let group: Group = { into: 'text', page: 0, substitutes: 1, isHidden: false };
  let documentPage = 1252;
  let font = -1;
  let pending: number[] = [];
  let isStarred = false;
  let toSkip = 0;
  const put = (said: string): void => {
    if (!group.isHidden && (group.into === 'text' || group.into === 'note')) words[group.into] += said;
  };
  const flush = (): void => {
    if (pending.length === 0) return;
    const said = new TextDecoder(encodingOf(group.page || documentPage)).decode(Uint8Array.from(pending));
    pending = [];
    put(said);
  };
  PART.lastIndex = 0;
  for (const match of raw.matchAll(PART)) {
    const [, word, number, hex, symbol, brace, plain] = match;
    if (hex !== undefined) {
      if (toSkip > 0) toSkip--;
      else pending.push(Number.parseInt(hex, 16));
      continue;
    }
    if (plain !== undefined) {
      const kept = toSkip > 0 ? plain.slice(toSkip) : plain;
      toSkip = Math.max(0, toSkip - plain.length);
      // A plain byte may be the second of a character of two.
      for (let i = 0; i < kept.length; i++) pending.push(kept.charCodeAt(i) & 0xff);
      continue;
    }
    flush();
    if (brace === '{') {
      if (stack.length >= DEEPEST) return undefined;
      stack.push(group);
      isStarred = false;
      toSkip = 0;
    } else if (brace === '}') {
      const outer = stack.pop();
      if (!outer) return undefined;
      if (group.into === 'note' && outer.into === 'text') words.note += '\n\n';
      group = outer;
      toSkip = 0;
      if (stack.length === 0) break;
    } else if (symbol !== undefined) {
      if (symbol === '*') isStarred = true;
      else if (symbol === '~') put('\u00a0');
      else if (symbol === '_') put('-');
      else if (symbol === '\n' || symbol === '\r') put('\n\n');
      else if ('\\{}'.includes(symbol)) pending.push(symbol.charCodeAt(0));
    } else if (word !== undefined) {
      const value = number === undefined ? undefined : Number(number);
      const wasStarred = isStarred;
      isStarred = false;
      const character = ownValue(CHARACTERS, word);
      if (character !== undefined) put(character);
      else if (word === 'u') {
        put(String.fromCharCode(((value ?? 0) + 0x10000) % 0x10000));
        toSkip = group.substitutes;
      } else if (word === 'uc') group = { ...group, substitutes: Math.max(0, Math.min(10, value ?? 1)) };
      else if (word === 'ansicpg') documentPage = value ?? documentPage;
      else if (word === 'mac') documentPage = 10000;
      else if (word === 'f') {
        font = value ?? 0;
        if (group.into !== 'fonts') group = { ...group, page: fonts.get(font) ?? 0 };
      } else if (word === 'fcharset') {
        const page = CHARSET_PAGES[value ?? 0];
        if (page !== undefined && value !== 0) fonts.set(font, page);
      } else if (word === 'plain') group = { ...group, page: 0, isHidden: false };
      else if (word === 'v' || word === 'deleted') group = { ...group, isHidden: value !== 0 };
      else if (word === 'fonttbl') group = { ...group, into: 'fonts' };
      else if (word === 'footnote') {
        if (group.into === 'text') group = { ...group, into: 'note' };
      } else if (word === 'bin') toSkip = Math.max(0, value ?? 0);
      // The words of a text box stand deep in the description of its shape.
      else if (word === 'shptxt') group = { ...group, into: 'text' };
      else if (wasStarred || SKIPPED.has(word)) group = { ...group, into: 'nowhere' };
    }
  }
  return stack.length === 0 ? `${words.text}\n\n${words.note}` : undefined;
}
