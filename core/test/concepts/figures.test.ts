import { expect } from 'chai';
import fc from 'fast-check';
import { distinctiveness, tfIdf } from '../../src/concepts/distinct.ts';
import { wordPairs } from '../../src/concepts/word-pairs.ts';
import { windowsWithEach } from '../../src/network/counts.ts';
import { median } from '../../src/base/order.ts';
import type { FIGURES } from '../../src/words/figure-sentences.ts';
import { figureSentence } from '../../src/words/figure-sentences.ts';
import type { CandidateRow } from '../../src/concepts/candidate-rows.ts';
import { countPlainly } from '../../src/text/plain-counts.ts';
import { tokensOf } from '../examples.ts';

describe('distinctiveness', () => {
  it('has the z worked by hand', () => {
    // Prior: a tenth of 300 words, 30; the concept's share of it 30 × 12/300 = 1.2.
    // Group: (10 + 1.2) of 100 + 30; rest: (2 + 1.2) of 200 + 30.
    const logOdds = Math.log(11.2 / (130 - 11.2)) - Math.log(3.2 / (230 - 3.2));
    const expected = logOdds / Math.sqrt(1 / 11.2 + 1 / 3.2);
    const [z] = distinctiveness([10], [2], 100, 200);
    expect(z).to.be.closeTo(expected, 1e-12);
    expect(z).to.be.closeTo(3.0, 0.05);
  });

  it('turns its sign when the sides are changed, and is 0 where a side is empty', () => {
    const count = fc.integer({ min: 0, max: 50 });
    fc.assert(
      fc.property(
        count,
        count,
        fc.integer({ min: 51, max: 1000 }),
        fc.integer({ min: 51, max: 1000 }),
        (a, b, m, n) => {
          const [there] = distinctiveness([a], [b], m, n);
          const [back] = distinctiveness([b], [a], n, m);
          expect(there).to.be.closeTo(-back, 1e-9);
          if (a / m > b / n) expect(there).to.be.above(0);
        },
      ),
    );
    expect(Array.from(distinctiveness([3], [0], 10, 0))).to.deep.equal([0]);
  });

  it('of words that are used alike stays near 0, and grows with the evidence', () => {
    expect(distinctiveness([20], [20], 1000, 1000)[0]).to.equal(0);
    const [little] = distinctiveness([2], [1], 1000, 1000);
    const [much] = distinctiveness([200], [100], 100_000, 100_000);
    expect(much).to.be.above(3 * little);
  });
});

describe('tf-idf', () => {
  it('is mentions × ln(all sources ÷ sources with it)', () => {
    expect(tfIdf(91, 21, 36)).to.be.closeTo(91 * Math.log(36 / 21), 1e-12);
    expect(tfIdf(50, 36, 36)).to.equal(0);
    expect(tfIdf(0, 0, 36)).to.equal(0);
  });
});

describe('windows with each', () => {
  it('agree with brute force', () => {
    const list = fc.array(fc.integer({ min: 0, max: 3 }), { maxLength: 40 });
    fc.assert(
      fc.property(list, fc.integer({ min: 1, max: 5 }), (of, size) => {
        const occurrence = Int32Array.from(of);
        const occurrenceFirst = Int32Array.from(of.keys());
        const occurrenceEnd = occurrenceFirst.map((t) => t + 1);
        const count = Math.max(0, of.length - size + 1);
        const first = Int32Array.from({ length: count }, (_, w) => w);
        const windows = {
          count,
          first,
          end: first.map((w) => w + size),
          source: new Int32Array(count),
          overlap: size,
        };
        const held = windowsWithEach({ occurrence, occurrenceFirst, occurrenceEnd }, windows, 4);
        for (let each = 0; each < 4; each++) {
          let expected = 0;
          for (let w = 0; w < count; w++) if (of.slice(w, w + size).includes(each)) expected++;
          expect(held[each]).to.equal(expected);
        }
      }),
    );
  });
});

describe('word pairs', () => {
  it('are counted in a sentence, not over a stop word, the frequent first', () => {
    const tokens = tokensOf(
      'Night bus. The night bus was late. Bus night of the night bus. Late bus late bus.',
    );
    const { pairs, total } = wordPairs(
      tokens,
      new Map([
        ['the', 'everywhere'],
        ['of', 'everywhere'],
        ['was', 'everywhere'],
      ]),
      10,
    );
    expect(pairs.map(({ first, second, count }) => [first, second, count])).to.deep.equal([
      ['night', 'bus', 3],
      ['late', 'bus', 2],
    ]);
    expect(total).to.equal(2);
    expect(pairs[0]).to.include({ firstCount: 4, secondCount: 6 });
    // 3 of 17 tokens together; 4 and 6 of 17 apart.
    expect(pairs[0].npmi).to.be.closeTo(Math.log(3 / 17 / ((4 / 17) * (6 / 17))) / -Math.log(3 / 17), 1e-12);
  });
});

describe('plain counts', () => {
  it('count words, sentences, paragraphs and turns of some sources together', () => {
    const tokens = tokensOf('One two. Two three.\n\nFour.', 'A: One.\n\nB: Five one.\n\nA: Six.');
    expect(countPlainly(tokens, [0])).to.deep.equal({
      words: 5,
      differentWords: 4,
      sentences: 3,
      paragraphs: 2,
      turns: 0,
    });
    expect(countPlainly(tokens, [1])).to.include({ words: 4, differentWords: 3, turns: 3 });
    expect(countPlainly(tokens, [0, 1])).to.include({ words: 9, differentWords: 6 });
    expect(countPlainly(tokens, [])).to.include({ words: 0, sentences: 0 });
  });
});

describe('the sentence of a figure', () => {
  const row: CandidateRow = {
    key: 'driver',
    label: 'driver',
    part: 'noun',
    mentions: 91,
    sources: 21,
    spread: 0.48,
    pull: 0.26,
    windowShare: 0.109,
    tfIdf: 49.05,
    score: 2.5,
    status: 'chosen',
    variants: [],
    shorter: [],
  };
  const context = { sources: 36, middlePull: 0.12 };

  it('has the concept’s own numbers', () => {
    const say = (figure: (typeof FIGURES)[number]): string => figureSentence(figure, row, context);
    expect(say('mentions')).to.equal('It is mentioned 91 times, 4.3 times in a source that mentions it.');
    expect(say('sources')).to.equal('21 of 36 sources mention it, 58 %.');
    expect(say('windowShare')).to.equal('11 % of the windows hold it, one in 9.');
    expect(say('tfIdf')).to.contain('91 mentions × ln(36 ÷ 21)');
    expect(say('pull')).to.contain('0.26').and.to.contain('0.12');
    expect(say('spread')).to.contain('0.48').and.to.contain('52 %');
    expect(say('distinct')).to.match(/Choose a group/);
  });

  it('says what chance would do of a group', () => {
    const say = (z: number): string =>
      figureSentence('distinct', row, {
        ...context,
        use: { group: 'drivers', against: 'the rest', z, here: 67, elsewhere: 24 },
      });
    expect(say(6.9))
      .to.contain('drivers mention it 67 times, the rest 24 times')
      .and.to.contain('make drivers use it');
    expect(say(-4)).to.contain('make the rest use it');
    expect(say(0.5)).to.contain('chance alone would often do this');
  });
});

describe('the median', () => {
  it('is the value in the middle, the lower of two', () => {
    expect(median([3, 1, 2])).to.equal(2);
    expect(median([10, 9, 1, 2])).to.equal(2);
    expect(median([])).to.equal(0);
  });
});
