import { accessSync, constants, existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { reasonOf, UsageError } from './usage-error.ts';

/** The files a command writes: all of them or none. */
export interface OutputSet {
  /** Writes the files beside their places and then puts all in place; a full disk leaves what was there before. */
  readonly write: (files: ReadonlyMap<string, string | Uint8Array>) => void;
}

/**
 * Makes sure, before the work, that results can be written into a folder and that none are there already.
 *
 * @param names the files that will be written
 * @param force whether results that are there may be replaced
 * @throws UsageError, in plain words
 */
export function openOutput(folder: string, names: readonly string[], force: boolean): OutputSet {
  try {
    mkdirSync(folder, { recursive: true });
    accessSync(folder, constants.W_OK | constants.X_OK);
    // Whatever the permissions say, a file that can be written is the proof.
    const probe = join(folder, `.thicket-${process.pid}`);
    writeFileSync(probe, '');
    rmSync(probe);
  } catch (error) {
    throw new UsageError(`Nothing can be written to ${folder}: ${reasonOf(error)}.`);
  }
  const present = names.filter((name) => existsSync(join(folder, name)));
  if (present.length > 0 && !force) {
    throw new UsageError(
      `There are results in ${folder} already (${present.join(', ')}). Choose another folder, or add --force to replace them.`,
    );
  }
  return {
    write(files) {
      const waiting = Array.from(files, ([name, content]) => ({
        content,
        place: join(folder, name),
        beside: join(folder, `.${name}.${process.pid}.part`),
      }));
      try {
        for (const { beside, content } of waiting) writeFileSync(beside, content, { flush: true });
        for (const { beside, place } of waiting) renameSync(beside, place);
      } catch (error) {
        throw new UsageError(`The results can’t be written to ${folder}: ${reasonOf(error)}.`);
      } finally {
        for (const { beside } of waiting) rmSync(beside, { force: true });
      }
    },
  };
}
