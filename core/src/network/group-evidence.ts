import { chanceBetween, chanceOfCount, LEAST_EXPECTED, type Evidence } from './evidence.ts';
import { covariancesOfGroups, seriesIn, unevenness } from './autocovariance.ts';
import { clustersCounted, heldByCluster, type Residuals } from './residuals.ts';
import { departuresOf } from './spread.ts';

/**
 * Tests every concept that is in a group against its group, and every other against all groups, as it is tested against
 * another concept (`weighEvidence`): the windows it shares with the group's members, its own part left out, against what
 * is expected of each, with the bursts of concept and group.
 *
 * @param groupOf group of each concept, −1 for none
 * @param among 1 for each concept it is asked of; all where it is left out
 * @returns concepts × groups: the chance of so much company with the group, one-sided; 1 where it is less than by chance,
 * and where it is not asked of
 */
export function chanceWithGroups(
  evidence: Evidence,
  groupOf: ArrayLike<number>,
  groups: number,
  among?: Uint8Array,
): Float64Array {
  const { size, residuals, together, expected } = evidence;
  const met = new Float64Array(size * groups);
  const mean = new Float64Array(size * groups);
  const members = new Float64Array(groups);
  for (let i = 0; i < size; i++) if (groupOf[i] >= 0) members[groupOf[i]]++;
  for (let i = 0; i < size; i++) {
    if (among?.[i] === 0) continue;
    for (let j = 0; j < size; j++) {
      const group = groupOf[j];
      if (group < 0 || i === j) continue;
      const pair = i < j ? i * size + j : j * size + i;
      met[i * groups + group] += together[pair];
      mean[i * groups + group] += expected[pair];
    }
  }
  const variance = new Float64Array(size * groups);
  const ofGroupsIn = covariancesOfGroups(residuals, groupOf, groups);
  const covarianceIn = covariancesOf(evidence);
  for (let b = 0; b < residuals.clusters; b++) {
    if (residuals.times[b] > 0)
      addVariance(
        residuals,
        b,
        covarianceIn(b),
        { groupOf, members, among, ofGroups: ofGroupsIn(b) },
        variance,
      );
  }
  const p = new Float64Array(size * groups).fill(1);
  for (let at = 0; at < p.length; at++) {
    if (met[at] === 0) continue;
    const chance = Math.max(mean[at], LEAST_EXPECTED);
    if (variance[at] > 0 && met[at] > chance)
      p[at] = chanceOfCount(met[at], chance, variance[at] / chance) / 2;
  }
  return p;
}

/**
 * The chance that the same sources speak of a concept and of the others of its group, one-sided as above.
 *
 * @param concepts those it is asked of, each in a group
 * @returns of each concept; 1 for those it is not asked of
 */
export function chanceOfSameSources(
  { size, residuals, spread }: Evidence,
  groupOf: ArrayLike<number>,
  groups: number,
  concepts: readonly number[],
): Float64Array {
  const p = new Float64Array(size).fill(1);
  if (concepts.length === 0) return p;
  const { clusters, times } = residuals;
  const held = heldByCluster(residuals);
  const departures = departuresOf(residuals, spread, held);
  const counted = clustersCounted(residuals);
  const ofGroups = new Float64Array(groups * clusters);
  const has = new Float64Array(groups * clusters);
  for (let i = 0; i < size; i++) {
    if (groupOf[i] < 0) continue;
    for (let b = 0; b < clusters; b++) {
      ofGroups[groupOf[i] * clusters + b] += departures[i * clusters + b];
      if (held[i * clusters + b] > 0) has[groupOf[i] * clusters + b]++;
    }
  }
  for (const i of concepts) {
    const group = groupOf[i];
    let [shared, length, together, first, second] = [0, 0, 0, 0, 0];
    for (let b = 0; b < clusters; b++) {
      if (times[b] === 0) continue;
      const own = departures[i * clusters + b];
      const others = ofGroups[group * clusters + b] - own;
      const present = held[i * clusters + b] > 0;
      shared += times[b] * own * others;
      length += times[b] * others * others;
      const othersPresent = has[group * clusters + b] - (present ? 1 : 0) > 0;
      if (present) first += times[b];
      if (othersPresent) second += times[b];
      if (present && othersPresent) together += times[b];
    }
    if (shared <= 0) continue;
    p[i] =
      chanceBetween(
        { shared, lengths: length * spread.length[i], clusters: counted },
        { first, second, both: together },
      ) / 2;
  }
  return p;
}

/** Groups, as a cluster has them. */
interface GroupsInCluster {
  readonly groupOf: ArrayLike<number>;
  /** How many concepts each has. */
  readonly members: Float64Array;
  /** 1 for each concept it is asked of. */
  readonly among: Uint8Array | undefined;
  /** Autocovariances of each in the cluster, groups × (lags + 1). */
  readonly ofGroups: Float64Array;
}

/** The autocovariances of a cluster's concepts, those that are held or worked out again. */
function covariancesOf({ residuals, covariances }: Evidence): (cluster: number) => Float64Array {
  if (covariances) return (cluster) => covariances[cluster];
  const seriesOf = seriesIn(residuals);
  return (cluster) => seriesOf(cluster).covariance;
}

/** Adds how much the company of each concept varies in a cluster: with its group, or with every one where it has none. */
function addVariance(
  residuals: Residuals,
  cluster: number,
  covariance: Float64Array,
  { groupOf, members, among, ofGroups }: GroupsInCluster,
  variance: Float64Array,
): void {
  const { clusterFirst, presentFirst, present, lags, times } = residuals;
  const windows = clusterFirst[cluster + 1] - clusterFirst[cluster];
  if (windows < 2) return;
  const groups = members.length;
  const uneven = unevenness(residuals, cluster);
  const first = presentFirst[cluster];
  for (let k = first; k < presentFirst[cluster + 1]; k++) {
    const i = present[k];
    if (among?.[i] === 0) continue;
    const [from, to] = groupOf[i] < 0 ? [0, groups] : [groupOf[i], groupOf[i] + 1];
    const ofConcept = (k - first) * (lags + 1);
    for (let g = from; g < to; g++) {
      const ofGroup = g * (lags + 1);
      // Without the concept itself a group varies less.
      const others = groupOf[i] === g ? (members[g] - 1) / members[g] : 1;
      let sum = covariance[ofConcept] * ofGroups[ofGroup];
      for (let l = 1; l <= lags; l++) sum += 2 * covariance[ofConcept + l] * ofGroups[ofGroup + l];
      variance[i * groups + g] += times[cluster] * (Math.max(0, sum * others) / windows) * uneven;
    }
  }
}
