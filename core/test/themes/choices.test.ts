import { expect } from 'chai';
import fc from 'fast-check';
import { buildGraph, type Graph } from '../../src/network/graph.ts';
import { seededRandom } from '../../src/numeric/random.ts';
import { decide, type Decision } from '../../src/study/decisions.ts';
import { choicesOf, cutsBeside } from '../../src/themes/braid.ts';
import { holdConcepts, joinedInto, networkAround, NO_CHOICES, withHeld } from '../../src/themes/choices.ts';
import { matchThemes } from '../../src/themes/identity.ts';
import { modularity } from '../../src/themes/modularity.ts';
import { indexOfLetter, letterAfter, letterAt } from '../../src/themes/letters.ts';
import { splitTheme } from '../../src/themes/split.ts';
import type { ThemesView } from '../../src/views/view-types.ts';
import { asking, exampleStudy, type ExampleStudy } from '../examples.ts';

const KEYS = ['a', 'b', 'c', 'd', 'e', 'f'];
/** Two triangles, a–b–c and d–e–f, with a thin link between c and d. */
const TRIANGLES = buildGraph(6, [0, 0, 1, 3, 3, 4, 2], [1, 2, 2, 4, 5, 5, 3], [2, 2, 2, 2, 2, 2, 0.5]);

describe('what is held of concepts', () => {
  it('is out where it is aside, locked or begun and closed; a concept is held once', () => {
    const held = holdConcepts(
      {
        ...NO_CHOICES,
        aside: { A: { name: 'noise', keys: ['a', 'gone'] } },
        locked: { B: ['a', 'b'], C: ['gone'] },
        begun: { D: { keys: ['c'], grows: false }, E: { keys: ['b', 'd'], grows: true } },
      },
      KEYS,
    );
    expect(Array.from(held.out)).to.deep.equal([1, 1, 1, 0, 0, 0]);
    expect(held.closed).to.deep.equal([
      { letter: 'B', by: 'locked', concepts: [1] },
      { letter: 'D', by: 'begun', concepts: [2] },
    ]);
    expect(held.seeds).to.deep.equal([{ letter: 'E', by: 'begun', concepts: [3] }]);
  });

  it('makes a network without what is out, and with a seed as one', () => {
    const held = holdConcepts(
      { ...NO_CHOICES, locked: { A: ['a'] }, begun: { B: { keys: ['b', 'd'], grows: true } } },
      KEYS,
    );
    const around = networkAround(TRIANGLES, held);
    // c keeps its link to b and the thin one to d, which is b's seed; e and f their links to d, and to each other.
    expect(around.weight.reduce((sum, weight) => sum + weight, 0)).to.equal(2 * (2 + 0.5 + 2 + 2 + 2));
    // What chance would make of them is as in the whole.
    expect(around.totalDegree).to.equal(TRIANGLES.totalDegree);
    expect(around.degree[1]).to.equal(TRIANGLES.degree[1] + TRIANGLES.degree[3]);
    expect([around.degree[0], around.degree[3]]).to.deep.equal([0, 0]);
    expect(networkAround(TRIANGLES, holdConcepts(NO_CHOICES, KEYS))).to.equal(TRIANGLES);
  });

  it('changes nothing of which grouping of the others is better, by how much', () => {
    const size = 24;
    for (let seed = 1; seed <= 20; seed++) {
      const random = seededRandom(seed, 0);
      const [source, target, weight]: number[][] = [[], [], []];
      for (let v = 0; v < size; v++) {
        for (let u = 0; u < v; u++) {
          if (random() < 0.6) continue;
          source.push(v);
          target.push(u);
          weight.push(0.1 + random());
        }
      }
      const graph = buildGraph(size, source, target, weight);
      const keys = Array.from({ length: size }, (_, i) => `${i}`);
      const locked = keys.slice(0, 7);
      const around = networkAround(graph, holdConcepts({ ...NO_CHOICES, locked: { A: locked } }, keys));
      const [one, other] = [0, 1].map(() =>
        Int32Array.from({ length: size }, (_, i) => (i < locked.length ? 9 : Math.floor(4 * random()))),
      );
      const better = (network: Graph): number =>
        modularity(network, one, 1.3) - modularity(network, other, 1.3);
      expect(better(around), `seed ${seed}`).to.be.closeTo(better(graph), 1e-12);
    }
  });

  it('nor does a theme that others may join: with it as one, each grouping is as much better as with its concepts', () => {
    const keys = ['a', 'b', 'c', 'd', 'e', 'f'];
    const held = holdConcepts({ ...NO_CHOICES, begun: { B: { keys: ['a', 'b'], grows: true } } }, keys);
    const around = networkAround(TRIANGLES, held);
    const groupings = [
      [0, 0, 0, 1, 1, 1],
      [0, 0, 1, 1, 2, 2],
      [0, 0, 0, 0, 1, 1],
    ].map((each) => Int32Array.from(each));
    // In the network around it the theme is its first concept; its other has no part.
    const alone = (grouping: Int32Array): Int32Array => grouping.map((each, i) => (i === 1 ? 9 : each));
    const [first, ...others] = groupings;
    for (const other of others) {
      const inWhole = modularity(TRIANGLES, first, 0.8) - modularity(TRIANGLES, other, 0.8);
      const inAround = modularity(around, alone(first), 0.8) - modularity(around, alone(other), 0.8);
      expect(inAround).to.be.closeTo(inWhole, 1e-12);
    }
  });

  it('is kept in a grouping: seeds together and apart from other seeds, what is out alone', () => {
    const held = holdConcepts(
      {
        ...NO_CHOICES,
        locked: { A: ['f'] },
        begun: { B: { keys: ['a'], grows: true }, C: { keys: ['d', 'e'], grows: true } },
      },
      KEYS,
    );
    const community = withHeld(Int32Array.of(0, 0, 0, 0, 1, 0), TRIANGLES, held);
    const same = (i: number, j: number): boolean => community[i] === community[j];
    expect([same(0, 1), same(0, 2), same(3, 4), same(0, 3), same(5, 0), same(5, 3)]).to.deep.equal([
      true,
      true,
      true,
      false,
      false,
      false,
    ]);
  });

  it('follows joins to their end, and stops in a ring', () => {
    expect(joinedInto({ A: 'B', B: 'C' }, 'A')).to.equal('C');
    expect(['A', 'B', 'C']).to.include(joinedInto({ A: 'B', B: 'C', C: 'A' }, 'A'));
    expect(joinedInto({}, 'constructor')).to.equal('constructor');
  });

  it('keeps its letters from every other theme', () => {
    const { letters, register } = matchThemes([['x'], ['y']], [], new Map([['B', ['z']]]));
    expect(letters).to.deep.equal(['A', 'C']);
    expect(register.map(({ letter, members }) => letter + members.join(''))).to.deep.equal([
      'Ax',
      'Bz',
      'Cy',
    ]);
    expect(letterAfter(['A', 'Z', 'C'])).to.equal('AA');
    for (let i = 0; i < 800; i += 7) expect(indexOfLetter(letterAt(i))).to.equal(i);
  });
});

