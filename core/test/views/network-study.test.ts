import { expect } from 'chai';
import { strFromU8, unzipSync } from 'fflate';
import { readNetwork } from '../../src/formats/read/network-read.ts';
import { takeNetwork } from '../../src/intake/network.ts';
import type { OtherNetwork } from '../../src/network/elsewhere.ts';
import { REPORT_PART_NAMES } from '../../src/views/report/report-types.ts';
import { methodSentences, sentenceText } from '../../src/words/sentences.ts';
import {
  WITHOUT_TEXTS,
  type ViewAnswers,
  type ViewName,
  type ViewQuestions,
} from '../../src/views/view-keys.ts';
import { asking, exampleStudy, type ExampleStudy } from '../examples.ts';
import { QUESTIONS } from './every-question.ts';

const CLUSTERS = [
  ['rain', 'roof', 'shelter', 'bench'],
  ['fare', 'wage', 'ticket', 'price'],
  ['driver', 'depot', 'rota', 'shift'],
];

/** Three clusters of four, tied to each other by one weak link each. */
async function threeClusters(): Promise<OtherNetwork> {
  const rows = CLUSTERS.flatMap((words, c) => [
    ...words.flatMap((a, i) => words.slice(i + 1).map((b, j) => `${a},${b},${3 + ((i + j) % 3)}`)),
    `${words[0]},${CLUSTERS[(c + 1) % 3][0]},0.5`,
  ]);
  return takeNetwork('three.csv', await readNetwork(['source,target,weight', ...rows].join('\n'))).network;
}

