import { seededRandom, shuffle } from '../numeric/random.ts';
import type { Stepwise } from '../base/stepwise.ts';
import type { Tokens } from '../text/tokens.ts';
import type { Candidates } from './candidates.ts';
import { FEWEST_MENTIONS, pullOfOne, REFERENCES } from './pull.ts';
import {
  chooseConcepts,
  leastMentionsOf,
  scoreOf,
  type Concepts,
  type Ranked,
  type SelectionSettings,
} from './selection.ts';

/** Concepts that may be chosen in a draw: so many times as many as are chosen of all sources, the best of them. */
const CANDIDATES_A_CONCEPT = 4;
/** What is chosen in a smaller share of the draws has no place in their networks. */
const LEAST_SHARE = 0.03;
/** People are drawn by so many parts at most: of thousands each draws much the same by itself. */
const MOST_PARTS = 100;

/** Concepts as they are chosen of draws of the sources. */
export interface RedrawnConcepts {
  /** Who speaks in each draw, by number: half of all, and the other half in the next one. */
  readonly draws: readonly Int32Array[];
  /** The candidates that take part: the study's concepts in their order, then what is chosen in some draws. */
  readonly pool: Int32Array;
  /** By draw: places in the pool of those that are chosen. */
  readonly chosen: readonly Int32Array[];
  /** By candidate: the share of draws in which it is chosen. */
  readonly share: Float64Array;
}

/** Of a network without texts nothing can be drawn. */
export const NOTHING_REDRAWN: RedrawnConcepts = {
  draws: [],
  pool: new Int32Array(0),
  chosen: [],
  share: new Float64Array(0),
};

export interface RedrawInput {
  readonly tokens: Tokens;
  /** First token of each context of company, and one entry more (`companyContexts`). */
  readonly contexts: Int32Array;
  readonly candidates: Candidates;
  readonly concepts: Pick<Concepts, 'candidate'>;
  /** Fewest mentions as they are set. */
  readonly settings: Omit<SelectionSettings, 'minimumMentions'> & {
    readonly minimumMentions: number | 'auto';
  };
  /** Number of who speaks in each source, those of one person in a row; null where each is somebody else's. */
  readonly personOf: readonly number[] | null;
  /** Characters of each source. */
  readonly lengths: readonly number[];
  readonly seed: number;
}

/**
 * Chooses the concepts anew of one half of the sources and of the other, again and again (complementary pairs: Shah & Samworth 2013,
 * after Meinshausen & Bühlmann 2010): what other sources would have shown. With replacement a draw holds a source twice whose words
 * then look selective, and more is said to be chosen again than fresh sources choose (docs/method/themes.md).
 *
 * @param draws how many, an even number
 */
export function* redrawConcepts(input: RedrawInput, draws: number): Stepwise<RedrawnConcepts> {
  const { candidates, concepts, settings, lengths } = input;
  const voiceOf = input.personOf ?? lengths.map((_, source) => source);
  const voices = voiceOf.length === 0 ? 0 : voiceOf[voiceOf.length - 1] + 1;
  const share = new Float64Array(candidates.keys.length);
  if (voices < 2 || concepts.candidate.length === 0)
    return { draws: [], pool: concepts.candidate, chosen: [], share };
  const parts = partsOf(voices);
  const looked = lookedAt(candidates, concepts, settings);
  const sums = yield* sumsOfParts(input, voiceOf, parts, looked);
  const all = sumOf(sums, [...sums.keys()]);
  const size = concepts.candidate.length;
  const drawn: Int32Array[] = [];
  const chosen: number[][] = [];
  const random = seededRandom(input.seed, 20_000);
  const order = Int32Array.from({ length: parts.count }, (_, part) => part);
  while (drawn.length < draws) {
    shuffle(order, random);
    const half = parts.count >> 1;
    const firstHalf = sumOf(sums, order.subarray(0, half));
    const halves = [
      { these: order.subarray(0, half), whole: firstHalf },
      { these: order.subarray(half), whole: without(all, firstHalf) },
    ];
    for (const { these, whole } of halves) {
      const isDrawn = new Uint8Array(parts.count);
      for (const part of these) isDrawn[part] = 1;
      drawn.push(Int32Array.from({ length: voices }, (_, v) => v).filter((v) => isDrawn[parts.of[v]] === 1));
      const { characters, persons } = sizeIn(sums, these);
      const ranked = rankedIn(candidates, looked, whole, persons);
      const found = chooseConcepts(
        ranked,
        { sources: persons, characters },
        settingsIn(settings, size, characters),
      );
      chosen.push(found.map((k) => looked[k]));
      for (const k of found) share[looked[k]] += 1 / draws;
    }
    yield drawn.length / draws;
  }
  const isConcept = new Set(concepts.candidate);
  const others = [...looked]
    .filter((c) => !isConcept.has(c) && share[c] >= LEAST_SHARE)
    .sort((a, b) => a - b);
  const pool = Int32Array.from([...concepts.candidate, ...others]);
  const placeOf = new Map([...pool].map((c, place) => [c, place]));
  return {
    draws: drawn,
    pool,
    chosen: chosen.map((list) =>
      Int32Array.from(list.flatMap((c) => (placeOf.has(c) ? [placeOf.get(c) ?? 0] : []))).sort(),
    ),
    share,
  };
}

