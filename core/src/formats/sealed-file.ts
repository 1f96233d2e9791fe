import { strFromU8, strToU8 } from 'fflate';
import { CompactEncrypt, compactDecrypt, errors } from 'jose';

/** A password as bytes, or as a PBKDF2 key of Web Crypto's that bits may be derived from. */
export type PasswordKey = Parameters<CompactEncrypt['encrypt']>[0];

/** How often the key is hashed out of a password: about half a second's work, so that guessing is slow. */
export const ROUNDS = 600_000;
/** More rounds than this are a file's attempt to hold the reader up. */
const MOST_ROUNDS = 5_000_000;
const SLOW_KEY = 'PBES2-HS512+A256KW';
const CIPHER = 'A256GCM';

/** Why something sealed can't be opened, as a sentence for the researcher. */
export class SealedFileError extends Error {
  override readonly name = 'SealedFileError';
}

/** A password's bytes; the same for the same characters, however a keyboard composes them (RFC 8265 takes NFC too). */
export const passwordBytes = (password: string): Uint8Array => strToU8(password.normalize('NFC'));

/** Whether bytes are sealed with a password: a compact JWE begins with its header, base64 of `{"`. */
export const isSealed = (bytes: Uint8Array): boolean => strFromU8(bytes.subarray(0, 3), true) === 'eyJ';

/**
 * Seals bytes with a password: a compact JSON Web Encryption (RFC 7516) with a key derived by PBES2-HS512+A256KW (PBKDF2 with
 * HMAC-SHA-512, RFC 7518 4.8) and contents in A256GCM (5.3). Two seals of the same bytes differ, since salt, key and
 * initialization vector are new each time.
 *
 * @param rounds how often PBKDF2 iterates
 * @returns the JWE's characters as bytes
 */
export async function seal(bytes: Uint8Array, password: PasswordKey, rounds = ROUNDS): Promise<Uint8Array> {
  const sealed = await new CompactEncrypt(bytes)
    .setProtectedHeader({ alg: SLOW_KEY, enc: CIPHER })
    .setKeyManagementParameters({ p2c: rounds })
    .encrypt(password);
  return strToU8(sealed, true);
}

/** Opens what `seal` sealed. Throws a SealedFileError where the password is another or the bytes were changed. */
export async function unseal(sealed: Uint8Array, password: PasswordKey): Promise<Uint8Array> {
  try {
    const { plaintext } = await compactDecrypt(sealed, password, {
      keyManagementAlgorithms: [SLOW_KEY],
      contentEncryptionAlgorithms: [CIPHER],
      maxPBES2Count: MOST_ROUNDS,
    });
    return plaintext;
  } catch (error) {
    if (!(error instanceof errors.JOSEError)) throw error;
    throw new SealedFileError(
      error instanceof errors.JWEDecryptionFailed
        ? 'It does not open: either this is not its password, or it is damaged. Mind capitals and the keyboard’s language, and try again.'
        : 'It is sealed in a way that is not read here, or damaged. Open an earlier copy.',
      { cause: error },
    );
  }
}
