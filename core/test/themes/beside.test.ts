import { expect } from 'chai';
import fc from 'fast-check';
import { buildGraph } from '../../src/network/graph.ts';
import { layBeside, whatBecame, type NamedGroup } from '../../src/themes/beside.ts';
import { coherenceOf, placeOfTheme } from '../../src/themes/figures.ts';
import type { Theme } from '../../src/themes/themes.ts';

const group = (letter: string, keys: string): NamedGroup => ({
  letter,
  label: keys.split(' ')[0],
  keys: keys.split(' '),
});
const THEN = [
  group('A', 'bus stop bench rain'),
  group('B', 'fare wage rent'),
  group('C', 'child mother school'),
];

describe('two groupings side by side', () => {
  it('say which concepts moved, came and went, and how far they agree', () => {
    const now = [group('A', 'bus stop bench'), group('B', 'fare wage rain'), group('D', 'sleep noise rent')];
    const { flows, agreement, shared } = layBeside(THEN, now);
    const said = flows.map(({ from, to, keys }) => `${from}${to} ${keys.join(' ')}`);
    expect(said).to.have.members([
      '-12 sleep noise',
      '00 bus stop bench',
      '01 rain',
      '11 fare wage',
      '12 rent',
      '2-1 child mother school',
    ]);
    expect(shared).to.equal(7);
    expect(agreement).to.be.within(0.1, 0.9);
    expect(layBeside(THEN, THEN).agreement).to.equal(1);
  });

  it('have every concept of either in one flow', () => {
    const grouping = fc.array(fc.integer({ min: -1, max: 3 }), { minLength: 8, maxLength: 8 }).map((of) =>
      [0, 1, 2, 3].map((g): NamedGroup => ({
        letter: 'ABCD'[g],
        label: '',
        keys: of.flatMap((each, i) => (each === g ? [`k${i}`] : [])),
      })),
    );
    fc.assert(
      fc.property(grouping, grouping, (then, now) => {
        const keys = layBeside(then, now).flows.flatMap((flow) => flow.keys);
        expect([...keys].sort()).to.deep.equal(
          [...new Set([...then, ...now].flatMap((each) => each.keys))].sort(),
        );
      }),
    );
  });

  it('tell in a sentence each what split, joined, went and came, and nothing of what stayed', () => {
    expect(whatBecame(THEN, THEN)).to.deep.equal([]);
    expect(
      whatBecame(THEN, [group('A', 'bus stop'), group('D', 'bench rain'), THEN[1], THEN[2]]),
    ).to.deep.equal(['A bus split into A bus and D bench.']);
    expect(whatBecame(THEN, [group('A', 'bus stop bench rain fare wage rent'), THEN[2]])).to.deep.equal([
      'A bus and B fare are one now: A bus.',
    ]);
    expect(whatBecame(THEN, [THEN[0], THEN[1], group('E', 'noise sleep hum')])).to.deep.equal([
      'C child is no theme any more.',
      'E noise is new.',
    ]);
  });
});

describe('figures of a theme', () => {
  /** 0–1–2 of one theme, 3–4–5 of another, a bridge 2–3. */
  const graph = buildGraph(6, [0, 1, 3, 4, 2], [1, 2, 4, 5, 3], [2, 1, 4, 4, 3]);
  const theme = (letter: string, concepts: readonly number[]): Theme => ({
    letter,
    label: letter,
    concepts,
    share: 0,
    by: 'found',
  });
  const themes = [theme('A', [0, 1, 2]), theme('B', [3, 4, 5])];
  const themeOf = Int32Array.of(0, 0, 0, 1, 1, 1);

  it('are the mean strength of its pairs inside, and of its links outside by concept', () => {
    expect(placeOfTheme(graph, themes, themeOf, 0)).to.deep.equal({
      density: 1,
      centrality: 1,
      ties: [{ theme: 1, strength: 3 }],
    });
    expect(placeOfTheme(graph, themes, themeOf, 1).density).to.equal(8 / 3);
  });

  it('count the coherence of its ten first concepts alone', () => {
    const many = theme('A', [...Array(12).keys()]);
    expect(coherenceOf(many, (a, b) => (a > 9 || b > 9 ? 100 : 0.5))).to.equal(0.5);
    expect(coherenceOf(theme('A', [1]), () => 1)).to.equal(0);
  });
});
