import { expect } from 'chai';
import { knownThemes } from '../../../bench/known-themes.ts';
import { SHEETS, SHEET_NAMES, type SheetName } from '../../src/base/sheets.ts';
import { overlaps } from '../../src/map/free-place.ts';
import { groundOf } from '../../src/map/ground.ts';
import type { MapLabel, MapScene } from '../../src/map/scene.ts';
import { FOOT } from '../../src/map/sheet.ts';
import { linksShown } from '../../src/map/shown-links.ts';
import type { ThemeIdentity } from '../../src/themes/identity.ts';
import { exampleStudy } from '../examples.ts';

describe('the sheet', () => {
  const study = exampleStudy(knownThemes(1, 24).texts.map((text, i) => ({ name: `${i}`, text })));
  const sceneOn = (sheet: SheetName): MapScene => {
    study.decide({ kind: 'setMap', change: { sheet } });
    return study.compute('map');
  };

  it('is whatever shape is chosen, and everything stands on it: parcels, names and words, none on another', () => {
    for (const name of SHEET_NAMES) {
      const { width, height } = SHEETS[name];
      const { sheet, parcels, labels } = sceneOn(name);
      expect(sheet).to.deep.equal({ width, height });
      const corners = parcels.flatMap(({ polygon }) => polygon);
      expect(Math.min(...corners.map(([x]) => x)), name).to.be.within(0, 40);
      expect(Math.max(...corners.map(([x]) => x)), name).to.be.within(width - 40, width);
      expect(Math.max(...corners.map(([, y]) => y)), name).to.be.within(height - 80, height);
      const shown = labels.filter(({ zoom }) => zoom === 1);
      shown.forEach((label, i) => {
        expect(label.x + label.width / 2, label.text).to.be.below(width);
        expect(label.y + label.height / 2, label.text).to.be.below(height);
        for (const other of shown.slice(0, i)) expect(overlaps(label, other), label.text).to.equal(false);
      });
    }
  });

  it('has no link over its foot or beyond its edges', () => {
    for (const name of SHEET_NAMES) {
      const { width, height } = SHEETS[name];
      const { links } = sceneOn(name);
      expect(links.length, name).to.be.above(20);
      for (const { from, bend, to } of links)
        for (let t = 0; t <= 1; t += 0.05) {
          const [x, y] = ([0, 1] as const).map(
            (axis) => (1 - t) ** 2 * from[axis] + 2 * t * (1 - t) * bend[axis] + t ** 2 * to[axis],
          );
          expect(x).to.be.within(0, width);
          expect(y).to.be.within(0, height - FOOT);
        }
    }
  });

  it('draws no link whose only way leads over its foot', () => {
    const word = (concept: number, x: number, y: number): MapLabel => ({
      ...{ concept, text: `w${concept}`, theme: 0, x, y, width: 60, height: 20 },
      ...{ type: 16, bold: false, bar: 6, zoom: 1 },
    });
    const one = {
      ...{ standing: 1, source: Int32Array.of(0), target: Int32Array.of(1) },
      ...{ strength: Float64Array.of(1), beyond: Uint8Array.of(1) },
    };
    const shown = (wall: readonly MapLabel[]): number =>
      linksShown([word(0, 100, 735), word(1, 500, 735), ...wall], [], one, new Int32Array(80), {
        ...{ shownLinks: 9, shownBridges: 9, sheet: 'wide' },
      }).length;
    // From the top down to the foot: only what goes over the foot gets by.
    const wall = Array.from({ length: 77 }, (_, i) => word(2 + i, 300, i * 10));
    expect(shown([])).to.equal(1);
    expect(shown(wall)).to.equal(0);
  });

  it('gives land in the order of strength, with room for what must be written, and cuts no name', () => {
    for (const name of SHEET_NAMES) {
      const { parcels } = sceneOn(name);
      const { themes } = study.compute('themes');
      const byStrength = [...parcels].sort((a, b) => themes[b.theme].share - themes[a.theme].share);
      byStrength.slice(1).forEach(({ landShare, letter }, i) => {
        expect(landShare, `${letter} on ${name}`).to.be.at.most(byStrength[i].landShare * 1.03);
      });
      for (const { letter, name: whole, written } of parcels)
        expect(written.lines.join(' ')).to.equal(`${letter} ${whole}`);
    }
  });

  it('of another shape keeps what stood on it at the same share of it', () => {
    const register: ThemeIdentity[] = [
      {
        ...{ letter: 'A', members: [], present: true, sheet: 'square' },
        site: [490, 490, 1000],
        name: [98, 196, 20, 1],
        places: { rain: [980, 0, 16] },
      },
    ];
    const [land] = groundOf(register, 'wide');
    expect(land.site.slice(0, 2)).to.deep.equal([600, 400]);
    expect(land.name).to.deep.equal([120, 160, 20, 1]);
    expect(land.places.rain).to.deep.equal([1200, 0, 16]);
    // What was kept before sheets had names stood on one of 1000 by 860.
    const { sheet, ...before } = register[0];
    expect(sheet).to.equal('square');
    expect(groundOf([before], 'wide')[0].site.slice(0, 2)).to.deep.equal([588, 455.8]);
  });

  it('takes a pinned word along', () => {
    const word = sceneOn('wide').labels.find(({ theme }) => theme >= 0);
    const key = study.compute('concepts').keys[word?.concept ?? -1];
    study.decide({ kind: 'pinConcept', key, at: [word?.x ?? 0, word?.y ?? 0], sheet: 'wide' });
    expect(study.state.mapPins[key]).to.deep.equal([(word?.x ?? 0) / 1200, (word?.y ?? 0) / 800]);
    const pinned = sceneOn('wide').labels.find((label) => label.pinned);
    expect([pinned?.x, pinned?.y]).to.deep.equal([word?.x, word?.y]);
    study.decide({ kind: 'pinConcept', key, at: [500, 430] });
    expect(study.state.mapPins[key], 'pinned before sheets had names').to.deep.equal([0.5, 0.5]);
  });
});
