import { inFigures } from '../base/wording.ts';
import { Inflate, strFromU8 } from 'fflate';
import { crc32 } from './crc32.ts';

/** An entry of a ZIP archive as its directory has it. */
export interface ArchiveEntry {
  readonly name: string;
  /** Bytes once unpacked, as the archive says; `read` refuses an entry that holds more or fewer. */
  readonly size: number;
  readonly packed: number;
}

/** A ZIP archive whose directory was read; nothing of it is unpacked yet. */
export interface Archive {
  /** Its files, in the order of the directory; folders are left out. */
  readonly entries: readonly ArchiveEntry[];
  readonly has: (name: string) => boolean;
  /** An entry's bytes, proved against its checksum. Throws an ArchiveError where they are not as they were packed. */
  readonly read: (name: string) => Uint8Array;
  /** An entry's bytes as UTF-8 text, or undefined where there is no such entry. */
  readonly text: (name: string) => string | undefined;
}

/** How much an archive may hold. */
export interface ArchiveLimits {
  readonly mostEntries: number;
  /** Bytes, unpacked. */
  readonly mostBytes: number;
  /** Text packs to a tenth or so; what is large and unpacks to more than this many times itself is a trap. */
  readonly largestRatio: number;
}

const LIMITS: ArchiveLimits = { mostEntries: 20_000, mostBytes: 512 * 1024 * 1024, largestRatio: 150 };
/** Below this many bytes nobody minds what something unpacks to. */
const LARGE = 32 * 1024 * 1024;
/** Packed bytes that are unpacked at a time, so that an entry that lies about its size is found out early. */
const PIECE = 64 * 1024;

/** Why an archive can't be read, as a sentence for the researcher. */
export class ArchiveError extends Error {
  override readonly name = 'ArchiveError';
}

const DAMAGED = 'it is damaged or was cut short';
const faulty = (what: string): ArchiveError => new ArchiveError(`The archive can’t be unpacked: ${what}.`);

interface DirectoryEntry extends ArchiveEntry {
  readonly method: number;
  readonly crc: number;
  readonly encrypted: boolean;
  /** Where its own head stands. */
  readonly at: number;
}

/** Signatures and lengths of a ZIP archive's parts (PKWARE, APPNOTE.TXT, 4.3). */
const END = { signature: 0x06054b50, length: 22 };
const DIRECTORY = { signature: 0x02014b50, length: 46 };
const LOCAL = { signature: 0x04034b50, length: 30 };
const LONGEST_COMMENT = 0xffff;
const STORED = 0;
const DEFLATED = 8;
const ENCRYPTED = 1;
const UTF8_NAME = 0x800;

/** Names are UTF-8 where the archive says so or where they are; else one byte is one character. */
function nameOf(bytes: Uint8Array, isUtf8: boolean): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch (error) {
    if (isUtf8) throw error;
    return strFromU8(bytes, true);
  }
}

function readDirectory(bytes: Uint8Array, { mostEntries }: ArchiveLimits): DirectoryEntry[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let end = bytes.length - END.length;
  const first = Math.max(0, end - LONGEST_COMMENT);
  while (end >= first && view.getUint32(end, true) !== END.signature) end--;
  if (end < first) throw faulty(DAMAGED);
  const count = view.getUint16(end + 10, true);
  if (count > mostEntries) {
    throw new ArchiveError(`The archive holds more than ${inFigures(mostEntries)} files.`);
  }
  const entries: DirectoryEntry[] = [];
  let at = view.getUint32(end + 16, true);
  for (let i = 0; i < count; i++) {
    if (view.getUint32(at, true) !== DIRECTORY.signature) throw faulty(DAMAGED);
    const flags = view.getUint16(at + 8, true);
    const nameEnd = at + DIRECTORY.length + view.getUint16(at + 28, true);
    if (nameEnd > end) throw faulty(DAMAGED);
    entries.push({
      name: nameOf(bytes.subarray(at + DIRECTORY.length, nameEnd), (flags & UTF8_NAME) !== 0),
      method: view.getUint16(at + 10, true),
      crc: view.getUint32(at + 16, true),
      packed: view.getUint32(at + 20, true),
      size: view.getUint32(at + 24, true),
      encrypted: (flags & ENCRYPTED) !== 0,
      at: view.getUint32(at + 42, true),
    });
    at = nameEnd + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  }
  return entries;
}

