// npm run attack [minutes]: tries for as long as it is told to lose or leak what people trust the program with, and prints counts:
// damaged and hostile files, flipped bits in counted parts, and, in the real interface (built before), kills of the browser while
// it decides and while it erases, and two tabs that change a study at once.
import { execFileSync, spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { randomInteger, seededRandom, type Random } from '../core/src/numeric/random.ts';
import { readFile } from '../core/src/formats/read/files.ts';
import { fuzz } from '../core/test/formats/fuzz.ts';
import { HOSTILE } from '../core/test/formats/hostile.ts';
import { decideInTwoTabs, killWhileErasing } from '../e2e/erasing.ts';
import { killAtWork } from '../e2e/kills.ts';

const minutes = Number(process.argv[2] ?? 60);
if (!(minutes > 0)) throw new Error('Say for how many minutes, as in npm run attack 5.');
const root = fileURLToPath(new URL('..', import.meta.url));
const seed = Date.now();
const say = (line: string): void => void process.stdout.write(`${line}\n`);
let faults = 0;
function report(what: string, found: readonly string[]): void {
  faults += found.length;
  say(`${what}: ${found.length} faults`);
  for (const fault of found.slice(0, 20)) say(`  ${fault}`);
}

/** Files of three megabytes made to cost much: each must be read or refused within ten seconds. */
async function hostileFiles(): Promise<void> {
  const found: string[] = [];
  let slowest = { name: '', seconds: 0 };
  for (const [name, make] of Object.entries(HOSTILE)) {
    const bytes = new TextEncoder().encode(make(3_000_000));
    const begun = performance.now();
    await readFile({ name, bytes });
    const seconds = (performance.now() - begun) / 1000;
    if (seconds > slowest.seconds) slowest = { name, seconds };
    if (seconds > 10) found.push(`${name} took ${seconds.toFixed(1)} s`);
  }
  report(
    `${Object.keys(HOSTILE).length} hostile files of 3 MB, the slowest ${slowest.name} in ${slowest.seconds.toFixed(1)} s, ${Math.round(process.resourceUsage().maxRSS / 1024)} MB at most`,
    found,
  );
}

/** Flips single bits of a counted part: merging must refuse each. */
function flippedBits(random: Random, flips: number): void {
  const folder = mkdtempSync(join(tmpdir(), 'thicket-flips-'));
  const at = (name: string): string => join(folder, name);
  const thicket = (...args: string[]) =>
    spawnSync(process.execPath, [join(root, 'dist/cli/main.js'), ...args], { encoding: 'utf8' });
  const found: string[] = [];
  try {
    thicket('count', join(root, 'demo/night-buses'), '--shard', '1/1', '--out', at('part'), '--quiet');
    const names = readdirSync(at('part')).filter((name) => !name.startsWith('.'));
    for (let flip = 0; flip < flips; flip++) {
      cpSync(at('part'), at('flipped'), { recursive: true });
      const name = names[flip % names.length];
      const bytes = readFileSync(join(at('flipped'), name));
      const [place, bit] = [randomInteger(random, bytes.length), randomInteger(random, 8)];
      bytes[place] ^= 1 << bit;
      writeFileSync(join(at('flipped'), name), bytes);
      const { status, stderr } = thicket('merge', at('flipped'), '--out', at('merged'));
      if (status !== 2)
        found.push(`${name}, bit ${bit} of byte ${place}: ended with ${status ?? 'a signal'} ${stderr}`);
      rmSync(at('flipped'), { recursive: true });
      rmSync(at('merged'), { recursive: true, force: true });
    }
  } finally {
    rmSync(folder, { recursive: true });
  }
  report(`${flips} single bits flipped in counted parts`, found);
}

execFileSync(process.execPath, [join(root, 'scripts/build.mjs')], { stdio: 'ignore' });
await hostileFiles();
flippedBits(seededRandom(seed), Math.round(10 * minutes));
const until = Date.now() + minutes * 12_000;
const { tried, faults: broken, slowest, slowestWas } = await fuzz(1_000_000, () => Date.now() < until);
report(
  `${tried.toLocaleString('en-GB')} damaged or repeated files and texts, the slowest ${Math.round(slowest)} ms (${slowestWas})`,
  broken,
);
const erased = await killWhileErasing(seededRandom(seed, 1), Math.max(4, Math.round(1.5 * minutes)));
report(
  `Kills while it ${Object.entries(erased.kills)
    .map(([way, count]) => `${way} ${count}`)
    .join(', ')}; ${erased.before} came before the step`,
  erased.faults,
);
const tabs = await decideInTwoTabs(Math.max(1, Math.round(minutes / 4)));
report(
  `Two tabs, ${tabs.rounds} times a password set while the other decides, ${tabs.shown} decisions shown`,
  tabs.lost,
);
const end = Date.now() + minutes * 12_000;
const { kills, shown, lost } = await killAtWork(seededRandom(seed, 2), () => Date.now() < end);
report(`${kills} kills at ${shown} shown decisions`, lost);
process.exit(faults === 0 ? 0 : 1);