describe('a theme that is split', () => {
  it('falls into the parts its links make, and stays whole where nothing parts it', () => {
    expect(splitTheme(TRIANGLES, [0, 1, 2, 3, 4, 5], 1).map((part) => [...part].sort())).to.deep.equal([
      [0, 1, 2],
      [3, 4, 5],
    ]);
    expect(splitTheme(TRIANGLES, [0, 1, 2], 1)).to.deep.equal([[0, 1, 2]]);
    expect(splitTheme(TRIANGLES, [], 1)).to.deep.equal([[]]);
  });
});

describe('how many themes', () => {
  it('are the numbers found, each where it comes back best, and the best of the others are laid beside them', () => {
    const point = (themes: number, resolution: number, steadiness: number) => ({
      themes,
      resolution,
      steadiness,
      modularity: 0,
      plateau: 0,
    });
    const choices = choicesOf([
      point(2, 0.3, 0.5),
      point(7, 1, 0.8),
      point(2, 0.4, 0.9),
      point(9, 2, 0.4),
      point(0, 3, 1),
    ]);
    expect(
      choices.map(({ themes, resolution, resolutions }) => [themes, resolution, resolutions]),
    ).to.deep.equal([
      [2, 0.4, 2],
      [7, 1, 1],
      [9, 2, 1],
    ]);
    expect(cutsBeside(choices, 7).map(({ themes }) => themes)).to.deep.equal([2, 9]);
    const many = choicesOf(Array.from({ length: 12 }, (_, i) => point(2 + i, 0.3 + i / 5, (i % 5) / 5)));
    // Five others at most, those that come back best, from the fewest to the most.
    expect(cutsBeside(many, 4).map(({ themes }) => themes)).to.deep.equal([5, 6, 9, 10, 11]);
  });
});