function checkSizes(entries: readonly DirectoryEntry[], length: number, limits: ArchiveLimits): void {
  let unpacked = 0;
  for (const { size } of entries) {
    unpacked += size;
    if (unpacked > limits.mostBytes || (unpacked > LARGE && unpacked > limits.largestRatio * length)) {
      throw new ArchiveError(
        `The archive would unpack to ${inFigures(Math.round(unpacked / 1024 / 1024))} MB or more, far beyond what texts come to. It was left alone.`,
      );
    }
  }
}

/** The packed bytes of an entry, whose own head must say the same as the directory. */
function packedBytes(bytes: Uint8Array, entry: DirectoryEntry): Uint8Array {
  const { at, packed } = entry;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (at + LOCAL.length > bytes.length || view.getUint32(at, true) !== LOCAL.signature) throw faulty(DAMAGED);
  const start = at + LOCAL.length + view.getUint16(at + 26, true) + view.getUint16(at + 28, true);
  if (start + packed > bytes.length) throw faulty(DAMAGED);
  return bytes.subarray(start, start + packed);
}

function inflated(packed: Uint8Array, size: number, name: string): Uint8Array {
  const out = new Uint8Array(size);
  let length = 0;
  const stream = new Inflate((piece) => {
    if (length + piece.length > size) throw faulty(`“${name}” holds more than it says`);
    out.set(piece, length);
    length += piece.length;
  });
  for (let at = 0; at < packed.length; at += PIECE) {
    stream.push(packed.subarray(at, at + PIECE), at + PIECE >= packed.length);
  }
  if (length !== size) throw faulty(`“${name}” holds less than it says`);
  return out;
}

function unpacked(bytes: Uint8Array, entry: DirectoryEntry): Uint8Array {
  const { name, method, size, crc, encrypted } = entry;
  if (encrypted) throw faulty(`“${name}” is protected by a password`);
  if (method !== STORED && method !== DEFLATED) throw faulty(`“${name}” is packed in a way that is not read`);
  let out: Uint8Array;
  try {
    const packed = packedBytes(bytes, entry);
    out = method === STORED ? packed.slice() : inflated(packed, size, name);
  } catch (error) {
    if (error instanceof ArchiveError) throw error;
    throw faulty(DAMAGED);
  }
  if (out.length !== size || crc32(out) !== crc) {
    throw faulty(`“${name}” is damaged: its checksum does not fit. Get the file again`);
  }
  return out;
}

/** Opens a ZIP archive. Throws an ArchiveError where it can't be read or holds more than it may. */
export function openArchive(bytes: Uint8Array, limits: Partial<ArchiveLimits> = {}): Archive {
  const held = { ...LIMITS, ...limits };
  let directory: DirectoryEntry[];
  try {
    directory = readDirectory(bytes, held);
  } catch (error) {
    if (error instanceof ArchiveError) throw error;
    // Places beyond the end, or names that are no text.
    throw faulty(DAMAGED);
  }
  checkSizes(directory, bytes.length, held);
  const files = directory.filter(({ name }) => !name.endsWith('/'));
  const byName = new Map(files.map((entry) => [entry.name, entry]));
  if (byName.size !== files.length) throw faulty('it holds two files of one name');
  const read = (name: string): Uint8Array => {
    const entry = byName.get(name);
    if (!entry) throw faulty(`it holds no “${name}”`);
    return unpacked(bytes, entry);
  };
  return {
    entries: files,
    has: (name) => byName.has(name),
    read,
    text: (name) => (byName.has(name) ? strFromU8(read(name)) : undefined),
  };
}
