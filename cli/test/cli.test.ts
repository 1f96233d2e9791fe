import { isSealed, passwordBytes, seal, unseal } from '@green-thicket/core/formats/sealed-file';
import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import {
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { seededRandom } from '../../core/src/numeric/random.ts';
import { KARATE } from '../../core/test/examples.ts';
import { mutant } from '../../core/test/formats/mutants.ts';

const root = fileURLToPath(new URL('../..', import.meta.url));
const sample = join(root, 'demo/night-buses');

function thicket(...args: string[]): { status: number | null; stdout: string; stderr: string } {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    ['--import', 'tsx', join(root, 'cli/src/main.ts'), ...args],
    {
      cwd: root,
      encoding: 'utf8',
    },
  );
  return { status, stdout, stderr };
}

describe('the command line', () => {
  let folder: string;
  const at = (name: string): string => join(folder, name);
  const read = (...path: string[]): string => readFileSync(join(folder, ...path), 'utf8');
  before(() => {
    folder = mkdtempSync(join(tmpdir(), 'thicket-cli-'));
  });
  after(() => rmSync(folder, { recursive: true }));

  it('analyses a folder into all its files', () => {
    const { status, stderr, stdout } = thicket(
      'analyse',
      sample,
      '--attributes',
      join(sample, 'attributes.csv'),
      '--out',
      at('one'),
    );
    expect(stderr).to.include('Read 36 sources.');
    expect(status).to.equal(0);
    expect(stdout).to.equal('');
    expect(readdirSync(at('one')).sort()).to.deep.equal([
      'concepts.csv',
      'links.csv',
      'map.svg',
      'methods.md',
      'run.json',
      'strength.csv',
      'study.thicket',
      'themes.csv',
    ]);
    const head = (name: string): string => read('one', name).split('\n')[0];
    expect(head('concepts.csv')).to.equal('concept,mentions,sources,spread,pull,theme,steadiness');
    expect(head('links.csv')).to.equal(
      'source,target,windows_both,meetings,sources,npmi,g2,p,q,q_sources,beyond_chance',
    );
    expect(head('themes.csv')).to.equal('theme,label,concepts,share,overlap,comes_back,comes_back_in');
    expect(head('strength.csv')).to.equal('attribute,group,theme,share,low,high,windows');
    const run = JSON.parse(read('one', 'run.json')) as {
      seed: number;
      counts: { sources: number };
      stages: { stage: string; count?: number }[];
    };
    expect(run.seed).to.equal(1);
    expect(run.counts.sources).to.equal(36);
    const rows = (name: string): number => read('one', name).trim().split('\n').length - 1;
    const made = (name: string): number | undefined => run.stages.find(({ stage }) => stage === name)?.count;
    expect([made('read'), made('links'), made('themes')]).to.deep.equal([
      36,
      rows('links.csv'),
      rows('themes.csv'),
    ]);
    expect(run.stages.map(({ stage }) => stage)).to.include.members(['tokens', 'links', 'grouping', 'map']);
  });

  it('opens a study file with its password, and seals the one it writes', async () => {
    const password = passwordBytes('umbrella under the bridge');
    const plain = readFileSync(join(folder, 'one', 'study.thicket'));
    writeFileSync(at('sealed.thicket'), await seal(plain, password, 1000));
    writeFileSync(at('password.txt'), 'umbrella under the bridge\n');
    writeFileSync(at('wrong.txt'), 'another');
    const analysed = (...more: string[]) =>
      thicket('analyse', at('sealed.thicket'), '--out', at('unsealed'), '--quiet', ...more);
    expect(analysed()).to.include({ status: 2 });
    expect(analysed().stderr).to.match(/has a password.*--password-file/);
    expect(analysed('--password-file', at('wrong.txt')).stderr).to.match(/not its password/);
    expect(analysed('--password-file', at('none.txt')).stderr).to.match(/can’t be read/);
    expect(analysed('--password-file', at('password.txt'))).to.include({ status: 0, stderr: '' });
    expect(read('unsealed', 'links.csv')).to.equal(read('one', 'links.csv'));
    const written = readFileSync(join(folder, 'unsealed', 'study.thicket'));
    expect(Buffer.from(await unseal(written, password)).equals(plain)).to.equal(true);
    expect(isSealed(written)).to.equal(true);
  });

  it('gives the same tables from the study file it wrote, to the last byte', () => {
    expect(thicket('analyse', join(at('one'), 'study.thicket'), '--out', at('two'), '--quiet')).to.include({
      status: 0,
      stderr: '',
    });
    for (const name of ['concepts.csv', 'links.csv', 'themes.csv', 'strength.csv', 'map.svg', 'methods.md']) {
      expect(read('two', name), name).to.equal(read('one', name));
    }
    expect(
      readFileSync(join(folder, 'two', 'study.thicket')).equals(
        readFileSync(join(folder, 'one', 'study.thicket')),
      ),
    ).to.equal(true);
  });

  it('follows settings', () => {
    writeFileSync(
      at('settings.json'),
      '{"concepts":{"size":30},"windows":{"unit":"turn"},"stopWords":["driver"]}',
    );
    expect(
      thicket('analyse', sample, '--settings', at('settings.json'), '--out', at('three'), '--quiet').status,
    ).to.equal(0);
    expect(read('three', 'concepts.csv').trim().split('\n')).to.have.length(31);
    expect(read('three', 'concepts.csv')).not.to.match(/^driver,/m);
    expect(read('three', 'methods.md')).to.include('share a window of a turn');
  });

  it('groups a network: the karate club', () => {
    writeFileSync(
      at('karate.csv'),
      `source,target,weight\n${KARATE.map(([a, b]) => `${a},${b},1`).join('\n')}\n`,
    );
    expect(thicket('group', at('karate.csv'), '--out', at('karate'), '--runs', '20').status).to.equal(0);
    const run = JSON.parse(read('karate', 'run.json')) as { modularity: number; communities: number };
    expect(run.modularity).to.be.closeTo(0.4198, 5e-4);
    expect(run.communities).to.equal(4);
    expect(read('karate', 'concepts.csv').trim().split('\n')).to.have.length(35);
  });

  it('says in one sentence what is wrong, with exit code 2', () => {
    writeFileSync(at('picture.png'), Uint8Array.of(0x89, 0x50, 0x4e, 0x47));
    writeFileSync(at('broken.thicket'), 'no');
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
      [['analyse', sample], /--out/],
      [['analyse', sample, '--settings', at('bad.json'), '--out', at('x'), '--quiet'], /windows\.unit/],
      [['group', at('bad.csv'), '--out', at('x')], /must be a number above 0/],
      [['group', at('bad.csv'), '--out', at('x'), '--resolution', 'much'], /resolution/],
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

  it('replaces results only where it is told to, whole, and never reads them', () => {
    mkdirSync(at('own'));
    for (const name of ['a', 'b', 'c'])
      writeFileSync(join(at('own'), `${name}.txt`), 'Rain on the bus. The bus waits.\n');
    const run = (...more: string[]) =>
      thicket('analyse', at('own'), '--out', join(at('own'), 'results'), ...more);
    expect(run().stderr).to.include('Read 3 sources.');
    const before = read('own', 'results', 'concepts.csv');
    const again = run();
    expect(again.status).to.equal(2);
    expect(again.stderr).to.match(/There are results in .* already \(concepts\.csv, .*--force/);
    expect(run('--force').stderr).to.include('Read 3 sources.');
    expect(read('own', 'results', 'concepts.csv')).to.equal(before);
    // A place that can't be written leaves all the others as they were.
    rmSync(join(at('own'), 'results', 'methods.md'));
    mkdirSync(join(at('own'), 'results', 'methods.md', 'in-the-way'), { recursive: true });
    writeFileSync(join(at('own'), 'results', 'concepts.csv'), 'as it was');
    expect(run('--force', '--quiet').status).to.equal(2);
    expect(readdirSync(join(at('own'), 'results')).filter((name) => name.endsWith('.part'))).to.deep.equal(
      [],
    );
    writeFileSync(at('links.csv'), '\ufeffsource,target\na,b\nb,c\n');
    expect(thicket('group', at('links.csv'), '--out', at('grouped')).status).to.equal(0);
    expect(thicket('group', at('links.csv'), '--out', at('grouped')).status).to.equal(2);
    expect(thicket('group', at('links.csv'), '--out', at('grouped'), '--force').status).to.equal(0);
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

  it('leaves out a speaker by settings', () => {
    writeFileSync(at('quiet.json'), '{"speakers":{"leftOut":["Interviewer"]}}');
    expect(
      thicket('analyse', sample, '--settings', at('quiet.json'), '--out', at('six'), '--quiet').status,
    ).to.equal(0);
    const words = (folderName: string): number =>
      (JSON.parse(read(folderName, 'run.json')) as { counts: { words: number } }).counts.words;
    expect(words('six')).to.be.below(words('one'));
    expect(read('six', 'methods.md')).to.include('without what Interviewer said');
  });

  it('says what would help where there is too little to link', () => {
    writeFileSync(at('short.txt'), 'Rain again.');
    const { status, stderr } = thicket('analyse', at('short.txt'), '--out', at('short'));
    expect(status).to.equal(0);
    expect(stderr).to.match(/too few to link anything\. More text/);
    expect(read('short', 'links.csv').trim()).to.equal(
      'source,target,windows_both,meetings,sources,npmi,g2,p,q,q_sources,beyond_chance',
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
      .to.include('at-the-stop.xlsx: “talk” has the longest cells')
      .and.include('1 of 6 rows of at-the-stop.xlsx has no text in “talk”; the others make 5 sources.')
      .and.include('The sheet Stops of at-the-stop.xlsx was left out; the first was read.')
      .and.include('Read 8 sources.');
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
