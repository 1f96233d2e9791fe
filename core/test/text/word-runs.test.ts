import { expect } from 'chai';
import fc from 'fast-check';
import { WordRuns } from '../../src/text/look-alikes/word-runs.ts';

describe('runs of words', () => {
  it('have one number each, in the order they are met first', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4 }),
        fc.array(fc.nat(5), { maxLength: 200 }),
        (length, words) => {
          const runs = new WordRuns(length);
          const known = new Map<string, number>();
          const list = Int32Array.from(words);
          for (let at = 0; at + length <= list.length; at++) {
            const run = list.subarray(at, at + length).join();
            if (!known.has(run)) known.set(run, known.size);
            expect(runs.numberOf(list, at)).to.equal(known.get(run));
          }
        },
      ),
    );
  });

  it('keep their numbers while many come in', () => {
    const runs = new WordRuns(2);
    const words = Int32Array.from({ length: 5001 }, (_, i) => (i * 7919) % 5003);
    const numbers = Array.from({ length: 5000 }, (_, at) => runs.numberOf(words, at));
    expect(numbers).to.deep.equal(Array.from({ length: 5000 }, (_, at) => at));
    expect(Array.from({ length: 5000 }, (_, at) => runs.numberOf(words, at))).to.deep.equal(numbers);
  });
});
