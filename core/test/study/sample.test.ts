import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { readCsv } from '../../src/formats/csv.ts';
import { drawMap } from '../../src/map/draw.ts';
import { halfPlanes, isInside, roomForBox } from '../../src/map/geometry.ts';
import { overlaps } from '../../src/map/placement.ts';
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
    scene.labels.forEach((label, i) => {
      const room = roomForBox(halfPlanes(scene.parcels[label.theme].polygon), label.width, label.height);
      expect(isInside(room, label.x, label.y, 0.01), label.text).to.equal(true);
      for (const other of scene.labels.slice(i + 1))
        expect(overlaps(label, other), `${label.text} ${other.text}`).to.equal(false);
    });
    const { themes } = study.compute('themes');
    const sum = themes.reduce((total, theme) => total + theme.share, 0);
    for (const parcel of scene.parcels) {
      expect(Math.abs(parcel.landShare / (themes[parcel.theme].share / sum) - 1)).to.be.below(0.02);
    }
    const svg = drawMap(scene, 'Night buses');
    expect(svg.match(/<text/g)?.length).to.equal(scene.labels.length + scene.parcels.length);
  });
});
