import { mailPieces, type MailPartKind } from './mail/mail-parts.ts';
import { repeatPieces } from './look-alikes/repeats.ts';
import type { Piece } from './reading-part.ts';
import { tidyPieces } from './reading-part.ts';

/** What is cut from sources. */
export type TrimRule =
  /** Everything before, or after, the first place where a text stands; `inclusive` cuts that line too. */
  | {
      readonly kind: 'mark';
      readonly side: 'before' | 'after';
      readonly text: string;
      readonly inclusive: boolean;
    }
  /** Everything before, or after, a character of one source. */
  | { readonly kind: 'place'; readonly side: 'before' | 'after'; readonly at: number }
  | { readonly kind: 'lines'; readonly side: 'first' | 'last'; readonly count: number }
  /** Every line that is one of these, as running heads and licences are. */
  | { readonly kind: 'repeated'; readonly lines: readonly string[] }
  /** Lines and sentences with these keys, as `findRepeats` has them. */
  | { readonly kind: 'repeats'; readonly keys: readonly string[] }
  /** Parts of mails that their writers did not write. */
  | { readonly kind: 'mail'; readonly parts: readonly MailPartKind[] };

/** The pieces of a text that a rule cuts. */
export function trimmedPieces(text: string, rule: TrimRule): Piece[] {
  switch (rule.kind) {
    case 'mark': {
      const at = rule.text === '' ? -1 : text.indexOf(rule.text);
      if (at < 0) return [];
      const lineStart = text.lastIndexOf('\n', at - 1) + 1;
      const lineBreak = text.indexOf('\n', at + rule.text.length - 1);
      const lineEnd = lineBreak < 0 ? text.length : lineBreak + 1;
      return rule.side === 'before'
        ? tidyPieces([[0, rule.inclusive ? lineEnd : lineStart]], text.length)
        : tidyPieces([[rule.inclusive ? lineStart : lineEnd, text.length]], text.length);
    }
    case 'place':
      return tidyPieces([rule.side === 'before' ? [0, rule.at] : [rule.at, text.length]], text.length);
    case 'lines': {
      if (rule.count < 1) return [];
      let at = rule.side === 'first' ? 0 : text.replace(/\s+$/, '').length;
      for (let n = 0; n < rule.count; n++) {
        if (rule.side === 'first') {
          const found = text.indexOf('\n', at);
          at = found < 0 ? text.length : found + 1;
        } else {
          const found = at <= 0 ? -1 : text.lastIndexOf('\n', at - 1);
          at = Math.max(0, found);
        }
      }
      return tidyPieces([rule.side === 'first' ? [0, at] : [at, text.length]], text.length);
    }
    case 'repeats':
      return tidyPieces(repeatPieces(text, new Set(rule.keys)), text.length);
    case 'mail':
      return mailPieces(text, rule.parts);
    case 'repeated': {
      const lines = new Set(rule.lines.map(lineKey));
      const pieces: Piece[] = [];
      for (let start = 0; start < text.length;) {
        const found = text.indexOf('\n', start);
        const end = found < 0 ? text.length : found + 1;
        if (lines.has(lineKey(text.slice(start, end)))) pieces.push([start, end]);
        start = end;
      }
      return tidyPieces(pieces, text.length);
    }
  }
}

/** A line as it is compared: numbers, as of pages, count as one. */
function lineKey(line: string): string {
  return line.trim().toLowerCase().replace(/\d+/g, '0').replace(/\s+/g, ' ');
}

/** A line that stands in many sources. */
export interface RepeatedLine {
  readonly line: string;
  readonly sources: number;
  readonly times: number;
}

/** Shorter lines than this repeat by chance. */
const SHORTEST_LINE = 4;
const MOST_LINES = 60;

/**
 * Lines that come back: in at least a third of the sources (two at least), or three times and more in one source at
 * nearly equal distances, as running heads do. Speakers' labels alone do not count.
 */
export function repeatedLines(texts: readonly string[]): RepeatedLine[] {
  const found = new Map<string, { line: string; sources: number; times: number; last: number }>();
  texts.forEach((text, source) => {
    for (const raw of text.split('\n')) {
      const line = raw.trim();
      if (line.length < SHORTEST_LINE || line.length > 300 || !/\p{L}/u.test(line)) continue;
      const key = lineKey(line);
      const seen = found.get(key) ?? { line, sources: 0, times: 0, last: -1 };
      seen.times++;
      if (seen.last !== source) seen.sources++;
      seen.last = source;
      found.set(key, seen);
    }
  });
  const enough = Math.max(2, Math.ceil(texts.length / 3));
  return [...found.values()]
    .filter(
      ({ sources, times }) => (texts.length > 1 && sources >= enough) || times >= Math.max(3, 2 * sources),
    )
    .sort((a, b) => b.times - a.times || (a.line < b.line ? -1 : 1))
    .slice(0, MOST_LINES)
    .map(({ line, sources, times }) => ({ line, sources, times }));
}
