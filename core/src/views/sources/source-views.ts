import { findDate } from '../../text/dates.ts';
import { findDuplicates } from '../../text/look-alikes/duplicates.ts';
import { findBoundaries } from '../../text/boundaries.ts';
import { otherPieces, tidyPieces, turnsOf, type Piece } from '../../text/reading-part.ts';
import { splitText, type Section } from '../../text/splitting.ts';
import { isInterviewer, type SpeakerRoles } from '../../text/speakers.ts';
import { wordsPerSource, type Tokens } from '../../text/tokens.ts';
import { makePart } from '../../intake/sources.ts';
import { guessPersons, type GuessedPersons } from '../../study/persons.ts';
import type { StudySource } from '../../study/study.ts';
import { workingSources } from '../../study/subset.ts';
import type { SplitRule } from '../../text/splitting.ts';
import { chosenSources, workedWith } from './chosen-sources.ts';
import { nothing, reads, type View, type ViewMakers } from '../view.ts';
import type {
  DuplicatesView,
  LanguagesView,
  SourcesView,
  SpeakerPartsView,
  SpeakersView,
  SplitView,
  TextDatesView,
} from './collection-view-types.ts';

/** Sections a preview lists; the count is of all. */
const LISTED_SECTIONS = 400;
/** Characters at a text's beginning in which its date is looked for: it stands in the head. */
const DATE_WITHIN = 3000;

/** Of each speaker asked for who speaks in a source: what of it is not theirs, and how much is. */
function turnsBySpeaker(
  source: StudySource,
  text: string,
  labels: readonly string[],
): { label: string; cuts: Piece[]; characters: number }[] {
  const bounds = findBoundaries(text);
  const here = new Set(bounds.speakers);
  return labels
    .filter((label) => here.has(label))
    .map((label) => {
      const turns = turnsOf(bounds, text.length, (speaker) => speaker === label);
      return {
        label,
        cuts: tidyPieces([...(source.cuts ?? []), ...otherPieces(turns, text.length)], text.length),
        characters: turns.reduce((sum, [start, end]) => sum + end - start, 0),
      };
    });
}

/** Who says most in each source, interviewers aside; undefined where no speaker is marked. */
function mainSpeakers(tokens: Tokens, roles: SpeakerRoles): (string | undefined)[] {
  const { sourceFirst, sentenceFirst, sentenceSpeaker, speakers } = tokens;
  return Array.from({ length: sourceFirst.length - 1 }, (_, s) => {
    const words = new Map<number, number>();
    for (let i = sourceFirst[s]; i < sourceFirst[s + 1]; i++) {
      const speaker = sentenceSpeaker[i];
      if (speaker < 0 || isInterviewer(speakers[speaker], roles)) continue;
      words.set(speaker, (words.get(speaker) ?? 0) + sentenceFirst[i + 1] - sentenceFirst[i]);
    }
    const [most] = [...words].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
    return most && speakers[most[0]];
  });
}

/** The views of Sources. */
export interface SourceViews {
  sources: View<null, SourcesView>;
  speakers: View<null, SpeakersView>;
  /** A source for each of some speakers, in each of some sources. */
  speakerParts: View<
    { readonly sourceIds: readonly string[]; readonly labels: readonly string[] },
    SpeakerPartsView
  >;
  /** Who may speak in several sources, as it looks. */
  guessedPersons: View<null, { readonly guess: GuessedPersons | undefined }>;
  languages: View<null, LanguagesView>;
  duplicates: View<null, DuplicatesView>;
  split: View<{ readonly sourceId: string; readonly rule: SplitRule }, SplitView>;
  /** The sections a rule makes of each of some sources, as sources; `attribute` is given the whole's name. */
  splitParts: View<
    { readonly sourceIds: readonly string[]; readonly rule: SplitRule; readonly attribute: string },
    { readonly parts: Readonly<Record<string, readonly StudySource[]>> }
  >;
  textDates: View<null, TextDatesView>;
}

export const SOURCE_KEYS = {
  sources: reads(['tokens'], nothing),
  speakers: reads(['speakers'], nothing),
  speakerParts: reads([], chosenSources),
  guessedPersons: reads(['tokens'], (state) => ({
    sources: workingSources(state),
    roles: state.settings.speakers.roles,
  })),
  languages: reads(['languages'], nothing),
  duplicates: reads([], workedWith),
  split: reads([], nothing),
  splitParts: reads([], chosenSources),
  textDates: reads([], workedWith),
};

