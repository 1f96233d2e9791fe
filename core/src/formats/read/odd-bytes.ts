/** Most bytes that are looked at to tell an encoding. */
const LOOKED_AT = 65536;

/** A piece of the bytes with those that are not plain ASCII: a long file may begin with pages without any. */
export function aroundOddBytes(bytes: Uint8Array): Uint8Array {
  const first = bytes.findIndex((byte) => byte > 127);
  const from = Math.max(0, first - 1024);
  return bytes.subarray(from, from + LOOKED_AT);
}
