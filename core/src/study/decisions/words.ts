import type { NameKind } from '../../concepts/name-clues.ts';
import type { WordKind } from '../../text/words/parts-of-speech.ts';
import { few, type FieldsOf, type Sayers, type SchemaFields } from './kinds.ts';

/** Decisions that only change a list of words: the many of a long record. */
export type WordDecision =
  | { readonly kind: 'keepConcepts'; readonly keys: readonly string[] }
  | { readonly kind: 'dropConcepts'; readonly keys: readonly string[] }
  | { readonly kind: 'leaveConcepts'; readonly keys: readonly string[] }
  | { readonly kind: 'addStopWords'; readonly words: readonly string[] }
  /** Words are stopped; phrases are dropped, since their words may be concepts by themselves. */
  | { readonly kind: 'neverShow'; readonly words: readonly string[]; readonly phrases: readonly string[] }
  | { readonly kind: 'removeStopWords'; readonly words: readonly string[] }
  /** Words of the published stop list that are let back in, and no longer. */
  | { readonly kind: 'allowWords'; readonly words: readonly string[] }
  | { readonly kind: 'stopAllowing'; readonly words: readonly string[] }
  /** Words, small letters, that are something else than was found; null leaves them to what was found. */
  | { readonly kind: 'setWordKind'; readonly words: readonly string[]; readonly as: WordKind | null }
  /** Names, as they are labelled, that are of something else than was found; null leaves them to what was found. */
  | { readonly kind: 'setNameKind'; readonly names: readonly string[]; readonly as: NameKind | null }
  | { readonly kind: 'mergeConcepts'; readonly into: string; readonly keys: readonly string[] }
  /** Several merges at once, as from a list of synonyms. */
  | {
      readonly kind: 'mergeMany';
      readonly groups: readonly { readonly into: string; readonly keys: readonly string[] }[];
    }
  /** A suggested merge that is refused for good: the two keys, sorted. */
  | { readonly kind: 'refuseMerge'; readonly keys: readonly [string, string] }
  /** A concept’s variants are concepts of their own again; of a variant, that one alone. */
  | { readonly kind: 'splitConcept'; readonly key: string }
  | { readonly kind: 'renameConcept'; readonly key: string; readonly label: string };

const KIND_WORDS: Readonly<Record<WordKind, string>> = {
  noun: 'a noun',
  verb: 'a verb',
  adjective: 'an adjective',
  other: 'none of these',
  name: 'a name',
};

const NAME_KIND_WORDS: Readonly<Record<NameKind, string>> = {
  person: 'a person',
  place: 'a place',
  organisation: 'an organisation',
  other: 'none of these',
};

export const WORD_SAY: Sayers<WordDecision> = {
  keepConcepts: (decision) => `keep ${few(decision.keys)}`,
  dropConcepts: (decision) => `drop ${few(decision.keys)}`,
  leaveConcepts: (decision) => `leave ${few(decision.keys)} to the selection`,
  addStopWords: (decision) => `stop ${few(decision.words)}`,
  neverShow: (decision) => `never show ${few([...decision.words, ...decision.phrases])}`,
  removeStopWords: (decision) => `take ${few(decision.words)} off the stop list`,
  allowWords: (decision) => `let ${few(decision.words)} back in`,
  stopAllowing: (decision) => `leave ${few(decision.words)} to the stop list`,
  setWordKind: (decision) =>
    decision.as === null
      ? `leave what ${few(decision.words)} is to what was found`
      : `take ${few(decision.words)} for ${KIND_WORDS[decision.as]}`,
  setNameKind: (decision) =>
    decision.as === null
      ? `leave what ${few(decision.names)} is to what was found`
      : `take ${few(decision.names)} for ${NAME_KIND_WORDS[decision.as]}`,
  mergeConcepts: (decision) => `merge ${few(decision.keys)} into ${decision.into}`,
  mergeMany: (decision) => `merge by a list of ${decision.groups.length}`,
  refuseMerge: (decision) => `keep ${decision.keys[0]} and ${decision.keys[1]} apart`,
  splitConcept: (decision) => `split ${decision.key}`,
  renameConcept: (decision) => `call ${decision.key} ${decision.label}`,
};

/** What a file may hold of them; handed what checks, which the page does without until something is decided. */
export const wordDecisionSchemas = ({
  Joi,
  text,
  keys,
  concept,
  wordKind,
  nameKind,
}: SchemaFields): FieldsOf<WordDecision> => ({
  keepConcepts: { keys: keys.required() },
  dropConcepts: { keys: keys.required() },
  leaveConcepts: { keys: keys.required() },
  addStopWords: { words: keys.required() },
  neverShow: { words: keys.required(), phrases: keys.required() },
  removeStopWords: { words: keys.required() },
  allowWords: { words: keys.required() },
  stopAllowing: { words: keys.required() },
  setWordKind: { words: keys.required(), as: wordKind.allow(null).required() },
  setNameKind: { names: keys.required(), as: nameKind.allow(null).required() },
  mergeConcepts: { into: concept.required(), keys: keys.required() },
  mergeMany: {
    groups: Joi.array()
      .items(Joi.object({ into: concept.required(), keys: keys.required() }))
      .min(1)
      .max(100_000)
      .required(),
  },
  refuseMerge: { keys: Joi.array().items(concept).length(2).required() },
  splitConcept: { key: concept.required() },
  renameConcept: { key: concept.required(), label: text.required() },
});
