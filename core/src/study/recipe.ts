import type { NameKind } from '../concepts/name-clues.ts';
import type { WordKind } from '../text/words/parts-of-speech.ts';
import { DEFAULT_SETTINGS, type StudySettings, type StudyState } from './study.ts';

/** The settings a recipe carries: all but those that speak of this study's own sources and groups. */
export type RecipeSettings = Pick<
  StudySettings,
  'speakers' | 'cleaning' | 'concepts' | 'windows' | 'links' | 'themes' | 'map'
>;

/** What a study was done with, without any of its texts. */
export interface Recipe {
  readonly settings: RecipeSettings;
  readonly stopWords: readonly string[];
  readonly allowedWords: readonly string[];
  readonly wordKinds: Readonly<Record<string, WordKind>>;
  readonly nameKinds: Readonly<Record<string, NameKind>>;
  readonly kept: readonly string[];
  readonly dropped: readonly string[];
  readonly merges: Readonly<Record<string, string>>;
  readonly conceptLabels: Readonly<Record<string, string>>;
}

/** The recipe of a study. */
export function recipeOf(state: StudyState): Recipe {
  const { speakers, cleaning, concepts, windows, links, themes, map } = state.settings;
  const { stopWords, allowedWords, wordKinds, nameKinds, kept, dropped, merges, conceptLabels } = state;
  return {
    settings: { speakers, cleaning, concepts, windows, links, themes, map },
    stopWords,
    allowedWords,
    wordKinds,
    nameKinds,
    kept,
    dropped,
    merges,
    conceptLabels,
  };
}

/** A study done by a recipe: its settings take the place of the study's, its lists are added to the study's own. */
export function withRecipe(state: StudyState, recipe: Recipe): StudyState {
  const all = (own: readonly string[], more: readonly string[]): string[] => [...new Set([...own, ...more])];
  return {
    ...state,
    // A recipe of an earlier day may know less; what it does not say is as in a new study.
    settings: {
      ...state.settings,
      ...recipe.settings,
      concepts: { ...DEFAULT_SETTINGS.concepts, ...recipe.settings.concepts },
      links: { ...DEFAULT_SETTINGS.links, ...recipe.settings.links },
    },
    stopWords: all(state.stopWords, recipe.stopWords),
    allowedWords: all(state.allowedWords, recipe.allowedWords),
    wordKinds: { ...state.wordKinds, ...recipe.wordKinds },
    nameKinds: { ...state.nameKinds, ...recipe.nameKinds },
    kept: all(state.kept, recipe.kept).filter((key) => !recipe.dropped.includes(key)),
    dropped: all(state.dropped, recipe.dropped).filter((key) => !recipe.kept.includes(key)),
    merges: { ...state.merges, ...recipe.merges },
    conceptLabels: { ...state.conceptLabels, ...recipe.conceptLabels },
  };
}
