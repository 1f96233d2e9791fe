import { decodeHTML } from 'entities';
import { refused, type FileContent } from './read-result.ts';

interface Cue {
  readonly start: number;
  readonly end: number;
  readonly speaker: string;
  readonly text: string;
}

const TIMES =
  /^\s*(?:(\d{1,3}):)?(\d{1,2}):(\d{2})[.,](\d{1,3})\s*-->\s*(?:(\d{1,3}):)?(\d{1,2}):(\d{2})[.,](\d{1,3})/;
/** A silence longer than this, in seconds, begins a new turn where nobody is named. */
const SILENCE = 2.5;
/** A turn without a name is not longer than this, in characters, so that it stays readable. */
const LONGEST_UNNAMED = 700;

function seconds(hours: string | undefined, minutes: string, whole: string, part: string): number {
  return (
    Number(hours ?? 0) * 3600 + Number(minutes) * 60 + Number(whole) + Number(part.padEnd(3, '0')) / 1000
  );
}

/** The cues of a WebVTT (W3C) or SubRip text; notes, styles and regions are passed over. */
function cuesOf(text: string): Cue[] {
  const cues: Cue[] = [];
  for (const block of text.split(/\n[ \t]*\n/)) {
    const lines = block.split('\n');
    const at = lines.findIndex((line) => TIMES.test(line));
    if (at < 0) continue;
    const match = TIMES.exec(lines[at]);
    if (!match) continue;
    const said = lines.slice(at + 1).join('\n');
    const start = seconds(match[1], match[2], match[3], match[4]);
    const end = seconds(match[5], match[6], match[7], match[8]);
    // A cue may hold several voices; each is a cue of its own.
    const voices = said.split(/(?=<v[ .])/);
    for (const voice of voices) {
      const named = /^<v[^\s>]*\s+([^>]+)>/.exec(voice);
      const plain = decodeHTML(voice.replace(/<[^>]*>|\{\\[^}]*\}/g, ''))
        .replace(/\s+/g, ' ')
        .replace(/^\s*[-–—]\s+/, '')
        .trim();
      if (plain === '') continue;
      const prefix = named
        ? undefined
        : /^(\p{Lu}[\p{L}\p{N}.'’-]*(?: [\p{L}\p{N}][\p{L}\p{N}.'’-]*){0,2}) ?: (?=\S)/u.exec(plain);
      cues.push({
        start,
        end,
        speaker: named ? decodeHTML(named[1]).trim() : (prefix?.[1] ?? ''),
        text: prefix ? plain.slice(prefix[0].length) : plain,
      });
    }
  }
  return cues;
}

function clock(time: number): string {
  const two = (value: number): string => String(Math.floor(value)).padStart(2, '0');
  return `${two(time / 3600)}:${two((time / 60) % 60)}:${two(time % 60)}`;
}

/** Reads subtitles: cues of one speaker in a row make a turn, which begins with its time: `[00:01:12] Driver: …`. */
export function readSubtitles(name: string, text: string): FileContent {
  const cues = cuesOf(text);
  if (cues.length === 0) return refused('No cue with times and words was found in it.');
  const turns: { start: number; end: number; speaker: string; texts: string[]; size: number }[] = [];
  for (const cue of cues) {
    const last = turns[turns.length - 1];
    const goesOn =
      last !== undefined &&
      cue.speaker === last.speaker &&
      (cue.speaker !== '' || (cue.start - last.end < SILENCE && last.size < LONGEST_UNNAMED));
    if (goesOn) {
      last.texts.push(cue.text);
      last.end = cue.end;
      last.size += cue.text.length;
    } else {
      turns.push({ ...cue, texts: [cue.text], size: cue.text.length });
    }
  }
  const lines = turns.map(
    ({ start, speaker, texts }) =>
      `[${clock(start)}] ${speaker === '' ? '' : `${speaker}: `}${texts.join(' ')}`,
  );
  return { kind: 'texts', texts: [{ name, text: `${lines.join('\n\n')}\n` }] };
}
