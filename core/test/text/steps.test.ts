import { expect } from 'chai';
import { decisionSchema } from '../../src/study-files/decision-schemas.ts';
import { findEdits } from '../../src/text/cleaning/cleaning.ts';
import { stepFault } from '../../src/text/cleaning/step-faults.ts';
import { CLEANING_KINDS, newStep, stepDescription, withStep } from '../../src/text/cleaning/steps.ts';
import type { StepField } from '../../src/text/cleaning/steps/describe.ts';

const accepts = (step: object): boolean =>
  decisionSchema.validate({ kind: 'setCleaning', steps: [step], what: 'x' }).error === undefined;

/** A value the field may have, other than the usual one, and one it may not have. */
function values(field: StepField): { other: unknown; wrong: unknown } {
  switch (field.ask) {
    case 'switch':
      return { other: !field.usual, wrong: 'perhaps' };
    case 'choice':
      return {
        other: field.options.find(({ value }) => value !== field.usual)?.value,
        wrong: 'something else',
      };
    case 'number':
      return { other: field.range.max, wrong: field.range.max + 1 };
    case 'text':
      return { other: 'x'.repeat(field.longest), wrong: 'x'.repeat(field.longest + 1) };
  }
}

describe('the fields of cleaning steps', () => {
  it('are what a file is checked by: what can be set is accepted, anything else refused', () => {
    for (const kind of CLEANING_KINDS) {
      const step = newStep(kind, []);
      expect(accepts(step), kind).to.equal(true);
      expect(accepts({ ...step, unknown: 1 }), kind).to.equal(false);
      for (const [name, field] of Object.entries(stepDescription(kind).fields)) {
        const { other, wrong } = values(field);
        expect(other, `${kind}.${name}`).not.to.equal(field.usual);
        expect(accepts({ ...step, [name]: other }), `${kind}.${name}`).to.equal(true);
        expect(accepts({ ...step, [name]: wrong }), `${kind}.${name}`).to.equal(false);
        expect(accepts({ ...step, [name]: undefined }), `${kind}.${name} left out`).to.equal(false);
      }
    }
  });

  it('say which texts are patterns, and what is wrong with one', () => {
    const lines = newStep('lines', []);
    const replace = newStep('replace', []);
    if (lines.kind !== 'lines' || replace.kind !== 'replace') throw new Error('They are other steps.');
    expect(stepFault({ ...lines, pattern: '(' })).to.match(/can’t be read/);
    expect(stepFault({ ...replace, find: '(' })).to.equal(undefined);
    expect(stepFault({ ...replace, find: '(', isPattern: true })).to.match(/can’t be read/);
    expect(stepFault(newStep('case', []))).to.equal(undefined);
  });

  it('number the steps a study may have several of, and put a new one where it suits', () => {
    const first = newStep('replace', []);
    const second = newStep('replace', [first]);
    expect([first.id, second.id, newStep('case', [second]).id]).to.deep.equal([
      'replace-1',
      'replace-2',
      'case',
    ]);
    const ids = withStep([newStep('tags', []), newStep('case', [])], second).map(({ id }) => id);
    expect(ids).to.deep.equal(['tags', 'replace-2', 'case']);
  });

  it('change nothing in a text that has nothing for them', () => {
    for (const kind of CLEANING_KINDS) {
      if (kind === 'short') continue;
      expect(findEdits('plain words in one line', newStep(kind, [])), kind).to.deep.equal([]);
    }
  });
});
