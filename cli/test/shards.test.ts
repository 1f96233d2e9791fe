import { expect } from 'chai';
import { cpSync, existsSync, readdirSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { sample, suiteFolder, thicket } from './thicket.ts';

describe('a collection that is counted in parts', () => {
  const { at } = suiteFolder();
  const PARTS = [1, 2, 3];
  const count = (part: number, out: string, ...more: string[]) =>
    thicket('count', sample, at('survey.csv'), '--shard', `${part}/3`, '--out', at(out), ...more);
  const done = ({ status, stderr }: ReturnType<typeof thicket>): string => {
    expect(status, stderr).to.equal(0);
    return stderr;
  };
  const refused = ({ status, stderr }: ReturnType<typeof thicket>): string => {
    expect(status, stderr).to.equal(2);
    expect(stderr.trim().split('\n')).to.have.length(1);
    return stderr;
  };

  before(() => {
    // A table of texts, which come after all that are texts; one begins with a mark that is written in a way of its own.
    const rows = [
      '"“Late”, she said, and the bus stop was dark."',
      '"""Buses"" at night, and rain at the bus stop."',
    ];
    writeFileSync(at('survey.csv'), `who,answer\nAnn,${rows[0]}\nBob,${rows[1]}\n`);
    for (const part of PARTS) done(count(part, `part-${part}`));
    done(thicket('merge', ...[3, 1, 2].map((part) => at(`part-${part}`)), '--out', at('counts')));
  });

  it('comes out as in one piece, to the byte', () => {
    done(thicket('analyse', sample, at('survey.csv'), '--out', at('one')));
    done(thicket('analyse', '--counts', at('counts'), '--out', at('many')));
    const names = readdirSync(at('one'));
    expect(names).to.include('study.thicket');
    expect(readdirSync(at('many'))).to.deep.equal(names);
    for (const name of names) {
      // The record of a run says how long it took, and the folder’s has its checksum.
      if (name === 'run.json' || name.startsWith('.')) continue;
      const [one, many] = ['one', 'many'].map((folder) => readFileSync(join(at(folder), name)));
      expect(many.equals(one), name).to.equal(true);
    }
  });

  it('is merged to the same bytes in any order, and in steps', () => {
    done(thicket('merge', at('part-2'), at('part-3'), '--partial', '--out', at('later')));
    done(thicket('merge', at('later'), at('part-1'), '--out', at('in-steps')));
    const names = readdirSync(at('counts'));
    expect(readdirSync(at('in-steps'))).to.deep.equal(names);
    for (const name of names)
      expect(
        readFileSync(join(at('in-steps'), name)).equals(readFileSync(join(at('counts'), name))),
      ).to.equal(true);
  });

  it('is refused where a part is missing, there twice, or counted in another way', () => {
    const merge = (...parts: string[]) => thicket('merge', ...parts.map(at), '--out', at('refused'));
    expect(refused(merge('part-1', 'part-3'))).to.match(/A part is missing: files 13 to 25 of 38 files/);
    expect(refused(merge('part-1', 'part-2', 'part-2', 'part-3'))).to.include('hold the same files');
    writeFileSync(at('settings.json'), '{"speakers": {"leftOut": ["Interviewer"]}}');
    done(count(2, 'other-settings', '--settings', at('settings.json')));
    expect(refused(merge('part-1', 'other-settings', 'part-3'))).to.include('with other settings');
    cpSync(at('part-2'), at('other-version'), { recursive: true });
    const record = join(at('other-version'), 'part.json');
    writeFileSync(record, readFileSync(record, 'utf8').replace(/"version":\d+/, '"version":999'));
    expect(refused(merge('part-1', 'other-version', 'part-3'))).to.include('another version of the program');
    cpSync(at('part-2'), at('cut-short'), { recursive: true });
    truncateSync(join(at('cut-short'), 'tokens.parquet'), 4000);
    const { status, stderr } = merge('part-1', 'cut-short', 'part-3');
    expect(status, stderr).to.equal(2);
    expect(stderr).to.match(/cut-short can’t be read as counts/);
    expect(readdirSync(at('.')).filter((name) => name.startsWith('refused'))).to.deep.equal([]);
  });

  it('is not analysed as if it were whole, or counted as it is not', () => {
    const analyse = (...args: string[]) => thicket('analyse', ...args, '--out', at('refused'), '--quiet');
    expect(refused(analyse('--counts', at('part-2')))).to.include('Count the others and merge them');
    expect(refused(analyse('--counts', at('no-such')))).to.include('no such file or folder');
    expect(refused(analyse(sample, '--counts', at('counts')))).to.include('not both');
    expect(refused(analyse('--counts', at('counts'), '--settings', at('settings.json')))).to.include(
      'Count again with --settings',
    );
    const step = {
      ...{ id: 'mine', on: true, kind: 'replace', find: '(?<=a)b', isPattern: true },
      ...{ wholeWords: false, matchCase: true, replacement: '' },
    };
    writeFileSync(at('pattern.json'), JSON.stringify({ cleaning: { steps: [step] } }));
    const byPattern = count(1, 'by-pattern', '--settings', at('pattern.json'), '--quiet');
    expect(refused(byPattern)).to.match(/can’t be used/);
    expect(existsSync(at('by-pattern'))).to.equal(false);
    expect(refused(count(1, 'part-1'))).to.include('add --force');
    expect(refused(thicket('count', sample, '--shard', '4/3', '--out', at('refused')))).to.include('as 3/16');
  });

  it('is refused where a single bit of a part is another', () => {
    const names = readdirSync(at('part-2')).filter((name) => !name.startsWith('.'));
    let seed = 7;
    const below = (most: number): number => (seed = (seed * 48_271) % 2_147_483_647) % most;
    for (const name of names) {
      cpSync(at('part-2'), at('flipped'), { recursive: true });
      const path = join(at('flipped'), name);
      const bytes = readFileSync(path);
      const place = below(bytes.length);
      bytes[place] ^= 1 << below(8);
      writeFileSync(path, bytes);
      const { status, stderr } = thicket(
        'merge',
        ...['part-1', 'flipped', 'part-3'].map(at),
        '--out',
        at('refused'),
      );
      expect(status, `${name} at ${place}: ${stderr}`).to.equal(2);
      expect(stderr).to.match(/flipped can’t be read as counts|not written by|another list of files/);
      rmSync(at('flipped'), { recursive: true });
    }
    expect(existsSync(at('refused'))).to.equal(false);
  });

  it('may be in more parts than there are files', () => {
    for (const part of PARTS)
      done(thicket('count', at('survey.csv'), '--shard', `${part}/3`, '--out', at(`few-${part}`)));
    done(thicket('merge', ...PARTS.map((part) => at(`few-${part}`)), '--out', at('few')));
    expect(readFileSync(join(at('few'), 'part.json'), 'utf8')).to.include('"sources":2,"rows":2');
  });
});
