import { strToU8, zipSync } from 'fflate';
import { writeCsv } from '../formats/csv.ts';
import { stopLayers, stopForm } from '../concepts/stop-words.ts';
import { byCodeUnits } from '../base/order.ts';
import { findBoundaries } from '../text/boundaries.ts';
import { cleaningMarks, cleanText, type CleaningMark } from '../text/cleaning.ts';
import { findOrderNotes, reportSteps } from '../text/cleaning-report.ts';
import { cleanPlaces, type LayeredText } from '../text/offsets.ts';
import { readPart, tidyPieces, unreadPieces, type Piece, type SourceText } from '../text/reading-part.ts';
import { findRemains } from '../text/remains.ts';
import { scanTokens } from '../text/scan.ts';
import { CLEANING_KINDS, newStep, REPEATABLE, withStep, type CleaningStep } from '../text/steps.ts';
import { partAround } from './part-around.ts';
import { STEP_KINDS, stepText } from '../words/step-texts.ts';
import { languageOf, textsOf, type StudyInput } from '../engine/stage-inputs.ts';
import { attributeNames } from '../study/groups.ts';
import type { StudyState } from '../study/study.ts';
import { workingSources } from '../study/subset.ts';
import type { ViewMakers } from './view-context.ts';
import type { CleanLine, TextPlace, WordFigures } from './view-types.ts';
import { ownValue } from '../base/records.ts';

/** Words shown side by side before and after cleaning; the bars show the first twenty of them. */
const TOP_WORDS = 60;
/** Places of a word that can be gone through one by one. */
const SHOWN_PLACES = 200;

const leftOutOf = (state: StudyState): Set<string> => new Set(state.settings.speakers.leftOut);

/** Characters round a shown part that are cleaned with it. */
const MARGIN = 4000;
/** Characters shown of a source at once: with a mark at every capital, more would be slow to draw. */
const SHOWN_TEXT = 16_000;
const NO_BOUNDARIES = findBoundaries('');

