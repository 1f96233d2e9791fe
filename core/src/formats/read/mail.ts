import type { Address, Email } from 'postal-mime';
import { counted, inFigures, listed } from '../../base/wording.ts';
import { bareSubject } from '../../text/mail/mail-parts.ts';
import { htmlToText } from './html.ts';
import { baseName, refused, type FileContent, type ReadingControl, type ReadText } from './read-result.ts';
import { tidyText } from './text-file.ts';

/** Parts inside parts that are read; real mail has a handful. */
const DEEPEST = 40;
/** Attachments named in a note; of the others only the number is said. */
const NAMED = 5;
/** Messages of one mailbox that are read: taking one apart costs a fifth of a millisecond at least. */
const MOST_MESSAGES = 20_000;
const LINE_END = 0x0a;
const QUOTE = 0x3e;
const DASH = 0x2d;
/** Parts of a message that are taken apart. */
const MOST_PARTS = 20_000;
/** A message’s last bytes, in which the line that closes its parts is looked for. */
const TAIL = 100_000;

/** What became of a message. */
interface Message {
  readonly text?: ReadText;
  readonly fault?: string;
  readonly attachments: readonly string[];
  readonly isCutShort: boolean;
}

/** Reads one message (RFC 5322, MIME decoded). */
export async function readMail(name: string, bytes: Uint8Array): Promise<FileContent> {
  const message = await messageOf(bytes, name);
  if (!message.text) return refused(message.fault ?? 'There are no words in the message.');
  return { kind: 'texts', texts: [message.text], isMail: true, ...noteOf(name, [message]) };
}

/** Reads a mailbox: messages one after another, each begun by a line “From …” (RFC 4155). */
export async function readMailbox(
  name: string,
  bytes: Uint8Array,
  control: ReadingControl = {},
): Promise<FileContent> {
  const messages: Message[] = [];
  const places = messagePlaces(bytes);
  if (places.length > MOST_MESSAGES)
    return refused(
      `It holds ${inFigures(places.length)} messages, and ${inFigures(MOST_MESSAGES)} of one file are read. Split it, as into one file a year.`,
    );
  for (const [i, [start, end]] of places.entries()) {
    if (control.stopped?.()) break;
    messages.push(await messageOf(unescaped(bytes.subarray(start, end)), name));
    control.onProgress?.((i + 1) / places.length);
  }
  const texts = messages.flatMap((message) => message.text ?? []);
  return texts.length === 0
    ? refused(
        places.length === 0
          ? 'No message was found in it: each begins with a line “From …”.'
          : 'There are no words in its messages.',
      )
    : { kind: 'texts', texts, isMail: true, ...noteOf(name, messages) };
}

/** Where the messages of a mailbox stand, without their “From ” lines. */
function messagePlaces(bytes: Uint8Array): [start: number, end: number][] {
  const starts: [line: number, message: number][] = [];
  const isBlank = (lineEnd: number): boolean =>
    lineEnd < 0 ||
    bytes[lineEnd - 1] === LINE_END ||
    (bytes[lineEnd - 1] === 0x0d && bytes[lineEnd - 2] === LINE_END);
  for (let at = 0; at >= 0 && at < bytes.length;) {
    const lineEnd = bytes.indexOf(LINE_END, at);
    if (isAt(bytes, at, 'From ') && isBlank(at - 1) && lineEnd > 0) {
      // A sentence may begin with “From” too; only a message has a header field on its next line.
      const next = new TextDecoder('latin1').decode(bytes.subarray(lineEnd + 1, lineEnd + 80));
      if (/^[A-Za-z][A-Za-z0-9-]*:/.test(next)) starts.push([at, lineEnd + 1]);
    }
    at = lineEnd < 0 ? -1 : lineEnd + 1;
  }
  return starts.map(([, message], i) => [message, starts[i + 1]?.[0] ?? bytes.length]);
}

/** Lines “>From ” as they were before they went into the mailbox. */
function unescaped(bytes: Uint8Array): Uint8Array {
  const kept = new Uint8Array(bytes.length);
  let size = 0;
  for (let at = 0; at < bytes.length; at++) {
    const isLineStart = at === 0 || bytes[at - 1] === LINE_END;
    if (isLineStart && bytes[at] === QUOTE) {
      let after = at;
      while (bytes[after] === QUOTE) after++;
      if (isAt(bytes, after, 'From ')) continue;
    }
    kept[size++] = bytes[at];
  }
  return size === bytes.length ? bytes : kept.subarray(0, size);
}

