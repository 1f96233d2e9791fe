import { conceptRows, type CandidateRow } from '../concepts/candidate-rows.ts';
import { findCandidates, type Candidates } from '../concepts/candidates.ts';
import { boundTypes } from '../concepts/fixed-phrases.ts';
import { readCapitals, type Capitals } from '../concepts/capitals.ts';
import { kindsOfNames, namesWanted, type KindOfName } from '../concepts/name-kinds.ts';
import { findNames, NO_NAMES, type Names } from '../concepts/names.ts';
import { findRuns, noRuns, type Runs } from '../concepts/runs.ts';
import { companyContexts } from '../concepts/pull.ts';
import { NOTHING_REDRAWN, redrawConcepts, type RedrawnConcepts } from '../concepts/redrawn.ts';
import { conceptsOf, selectConcepts, type Concepts } from '../concepts/selection.ts';
import { readTermsOf, STOPPED, stoppedTypes, type TermReading, type Terms } from '../concepts/terms.ts';
import { measureRows } from '../compare/rows.ts';
import { compareGroups, type Comparison } from '../compare/strength.ts';
import type { SourceStrength } from '../compare/source-strength.ts';
import { groundOf } from '../map/ground.ts';
import { layOutMap, type MapScene } from '../map/scene.ts';
import { countTogether, windowsWithEach, type Counts } from '../network/counts.ts';
import { weighEvidence, type Evidence } from '../network/evidence.ts';
import { conceptsOfNetwork, graphOfNetwork, linksOfNetwork } from '../network/elsewhere.ts';
import type { Graph } from '../network/graph.ts';
import { findLinks, type Links, type PairChances } from '../network/links.ts';
import { layStretches, mentionsThatCount, spokenIn } from '../network/stretches.ts';
import { layWindows, type Windows } from '../network/windows.ts';
import { inOneStep, type Stepwise } from '../base/stepwise.ts';
import { LANGUAGE_OF } from '../languages/languages.ts';
import { languagesOf, type SourceLanguages } from '../languages/detect.ts';
import {
  correctedParts,
  partsByLanguage,
  unknownParts,
  type PartsOfTypes,
} from '../text/words/parts-of-speech.ts';
import { findSpeakers, type Speaker } from '../text/speakers.ts';
import { repeatedSentences, type RepeatedSentences } from '../text/look-alikes/repeated-sentences.ts';
import { readInParts } from '../text/reading-in-parts.ts';
import { partsByLexicon } from '../text/words/parts-by-lexicon.ts';
import { partsByNeighbours } from '../text/words/parts-by-neighbours.ts';
import {
  inOneLanguage,
  onlyIn,
  readingOf,
  wordLanguages,
  type WordLanguages,
} from '../text/words/word-languages.ts';
import { readTokens, type Tokens } from '../text/tokens.ts';
import { holdConcepts, NO_CHOICES } from '../themes/choices.ts';
import {
  drawsFor,
  resampleLinks,
  resampledNetworks,
  resamplePairs,
  resampleThemes,
  type Resampled,
} from '../themes/resample.ts';
import type { ResolutionPoint } from '../themes/resolution.ts';
import {
  exploreResolutions,
  groupConcepts,
  groupingNetwork,
  nameThemes,
  type ResolvedGrouping,
  type Themes,
} from '../themes/themes.ts';
import { conceptLabels, lexiconOf, stopWordsOf, textsOf, type Resources } from './resources.ts';
import { inParts } from './jobs.ts';
import type { StageInputs, StageName, StageOwn } from './stage-keys.ts';

