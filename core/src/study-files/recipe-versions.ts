import { NAME_KINDS } from '../concepts/name-clues.ts';

/**
 * The version of a recipe that is written. Version 2: names, numbers, shortest word, least pull, and what words are.
 * Version 3: the number of concepts and the fewest sources may be left to the collection. Version 4: what a link stands by.
 * Version 5: speakers whose turns make no windows. Version 6: kinds of names.
 */
export const RECIPE_VERSION = 6;

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What version 1 did without saying so: no names, no numbers, nothing let back in. */
const FIRST_CONCEPTS = { names: false, numbers: false, minimumLetters: 2, minimumPull: 0 };

/** A recipe of an earlier version as one of the present; what is no recipe is left for the check to refuse. */
export function liftRecipe(recipe: unknown, version: number): unknown {
  if (!isObject(recipe) || !isObject(recipe.settings)) return recipe;
  const { settings } = recipe;
  const links = isObject(settings.links) ? { standsBy: 'either', ...settings.links } : settings.links;
  const concepts = isObject(settings.concepts)
    ? { nameKinds: [...NAME_KINDS], ...(version < 2 ? FIRST_CONCEPTS : {}), ...settings.concepts }
    : settings.concepts;
  const since2 = { nameKinds: {}, ...recipe, settings: { ...settings, links, concepts } };
  return version >= 2 ? since2 : { allowedWords: [], wordKinds: {}, ...since2 };
}
