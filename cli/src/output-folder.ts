import { createHash } from 'node:crypto';
import {
  closeSync,
  existsSync,
  lstatSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  readSync,
  renameSync,
  rmdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { hostname } from 'node:os';
import { basename, dirname, join, resolve } from 'node:path';
import { ownValue } from '@green-thicket/core/base/records';
import { listed } from '@green-thicket/core/base/wording';
import { reasonOf, UsageError } from './usage-error.ts';

/** The record of what this program wrote into a folder; only what stands in it is ever replaced or deleted. */
export const RECORD = '.green-thicket.json';
const FORMAT = 'green-thicket-output';
const VERSION = 1;

/** Files wait in a folder of this kind beside their places until all are there. */
const WAITING = '.thicket-';
const WAITING_NAME = /^\.thicket-[A-Za-z0-9]+$/;
/** Says in such a folder who writes into it. */
const OWNER = 'owner.json';

interface FolderRecord {
  readonly format: typeof FORMAT;
  readonly version: typeof VERSION;
  /** File → the SHA-256 sums it may have: one, or two while it is being replaced. */
  readonly files: Readonly<Record<string, readonly string[]>>;
  /** A switch under way: what waits in `from` is put in place, `drop` goes. Whoever comes next finishes it. */
  readonly switching?: {
    readonly from: string;
    readonly put: Readonly<Record<string, string>>;
    readonly drop: readonly string[];
  };
}

const NOTHING: FolderRecord = { format: FORMAT, version: VERSION, files: {} };

const BLOCK = 4 * 1024 * 1024;

/** SHA-256 of a file's bytes, as hexadecimal digits. */
export function sumOfFile(path: string): string {
  const hash = createHash('sha256');
  const file = openSync(path, 'r');
  try {
    const block = Buffer.allocUnsafe(BLOCK);
    for (let read; (read = readSync(file, block, 0, BLOCK, null)) > 0;) hash.update(block.subarray(0, read));
  } finally {
    closeSync(file);
  }
  return hash.digest('hex');
}

const isPlain = (name: string): boolean => name !== '' && basename(name) === name && !name.startsWith('.');

/** What this program wrote into a folder; nothing where it says so nowhere, or in a way that is not its own. */
function readRecord(folder: string): FolderRecord {
  let read: Partial<FolderRecord>;
  try {
    read = JSON.parse(readFileSync(join(folder, RECORD), 'utf8')) as Partial<FolderRecord>;
  } catch {
    return NOTHING;
  }
  const { format, version, files, switching } = read;
  if (format !== FORMAT || version !== VERSION || typeof files !== 'object') return NOTHING;
  const names = [...Object.keys(files), ...Object.keys(switching?.put ?? {}), ...(switching?.drop ?? [])];
  if (!names.every(isPlain) || (switching && !WAITING_NAME.test(switching.from))) return NOTHING;
  return { format, version, files, ...(switching ? { switching } : {}) };
}

function writeRecord(folder: string, record: FolderRecord): void {
  const beside = join(folder, `${RECORD}.${process.pid}`);
  writeFileSync(beside, `${JSON.stringify(record)}\n`, { flush: true });
  renameSync(beside, join(folder, RECORD));
}

/** The names of files in a folder that this program wrote. */
export const writtenIn = (folder: string): ReadonlySet<string> =>
  new Set(Object.keys(readRecord(folder).files));

/** Takes a folder of waiting files away: it and what stands in it are this program's own. */
function clearWaiting(path: string): void {
  for (const name of readdirSync(path)) rmSync(join(path, name), { force: true });
  rmdirSync(path);
}

/** Whether whoever wrote into a folder of waiting files is at it still, as far as can be told from here. */
function isAtWork(path: string): boolean {
  try {
    const { host, pid } = JSON.parse(readFileSync(join(path, OWNER), 'utf8')) as {
      host: string;
      pid: number;
    };
    if (host !== hostname()) return true;
    process.kill(pid, 0);
    return true;
  } catch (error) {
    // Another user's process is there, and may not be asked.
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/** Finishes a switch that was cut off; nothing where there was none. */
export function finishSwitch(folder: string): void {
  const { switching, files } = readRecord(folder);
  if (!switching) return;
  const { from, put, drop } = switching;
  for (const name of Object.keys(put)) {
    const waiting = join(folder, from, name);
    if (existsSync(waiting)) renameSync(waiting, join(folder, name));
  }
  for (const name of drop) {
    const path = join(folder, name);
    if (existsSync(path) && ownValue(files, name)?.includes(sumOfFile(path))) rmSync(path);
  }
  writeRecord(folder, {
    ...NOTHING,
    files: Object.fromEntries(Object.entries(put).map(([name, sum]) => [name, [sum]])),
  });
  if (existsSync(join(folder, from))) clearWaiting(join(folder, from));
}

/** Makes a folder with those above it, one by one: in places that are no disk, asking for all at once may never end. */
function makeFolder(folder: string): string[] {
  if (existsSync(folder)) return [];
  const above = dirname(folder);
  const made = above === folder ? [] : makeFolder(above);
  mkdirSync(folder);
  return [...made, folder];
}

/** What stands in a folder that this program did not write, or that was changed since. */
function foreignIn(folder: string, { files }: FolderRecord): { other: string[]; changed: string[] } {
  const other: string[] = [];
  const changed: string[] = [];
  for (const name of readdirSync(folder).sort()) {
    if (name === RECORD || WAITING_NAME.test(name)) continue;
    const path = join(folder, name);
    const sums = ownValue(files, name);
    if (!sums || !lstatSync(path).isFile()) other.push(name);
    else if (!sums.includes(sumOfFile(path))) changed.push(name);
  }
  return { other, changed };
}

const SHOWN = 3;
const some = (names: readonly string[]): string =>
  listed(names.length > SHOWN ? [...names.slice(0, SHOWN - 1), `${names.length - SHOWN + 1} others`] : names);

/** Refuses a folder in which something stands that is not this program's to replace. */
function refuseForeign(folder: string): void {
  const { other, changed } = foreignIn(folder, readRecord(folder));
  if (other.length > 0)
    throw new UsageError(
      `${folder} holds what this program did not write (${some(other)}). Nothing was touched: choose an empty folder.`,
    );
  if (changed.length > 0)
    throw new UsageError(
      `${some(changed)} in ${folder} changed after this program wrote it. Nothing was touched: move it elsewhere, or choose another folder.`,
    );
}

/** The files a command writes into a folder: all of them or none. */
export interface OutputFolder {
  /** Where a file is written until all are there. */
  readonly waiting: (name: string) => string;
  /** Puts all that waits in place in one step, with the files given here. A full disk leaves what was there before. */
  readonly put: (files?: ReadonlyMap<string, string | Uint8Array>) => void;
  /** Takes away what was written so far, and the folder where it was made for it. */
  readonly abandon: () => void;
}

/**
 * Makes sure, before the work, that files can be written into a folder and that nothing but files that this program wrote
 * stands in it. They wait in a folder inside it; then the record says in one step that they are in force, and they are put
 * in place. Cut off before that step, the folder is as it was; after it, whoever comes next finishes.
 *
 * @param force whether what this program wrote there before may be replaced
 * @throws UsageError, in plain words
 */
export function openOutput(folder: string, force: boolean): OutputFolder {
  const trying = <T>(work: () => T): T => {
    try {
      return work();
    } catch (error) {
      if (error instanceof UsageError) throw error;
      throw new UsageError(`Nothing can be written to ${folder}: ${reasonOf(error)}.`);
    }
  };
  let made: string[] = [];
  const takeBack = (): void => {
    for (const each of [...made].reverse()) {
      try {
        rmdirSync(each);
      } catch {
        // Something was put into it meanwhile: it stays.
        return;
      }
    }
  };
  const place = trying(() => {
    made = makeFolder(resolve(folder));
    finishSwitch(folder);
    refuseForeign(folder);
    const present = Object.keys(readRecord(folder).files).filter((name) => existsSync(join(folder, name)));
    if (present.length > 0 && !force)
      throw new UsageError(
        `There are results in ${folder} already (${some(present)}). Choose another folder, or add --force to replace them.`,
      );
    for (const name of readdirSync(folder)) {
      if (WAITING_NAME.test(name) && !isAtWork(join(folder, name))) clearWaiting(join(folder, name));
    }
    const waiting = mkdtempSync(join(folder, WAITING));
    writeFileSync(join(waiting, OWNER), JSON.stringify({ host: hostname(), pid: process.pid }));
    return waiting;
  });
  const waiting = (name: string): string => join(place, name);
  const abandon = (): void => {
    if (existsSync(place)) clearWaiting(place);
    takeBack();
  };
  return {
    waiting,
    abandon,
    put(files = new Map()) {
      try {
        for (const [name, content] of files) writeFileSync(waiting(name), content, { flush: true });
        const names = readdirSync(place)
          .filter((name) => name !== OWNER)
          .sort();
        const put = Object.fromEntries(names.map((name) => [name, sumOfFile(waiting(name))]));
        // The work took its time: what came into the folder meanwhile is not ours either.
        refuseForeign(folder);
        const before = readRecord(folder).files;
        const all = [...new Set([...Object.keys(before), ...names])];
        writeRecord(folder, {
          ...NOTHING,
          files: Object.fromEntries(
            all.map((name) => [name, [ownValue(before, name) ?? [], ownValue(put, name) ?? []].flat()]),
          ),
          switching: { from: basename(place), put, drop: all.filter((name) => !Object.hasOwn(put, name)) },
        });
      } catch (error) {
        abandon();
        if (error instanceof UsageError) throw error;
        throw new UsageError(`The results can’t be written to ${folder}: ${reasonOf(error)}.`);
      }
      trying(() => finishSwitch(folder));
    },
  };
}

/** Opens a folder for the results of some work; where that fails nothing of it stays. */
export async function withOutput<T>(
  folder: string,
  force: boolean,
  work: (output: OutputFolder) => Promise<T>,
): Promise<T> {
  const output = openOutput(folder, force);
  try {
    return await work(output);
  } catch (error) {
    output.abandon();
    throw error;
  }
}

/** Whether a file stands in a folder of waiting files. */
export const isWaiting = (path: string): boolean => WAITING_NAME.test(basename(dirname(path)));
