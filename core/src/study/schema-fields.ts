import { SHEET_NAMES } from '../base/sheets.ts';
import { NAME_KINDS } from '../concepts/name-clues.ts';
import { STRENGTH_MEASURE_NAMES } from '../compare/measures.ts';
import { COLUMN_KINDS } from './study.ts';
import { MEASURE_NAMES } from '../network/measures.ts';
import { WINDOW_UNIT_NAMES } from '../network/windows.ts';
import Joi from 'joi';
import { ATTRIBUTE_TYPES } from './attributes.ts';
import { LONGEST, RANGES } from './limits.ts';
import type { NumberRange } from '../base/ranges.ts';
import { STEPS } from '../text/cleaning/steps.ts';
import type { StepField, StepFields } from '../text/cleaning/steps/describe.ts';
import { WORD_KINDS } from '../text/words/parts-of-speech.ts';
import { LANGUAGES } from '../languages/language-names.ts';

export { Joi };

export const text = Joi.string().allow('').max(LONGEST.name);
export const key = Joi.string().min(1).max(LONGEST.name);
/** A concept's key, or a word of it. */
export const concept = Joi.string().min(1).max(LONGEST.concept);
export const keys = Joi.array().items(concept).max(100_000);
export const whole = Joi.number().integer();
export const value = Joi.string().allow('').max(LONGEST.value);
const ranged = ({ min, max, whole: isWhole }: NumberRange): Joi.NumberSchema =>
  (isWhole ? Joi.number().integer() : Joi.number()).min(min).max(max);
export const letter = Joi.string().pattern(/^[A-Z]{1,4}$/);
export const id = Joi.string().pattern(/^[A-Za-z0-9_-]{1,64}$/);
export const pieces = Joi.array().items(
  Joi.array().ordered(whole.min(0).required(), whole.min(0).required()),
);
export const wordKind = Joi.valid(...WORD_KINDS);
export const nameKind = Joi.valid(...NAME_KINDS);
export const attributeType = Joi.valid(...ATTRIBUTE_TYPES);
const condition = Joi.alternatives().conditional('.kind', {
  is: 'values',
  then: Joi.object({
    kind: Joi.valid('values').required(),
    attribute: key.required(),
    values: Joi.array().items(value).max(100_000).required(),
  }),
  otherwise: Joi.object({
    kind: Joi.valid('range').required(),
    attribute: key.required(),
    from: value.required(),
    to: value.required(),
  }),
});
export const subset = Joi.array().items(condition).max(100);

/** What a file may hold of a field of a cleaning step. */
function stepFieldSchema(field: StepField): Joi.Schema {
  switch (field.ask) {
    case 'switch':
      return Joi.boolean();
    case 'choice': {
      const values = field.options.map((option) => option.value);
      return values.every((each) => typeof each === 'boolean') ? Joi.boolean() : Joi.valid(...values);
    }
    case 'number':
      return ranged(field.range);
    case 'text':
      return Joi.string().allow('').max(field.longest);
  }
}

const mapEntries = <V, W>(record: Readonly<Record<string, V>>, of: (value: V) => W): Record<string, W> =>
  Object.fromEntries(Object.entries(record).map(([name, each]) => [name, of(each)]));
/** What is set of each kind of cleaning step. */
const STEP_PARTS = mapEntries<{ fields: StepFields }, Joi.PartialSchemaMap>(STEPS, ({ fields }) =>
  mapEntries(fields, (field) => stepFieldSchema(field).required()),
);
export const byKind = (
  parts: Record<string, Joi.PartialSchemaMap>,
  shared: Joi.PartialSchemaMap = {},
): Joi.Schema =>
  Joi.alternatives().conditional('.kind', {
    switch: Object.entries(parts).map(([kind, own]) => ({
      is: kind,
      then: Joi.object({ kind: Joi.valid(kind).required(), ...shared, ...own }),
    })),
    otherwise: Joi.object({ kind: Joi.valid(...Object.keys(parts)).required() }),
  });
export const steps = Joi.array()
  .items(byKind(STEP_PARTS, { id: key.required(), on: Joi.boolean().required() }))
  .unique('id')
  .max(100);
const attributes = Joi.object().pattern(key, value);
export const source = Joi.object({
  id: id.required(),
  name: key.required(),
  attributes: attributes.required(),
  textHash: key.required(),
  length: whole.min(0).required(),
  part: Joi.object({
    of: id.required(),
    start: whole.min(0).required(),
    end: whole.min(Joi.ref('start')).required(),
  }),
  cuts: pieces,
});
const change = (fields: Joi.PartialSchemaMap): Joi.ObjectSchema => Joi.object(fields).min(1).required();

