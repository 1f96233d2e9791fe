import { alongPath, branchesOf } from '../reading/branches.ts';
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
import {
  findPassages,
  marksInSource,
  type Mark,
  type Passage,
  type PassageQuery,
} from '../reading/passages.ts';
import { nearHits } from '../reading/near.ts';
import { findHits, readQuery, SearchError } from '../reading/search.ts';
import { sentenceOfTokens, type Tokens } from '../text/tokens.ts';
import type { Stepwise } from '../numeric/stepwise.ts';
import { passagesCsv, passagesDocx } from './passage-files.ts';
import { partAround } from './part-around.ts';
import { conceptLabels, fewestInWindow, languageOf } from './stages.ts';
import { groupsOf, type StudySource } from './study.ts';
import { workingSources } from './subset.ts';
import type { ViewContext, ViewMakers } from './view-context.ts';
import type {
  ConcordanceLine,
  FollowingSelection,
  MarkRow,
  PassageOrder,
  PassageRow,
  PassagesView,
  Selection,
  Within,
} from './view-types.ts';

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
      group === null || (sources[source].attributes[group.attribute] ?? '').trim() === group.value;
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

const sentencesOfTokens = new WeakMap<Tokens, Int32Array>();
function sentencesOf(tokens: Tokens): Int32Array {
  let sentences = sentencesOfTokens.get(tokens);
  if (!sentences) sentencesOfTokens.set(tokens, (sentences = sentenceOfTokens(tokens)));
  return sentences;
}

/** What a selection asks for: windows of chosen concepts, or places of words. */
interface Resolved {
  readonly title: string;
  readonly query: PassageQuery;
  readonly hits?: Hits;
  readonly fault?: string;
}

const NOTHING: PassageQuery = { kind: 'concepts', concepts: [] };

