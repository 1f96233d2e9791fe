import { hashValue } from '../base/hash.ts';
import { remembered } from '../base/remembered.ts';
import { comparedGroups } from '../study/groups.ts';
import type { ConceptSettings, StudySource, StudyState } from '../study/study.ts';
import { toldLanguages } from '../study/told-languages.ts';
import { inOrderOfContents, personsOf, workingSources } from '../study/subset.ts';
import { leastMentions, networkInForce, sizeOfCollection, windowsInForce } from '../study/in-force.ts';
import { toldApart } from '../concepts/spellings.ts';
import { fewestToSpeak } from '../network/stretches.ts';

/** What a stage or a view reads of a study itself. It is handed this and nothing else, and its key is made of it. */
export type Own = Readonly<Record<string, unknown>>;

const hashOfPart = remembered(hashValue);

/** The hash of what is read; parts that stay the same objects, as thousands of sources do, are hashed once. */
export const hashOfOwn = (own: Own): string =>
  hashValue(
    Object.entries(own).map(([name, part]) => [
      name,
      part !== null && typeof part === 'object' ? hashOfPart(part) : part,
    ]),
  );

/** Which sources these are. */
export const idsOf = remembered((sources: readonly StudySource[]): readonly string[] =>
  sources.map(({ id }) => id),
);

/** A source's text as it is known: by its hash, with what is cut from it. */
export type KnownText = Pick<StudySource, 'id' | 'textHash' | 'cuts'>;
export const knownTextsOf = remembered((sources: readonly StudySource[]): readonly KnownText[] =>
  sources.map(({ id, textHash, cuts = [] }) => ({ id, textHash, cuts })),
);

/** Characters of each source. */
const lengthsOf = remembered((sources: readonly StudySource[]): readonly number[] =>
  sources.map(({ length }) => length),
);

/** The choices that decide which words are stopped. */
export interface StopWordChoices extends Pick<ConceptSettings, 'listedStopWords' | 'numbers'> {
  readonly own: readonly string[];
  readonly allowed: readonly string[];
}

export function stopWordChoices({ settings, stopWords, allowedWords }: StudyState): StopWordChoices {
  const { listedStopWords, numbers } = settings.concepts;
  return { listedStopWords, numbers, own: stopWords, allowed: allowedWords };
}

const NO_MERGES: StudyState['merges'] = {};
const NO_WORDS: StudyState['stopWords'] = [];
/** A network that is worked with in place of texts, with what the researcher made of its nodes. */
const ofNetwork = (state: StudyState): Pick<StudyState, 'network' | 'merges'> => {
  const network = networkInForce(state);
  return { network, merges: network ? state.merges : NO_MERGES };
};

/** The least concepts of a theme in a window that speaks to it. */
export const fewestInStretch = ({ settings: { compare } }: StudyState): number =>
  fewestToSpeak(compare.words);

export const stretchSettings = ({ settings: { compare, speakers } }: StudyState) => ({
  words: compare.words,
  interviewers: compare.interviewers,
  roles: speakers.roles,
});

const reads = <const Inputs extends readonly string[], O extends Own>(
  inputs: Inputs,
  own: (state: StudyState) => O,
) => ({ inputs, own });
const nothing = (): Own => ({});

/**
 * Every stage with what it reads: results of other stages, and a part of the study. originals → tokens → … → map and
 * comparison.
 */
