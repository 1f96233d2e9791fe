import type { Candidates, Variant } from './candidates.ts';
import { tfIdf } from './distinct.ts';
import { scoreOf, type Concepts } from './selection.ts';
import { stopForm } from './stop-words.ts';
import { ranked } from '../base/order.ts';
import { ownValue } from '../base/records.ts';

/** How a candidate stands: chosen by its figures, kept or dropped by the researcher, or left out. */
export type ConceptStatus = 'chosen' | 'kept' | 'dropped' | 'out';

/** What the researcher decided about words: concept → label, those kept and those dropped. */
export interface DecidedConcepts {
  readonly conceptLabels: Readonly<Record<string, string>>;
  readonly kept: readonly string[];
  readonly dropped: readonly string[];
}

/** The same, with what takes words off the list. */
export interface DecidedWords extends DecidedConcepts {
  readonly merges: Readonly<Record<string, string>>;
  readonly stopWords: readonly string[];
}

/** A candidate as it is listed. */
export interface CandidateRow {
  readonly key: string;
  readonly label: string;
  /** Its label where the researcher gave none. */
  readonly written: string;
  readonly part: string;
  readonly mentions: number;
  readonly sources: number;
  readonly spread: number;
  readonly pull: number;
  /** Share of the windows it is in, from 0 to 1. */
  readonly windowShare: number;
  readonly tfIdf: number;
  readonly score: number;
  readonly status: ConceptStatus;
  readonly variants: readonly Variant[];
  /** Shorter forms of a name, with their mentions. */
  readonly shorter: readonly { readonly form: string; readonly mentions: number }[];
}

/** What figures of a candidate are shares of. */
export interface CollectionCounts {
  /** Windows with each candidate. */
  readonly windowsHeld: Int32Array;
  /** Windows with each concept. */
  readonly conceptsHeld: Int32Array;
  readonly windowCount: number;
  readonly sourceCount: number;
}

/**
 * All candidates by falling score, as they are listed.
 *
 * @param collection windows with each candidate and concept, of so many, and how many sources there are
 */
export function conceptRows(
  candidates: Candidates,
  concepts: Concepts,
  { windowsHeld, conceptsHeld, windowCount, sourceCount }: CollectionCounts,
  decided: DecidedConcepts,
): CandidateRow[] {
  const statusOf = statusesIn(decided, new Set(concepts.keys));
  const conceptOf = new Map([...concepts.candidate].map((candidate, concept) => [candidate, concept]));
  return ranked(candidates.keys.length, (i) => scoreOf(candidates, i)).map((i): CandidateRow => {
    const key = candidates.keys[i];
    const concept = conceptOf.get(i);
    // A concept counts what phrases that are none took from it.
    const mentions = concept === undefined ? candidates.mentions[i] : concepts.mentions[concept];
    const sources = concept === undefined ? candidates.sources[i] : concepts.sources[concept];
    const held = concept === undefined ? windowsHeld[i] : conceptsHeld[concept];
    return {
      key,
      label: ownValue(decided.conceptLabels, key) ?? candidates.written[i],
      written: candidates.written[i],
      part: candidates.part[i],
      mentions,
      sources,
      spread: candidates.spread[i],
      pull: candidates.pull[i],
      windowShare: windowCount === 0 ? 0 : held / windowCount,
      tfIdf: tfIdf(mentions, sources, sourceCount),
      score: scoreOf(candidates, i),
      status: statusOf(key),
      variants: candidates.variants[i],
      shorter: candidates.shorter[i],
    };
  });
}

/** How a candidate stands in a study, where these are the concepts chosen. */
function statusesIn(state: DecidedConcepts, chosen: ReadonlySet<string>): (key: string) => ConceptStatus {
  const kept = new Set(state.kept);
  const dropped = new Set(state.dropped);
  return (key) =>
    dropped.has(key) ? 'dropped' : kept.has(key) ? 'kept' : chosen.has(key) ? 'chosen' : 'out';
}

/**
 * A list as it stands at once after a decision, while its figures are still those of before: words that were stopped or
 * merged are gone, kept and dropped ones say so, and names are the new ones.
 */
export function rowsAsDecided<Row extends CandidateRow>(rows: readonly Row[], state: DecidedWords): Row[] {
  const statusOf = statusesIn(state, new Set());
  const merged = new Set(Object.keys(state.merges));
  // What others were merged into counts even where it is a stop word.
  const targets = new Set(Object.values(state.merges));
  const stopped = new Set(state.stopWords.map(stopForm));
  const isGone = ({ key }: Row): boolean =>
    merged.has(key) || (stopped.has(stopForm(key)) && !targets.has(key));
  return rows
    .filter((row) => !isGone(row))
    .map((row) => {
      const label = ownValue(state.conceptLabels, row.key) ?? row.written;
      const decided = statusOf(row.key);
      const wasDecided = row.status === 'kept' || row.status === 'dropped';
      // Whether its figures choose a word is not known before they are found.
      const status = decided === 'out' && !wasDecided ? row.status : decided;
      return status === row.status && label === row.label ? row : { ...row, status, label };
    });
}
