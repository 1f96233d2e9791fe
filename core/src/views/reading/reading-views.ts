import { branchesOf, openBranches } from '../../reading/branches.ts';
import { orderOfLines } from '../../reading/concordance.ts';
import {
  hitsAsShown,
  hitsIn,
  hitsOf,
  NO_HITS,
  passagesOfHits,
  sourcesOfHits,
  type Hits,
} from '../../reading/hits.ts';
import { findPassages, marksInSource, type Mark, type Passage } from '../../reading/passages.ts';
import { sentenceAt, wordsPerSource, type Tokens } from '../../text/tokens.ts';
import type { Stepwise } from '../../base/stepwise.ts';
import { passagesCsv, passagesDocx, renamedPassages, renamedSources } from './passage-files.ts';
import { renamerOf } from '../../study/pseudonyms.ts';
import { partAround } from './part-around.ts';
import { namesOutside, type StudyState } from '../../study/study.ts';
import { inShownOrder, shownSources } from '../../study/subset.ts';
import { reads, type ContextOf, type View, type ViewContext, type ViewMakers } from '../view.ts';
import { functionWordsOf } from '../../concepts/stop-words.ts';
import { idsOf, stretchSettings } from '../../engine/stage-keys.ts';
import { mentionsThatCount } from '../../network/stretches.ts';
import { groupValues } from '../../study/groups.ts';
import type { LineOrder } from '../../reading/concordance.ts';
import type { CleanedFileView } from '../sources/collection-view-types.ts';
import type {
  BranchesView,
  ConcordanceLine,
  ConcordanceView,
  DispersionView,
  Group,
  MarkRow,
  PassageOrder,
  PassageRow,
  PassagesQuestion,
  PassagesView,
  Selection,
  SourceView,
} from './reading-view-types.ts';
import {
  hitsOfSelection,
  queryWithin,
  readForSelections,
  resolveSelection,
  SELECTION_STAGES,
  sentencesOf,
  sourcesWithin,
  type Resolved,
} from './resolve-selection.ts';

/** The views that show the original words behind a selection. */
export interface ReadingViews {
  passages: View<PassagesQuestion & { readonly limit: number }, PassagesView>;
  passagesFile: View<PassagesQuestion & { readonly as: 'csv' | 'docx' }, CleanedFileView>;
  source: View<
    { readonly sourceId: string; readonly selection: Selection | null; readonly at: number },
    SourceView
  >;
  concordance: View<
    {
      readonly selection: Selection;
      readonly order: LineOrder;
      /** Characters of context on each side. */
      readonly context: number;
      readonly limit: number;
      /** Only lines of sources with this value of an attribute. */
      readonly group: Group | null;
    },
    ConcordanceView
  >;
  dispersion: View<{ readonly selections: readonly Selection[] }, DispersionView>;
  branches: View<
    {
      readonly selection: Selection;
      readonly direction: 'after' | 'before';
      readonly path: readonly string[];
      /** Lines there is room for, so that branches are open from the start; 0 for none. */
      readonly lines: number;
    },
    BranchesView
  >;
}
type Asked<V extends keyof ReadingViews> = ReadingViews[V]['question'];

/** A selection in all sources. */
const everywhere = (state: StudyState, { selection }: { readonly selection: Selection }) =>
  readForSelections(state, [selection]);

export const READING_KEYS = {
  passages: reads(
    [...SELECTION_STAGES, 'counts', 'windows', 'stretches'],
    (state, { selection, within }: Asked<'passages'>) => ({
      ...readForSelections(state, [selection], within),
      stretching: stretchSettings(state),
    }),
  ),
  passagesFile: reads(
    [...SELECTION_STAGES, 'counts', 'windows', 'stretches'],
    (state, { selection, within }: Asked<'passagesFile'>) => ({
      ...readForSelections(state, [selection], within),
      stretching: stretchSettings(state),
      sources: shownSources(state),
      names: namesOutside(state),
    }),
  ),
  source: reads(SELECTION_STAGES, (state, { sourceId, selection }: Asked<'source'>) => ({
    ...readForSelections(state, selection ? [selection] : []),
    isThere: idsOf(state.sources).includes(sourceId),
  })),
  concordance: reads(SELECTION_STAGES, (state, { selection, group }: Asked<'concordance'>) => ({
    ...everywhere(state, { selection }),
    groupValues: group && groupValues(state, group.attribute),
  })),
  dispersion: reads(SELECTION_STAGES, (state, { selections }: Asked<'dispersion'>) =>
    readForSelections(state, selections),
  ),
  branches: reads([...SELECTION_STAGES, 'wordLanguages'], (state, asked: Asked<'branches'>) =>
    everywhere(state, asked),
  ),
};

