import { workingSources } from '../../src/study/subset.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { falselyDistinct, ratiosHeld } from '../../../bench/distinct.ts';
import { knownThemes } from '../../../bench/known-themes.ts';
import {
  addSource,
  contrastSides,
  distinctiveness,
  emptySide,
  tfIdf,
  type Side,
} from '../../src/concepts/distinct.ts';
import { normalOf, studentQuantile, studentTail } from '../../src/numeric/special.ts';
import { wordsPerSource } from '../../src/text/tokens.ts';
import { wordPairs } from '../../src/concepts/word-pairs.ts';
import { windowsWithEach } from '../../src/network/counts.ts';
import { median } from '../../src/base/order.ts';
import type { FIGURES } from '../../src/words/figure-sentences.ts';
import { figureSentence } from '../../src/words/figure-sentences.ts';
import type { CandidateRow } from '../../src/concepts/candidate-rows.ts';
import { countPlainly } from '../../src/text/plain-counts.ts';
import { exampleStudy, tokensOf } from '../examples.ts';

/** A side of sources of one concept each: mentions and words. */
function sideOf(...sources: readonly (readonly [mentions: number, words: number])[]): Side {
  const side = emptySide(1);
  for (const [mentions, words] of sources) addSource(side, new Map([[0, mentions]]), words);
  return side;
}

