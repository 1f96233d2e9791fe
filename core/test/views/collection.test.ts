import { expect } from 'chai';
import { readRecipe, RecipeFileError, writeRecipe } from '../../src/study-files/recipe-file.ts';
import { RECIPE_VERSION } from '../../src/study-files/recipe-versions.ts';
import { readClipboardTable, writeClipboardTable } from '../../src/formats/csv.ts';
import { comparable, couldBeDates, dateOrderOf, guessType, readNumber } from '../../src/study/attributes.ts';
import { decide, type Decision } from '../../src/study/decisions.ts';
import { makePart, makeSource, textOf } from '../../src/intake/sources.ts';
import { readNamePattern } from '../../src/intake/name-pattern.ts';
import { recipeOf } from '../../src/study/recipe.ts';
import { EMPTY_STUDY, type StudyState } from '../../src/study/study.ts';
import { sourcesIn, subsetText, valuesOf, workingSources, type Subset } from '../../src/study/subset.ts';
import { columnsOf, guessTable, looksLikeHead, tableSources } from '../../src/intake/table-sources.ts';
import type { ViewAnswers, ViewName, ViewQuestions } from '../../src/views/view-keys.ts';
import { asking, exampleStudy, type ExampleStudy } from '../examples.ts';

const after = (state: StudyState, ...decisions: Decision[]): StudyState => decisions.reduce(decide, state);
const ask = <V extends ViewName>(study: ExampleStudy, view: V, question: ViewQuestions[V]): ViewAnswers[V] =>
  asking(study)(view, question);

