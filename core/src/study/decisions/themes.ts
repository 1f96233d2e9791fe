import { withoutWords } from '../../base/records.ts';
import { counted } from '../../base/wording.ts';
import type { ThemeChoices } from '../../themes/choices.ts';
import type { KeptTheme, StudyState, TopicChoices } from '../study.ts';
import { few, withLists, type Appliers, type FieldsOf, type Sayers, type SchemaFields } from './kinds.ts';

/** Decisions about themes: which concept is in which, and which themes there are. */
export type ThemeDecision =
  | { readonly kind: 'renameTheme'; readonly letter: string; readonly name: string }
  | { readonly kind: 'noteTheme'; readonly letter: string; readonly note: string }
  /** Concepts are in this theme whatever the grouping says; in none where it is empty. Words that are no concepts become some. */
  | { readonly kind: 'placeConcepts'; readonly keys: readonly string[]; readonly letter: string }
  /** Concepts are where the grouping has them. */
  | { readonly kind: 'freeConcepts'; readonly keys: readonly string[] }
  | { readonly kind: 'joinThemes'; readonly letters: readonly string[]; readonly into: string }
  /** What was joined to a theme is apart from it again. */
  | { readonly kind: 'partTheme'; readonly letter: string }
  /** A theme keeps just these concepts. */
  | { readonly kind: 'lockTheme'; readonly letter: string; readonly keys: readonly string[] }
  | { readonly kind: 'unlockTheme'; readonly letter: string }
  /** Themes of the researcher’s own, round some words; with `grows`, the grouping adds what belongs to them. */
  | {
      readonly kind: 'beginThemes';
      readonly themes: readonly { readonly letter: string; readonly keys: readonly string[] }[];
      readonly grows: boolean;
    }
  | { readonly kind: 'endTheme'; readonly letter: string }
  /** A theme’s concepts take no part in the grouping. */
  | {
      readonly kind: 'setThemeAside';
      readonly letter: string;
      readonly name: string;
      readonly keys: readonly string[];
    }
  | { readonly kind: 'takeThemeBack'; readonly letter: string }
  /** The themes as they are, under a name, to be laid beside what there is later. */
  | { readonly kind: 'keepGrouping'; readonly name: string; readonly themes: readonly KeptTheme[] }
  | { readonly kind: 'forgetGrouping'; readonly name: string }
  /** What is changed of the topic model. */
  | { readonly kind: 'setTopics'; readonly change: Partial<TopicChoices> };

const changed = (state: StudyState, change: Partial<ThemeChoices>): StudyState => ({
  ...state,
  themeChoices: { ...state.themeChoices, ...change },
});

/** The record without one word, or with it at another value. */
const without = <V>(record: Readonly<Record<string, V>>, word: string): Readonly<Record<string, V>> =>
  withoutWords(record, (each) => each === word);

const named = (
  record: Readonly<Record<string, string>>,
  letter: string,
  text: string,
): Readonly<Record<string, string>> => {
  const said = text.trim();
  return said === '' ? without(record, letter) : { ...record, [letter]: said };
};

/** Words that are put in a theme are concepts, whatever their figures. */
function kept(state: StudyState, keys: readonly string[]): StudyState {
  const there = new Set(state.kept);
  const more = keys.filter((key) => !there.has(key));
  const asked = new Set(keys);
  return {
    ...state,
    kept: more.length === 0 ? state.kept : [...state.kept, ...new Set(more)],
    dropped: state.dropped.filter((key) => !asked.has(key)),
  };
}