export const SOURCE_VIEWS: ViewMakers<SourceViews, typeof SOURCE_KEYS> = {
  *sources(_, { take }) {
    const tokens = yield* take('tokens');
    return {
      words: Array.from(wordsPerSource(tokens)),
      sentences: tokens.sentenceFirst.length - 1,
      differentWords: tokens.forms.length,
    };
  },

  *speakers(_, { take }) {
    return { speakers: yield* take('speakers') };
  },

  *speakerParts({ labels }, { own: { sources }, original }) {
    const parts = new Map<string, StudySource[]>();
    const main = new Map<string, string>();
    for (const [i, source] of sources.entries()) {
      const text = original(source.id);
      const said = turnsBySpeaker(source, text, labels);
      if (said.length > 0) {
        const own = said.map(({ label, cuts }) =>
          makePart(source, {
            name: `${source.name} – ${label}`,
            text,
            place: { start: 0, end: text.length },
            attributes: { ...source.attributes, speaker: label },
            cuts,
          }),
        );
        parts.set(source.id, own);
        const most = said.reduce((best, each) => (each.characters > best.characters ? each : best));
        main.set(source.id, most.label);
      }
      yield (i + 1) / sources.length;
    }
    return { parts: Object.fromEntries(parts), main: Object.fromEntries(main) };
  },

  *guessedPersons(_, { take, own: { sources, roles } }) {
    return { guess: guessPersons(sources, mainSpeakers(yield* take('tokens'), roles)) };
  },

  *languages(_, { take }) {
    return yield* take('languages');
  },

  *duplicates(_, { own: { ids }, original }) {
    const pairs = yield* findDuplicates(ids.map(original));
    return { pairs: pairs.map(({ a, b, overlap }) => ({ a: ids[a], b: ids[b], overlap })) };
  },

  *split({ sourceId, rule }, { original }) {
    yield 0;
    let sections: Section[];
    try {
      sections = splitText(original(sourceId), rule);
    } catch (error) {
      const fault = error instanceof Error ? error.message : String(error);
      return { sections: [], total: 0, droppedBefore: 0, fault };
    }
    return {
      sections: sections.slice(0, LISTED_SECTIONS),
      total: sections.length,
      droppedBefore: sections[0]?.start ?? 0,
    };
  },

  *splitParts({ rule, attribute }, { own: { sources }, original }) {
    const parts = new Map<string, StudySource[]>();
    for (const [i, source] of sources.entries()) {
      const text = original(source.id);
      const sections = splitText(text, rule);
      if (sections.length > 1 || sections[0]?.start > 0) {
        const attributes = {
          ...source.attributes,
          ...(attribute === '' ? {} : { [attribute]: source.name }),
        };
        const used = new Map<string, number>();
        const own = sections.map(({ name, start, end }) => {
          const given = `${source.name}: ${name}`;
          const times = (used.get(given) ?? 0) + 1;
          used.set(given, times);
          const cuts = (source.cuts ?? []).map(([from, to]): Piece => [from - start, to - start]);
          return makePart(source, {
            name: times === 1 ? given : `${given} (${times})`,
            text: text.slice(start, end),
            place: { start, end },
            attributes,
            cuts: tidyPieces(cuts, end - start),
          });
        });
        parts.set(source.id, own);
      }
      yield (i + 1) / sources.length;
    }
    return { parts: Object.fromEntries(parts) };
  },

  *textDates(_, { own: { ids }, original }) {
    const dates = new Map<string, { dmy: string; mdy: string }>();
    let ambiguous = 0;
    for (const id of ids) {
      const head = original(id).slice(0, DATE_WITHIN);
      const dmy = findDate(head, 'dmy');
      const mdy = findDate(head, 'mdy');
      if (!dmy || !mdy) continue;
      dates.set(id, { dmy: dmy.date, mdy: mdy.date });
      if (dmy.ambiguous) ambiguous++;
      yield 0.5;
    }
    return { dates: Object.fromEntries(dates), ambiguous };
  },
};
