import { MEASURE_NAMES } from '../network/measures.ts';
import { WINDOW_UNIT_NAMES } from '../network/windows.ts';
import Joi from 'joi';
import type { Decision } from '../study/decisions.ts';
import { ATTRIBUTE_TYPES } from '../study/attributes.ts';
import { LONGEST, RANGES, type NumberRange } from '../study/limits.ts';
import { WORD_KINDS } from '../text/parts-of-speech.ts';
import { LANGUAGES } from '../text/language-names.ts';

export const text = Joi.string().allow('').max(LONGEST.name);
export const key = Joi.string().min(1).max(LONGEST.name);
/** A concept's key, or a word of it. */
const concept = Joi.string().min(1).max(LONGEST.concept);
export const keys = Joi.array().items(concept).max(100_000);
export const whole = Joi.number().integer();
const value = Joi.string().allow('').max(LONGEST.value);
const pattern = Joi.string().allow('').max(LONGEST.pattern);
const ranged = ({ min, max, whole: isWhole }: NumberRange): Joi.NumberSchema =>
  (isWhole ? Joi.number().integer() : Joi.number()).min(min).max(max);
export const letter = Joi.string().pattern(/^[A-Z]{1,4}$/);
export const id = Joi.string().pattern(/^[A-Za-z0-9_-]{1,64}$/);
const pieces = Joi.array().items(Joi.array().ordered(whole.min(0).required(), whole.min(0).required()));
const wordKind = Joi.valid(...WORD_KINDS);
const attributeType = Joi.valid(...ATTRIBUTE_TYPES);
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
const subset = Joi.array().items(condition).max(100);

const ACTIONS: Record<string, Joi.PartialSchemaMap> = {
  tags: {},
  timestamps: {},
  remarks: { round: Joi.boolean().required() },
  lines: { pattern: pattern.required() },
  hyphens: {},
  lineBreaks: {},
  addresses: {},
  handles: { keepWord: Joi.boolean().required() },
  hashtags: { keepWord: Joi.boolean().required() },
  replace: {
    find: pattern.required(),
    isPattern: Joi.boolean().required(),
    wholeWords: Joi.boolean().required(),
    matchCase: Joi.boolean().required(),
    replacement: pattern.required(),
  },
  typography: {},
  symbols: { which: Joi.valid('emoji', 'symbols', 'both').required() },
  numbers: { inWords: Joi.boolean().required() },
  punctuation: { marks: Joi.string().allow('').max(LONGEST.marks).required() },
  accents: {},
  repeats: { keep: Joi.valid(1, 2).required() },
  case: {},
  short: { letters: ranged(RANGES.shortLetters).required() },
  space: {},
};
const byKind = (parts: Record<string, Joi.PartialSchemaMap>, shared: Joi.PartialSchemaMap = {}): Joi.Schema =>
  Joi.alternatives().conditional('.kind', {
    switch: Object.entries(parts).map(([kind, own]) => ({
      is: kind,
      then: Joi.object({ kind: Joi.valid(kind).required(), ...shared, ...own }),
    })),
    otherwise: Joi.object({ kind: Joi.valid(...Object.keys(parts)).required() }),
  });
const steps = Joi.array()
  .items(byKind(ACTIONS, { id: key.required(), on: Joi.boolean().required() }))
  .unique('id')
  .max(100);
const attributes = Joi.object().pattern(key, value);
const source = Joi.object({
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
  sources: { subset, dateOrder: Joi.valid('dmy', 'mdy', null) },
  speakers: { leftOut: Joi.array().items(text), roles: Joi.object().pattern(text, text) },
  cleaning: { steps },
  concepts: {
    language: Joi.valid('auto', ...Object.keys(LANGUAGES)),
    unit: Joi.valid('lemma', 'stem', 'form'),
    nouns: Joi.boolean(),
    verbs: Joi.boolean(),
    adjectives: Joi.boolean(),
    names: Joi.boolean(),
    numbers: Joi.boolean(),
    phrases: Joi.boolean(),
    phraseMentions: ranged(RANGES.phraseMentions),
    phraseNpmi: ranged(RANGES.phraseNpmi),
    listedStopWords: Joi.boolean(),
    size: ranged(RANGES.size),
    minimumMentions: ranged(RANGES.minimumMentions),
    minimumSources: ranged(RANGES.minimumSources),
    maximumSourceShare: ranged(RANGES.maximumSourceShare),
    minimumLetters: ranged(RANGES.minimumLetters),
    minimumPull: ranged(RANGES.minimumPull),
  },
  windows: {
    unit: Joi.valid(...WINDOW_UNIT_NAMES),
    size: ranged(RANGES.windowSize),
    acrossParagraphs: Joi.boolean(),
  },
  links: {
    measure: Joi.valid(...MEASURE_NAMES),
    cutOff: ranged(RANGES.cutOff),
    minimumTogether: ranged(RANGES.minimumTogether),
    maximumQ: ranged(RANGES.maximumQ),
  },
  themes: {
    resolution: Joi.alternatives(Joi.valid('auto'), ranged(RANGES.resolution)),
    runs: ranged(RANGES.runs),
    seed: ranged(RANGES.seed),
  },
  map: { shownLinks: ranged(RANGES.shownLinks), shownBridges: ranged(RANGES.shownBridges) },
  compare: { attribute: text, order: Joi.valid('share', 'difference') },
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
  kept: keys.required(),
  dropped: keys.required(),
  merges: Joi.object().pattern(concept, concept).required(),
  conceptLabels: Joi.object().pattern(concept, text).required(),
});

