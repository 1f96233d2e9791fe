import type Joi from 'joi';
import type { Decision } from '../study/decisions.ts';
import { compareDecisionSchemas } from '../study/decisions/compare.ts';
import { attributeDecisionSchemas } from '../study/decisions/attributes.ts';
import { themeDecisionSchemas } from '../study/decisions/themes.ts';
import { mapDecisionSchemas } from '../study/decisions/map.ts';
import { pseudonymDecisionSchemas } from '../study/decisions/pseudonyms.ts';
import { settingDecisionSchemas } from '../study/decisions/settings.ts';
import { sourceDecisionSchemas } from '../study/decisions/sources.ts';
import { wordDecisionSchemas } from '../study/decisions/words.ts';
import * as fields from '../study/schema-fields.ts';

/** A decision of any kind (study/decisions.ts). */
export const decisionSchema = fields.byKind({
  ...sourceDecisionSchemas(fields),
  ...attributeDecisionSchemas(fields),
  ...wordDecisionSchemas(fields),
  ...settingDecisionSchemas(fields),
  ...themeDecisionSchemas(fields),
  ...compareDecisionSchemas(fields),
  ...pseudonymDecisionSchemas(fields),
  ...mapDecisionSchemas(fields),
});

/** The name that Joi, like any code that copies objects key by key, would lose. */
const LOST = '__proto__';

/** A value in which that name is another, so that what stands under it is checked as everything else is. */
function withoutLost(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutLost);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value).map(([name, inner]) => [name === LOST ? `${LOST} ` : name, withoutLost(inner)]),
  );
}

const holdsLost = (value: unknown): boolean =>
  value !== null &&
  typeof value === 'object' &&
  (Object.hasOwn(value, LOST) || Object.values(value).some(holdsLost));

/** What is wrong with a value by a schema, in a sentence's words; undefined where nothing is. The value stays as it is. */
export function faultIn(schema: Joi.Schema, value: unknown): string | undefined {
  const { error } = schema.validate(holdsLost(value) ? withoutLost(value) : value, { convert: false });
  return error?.message;
}

/** What is wrong with a decision, or undefined. */
export function decisionFault(decision: Decision): string | undefined {
  return faultIn(decisionSchema, decision);
}
