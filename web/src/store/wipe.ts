/** The database that is filled with nothing and deleted. */
export const SCRATCH = 'green-thicket-sweep';
/** Rows below 64 KB stay in the browser's own log; larger ones it keeps as files. */
const ROW = 32_000;
const ROWS_AT_ONCE = 32;
/** So many rows fill the log several times over: about 30 MB, written in half a second to a second. */
const ROWS = 30 * ROWS_AT_ONCE;
/** Two are enough where nothing was cut off; in 2 of 40 sweeps after a kill a file was still there, and in none with three. */
const PASSES = 3;

const done = (request: IDBRequest | IDBOpenDBRequest): Promise<void> =>
  new Promise((resolve, reject) => {
    request.onsuccess = () => resolve();
    request.onerror = () => reject(request.error ?? new Error('The browser refused.'));
  });

async function fillOnce(): Promise<void> {
  const opening = indexedDB.open(SCRATCH, 1);
  opening.onupgradeneeded = () => opening.result.createObjectStore('rows');
  await done(opening);
  const database = opening.result;
  try {
    for (let row = 0; row < ROWS; row += ROWS_AT_ONCE) {
      await new Promise<void>((resolve, reject) => {
        const change = database.transaction('rows', 'readwrite');
        const rows = change.objectStore('rows');
        for (let i = 0; i < ROWS_AT_ONCE; i++) rows.put(crypto.getRandomValues(new Uint8Array(ROW)), row + i);
        change.oncomplete = () => resolve();
        change.onabort = () => reject(change.error ?? new Error('The browser refused.'));
      });
    }
  } finally {
    database.close();
    await done(indexedDB.deleteDatabase(SCRATCH));
  }
}

/**
 * Has the browser write its files anew without what was deleted. A browser's database keeps deleted rows in its log until
 * enough is written after them (found by trial in Chromium: a deleted database was still in the files after restarts, and gone
 * after 30 MB of anything); so that much of nothing is written and deleted, twice. Blobs it deletes by itself.
 */
export async function wipeDeleted(): Promise<void> {
  for (let pass = 0; pass < PASSES; pass++) await fillOnce();
}
