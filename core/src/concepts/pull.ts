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
  /** judged × references: products of mentions summed over blocks of sentences; 0 for a candidate with itself. */
  readonly shared: Float64Array;
}

/** Counts the company of candidates in blocks of three sentences. Candidates are numbered by falling mentions. */
export function companyOfCandidates(
  tokens: Tokens,
  occurrence: Int32Array,
  occurrenceFirst: Int32Array,
  candidateCount: number,
): Company {
  const references = Math.min(REFERENCES, candidateCount);
  const mentions = new Int32Array(candidateCount);
  for (const candidate of occurrence) mentions[candidate]++;
  let judged = candidateCount;
  while (judged > 0 && mentions[judged - 1] < FEWEST_MENTIONS) judged--;
  const shared = new Float64Array(judged * references);
  const inBlockOf = new Int32Array(candidateCount);
  const present: number[] = [];

  // Counted by different candidates, so that a block of any length costs no more than it has words.
  const countBlock = (from: number, to: number): void => {
    for (let i = from; i < to; i++) {
      if (inBlockOf[occurrence[i]]++ === 0) present.push(occurrence[i]);
    }
    for (const reference of present) {
      if (reference >= references) continue;
      for (const candidate of present) {
        if (candidate < judged)
          shared[candidate * references + reference] += inBlockOf[candidate] * inBlockOf[reference];
      }
    }
    for (const candidate of present) inBlockOf[candidate] = 0;
    present.length = 0;
  };
  let next = 0;
  let inBlock = 0;
  let blockStart = 0;
  for (let s = 0; s + 1 < tokens.sentenceFirst.length; s++) {
    const sameBlock =
      s > 0 &&
      inBlock < COMPANY_SENTENCES &&
      tokens.sentenceSource[s] === tokens.sentenceSource[s - 1] &&
      tokens.sentenceParagraph[s] === tokens.sentenceParagraph[s - 1];
    if (!sameBlock) {
      countBlock(blockStart, next);
      blockStart = next;
      inBlock = 0;
    }
    inBlock++;
    while (next < occurrence.length && occurrenceFirst[next] < tokens.sentenceFirst[s + 1]) next++;
  }
  countBlock(blockStart, next);
  for (let c = 0; c < Math.min(judged, references); c++) shared[c * references + c] = 0;
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
  tokens: Tokens,
  occurrence: Int32Array,
  occurrenceFirst: Int32Array,
  candidateCount: number,
): Float64Array {
  const { references, judged, shared } = companyOfCandidates(
    tokens,
    occurrence,
    occurrenceFirst,
    candidateCount,
  );
  const usual = new Float64Array(references);
  let all = 0;
  for (let c = 0; c < judged; c++) {
    for (let r = 0; r < references; r++) usual[r] += shared[c * references + r];
  }
  for (let r = 0; r < references; r++) all += usual[r];
  const pull = new Float64Array(candidateCount);
  if (all === 0) return pull;
  for (let r = 0; r < references; r++) usual[r] /= all;
  for (let c = 0; c < judged; c++) {
    const row = c * references;
    const own = c < references ? usual[c] : 0;
    let companions = 0;
    for (let r = 0; r < references; r++) companions += shared[row + r];
    let divergence = 0;
    for (let r = 0; r < references; r++) {
      const expected = r === c ? 0 : usual[r] / (1 - own);
      if (expected === 0) continue;
      const share = (shared[row + r] + PRIOR * expected) / (companions + PRIOR);
      divergence += share * Math.log(share / expected);
    }
    const byChance = ((references - 1) * companions) / (2 * (companions + PRIOR) ** 2);
    pull[c] = Math.max(0, divergence - byChance);
  }
  return pull;
}
