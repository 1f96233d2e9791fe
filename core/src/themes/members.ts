import { adjustForMany } from '../numeric/chance.ts';
import type { Evidence } from '../network/evidence.ts';
import { chanceOfSameSources, chanceWithGroups } from '../network/group-evidence.ts';
import type { JudgedPairs } from '../network/links.ts';
import { clustersCounted } from '../network/residuals.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { renumber } from './leiden.ts';
import { strictnessIn } from './strictness.ts';

/** Loose concepts join at this share of false joiners. */
const JOINS_BELOW = 0.1;
/** Who keeps too little company stays where the sources say it that say the others, which is weaker evidence and must be surer. */
const STAYS_BY_SOURCES_BELOW = 0.005;
const MOST_ROUNDS = 3;

/** What is known of concepts and their pairs. */
export interface Grounds {
  readonly evidence: Evidence;
  readonly links: Pick<JudgedPairs, 'source' | 'target' | 'stands' | 'beyond'>;
  /** 1 for each concept that takes part; all where it is left out. */
  readonly isChosen?: Uint8Array;
}

/**
 * Communities by the evidence of each concept with the community as a whole, which is surer than that of its single links:
 * loose concepts join where they keep its company beyond chance, members that don't leave. A community that is left with
 * one is none.
 *
 * Measured on collections with known themes (bench/themes.ts): without it 4.8 false members of 36 sources, with it 2.
 */
export function* settleMembers(
  community: Int32Array,
  { evidence, links, isChosen }: Grounds,
  rounds = MOST_ROUNDS,
): Stepwise<Int32Array> {
  const sizes = new Map<number, number>();
  for (const c of community) sizes.set(c, (sizes.get(c) ?? 0) + 1);
  const numbers = new Map<number, number>();
  for (const [c, size] of sizes) if (size > 1) numbers.set(c, numbers.size);
  const groupOf = community.map((c) => numbers.get(c) ?? -1);
  const groups = numbers.size;
  if (groups === 0) return community;
  let within = chanceWithGroups(evidence, groupOf, groups, isChosen);
  for (let round = 0; round < rounds; round++) {
    const joining = whoJoins(within, groupOf, groups, isChosen);
    if (joining.size === 0) break;
    for (const [concept, group] of joining) groupOf[concept] = group;
    within = chanceWithGroups(evidence, groupOf, groups, isChosen);
    yield (round + 1) / (rounds + 1);
  }
  const { staysBelow } = strictnessIn({
    windows: evidence.windows,
    clusters: clustersCounted(evidence.residuals),
  });
  const isClaimed = linkedInside(links, groupOf);
  const unsure: number[] = [];
  groupOf.forEach((group, i) => {
    if (group >= 0 && isClaimed[i] === 0 && within[i * groups + group] >= staysBelow) unsure.push(i);
  });
  const stays = groupOf.slice();
  const between = chanceOfSameSources(evidence, groupOf, groups, unsure);
  for (const i of unsure) if (between[i] >= STAYS_BY_SOURCES_BELOW) stays[i] = -1;
  return renumber(stays.map((group, i) => (group < 0 ? groups + i : group)));
}

/** 1 for each concept with a link, beyond chance within sources, to another of its group. */
function linkedInside({ source, target, stands, beyond }: Grounds['links'], groupOf: Int32Array): Uint8Array {
  const linked = new Uint8Array(groupOf.length);
  for (let i = 0; i < source.length; i++) {
    const isInside = groupOf[source[i]] >= 0 && groupOf[source[i]] === groupOf[target[i]];
    if (stands[i] === 1 && beyond[i] === 1 && isInside) linked[source[i]] = linked[target[i]] = 1;
  }
  return linked;
}

/** The loose concepts that join, each with the group whose company it keeps most surely. */
function whoJoins(
  p: Float64Array,
  groupOf: Int32Array,
  groups: number,
  isChosen?: Uint8Array,
): Map<number, number> {
  const loose: number[] = [];
  for (let i = 0; i < groupOf.length; i++) if (groupOf[i] < 0 && isChosen?.[i] !== 0) loose.push(i);
  const tests = loose.flatMap((i) => Array.from({ length: groups }, (_, g) => i * groups + g));
  const q = adjustForMany(tests.map((at) => p[at]));
  const joining = new Map<number, number>();
  tests.forEach((at, test) => {
    const [concept, group] = [Math.floor(at / groups), at % groups];
    const present = joining.get(concept);
    if (q[test] >= JOINS_BELOW || (present !== undefined && p[concept * groups + present] <= p[at])) return;
    joining.set(concept, group);
  });
  return joining;
}