/** As many concepts as of all sources; what was set by hand is asked of half the text in half the measure. */
const settingsIn = (
  { minimumMentions, minimumSources, ...others }: RedrawInput['settings'],
  size: number,
  characters: number,
): SelectionSettings => ({
  ...others,
  size,
  minimumMentions:
    minimumMentions === 'auto' ? leastMentionsOf('auto', characters) : Math.ceil(minimumMentions / 2),
  minimumSources: minimumSources === 'auto' ? 'auto' : Math.ceil(minimumSources / 2),
});

/** People in parts that are drawn whole. */
interface Parts {
  readonly count: number;
  /** Part of each person. */
  readonly of: Int32Array;
}

function partsOf(voices: number): Parts {
  const count = Math.min(voices, MOST_PARTS);
  return { count, of: Int32Array.from({ length: voices }, (_, v) => Math.floor((v * count) / voices)) };
}

/** The candidates that are looked at: the study's concepts and the best of the others. */
function lookedAt(
  candidates: Candidates,
  { candidate }: Pick<Concepts, 'candidate'>,
  { dropped, kept }: Pick<SelectionSettings, 'dropped' | 'kept'>,
): Int32Array {
  const isOut = new Set(dropped);
  const isKept = new Set(kept);
  const looked = new Set(candidate);
  candidates.keys.forEach((key, c) => {
    if (isKept.has(key) && !isOut.has(key)) looked.add(c);
  });
  const scores = Float64Array.from(candidates.keys, (_, c) => scoreOf(candidates, c));
  const best = [...scores.keys()]
    .filter((c) => scores[c] > 0 && !isOut.has(candidates.keys[c]))
    .sort((a, b) => scores[b] - scores[a] || a - b);
  for (const c of best.slice(0, CANDIDATES_A_CONCEPT * candidate.length)) looked.add(c);
  return Int32Array.from(looked).sort();
}

/** What the people of one part say. */
interface PartSums {
  characters: number;
  persons: number;
  /** By candidate that is looked at: mentions, people who mention it, and squares of mentions by person. */
  readonly mentions: Float64Array;
  readonly mentioning: Float64Array;
  readonly squares: Float64Array;
  /** By reference: all company it keeps. */
  readonly usual: Float64Array;
  /** Reference × candidate looked at: how often they keep company. */
  readonly met: Float32Array;
}

function* sumsOfParts(
  { tokens, contexts, candidates, lengths }: RedrawInput,
  voiceOf: readonly number[],
  parts: Parts,
  looked: Int32Array,
): Stepwise<PartSums[]> {
  const references = Math.min(REFERENCES, candidates.keys.length);
  const width = looked.length;
  const sums = Array.from({ length: parts.count }, (): PartSums => ({
    characters: 0,
    persons: 0,
    mentions: new Float64Array(width),
    mentioning: new Float64Array(width),
    squares: new Float64Array(width),
    usual: new Float64Array(references),
    met: new Float32Array(references * width),
  }));
  const placeOf = new Int32Array(candidates.keys.length).fill(-1);
  looked.forEach((c, place) => (placeOf[c] = place));
  let judged = candidates.keys.length;
  while (judged > 0 && candidates.mentions[judged - 1] < FEWEST_MENTIONS) judged--;
  const said = { by: new Int32Array(width).fill(-1), times: new Int32Array(width) };
  const company = { timesOf: new Int32Array(references), timesAt: new Int32Array(width), judged, placeOf };
  const { occurrence, occurrenceFirst } = candidates;
  let context = 0;
  let next = 0;
  let lastVoice = -1;
  for (let source = 0; source + 1 < tokens.sourceFirst.length; source++) {
    const voice = voiceOf[source];
    const part = sums[parts.of[voice]];
    part.characters += lengths[source];
    if (voice !== lastVoice) part.persons++;
    lastVoice = voice;
    const end = tokens.sentenceFirst[tokens.sourceFirst[source + 1]];
    const from = next;
    while (context + 1 < contexts.length && contexts[context] < end) {
      const first = next;
      const limit = contexts[context + 1];
      while (next < occurrence.length && occurrenceFirst[next] < limit) next++;
      addCompany(part, occurrence.subarray(first, next), company);
      context++;
    }
    addMentions(part, occurrence.subarray(from, next), placeOf, { said, voice });
    yield source / tokens.sourceFirst.length;
  }
  return sums;
}

