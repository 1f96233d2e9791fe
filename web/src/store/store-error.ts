/** Why something could not be kept, as a sentence for the researcher. */
export class StoreError extends Error {
  override readonly name = 'StoreError';
}

/** The browser opens no database for this page at all. */
export class StorageRefused extends Error {
  override readonly name = 'StorageRefused';
}

/** Runs a write; a full disk or a browser that keeps nothing becomes a clear sentence. */
export async function kept<T>(write: () => Promise<T>): Promise<T> {
  try {
    return await write();
  } catch (error) {
    if (error instanceof StoreError) throw error;
    const inner = (error as { inner?: unknown } | null)?.inner;
    if (inner instanceof StoreError) throw inner;
    const name = error instanceof Error ? `${error.name} ${error.message}` : String(error);
    if (error instanceof Error && error.name === 'DatabaseClosedError') {
      throw new StoreError(NEWER, { cause: error });
    }
    if (/Quota/i.test(name)) {
      throw new StoreError(
        'This browser has no more room for the study. Nothing was changed. Free disk space or remove a study you no longer need, then try again.',
        { cause: error },
      );
    }
    throw new StoreError(`The change could not be kept in this browser (${name}). Nothing was changed.`, {
      cause: error,
    });
  }
}

/** What is said where a newer version has taken the storage over. */
export const NEWER =
  'A newer Green Thicket is open in another tab, and this one keeps nothing any more. Load this page again to go on; nothing that was shown as kept is lost.';

/** What is said of a study that is not there. */
export const GONE = 'This study is no longer in this browser.';

/** What is said of a study that waits for its password. */
export const LOCKED = 'This study waits for its password. Load the page again and give it.';

/** What is said where a sealed row does not open with the right key. */
export const DAMAGED =
  'Part of this study is damaged where the browser keeps it, and can’t be decrypted. Open the last copy of the study.';
