import { catalogue, isLocked, type SavedCopy } from './database.ts';
import { giveKey, newLock, openLock, passwordKey } from './keys.ts';
import { GONE, kept, StoreError } from './store-error.ts';
import { writeAnew } from './write-anew.ts';

/** Shorter passwords are guessed too soon. */
export const SHORTEST_PASSWORD = 10;
export const LONGEST_PASSWORD = 1000;
/** Of what a study is called while it is locked. */
export const LONGEST_SHOWN = 80;

/** How a study stands to its password. */
export interface PasswordState {
  /** What it is called while it is locked; undefined where it has no password. */
  readonly shownAs?: string;
  /** Whether it waits for its password in this tab. */
  readonly locked: boolean;
}

/** How a study stands to its password, or undefined where there is no such study. */
export async function passwordState(id: string): Promise<PasswordState | undefined> {
  const row = await catalogue.studies.get(id);
  return row && { locked: isLocked(row), ...(row.lock ? { shownAs: row.lock.shownAs } : {}) };
}

/** Opens a study with its password, in this tab until it is closed or loaded again. */
export function unlock(id: string, password: string): Promise<void> {
  return kept(async () => {
    const row = await catalogue.studies.get(id);
    if (!row) throw new StoreError(GONE);
    if (row.lock) giveKey(row.database, await openLock(row.lock.key, await passwordKey(password)));
  });
}

/**
 * Gives a study a password, or another: it is written anew, sealed with a new key.
 *
 * @returns the files it was saved to before, which open without this password
 */
export function setPassword(id: string, password: string, shownAs: string): Promise<readonly SavedCopy[]> {
  if (password.length < SHORTEST_PASSWORD) {
    return Promise.reject(
      new StoreError(`Nothing was changed: a password takes at least ${SHORTEST_PASSWORD} characters.`),
    );
  }
  return writeAnew(id, async ({ file, saved }) => {
    const { lock, key } = await newLock(await passwordKey(password));
    return {
      file,
      saved,
      answer: saved,
      password: { lock: { key: lock, shownAs, since: new Date().toISOString() }, key },
    };
  });
}

/** Takes the password away: the study is written anew without encryption. */
export const removePassword = (id: string): Promise<void> =>
  writeAnew(id, ({ file, saved }) => ({
    file,
    saved,
    answer: undefined,
    password: 'none',
  }));
