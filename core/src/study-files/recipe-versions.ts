/**
 * The version of a recipe that is written. Version 2: names, numbers, shortest word, least pull, and what words are.
 * Version 3: the number of concepts and the fewest sources may be left to the collection.
 */
export const RECIPE_VERSION = 3;

/** The first version that says all that is said now. */
const ALL_IS_SAID = 2;

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What version 1 did without saying so: no names, no numbers, nothing let back in. */
const FIRST_CONCEPTS = { names: false, numbers: false, minimumLetters: 2, minimumPull: 0 };

/** A recipe of an earlier version as one of the present; what is no recipe is left for the check to refuse. */
export function liftRecipe(recipe: unknown, version: number): unknown {
  if (version >= ALL_IS_SAID || !isObject(recipe) || !isObject(recipe.settings)) return recipe;
  const { settings } = recipe;
  const concepts = isObject(settings.concepts)
    ? { ...FIRST_CONCEPTS, ...settings.concepts }
    : settings.concepts;
  return { allowedWords: [], wordKinds: {}, ...recipe, settings: { ...settings, concepts } };
}
