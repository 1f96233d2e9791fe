import { promisify } from 'node:util';
import { deflateRaw } from 'node:zlib';
import { asPacked, PACKING_LEVEL, type PackedBytes } from '@green-thicket/core/formats/write/archive-write';

const deflate = promisify(deflateRaw);

/** Texts that are packed side by side: each waits for whoever computes to look up. */
const AT_ONCE = 16;

/** Packs originals for the study file while something else is computed: the system's own threads do it. */
export function packOriginals(
  originals: ReadonlyMap<string, string>,
): Promise<ReadonlyMap<string, PackedBytes>> {
  const packed = new Map<string, PackedBytes>();
  const waiting = originals.entries();
  const work = async (): Promise<void> => {
    for (const [id, text] of waiting) {
      const bytes = Buffer.from(text, 'utf8');
      packed.set(id, asPacked(bytes, await deflate(bytes, { level: PACKING_LEVEL })));
    }
  };
  const all = Promise.all(Array.from({ length: AT_ONCE }, work)).then(() => packed);
  // It is asked for at the end; where the computation fails before, nobody asks.
  all.catch(() => undefined);
  return all;
}