export const READING_VIEWS: ViewMakers<ReadingViews, typeof READING_KEYS> = {
  *passages({ selection, within, order, limit }, context) {
    const { take, own, original } = context;
    const tokens = yield* take('tokens');
    const concepts = yield* take('concepts');
    const resolved = yield* resolveSelection(selection, context);
    const meant = within && sourcesWithin(own, within);
    if (resolved.hits) {
      const inAll = hitsAsShown(tokens, resolved.hits, own.ranks);
      const hits = meant ? hitsIn(tokens, inAll, (source) => meant.has(source)) : inAll;
      return yield* passagesOfPlaces({ ...resolved, hits }, order ?? 'text', limit, context);
    }
    const { title } = resolved;
    const query = meant ? queryWithin(resolved.query, meant) : resolved.query;
    // A theme is spoken to by stretches, whose number a mark at Compare is; what keeps company does so in windows.
    const ofTheme = query.kind !== 'concepts';
    const counts = ofTheme ? yield* take('spoken') : yield* take('counts');
    const windows = ofTheme ? yield* take('stretches') : yield* take('windows');
    const found = findPassages({ tokens, concepts, counts, windows }, query, {
      limit,
      ranks: own.ranks,
      order: order ?? (query.kind === 'theme' ? 'marks' : 'text'),
    });
    const asRows = yield* markRows(context);
    const asked = new Set(query.concepts);
    // What does not count for strength does not count here either.
    const said = ofTheme ? mentionsThatCount(concepts, tokens, own.stretching) : concepts;
    const { occurrence, occurrenceFirst, occurrenceEnd } = said;
    const mentions = hitsOf(occurrence, occurrenceFirst, occurrenceEnd, (concept) => asked.has(concept));
    const { toned } = resolved;
    const toneMarks = toned ? marksOfHits(tokens, toned) : [];
    const toneSources = toned ? sourcesOfHits(tokens, toned) : [];
    const marksIn = (passage: Passage): MarkRow[] =>
      toned
        ? toneMarks.filter(
            ({ start, end }, i) =>
              toneSources[i] === passage.source && start >= passage.start && end <= passage.end,
          )
        : asRows(passage.marks);
    const isMeant = query.sources;
    return {
      title,
      unit: ofTheme ? 'stretch' : 'window',
      ...(resolved.fault === undefined ? {} : { fault: resolved.fault }),
      mentions: (isMeant ? hitsIn(tokens, mentions, (source) => isMeant.has(source)) : mentions).first.length,
      windows: found.windows,
      total: found.total,
      sources: found.sources,
      perSource: Array.from(found.windowsPerSource),
      rows: found.passages.map((passage) => passageRow(passage, own.ids, original, marksIn(passage))),
    };
  },

  *passagesFile({ selection, within, order, as }, context) {
    const { title, rows } = yield* READING_VIEWS.passages(
      { selection, within, order, limit: MOST_SAVED },
      context,
    );
    const renamer = renamerOf(context.own.names);
    const passages = renamedPassages(rows, renamer);
    const sources = renamedSources(context.own.sources, renamer);
    return {
      bytes:
        as === 'csv'
          ? passagesCsv(passages, sources)
          : passagesDocx(renamer.renameAnyCase(title), passages, sources),
    };
  },

  *source({ sourceId, selection, at }, context) {
    const { take, own, original } = context;
    const number = own.ids.indexOf(sourceId);
    if (!own.isThere) return { text: '', start: 0, total: 0, marks: [] };
    const whole = original(sourceId);
    let marks: MarkRow[] = [];
    // A source outside the subset can be read, but nothing is counted in it.
    if (selection && number >= 0) {
      const tokens = yield* take('tokens');
      const concepts = yield* take('concepts');
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
    const { take, own, original } = context;
    const tokens = yield* take('tokens');
    const { title, hits: found, fault } = yield* hitsOfSelection(selection, context);
    const all = hitsAsShown(tokens, found, own.ranks);
    const isMeant = (source: number): boolean => own.groupValues?.[source] === group?.value;
    const hits = group === null ? all : hitsIn(tokens, all, isMeant);
    const lines: ConcordanceLine[] = [];
    for (const line of orderOfLines(tokens, hits, order).subarray(0, limit)) {
      const id = own.ids[tokens.sentenceSource[sentenceAt(tokens, hits.first[line])]];
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
    const { take, own } = context;
    const tokens = yield* take('tokens');
    const { keys } = yield* take('concepts');
    const { themeOf, themes } = yield* take('themes');
    const words = Math.max(1, tokens.type.length);
    const firstToken = own.ids.map((_, source) => tokens.sentenceFirst[tokens.sourceFirst[source]]);
    const starts = startsAsShown(wordsPerSource(tokens), own.ranks);
    const rows = [];
    for (const selection of selections) {
      const { title, hits: found } = yield* hitsOfSelection(selection, context);
      const hits = hitsAsShown(tokens, found, own.ranks);
      const sourceOf = sourcesOfHits(tokens, hits);
      const perSource = new Int32Array(own.ids.length);
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
          at: (starts[sourceOf[i]] + hits.first[i] - firstToken[sourceOf[i]]) / words,
          sourceId: own.ids[sourceOf[i]],
          start: tokens.start[hits.first[i]],
        })),
        perSource: Array.from(perSource),
      });
    }
    return { rows, sourceStarts: inShownOrder(own.ranks).map((source) => starts[source] / words) };
  },

  *branches({ selection, direction, path, lines }, context) {
    const tokens = yield* context.take('tokens');
    const { title, hits } = yield* hitsOfSelection(selection, context);
    const { all } = yield* context.take('wordLanguages');
    const functionWords = new Set(all.flatMap((language) => [...functionWordsOf(language)]));
    const sentences = sentencesOf(tokens);
    const open = openBranches(path, lines, (along) =>
      branchesOf(tokens, hits, sentences, { direction, path: along, functionWords }),
    );
    return { title, ...open };
  },
};

