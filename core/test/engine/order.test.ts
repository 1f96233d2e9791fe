import { expect } from 'chai';
import fc from 'fast-check';
import { knownThemes } from '../../../bench/known-themes.ts';
import type { StageName } from '../../src/engine/stage-keys.ts';
import { rowsInShownOrder } from '../../src/study/subset.ts';
import { asking, exampleStudy } from '../examples.ts';

const STAGES = [
  'tokens',
  'parts',
  'names',
  'candidates',
  'concepts',
  'links',
  'sweep',
  'themes',
  'resampled',
  'map',
  'strength',
  'comparison',
] as const satisfies readonly StageName[];

/** Interviews of unequal lengths, short answers that are taken together, and two that are the same. */
const TEXTS = knownThemes(5, 10).texts.map((text, i) => ({
  text: i === 9 ? 'The bus was late again and the shelter was wet.' : text.slice(0, 900 + 700 * (i % 4)),
  attributes: { role: i % 2 === 0 ? 'driver' : 'resident' },
}));
TEXTS.push(
  { ...TEXTS[9] },
  { text: 'A light at the shelter and a bus that waits.', attributes: { role: 'driver' } },
);

/** What is found in the texts, brought in in an order under names. */
function found(order: readonly number[], nameOf: (place: number) => string): unknown {
  const study = exampleStudy(order.map((i, place) => ({ ...TEXTS[i], name: nameOf(place) })));
  return STAGES.map((stage) => study.compute(stage));
}

describe('a table of sources', () => {
  it('has its rows moved whole, by hand', () => {
    // The first in the order of contents was brought in last.
    const rows = rowsInShownOrder(Float64Array.of(1, 2, 3, 4, 5, 6), [2, 0, 1], 2);
    expect([...rows]).to.deep.equal([3, 4, 5, 6, 1, 2]);
  });

  it('has them in the order they were brought in, each with its own figures', () => {
    const times = [3, 6, 2, 5, 4];
    const study = exampleStudy(
      times.map((count, place) => ({
        name: `${place}.txt`,
        text: 'The shelter leaks when rain comes.\n\n'.repeat(count),
      })),
    );
    const { keys, sourceIds, values } = asking(study)('matrix', { figure: 'mentions' });
    expect(sourceIds).to.deep.equal(study.state.sources.map(({ id }) => id));
    expect(keys.length).to.be.above(0);
    expect(times.map((_, row) => values[row * keys.length])).to.deep.equal(times);
  });
});

describe('what is found in texts', () => {
  it('is the same to the last bit, whatever the files are called and in which order they come', function () {
    this.timeout(120_000);
    const usual = found([...TEXTS.keys()], (place) => `${place}.txt`);
    fc.assert(
      fc.property(
        fc.shuffledSubarray([...TEXTS.keys()], { minLength: TEXTS.length }),
        fc.uniqueArray(fc.string({ minLength: 1, maxLength: 8 }), {
          minLength: TEXTS.length,
          maxLength: TEXTS.length,
        }),
        (order, names) => {
          expect(found(order, (place) => names[place])).to.deep.equal(usual);
        },
      ),
      { numRuns: 6, seed: 3 },
    );
  });
});
