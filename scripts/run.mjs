// Steps that the commands share. Plain Node: nothing is installed yet when they run.
import { firstPage } from './first-page.mjs';
import { licences } from './licences.mjs';
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));
const stamps = join(root, 'node_modules', '.stamps');

/** Says a line on standard error, so that a command's output stays its own. */
export function say(line) {
  process.stderr.write(`${line}\n`);
}

/** Runs a command in the project's folder; ends this one where it fails. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (result.status !== 0) {
    say(`${command} ${args.join(' ')} failed.`);
    process.exit(result.status ?? 1);
  }
  return result;
}

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major > 20 || (major === 20 && minor >= 19)) return;
  say(`Green Thicket needs Node 20.19 or newer; this is ${process.versions.node}.`);
  process.exit(2);
}

function stampHolds(name, value) {
  const path = join(stamps, name);
  return existsSync(path) && readFileSync(path, 'utf8') === value;
}

function setStamp(name, value) {
  mkdirSync(stamps, { recursive: true });
  writeFileSync(join(stamps, name), value);
}

/** Installs from the lock file, unless that was done since it last changed. */
export function install() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (stampHolds('install', lock)) return;
  say('Installing packages from the lock file (once; about half a minute) …');
  // npm's own chatter goes to standard error, so that a command's output stays clean.
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { stdio: ['ignore', 2, 2] });
  setStamp('install', lock);
}

function* filesBelow(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name === 'node_modules' || entry.name === 'dist') continue;
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* filesBelow(path);
    else yield path;
  }
}

/** A hash of names, sizes and times of what a build is made of: cheap, and changes when any of them does. */
function sourcesHash(folders) {
  const hash = createHash('sha256');
  for (const folder of folders) {
    for (const path of [...filesBelow(join(root, folder))].sort()) {
      const { size, mtimeMs } = statSync(path);
      hash.update(`${relative(root, path)} ${size} ${mtimeMs}\n`);
    }
  }
  return hash.update(readFileSync(join(root, 'package-lock.json'))).digest('hex');
}

/** The parts whose types are checked, those that take longest first. */
export const TYPED = ['web', 'tsconfig.tests.json', 'core', 'cli', 'server'];

/**
 * What Node is asked to check the types of a part. TypeScript 7 does it in a sixth of the time of 6, which the linter still
 * needs.
 */
export const typesOf = (part) => ['node_modules/typescript-native/bin/tsc', '-p', part];

/** Builds the command line and the server, unless they are fresh. */
export async function buildCommands() {
  const hash = sourcesHash(['core', 'cli', 'server']);
  if (stampHolds('commands', hash) && existsSync(join(root, 'dist/cli/main.js'))) return;
  say('Building the command line and the server …');
  const { build } = await import('esbuild');
  const shared = {
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    absWorkingDir: root,
    logLevel: 'warning',
    define: { VERSION: JSON.stringify(JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')).version) },
    // Some packages are CommonJS and ask for Node's own modules by require.
    banner: {
      js: "import { createRequire as makeRequire } from 'node:module'; const require = makeRequire(import.meta.url);",
    },
  };
  // In parts, so that what reads a kind of file is loaded where there is such a file.
  rmSync(join(root, 'dist/cli'), { recursive: true, force: true });
  await build({
    ...shared,
    entryPoints: ['cli/src/main.ts', 'cli/src/hand.ts'],
    outdir: 'dist/cli',
    splitting: true,
  });
  await build({ ...shared, entryPoints: ['server/src/main.ts'], outfile: 'dist/server/main.js' });
  await build({
    ...shared,
    entryPoints: ['server/src/text-worker.ts'],
    outfile: 'dist/server/text-worker.js',
  });
  for (const name of ['english.txt', 'tone.txt', 'german.txt', 'french.txt', 'italian.txt'])
    writeFileSync(join(root, 'dist/cli', name), readFileSync(join(root, 'core/lexicon', name)));
  writeFileSync(
    join(root, 'dist/cli/figtree.woff2'),
    readFileSync(
      join(root, 'node_modules/@fontsource-variable/figtree/files/figtree-latin-wght-normal.woff2'),
    ),
  );
  writeFileSync(join(root, 'dist/licences.txt'), licences(root));
  setStamp('commands', hash);
}

/** Builds what keeps the application for use without its server: it knows every file and the hash of what is in it. */
async function buildServiceWorker() {
  const folder = join(root, 'dist/web');
  const files = [...filesBelow(folder)].sort().map((path) => ({
    url: `/${relative(folder, path).split('\\').join('/')}`,
    revision: createHash('sha256').update(readFileSync(path)).digest('hex').slice(0, 16),
  }));
  const { build } = await import('esbuild');
  await build({
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    absWorkingDir: root,
    logLevel: 'warning',
    entryPoints: ['web/src/offline/service-worker.ts'],
    outfile: 'dist/web/service-worker.js',
    define: { FILES: JSON.stringify(files), 'process.env.NODE_ENV': '"production"' },
  });
}

/** Builds the web application, unless it is fresh. */
export async function buildWeb() {
  const hash = sourcesHash(['core', 'web', 'demo']);
  if (stampHolds('web', hash) && existsSync(join(root, 'dist/web/index.html'))) return;
  say('Building the application (about ten seconds) …');
  const { build } = await import('vite');
  await build({ configFile: join(root, 'web/vite.config.ts'), logLevel: 'warn' });
  writeFileSync(join(root, 'dist/web/licences.txt'), licences(root));
  await buildServiceWorker();
  const { files, bytes } = firstPage(join(root, 'dist/web'));
  say(`The first page is ${files.length} files of ${Math.round(bytes / 1000)} KB compressed.`);
  setStamp('web', hash);
}
