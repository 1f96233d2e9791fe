import { expect } from 'chai';
import { strFromU8, unzipSync } from 'fflate';
import { figureQuestionOf, type FigureQuestion } from '../../src/views/report/figure-types.ts';
import { REPORT_PART_NAMES, type ReportQuestion } from '../../src/views/report/report-types.ts';
import { seededRandom } from '../../src/numeric/random.ts';
import { asking, exampleStudy, type ExampleStudy } from '../examples.ts';

const THEMES: Readonly<Record<string, readonly string[]>> = {
  driver: ['rain', 'shelter', 'bench', 'wind'],
  resident: ['fare', 'wage', 'ticket', 'rent'],
};
const FILLER =
  'street window door table garden river bridge paper letter market church school teacher doctor farmer apple kitchen music'.split(
    ' ',
  );

/** Talks of drivers about weather and of residents about money, among other things; each names Ada Hale. */
function study(): ExampleStudy {
  const random = seededRandom(7);
  const among = (words: readonly string[]): string => words[Math.floor(random() * words.length)];
  const texts = Array.from({ length: 16 }, (_, i) => {
    const role = i % 2 === 0 ? 'driver' : 'resident';
    const sentence = (): string =>
      random() < 0.4
        ? `Then the ${among(THEMES[role])} and the ${among(THEMES[role])} were there, said Ada Hale, with the ${among(THEMES[role])}.`
        : `Then the ${among(FILLER)} and the ${among(FILLER)} were near the ${among(FILLER)}.`;
    return {
      name: `${i}-ada.txt`,
      text: Array.from({ length: 14 }, sentence).join('\n\n'),
      attributes: { role, day: `2031-0${1 + (i % 3)}-10` },
    };
  });
  const made = exampleStudy(texts);
  made.decide({ kind: 'setAttributeType', attribute: 'day', type: 'date' });
  return made;
}
const asked = (more: Partial<ReportQuestion> = {}): ReportQuestion => ({
  parts: REPORT_PART_NAMES,
  entries: [],
  decisions: [{ time: '2031-01-02T03:04:05.000Z', words: 'drop wet', reason: 'says little' }],
  version: '9.9',
  quotations: 2,
  ...more,
});

describe('figures', () => {
  const ask = asking(study());

  it('are made of whatever is shown, each with what it rests on', () => {
    const time = { rows: { kind: 'themes' }, dates: 'day', span: '', period: null, byGroup: false } as const;
    const apart = { group: 'driver', against: null, of: 'concepts', letter: '', limit: 5 } as const;
    const concept = { kind: 'concept', key: 'bench' } as const;
    const questions: Record<FigureQuestion['kind'], FigureQuestion> = {
      sources: { kind: 'sources' },
      concepts: { kind: 'concepts' },
      links: { kind: 'links' },
      themes: { kind: 'themes' },
      map: { kind: 'map' },
      company: { kind: 'company', key: 'bench' },
      strength: { kind: 'strength', rows: { kind: 'themes' } },
      time: { kind: 'time', asked: time },
      apart: { kind: 'apart', asked: apart },
      tone: { kind: 'tone', list: 'AFINN' },
      concordance: { kind: 'concordance', selection: concept, group: null },
      dispersion: { kind: 'dispersion', selection: concept },
    };
    for (const [kind, question] of Object.entries(questions)) {
      const { title, note, picture, table } = ask('figure', question);
      expect(title, kind).to.not.equal('');
      expect(note, kind).to.match(/\.$/);
      expect(picture !== undefined || (table?.rows.length ?? 0) > 0, kind).to.equal(true);
      for (const row of table?.rows ?? []) expect(row.length, kind).to.equal(table?.head.length);
      expect(ask('figure', question), kind).to.deep.equal({
        title,
        note,
        ...(picture && { picture }),
        ...(table && { table }),
      });
      expect(figureQuestionOf(question)).to.equal(question);
    }
    expect(figureQuestionOf({ kind: 'of a newer program' })).to.equal(undefined);
  });

  it('count what the views count', () => {
    const { table } = ask('figure', {
      kind: 'concordance',
      selection: { kind: 'concept', key: 'bench' },
      group: null,
    });
    const { total } = ask('concordance', {
      selection: { kind: 'concept', key: 'bench' },
      order: 'text',
      context: 10,
      limit: 1,
      group: null,
    });
    expect(table?.rows.length).to.equal(total);
    const sources = ask('figure', { kind: 'sources' }).table?.rows ?? [];
    expect(sources.map(([name, count]) => [name, count])).to.deep.equal([
      ['driver', 8],
      ['resident', 8],
      ['all', 16],
    ]);
  });
});

