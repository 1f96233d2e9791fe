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

/** The speaker labels at line starts, as [start, end) with the colon; none where fewer than two lines have one. */
export function findTurnLabels(text: string): { start: number; end: number; label: string }[] {
  if (!text.includes(':')) return [];
  const found = Array.from(text.matchAll(TURN_LABEL), (match) => ({
    start: match.index,
    end: match.index + match[0].length,
    label: match[1] ?? '',
  }));
  const uses = new Map<string, number>();
  for (const { label } of found) uses.set(label, (uses.get(label) ?? 0) + 1);
  const repeated = found.filter(({ label }) => (uses.get(label) ?? 0) > 1);
  // One label that comes back is a conversation; labels used once each are headings unless they stand among such.
  return repeated.length >= 2 ? found : [];
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
