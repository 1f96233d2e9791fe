import { expect } from 'chai';
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { crc32 as nodeCrc32 } from 'node:zlib';
import { ArchiveError, openArchive } from '../../src/formats/archive.ts';
import { readArchive, readFile } from '../../src/formats/read/files.ts';
import { crc32 } from '../../src/formats/crc32.ts';
import { readFiles } from '../../src/intake/intake.ts';

const faultOf = (run: () => unknown): string => {
  try {
    run();
    return '';
  } catch (error) {
    expect(error).to.be.instanceOf(ArchiveError);
    return (error as Error).message;
  }
};

describe('archives', () => {
  it('give what was packed, stored or deflated, whatever the names and bytes', () => {
    const file = fc.tuple(
      fc.stringMatching(/^[a-zäö_][a-zäö0-9_ .-]{0,11}[a-z]$/),
      fc.uint8Array({ maxLength: 300 }),
    );
    fc.assert(
      fc.property(
        fc.uniqueArray(file, { selector: ([name]) => name, maxLength: 8 }),
        fc.constantFrom(0, 6),
        (files, level) => {
          const archive = openArchive(zipSync(Object.fromEntries(files), { level: level as 0 | 6 }));
          expect(archive.entries.map(({ name }) => name)).to.have.members(files.map(([name]) => name));
          for (const [name, bytes] of files) expect([...archive.read(name)]).to.deep.equal([...bytes]);
        },
      ),
    );
  });

  it('with any one bit flipped never give other bytes than were packed', () => {
    const packed = zipSync({
      'a.txt': strToU8('It rained on the bus. '.repeat(20)),
      'b.txt': strToU8('Wait.'),
    });
    const was = openArchive(packed);
    for (let bit = 0; bit < packed.length * 8; bit++) {
      const flipped = packed.slice();
      flipped[bit >> 3] ^= 1 << (bit & 7);
      let archive: ReturnType<typeof openArchive>;
      try {
        archive = openArchive(flipped);
      } catch (error) {
        expect(error).to.be.instanceOf(ArchiveError);
        continue;
      }
      for (const { name } of archive.entries) {
        let bytes: Uint8Array;
        try {
          bytes = archive.read(name);
        } catch (error) {
          expect(error).to.be.instanceOf(ArchiveError);
          continue;
        }
        const same = was.entries
          .map((entry) => was.read(entry.name))
          .some((each) => Buffer.compare(each, bytes) === 0);
        expect(same, `bit ${bit}`).to.equal(true);
      }
    }
  });

  it('that lie about their size, repeat a name, are locked or are cut short are refused', () => {
    const packed = zipSync({ 'a.txt': strToU8('x'.repeat(50_000)) });
    const view = (bytes: Uint8Array): DataView =>
      new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    const directory = packed.length - 22 - 46 - 5;
    const lie = packed.slice();
    view(lie).setUint32(directory + 24, 2048, true);
    expect(faultOf(() => openArchive(lie).read('a.txt'))).to.match(/holds more than it says/);
    view(lie).setUint32(directory + 24, 90_000, true);
    expect(faultOf(() => openArchive(lie).read('a.txt'))).to.match(/less than it says/);
    const locked = packed.slice();
    view(locked).setUint16(directory + 8, 1, true);
    expect(faultOf(() => openArchive(locked).read('a.txt'))).to.match(/password/);
    const strange = packed.slice();
    view(strange).setUint16(directory + 10, 14, true);
    expect(faultOf(() => openArchive(strange).read('a.txt'))).to.match(/packed in a way/);
    for (let end = 0; end < packed.length; end++) {
      expect(faultOf(() => openArchive(packed.slice(0, end)))).to.match(/damaged or was cut short/);
    }
    const two = zipSync({ 'a.txt': strToU8('1'), 'b.txt': strToU8('2') }, { level: 0 });
    const text = new TextDecoder('latin1').decode(two);
    two[text.lastIndexOf('b.txt')] = 'a'.charCodeAt(0);
    expect(faultOf(() => openArchive(two))).to.match(/two files of one name/);
    expect(faultOf(() => openArchive(packed, { mostBytes: 1000 }))).to.match(/would unpack/);
    expect(faultOf(() => openArchive(packed, { mostEntries: 0 }))).to.match(/more than 0 files/);
  });

  it('with one damaged file give the others, and say which is damaged', async () => {
    const packed = zipSync(
      { 'a.txt': strToU8('Words of the first.'), 'b.txt': strToU8('Words of the second.') },
      { level: 0 },
    );
    packed[new TextDecoder('latin1').decode(packed).indexOf('of the first')] ^= 4;
    const { files, refused } = readArchive({ name: 'all.zip', bytes: packed });
    expect(files.map(({ name }) => name)).to.deep.equal(['b.txt']);
    expect(refused.map(({ name, reason }) => `${name}: ${reason}`).join()).to.match(
      /all\.zip\/a\.txt: .*checksum/,
    );
    const intake = await readFiles([{ name: 'all.zip', bytes: packed }], new Set());
    expect(intake.added.map(({ source }) => source.name)).to.deep.equal(['b.txt']);
  });

  it('that are damaged office documents never come in as archives', async () => {
    const parts = {
      '[Content_Types].xml': strToU8('<Types/>'),
      'word/docunent.xml': strToU8('<w>secret</w>'),
    };
    for (const name of ['a.docx', 'a.zip', 'a']) {
      const content = await readFile({ name, bytes: zipSync(parts) });
      expect(content.kind === 'refused' && content.reason, name).to.match(/damaged office document/);
    }
    const slides = await readFile({ name: 'a.pptx', bytes: zipSync({ 'ppt/p.xml': strToU8('<p/>') }) });
    expect(slides.kind === 'refused' && slides.reason).to.match(/damaged office document/);
  });
});

describe('CRC-32', () => {
  it('is the published one, in one piece or in many', () => {
    expect(crc32(strToU8('123456789'))).to.equal(0xcbf43926);
    expect(crc32(strToU8('6789'), crc32(strToU8('12345')))).to.equal(0xcbf43926);
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 500 }), (bytes) => {
        expect(crc32(bytes)).to.equal(nodeCrc32(bytes));
      }),
    );
  });
});
