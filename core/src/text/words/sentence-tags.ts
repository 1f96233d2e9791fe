import type { Tagger } from '../../languages/tagger.ts';
import {
  ADJECTIVE,
  NOUN,
  OTHER_PART,
  clearPart,
  sensesOfForm,
  VERB,
  type Lexicon,
} from '../../languages/en/lexicon.ts';
import { ownValue } from '../../base/records.ts';

const PART_OF_TAG: Record<string, number> = { NOUN, PROPN: NOUN, VERB, ADJ: ADJECTIVE };

/**
 * What was tagged of one source: first character of a sentence → its open words – those the lexicon leaves open or does not
 * know – in their order, each followed by its
 * part of speech as one digit (an index into `PARTS_OF_SPEECH`), a space between: `run0 light2`.
 */
export type SourceTags = Map<number, string>;

/** A source whose sentences may be tagged. */
export interface TaggedSource {
  /** The hash of its text: what is found of a text holds wherever it comes in. */
  readonly textHash: string;
  readonly original: string;
}

/**
 * The parts of speech of sentences, each tagged once: a sentence is tagged by itself, so what is found holds whatever
 * else is in the study. What was found of a source can be kept outside and given back.
 */
export class SentenceTags {
  readonly #bySource = new Map<string, SourceTags>();
  readonly #fresh = new Set<string>();

  /** Whether a sentence was tagged before. */
  has(textHash: string, start: number): boolean {
    return this.#bySource.get(textHash)?.has(start) ?? false;
  }

  /** Takes the open words of the sentence of a source that begins at `start`, as `SourceTags` has them. */
  put(textHash: string, start: number, found: string): void {
    let tags = this.#bySource.get(textHash);
    if (!tags) this.#bySource.set(textHash, (tags = new Map<number, string>()));
    tags.set(start, found);
    this.#fresh.add(textHash);
  }

  /** Shows the open words of a sentence that was tagged, with their parts of speech. */
  visit(textHash: string, start: number, show: (word: string, part: number) => void): void {
    const found = this.#bySource.get(textHash)?.get(start) ?? '';
    if (found === '') return;
    for (const word of found.split(' ')) show(word.slice(0, -1), Number(word.slice(-1)));
  }

  /** Takes what was found of sources before. */
  give(tags: Iterable<readonly [textHash: string, SourceTags]>): void {
    for (const [textHash, each] of tags) this.#bySource.set(textHash, each);
  }

  /** What was found of sources since this was last asked for; all of it, of each of them. */
  takeFresh(): [textHash: string, SourceTags][] {
    const fresh = [...this.#fresh].map((textHash): [string, SourceTags] => [
      textHash,
      this.#bySource.get(textHash) ?? new Map<number, string>(),
    ]);
    this.#fresh.clear();
    return fresh;
  }
}

/**
 * Tags sentences: gives the open words of one, as `SourceTags` has them.
 *
 * @param makeTagger asked once, when the first sentence is to be tagged: a tagger takes a while to make
 */
export function sentenceTagger(
  lexicon: () => Lexicon,
  makeTagger: () => Tagger,
): (sentence: string) => string {
  let tagger: Tagger | undefined;
  const isOpen = new Map<string, boolean>();
  /** Whether only a sentence can tell what a word is; marks and white space are no words. */
  const isWordOpen = (word: string): boolean => {
    let open = isOpen.get(word);
    if (open === undefined) {
      open = /\p{L}/u.test(word) && !/\s/u.test(word) && clearPart(sensesOfForm(lexicon(), word)) < 0;
      isOpen.set(word, open);
    }
    return open;
  };
  return (sentence) => {
    tagger ??= makeTagger();
    const { words, tags } = tagger(sentence);
    const open: string[] = [];
    for (let i = 0; i < words.length; i++) {
      if (isWordOpen(words[i])) open.push(`${words[i]}${ownValue(PART_OF_TAG, tags[i]) ?? OTHER_PART}`);
    }
    return open.join(' ');
  };
}
