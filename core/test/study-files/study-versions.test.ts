import { expect } from 'chai';
import { liftRecords, STUDY_VERSION } from '../../src/study-files/study-versions.ts';
import { foldDecisions, type DecisionRecord } from '../../src/study/record.ts';
import { recipeOf } from '../../src/study/recipe.ts';
import { EMPTY_STUDY } from '../../src/study/study.ts';

describe('a record of an earlier version', () => {
  it('is lifted: cleaning becomes steps, line by line of the tree', () => {
    const record = (seq: number, parent: number, decision: object) => ({
      seq,
      parent,
      time: '2031-01-01T00:00:00.000Z',
      decision,
    });
    const lifted = liftRecords(
      [
        record(1, 0, { kind: 'renameStudy', title: 'Old' }),
        record(2, 1, { kind: 'setCleaning', change: { digits: false } }),
        record(3, 2, { kind: 'setCleaning', change: { ownPattern: 'x+', pattern: true } }),
        record(4, 1, { kind: 'setCleaning', change: { foldCase: false } }),
        record(5, 3, { kind: 'setConcepts', change: { englishStopWords: false, size: 40 } }),
      ],
      1,
    ) as DecisionRecord[];
    const at = (head: number) => foldDecisions({ records: lifted, head, tip: head }).settings;
    const on = (head: number) =>
      at(head)
        .cleaning.steps.filter((step) => step.on)
        .map(({ kind }) => kind);
    expect(on(3)).to.deep.equal(['addresses', 'handles', 'replace', 'case']);
    expect(on(4)).to.deep.equal(['addresses', 'handles', 'numbers']);
    expect(at(5).concepts).to.include({ listedStopWords: false, size: 40 });
    expect(liftRecords(lifted, 2)).to.deep.equal(lifted);
  });

  it('of the last version is taken as it is, with a recipe as they are now', () => {
    const recipe = recipeOf(EMPTY_STUDY);
    const records = [
      { seq: 1, parent: 0, time: '', decision: { kind: 'renameStudy', title: 'Old' } },
      { seq: 2, parent: 1, time: '', decision: { kind: 'applyRecipe', recipe } },
    ];
    expect(liftRecords(records, 3)).to.deep.equal(records);
    expect(liftRecords(records, STUDY_VERSION)).to.deep.equal(records);
  });
});