/** Where each source begins, in words, where sources follow each other as they are shown. */
function startsAsShown(words: ArrayLike<number>, ranks: readonly number[]): number[] {
  const starts = new Array<number>(ranks.length);
  let at = 0;
  for (const source of inShownOrder(ranks)) {
    starts[source] = at;
    at += words[source];
  }
  return starts;
}

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
  ids: readonly string[],
  original: (id: string) => string,
  marks: readonly MarkRow[],
): PassageRow {
  const id = ids[source];
  const text = original(id).slice(start, end);
  return { sourceId: id, paragraph, start, end, text, marks, windows, shortened };
}

function* passagesOfPlaces(
  { title, hits = NO_HITS, fault }: Resolved,
  order: PassageOrder,
  limit: number,
  { take, own: { ids }, original }: ContextOf<typeof READING_KEYS.passages>,
): Stepwise<PassagesView> {
  const tokens = yield* take('tokens');
  const { passages, total } = passagesOfHits(tokens, hits, limit, order);
  const perSource = new Int32Array(ids.length);
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
        ids,
        original,
        passage.marks.map(({ start, end }) => ({ start, end, key: '', letter: '' })),
      ),
    ),
  };
}

/** Turns marks by concept number into marks by key, with the letter of their theme. */
function* markRows({
  take,
}: Pick<ViewContext<'concepts' | 'themes', unknown>, 'take'>): Stepwise<
  (marks: readonly Mark[]) => MarkRow[]
> {
  const { keys } = yield* take('concepts');
  const { themeOf, themes } = yield* take('themes');
  return (marks) =>
    marks.map(({ start, end, concept }) => ({
      start,
      end,
      key: keys[concept],
      letter: themeOf[concept] < 0 ? '' : themes[themeOf[concept]].letter,
    }));
}
