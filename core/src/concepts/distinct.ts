/** How strongly the words of the whole collection speak beside those of the two sides: a tenth of its words. */
const PRIOR_SHARE = 0.1;

/**
 * How distinctive each concept is of a group against the rest: z of the log-odds ratio with an informative Dirichlet
 * prior (Monroe, Colaresi & Quinn 2008), the prior being the concept's share of the collection. Above 0 the group
 * mentions it more than the rest; beyond ±1.96 chance would seldom do it if mentions were independent.
 *
 * @param inGroup mentions of each concept in the group
 * @param elsewhere its mentions in the rest
 * @param groupWords all words of the group
 * @param otherWords all words of the rest
 * @returns z of each concept; 0 where one side has no words
 */
export function distinctiveness(
  inGroup: ArrayLike<number>,
  elsewhere: ArrayLike<number>,
  groupWords: number,
  otherWords: number,
): Float64Array {
  const z = new Float64Array(inGroup.length);
  if (groupWords === 0 || otherWords === 0) return z;
  const words = groupWords + otherWords;
  const prior = PRIOR_SHARE * words;
  for (let i = 0; i < z.length; i++) {
    const own = (prior * (inGroup[i] + elsewhere[i])) / words;
    if (own === 0) continue;
    const a = inGroup[i] + own;
    const b = elsewhere[i] + own;
    const logOdds = (count: number, all: number): number => Math.log(count / (all + prior - count));
    z[i] = (logOdds(a, groupWords) - logOdds(b, otherWords)) / Math.sqrt(1 / a + 1 / b);
  }
  return z;
}

/**
 * tf-idf of a concept over the collection: mentions × ln(sources of all / sources with it) (Spärck Jones 1972). 0 where
 * every source mentions it.
 */
export function tfIdf(mentions: number, sourcesWith: number, sources: number): number {
  return sourcesWith === 0 ? 0 : mentions * Math.log(sources / sourcesWith);
}
