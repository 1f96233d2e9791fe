import { expect } from 'chai';
import fc from 'fast-check';
import type { Decision } from '../../src/study/decisions.ts';
import type { DecisionLog } from '../../src/study/record.ts';
import { withoutUnsaidNames, wordsIn } from '../../src/study/withdraw.ts';
import { recordOf } from './every-decision.ts';

const logOf = (...decisions: readonly Decision[]): DecisionLog => recordOf(decisions);
const pseudonymsIn = ({ records }: DecisionLog): unknown[] =>
  records.flatMap(({ decision }) => (decision.kind === 'setPseudonyms' ? [decision.change] : []));
const given = (change: Readonly<Record<string, string>>): Decision => ({ kind: 'setPseudonyms', change });

describe('pseudonyms of who has withdrawn', () => {
  it('go with the last place that says the name, as it is written or not', () => {
    const log = logOf(given({ Ada: 'Bea', 'Ben Hale': 'Tom' }), given({ Ada: '', Cyd: 'Eva' }));
    expect(pseudonymsIn(withoutUnsaidNames(log, ['We saw BEN\n hale.']))).to.deep.equal([
      { 'Ben Hale': 'Tom' },
      {},
    ]);
    // What stands in another decision is said still.
    const named = logOf({ kind: 'keepConcepts', keys: ['cyd'] }, ...log.records.map((each) => each.decision));
    expect(pseudonymsIn(withoutUnsaidNames(named, []))).to.deep.equal([{}, { Cyd: 'Eva' }]);
  });

  it('leave every other decision, and names that are said, as they were', () => {
    const name = fc.constantFrom('Ada', 'Ben Hale', 'Cyd', 'constructor', '__proto__x', 'É');
    fc.assert(
      fc.property(fc.uniqueArray(name), fc.uniqueArray(name), (listed, said) => {
        const log = logOf(
          { kind: 'renameStudy', title: 'T' },
          given(Object.fromEntries(listed.map((each) => [each, 'X']))),
        );
        const made = withoutUnsaidNames(log, said);
        expect(made.records[0]).to.equal(log.records[0]);
        expect(pseudonymsIn(made).flatMap((change) => Object.keys(change as object))).to.deep.equal(
          listed.filter((each) => said.includes(each)),
        );
      }),
    );
  });

  it('are sought in all that is written in a value, however deep', () => {
    expect(wordsIn({ a: ['b', { c: null, d: 4, e: 'f' }], g: true })).to.deep.equal([
      'a',
      'b',
      'c',
      'd',
      'e',
      'f',
      'g',
    ]);
  });
});
