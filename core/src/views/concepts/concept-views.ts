import { addSources, distinctiveness, emptySide } from '../../concepts/distinct.ts';
import { suggestMerges, type KnownWords, type Suggestion } from '../../concepts/suggestions.ts';
import { planSynonyms, readSynonyms, type SynonymReport } from '../../concepts/synonyms.ts';
import { kindsOfWords } from '../../concepts/word-kinds.ts';
import { byCodeUnits } from '../../base/order.ts';
import type { Meanings } from '../../languages/en/meanings.ts';
import { LANGUAGE_OF } from '../../languages/languages.ts';
import { isFirstPart, JOINTS, type WordForms } from '../../languages/word-forms.ts';
import { stopWordsOf } from '../../engine/resources.ts';
import { stopWordChoices } from '../../engine/stage-keys.ts';
import { groupValues } from '../../study/groups.ts';
import type { StudyState } from '../../study/study.ts';
import { personsOf } from '../../study/subset.ts';
import { wordsPerSource } from '../../text/tokens.ts';
import type {
  ChosenAgainView,
  ConceptsView,
  DistinctView,
  LanguagesReadView,
  MeaningView,
  NameKindsView,
  WordKindsView,
} from './concept-view-types.ts';
import type { Group } from '../reading/reading-view-types.ts';
import { nothing, reads, type View, type ViewMakers } from '../view.ts';

/** The views of Concepts. */
export interface ConceptViews {
  concepts: View<null, ConceptsView>;
  chosenAgain: View<null, ChosenAgainView>;
  /** A group's mentions against another's, or the rest's. */
  distinct: View<{ readonly group: Group; readonly against?: Group }, DistinctView>;
  /** The languages the study is read in. */
  languagesRead: View<null, LanguagesReadView>;
  /** The words of the study by what they were taken for. */
  wordKinds: View<null, WordKindsView>;
  /** The names of the study by what they are of. */
  nameKinds: View<null, NameKindsView>;
  /** What a concept can mean, by a dictionary, with the synonyms that are candidates too. */
  meaning: View<{ readonly key: string }, MeaningView>;
  /** `refused`: pairs that are not suggested again, two keys, sorted, with a tab between. */
  suggestions: View<{ readonly refused: readonly string[] }, { readonly suggestions: readonly Suggestion[] }>;
  synonyms: View<{ readonly text: string }, SynonymReport>;
}

const valuesIn = (state: StudyState, group: Group | undefined): readonly string[] =>
  group ? groupValues(state, group.attribute) : [];

export const CONCEPT_KEYS = {
  concepts: reads(['concepts', 'conceptRows'], nothing),
  chosenAgain: reads(['candidates', 'redrawn'], nothing),
  distinct: reads(
    ['tokens', 'candidates'],
    (state, { group, against }: ConceptViews['distinct']['question']) => ({
      values: valuesIn(state, group),
      others: valuesIn(state, against),
      personOf: personsOf(state),
    }),
  ),
  languagesRead: reads(['wordLanguages', 'terms', 'concepts'], nothing),
  wordKinds: reads(['tokens', 'wordParts', 'terms', 'names', 'wordLanguages'], (state) => ({
    choices: stopWordChoices(state),
    wordKinds: state.wordKinds,
  })),
  nameKinds: reads(['names', 'nameKinds'], nothing),
  meaning: reads(['wordLanguages', 'candidates'], nothing),
  suggestions: reads(['wordLanguages', 'candidates'], nothing),
  synonyms: reads(['tokens', 'terms', 'candidates'], nothing),
};

/** What is known of a language that writes compounds in one word: their first parts are words of the study, or of the dictionary. */
function knownOfCompounds(keys: readonly string[], forms: WordForms | undefined): KnownWords {
  const words = new Set(keys.map((key) => key.toLowerCase()));
  const isWordOfStudy = (letters: string): boolean =>
    JOINTS.some(
      (joint) => letters.endsWith(joint) && words.has(letters.slice(0, letters.length - joint.length)),
    );
  return {
    isWord: (key) => (forms?.readingsOf(key).length ?? 0) > 0,
    isFirstPart: (letters) =>
      isWordOfStudy(letters) ||
      (forms !== undefined && isFirstPart(forms, letters[0].toUpperCase() + letters.slice(1))),
  };
}

/** What is known of several languages together. */
function knownOfAny(known: readonly KnownWords[]): KnownWords {
  if (known.length <= 1) return known[0] ?? {};
  const compounding = known.filter(({ isFirstPart }) => isFirstPart);
  return {
    isWord: (key) => known.some(({ isWord }) => isWord?.(key)),
    synonymsOf: (word) =>
      new Set(known.flatMap(({ synonymsOf }) => (synonymsOf ? [...synonymsOf(word)] : []))),
    ...(compounding.length > 0 && {
      isFirstPart: (letters: string) => compounding.some(({ isFirstPart }) => isFirstPart?.(letters)),
    }),
  };
}

