import { largest } from '../base/extent.ts';
import { ADJECTIVE, NOUN, OTHER_PART, VERB } from './en/lexicon.ts';

/** What a form can be: a part of speech (index into `PARTS_OF_SPEECH`) with its dictionary form. */
export interface Reading {
  readonly part: number;
  readonly lemma: string;
}

/** The forms of a language's words. */
export interface WordForms {
  /** What a form can be, as it is written; empty where it is not known. */
  readonly readingsOf: (form: string) => readonly Reading[];
  /** Whether a word is none of these parts, as an adverb is. */
  readonly isOther: (form: string) => boolean;
}

const PART_OF_LETTER: ReadonlyMap<string, number> = new Map([
  ['n', NOUN],
  ['v', VERB],
  ['a', ADJECTIVE],
]);

interface Paradigm {
  readonly part: number;
  readonly lemmaEnding: string;
  readonly endings: ReadonlySet<string>;
}

/** Reads core/lexicon/german.txt and those of its form, which the script that makes them describes. */
export function parseWordForms(text: string): WordForms {
  const [paradigmLines, stemLines, singleLines, otherLines] = text
    .split('\n%\n')
    .map((block) => block.split('\n').filter((line) => line !== ''));
  const paradigms = paradigmLines.map((line): Paradigm => {
    const [lemmaEnding, ...endings] = line.slice(2).split(',');
    return {
      part: PART_OF_LETTER.get(line[0]) ?? OTHER_PART,
      lemmaEnding,
      endings: new Set([lemmaEnding, ...endings]),
    };
  });
  const longest = largest(
    paradigms.flatMap(({ endings }) => [...endings].map(({ length }) => length)),
    0,
  );
  const ofStem = new Map<string, string>();
  let stem = '';
  for (const line of stemLines) {
    const gap = line.lastIndexOf(' ');
    stem = stem.slice(0, line.charCodeAt(0) - 48) + line.slice(1, gap);
    ofStem.set(stem, line.slice(gap + 1));
  }
  const single = new Map<string, Reading[]>();
  for (const line of singleLines) {
    const [letter, lemma, ...forms] = line.split(' ');
    const reading = { part: PART_OF_LETTER.get(letter) ?? OTHER_PART, lemma };
    for (const form of new Set([lemma, ...forms])) single.set(form, [...(single.get(form) ?? []), reading]);
  }
  const others = new Set(otherLines);
  return {
    readingsOf: (form) => {
      const found = [...(single.get(form) ?? [])];
      for (let length = 0; length <= Math.min(longest, form.length); length++) {
        const numbers = ofStem.get(form.slice(0, form.length - length));
        if (numbers === undefined) continue;
        const ending = form.slice(form.length - length);
        for (const number of numbers.split(',')) {
          const { part, lemmaEnding, endings } = paradigms[parseInt(number, 36)];
          if (endings.has(ending))
            found.push({ part, lemma: form.slice(0, form.length - length) + lemmaEnding });
        }
      }
      return found;
    },
    isOther: (form) => others.has(form),
  };
}

/** Forms that are remembered with what they can be: as many as a large collection has. */
const MOST_REMEMBERED = 200_000;

/** The same, remembering what was looked up: a word is asked for by its types, and by what it may be the plural of. */
export function remembering(forms: WordForms): WordForms {
  const found = new Map<string, readonly Reading[]>();
  return {
    ...forms,
    readingsOf: (form) => {
      let readings = found.get(form);
      if (!readings) {
        if (found.size >= MOST_REMEMBERED) found.clear();
        found.set(form, (readings = forms.readingsOf(form)));
      }
      return readings;
    },
  };
}

/** Fewest letters of the first and of the last part of a compound, and of a last part whose first need not be known. */
const FIRST_PART = 3;
const LAST_PART = 4;
const LONG_LAST_PART = 6;
/** What joins the parts of German compounds. */
export const JOINTS = ['', 's', 'es', 'n', 'en', 'er', 'e'];

/** Whether a word can be the first part of a compound: a noun, with what joins it, an adjective or a verb without its ending. */
export function isFirstPart(forms: WordForms, first: string): boolean {
  const small = first.toLowerCase();
  const isKnown = (word: string): boolean => forms.readingsOf(word).length > 0;
  return (
    isKnown(small) ||
    isKnown(`${small}en`) ||
    isKnown(`${first}e`) ||
    JOINTS.some((joint) => first.endsWith(joint) && isKnown(first.slice(0, first.length - joint.length)))
  );
}

/**
 * The same for a language whose compounds are written in one word: one that is not known is read as its last part is, the
 * longest that is a noun.
 */
export function withCompounds(simple: WordForms): WordForms {
  const forms = remembering(simple);
  return {
    ...forms,
    readingsOf: (form) => {
      const known = forms.readingsOf(form);
      const isNoun = form[0] !== form[0]?.toLowerCase();
      if (known.length > 0 || !isNoun) return known;
      for (let at = FIRST_PART; at <= form.length - LAST_PART; at++) {
        const last = form[at].toUpperCase() + form.slice(at + 1);
        const nouns = forms.readingsOf(last).filter(({ part }) => part === NOUN);
        const isCompound = last.length >= LONG_LAST_PART || isFirstPart(forms, form.slice(0, at));
        if (nouns.length > 0 && isCompound)
          return nouns.map(({ part, lemma }) => ({
            part,
            lemma: form.slice(0, at) + lemma[0].toLowerCase() + lemma.slice(1),
          }));
      }
      return known;
    },
  };
}
