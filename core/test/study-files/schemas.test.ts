import { Ajv2020 } from 'ajv/dist/2020.js';
import { expect } from 'chai';
import { strFromU8, unzipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import type { Decision } from '../../src/study/decisions.ts';
import { decisionFault } from '../../src/study-files/decision-schemas.ts';
import { jsonSchemas } from '../../src/study-files/json-schemas.ts';
import { STUDY_VERSION } from '../../src/study-files/study-versions.ts';
import { writeRecipe } from '../../src/study-files/recipe-file.ts';
import { readStudyFile, writeStudyFile } from '../../src/study-files/study-file.ts';
import { foldDecisions } from '../../src/study/record.ts';
import { findEntries } from '../../src/study/notebook.ts';
import { EVERY, recordOf, source, text } from '../study/every-decision.ts';
import { recipeOf } from '../../src/study/recipe.ts';

const schema = (name: string): object =>
  JSON.parse(readFileSync(new URL(`../../../docs/formats/${name}`, import.meta.url), 'utf8')) as object;
const ajv = new Ajv2020({ strict: false, validateFormats: false, allErrors: true });
const log = recordOf(Object.values(EVERY));

describe('the schemas in the documentation', () => {
  it('are those a reader checks by: npm run schemas writes them anew', () => {
    for (const [name, made] of jsonSchemas()) expect(schema(name), name).to.deep.equal(made);
  });

  it('refuse what a reader refuses', () => {
    const validate = ajv.compile(schema('study.schema.json'));
    const whole = { format: 'green-thicket-study', version: STUDY_VERSION, head: 1, tip: 1, register: [] };
    const fits = (decision: object): boolean =>
      validate({
        ...whole,
        decisions: [{ seq: 1, parent: 0, time: '2031-01-01T00:00:00.000Z', decision }],
      });
    expect(fits({ kind: 'renameStudy', title: 'T' })).to.equal(true);
    for (const wrong of [
      { kind: 'renameStudy' },
      { kind: 'renameStudy', title: 'x'.repeat(1001) },
      { kind: 'renameStudy', title: 'T', more: 1 },
      { kind: 'setWindows', change: { size: 2.5 } },
      { kind: 'setWindows', change: {} },
      { kind: 'setCleaning', what: '', steps: [{ kind: 'replace', id: 'a', on: true }] },
      { kind: 'nothing' },
    ]) {
      expect(fits(wrong), JSON.stringify(wrong)).to.equal(false);
      expect(decisionFault(wrong as Decision), JSON.stringify(wrong)).to.be.a('string');
    }
  });

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
