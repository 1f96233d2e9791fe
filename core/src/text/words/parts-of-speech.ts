import { plainForm } from '../../languages/plain-form.ts';
import { ADJECTIVE, NOUN, OTHER_PART, PARTS_OF_SPEECH } from '../../languages/en/lexicon.ts';
import { WORD } from '../scan.ts';
import type { Tokens } from '../tokens.ts';
import { ownValue } from '../../base/records.ts';

/** Parts of speech by type. */
export interface PartsOfTypes {
  /** The part most of a type's tokens have; index into `PARTS_OF_SPEECH`. */
  readonly part: Uint8Array;
  /** 1 where the type is a noun now and then, as run in school run. */
  readonly nounAtTimes: Uint8Array;
  /** 1 where it is an adjective now and then, as last in last train. */
  readonly adjectiveAtTimes: Uint8Array;
  /** 1 where a form of a verb may stand before a noun, as waiting in waiting room. */
  readonly participle: Uint8Array;
}

/** Parts of speech where a language has neither a lexicon nor cues, as Swedish: any word may be a concept. */
export function unknownParts(tokens: Tokens): PartsOfTypes {
  const word = tokens.kindOf.map((kind) => (kind === WORD ? 1 : 0));
  return {
    part: tokens.kindOf.map((kind) => (kind === WORD ? NOUN : OTHER_PART)),
    nounAtTimes: word,
    adjectiveAtTimes: word,
    participle: new Uint8Array(tokens.forms.length),
  };
}

/**
 * The parts of speech of a collection in several languages, each word's as its own language has it.
 *
 * @param found parts of types by language
 * @param readingOf which of them a type is read by
 */
export function partsByLanguage(
  found: readonly PartsOfTypes[],
  readingOf: (type: number) => number,
): PartsOfTypes {
  const of = (name: keyof PartsOfTypes): Uint8Array =>
    found[0][name].map((_, type) => found[readingOf(type)][name][type]);
  return {
    part: of('part'),
    nounAtTimes: of('nounAtTimes'),
    adjectiveAtTimes: of('adjectiveAtTimes'),
    participle: of('participle'),
  };
}

/** What the researcher says a word is: a part of speech, or a name. */
export const WORD_KINDS = ['noun', 'verb', 'adjective', 'other', 'name'] as const;
export type WordKind = (typeof WORD_KINDS)[number];

/**
 * Parts of speech with the researcher's corrections: a corrected word is that and nothing else now and then.
 *
 * @param said word, small letters without a possessive ending → what it is
 */
export function correctedParts(
  parts: PartsOfTypes,
  tokens: Tokens,
  said: Readonly<Record<string, WordKind>>,
): PartsOfTypes {
  if (Object.keys(said).length === 0) return parts;
  const part = parts.part.slice();
  const nounAtTimes = parts.nounAtTimes.slice();
  const adjectiveAtTimes = parts.adjectiveAtTimes.slice();
  const participle = parts.participle.slice();
  for (let type = 0; type < part.length; type++) {
    const kind = tokens.kindOf[type] === WORD ? ownValue(said, plainForm(tokens.forms[type])) : undefined;
    if (kind === undefined) continue;
    part[type] = kind === 'name' ? NOUN : PARTS_OF_SPEECH.indexOf(kind);
    nounAtTimes[type] = part[type] === NOUN ? 1 : 0;
    adjectiveAtTimes[type] = part[type] === ADJECTIVE ? 1 : 0;
    participle[type] = 0;
  }
  return { part, nounAtTimes, adjectiveAtTimes, participle };
}
