import { branchesOf } from '../reading/branches.ts';
import { orderOfLines } from '../reading/concordance.ts';
import {
  hitsIn,
  hitsOf,
  NO_HITS,
  passagesOfHits,
  sentenceAt,
  sourcesOfHits,
  type Hits,
} from '../reading/hits.ts';
import { findPassages, marksInSource, type Mark, type Passage } from '../reading/passages.ts';
import { type Tokens } from '../text/tokens.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { passagesCsv, passagesDocx } from './passage-files.ts';
import { partAround } from './part-around.ts';
import { type StudySource } from '../study/study.ts';
import { workingSources } from '../study/subset.ts';
import type { ViewContext, ViewMakers } from './view-context.ts';
import type { ConcordanceLine, MarkRow, PassageOrder, PassageRow, PassagesView } from './view-types.ts';
import {
  hitsOfSelection,
  queryWithin,
  resolveSelection,
  sentencesOf,
  sourcesWithin,
  type Resolved,
} from './resolve-selection.ts';
import { ownValue } from '../base/records.ts';

/** The views that show the original words behind a selection. */
export const READING_VIEWS: ViewMakers<
  'passages' | 'passagesFile' | 'source' | 'concordance' | 'dispersion' | 'branches'
> = {
  *passages({ selection, within, order, limit }, context) {
    const { engine, study, original } = context;
    const tokens = yield* engine.compute('tokens', study);
    const concepts = yield* engine.compute('concepts', study);
    const counts = yield* engine.compute('counts', study);
    const windows = yield* engine.compute('windows', study);
    const resolved = yield* resolveSelection(selection, context);
    const sources = workingSources(study.state);
    const meant = within && sourcesWithin(sources, within);
    if (resolved.hits) {
      const hits = meant ? hitsIn(tokens, resolved.hits, (source) => meant.has(source)) : resolved.hits;
      return yield* passagesOfPlaces({ ...resolved, hits }, order ?? 'text', limit, context);
    }
    const { title } = resolved;
    const query = meant ? queryWithin(resolved.query, meant) : resolved.query;
    const found = findPassages(tokens, concepts, counts, windows, query, {
      limit,
      order: order ?? (query.kind === 'theme' ? 'marks' : 'text'),
    });
    const asRows = yield* markRows(context);
    const asked = new Set(query.concepts);
    const mentions = hitsOf(
      concepts.occurrence,
      concepts.occurrenceFirst,
      concepts.occurrenceEnd,
      (concept) => asked.has(concept),
    );
    const isMeant = query.sources;
    return {
      title,
      unit: 'window',
      ...(resolved.fault === undefined ? {} : { fault: resolved.fault }),
      mentions: (isMeant ? hitsIn(tokens, mentions, (source) => isMeant.has(source)) : mentions).first.length,
      windows: found.windows,
      total: found.total,
      sources: found.sources,
      perSource: Array.from(found.windowsPerSource),
      rows: found.passages.map((passage) => passageRow(passage, sources, original, asRows(passage.marks))),
    };
  },

  *passagesFile({ selection, within, order, as }, context) {
    const { title, rows } = yield* READING_VIEWS.passages(
      { selection, within, order, limit: MOST_SAVED },
      context,
    );
    const sources = workingSources(context.study.state);
    return { bytes: as === 'csv' ? passagesCsv(rows, sources) : passagesDocx(title, rows, sources) };
  },

  *source({ sourceId, selection, at }, context) {
    const { engine, study, original } = context;
    const number = workingSources(study.state).findIndex((source) => source.id === sourceId);
    if (!study.state.sources.some((source) => source.id === sourceId)) {
      return { text: '', start: 0, total: 0, marks: [] };
    }
    const whole = original(sourceId);
    let marks: MarkRow[] = [];
    // A source outside the subset can be read, but nothing is counted in it.
    if (selection && number >= 0) {
      const tokens = yield* engine.compute('tokens', study);
      const concepts = yield* engine.compute('concepts', study);
      const { query, hits } = yield* resolveSelection(selection, context);
      const asRows = yield* markRows(context);
      marks = hits
        ? marksOfHits(
            tokens,
            hitsIn(tokens, hits, (source) => source === number),
          )
        : asRows(marksInSource(tokens, concepts, number, new Set(query.concepts)));
    }
    const { start, end } = partAround(whole, at >= 0 ? at : (marks[0]?.start ?? 0));
    return {
      text: whole.slice(start, end),
      start,
      total: whole.length,
      marks: marks.filter((mark) => mark.start >= start && mark.end <= end),
    };
  },

  *concordance({ selection, order, context: reach, limit, group }, context) {
    const { engine, study, original } = context;
    const tokens = yield* engine.compute('tokens', study);
    const { title, hits: all, fault } = yield* hitsOfSelection(selection, context);
    const sources = workingSources(study.state);
    const isMeant = (source: number): boolean =>
      group === null || (ownValue(sources[source].attributes, group.attribute) ?? '').trim() === group.value;
    const hits = group === null ? all : hitsIn(tokens, all, isMeant);
    const lines: ConcordanceLine[] = [];
    for (const line of orderOfLines(tokens, hits, order).subarray(0, limit)) {
      const { id } = sources[tokens.sentenceSource[sentenceAt(tokens, hits.first[line])]];
      const text = original(id);
      const start = tokens.start[hits.first[line]];
      const end = tokens.end[hits.end[line] - 1];
      lines.push({
        sourceId: id,
        start,
        end,
        left: oneLine(text.slice(Math.max(0, start - reach), start)),
        hit: text.slice(start, end),
        right: oneLine(text.slice(end, end + reach)),
      });
    }
    return { title, total: hits.first.length, lines, ...(fault === undefined ? {} : { fault }) };
  },

  *dispersion({ selections }, context) {
    const { engine, study } = context;
    const tokens = yield* engine.compute('tokens', study);
    const { keys } = yield* engine.compute('concepts', study);
    const { themeOf, themes } = yield* engine.compute('themes', study);
    const sources = workingSources(study.state);
    const words = Math.max(1, tokens.type.length);
    const rows = [];
    for (const selection of selections) {
      const { title, hits } = yield* hitsOfSelection(selection, context);
      const sourceOf = sourcesOfHits(tokens, hits);
      const perSource = new Int32Array(sources.length);
      for (const source of sourceOf) perSource[source]++;
      const concept = selection.kind === 'concept' ? keys.indexOf(selection.key) : -1;
      const letter =
        selection.kind === 'theme' || selection.kind === 'cell'
          ? selection.letter
          : concept >= 0 && themeOf[concept] >= 0
            ? themes[themeOf[concept]].letter
            : '';
      rows.push({
        title,
        letter,
        total: hits.first.length,
        places: Array.from(evenly(hits.first.length, MOST_TICKS), (i) => ({
          at: hits.first[i] / words,
          sourceId: sources[sourceOf[i]].id,
          start: tokens.start[hits.first[i]],
        })),
        perSource: Array.from(perSource),
      });
    }
    const sourceStarts = sources.map((_, source) => tokens.sentenceFirst[tokens.sourceFirst[source]] / words);
    return { rows, sourceStarts };
  },

  *branches({ selection, direction, path }, context) {
    const tokens = yield* context.engine.compute('tokens', context.study);
    const { title, hits } = yield* hitsOfSelection(selection, context);
    return { title, ...branchesOf(tokens, hits, sentencesOf(tokens), direction, path) };
  },
};