type SettingsPart =
  'sources' | 'speakers' | 'cleaning' | 'concepts' | 'windows' | 'links' | 'themes' | 'map' | 'compare';

const SETTINGS: Readonly<Record<SettingsPart, Joi.PartialSchemaMap>> = {
  sources: { subset, dateOrder: Joi.valid('dmy', 'mdy', null), person: key.allow('', null) },
  speakers: { leftOut: Joi.array().items(text), roles: Joi.object().pattern(text, text) },
  cleaning: { steps },
  concepts: {
    language: Joi.valid('auto', ...Object.keys(LANGUAGES)),
    unit: Joi.valid('lemma', 'stem', 'form'),
    nouns: Joi.boolean(),
    verbs: Joi.boolean(),
    adjectives: Joi.boolean(),
    names: Joi.boolean(),
    nameKinds: Joi.array().items(nameKind).unique().max(NAME_KINDS.length),
    numbers: Joi.boolean(),
    phrases: Joi.boolean(),
    phraseMentions: ranged(RANGES.phraseMentions),
    phraseNpmi: ranged(RANGES.phraseNpmi),
    listedStopWords: Joi.boolean(),
    size: Joi.alternatives(Joi.valid('auto'), ranged(RANGES.size)),
    minimumMentions: Joi.alternatives(Joi.valid('auto'), ranged(RANGES.minimumMentions)),
    minimumSources: Joi.alternatives(Joi.valid('auto'), ranged(RANGES.minimumSources)),
    maximumSourceShare: ranged(RANGES.maximumSourceShare),
    minimumLetters: ranged(RANGES.minimumLetters),
    minimumPull: ranged(RANGES.minimumPull),
  },
  windows: {
    unit: Joi.valid('auto', ...WINDOW_UNIT_NAMES),
    size: Joi.alternatives(Joi.valid('auto'), ranged(RANGES.windowSize)),
    acrossParagraphs: Joi.boolean(),
    without: Joi.array().items(text).max(10_000).optional(),
    repeated: Joi.boolean().optional(),
  },
  links: {
    measure: Joi.valid(...MEASURE_NAMES),
    cutOff: ranged(RANGES.cutOff),
    minimumTogether: ranged(RANGES.minimumTogether),
    maximumQ: ranged(RANGES.maximumQ),
    standsBy: Joi.valid('either', 'meetings'),
  },
  themes: {
    resolution: Joi.alternatives(Joi.valid('auto'), ranged(RANGES.resolution)),
    runs: ranged(RANGES.runs),
    seed: ranged(RANGES.seed),
  },
  map: {
    shownLinks: ranged(RANGES.shownLinks),
    shownBridges: ranged(RANGES.shownBridges),
    sheet: Joi.valid(...SHEET_NAMES),
  },
  compare: {
    columns: Joi.valid(...COLUMN_KINDS),
    attribute: text,
    across: text,
    measure: Joi.valid(...STRENGTH_MEASURE_NAMES),
    order: Joi.valid('share', 'difference'),
    words: ranged(RANGES.stretchWords),
    interviewers: Joi.boolean(),
  },
};

/** What may be changed of a part of the settings: any of its fields. */
export function settingsChange(part: SettingsPart): Joi.ObjectSchema {
  return change(SETTINGS[part]);
}

/** A part of the settings, whole. */
const wholePart = (part: SettingsPart): Joi.ObjectSchema =>
  Joi.object(SETTINGS[part]).options({ presence: 'required' });

/** The contents of a recipe (study/recipe.ts). */
export const recipeSchema = Joi.object({
  settings: Joi.object({
    speakers: wholePart('speakers').required(),
    cleaning: wholePart('cleaning').required(),
    concepts: wholePart('concepts').required(),
    windows: wholePart('windows').required(),
    links: wholePart('links').required(),
    themes: wholePart('themes').required(),
    map: wholePart('map').required(),
  }).required(),
  stopWords: keys.required(),
  allowedWords: keys.required(),
  wordKinds: Joi.object().pattern(concept, wordKind).required(),
  nameKinds: Joi.object().pattern(concept, nameKind).required(),
  kept: keys.required(),
  dropped: keys.required(),
  merges: Joi.object().pattern(concept, concept).required(),
  conceptLabels: Joi.object().pattern(concept, text).required(),
});
