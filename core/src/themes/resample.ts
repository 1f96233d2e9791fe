import type { Counts } from '../network/counts.ts';
import type { RedrawnConcepts } from '../concepts/redrawn.ts';
import { evidenceOfDraws } from '../network/resampled-evidence.ts';
import { windowsByVoice } from '../network/residuals.ts';
import { buildGraph, type Graph } from '../network/graph.ts';
import { chancesOfPairs, claimPairs, type LinkSettings, type PairChances } from '../network/links.ts';
import { voiceOf, type Windows } from '../network/windows.ts';
import { seededRandom, shuffle, type Random } from '../numeric/random.ts';
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
/** A theme comes back in a draw where one of the draw's holds half of its concepts, and these are a quarter of that one or more. */
const COMES_BACK = { ofTheme: 0.5, ofOther: 0.25 };

/**
 * Whether a theme is back in another, by how many concepts both have.
 *
 * @example isBackIn(5, { theme: 10, other: 20 }) // true: half of it, and a quarter of the other
 */
export const isBackIn = (
  both: number,
  { theme, other }: { readonly theme: number; readonly other: number },
): boolean => both >= COMES_BACK.ofTheme * theme && both >= COMES_BACK.ofOther * other;

/** How often halves of the sources are drawn, an even number: of many, each draw says much the same. */
export const drawsFor = (sources: number): number =>
  2 * Math.round(Math.max(FEWEST_DRAWS, Math.min(MOST_DRAWS, DRAWS_BY_SOURCES / Math.max(1, sources))) / 2);

