import { looksLikeMail } from '../../text/mail/mail-parts.ts';
import { looksLikeChat } from './chat.ts';
import { baseName, endingOf, refused, type FileContent, type IncomingFile } from './read-result.ts';
import { decodeText, refuseSize } from './text-file.ts';

const PLAIN_ENDINGS: ReadonlySet<string> = new Set(['.txt', '.text', '.md', '.markdown']);

/** First bytes of archives, PDF, old office documents and rich text, whatever they are called. */
const PACKED = ['PK', '%P', '\u00d0\u00cf', '{\\rtf'];
/** Characters of a file by which it is told from mails, one byte each. */
const HEAD = 20_000;

/** Whether a text is the page of a web site or the subtitles of a film, by its first characters. */
export const isPage = (head: string): boolean => /^\s*(?:<!doctype html|<html[\s>])/i.test(head);
export const isSubtitles = (head: string): boolean => /^\s*WEBVTT(?:\s|$)/.test(head);

/** What was read of a text, with a note where it was in no usual encoding. */
export const withEncoding = (name: string, encoding: string, content: FileContent): FileContent =>
  content.kind === 'refused' || encoding === 'UTF-8'
    ? content
    : {
        ...content,
        note: [`${baseName(name)} was read as ${encoding}.`, content.note].filter(Boolean).join(' '),
      };

/**
 * Reads a file that is nothing but text; undefined where its ending or what stands in it says that it may be more, which
 * `readFile` knows.
 */
export function readPlain({ name, bytes }: IncomingFile): FileContent | undefined {
  if (!PLAIN_ENDINGS.has(endingOf(name))) return undefined;
  const size = refuseSize(bytes.length);
  if (size !== undefined) return refused(size);
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, HEAD));
  if (PACKED.some((first) => head.startsWith(first)) || looksLikeMail(head)) return undefined;
  const decoded = decodeText(bytes);
  if (!decoded.ok) return refused(decoded.reason, decoded.encodings);
  const { text, encoding } = decoded;
  if (isPage(text.slice(0, 2000)) || isSubtitles(text.slice(0, 2000)) || looksLikeChat(text))
    return undefined;
  return withEncoding(name, encoding, { kind: 'texts', texts: [{ name, text }] });
}