describe('a study that is a network without texts', () => {
  let study: ExampleStudy;
  beforeEach(async () => {
    study = exampleStudy([]);
    study.decide({ kind: 'openNetwork', network: await threeClusters() });
  });
  const ask = <V extends ViewName>(view: V, question: ViewQuestions[V]): ViewAnswers[V] =>
    asking(study)(view, question);
  const themes = (): string[][] =>
    ask('themes', null).themes.map(({ concepts }) => concepts.map(({ key }) => key).sort());

  it('answers all that is asked of it', () => {
    for (const view of WITHOUT_TEXTS) {
      for (const question of QUESTIONS[view]) expect(ask(view, question as never), view).to.be.an('object');
    }
  });

  it('has the themes its links make, each as large as its share of their weight', () => {
    expect(themes().sort()).to.deep.equal(CLUSTERS.map((words) => [...words].sort()).sort());
    const shares = ask('themes', null).themes.map(({ share }) => share);
    expect(shares.reduce((a, b) => a + b, 0)).to.be.closeTo(1, 1e-9);
    expect(ask('map', null).scene.parcels).to.have.length(3);
    expect(ask('linksOnTrail', null).links).to.equal(21);
  });

  it('is shaped as any other: a concept moved, dropped and brought back, a theme named', () => {
    const [{ letter }] = ask('themes', null).themes;
    study.decide({ kind: 'renameTheme', letter, name: 'Mine' });
    study.decide({ kind: 'placeConcepts', keys: ['depot'], letter });
    const [first] = ask('themes', null).themes.filter((theme) => theme.letter === letter);
    expect(first.label).to.equal('Mine');
    expect(first.concepts.map(({ key }) => key)).to.include('depot');
    study.decide({ kind: 'dropConcepts', keys: ['bench'] });
    expect(themes().flat()).not.to.include('bench');
    const bench = ask('nodes', null).rows.find(({ key }) => key === 'bench');
    expect(bench?.status).to.equal('dropped');
    expect(ask('links', { concept: 'bench', limit: 9 }).rows).to.deep.equal([]);
    study.decide({ kind: 'keepConcepts', keys: ['bench'] });
    expect(themes().flat()).to.include('bench');
  });

  it('counts one concept for another, and parts them again', () => {
    study.decide({ kind: 'mergeConcepts', into: 'rain', keys: ['shelter'] });
    const rain = (): number | undefined => ask('nodes', null).rows.find(({ key }) => key === 'rain')?.weight;
    // Its own links but the one to the shelter, and those of the shelter.
    expect(rain()).to.equal(3 + 5 + 0.5 + 0.5 + (4 + 5));
    expect(ask('nodes', null).rows.map(({ key }) => key)).not.to.include('shelter');
    study.decide({ kind: 'splitConcept', key: 'rain' });
    expect(rain()).to.equal(3 + 4 + 5 + 0.5 + 0.5);
  });

  it('tells of each node its links, their weight and its theme', () => {
    const { rows } = ask('nodes', null);
    expect(rows).to.have.length(12);
    const rain = rows.find(({ key }) => key === 'rain');
    expect(rain).to.include({ links: 5, status: 'taken' });
    expect(rain?.weight).to.equal(3 + 4 + 5 + 0.5 + 0.5);
    expect(rain?.letter).to.match(/^[A-C]$/);
  });

  it('says of itself what it is, and claims nothing that only texts could tell', () => {
    const said = methodSentences(study.state);
    expect(sentenceText(said.sources)).to.equal(
      'Working with the network three.csv, 12 concepts and 21 links, without texts.',
    );
    for (const sentence of Object.values(said))
      expect(sentenceText(sentence)).not.to.match(/windows|by chance|drawn anew/);
    for (const row of ask('links', { concept: 'rain', limit: 9 }).rows) expect(row.q).to.be.NaN;
    const { draws } = ask('steadiness', null);
    expect(draws).to.equal(0);
  });

  it('leaves as a network that is read back the same, and as a report that says what it is', async () => {
    const { bytes } = ask('networkFile', { as: 'graphml' });
    const again = takeNetwork('again', await readNetwork(strFromU8(bytes))).network;
    const linksOf = ({ concepts, links }: OtherNetwork): string[] =>
      links.split('\n').map((line) => {
        const [a, b, weight] = line.split(' ');
        return [...[concepts[Number(a)], concepts[Number(b)]].sort(), weight].join(' ');
      });
    expect(linksOf(again).sort()).to.deep.equal(linksOf(await threeClusters()).sort());
    const { blocks } = ask('report', {
      parts: REPORT_PART_NAMES,
      entries: [],
      decisions: [],
      version: '0',
      quotations: 2,
    });
    const said = JSON.stringify(blocks);
    expect(said).to.contain('The network three.csv, which was made elsewhere and has no texts: 12 concepts');
    expect(said).not.to.match(/NaN|undefined|comes back|stretches|windows with both|thicket -- analyse/);
    const zip = ask('everythingFile', {
      parts: REPORT_PART_NAMES,
      entries: [],
      decisions: [],
      version: '0',
      quotations: 2,
    });
    expect(Object.keys(unzipSync(zip.bytes))).to.include.members([
      'report.html',
      'network.graphml',
      'links.csv',
    ]);
    const { concepts } = ask('colleague', { state: study.state, register: [] });
    expect(concepts).to.be.an('object');
    const { sheets } = ask('workbook', null);
    expect(sheets.map(({ name, rows }) => [name, rows.length])).to.deep.equal([
      ['Columns', 5],
      ['Links', 21],
      ['Themes', 3],
    ]);
  });

  it('steps back where there are texts, and comes again when they go', () => {
    const before = themes();
    const other = exampleStudy([{ name: 'a.txt', text: 'Rain on the roof. Rain on the bench.' }]);
    const [source] = other.state.sources;
    study.decide({ kind: 'addSources', sources: [source] });
    expect(study.state.network?.name).to.equal('three.csv');
    expect(sentenceText(methodSentences(study.state).sources)).to.match(/^Working with the 1 source/);
    study.decide({ kind: 'removeSources', ids: [source.id] });
    expect(themes()).to.deep.equal(before);
  });
});
