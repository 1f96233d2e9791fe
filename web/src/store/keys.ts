import { StoreError } from './store-error.ts';

/** What seals is large and comes with the first password. */
const sealing = () => import('@green-thicket/core/formats/sealed-file');

/** What opens a study that has a password. Held in memory only, by the pages and workers it is open in; neither can be read out. */
export interface StudyKey {
  /** AES-GCM: seals the rows of its database. */
  readonly rows: CryptoKey;
  /** The password itself, as a PBKDF2 key: seals its files. */
  readonly password: CryptoKey;
}

const keys = new Map<string, StudyKey>();
let listener: ((database: string, key: StudyKey) => void) | undefined;

export const keyOf = (database: string): StudyKey | undefined => keys.get(database);

/** Has the database of a study opened with a key from now on. */
export function giveKey(database: string, key: StudyKey): void {
  keys.set(database, key);
  listener?.(database, key);
}

export function forgetKey(database: string): void {
  keys.delete(database);
}

/** Tells of every key that is given, so that a page can hand it to its worker. */
export function onKey(listen: typeof listener): void {
  listener = listen;
}

/** A password as a key that can't be read out again. */
export async function passwordKey(password: string): Promise<CryptoKey> {
  const bytes = (await sealing()).passwordBytes(password) as Uint8Array<ArrayBuffer>;
  return crypto.subtle.importKey('raw', bytes, 'PBKDF2', false, ['deriveBits']);
}

const LENGTH = 32;

async function keyOfBytes(bytes: Uint8Array, password: CryptoKey): Promise<StudyKey> {
  const rows = await crypto.subtle.importKey('raw', bytes as Uint8Array<ArrayBuffer>, 'AES-GCM', false, [
    'encrypt',
    'decrypt',
  ]);
  bytes.fill(0);
  return { rows, password };
}

/** A new key for a study's rows, and the same sealed with the password: its lock. */
export async function newLock(
  password: CryptoKey,
): Promise<{ readonly lock: Uint8Array; readonly key: StudyKey }> {
  const bytes = crypto.getRandomValues(new Uint8Array(LENGTH));
  const lock = await (await sealing()).seal(bytes, password);
  return { lock, key: await keyOfBytes(bytes, password) };
}

/** The key in a lock; throws a StoreError where the password is another. */
export async function openLock(lock: Uint8Array, password: CryptoKey): Promise<StudyKey> {
  const { unseal, SealedFileError } = await sealing();
  try {
    return await keyOfBytes(await unseal(lock, password), password);
  } catch (error) {
    if (!(error instanceof SealedFileError)) throw error;
    throw new StoreError(
      'This is not the password of this study. Mind capitals and the keyboard’s language.',
      {
        cause: error,
      },
    );
  }
}
