import { expect } from 'chai';
import { knownThemes } from '../../../bench/known-themes.ts';
import { chancesOfPairs, claimPairs } from '../../src/network/links.ts';
import { countsOf, evidenceOfDraws } from '../../src/network/resampled-evidence.ts';
import { windowsByVoice } from '../../src/network/residuals.ts';
import { weighEvidence } from '../../src/network/evidence.ts';
import { chanceWithGroups } from '../../src/network/group-evidence.ts';
import { randomInteger, seededRandom } from '../../src/numeric/random.ts';
import { settleMembers } from '../../src/themes/members.ts';
import { bandOf, bandOfMember, isLess } from '../../src/themes/bands.ts';
import { conceptsOf } from '../../src/concepts/selection.ts';
import { countTogether } from '../../src/network/counts.ts';
import {
  drawsFor,
  isBackIn,
  resampleGrouper,
  resampleThemes,
  type Resampled,
} from '../../src/themes/resample.ts';
import { oneByOne } from '../../src/base/share-out.ts';
import { finish } from '../../src/base/stepwise.ts';
import { asking, exampleStudy } from '../examples.ts';

const studyOf = (texts: readonly string[]) => exampleStudy(texts.map((text, i) => ({ name: `${i}`, text })));

describe('themes over drawn sources', () => {
  it('come back where every source speaks of them, and are with themselves', () => {
    const study = studyOf(knownThemes(3, 36).texts);
    const themes = study.compute('themes');
    const redrawn = study.compute('redrawn');
    const windows = study.compute('windows');
    const input = {
      counts: countTogether(conceptsOf(study.compute('candidates'), [...redrawn.pool]), windows),
      windows,
      redrawn: { draws: redrawn.draws.slice(0, 12), chosen: redrawn.chosen.slice(0, 12) },
      links: study.state.settings.links,
      themes,
      seed: 1,
    };
    const again = (): Resampled =>
      finish(resampleThemes(input.redrawn, themes, oneByOne(resampleGrouper(input))));
    const resampled = again();
    expect(resampled.overlap).to.have.length(themes.themes.length);
    for (const share of [...resampled.overlap, ...resampled.comesBack, ...resampled.together])
      expect(share).to.be.within(0, 1 + 1e-9);
    const steady = resampled.comesBack.filter((share) => share > 0.75).length;
    expect(steady / themes.themes.length).to.be.above(0.7);
    themes.themeOf.forEach((theme, i) => {
      if (theme < 0) expect(resampled.together[i]).to.equal(0);
    });
    expect(again()).to.deep.equal(resampled);
  });

  it('are back where half of them stand together, as a quarter of what they stand in or more', () => {
    expect(isBackIn(5, { theme: 10, other: 20 })).to.equal(true);
    expect(isBackIn(4, { theme: 10, other: 8 })).to.equal(false);
    expect(isBackIn(10, { theme: 10, other: 41 })).to.equal(false);
  });

  it('are lost where they hang on one source', () => {
    const { texts } = knownThemes(4, 12);
    const other = 'The anvil and the furnace. The furnace and the bellows. The bellows and the anvil. ';
    const alone = Array.from({ length: 14 }, (_, i) => (i % 3 ? texts[0].split('\n\n')[i] : other)).join(
      '\n\n',
    );
    const study = studyOf([...texts.slice(1), alone]);
    study.decide({ kind: 'setConcepts', change: { minimumSources: 1 } });
    study.decide({ kind: 'keepConcepts', keys: ['anvil', 'furnace', 'bellows'] });
    const { keys } = study.compute('concepts');
    const { themes } = study.compute('themes');
    const { comesBack } = study.compute('resampled');
    const forge = themes.findIndex(({ concepts }) => concepts.some((concept) => keys[concept] === 'anvil'));
    // A source is in half of the draws: in the others its theme can’t be there.
    if (forge >= 0) expect(comesBack[forge]).to.be.at.most(0.5);
    expect(keys).to.include('anvil');
  });

  it('are said to be nothing where there is one source to draw from', () => {
    const { texts } = knownThemes(3, 12);
    const study = studyOf([texts.join('\n\n')]);
    expect(study.compute('themes').themes).not.to.have.length(0);
    expect(study.compute('resampled').draws).to.equal(0);
    expect(asking(study)('steadiness', null)).to.deep.equal({ draws: 0, themes: [], concepts: [] });
    const figure = asking(study)('figure', { kind: 'themes' });
    expect(figure.table?.head).not.to.include('comes back');
    expect(figure.note).to.contain('can’t be told of one source');
  });

  it('count the windows of the sources drawn, as often as each is', () => {
    const study = studyOf(knownThemes(5, 6).texts);
    const [counts, windows] = [study.compute('counts'), study.compute('windows')];
    const bySource = Array.from({ length: 6 }, (_, s) =>
      Array.from(windows.source.keys()).filter((w) => windows.source[w] === s),
    );
    const once = countsOf(counts, windows, bySource);
    expect(once.counts.together).to.deep.equal(counts.together);
    expect(weighEvidence(once.counts, once.windows).pWithin).to.deep.equal(
      weighEvidence(counts, windows).pWithin,
    );
    const twice = countsOf(counts, windows, [...bySource, ...bySource]);
    expect(Array.from(twice.counts.together)).to.deep.equal(Array.from(counts.together, (n) => 2 * n));
    // The same source drawn twice is two sources: what meets in it meets twice as often, and apart.
    const [a, b] = [weighEvidence(counts, windows), weighEvidence(twice.counts, twice.windows)];
    expect(Array.from(b.meetings)).to.deep.equal(Array.from(a.meetings, (n) => 2 * n));
  });

  it('weigh the sources drawn as a collection of just these, whether they are long or short', () => {
    // Every window is as long and holds as much, so that nothing hangs on the lengths of the whole collection.
    const text = (seed: number, windows: number): string => {
      const random = seededRandom(seed);
      const pairs = [
        'The kettle and the barrel.',
        'The ladder and the kettle.',
        'The barrel and the ladder.',
      ];
      return Array.from({ length: windows }, () => pairs[randomInteger(random, 3)]).join('\n\n');
    };
    for (const lengths of [
      [30, 20, 40, 25, 30],
      [30, 20, 2, 3, 1],
      [30, 2, 20, 25, 40],
    ]) {
      const study = studyOf(lengths.map((windows, i) => text(i, windows)));
      study.decide({ kind: 'setWindows', change: { unit: 'sentences', size: 1, repeated: true } });
      const [counts, windows] = [study.compute('counts'), study.compute('windows')];
      const drawn = [4, 0, 1, 1, 3];
      const bySource = windowsByVoice(windows);
      const again = countsOf(
        counts,
        windows,
        drawn.map((source) => bySource[source]),
      );
      const [ofDraw, ofCollection] = [
        evidenceOfDraws(counts, windows)(drawn),
        weighEvidence(again.counts, again.windows),
      ];
      expect(ofDraw.size).to.be.above(1);
      for (const list of [
        'together',
        'expected',
        'dispersion',
        'pWithin',
        'pBetween',
        'meetings',
        'sources',
      ] as const)
        ofDraw[list].forEach((each, pair) =>
          expect(each, `${list} ${pair}`).to.be.closeTo(ofCollection[list][pair], 1e-9),
        );
      const groups = Int32Array.from({ length: ofDraw.size }, () => 0);
      const company = [ofDraw, ofCollection].map((each) => chanceWithGroups(each, groups, 1));
      company[0].forEach((p, at) => expect(p).to.be.closeTo(company[1][at], 1e-9));
    }
  });

  it('tell of the chances all that a network is made of', () => {
    const study = studyOf(knownThemes(5, 9).texts);
    const [counts, windows] = [study.compute('counts'), study.compute('windows')];
    const { links } = study.state.settings;
    const drawn = [0, 2, 2, 3, 5, 5, 7, 8, 8];
    const [all, upTo] = [1, links.maximumQ].map((claimed) =>
      chancesOfPairs(evidenceOfDraws(counts, windows, claimed)(drawn)),
    );
    const certain = [all, upTo].map(({ pBetween }) => pBetween.filter((p) => p === 1).length);
    expect(certain[1]).to.be.above(certain[0]);
    for (const list of ['beyond', 'stands', 'q', 'strength'] as const)
      expect(claimPairs(upTo, links)[list]).to.deep.equal(claimPairs(all, links)[list]);
  });

  it('are drawn less often where they are many', () => {
    expect([2, 36, 200, 250, 300, 500, 5000].map(drawsFor)).to.deep.equal([100, 100, 100, 80, 66, 40, 40]);
  });

  it('are said in bands, themes and members each by their own bounds', () => {
    expect([1, 0.95, 0.8, 0.6, 0.4, 0.2].map(bandOf)).to.deep.equal([
      'nearly always',
      'nearly always',
      'mostly',
      'now and then',
      'now and then',
      'seldom',
    ]);
    expect([0.6, 0.5, 0.3, 0.2].map(bandOfMember)).to.deep.equal([
      'nearly always',
      'mostly',
      'now and then',
      'seldom',
    ]);
    expect(isLess('seldom', 'mostly')).to.equal(true);
    expect(isLess('mostly', 'mostly')).to.equal(false);
  });
});