const isAt = (bytes: Uint8Array, at: number, word: string): boolean =>
  [...word].every((letter, i) => bytes[at + i] === letter.charCodeAt(0));

/** Lines that may begin a part, as far as `most`. */
function partLines(bytes: Uint8Array, most: number): number {
  let count = 0;
  for (let at = bytes.indexOf(LINE_END); at >= 0 && count <= most; at = bytes.indexOf(LINE_END, at + 1))
    if (bytes[at + 1] === DASH && bytes[at + 2] === DASH) count++;
  return count;
}

async function messageOf(bytes: Uint8Array, file: string): Promise<Message> {
  if (partLines(bytes, MOST_PARTS) > MOST_PARTS)
    return {
      fault: `The message has more than ${inFigures(MOST_PARTS)} parts. Save its words as .txt and add that.`,
      attachments: [],
      isCutShort: false,
    };
  const { default: PostalMime, decodeWords } = await import('postal-mime');
  let mail: Email;
  try {
    mail = await PostalMime.parse(bytes, { maxNestingDepth: DEEPEST });
  } catch {
    return {
      fault: `The message can’t be taken apart: its parts stand more than ${DEEPEST} deep, or its head is far too long. Save its words as .txt and add that.`,
      attachments: [],
      isCutShort: false,
    };
  }
  const attachments = mail.attachments.map((each) => each.filename ?? each.mimeType);
  const plain = mail.text?.trim() ? mail.text : htmlToText(mail.html ?? '');
  const text = tidyText(plain)
    .replace(/\n{3,}/g, '\n\n')
    .trim();
  const isCutShort = endsInTheMiddle(bytes, mail);
  if (text === '') return { fault: 'There are no words in the message.', attachments, isCutShort };
  const from = personOf(mail.from);
  const list = mail.headers.find(({ key }) => key === 'list-id')?.value;
  const marked = bareSubject(mail.subject ?? '');
  // Which list it came by is an attribute of its own.
  const subject = list ? marked.replace(/^\[[^\]]*\][ \t]*(?=\S)/, '') : marked;
  const attributes = {
    from,
    date: mail.date && /^\d{4}-\d\d-\d\d/.test(mail.date) ? mail.date.slice(0, 10) : '',
    subject,
    list: list ? listName(decodeWords(list)) : '',
  };
  const name = [subject === '' ? baseName(file) : subject, from].filter(Boolean).join(' · ');
  return {
    text: {
      name,
      text: `${text}\n`,
      attributes: Object.fromEntries(Object.entries(attributes).filter(([, value]) => value !== '')),
    },
    attachments,
    isCutShort,
  };
}

function personOf(address: Address | undefined): string {
  const one = address?.group ? address.group[0] : address;
  return one?.name.trim() || one?.address || '';
}

/** A list’s name out of `List-Id: The name <id.example>` (RFC 2919). */
function listName(value: string): string {
  const named = /^\s*"?([^"<]*?)"?\s*<([^>]*)>/.exec(value);
  return named?.[1].trim() || named?.[2] || value.trim();
}

/** Whether a message of several parts lacks the line that closes them. */
function endsInTheMiddle(bytes: Uint8Array, mail: Email): boolean {
  const type = mail.headers.find(({ key }) => key === 'content-type')?.value ?? '';
  const boundary = /^multipart\/.*?boundary="?([^";]+)"?/is.exec(type)?.[1];
  if (boundary === undefined) return false;
  return !new TextDecoder('latin1').decode(bytes.subarray(-TAIL)).includes(`--${boundary}--`);
}

function noteOf(name: string, messages: readonly Message[]): { note?: string } {
  const attachments = messages.flatMap((message) => message.attachments);
  const empty = messages.filter((message) => !message.text).length;
  const short = messages.filter((message) => message.isCutShort).length;
  const named = attachments.slice(0, NAMED);
  if (attachments.length > NAMED) named.push(`${inFigures(attachments.length - NAMED)} more`);
  const said = [
    attachments.length > 0 && `${counted(attachments.length, 'attachment')} left out (${listed(named)})`,
    empty > 0 && `${counted(empty, 'message')} without words or past reading`,
    short > 0 &&
      `${counted(short, 'message')} ${short === 1 ? 'ends' : 'end'} in the middle; the file may have been cut short`,
  ].filter((each) => each !== false);
  return said.length === 0 ? {} : { note: `${baseName(name)}: ${said.join('; ')}.` };
}
