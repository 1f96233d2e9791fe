import { expect } from 'chai';
import { finish } from '../../src/base/stepwise.ts';
import fc from 'fast-check';
import { strFromU8, unzipSync } from 'fflate';
import { Parser } from 'saxen';
import {
  guidOf,
  writeCodebook,
  writeQdaProject,
  type QdaProject,
} from '../../src/formats/write/qda-write.ts';
import { readFiles } from '../../src/intake/intake.ts';
import type { NotebookEntry } from '../../src/study/notebook.ts';
import { asking, exampleStudy } from '../examples.ts';

const packed = (project: QdaProject): Uint8Array => finish(writeQdaProject(project));

interface Element {
  readonly name: string;
  readonly attributes: Record<string, string>;
  readonly children: Element[];
  text: string;
}

/** An XML document as a tree, by a reader that knows nothing of how it was written. */
function read(xml: string): Element {
  const root: Element = { name: '', attributes: {}, children: [], text: '' };
  const path = [root];
  const parser = new Parser();
  parser.on(
    'openTag',
    (name: string, attributesOf: () => Record<string, string>, decode: (text: string) => string) => {
      const attributes = Object.fromEntries(
        Object.entries(attributesOf()).map(([each, value]) => [each, decode(value)]),
      );
      const element: Element = { name, attributes, children: [], text: '' };
      path[path.length - 1].children.push(element);
      path.push(element);
    },
  );
  parser.on('text', (text: string, decode: (text: string) => string) => {
    path[path.length - 1].text += decode(text);
  });
  parser.on('closeTag', () => path.pop());
  parser.parse(xml);
  return root.children[0];
}
const all = (element: Element, name: string): Element[] => [
  ...(element.name === name ? [element] : []),
  ...element.children.flatMap((child) => all(child, name)),
];
const projectIn = (bytes: Uint8Array): { project: Element; files: Record<string, Uint8Array> } => {
  const files = unzipSync(bytes);
  return { project: read(strFromU8(files['project.qde'])), files };
};

/** The elements in the order the standard's schema has them in a project, and in a text source. */
const ORDER = ['Users', 'CodeBook', 'Variables', 'Sources', 'Notes', 'Sets'];

