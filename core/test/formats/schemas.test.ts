import { Ajv2020 } from 'ajv/dist/2020.js';
import { expect } from 'chai';
import { strFromU8, unzipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import { writeRecipe } from '../../src/formats/recipe-file.ts';
import { readStudyFile, writeStudyFile } from '../../src/formats/study-file.ts';
import { foldDecisions, type Decision } from '../../src/study/decisions.ts';
import { makePart, makeSource } from '../../src/study/intake.ts';
import { findEntries } from '../../src/study/notebook.ts';
import { recipeOf } from '../../src/study/recipe.ts';
import { DEFAULT_SETTINGS } from '../../src/study/study.ts';
import { CLEANING_KINDS, newStep } from '../../src/text/steps.ts';

const schema = (name: string): object =>
  JSON.parse(readFileSync(new URL(`../../../docs/formats/${name}`, import.meta.url), 'utf8')) as object;
const ajv = new Ajv2020({ strict: false, validateFormats: false, allErrors: true });
const text = 'One.\n\nTwo.\n';
const source = makeSource('a.txt', text, { role: 'nurse' });
const steps = CLEANING_KINDS.map((kind) => newStep(kind, []));
const { concepts, windows, links, themes, map, compare } = DEFAULT_SETTINGS;

/** A decision of every kind. */
const EVERY: { [K in Decision['kind']]: Extract<Decision, { kind: K }> } = {
  renameStudy: { kind: 'renameStudy', title: 'T' },
  addSources: { kind: 'addSources', sources: [source], note: 'n', types: { role: 'text' } },
  setAttribute: { kind: 'setAttribute', ids: [source.id], attribute: 'place', value: 'x' },
  setValues: { kind: 'setValues', values: { age: { [source.id]: '7' } } },
  setAttributeType: { kind: 'setAttributeType', attribute: 'age', type: 'number' },
  renameAttribute: { kind: 'renameAttribute', attribute: 'age', name: 'years' },
  setCuts: { kind: 'setCuts', cuts: { [source.id]: [[0, 2]] } },
  splitSources: {
    kind: 'splitSources',
    parts: { [source.id]: [makePart(source, 'a: 1', 'One.', { start: 0, end: 4 }, {}, [[0, 1]])] },
  },
  setSources: {
    kind: 'setSources',
    change: { subset: [{ kind: 'range', attribute: 'years', from: '1', to: '' }], dateOrder: 'dmy' },
  },
  keepSubset: {
    kind: 'keepSubset',
    name: 's',
    subset: [{ kind: 'values', attribute: 'role', values: [''] }],
  },
  forgetSubset: { kind: 'forgetSubset', name: 's' },
  setSpeakers: { kind: 'setSpeakers', change: { leftOut: ['A', ''], roles: { B: 'driver' } } },
  setCleaning: { kind: 'setCleaning', steps, what: 'add all' },
  setConcepts: { kind: 'setConcepts', change: concepts },
  keepConcepts: { kind: 'keepConcepts', keys: ['a'] },
  dropConcepts: { kind: 'dropConcepts', keys: ['b'] },
  leaveConcepts: { kind: 'leaveConcepts', keys: ['b'] },
  addStopWords: { kind: 'addStopWords', words: ['c'] },
  removeStopWords: { kind: 'removeStopWords', words: ['d'] },
  mergeConcepts: { kind: 'mergeConcepts', into: 'a', keys: ['e'] },
  mergeMany: { kind: 'mergeMany', groups: [{ into: 'a', keys: ['f', 'g h'] }] },
  refuseMerge: { kind: 'refuseMerge', keys: ['a', 'b'] },
  splitConcept: { kind: 'splitConcept', key: 'a' },
  renameConcept: { kind: 'renameConcept', key: 'a', label: 'A' },
  setWindows: { kind: 'setWindows', change: windows },
  setLinks: { kind: 'setLinks', change: links },
  setThemes: { kind: 'setThemes', change: themes },
  renameTheme: { kind: 'renameTheme', letter: 'A', name: 'x' },
  setMap: { kind: 'setMap', change: map },
  setCompare: { kind: 'setCompare', change: compare },
  applyRecipe: {
    kind: 'applyRecipe',
    recipe: recipeOf(foldDecisions({ records: [], head: 0, tip: 0 })),
  },
  removeAttribute: { kind: 'removeAttribute', attribute: 'place' },
  removeSources: { kind: 'removeSources', ids: ['gone'] },
};
const records = Object.values(EVERY).map((decision, i) => ({
  seq: i + 1,
  parent: i,
  time: '2031-01-01T00:00:00.000Z',
  decision,
}));
const log = { records, head: records.length, tip: records.length };

describe('the schemas in the documentation', () => {
  it('fit a study with a decision of every kind, which comes back as it was', () => {
    const notebook = [
      { id: 'm1', time: '2031-01-01T00:00:00.000Z', note: 'A thought.', tags: [] },
      {
        id: 'e1',
        time: '2031-01-02T00:00:00.000Z',
        note: '',
        tags: ['rain'],
        excerpt: { sourceId: source.id, sourceName: 'a.txt', start: 0, end: 4, quote: 'One.' },
      },
    ];
    const bytes = writeStudyFile({ log, register: [], originals: new Map([[source.id, text]]), notebook });
    expect(findEntries(notebook, '').map(({ id }) => id)).to.deep.equal(['e1', 'm1']);
    expect(findEntries(notebook, 'RAIN one').map(({ id }) => id)).to.deep.equal(['e1']);
    const study: unknown = JSON.parse(strFromU8(unzipSync(bytes)['study.json']));
    const validate = ajv.compile(schema('study.schema.json'));
    validate(study);
    expect(validate.errors ?? []).to.deep.equal([]);
    expect(readStudyFile(bytes)).to.deep.include({ log, notebook });
  });

  it('fit a recipe, and neither fits what is no such file', () => {
    const validate = ajv.compile(schema('recipe.schema.json'));
    validate(JSON.parse(writeRecipe(recipeOf(foldDecisions(log)))));
    expect(validate.errors ?? []).to.deep.equal([]);
    expect(validate({ format: 'green-thicket-recipe', version: 1, recipe: {} })).to.equal(false);
    expect(ajv.compile(schema('study.schema.json'))({ format: 'x' })).to.equal(false);
  });
});
