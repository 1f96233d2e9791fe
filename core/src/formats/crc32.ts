const TABLE = Int32Array.from({ length: 256 }, (_, byte) => {
  let value = byte;
  for (let bit = 0; bit < 8; bit++) value = (value >>> 1) ^ (value & 1 ? 0xedb88320 : 0);
  return value;
});

/**
 * The CRC-32 of bytes (ISO 3309, as ZIP archives carry it), from 0 to 2³² − 1. Bytes that come in pieces are summed piece
 * by piece.
 *
 * @param before the sum of the pieces that come before
 * @example crc32(new TextEncoder().encode('123456789')) // 0xcbf43926
 */
export function crc32(bytes: Uint8Array, before = 0): number {
  let sum = ~before;
  for (let i = 0; i < bytes.length; i++) sum = (sum >>> 8) ^ TABLE[(sum ^ bytes[i]) & 255];
  return ~sum >>> 0;
}