export const STAGE_KEYS = {
  // Every source is read, those outside the subset too: who is left out is left out of all of them.
  speakers: reads([], ({ sources }) => ({ ids: idsOf(inOrderOfContents(sources)) })),
  languages: reads([], (state) => ({
    ids: idsOf(workingSources(state)),
    told: toldLanguages(workingSources(state)),
  })),
  tokens: reads([], (state) => ({
    texts: knownTextsOf(workingSources(state)),
    steps: state.settings.cleaning.steps,
    leftOut: state.settings.speakers.leftOut,
  })),
  wordLanguages: reads(['tokens', 'languages'], ({ settings: { concepts } }) => ({
    language: concepts.language,
  })),
  parts: reads(['tokens', 'wordLanguages', 'capitals'], nothing),
  wordParts: reads(['tokens', 'parts'], ({ wordKinds }) => ({ wordKinds })),
  terms: reads(['tokens', 'wordParts', 'wordLanguages', 'capitals'], ({ settings: { concepts } }) => ({
    unit: concepts.unit,
  })),
  bound: reads(['tokens', 'wordLanguages'], nothing),
  stopped: reads(['terms', 'wordLanguages', 'bound'], (state) => ({ choices: stopWordChoices(state) })),
  capitals: reads(['tokens'], (state) => ({ ids: idsOf(workingSources(state)) })),
  names: reads(['tokens', 'stopped', 'wordLanguages', 'capitals'], (state) => ({
    ids: idsOf(workingSources(state)),
    wordKinds: state.wordKinds,
  })),
  nameKinds: reads(['tokens', 'names', 'wordLanguages'], ({ nameKinds }) => ({ nameKinds })),
  contexts: reads(['tokens'], nothing),
  // Before the researcher stopped any word: what is found then holds whatever is stopped later.
  runs: reads(['tokens', 'wordParts', 'terms', 'wordLanguages'], (state) => {
    const { phrases, phraseMentions } = state.settings.concepts;
    return { phrases, phraseMentions, choices: { ...stopWordChoices(state), own: [] } };
  }),
  candidates: reads(['tokens', 'terms', 'stopped', 'runs', 'names', 'nameKinds', 'contexts'], (state) => {
    const { concepts } = state.settings;
    return {
      parts: {
        noun: concepts.nouns,
        verb: concepts.verbs,
        adjective: concepts.adjectives,
        name: concepts.names,
        number: concepts.numbers,
      },
      nameKinds: concepts.nameKinds,
      phrases: concepts.phrases,
      minimumMentions: concepts.phraseMentions,
      minimumNpmi: concepts.phraseNpmi,
      merges: state.merges,
      apart: toldApart(state.refusedMerges),
      personOf: personsOf(state),
    };
  }),
  concepts: reads(['candidates'], (state) => {
    const { size, minimumSources, maximumSourceShare, minimumLetters, minimumPull } = state.settings.concepts;
    return {
      size,
      minimumMentions: leastMentions(state),
      minimumSources,
      maximumSourceShare,
      minimumLetters,
      minimumPull,
      kept: state.kept,
      dropped: state.dropped,
      ...ofNetwork(state),
      stopWords: networkInForce(state) ? state.stopWords : NO_WORDS,
      ...sizeOfCollection(state),
    };
  }),
  repeated: reads(['tokens'], nothing),
  windows: reads(['tokens', 'repeated'], (state) => ({
    windows: windowsInForce(state),
    personOf: personsOf(state),
  })),
  windowsHeld: reads(['candidates', 'windows'], nothing),
  conceptRows: reads(['candidates', 'concepts', 'windows', 'windowsHeld'], (state) => ({
    conceptLabels: state.conceptLabels,
    kept: state.kept,
    dropped: state.dropped,
    sources: workingSources(state).length,
  })),
  counts: reads(['concepts', 'windows', 'candidates'], nothing),
  evidence: reads(['counts', 'windows'], nothing),
  links: reads(['concepts', 'counts', 'windows', 'evidence'], (state) => ({
    links: state.settings.links,
    ...ofNetwork(state),
  })),
  graph: reads(['concepts', 'links'], (state) => ({
    links: state.settings.links,
    network: networkInForce(state),
  })),
  resampledPairs: reads(['counts', 'windows'], ({ settings }) => ({
    claimed: settings.links.maximumQ,
    seed: settings.themes.seed,
  })),
  resampledGraphs: reads(['resampledPairs', 'graph'], (state) => ({
    links: state.settings.links,
    seed: state.settings.themes.seed,
    network: networkInForce(state),
  })),
  sweep: reads(['graph', 'resampledGraphs', 'evidence', 'links'], (state) => ({
    seed: state.settings.themes.seed,
    network: networkInForce(state),
  })),
  grouping: reads(['concepts', 'graph', 'sweep', 'evidence', 'links'], (state) => {
    const { aside, locked, begun } = state.themeChoices;
    return {
      themes: state.settings.themes,
      held: { aside, locked, begun },
      network: networkInForce(state),
    };
  }),
  stretches: reads(['tokens'], stretchSettings),
  spoken: reads(['concepts', 'stretches', 'tokens'], stretchSettings),
  themes: reads(['concepts', 'graph', 'links', 'spoken', 'grouping'], (state) => ({
    labels: state.conceptLabels,
    names: state.themeNames,
    choices: state.themeChoices,
    fewest: fewestInStretch(state),
    network: networkInForce(state),
  })),
  map: reads(['concepts', 'graph', 'links', 'themes'], (state) => ({
    labels: state.conceptLabels,
    seed: state.settings.themes.seed,
    map: state.settings.map,
    pins: state.mapPins,
  })),
  strength: reads(['spoken', 'stretches', 'themes', 'concepts', 'tokens'], (state) => ({
    fewest: fewestInStretch(state),
    sources: workingSources(state).length,
    measure: state.settings.compare.measure,
    ...stretchSettings(state),
  })),
  comparison: reads(['strength'], (state) => {
    const { names, groupOf } = comparedGroups(state);
    return { names, groupOf, seed: state.settings.themes.seed, personOf: personsOf(state) };
  }),
  // Last of all: nothing waits for them.
  redrawn: reads(['tokens', 'contexts', 'candidates', 'concepts'], (state) => {
    const { minimumSources, maximumSourceShare, minimumLetters, minimumPull, minimumMentions } =
      state.settings.concepts;
    return {
      limits: { minimumMentions, minimumSources, maximumSourceShare, minimumLetters, minimumPull },
      kept: state.kept,
      dropped: state.dropped,
      personOf: personsOf(state),
      lengths: lengthsOf(workingSources(state)),
      seed: state.settings.themes.seed,
      network: networkInForce(state),
    };
  }),
  resampled: reads(['candidates', 'redrawn', 'windows', 'themes'], ({ settings }) => ({
    links: settings.links,
    seed: settings.themes.seed,
  })),
};

