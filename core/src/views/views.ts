import { distinctiveness } from '../concepts/distinct.ts';
import { kindsOfWords } from '../concepts/word-kinds.ts';
import { companyOfCandidates } from '../concepts/pull.ts';
import { suggestByCompany, suggestMerges } from '../concepts/suggestions.ts';
import { planSynonyms, readSynonyms } from '../concepts/synonyms.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { CLEANING_VIEWS } from './cleaning-views.ts';
import { READING_VIEWS } from './reading-views.ts';
import { TABLE_VIEWS } from './table-views.ts';
import { SOURCE_VIEWS } from './source-views.ts';
import type { ViewContext, ViewMakers } from './view-context.ts';
import type { Group, LinkRow, ViewAnswers, ViewName, ViewQuestions } from './view-types.ts';
import { wordsPerSource } from '../text/tokens.ts';
import { conceptLabels, languageOf, stopWordsOf } from '../engine/stage-inputs.ts';
import { STAGES, type StageName } from '../engine/stages.ts';
import { comparedAttribute } from '../study/groups.ts';
import type { StudySource } from '../study/study.ts';
import { workingSources } from '../study/subset.ts';
import { ownValue } from '../base/records.ts';

/** The last stage each view hangs on: its hash says whether an answer still holds. */
export const VIEW_STAGE: Readonly<Record<ViewName, StageName>> = {
  overview: 'themes',
  sources: 'tokens',
  speakers: 'speakers',
  speakerParts: 'speakers',
  splitParts: 'tokens',
  wordPlaces: 'tokens',
  languages: 'languages',
  duplicates: 'tokens',
  split: 'tokens',
  trim: 'tokens',
  repeatedLines: 'tokens',
  textDates: 'languages',
  cleaning: 'tokens',
  cleaningSteps: 'tokens',
  cleaningOrder: 'tokens',
  remains: 'parts',
  cleaningFigures: 'tokens',
  cleanedFile: 'tokens',
  recipeReport: 'themes',
  concepts: 'conceptRows',
  distinct: 'candidates',
  wordKinds: 'names',
  suggestions: 'candidates',
  synonyms: 'candidates',
  links: 'themes',
  themes: 'themes',
  map: 'map',
  compare: 'comparison',
  passages: 'themes',
  passagesFile: 'themes',
  matrix: 'themes',
  matrixFile: 'themes',
  pairs: 'candidates',
  plainCounts: 'tokens',
  concordance: 'themes',
  dispersion: 'themes',
  branches: 'themes',
  source: 'themes',
};

const STAGE_ORDER: readonly string[] = Object.keys(STAGES);

/** Views that need few stages come before those that need many: the list of words need not wait for the map of them. */
export const byNeed = (a: ViewName, b: ViewName): number =>
  STAGE_ORDER.indexOf(VIEW_STAGE[a]) - STAGE_ORDER.indexOf(VIEW_STAGE[b]);

/** Answers a view in steps. */
export function* makeView<V extends ViewName>(
  view: V,
  question: ViewQuestions[V],
  context: ViewContext,
): Stepwise<ViewAnswers[V]> {
  return yield* MAKERS[view](question, context);
}