describe('a report', () => {
  it('has its parts in the order asked for, with what was said under each theme', () => {
    const made = study();
    const ask = asking(made);
    const { blocks } = ask('report', asked());
    const chapters = blocks.flatMap((block) =>
      block.kind === 'heading' && block.level === 2 ? [block.text] : [],
    );
    // The Notebook is empty, so it has no chapter.
    expect(chapters.length).to.equal(REPORT_PART_NAMES.length - 1);
    const { themes } = ask('themes', null);
    expect(themes.length).to.be.above(1);
    const names = blocks.flatMap((block) =>
      block.kind === 'heading' && block.level === 3 ? [block.text] : [],
    );
    expect(names).to.deep.equal(themes.map(({ letter, label }) => `${letter} ${label}`));
    const quotes = blocks.filter((block) => block.kind === 'quote');
    expect(quotes.length).to.be.at.least(themes.length);
    const whole = made.state.sources.map(({ id }) => made.original(id));
    for (const { runs } of quotes) {
      const words = runs.map(({ text }) => text).join('');
      expect(whole.some((text) => text.includes(words))).to.equal(true);
    }
    const turned = ask('report', asked({ parts: ['references', 'summary'] })).blocks;
    expect(
      turned.filter(({ kind }) => kind === 'heading').map((block) => 'text' in block && block.text),
    ).to.deep.equal(['Untitled study', 'References', 'What this rests on']);
  });

  it('puts entries in their order, headings, notes, quotes and views as they were kept', () => {
    const ask = asking(study());
    const figure = ask('figure', { kind: 'themes' });
    const view = { asked: { kind: 'themes' }, address: 'themes', seq: 3, figure };
    const base = { time: '2031-01-01T00:00:00.000Z', tags: [] };
    const excerpt = {
      sourceId: 'x',
      sourceName: '0-ada.txt',
      start: 0,
      end: 4,
      quote: 'Wet, said Ada Hale.',
    };
    const entries = [
      { ...base, id: 'a', note: 'On rain', isHeading: true },
      { ...base, id: 'b', note: 'As it was', view },
      { ...base, id: 'c', note: '', tags: ['rain'], excerpt },
    ];
    const { blocks } = ask('report', asked({ parts: ['notebook'], entries }));
    expect(blocks.slice(1).map(({ kind }) => kind)).to.deep.equal([
      'heading',
      'heading',
      'table',
      'paragraph',
      'quote',
      'paragraph',
    ]);
  });

  it('is a page, a text document and references', () => {
    const ask = asking(study());
    const file = (as: 'html' | 'docx' | 'bib'): Uint8Array => ask('reportFile', { ...asked(), as }).bytes;
    expect(strFromU8(file('html')))
      .to.include('Green Thicket 9.9')
      .and.include('says little');
    expect(Object.keys(unzipSync(file('docx')))).to.include('word/document.xml');
    expect(strFromU8(file('bib')))
      .to.include('@article{traag2019,')
      .and.include('author = {Traag, V. A. and ');
  });

  it('has its tables as sheets, and a sheet that explains each column of them', () => {
    const { sheets } = asking(study())('workbook', null);
    const [about, ...others] = sheets;
    expect(others.map(({ name }) => name)).to.deep.equal([
      'Sources',
      'Concepts',
      'Links',
      'Themes',
      'Strength',
    ]);
    for (const { name, head, rows } of others) {
      expect(about.rows.filter(([sheet]) => sheet === name).length, name).to.be.above(2);
      for (const row of rows) expect(row.length).to.equal(head.length);
    }
  });

  it('lets no name out that has a pseudonym, and says which others are quoted', () => {
    const made = study();
    expect(asking(made)('report', asked()).namesLeft).to.include('Ada Hale');
    made.decide({ kind: 'setPseudonyms', change: { 'Ada Hale': 'Bea Moor', Ada: 'Bea' } });
    const ask = asking(made);
    const { blocks, namesLeft } = ask('report', asked());
    expect(namesLeft).to.deep.equal([]);
    expect(JSON.stringify(blocks)).to.include('[Bea Moor]');
    const entries = [{ id: 'a', time: '2031-01-01T00:00:00.000Z', note: 'Ada said so', tags: [] }];
    const selection = { kind: 'concept', key: 'bench' } as const;
    const files: Uint8Array[] = [
      ask('reportFile', { ...asked({ entries }), as: 'html' }).bytes,
      ...Object.values(unzipSync(ask('reportFile', { ...asked({ entries }), as: 'docx' }).bytes)),
      ask('passagesFile', { selection, as: 'csv' }).bytes,
      ...Object.values(unzipSync(ask('passagesFile', { selection, as: 'docx' }).bytes)),
      ask('matrixFile', { figure: 'mentions' }).bytes,
      ask('networkFile', { as: 'graphml' }).bytes,
      ...Object.values(unzipSync(ask('projectFile', { notes: entries }).bytes)),
      ask('codebookFile', null).bytes,
      ...Object.entries(unzipSync(ask('everythingFile', asked({ entries })).bytes))
        .filter(([name]) => !/\.(?:docx|qdpx)$/.test(name))
        .map(([, bytes]) => bytes),
      ask('cleanedFile', { as: 'csv' }).bytes,
      ...Object.values(unzipSync(ask('cleanedFile', { as: 'zip' }).bytes)),
    ];
    for (const bytes of files)
      expect(strFromU8(bytes)).to.not.match(/(?<![\p{L}\p{N}])ada(?![\p{L}\p{N}])/iu);
  });
});