describe('attributes', () => {
  it('are numbers, dates or text by what most of their values are', () => {
    expect(guessType(['1', '2,5', '1.000', '', '12 %'])).to.equal('number');
    expect(guessType(['1/2/2031', '2031-04-05', '3 May 2031'])).to.equal('date');
    expect(guessType(['1', 'two', '3'])).to.equal('text');
    expect(guessType(['', ' '])).to.equal('text');
    // Years are dates where their column says so; words of a text may be as many.
    expect(guessType(['1790', '2021'])).to.equal('number');
    expect(guessType(['1790', '2021'], 'year')).to.equal('date');
    expect(guessType(['1790', '2021'], 'Erscheinungsjahr')).to.equal('date');
    expect(guessType(['1790', '2021'], 'piano')).to.equal('number');
    expect(guessType(['2024-Q3', 'Q4 2024'])).to.equal('date');
    expect(guessType(['03/2024', 'März 2024', 'March 2024', '2024-05'])).to.equal('date');
    expect(couldBeDates(['1790', '', '2021'])).to.equal(true);
    expect(couldBeDates(['0202', '17', '12024'])).to.equal(false);
    expect(couldBeDates(['', ''])).to.equal(false);
    expect(['1,234.5', '1.234,5', '1 000', '-3', '7%', 'x', '', '1.2.3'].map(readNumber)).to.deep.equal([
      1234.5,
      1234.5,
      1000,
      -3,
      7,
      undefined,
      undefined,
      undefined,
    ]);
    expect(comparable('4/5/2031', 'date', 'mdy')).to.equal('2031-04-05');
    expect(comparable('soon', 'date', 'dmy')).to.equal(undefined);
  });

  it('of dates say themselves which number is the day, or leave it open', () => {
    expect(dateOrderOf(['4/5/2031', '13/5/2031'])).to.equal('dmy');
    expect(dateOrderOf(['4/5/2031', '5/13/2031'])).to.equal('mdy');
    expect(dateOrderOf(['4/5/2031', '5/5/2031'])).to.equal('open');
    expect(dateOrderOf(['5/5/2031', '2031-04-05', 'x'])).to.equal('clear');
  });

  it('come out of file names by a pattern', () => {
    const { attributes, read } = readNamePattern('{role}-{*}-{place}');
    expect(attributes).to.deep.equal(['role', 'place']);
    expect(read('wave 1/nurse-01-old-mills.txt')).to.deep.equal({ role: 'nurse', place: 'old-mills' });
    expect(read('nurse.txt')).to.equal(undefined);
    expect(read('nurse--x.txt')).to.equal(undefined);
    expect(readNamePattern('{wave}/{role} of').read('before/nurse of.docx')).to.deep.equal({
      wave: 'before',
      role: 'nurse',
    });
    for (const [pattern, reason] of [
      ['role', /in braces/],
      ['{a}{b}', /what parts them/],
      ['{a}-{a}', /once/],
      ['{}', /between the braces/],
      ['{a', /brace is open/],
    ] as const) {
      expect(() => readNamePattern(pattern), pattern).to.throw(reason);
    }
  });

  it('go to a spreadsheet and come from one', () => {
    const cells = [
      ['a', 'two\nlines'],
      ['say "x"', ''],
    ];
    expect(readClipboardTable(writeClipboardTable(cells))).to.deep.equal(cells);
    expect(readClipboardTable('1\t2\r\n3\t4\r\n')).to.deep.equal([
      ['1', '2'],
      ['3', '4'],
    ]);
  });

  it('are set, renamed and removed with what hangs on them', () => {
    const sources = [makeSource('a.txt', 'x', { role: 'nurse' }), makeSource('b.txt', 'y')];
    const subset: Subset = [{ kind: 'values', attribute: 'role', values: ['nurse'] }];
    let state = after(
      EMPTY_STUDY,
      { kind: 'addSources', sources, types: { role: 'text' } },
      { kind: 'setValues', values: { role: { [sources[1].id]: 'driver' }, age: { [sources[0].id]: '41' } } },
      { kind: 'setSources', change: { subset } },
      { kind: 'keepSubset', name: 'nurses', subset },
      { kind: 'setCompare', change: { attribute: 'role' } },
      { kind: 'renameAttribute', attribute: 'role', name: 'work' },
    );
    expect(state.sources.map(({ attributes }) => attributes)).to.deep.equal([
      { work: 'nurse', age: '41' },
      { work: 'driver' },
    ]);
    expect(state.settings.compare.attribute).to.equal('work');
    expect(workingSources(state).map(({ name }) => name)).to.deep.equal(['a.txt']);
    expect(sourcesIn(state, state.subsets.nurses)).to.have.length(1);
    state = after(
      state,
      { kind: 'removeAttribute', attribute: 'work' },
      { kind: 'forgetSubset', name: 'nurses' },
    );
    expect(workingSources(state)).to.have.length(2);
    expect(state.subsets).to.deep.equal({});
  });
});

describe('a subset', () => {
  const state = after(EMPTY_STUDY, {
    kind: 'addSources',
    sources: [
      makeSource('a', '1', { role: 'driver', date: '4/6/2031', age: '20' }),
      makeSource('b', '2', { role: 'driver', date: '2031-07-01', age: '30' }),
      makeSource('c', '3', { role: 'nurse', date: 'unknown', age: '' }),
      makeSource('d', '4'),
    ],
    types: { date: 'date', age: 'number' },
  });
  const named = (subset: Subset): string =>
    sourcesIn(state, subset)
      .map(({ name }) => name)
      .join('');

  it('is of values and ranges, all of which must hold', () => {
    expect(named([])).to.equal('abcd');
    expect(named([{ kind: 'values', attribute: 'role', values: ['driver', ''] }])).to.equal('abd');
    expect(named([{ kind: 'range', attribute: 'date', from: '2031-06-05', to: '' }])).to.equal('b');
    expect(named([{ kind: 'range', attribute: 'age', from: '', to: '25' }])).to.equal('a');
    expect(
      named([
        { kind: 'values', attribute: 'role', values: ['driver'] },
        { kind: 'range', attribute: 'age', from: '9', to: '30' },
      ]),
    ).to.equal('ab');
  });

  it('is said in words', () => {
    expect(subsetText(EMPTY_STUDY, [])).to.equal('no sources yet');
    expect(subsetText(state, [])).to.equal('all 4 sources');
    expect(
      subsetText(state, [
        { kind: 'values', attribute: 'role', values: ['driver'] },
        { kind: 'range', attribute: 'date', from: '2031-06-01', to: '' },
      ]),
    ).to.equal('2 of 4 sources, where role is driver and date is on or after 2031-06-01');
    expect(valuesOf(state.sources, 'role')).to.deep.equal([
      { value: 'driver', sources: 2 },
      { value: 'nurse', sources: 1 },
      { value: '', sources: 1 },
    ]);
  });
});

