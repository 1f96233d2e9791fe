import Joi from 'joi';
import { ATTRIBUTE_TYPES } from '../study/attributes.ts';
import { WORD_KINDS } from '../text/parts-of-speech.ts';
import { LANGUAGES } from '../text/language-names.ts';

export const text = Joi.string().allow('').max(1000);
export const key = Joi.string().min(1).max(1000);
export const keys = Joi.array().items(key).max(100_000);
export const whole = Joi.number().integer();
export const letter = Joi.string().pattern(/^[A-Z]{1,4}$/);
export const id = Joi.string().pattern(/^[A-Za-z0-9_-]{1,64}$/);
const share = Joi.number().min(0).max(1);
const pieces = Joi.array().items(Joi.array().ordered(whole.min(0).required(), whole.min(0).required()));
const wordKind = Joi.valid(...WORD_KINDS);
const attributeType = Joi.valid(...ATTRIBUTE_TYPES);
const condition = Joi.alternatives().conditional('.kind', {
  is: 'values',
  then: Joi.object({
    kind: Joi.valid('values').required(),
    attribute: key.required(),
    values: Joi.array().items(text).max(10_000).required(),
  }),
  otherwise: Joi.object({
    kind: Joi.valid('range').required(),
    attribute: key.required(),
    from: text.required(),
    to: text.required(),
  }),
});
const subset = Joi.array().items(condition).max(100);

const ACTIONS: Record<string, Joi.PartialSchemaMap> = {
  tags: {},
  timestamps: {},
  remarks: { round: Joi.boolean().required() },
  lines: { pattern: Joi.string().allow('').max(500).required() },
  hyphens: {},
  lineBreaks: {},
  addresses: {},
  handles: { keepWord: Joi.boolean().required() },
  hashtags: { keepWord: Joi.boolean().required() },
  replace: {
    find: Joi.string().allow('').max(500).required(),
    isPattern: Joi.boolean().required(),
    wholeWords: Joi.boolean().required(),
    matchCase: Joi.boolean().required(),
    replacement: Joi.string().allow('').max(500).required(),
  },
  typography: {},
  symbols: { which: Joi.valid('emoji', 'symbols', 'both').required() },
  numbers: { inWords: Joi.boolean().required() },
  punctuation: { marks: Joi.string().allow('').max(200).required() },
  accents: {},
  repeats: { keep: Joi.valid(1, 2).required() },
  case: {},
  short: { letters: whole.min(1).max(40).required() },
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
const attributes = Joi.object().pattern(key, Joi.string().allow('').max(10_000));
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
    phraseMentions: whole.min(2),
    phraseNpmi: Joi.number().min(-1).max(1),
    listedStopWords: Joi.boolean(),
    size: whole.min(1).max(2000),
    minimumMentions: whole.min(1),
    minimumSources: whole.min(1),
    maximumSourceShare: share,
    minimumLetters: whole.min(1).max(40),
    minimumPull: Joi.number().min(0).max(100),
  },
  windows: {
    unit: Joi.valid('sentences', 'words', 'paragraph', 'turn', 'source'),
    size: whole.min(1).max(1000),
    acrossParagraphs: Joi.boolean(),
  },
  links: {
    measure: Joi.valid('npmi', 'jaccard', 'cosine', 'count'),
    cutOff: Joi.number().min(-1),
    minimumTogether: whole.min(1),
    maximumQ: share,
  },
  themes: {
    resolution: Joi.alternatives(Joi.valid('auto'), Joi.number().min(0.01).max(100)),
    runs: whole.min(1).max(500),
    seed: whole,
  },
  map: { shownLinks: whole.min(0), shownBridges: whole.min(0) },
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
  wordKinds: Joi.object().pattern(key, wordKind).required(),
  kept: keys.required(),
  dropped: keys.required(),
  merges: Joi.object().pattern(key, key).required(),
  conceptLabels: Joi.object().pattern(key, text).required(),
});

const PARTS: Record<string, Joi.PartialSchemaMap> = {
  renameStudy: { title: key.required() },
  addSources: {
    sources: Joi.array().items(source).min(1).max(100_000).required(),
    note: Joi.string().allow('').max(10_000),
    types: Joi.object().pattern(key, attributeType),
  },
  splitSources: {
    parts: Joi.object().pattern(id, Joi.array().items(source).min(1).max(100_000)).required(),
  },
  setCuts: { cuts: Joi.object().pattern(id, pieces).required() },
  removeSources: { ids: Joi.array().items(id).min(1).required() },
  setAttribute: {
    ids: Joi.array().items(id).min(1).required(),
    attribute: key.required(),
    value: Joi.string().allow('').max(10_000).required(),
  },
  setValues: {
    values: Joi.object()
      .pattern(key, Joi.object().pattern(id, Joi.string().allow('').max(10_000)))
      .required(),
  },
  setAttributeType: { attribute: key.required(), type: attributeType.required() },
  renameAttribute: { attribute: key.required(), name: key.required() },
  removeAttribute: { attribute: key.required() },
  setSources: { change: settingsChange('sources') },
  keepSubset: { name: key.required(), subset: subset.required() },
  forgetSubset: { name: key.required() },
  applyRecipe: { recipe: recipeSchema.required() },
  setSpeakers: { change: settingsChange('speakers') },
  setCleaning: { steps: steps.required(), what: text.required() },
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
  mergeConcepts: { into: key.required(), keys: keys.required() },
  mergeMany: {
    groups: Joi.array()
      .items(Joi.object({ into: key.required(), keys: keys.required() }))
      .min(1)
      .max(100_000)
      .required(),
  },
  refuseMerge: { keys: Joi.array().items(key).length(2).required() },
  splitConcept: { key: key.required() },
  renameConcept: { key: key.required(), label: text.required() },
  setWindows: { change: settingsChange('windows') },
  setLinks: { change: settingsChange('links') },
  setThemes: { change: settingsChange('themes') },
  renameTheme: { letter: letter.required(), name: text.required() },
  setMap: { change: settingsChange('map') },
  setCompare: { change: settingsChange('compare') },
};

/** A decision of any kind (study/decisions.ts). */
export const decisionSchema = byKind(PARTS);