/** How themes do when other sources had been heard. */
export interface Resampled {
  /** How often sources were drawn; 0 where there is one only, and then nothing is known. */
  readonly draws: number;
  /** Of each theme: the mean overlap (Jaccard) with the theme of a draw that is most like it, of the concepts chosen there. */
  readonly overlap: Float64Array;
  /** Of each theme: the share of draws in which it comes back. */
  readonly comesBack: Float64Array;
  /** Of each concept in a theme: the mean share of its theme's other members it is with in a draw, of those chosen; 0 for loose ones. */
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

export interface ResampleInput {
  /** Of the concepts that take part in draws (`RedrawnConcepts.pool`), as are `windows`. */
  readonly counts: Counts;
  readonly windows: Windows;
  readonly links: LinkSettings;
  readonly redrawn: Pick<RedrawnConcepts, 'draws' | 'chosen'>;
  readonly themes: Pick<Themes, 'resolution' | 'held'>;
  readonly seed: number;
}

/** Groups what is chosen in a draw by the sources of the draw; gives the community of each that may be, −1 where it is not chosen. */
export function resampleGrouper(input: ResampleInput): (draw: number) => Stepwise<Int32Array> {
  const { counts, windows, links, redrawn, themes } = input;
  const evidenceOf = evidenceOfDraws(counts, windows, links.maximumQ);
  const size = counts.windowsWith.length;
  const held = { ...themes.held, out: widened(themes.held.out, size) };
  // Somebody without any window is in no list of windows.
  const placeOf = new Map([...new Set(voiceOf(windows))].map((voice, place) => [voice, place]));
  return function* (draw) {
    const drawn = [...redrawn.draws[draw]].flatMap((voice) => placeOf.get(voice) ?? []);
    const isChosen = new Uint8Array(size);
    for (const concept of redrawn.chosen[draw]) isChosen[concept] = 1;
    const evidence = evidenceOf(drawn, isChosen);
    const judged = claimPairs(chancesOfPairs(evidence, isChosen), links);
    const graph = groupingNetwork(size, judged, links);
    const { best } = runLeiden(networkAround(graph, held), themes.resolution, input.seed + draw, RUNS);
    const around = withHeld(best, graph, held);
    const settled = yield* settleMembers(around, { evidence, links: judged, isChosen }, SETTLING_ROUNDS);
    return withHeld(settled, graph, held).map((community, concept) =>
      isChosen[concept] === 1 ? community : -1,
    );
  };
}

/** What holds of some concepts said of more: the others take part. */
function widened(out: Uint8Array, size: number): Uint8Array {
  const wide = new Uint8Array(size);
  wide.set(out);
  return wide;
}

/**
 * Draws one half of the sources and the other, again and again, chooses the concepts of each anew (`redrawConcepts`) and groups them:
 * would other sources have shown this theme? A half says less than all, so what comes back in it is not said too lightly.
 *
 * The resolution stays: chosen anew in every draw as well, themes of real texts came back as often, and fresh halves bore
 * out both alike (docs/method/themes.md).
 *
 * @param inParts groups the draws of these numbers (`resampleGrouper`)
 */
export function* resampleThemes(
  { draws, chosen }: Pick<RedrawnConcepts, 'draws' | 'chosen'>,
  themes: Themes,
  inParts: InParts<number, Int32Array>,
): Stepwise<Resampled> {
  const count = themes.themes.length;
  const overlap = new Float64Array(count);
  const comesBack = new Float64Array(count);
  const withTheme = new Float64Array(themes.themeOf.length * count);
  const times = new Float64Array(themes.themeOf.length);
  const grouped = count > 0 && draws.length > 0 ? yield* inParts(numbersTo(draws.length)) : [];
  grouped.forEach((community, draw) => {
    const sizes = new Map<number, number>();
    for (const c of community) if (c >= 0) sizes.set(c, (sizes.get(c) ?? 0) + 1);
    themes.themes.forEach(({ concepts }, t) => {
      const { best, isBack } = foundAgain(concepts, community, sizes);
      overlap[t] += best / grouped.length;
      if (isBack) comesBack[t] += 1 / grouped.length;
    });
    for (const concept of chosen[draw]) if (concept < times.length) times[concept]++;
    addCompany(withTheme, community, themes);
  });
  withTheme.forEach((sum, at) => (withTheme[at] = sum / Math.max(1, times[Math.floor(at / count)])));
  return { draws: grouped.length, overlap, comesBack, ...companyKept(withTheme, themes) };
}

/** Adds, for each concept that is chosen in a draw and each theme, the share of the theme's other members chosen it is with. */
function addCompany(withTheme: Float64Array, community: Int32Array, { themes, themeOf }: Themes): void {
  const count = themes.length;
  const members = new Map<number, Int32Array>();
  const chosen = new Int32Array(count);
  for (let i = 0; i < themeOf.length; i++) {
    if (themeOf[i] < 0 || community[i] < 0) continue;
    chosen[themeOf[i]]++;
    let row = members.get(community[i]);
    if (!row) members.set(community[i], (row = new Int32Array(count)));
    row[themeOf[i]]++;
  }
  for (let i = 0; i < themeOf.length; i++) {
    const row = members.get(community[i]);
    if (!row || community[i] < 0) continue;
    for (let t = 0; t < count; t++) {
      const isOwn = themeOf[i] === t ? 1 : 0;
      const others = chosen[t] - isOwn;
      if (others > 0) withTheme[i * count + t] += (row[t] - isOwn) / others;
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

/** The community most like a theme, by their overlap (Jaccard), and whether any is enough of it for the theme to be back. */
function foundAgain(
  concepts: readonly number[],
  community: Int32Array,
  sizes: ReadonlyMap<number, number>,
): { readonly best: number; readonly isBack: boolean } {
  const shared = new Map<number, number>();
  for (const concept of concepts) {
    const c = community[concept];
    if (c >= 0) shared.set(c, (shared.get(c) ?? 0) + 1);
  }
  let best = 0;
  let isBack = false;
  for (const [c, both] of shared) {
    const size = sizes.get(c) ?? 0;
    if (size < SMALLEST_THEME) continue;
    best = Math.max(best, both / (concepts.length + size - both));
    isBack ||= isBackIn(both, { theme: concepts.length, other: size });
  }
  return { best, isBack };
}
