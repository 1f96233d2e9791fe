import { inflateRawSync, deflateRawSync } from 'node:zlib';
import { expect } from 'chai';
import fc from 'fast-check';
import { unzipSync } from 'fflate';
import { openArchive } from '../../src/formats/archive.ts';
import { asPacked, packBytes, writeArchive } from '../../src/formats/write/archive-write.ts';

const named = fc.dictionary(fc.string({ minLength: 1, maxLength: 20, unit: 'grapheme' }), fc.uint8Array(), {
  noNullPrototype: true,
});

describe('an archive that is written', () => {
  it('is read back by another reader and by our own, whoever packed its entries', () => {
    fc.assert(
      fc.property(named, fc.boolean(), (files, packedElsewhere) => {
        const entries = Object.entries(files).filter(([name]) => !name.endsWith('/'));
        const written = writeArchive(
          new Map(
            entries.map(([name, bytes]) => [
              name,
              packedElsewhere ? asPacked(bytes, new Uint8Array(deflateRawSync(bytes))) : packBytes(bytes),
            ]),
          ),
        );
        const elsewhere = unzipSync(written);
        // The other reader lays its files into a plain object, which takes no file of this name.
        const readable = entries.filter(([name]) => name !== '__proto__');
        expect(Object.keys(elsewhere)).to.have.length(readable.length);
        for (const [name, bytes] of readable) expect([...elsewhere[name]], name).to.deep.equal([...bytes]);
        const own = openArchive(written);
        for (const [name, bytes] of entries) {
          expect([...own.read(name)], name).to.deep.equal([...bytes]);
        }
      }),
      { endOnFailure: true },
    );
  });

  it('has its entries as DEFLATE has them (RFC 1951), and no time of day', () => {
    const bytes = new TextEncoder().encode('Rain, again. '.repeat(50));
    const { packed, size } = packBytes(bytes);
    expect(new Uint8Array(inflateRawSync(packed))).to.deep.equal(bytes);
    expect(size).to.equal(bytes.length);
    const once = writeArchive(new Map([['a.txt', packBytes(bytes)]]));
    // 1980-01-01, 12:00, as MS-DOS has it (APPNOTE 4.4.6).
    expect(new DataView(once.buffer).getUint32(10, true)).to.equal((1 << 21) | (1 << 16) | (12 << 11));
  });
});
