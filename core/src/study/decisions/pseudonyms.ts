import { ownValue, withoutWords } from '../../base/records.ts';
import { counted } from '../../base/wording.ts';
import type { Pseudonyms } from '../pseudonyms.ts';
import type { Appliers, FieldsOf, Sayers, SchemaFields } from './kinds.ts';

/** Decisions about what names are called in whatever leaves the study. */
export type PseudonymDecision =
  /** Names get pseudonyms; an empty one gives the name its own back. */
  {
    readonly kind: 'setPseudonyms';
    readonly change: Pseudonyms;
    /** Names that are words too: whether each is a name only where it begins with a capital. */
    readonly capital?: Readonly<Record<string, boolean>>;
  };

export const PSEUDONYM_APPLY: Appliers<PseudonymDecision> = {
  setPseudonyms: (state, { change, capital = {} }) => {
    const asked = new Set(Object.keys(change));
    return {
      ...state,
      pseudonyms: Object.fromEntries([
        ...Object.entries(withoutWords(state.pseudonyms, (name) => asked.has(name))),
        ...Object.entries(change)
          .map(([name, pseudonym]) => [name, pseudonym.trim()] as const)
          .filter(([, pseudonym]) => pseudonym !== ''),
      ]),
      capitalNames: [
        ...state.capitalNames.filter((name) => ownValue(capital, name) === undefined),
        ...Object.keys(capital).filter((name) => ownValue(capital, name) === true),
      ],
    };
  },
};

export const PSEUDONYM_SAY: Sayers<PseudonymDecision> = {
  // The record goes into the report: no name stands in it.
  setPseudonyms({ change, capital = {} }) {
    const given = Object.values(change).filter((pseudonym) => pseudonym.trim() !== '').length;
    const taken = Object.keys(change).length - given;
    if (given + taken === 0 && Object.keys(capital).length > 0)
      return Object.values(capital).includes(true)
        ? 'take a name in small letters for the word it is'
        : 'take a name for one in small letters too';
    if (given + taken === 0) return 'give pseudonyms to names that were withdrawn';
    if (given === 0) return `take the pseudonym from ${counted(taken, 'name')}`;
    return `give ${counted(given, 'name')} ${given === 1 ? 'a pseudonym' : 'pseudonyms'}`;
  },
};

/** What a file may hold of them; handed what checks, which the page does without until something is decided. */
export const pseudonymDecisionSchemas = ({ Joi, text, key }: SchemaFields): FieldsOf<PseudonymDecision> => ({
  setPseudonyms: {
    change: Joi.object().pattern(key, text).required(),
    capital: Joi.object().pattern(key, Joi.boolean()),
  },
});
