import { readCapitals, type Capitals } from '../concepts/capitals.ts';
import { findCandidates, type Candidates } from '../concepts/candidates.ts';
import { findNames, NO_NAMES, type Names } from '../concepts/names.ts';
import { findRuns, noRuns, type Runs } from '../concepts/phrases.ts';
import { companyBlocks } from '../concepts/pull.ts';
import { selectConcepts, type Concepts } from '../concepts/selection.ts';
import { readTerms, stoppedTypes, type Terms } from '../concepts/terms.ts';
import {
  compareGroups,
  strengthBySource,
  type Comparison,
  type SourceStrength,
} from '../compare/strength.ts';
import { layOutMap, type MapScene } from '../map/scene.ts';
import { countTogether, windowsWithEach, type Counts } from '../network/counts.ts';
import type { Graph } from '../network/graph.ts';
import { findLinks, type Links } from '../network/links.ts';
import { layWindows, type Windows } from '../network/windows.ts';
import { hashValue } from '../base/hash.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { languagesOf, type SourceLanguages } from '../text/languages.ts';
import { correctedParts, partsOfTypes, unknownParts, type PartsOfTypes } from '../text/parts-of-speech.ts';
import { readTokens, type Tokens } from '../text/tokens.ts';
import type { ResolutionPoint } from '../themes/resolution.ts';
import {
  exploreResolutions,
  groupConcepts,
  linkGraph,
  nameThemes,
  type ResolvedGrouping,
  type Themes,
} from '../themes/themes.ts';
import { findSpeakers, type Speaker } from '../text/speakers.ts';
import { conceptRows, type CandidateRow } from '../concepts/candidate-rows.ts';
import {
  type StudyInput,
  type Resources,
  remembered,
  sourcesHash,
  textsHash,
  originalsOf,
  textsOf,
  languageOf,
  stopWordChoices,
  withoutOwn,
  stopWordsOf,
  conceptLabels,
  fewestInWindow,
} from './stage-inputs.ts';
import { comparedAttribute, groupsOf } from '../study/groups.ts';
import type { StudyState } from '../study/study.ts';
import { workingSources } from '../study/subset.ts';
import { ownValue } from '../base/records.ts';

/** What each stage makes. */
export interface StageResults {
  speakers: Speaker[];
  languages: SourceLanguages;
  tokens: Tokens;
  parts: PartsOfTypes;
  /** Parts of speech as the researcher put them right. */
  wordParts: PartsOfTypes;
  /** How each type is stopped. */
  stopped: Uint8Array;
  capitals: Capitals;
  names: Names;
  terms: Terms;
  /** First token of each block of sentences by which the company of words is judged. */
  blocks: Int32Array;
  /** What may be phrases before the researcher stops any word. */
  runs: Runs;
  candidates: Candidates;
  concepts: Concepts;
  windows: Windows;
  /** Windows with each candidate. */
  windowsHeld: Int32Array;
  conceptRows: CandidateRow[];
  counts: Counts;
  links: Links;
  graph: Graph;
  sweep: ResolutionPoint[];
  grouping: ResolvedGrouping;
  themes: Themes;
  map: MapScene;
  strength: SourceStrength;
  comparison: Comparison;
}

export type StageName = keyof StageResults;

export type Take = <S extends StageName>(stage: S) => StageResults[S];

interface Stage<S extends StageName> {
  readonly inputs: readonly StageName[];
  /** The part of the study this stage reads itself; with its inputs it decides whether a result still holds. */
  readonly own: (study: StudyInput) => unknown;
  readonly run: (take: Take, study: StudyInput, resources: Resources) => Stepwise<StageResults[S]>;
}

/** Work that is done in one step. */
function* atOnce<T>(make: () => T): Stepwise<T> {
  return make();
}

