import { expect } from 'chai';
import { mkdirSync, readFileSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { seededRandom } from '../../core/src/numeric/random.ts';
import { mutant } from '../../core/test/formats/mutants.ts';
import { EVERY, recordOf } from '../../core/test/study/every-decision.ts';
import { writeStudyFile } from '../../core/src/study-files/study-file.ts';
import { root, sample, suiteFolder, thicket } from './thicket.ts';

describe('what the command line reads, and refuses', () => {
  const { at, read } = suiteFolder();

  it('says in one sentence what is wrong, with exit code 2', () => {
    writeFileSync(at('picture.png'), Uint8Array.of(0x89, 0x50, 0x4e, 0x47));
    writeFileSync(at('broken.thicket'), 'no');
    writeFileSync(
      at('network.thicket'),
      writeStudyFile({
        log: recordOf([EVERY.openNetwork]),
        register: [],
        originals: new Map(),
      }),
    );
    writeFileSync(at('bad.csv'), 'source,target,weight\na,b,-1\n');
    writeFileSync(at('bad.json'), '\ufeff{"windows":{"unit":"century"}}');
    writeFileSync(
      at('pattern.json'),
      JSON.stringify({ cleaning: { steps: [{ id: 'l', on: true, kind: 'lines', pattern: '(' }] } }),
    );
    writeFileSync(at('good-file'), 'x');
    symlinkSync(at('nothing'), at('dangling'));
    mkdirSync(at('odd'));
    writeFileSync(
      Buffer.concat([Buffer.from(`${at('odd')}/caf`), Buffer.of(0xe9), Buffer.from('.txt')]),
      'x',
    );
    const cases: [string[], RegExp][] = [
      [['analyse', at('nowhere'), '--out', at('x')], /nowhere can’t be read/],
      [['analyse', at('picture.png'), '--out', at('x')], /picture\.png/],
      [['analyse', at('broken.thicket'), '--out', at('x')], /can’t be opened/],
      [['analyse', at('network.thicket'), '--out', at('x')], /a network without texts.*“group”/],
      [['analyse', sample], /--out/],
      [['analyse', sample, '--settings', at('bad.json'), '--out', at('x'), '--quiet'], /windows\.unit/],
      [['group', at('bad.csv'), '--out', at('x')], /must be a number above 0/],
      [['group', at('bad.csv'), '--out', at('x'), '--resolution', 'much'], /resolution/],
      [['analyse', sample, '--out', at('x'), '--threads', '0'], /whole number from 1 to 64/],
      [['analyse', sample, '--out', at('x'), '--scale', '5'], /whole number from 1 to 4/],
      [
        ['analyse', sample, '--out', at('x'), '--browser', at('nowhere')],
        /can’t draw pictures: there is no such file/,
      ],
      [['analyse', sample, '--out', at('x'), '--browser', '/bin/true'], /true can’t draw pictures: it ended/],
      [['group', at('bad.csv'), '--out', at('x'), '--runs', '1e9'], /whole number from 1 to 500/],
      [['group', at('bad.csv'), '--out', at('x'), '--seed', '-1'], /whole number from 0/],
      [
        ['analyse', sample, '--settings', at('pattern.json'), '--out', at('x'), '--quiet'],
        /pattern that can’t be used/,
      ],
      [['analyse', sample, '--out', join(at('good-file'), 'x')], /Nothing can be written to .*not a folder/],
      [['analyse', at('dangling'), '--out', at('x')], /dangling can’t be read: there is no such file/],
      [['analyse', join(at('odd'), '\ufffd.txt'), '--out', at('x')], /its name is not in UTF-8/],
      [['analyse', at('odd'), '--out', at('x'), '--quiet'], /its name is not in UTF-8/],
      [['dance'], /dance/],
    ];
    for (const [args, expected] of cases) {
      const { status, stderr } = thicket(...args);
      expect(status, args.join(' ')).to.equal(2);
      expect(stderr.trim().split('\n').at(-1)).to.match(expected);
      expect(stderr).not.to.match(/ at .*\.ts:/);
    }
  });

  it('goes on where a damaged document makes its reader lose promises', () => {
    const pdf = new Uint8Array(readFileSync(join(root, 'demo/night-buses-documents/taxi-driver.pdf')));
    mkdirSync(at('damaged'));
    writeFileSync(join(at('damaged'), 'a.pdf'), mutant(pdf, seededRandom(24)));
    writeFileSync(join(at('damaged'), 'b.txt'), 'Rain on the bus.');
    const { status, stderr } = thicket('analyse', at('damaged'), '--out', at('out-damaged'));
    expect(status, stderr).to.equal(0);
    expect(stderr).not.to.match(/Exception/);
  });

  it('reads attributes in any encoding, and says what is in them twice', () => {
    writeFileSync(at('one.txt'), 'Rain and wind.');
    const rows = 'file,place,place\none.txt,Höhe,x\none.txt,Tal,y\n';
    const forms: [string, Uint8Array][] = [
      ['a16.csv', Buffer.from(`\ufeff${rows}`, 'utf16le')],
      ['a1252.csv', Buffer.from(rows, 'latin1')],
      ['a8.tsv', Buffer.from(`\ufeff${rows.replaceAll(',', '\t')}`)],
    ];
    for (const [name, bytes] of forms) {
      writeFileSync(at(name), bytes);
      const { status, stderr } = thicket(
        'analyse',
        at('one.txt'),
        '--attributes',
        at(name),
        '--out',
        at(`out-${name}`),
      );
      expect(status, stderr).to.equal(0);
      expect(stderr).to.include('one.txt stands in more than one row; the last one counts.');
      expect(stderr).to.include('Two columns are called place; one became place 2.');
      expect(read(`out-${name}`, 'strength.csv')).to.match(/^attribute/);
    }
    const run = thicket(
      'analyse',
      at('one.txt'),
      '--attributes',
      join(root, 'demo/night-buses-documents/at-the-stop.xlsx'),
      '--out',
      at('out-xlsx'),
    );
    expect(run.status, run.stderr).to.equal(0);
  });

  it('reports on files that do not come in and attributes that fit none', () => {
    writeFileSync(at('good.txt'), 'Rain and wind. A shelter with a bench.');
    writeFileSync(at('empty.txt'), '');
    writeFileSync(at('people.csv'), 'file,role\ngood.txt,nurse\nnobody.txt,driver\n');
    const { status, stderr } = thicket(
      'analyse',
      at('good.txt'),
      at('empty.txt'),
      '--attributes',
      at('people.csv'),
      '--out',
      at('four'),
    );
    expect(status).to.equal(0);
    expect(stderr).to.include('Left out empty.txt: It is empty.');
    expect(stderr).to.include('No source is called nobody.txt; its attributes are not used.');
    expect(
      thicket('analyse', join(at('four'), 'study.thicket'), at('good.txt'), '--out', at('five')).status,
    ).to.equal(2);
  });

  it('says what would help where there is too little to link', () => {
    writeFileSync(at('short.txt'), 'Rain again.');
    const { status, stderr } = thicket('analyse', at('short.txt'), '--out', at('short'));
    expect(status).to.equal(0);
    expect(stderr).to.match(/told from chance\. More text/);
    expect(read('short', 'links.csv').trim()).to.equal(
      'source,target,windows_both,meetings,sources,npmi,jaccard,cosine,g2,p,q,q_sources,beyond_chance',
    );
  });

  it('reads documents and tables of every kind, and says what it guessed', () => {
    const { status, stderr } = thicket(
      'analyse',
      join(root, 'demo/night-buses-documents'),
      '--out',
      at('documents'),
    );
    expect(status).to.equal(0);
    expect(stderr)
      .to.include('at-the-stop.xlsx: “talk” reads like language')
      .and.include('1 of 6 rows of at-the-stop.xlsx has no text in “talk”; the others make 5 sources.')
      .and.include('The sheet Stops of at-the-stop.xlsx was left out; the first was read.')
      .and.include('Read 8 sources.');
  });

  it('takes the text from the column that is named, and says which there are', () => {
    const survey = join(root, 'demo/night-buses-survey/survey.csv');
    const found = thicket('analyse', survey, '--out', at('remarks'));
    expect(found.stderr).to.include('“remarks” reads like language').and.include('Read 72 sources.');
    const named = thicket('analyse', survey, '--text', 'form record', '--out', at('records'));
    expect(named.stderr).to.include('Read 120 sources.');
    const wrong = thicket('analyse', survey, '--text', 'answers', '--out', at('never'));
    expect(wrong.status).to.equal(2);
    expect(wrong.stderr).to.match(/survey\.csv has no column “answers”; it has “number”, .* and “remarks”\./);
  });

  it('takes a table that names the files of its folder for their attributes', () => {
    mkdirSync(at('notes'));
    writeFileSync(at('notes/anna.txt'), 'Rain and wind at the shelter. The shelter has a bench.');
    writeFileSync(at('notes/bela.txt'), 'Wind and rain at the bench. The bench has a shelter.');
    writeFileSync(at('notes/people.csv'), 'who,role\nanna,nurse\nbela,driver\neve,baker\n');
    const { status, stderr } = thicket('analyse', at('notes'), '--out', at('named'));
    expect(status).to.equal(0);
    expect(stderr)
      .to.include('people.csv names the other files, so it was read as their attributes.')
      .and.include('No source is called eve; its attributes are not used.')
      .and.include('Read 2 sources.');
  });

  it('says in the method only what was done', () => {
    writeFileSync(
      at('plain.json'),
      '{"cleaning":{"steps":[{"id":"case","on":true,"kind":"case"},{"id":"accents","on":false,"kind":"accents"}]}}',
    );
    expect(
      thicket('analyse', at('notes'), '--settings', at('plain.json'), '--out', at('plain'), '--quiet').status,
    ).to.equal(0);
    expect(read('plain', 'methods.md'))
      .to.include('Before words are counted, capitals are read as small letters.')
      .and.not.include('accents');
    writeFileSync(at('broken.json'), '{"cleaning":{"steps":[{"id":"x","on":true,"kind":"magic"}]}}');
    const { status, stderr } = thicket(
      'analyse',
      at('notes'),
      '--settings',
      at('broken.json'),
      '--out',
      at('never'),
    );
    expect(status).to.equal(2);
    expect(stderr).to.match(/settings in .*broken\.json can’t be used/);
  });
});
