import { analyse } from 'chardet';
import { aroundOddBytes } from './odd-bytes.ts';

/** The largest text file that is read, in bytes; about fifteen million words. */
export const LARGEST_TEXT_FILE = 100 * 1024 * 1024;

export type DecodedText =
  | { readonly ok: true; readonly text: string; readonly encoding: string }
  | { readonly ok: false; readonly reason: string; readonly encodings?: readonly string[] };

const SIGNATURES: readonly [string, readonly number[]][] = [
  ['a PNG picture', [0x89, 0x50, 0x4e, 0x47]],
  ['a JPEG picture', [0xff, 0xd8, 0xff]],
  ['a GIF picture', [0x47, 0x49, 0x46, 0x38]],
  ['a PDF document', [0x25, 0x50, 0x44, 0x46]],
  ['a ZIP archive or an office document', [0x50, 0x4b, 0x03, 0x04]],
  ['an old office document', [0xd0, 0xcf, 0x11, 0xe0]],
  ['a compressed file', [0x1f, 0x8b]],
  ['a program', [0x7f, 0x45, 0x4c, 0x46]],
];

/** Why a file of this size can't be a source, or undefined where it can. Asked before its bytes are read. */
export function refuseSize(bytes: number): string | undefined {
  if (bytes === 0) return 'It is empty.';
  if (bytes > LARGEST_TEXT_FILE) {
    const size = Math.round(bytes / 1024 / 1024);
    return `It is too large: ${size} MB, and the most is ${LARGEST_TEXT_FILE / 1024 / 1024} MB. Split it into smaller files.`;
  }
  return undefined;
}

/**
 * The text in a file's bytes: UTF-8 with or without byte order mark, UTF-16 of either order, or else one of the older
 * encodings, where it can be told which. Says why not
 * where it is empty, not text, or in no encoding that makes sense. Line ends become \n.
 */
export function decodeText(bytes: Uint8Array): DecodedText {
  const refused = refuseSize(bytes.length);
  if (refused !== undefined) return { ok: false, reason: refused };
  for (const [what, signature] of SIGNATURES) {
    if (signature.every((byte, i) => bytes[i] === byte)) {
      return { ok: false, reason: `It is not text but ${what}. Save its words as a .txt file and add that.` };
    }
  }
  const utf16 = utf16Order(bytes);
  if (utf16) return accept(new TextDecoder(utf16).decode(bytes), 'UTF-16');
  if (bytes.includes(0)) return { ok: false, reason: NOT_TEXT };
  try {
    return accept(new TextDecoder('utf-8', { fatal: true }).decode(bytes), 'UTF-8');
  } catch {
    // Not UTF-8, which is an answer and not a fault: the older encodings are next.
  }
  return decodeOlder(bytes);
}

/** A guess at an encoding is believed where it leads the next by so much, or is as sure as this, of a hundred. */
const LEAD = 10;
const SURE = 60;

/** Names by which people know encodings that the detector names otherwise. */
const WESTERN: ReadonlySet<string> = new Set(['windows-1252', 'iso-8859-1', 'ascii']);

/** The text in bytes of one of the encodings from before UTF-8, by how often its bytes follow each other in each. */
function decodeOlder(bytes: Uint8Array): DecodedText {
  const sample = bytes.subarray(0, 65536);
  const [best, next] = analyse(aroundOddBytes(bytes));
  const name = best?.name.toLowerCase() ?? '';
  const isClear =
    best !== undefined && (best.confidence >= SURE || best.confidence - (next?.confidence ?? 0) >= LEAD);
  if (best && !WESTERN.has(name)) {
    // Two of one family differ in a few letters only; which it is can't be told from little text.
    const decoder = isClear ? decoderOf(name) : undefined;
    if (!decoder) {
      return unsure([best, next].filter((each) => each !== undefined).map((each) => each.name));
    }
    const text = decoder.decode(bytes);
    return text.includes('\ufffd') ? { ok: false, reason: UNREADABLE } : accept(text, best.name);
  }
  if (holdsOddWords(sample)) {
    const others = [
      'Windows-1252',
      'ISO-8859-2',
      ...(next && !WESTERN.has(next.name.toLowerCase()) ? [next.name] : []),
    ];
    return unsure([...new Set(others)]);
  }
  const undefinedBytes = [0x81, 0x8d, 0x8f, 0x90, 0x9d];
  let odd = 0;
  for (const byte of sample) {
    if (undefinedBytes.includes(byte) || (byte < 32 && byte !== 9 && byte !== 10 && byte !== 13)) odd++;
  }
  if (odd > sample.length / 200) return { ok: false, reason: UNREADABLE };
  return accept(decodeWindows1252(bytes), 'Windows-1252');
}

