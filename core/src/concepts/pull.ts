import { Int32List } from '../numeric/int32-list.ts';
import type { Tokens } from '../text/tokens.ts';

/** How many of the most mentioned candidates serve as the company by which pull is judged. */
const REFERENCES = 100;
/** Strength of the prior, in companions: a candidate with fewer than this is held close to what is usual. */
const PRIOR = 60;
/** Sentences that count as one company; they follow each other in one paragraph or turn. */
const COMPANY_SENTENCES = 3;
/** A candidate mentioned less often is given no pull: its company is a handful of chances. */
const FEWEST_MENTIONS = 3;

/** How often each candidate keeps company with each of the most mentioned ones, the references. */
export interface Company {
  readonly references: number;
  /** Candidates with mentions enough to be judged: the first so many. */
  readonly judged: number;
  /** references × judged: products of mentions summed over blocks of sentences; 0 for a candidate with itself. */
  readonly shared: Float64Array;
}

/** First token of each block of sentences that count as one company, and one entry more for the end. */
export function companyBlocks(tokens: Tokens): Int32Array {
  const first = new Int32List();
  let inBlock = 0;
  const sentences = tokens.sentenceFirst.length - 1;
  for (let s = 0; s < sentences; s++) {
    const sameBlock =
      s > 0 &&
      inBlock < COMPANY_SENTENCES &&
      tokens.sentenceSource[s] === tokens.sentenceSource[s - 1] &&
      tokens.sentenceParagraph[s] === tokens.sentenceParagraph[s - 1];
    if (!sameBlock) {
      first.push(tokens.sentenceFirst[s]);
      inBlock = 0;
    }
    inBlock++;
  }
  first.push(tokens.type.length);
  return first.done();
}

/** The different candidates of each block, with how often each is in it. */
interface Blocks {
  /** First entry of each block; one more than there are blocks. */
  readonly first: Int32Array;
  readonly candidate: Int32Array;
  readonly times: Int32Array;
}

/** Gathers candidates by block, so that a block of any length costs no more than it has different words. */
function gatherBlocks(
  blockFirst: Int32Array,
  occurrence: Int32Array,
  occurrenceFirst: Int32Array,
  looked: number,
): Blocks {
  const blocks = blockFirst.length - 1;
  const first = new Int32Array(blocks + 1);
  const candidate = new Int32Array(occurrence.length);
  const times = new Int32Array(occurrence.length);
  const entryOf = new Int32Array(looked).fill(-1);
  let entries = 0;
  let next = 0;
  for (let block = 0; block < blocks; block++) {
    const from = entries;
    const limit = blockFirst[block + 1];
    for (; next < occurrence.length && occurrenceFirst[next] < limit; next++) {
      const each = occurrence[next];
      if (each >= looked) continue;
      if (entryOf[each] >= from) {
        times[entryOf[each]]++;
        continue;
      }
      entryOf[each] = entries;
      candidate[entries] = each;
      times[entries++] = 1;
    }
    first[block + 1] = entries;
  }
  return { first, candidate: candidate.subarray(0, entries), times };
}

/** Counts the company of candidates in blocks of sentences. Candidates are numbered by falling mentions. */
export function companyOfCandidates(
  blockFirst: Int32Array,
  occurrence: Int32Array,
  occurrenceFirst: Int32Array,
  mentions: Int32Array,
): Company {
  const references = Math.min(REFERENCES, mentions.length);
  let judged = mentions.length;
  while (judged > 0 && mentions[judged - 1] < FEWEST_MENTIONS) judged--;
  const { first, candidate, times } = gatherBlocks(
    blockFirst,
    occurrence,
    occurrenceFirst,
    Math.max(judged, references),
  );

  // Where each reference is, so that its row is counted in one go and stays in the nearest memory.
  const entryFirst = new Int32Array(references + 2);
  for (const each of candidate) if (each < references) entryFirst[each + 2]++;
  for (let r = 0; r < references; r++) entryFirst[r + 2] += entryFirst[r + 1];
  const blockOf = new Int32Array(entryFirst[references + 1]);
  const timesIn = new Int32Array(blockOf.length);
  for (let block = 0; block + 1 < first.length; block++) {
    for (let e = first[block]; e < first[block + 1]; e++) {
      if (candidate[e] >= references) continue;
      const place = entryFirst[candidate[e] + 1]++;
      blockOf[place] = block;
      timesIn[place] = times[e];
    }
  }
  const shared = new Float64Array(references * judged);
  for (let r = 0; r < references; r++) {
    const row = shared.subarray(r * judged, (r + 1) * judged);
    for (let place = entryFirst[r]; place < entryFirst[r + 1]; place++) {
      const limit = first[blockOf[place] + 1];
      for (let e = first[blockOf[place]]; e < limit; e++) {
        if (candidate[e] < judged) row[candidate[e]] += times[e] * timesIn[place];
      }
    }
    if (r < judged) row[r] = 0;
  }
  return { references, judged, shared };
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
  const usual = new Float64Array(references);
  const companions = new Float64Array(judged);
  let all = 0;
  for (let r = 0; r < references; r++) {
    for (let c = 0; c < judged; c++) {
      const met = shared[r * judged + c];
      usual[r] += met;
      companions[c] += met;
    }
    all += usual[r];
  }
  const pull = new Float64Array(candidateCount);
  if (all === 0) return pull;
  for (let r = 0; r < references; r++) usual[r] /= all;
  const divergence = new Float64Array(judged);
  // Most references a candidate never met: together they add what one of all their shares would.
  const neverMet = new Float64Array(judged);
  for (let r = 0; r < references; r++) {
    if (usual[r] === 0) continue;
    for (let c = 0; c < judged; c++) {
      if (r === c) continue;
      const expected = usual[r] / (1 - (c < references ? usual[c] : 0));
      const met = shared[r * judged + c];
      if (met === 0) {
        neverMet[c] += expected;
      } else {
        const share = (met + PRIOR * expected) / (companions[c] + PRIOR);
        divergence[c] += share * Math.log(share / expected);
      }
    }
  }
  for (let c = 0; c < judged; c++) {
    const shrink = PRIOR / (companions[c] + PRIOR);
    const byChance = ((references - 1) * companions[c]) / (2 * (companions[c] + PRIOR) ** 2);
    pull[c] = Math.max(0, divergence[c] + neverMet[c] * shrink * Math.log(shrink) - byChance);
  }
  return pull;
}
