import { findDate } from '../text/dates.ts';
import { findDuplicates } from '../text/duplicates.ts';
import { tidyPieces } from '../text/reading-part.ts';
import { findSpeakers } from '../text/speakers.ts';
import { splitText, type Section } from '../text/splitting.ts';
import { repeatedLines, trimmedPieces } from '../text/trimming.ts';
import { wordsPerSource } from '../text/tokens.ts';
import { workingSources } from './subset.ts';
import type { ViewMakers } from './view-context.ts';

/** Sections a preview lists; the count is of all. */
const LISTED_SECTIONS = 400;
/** Characters at a text's beginning in which its date is looked for: it stands in the head. */
const DATE_WITHIN = 3000;
const EXCERPT = 160;

/** The views of Sources. */
export const SOURCE_VIEWS: ViewMakers<
  'sources' | 'speakers' | 'languages' | 'duplicates' | 'split' | 'trim' | 'repeatedLines' | 'textDates'
> = {
  *sources(_, { engine, study }) {
    const tokens = yield* engine.compute('tokens', study);
    return {
      words: Array.from(wordsPerSource(tokens)),
      sentences: tokens.sentenceFirst.length - 1,
      differentWords: tokens.forms.length,
    };
  },

  // Every source is read, those outside the subset too: speakers are left out of all of them.
  *speakers(_, { study, original }) {
    return { speakers: yield* findSpeakers(study.state.sources.map((source) => original(source.id))) };
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

  *trim({ rule, sourceIds }, { study, original }) {
    const asked = new Set(sourceIds);
    const cuts: Record<string, readonly (readonly [number, number])[]> = {};
    const rows: { id: string; characters: number; excerpt: string }[] = [];
    for (const [i, source] of study.state.sources.entries()) {
      if (!asked.has(source.id)) continue;
      const text = original(source.id);
      const pieces = trimmedPieces(text, rule);
      if (pieces.length > 0) {
        cuts[source.id] = tidyPieces([...(source.cuts ?? []), ...pieces], text.length);
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
    return { cuts, rows };
  },

  *repeatedLines(_, { study, original }) {
    yield 0;
    return { lines: repeatedLines(workingSources(study.state).map((source) => original(source.id))) };
  },

  *textDates(_, { study, original }) {
    const dates: Record<string, { dmy: string; mdy: string }> = {};
    let ambiguous = 0;
    for (const source of workingSources(study.state)) {
      const head = original(source.id).slice(0, DATE_WITHIN);
      const dmy = findDate(head, 'dmy');
      const mdy = findDate(head, 'mdy');
      if (!dmy || !mdy) continue;
      dates[source.id] = { dmy: dmy.date, mdy: mdy.date };
      if (dmy.ambiguous) ambiguous++;
      yield 0.5;
    }
    return { dates, ambiguous };
  },
};
