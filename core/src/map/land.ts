import { area, type Point } from './geometry.ts';
import { indexOfLetter } from '../themes/letters.ts';
import type { Themes } from '../themes/themes.ts';
import type { Land } from './ground.ts';
import { roomForName } from './names.ts';
import { outline, partLand, powerCells, spreadOver, stressPlaces } from './parcels.ts';
import type { MapInput } from './scene-types.ts';
import { FOOT, MARGIN } from './sheet.ts';
import { sheetOf } from '../base/sheets.ts';
import type { Written } from './words.ts';

/** Land a word needs for each unit of its box, so that it can be placed. */
const PACKING = 2.1;
/** The type of a name that room is kept for. */
const NAME_TYPE = 22;
/** A theme of a word or two has still so much of the land: less is a sliver at its rim, in which no name can be read. */
const LEAST_LAND = 0.025;
/** So much of the land goes by what must be written, where there is too much for all to have their room. */
const MOST_ADDED = 0.9;

/** The land of each theme: placed by the links between themes, or where it stood; sized by share, but no smaller than it needs. */
export function landOfThemes(
  { graph, themes, settings, ground = [] }: MapInput,
  written: (concept: number) => Written,
): { cells: Point[][]; sites: Land['site'][] } {
  const count = themes.themes.length;
  const between = Array.from({ length: count }, () => new Array<number>(count).fill(0));
  for (let v = 0; v < graph.size; v++) {
    const a = themes.themeOf[v];
    for (let e = graph.offset[v]; a >= 0 && e < graph.offset[v + 1]; e++) {
      const b = themes.themeOf[graph.neighbour[e]];
      if (b >= 0 && b !== a) between[a][b] += graph.weight[e];
    }
  }
  // Large themes have many links by their size alone.
  const closeness = between.map((row, a) =>
    row.map((sum, b) => sum / (themes.themes[a].concepts.length * themes.themes[b].concepts.length)),
  );
  const golden = Math.PI * (3 - Math.sqrt(5));
  const start = themes.themes.map(({ letter }): Point => {
    const number = indexOfLetter(letter);
    const away = Math.sqrt(number + 0.5);
    return [away * Math.cos(number * golden), away * Math.sin(number * golden)];
  });
  const sheet = sheetOf(settings.sheet);
  const land = outline(sheet.width, sheet.height - FOOT, MARGIN);
  const shares = sharesWithRoom(themes, area(land), written);
  const stood = new Map(ground.map(({ letter, site }) => [letter, site]));
  const known = themes.themes.map(({ letter }) => stood.get(letter));
  const fresh = spreadOver(land, stressPlaces(closeness, start));
  // A theme that is new among others that stood begins near those it is linked to.
  const begun = known.map((site, i): Point => {
    if (site) return [site[0], site[1]];
    const near = known.flatMap((other, j) => (other ? [{ other, weight: closeness[i][j] + 1e-6 }] : []));
    if (near.length === 0) return fresh[i];
    const sum = near.reduce((all, { weight }) => all + weight, 0);
    const mean = (axis: 0 | 1): number =>
      near.reduce((all, { other, weight }) => all + weight * other[axis], 0) / sum;
    // Never just where another stands.
    return [0.7 * mean(0) + 0.3 * fresh[i][0], 0.7 * mean(1) + 0.3 * fresh[i][1]];
  });
  const { sites, weights } = partLand(
    land,
    begun,
    shares,
    known.map((site) => site?.[2]),
  );
  const round = (value: number): number => Math.round(value * 100) / 100;
  const settled = sites.map(([x, y], i): Land['site'] => [round(x), round(y), round(weights[i])]);
  return {
    sites: settled,
    cells: powerCells(
      land,
      settled.map(([x, y]): Point => [x, y]),
      settled.map(([, , weight]) => weight),
    ),
  };
}

/**
 * Shares of the land: the themes' strengths, but none smaller than its name and its words need, and none smaller than a weaker
 * theme's. Where all ask for too much, a part of the land goes by need and the rest by strength.
 */
function sharesWithRoom({ themes }: Themes, land: number, written: (concept: number) => Written): number[] {
  const smallest = 1e-4;
  const strengths = themes.map(({ share }) => Math.max(share, smallest));
  const needs = themes.map(({ letter, label, concepts }) => {
    const room = concepts
      .map(written)
      .reduce((all, { width, height }) => all + (width + 10) * (height + 6), 0);
    return Math.max(LEAST_LAND, (PACKING * room + 1.6 * roomForName(`${letter} ${label}`, NAME_TYPE)) / land);
  });
  // Whoever is stronger has no less than the weaker ones need.
  const byStrength = themes.map((_, i) => i).sort((a, b) => strengths[a] - strengths[b] || a - b);
  let most = 0;
  for (const i of byStrength) needs[i] = most = Math.max(most, needs[i]);
  const needed = needs.reduce((all, each) => all + each, 0);
  // Where there are very many words, all give up the same part of what they need.
  const scale = Math.min(1, MOST_ADDED / Math.max(needed, 1e-9));
  const floor = needs.map((need) => need * scale);
  const sum = strengths.reduce((all, each) => all + each, 0);
  let shares = strengths.map((strength) => strength / sum);
  const isHeld = shares.map(() => false);
  for (let round = 0; round < shares.length; round++) {
    const short = shares.findIndex((share, i) => !isHeld[i] && share < floor[i]);
    if (short < 0) break;
    shares.forEach((share, i) => {
      if (share < floor[i]) isHeld[i] = true;
    });
    const heldSum = floor.reduce((all, each, i) => all + (isHeld[i] ? each : 0), 0);
    const freeSum = strengths.reduce((all, each, i) => all + (isHeld[i] ? 0 : each), 0);
    shares = strengths.map((strength, i) => (isHeld[i] ? floor[i] : ((1 - heldSum) * strength) / freeSum));
  }
  return shares;
}
