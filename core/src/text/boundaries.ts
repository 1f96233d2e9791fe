/** Where the sentences of a source begin and end, and which paragraph and turn each is part of. */
export interface Boundaries {
  /** First character of each sentence, in the original. */
  readonly start: Int32Array;
  /** One past the last character of each sentence. */
  readonly end: Int32Array;
  /** Paragraph number of each sentence, from 1. */
  readonly paragraph: Int32Array;
  /** Turn number of each sentence, from 1; 0 before the first turn or where the source has none. */
  readonly turn: Int32Array;
  /** The label of each turn, from turn 1 on: who speaks; empty where a time starts the turn and no name. */
  readonly speakers: readonly string[];
  /** First character of each turn's label. */
  readonly turnStart: Int32Array;
}

/**
 * A name and a colon at a line's start, with a time before or after the name as transcripts have it, or a time in
 * brackets alone: `Driver:`, `[00:01:12] Driver:`, `Driver (1:12):`, `[00:01:12]`, `[2031-05-12 22:14] Driver:`.
 */
const DAY = '(?:\\d{4}-\\d{2}-\\d{2}[ \\t])?';
const TIME = `[\\[(]?${DAY}\\d{1,3}:\\d{2}(?::\\d{2})?(?:[.,]\\d{1,3})?[\\])]?`;
const NAME = "\\p{Lu}[\\p{L}\\p{N}.'’-]*(?: [\\p{L}\\p{N}][\\p{L}\\p{N}.'’-]*){0,2}";
const TURN_LABEL = new RegExp(
  `^[ \\t]*(?:(?:${TIME}[ \\t]{1,4})?(${NAME})(?:[ \\t]{1,4}${TIME})?[ \\t]?:(?=[ \\t]|$)|\\[${DAY}\\d{1,3}:\\d{2}(?::\\d{2})?(?:[.,]\\d{1,3})?\\])`,
  'gmu',
);
/** A line this long, in the middle of the lines of a text without blank ones, is a paragraph of its own. */
const LONG_LINE = 120;

const ABBREVIATIONS = new Set(
  (
    'mr mrs ms dr prof rev st sr jr no nos vs etc e.g i.e eg ie cf approx dept est fig vol pp p ed eds ' +
    'jan feb mar apr jun jul aug sep sept oct nov dec mon tue wed thu fri sat sun min max tel ext gen col lt sgt capt a.m p.m'
  ).split(' '),
);

/** A way of writing who speaks, without a colon or with something before the name, and what tells that it is used. */
interface Notation {
  /** What a text with it holds at least: looked for first, as it is quick. */
  readonly holds: RegExp;
  /** The label at a line's start, with the name as its first group. */
  readonly label: RegExp;
  /** Fewest labels, and the least share of them whose name comes back. */
  readonly fewest: number;
  readonly comingBack: number;
  /** Least share of the lines that have one: what is common in other texts too must stand evenly. */
  readonly ofLines?: number;
}
const notation = (label: string, holds: RegExp, rest: Omit<Notation, 'label' | 'holds'>): Notation => ({
  holds,
  label: new RegExp(`^[ \\t]*${label}`, 'gmu'),
  ...rest,
});
const HAS_TIME = /\d:\d\d/;
const NOTATIONS: readonly Notation[] = [
  // #00:01:02-1# Driver: as some players of recordings write it.
  notation(`#\\d{1,3}:\\d{2}:\\d{2}[-.]\\d{1,3}#[ \\t]{0,4}(${NAME})[ \\t]?:`, /#\d/, {
    fewest: 2,
    comingBack: 0.6,
  }),
  // **Driver:** or **Driver**, with what is said behind it or on the next line.
  notation(`\\*\\*(${NAME})(?:[ \\t]{1,4}${TIME})?[ \\t]?:?\\*\\*[ \\t]?:?`, /\*\*/, {
    fewest: 3,
    comingBack: 0.6,
  }),
  // <Driver> as in chats.
  notation(`(?:${TIME}[ \\t]{1,4})?<(${NAME})>`, /</, { fewest: 3, comingBack: 0.6 }),
  // Driver 00:01 or 00:01 Driver on a line of its own, what is said on the next.
  notation(`(${NAME})[ \\t]{1,8}${TIME}[ \\t]*$`, HAS_TIME, { fewest: 3, comingBack: 0.6 }),
  notation(`${TIME}[ \\t]{1,8}(${NAME})[ \\t]*$`, HAS_TIME, { fewest: 3, comingBack: 0.6 }),
  // P1 - What is said: in other texts a list looks like that.
  notation(`(${NAME})[ \\t]{1,2}[-–—][ \\t]{1,2}`, /\p{L}\d{0,3}[ \t]+[-–—][ \t]/u, {
    fewest: 4,
    comingBack: 0.9,
    ofLines: 0.5,
  }),
];

/** A label at the start of a turn: [start, end), and who speaks. */
interface TurnLabel {
  readonly start: number;
  readonly end: number;
  readonly label: string;
}

const labelsBy = (text: string, pattern: RegExp): TurnLabel[] =>
  Array.from(text.matchAll(pattern), (match) => ({
    start: match.index,
    end: match.index + match[0].length,
    label: match[1] ?? '',
  }));

/** How many of some labels are of a name that comes back. */
function comingBack(found: readonly TurnLabel[]): number {
  const uses = new Map<string, number>();
  for (const { label } of found) uses.set(label, (uses.get(label) ?? 0) + 1);
  return found.filter(({ label }) => (uses.get(label) ?? 0) > 1).length;
}

