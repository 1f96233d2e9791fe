import { expect } from 'chai';
import { EVERYWHERE } from '../../src/themes/bands.ts';
import { reachedByThemes, sharesOfStretches, wordsMissed } from '../../src/themes/coverage.ts';
import { asking, exampleStudy } from '../examples.ts';
import { knownThemes } from '../../../bench/known-themes.ts';

describe('coverage', () => {
  it('is the stretches with enough of any one theme', () => {
    // Concepts 0 and 1 are of one theme, 2 and 3 of another, 4 of none.
    const held = [[0, 1], [0, 2], [2, 3, 4], [4], []];
    const spoken = {
      windowFirst: Int32Array.from([0, 2, 4, 7, 8, 8]),
      inWindow: Int32Array.from(held.flat()),
    };
    const themeOf = Int32Array.of(0, 0, 1, 1, -1);
    expect(Array.from(reachedByThemes(spoken, themeOf, 2, 2))).to.deep.equal([1, 0, 1, 0, 0]);
    expect(Array.from(reachedByThemes(spoken, themeOf, 2, 1))).to.deep.equal([1, 1, 1, 0, 0]);
    expect(Array.from(reachedByThemes(spoken, new Int32Array(5).fill(-1), 0, 2))).to.deep.equal([
      0, 0, 0, 0, 0,
    ]);
  });

  it('tells of each concept how much of the text holds it', () => {
    const spoken = { windowFirst: Int32Array.of(0, 2, 3, 3, 5), inWindow: Int32Array.of(0, 1, 1, 0, 1) };
    expect(Array.from(sharesOfStretches(spoken, 3))).to.deep.equal([0.5, 0.75, 0]);
    expect(
      Array.from(sharesOfStretches({ windowFirst: Int32Array.of(0), inWindow: new Int32Array(0) }, 1)),
    ).to.deep.equal([0]);
  });

  it('tells a word that ends every paragraph from those a theme is made of', () => {
    const { texts } = knownThemes(5, 36);
    const study = exampleStudy(
      texts.map((text, i) => ({ name: `${i}`, text: text.replace(/\.(?=\n|$)/g, ' and the constructor.') })),
    );
    study.decide({ kind: 'keepConcepts', keys: ['constructor'] });
    study.decide({ kind: 'placeConcepts', keys: ['constructor'], letter: 'A' });
    const rows = asking(study)('themes', null).themes.flatMap(({ concepts }) => concepts);
    const spoken = study.compute('spoken');
    const { keys } = study.compute('concepts');
    const shares = sharesOfStretches(spoken, keys.length);
    expect(shares[keys.indexOf('constructor')]).to.be.above(EVERYWHERE);
    expect(rows.length).to.be.above(20);
    expect(rows.map(({ key }) => key)).to.include('constructor');
    for (const { key, ofStretches } of rows) {
      expect(ofStretches).to.equal(shares[keys.indexOf(key)]);
      if (key !== 'constructor') expect(ofStretches, key).to.be.below(EVERYWHERE);
    }
  });

  it('names what is said where no theme reaches more than elsewhere', () => {
    const stretches = {
      count: 4,
      first: Int32Array.of(0, 10, 20, 30),
      end: Int32Array.of(10, 20, 30, 40),
      source: new Int32Array(4),
      overlap: 1,
    };
    // Thing 0 is said thrice in the two that are missed, thing 1 evenly, thing 2 only where themes reach, thing 3 once.
    const at: [thing: number, place: number][] = [
      [1, 1],
      [2, 3],
      [2, 5],
      [2, 12],
      [1, 13],
      [0, 21],
      [0, 24],
      [1, 26],
      [0, 31],
      [1, 33],
      [3, 36],
    ];
    const occurring = {
      occurrence: Int32Array.from(at, ([thing]) => thing),
      occurrenceFirst: Int32Array.from(at, ([, place]) => place),
      occurrenceEnd: Int32Array.from(at, ([, place]) => place + 1),
    };
    const found = wordsMissed(occurring, 4, stretches, Uint8Array.of(1, 1, 0, 0), 5);
    expect(found[0]).to.deep.equal({ thing: 0, missed: 3, all: 3 });
    expect(found.map(({ thing }) => thing)).to.not.include(2);
    expect(found.map(({ thing }) => thing)).to.not.include(3);
  });

  it('of a study leads to the passages, which are as many as are missed', () => {
    const study = exampleStudy(knownThemes(4, 12).texts.map((text, i) => ({ name: `${i}`, text })));
    const ask = asking(study);
    const coverage = ask('coverage', null);
    expect(coverage.reached).to.be.within(1, coverage.stretches - 1);
    expect(coverage.words).to.be.within(0.01, 0.5);
    const passages = ask('passages', { selection: { kind: 'missed' }, limit: 500 });
    expect(passages.windows).to.equal(coverage.stretches - coverage.reached);
    expect(passages.unit).to.equal('stretch');
    expect(passages.title).to.equal('What no theme reaches');
    expect(ask('themesOnTrail', null).reached).to.be.closeTo(coverage.reached / coverage.stretches, 1e-12);
  });
});