/** The most passages of a file. */
const MOST_SAVED = 100_000;

/** Ticks drawn of one row; of more, as many are taken evenly. */
const MOST_TICKS = 1500;

function* evenly(count: number, most: number): Generator<number> {
  const shown = Math.min(count, most);
  for (let i = 0; i < shown; i++) yield Math.floor((i * count) / shown);
}

const oneLine = (text: string): string => text.replace(/\s+/g, ' ');

function marksOfHits(tokens: Tokens, hits: Hits): MarkRow[] {
  return Array.from(hits.first, (first, i) => ({
    start: tokens.start[first],
    end: tokens.end[hits.end[i] - 1],
    key: '',
    letter: '',
  }));
}

/** A passage as it is shown, in the original words. */
function passageRow(
  { source, paragraph, start, end, windows, shortened }: Passage,
  sources: readonly StudySource[],
  original: (id: string) => string,
  marks: readonly MarkRow[],
): PassageRow {
  const { id } = sources[source];
  const text = original(id).slice(start, end);
  return { sourceId: id, paragraph, start, end, text, marks, windows, shortened };
}

function* passagesOfPlaces(
  { title, hits = NO_HITS, fault }: Resolved,
  order: PassageOrder,
  limit: number,
  { engine, study, original }: ViewContext,
): Stepwise<PassagesView> {
  const tokens = yield* engine.compute('tokens', study);
  const sources = workingSources(study.state);
  const { passages, total } = passagesOfHits(tokens, hits, limit, order);
  const perSource = new Int32Array(sources.length);
  for (const source of sourcesOfHits(tokens, hits)) perSource[source]++;
  return {
    title,
    unit: 'place',
    ...(fault === undefined ? {} : { fault }),
    windows: hits.first.length,
    mentions: hits.first.length,
    total,
    sources: perSource.filter((count) => count > 0).length,
    perSource: Array.from(perSource),
    rows: passages.map((passage) =>
      passageRow(
        passage,
        sources,
        original,
        passage.marks.map(({ start, end }) => ({ start, end, key: '', letter: '' })),
      ),
    ),
  };
}

/** Turns marks by concept number into marks by key, with the letter of their theme. */
function* markRows({ engine, study }: ViewContext): Stepwise<(marks: readonly Mark[]) => MarkRow[]> {
  const { keys } = yield* engine.compute('concepts', study);
  const { themeOf, themes } = yield* engine.compute('themes', study);
  return (marks) =>
    marks.map(({ start, end, concept }) => ({
      start,
      end,
      key: keys[concept],
      letter: themeOf[concept] < 0 ? '' : themes[themeOf[concept]].letter,
    }));
}
