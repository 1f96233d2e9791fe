import type { Counts } from '../network/counts.ts';
import { evidenceOfDraws } from '../network/resampled-evidence.ts';
import { windowsByVoice } from '../network/residuals.ts';
import type { Evidence } from '../network/evidence.ts';
import { buildGraph, type Graph } from '../network/graph.ts';
import { chancesOfPairs, claimPairs, type LinkSettings, type PairChances } from '../network/links.ts';
import type { Windows } from '../network/windows.ts';
import { randomInteger, seededRandom, shuffle, type Random } from '../numeric/random.ts';
import type { InParts } from '../base/share-out.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { networkAround, withHeld } from './choices.ts';
import { runLeiden } from './runs.ts';
import { settleMembers } from './members.ts';
import { SMALLEST_THEME } from './resolution.ts';
import { groupingNetwork, type Themes } from './themes.ts';

/** How often sources are drawn anew where they are few, and at least where they are many. */
const [MOST_DRAWS, FEWEST_DRAWS] = [100, 40];
/** Draws are so many by so many sources, where that is between the two. */
const DRAWS_BY_SOURCES = 20_000;
/** Runs of Leiden a draw; the best is taken. */
const RUNS = 3;
/** Rounds in which loose concepts may join; what comes after the first is little. */
const SETTLING_ROUNDS = 1;
/** A theme comes back in a draw where one of the draw's shares so much of it (Hennig 2007). */
const COMES_BACK = 0.5;

/**
 * How often sources are drawn anew: of many, each draw says much the same. With 500 sources the overlap of forty draws is
 * within 0.01 of that of a hundred, and no band differs.
 */
export const drawsFor = (sources: number): number =>
  Math.max(FEWEST_DRAWS, Math.min(MOST_DRAWS, Math.round(DRAWS_BY_SOURCES / Math.max(1, sources))));

/** How themes do when other sources had been heard. */
export interface Resampled {
  /** How often sources were drawn; 0 where there is one only, and then nothing is known. */
  readonly draws: number;
  /** Of each theme: the mean overlap (Jaccard) with the theme of a draw that is most like it. */
  readonly overlap: Float64Array;
  /** Of each theme: the share of draws in which it comes back. */
  readonly comesBack: Float64Array;
  /** Of each concept in a theme: the mean share of its theme's other members it is with in a draw; 0 for loose ones. */
  readonly together: Float64Array;
  /** Of each concept: the other theme it is with most, by the mean share of its members; −1 where it is with none. */
  readonly lean: Int32Array;
  /** That share. */
  readonly leaning: Float64Array;
}

/** Draws on which resolutions are tried. */
const TRIED_DRAWS = 24;

/** What pairs are drawn anew by; chance is told up to the q a link is claimed by. */
export interface PairResampling extends Pick<ResampleInput, 'counts' | 'windows' | 'seed'> {
  readonly claimed: number;
}

/** Tells of a draw what chance has to do with its pairs. */
export function pairResampler({
  counts,
  windows,
  claimed,
  seed,
}: PairResampling): (draw: number) => PairChances {
  const sources = windowsByVoice(windows).length;
  const evidenceOf = evidenceOfDraws(counts, windows, claimed);
  const drawn = balancedDraws(sources, TRIED_DRAWS, seededRandom(seed, 30_000));
  return (draw) => chancesOfPairs(evidenceOf(drawn[draw]));
}

/** What chance has to do with pairs when sources are drawn anew, draw by draw. */
export function* resamplePairs(
  windows: Windows,
  inParts: InParts<number, PairChances>,
  draws = TRIED_DRAWS,
): Stepwise<PairChances[]> {
  return canBeDrawn(windows) ? yield* inParts(numbersTo(draws)) : [];
}

/** With one source there is nothing to draw. */
const canBeDrawn = (windows: Windows): boolean => windowsByVoice(windows).length >= 2;
const numbersTo = (end: number): number[] => Array.from({ length: end }, (_, k) => k);

/** The network that is grouped, as it is when sources are drawn anew. */
export const resampledNetworks = (drawn: readonly PairChances[], links: LinkSettings): Graph[] =>
  drawn.map((chances) => groupingNetwork(chances.size, claimPairs(chances, links), links));

/**
 * A network with its links counted anew, for one of which no more is known: each link so many times its weight as a Poisson
 * count of mean 1 says (Rosvall & Bergstrom 2010).
 */
export function resampleLinks(graph: Graph, seed: number, draws = TRIED_DRAWS): Graph[] {
  return Array.from({ length: draws }, (_, draw) => {
    const random = seededRandom(seed, 40_000 + draw);
    const [source, target, weight]: number[][] = [[], [], []];
    for (let v = 0; v < graph.size; v++) {
      for (let e = graph.offset[v]; e < graph.offset[v + 1]; e++) {
        if (graph.neighbour[e] < v) continue;
        const times = poissonOfOne(random());
        if (times === 0) continue;
        source.push(v);
        target.push(graph.neighbour[e]);
        weight.push(times * graph.weight[e]);
      }
    }
    return buildGraph(graph.size, source, target, weight);
  });
}

/** The Poisson count of mean 1 at this place of its distribution. */
function poissonOfOne(place: number): number {
  let count = 0;
  let chance = Math.exp(-1);
  for (let below = chance; place > below && count < 20; below += chance) chance /= ++count;
  return count;
}

/**
 * So many draws of as many sources as there are, with replacement, in which together each source comes as often as any other
 * (balanced bootstrap, Davison, Hinkley & Schechtman 1986): what they say in the mean hangs less on which were drawn.
 */
