import { counted } from '../../base/wording.ts';
import { readDate, type DateOrder } from '../../text/dates.ts';
import { baseName, type FileContent } from './read-result.ts';

/** One message of a chat. */
interface Message {
  readonly day: string;
  readonly time: string;
  readonly who: string;
  text: string;
}

/** Day, time and the rest of a line that begins a message, in the notations chat programs write. */
const DAY = '\\d{1,4}[-/.]\\d{1,2}[-/.]\\d{1,4}\\.?';
const CLOCK = '(\\d{1,2}[:.]\\d{2}(?:[:.]\\d{2})?)(?:[\\s\\u202f]?([ap])\\.?m\\.?)?';
const STAMP = new RegExp(
  `^[\\u200e\\u200f]?(?:\\[(?:(${DAY})[,T]?\\s+)?${CLOCK}\\]|(?:(${DAY})[,T]?\\s+)${CLOCK}(?:\\s+[-–—]|:|\\s*\\|)?)\\s+(.*)$`,
  'iu',
);
/** Who writes, before a colon, or in angle brackets. */
const WRITER = /^(?:([^:<>]{1,60}):|<([^>]{1,60})>)(?:\s+|$)([\s\S]*)$/u;
const FEWEST_MESSAGES = 4;
/** Share of the lines that are filled, of a text’s first ones, that must begin a message. */
const ENOUGH = 0.4;
const LINES_LOOKED_AT = 200;
/** What stands where a picture or a recording was. */
const LEFT_OUT = /^[\u200e\u200f]?(?:<[^<>]{3,60}>|[^\n]{0,40}\bomitted)$/iu;

interface Stamp {
  readonly day: string;
  readonly time: string;
  readonly rest: string;
}

function stampOf(line: string): Stamp | undefined {
  const match = STAMP.exec(line);
  if (!match) return undefined;
  const [, day1 = '', clock1, half1, day2 = '', clock2, half2, rest] = match;
  const [hours, minutes] = (clock1 ?? clock2).split(/[:.]/);
  const half = (half1 ?? half2 ?? '').toLowerCase();
  const hour = half === '' ? Number(hours) : (Number(hours) % 12) + (half === 'p' ? 12 : 0);
  return { day: day1 || day2, time: `${String(hour).padStart(2, '0')}:${minutes}`, rest };
}

/** Whether a text is a chat: its lines begin with a time and somebody’s name. */
export function looksLikeChat(text: string): boolean {
  const lines = text
    .slice(0, 40_000)
    .split('\n')
    .filter((line) => line.trim() !== '')
    .slice(0, LINES_LOOKED_AT);
  const writers = new Map<string, number>();
  let messages = 0;
  for (const line of lines) {
    const stamp = stampOf(line);
    const writer = WRITER.exec(stamp?.rest ?? '');
    // A time without a day is a transcript's, which is read as it stands.
    if (!writer || (stamp?.day === '' && writer[2] === undefined)) continue;
    messages++;
    const who = writer[1] ?? writer[2];
    writers.set(who, (writers.get(who) ?? 0) + 1);
  }
  const comesBack = [...writers.values()].some((count) => count > 1);
  return messages >= FEWEST_MESSAGES && messages >= ENOUGH * lines.length && comesBack;
}

/** Day or month first: as the days that leave no doubt have it; day first where none does. */
function orderOf(days: readonly string[]): DateOrder {
  for (const day of days) {
    const [first, second] = day.split(/[-/.]/).map(Number);
    if (first > 12 && first <= 31) return 'dmy';
    if (second > 12 && first <= 12) return 'mdy';
  }
  return 'dmy';
}

/** Names as turns can be labelled with: up to three words, a capital first; who has no such name is called by a number. */
function labelsOf(messages: readonly Message[]): Map<string, string> {
  const labels = new Map<string, string>();
  const used = new Set<string>();
  for (const { who } of messages) {
    if (labels.has(who)) continue;
    const words = who.match(/[\p{L}\p{N}][\p{L}\p{N}.'’-]*/gu) ?? [];
    const name = words.slice(0, 3).join(' ');
    const given = /^\p{L}/u.test(name) ? name.charAt(0).toUpperCase() + name.slice(1) : '';
    const label = /^\p{Lu}/u.test(given) && !used.has(given) ? given : `Person ${labels.size + 1}`;
    used.add(label);
    labels.set(who, label);
  }
  return labels;
}

/** Reads a chat: each message is a turn that begins with its day and time, `[2031-05-12 22:14] Anna: …`. */
export function readChat(name: string, text: string): FileContent {
  const messages: Message[] = [];
  let notices = 0;
  let isNotice = false;
  for (const line of text.split('\n')) {
    const stamp = stampOf(line);
    if (!stamp) {
      const last = messages.at(-1);
      if (!isNotice && last) last.text += `\n${line}`;
      continue;
    }
    const writer = WRITER.exec(stamp.rest);
    isNotice = writer === null;
    if (!writer) notices++;
    else
      messages.push({
        day: stamp.day,
        time: stamp.time,
        who: (writer[1] ?? writer[2]).trim(),
        text: writer[3],
      });
  }
  const said = messages.filter(
    (message) => message.text.trim() !== '' && !LEFT_OUT.test(message.text.trim()),
  );
  const order = orderOf(messages.map(({ day }) => day));
  const labels = labelsOf(said);
  const dayOf = (day: string): string => readDate(day.replace(/\.$/, ''), order)?.date ?? day;
  const turns = said.map(({ day, time, who, text: words }) => {
    const stamp = [dayOf(day), time].filter(Boolean).join(' ');
    return `[${stamp}] ${labels.get(who) ?? who}: ${words.trim()}`;
  });
  const first = dayOf(said[0]?.day ?? '');
  const notes = [
    messages.length > said.length &&
      `${counted(messages.length - said.length, 'message')} without words left out`,
    notices > 0 && `${counted(notices, 'notice')} of the program left out`,
  ].filter((each) => each !== false);
  return {
    kind: 'texts',
    texts: [
      { name, text: `${turns.join('\n\n')}\n`, ...(first === '' ? {} : { attributes: { date: first } }) },
    ],
    note: [
      `${baseName(name)} was read as a chat: ${counted(said.length, 'message')} of ${counted(labels.size, 'writer')}`,
      ...notes,
    ]
      .join('; ')
      .concat('.'),
  };
}