/**
 * The speaker labels at line starts, as [start, end) with the colon, or in another notation that a text has often and evenly enough;
 * none where fewer than two lines have one.
 */
export function findTurnLabels(text: string): TurnLabel[] {
  if (text.includes(':')) {
    const found = labelsBy(text, TURN_LABEL);
    // One label that comes back is a conversation; labels used once each are headings unless they stand among such.
    if (comingBack(found) >= 2) return found;
  }
  for (const { holds, label, fewest, comingBack: share, ofLines = 0 } of NOTATIONS) {
    if (!holds.test(text)) continue;
    const found = labelsBy(text, label);
    if (found.length < fewest || comingBack(found) < share * found.length) continue;
    if (ofLines > 0 && found.length < ofLines * (text.match(/^.*\S.*$/gm)?.length ?? 0)) continue;
    return found;
  }
  return [];
}

/** Paragraphs as [start, end): at blank lines, or at every line where the lines are long. */
function findParagraphs(text: string): [number, number][] {
  const blank = /\n[ \t\r]*\n/.test(text);
  let separator = /\n(?:[ \t\r]*\n)+/g;
  if (!blank) {
    const lengths = text
      .split('\n')
      .map((line) => line.trim().length)
      .filter((length) => length > 0)
      .sort((a, b) => a - b);
    if (lengths.length > 1 && lengths[lengths.length >> 1] >= LONG_LINE) separator = /\n+/g;
  }
  const paragraphs: [number, number][] = [];
  let start = 0;
  for (const match of text.matchAll(separator)) {
    paragraphs.push([start, match.index]);
    start = match.index + match[0].length;
  }
  paragraphs.push([start, text.length]);
  return paragraphs;
}

/** Marks in a row with what closes after them. What follows is looked at apart: in the pattern it would be tried from every mark. */
const MARKS = /[.!?…。！？]+["'”’)\]»]*/gu;
const FULL_WIDTH_MARKS = /[。！？]+/gu;

/** Where marks stand that may end a sentence: before white space or the end; those of full width anywhere. */
function* endMarks(text: string): Generator<readonly [start: number, end: number]> {
  for (const { index, 0: marks } of text.matchAll(MARKS)) {
    const end = index + marks.length;
    if (end === text.length || /\s/.test(text[end])) yield [index, end];
    else {
      for (const within of marks.matchAll(FULL_WIDTH_MARKS)) {
        yield [index + within.index, index + within.index + within[0].length];
      }
    }
  }
}

const OPENS_SENTENCE = /^["'“‘(\[«¿¡-]*(?:\p{Lu}|\p{Nd}|\p{Lo})/u;

/** Whether the end mark at [start, end) of a text closes a sentence of the paragraph that begins at `from`. */
function closesSentence(text: string, from: number, start: number, end: number): boolean {
  const mark = text.slice(start, end);
  if (/[。！？]/.test(mark)) return true;
  let next = end;
  while (next < text.length && /\s/.test(text[next])) next++;
  if (next < text.length && !OPENS_SENTENCE.test(text.slice(next, next + 8))) return false;
  if (mark[0] !== '.' || mark[1] === '.') return true;
  let wordStart = start;
  while (wordStart > from && /[\p{L}\p{N}.]/u.test(text[wordStart - 1])) wordStart--;
  const word = text.slice(wordStart, start);
  if (/^\p{Lu}$/u.test(word) && word !== 'I') return false;
  if (ABBREVIATIONS.has(word.toLowerCase())) return /^(?:etc|a\.m|p\.m)$/i.test(word);
  // A number and a full stop at the start of a line number a list.
  return !(/^\p{Nd}{1,3}$/u.test(word) && (wordStart === from || text[wordStart - 1] === '\n'));
}

/** Finds sentences, paragraphs and turns in the original, before anything is taken out. Labels are part of none. */
export function findBoundaries(text: string): Boundaries {
  const labels = findTurnLabels(text);
  const start: number[] = [];
  const end: number[] = [];
  const paragraph: number[] = [];
  const turn: number[] = [];
  let paragraphNumber = 0;
  let turnNumber = 0;
  let label = 0;

  const addSentences = (from: number, to: number): void => {
    let place = from;
    const add = (until: number): void => {
      while (place < until && /\s/.test(text[place])) place++;
      if (place >= until) return;
      start.push(place);
      end.push(until);
      paragraph.push(paragraphNumber);
      turn.push(turnNumber);
      place = until;
    };
    // The block is cut out first: a search over the whole text would run on to its end where marks are missing.
    for (const [markStart, markEnd] of endMarks(text.slice(from, to))) {
      const mark = from + markStart;
      const close = from + markEnd;
      if (closesSentence(text, from, mark, close)) add(close);
    }
    add(to);
  };

  for (const [from, to] of findParagraphs(text)) {
    let place = from;
    let numbered = false;
    const addBlock = (until: number): void => {
      if (text.slice(place, until).trim() === '') return;
      paragraphNumber++;
      numbered = true;
      addSentences(place, until);
    };
    while (label < labels.length && labels[label].start < to) {
      addBlock(labels[label].start);
      turnNumber++;
      place = labels[label].end;
      label++;
    }
    addBlock(to);
    if (!numbered && turnNumber > 0) paragraphNumber++;
  }
  return {
    start: Int32Array.from(start),
    end: Int32Array.from(end),
    paragraph: Int32Array.from(paragraph),
    turn: Int32Array.from(turn),
    speakers: labels.map((each) => each.label),
    turnStart: Int32Array.from(labels, (each) => each.start),
  };
}
