import { expect } from 'chai';
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { plantedCollection } from '../bench/collection.ts';
import { startCluster, type Cluster } from './one-machine.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
const program = join(root, 'dist/cli/main.js');
const SHARDS = 16;

describe('a collection on a cluster', () => {
  let cluster: Cluster;
  let folder: string;
  before(() => {
    folder = mkdtempSync(join(tmpdir(), 'thicket-shared-'));
    mkdirSync(join(folder, 'texts'));
    plantedCollection({ words: 300_000 }).texts.forEach((text, i) =>
      writeFileSync(join(folder, 'texts', `${String(i).padStart(4, '0')}.txt`), text),
    );
    cluster = startCluster(2);
  });
  after(() => {
    cluster.stop();
    rmSync(folder, { recursive: true, maxRetries: 5, retryDelay: 200 });
  });

  /** Asks again every half second until something is said that holds. */
  async function until<T>(what: string, ask: () => T | undefined): Promise<T> {
    for (let tries = 0; tries < 600; tries++) {
      const answer = ask();
      if (answer !== undefined) return answer;
      await new Promise((resolve) => setTimeout(resolve, 500));
    }
    throw new Error(`It never came that ${what}.`);
  }
  const say = (command: string, ...args: string[]): string =>
    execFileSync(command, args, { env: cluster.environment, encoding: 'utf8' });
  const log = (name: string): string => readFileSync(join(folder, 'out/log', name), 'utf8');

  it('is counted in parts, of which one is killed, and comes out as in one piece', async () => {
    say('bash', join(root, 'cluster/submit.sh'), join(folder, 'texts'), join(folder, 'out'), String(SHARDS));
    await until('the fifth part is counted', () =>
      spawnSync('pkill', ['-9', '-f', `count .*--shard 5/${SHARDS}`]).status === 0 ? true : undefined,
    );
    await until('no job is left', () => (say('squeue', '--noheader').trim() === '' ? true : undefined));
    expect(log('count-5.txt')).to.match(/it runs again\.[^]*Counted \d+ words/);
    expect(log('count-6.txt')).not.to.include('it runs again');
    expect(log('analyse.txt')).to.include('Written to');

    execFileSync(process.execPath, [
      ...[program, 'analyse', join(folder, 'texts'), '--out', join(folder, 'one'), '--quiet'],
    ]);
    const names = readdirSync(join(folder, 'one'));
    expect(readdirSync(join(folder, 'out/results'))).to.deep.equal(names);
    for (const name of names) {
      // The record of a run says how long it took, and the folder’s has its checksum.
      if (name === 'run.json' || name.startsWith('.')) continue;
      const [one, many] = ['one', 'out/results'].map((way) => readFileSync(join(folder, way, name)));
      expect(many.equals(one), name).to.equal(true);
    }
  });
});