export const CONCEPT_VIEWS: ViewMakers<ConceptViews, typeof CONCEPT_KEYS> = {
  *concepts(_, { take }) {
    const concepts = yield* take('concepts');
    const rows = yield* take('conceptRows');
    return { rows, candidates: rows.length, chosen: concepts.keys.length };
  },

  *chosenAgain(_, { take }) {
    const { keys } = yield* take('candidates');
    const { draws, share } = yield* take('redrawn');
    return {
      draws: draws.length,
      of: Object.fromEntries(
        keys.flatMap((key, c) => (share[c] > 0 ? [[key, Math.round(share[c] * draws.length)]] : [])),
      ),
    };
  },

  *distinct({ group, against }, { take, own: { values, others, personOf } }) {
    const tokens = yield* take('tokens');
    const candidates = yield* take('candidates');
    const { keys, occurrence, occurrenceFirst } = candidates;
    const here = emptySide(keys.length);
    const elsewhere = emptySide(keys.length);
    const words = wordsPerSource(tokens);
    // A source in both groups is on neither side.
    const sides = values.map((value, s) => {
      const inGroup = value === group.value;
      const inOther = against ? others[s] === against.value : !inGroup;
      return inGroup === inOther ? undefined : inGroup ? here : elsewhere;
    });
    let next = 0;
    const mentions = sides.map((side, s) => {
      const limit = tokens.sentenceFirst[tokens.sourceFirst[s + 1]];
      const mentioned = new Map<number, number>();
      for (; next < occurrence.length && occurrenceFirst[next] < limit; next++) {
        if (side) mentioned.set(occurrence[next], (mentioned.get(occurrence[next]) ?? 0) + 1);
      }
      return mentioned;
    });
    addSources(sides, { mentions, words }, personOf);
    const z = distinctiveness(here, elsewhere);
    return {
      of: Object.fromEntries(
        keys.map((key, i) => [key, { z: z[i], here: here.mentions[i], elsewhere: elsewhere.mentions[i] }]),
      ),
    };
  },

  *languagesRead(_, { take }) {
    const { read, all, words, alike } = yield* take('wordLanguages');
    const { ofType, labels } = yield* take('terms');
    const { keys, written } = yield* take('concepts');
    const shared = new Set(alike.map((type) => labels[ofType[type]]));
    return { read, all, words, alike: written.filter((_, concept) => shared.has(keys[concept])) };
  },

  *wordKinds(_, { take, own: { choices, wordKinds } }) {
    const tokens = yield* take('tokens');
    const parts = yield* take('wordParts');
    const terms = yield* take('terms');
    const names = yield* take('names');
    const stopWordsInForce = stopWordsOf(choices, yield* take('wordLanguages'));
    return {
      rows: kindsOfWords(tokens, { terms, parts, names, stopWordsOf: stopWordsInForce }, wordKinds),
    };
  },

  *nameKinds(_, { take }) {
    const { labels } = yield* take('names');
    const kinds = yield* take('nameKinds');
    return {
      rows: kinds
        .map((kind, name) => ({ name: labels[name], ...kind }))
        .sort((a, b) => b.mentions - a.mentions || byCodeUnits(a.name, b.name)),
    };
  },

  *suggestions({ refused }, { take, words, meanings }) {
    const { read } = yield* take('wordLanguages');
    const candidates = yield* take('candidates');
    const known: KnownWords[] = [];
    for (const language of read) {
      const { lexicon, cued } = (yield* words(language)) ?? {};
      const meant = yield* meanings(language);
      if (lexicon && meant)
        known.push({
          isWord: (key) => lexicon.senses.has(key),
          synonymsOf: (word) => meant.synonymsOf(word, 1),
        });
      else if (LANGUAGE_OF[language].compounds) known.push(knownOfCompounds(candidates.keys, cued?.forms));
    }
    yield 0.5;
    return { suggestions: suggestMerges(candidates, new Set(refused), knownOfAny(known)) };
  },

  *meaning({ key }, { take, meanings }) {
    const { read } = yield* take('wordLanguages');
    let meant: Meanings | undefined;
    for (const language of read) meant ??= yield* meanings(language);
    if (!meant) return { isKnown: false, meanings: [] };
    const { keys, mentions } = yield* take('candidates');
    const numberOf = new Map(keys.map((each, i) => [each, i]));
    return {
      isKnown: true,
      meanings: meant.of(key.toLowerCase()).map((meaning) => ({
        ...meaning,
        synonyms: meaning.synonyms.map((word) => {
          const number = numberOf.get(word);
          return { word, mentions: number === undefined ? 0 : mentions[number] };
        }),
      })),
    };
  },

  *synonyms({ text }, { take }) {
    const tokens = yield* take('tokens');
    const terms = yield* take('terms');
    const candidates = yield* take('candidates');
    return planSynonyms(readSynonyms(text), tokens, terms, candidates);
  },
};