describe('members of a theme', () => {
  it('leave where they keep no company with the others, and join where they do', () => {
    const { texts, themesOf } = knownThemes(6, 36);
    const study = studyOf(texts);
    const { keys } = study.compute('concepts');
    const grounds = { evidence: study.compute('evidence'), links: study.compute('links') };
    const of = (key: string): readonly number[] => themesOf.get(key) ?? [];
    const own = keys.flatMap((key, i) => (of(key).length === 1 && of(key)[0] === 0 ? [i] : []));
    const strangers = keys.flatMap((key, i) => (of(key).length === 0 ? [i] : [])).slice(0, 2);
    expect(own.length).to.be.above(5);
    const [late, ...begun] = own;
    // The theme without one of its words, with two that belong nowhere; all others by themselves.
    const community = Int32Array.from(keys, (_, i) =>
      begun.includes(i) || strangers.includes(i) ? 0 : i + 1,
    );
    const settled = finish(settleMembers(community, grounds));
    for (const stranger of strangers) expect(settled[stranger]).not.to.equal(settled[begun[0]]);
    expect(settled[late]).to.equal(settled[begun[0]]);
  });

  it('are nobody’s where nothing is together', () => {
    const study = studyOf(knownThemes(7, 4).texts);
    const grounds = { evidence: study.compute('evidence'), links: study.compute('links') };
    const alone = Int32Array.from({ length: grounds.evidence.size }, (_, i) => i);
    expect(finish(settleMembers(alone, grounds))).to.deep.equal(alone);
  });
});