const unsure = (encodings: readonly string[]): DecodedText => ({
  ok: false,
  reason: `Its encoding can’t be told for sure: it may be ${encodings.join(' or ')}. ${AS_UTF8}`,
  encodings: encodings.filter((each) => decoderOf(each) !== undefined),
});

const isLetterByte = (byte: number): boolean => (byte | 0x20) >= 0x61 && (byte | 0x20) <= 0x7a;
/** Signs of Windows-1252 that stand inside words: ª, soft hyphen, · of Catalan, º. */
const SIGNS_IN_WORDS: ReadonlySet<number> = new Set([0xaa, 0xad, 0xb7, 0xba]);
/** Signs of Windows-1252 that touch no letter at all: ¦ ¨ ¬ ¯ ± ¶ ¸ ¼ ¾. */
const SIGNS_APART: ReadonlySet<number> = new Set([0xa6, 0xa8, 0xac, 0xaf, 0xb1, 0xb6, 0xb8, 0xbc, 0xbe]);

/**
 * Whether signs stand where letters are: between two letters, or at one where such a sign never is. So a Polish ł (³) or ś (¶)
 * looks when it is read as Windows-1252.
 */
function holdsOddWords(bytes: Uint8Array): boolean {
  return bytes.some((byte, i) => {
    if (byte <= 0xa0 || byte >= 0xc0 || SIGNS_IN_WORDS.has(byte)) return false;
    const before = isLetterByte(bytes[i - 1] ?? 0);
    const after = isLetterByte(bytes[i + 1] ?? 0);
    return SIGNS_APART.has(byte) ? before || after : before && after;
  });
}

function decoderOf(name: string): { decode(bytes: Uint8Array): string } | undefined {
  try {
    return new TextDecoder(name);
  } catch {
    // An encoding the detector knows and the platform does not.
    return undefined;
  }
}

/** What Windows-1252 has at 0x80 to 0x9F, where Latin-1 has control characters (WHATWG Encoding, index windows-1252). */
const WINDOWS_1252 = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

/** Node 20 reads this encoding as Latin-1, browsers as the standard says; this gives the same everywhere. */
function decodeWindows1252(bytes: Uint8Array): string {
  return new TextDecoder('windows-1252')
    .decode(bytes)
    .replace(/[\u0080-\u009f]/g, (character) => WINDOWS_1252[character.charCodeAt(0) - 0x80]);
}

const NOT_TEXT = 'It is not text: it holds zero bytes, as programs, pictures and sound do.';
const AS_UTF8 = 'Open it in an editor, save it as UTF-8 and add it again.';
const UNREADABLE = `Its encoding can’t be read. ${AS_UTF8}`;

/** UTF-16 by its byte order mark, or by a zero in every second byte. */
function utf16Order(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | undefined {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  const end = Math.min(bytes.length - (bytes.length % 2), 4096);
  if (end < 4) return undefined;
  let evenZeros = 0;
  let oddZeros = 0;
  for (let i = 0; i < end; i += 2) {
    if (bytes[i] === 0) evenZeros++;
    if (bytes[i + 1] === 0) oddZeros++;
  }
  const pairs = end / 2;
  if (oddZeros > pairs * 0.7 && evenZeros < pairs * 0.05) return 'utf-16le';
  if (evenZeros > pairs * 0.7 && oddZeros < pairs * 0.05) return 'utf-16be';
  return undefined;
}

function accept(text: string, encoding: string): DecodedText {
  const tidy = tidyText(text);
  if (tidy.trim() === '') return { ok: false, reason: 'It has no words, only white space.' };
  return { ok: true, text: tidy, encoding };
}

/** Line ends as \n, no byte order mark, no halves of characters. */
export function tidyText(text: string): string {
  const lines = text.includes('\r') ? text.replace(/\r\n?/g, '\n') : text;
  const unmarked = lines.charCodeAt(0) === 0xfeff ? lines.slice(1) : lines;
  // A zero character, as JSON may hold, can be written to no document.
  const marked = unmarked.includes('\0') ? unmarked.replaceAll('\0', '\ufffd') : unmarked;
  // The halves of a broken pair can't be written to a file again.
  return /[\ud800-\udfff]/.test(marked)
    ? marked.replace(/[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g, '\ufffd')
    : marked;
}