describe('a table of texts', () => {
  const sheet = {
    name: 'table',
    rows: [
      ['id', 'role', 'sent', 'said', 'role'],
      ['1', 'nurse', '3/4/2031', 'The bus was late and it rained on us.', 'x'],
      ['2', 'driver', '14/4/2031', '  ', 'x'],
      ['3', 'nurse', '5/4/2031', 'A bench would help, and a roof over it.', 'y'],
      ['', '', '', '', ''],
    ],
  };

  it('has its text column guessed as the one that reads like language, and says why', () => {
    expect(looksLikeHead(sheet.rows)).to.equal(false); // two columns share a name
    const { choice, why } = guessTable(sheet, true);
    expect(choice.textColumn).to.equal(3);
    expect(why).to.match(
      /“said” reads like language: its cells have \d\.\d words such as the, and, of .*; next comes/,
    );
    const record =
      'form 3.2; phone; screen 1440×2340; session ac145800-0; opened 06:31, sent after 18 minutes';
    const survey = [
      ['no', 'form record', 'heard by', 'remarks'],
      ...['No shelter, and the wind comes in off the harbour.', 'We like it.', ''].map((said, i) => [
        `${i}`,
        `${record} ${i}`,
        'the council’s letter and the radio',
        said,
      ]),
    ];
    expect(guessTable({ name: 'survey', rows: survey }, true).choice.textColumn).to.equal(3);
    const short = [
      ['place', 'answer'],
      ['A', 'bus fares'],
      ['B', 'cold stops'],
      ['A', 'late trams'],
    ];
    const guess = guessTable({ name: 'short', rows: short }, true);
    expect(guess.choice.textColumn).to.equal(1);
    expect(guess.why).to.match(
      /^No column reads like language; “answer” has the longest cells, 10 characters/,
    );
    expect(columnsOf(sheet, true).map(({ name, type }) => `${name} ${type}`)).to.deep.equal([
      'id number',
      'role text',
      'sent date',
      'said text',
      'role 2 text',
    ]);
  });

  it('makes a source of each row with text, and counts those without', () => {
    const { choice } = guessTable(sheet, true);
    const { added, note, types } = tableSources('answers.csv', sheet, choice);
    expect(added.map(({ source }) => source.name)).to.deep.equal(['answers 1', 'answers 3']);
    expect(added[0].source.attributes).to.include({ role: 'nurse', sent: '3/4/2031' });
    expect(note).to.equal('1 of 3 rows of answers.csv has no text in “said”; the others make 2 sources.');
    expect(types).to.include({ id: 'number', sent: 'date' });
  });

  it('makes a source of the rows that share a value', () => {
    const { choice } = guessTable(sheet, true);
    const { added } = tableSources('answers.csv', sheet, { ...choice, groupColumn: 1 });
    expect(added).to.have.length(1);
    expect(added[0].text).to.equal(
      'The bus was late and it rained on us.\n\nA bench would help, and a roof over it.\n',
    );
    expect(added[0].source.attributes).to.include({ role: 'nurse', id: '1; 3' });
  });
});

