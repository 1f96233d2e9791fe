import { deflateSync, Zip, type ZipInputFile } from 'fflate';
import { crc32 } from './crc32.ts';

/** Bytes as an archive has them: packed (DEFLATE, RFC 1951), with what they are when they are unpacked. */
export interface PackedBytes {
  readonly packed: Uint8Array<ArrayBuffer>;
  readonly size: number;
  readonly crc: number;
}

/** How hard bytes are packed: text comes out 2 % larger than at 6, and sooner. */
export const PACKING_LEVEL = 3;

/** Packs bytes, whoever does the work. */
export const asPacked = (bytes: Uint8Array, packed: Uint8Array<ArrayBuffer>): PackedBytes => ({
  packed,
  size: bytes.length,
  crc: crc32(bytes),
});

export const packBytes = (bytes: Uint8Array): PackedBytes =>
  asPacked(bytes, deflateSync(bytes, { level: PACKING_LEVEL }));

const DEFLATED = 8;
/** The first date a ZIP can have, so that no clock gets into the bytes. */
const NO_TIME = new Date(1980, 0, 1, 12);

/** A ZIP archive of entries that are packed already, in their order. */
export function writeArchive(entries: ReadonlyMap<string, PackedBytes>): Uint8Array {
  const pieces: Uint8Array[] = [];
  const zip = new Zip((error, piece) => {
    if (error) throw error;
    pieces.push(piece);
  });
  for (const [filename, { packed, size, crc }] of entries) {
    const entry: ZipInputFile = { filename, size, crc, compression: DEFLATED, mtime: NO_TIME };
    zip.add(entry);
    entry.ondata?.(null, packed, true);
  }
  zip.end();
  const whole = new Uint8Array(pieces.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}