/** Adds how often the candidates of a source are mentioned; a person's sources follow each other. */
function addMentions(
  { mentions, mentioning, squares }: PartSums,
  occurrence: Int32Array,
  placeOf: Int32Array,
  { said, voice }: { readonly said: { by: Int32Array; times: Int32Array }; readonly voice: number },
): void {
  for (const candidate of occurrence) {
    const k = placeOf[candidate];
    if (k < 0) continue;
    if (said.by[k] !== voice) {
      said.by[k] = voice;
      said.times[k] = 0;
      mentioning[k]++;
    }
    mentions[k]++;
    // So many more than before: (n + 1)² − n².
    squares[k] += 2 * said.times[k]++ + 1;
  }
}

/** Adds who keeps company in one context: products of mentions, none of a candidate with itself. */
function addCompany(
  { usual, met }: PartSums,
  occurrence: Int32Array,
  {
    timesOf,
    timesAt,
    judged,
    placeOf,
  }: {
    readonly timesOf: Int32Array;
    readonly timesAt: Int32Array;
    readonly judged: number;
    readonly placeOf: Int32Array;
  },
): void {
  const references: number[] = [];
  const here: number[] = [];
  let all = 0;
  for (const candidate of occurrence) {
    if (candidate < judged) all++;
    if (candidate < timesOf.length && timesOf[candidate]++ === 0) references.push(candidate);
    const k = placeOf[candidate];
    if (k >= 0 && timesAt[k]++ === 0) here.push(candidate);
  }
  const width = timesAt.length;
  for (const r of references) {
    usual[r] += timesOf[r] * (all - timesOf[r]);
    for (const c of here) if (c !== r) met[r * width + placeOf[c]] += timesOf[r] * timesAt[placeOf[c]];
  }
  for (const r of references) timesOf[r] = 0;
  for (const c of here) timesAt[placeOf[c]] = 0;
}

const sizeIn = (sums: readonly PartSums[], drawn: Int32Array): { characters: number; persons: number } => {
  let [characters, persons] = [0, 0];
  for (const part of drawn) {
    characters += sums[part].characters;
    persons += sums[part].persons;
  }
  return { characters, persons };
};

/** What is said in some parts, all counts. */
type WholeSums = Readonly<
  Record<'mentions' | 'mentioning' | 'squares' | 'usual' | 'met', Float64Array<ArrayBuffer>>
>;

function sumOf(sums: readonly PartSums[], drawn: readonly number[] | Int32Array): WholeSums {
  const whole = (of: (part: PartSums) => Float64Array | Float32Array): Float64Array<ArrayBuffer> => {
    const sum = new Float64Array(of(sums[0]).length);
    for (const part of drawn) addTo(sum, of(sums[part]));
    return sum;
  };
  return {
    mentions: whole(({ mentions }) => mentions),
    mentioning: whole(({ mentioning }) => mentioning),
    squares: whole(({ squares }) => squares),
    usual: whole(({ usual }) => usual),
    met: whole(({ met }) => met),
  };
}

/** What is said in all parts but some: sums are of whole numbers, so that nothing is lost. */
function without(all: WholeSums, some: WholeSums): WholeSums {
  const rest = (name: keyof WholeSums): Float64Array<ArrayBuffer> =>
    all[name].map((sum, i) => sum - some[name][i]);
  return {
    mentions: rest('mentions'),
    mentioning: rest('mentioning'),
    squares: rest('squares'),
    usual: rest('usual'),
    met: rest('met'),
  };
}

/** The figures of the candidates that are looked at, by what is said in the parts drawn. */
function rankedIn(candidates: Candidates, looked: Int32Array, whole: WholeSums, persons: number): Ranked {
  const width = looked.length;
  const isOneVoice = persons === 1;
  const all = whole.usual.reduce((sum, each) => sum + each, 0);
  const shares = whole.usual.map((each) => (all === 0 ? 0 : each / all));
  const met = new Float64Array(shares.length);
  const pull = Float64Array.from(looked, (candidate, k) => {
    if (all === 0 || whole.mentions[k] < FEWEST_MENTIONS) return 0;
    for (let r = 0; r < met.length; r++) met[r] = whole.met[r * width + k];
    return pullOfOne(met, shares, candidate);
  });
  return {
    keys: Array.from(looked, (c) => candidates.keys[c]),
    mentions: Int32Array.from(whole.mentions),
    persons: Int32Array.from(whole.mentioning),
    effectiveSources: whole.mentions.map((count, k) =>
      isOneVoice ? count : count ** 2 / Math.max(1, whole.squares[k]),
    ),
    pull,
  };
}

function addTo(sum: Float64Array, more: Float64Array | Float32Array): void {
  for (let i = 0; i < sum.length; i++) sum[i] += more[i];
}