export const THEME_APPLY: Appliers<ThemeDecision> = {
  renameTheme: (state, { letter, name }) => ({ ...state, themeNames: named(state.themeNames, letter, name) }),
  noteTheme: (state, { letter, note }) =>
    changed(state, { notes: named(state.themeChoices.notes, letter, note) }),
  placeConcepts: withLists((state, { keys, letter }) => {
    const placed = { ...state.themeChoices.placed, ...Object.fromEntries(keys.map((key) => [key, letter])) };
    return changed(letter === '' ? state : kept(state, keys), { placed });
  }),
  freeConcepts(state, { keys }) {
    const asked = new Set(keys);
    return changed(state, { placed: withoutWords(state.themeChoices.placed, (key) => asked.has(key)) });
  },
  joinThemes(state, { letters, into }) {
    const from = letters.filter((letter) => letter !== into);
    // What was joined to one of them the other way round would make a ring.
    const joined = without(state.themeChoices.joined, into);
    return changed(state, {
      joined: { ...joined, ...Object.fromEntries(from.map((letter) => [letter, into])) },
    });
  },
  partTheme: (state, { letter }) =>
    changed(state, {
      joined: Object.fromEntries(
        Object.entries(state.themeChoices.joined).filter(([, into]) => into !== letter),
      ),
    }),
  lockTheme: withLists((state, { letter, keys }) =>
    changed(kept(state, keys), { locked: { ...state.themeChoices.locked, [letter]: keys } }),
  ),
  unlockTheme: (state, { letter }) => changed(state, { locked: without(state.themeChoices.locked, letter) }),
  beginThemes: withLists((state, { themes, grows }) => {
    const all = themes.flatMap(({ keys }) => keys);
    const asked = new Set(all);
    const { begun, placed } = state.themeChoices;
    return changed(kept(state, all), {
      begun: { ...begun, ...Object.fromEntries(themes.map(({ letter, keys }) => [letter, { keys, grows }])) },
      placed: withoutWords(placed, (key) => asked.has(key)),
    });
  }),
  endTheme: (state, { letter }) => changed(state, { begun: without(state.themeChoices.begun, letter) }),
  setThemeAside: (state, { letter, name, keys }) =>
    changed(state, { aside: { ...state.themeChoices.aside, [letter]: { name, keys } } }),
  takeThemeBack: (state, { letter }) => changed(state, { aside: without(state.themeChoices.aside, letter) }),
  keepGrouping: (state, { name, themes }) => ({
    ...state,
    groupings: Object.fromEntries([
      ...Object.entries(state.groupings).filter(([each]) => each !== name),
      [name, themes],
    ]),
  }),
  forgetGrouping: (state, { name }) => ({ ...state, groupings: without(state.groupings, name) }),
  setTopics: (state, { change }) => ({ ...state, topicChoices: { ...state.topicChoices, ...change } }),
};

export const THEME_SAY: Sayers<ThemeDecision> = {
  renameTheme: ({ letter }) => `name theme ${letter}`,
  noteTheme: ({ letter }) => `say what theme ${letter} is`,
  placeConcepts: ({ keys, letter }) =>
    letter === '' ? `take ${few(keys)} out of its theme` : `put ${few(keys)} in theme ${letter}`,
  freeConcepts: ({ keys }) => `leave ${few(keys)} to the grouping`,
  joinThemes: ({ letters, into }) => `join ${few(letters)} to theme ${into}`,
  partTheme: ({ letter }) => `part what was joined to theme ${letter}`,
  lockTheme: ({ letter }) => `lock theme ${letter}`,
  unlockTheme: ({ letter }) => `unlock theme ${letter}`,
  beginThemes: ({ themes }) =>
    themes.length === 1
      ? `begin a theme with ${few(themes[0].keys)}`
      : `begin ${counted(themes.length, 'theme')}`,
  endTheme: ({ letter }) => `leave theme ${letter} to the grouping`,
  setThemeAside: ({ letter }) => `set theme ${letter} aside`,
  takeThemeBack: ({ letter }) => `take theme ${letter} back`,
  keepGrouping: ({ name }) => `keep the themes as ${name}`,
  forgetGrouping: ({ name }) => `forget the themes kept as ${name}`,
  setTopics: () => 'change the topics',
};

/** What a file may hold of them; handed what checks, which the page does without until something is decided. */
export const themeDecisionSchemas = ({
  Joi,
  text,
  key,
  keys,
  letter,
  concept,
}: SchemaFields): FieldsOf<ThemeDecision> => ({
  renameTheme: { letter: letter.required(), name: text.required() },
  noteTheme: { letter: letter.required(), note: text.required() },
  placeConcepts: { keys: keys.required(), letter: letter.allow('').required() },
  freeConcepts: { keys: keys.required() },
  joinThemes: { letters: Joi.array().items(letter).min(1).max(1000).required(), into: letter.required() },
  partTheme: { letter: letter.required() },
  lockTheme: { letter: letter.required(), keys: keys.required() },
  unlockTheme: { letter: letter.required() },
  beginThemes: {
    themes: Joi.array()
      .items(Joi.object({ letter: letter.required(), keys: keys.required() }))
      .min(1)
      .max(1000)
      .required(),
    grows: Joi.boolean().required(),
  },
  endTheme: { letter: letter.required() },
  setThemeAside: { letter: letter.required(), name: text.required(), keys: keys.required() },
  takeThemeBack: { letter: letter.required() },
  keepGrouping: {
    name: key.required(),
    themes: Joi.array()
      .items(Joi.object({ letter: letter.required(), label: text.required(), keys: keys.required() }))
      .min(1)
      .max(1000)
      .required(),
  },
  forgetGrouping: { name: key.required() },
  setTopics: {
    change: Joi.object({
      count: Joi.number().integer().min(2).max(200).allow(null),
      asWritten: Joi.boolean(),
      leftOut: keys,
      own: Joi.array().items(keys).max(200),
      names: Joi.object().pattern(concept, text),
    })
      .min(1)
      .required(),
  },
});