/** What each stage makes. */
export interface StageResults {
  speakers: Speaker[];
  languages: SourceLanguages;
  wordLanguages: WordLanguages;
  tokens: Tokens;
  parts: PartsOfTypes;
  /** Parts of speech as the researcher put them right. */
  wordParts: PartsOfTypes;
  terms: Terms;
  /** How each type is stopped. */
  /** 1 for each type that mostly stands in fixed phrases. */
  bound: Uint8Array;
  stopped: Uint8Array;
  capitals: Capitals;
  names: Names;
  /** What each name is of. */
  nameKinds: KindOfName[];
  /** First token of each context, a row of sentences by which the company of words is judged. */
  contexts: Int32Array;
  /** What may be phrases before the researcher stops any word. */
  runs: Runs;
  candidates: Candidates;
  concepts: Concepts;
  repeated: RepeatedSentences;
  windows: Windows;
  /** Windows with each candidate. */
  windowsHeld: Int32Array;
  conceptRows: CandidateRow[];
  counts: Counts;
  evidence: Evidence;
  links: Links;
  graph: Graph;
  resampledPairs: PairChances[];
  resampledGraphs: Graph[];
  sweep: ResolutionPoint[];
  grouping: ResolvedGrouping;
  stretches: Windows;
  /** The concepts of each stretch. */
  spoken: Pick<Counts, 'windowFirst' | 'inWindow'>;
  themes: Themes;
  map: MapScene;
  strength: SourceStrength;
  comparison: Comparison;
  redrawn: RedrawnConcepts;
  resampled: Resampled;
}

/** Gives the results of stages, of those that are named. */
export type Take<Names extends StageName> = <S extends Names>(stage: S) => StageResults[S];

/** How a stage is made: of the results it takes, of what it reads of the study, and of nothing else of it. */
type Run<S extends StageName> = (
  take: Take<StageInputs<S>>,
  own: StageOwn<S>,
  resources: Resources,
) => Stepwise<StageResults[S]>;

/**
 * With fewer concepts than this, a dozen draws and the sweep take no longer alone: of 160 concepts 0.96 s instead of 1.4
 * with a second thread, of 500 the better part of seven seconds is saved.
 */
const MANY_CONCEPTS = 250;
/** Nor do the draws with fewer windows times concepts than this: of 10 million words they are a second of thirty. */
const MANY_WINDOWS = 30_000_000;

const drawsAreLong = (concepts: number, windows: Windows): boolean =>
  concepts >= MANY_CONCEPTS || concepts * windows.count >= MANY_WINDOWS;

const originals = (ids: readonly string[], { original }: Resources): string[] => ids.map(original);

