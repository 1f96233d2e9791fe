import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { readCsv } from '../core/src/formats/csv.ts';
import { adjustedMutualInformation } from '../core/src/numeric/agreement.ts';
import { benchBrowser } from './browser.ts';
import { benchCandidates } from './candidates.ts';
import { benchIntake, benchSteps } from './cleaning.ts';
import { plantedCollection, type Planted } from './collection.ts';
import { benchComparing, benchDifferences } from './comparing.ts';
import { benchDistinct } from './distinct.ts';
import { benchLookingOver } from './looking-over.ts';
import { benchMap } from './map.ts';
import { benchLanguages } from './languages.ts';
import { benchFrames } from './frames.ts';
import { benchFindable, benchIntervals } from './intervals.ts';
import { benchNetwork } from './network.ts';
import { benchOpening } from './opening.ts';
import { benchPlanted } from './planted.ts';
import { benchPublishing } from './publishing.ts';
import { benchRealText } from './real-text.ts';
import { benchReading } from './reading.ts';
import { benchThemes } from './themes.ts';
import { median, REPEATS } from './timing.ts';
import { benchWarm } from './warm.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
interface RunRecord {
  readonly stages: readonly { readonly stage: string; readonly milliseconds: number }[];
  readonly peakMemoryMB: number;
  readonly counts: {
    readonly words: number;
    readonly concepts: number;
    readonly links: number;
    readonly themes: number;
  };
}

/** How well the themes found agree with those planted, over the planted concepts that were kept. */
function recovery(folder: string, planted: Planted): { ami: number; kept: number } {
  const { rows } = readCsv(readFileSync(join(folder, 'concepts.csv'), 'utf8'));
  const truth: number[] = [];
  const found: number[] = [];
  let loose = -1;
  for (const row of rows) {
    const theme = planted.themeOf.get(row[0]);
    if (theme === undefined) continue;
    truth.push(theme);
    found.push(row[5] === '' ? loose-- : row[5].charCodeAt(0));
  }
  return { ami: adjustedMutualInformation(truth, found), kept: truth.length };
}

function benchCommand(words: number): void {
  const planted = plantedCollection({ words });
  const folder = mkdtempSync(join(tmpdir(), 'thicket-bench-'));
  mkdirSync(join(folder, 'texts'));
  planted.texts.forEach((text, i) =>
    writeFileSync(join(folder, 'texts', `${String(i).padStart(5, '0')}.txt`), text),
  );
  const walls: number[] = [];
  const records: RunRecord[] = [];
  for (let i = 0; i < REPEATS; i++) {
    const started = performance.now();
    const { status, stderr } = spawnSync(
      process.execPath,
      [
        join(root, 'dist/cli/main.js'),
        'analyse',
        join(folder, 'texts'),
        '--out',
        join(folder, 'out'),
        '--force',
        '--quiet',
      ],
      { encoding: 'utf8' },
    );
    if (status !== 0) throw new Error(stderr);
    walls.push(performance.now() - started);
    records.push(JSON.parse(readFileSync(join(folder, 'out', 'run.json'), 'utf8')) as RunRecord);
  }
  const { counts } = records[0];
  const { ami, kept } = recovery(join(folder, 'out'), planted);
  const wall = median(walls);
  console.log(
    `\n## Command line, ${counts.words.toLocaleString('en-GB')} words in ${planted.texts.length} files\n`,
  );
  console.log('| stage | median ms | words a second |');
  console.log('|---|---:|---:|');
  for (const { stage } of records[0].stages) {
    const times = records.map(
      (record) => record.stages.find((each) => each.stage === stage)?.milliseconds ?? 0,
    );
    const time = median(times);
    if (time >= 1)
      console.log(
        `| ${stage} | ${time} | ${Math.round(counts.words / (time / 1000)).toLocaleString('en-GB')} |`,
      );
  }
  console.log(
    `| **from files to map and tables** | **${Math.round(wall)}** | ${Math.round(counts.words / (wall / 1000)).toLocaleString('en-GB')} |`,
  );
  console.log(
    `\npeak memory ${Math.max(...records.map((record) => record.peakMemoryMB))} MB; ${counts.concepts} concepts, ${counts.links} links, ${counts.themes} themes; ` +
      `${kept} of ${planted.themeOf.size} planted concepts kept, recovery of the planted themes (AMI) ${ami.toFixed(3)}`,
  );
  rmSync(folder, { recursive: true });
}

console.log(`# Bench: Node ${process.versions.node}, ${cpus().length} cores, medians of ${REPEATS}`);
const small = process.argv.includes('--small');
benchCommand(100_000);
if (!small) benchCommand(1_000_000);
if (!small) await benchRealText();
benchWarm(small ? 100_000 : 1_000_000);
benchComparing(small ? 100_000 : 1_000_000);
benchNetwork(small ? 100_000 : 1_000_000);
benchMap();
benchSteps(small ? 100_000 : 1_000_000);
benchLookingOver(small ? 100_000 : 1_000_000);
benchPublishing(small ? 100_000 : 1_000_000);
benchReading(small ? 100_000 : 1_000_000);
benchCandidates(small ? 100_000 : 1_000_000, REPEATS);
if (!small) benchCandidates(10_000_000, 1);
benchLanguages(small ? 50_000 : 200_000);
benchPlanted();
benchThemes();
benchIntervals();
benchFindable();
benchDifferences();
benchDistinct();
if (!process.argv.includes('--no-browser')) {
  await benchBrowser(small ? 100_000 : 1_000_000);
  await benchOpening(small ? 100_000 : 1_000_000);
  await benchFrames();
  await benchIntake(small ? 500 : 5000, small ? 500_000 : 5_000_000);
}