describe('distinctiveness', () => {
  it('has the z worked by hand', () => {
    // Prior: a tenth of 300 words, 30; the concept's share of it 30 × 12/300 = 1.2.
    // Group: (10 + 1.2) of 100 + 30; rest: (2 + 1.2) of 200 + 30. Every source mentions it as its words make likely.
    const logOdds = Math.log(11.2 / (130 - 11.2)) - Math.log(3.2 / (230 - 3.2));
    const t = logOdds / Math.sqrt(1 / 11.2 + 1 / 3.2);
    const [z] = distinctiveness(sideOf([5, 50], [5, 50]), sideOf([1, 100], [1, 100]));
    expect(z).to.be.closeTo(normalOf(studentTail(t, 2)), 1e-9);
    expect(t).to.be.closeTo(3.0, 0.05);
    // The same mentions, all of the group's in one of its sources: 0 and 10 where 5 are expected is 50 for 12 mentions.
    const [bursty] = distinctiveness(sideOf([0, 50], [10, 50]), sideOf([1, 100], [1, 100]));
    expect(bursty).to.be.closeTo(normalOf(studentTail(t / Math.sqrt(((4 / 2) * 50) / 12), 2)), 1e-9);
  });

  it('is what the definition gives, source by source, with its interval', () => {
    const source = fc.tuple(fc.nat(40), fc.integer({ min: 41, max: 900 }));
    const sources = fc.array(source, { minLength: 1, maxLength: 7 });
    fc.assert(
      fc.property(sources, sources, (a, b) => {
        const total = (of: readonly (readonly number[])[], at: 0 | 1): number =>
          of.reduce((sum, each) => sum + each[at], 0);
        const mentions = total([...a, ...b], 0);
        const degrees = a.length + b.length - 2;
        fc.pre(mentions > 0 && degrees > 0);
        const words = total([...a, ...b], 1);
        // A tenth of the collection's words speak as the collection does.
        const [alpha, alphas] = [(0.1 * words * mentions) / words, 0.1 * words];
        const odds = (of: typeof a): number =>
          (total(of, 0) + alpha) / (total(of, 1) + alphas - total(of, 0) - alpha);
        const logOdds = Math.log(odds(a)) - Math.log(odds(b));
        // How much more sources of a side differ than their words make likely.
        const apart = [a, b].map((of) =>
          of.reduce((sum, [own, said]) => sum + (own - (total(of, 0) / total(of, 1)) * said) ** 2, 0),
        );
        const burst = Math.max(1, (((a.length + b.length) / degrees) * (apart[0] + apart[1])) / mentions);
        const drawnIn = burst * (1 / (total(a, 0) + alpha) + 1 / (total(b, 0) + alpha));
        const found = contrastSides(sideOf(...a), sideOf(...b));
        // What is shown is not drawn to the middle; half a mention keeps it from the infinite.
        const plainOdds = (of: typeof a): number =>
          (total(of, 0) + 0.5) / (total(of, 1) - total(of, 0) + 0.5);
        expect(found.logOdds[0]).to.be.closeTo(Math.log(plainOdds(a)) - Math.log(plainOdds(b)), 1e-9);
        // How much sources vary by a share of their own rate, beyond independent mentions.
        const told = [a, b].filter((of) => of.length > 1 && total(of, 0) > 0);
        const beyond = told.map((of) => {
          const share = total(of, 0) / total(of, 1);
          const squares = of.reduce((sum, [own, said]) => sum + (own - share * said) ** 2, 0);
          return ((of.length / (of.length - 1)) * squares - total(of, 0)) / share ** 2;
        });
        const wordSquares = (of: typeof a): number => of.reduce((sum, [, said]) => sum + said ** 2, 0);
        const expected = told.reduce((sum, of) => sum + wordSquares(of), 0);
        const varies =
          expected === 0 ? 0 : Math.max(0, beyond.reduce((sum, each) => sum + each, 0) / expected);
        const counts = 1 / (total(a, 0) + 0.5) + 1 / (total(b, 0) + 0.5);
        const sizes = [a, b].reduce((sum, of) => sum + wordSquares(of) / total(of, 1) ** 2, 0);
        const variance = Math.max(burst * counts, counts + varies * sizes);
        expect((found.high[0] - found.low[0]) / 2).to.be.closeTo(
          studentQuantile(0.05, degrees) * Math.sqrt(variance),
          1e-6,
        );
        const t = logOdds / Math.sqrt(drawnIn);
        expect(found.z[0]).to.be.closeTo(Math.sign(t) * normalOf(studentTail(t, degrees)), 1e-6);
      }),
    );
  });

  it('is shown as a ratio whose interval holds the truth, of few sources and of many', () => {
    // Drawn to the middle, and with a common dispersion alone, the first held 69 %, the second 15.
    expect(ratiosHeld({ inGroup: 4, others: 36, mentions: 3, variation: 1, ratio: 4 }, 400)).to.be.above(0.9);
    expect(ratiosHeld({ inGroup: 4, others: 36, mentions: 3, variation: 0, ratio: 4 }, 400)).to.be.above(
      0.93,
    );
    expect(ratiosHeld({ inGroup: 12, others: 24, mentions: 1, variation: 1, ratio: 1 }, 400)).to.be.above(
      0.93,
    );
  });

  it('turns its sign when the sides are changed, and is 0 where a side is empty or both are one source', () => {
    const source = fc.tuple(fc.integer({ min: 0, max: 50 }), fc.integer({ min: 51, max: 1000 }));
    const sources = fc.array(source, { minLength: 2, maxLength: 6 });
    fc.assert(
      fc.property(sources, sources, (a, b) => {
        const [there] = distinctiveness(sideOf(...a), sideOf(...b));
        const [back] = distinctiveness(sideOf(...b), sideOf(...a));
        expect(there).to.be.closeTo(-back, 1e-9);
        const share = (side: Side): number => side.mentions[0] / side.words;
        if (share(sideOf(...a)) > share(sideOf(...b)) + 1e-9) expect(there).to.be.at.least(0);
      }),
    );
    expect(Array.from(distinctiveness(sideOf([3, 10]), sideOf()))).to.deep.equal([0]);
    expect(Array.from(distinctiveness(sideOf([3, 10]), sideOf([0, 10])))).to.deep.equal([0]);
  });

  it('of words that are used alike stays near 0, and grows with the evidence', () => {
    const four = (mentions: number, words: number): Side =>
      sideOf(...Array.from({ length: 4 }, () => [mentions, words] as const));
    expect(distinctiveness(four(5, 250), four(5, 250))[0]).to.be.closeTo(0, 1e-9);
    const [little] = distinctiveness(four(2, 1000), four(1, 1000));
    const [much] = distinctiveness(four(200, 100_000), four(100, 100_000));
    expect(much).to.be.above(2 * little);
  });

  it('is seldom found where groups were drawn at random, and found where one was made', () => {
    const { texts } = knownThemes(2, 24);
    const found = falselyDistinct(texts, 8);
    expect(found.concepts).to.be.below(6);
    expect(found.groupings).to.be.at.most(7.5);
    const study = exampleStudy(
      texts.map((text, i) => ({
        name: `${i}`,
        text: i < 8 ? `${text}\n\n${'The anvil rang. '.repeat(3 + (i % 3))}` : text,
      })),
    );
    const tokens = study.compute('tokens');
    const words = wordsPerSource(tokens);
    const anvil = Array.from(tokens.type.keys()).filter((t) => tokens.forms[tokens.type[t]] === 'anvil');
    const [group, rest] = [emptySide(1), emptySide(1)];
    workingSources(study.state).forEach(({ name }, s) => {
      const from = tokens.sentenceFirst[tokens.sourceFirst[s]];
      const to = tokens.sentenceFirst[tokens.sourceFirst[s + 1]];
      const mentions = anvil.filter((t) => t >= from && t < to).length;
      addSource(Number(name) < 8 ? group : rest, new Map([[0, mentions]]), words[s]);
    });
    expect(distinctiveness(group, rest)[0]).to.be.above(1.96);
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
    const stopWords = new Map([
      ['the', 'everywhere'],
      ['of', 'everywhere'],
      ['was', 'everywhere'],
    ] as const);
    const { pairs, total } = wordPairs(tokens, () => stopWords, 10);
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
    written: 'driver',
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
