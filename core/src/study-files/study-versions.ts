import type { CleaningStep } from '../text/cleaning/steps.ts';
import { liftRecipe } from './recipe-versions.ts';

/**
 * The version of a study's record that is written. Version 2: cleaning steps as a list, parts of sources, subsets.
 * Version 3: names and numbers as concepts, words let back in, what words are. Version 4: words and phrases that are never
 * shown, in one decision. Version 5: the number of concepts and the fewest sources may be left to the collection.
 * Version 6: what a link stands by, and what strength is measured over. Version 7: what the researcher decides about themes.
 * Version 8: groups joined, left out, put in order and crossed; measures of strength; tone lists; groupings kept; speakers
 * whose turns make no windows. Version 9: pseudonyms; words pinned on the map; the Notebook's kept views, headings and order.
 * Version 10: kinds of names. Version 11: names that are words too. Version 12: the sheet of the map.
 */
export const STUDY_VERSION = 12;

/** The first version whose recipes are those of now, and the version of the recipes of each before. */
const RECIPES_AS_NOW = 10;
const recipeVersionOf = (version: number): number => (version < 3 ? 1 : version < 6 ? 3 : 5);

/** The cleaning of version 1: five switches in a fixed order. */
interface FirstCleaning {
  readonly addresses: boolean;
  readonly pattern: boolean;
  readonly ownPattern: string;
  readonly digits: boolean;
  readonly foldCase: boolean;
}

const FIRST_CLEANING: FirstCleaning = {
  addresses: true,
  pattern: false,
  ownPattern: '',
  digits: true,
  foldCase: true,
};

/** What of a record has to be known to lift it. */
interface AnyRecord {
  readonly seq: number;
  readonly parent: number;
  readonly decision: { readonly kind: string } & Readonly<Record<string, unknown>>;
}

function stepsOf(cleaning: FirstCleaning): CleaningStep[] {
  const { addresses, pattern, ownPattern, digits, foldCase } = cleaning;
  const steps: CleaningStep[] = [
    { id: 'addresses', on: addresses, kind: 'addresses' },
    { id: 'handles', on: addresses, kind: 'handles', keepWord: false },
  ];
  if (ownPattern !== '') {
    steps.push({
      id: 'replace-1',
      on: pattern,
      kind: 'replace',
      find: ownPattern,
      isPattern: true,
      wholeWords: false,
      matchCase: true,
      replacement: '',
    });
  }
  return [
    ...steps,
    { id: 'numbers', on: digits, kind: 'numbers', inWords: false },
    { id: 'case', on: foldCase, kind: 'case' },
  ];
}

function isRecord(value: unknown): value is AnyRecord {
  const record = value as Partial<AnyRecord> | null;
  return typeof record?.seq === 'number' && typeof record.decision?.kind === 'string';
}

/**
 * Records of an earlier version as those of the present; what is not a record is left for the check to refuse.
 */
export function liftRecords(records: readonly unknown[], version: number): unknown[] {
  if (version >= RECIPES_AS_NOW) return [...records];
  const since2 = version < 2 ? liftFirst(records) : [...records];
  return since2.map((record) => {
    if (!isRecord(record) || record.decision.kind !== 'applyRecipe') return record;
    return {
      ...record,
      decision: { ...record.decision, recipe: liftRecipe(record.decision.recipe, recipeVersionOf(version)) },
    };
  });
}

/** Records of version 1 as those of version 2. */
function liftFirst(records: readonly unknown[]): unknown[] {
  const cleaningAt = new Map<number, FirstCleaning>();
  return records.map((record) => {
    if (!isRecord(record)) return record;
    const { decision } = record;
    let cleaning = cleaningAt.get(record.parent) ?? FIRST_CLEANING;
    let lifted: unknown = decision;
    if (decision.kind === 'setCleaning') {
      cleaning = { ...cleaning, ...(decision.change as Partial<FirstCleaning> | undefined) };
      lifted = { kind: 'setCleaning', steps: stepsOf(cleaning), what: 'change the cleaning' };
    } else if (decision.kind === 'setConcepts') {
      const { englishStopWords, ...change } = (decision.change ?? {}) as Record<string, unknown>;
      lifted = {
        ...decision,
        change: englishStopWords === undefined ? change : { ...change, listedStopWords: englishStopWords },
      };
    }
    cleaningAt.set(record.seq, cleaning);
    return { ...record, decision: lifted };
  });
}
