import { parseNeighbours, type Neighbours } from './neighbours.ts';

/** Parts of speech a concept may have; what is none of them is `other`. */
export const PARTS_OF_SPEECH = ['noun', 'verb', 'adjective', 'other'] as const;
export type PartOfSpeech = (typeof PARTS_OF_SPEECH)[number];
export const NOUN = 0;
export const VERB = 1;
export const ADJECTIVE = 2;
export const OTHER_PART = 3;

/** How often each part of speech was met, indexed as `PARTS_OF_SPEECH`; −1 where the word has no such sense. */
export type Senses = readonly [noun: number, verb: number, adjective: number, other: number];

/** The English words of WordNet 3.1 with their sense counts, and irregular forms. */
export interface Lexicon {
  readonly senses: ReadonlyMap<string, Senses>;
  /** Irregular form → lemma, for noun, verb and adjective. */
  readonly irregular: readonly [
    ReadonlyMap<string, string>,
    ReadonlyMap<string, string>,
    ReadonlyMap<string, string>,
  ];
  /** What some names are of, small letters. */
  readonly names: LexiconNames;
  readonly neighbours: Neighbours;
}

/** Names WordNet knows: its instances of people and places, and what its people are called by first. */
export interface LexiconNames {
  readonly first: ReadonlySet<string>;
  /** People known by one name, as by their surname. */
  readonly person: ReadonlySet<string>;
  readonly place: ReadonlySet<string>;
}

const PART_OF_LETTER: ReadonlyMap<string, number> = new Map([
  ['n', NOUN],
  ['v', VERB],
  ['a', ADJECTIVE],
  ['r', OTHER_PART],
]);

/** Reads core/lexicon/english.txt, whose form the script that makes it describes. */
export function parseLexicon(text: string): Lexicon {
  const senses = new Map<string, Senses>();
  const irregular = [
    new Map<string, string>(),
    new Map<string, string>(),
    new Map<string, string>(),
  ] as const;
  const lines = text.split('\n');
  let i = 0;
  for (; i < lines.length && lines[i] !== '%'; i++) {
    const line = lines[i];
    const gap = line.indexOf(' ');
    const counts: [number, number, number, number] = [-1, -1, -1, -1];
    let part = -1;
    for (let c = gap + 1; c < line.length; c++) {
      const code = line.charCodeAt(c);
      if (code >= 97) {
        part = PART_OF_LETTER.get(line[c]) ?? OTHER_PART;
        counts[part] = 0;
      } else {
        counts[part] = counts[part] * 10 + code - 48;
      }
    }
    senses.set(line.slice(0, gap), counts);
  }
  for (i++; i < lines.length && lines[i] !== '%'; i++) {
    const [form, letter, lemma] = lines[i].split(' ');
    if (lemma) irregular[PART_OF_LETTER.get(letter) ?? OTHER_PART]?.set(form, lemma);
  }
  const names = new Map<string, ReadonlySet<string>>();
  for (i++; i < lines.length && lines[i] !== '%'; i++) {
    const gap = lines[i].indexOf(' ');
    if (gap > 0) names.set(lines[i].slice(0, gap), new Set(lines[i].slice(gap + 1).split(',')));
  }
  const namesOf = (kind: keyof LexiconNames): ReadonlySet<string> => names.get(kind) ?? new Set();
  return {
    senses,
    irregular,
    names: { first: namesOf('first'), person: namesOf('person'), place: namesOf('place') },
    neighbours: parseNeighbours(lines.slice(i + 1).filter((line) => line !== '')),
  };
}

/** Endings to try, as WordNet's own morphology has them: [ending, what stands in its place]. */
const DETACHMENTS: readonly (readonly (readonly [string, string])[])[] = [
  [
    ['s', ''],
    ['ses', 's'],
    ['ves', 'f'],
    ['xes', 'x'],
    ['zes', 'z'],
    ['ches', 'ch'],
    ['shes', 'sh'],
    ['men', 'man'],
    ['ies', 'y'],
  ],
  [
    ['s', ''],
    ['ies', 'y'],
    ['es', 'e'],
    ['es', ''],
    ['ed', 'e'],
    ['ed', ''],
    ['ing', 'e'],
    ['ing', ''],
  ],
  [
    ['er', ''],
    ['est', ''],
    ['er', 'e'],
    ['est', 'e'],
  ],
];

/**
 * The lemma of a small-letter form as a noun, verb or adjective, or undefined where the lexicon knows it as none:
 * irregular forms first, then the form itself and what is left when an ending is taken off, whichever was met most.
 */
export function lemmaOf(lexicon: Lexicon, form: string, part: number): string | undefined {
  if (part > ADJECTIVE) return lexicon.senses.has(form) ? form : undefined;
  const irregular = lexicon.irregular[part].get(form);
  if (irregular !== undefined && (lexicon.senses.get(irregular)?.[part] ?? -1) >= 0) return irregular;
  let best: string | undefined;
  let most = -1;
  const consider = (candidate: string): void => {
    const met = lexicon.senses.get(candidate)?.[part] ?? -1;
    if (met > most) {
      most = met;
      best = candidate;
    }
  };
  consider(form);
  for (const [ending, instead] of DETACHMENTS[part]) {
    if (form.length > ending.length + 1 && form.endsWith(ending)) {
      if (ending === 's' && form.endsWith('ss')) continue;
      consider(form.slice(0, form.length - ending.length) + instead);
    }
  }
  return best;
}

/** A lexicon decides alone when one part of speech was met this many times as often as all others together. */
const CLEAR_MAJORITY = 60;
/** … and at least this often. */
const ENOUGH_MET = 12;

/** How often a form was met as each part of speech, by its lemma as that part; −1 where it is none. */
export function sensesOfForm(lexicon: Lexicon, form: string): Senses {
  const met: [number, number, number, number] = [-1, -1, -1, -1];
  for (let part = NOUN; part <= OTHER_PART; part++) {
    const lemma = lemmaOf(lexicon, form, part);
    if (lemma !== undefined) met[part] = lexicon.senses.get(lemma)?.[part] ?? -1;
  }
  return met;
}

/** How often a form with these senses was met in all. */
const usesIn = (senses: Senses): number => senses.reduce((sum, met) => sum + Math.max(0, met), 0);

/** The part of speech a form with these senses has, or −1 where only the sentence can tell. */
export function clearPart(senses: Senses): number {
  const uses = usesIn(senses);
  for (let part = NOUN; part <= OTHER_PART; part++) {
    const met = senses[part];
    if (met < 0) continue;
    if (senses.every((other, each) => each === part || other < 0)) return part;
    if (met >= ENOUGH_MET && met > CLEAR_MAJORITY * (uses - met)) return part;
  }
  return -1;
}

/** The part a form was met as most, where no sentence can be asked; an unknown word is taken for a noun. */
export function likeliestPart(senses: Senses): number {
  let best = NOUN;
  for (let part = NOUN; part <= OTHER_PART; part++) if (senses[part] > senses[best]) best = part;
  return best;
}

/** The share of a form's uses in the lexicon's texts that had this part of speech. */
export function shareAs(senses: Senses, part: number): number {
  const uses = usesIn(senses);
  return uses === 0 ? 0 : Math.max(0, senses[part]) / uses;
}
