import { expect } from 'chai';
import fc from 'fast-check';
import { knownThemes } from '../../../bench/known-themes.ts';
import { nullCollection, NULL_KINDS } from '../../../bench/nulls.ts';
import type { Counts } from '../../src/network/counts.ts';
import { chanceBetween, chanceOfCount, weighEvidence } from '../../src/network/evidence.ts';
import { windowWeights } from '../../src/network/residuals.ts';
import type { Windows } from '../../src/network/windows.ts';
import { seededRandom } from '../../src/numeric/random.ts';
import { exampleStudy } from '../examples.ts';

/** Counts and windows of sources whose windows hold the concepts listed; each window is one word long or as long as said. */
function made(
  size: number,
  sources: readonly (readonly (readonly number[])[])[],
  length: (source: number, window: number) => number = () => 1,
): { counts: Counts; windows: Windows } {
  const windowFirst = [0];
  const inWindow: number[] = [];
  const together = new Int32Array(size * size);
  const [first, end, source]: number[][] = [[], [], []];
  let token = 0;
  sources.forEach((windows, s) => {
    windows.forEach((concepts, w) => {
      inWindow.push(...concepts);
      windowFirst.push(inWindow.length);
      for (const a of concepts) for (const b of concepts) together[a * size + b]++;
      first.push(token);
      end.push((token += length(s, w)));
      source.push(s);
    });
  });
  const windowsWith = Int32Array.from({ length: size }, (_, i) => together[i * size + i]);
  return {
    counts: {
      windowFirst: Int32Array.from(windowFirst),
      inWindow: Int32Array.from(inWindow),
      windowsWith,
      together,
    },
    windows: {
      count: source.length,
      first: Int32Array.from(first),
      end: Int32Array.from(end),
      source: Int32Array.from(source),
      overlap: 1,
    },
  };
}

/** A source of windows in which concepts stand by chance. */
const dealt = (random: () => number, windows: number, rates: readonly number[]): number[][] =>
  Array.from({ length: windows }, () => rates.flatMap((rate, i) => (random() < rate ? [i] : [])));

