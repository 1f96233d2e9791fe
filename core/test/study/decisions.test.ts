import { expect } from 'chai';
import fc from 'fast-check';
import { describeDecision } from '../../src/words/decisions.ts';
import { decide, type Decision } from '../../src/study/decisions.ts';
import { foldDecisions, foldOnto, type FoldedStates } from '../../src/study/record.ts';
import { methodSentences, sentenceText, STOPS } from '../../src/words/sentences.ts';
import { EMPTY_STUDY, type StudyState } from '../../src/study/study.ts';
import { CLEANING_KINDS, newStep, stepDescription, stepText } from '../../src/text/cleaning/steps.ts';
import { EVERY, source } from './every-decision.ts';

const after = (...decisions: Decision[]): StudyState => decisions.reduce(decide, EMPTY_STUDY);

describe('every decision', () => {
  it('has words of its own', () => {
    const texts = Object.values(EVERY).map(describeDecision);
    for (const text of texts)
      expect(text)
        .to.match(/^\S.{2,200}$/)
        .and.not.match(/undefined|\[object/);
    expect(new Set(texts).size).to.equal(texts.length);
    expect(describeDecision(EVERY.splitSources)).to.equal('split a source into 1');
    expect(describeDecision(EVERY.setCuts)).to.equal('trim 1 source');
    expect(describeDecision({ kind: 'dropConcepts', keys: ['a', 'b', 'c', 'd'] })).to.equal(
      'drop a, b and 2 more',
    );
    expect(describeDecision(EVERY.refuseMerge)).to.equal('keep a and b apart');
  });

  it('leaves the state it was made on as it was, and is taken back by going to its parent', () => {
    const records = Object.values(EVERY).map((decision, i) => ({
      seq: i + 1,
      parent: i,
      time: '',
      decision,
    }));
    let state = EMPTY_STUDY;
    records.forEach(({ decision }, i) => {
      const before = JSON.stringify(state);
      const next = decide(state, decision);
      expect(JSON.stringify(state), decision.kind).to.equal(before);
      expect(foldDecisions({ records, head: i, tip: records.length })).to.deep.equal(state);
      state = next;
    });
  });
});

describe('a record that is read on', () => {
  /** Decisions on the last one or, now and then, on one that was gone back to. */
  const logs = fc
    .array(fc.record({ decision: fc.constantFrom(...Object.values(EVERY)), back: fc.nat(4) }), {
      maxLength: 12,
    })
    .map((steps) => {
      const records = steps.map(({ decision, back }, i) => ({
        seq: i + 1,
        parent: Math.max(0, i - (back === 4 ? 2 : 0)),
        time: '',
        decision,
      }));
      return { records, tip: records.length };
    });

  it('amounts to the same, whichever heads were read before', () => {
    fc.assert(
      fc.property(logs, fc.array(fc.nat(12), { maxLength: 8 }), ({ records, tip }, heads) => {
        const folded: FoldedStates = new Map();
        for (const each of heads) {
          const log = { records, tip, head: Math.min(each, tip) };
          expect(foldOnto(log, folded)).to.deep.equal(foldDecisions(log));
        }
      }),
    );
  });

  it('is the same object when a decision is gone back to', () => {
    const folded: FoldedStates = new Map();
    const records = [1, 2, 3].map((seq) => ({
      seq,
      parent: seq - 1,
      time: '',
      decision: EVERY.keepConcepts,
    }));
    const [second, third] = [2, 3].map((head) => foldOnto({ records, head, tip: 3 }, folded));
    expect(foldOnto({ records, head: 2, tip: 3 }, folded)).to.equal(second);
    expect(foldOnto({ records, head: 3, tip: 3 }, folded)).to.equal(third);
    expect(foldOnto({ records, head: 0, tip: 3 }, folded)).to.equal(EMPTY_STUDY);
  });

  it('lets go of what was read long ago', () => {
    const records = Array.from({ length: 400 }, (_, i) => ({
      seq: i + 1,
      parent: i,
      time: '',
      decision: EVERY.renameStudy,
    }));
    const folded: FoldedStates = new Map();
    for (let head = 1; head <= 400; head++) foldOnto({ records, head, tip: 400 }, folded);
    expect(folded.size).to.be.below(250);
    expect(foldOnto({ records, head: 7, tip: 400 }, folded)).to.deep.equal(
      foldDecisions({ records, head: 7, tip: 400 }),
    );
  });
});

describe('decisions about sources', () => {
  const added = { kind: 'addSources', sources: [source] } as const;

  it('put parts in the place of their whole', () => {
    const state = after(added, EVERY.splitSources);
    expect(state.sources.map(({ name }) => name)).to.deep.equal(['a: 1']);
    expect(after(added, { kind: 'splitSources', parts: { other: [] } }).sources).to.deep.equal([source]);
  });

  it('keep the types that were set before what comes in later', () => {
    const state = after(
      { kind: 'setAttributeType', attribute: 'age', type: 'text' },
      { kind: 'addSources', sources: [source], types: { age: 'number', met: 'date' } },
    );
    expect(state.attributeTypes).to.deep.equal({ age: 'text', met: 'date' });
  });

  it('set, cut and restore', () => {
    const cut = after(added, EVERY.setCuts);
    expect(cut.sources[0].cuts).to.deep.equal([[0, 2]]);
    expect(
      after(added, EVERY.setCuts, { kind: 'setCuts', cuts: { [source.id]: [] } }).sources[0].cuts,
    ).to.deep.equal([]);
    expect(after(added, EVERY.setValues).sources[0].attributes).to.deep.equal({ role: 'nurse', age: '7' });
  });

  it('take a condition of the subset away with its attribute', () => {
    const state = after(
      added,
      { kind: 'setSources', change: { subset: [{ kind: 'values', attribute: 'role', values: ['x'] }] } },
      { kind: 'removeAttribute', attribute: 'role' },
    );
    expect(state.settings.sources.subset).to.deep.equal([]);
  });
});

describe('the words for steps', () => {
  it('say what each kind does, as a part of the sentence too', () => {
    for (const kind of CLEANING_KINDS) {
      expect(stepDescription(kind).help).to.match(/\.$/);
      expect(stepText(newStep(kind, [])), kind).to.match(/(?:are|is|become|lose|written)\b/);
    }
    const texts = CLEANING_KINDS.map((kind) => stepText(newStep(kind, [])));
    expect(new Set(texts).size).to.equal(texts.length);
  });

  it('follow what is set', () => {
    const step = newStep('replace', []);
    if (step.kind !== 'replace') throw new Error('It is another step.');
    expect(stepText({ ...step, find: 'x', replacement: 'y' })).to.equal('“x” becomes “y”');
    expect(stepText({ ...step, find: 'x+', isPattern: true })).to.equal('what matches “x+” is taken out');
    expect(stepText({ ...step, find: 'z'.repeat(99) })).to.match(/^“z{40}…” is taken out$/);
    expect(stepText({ kind: 'punctuation', marks: '( )' })).to.equal('the marks ( ) are taken out');
    expect(stepText({ kind: 'handles', keepWord: true })).to.equal('handles lose their @');
    expect(stepText({ kind: 'short', letters: 4 })).to.match(/fewer than 4 letters/);
  });

  it('stand in the method only while their step is on, and a study without steps says so', () => {
    const without = after({ kind: 'setCleaning', steps: [], what: 'none' });
    expect(sentenceText(methodSentences(without).clean))
      .to.match(/nothing is taken out/)
      .and.not.match(/add a step/);
    const off = after({
      kind: 'setCleaning',
      steps: [newStep('case', []), { ...newStep('accents', []), on: false }, newStep('space', [])],
      what: 'x',
    });
    expect(sentenceText(methodSentences(off).clean)).to.equal(
      'Before words are counted, capitals are read as small letters and white space is evened out. The originals stay as they are.',
    );
    const allOff = after({ kind: 'setCleaning', steps: [{ ...newStep('case', []), on: false }], what: 'x' });
    expect(sentenceText(methodSentences(allOff).clean))
      .to.match(/nothing is taken out/)
      .and.not.match(/capitals/);
    for (const stop of STOPS) expect(sentenceText(methodSentences(EMPTY_STUDY)[stop])).to.match(/\.$/);
  });
});