/** The cleaned text of a source as it is read: without what is cut and whoever is left out. */
function layerOf(source: SourceText, state: StudyState): LayeredText {
  const part = readPart(source, findBoundaries(source.original), leftOutOf(state));
  return cleanText(source.original, state.settings.cleaning.steps, part);
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
export const CLEANING_VIEWS: ViewMakers<
  | 'cleaning'
  | 'cleaningSteps'
  | 'cleaningOrder'
  | 'wordPlaces'
  | 'remains'
  | 'cleaningFigures'
  | 'cleanedFile'
  | 'recipeReport'
> = {
  *cleaning({ sourceId, at }, { study: { state }, original }) {
    const source = state.sources.find((each) => each.id === sourceId);
    if (!source) return { text: '', start: 0, total: 0, marks: [], lines: [] };
    yield 0;
    const whole = original(sourceId);
    const { start, end } = partAround(whole, at, SHOWN_TEXT);
    const { steps } = state.settings.cleaning;
    const text: SourceText = { original: whole, cuts: source.cuts ?? [] };
    const unread = unreadPieces(text, () => findBoundaries(whole), leftOutOf(state));
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

  *cleaningSteps({ offers }, { engine, study, original }) {
    const tokens = yield* engine.compute('tokens', study);
    const { steps } = study.state.settings.cleaning;
    const offered = (offers ? CLEANING_KINDS : [])
      .filter((kind) => !REPEATABLE.has(kind) && !steps.some((step) => step.kind === kind))
      .map((kind) => newStep(kind, steps));
    // An offer is reported on where it would stand, switched off, so that it changes nothing for those after it.
    const all = offered.reduce<readonly CleaningStep[]>(
      (list, step) => withStep(list, { ...step, on: false }),
      steps,
    );
    const report = yield* reportSteps(textsOf(study, original), all, leftOutOf(study.state));
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

  *wordPlaces({ word, cleaned }, { engine, study, original }) {
    const places: TextPlace[] = [];
    const sources = workingSources(study.state);
    if (cleaned) {
      const tokens = yield* engine.compute('tokens', study);
      const type = tokens.forms.indexOf(word);
      for (let s = 0; type >= 0 && s + 1 < tokens.sentenceFirst.length; s++) {
        for (let t = tokens.sentenceFirst[s]; t < tokens.sentenceFirst[s + 1]; t++) {
          if (tokens.type[t] !== type) continue;
          places.push({
            sourceId: sources[tokens.sentenceSource[s]].id,
            start: tokens.start[t],
            end: tokens.end[t],
          });
          if (places.length === SHOWN_PLACES) return { places };
        }
      }
      return { places };
    }
    for (const [i, source] of sources.entries()) {
      const text = original(source.id);
      scanTokens(text, (start, end) => {
        const isIt = end - start === word.length && text.startsWith(word, start);
        if (isIt && places.length < SHOWN_PLACES) places.push({ sourceId: source.id, start, end });
      });
      if (places.length === SHOWN_PLACES) break;
      yield (i + 1) / sources.length;
    }
    return { places };
  },

  *cleaningOrder(_, { study, original }) {
    return {
      notes: yield* findOrderNotes(textsOf(study, original), study.state.settings.cleaning.steps),
    };
  },

  *remains(_, { engine, study, original, lexicon }) {
    const tokens = yield* engine.compute('tokens', study);
    const languages = yield* engine.compute('languages', study);
    const isEnglish = languageOf(study.state, languages) === 'en';
    const sources = workingSources(study.state);
    const remains = yield* findRemains(layersOf(study, original), tokens, isEnglish ? lexicon() : undefined);
    return {
      remains: remains.map((remain) => ({
        ...remain,
        places: remain.places.map(({ source, start, end }) => ({ sourceId: sources[source].id, start, end })),
      })),
    };
  },

  *cleaningFigures(_, { engine, study, original }) {
    const tokens = yield* engine.compute('tokens', study);
    const before = new Map<string, number>();
    const sources = workingSources(study.state);
    for (const [i, source] of sources.entries()) {
      const text = original(source.id);
      scanTokens(text, (start, end) => {
        const word = text.slice(start, end);
        before.set(word, (before.get(word) ?? 0) + 1);
      });
      yield (i + 1) / sources.length;
    }
    const after = new Map(tokens.forms.map((form, type) => [form, tokens.mentionsOf[type]]));
    return { before: figuresOf(before), after: figuresOf(after) };
  },

  *cleanedFile({ as }, { study, original }) {
    const sources = workingSources(study.state);
    const texts: string[] = [];
    for (const layer of layersOf(study, original)) {
      texts.push(layer.text);
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
    return { bytes: zipSync(Object.fromEntries(entries), { level: 6, mtime: new Date(1980, 0, 1, 12) }) };
  },

  *recipeReport({ recipe }, { engine, study, original }) {
    const idle: string[] = [];
    const { settings, stopWords, merges, dropped, kept } = recipe;
    const steps = settings.cleaning.steps.filter((step) => step.on);
    const report = yield* reportSteps(textsOf(study, original), steps, new Set(settings.speakers.leftOut));
    report.forEach(({ places, fault }, i) => {
      if (places === 0)
        idle.push(
          `${STEP_KINDS[steps[i].kind].name}: ${fault ?? `“${stepText(steps[i])}” finds nothing here.`}`,
        );
    });
    const speakers = yield* engine.compute('speakers', study);
    const absent = settings.speakers.leftOut.filter(
      (label) => !speakers.some((each) => each.label === label),
    );
    if (absent.length > 0) idle.push(`Nobody here is called ${absent.join(', ')}, who is left out.`);
    const tokens = yield* engine.compute('tokens', study);
    const used = new Set(tokens.forms.map(stopForm));
    const unused = stopWords.filter((word) => !used.has(stopForm(word)));
    if (unused.length > 0) idle.push(named(unused, 'stop word', 'does not occur here', 'do not occur here'));
    const candidates = yield* engine.compute('candidates', study);
    const keys = new Set(candidates.keys);
    for (const variants of candidates.variants) for (const { key } of variants) keys.add(key);
    const lists = [
      [Object.keys(merges), 'merged word'],
      [kept, 'concept always kept'],
      [dropped, 'dropped concept'],
    ] as const;
    for (const [list, one] of lists) {
      const missing = list.filter((key) => !keys.has(key));
      if (missing.length > 0) idle.push(named(missing, one, 'does not occur here', 'do not occur here'));
    }
    const listed = new Set(
      stopLayers(languageOf(study.state, yield* engine.compute('languages', study))).flatMap(
        ({ words }) => words,
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

function* layersOf(study: StudyInput, original: (id: string) => string): Generator<LayeredText> {
  for (const source of textsOf(study, original)) yield layerOf(source, study.state);
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
