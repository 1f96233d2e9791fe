import { NO_TIME } from '../../base/no-time.ts';
import { strToU8, zipSync } from 'fflate';
import { writeCsv } from '../../formats/csv.ts';
import { stopLayers, stopForm } from '../../concepts/stop-words.ts';
import { byCodeUnits } from '../../base/order.ts';
import { findBoundaries } from '../../text/boundaries.ts';
import { cleaningMarks, cleanText, type CleaningMark } from '../../text/cleaning/cleaning.ts';
import { findOrderNotes, reportSteps } from '../../text/cleaning/cleaning-report.ts';
import { cleanPlaces, type LayeredText } from '../../text/offsets.ts';
import { readPart, tidyPieces, unreadPieces, type Piece, type SourceText } from '../../text/reading-part.ts';
import { findRemains } from '../../text/cleaning/remains.ts';
import { scanTokens } from '../../text/scan.ts';
import {
  CLEANING_KINDS,
  newStep,
  stepDescription,
  stepText,
  withStep,
  type CleaningStep,
} from '../../text/cleaning/steps.ts';
import { partAround } from '../reading/part-around.ts';
import { lexiconOf, textsOf } from '../../engine/resources.ts';
import { idsOf, knownTextsOf, type KnownText } from '../../engine/stage-keys.ts';
import { attributeNames } from '../../study/groups.ts';
import { namesOutside, type StudyState } from '../../study/study.ts';
import type { Recipe } from '../../study/recipe.ts';
import { inShownOrder, shownRanks, shownSources, workingSources } from '../../study/subset.ts';
import { renamerOf } from '../../study/pseudonyms.ts';
import { renamedSources } from '../reading/passage-files.ts';
import { reads, type View, type ViewMakers } from '../view.ts';
import type {
  CleanedFileView,
  CleaningFiguresView,
  CleaningOrderView,
  CleaningStepsView,
  CleaningView,
  CleanLine,
  RecipeReportView,
  RemainsView,
  TextPlace,
  WordFigures,
} from '../sources/collection-view-types.ts';
import { ownValue } from '../../base/records.ts';

/** Words shown side by side before and after cleaning; the bars show the first twenty of them. */
const TOP_WORDS = 60;
/** Places of a word that can be gone through one by one. */
const SHOWN_PLACES = 200;

/** How texts are cleaned: the steps, and whose turns are not read. */
const cleaningOf = ({ settings }: StudyState) => ({
  steps: settings.cleaning.steps,
  leftOut: settings.speakers.leftOut,
});
type Cleaning = ReturnType<typeof cleaningOf>;

/** Characters round a shown part that are cleaned with it. */
const MARGIN = 4000;
/** Characters shown of a source at once: with a mark at every capital, more would be slow to draw. */
const SHOWN_TEXT = 16_000;
const NO_BOUNDARIES = findBoundaries('');

/** The cleaned text of a source as it is read: without what is cut and whoever is left out. */
function layerOf(source: SourceText, { steps, leftOut }: Cleaning): LayeredText {
  const part = readPart(source, findBoundaries(source.original), new Set(leftOut));
  return cleanText(source.original, steps, part);
}

function figuresOf(counts: ReadonlyMap<string, number>): WordFigures {
  let words = 0;
  for (const count of counts.values()) words += count;
  const top = [...counts]
    .sort((a, b) => b[1] - a[1] || byCodeUnits(a[0], b[0]))
    .slice(0, TOP_WORDS)
    .map(([word, count]) => ({ word, count }));
  return { words, different: counts.size, top };
}

/** The views of Clean. */
export interface CleaningViews {
  cleaning: View<{ readonly sourceId: string; readonly at: number }, CleaningView>;
  /** `offers` asks for the steps that could be added too. */
  cleaningSteps: View<{ readonly offers: boolean }, CleaningStepsView>;
  cleaningOrder: View<null, CleaningOrderView>;
  /** Where a word stands, as it came or as it is once the text is clean. */
  wordPlaces: View<
    { readonly word: string; readonly cleaned: boolean },
    { readonly places: readonly TextPlace[] }
  >;
  remains: View<null, RemainsView>;
  cleaningFigures: View<null, CleaningFiguresView>;
  cleanedFile: View<{ readonly as: 'zip' | 'csv' }, CleanedFileView>;
  recipeReport: View<{ readonly recipe: Recipe }, RecipeReportView>;
}

