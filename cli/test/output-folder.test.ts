import { expect } from 'chai';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { finishSwitch, openOutput, RECORD, sumOfFile } from '../src/output-folder.ts';
import { sample, thicket } from './thicket.ts';

describe('a folder that results go to', () => {
  let folder = '';
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'thicket-output-'));
  });
  afterEach(() => rmSync(folder, { recursive: true }));
  const out = (): string => join(folder, 'out');
  const shown = (): string[] => readdirSync(out()).filter((name) => name !== RECORD);
  const read = (name: string): string => readFileSync(join(out(), name), 'utf8');
  const put = (files: Record<string, string>, force = false): void =>
    openOutput(out(), force).put(new Map(Object.entries(files)));

  it('gets all files in one step, and only what was written before is replaced, when told to', () => {
    put({ 'a.csv': '1', 'b.csv': '2' });
    expect(shown()).to.deep.equal(['a.csv', 'b.csv']);
    expect(() => put({ 'a.csv': '3' })).to.throw(/There are results in .* already \(a\.csv and b\.csv\)/);
    put({ 'a.csv': '3', 'c.csv': '4' }, true);
    expect(shown()).to.deep.equal(['a.csv', 'c.csv']);
    expect(read('a.csv')).to.equal('3');
  });

  it('is refused where anything else stands in it, and nothing is touched, even when told to replace', () => {
    mkdirSync(join(out(), 'sub'), { recursive: true });
    writeFileSync(join(out(), 'notes.txt'), 'years of work');
    writeFileSync(join(out(), 'sub', 'more.txt'), 'more');
    for (const force of [false, true])
      expect(() => openOutput(out(), force)).to.throw(/notes\.txt and sub\). Nothing was touched/);
    rmSync(out(), { recursive: true });
    put({ 'a.csv': '1' });
    writeFileSync(join(out(), 'a.csv'), 'with remarks');
    expect(() => openOutput(out(), true)).to.throw(/a\.csv in .* changed after this program wrote it/);
    expect(read('a.csv')).to.equal('with remarks');
  });

  it('is refused where something came into it while the work went on', () => {
    const output = openOutput(out(), false);
    writeFileSync(join(out(), 'a.csv'), 'mine');
    expect(() => output.put(new Map([['a.csv', 'theirs']]))).to.throw(/did not write \(a\.csv\)/);
    expect(shown()).to.deep.equal(['a.csv']);
    expect(read('a.csv')).to.equal('mine');
  });

  it('says nothing of a record from elsewhere that names what is not in it', () => {
    mkdirSync(out());
    writeFileSync(join(folder, 'precious.txt'), 'precious');
    const sum = sumOfFile(join(folder, 'precious.txt'));
    const record = {
      ...{ format: 'green-thicket-output', version: 1, files: { '../precious.txt': [sum] } },
      switching: { from: '.thicket-abc', put: {}, drop: ['../precious.txt'] },
    };
    writeFileSync(join(out(), RECORD), JSON.stringify(record));
    finishSwitch(out());
    expect(existsSync(join(folder, 'precious.txt'))).to.equal(true);
  });

  it('is as it was where the work ends early, and gone where it was made for it', () => {
    openOutput(join(out(), 'deep', 'er'), false).abandon();
    expect(existsSync(out())).to.equal(false);
    put({ 'a.csv': '1' });
    openOutput(out(), true).abandon();
    expect(shown()).to.deep.equal(['a.csv']);
  });

  it('is finished by whoever comes next where the switch was cut off at any place', () => {
    const old = { 'a.csv': 'old a', 'b.csv': 'old b', 'c.csv': 'old c' };
    const fresh = { 'a.csv': 'new a', 'b.csv': 'new b' };
    for (let done = 0; done <= 2; done++) {
      put(old);
      // As it stands after the record was written and so many files were put in place.
      const waiting = join(out(), '.thicket-cutoff');
      mkdirSync(waiting);
      const sums: Record<string, string> = {};
      Object.entries(fresh).forEach(([name, text], i) => {
        writeFileSync(join(waiting, name), text);
        sums[name] = sumOfFile(join(waiting, name));
        if (i < done) {
          writeFileSync(join(out(), name), text);
          rmSync(join(waiting, name));
        }
      });
      const record = JSON.parse(read(RECORD)) as { files: Record<string, string[]> };
      for (const [name, sum] of Object.entries(sums)) record.files[name].push(sum);
      const switching = { from: '.thicket-cutoff', put: sums, drop: ['c.csv'] };
      writeFileSync(join(out(), RECORD), JSON.stringify({ ...record, switching }));
      finishSwitch(out());
      expect(shown()).to.deep.equal(['a.csv', 'b.csv']);
      expect([read('a.csv'), read('b.csv')]).to.deep.equal(['new a', 'new b']);
      rmSync(out(), { recursive: true });
    }
  });

  it('is swept of what a killed run left waiting, and not of what waits for one that goes on', () => {
    put({ 'a.csv': '1' });
    const dead = join(out(), '.thicket-dead00');
    mkdirSync(dead);
    writeFileSync(join(dead, 'owner.json'), JSON.stringify({ host: 'elsewhere', pid: 1 }));
    const other = openOutput(out(), true);
    const third = openOutput(out(), true);
    expect(readdirSync(out()).filter((name) => name.startsWith('.thicket-'))).to.have.length(3);
    writeFileSync(join(dead, 'owner.json'), '{');
    third.abandon();
    openOutput(out(), true).abandon();
    expect(existsSync(dead)).to.equal(false);
    other.put(new Map([['a.csv', '2']]));
    expect(read('a.csv')).to.equal('2');
    expect(shown()).to.deep.equal(['a.csv']);
  });

  it('of no command loses what it did not write', () => {
    mkdirSync(out());
    writeFileSync(join(out(), 'interview.txt'), 'Rain on the bus. The bus waits.\n');
    writeFileSync(join(folder, 'links.csv'), 'source,target\na,b\nb,c\n');
    const commands = [
      ['count', sample, '--shard', '1/1'],
      ['merge', out()],
      ['analyse', out()],
      ['group', join(folder, 'links.csv')],
    ];
    for (const command of commands) {
      for (const more of [[], ['--force']]) {
        const { status, stderr } = thicket(...command, '--out', out(), ...more);
        expect(status, stderr).to.equal(2);
      }
    }
    expect(readdirSync(out())).to.deep.equal(['interview.txt']);
    const nowhere = thicket('analyse', sample, '--out', '/proc/no-such');
    expect(nowhere.status).to.equal(2);
    expect(nowhere.stderr).to.include('Nothing can be written to /proc/no-such');
  });
});
