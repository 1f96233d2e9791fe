import { expect } from 'chai';
import fc from 'fast-check';
import { decide, type Decision } from '../../src/study/decisions.ts';
import { decideAll } from '../../src/study/record.ts';
import { EMPTY_STUDY } from '../../src/study/study.ts';
import { decidePlainly } from './plain-lists.ts';
import { aSource, listDecision } from './any-decision.ts';

describe('many decisions at once', () => {
  it('come to what they come to one by one, and to what they plainly mean, in the same order', () => {
    const begun = decide(EMPTY_STUDY, { kind: 'addSources', sources: [aSource] });
    fc.assert(
      fc.property(fc.array(listDecision, { minLength: 20, maxLength: 80 }), (decisions) => {
        const together = decideAll(begun, decisions);
        // As text, so that the order of words counts too.
        const plainly = JSON.stringify(decisions.reduce(decidePlainly, begun));
        expect(JSON.stringify(decisions.reduce(decide, begun))).to.equal(plainly);
        expect(JSON.stringify(together)).to.equal(plainly);
      }),
      { numRuns: 300 },
    );
  });

  it('leave what they do not touch the same object', () => {
    const decisions = Array.from({ length: 30 }, (_, i): Decision => ({
      kind: 'keepConcepts',
      keys: [`k${i}`],
    }));
    const after = decideAll(EMPTY_STUDY, decisions);
    expect(after.merges).to.equal(EMPTY_STUDY.merges);
    expect(after.stopWords).to.equal(EMPTY_STUDY.stopWords);
    expect(after.kept).to.have.length(30);
  });
});
