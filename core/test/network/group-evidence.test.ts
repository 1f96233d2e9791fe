import { expect } from 'chai';
import { knownThemes } from '../../../bench/known-themes.ts';
import { clusterSummer } from '../../src/network/cluster-sums.ts';
import {
  CHANCE_NUMBERS,
  chanceAdder,
  chancesAgain,
  PRODUCT,
  VARIANCE,
} from '../../src/network/chance-sums.ts';
import { evidenceOfDraws } from '../../src/network/resampled-evidence.ts';
import { chanceBetween, weighEvidence, type Evidence } from '../../src/network/evidence.ts';
import { chanceOfSameSources, chanceWithGroups } from '../../src/network/group-evidence.ts';
import { heldByCluster } from '../../src/network/residuals.ts';
import { departuresOf, sharedByClusters } from '../../src/network/spread.ts';
import { exampleStudy } from '../examples.ts';

const study = exampleStudy(knownThemes(3, 14).texts.map((text, i) => ({ name: `${i}`, text })));
const [counts, windows] = [study.compute('counts'), study.compute('windows')];
const evidence = weighEvidence(counts, windows);
/** Sources drawn, one of them three times and some not at all. */
const drawn = evidenceOfDraws(counts, windows)([0, 1, 1, 2, 3, 3, 3, 5, 6, 8, 9, 9, 11, 12]);

/** Of each cluster that counts, as often as it counts: what is told of it. */
const byCluster = <Told>(
  { residuals: { clusters, times } }: Evidence,
  tell: (cluster: number) => Told,
): Told[] =>
  Array.from({ length: clusters }, (_, b) => b).flatMap((b) => Array<Told>(times[b]).fill(tell(b)));

describe('what two concepts share because the same sources speak of both', () => {
  for (const [which, weighed] of Object.entries({ 'as they are': evidence, 'as they were drawn': drawn }))
    it(`is the product of their departures, of sources ${which}`, () => {
      const { size, residuals } = weighed;
      const departures = departuresOf(residuals, weighed.spread);
      const sumsOf = clusterSummer(residuals, windows);
      const sums = new Float64Array(CHANCE_NUMBERS * size * size);
      const adder = chanceAdder(residuals, new Uint8Array(size * size), sums);
      for (let b = 0; b < residuals.clusters; b++) adder.add(b, sumsOf(b).covariance, residuals.times[b]);
      adder.finish();
      let largest = 0;
      for (let i = 0; i < size; i++) {
        for (let j = i + 1; j < size; j++) {
          const departure = (concept: number, b: number): number =>
            departures[concept * residuals.clusters + b];
          const expected = byCluster(weighed, (b) => departure(i, b) * departure(j, b)).reduce(
            (sum, each) => sum + each,
            0,
          );
          const product = sums[CHANCE_NUMBERS * (i * size + j) + PRODUCT];
          expect(sharedByClusters(weighed.spread, i, j, product), `${i} and ${j}`).to.be.closeTo(
            expected,
            1e-9,
          );
          largest = Math.max(largest, Math.abs(expected));
        }
      }
      expect(largest).to.be.above(0.1);
    });
});

describe('what chance makes of the pairs of clusters', () => {
  it('is the same to the last digit, kept to be added again or gone through once', () => {
    const { size, residuals } = evidence;
    const asked = Uint8Array.from({ length: size * size }, (_, pair) => (pair % 3 === 0 ? 0 : 1));
    const sumsOf = clusterSummer(residuals, windows);
    const again = chancesAgain(residuals, asked);
    const added = [chanceAdder, again, again].map((adding) => {
      const sums = new Float64Array(CHANCE_NUMBERS * size * size);
      const adder = adding(residuals, asked, sums);
      for (let b = 0; b < residuals.clusters; b++) adder.add(b, sumsOf(b).covariance, 1 + (b % 3));
      adder.finish();
      return sums;
    });
    expect(again).to.not.equal(chanceAdder);
    expect(Math.max(...added[0].filter((_, at) => at % CHANCE_NUMBERS === VARIANCE))).to.be.above(0);
    expect(added[1]).to.deep.equal(added[0]);
    expect(added[2]).to.deep.equal(added[0]);
  });
});

describe('the evidence of a concept with a group', () => {
  const groups = 3;
  const groupOf = Int32Array.from({ length: evidence.size }, (_, i) => (i % 4 === 3 ? -1 : i % 4));

  it('is asked of its own group, and of all where it has none', () => {
    for (const weighed of [evidence, drawn]) {
      const p = chanceWithGroups(weighed, groupOf, groups);
      let beyond = 0;
      p.forEach((chance, at) => {
        const [concept, group] = [Math.floor(at / groups), at % groups];
        if (groupOf[concept] >= 0 && groupOf[concept] !== group) expect(chance).to.equal(1);
        else if (chance < 1) beyond++;
      });
      expect(beyond).to.be.above(10);
      // A loose concept is judged with a group as if it were the group's only question.
      const alone = chanceWithGroups(
        weighed,
        groupOf.map((group) => (group === 1 ? 0 : -1)),
        1,
      );
      for (let i = 3; i < evidence.size; i += 4) expect(p[i * groups + 1]).to.be.closeTo(alone[i], 1e-12);
    }
  });

  it('is, of the same sources, the correlation with all the others of the group over sources', () => {
    const asked = [0, 1, 2, 4, 5, 6];
    let below = 0;
    for (const weighed of [evidence, drawn]) {
      const { residuals, size } = weighed;
      const held = heldByCluster(residuals);
      const departures = departuresOf(residuals, weighed.spread);
      const p = chanceOfSameSources(weighed, groupOf, groups, asked);
      for (const i of asked) {
        const others = Array.from({ length: size }, (_, j) => j).filter(
          (j) => j !== i && groupOf[j] === groupOf[i],
        );
        const at = (concept: number, b: number): number => concept * residuals.clusters + b;
        const rows = byCluster(weighed, (b) => ({
          own: departures[at(i, b)],
          theirs: others.reduce((sum, j) => sum + departures[at(j, b)], 0),
          has: held[at(i, b)] > 0,
          have: others.some((j) => held[at(j, b)] > 0),
        }));
        const sum = (value: (row: (typeof rows)[number]) => number): number =>
          rows.reduce((total, row) => total + value(row), 0);
        const shared = sum(({ own, theirs }) => own * theirs);
        const expected =
          shared > 0
            ? chanceBetween(
                {
                  shared,
                  lengths: sum(({ own }) => own * own) * sum(({ theirs }) => theirs * theirs),
                  clusters: rows.length,
                },
                {
                  first: sum(({ has }) => Number(has)),
                  second: sum(({ have }) => Number(have)),
                  both: sum(({ has, have }) => Number(has && have)),
                },
              ) / 2
            : 1;
        expect(p[i], `concept ${i}`).to.be.closeTo(expected, 1e-9);
        if (p[i] < 1) below++;
      }
      expect(p[3]).to.equal(1);
    }
    expect(below).to.be.above(2);
  });
});