export const CLEANING_KEYS = {
  cleaning: reads([], (state, { sourceId }: CleaningViews['cleaning']['question']) => ({
    text: knownTextsOf(state.sources).find(({ id }) => id === sourceId),
    ...cleaningOf(state),
  })),
  cleaningSteps: reads(['tokens'], (state) => ({
    texts: knownTextsOf(workingSources(state)),
    ...cleaningOf(state),
  })),
  cleaningOrder: reads([], (state) => ({
    texts: knownTextsOf(workingSources(state)),
    steps: state.settings.cleaning.steps,
  })),
  wordPlaces: reads(['tokens'], (state) => ({
    ids: idsOf(workingSources(state)),
    ranks: shownRanks(state),
  })),
  remains: reads(['tokens', 'wordLanguages'], (state) => ({
    texts: knownTextsOf(workingSources(state)),
    ...cleaningOf(state),
  })),
  cleaningFigures: reads(['tokens'], (state) => ({ ids: idsOf(workingSources(state)) })),
  cleanedFile: reads([], (state) => ({
    sources: shownSources(state),
    names: namesOutside(state),
    ...cleaningOf(state),
  })),
  recipeReport: reads(['speakers', 'tokens', 'candidates', 'wordLanguages'], (state) => ({
    texts: knownTextsOf(workingSources(state)),
  })),
};