describe('parts of a source', () => {
  const text = 'Head\n\n# One\nA: first words here.\nB: yes.\nA: more words.\nB: no.\n\n# Two\nlast words.\n';
  const study = (): ExampleStudy =>
    exampleStudy([{ name: 'book.txt', text, attributes: { place: 'Fen End' } }]);

  it('are sections with the whole’s attributes, whose words are found in the whole', () => {
    const split = study();
    const [whole] = split.state.sources;
    const rule = { kind: 'headings', keepBefore: true } as const;
    const view = ask(split, 'split', { sourceId: whole.id, rule });
    expect([view.total, view.droppedBefore]).to.deep.equal([3, 0]);
    const { parts } = ask(split, 'splitParts', { sourceIds: [whole.id], rule, attribute: 'document' });
    split.decide({ kind: 'splitSources', parts });
    expect(split.state.sources.map(({ name }) => name)).to.deep.equal([
      'book.txt: before the first heading',
      'book.txt: One',
      'book.txt: Two',
    ]);
    expect(split.state.sources[1].attributes).to.deep.equal({ place: 'Fen End', document: 'book.txt' });
    expect(split.original(split.state.sources[2].id)).to.equal('# Two\nlast words.\n');
    // A part of a part is a part of the whole.
    const again = makePart(split.state.sources[2], {
      name: 'x',
      text: 'last',
      place: { start: 6, end: 10 },
      attributes: {},
    });
    expect(textOf(again, () => text)).to.equal('last');
    const faulty = ask(split, 'split', {
      sourceId: split.state.sources[1].id,
      rule: { kind: 'pattern', pattern: '(', keepBefore: true },
    });
    expect(faulty.fault).to.match(/can’t be read/);
  });

  it('are what each speaker said, and who says most is known', () => {
    const spoken = study();
    const [whole] = spoken.state.sources;
    const { parts, main } = ask(spoken, 'speakerParts', { sourceIds: [whole.id], labels: ['A', 'B', 'C'] });
    expect(main).to.deep.equal({ [whole.id]: 'A' });
    spoken.decide({ kind: 'splitSources', parts });
    expect(spoken.state.sources.map(({ name, attributes }) => [name, attributes.speaker])).to.deep.equal([
      ['book.txt – A', 'A'],
      ['book.txt – B', 'B'],
    ]);
    const { forms } = spoken.compute('tokens');
    expect(forms).to.include.members(['first', 'yes']).and.not.include('head');
    expect(ask(spoken, 'speakers', null).speakers.map(({ label }) => label)).to.deep.equal(['A', 'B']);
  });

  it('can be trimmed, and the trimmed words are not counted', () => {
    const trimmed = study();
    const [{ id }] = trimmed.state.sources;
    const { cuts, rows } = ask(trimmed, 'trim', {
      rule: { kind: 'mark', side: 'before', text: '# Two', inclusive: true },
      sourceIds: [id],
    });
    expect(rows[0].characters).to.equal(text.indexOf('last'));
    trimmed.decide({ kind: 'setCuts', cuts });
    expect([...trimmed.compute('tokens').forms]).to.deep.equal(['last', 'words']);
    expect(
      ask(trimmed, 'cleaning', { sourceId: id, at: 0 }).marks.some(({ step }) => step === 'cut'),
    ).to.equal(true);
    expect(ask(trimmed, 'wordPlaces', { word: 'last', cleaned: true }).places).to.deep.equal([
      { sourceId: id, start: text.indexOf('last'), end: text.indexOf('last') + 4 },
    ]);
    expect(ask(trimmed, 'wordPlaces', { word: 'words', cleaned: false }).places).to.have.length(3);
  });
});

