import type { Lexicon } from '../languages/en/lexicon.ts';
import { GIVEN_NAMES } from '../languages/en/given-names.ts';
import {
  DOINGS,
  FEASTS,
  FONDLY,
  ORGANISATION_WORDS,
  PEOPLE_ENDING,
  PLACE_BEGINNINGS,
  PLACE_ENDING,
  PLACE_WORDS,
  ROLES,
  SAYING_BEFORE,
  TITLES,
  TOWARDS,
  WAYS,
  WORKING,
  WORKS,
} from '../languages/en/name-words.ts';

/** What a name may be of. */
export const NAME_KINDS = ['person', 'place', 'organisation', 'other'] as const;
export type NameKind = (typeof NAME_KINDS)[number];

/** How much a clue says for each kind, in the order of `NAME_KINDS`; below 0 against it. */
type Votes = readonly [person: number, place: number, organisation: number, other: number];

/**
 * What tells the kind of a name, with what it says. The weights are set by hand so that one good clue is enough, and two weak
 * ones; they are judged by the names of the sample and a list of made-up ones (docs/method/concepts.md).
 */
export const NAME_CLUES = {
  /** Of the name itself. */
  speaks: [4, 0, 0, 0],
  firstName: [2.5, 0, 0, 0],
  initial: [2, 0, 0, 0],
  knownPerson: [1.2, 0, 0, 0],
  knownPlace: [0, 2.2, 0, 0],
  placeWord: [0, 4, 0, 0],
  placeEnding: [0, 1.1, 0, 0],
  organisationWord: [0, 0, 4, 0],
  initialism: [0, 0, 1.3, 0],
  ofAPeople: [0, 0, 0, 2.5],
  feast: [0, 0, 0, 20],
  /** Of what stands round it, in the share of its mentions where that stands. */
  title: [12, 0, 0, 0],
  role: [8, 0, 0, 0],
  saying: [9, 0, 0, 0],
  who: [7, 0, 0, 0],
  towards: [5, 0, 0, 0],
  possessive: [2.5, 0, 0.5, 0],
  in: [0, 7, 0.5, 0],
  at: [0, 3, 2.5, 0],
  way: [0, 4.5, 0.5, 0],
  the: [-4, 0.5, 2.2, 2.6],
  works: [0, 1.5, 7, 0],
} as const satisfies Readonly<Record<string, Votes>>;
export type NameClue = keyof typeof NAME_CLUES;

/** What the words of a name tell of it. */
export function cluesOfForm(form: string, lexicon: Lexicon | undefined): Set<NameClue> {
  const clues = new Set<NameClue>();
  const small = form.toLowerCase().replaceAll('’', "'");
  const parts = small.split(' ');
  const [first] = parts;
  if (FEASTS.has(first)) return new Set(['feast']);
  const last = parts[parts.length - 1];
  const of = parts.indexOf('of');
  if (/^\p{Lu}[\p{Lu}&.]{1,5}$/u.test(form)) clues.add('initialism');
  // What is of something is called by what stands before: the Friends of Mill Hill.
  const head = of > 0 ? parts[of - 1] : last;
  if (ORGANISATION_WORDS.has(head)) clues.add('organisationWord');
  else if (PLACE_WORDS.has(head)) clues.add('placeWord');
  if (parts.length > 1) {
    if (of < 0 && clues.size === 0 && PLACE_BEGINNINGS.has(first)) clues.add('placeWord');
    if (TITLES.has(first) || ROLES.has(first)) clues.add('role');
    if (/^\p{L}\.?$/u.test(first)) clues.add('initial');
  }
  const isThing = clues.has('organisationWord') || clues.has('placeWord');
  if (!isThing && isFirstName(first, lexicon) && of < 0) clues.add('firstName');
  if (!lexicon || isThing) return clues;
  const { names, senses } = lexicon;
  if (names.place.has(small)) clues.add('knownPlace');
  else if (parts.length === 1 && names.person.has(small)) clues.add('knownPerson');
  const isKnown = clues.has('knownPlace') || clues.has('firstName');
  if (!isKnown && parts.length === 1) {
    const stem = small.endsWith('s') ? small.slice(0, -1) : small;
    const adjective = senses.get(small)?.[2] ?? senses.get(stem)?.[2] ?? -1;
    if (adjective >= 0 && PEOPLE_ENDING.test(small)) clues.add('ofAPeople');
    else if (PLACE_ENDING.test(small)) clues.add('placeEnding');
  }
  return clues;
}

const isFirstName = (word: string, lexicon: Lexicon | undefined): boolean =>
  GIVEN_NAMES.has(word) || (lexicon?.names.first.has(word) ?? false);

/** The words round a mention of a name, small letters; '' where nothing stands beside it. */
export interface Surroundings {
  readonly before: string;
  readonly twoBefore: string;
  readonly after: string;
  /** Whether the name itself ends in a possessive. */
  readonly possessive: boolean;
}

/** What stands round one mention and tells of it. A form of address is heeded in any language, all else in English. */
export function cluesRound(
  { before, twoBefore, after, possessive }: Surroundings,
  english: boolean,
): NameClue[] {
  const clues: NameClue[] = [];
  if (TITLES.has(before)) clues.push('title');
  if (!english) return clues;
  if (ROLES.has(before) || FONDLY.has(before)) clues.push('role');
  if (DOINGS.has(after) || SAYING_BEFORE.has(before)) clues.push('saying');
  if (after === 'who' || after === 'whose') clues.push('who');
  if (possessive) clues.push('possessive');
  if (before === 'in' || before === 'within') clues.push('in');
  else if (before === 'at') clues.push(WORKING.has(twoBefore) ? 'works' : 'at');
  else if (before === 'the') clues.push('the');
  else if (WORKS.has(before) && (WORKING.has(twoBefore) || before === 'joined')) clues.push('works');
  else if (WAYS.has(before)) clues.push('way');
  else if (TOWARDS.has(before)) clues.push('towards');
  return clues;
}
