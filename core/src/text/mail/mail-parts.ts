import { tidyPieces, type Piece } from '../reading-part.ts';

/** Parts of a mail that its writer did not write to be read. */
export const MAIL_PARTS = ['headers', 'quoted', 'signature', 'footer'] as const;
export type MailPartKind = (typeof MAIL_PARTS)[number];

/** What is left out of a mail when it comes in; headers have become attributes by then. */
export const LEFT_OUT_AT_FIRST: readonly MailPartKind[] = ['quoted', 'signature', 'footer'];

/** One such part, [start, end) of the text; it ends with its last line's break. */
export interface MailPart {
  readonly kind: MailPartKind;
  readonly start: number;
  readonly end: number;
}

interface Line {
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

/** Header fields that a head must have two of, one of them `From` (RFC 5322). */
const FIELD = /^([A-Za-z][A-Za-z0-9-]{1,60}):(?:[ \t]|$)/;
const TELLING_FIELDS = new Set([
  'date',
  'sent',
  'subject',
  'to',
  'cc',
  'message-id',
  'received',
  'return-path',
  'mime-version',
  'reply-to',
]);
const QUOTED = /^[ \t]{0,2}[>|](?:[ \t>|]|$|\S)/;
/** “On Monday … Anna wrote:”, in the languages there are stop lists for. */
const ATTRIBUTION =
  /(?:\b(?:wrote|writes|schrieb|escribió|scritto|escreveu|schreef|skrev)|a écrit)\b.{0,80}:?[ \t]*$/iu;
/** What mail programs put before a message that is quoted whole. */
const ORIGINAL =
  /^[ \t]*-{2,}[ \t]*(?:original message|original[- ]nachricht|ursprüngliche nachricht|message d’origine|message d'origine|mensaje original|messaggio originale|forwarded message|weitergeleitete nachricht|oorspronkelijk bericht)[ \t]*-{2,}[ \t]*$/iu;
const SIGNATURE = /^--[ \t]*$/;
/** A signature after a bare “--” that is longer than this many lines is taken for text. */
const LONGEST_SIGNATURE = 12;
const RULE = /^[ \t]*[_=*~-]{8,}[ \t]*$/;
const OF_A_LIST =
  /\b(?:mailing[- ]list|list[- ]?info|unsubscribe|subscription|abbestellen|abmelden|désabonner|désinscrire|darse de baja|list archives?|you (?:have )?received this|sent to you because)\b/iu;
/** Lines at a mail’s end within which a list’s footer stands. */
const FOOTER_LINES = 16;

function linesOf(text: string): Line[] {
  const lines: Line[] = [];
  for (let start = 0; start < text.length;) {
    const found = text.indexOf('\n', start);
    const end = found < 0 ? text.length : found + 1;
    lines.push({ start, end, text: text.slice(start, end).replace(/\r?\n$/, '') });
    start = end;
  }
  return lines;
}

/** Lines of a head that are looked at; those of a quoted message are fewer. */
const MOST_HEAD_LINES = 2000;
const MOST_QUOTED_HEAD_LINES = 30;

/** Lines of a block of header fields that begins at a line, or 0 where none does. */
function headLines(lines: readonly Line[], from: number, most = MOST_HEAD_LINES): number {
  let at = from;
  if (/^From \S/.test(lines[at]?.text ?? '')) at++;
  let hasFrom = false;
  let telling = 0;
  let fields = 0;
  for (; at < lines.length && at < from + most; at++) {
    const { text } = lines[at];
    if (fields > 0 && /^[ \t]+\S/.test(text)) continue;
    const name = FIELD.exec(text)?.[1].toLowerCase();
    if (name === undefined) break;
    fields++;
    if (name === 'from') hasFrom = true;
    if (TELLING_FIELDS.has(name)) telling++;
  }
  const ends = at >= lines.length || lines[at].text.trim() === '';
  return ends && hasFrom && telling >= 2 ? at - from : 0;
}

/** First line of the footer a mailing list adds, at or above `end`; `end` where there is none. */
function footerStart(lines: readonly Line[], end: number): number {
  const from = Math.max(0, end - FOOTER_LINES);
  const isListed = (first: number): boolean =>
    lines.slice(first, end).some(({ text }) => OF_A_LIST.test(text));
  for (let at = from; at < end; at++) if (RULE.test(lines[at].text) && isListed(at + 1)) return at;
  // Without a rule, only the last paragraph can be one.
  let first = end;
  while (first > from && lines[first - 1].text.trim() !== '') first--;
  return first > 0 && first < end && isListed(first) ? first : end;
}

/**
 * The parts of a mail that are not its own words: header fields at its top, replies it quotes, the signature
 * (after “-- ”, RFC 3676 section 4.3), and a mailing list’s footer. In order, not overlapping.
 */
export function mailParts(text: string): MailPart[] {
  const lines = linesOf(text);
  const parts: MailPart[] = [];
  const add = (kind: MailPartKind, first: number, end: number): void => {
    if (end > first) parts.push({ kind, start: lines[first].start, end: lines[end - 1].end });
  };
  const head = headLines(lines, 0);
  add('headers', 0, head);
  let end = lines.length;
  while (end > head && lines[end - 1].text.trim() === '') end--;
  const footer = Math.max(head, footerStart(lines, end));
  const signature = signatureStart(lines, head, footer);
  for (let at = head; at < signature; at++) {
    const rest =
      ORIGINAL.test(lines[at].text) ||
      (at > head && /^From:/i.test(lines[at].text) && headLines(lines, at, MOST_QUOTED_HEAD_LINES) > 1);
    if (rest) {
      add('quoted', at, signature);
      break;
    }
    if (!QUOTED.test(lines[at].text)) continue;
    const first = attributionStart(lines, head, at);
    while (at < signature && (QUOTED.test(lines[at].text) || isBetweenQuoted(lines, at, signature))) at++;
    add('quoted', first, at);
  }
  add('signature', signature, footer);
  add('footer', footer, end);
  return parts;
}

/** An empty line with quoted ones on both sides. */
function isBetweenQuoted(lines: readonly Line[], at: number, end: number): boolean {
  return lines[at].text.trim() === '' && at + 1 < end && QUOTED.test(lines[at + 1].text);
}

/** First of the lines that say whom the quoted lines from `at` on are from: a sentence that ends above them. */
function attributionStart(lines: readonly Line[], head: number, at: number): number {
  let above = at;
  while (above > head && above > at - 2 && lines[above - 1].text.trim() === '') above--;
  for (let first = above - 1; first >= head && first >= above - 3; first--) {
    if (lines[first].text.trim() === '') break;
    const said = lines
      .slice(first, above)
      .map((line) => line.text.trim())
      .join(' ');
    // Broken over lines, the sentence begins at the one with a capital or a digit.
    if (ATTRIBUTION.test(said) && /^[\p{Lu}\p{N}"“]/u.test(said)) return first;
  }
  return at;
}

function signatureStart(lines: readonly Line[], head: number, end: number): number {
  for (let at = end - 1; at >= head; at--) {
    if (!SIGNATURE.test(lines[at].text)) continue;
    const filled = lines.slice(at + 1, end).filter(({ text }) => text.trim() !== '').length;
    return lines[at].text === '-- ' || filled <= LONGEST_SIGNATURE ? at : end;
  }
  return end;
}

/** Some kinds of parts of a mail as pieces to cut. */
export function mailPieces(text: string, kinds: readonly MailPartKind[]): Piece[] {
  return tidyPieces(
    mailParts(text)
      .filter(({ kind }) => kinds.includes(kind))
      .map(({ start, end }): Piece => [start, end]),
    text.length,
  );
}

/** Whether a text’s first lines are those of a mailbox or of a mail that was saved whole. */
export function looksLikeMail(head: string): 'mail' | 'mailbox' | undefined {
  if (/^From \S[^\n]*\d\d:\d\d[^\n]*\n[A-Za-z][A-Za-z0-9-]*:/.test(head)) return 'mailbox';
  const top = /^(?:[A-Za-z][A-Za-z0-9-]*:[^\n]*\n(?:[ \t]+[^\n]*\n)*){3,}/.exec(
    head.replace(/\r\n/g, '\n'),
  )?.[0];
  // Only a message that went over a wire carries these.
  return top !== undefined && /^From:/im.test(top) && /^(?:Message-ID|MIME-Version|Received):/im.test(top)
    ? 'mail'
    : undefined;
}

/** What a mail’s head says, in the words of the attributes it becomes; empty where there is no head. */
export function headFields(text: string): Readonly<Record<string, string>> {
  const lines = linesOf(text.slice(0, 64 * 1024));
  const count = headLines(lines, 0);
  const fields = new Map<string, string>();
  let last = '';
  for (const { text: line } of lines.slice(0, count)) {
    const name = FIELD.exec(line)?.[1].toLowerCase();
    if (name === undefined) {
      if (last !== '') fields.set(last, `${fields.get(last) ?? ''} ${line.trim()}`);
      continue;
    }
    last = fields.has(name) ? '' : name;
    if (last !== '') fields.set(name, line.slice(line.indexOf(':') + 1).trim());
  }
  return Object.fromEntries(fields);
}

const REPLY_MARKS =
  /^(\[[^\]]{1,60}\][ \t]*)?(?:(?:re|aw|fwd?|wg|sv|vs|tr|rv|antw)(?:\[\d+\])?[ \t]*:[ \t]*)+/iu;

/** A subject without what replying and passing on put before it; a list’s mark in brackets stays. */
export function bareSubject(subject: string): string {
  return subject.trim().replace(REPLY_MARKS, '$1').replace(REPLY_MARKS, '$1').trim();
}
