import Joi from 'joi';
import type { Recipe } from '../study/recipe.ts';
import { faultIn } from './decision-schemas.ts';
import { recipeSchema, whole } from '../study/schema-fields.ts';
import { liftRecipe, RECIPE_VERSION } from './recipe-versions.ts';

export const RECIPE_FORMAT = 'green-thicket-recipe';

/** Why a recipe file can't be used, as a sentence for the researcher. */
export class RecipeFileError extends Error {
  override readonly name = 'RecipeFileError';
}

export const recipeFileSchema = Joi.object({
  format: Joi.valid(RECIPE_FORMAT).required(),
  version: whole.min(1).required(),
  recipe: recipeSchema.required(),
}).required();

/** What a recipe file holds. */
export const recipeRecord = (recipe: Recipe) => ({ format: RECIPE_FORMAT, version: RECIPE_VERSION, recipe });

/** A recipe as a JSON file; it holds settings and lists and no text of any source. */
export function writeRecipe(recipe: Recipe): string {
  return `${JSON.stringify(recipeRecord(recipe), null, 2)}\n`;
}

/** Reads a recipe file, or throws a RecipeFileError that says why it can't be. */
export function readRecipe(text: string): Recipe {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch {
    throw new RecipeFileError('This is no recipe file: it is not valid JSON.');
  }
  const { format, version } = (parsed ?? {}) as { format?: unknown; version?: unknown };
  if (format !== RECIPE_FORMAT) throw new RecipeFileError('This is no recipe file of Green Thicket.');
  if (typeof version === 'number' && version > RECIPE_VERSION) {
    throw new RecipeFileError(
      `The recipe has version ${version} and this application reads up to ${RECIPE_VERSION}. Open it with a newer one.`,
    );
  }
  const present =
    typeof version === 'number' && version < RECIPE_VERSION
      ? { ...(parsed as object), recipe: liftRecipe((parsed as { recipe?: unknown }).recipe, version) }
      : parsed;
  const fault = faultIn(recipeFileSchema, present);
  if (fault !== undefined) throw new RecipeFileError(`The recipe can’t be used: ${fault}.`);
  return (present as { recipe: Recipe }).recipe;
}
