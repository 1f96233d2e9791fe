import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { readCsv } from '../../src/formats/csv.ts';
import { SMALLEST_TYPE } from '../../src/map/sheet.ts';
import { renderMap } from '../../src/map/render.ts';
import { halfPlanes, isInside, roomForBox } from '../../src/map/geometry.ts';
import { overlaps } from '../../src/map/free-place.ts';
import { findBoundaries } from '../../src/text/boundaries.ts';
import { exampleStudy, type ExampleStudy } from '../examples.ts';

const folder = new URL('../../../demo/night-buses/', import.meta.url);
const PLANTED = {
  weather: ['shelter', 'bench', 'rain', 'wind'],
  work: ['night shift', 'hospital', 'rota', 'connection'],
  safety: ['camera', 'police', 'empty bus', 'street light', 'harassment'],
  money: ['fare', 'pass', 'wage', 'rent'],
  noise: ['engine noise', 'idling', 'terminus', 'complaint'],
  family: ['mother', 'grandmother', 'childcare', 'school run'],
  town: ['café', 'market square', 'music venue', 'student'],
};

describe('the sample study', () => {
  let study: ExampleStudy;
  const texts = new Map(
    readdirSync(folder)
      .filter((name) => name.endsWith('.txt'))
      .sort()
      .map((name) => [name, readFileSync(new URL(name, folder), 'utf8')]),
  );
  before(() => {
    const { header, rows } = readCsv(readFileSync(new URL('attributes.csv', folder), 'utf8'));
    const attributesOf = new Map(
      rows.map((row) => [row[0], Object.fromEntries(header.slice(1).map((name, i) => [name, row[i + 1]]))]),
    );
    study = exampleStudy(
      [...texts].map(([name, text]) => ({ name, text, attributes: { ...attributesOf.get(name) } })),
    );
  });

  /** The theme a planted group's words are in, and that all but one of them are in it. */
  const themeOf = (words: readonly string[]): number => {
    const { themeOf: numbers } = study.compute('themes');
    const { keys } = study.compute('concepts');
    const found = words.map((word) => (keys.includes(word) ? numbers[keys.indexOf(word)] : -1));
    const votes = found.filter((theme) => theme >= 0).sort((a, b) => a - b);
    const most = votes[votes.length >> 1];
    expect(found.filter((theme) => theme === most).length, words.join(', ')).to.be.at.least(words.length - 1);
    return most;
  };

  it('has 36 interviews of 500 to 900 words, every sentence said once', () => {
    expect(texts.size).to.equal(36);
    const seen = new Map<string, string>();
    for (const [name, text] of texts) {
      expect(text.split(/\s+/).length, name).to.be.within(500, 900);
      const { start, end } = findBoundaries(text);
      start.forEach((from, i) => {
        const sentence = text.slice(from, end[i]);
        if (sentence.split(' ').length < 6) return;
        expect(seen.get(sentence) ?? name, sentence).to.equal(name);
        seen.set(sentence, name);
      });
    }
  });

  it('gives back the seven planted themes, each a theme of its own', () => {
    const themes = Object.values(PLANTED).map((words) => themeOf(words));
    expect(new Set(themes).size).to.equal(7);
    expect(study.compute('themes').themes.length).to.be.within(7, 9);
  });

  it('gives back who speaks to which', () => {
    const { groups, q } = study.compute('comparison');
    const share = (role: string, words: readonly string[]): number =>
      groups.find((group) => group.group.startsWith(role))?.strengths[themeOf(words)].share ?? 0;
    expect(share('driver', PLANTED.safety)).to.be.above(share('shift', PLANTED.safety));
    expect(share('shift', PLANTED.safety)).to.be.above(share('resident', PLANTED.safety));
    expect(share('shift', PLANTED.weather)).to.be.above(3 * share('resident', PLANTED.weather));
    expect(share('shift', PLANTED.money)).to.be.above(3 * share('driver', PLANTED.money));
    expect(share('shift', PLANTED.work)).to.be.above(2 * share('resident', PLANTED.work));
    expect(share('resident', PLANTED.noise)).to.be.above(3 * share('driver', PLANTED.noise));
    expect(share('resident', PLANTED.town)).to.be.above(3 * share('shift', PLANTED.town));
    expect(share('driver', PLANTED.family)).to.be.below(0.02);
    for (const words of [PLANTED.safety, PLANTED.noise, PLANTED.money, PLANTED.town, PLANTED.weather]) {
      expect(q[themeOf(words)], words[0]).to.be.below(0.05);
    }
  });

  it('shows money fading from the first wave to the second', () => {
    study.decide({ kind: 'setCompare', change: { attribute: 'wave' } });
    const { groups } = study.compute('comparison');
    const money = themeOf(PLANTED.money);
    expect(groups.map((group) => group.group)).to.deep.equal(['after', 'before']);
    expect(groups[1].strengths[money].share).to.be.above(groups[0].strengths[money].share);
  });

  it('is drawn with every label whole in its parcel, none on another, and areas as the shares', () => {
    const scene = study.compute('map');
    expect(scene.hidden).to.deep.equal([]);
    const shown = scene.labels.filter(({ zoom }) => zoom === 1);
    const names = scene.parcels.map(({ written }) => written);
    shown.forEach((label, i) => {
      for (const other of [...shown.slice(i + 1), ...names])
        expect(overlaps(label, other), `${label.text} on another`).to.equal(false);
      // Ten pixels in a window of 1280 by 800, and never larger than the theme’s name.
      expect(label.type).to.be.at.least(SMALLEST_TYPE - 0.01);
      if (label.theme < 0) return;
      const name = names[label.theme];
      expect(label.type).to.be.below(name.type);
      // The name is the first to be read: nothing stands above it.
      expect(label.y - label.height / 2, label.text).to.be.at.least(name.y - name.height / 2 - 0.1);
      const room = roomForBox(halfPlanes(scene.parcels[label.theme].polygon), label.width, label.height);
      expect(isInside(room, label.x, label.y, 0.01), label.text).to.equal(true);
    });
    const loose = shown.filter(({ theme }) => theme < 0);
    expect(loose.length, 'concepts in no theme stand at the foot').to.be.within(1, scene.loose.length);
    // Areas follow strength, but no parcel is smaller than its name and first words need; the larger ones give way.
    const { themes } = study.compute('themes');
    const sum = themes.reduce((total, theme) => total + theme.share, 0);
    for (const parcel of scene.parcels) {
      const strength = themes[parcel.theme].share / sum;
      expect(parcel.landShare / strength).to.be.within(0.75, 1.6);
    }
    const order = [...scene.parcels].sort((a, b) => b.landShare - a.landShare);
    expect(order[0].letter).to.equal(themes[0].letter);
    const svg = renderMap(scene, 'Night buses');
    const lines = scene.parcels.reduce((sum, { written }) => sum + written.lines.length, 0);
    expect(svg.match(/<text/g)?.length).to.be.within(shown.length + lines, shown.length + lines + 2);
    // No link runs through a word: of every curve, points that are not at its ends are in no box.
    for (const { from, bend, to, source, target } of scene.links) {
      for (let t = 0.1; t < 0.95; t += 0.05) {
        const at = (axis: 0 | 1): number =>
          (1 - t) ** 2 * from[axis] + 2 * t * (1 - t) * bend[axis] + t * t * to[axis];
        for (const label of shown.filter(({ concept }) => concept !== source && concept !== target)) {
          const isIn =
            Math.abs(at(0) - label.x) < label.width / 2 - 1 &&
            Math.abs(at(1) - label.y) < label.height / 2 - 1;
          expect(isIn, `a link through ${label.text}`).to.equal(false);
        }
      }
    }
  });
});
