import { ArchiveError, openArchive } from '../archive.ts';
import { looksLikeChat, readChat } from './chat.ts';
import { readDelimited } from '../csv.ts';
import { readHtml } from './html.ts';
import { readJson, readJsonLines } from './json.ts';
import {
  endingOf,
  refused,
  type FileContent,
  type ReadingControl,
  type RefusedFile,
  type IncomingFile,
} from './read-result.ts';
import { isPage, isSubtitles, withEncoding } from './plain.ts';
import { readSubtitles } from './subtitles.ts';
import { decodeText, refuseSize } from './text-file.ts';
import { looksLikeMail } from '../../text/mail/mail-parts.ts';
import { byCodeUnits } from '../../base/order.ts';
import { ownValue } from '../../base/records.ts';

const MAIL_ENDINGS: Readonly<Record<string, 'mail' | 'mailbox'>> = { '.eml': 'mail', '.mbox': 'mailbox' };

const startsWith = (bytes: Uint8Array, ...signature: number[]): boolean =>
  signature.every((byte, i) => bytes[i] === byte);

/** What is inside a ZIP container by its entries. */
function zipKind(
  name: string,
  bytes: Uint8Array,
): 'docx' | 'xlsx' | 'slides' | 'odt' | 'ods' | 'ebook' | 'qda' | 'other' | 'office' | 'study' | 'archive' {
  const archive = openArchive(bytes);
  if (archive.has('project.qde') || endingOf(name) === '.qdpx') return 'qda';
  if (archive.has('word/document.xml')) return 'docx';
  if (archive.has('xl/workbook.xml')) return 'xlsx';
  if (archive.has('ppt/presentation.xml')) return 'slides';
  if (archive.has('study.json')) return 'study';
  if (archive.has('mimetype')) {
    const type = archive.text('mimetype') ?? '';
    if (/opendocument\.text/.test(type)) return 'odt';
    if (/opendocument\.spreadsheet/.test(type)) return 'ods';
    if (/epub/.test(type)) return 'ebook';
    if (/opendocument/.test(type)) return 'other';
  }
  // One whose own parts are not where they should be must not come in as an archive full of XML.
  const isOffice =
    OFFICE_ENDINGS.has(endingOf(name)) ||
    archive.has('[Content_Types].xml') ||
    archive.entries.some((entry) => /^(?:word|xl|ppt)\//.test(entry.name));
  return isOffice ? 'office' : 'archive';
}

const OFFICE_ENDINGS: ReadonlySet<string> = new Set([
  '.docx',
  '.docm',
  '.dotx',
  '.xlsx',
  '.xlsm',
  '.xltx',
  '.pptx',
  '.pptm',
]);

/** UTF-16 text inside a compound file, as its directory has it. */
function holdsName(bytes: Uint8Array, name: string): boolean {
  const head = new TextDecoder('utf-16le').decode(bytes.subarray(0, Math.min(bytes.length, 1 << 20) & ~1));
  return head.includes(name);
}

/**
 * Reads a file by what it is: its first bytes decide, and where they say only that it is text, its ending does. Archives
 * are not opened here (`readArchive`).
 */
export async function readFile(
  { name, bytes }: IncomingFile,
  control: ReadingControl = {},
): Promise<FileContent | { readonly kind: 'archive' }> {
  const size = refuseSize(bytes.length);
  if (size !== undefined) return refused(size);
  try {
    if (startsWith(bytes, 0x50, 0x4b)) {
      switch (zipKind(name, bytes)) {
        case 'docx':
          return await (await import('./docx.ts')).readDocx(name, bytes);
        case 'xlsx':
          return await (await import('./xlsx.ts')).readXlsx(bytes);
        case 'slides':
          return await (await import('./presentation.ts')).readPresentation(name, bytes);
        case 'ebook':
          return await (await import('./ebook.ts')).readEbook(name, bytes);
        case 'office':
          return refused(
            'It is a damaged office document: its main part is not where it should be. Open it, save it anew and add that.',
          );
        case 'study':
          return refused('It is a study file. Open it from the first page.');
        case 'odt':
          return await (await import('./open-document.ts')).readOpenText(name, bytes);
        case 'ods':
          return await (await import('./open-document.ts')).readOpenSheets(bytes);
        case 'qda':
          return await (await import('./qda-read.ts')).readQdaProject(bytes);
        case 'other':
          return refused(
            'Drawings and presentations of this kind are not read. Save its words as .odt, .docx or .txt and add that.',
          );
        case 'archive':
          return { kind: 'archive' };
      }
    }
  } catch (error) {
    if (error instanceof ArchiveError) return refused(error.message);
    throw error;
  }
  if (startsWith(bytes, 0x25, 0x50, 0x44, 0x46)) {
    return (await import('./pdf.ts')).readPdf(name, bytes, control);
  }
  if (startsWith(bytes, 0xd0, 0xcf, 0x11, 0xe0)) {
    return holdsName(bytes, 'EncryptedPackage')
      ? refused('It is protected by a password. Open it, save a copy without one, and add that.')
      : refused('It is an old office document. Save it as .docx or .xlsx and add that.');
  }
  if (startsWith(bytes, 0x7b, 0x5c, 0x72, 0x74, 0x66)) {
    return (await import('./rich-text.ts')).readRichText(name, bytes);
  }
  const ending = endingOf(name);
  const mail =
    ownValue(MAIL_ENDINGS, ending) ??
    looksLikeMail(new TextDecoder('latin1').decode(bytes.subarray(0, 20_000)));
  if (mail === 'mailbox') return (await import('./mail.ts')).readMailbox(name, bytes, control);
  if (mail === 'mail') return (await import('./mail.ts')).readMail(name, bytes);
  const decoded = decodeText(bytes);
  if (!decoded.ok) return refused(decoded.reason, decoded.encodings);
  const { text, encoding } = decoded;
  return withEncoding(name, encoding, readTextual(name, text));
}

function readTextual(name: string, text: string): FileContent {
  const head = text.slice(0, 2000);
  switch (endingOf(name)) {
    case '.csv':
    case '.tsv':
    case '.tab':
      return readDelimited(text);
    case '.json':
      return readJson(text);
    case '.jsonl':
    case '.ndjson':
      return readJsonLines(text);
    case '.html':
    case '.htm':
    case '.xhtml':
      return readHtml(name, text);
    case '.srt':
    case '.vtt':
      return readSubtitles(name, text);
  }
  if (isSubtitles(head)) return readSubtitles(name, text);
  if (isPage(head)) return readHtml(name, text);
  if (looksLikeChat(text)) return readChat(name, text);
  return { kind: 'texts', texts: [{ name, text }] };
}

/** The files of an archive that could be read, and why the others are not; an archive inside it is not opened. */
export function readArchive({ name, bytes }: IncomingFile): {
  readonly files: readonly IncomingFile[];
  readonly refused: readonly RefusedFile[];
} {
  const isJunk = (entry: string): boolean =>
    /(?:^|\/)(?:__MACOSX\/|\.[^/]+$|Thumbs\.db$|desktop\.ini$)/.test(entry);
  try {
    const archive = openArchive(bytes);
    const entries = archive.entries.filter((entry) => !isJunk(entry.name));
    if (entries.length === 0) return { files: [], refused: [{ name, reason: 'The archive is empty.' }] };
    const left: { name: string; reason: string }[] = [];
    const files: IncomingFile[] = [];
    for (const entry of [...entries].sort((a, b) => byCodeUnits(a.name, b.name))) {
      const reason = /\.(?:zip|gz|tgz|7z|rar|bz2|xz)$/i.test(entry.name)
        ? 'It is an archive inside an archive. Unpack it and add its files.'
        : refuseSize(entry.size);
      if (reason === undefined) {
        try {
          files.push({ name: entry.name, bytes: archive.read(entry.name) });
          continue;
        } catch (error) {
          // One damaged file does not take the others with it.
          if (!(error instanceof ArchiveError)) throw error;
          left.push({ name: `${name}/${entry.name}`, reason: error.message });
          continue;
        }
      }
      left.push({ name: `${name}/${entry.name}`, reason });
    }
    return { files, refused: left };
  } catch (error) {
    if (error instanceof ArchiveError) return { files: [], refused: [{ name, reason: error.message }] };
    throw error;
  }
}
