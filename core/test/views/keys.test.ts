import { expect } from 'chai';
import fc from 'fast-check';
import { finish } from '../../src/base/stepwise.ts';
import { STAGE_KEYS, stageKey, type StageName } from '../../src/engine/stage-keys.ts';
import type { Decision } from '../../src/study/decisions.ts';
import type { StudyState } from '../../src/study/study.ts';
import { viewKey, type ViewName } from '../../src/views/view-keys.ts';
import { asking, type ExampleStudy } from '../examples.ts';
import { MOVES, moves } from './every-move.ts';
import { afterCell, cell, concept, drivers, QUESTIONS } from './every-question.ts';
import { begun, first, second, TALK } from './small-study.ts';

/** A study in a state, computed as if nothing had been before. */
function fresh(state: StudyState): ExampleStudy {
  const study = begun();
  study.bring('new.txt', TALK.join(' '), { role: 'depot' });
  study.state = state;
  return study;
}

/** Every answer with its key. */
function* answers(study: ExampleStudy): Generator<readonly [name: string, key: string, answer: unknown]> {
  const ask = asking(study);
  const of = function* <V extends ViewName>(view: V) {
    for (const [i, question] of QUESTIONS[view].entries()) {
      yield [`${view} ${i}`, viewKey(view, study.state, question), ask(view, question)] as const;
    }
  };
  for (const view of Object.keys(QUESTIONS) as ViewName[]) yield* of(view);
  for (const stage of Object.keys(STAGE_KEYS) as StageName[]) {
    yield [`stage ${stage}`, stageKey(stage, study.state), study.compute(stage)];
  }
}

let answersBefore: ReadonlyMap<string, readonly [key: string, answer: unknown]> | undefined;

/** Answers of a study before some decisions and after them: where the key is the same, the answer must be. */
function checkKeys(decisions: readonly Decision[]): { readonly same: number; readonly changed: Set<string> } {
  // Every check begins from the same study, so its answers are worked out once.
  const before = (answersBefore ??= new Map(
    [...answers(begun())].map(([name, key, answer]) => [name, [key, answer] as const]),
  ));
  const study = begun();
  for (const decision of decisions) study.decide(decision);
  let same = 0;
  const changed = new Set<string>();
  for (const [name, key, answer] of answers(fresh(study.state))) {
    const [keyBefore, answerBefore] = before.get(name) ?? [];
    if (key !== keyBefore) changed.add(name.split(' ')[0]);
    else {
      same++;
      expect(answer, `${name} after ${JSON.stringify(decisions)}`).to.deep.equal(answerBefore);
    }
  }
  return { same, changed };
}

describe('keys of stages and views', function () {
  this.timeout(120_000);

  it('are the same only where the answer is, for every kind of decision and every view', () => {
    const changed = new Set<string>();
    for (const move of moves) for (const name of checkKeys([move]).changed) changed.add(name);
    // The question alone decides these.
    const constant = Object.keys(QUESTIONS).filter((view) => !changed.has(view));
    expect(constant).to.deep.equal(['split']);
  });

  it('are the same only where the answer is, after any decisions', () => {
    const decisions = fc.array(fc.constantFrom(...moves), { minLength: 2, maxLength: 5 });
    fc.assert(
      fc.property(decisions, (made) => void checkKeys(made)),
      { numRuns: 12 },
    );
  });

  it('stay where a decision is nothing to them, so that nothing is asked again', () => {
    // Files for other programs and reports carry the title; figures ask whatever other views do.
    expect([...checkKeys([{ kind: 'renameStudy', title: 'T' }]).changed]).to.have.members([
      'networkFile',
      'projectFile',
      'codebookFile',
      'colleague',
      'figure',
      'report',
      'reportFile',
      'everythingFile',
      'workbook',
    ]);
    const { changed } = checkKeys([MOVES.setAttribute[2]]);
    for (const view of ['themes', 'map', 'passages', 'concordance', 'plainCounts', 'stage'])
      expect(changed, view).to.not.include(view);
    expect(changed).to.include('matrixFile');
  });

  it('of words that follow what a cell stands for go with its values too', () => {
    const study = begun();
    const [letter] = asking(study)('themes', null)
      .themes.filter(({ concepts }) => concepts.some(({ key }) => key === 'fare'))
      .map((theme) => theme.letter);
    const question = { selection: { ...afterCell, of: { ...cell, letter } }, limit: 50 };
    const before = asking(study)('passages', question).mentions;
    expect(before).to.be.greaterThan(0);
    const key = viewKey('passages', study.state, question);
    study.decide({ kind: 'setAttribute', ids: [second.id], attribute: 'role', value: 'resident' });
    expect(asking(study)('passages', question).mentions).to.be.lessThan(before);
    expect(viewKey('passages', study.state, question)).to.not.equal(key);
  });

  it('of what is read by groups go with their values', () => {
    const study = begun();
    const question = { selection: concept, within: { groups: [drivers] }, limit: 50 };
    const windows = (): number => asking(study)('passages', question).windows;
    const [key, before] = [viewKey('passages', study.state, question), windows()];
    study.decide({ kind: 'setAttribute', ids: [first.id], attribute: 'role', value: 'driver' });
    expect(windows()).to.be.greaterThan(before);
    expect(viewKey('passages', study.state, question)).to.not.equal(key);
    expect(finish(study.engine.compute('tokens', study.input()))).to.equal(study.compute('tokens'));
  });
});