const PARTS: Record<string, Joi.PartialSchemaMap> = {
  renameStudy: { title: key.required() },
  addSources: {
    // None are left where a study file was opened without those that were damaged.
    sources: Joi.array().items(source).max(100_000).required(),
    note: Joi.string().allow('').max(LONGEST.remark),
    types: Joi.object().pattern(key, attributeType),
  },
  splitSources: {
    parts: Joi.object().pattern(id, Joi.array().items(source).max(100_000)).required(),
  },
  setCuts: { cuts: Joi.object().pattern(id, pieces).required() },
  removeSources: { ids: Joi.array().items(id).required() },
  setAttribute: {
    ids: Joi.array().items(id).required(),
    attribute: key.required(),
    value: value.required(),
  },
  setValues: {
    values: Joi.object().pattern(key, Joi.object().pattern(id, value)).required(),
  },
  setAttributeType: { attribute: key.required(), type: attributeType.required() },
  renameAttribute: { attribute: key.required(), name: key.required() },
  removeAttribute: { attribute: key.required() },
  setSources: { change: settingsChange('sources') },
  keepSubset: { name: key.required(), subset: subset.required() },
  forgetSubset: { name: key.required() },
  applyRecipe: { recipe: recipeSchema.required() },
  setSpeakers: { change: settingsChange('speakers') },
  setCleaning: { steps: steps.required(), what: Joi.string().allow('').max(LONGEST.remark).required() },
  setConcepts: { change: settingsChange('concepts') },
  keepConcepts: { keys: keys.required() },
  dropConcepts: { keys: keys.required() },
  leaveConcepts: { keys: keys.required() },
  addStopWords: { words: keys.required() },
  neverShow: { words: keys.required(), phrases: keys.required() },
  removeStopWords: { words: keys.required() },
  allowWords: { words: keys.required() },
  stopAllowing: { words: keys.required() },
  setWordKind: { words: keys.required(), as: wordKind.allow(null).required() },
  mergeConcepts: { into: concept.required(), keys: keys.required() },
  mergeMany: {
    groups: Joi.array()
      .items(Joi.object({ into: concept.required(), keys: keys.required() }))
      .min(1)
      .max(100_000)
      .required(),
  },
  refuseMerge: { keys: Joi.array().items(concept).length(2).required() },
  splitConcept: { key: concept.required() },
  renameConcept: { key: concept.required(), label: text.required() },
  setWindows: { change: settingsChange('windows') },
  setLinks: { change: settingsChange('links') },
  setThemes: { change: settingsChange('themes') },
  renameTheme: { letter: letter.required(), name: text.required() },
  setMap: { change: settingsChange('map') },
  setCompare: { change: settingsChange('compare') },
};

/** A decision of any kind (study/decisions.ts). */
export const decisionSchema = byKind(PARTS);

/** The name that Joi, like any code that copies objects key by key, would lose. */
const LOST = '__proto__';

/** A value in which that name is another, so that what stands under it is checked as everything else is. */
function withoutLost(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutLost);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value).map(([name, inner]) => [name === LOST ? `${LOST} ` : name, withoutLost(inner)]),
  );
}

const holdsLost = (value: unknown): boolean =>
  value !== null &&
  typeof value === 'object' &&
  (Object.hasOwn(value, LOST) || Object.values(value).some(holdsLost));

/** What is wrong with a value by a schema, in a sentence's words; undefined where nothing is. The value stays as it is. */
export function faultIn(schema: Joi.Schema, value: unknown): string | undefined {
  const { error } = schema.validate(holdsLost(value) ? withoutLost(value) : value, { convert: false });
  return error?.message;
}

/** What is wrong with a decision, or undefined. */
export function decisionFault(decision: Decision): string | undefined {
  return faultIn(decisionSchema, decision);
}
