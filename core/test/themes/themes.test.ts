import { groupsToRead, type ReadableLinks } from '../../src/themes/perhaps.ts';
import { expect } from 'chai';
import { buildGraph } from '../../src/network/graph.ts';
import { joinRegisters, matchThemes } from '../../src/themes/identity.ts';
import { letterAt } from '../../src/themes/letters.ts';
import { NOTHING_HELD } from '../../src/themes/choices.ts';
import { nameThemes } from '../../src/themes/themes.ts';

describe('letters', () => {
  const ABC = [
    { letter: 'A', members: ['rain', 'wind', 'cold'], present: true },
    { letter: 'B', members: ['fare', 'wage', 'rent'], present: true },
  ];

  it('stay with a theme when its members change a little and its place in the order changes', () => {
    const { letters } = matchThemes(
      [
        ['fare', 'wage', 'tax'],
        ['rain', 'wind', 'bench', 'cold'],
      ],
      ABC,
    );
    expect(letters).to.deep.equal(['B', 'A']);
  });

  it('are new for a new theme, never used ones', () => {
    const { letters, register } = matchThemes(
      [
        ['cafe', 'music'],
        ['rain', 'wind'],
      ],
      ABC,
    );
    expect(letters).to.deep.equal(['C', 'A']);
    expect(register.map((theme) => [theme.letter, theme.present])).to.deep.equal([
      ['A', true],
      ['B', false],
      ['C', true],
    ]);
    // The theme that went comes back under its own letter.
    expect(matchThemes([['fare', 'rent']], register).letters).to.deep.equal(['B']);
  });

  it('do not pass on to a theme that shares little: under three tenths of what either has', () => {
    const known = [{ letter: 'A', members: ['a', 'b', 'c', 'd', 'e'], present: true }];
    expect(matchThemes([['a', 'v', 'w', 'x', 'y']], known).letters).to.deep.equal(['B']);
    // Three of seven.
    expect(matchThemes([['a', 'b', 'c', 'x', 'y']], known).letters).to.deep.equal(['A']);
  });

  it('are not given twice after an undo that shows an older grouping', () => {
    const older = [ABC[0]];
    const joined = joinRegisters(older, [...ABC, { letter: 'C', members: ['x'], present: true }]);
    expect(joined.map((theme) => theme.letter)).to.deep.equal(['A', 'B', 'C']);
    expect(matchThemes([['new']], joined).letters).to.deep.equal(['D']);
  });

  it('run on after Z', () => {
    expect([letterAt(0), letterAt(25), letterAt(26), letterAt(27), letterAt(702)]).to.deep.equal([
      'A',
      'Z',
      'AA',
      'AB',
      'AAA',
    ]);
  });
});

describe('a theme', () => {
  /** Two triangles of concepts with a link between them. */
  const graph = buildGraph(6, [0, 1, 0, 3, 4, 3, 2], [1, 2, 2, 4, 5, 5, 3], [1, 1, 1, 1, 1, 1, 0.1]);
  const grouping = {
    ...{ community: Int32Array.of(0, 0, 0, 1, 1, 1), steadiness: new Float64Array(6).fill(1) },
    ...{ overallSteadiness: 1, modularity: 0.4, resolution: 1, held: NOTHING_HELD },
  };
  const keys = ['a', 'b', 'c', 'd', 'e', 'f'];
  const linksOf = (pairs: { source: Int32Array; target: Int32Array; standing: number }): ReadableLinks => ({
    ...pairs,
    up: new Uint8Array(pairs.source.length),
    p: Float64Array.from(pairs.source, () => 1),
    strength: Float64Array.from(pairs.source, () => 0.5),
    both: pairs.source.map(() => 1),
  });
  const named = (pairs?: { source: Int32Array; target: Int32Array; standing: number }) => {
    const links = pairs && linksOf(pairs);
    return nameThemes({
      ...{ keys, labels: keys, graph, grouping, known: [], names: {}, fewest: 2, links },
      spoken: { windowFirst: Int32Array.of(0), inWindow: new Int32Array(0) },
    });
  };

  it('has a link that stands; what holds together on unsure pairs alone is perhaps one', () => {
    const pairs = { source: Int32Array.of(0, 3), target: Int32Array.of(1, 4) };
    const { themes, perhaps, themeOf } = named({ ...pairs, standing: 1 });
    expect(themes.map(({ concepts }) => [...concepts].sort())).to.deep.equal([[0, 1, 2]]);
    expect(perhaps.map((group) => [...group].sort())).to.deep.equal([[3, 4, 5]]);
    expect([...themeOf]).to.deep.equal([0, 0, 0, -1, -1, -1]);
    expect(named({ ...pairs, standing: 0 }).perhaps).to.have.length(2);
    // A link from one group to the other makes no theme of either.
    const between = { source: Int32Array.of(2), target: Int32Array.of(3), standing: 1 };
    expect(named(between).themes).to.have.length(0);
  });

  it('is nowhere where nothing stands, but what meets oftener than chance has it is offered to be read', () => {
    const pairs = {
      source: Int32Array.of(0, 1, 0, 3, 4, 3, 2),
      target: Int32Array.of(1, 2, 2, 4, 5, 5, 3),
      both: Int32Array.of(2, 1, 1, 2, 1, 1, 1),
      strength: Float64Array.of(0.5, 0.5, 0.5, 0.4, 0.4, 0.4, 0.1),
      p: Float64Array.of(0.1, 0.2, 0.2, 0.1, 0.2, 0.2, 0.4),
      up: Uint8Array.of(1, 1, 1, 1, 1, 1, 1),
    };
    expect(groupsToRead({ ...pairs, standing: 0 }, 6)).to.deep.equal([
      [0, 1, 2],
      [3, 4, 5],
    ]);
    // Where anything stands, and of pairs that chance explains as well as not, there is nothing of the kind.
    expect(groupsToRead({ ...pairs, standing: 1 }, 6)).to.deep.equal([]);
    expect(groupsToRead({ ...pairs, standing: 0, p: pairs.p.map(() => 0.6) }, 6)).to.deep.equal([]);
  });

  it('of a network without texts needs none', () => {
    expect(named().themes).to.have.length(2);
    expect(named().perhaps).to.deep.equal([]);
  });
});
