import { Int32List } from '../base/int32-list.ts';
import type { Tokens } from '../text/tokens.ts';

/** How many of the most mentioned candidates serve as the company by which pull is judged. */
export const REFERENCES = 100;
/**
 * Strength of the prior, in companions: a candidate with fewer than this is held close to what is usual. With 60 the pull of a word
 * of 4 to 20 mentions is mostly noise, and two halves of a collection choose other words (docs/method/concepts.md).
 */
const PRIOR = 200;
/**
 * Sentences that count as one company; they follow each other in one paragraph or turn. Of little text more do: a concept meets few
 * others there, and of twelve planted interviews 59 of 80 theme words are kept so, with three sentences 53.
 */
const COMPANY_SENTENCES = { usually: 3, ofLittleText: 6 };
/** Words of a collection that is little text. */
const LITTLE_TEXT = 15_000;
/** A candidate mentioned less often is given no pull: its company is a handful of chances. */
export const FEWEST_MENTIONS = 3;

/** How often each candidate keeps company with each of the most mentioned ones, the references. */
export interface Company {
  readonly references: number;
  /** Candidates with mentions enough to be judged: the first so many. */
  readonly judged: number;
  /** references × judged: products of mentions summed over contexts of sentences; 0 for a candidate with itself. */
  readonly shared: Float64Array;
}

/** First token of each context of sentences that count as one company, and one entry more for the end. */
export function companyContexts(tokens: Tokens): Int32Array {
  const first = new Int32List();
  let inContext = 0;
  const most = tokens.type.length < LITTLE_TEXT ? COMPANY_SENTENCES.ofLittleText : COMPANY_SENTENCES.usually;
  const sentences = tokens.sentenceFirst.length - 1;
  for (let s = 0; s < sentences; s++) {
    const sameContext =
      s > 0 &&
      inContext < most &&
      tokens.sentenceSource[s] === tokens.sentenceSource[s - 1] &&
      tokens.sentenceParagraph[s] === tokens.sentenceParagraph[s - 1];
    if (!sameContext) {
      first.push(tokens.sentenceFirst[s]);
      inContext = 0;
    }
    inContext++;
  }
  first.push(tokens.type.length);
  return first.done();
}

/** Where each reference is: context by context, in the order of the references. */
interface ReferencePlaces {
  /** First place of each reference; one entry more than there are references. */
  readonly first: Int32Array;
  readonly context: Int32Array;
  /** How often the reference is in that context. */
  readonly times: Int32Array;
  /** First occurrence of each context; one entry more than there are contexts. */
  readonly occurrenceOfContext: Int32Array;
}

function placesOfReferences(
  contextFirst: Int32Array,
  occurrence: Int32Array,
  occurrenceFirst: Int32Array,
  references: number,
  mentions: Int32Array,
): ReferencePlaces {
  const contexts = contextFirst.length - 1;
  // Room for each mention: a reference that is in a context twice leaves some of its room empty.
  const first = new Int32Array(references + 1);
  for (let r = 0; r < references; r++) first[r + 1] = first[r] + mentions[r];
  const places = {
    first,
    context: new Int32Array(first[references]).fill(-1),
    times: new Int32Array(first[references]),
    occurrenceOfContext: new Int32Array(contexts + 1),
  };
  const end = first.slice(0, references);
  let next = 0;
  for (let b = 0; b < contexts; b++) {
    next = placeContext({
      places,
      end,
      b,
      occurrence,
      occurrenceFirst,
      from: next,
      limit: contextFirst[b + 1],
    });
    places.occurrenceOfContext[b + 1] = next;
  }
  return places;
}

/** Places the references of one context; returns the first occurrence after it. */
function placeContext({
  places: { first, context, times },
  end,
  b,
  occurrence,
  occurrenceFirst,
  from,
  limit,
}: {
  readonly places: ReferencePlaces;
  readonly end: Int32Array;
  readonly b: number;
  readonly occurrence: Int32Array;
  readonly occurrenceFirst: Int32Array;
  readonly from: number;
  readonly limit: number;
}): number {
  let i = from;
  for (; i < occurrence.length && occurrenceFirst[i] < limit; i++) {
    const reference = occurrence[i];
    if (reference >= end.length) continue;
    const last = end[reference] - 1;
    if (last >= first[reference] && context[last] === b) {
      times[last]++;
    } else {
      context[last + 1] = b;
      times[last + 1] = 1;
      end[reference]++;
    }
  }
  return i;
}

/**
 * Counts the company of candidates in contexts of sentences: reference by reference, so that what is counted stays in the
 * nearest memory, and at most references × occurrences steps however long a context is.
 *
 * @param mentions of each candidate, falling
 */
