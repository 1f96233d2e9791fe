import { compilePattern } from './patterns.ts';
import { countWords, scanTokens } from './scan.ts';

/** How a long document is split into sections. */
export type SplitRule =
  /** At lines that look like headings: of Markdown, numbered, in capitals, or short ones that stand alone. */
  | { readonly kind: 'headings'; readonly keepBefore: boolean }
  /** At lines that begin with a word or phrase that comes back, such as Chapter. */
  | { readonly kind: 'lineStart'; readonly word: string; readonly keepBefore: boolean }
  /** At lines in which a pattern is found. */
  | { readonly kind: 'pattern'; readonly pattern: string; readonly keepBefore: boolean }
  /** Between lines that are a separator and nothing else; the separators are part of no section. */
  | { readonly kind: 'separator'; readonly separator: string }
  /** At groups of so many blank lines or more. */
  | { readonly kind: 'blankLines'; readonly lines: number }
  /** Every so many words, at the next end of a sentence or line. */
  | { readonly kind: 'words'; readonly words: number };

/** A section of a text. */
export interface Section {
  readonly name: string;
  readonly start: number;
  readonly end: number;
  readonly words: number;
  /** Its first words, for a look. */
  readonly opening: string;
}

/** More sections than this are a mistake in the rule. */
export const MOST_SECTIONS = 20_000;

interface Line {
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

function* linesOf(text: string): Generator<Line> {
  for (let start = 0; start < text.length;) {
    const found = text.indexOf('\n', start);
    const end = found < 0 ? text.length : found;
    yield { start, end, text: text.slice(start, end) };
    start = end + 1;
  }
}

const MARKDOWN_HEADING = /^#{1,6}\s+\S/;
const NUMBERED_HEADING =
  /^(?:(?:chapter|part|section|book|interview|session|day|appendix|letter|act|scene)\s+(?:\d+|[ivxlc]+|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)\b|\d{1,3}(?:\.\d{1,3})*\.?\s+\p{Lu}|[IVXLC]{1,7}\.\s*\p{Lu}?)/iu;
const LONGEST_HEADING = 80;

/** The lines of a text that look like headings, by the plainest sign that is met at least twice. */
function headingLines(text: string): Line[] {
  const lines = [...linesOf(text)];
  const short = (line: Line): boolean => {
    const said = line.text.trim();
    return said.length > 0 && said.length <= LONGEST_HEADING && !/[.,;:!?]$/.test(said);
  };
  const signs: ((line: Line, i: number) => boolean)[] = [
    (line) => MARKDOWN_HEADING.test(line.text),
    (line) => short(line) && NUMBERED_HEADING.test(line.text.trim()),
    (line) => short(line) && /\p{Lu}{2}/u.test(line.text) && line.text === line.text.toUpperCase(),
    (line, i) => {
      const blank = (at: number): boolean => (lines[at]?.text.trim() ?? '') === '';
      return short(line) && blank(i - 1) && blank(i + 1) && /^\s*\p{Lu}/u.test(line.text);
    },
  ];
  for (const isHeading of signs) {
    const found = lines.filter(isHeading);
    if (found.length >= 2) return found;
  }
  return [];
}

/** The sections a rule makes of a text, in order; a text in which the rule finds nothing is one section. */
export function splitText(text: string, rule: SplitRule): Section[] {
  const pieces: { start: number; end: number; name: string }[] = [];
  const startAt = (starts: readonly Line[], keepBefore: boolean): void => {
    if (starts.length > 0 && starts[0].start > 0 && keepBefore) {
      pieces.push({ start: 0, end: starts[0].start, name: 'before the first heading' });
    }
    starts.forEach((line, i) => {
      const name = line.text
        .replace(/^#+\s*/, '')
        .trim()
        .slice(0, 120);
      pieces.push({ start: line.start, end: starts[i + 1]?.start ?? text.length, name });
    });
  };
  const between = (gaps: Iterable<readonly [number, number]>): void => {
    let start = 0;
    for (const [from, to] of gaps) {
      pieces.push({ start, end: from, name: '' });
      start = to;
    }
    pieces.push({ start, end: text.length, name: '' });
  };
  switch (rule.kind) {
    case 'headings':
      startAt(headingLines(text), rule.keepBefore);
      break;
    case 'lineStart': {
      const word = rule.word.trim().toLowerCase();
      if (word === '') break;
      const begins = (line: Line): boolean => {
        const said = line.text.trimStart();
        return (
          said.slice(0, word.length).toLowerCase() === word && !/^[\p{L}\p{N}]/u.test(said.slice(word.length))
        );
      };
      startAt([...linesOf(text)].filter(begins), rule.keepBefore);
      break;
    }
    case 'pattern': {
      if (rule.pattern === '') break;
      const pattern = compilePattern(rule.pattern);
      startAt(
        [...linesOf(text)].filter((line) => pattern.matcher(line.text).find()),
        rule.keepBefore,
      );
      break;
    }
    case 'separator': {
      const separator = rule.separator.trim();
      if (separator === '') break;
      between(
        [...linesOf(text)]
          .filter((line) => line.text.trim() === separator)
          .map((line): [number, number] => [line.start, Math.min(text.length, line.end + 1)]),
      );
      break;
    }
    case 'blankLines': {
      const gap = new RegExp(`\\n(?:[ \\t]*\\n){${Math.max(1, Math.min(20, rule.lines))},}`, 'g');
      between(
        Array.from(text.matchAll(gap), (match): [number, number] => [
          match.index,
          match.index + match[0].length,
        ]),
      );
      break;
    }
    case 'words':
      between(wordCuts(text, Math.max(1, rule.words)));
      break;
  }
  if (pieces.length === 0) pieces.push({ start: 0, end: text.length, name: '' });
  const withText = pieces.filter(({ start, end }) => text.slice(start, end).trim() !== '');
  const digits = String(withText.length).length;
  return withText.slice(0, MOST_SECTIONS).map(({ start, end, name }, i) => {
    const words = countWords(text.slice(start, end));
    const opening = text.slice(start, end).trim().slice(0, 160).replace(/\s+/g, ' ').slice(0, 110);
    return {
      name: name === '' ? `part ${String(i + 1).padStart(digits, '0')}` : name,
      start,
      end,
      words,
      opening,
    };
  });
}

/** Places at the end of a sentence or line after every so many words. */
function wordCuts(text: string, words: number): [number, number][] {
  const cuts: [number, number][] = [];
  let count = 0;
  let wanted = false;
  let last = 0;
  scanTokens(text, (start, end) => {
    if (wanted && /[.!?…。！？\n]/.test(text.slice(last, start))) {
      cuts.push([start, start]);
      wanted = false;
      count = 0;
    }
    if (++count >= words) wanted = true;
    last = end;
  });
  return cuts;
}