function* searched(typed: string, { engine, study, lexicon }: ViewContext): Stepwise<Resolved> {
  const tokens = yield* engine.compute('tokens', study);
  const terms = yield* engine.compute('terms', study);
  const languages = yield* engine.compute('languages', study);
  const title = /^["“„]/.test(typed) ? typed : `“${typed}”`;
  try {
    const isEnglish = languageOf(study.state, languages) === 'en';
    const hits = findHits(
      readQuery(typed),
      tokens,
      terms,
      sentencesOf(tokens),
      isEnglish ? lexicon() : undefined,
    );
    return { title, query: NOTHING, hits };
  } catch (error) {
    if (error instanceof SearchError) return { title, query: NOTHING, hits: NO_HITS, fault: error.message };
    throw error;
  }
}

/** The mentions of a selection that some words follow, with those words. */
function* following({ of, direction, words }: FollowingSelection, context: ViewContext): Stepwise<Resolved> {
  const tokens = yield* context.engine.compute('tokens', context.study);
  const { title, hits } = yield* hitsOfSelection(of, context);
  const along = alongPath(tokens, hits, sentencesOf(tokens), direction, words);
  const more = words.length;
  return {
    title:
      direction === 'after'
        ? `${title} … ${words.join(' ')}`
        : `${[...words].reverse().join(' ')} … ${title}`,
    query: NOTHING,
    hits: {
      first: Int32Array.from(along, (i) => hits.first[i] - (direction === 'before' ? more : 0)),
      end: Int32Array.from(along, (i) => hits.end[i] + (direction === 'after' ? more : 0)),
    },
  };
}

/** The places of a candidate that is no chosen concept. */
function* unchosen(key: string, { engine, study }: ViewContext): Stepwise<Resolved> {
  const candidates = yield* engine.compute('candidates', study);
  const asked = candidates.keys.indexOf(key);
  const { occurrence, occurrenceFirst, occurrenceEnd } = candidates;
  const hits = hitsOf(occurrence, occurrenceFirst, occurrenceEnd, (candidate) => candidate === asked);
  return { title: study.state.conceptLabels[key] ?? key, query: NOTHING, hits };
}

/** Every mention a selection stands for: of its concepts, in the sources it names, or of what was searched for. */
function* hitsOfSelection(
  selection: Selection,
  context: ViewContext,
): Stepwise<{ title: string; hits: Hits; fault?: string }> {
  const { title, query, hits, fault } = yield* resolveSelection(selection, context);
  if (hits) return { title, hits, ...(fault === undefined ? {} : { fault }) };
  const { engine, study } = context;
  const concepts = yield* engine.compute('concepts', study);
  const tokens = yield* engine.compute('tokens', study);
  const asked = new Set(query.concepts);
  const all = hitsOf(concepts.occurrence, concepts.occurrenceFirst, concepts.occurrenceEnd, (concept) =>
    asked.has(concept),
  );
  const meant = query.sources;
  return { title, hits: meant ? hitsIn(tokens, all, (source) => meant.has(source)) : all };
}

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

const HOW_WORDS = { all: ' and ', any: ' or ', near: ' near ' } as const;

/** Several concepts together; for windows with all of them each must be a kept one, since windows are counted for those. */
function* several(
  { keys: asked, how }: Extract<Selection, { kind: 'several' }>,
  { engine, study }: ViewContext,
): Stepwise<Resolved> {
  const concepts = yield* engine.compute('concepts', study);
  const labels = conceptLabels(study.state, asked);
  const numbers = asked.map((key) => concepts.keys.indexOf(key));
  const title = labels.join(HOW_WORDS[how]);
  const missing = labels.filter((_, i) => numbers[i] < 0);
  if (missing.length > 0 && how !== 'all') {
    // Places need no windows, so candidates that are not kept are read all the same.
    const candidates = yield* engine.compute('candidates', study);
    const wanted = new Set(asked.map((key) => candidates.keys.indexOf(key)));
    if (!wanted.has(-1)) {
      const { occurrence, occurrenceFirst, occurrenceEnd } = candidates;
      if (how === 'any') {
        const hits = hitsOf(occurrence, occurrenceFirst, occurrenceEnd, (each) => wanted.has(each));
        return { title, query: NOTHING, hits };
      }
      const tokens = yield* engine.compute('tokens', study);
      return { title, query: NOTHING, hits: nearHits(tokens, sentencesOf(tokens), candidates, wanted) };
    }
  }
  if (missing.length > 0) {
    const fault = `${missing.join(', ')} ${missing.length === 1 ? 'is no kept concept' : 'are no kept concepts'}; keep ${missing.length === 1 ? 'it' : 'them'} at Concepts to read several together.`;
    return { title, query: NOTHING, fault };
  }
  if (how !== 'near') return { title, query: { kind: 'concepts', concepts: numbers, any: how === 'any' } };
  const tokens = yield* engine.compute('tokens', study);
  return { title, query: NOTHING, hits: nearHits(tokens, sentencesOf(tokens), concepts, new Set(numbers)) };
}

/** Numbers of the sources that are meant. */
function sourcesWithin(sources: readonly StudySource[], within: Within): Set<number> {
  const isMeant = (source: StudySource): boolean =>
    'sourceId' in within
      ? source.id === within.sourceId
      : (source.attributes[within.attribute] ?? '').trim() === within.value;
  return new Set(sources.flatMap((source, i) => (isMeant(source) ? [i] : [])));
}

function queryWithin(query: PassageQuery, meant: ReadonlySet<number>): PassageQuery {
  const held = query.sources;
  return { ...query, sources: held ? new Set([...held].filter((source) => meant.has(source))) : meant };
}

/** What a selection asks of the passages; one that is gone from the study asks for nothing. */
function* resolveSelection(selection: Selection, context: ViewContext): Stepwise<Resolved> {
  if (selection.kind === 'search') return yield* searched(selection.query, context);
  if (selection.kind === 'following') return yield* following(selection, context);
  const { engine, study } = context;
  const { keys } = yield* engine.compute('concepts', study);
  const labels = conceptLabels(study.state, keys);
  const nothing: PassageQuery = { kind: 'concepts', concepts: [] };
  if (selection.kind === 'several') return yield* several(selection, context);
  if (selection.kind === 'concept' || selection.kind === 'link') {
    const asked = selection.kind === 'concept' ? [selection.key] : selection.keys;
    const concepts = asked.map((key) => keys.indexOf(key));
    if (selection.kind === 'concept' && concepts[0] < 0) return yield* unchosen(selection.key, context);
    const title = asked.map((key, i) => (concepts[i] < 0 ? key : labels[concepts[i]])).join(' — ');
    return { title, query: concepts.includes(-1) ? nothing : { kind: 'concepts', concepts } };
  }
  const { themes } = yield* engine.compute('themes', study);
  const theme = themes.find(({ letter }) => letter === selection.letter);
  if (!theme) return { title: selection.letter, query: nothing };
  const query = { kind: 'theme', concepts: theme.concepts, fewest: fewestInWindow(study.state) } as const;
  const title = `${theme.letter} ${theme.label}`;
  if (selection.kind === 'theme') return { title, query };
  const { names, groupOf } = groupsOf(workingSources(study.state), selection.attribute);
  const group = names.indexOf(selection.group);
  const sources = new Set(Array.from(groupOf.keys()).filter((s) => group >= 0 && groupOf[s] === group));
  return { title: `${title} · ${selection.group}`, query: { ...query, sources } };
}
