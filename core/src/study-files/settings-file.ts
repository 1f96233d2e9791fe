import Joi from 'joi';
import type { Decision } from '../study/decisions.ts';
import { stepFault } from '../text/cleaning/step-faults.ts';
import type { CleaningStep } from '../text/cleaning/steps.ts';
import { faultIn } from './decision-schemas.ts';
import { readRecipe, RecipeFileError } from './recipe-file.ts';
import { keys, settingsChange } from '../study/schema-fields.ts';
import { ownValue } from '../base/records.ts';

const SECTIONS = {
  speakers: 'setSpeakers',
  concepts: 'setConcepts',
  windows: 'setWindows',
  links: 'setLinks',
  themes: 'setThemes',
  map: 'setMap',
  compare: 'setCompare',
} as const;

const schema = Joi.object({
  ...Object.fromEntries(
    [...Object.keys(SECTIONS), 'cleaning'].map((section) => [
      section,
      settingsChange(section as keyof typeof SECTIONS | 'cleaning').optional(),
    ]),
  ),
  stopWords: keys,
}).required();

/** The decision a recipe comes to; what is wrong with it is a fault of the settings. */
function recipeIn(parsed: unknown): Decision {
  try {
    return { kind: 'applyRecipe', recipe: readRecipe(JSON.stringify(parsed)) };
  } catch (error) {
    if (error instanceof RecipeFileError) throw new Error(error.message, { cause: error });
    throw error;
  }
}

/** What a run was made by, as its record has it: a recipe, and how groups were compared. */
function settingsOfRun(parsed: object): Decision[] | undefined {
  const { recipe, settings } = parsed as { recipe?: unknown; settings?: { compare?: unknown } };
  if ('format' in parsed) return [recipeIn(parsed)];
  if (recipe === undefined) return undefined;
  return [
    recipeIn(recipe),
    ...(settings?.compare ? readSettings(JSON.stringify({ compare: settings.compare })) : []),
  ];
}

/**
 * Reads settings for the command line: the record of a run (run.json), a recipe, or an object with any of speakers, cleaning, concepts, windows, links, themes, map and
 * compare, each with the settings to change, and stopWords, a list.
 *
 * @returns the decisions they amount to; throws an Error that says what is wrong
 */
export function readSettings(text: string): Decision[] {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch (error) {
    throw new Error(`It is not valid JSON: ${error instanceof Error ? error.message : String(error)}.`);
  }
  const ofRun = typeof parsed === 'object' && parsed !== null ? settingsOfRun(parsed) : undefined;
  if (ofRun) return ofRun;
  const fault = faultIn(schema, parsed);
  if (fault !== undefined) throw new Error(`${fault}.`);
  const value = parsed as Record<string, Record<string, never>> & {
    stopWords?: string[];
    cleaning?: { steps: CleaningStep[] };
  };
  const decisions: Decision[] = [];
  for (const [section, kind] of Object.entries(SECTIONS)) {
    const change = ownValue(value, section);
    if (change) decisions.push({ kind, change: change as Record<string, never> });
  }
  if (value.cleaning) {
    for (const step of value.cleaning.steps) {
      const broken = stepFault(step);
      if (broken !== undefined)
        throw new Error(`The cleaning step “${step.id}” has a pattern that can’t be used: ${broken}`);
    }
    decisions.push({ kind: 'setCleaning', steps: value.cleaning.steps, what: 'set the cleaning steps' });
  }
  if (value.stopWords) decisions.push({ kind: 'addStopWords', words: value.stopWords });
  return decisions;
}