export function companyOfCandidates(
  contextFirst: Int32Array,
  occurrence: Int32Array,
  occurrenceFirst: Int32Array,
  mentions: Int32Array,
): Company {
  const references = Math.min(REFERENCES, mentions.length);
  let judged = mentions.length;
  while (judged > 0 && mentions[judged - 1] < FEWEST_MENTIONS) judged--;
  const places = placesOfReferences(contextFirst, occurrence, occurrenceFirst, references, mentions);
  const shared = new Float64Array(references * judged);
  const met = new Float64Array(mentions.length);
  for (let r = 0; r < references; r++) {
    met.fill(0);
    meetReference(met, places, r, occurrence);
    met[r] = 0;
    shared.set(judged < met.length ? met.subarray(0, judged) : met, r * judged);
  }
  return { references, judged, shared };
}

/** Adds whom one reference meets, as often as both are in a context. */
function meetReference(
  met: Float64Array,
  { first, context, times, occurrenceOfContext }: ReferencePlaces,
  reference: number,
  occurrence: Int32Array,
): void {
  for (let place = first[reference]; place < first[reference + 1] && context[place] >= 0; place++) {
    const limit = occurrenceOfContext[context[place] + 1];
    for (let i = occurrenceOfContext[context[place]]; i < limit; i++) met[occurrence[i]] += times[place];
  }
}

/**
 * Pull: how far the company a candidate keeps departs from the company usual in the collection, after the idea of
 * Matsuo & Ishizuka (2004), who take the χ² of its co-occurrence with the most frequent terms. χ² grows with the count
 * and is wild where expected counts are small, so here it is the Kullback–Leibler divergence, in nats, of the company's
 * shares (drawn to the usual ones by a Dirichlet prior) less what chance alone gives, never below 0.
 *
 * Candidates are numbered by falling mentions, so the first are the references.
 */
export function pullOfCandidates(
  { references, judged, shared }: Company,
  candidateCount: number,
): Float64Array {
  const companions = new Float64Array(judged);
  const usual = Float64Array.from({ length: references }, (_, r) => addCompanions(companions, shared, r));
  const all = usual.reduce((sum, each) => sum + each, 0);
  const pull = new Float64Array(candidateCount);
  if (all === 0) return pull;
  for (let r = 0; r < references; r++) usual[r] /= all;
  const divergence = new Float64Array(judged);
  // Most references a candidate never met: together they add what one of all their shares would.
  const neverMet = new Float64Array(judged);
  for (let r = 0; r < references; r++) {
    if (usual[r] > 0) addDivergence({ divergence, neverMet }, { shared, usual, companions }, r);
  }
  for (let c = 0; c < judged; c++) {
    const shrink = PRIOR / (companions[c] + PRIOR);
    const byChance = ((references - 1) * companions[c]) / (2 * (companions[c] + PRIOR) ** 2);
    pull[c] = Math.max(0, divergence[c] + neverMet[c] * shrink * Math.log(shrink) - byChance);
  }
  return pull;
}

/**
 * The pull of one candidate by itself, as `pullOfCandidates` has it of all.
 *
 * @param met how often it met each reference
 * @param usual each reference's share of all company
 * @param own its number where it is a reference itself
 */
export function pullOfOne(met: Float64Array, usual: Float64Array, own: number): number {
  let companions = 0;
  for (const count of met) companions += count;
  const shrink = PRIOR / (companions + PRIOR);
  const others = 1 - (own < usual.length ? usual[own] : 0);
  let [divergence, neverMet] = [0, 0];
  for (let r = 0; r < usual.length; r++) {
    if (r === own || usual[r] === 0) continue;
    const expected = usual[r] / others;
    if (met[r] === 0) neverMet += expected;
    else {
      const share = (met[r] + PRIOR * expected) / (companions + PRIOR);
      divergence += share * Math.log(share / expected);
    }
  }
  const byChance = ((usual.length - 1) * companions) / (2 * (companions + PRIOR) ** 2);
  return Math.max(0, divergence + neverMet * shrink * Math.log(shrink) - byChance);
}

/** Adds whom each candidate met of one reference; returns the sum. */
function addCompanions(companions: Float64Array, shared: Float64Array, reference: number): number {
  const judged = companions.length;
  let sum = 0;
  for (let c = 0; c < judged; c++) {
    const met = shared[reference * judged + c];
    companions[c] += met;
    sum += met;
  }
  return sum;
}

/** Adds one reference's part of each candidate's divergence, or its share where they never met. */
function addDivergence(
  { divergence, neverMet }: { readonly divergence: Float64Array; readonly neverMet: Float64Array },
  {
    shared,
    usual,
    companions,
  }: { readonly shared: Float64Array; readonly usual: Float64Array; readonly companions: Float64Array },
  reference: number,
): void {
  const judged = companions.length;
  for (let c = 0; c < judged; c++) {
    if (c === reference) continue;
    const expected = usual[reference] / (1 - (c < usual.length ? usual[c] : 0));
    const met = shared[reference * judged + c];
    if (met === 0) {
      neverMet[c] += expected;
    } else {
      const share = (met + PRIOR * expected) / (companions[c] + PRIOR);
      divergence[c] += share * Math.log(share / expected);
    }
  }
}
