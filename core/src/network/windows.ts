import { Int32List } from '../base/int32-list.ts';
import { isInterviewer, type SpeakerRoles } from '../text/speakers.ts';
import type { Tokens } from '../text/tokens.ts';

/** What a window can be. */
interface WindowKind {
  /** In a list of choices. */
  readonly label: string;
  readonly one: string;
  readonly many: string;
  /** Whether windows are so many in a row and slide by one; else each is the whole of it. */
  readonly slides: boolean;
  /** How many in a row to begin with. */
  readonly usualSize: number;
  /** What a window never crosses; those that slide may be told to cross paragraphs. */
  readonly within: 'paragraph' | 'turn' | 'source';
}

/** Every kind of window that may be chosen. One more is one more record here. */
export const WINDOW_UNITS = {
  sentences: {
    label: 'some sentences in a row',
    one: 'sentence',
    many: 'sentences',
    slides: true,
    usualSize: 3,
    within: 'paragraph',
  },
  words: {
    label: 'some words in a row',
    one: 'word',
    many: 'words',
    slides: true,
    usualSize: 30,
    within: 'paragraph',
  },
  paragraph: {
    label: 'a paragraph',
    one: 'paragraph',
    many: 'paragraphs',
    slides: false,
    usualSize: 3,
    within: 'paragraph',
  },
  turn: {
    label: 'a turn of talk',
    one: 'turn',
    many: 'turns',
    slides: false,
    usualSize: 3,
    within: 'turn',
  },
  source: {
    label: 'a whole source',
    one: 'source',
    many: 'sources',
    slides: false,
    usualSize: 3,
    within: 'source',
  },
} as const satisfies Record<string, WindowKind>;

export type WindowUnit = keyof typeof WINDOW_UNITS;
export const WINDOW_UNIT_NAMES = Object.keys(WINDOW_UNITS) as readonly WindowUnit[];

export interface WindowSettings {
  readonly unit: WindowUnit;
  /** Sentences or words in a window; has no meaning for the other units. */
  readonly size: number;
  /** Whether a window of sentences or words may run on into the next paragraph (never turn or source). */
  readonly acrossParagraphs: boolean;
  /** Labels of speakers whose turns make no windows; none where it is left out. Of whole sources nobody can be left out so. */
  readonly without?: readonly string[];
  /** Whether sentences that many sources repeat stand in windows of sentences or words; left out until it was asked: they don't. */
  readonly repeated?: boolean;
  /** Whether what interviewers say makes windows, and who they are; everybody’s does where it is left out. */
  readonly heard?: { readonly interviewers: boolean; readonly roles: SpeakerRoles };
}

/** The windows of a collection, in the order of the text. */
export interface Windows {
  readonly count: number;
  /** First token of each window. */
  readonly first: Int32Array;
  /** One past the last token. */
  readonly end: Int32Array;
  readonly source: Int32Array;
  /** Who speaks in each window, by number, those of one person in a row; left out where each source is somebody else's. */
  readonly person?: Int32Array;
  /**
   * In how many windows a sentence (or word, as the unit is) stands on average: 1 for paragraphs, turns and sources,
   * nearly the size for sliding windows.
   */
  readonly overlap: number;
}

/** What windows hang together by: who speaks in them. */
export const voiceOf = ({ person, source }: Windows): Int32Array => person ?? source;

/**
 * Lays the windows. Those of sentences and words slide by one and never cross a paragraph (unless told to), a turn or
 * a source; a paragraph shorter than the size is one window.
 *
 * @param personOf number of who speaks in each source; null where each is somebody else's
 * @param isRepeated 1 for each sentence that many sources repeat (`repeatedSentences`); nothing is where it is left out
 */
export function layWindows(
  tokens: Tokens,
  settings: WindowSettings,
  personOf: readonly number[] | null = null,
  isRepeated?: Uint8Array,
): Windows {
  const first = new Int32List();
  const end = new Int32List();
  const source = new Int32List();
  const { sentenceFirst, sentenceSource, sentenceParagraph, sentenceTurn, sentenceSpeaker } = tokens;
  const without = new Set(settings.without);
  const { heard } = settings;
  const unheard = tokens.speakers.map(
    (label) =>
      without.has(label) || (heard !== undefined && !heard.interviewers && isInterviewer(label, heard.roles)),
  );
  const sentences = sentenceFirst.length - 1;
  const { slides, within } = WINDOW_UNITS[settings.unit];
  // A paragraph or a turn stays whole: what repeats in it stands among what does not.
  const isLeft = slides && settings.repeated !== true ? isRepeated : undefined;
  const size = Math.max(1, Math.floor(settings.size));
  const bound = slides && settings.acrossParagraphs ? 'turn' : within;
  const parted = (a: number, b: number): boolean => {
    if (sentenceSource[a] !== sentenceSource[b]) return true;
    if (isLeft && isLeft[a] !== isLeft[b]) return true;
    if (bound === 'source') return false;
    if (sentenceTurn[a] !== sentenceTurn[b]) return true;
    return bound === 'paragraph' && sentenceParagraph[a] !== sentenceParagraph[b];
  };
  let covered = 0;
  let units = 0;
  const add = (from: number, to: number, inSource: number): void => {
    first.push(from);
    end.push(to);
    source.push(inSource);
  };
  for (let block = 0; block < sentences;) {
    let stop = block + 1;
    while (stop < sentences && !parted(stop - 1, stop)) stop++;
    const inSource = sentenceSource[block];
    if (within !== 'source' && sentenceSpeaker[block] >= 0 && unheard[sentenceSpeaker[block]]) {
      block = stop;
      continue;
    }
    if (isLeft?.[block] === 1) {
      block = stop;
      continue;
    }
    if (settings.unit === 'sentences') {
      const span = Math.min(size, stop - block);
      for (let s = block; s + span <= stop; s++) add(sentenceFirst[s], sentenceFirst[s + span], inSource);
      covered += (stop - block - span + 1) * span;
      units += stop - block;
    } else if (settings.unit === 'words') {
      const from = sentenceFirst[block];
      const to = sentenceFirst[stop];
      const span = Math.min(size, to - from);
      for (let t = from; t + span <= to; t++) add(t, t + span, inSource);
      covered += (to - from - span + 1) * span;
      units += to - from;
    } else {
      add(sentenceFirst[block], sentenceFirst[stop], inSource);
      covered++;
      units++;
    }
    block = stop;
  }
  const inSources = source.done();
  return {
    count: first.length,
    first: first.done(),
    end: end.done(),
    source: inSources,
    ...(personOf === null ? {} : { person: inSources.map((s) => personOf[s]) }),
    overlap: units === 0 ? 1 : covered / units,
  };
}
