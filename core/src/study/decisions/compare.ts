import { ownValue, withoutWords } from '../../base/records.ts';
import { counted } from '../../base/wording.ts';
import type { ToneEntry } from '../../compare/tone-lists.ts';
import type { GroupChoices, StudyState } from '../study.ts';
import { few, type Appliers, type FieldsOf, type Sayers, type SchemaFields } from './kinds.ts';

/** Decisions about the groups that are compared, and lists of tone. */
export type CompareDecision =
  /** Values of an attribute count as one group; so does what was joined to any of them. */
  | {
      readonly kind: 'joinGroups';
      readonly attribute: string;
      readonly values: readonly string[];
      readonly name: string;
    }
  /** The values that were joined into a group are groups of their own again. */
  | { readonly kind: 'partGroup'; readonly attribute: string; readonly name: string }
  /** Groups that are not compared: all of them, as they are to be. */
  | { readonly kind: 'leaveOutGroups'; readonly attribute: string; readonly values: readonly string[] }
  /** Groups stand in this order; those not named follow. */
  | { readonly kind: 'orderGroups'; readonly attribute: string; readonly values: readonly string[] }
  /** A tone list of the researcher’s own comes in, in place of one of the same name. */
  | { readonly kind: 'addToneList'; readonly name: string; readonly entries: readonly ToneEntry[] }
  | { readonly kind: 'removeToneList'; readonly name: string };

const NO_GROUP_CHOICES: GroupChoices = { joined: {}, leftOut: [], order: [] };

function changeGroups(
  state: StudyState,
  attribute: string,
  change: (choices: GroupChoices) => Partial<GroupChoices>,
): StudyState {
  const choices = ownValue(state.groupChoices, attribute) ?? NO_GROUP_CHOICES;
  return {
    ...state,
    groupChoices: Object.fromEntries([
      ...Object.entries(withoutWords(state.groupChoices, (word) => word === attribute)),
      [attribute, { ...choices, ...change(choices) }],
    ]),
  };
}

export const COMPARE_APPLY: Appliers<CompareDecision> = {
  joinGroups: (state, { attribute, values, name }) =>
    changeGroups(state, attribute, ({ joined, leftOut }) => {
      const asked = new Set(values);
      const already = Object.entries(joined).filter(([, into]) => !asked.has(into));
      const members = [
        ...Object.entries(joined).flatMap(([value, into]) => (asked.has(into) ? [value] : [])),
        // What others were joined into is no value of its own, unless it is one.
        ...values,
      ];
      return {
        joined: Object.fromEntries([
          ...already,
          ...members.map((value): [string, string] => [value, name.trim()]),
        ]),
        leftOut: leftOut.filter((each) => !asked.has(each)),
      };
    }),
  partGroup: (state, { attribute, name }) =>
    changeGroups(state, attribute, ({ joined }) => ({
      joined: withoutWords(joined, (_, into) => into === name),
    })),
  leaveOutGroups: (state, { attribute, values }) =>
    changeGroups(state, attribute, () => ({ leftOut: values })),
  orderGroups: (state, { attribute, values }) => changeGroups(state, attribute, () => ({ order: values })),
  addToneList: (state, { name, entries }) => ({
    ...state,
    toneLists: Object.fromEntries([
      ...Object.entries(withoutWords(state.toneLists, (each) => each === name)),
      [name, entries],
    ]),
  }),
  removeToneList: (state, { name }) => ({
    ...state,
    toneLists: withoutWords(state.toneLists, (each) => each === name),
  }),
};

export const COMPARE_SAY: Sayers<CompareDecision> = {
  joinGroups: ({ values, name }) => `join ${few(values)} as ${name}`,
  partGroup: ({ name }) => `part ${name} again`,
  leaveOutGroups: ({ values, attribute }) =>
    values.length === 0 ? `compare all groups by ${attribute}` : `leave ${few(values)} out of the comparison`,
  orderGroups: ({ attribute }) => `put the groups by ${attribute} in order`,
  addToneList: ({ name, entries }) => `add the tone list ${name} of ${counted(entries.length, 'word')}`,
  removeToneList: ({ name }) => `take away the tone list ${name}`,
};

/** What a file may hold of them; handed what checks, which the page does without until something is decided. */
export const compareDecisionSchemas = ({
  Joi,
  key,
  value,
  concept,
}: SchemaFields): FieldsOf<CompareDecision> => {
  const attribute = key.required();
  const values = Joi.array().items(value).max(100_000).required();
  return {
    joinGroups: { attribute, values: values.min(2), name: value.min(1).required() },
    partGroup: { attribute, name: value.required() },
    leaveOutGroups: { attribute, values },
    orderGroups: { attribute, values },
    addToneList: {
      name: key.required(),
      entries: Joi.array()
        .items(
          Joi.array().ordered(
            concept.required(),
            key.required(),
            Joi.number().min(-1000).max(1000).required(),
          ),
        )
        .min(1)
        .max(200_000)
        .required(),
    },
    removeToneList: { name: key.required() },
  };
};