describe('the evidence for a pair', () => {
  it('expects, in one source, what the margins of the table say', () => {
    const random = seededRandom(1);
    const { counts, windows } = made(2, [dealt(random, 50, [0.4, 0.3])]);
    const { expected } = weighEvidence(counts, windows);
    expect(expected[1]).to.be.closeTo((counts.windowsWith[0] * counts.windowsWith[1]) / 50, 1e-9);
  });

  it('varies, dealt anew, as shuffling the windows does', () => {
    const random = seededRandom(3);
    const source = dealt(random, 60, [0.4, 0.3]);
    const { counts, windows } = made(2, [source]);
    const { expected, dispersion } = weighEvidence(counts, windows);
    const second = source.map((list) => list.includes(1));
    const met: number[] = [];
    for (let draw = 0; draw < 4000; draw++) {
      const order = second.map((has) => ({ has, at: random() })).sort((a, b) => a.at - b.at);
      met.push(source.filter((list, w) => list.includes(0) && order[w].has).length);
    }
    const mean = met.reduce((a, b) => a + b) / met.length;
    const variance = met.reduce((sum, each) => sum + (each - mean) ** 2, 0) / met.length;
    expect(mean).to.be.closeTo(expected[1], 0.15);
    // What is estimated from one series strays from what all arrangements give.
    expect((dispersion[1] * expected[1]) / variance).to.be.within(0.5, 1.9);
  });

  it('is weaker where both come in bursts', () => {
    const random = seededRandom(5);
    const single = Array.from({ length: 400 }, () => (random() < 0.25 ? [0, 1] : []));
    const bursts = Array.from({ length: 400 }, (_, w) => (Math.floor(w / 10) % 4 === 0 ? [0, 1] : []));
    const chanceOf = (source: number[][]): number => {
      const { counts, windows } = made(2, [source]);
      return weighEvidence(counts, windows).pWithin[1];
    };
    expect(chanceOf(bursts)).to.be.above(chanceOf(single));
  });

  it('is of which sources hold both where each is in all windows of some', () => {
    const sources = Array.from({ length: 12 }, (_, s) =>
      Array.from({ length: 20 }, () => (s < 6 ? [0, 1] : [2])),
    );
    const { counts, windows } = made(3, sources);
    const { pWithin, pBetween, betweenUp } = weighEvidence(counts, windows);
    expect(pWithin[1]).to.equal(1);
    // Fisher's exact test of six and six: 2 / C(12, 6).
    expect(pBetween[1]).to.be.closeTo(2 / 924, 1e-9);
    expect([betweenUp[1], betweenUp[2]]).to.deep.equal([1, 0]);
  });

  it('says nothing of which sources hold both where all hold both alike', () => {
    // Each third of windows of each source: what rounding leaves of the departures is no company.
    const sources = Array.from({ length: 14 }, (_, s) =>
      Array.from({ length: 3 * (4 + s) }, (_, w) => (w % 3 === 0 ? [0, 1] : w % 3 === 1 ? [2] : [])),
    );
    const { counts, windows } = made(3, sources, (_, w) => [7, 11, 13][w % 3]);
    const { pBetween, spread } = weighEvidence(counts, windows);
    expect([...spread.length]).to.deep.equal([0, 0, 0]);
    expect([...pBetween]).to.deep.equal(Array<number>(9).fill(1));
  });

  it('takes short sources together: answers of one window are judged beside each other', () => {
    const random = seededRandom(7);
    const sources = Array.from({ length: 200 }, () => {
      const about = random() < 0.3;
      return [about ? [0, 1] : random() < 0.2 ? [2] : []];
    });
    const { counts, windows } = made(3, sources);
    const { pWithin, pBetween } = weighEvidence(counts, windows);
    expect(pWithin[1]).to.be.below(1e-6);
    expect(pBetween[1]).to.equal(1);
  });

  it('expects more of long windows', () => {
    const source = Array.from({ length: 40 }, (_, w) => (w % 2 ? [0, 1] : []));
    const { counts, windows } = made(2, [source], (_, w) => (w % 2 ? 40 : 4));
    // The long windows hold everything, and so both.
    expect(weighEvidence(counts, windows).expected[1]).to.be.closeTo(20, 0.1);
  });

  it('finds nothing where there is nothing, and gives chances', () => {
    const { counts, windows } = made(2, [[[], []], [[0]]]);
    const { pWithin, pBetween } = weighEvidence(counts, windows);
    expect([pWithin[1], pBetween[1]]).to.deep.equal([1, 1]);
    const none = made(0, []);
    expect(weighEvidence(none.counts, none.windows).pWithin).to.have.length(0);
    fc.assert(
      fc.property(
        fc.nat(200),
        fc.double({ min: 0.001, max: 100, noNaN: true }),
        fc.double({ min: 0.05, max: 9, noNaN: true }),
        (count, mean, dispersion) => {
          expect(chanceOfCount(count, mean, dispersion)).to.be.within(0, 1);
        },
      ),
    );
  });

  it('is the Poisson chance of a count that varies as one', () => {
    expect(chanceOfCount(3, 0.5, 1 / 1.08)).to.be.closeTo(2 * (1 - Math.exp(-0.5) * (1 + 0.5 + 0.125)), 1e-9);
    expect(chanceOfCount(0, 3, 1 / 1.08)).to.be.closeTo(2 * Math.exp(-3), 1e-9);
    expect(chanceBetween({ shared: 1, lengths: 1, clusters: 3 }, { first: 3, second: 3, both: 3 })).to.equal(
      1,
    );
  });
});