export type StageName = keyof typeof STAGE_KEYS;
export type StageInputs<S extends StageName> = (typeof STAGE_KEYS)[S]['inputs'][number];
export type StageOwn<S extends StageName> = ReturnType<(typeof STAGE_KEYS)[S]['own']>;

const KEYS: {
  readonly [S in StageName]: {
    readonly inputs: readonly StageName[];
    readonly own: (state: StudyState) => Own;
  };
} = STAGE_KEYS;

const ORDER: readonly string[] = Object.keys(STAGE_KEYS);

/** How far down the line a stage stands. */
export const placeOf = (stage: StageName): number => ORDER.indexOf(stage);

/** The stages a stage takes. */
export const inputsOf = (stage: StageName): readonly StageName[] => KEYS[stage].inputs;

/** Keys of a state's stages that were asked about: several views are asked of each. */
const keysOf = remembered((_: StudyState) => new Map<StageName, string>());

/** The hash of all a stage's result depends on. Cheap: no text is read. */
export function stageKey(stage: StageName, state: StudyState): string {
  const known = keysOf(state);
  const seen = known.get(stage);
  if (seen !== undefined) return seen;
  const { inputs, own } = KEYS[stage];
  const key = hashValue([stage, inputs.map((input) => stageKey(input, state)), hashOfOwn(own(state))]);
  known.set(stage, key);
  return key;
}
