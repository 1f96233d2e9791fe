import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('../..', import.meta.url));
export const sample = join(root, 'demo/night-buses');

/** Runs the command line as it is built. */
export function thicket(...args: string[]): { status: number | null; stdout: string; stderr: string } {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(root, 'dist/cli/main.js'), ...args], {
    cwd: root,
    encoding: 'utf8',
  });
  return { status, stdout, stderr };
}

/** A folder for a suite's files. */
export interface Folder {
  readonly at: (name: string) => string;
  readonly read: (...path: string[]) => string;
}

/** Makes a folder for the suite it is called in. */
export function suiteFolder(): Folder {
  let folder = '';
  before(() => {
    folder = mkdtempSync(join(tmpdir(), 'thicket-cli-'));
  });
  after(() => rmSync(folder, { recursive: true }));
  return {
    at: (name) => join(folder, name),
    read: (...path) => readFileSync(join(folder, ...path), 'utf8'),
  };
}
