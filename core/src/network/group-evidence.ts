import { chanceBetween, chanceOfCount, LEAST_EXPECTED, type Evidence } from './evidence.ts';
import { covarianceIn, covarianceOfGroups, unevenness } from './autocovariance.ts';
import { blocksCounted, presentIn } from './residuals.ts';

/**
 * Tests every concept against groups of concepts as it is tested against another concept (`weighEvidence`): the windows
 * it shares with the group's members, its own part left out, against what is expected of each, with the bursts of concept
 * and group.
 *
 * @param groupOf group of each concept, −1 for none
 * @returns concepts × groups: the chance of so much company with the group, one-sided; 1 where it is less than by chance
 */
export function chanceWithGroups(
  evidence: Evidence,
  groupOf: ArrayLike<number>,
  groups: number,
): Float64Array {
  const { size, residuals, together, expected } = evidence;
  const met = new Float64Array(size * groups);
  const mean = new Float64Array(size * groups);
  const members = new Float64Array(groups);
  for (let i = 0; i < size; i++) if (groupOf[i] >= 0) members[groupOf[i]]++;
  for (let i = 0; i < size; i++) {
    for (let j = 0; j < size; j++) {
      const group = groupOf[j];
      if (group < 0 || i === j) continue;
      const pair = i < j ? i * size + j : j * size + i;
      met[i * groups + group] += together[pair];
      mean[i * groups + group] += expected[pair];
    }
  }
  const variance = new Float64Array(size * groups);
  for (let b = 0; b < residuals.blocks; b++) {
    if (residuals.times[b] > 0) addVariance(evidence, b, groupOf, members, variance);
  }
  const p = new Float64Array(size * groups).fill(1);
  for (let at = 0; at < p.length; at++) {
    const chance = Math.max(mean[at], LEAST_EXPECTED);
    if (variance[at] > 0 && met[at] > chance)
      p[at] = chanceOfCount(met[at], chance, variance[at] / chance) / 2;
  }
  return p;
}

/**
 * The chance that the same sources speak of a concept and of a group, its own part left out, one-sided as above.
 *
 * @returns concepts × groups
 */
export function chanceOfSameSources(
  { size, residuals, spread }: Evidence,
  groupOf: ArrayLike<number>,
  groups: number,
): Float64Array {
  const { blocks, held, times } = residuals;
  const counted = blocksCounted(residuals);
  const ofGroups = new Float64Array(groups * blocks);
  const has = new Float64Array(groups * blocks);
  for (let i = 0; i < size; i++) {
    if (groupOf[i] < 0) continue;
    for (let b = 0; b < blocks; b++) {
      ofGroups[groupOf[i] * blocks + b] += spread.departures[i * blocks + b];
      if (held[i * blocks + b] > 0) has[groupOf[i] * blocks + b]++;
    }
  }
  const p = new Float64Array(size * groups).fill(1);
  for (let i = 0; i < size; i++) {
    for (let g = 0; g < groups; g++) {
      const inside = groupOf[i] === g ? 1 : 0;
      let [shared, length, together, first, second] = [0, 0, 0, 0, 0];
      for (let b = 0; b < blocks; b++) {
        if (times[b] === 0) continue;
        const own = spread.departures[i * blocks + b];
        const others = ofGroups[g * blocks + b] - inside * own;
        const present = held[i * blocks + b] > 0;
        shared += times[b] * own * others;
        length += times[b] * others * others;
        const groupPresent = has[g * blocks + b] - (inside && present ? 1 : 0) > 0;
        if (present) first += times[b];
        if (groupPresent) second += times[b];
        if (present && groupPresent) together += times[b];
      }
      if (shared > 0) {
        p[i * groups + g] =
          chanceBetween(
            { shared, lengths: length * spread.length[i], blocks: counted },
            { first, second, both: () => together },
          ) / 2;
      }
    }
  }
  return p;
}

/** Adds how much company of each concept with each group varies in a block. */
function addVariance(
  { residuals, covariances }: Evidence,
  block: number,
  groupOf: ArrayLike<number>,
  members: Float64Array,
  variance: Float64Array,
): void {
  const { blockFirst, lags, times } = residuals;
  const windows = blockFirst[block + 1] - blockFirst[block];
  if (windows < 2) return;
  const groups = members.length;
  const ofGroups = covarianceOfGroups(residuals, block, groupOf, groups);
  const covariance = covariances?.[block] ?? covarianceIn(residuals, block).covariance;
  const uneven = unevenness(residuals, block);
  for (const i of presentIn(residuals, block)) {
    for (let g = 0; g < groups; g++) {
      // Without the concept itself a group varies less.
      const others = groupOf[i] === g ? (members[g] - 1) / members[g] : 1;
      let sum = 0;
      for (let l = 0; l <= lags; l++) {
        sum += (l === 0 ? 1 : 2) * covariance[i * (lags + 1) + l] * ofGroups[g * (lags + 1) + l];
      }
      variance[i * groups + g] += times[block] * (Math.max(0, sum * others) / windows) * uneven;
    }
  }
}