const TOPICS = ['rain shelter bench wind', 'fare wage rent pass', 'mother school weekend childcare'].map(
  (topic) => topic.split(' '),
);
/** Talk of three topics, a paragraph each; umbrella, no concept yet, goes with the rain. */
function talks(): ExampleStudy {
  const paragraph = (t: number, i: number): string => {
    const [a, b, c, d] = TOPICS[t].map((_, at) => TOPICS[t][(at + i) % 4]);
    return `The ${a} and the ${b} came with the ${c}, and the ${d} was there.${t === 0 ? ' An umbrella helped.' : ''}`;
  };
  const study = exampleStudy(
    Array.from({ length: 9 }, (_, s) => ({
      name: `s${s}.txt`,
      text: Array.from({ length: 6 }, (__, i) => paragraph(i % 3, s + i)).join('\n\n'),
    })),
  );
  study.decide({ kind: 'setThemes', change: { runs: 3 } });
  study.decide({ kind: 'setWindows', change: { repeated: true } });
  study.decide({ kind: 'setConcepts', change: { minimumMentions: 2, phrases: false } });
  study.decide({ kind: 'dropConcepts', keys: ['umbrella'] });
  study.decide({ kind: 'leaveConcepts', keys: ['umbrella'] });
  return study;
}
const themesOf = (study: ExampleStudy): ThemesView => asking(study)('themes', null);
const letterOf = (view: ThemesView, key: string): string =>
  view.themes.find(({ concepts }) => concepts.some((concept) => concept.key === key))?.letter ?? '';