function balancedDraws(sources: number, draws: number, random: Random): number[][] {
  const all = shuffle(
    Int32Array.from({ length: sources * draws }, (_, i) => i % sources),
    random,
  );
  return Array.from({ length: draws }, (_, draw) => [...all.subarray(draw * sources, (draw + 1) * sources)]);
}

const resampleSources = (sources: number, random: Random): number[] =>
  Array.from({ length: sources }, () => randomInteger(random, sources));

export interface ResampleInput {
  readonly counts: Counts;
  readonly windows: Windows;
  readonly links: LinkSettings;
  readonly themes: Pick<Themes, 'resolution' | 'held'>;
  readonly seed: number;
}

/** Groups the concepts anew by the sources of a draw; gives the community of each. */
export function resampleGrouper(input: ResampleInput): (draw: number) => Stepwise<Int32Array> {
  const sources = windowsByVoice(input.windows).length;
  const evidenceOf = evidenceOfDraws(input.counts, input.windows, input.links.maximumQ);
  return (draw) =>
    groupDrawn(input, evidenceOf(resampleSources(sources, seededRandom(input.seed, 20_000 + draw))), draw);
}

/**
 * Draws as many sources as there are, with replacement, and groups the concepts anew at the same resolution, again and
 * again: themes that hang on a few sources are lost in some draws (bootstrap over sources, Efron 1979; cluster-wise
 * stability, Hennig 2007). It is kinder than fresh sources would be, as a draw holds two thirds of the same.
 *
 * @param inParts groups the draws of these numbers (`resampleGrouper`)
 */
export function* resampleThemes(
  windows: Windows,
  themes: Themes,
  inParts: InParts<number, Int32Array>,
  draws = drawsFor(windowsByVoice(windows).length),
): Stepwise<Resampled> {
  const count = themes.themes.length;
  const overlap = new Float64Array(count);
  const comesBack = new Float64Array(count);
  const withTheme = new Float64Array(themes.themeOf.length * count);
  const grouped = count > 0 && canBeDrawn(windows) ? yield* inParts(numbersTo(draws)) : [];
  for (const community of grouped) {
    const sizes = new Map<number, number>();
    for (const c of community) sizes.set(c, (sizes.get(c) ?? 0) + 1);
    themes.themes.forEach(({ concepts }, t) => {
      const best = bestOverlap(concepts, community, sizes);
      overlap[t] += best / draws;
      if (best >= COMES_BACK) comesBack[t] += 1 / draws;
    });
    addCompany(withTheme, community, themes, draws);
  }
  return { draws: grouped.length, overlap, comesBack, ...companyKept(withTheme, themes) };
}

/** Adds, for each concept and theme, the share of the theme's other members a draw has it with. */
function addCompany(
  withTheme: Float64Array,
  community: Int32Array,
  { themes, themeOf }: Themes,
  draws: number,
): void {
  const count = themes.length;
  const members = new Map<number, Int32Array>();
  for (let i = 0; i < community.length; i++) {
    if (themeOf[i] < 0) continue;
    let row = members.get(community[i]);
    if (!row) members.set(community[i], (row = new Int32Array(count)));
    row[themeOf[i]]++;
  }
  for (let i = 0; i < community.length; i++) {
    const row = members.get(community[i]);
    if (!row) continue;
    for (let t = 0; t < count; t++) {
      const isOwn = themeOf[i] === t ? 1 : 0;
      const others = themes[t].concepts.length - isOwn;
      if (others > 0) withTheme[i * count + t] += (row[t] - isOwn) / others / draws;
    }
  }
}

function companyKept(
  withTheme: Float64Array,
  { themes, themeOf }: Themes,
): Pick<Resampled, 'together' | 'lean' | 'leaning'> {
  const count = themes.length;
  const together = new Float64Array(themeOf.length);
  const lean = new Int32Array(themeOf.length).fill(-1);
  const leaning = new Float64Array(themeOf.length);
  for (let i = 0; i < themeOf.length; i++) {
    for (let t = 0; t < count; t++) {
      const share = withTheme[i * count + t];
      if (t === themeOf[i]) together[i] = share;
      else if (share > leaning[i]) [lean[i], leaning[i]] = [t, share];
    }
  }
  return { together, lean, leaning };
}

function bestOverlap(
  concepts: readonly number[],
  community: Int32Array,
  sizes: ReadonlyMap<number, number>,
): number {
  const shared = new Map<number, number>();
  for (const concept of concepts) shared.set(community[concept], (shared.get(community[concept]) ?? 0) + 1);
  let best = 0;
  for (const [c, both] of shared) {
    const size = sizes.get(c) ?? 0;
    if (size >= SMALLEST_THEME) best = Math.max(best, both / (concepts.length + size - both));
  }
  return best;
}

function* groupDrawn(
  { links: settings, themes, seed }: ResampleInput,
  evidence: Evidence,
  draw: number,
): Stepwise<Int32Array> {
  const judged = claimPairs(chancesOfPairs(evidence), settings);
  const graph = groupingNetwork(evidence.size, judged, settings);
  const { best } = runLeiden(networkAround(graph, themes.held), themes.resolution, seed + draw, RUNS);
  const around = withHeld(best, graph, themes.held);
  const settled = yield* settleMembers(around, { evidence, links: judged }, SETTLING_ROUNDS);
  return withHeld(settled, graph, themes.held);
}
