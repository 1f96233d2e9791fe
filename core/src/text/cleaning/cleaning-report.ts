import { byCodeUnits } from '../../base/order.ts';
import type { Stepwise } from '../../base/stepwise.ts';
import { findBoundaries } from '../boundaries.ts';
import { applyEdits, type Edit, type LayeredText } from '../offsets.ts';
import { applyStep, findEdits } from './cleaning.ts';
import { readPart, type SourceText } from '../reading-part.ts';
import { scanTokens } from '../scan.ts';
import type { CleaningStep } from './steps.ts';

/** What a step takes out or changes, over all sources. For a step that is off: what it would. */
export interface StepReport {
  readonly id: string;
  readonly places: number;
  readonly sources: number;
  /** The ten pieces it takes out or changes most often, with what takes their place. */
  readonly top: readonly {
    readonly piece: string;
    readonly replacement: string;
    readonly count: number;
  }[];
  /** A stretch of the study's own text before and after the step, where it does anything. */
  readonly example?: { readonly before: string; readonly after: string };
  /** Why the step can't be used, where its pattern is wrong. */
  readonly fault?: string;
}

const SHOWN_PIECES = 10;
/** Different pieces counted per step; a step that takes out more different ones has no frequent ones to show. */
const MOST_PIECES = 20_000;
/** Characters of an example on either side of the place. */
const EXAMPLE_REACH = 40;

interface Tally {
  places: number;
  sources: number;
  readonly pieces: Map<string, number>;
  example?: { before: string; after: string };
  fault?: string;
}

function exampleOf(text: string, edit: Edit): { before: string; after: string } {
  const from = Math.max(0, edit.start - EXAMPLE_REACH);
  const to = Math.min(text.length, edit.end + EXAMPLE_REACH);
  const head = `${from > 0 ? '…' : ''}${text.slice(from, edit.start)}`;
  const tail = `${text.slice(edit.end, to)}${to < text.length ? '…' : ''}`;
  return {
    before: head + text.slice(edit.start, edit.end).slice(0, 80) + tail,
    after: head + edit.replacement + tail,
  };
}

/** Reports on each step; one whose pattern can't be read is passed over and says why. */
export function* reportSteps(
  sources: readonly SourceText[],
  steps: readonly CleaningStep[],
  leftOut: ReadonlySet<string>,
): Stepwise<StepReport[]> {
  const tallies = steps.map((): Tally => ({ places: 0, sources: 0, pieces: new Map() }));
  for (let source = 0; source < sources.length; source++) {
    let layer: LayeredText | undefined;
    for (let i = 0; i < steps.length; i++) {
      const tally = tallies[i];
      layer ??= readPart(sources[source], findBoundaries(sources[source].original), leftOut);
      let edits: Edit[] = [];
      try {
        edits = findEdits(layer.text, steps[i]);
      } catch (error) {
        tally.fault = error instanceof Error ? error.message : String(error);
      }
      tally.places += edits.length;
      if (edits.length > 0) {
        tally.sources++;
        tally.example ??= exampleOf(layer.text, edits[0]);
      }
      for (const edit of edits) {
        const piece = layer.text.slice(edit.start, Math.min(edit.end, edit.start + 120));
        const entry = `${piece}\u0000${edit.replacement}`;
        const count = tally.pieces.get(entry);
        if (count !== undefined || tally.pieces.size < MOST_PIECES) tally.pieces.set(entry, (count ?? 0) + 1);
      }
      if (steps[i].on)
        layer = steps[i].kind === 'case' ? applyStep(layer, steps[i]) : applyEdits(layer, edits);
      yield (source + (i + 1) / steps.length) / sources.length;
    }
  }
  return tallies.map(({ places, sources: held, pieces, example, fault }, i) => ({
    id: steps[i].id,
    places,
    sources: held,
    top: [...pieces]
      .sort((a, b) => b[1] - a[1] || byCodeUnits(a[0], b[0]))
      .slice(0, SHOWN_PIECES)
      .map(([entry, count]) => {
        const [piece, replacement] = entry.split('\u0000');
        return { piece, replacement, count };
      }),
    ...(example ? { example } : {}),
    ...(fault === undefined ? {} : { fault }),
  }));
}

/** Two steps that follow each other and whose order matters for this text. */
export interface OrderNote {
  readonly first: string;
  readonly second: string;
  /** Words that would be others if the two changed places, of those looked at. */
  readonly words: number;
  /** The first word that would differ: as it is, and as it would be. */
  readonly now: string;
  readonly swapped: string;
}

/** Characters the order of steps is tried on. */
const TRIED_ON = 150_000;

/** Finds the neighbouring steps whose order matters, by trying each pair the other way round on part of the text. */
export function* findOrderNotes(
  sources: readonly SourceText[],
  steps: readonly CleaningStep[],
): Stepwise<OrderNote[]> {
  const on = steps.filter((step) => step.on);
  const samples: string[] = [];
  let taken = 0;
  for (const { original } of sources) {
    if (taken >= TRIED_ON) break;
    samples.push(original.slice(0, TRIED_ON - taken));
    taken += original.length;
  }
  const text = samples.join('\n\n');
  const apply = (given: string, list: readonly CleaningStep[]): string =>
    list.reduce((now, step) => {
      if (step.kind === 'case') return now.toLowerCase();
      let made = '';
      let at = 0;
      for (const { start, end, replacement } of findEdits(now, step)) {
        made += now.slice(at, start) + replacement;
        at = end;
      }
      return made + now.slice(at);
    }, given);
  const wordsIn = (given: string): Map<string, number> => {
    const words = new Map<string, number>();
    scanTokens(given, (start, end) => {
      const word = given.slice(start, end);
      words.set(word, (words.get(word) ?? 0) + 1);
    });
    return words;
  };
  const notes: OrderNote[] = [];
  const base = wordsIn(apply(text, on));
  let before = text;
  for (let i = 0; i + 1 < on.length; i++) {
    const other = wordsIn(apply(before, [on[i + 1], on[i], ...on.slice(i + 2)]));
    let words = 0;
    let now = '';
    let swapped = '';
    for (const [word, count] of base) {
      const lost = count - (other.get(word) ?? 0);
      if (lost > 0) {
        words += lost;
        if (now === '') now = word;
      }
    }
    for (const [word, count] of other) {
      const gained = count - (base.get(word) ?? 0);
      if (gained > 0) {
        if (swapped === '') swapped = word;
        if (words === 0 || now === '') words += gained;
      }
    }
    if (words > 0) notes.push({ first: on[i].id, second: on[i + 1].id, words, now, swapped });
    before = apply(before, [on[i]]);
    yield (i + 1) / on.length;
  }
  return notes;
}