describe('a recipe', () => {
  it('carries steps, lists and settings without any text, there and back', () => {
    const state = after(
      EMPTY_STUDY,
      { kind: 'addSources', sources: [makeSource('secret.txt', 'hidden words')] },
      { kind: 'addStopWords', words: ['bus'] },
      { kind: 'mergeConcepts', into: 'wait', keys: ['queue'] },
      { kind: 'setCleaning', steps: [{ id: 'accents', on: true, kind: 'accents' }], what: 'x' },
    );
    const file = writeRecipe(recipeOf(state));
    expect(file).not.to.match(/secret|hidden/);
    const other = after(
      EMPTY_STUDY,
      { kind: 'addStopWords', words: ['fare'] },
      { kind: 'applyRecipe', recipe: readRecipe(file) },
    );
    expect(other.stopWords).to.deep.equal(['fare', 'bus']);
    expect(other.settings.cleaning.steps.map(({ kind }) => kind)).to.deep.equal(['accents']);
    expect(other.merges).to.deep.equal({ queue: 'wait' });
  });

  it('that is none, too new, or faulty is refused whole', () => {
    const file = writeRecipe(recipeOf(EMPTY_STUDY));
    const broken: [string, RegExp][] = [
      ['x', /not valid JSON/],
      ['{}', /no recipe file/],
      [file.replace(`"version": ${RECIPE_VERSION}`, '"version": 9'), /has version 9/],
      [file.replace('"kind": "case"', '"kind": "magic"'), /can’t be used/],
      [file.replace('"stopWords": []', '"stopWords": 7'), /can’t be used/],
    ];
    for (const [text, reason] of broken) expect(() => readRecipe(text)).to.throw(RecipeFileError, reason);
  });

  it('of version 1 is lifted: it knew no names and no numbers', () => {
    const { settings, allowedWords: _allowed, wordKinds: _kinds, ...lists } = recipeOf(EMPTY_STUDY);
    const {
      names: _names,
      numbers: _numbers,
      minimumLetters: _letters,
      minimumPull: _pull,
      ...concepts
    } = settings.concepts;
    const first = { ...lists, settings: { ...settings, concepts } };
    const recipe = readRecipe(JSON.stringify({ format: 'green-thicket-recipe', version: 1, recipe: first }));
    expect(recipe.settings.concepts).to.include({
      names: false,
      numbers: false,
      nouns: true,
      minimumPull: 0,
    });
    expect(recipe.wordKinds).to.deep.equal({});
    const { standsBy: _by, ...links } = settings.links;
    const third = { ...recipeOf(EMPTY_STUDY), settings: { ...settings, links } };
    expect(
      readRecipe(JSON.stringify({ format: 'green-thicket-recipe', version: 3, recipe: third })),
    ).to.deep.equal(recipeOf(EMPTY_STUDY));
    expect(() =>
      readRecipe(JSON.stringify({ format: 'green-thicket-recipe', version: 2, recipe: first })),
    ).to.throw(RecipeFileError);
  });

  it('says what of it does nothing in a study', () => {
    const study = exampleStudy([
      { name: 'a.txt', text: 'The bus was late. We waited for the bus with number 7.' },
    ]);
    const recipe = recipeOf(
      after(
        EMPTY_STUDY,
        { kind: 'addStopWords', words: ['the', 'zebra'] },
        { kind: 'dropConcepts', keys: ['tram'] },
        { kind: 'setSpeakers', change: { leftOut: ['Interviewer'] } },
        {
          kind: 'setCleaning',
          steps: [
            { id: 'accents', on: true, kind: 'accents' },
            { id: 'numbers', on: true, kind: 'numbers', inWords: false },
          ],
          what: 'x',
        },
      ),
    );
    const { idle } = ask(study, 'recipeReport', { recipe });
    expect(idle.join('\n'))
      .to.match(/accents are taken off” finds nothing/)
      .and.match(/Nobody here is called Interviewer/)
      .and.match(/zebra does not occur/)
      .and.match(/dropped concept tram does not occur/)
      .and.match(/the is on the published list anyway/)
      .and.not.match(/numbers/);
  });
});