export const CLEANING_VIEWS: ViewMakers<CleaningViews, typeof CLEANING_KEYS> = {
  *cleaning({ sourceId, at }, { own: { text: known, steps, leftOut }, original }) {
    if (!known) return { text: '', start: 0, total: 0, marks: [], lines: [] };
    yield 0;
    const whole = original(sourceId);
    const { start, end } = partAround(whole, at, SHOWN_TEXT);
    const text: SourceText = { original: whole, cuts: known.cuts ?? [] };
    const unread = unreadPieces(text, () => findBoundaries(whole), new Set(leftOut));
    // Only what is shown is cleaned, and a little round it, so that what stands at its edge is what it is in the whole.
    const near = { start: Math.max(0, start - MARGIN), end: Math.min(whole.length, end + MARGIN) };
    const part = whole.slice(near.start, near.end);
    const cuts = tidyPieces(
      unread.map(([from, to]): Piece => [from - near.start, to - near.start]),
      part.length,
    );
    const layer = readPart({ original: part, cuts }, NO_BOUNDARIES, new Set());
    const moved = (mark: CleaningMark): CleaningMark => ({
      ...mark,
      start: mark.start + near.start,
      end: mark.end + near.start,
    });
    const cut = cuts.map(([from, to]): CleaningMark => ({
      step: 'cut',
      start: from,
      end: to,
      replacement: '',
    }));
    const marks = [...cleaningMarks(part, steps, layer, whole), ...cut]
      .map(moved)
      .filter((mark) => mark.end > start && mark.start < end)
      .sort((a, b) => a.start - b.start || a.end - b.end);
    const clean = cleanText(part, steps, layer, whole);
    const lines = cleanLines(part, start - near.start, end - near.start, near.start, clean);
    return { text: whole.slice(start, end), start, total: whole.length, marks, lines };
  },

  *cleaningSteps({ offers }, { take, own: { texts, steps, leftOut }, original }) {
    const tokens = yield* take('tokens');
    const offered = (offers ? CLEANING_KINDS : [])
      .filter((kind) => !stepDescription(kind).repeatable && !steps.some((step) => step.kind === kind))
      .map((kind) => newStep(kind, steps));
    // An offer is reported on where it would stand, switched off, so that it changes nothing for those after it.
    const all = offered.reduce<readonly CleaningStep[]>(
      (list, step) => withStep(list, { ...step, on: false }),
      steps,
    );
    const report = yield* reportSteps(textsOf(texts, original), all, new Set(leftOut));
    const own = new Set(steps.map((step) => step.id));
    return {
      steps: report.filter(({ id }) => own.has(id)),
      offers: offered.flatMap((step) => {
        const found = report.find(({ id }) => id === step.id);
        return found ? [{ ...found, step }] : [];
      }),
      words: tokens.type.length,
    };
  },

  *wordPlaces({ word, cleaned }, { take, own: { ids, ranks }, original }) {
    const places: TextPlace[] = [];
    const order = inShownOrder(ranks);
    if (cleaned) {
      const tokens = yield* take('tokens');
      const type = tokens.forms.indexOf(word);
      for (const source of type < 0 ? [] : order) {
        const end = tokens.sentenceFirst[tokens.sourceFirst[source + 1]];
        for (let t = tokens.sentenceFirst[tokens.sourceFirst[source]]; t < end; t++) {
          if (tokens.type[t] !== type) continue;
          places.push({ sourceId: ids[source], start: tokens.start[t], end: tokens.end[t] });
          if (places.length === SHOWN_PLACES) return { places };
        }
      }
      return { places };
    }
    for (const [i, source] of order.entries()) {
      const id = ids[source];
      const text = original(id);
      scanTokens(text, (start, end) => {
        const isIt = end - start === word.length && text.startsWith(word, start);
        if (isIt && places.length < SHOWN_PLACES) places.push({ sourceId: id, start, end });
      });
      if (places.length === SHOWN_PLACES) break;
      yield (i + 1) / ids.length;
    }
    return { places };
  },

  *cleaningOrder(_, { own: { texts, steps }, original }) {
    return {
      notes: yield* findOrderNotes(textsOf(texts, original), steps),
    };
  },

  *remains(_, { take, own, original, words }) {
    const tokens = yield* take('tokens');
    const lexicon = yield* lexiconOf((yield* take('wordLanguages')).read, words);
    const layers = layersOf(own.texts, own, original);
    const remains = yield* findRemains(layers, tokens, lexicon);
    return {
      remains: remains.map((remain) => ({
        ...remain,
        places: remain.places.map(({ source, start, end }) => ({
          sourceId: own.texts[source].id,
          start,
          end,
        })),
      })),
    };
  },

  *cleaningFigures(_, { take, own: { ids }, original }) {
    const tokens = yield* take('tokens');
    const before = new Map<string, number>();
    for (const [i, id] of ids.entries()) {
      const text = original(id);
      scanTokens(text, (start, end) => {
        const word = text.slice(start, end);
        before.set(word, (before.get(word) ?? 0) + 1);
      });
      yield (i + 1) / ids.length;
    }
    const after = new Map(tokens.forms.map((form, type) => [form, tokens.mentionsOf[type]]));
    return { before: figuresOf(before), after: figuresOf(after) };
  },

  *cleanedFile({ as }, { own, original }) {
    const renamer = renamerOf(own.names);
    const sources = renamedSources(own.sources, renamer);
    const texts: string[] = [];
    for (const layer of layersOf(knownTextsOf(own.sources), own, original)) {
      // Cleaning may have made small letters of names.
      texts.push(renamer.renameAnyCase(layer.text));
      yield texts.length / sources.length;
    }
    if (as === 'csv') {
      const attributes = attributeNames(sources);
      const rows = sources.map((source, i) => [
        source.name,
        ...attributes.map((name) => ownValue(source.attributes, name) ?? ''),
        texts[i],
      ]);
      return { bytes: strToU8(writeCsv(['source', ...attributes, 'text'], rows)) };
    }
    const used = new Set<string>();
    const entries = new Map<string, Uint8Array>();
    sources.forEach((source, i) => {
      const stem = source.name
        .replace(/[\\/:*?"<>|\u0000-\u001f]+/g, '_')
        .replace(/\.txt$/i, '')
        .slice(0, 120);
      let name = `${stem}.txt`;
      for (let n = 2; used.has(name.toLowerCase()); n++) name = `${stem} (${n}).txt`;
      used.add(name.toLowerCase());
      entries.set(name, strToU8(texts[i]));
    });
    // A fixed date, the first a ZIP can have, so that no clock gets into the bytes.
    return { bytes: zipSync(Object.fromEntries(entries), { level: 6, mtime: NO_TIME }) };
  },

  *recipeReport({ recipe }, { take, own: { texts }, original }) {
    const idle: string[] = [];
    const { settings, stopWords, merges, dropped, kept } = recipe;
    const steps = settings.cleaning.steps.filter((step) => step.on);
    const report = yield* reportSteps(textsOf(texts, original), steps, new Set(settings.speakers.leftOut));
    report.forEach(({ places, fault }, i) => {
      if (places === 0)
        idle.push(
          `${stepDescription(steps[i].kind).name}: ${fault ?? `“${stepText(steps[i])}” finds nothing here.`}`,
        );
    });
    const speakers = yield* take('speakers');
    const absent = settings.speakers.leftOut.filter(
      (label) => !speakers.some((each) => each.label === label),
    );
    if (absent.length > 0) idle.push(`Nobody here is called ${absent.join(', ')}, who is left out.`);
    const tokens = yield* take('tokens');
    const used = new Set(tokens.forms.map(stopForm));
    const unused = stopWords.filter((word) => !used.has(stopForm(word)));
    if (unused.length > 0) idle.push(named(unused, 'stop word', 'does not occur here', 'do not occur here'));
    const candidates = yield* take('candidates');
    const keys = new Set(candidates.keys);
    for (const variants of candidates.variants) for (const { key } of variants) keys.add(key);
    const lists = [
      [Object.keys(merges), 'merged word'],
      [kept, 'always-kept concept'],
      [dropped, 'dropped concept'],
    ] as const;
    for (const [list, one] of lists) {
      const missing = list.filter((key) => !keys.has(key));
      if (missing.length > 0) idle.push(named(missing, one, 'does not occur here', 'do not occur here'));
    }
    const listed = new Set(
      (yield* take('wordLanguages')).all.flatMap((language) =>
        stopLayers(language).flatMap(({ words }) => words),
      ),
    );
    const already = stopWords.filter(
      (word) => settings.concepts.listedStopWords && listed.has(stopForm(word)),
    );
    if (already.length > 0)
      idle.push(
        named(already, 'stop word', 'is on the published list anyway', 'are on the published list anyway'),
      );
    return { idle };
  },
};

function named(words: readonly string[], one: string, does: string, they: string): string {
  const few = words.slice(0, 8).join(', ');
  const more = words.length > 8 ? ` and ${words.length - 8} more` : '';
  return words.length === 1
    ? `The ${one} ${few} ${does}.`
    : `${words.length} ${one.replace(/^(\w+)/, '$1')}s ${they}: ${few}${more}.`;
}

function* layersOf(
  texts: readonly KnownText[],
  cleaning: Cleaning,
  original: (id: string) => string,
): Generator<LayeredText> {
  for (const source of textsOf(texts, original)) yield layerOf(source, cleaning);
}

/** The lines of a stretch of a part of an original, which begins at `shift`, with what is left of each. */
function cleanLines(
  part: string,
  start: number,
  end: number,
  shift: number,
  layer: LayeredText,
): CleanLine[] {
  const placeOf = cleanPlaces(layer);
  const lines: CleanLine[] = [];
  let cleanFrom = placeOf(start);
  for (let at = start; at < end;) {
    const found = part.indexOf('\n', at);
    const next = found < 0 || found >= end ? end : found + 1;
    const cleanTo = placeOf(next);
    const clean = layer.text.slice(cleanFrom, cleanTo).replace(/\n$/, '');
    lines.push({ start: at + shift, end: next + shift, clean });
    cleanFrom = cleanTo;
    at = next;
  }
  return lines;
}