const MAKERS: ViewMakers<ViewName> = {
  ...SOURCE_VIEWS,
  ...CLEANING_VIEWS,
  ...READING_VIEWS,
  ...TABLE_VIEWS,

  *overview(_, { engine, study }) {
    const tokens = yield* engine.compute('tokens', study);
    const candidates = yield* engine.compute('candidates', study);
    const concepts = yield* engine.compute('concepts', study);
    const windows = yield* engine.compute('windows', study);
    const links = yield* engine.compute('links', study);
    const themes = yield* engine.compute('themes', study);
    return {
      words: tokens.type.length,
      candidates: candidates.keys.length,
      concepts: concepts.keys.length,
      links: links.standing,
      windows: windows.count,
      themes: themes.themes.length,
      steadiness: themes.overallSteadiness,
      resolution: themes.resolution,
      modularity: themes.modularity,
    };
  },

  *concepts(_, { engine, study }) {
    const concepts = yield* engine.compute('concepts', study);
    const rows = yield* engine.compute('conceptRows', study);
    return { rows, candidates: rows.length, chosen: concepts.keys.length };
  },

  *distinct({ group, against }, { engine, study }) {
    const tokens = yield* engine.compute('tokens', study);
    const candidates = yield* engine.compute('candidates', study);
    const { keys, occurrence, occurrenceFirst } = candidates;
    const sources = workingSources(study.state);
    const isIn = (source: StudySource, { attribute, value }: Group): boolean =>
      (ownValue(source.attributes, attribute) ?? '').trim() === value;
    const here = new Int32Array(keys.length);
    const elsewhere = new Int32Array(keys.length);
    const words = wordsPerSource(tokens);
    let groupWords = 0;
    let otherWords = 0;
    let next = 0;
    for (let s = 0; s < sources.length; s++) {
      // A source in both groups is on neither side.
      const inGroup = isIn(sources[s], group);
      const inOther = against ? isIn(sources[s], against) : !inGroup;
      const side = inGroup === inOther ? undefined : inGroup ? here : elsewhere;
      if (side === here) groupWords += words[s];
      else if (side) otherWords += words[s];
      const limit = tokens.sentenceFirst[tokens.sourceFirst[s + 1]];
      for (; next < occurrence.length && occurrenceFirst[next] < limit; next++) {
        if (side) side[occurrence[next]]++;
      }
    }
    const z = distinctiveness(here, elsewhere, groupWords, otherWords);
    return {
      of: Object.fromEntries(
        keys.map((key, i) => [key, { z: z[i], here: here[i], elsewhere: elsewhere[i] }]),
      ),
    };
  },

  *wordKinds(_, { engine, study }) {
    const tokens = yield* engine.compute('tokens', study);
    const parts = yield* engine.compute('wordParts', study);
    const terms = yield* engine.compute('terms', study);
    const names = yield* engine.compute('names', study);
    const languages = yield* engine.compute('languages', study);
    const stopWords = stopWordsOf(study.state, languages);
    return { rows: kindsOfWords(tokens, terms, parts, names, stopWords, study.state.wordKinds) };
  },

  *suggestions({ refused }, { engine, study, lexicon }) {
    const languages = yield* engine.compute('languages', study);
    const known = languageOf(study.state, languages) === 'en' ? lexicon().senses : undefined;
    const candidates = yield* engine.compute('candidates', study);
    const blocks = yield* engine.compute('blocks', study);
    const { occurrence, occurrenceFirst, mentions } = candidates;
    const pairs = new Set(refused);
    const spelt = suggestMerges(candidates, pairs, (key) => known?.has(key) ?? false);
    yield 0.5;
    const company = companyOfCandidates(blocks, occurrence, occurrenceFirst, mentions);
    const named = new Set(spelt.map(({ into, key }) => `${into}\t${key}`));
    const alike = suggestByCompany(candidates, company, pairs).filter(
      ({ into, key }) => !named.has(`${into}\t${key}`),
    );
    return { suggestions: [...spelt, ...alike] };
  },

  *synonyms({ text }, { engine, study }) {
    const tokens = yield* engine.compute('tokens', study);
    const terms = yield* engine.compute('terms', study);
    const candidates = yield* engine.compute('candidates', study);
    return planSynonyms(readSynonyms(text), tokens, terms, candidates);
  },

  *links({ concept, limit }, { engine, study }) {
    const { keys } = yield* engine.compute('concepts', study);
    const links = yield* engine.compute('links', study);
    const windows = yield* engine.compute('windows', study);
    const { themes, themeOf } = yield* engine.compute('themes', study);
    const labels = conceptLabels(study.state, keys);
    const letter = (i: number): string => (themeOf[i] < 0 ? '' : themes[themeOf[i]].letter);
    const asked = concept === null ? -1 : keys.indexOf(concept);
    const linked = new Set<number>();
    for (let i = 0; i < links.standing; i++) linked.add(links.source[i]).add(links.target[i]);
    const rows: LinkRow[] = [];
    for (let i = 0; i < links.source.length && rows.length < limit; i++) {
      if (asked >= 0 && links.source[i] !== asked && links.target[i] !== asked) continue;
      if (asked < 0 && !links.stands[i]) break;
      const [a, b] =
        links.target[i] === asked ? [links.target[i], links.source[i]] : [links.source[i], links.target[i]];
      rows.push({
        source: keys[a],
        target: keys[b],
        sourceLabel: labels[a],
        targetLabel: labels[b],
        sourceTheme: letter(a),
        targetTheme: letter(b),
        both: links.both[i],
        strength: links.strength[i],
        npmi: links.npmi[i],
        g2: links.g2[i],
        p: links.p[i],
        q: links.q[i],
        stands: links.stands[i] === 1,
      });
    }
    const { minimumTogether } = study.state.settings.links;
    const strengths: number[] = [];
    for (let i = 0; i < links.strength.length; i++) {
      if (links.both[i] >= minimumTogether) strengths.push(links.strength[i]);
    }
    return {
      rows,
      standing: links.standing,
      pairs: links.source.length,
      linkedConcepts: linked.size,
      concepts: keys.length,
      windows: windows.count,
      strengths,
    };
  },

  *themes(_, { engine, study }) {
    const { keys, mentions } = yield* engine.compute('concepts', study);
    const themes = yield* engine.compute('themes', study);
    const sweep = yield* engine.compute('sweep', study);
    const labels = conceptLabels(study.state, keys);
    return {
      themes: themes.themes.map(({ letter, label, share, steadiness, concepts }) => ({
        letter,
        label,
        share,
        steadiness,
        concepts: concepts.map((i) => ({
          key: keys[i],
          label: labels[i],
          steadiness: themes.steadiness[i],
          mentions: mentions[i],
        })),
      })),
      loose: keys.flatMap((key, i) => (themes.themeOf[i] < 0 ? [{ key, label: labels[i] }] : [])),
      overallSteadiness: themes.overallSteadiness,
      modularity: themes.modularity,
      resolution: themes.resolution,
      sweep,
      register: themes.register,
    };
  },

  *map(_, { engine, study }) {
    const { keys } = yield* engine.compute('concepts', study);
    return { scene: yield* engine.compute('map', study), keys };
  },

  *compare(_, { engine, study }) {
    const { themes } = yield* engine.compute('themes', study);
    return {
      attribute: comparedAttribute(study.state),
      themes: themes.map(({ letter, label }) => ({ letter, label })),
      comparison: yield* engine.compute('comparison', study),
    };
  },
};
