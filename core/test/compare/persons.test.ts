import { expect } from 'chai';
import fc from 'fast-check';
import { inPersons } from '../../src/compare/persons.ts';
import type { SourceStrength } from '../../src/compare/source-strength.ts';
import { compareGroups } from '../../src/compare/strength.ts';
import { strengthOverTime } from '../../src/compare/time.ts';
import { addSources, contrastSides, emptySide } from '../../src/concepts/distinct.ts';
import { exampleStudy } from '../examples.ts';

/** Sources with their windows, those that speak to one theme and the other, and their group. */
const people = fc.array(
  fc.record({
    parts: fc.array(fc.tuple(fc.nat(6), fc.nat(6), fc.nat(6)), { minLength: 1, maxLength: 4 }),
    group: fc.nat(1),
  }),
  { minLength: 3, maxLength: 8 },
);

const strengthOf = (rows: readonly (readonly [number, number, number])[]): SourceStrength => ({
  windows: Int32Array.from(rows, ([quiet, a, b]) => quiet + a + b),
  speaking: Int32Array.from(rows.flatMap(([, a, b]) => [a, b])),
  rowCount: 2,
  overlap: 1,
});

describe('sources of one person', () => {
  it('are one, and those of a person in two groups one in each', () => {
    const { byPerson, groupOf, sources } = inPersons(
      { windows: Int32Array.of(4, 2, 3), speaking: Int32Array.of(1, 2, 3), rowCount: 1, overlap: 1 },
      [0, 0, 1],
      [5, 5, 5],
    );
    expect([...byPerson.windows]).to.deep.equal([6, 3]);
    expect([...byPerson.speaking]).to.deep.equal([3, 3]);
    expect([...groupOf]).to.deep.equal([0, 1]);
    expect(sources).to.deep.equal([[0, 1], [2]]);
  });

  it('give the intervals, the tests and the courses that one source each of the whole would', () => {
    fc.assert(
      fc.property(people, (said) => {
        const whole = strengthOf(
          said.map(({ parts }) =>
            parts.reduce<[number, number, number]>(
              (sum, part) => [sum[0] + part[0], sum[1] + part[1], sum[2] + part[2]],
              [0, 0, 0],
            ),
          ),
        );
        const parted = strengthOf(said.flatMap(({ parts }) => parts));
        const personOf = said.flatMap(({ parts }, p) => parts.map(() => p));
        const groups = said.map(({ group }) => group);
        const groupOf = personOf.map((p) => groups[p]);
        const named = ['a', 'b'];
        const expected = compareGroups(whole, groups, named, 1);
        const found = compareGroups(parted, groupOf, named, 1, personOf);
        expect(found.p).to.deep.equal(expected.p);
        expect(found.findable).to.deep.equal(expected.findable);
        expected.groups.forEach(({ strengths, persons, windows }, g) => {
          expect(found.groups[g]).to.include({ persons, windows });
          strengths.forEach(({ low, high, effect }, t) =>
            expect(found.groups[g].strengths[t]).to.include({ low, high, effect }),
          );
        });
        const day = (p: number): string => `203${p % 3}-05-01`;
        const course = (bySource: SourceStrength, of: readonly number[], persons: readonly number[] | null) =>
          strengthOverTime(
            bySource,
            of.map(day),
            { names: ['all'], groupOf: of.map(() => 0), personOf: persons },
            'year',
          ).courses.map(({ mean, periods, trends }) => ({
            // The sums are taken in another order.
            mean: mean.map(({ low, high }) => [low.toFixed(9), high.toFixed(9)]),
            periods: periods.map(({ strengths }) =>
              strengths.map(({ low, high }) => [low.toFixed(9), high.toFixed(9)]),
            ),
            trends,
          }));
        expect(course(parted, personOf, personOf)).to.deep.equal(course(whole, [...said.keys()], null));
      }),
      { numRuns: 60 },
    );
  });

  it('are one side of a contrast each', () => {
    const mentions = [2, 3, 1, 4, 0, 2].map((count) => new Map([[0, count]]));
    const words = [100, 120, 90, 110, 80, 100];
    const contrast = (personOf: readonly number[] | null, said: typeof mentions, lengths: number[]) => {
      const sides = [emptySide(1), emptySide(1)];
      const half = said.length / 2;
      addSources(
        said.map((_, s) => sides[s < half ? 0 : 1]),
        { mentions: said, words: lengths },
        personOf,
      );
      return contrastSides(sides[0], sides[1]);
    };
    const cut = mentions.flatMap((each) => [each, new Map([[0, 1]])]);
    const lengths = words.flatMap((each) => [each, 50]);
    const persons = cut.map((_, i) => Math.floor(i / 2));
    const joined = mentions.map((each) => new Map([[0, (each.get(0) ?? 0) + 1]]));
    expect(contrast(persons, cut, lengths)).to.deep.equal(
      contrast(
        null,
        joined,
        words.map((each) => each + 50),
      ),
    );
  });

  it('are one where concepts are chosen and links judged', () => {
    const line = (i: number): string =>
      `The driver waits at the depot in winter number ${i}, and the night is long. `;
    const texts = Array.from({ length: 6 }, (_, i) => ({
      name: `p${Math.floor(i / 2)}_${(i % 2) + 1}.txt`,
      text: Array.from({ length: 12 }, (_, k) => line(12 * i + k)).join(''),
      attributes: { person: `p${Math.floor(i / 2)}` },
    }));
    const study = exampleStudy(texts);
    study.decide({ kind: 'setWindows', change: { repeated: true } });
    const each = study.compute('candidates');
    const driver = each.keys.indexOf('driver');
    expect(each.persons[driver]).to.equal(6);
    expect(each.effectiveSources[driver]).to.be.closeTo(6, 1e-9);
    expect(study.compute('evidence').residuals.clusters).to.equal(6);
    study.decide({ kind: 'setSources', change: { person: 'person' } });
    const told = study.compute('candidates');
    expect(told.sources[driver]).to.equal(6);
    expect(told.persons[driver]).to.equal(3);
    expect(told.effectiveSources[driver]).to.be.closeTo(3, 1e-9);
    expect(study.compute('evidence').residuals.clusters).to.equal(3);
    study.decide({
      kind: 'tellPersons',
      attribute: 'person',
      persons: Object.fromEntries(study.state.sources.map(({ id }) => [id, 'one'])),
    });
    expect(study.compute('resampled').draws, 'of one person nothing can be drawn').to.equal(0);
  });
});