/** What each stage does. */
export const STAGES: { readonly [S in StageName]: Run<S> } = {
  speakers: (_, { ids }, resources) => findSpeakers(originals(ids, resources)),
  languages: (_, { ids, told }, resources) => inOneStep(() => languagesOf(originals(ids, resources), told)),
  tokens: (_, { texts, steps, leftOut }, resources) => {
    const sources = textsOf(texts, resources.original);
    // Read in parts only where there is somebody to read them with.
    return resources.helpers
      ? readInParts(sources, inParts('read', { steps, leftOut }, resources))
      : readTokens(sources, steps, new Set(leftOut));
  },
  wordLanguages: (take, { language }) =>
    inOneStep(() =>
      language === 'auto'
        ? wordLanguages(take('tokens'), take('languages'))
        : inOneLanguage(language, take('tokens')),
    ),
  *parts(take, _, resources) {
    const spoken = take('wordLanguages');
    const found: PartsOfTypes[] = [];
    for (const [place, language] of spoken.read.entries()) {
      const tokens = onlyIn(take('tokens'), spoken, place);
      const words = yield* resources.words(language);
      if (!words) found.push(unknownParts(tokens));
      else if (words.cued)
        found.push(
          partsByNeighbours(tokens, words.cued, words.cued.nounsInCapitals ? take('capitals') : undefined),
        );
      else found.push(partsByLexicon(tokens, words.lexicon));
    }
    return found.length === 1 ? found[0] : partsByLanguage(found, readingOf(spoken));
  },
  wordParts: (take, { wordKinds }) =>
    inOneStep(() => correctedParts(take('parts'), take('tokens'), wordKinds)),
  *terms(take, { unit }, { words }) {
    const spoken = take('wordLanguages');
    const readings: TermReading[] = [];
    for (const language of spoken.read) {
      const known = unit === 'lemma' ? yield* words(language) : undefined;
      readings.push({ known, language: LANGUAGE_OF[language] });
    }
    const inner = readings.some(({ known }) => known?.cued) ? take('capitals').inner : undefined;
    const by = { readings, readingOf: readingOf(spoken) };
    return readTermsOf(take('tokens'), take('wordParts'), by, unit, inner);
  },
  bound: (take) => inOneStep(() => boundTypes(take('tokens'), take('wordLanguages'))),
  stopped: (take, { choices }) =>
    inOneStep(() =>
      stoppedTypes(
        take('terms'),
        stopWordsOf(choices, take('wordLanguages')),
        choices.listedStopWords ? { types: take('bound'), allowed: choices.allowed } : undefined,
      ),
    ),
  capitals: (take, { ids }, resources) =>
    inOneStep(() => readCapitals(take('tokens'), originals(ids, resources))),
  *names(take, { ids, wordKinds }, resources) {
    const spoken = take('wordLanguages');
    const [main] = spoken.read.filter((language) => !LANGUAGE_OF[language].nounsInCapitals);
    if (!main) return NO_NAMES;
    const words = yield* resources.words(main);
    // A capital tells nothing of words that would have one anyway.
    const tells = spoken.all.map((language) => !LANGUAGE_OF[language].nounsInCapitals);
    return findNames(take('tokens'), originals(ids, resources), take('capitals'), {
      stopped: take('stopped').map((how, type) => (tells[spoken.ofType[type]] ? how : STOPPED)),
      lexicon: words?.lexicon,
      language: LANGUAGE_OF[main],
      said: new Map(Object.entries(wordKinds).map(([word, kind]) => [word, kind === 'name'])),
    });
  },
  *nameKinds(take, { nameKinds }, resources) {
    const lexicon = yield* lexiconOf(take('wordLanguages').read, resources.words);
    return kindsOfNames(take('tokens'), take('names'), { lexicon, said: nameKinds });
  },
  contexts: (take) => inOneStep(() => companyContexts(take('tokens'))),
  runs: (take, { phrases, phraseMentions, choices }) =>
    inOneStep(() => {
      const tokens = take('tokens');
      if (!phrases) return noRuns(tokens);
      const terms = take('terms');
      const spoken = take('wordLanguages');
      const built = spoken.all.map((language) => LANGUAGE_OF[language].phrases);
      return findRuns(
        tokens,
        terms,
        take('wordParts'),
        stoppedTypes(terms, stopWordsOf(choices, spoken)),
        phraseMentions,
        { built, languageOf: (type) => spoken.ofType[type] },
      );
    }),
  candidates: (take, { nameKinds, personOf, ...choices }) =>
    findCandidates({
      tokens: take('tokens'),
      terms: take('terms'),
      runs: take('runs'),
      names: take('names'),
      wantedNames: namesWanted(take('nameKinds'), nameKinds),
      contexts: take('contexts'),
      stopped: take('stopped'),
      settings: choices,
      personOf,
    }),
  concepts: (take, { sources, characters, network, merges, stopWords, ...limits }) =>
    inOneStep(() =>
      network
        ? conceptsOfNetwork(network, { dropped: limits.dropped, stopWords, merges })
        : selectConcepts(take('candidates'), { sources, characters }, limits),
    ),
  repeated: (take) => inOneStep(() => repeatedSentences(take('tokens'))),
  windows: (take, { windows, personOf }) =>
    inOneStep(() => layWindows(take('tokens'), windows, personOf, take('repeated').isRepeated)),
  windowsHeld: (take) =>
    inOneStep(() => windowsWithEach(take('candidates'), take('windows'), take('candidates').keys.length)),
  conceptRows: (take, { sources, ...decided }) =>
    inOneStep(() =>
      conceptRows(
        take('candidates'),
        take('concepts'),
        {
          windowsHeld: take('windowsHeld'),
          conceptsHeld: windowsWithEach(take('concepts'), take('windows'), take('concepts').keys.length),
          windowCount: take('windows').count,
          sourceCount: sources,
        },
        decided,
      ),
    ),
  counts: (take) => inOneStep(() => countTogether(take('concepts'), take('windows'), take('candidates'))),
  evidence: (take) => inOneStep(() => weighEvidence(take('counts'), take('windows'))),
  links: (take, { links, network, merges }) =>
    inOneStep(() =>
      network
        ? linksOfNetwork(network, take('concepts'), { merges })
        : findLinks(take('evidence'), take('windows').overlap, links),
    ),
  graph: (take, { links, network }) =>
    inOneStep(() => {
      const { length } = take('concepts').keys;
      return network ? graphOfNetwork(length, take('links')) : groupingNetwork(length, take('links'), links);
    }),
  resampledPairs: (take, { claimed, seed }, resources) => {
    const shared = { counts: take('counts'), windows: take('windows'), claimed, seed };
    const isLong = drawsAreLong(shared.counts.windowsWith.length, shared.windows);
    return resamplePairs(shared.windows, inParts('resamplePairs', shared, resources, isLong));
  },
  resampledGraphs: (take, { links, seed, network }) =>
    inOneStep(() =>
      network ? resampleLinks(take('graph'), seed) : resampledNetworks(take('resampledPairs'), links),
    ),
  sweep: (take, { seed, network }, resources) => {
    const swept = { graph: take('graph'), drawn: take('resampledGraphs'), seed };
    const isLong = swept.graph.size >= MANY_CONCEPTS;
    return exploreResolutions(
      swept,
      network ? undefined : { evidence: take('evidence'), links: take('links') },
      {
        group: inParts('group', swept, resources, isLong),
        compare: inParts('compare', swept, resources, isLong),
      },
    );
  },
  grouping: (take, { themes, held, network }) =>
    groupConcepts(
      {
        graph: take('graph'),
        points: take('sweep'),
        grounds: network ? undefined : { evidence: take('evidence'), links: take('links') },
      },
      themes,
      holdConcepts({ ...NO_CHOICES, ...held }, take('concepts').keys),
    ),
  stretches: (take, settings) => inOneStep(() => layStretches(take('tokens'), settings)),
  spoken: (take, settings) =>
    inOneStep(() => spokenIn(take('concepts'), take('stretches'), take('tokens'), settings)),
  themes: (take, { labels, names, fewest, choices, network }, { register }) =>
    inOneStep(() => {
      const concepts = take('concepts');
      return nameThemes({
        keys: concepts.keys,
        labels: conceptLabels(labels, concepts),
        graph: take('graph'),
        spoken: take('spoken'),
        grouping: take('grouping'),
        links: network === null ? take('links') : undefined,
        known: register,
        names,
        fewest,
        choices,
        isWithoutTexts: network !== null,
      });
    }),
  map: (take, { labels, seed, map, pins }, { register }) =>
    inOneStep(() => {
      const concepts = take('concepts');
      return layOutMap({
        keys: concepts.keys,
        ground: groundOf(register, map.sheet),
        labels: conceptLabels(labels, concepts),
        mentions: concepts.mentions,
        graph: take('graph'),
        links: take('links'),
        themes: take('themes'),
        seed,
        settings: map,
        pins,
      });
    }),
  strength: (take, { fewest, sources, measure, ...settings }) =>
    inOneStep(() =>
      measureRows(
        { spoken: take('spoken'), stretches: take('stretches'), sources },
        take('themes').themes.map(({ concepts }) => ({ concepts, fewest })),
        { of: 'themes', measure },
        () => mentionsThatCount(take('concepts'), take('tokens'), settings),
      ),
    ),
  comparison: (take, { names, groupOf, seed, personOf }) =>
    inOneStep(() => compareGroups(take('strength'), groupOf, names, seed, personOf)),
  *redrawn(take, { limits, kept, dropped, personOf, lengths, seed, network }) {
    const concepts = take('concepts');
    const draws = drawsFor(personOf === null ? lengths.length : personOf[personOf.length - 1] + 1);
    if (network) return NOTHING_REDRAWN;
    return yield* redrawConcepts(
      {
        ...{ tokens: take('tokens'), contexts: take('contexts'), candidates: take('candidates'), concepts },
        settings: { ...limits, kept, dropped, size: concepts.keys.length },
        ...{ personOf, lengths, seed },
      },
      draws,
    );
  },
  resampled: (take, { links, seed }, resources) => {
    const themes = take('themes');
    const { resolution, held } = themes;
    const { draws, chosen, pool } = take('redrawn');
    // Only where there is something to draw are there texts to count.
    return resampleThemes({ draws, chosen }, themes, (parts, tell) => {
      const [windows, candidates] = [take('windows'), take('candidates')];
      const counts = countTogether(conceptsOf(candidates, [...pool]), windows, candidates);
      const drawn = { draws, chosen };
      const shared = { counts, windows, links, redrawn: drawn, themes: { resolution, held }, seed };
      return inParts('groupResample', shared, resources)(parts, tell);
    });
  },
};
