import type { InParts } from '../base/share-out.ts';
import type { Stepwise } from '../base/stepwise.ts';
import type { SourceText } from './reading-part.ts';
import type { Tokens } from './tokens.ts';

/** Characters of a part, about; a longer source is one by itself. */
const PART = 250_000;

/** Sources in a row, parted where they are long enough together; of none, one part of none. */
function partsOf(sources: readonly SourceText[]): SourceText[][] {
  const parts: SourceText[][] = [];
  let length = Infinity;
  for (const source of sources) {
    if (length >= PART) {
      parts.push([]);
      length = 0;
    }
    parts[parts.length - 1].push(source);
    length += source.original.length;
  }
  return parts.length > 0 ? parts : [[]];
}

/**
 * Reads the tokens of sources in parts, with the same numbers as in one piece.
 *
 * @param read reads the tokens of a part by itself (`readTokens`)
 */
export function* readInParts(
  sources: readonly SourceText[],
  read: InParts<readonly SourceText[], Tokens>,
): Stepwise<Tokens> {
  const parts = yield* read(partsOf(sources));
  return joinTokens(parts);
}

/** Numbers names by where they are met first. */
class Numbering {
  readonly numbers = new Map<string, number>();

  /** The numbers of names, new ones after those so far; `added` is told of each new one. */
  of(names: readonly string[], added: (own: number) => void = () => undefined): Int32Array {
    return Int32Array.from(names, (name, own) => {
      const known = this.numbers.get(name);
      if (known !== undefined) return known;
      this.numbers.set(name, this.numbers.size);
      added(own);
      return this.numbers.size - 1;
    });
  }
}

/** Lists in a row. */
function inARow<List extends Int32Array | Uint8Array>(
  lists: readonly List[],
  make: (length: number) => List,
): List {
  const whole = make(lists.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const list of lists) {
    whole.set(list, at);
    at += list.length;
  }
  return whole;
}

/** Numbers in a row, each list's by what they are in the whole. */
function translated(lists: readonly Int32Array[], names: readonly Int32Array[]): Int32Array {
  const whole = inARow(lists, (length) => new Int32Array(length));
  let at = 0;
  lists.forEach(({ length }, k) => {
    const to = names[k];
    for (const end = at + length; at < end; at++) if (whole[at] >= 0) whole[at] = to[whole[at]];
  });
  return whole;
}

/** Numbers in a row, each list's moved by what stands before it. */
function moved(lists: readonly Int32Array[], moves: readonly number[]): Int32Array {
  const whole = inARow(lists, (length) => new Int32Array(length));
  let at = 0;
  lists.forEach(({ length }, k) => {
    for (const end = at + length; at < end; at++) whole[at] += moves[k];
  });
  return whole;
}

/** How many of something stand before each part. */
function before(parts: readonly Tokens[], count: (part: Tokens) => number): number[] {
  let sum = 0;
  return parts.map((part) => (sum += count(part)) - count(part));
}

/** The tokens of sources in a row from those of its parts: types and speakers have the numbers of one piece. */
export function joinTokens(parts: readonly Tokens[]): Tokens {
  const types = new Numbering();
  const speakers = new Numbering();
  const kindOf: number[] = [];
  const mentionsOf: number[] = [];
  const typeOf: Int32Array[] = [];
  const speakerOf: Int32Array[] = [];
  for (const part of parts) {
    // A part has its types in the order they are met, so those new in it come in that order too.
    const numbers = types.of(part.forms, (own) => {
      kindOf.push(part.kindOf[own]);
      mentionsOf.push(0);
    });
    part.mentionsOf.forEach((mentions, own) => (mentionsOf[numbers[own]] += mentions));
    typeOf.push(numbers);
    speakerOf.push(speakers.of(part.speakers));
  }
  const tokens = before(parts, ({ type }) => type.length);
  const sentences = before(parts, ({ sentenceSource }) => sentenceSource.length);
  const sources = before(parts, ({ sourceFirst }) => sourceFirst.length - 1);
  const each = (of: (part: Tokens) => Int32Array): Int32Array[] => parts.map(of);
  const whole = (of: (part: Tokens) => Int32Array): Int32Array =>
    inARow(each(of), (length) => new Int32Array(length));
  /** Places of the first of each, with one more at the very end. */
  const firsts = (of: (part: Tokens) => Int32Array, moves: readonly number[]): Int32Array =>
    moved(
      parts.map((part, k) => (k + 1 < parts.length ? of(part).subarray(0, -1) : of(part))),
      moves,
    );
  return {
    forms: [...types.numbers.keys()],
    kindOf: Uint8Array.from(kindOf),
    mentionsOf: Int32Array.from(mentionsOf),
    type: translated(
      each(({ type }) => type),
      typeOf,
    ),
    start: whole(({ start }) => start),
    end: whole(({ end }) => end),
    joined: inARow(
      parts.map(({ joined }) => joined),
      (length) => new Uint8Array(length),
    ),
    sentenceFirst: firsts(({ sentenceFirst }) => sentenceFirst, tokens),
    sentenceSource: moved(
      each(({ sentenceSource }) => sentenceSource),
      sources,
    ),
    sentenceParagraph: whole(({ sentenceParagraph }) => sentenceParagraph),
    sentenceTurn: whole(({ sentenceTurn }) => sentenceTurn),
    sentenceSpeaker: translated(
      each(({ sentenceSpeaker }) => sentenceSpeaker),
      speakerOf,
    ),
    sentenceStart: whole(({ sentenceStart }) => sentenceStart),
    sentenceEnd: whole(({ sentenceEnd }) => sentenceEnd),
    sourceFirst: firsts(({ sourceFirst }) => sourceFirst, sentences),
    speakers: [...speakers.numbers.keys()],
  };
}
