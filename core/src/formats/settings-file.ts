import Joi from 'joi';
import type { Decision } from '../study/decisions.ts';
import { decisionParts } from './study-file.ts';

const SECTIONS = {
  speakers: 'setSpeakers',
  cleaning: 'setCleaning',
  concepts: 'setConcepts',
  windows: 'setWindows',
  links: 'setLinks',
  themes: 'setThemes',
  map: 'setMap',
} as const;

const schema = Joi.object({
  ...Object.fromEntries(
    Object.entries(SECTIONS).map(([section, kind]) => [
      section,
      (decisionParts(kind).change as Joi.Schema).optional(),
    ]),
  ),
  stopWords: Joi.array().items(Joi.string().min(1)),
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
    value: Record<string, Record<string, never>> & { stopWords?: string[] };
  };
  if (error) throw new Error(`${error.message}.`);
  const decisions: Decision[] = [];
  for (const [section, kind] of Object.entries(SECTIONS)) {
    if (value[section]) decisions.push({ kind, change: value[section] });
  }
  if (value.stopWords) decisions.push({ kind: 'addStopWords', words: value.stopWords });
  return decisions;
}
