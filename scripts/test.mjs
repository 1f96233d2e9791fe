// npm test: installs what is missing, then types, lint, unit tests and the real interface in headless Chromium.
import { spawn, spawnSync } from 'node:child_process';
import {
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statfsSync,
  writeFileSync,
} from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildCommands, buildWeb, checkNode, install, root, say, TYPED, typesOf } from './run.mjs';

const BROWSER_PACKAGES = { '/usr/bin/chromium': 'chromium', '/usr/bin/chromedriver': 'chromium-driver' };
const missing = () =>
  Object.entries(BROWSER_PACKAGES)
    .filter(([path]) => !existsSync(path))
    .map(([, name]) => name);

let passed = 0;
let failed = 0;

/** Runs a check that either holds or not, and counts it as one; what it says is shown when it is done. */
function check({ name, args }) {
  say(`${name} …`);
  return new Promise((resolve) => {
    const child = spawn(process.execPath, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    const said = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => said.push(part));
    child.once('close', (status) => {
      process.stderr.write(Buffer.concat(said));
      if (status === 0) passed++;
      else {
        failed++;
        say(`${name}: failed.`);
      }
      resolve();
    });
  });
}

/** Runs checks, so many side by side. */
async function checkAll(checks, sideBySide = 2) {
  const waiting = [...checks];
  const work = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) await check(next);
  };
  await Promise.all(Array.from({ length: sideBySide }, work));
}

/** The test files in folders, those with the most tests first, so that none of the long ones is left for the end. */
function testFiles(folders) {
  const testsIn = (path) => readFileSync(join(root, path), 'utf8').split(/^\s*it\(/m).length;
  return folders
    .flatMap((folder) =>
      readdirSync(join(root, folder), { recursive: true })
        .filter((name) => name.endsWith('.test.ts'))
        .map((name) => join(folder, name)),
    )
    .map((path) => ({ path, tests: testsIn(path) }))
    .sort((a, b) => b.tests - a.tests || (a.path < b.path ? -1 : 1))
    .map(({ path }) => path);
}

const IN_MEMORY = '/dev/shm';
const ROOM = 4 * 2 ** 30;

/** A folder for what the tests write: in memory where there is room, as browsers wait for a slow disk a third of their time. */
function folderForTests() {
  const room = existsSync(IN_MEMORY) ? statfsSync(IN_MEMORY) : { bavail: 0, bsize: 0 };
  return mkdtempSync(join(room.bavail * room.bsize > ROOM ? IN_MEMORY : tmpdir(), 'thicket-tests-'));
}

/** Runs the tests in folders with Mocha and counts them. */
function suite(name, config, folders) {
  say(`${name} …`);
  const folder = mkdtempSync(join(tmpdir(), 'thicket-report-'));
  const report = join(folder, 'report.json');
  const { spec: _, ...settings } = createRequire(import.meta.url)(join(root, config));
  const configHere = join(folder, 'mocharc.json');
  writeFileSync(configHere, JSON.stringify({ ...settings, spec: testFiles(folders) }));
  const { status } = spawnSync(
    process.execPath,
    ['node_modules/mocha/bin/mocha.js', '--config', configHere, '--reporter', 'scripts/reporter.cjs'],
    {
      cwd: root,
      stdio: 'inherit',
      env: { ...process.env, THICKET_REPORT: report },
    },
  );
  if (existsSync(report)) {
    const counts = JSON.parse(readFileSync(report, 'utf8'));
    passed += counts.passes;
    failed += counts.failures;
    if (status !== 0 && counts.failures === 0) failed++;
  } else {
    failed++;
    say(`${name}: ended without a report.`);
  }
  rmSync(folder, { recursive: true });
}

checkNode();
install();
if (missing().length > 0) {
  say(`Installing ${missing().join(' and ')} for the browser tests …`);
  const quiet = {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  };
  spawnSync('apt-get', ['update', '-qq'], quiet);
  spawnSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing()], quiet);
}
// The longest first; what they look at is not what is built, so they begin before it is.
const checked = checkAll([
  { name: 'Lint', args: ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0'] },
  {
    name: 'Formatting',
    args: ['node_modules/prettier/bin/prettier.cjs', '--check', '.', '--log-level', 'warn'],
  },
  ...TYPED.map((part) => ({ name: `Types of ${part}`, args: typesOf(part) })),
  { name: 'Imports', args: ['scripts/check-imports.mjs'] },
]);
await buildCommands();
await buildWeb();
await checked;
const written = folderForTests();
process.env.TMPDIR = written;
suite('Unit tests', '.mocharc.cjs', ['core/test', 'server/test', 'cli/test', 'web/test']);
if (missing().length === 0) suite('Browser tests', '.mocharc.e2e.json', ['e2e']);
else {
  failed++;
  say(
    `The browser tests could not run: ${missing().join(' and ')} ${missing().length === 1 ? 'is' : 'are'} missing. As root: apt-get install ${missing().join(' ')}`,
  );
}
rmSync(written, { recursive: true, force: true });
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