describe('separate meetings', () => {
  it('are windows with both that do not overlap', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.boolean(), { minLength: 1, maxLength: 12 }), { maxLength: 4 }),
        (sources) => {
          const { counts, windows } = made(
            2,
            sources.map((list) => list.map((has) => (has ? [0, 1] : [0]))),
          );
          // Windows of three that slide by one, and end with their source.
          const sourceEnd = new Map(Array.from(windows.source, (source, w) => [source, windows.end[w]]));
          const sliding = {
            ...windows,
            end: windows.end.map((end, w) => Math.min(end + 2, sourceEnd.get(windows.source[w]) ?? end)),
          };
          let [meetings, free] = [0, 0];
          windows.first.forEach((first, w) => {
            if (counts.windowFirst[w + 1] - counts.windowFirst[w] < 2 || first < free) return;
            meetings++;
            free = sliding.end[w];
          });
          const found = weighEvidence(counts, sliding);
          expect(found.meetings[1]).to.equal(meetings);
          expect(found.sources[1]).to.equal(sources.filter((list) => list.includes(true)).length);
        },
      ),
    );
  });
});

describe('the weight of a window', () => {
  const sources = [[[0, 1], [0], [1], [0, 1], [0], [1], [0, 1], [1]]];
  const { counts, windows } = made(2, sources);
  const weighted = (content: readonly number[]): number[] => [
    ...windowWeights({ ...counts, content: Int32Array.from(content) }, windows),
  ];
  const alike = windowWeights(counts, windows)[0];

  it('grows with how much else of content it holds, as in the example worked by hand', () => {
    // Mean 6, variance 16: 10 of 16 are more than counting makes, and √(10/16) of the way from the mean is gone.
    const [thick, thin] = [1 + Math.sqrt(10 / 16) * (10 / 6 - 1), 1 + Math.sqrt(10 / 16) * (2 / 6 - 1)];
    const weights = weighted([10, 2, 10, 2, 10, 2, 10, 2]);
    expect(weights[0]).to.be.closeTo(alike * thick, 1e-12);
    expect(weights[1]).to.be.closeTo(alike * thin, 1e-12);
  });

  it('is what windows of its length hold, where content differs by no more than counting makes it', () => {
    expect(weighted([6, 7, 5, 6, 8, 4, 6, 6])).to.deep.equal(Array.from(windowWeights(counts, windows)));
    expect(weighted([0, 0, 0, 0, 0, 0, 0, 0])).to.deep.equal(Array.from(windowWeights(counts, windows)));
  });

  it('is never nothing', () => {
    for (const weight of weighted([90, 0, 0, 0, 0, 0, 0, 0])) expect(weight).to.be.above(0);
  });
});

describe('links and themes', () => {
  const studyOf = (texts: readonly string[]) => {
    const study = exampleStudy(texts.map((text, i) => ({ name: `${i}`, text })));
    study.decide({ kind: 'setConcepts', change: { maximumSourceShare: 1 } });
    return study;
  };
  for (const kind of NULL_KINDS) {
    it(`are not made of nothing: ${kind}`, () => {
      const study = studyOf(nullCollection(kind, 4));
      expect(study.compute('links').standing).to.be.at.most(15);
      expect(study.compute('themes').themes.length).to.be.at.most(1);
      // All nouns, as those that stand out were chosen by the company they keep.
      study.decide({ kind: 'setConcepts', change: { size: 80 } });
      const { pWithin, pBetween, size } = study.compute('evidence');
      const pairs = (size * (size - 1)) / 2;
      const low = (p: Float64Array): number => p.filter((each) => each < 0.05).length / pairs;
      expect(low(pWithin)).to.be.below(0.07);
      expect(low(pBetween)).to.be.below(0.08);
    });
  }

  it('that were planted are found', () => {
    const { texts, themesOf } = knownThemes(2, 36);
    const study = studyOf(texts);
    const { keys } = study.compute('concepts');
    const { themes } = study.compute('themes');
    expect(themes).to.have.length(8);
    for (const { concepts } of themes) {
      const of = concepts.map((concept) => themesOf.get(keys[concept]) ?? []);
      const votes = Array.from({ length: 8 }, (_, theme) => of.filter((each) => each.includes(theme)).length);
      expect(Math.max(...votes)).to.be.at.least(concepts.length - 2);
    }
  });
});
