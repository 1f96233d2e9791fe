import { strFromU8, unzipSync } from 'fflate';

/** An entry of a ZIP archive as its directory has it. */
export interface ArchiveEntry {
  readonly name: string;
  /** Bytes once unpacked, as the archive says; unpacking never gives more. */
  readonly size: number;
  readonly packed: number;
}

const LARGEST_UNPACKED = 512 * 1024 * 1024;
const MOST_ENTRIES = 20_000;
/** Text packs to a tenth or so; what unpacks to more than this many times itself, and is large, is a trap. */
const LARGEST_RATIO = 150;
const LARGE = 32 * 1024 * 1024;

/** Why an archive can't be read, as a sentence for the researcher. */
export class ArchiveError extends Error {
  override readonly name = 'ArchiveError';
}

/** The entries of an archive, without unpacking any; folders are left out. */
export function listEntries(bytes: Uint8Array): ArchiveEntry[] {
  const entries: ArchiveEntry[] = [];
  let unpacked = 0;
  try {
    unzipSync(bytes, {
      filter: ({ name, originalSize, size }) => {
        unpacked += originalSize;
        if (entries.length >= MOST_ENTRIES) {
          throw new ArchiveError(
            `The archive holds more than ${MOST_ENTRIES.toLocaleString('en-GB')} files.`,
          );
        }
        if (unpacked > LARGEST_UNPACKED || (unpacked > LARGE && unpacked > LARGEST_RATIO * bytes.length)) {
          throw new ArchiveError(
            `The archive would unpack to ${Math.round(unpacked / 1024 / 1024).toLocaleString('en-GB')} MB or more, far beyond what texts come to. It was left alone.`,
          );
        }
        if (!name.endsWith('/')) entries.push({ name, size: originalSize, packed: size });
        return false;
      },
    });
  } catch (error) {
    if (error instanceof ArchiveError) throw error;
    throw new ArchiveError(
      'The archive can’t be unpacked: it is damaged, was cut short, or is packed in a way that can’t be read.',
    );
  }
  return entries;
}

/** The bytes of some entries. Call `listEntries` first: it refuses what must not be unpacked. */
export function unpackEntries(
  bytes: Uint8Array,
  wanted: (name: string) => boolean,
): Record<string, Uint8Array> {
  try {
    return unzipSync(bytes, { filter: ({ name }) => wanted(name) });
  } catch {
    throw new ArchiveError('The archive can’t be unpacked: it is damaged or protected by a password.');
  }
}

/** The text of one entry, or undefined where it has none. */
export function entryText(bytes: Uint8Array, name: string): string | undefined {
  const entry = unpackEntries(bytes, (each) => each === name)[name];
  return entry && strFromU8(entry);
}
