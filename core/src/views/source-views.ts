import { findDate } from '../text/dates.ts';
import { findDuplicates } from '../text/duplicates.ts';
import { findBoundaries } from '../text/boundaries.ts';
import { otherPieces, tidyPieces, turnsOf, type Piece } from '../text/reading-part.ts';
import { splitText, type Section } from '../text/splitting.ts';
import { repeatedLines, trimmedPieces } from '../text/trimming.ts';
import { wordsPerSource } from '../text/tokens.ts';
import { makePart } from '../intake/intake.ts';
import type { StudyInput } from '../engine/stage-inputs.ts';
import type { StudySource } from '../study/study.ts';
import { workingSources } from '../study/subset.ts';
import type { ViewMakers } from './view-context.ts';

/** Sections a preview lists; the count is of all. */
const LISTED_SECTIONS = 400;
/** Characters at a text's beginning in which its date is looked for: it stands in the head. */
const DATE_WITHIN = 3000;
const EXCERPT = 160;

const chosenSources = (study: StudyInput, ids: readonly string[]): StudySource[] => {
  const asked = new Set(ids);
  return study.state.sources.filter((source) => asked.has(source.id));
};

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

/** The views of Sources. */
export const SOURCE_VIEWS: ViewMakers<
  | 'sources'
  | 'speakers'
  | 'speakerParts'
  | 'splitParts'
  | 'languages'
  | 'duplicates'
  | 'split'
  | 'trim'
  | 'repeatedLines'
  | 'textDates'
> = {
  *sources(_, { engine, study }) {
    const tokens = yield* engine.compute('tokens', study);
    return {
      words: Array.from(wordsPerSource(tokens)),
      sentences: tokens.sentenceFirst.length - 1,
      differentWords: tokens.forms.length,
    };
  },

  *speakers(_, { engine, study }) {
    return { speakers: yield* engine.compute('speakers', study) };
  },

  *speakerParts({ sourceIds, labels }, { study, original }) {
    const parts = new Map<string, StudySource[]>();
    const main = new Map<string, string>();
    for (const [i, source] of chosenSources(study, sourceIds).entries()) {
      const text = original(source.id);
      const said = turnsBySpeaker(source, text, labels);
      if (said.length > 0) {
        const own = said.map(({ label, cuts }) =>
          makePart(
            source,
            `${source.name} – ${label}`,
            text,
            { start: 0, end: text.length },
            { ...source.attributes, speaker: label },
            cuts,
          ),
        );
        parts.set(source.id, own);
        const most = said.reduce((best, each) => (each.characters > best.characters ? each : best));
        main.set(source.id, most.label);
      }
      yield (i + 1) / sourceIds.length;
    }
    return { parts: Object.fromEntries(parts), main: Object.fromEntries(main) };
  },

  *languages(_, { engine, study }) {
    return yield* engine.compute('languages', study);
  },

  *duplicates(_, { study, original }) {
    const sources = workingSources(study.state);
    const pairs = yield* findDuplicates(sources.map((source) => original(source.id)));
    return { pairs: pairs.map(({ a, b, overlap }) => ({ a: sources[a].id, b: sources[b].id, overlap })) };
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

  *splitParts({ sourceIds, rule, attribute }, { study, original }) {
    const parts = new Map<string, StudySource[]>();
    for (const [i, source] of chosenSources(study, sourceIds).entries()) {
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
          return makePart(
            source,
            times === 1 ? given : `${given} (${times})`,
            text.slice(start, end),
            { start, end },
            attributes,
            tidyPieces(cuts, end - start),
          );
        });
        parts.set(source.id, own);
      }
      yield (i + 1) / sourceIds.length;
    }
    return { parts: Object.fromEntries(parts) };
  },

  *trim({ rule, sourceIds }, { study, original }) {
    const asked = new Set(sourceIds);
    const cuts = new Map<string, readonly Piece[]>();
    const rows: { id: string; characters: number; excerpt: string }[] = [];
    for (const [i, source] of study.state.sources.entries()) {
      if (!asked.has(source.id)) continue;
      const text = original(source.id);
      const pieces = trimmedPieces(text, rule);
      if (pieces.length > 0) {
        cuts.set(source.id, tidyPieces([...(source.cuts ?? []), ...pieces], text.length));
        const excerpt = pieces
          .slice(0, 6)
          .map(([start, end]) =>
            end - start <= 2 * EXCERPT
              ? text.slice(start, end)
              : `${text.slice(start, start + EXCERPT)} … ${text.slice(end - EXCERPT, end)}`,
          )
          .join(' ⁄ ');
        rows.push({
          id: source.id,
          characters: pieces.reduce((sum, [start, end]) => sum + end - start, 0),
          excerpt: excerpt.replace(/\s+/g, ' ').trim(),
        });
      }
      yield (i + 1) / study.state.sources.length;
    }
    return { cuts: Object.fromEntries(cuts), rows };
  },

  *repeatedLines(_, { study, original }) {
    yield 0;
    return { lines: repeatedLines(workingSources(study.state).map((source) => original(source.id))) };
  },

  *textDates(_, { study, original }) {
    const dates = new Map<string, { dmy: string; mdy: string }>();
    let ambiguous = 0;
    for (const source of workingSources(study.state)) {
      const head = original(source.id).slice(0, DATE_WITHIN);
      const dmy = findDate(head, 'dmy');
      const mdy = findDate(head, 'mdy');
      if (!dmy || !mdy) continue;
      dates.set(source.id, { dmy: dmy.date, mdy: mdy.date });
      if (dmy.ambiguous) ambiguous++;
      yield 0.5;
    }
    return { dates: Object.fromEntries(dates), ambiguous };
  },
};