describe('what the researcher decides about themes', () => {
  it('holds: concepts are where they were put, said beside where the grouping has them', () => {
    const study = talks();
    const before = themesOf(study);
    const [rain, fare] = [letterOf(before, 'rain'), letterOf(before, 'fare')];
    expect(rain).not.to.equal(fare);
    study.decide({ kind: 'placeConcepts', keys: ['bench'], letter: fare });
    study.decide({ kind: 'placeConcepts', keys: ['pass'], letter: '' });
    const after = themesOf(study);
    expect(letterOf(after, 'bench')).to.equal(fare);
    const bench = after.themes.flatMap(({ concepts }) => concepts).find(({ key }) => key === 'bench');
    expect(bench).to.deep.include({ placed: true, foundIn: rain });
    expect(after.loose).to.deep.include({ key: 'pass', label: 'pass', placed: true });
    study.decide({ kind: 'freeConcepts', keys: ['bench', 'pass'] });
    expect(themesOf(study)).to.deep.equal(before);
  });

  it('joins, locks and sets aside, and each is taken back', () => {
    const study = talks();
    const before = themesOf(study);
    const [rain, fare, mother] = ['rain', 'fare', 'mother'].map((key) => letterOf(before, key));
    study.decide({ kind: 'joinThemes', letters: [fare], into: rain });
    const joined = themesOf(study);
    expect(joined.themes).to.have.length(2);
    expect(letterOf(joined, 'wage')).to.equal(rain);
    expect(joined.themes.find(({ letter }) => letter === rain)?.joined).to.deep.equal([fare]);
    study.decide({ kind: 'partTheme', letter: rain });
    expect(themesOf(study)).to.deep.equal(before);

    study.decide({ kind: 'lockTheme', letter: rain, keys: ['rain', 'wind'] });
    const locked = themesOf(study);
    const own = locked.themes.find(({ letter }) => letter === rain);
    expect(own?.by).to.equal('locked');
    expect(own?.concepts.map(({ key }) => key).sort()).to.deep.equal(['rain', 'wind']);
    study.decide({ kind: 'unlockTheme', letter: rain });

    study.decide({ kind: 'setThemeAside', letter: mother, name: 'home', keys: TOPICS[2] });
    const aside = themesOf(study);
    expect(aside.themes.map(({ letter }) => letter).sort()).to.deep.equal([rain, fare].sort());
    expect(aside.aside[0].concepts.map(({ key }) => key)).to.have.members(TOPICS[2]);
    expect(aside.loose.map(({ key }) => key)).not.to.include('mother');
    study.decide({ kind: 'takeThemeBack', letter: mother });
    expect(letterOf(themesOf(study), 'school')).to.equal(letterOf(themesOf(study), 'mother'));
  });

  it('begins themes with words of one’s own: others join, or none do', () => {
    const study = talks();
    const next = themesOf(study).nextLetter;
    study.decide({
      kind: 'beginThemes',
      themes: [{ letter: next, keys: ['umbrella', 'rain'] }],
      grows: true,
    });
    const grown = themesOf(study).themes.find(({ letter }) => letter === next);
    expect(grown?.by).to.equal('begun');
    expect(grown?.concepts.map(({ key }) => key)).to.include.members([
      'umbrella',
      'rain',
      'shelter',
      'bench',
    ]);
    study.decide({ kind: 'beginThemes', themes: [{ letter: next, keys: ['fare', 'rain'] }], grows: false });
    const closed = themesOf(study).themes.find(({ letter }) => letter === next);
    expect(closed?.concepts.map(({ key }) => key).sort()).to.deep.equal(['fare', 'rain']);
  });

  it('names words that would join, and takes them in', () => {
    const study = talks();
    study.decide({ kind: 'setConcepts', change: { size: 12 } });
    for (const key of ['umbrella']) study.decide({ kind: 'dropConcepts', keys: [key] });
    const rain = letterOf(themesOf(study), 'rain');
    expect(asking(study)('joiners', { letter: rain, limit: 5 }).words).to.deep.equal([]);
    study.decide({ kind: 'placeConcepts', keys: ['umbrella'], letter: rain });
    expect(letterOf(themesOf(study), 'umbrella')).to.equal(rain);
    expect(asking(study)('joiners', { letter: 'ZZ', limit: 5 }).words).to.deep.equal([]);
  });

  it('leaves every concept one place at most, locked themes as they are, and undoes to the very same', () => {
    const study = talks();
    const start = study.state;
    const first = JSON.stringify(themesOf(study));
    const key = fc.constantFrom(...TOPICS.flat(), 'umbrella', 'nobody');
    const letter = fc.constantFrom('A', 'B', 'C', 'D', 'E');
    const keys = fc.uniqueArray(key, { minLength: 1, maxLength: 3 });
    const decision: fc.Arbitrary<Decision> = fc.oneof(
      fc.record({
        kind: fc.constant('placeConcepts' as const),
        keys,
        letter: fc.oneof(letter, fc.constant('')),
      }),
      fc.record({
        kind: fc.constant('joinThemes' as const),
        letters: fc.array(letter, { minLength: 1, maxLength: 2 }),
        into: letter,
      }),
      fc.record({ kind: fc.constant('lockTheme' as const), letter, keys }),
      fc.record({ kind: fc.constant('setThemeAside' as const), letter, name: fc.constant('x'), keys }),
      fc.record({
        kind: fc.constant('beginThemes' as const),
        themes: fc.array(fc.record({ letter, keys }), { minLength: 1, maxLength: 2 }),
        grows: fc.boolean(),
      }),
      fc.record({ kind: fc.constant('unlockTheme' as const), letter }),
      fc.record({ kind: fc.constant('takeThemeBack' as const), letter }),
    );
    fc.assert(
      fc.property(fc.array(decision, { minLength: 1, maxLength: 6 }), (decisions) => {
        study.state = decisions.reduce(decide, start);
        const view = themesOf(study);
        const placed = view.themes.flatMap(({ concepts }) => concepts.map((concept) => concept.key));
        expect(new Set(placed).size).to.equal(placed.length);
        expect(new Set(view.themes.map((theme) => theme.letter)).size).to.equal(view.themes.length);
        const loose = [...view.loose, ...view.aside.flatMap(({ concepts }) => concepts)].map(
          (each) => each.key,
        );
        for (const each of study.compute('concepts').keys)
          expect(placed.includes(each) || loose.includes(each), each).to.equal(true);
        expect(JSON.stringify(themesOf(study))).to.equal(JSON.stringify(view));
        study.state = start;
        expect(JSON.stringify(themesOf(study))).to.equal(first);
      }),
      { numRuns: 60 },
    );
  });
});