/** Every stage: what it needs and what it makes. originals → tokens → … → map and comparison. */
export const STAGES: { readonly [S in StageName]: Stage<S> } = {
  // Every source is read, those outside the subset too: who is left out is left out of all of them.
  speakers: {
    inputs: [],
    own: ({ state }) => sourcesHash(state.sources),
    run: (_, { state }, { original }) => findSpeakers(state.sources.map((source) => original(source.id))),
  },
  languages: {
    inputs: [],
    own: ({ state }) => sourcesHash(workingSources(state)),
    run: (_, study, resources) => atOnce(() => languagesOf(originalsOf(study, resources))),
  },
  tokens: {
    inputs: [],
    own: ({ state }) => [
      textsHash(workingSources(state)),
      state.settings.cleaning,
      state.settings.speakers.leftOut,
    ],
    run: (_, study, { original }) => {
      const { cleaning, speakers } = study.state.settings;
      return readTokens(textsOf(study, original), cleaning.steps, new Set(speakers.leftOut));
    },
  },
  parts: {
    inputs: ['tokens', 'languages'],
    own: ({ state }) => state.settings.concepts.language,
    run: (take, study, resources) => {
      const tokens = take('tokens');
      if (languageOf(study.state, take('languages')) !== 'en') return atOnce(() => unknownParts(tokens));
      const sources = workingSources(study.state).map(({ id, textHash }) => ({
        textHash,
        original: resources.original(id),
      }));
      return partsOfTypes(tokens, sources, resources.lexicon(), resources.tags);
    },
  },
  wordParts: {
    inputs: ['tokens', 'parts'],
    own: ({ state }) => state.wordKinds,
    run: (take, { state }) => atOnce(() => correctedParts(take('parts'), take('tokens'), state.wordKinds)),
  },
  stopped: {
    inputs: ['terms', 'languages'],
    own: ({ state }) => stopWordChoices(state),
    run: (take, { state }) =>
      atOnce(() => stoppedTypes(take('terms'), stopWordsOf(state, take('languages')))),
  },
  capitals: {
    inputs: ['tokens'],
    own: ({ state }) => sourcesHash(workingSources(state)),
    run: (take, study, resources) =>
      atOnce(() => readCapitals(take('tokens'), originalsOf(study, resources))),
  },
  names: {
    inputs: ['tokens', 'stopped', 'languages', 'capitals'],
    own: ({ state }) => state.wordKinds,
    run: (take, study, resources) =>
      atOnce(() => {
        const language = languageOf(study.state, take('languages'));
        // German writes every noun with a capital, so a capital tells nothing there.
        if (language === 'de') return NO_NAMES;
        const tokens = take('tokens');
        return findNames(tokens, originalsOf(study, resources), take('capitals'), {
          stopped: take('stopped'),
          lexicon: language === 'en' ? resources.lexicon() : undefined,
          said: new Map(Object.entries(study.state.wordKinds).map(([word, kind]) => [word, kind === 'name'])),
        });
      }),
  },
  terms: {
    inputs: ['tokens', 'wordParts', 'languages'],
    own: ({ state }) => [state.settings.concepts.unit, state.settings.concepts.language],
    run: (take, { state }, { lexicon }) =>
      atOnce(() =>
        readTerms(
          take('tokens'),
          take('wordParts'),
          lexicon,
          state.settings.concepts.unit,
          languageOf(state, take('languages')),
        ),
      ),
  },
  blocks: {
    inputs: ['tokens'],
    own: () => null,
    run: (take) => atOnce(() => companyBlocks(take('tokens'))),
  },
  runs: {
    inputs: ['tokens', 'wordParts', 'terms', 'languages'],
    own: ({ state }) => {
      const { phrases, phraseMentions } = state.settings.concepts;
      return [phrases, phraseMentions, stopWordChoices(withoutOwn(state))];
    },
    run: (take, { state }) =>
      atOnce(() => {
        const { phrases, phraseMentions } = state.settings.concepts;
        const tokens = take('tokens');
        if (!phrases) return noRuns(tokens);
        const terms = take('terms');
        const stopped = stoppedTypes(terms, stopWordsOf(withoutOwn(state), take('languages')));
        return findRuns(tokens, terms, take('wordParts'), stopped, phraseMentions);
      }),
  },
  candidates: {
    inputs: ['tokens', 'terms', 'stopped', 'runs', 'names', 'blocks'],
    own: ({ state }) => {
      const { nouns, verbs, adjectives, names, phrases, phraseMentions, phraseNpmi } =
        state.settings.concepts;
      return [[nouns, verbs, adjectives, names, phrases, phraseMentions, phraseNpmi], state.merges];
    },
    run: (take, { state }) => {
      const { concepts } = state.settings;
      return findCandidates(
        take('tokens'),
        take('terms'),
        take('runs'),
        take('names'),
        take('blocks'),
        take('stopped'),
        {
          parts: {
            noun: concepts.nouns,
            verb: concepts.verbs,
            adjective: concepts.adjectives,
            name: concepts.names,
            number: concepts.numbers,
          },
          phrases: concepts.phrases,
          minimumMentions: concepts.phraseMentions,
          minimumNpmi: concepts.phraseNpmi,
          merges: state.merges,
        },
      );
    },
  },
  concepts: {
    inputs: ['candidates'],
    own: ({ state }) => {
      const { size, minimumMentions, minimumSources, maximumSourceShare, minimumLetters, minimumPull } =
        state.settings.concepts;
      return [
        [size, minimumMentions, minimumSources, maximumSourceShare, minimumLetters, minimumPull],
        [state.kept, state.dropped, workingSources(state).length],
      ];
    },
    run: (take, { state }) =>
      atOnce(() =>
        selectConcepts(take('candidates'), workingSources(state).length, {
          ...state.settings.concepts,
          kept: state.kept,
          dropped: state.dropped,
        }),
      ),
  },
  windows: {
    inputs: ['tokens'],
    own: ({ state }) => state.settings.windows,
    run: (take, { state }) => atOnce(() => layWindows(take('tokens'), state.settings.windows)),
  },
  windowsHeld: {
    inputs: ['candidates', 'windows'],
    own: () => null,
    run: (take) =>
      atOnce(() => windowsWithEach(take('candidates'), take('windows'), take('candidates').keys.length)),
  },
  conceptRows: {
    inputs: ['candidates', 'concepts', 'windows', 'windowsHeld'],
    own: ({ state }) => [state.conceptLabels, state.kept, state.dropped, workingSources(state).length],
    run: (take, { state }) =>
      atOnce(() =>
        conceptRows(
          take('candidates'),
          take('concepts'),
          take('windowsHeld'),
          take('windows').count,
          workingSources(state).length,
          state,
        ),
      ),
  },
  counts: {
    inputs: ['concepts', 'windows'],
    own: () => null,
    run: (take) => atOnce(() => countTogether(take('concepts'), take('windows'))),
  },
  links: {
    inputs: ['counts', 'windows'],
    own: ({ state }) => state.settings.links,
    run: (take, { state }) => atOnce(() => findLinks(take('counts'), take('windows'), state.settings.links)),
  },
  graph: {
    inputs: ['concepts', 'links'],
    own: () => null,
    run: (take) => atOnce(() => linkGraph(take('concepts').keys.length, take('links'))),
  },
  sweep: {
    inputs: ['graph'],
    own: ({ state }) => state.settings.themes.seed,
    run: (take, { state }) => exploreResolutions(take('graph'), state.settings.themes.seed),
  },
  grouping: {
    inputs: ['graph', 'sweep'],
    own: ({ state }) => state.settings.themes,
    run: (take, { state }) => groupConcepts(take('graph'), take('sweep'), state.settings.themes),
  },
  themes: {
    inputs: ['concepts', 'graph', 'counts', 'grouping'],
    // The register only says which letters to go on with; a result that is at hand keeps the letters it has.
    own: ({ state }) => [state.conceptLabels, state.themeNames, fewestInWindow(state)],
    run: (take, { state, register }) =>
      atOnce(() => {
        const { keys } = take('concepts');
        return nameThemes(
          keys,
          conceptLabels(state, keys),
          take('graph'),
          take('counts'),
          take('grouping'),
          register,
          state.themeNames,
          fewestInWindow(state),
        );
      }),
  },
  map: {
    inputs: ['concepts', 'graph', 'links', 'themes'],
    own: ({ state }) => [state.settings.map, state.settings.themes.seed, state.conceptLabels],
    run: (take, { state }) =>
      atOnce(() => {
        const { keys, mentions } = take('concepts');
        return layOutMap(
          conceptLabels(state, keys),
          mentions,
          take('graph'),
          take('links'),
          take('themes'),
          state.settings.themes.seed,
          state.settings.map,
        );
      }),
  },
  strength: {
    inputs: ['counts', 'windows', 'themes'],
    own: ({ state }) => [fewestInWindow(state), workingSources(state).length],
    run: (take, { state }) =>
      atOnce(() => {
        const { themeOf, themes } = take('themes');
        return strengthBySource(
          take('counts'),
          take('windows'),
          workingSources(state).length,
          themeOf,
          themes.length,
          fewestInWindow(state),
        );
      }),
  },
  comparison: {
    inputs: ['strength'],
    own: ({ state }) => {
      const attribute = comparedAttribute(state);
      return [
        attribute,
        state.settings.themes.seed,
        attribute && workingSources(state).map((source) => ownValue(source.attributes, attribute) ?? ''),
      ];
    },
    run: (take, { state }) =>
      atOnce(() => {
        const attribute = comparedAttribute(state);
        const { names, groupOf } = attribute
          ? groupsOf(workingSources(state), attribute)
          : { names: [], groupOf: new Int32Array(workingSources(state).length).fill(-1) };
        return compareGroups(take('strength'), groupOf, names, state.settings.themes.seed);
      }),
  },
};

/** Hashes of states that were asked about: several views are asked of each. */
const hashesOf = remembered((_: StudyState) => new Map<StageName, string>());

/** The hash of all a stage's result depends on. Cheap: no text is read. */
export function inputHash(stage: StageName, study: StudyInput): string {
  const known = hashesOf(study.state);
  const seen = known.get(stage);
  if (seen !== undefined) return seen;
  const { inputs, own } = STAGES[stage];
  const hash = hashValue([stage, inputs.map((input) => inputHash(input, study)), own(study)]);
  known.set(stage, hash);
  return hash;
}
