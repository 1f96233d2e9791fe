import { expect } from 'chai';
import fc from 'fast-check';
import type { Counts } from '../../src/network/counts.ts';
import { clusterSummer } from '../../src/network/cluster-sums.ts';
import { seriesIn } from '../../src/network/autocovariance.ts';
import { meetingsOf } from '../../src/network/meetings.ts';
import { residualsOf } from '../../src/network/residuals.ts';
import { departuresOf, spreadAdder } from '../../src/network/spread.ts';
import type { Windows } from '../../src/network/windows.ts';

const SIZE = 5;

/** Sources of sentences of some concepts; windows are of two sentences in a row. */
const sources = fc.array(
  fc.array(fc.uniqueArray(fc.nat(SIZE - 1), { maxLength: 4 }), { minLength: 1, maxLength: 14 }),
  { minLength: 1, maxLength: 6 },
);

interface Laid {
  readonly counts: Counts;
  readonly windows: Windows;
  /** Concepts of each window, in the order they stand in. */
  readonly held: readonly (readonly number[])[];
}

function laid(texts: readonly (readonly (readonly number[])[])[]): Laid {
  const held: number[][] = [];
  const [first, end, source]: number[][] = [[], [], []];
  let sentence = 0;
  texts.forEach((sentences, s) => {
    for (let at = 0; at < sentences.length; at++) {
      held.push([...new Set([...sentences[at], ...(sentences[at + 1] ?? [])])]);
      first.push(sentence + at);
      end.push(sentence + Math.min(at + 2, sentences.length));
      source.push(s);
    }
    sentence += sentences.length;
  });
  const together = new Int32Array(SIZE * SIZE);
  for (const window of held) for (const a of window) for (const b of window) together[a * SIZE + b]++;
  const starts = [0];
  for (const window of held) starts.push(starts[starts.length - 1] + window.length);
  return {
    counts: {
      windowFirst: Int32Array.from(starts),
      inWindow: Int32Array.from(held.flat()),
      windowsWith: Int32Array.from({ length: SIZE }, (_, i) => together[i * SIZE + i]),
      together,
    },
    windows: {
      count: held.length,
      first: Int32Array.from(first),
      end: Int32Array.from(end),
      source: Int32Array.from(source),
      overlap: 2,
    },
    held,
  };
}

const pairs = Array.from({ length: SIZE }, (_, i) => i).flatMap((i) =>
  Array.from({ length: SIZE - i - 1 }, (_, k): readonly [number, number] => [i, i + k + 1]),
);

describe('meetings', () => {
  it('are windows with both that do not overlap, and the sources they are in, as by looking at each pair', () => {
    fc.assert(
      fc.property(sources, (texts) => {
        const { counts, windows, held } = laid(texts);
        const sums = meetingsOf(counts, windows);
        for (const [i, j] of pairs) {
          const both = held.flatMap((window, w) => (window.includes(i) && window.includes(j) ? [w] : []));
          let [meetings, free] = [0, 0];
          for (const w of both) {
            if (windows.first[w] < free) continue;
            meetings++;
            free = windows.end[w];
          }
          const pair = i * SIZE + j;
          expect(sums.together[pair], 'windows').to.equal(both.length);
          expect(sums.meetings[pair], 'meetings').to.equal(meetings);
          expect(sums.sources[pair], 'sources').to.equal(new Set(both.map((w) => windows.source[w])).size);
        }
      }),
    );
  });

  it('are as many where they are told cluster by cluster, whatever clusters were told before', () => {
    fc.assert(
      fc.property(sources, (texts) => {
        const { counts, windows } = laid(texts);
        const residuals = residualsOf(counts, windows);
        const sumsOf = clusterSummer(residuals, windows);
        const whole = meetingsOf(counts, windows);
        const added = new Map<number, number[]>();
        for (let b = residuals.clusters - 1; b >= 0; b--) {
          const { met } = sumsOf(b);
          expect(sumsOf(b).met).to.deep.equal(met);
          for (let k = 0; k < met.length; k += 4) {
            const before = added.get(met[k]) ?? [0, 0, 0];
            added.set(
              met[k],
              before.map((sum, n) => sum + met[k + 1 + n]),
            );
          }
        }
        for (const [i, j] of pairs) {
          const pair = i * SIZE + j;
          expect(added.get(pair) ?? [0, 0, 0]).to.deep.equal([
            whole.together[pair],
            whole.meetings[pair],
            whole.sources[pair],
          ]);
        }
      }),
    );
  });
});

describe('how concepts are spread over clusters', () => {
  it('is the squared length of what they are more or less than even, cluster by cluster', () => {
    fc.assert(
      fc.property(sources, fc.array(fc.nat(3), { minLength: 7, maxLength: 7 }), (texts, often) => {
        const { counts, windows } = laid(texts);
        const once = residualsOf(counts, windows);
        const residuals = {
          ...once,
          times: Float64Array.from({ length: once.clusters }, (_, b) => often[b]),
        };
        const seriesOf = seriesIn(residuals);
        const adder = spreadAdder(residuals);
        for (let b = 0; b < residuals.clusters; b++)
          if (often[b] > 0) adder.add(b, seriesOf(b).ofSum, often[b]);
        const spread = adder.done();
        const departures = departuresOf(residuals, spread);
        for (let i = 0; i < SIZE; i++) {
          let [length, clusters] = [0, 0];
          for (let b = 0; b < residuals.clusters; b++) {
            length += often[b] * departures[i * residuals.clusters + b] ** 2;
            const [from, to] = [residuals.presentFirst[b], residuals.presentFirst[b + 1]];
            if (residuals.present.subarray(from, to).includes(i)) clusters += often[b];
          }
          expect(spread.length[i]).to.be.closeTo(length, 1e-9);
          expect(spread.clustersWith[i]).to.equal(clusters);
          expect(spread.ownShare[i]).to.be.within(0, 1);
        }
      }),
    );
  });
});
