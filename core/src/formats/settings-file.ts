import Joi from 'joi';
import type { Decision } from '../study/decisions.ts';
import type { CleaningStep } from '../text/steps.ts';
import { keys, settingsChange } from './decision-schemas.ts';

const SECTIONS = {
  speakers: 'setSpeakers',
  concepts: 'setConcepts',
  windows: 'setWindows',
  links: 'setLinks',
  themes: 'setThemes',
  map: 'setMap',
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

/**
 * Reads settings for the command line: an object with any of speakers, cleaning, concepts, windows, links, themes and map, each
 * with the settings to change, and stopWords, a list.
 *
 * @returns the decisions they amount to; throws an Error that says what is wrong
 */
export function readSettings(text: string): Decision[] {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch (error) {
    throw new Error(`It is not valid JSON: ${error instanceof Error ? error.message : String(error)}.`);
  }
  const { error, value } = schema.validate(parsed, { convert: false }) as {
    error?: Error;
    value: Record<string, Record<string, never>> & {
      stopWords?: string[];
      cleaning?: { steps: CleaningStep[] };
    };
  };
  if (error) throw new Error(`${error.message}.`);
  const decisions: Decision[] = [];
  for (const [section, kind] of Object.entries(SECTIONS)) {
    if (value[section]) decisions.push({ kind, change: value[section] });
  }
  if (value.cleaning) {
    decisions.push({ kind: 'setCleaning', steps: value.cleaning.steps, what: 'set the cleaning steps' });
  }
  if (value.stopWords) decisions.push({ kind: 'addStopWords', words: value.stopWords });
  return decisions;
}
