import { NO_TIME } from '../../base/no-time.ts';
import { deflateSync, strToU8, Zip, ZipDeflate, type DeflateOptions, type ZipInputFile } from 'fflate';
import { crc32 } from '../crc32.ts';

/** Bytes as an archive has them: packed (DEFLATE, RFC 1951), with what they are when they are unpacked. */
export interface PackedBytes {
  readonly packed: Uint8Array<ArrayBuffer>;
  readonly size: number;
  readonly crc: number;
}

type Level = NonNullable<DeflateOptions['level']>;
/** How hard bytes are packed where it isn't said: text comes out 2 % larger than at 6, and sooner. */
export const PACKING_LEVEL: Level = 3;

/** Bytes with what somebody else packed them to. */
export const asPacked = (bytes: Uint8Array, packed: Uint8Array<ArrayBuffer>): PackedBytes => ({
  packed,
  size: bytes.length,
  crc: crc32(bytes),
});

export const packBytes = (bytes: Uint8Array, level: Level = PACKING_LEVEL): PackedBytes =>
  asPacked(bytes, deflateSync(bytes, { level }));

const DEFLATED = 8;
/** Writes a ZIP archive file by file: all that is held of it is what is packed already. */
export function archiveWriter(): {
  /** Begins a file that comes piece by piece. */
  readonly begin: (name: string, level: Level) => (piece: string, isLast?: boolean) => void;
  /** Adds a file that is packed. A stream takes two megabytes to begin, on which thousands of short texts would spend a second. */
  readonly add: (name: string, file: PackedBytes) => void;
  readonly whole: () => Uint8Array<ArrayBuffer>;
} {
  const pieces: Uint8Array[] = [];
  const zip = new Zip((error, piece) => {
    if (error) throw error;
    pieces.push(piece);
  });
  return {
    begin(name, level) {
      const file = new ZipDeflate(name, { level });
      file.mtime = NO_TIME;
      zip.add(file);
      return (piece, isLast = false) => file.push(strToU8(piece), isLast);
    },
    add(filename, { packed, size, crc }) {
      const file: ZipInputFile = { filename, size, crc, compression: DEFLATED, mtime: NO_TIME };
      zip.add(file);
      file.ondata?.(null, packed, true);
    },
    whole() {
      zip.end();
      const whole = new Uint8Array(pieces.reduce((sum, { length }) => sum + length, 0));
      let at = 0;
      for (const piece of pieces) {
        whole.set(piece, at);
        at += piece.length;
      }
      return whole;
    },
  };
}

/** A ZIP archive of files that are packed already, in their order. */
export function writeArchive(files: ReadonlyMap<string, PackedBytes>): Uint8Array<ArrayBuffer> {
  const writer = archiveWriter();
  for (const [name, file] of files) writer.add(name, file);
  return writer.whole();
}
