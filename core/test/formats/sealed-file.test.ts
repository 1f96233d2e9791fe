import { expect } from 'chai';
import { createCipheriv, createDecipheriv, pbkdf2Sync, randomBytes } from 'node:crypto';
import { isSealed, passwordBytes, seal, SealedFileError, unseal } from '../../src/formats/sealed-file.ts';
import { writeStudyFile } from '../../src/study-files/study-file.ts';

const ROUNDS = 1000;
const TEXT = Buffer.from('What Oda said of the night bus.');
const WORD = 'umbrella under the bridge';

async function refusal(work: Promise<unknown>): Promise<string> {
  try {
    await work;
  } catch (error) {
    if (error instanceof SealedFileError) return error.message;
    throw error;
  }
  throw new Error('Nothing was refused.');
}

/** The key of a password as RFC 7518 4.8.1.1 derives it, from the description alone. */
function derived(header: { alg: string; p2s: string; p2c: number }): Buffer {
  const salt = Buffer.concat([Buffer.from(header.alg), Buffer.of(0), Buffer.from(header.p2s, 'base64url')]);
  return pbkdf2Sync(Buffer.from(WORD), salt, header.p2c, 32, 'sha512');
}

describe('a file sealed with a password', () => {
  it('opens with it, and with nothing else', async () => {
    const sealed = await seal(TEXT, passwordBytes(WORD), ROUNDS);
    expect(isSealed(sealed)).to.equal(true);
    expect(Buffer.from(await unseal(sealed, passwordBytes(WORD))).equals(TEXT)).to.equal(true);
    expect(await refusal(unseal(sealed, passwordBytes('umbrella')))).to.match(/not its password/);
    expect(Buffer.from(sealed).includes('Oda')).to.equal(false);
    expect(
      Buffer.from(await seal(TEXT, passwordBytes(WORD), ROUNDS)).equals(Buffer.from(sealed)),
      'the same text sealed twice is not told by its bytes',
    ).to.equal(false);
  });

  it('is a plain study file otherwise', () => {
    const plain = writeStudyFile({
      log: { records: [], head: 0, tip: 0 },
      register: [],
      originals: new Map(),
    });
    expect(isSealed(plain)).to.equal(false);
    expect(isSealed(new Uint8Array())).to.equal(false);
  });

  it('takes a password however its accents are composed', async () => {
    const sealed = await seal(TEXT, passwordBytes('caf\u00e9 by night'), ROUNDS);
    expect(await unseal(sealed, passwordBytes('cafe\u0301 by night'))).to.have.length(TEXT.length);
  });

  it('is opened by another program that keeps to the standard', async () => {
    const parts = Buffer.from(await seal(TEXT, passwordBytes(WORD), ROUNDS))
      .toString()
      .split('.');
    const [head, wrapped, iv, content, tag] = parts.map((part) => Buffer.from(part, 'base64url'));
    const header = JSON.parse(head.toString()) as { alg: string; enc: string; p2s: string; p2c: number };
    expect(header).to.include({ alg: 'PBES2-HS512+A256KW', enc: 'A256GCM', p2c: ROUNDS });
    // AES key wrap with its default initial value (RFC 3394 2.2.3.1).
    const unwrap = createDecipheriv('id-aes256-wrap', derived(header), Buffer.alloc(8, 0xa6));
    const key = Buffer.concat([unwrap.update(wrapped), unwrap.final()]);
    const open = createDecipheriv('aes-256-gcm', key, iv);
    open.setAAD(Buffer.from(parts[0]));
    open.setAuthTag(tag);
    expect(Buffer.concat([open.update(content), open.final()]).equals(TEXT)).to.equal(true);
  });

  it('may be sealed by another program that keeps to the standard', async () => {
    const header = {
      alg: 'PBES2-HS512+A256KW',
      enc: 'A256GCM',
      p2s: randomBytes(16).toString('base64url'),
      p2c: ROUNDS,
    };
    const head = Buffer.from(JSON.stringify(header)).toString('base64url');
    const [key, iv] = [randomBytes(32), randomBytes(12)];
    const wrap = createCipheriv('id-aes256-wrap', derived(header), Buffer.alloc(8, 0xa6));
    const wrapped = Buffer.concat([wrap.update(key), wrap.final()]);
    const close = createCipheriv('aes-256-gcm', key, iv);
    close.setAAD(Buffer.from(head));
    const content = Buffer.concat([close.update(TEXT), close.final()]);
    const sealed = [
      head,
      ...[wrapped, iv, content, close.getAuthTag()].map((part) => part.toString('base64url')),
    ];
    const opened = await unseal(Buffer.from(sealed.join('.')), passwordBytes(WORD));
    expect(Buffer.from(opened).equals(TEXT)).to.equal(true);
  });

  it('with one character changed anywhere is refused, or still says the same', async () => {
    const sealed = await seal(TEXT, passwordBytes(WORD), 10);
    let refused = 0;
    for (let i = 0; i < sealed.length; i++) {
      const changed = Uint8Array.from(sealed);
      changed[i] = changed[i] === 0x41 ? 0x42 : 0x41;
      try {
        // The last character of a part may hold bits that stand for nothing.
        expect(Buffer.from(await unseal(changed, passwordBytes(WORD))).equals(TEXT), `at ${i}`).to.equal(
          true,
        );
      } catch (error) {
        if (!(error instanceof SealedFileError)) throw error;
        refused++;
      }
    }
    expect(refused).to.be.greaterThan(sealed.length - 5);
    expect(await refusal(unseal(sealed.subarray(0, 40), passwordBytes(WORD)))).to.match(/damaged/);
  });

  it('that asks for rounds without end is refused before they begin', async () => {
    const [head, ...rest] = Buffer.from(await seal(TEXT, passwordBytes(WORD), 10))
      .toString()
      .split('.');
    const header = { ...(JSON.parse(Buffer.from(head, 'base64url').toString()) as object), p2c: 4e9 };
    const long = [Buffer.from(JSON.stringify(header)).toString('base64url'), ...rest].join('.');
    expect(await refusal(unseal(Buffer.from(long), passwordBytes(WORD)))).to.match(/not read here/);
  });
});
