import { doByKind, type ByKind } from '../../base/by-kind.ts';
import { pairOf, toldApart } from '../../concepts/spellings.ts';
import type { NameKind } from '../../concepts/name-clues.ts';
import type { WordKind } from '../../text/words/parts-of-speech.ts';
import type { WordDecision } from './words.ts';
import type { StudyState } from '../study.ts';

/** A list or record that is changed in place and made once at the end; as it was while nothing changed it. */
class Loose<Whole, Held> {
  #held: Held | undefined;
  readonly #whole: Whole;
  readonly #thaw: (whole: Whole) => Held;
  readonly #freeze: (held: Held) => Whole;

  constructor(whole: Whole, thaw: (whole: Whole) => Held, freeze: (held: Held) => Whole) {
    this.#whole = whole;
    this.#thaw = thaw;
    this.#freeze = freeze;
  }

  get held(): Held {
    return (this.#held ??= this.#thaw(this.#whole));
  }

  done(): Whole {
    return this.#held === undefined ? this.#whole : this.#freeze(this.#held);
  }
}

const list = (whole: readonly string[]): Loose<readonly string[], Set<string>> =>
  new Loose(
    whole,
    (words) => new Set(words),
    (held) => [...held],
  );

type WordRecord<V> = Readonly<Record<string, V>>;

const record = <V>(whole: WordRecord<V>): Loose<WordRecord<V>, Map<string, V>> =>
  new Loose<WordRecord<V>, Map<string, V>>(
    whole,
    (words) => new Map(Object.entries(words)),
    (held) => Object.fromEntries(held),
  );

/** Variant → concept, with the variants of each concept, so that a merge touches its own and no others. */
class Merges {
  readonly into: Map<string, string>;
  readonly #variants = new Map<string, Set<string>>();

  constructor(merges: WordRecord<string>) {
    this.into = new Map(Object.entries(merges));
    for (const [variant, into] of this.into) this.#note(variant, into);
  }

  #note(variant: string, into: string): void {
    const variants = this.#variants.get(into) ?? new Set();
    this.#variants.set(into, variants.add(variant));
  }

  remove(variant: string): void {
    const into = this.into.get(variant);
    if (into === undefined) return;
    this.into.delete(variant);
    this.#variants.get(into)?.delete(variant);
  }

  set(variant: string, into: string): void {
    const before = this.into.get(variant);
    if (before !== undefined) this.#variants.get(before)?.delete(variant);
    this.into.set(variant, into);
    this.#note(variant, into);
  }

  variantsOf(into: string): string[] {
    return [...(this.#variants.get(into) ?? [])];
  }

  merge(into: string, keys: readonly string[]): void {
    // The concept merged into counts for itself, or the variants would run in a circle.
    this.remove(into);
    for (const key of keys) if (key !== into) this.set(key, into);
    for (const key of new Set(keys)) {
      for (const variant of this.variantsOf(key)) if (variant !== into) this.set(variant, into);
    }
  }

  /** Parts a concept's variants from it, or a variant from its concept; gives the pairs that were parted. */
  split(key: string): string[] {
    const of = this.into.get(key);
    const variants = this.variantsOf(key);
    for (const variant of variants) this.remove(variant);
    this.remove(key);
    const parted = variants.map((variant) => pairOf(variant, key));
    return of === undefined ? parted : [...parted, pairOf(key, of)];
  }
}

/** The lists of words of a study while a run of decisions changes them, each in time of its own size. */
export interface LooseLists {
  /** Applies a decision about words; says whether it was one. */
  readonly apply: (decision: { readonly kind: string }) => boolean;
  /** The study with the lists as they are now. */
  readonly into: (state: StudyState) => StudyState;
}

const addAll = (to: Set<string>, words: readonly string[]): void => {
  for (const word of words) to.add(word);
};
const removeAll = (from: Set<string>, words: readonly string[]): void => {
  for (const word of words) from.delete(word);
};

/** Takes up the lists of a study, to be changed by many decisions. It gives what `decide` gives, decision by decision. */
export function looseLists(state: StudyState): LooseLists {
  const kept = list(state.kept);
  const dropped = list(state.dropped);
  const stopWords = list(state.stopWords);
  const allowed = list(state.allowedWords);
  const refused = list(state.refusedMerges);
  const kinds = record<WordKind>(state.wordKinds);
  const nameKinds = record<NameKind>(state.nameKinds);
  const labels = record<string>(state.conceptLabels);
  const merges = new Loose<WordRecord<string>, Merges>(
    state.merges,
    (whole) => new Merges(whole),
    (held) => Object.fromEntries(held.into),
  );
  const handlers: ByKind<WordDecision, void> = {
    keepConcepts({ keys }) {
      addAll(kept.held, keys);
      removeAll(dropped.held, keys);
    },
    dropConcepts({ keys }) {
      removeAll(kept.held, keys);
      addAll(dropped.held, keys);
    },
    leaveConcepts({ keys }) {
      removeAll(kept.held, keys);
      removeAll(dropped.held, keys);
    },
    addStopWords: ({ words }) => addAll(stopWords.held, words),
    neverShow({ words, phrases }) {
      removeAll(kept.held, phrases);
      addAll(dropped.held, phrases);
      addAll(stopWords.held, words);
    },
    removeStopWords: ({ words }) => removeAll(stopWords.held, words),
    allowWords({ words }) {
      addAll(allowed.held, words);
      removeAll(stopWords.held, words);
    },
    stopAllowing: ({ words }) => removeAll(allowed.held, words),
    setWordKind({ words, as }) {
      for (const word of words) kinds.held.delete(word);
      if (as !== null) for (const word of words) kinds.held.set(word, as);
    },
    setNameKind({ names, as }) {
      for (const name of names) nameKinds.held.delete(name);
      if (as !== null) for (const name of names) nameKinds.held.set(name, as);
    },
    mergeConcepts: ({ into, keys }) => merges.held.merge(into, keys),
    mergeMany({ groups }) {
      for (const { into, keys } of groups) merges.held.merge(into, keys);
    },
    refuseMerge: ({ keys }) => addAll(refused.held, [keys.join('\t')]),
    // Spellings that count for each other by themselves would do so again.
    splitConcept: ({ key }) => addAll(refused.held, toldApart(merges.held.split(key))),
    renameConcept({ key, label }) {
      const name = label.trim();
      labels.held.delete(key);
      if (name !== '' && name !== key) labels.held.set(key, name);
    },
  };
  const isWordDecision = (decision: { readonly kind: string }): decision is WordDecision =>
    Object.hasOwn(handlers, decision.kind);
  return {
    apply(decision) {
      if (!isWordDecision(decision)) return false;
      doByKind<WordDecision, void>(handlers, decision);
      return true;
    },
    into: (now) => ({
      ...now,
      kept: kept.done(),
      dropped: dropped.done(),
      stopWords: stopWords.done(),
      allowedWords: allowed.done(),
      refusedMerges: refused.done(),
      wordKinds: kinds.done(),
      nameKinds: nameKinds.done(),
      conceptLabels: labels.done(),
      merges: merges.done(),
    }),
  };
}
