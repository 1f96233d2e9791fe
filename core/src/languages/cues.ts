/**
 * What tells parts of speech in a language without every sentence being tagged: the words that stand before nouns and before
 * verbs, and the endings of words no dictionary has.
 */
export interface Cues {
  /** After these stands a noun, or an adjective with its noun: articles, possessives, prepositions. */
  readonly beforeNouns: ReadonlySet<string>;
  /** After these stands a verb: pronouns, what negates or makes an infinitive. */
  readonly beforeVerbs: ReadonlySet<string>;
  /** Prepositions: after them stands a noun, or an infinitive. */
  readonly prepositions: ReadonlySet<string>;
  /** How infinitives end. */
  readonly infinitiveEndings: RegExp;
  /** Adverbs, conjunctions and the like that no dictionary here tells of. */
  readonly others: ReadonlySet<string>;
  /** Articles that are pronouns too, as French *la*: after a pronoun, a verb follows them. */
  readonly either: ReadonlySet<string>;
  /** Endings of unknown words, the longest telling first. */
  readonly nounEndings: RegExp;
  readonly verbEndings: RegExp;
  readonly adjectiveEndings: RegExp;
  readonly otherEndings: RegExp;
  /** Dictionary forms a plural may have, the likeliest first; what the study itself uses is taken, or the first where it is `sure`. */
  readonly singulars: (plural: string) => readonly { readonly form: string; readonly sure: boolean }[];
  /** Whether adjectives stand behind their noun as a rule, as in *salud pública*. */
  readonly nounFirst: boolean;
}

export const cueWords = (list: string): ReadonlySet<string> => new Set(list.trim().split(/\s+/));

/** Singulars by rules: [ending of the plural, what stands in its place, whether it is so as good as always]. */
export const byRules =
  (rules: readonly (readonly [RegExp, string, boolean])[]): Cues['singulars'] =>
  (plural) =>
    rules.flatMap(([ending, instead, sure]) => {
      const form = plural.replace(ending, instead);
      return form === plural || form.length < 3 ? [] : [{ form, sure }];
    });
