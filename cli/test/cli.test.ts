import { isSealed, passwordBytes, seal, unseal } from '@green-thicket/core/formats/sealed-file';
import { expect } from 'chai';
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { seededRandom } from '@green-thicket/core/numeric/random';
import { KARATE } from '../../core/test/examples.ts';
import { sample, suiteFolder, thicket } from './thicket.ts';

describe('the command line', () => {
  const { at, read } = suiteFolder();

  it('finds the same in the same texts, to the byte, whatever they are called and wherever they lie', () => {
    const texts = readdirSync(sample).filter((name) => name.endsWith('.txt'));
    mkdirSync(at('as-they-are'));
    mkdirSync(at('otherwise/below'), { recursive: true });
    texts.forEach((name, i) => {
      const text = readFileSync(join(sample, name));
      writeFileSync(join(at('as-they-are'), name), text);
      // Every fifth is the first, then every fifth from the second on; half of them a folder further down.
      const place = `${i % 2 === 0 ? 'below/' : ''}${i % 5}-${texts.length - i}.txt`;
      writeFileSync(join(at('otherwise'), place), text);
    });
    for (const folder of ['as-they-are', 'otherwise']) {
      const { status } = thicket('analyse', at(folder), '--out', at(`of-${folder}`), '--quiet');
      expect(status).to.equal(0);
    }
    const written = readdirSync(at('of-otherwise')).filter((name) => /\.(?:csv|svg|graphml)$/.test(name));
    expect(written).to.include.members(['concepts.csv', 'links.csv', 'themes.csv', 'map.svg']);
    for (const name of written)
      expect(read('of-otherwise', name), name).to.equal(read('of-as-they-are', name));
  });

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
      '.green-thicket.json',
      'apart.csv',
      'concepts.csv',
      'links.csv',
      'map.svg',
      'methods.md',
      'network.graphml',
      'network.json',
      'run.json',
      'strength.csv',
      'study.thicket',
      'themes.csv',
      'time.csv',
      'tone.csv',
    ]);
    const head = (name: string): string => read('one', name).split('\n')[0];
    expect(head('concepts.csv')).to.equal('concept,mentions,sources,spread,pull,theme,steadiness,chosen_in');
    expect(head('links.csv')).to.equal(
      'source,target,windows_both,meetings,sources,npmi,jaccard,cosine,g2,p,q,q_sources,beyond_chance',
    );
    expect(head('themes.csv')).to.equal('theme,label,concepts,share,overlap,comes_back,comes_back_in');
    expect(head('strength.csv')).to.equal(
      'attribute,group,theme,share,low,high,windows,speaking,sources_speaking,sources,q',
    );
    expect(head('apart.csv')).to.equal(
      'attribute,group,concept,log_odds,low,high,z,q,mentions,mentions_elsewhere',
    );
    expect(head('time.csv')).to.equal(
      'attribute,period,theme,share,low,high,windows,sources,mean,change,change_q',
    );
    expect(head('tone.csv')).to.equal('attribute,group,theme,list,aspect,share,low,high,windows');
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

  it('gives the same from the study file it wrote, sealed with a password or not, to the last byte', async () => {
    const password = passwordBytes('umbrella under the bridge');
    const plain = readFileSync(join(at('one'), 'study.thicket'));
    writeFileSync(at('sealed.thicket'), await seal(plain, password, 1000));
    writeFileSync(at('password.txt'), 'umbrella under the bridge\n');
    writeFileSync(at('wrong.txt'), 'another');
    const analysed = (...more: string[]) =>
      thicket('analyse', at('sealed.thicket'), '--out', at('two'), '--quiet', ...more);
    expect(analysed()).to.include({ status: 2 });
    expect(analysed().stderr).to.match(/has a password.*--password-file/);
    expect(analysed('--password-file', at('wrong.txt')).stderr).to.match(/not its password/);
    expect(analysed('--password-file', at('none.txt')).stderr).to.match(/can’t be read/);
    expect(analysed('--password-file', at('password.txt'))).to.include({ status: 0, stderr: '' });
    for (const name of [
      'concepts.csv',
      'links.csv',
      'themes.csv',
      'strength.csv',
      'apart.csv',
      'time.csv',
      'tone.csv',
      'map.svg',
      'methods.md',
    ])
      expect(read('two', name), name).to.equal(read('one', name));
    const written = readFileSync(join(at('two'), 'study.thicket'));
    expect(isSealed(written)).to.equal(true);
    expect(Buffer.from(await unseal(written, password)).equals(plain)).to.equal(true);
  });

  it('gives the same files with one thread and with several, to the last byte', () => {
    // Enough text for threads to be started: work of a third of a second.
    mkdirSync(at('much'));
    const talk = readdirSync(sample)
      .filter((name) => name.endsWith('.txt'))
      .map((name) => readFileSync(join(sample, name), 'utf8'));
    for (let i = 0; i < 4; i++)
      writeFileSync(at(`much/${i}.txt`), talk.map((_, k) => talk[(i + k) % talk.length]).join('\n\n'));
    for (const threads of ['1', '3'])
      expect(
        thicket('analyse', at('much'), '--out', at(`by-${threads}`), '--threads', threads, '--quiet'),
      ).to.include({ status: 0, stderr: '' });
    const files = readdirSync(at('by-1')).filter((name) => name !== 'run.json' && !name.startsWith('.'));
    expect(files).to.include('links.csv');
    for (const name of files)
      expect(
        readFileSync(join(at('by-3'), name)).equals(readFileSync(join(at('by-1'), name))),
        name,
      ).to.equal(true);
  });

  it('makes the same again from the record of a run, and says what is wrong with settings before it reads', () => {
    const settings = at('changed.json');
    writeFileSync(
      settings,
      JSON.stringify({
        windows: { size: 2 },
        concepts: { minimumLetters: 4 },
        compare: { words: 80 },
        themes: { seed: 3 },
        stopWords: ['camera'],
      }),
    );
    const made = (out: string, by: string): string => {
      const { status, stderr } = thicket('analyse', sample, '--settings', by, '--out', at(out), '--quiet');
      expect(status, String(stderr)).to.equal(0);
      return at(out);
    };
    const first = made('by-settings', settings);
    made('by-run', join(first, 'run.json'));
    const tables = readdirSync(first).filter((name) => /\.(?:csv|svg|graphml|md)$/.test(name));
    expect(tables).to.include.members(['concepts.csv', 'strength.csv', 'map.svg', 'methods.md']);
    for (const name of tables) expect(read('by-run', name), name).to.equal(read('by-settings', name));
    expect(read('by-run', 'concepts.csv')).not.to.match(/^camera,/m);
    const run = JSON.parse(read('by-settings', 'run.json')) as { texts: string };
    expect((JSON.parse(read('by-run', 'run.json')) as typeof run).texts).to.equal(run.texts);
    writeFileSync(at('wrong.json'), '{"windows": {"size": "wide"}}');
    const { status, stderr } = thicket(
      'analyse',
      at('nothing-here'),
      '--settings',
      at('wrong.json'),
      '--out',
      at('no'),
    );
    expect(status).to.equal(2);
    expect(String(stderr)).to.match(/The settings in .*wrong\.json can’t be used/);
  });

  it('takes a seed, and says it in what it writes', () => {
    const { status } = thicket('analyse', sample, '--seed', '7', '--out', at('seven'), '--quiet');
    expect(status).to.equal(0);
    expect(readFileSync(at('seven/run.json'), 'utf8')).to.match(/"seed": 7\b/);
    const refused = thicket('analyse', sample, '--seed', 'x', '--out', at('none'), '--quiet');
    expect([refused.status, refused.stderr]).to.satisfy(
      ([code, said]: [number, string]) => code === 2 && said.includes('It must be a whole number'),
    );
  });

  it('follows settings, and leaves out a speaker by them', () => {
    writeFileSync(
      at('settings.json'),
      '{"concepts":{"size":30},"windows":{"unit":"turn"},"stopWords":["driver"],"speakers":{"leftOut":["Interviewer"]}}',
    );
    expect(
      thicket('analyse', sample, '--settings', at('settings.json'), '--out', at('three'), '--quiet').status,
    ).to.equal(0);
    expect(read('three', 'concepts.csv').trim().split('\n')).to.have.length(31);
    expect(read('three', 'concepts.csv')).not.to.match(/^driver,/m);
    expect(read('three', 'methods.md')).to.include('share a window of a turn');
    const words = (folderName: string): number =>
      (JSON.parse(read(folderName, 'run.json')) as { counts: { words: number } }).counts.words;
    expect(words('three')).to.be.below(words('one'));
    expect(read('three', 'methods.md')).to.include('without what Interviewer said');
  });

  it('groups a network: the karate club', () => {
    writeFileSync(
      at('karate.csv'),
      `source,target,weight\n${KARATE.map(([a, b]) => `${a},${b},1`).join('\n')}\n`,
    );
    const options = ['--out', at('karate'), '--runs', '20'];
    expect(thicket('group', at('karate.csv'), ...options, '--resolution', '1').status).to.equal(0);
    const run = JSON.parse(read('karate', 'run.json')) as { modularity: number; communities: number };
    expect(run.modularity).to.be.closeTo(0.4198, 5e-4);
    expect(run.communities).to.equal(4);
    expect(read('karate', 'concepts.csv').trim().split('\n')).to.have.length(35);
    const found = thicket('group', at('karate.csv'), ...options, '--force');
    expect(found.stderr).to.match(/^4 communities at resolution \d.*, modularity 0\.4198\./m);
  });

  it('says that a network has no communities where rewired ones divide as well', () => {
    const random = seededRandom(3);
    const pairs = new Set<string>();
    while (pairs.size < 120) {
      const [a, b] = [Math.floor(50 * random()), Math.floor(50 * random())];
      if (a < b) pairs.add(`n${a},n${b}`);
    }
    writeFileSync(at('random.csv'), `source,target\n${[...pairs].join('\n')}\n`);
    const { status, stderr } = thicket('group', at('random.csv'), '--out', at('random'));
    expect(status).to.equal(0);
    expect(stderr).to.match(/No communities: 20 networks with the same degrees/);
    expect(read('random', 'themes.csv').trim()).to.equal('theme,label,concepts,share');
    const [, resolution] = /With --resolution ([\d.]+)/.exec(stderr) ?? [];
    const forced = thicket(
      'group',
      at('random.csv'),
      '--out',
      at('random'),
      '--force',
      '--resolution',
      resolution,
    );
    expect(forced.stderr).to.match(/^\d+ communities at resolution/m);
    expect(read('random', 'themes.csv').trim().split('\n').length).to.be.above(2);
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
    expect(again.stderr).to.match(/There are results in .* already \(apart\.csv, .*--force/);
    expect(run('--force').stderr).to.include('Read 3 sources.');
    expect(read('own', 'results', 'concepts.csv')).to.equal(before);
    const beside = thicket('analyse', at('own'), '--out', at('elsewhere'));
    expect(beside.stderr)
      .to.include('Read 3 sources.')
      .and.match(/\d+ files of earlier results in .* were not read/);
    writeFileSync(at('links.csv'), '\ufeffsource,target\na,b\nb,c\n');
    expect(thicket('group', at('links.csv'), '--out', at('grouped')).status).to.equal(0);
    expect(thicket('group', at('links.csv'), '--out', at('grouped')).status).to.equal(2);
    expect(thicket('group', at('links.csv'), '--out', at('grouped'), '--force').status).to.equal(0);
  });
});
