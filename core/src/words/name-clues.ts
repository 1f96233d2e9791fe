import { counted } from '../base/wording.ts';
import type { NameClue, NameKind } from '../concepts/name-clues.ts';
import type { KindOfName } from '../concepts/name-kinds.ts';

/** Each kind of names in words. */
export const NAME_KIND_TEXTS: Readonly<Record<NameKind, { one: string; many: string }>> = {
  person: { one: 'person', many: 'people' },
  place: { one: 'place', many: 'places' },
  organisation: { one: 'organisation', many: 'organisations' },
  other: { one: 'other', many: 'other names' },
};

/** What each clue is, as it is said of a name. */
const CLUE_TEXTS: Readonly<Record<NameClue, string>> = {
  speaks: 'it is who speaks in the texts',
  firstName: 'it begins with a first name',
  initial: 'it begins with an initial',
  knownPerson: 'WordNet has a person called so',
  knownPlace: 'WordNet has a place called so',
  placeWord: 'one of its words is of a place, as Street is',
  placeEnding: 'it ends as many places do',
  organisationWord: 'one of its words is of an organisation, as Council is',
  initialism: 'it is written in capitals',
  ofAPeople: 'it is the adjective of a people',
  feast: 'it is a feast or a season',
  title: 'Mr, Mrs or the like stands before it',
  role: 'it is called by a role, as sister or nurse',
  saying: 'it says or does something',
  who: 'who stands behind it',
  towards: 'somebody is met, asked or told so',
  possessive: 'something is its own',
  in: '“in” stands before it',
  at: '“at” stands before it',
  way: 'one goes to or from it',
  the: '“the” stands before it',
  works: 'people work there or join it',
};

/** Clues that are said, at most. */
const MOST_CLUES = 3;

/**
 * Why a name was taken for what it is.
 *
 * @example nameClueText({ clues: [{ clue: 'in', times: 3 }], … }) // '“in” stands before it (3 times)'
 */
export function nameClueText({ clues, found }: Pick<KindOfName, 'clues' | 'found'>): string {
  if (clues.length === 0) return found === 'other' ? 'nothing tells what it is of' : '';
  return clues
    .slice(0, MOST_CLUES)
    .map(({ clue, times }) => `${CLUE_TEXTS[clue]}${times > 0 ? ` (${counted(times, 'time')})` : ''}`)
    .join('; ');
}