describe('a project for other programs', () => {
  it('selects the very words, counted in code points, whatever the text', () => {
    const text = fc.array(fc.constantFrom('bus ', '🚌', 'é', 'e\u0301', 'שלום ', '\r\n', '<&> ', '夜', '𝒳'), {
      minLength: 1,
      maxLength: 30,
    });
    fc.assert(
      fc.property(text, fc.nat(), fc.nat(), (parts, a, b) => {
        // Places between parts: never inside a character.
        const places = parts.reduce<number[]>(
          (sums, part) => [...sums, sums[sums.length - 1] + part.length],
          [0],
        );
        const [start, end] = [places[a % places.length], places[b % places.length]].sort((x, y) => x - y);
        const whole = parts.join('');
        const { project, files } = projectIn(
          packed({
            title: 't',
            codes: [{ id: 'c', name: 'c' }],
            types: {},
            notes: [],
            sources: [
              { id: 's', name: 's', text: whole, attributes: {}, selections: [{ start, end, codes: ['c'] }] },
            ],
          }),
        );
        const [selection] = all(project, 'PlainTextSelection');
        const [source] = all(project, 'TextSource');
        const file = strFromU8(files[source.attributes.plainTextPath.replace('internal://', 'sources/')]);
        const points = Array.from(file);
        const selected = points.slice(
          Number(selection.attributes.startPosition),
          Number(selection.attributes.endPosition),
        );
        expect(selected.join('')).to.equal(whole.slice(start, end));
      }),
    );
  });

  it('has its parts in the order of the standard, every reference to something that is there, and no guid twice', () => {
    const project: QdaProject = {
      title: 'Night <buses> & more',
      codes: [
        {
          id: 't',
          name: 'Waiting',
          description: 'In "rain"',
          colour: '#2f5d3a',
          codes: [{ id: 'c', name: 'bench' }],
        },
      ],
      types: { age: 'number', day: 'date' },
      notes: [{ id: 'n', name: 'A thought', text: 'A thought.' }],
      sets: [{ name: 'Dry ones', sources: ['u'] }],
      sources: [
        {
          id: 's',
          name: 's.txt',
          text: 'The bench is wet.',
          attributes: { role: 'driver', age: '30', day: '2031-02-03', odd: 'x' },
          selections: [
            { start: 4, end: 9, codes: ['c'] },
            { start: 0, end: 17, codes: ['t'] },
          ],
        },
        { id: 'u', name: 'u.txt', text: '', attributes: { age: 'about thirty' }, selections: [] },
      ],
    };
    const bytes = packed(project);
    expect(packed(project)).to.deep.equal(bytes);
    const { project: root, files } = projectIn(bytes);
    expect(root.attributes.xmlns).to.equal('urn:QDA-XML:project:1.0');
    expect(root.children.map(({ name }) => name)).to.deep.equal(ORDER);
    const guids = [
      'User',
      'Code',
      'Variable',
      'TextSource',
      'PlainTextSelection',
      'Coding',
      'Note',
      'Set',
    ].flatMap((name) => all(root, name).map(({ attributes }) => attributes.guid));
    expect(new Set(guids).size).to.equal(guids.length);
    for (const guid of guids)
      expect(guid).to.match(/^[0-9a-f]{8}-[0-9a-f]{4}-8[0-9a-f]{3}-8[0-9a-f]{3}-[0-9a-f]{12}$/);
    for (const name of ['CodeRef', 'VariableRef', 'MemberSource'])
      for (const { attributes } of all(root, name)) expect(guids).to.include(attributes.targetGUID);
    for (const { attributes } of [...all(root, 'TextSource'), ...all(root, 'Note')])
      expect(files).to.have.property(attributes.plainTextPath.replace('internal://', 'sources/'));
    // Selections stand in the order of the text, and before the values.
    const [source] = all(root, 'TextSource');
    expect(source.children.map(({ name }) => name)).to.deep.equal([
      'PlainTextSelection',
      'PlainTextSelection',
      ...Array<string>(4).fill('VariableValue'),
    ]);
    expect(all(root, 'DateValue').map((each) => each.text)).to.deep.equal(['2031-02-03']);
    // What is no number cannot stand as one.
    expect(all(root, 'FloatValue').map((each) => each.text)).to.deep.equal(['30']);
    expect(all(root, 'Description')[0].text).to.equal('In "rain"');
  });

  it('of a study: themes and concepts as codes, passages and mentions as selections', () => {
    const study = exampleStudy(
      Array.from({ length: 8 }, (_, i) => ({
        name: `${i}`,
        text: 'The rain came and the shelter leaked on the bench. The rain and the shelter and the bench again.',
        attributes: { role: i % 2 ? 'driver' : 'resident' },
      })),
    );
    study.decide({ kind: 'setConcepts', change: { minimumMentions: 2, phrases: false } });
    study.decide({
      kind: 'beginThemes',
      themes: [{ letter: 'A', keys: ['rain', 'shelter', 'bench'] }],
      grows: false,
    });
    study.decide({ kind: 'noteTheme', letter: 'A', note: 'What the weather does' });
    study.decide({
      kind: 'keepSubset',
      name: 'Those who drive',
      subset: [{ kind: 'values', attribute: 'role', values: ['driver'] }],
    });
    const ask = asking(study);
    const { project, files } = projectIn(ask('projectFile', { notes: [] }).bytes);
    const [theme] = all(project, 'Code').filter(({ children }) =>
      children.some(({ name }) => name === 'Code'),
    );
    expect(all(theme, 'Code').map(({ attributes }) => attributes.name)).to.include.members([
      'rain',
      'shelter',
      'bench',
    ]);
    expect(all(theme, 'Description')[0].text).to.equal('What the weather does');
    const [set] = all(project, 'Set');
    expect(set.attributes.name).to.equal('Those who drive');
    expect(all(set, 'MemberSource')).to.have.length(4);
    const rain = all(project, 'Code').find(({ attributes }) => attributes.name === 'rain')?.attributes.guid;
    let mentions = 0;
    for (const source of all(project, 'TextSource')) {
      const text = strFromU8(files[source.attributes.plainTextPath.replace('internal://', 'sources/')]);
      for (const selection of all(source, 'PlainTextSelection')) {
        if (all(selection, 'CodeRef')[0].attributes.targetGUID !== rain) continue;
        mentions++;
        const words = text.slice(
          Number(selection.attributes.startPosition),
          Number(selection.attributes.endPosition),
        );
        expect(words).to.equal('rain');
      }
    }
    expect(mentions).to.equal(16);
    const codebook = read(strFromU8(ask('codebookFile', null).bytes));
    expect(codebook.attributes.xmlns).to.equal('urn:QDA-XML:codebook:1.0');
    expect(read(writeCodebook([])).children[0].children).to.deep.equal([]);
    expect(guidOf('a')).to.equal(guidOf('a')).and.not.equal(guidOf('b'));
  });

  it('of a study: what was coded by hand leaves with its tags and notes, and comes in again as it was', async () => {
    const said = [
      'The rain came 🚌 and the shelter leaked on the bench.',
      'A driver waited. Another driver left.',
    ];
    const attributes = [
      { share: '0,5', day: '01.03.2024', since: '2024', role: 'driver' },
      { share: '1.234,5', day: '13.03.2024', since: '5 March 2024', role: '' },
    ];
    const study = exampleStudy(
      said.map((text, i) => ({ name: `${i}.txt`, text, attributes: attributes[i] })),
    );
    for (const [attribute, type] of [
      ['share', 'number'],
      ['day', 'date'],
      ['since', 'date'],
    ] as const)
      study.decide({ kind: 'setAttributeType', attribute, type });
    study.decide({ kind: 'renameStudy', title: 'Buses' });
    const excerpt = (i: number, quote: string, tags: string[], note = ''): NotebookEntry => ({
      id: `${i} ${quote}`,
      time: '2031-01-01T00:00:00Z',
      note,
      tags,
      excerpt: {
        sourceId: study.state.sources[i].id,
        sourceName: `${i}.txt`,
        start: said[i].indexOf(quote),
        end: said[i].indexOf(quote) + quote.length,
        quote,
      },
    });
    const notes = [
      excerpt(0, 'the shelter leaked', ['weather', 'constructor'], 'Look at <this>'),
      excerpt(1, 'Another driver', ['weather']),
      excerpt(1, 'waited', [], 'Only a thought'),
      { id: 'memo', time: '2031-01-01T00:00:00Z', note: 'By itself', tags: [] },
    ];
    const { bytes } = asking(study)('projectFile', { notes });
    const { project } = projectIn(bytes);
    expect(
      all(project, 'Variable').map(({ attributes: { name, typeOfVariable } }) => `${name} ${typeOfVariable}`),
    ).to.have.members(['share Float', 'day Date', 'since Text', 'role Text']);
    expect(all(project, 'FloatValue').map(({ text }) => text)).to.have.members(['0.5', '1234.5']);
    expect(all(project, 'DateValue').map(({ text }) => text)).to.have.members(['2024-03-01', '2024-03-13']);
    // A year is no day: all of them leave as they stand.
    expect(all(project, 'TextValue').map(({ text }) => text)).to.have.members([
      '2024',
      '5 March 2024',
      'driver',
    ]);
    const { added, entries } = await readFiles([{ name: 'project.qdpx', bytes }], new Set());
    expect(added.map(({ text }) => text)).to.have.members(said);
    const back = entries.flatMap(({ excerpt: at, tags, note }) =>
      at ? [[at.quote, [...tags].sort().join(), note]] : [],
    );
    expect(back).to.have.deep.members([
      ['the shelter leaked', 'constructor,weather', 'Look at <this>'],
      ['Another driver', 'weather', ''],
      ['waited', '', 'Only a thought'],
    ]);
    expect(entries.filter(({ excerpt: at }) => !at).map(({ note }) => note)).to.deep.equal(['By itself']);
    // Theme A of another study is another code.
    const codes = (title: string): string => {
      study.decide({ kind: 'renameStudy', title });
      study.decide({ kind: 'beginThemes', themes: [{ letter: 'A', keys: ['driver'] }], grows: false });
      const root = projectIn(asking(study)('projectFile', { notes: [] }).bytes).project;
      return all(root, 'Code').find(({ children }) => children.length > 0)?.attributes.guid ?? '';
    };
    expect(codes('Buses')).not.to.equal(codes('Trams'));
  });

  it('looks at one source at a time, so that none has to be held', () => {
    const looked: string[] = [];
    const lazy = (id: string) => ({
      id,
      name: id,
      attributes: {},
      get text() {
        looked.push(`text of ${id}`);
        return `Rain on ${id}.`;
      },
      get selections() {
        looked.push(`selections of ${id}`);
        return [{ start: 0, end: 4, codes: ['c'] }];
      },
    });
    const bytes = packed({
      title: 't',
      codes: [{ id: 'c', name: 'c' }],
      types: {},
      notes: [],
      sources: [lazy('a'), lazy('b'), lazy('c')],
    });
    const ids = looked.map((each) => each.slice(-1)).join('');
    // Once for what is coded in it, once for its words.
    expect(ids.replace(/(.)\1+/g, '$1')).to.equal('abcabc');
    expect(Object.keys(unzipSync(bytes))).to.have.length(4);
  });
});
