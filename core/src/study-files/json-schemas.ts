import type Joi from 'joi';
import { recipeFileSchema } from './recipe-file.ts';
import { studyJsonSchema } from './study-file.ts';

const DIALECT = 'https://json-schema.org/draft/2020-12/schema';

type Json = Readonly<Record<string, unknown>>;

/** Whether an alternative only says which kinds there are: it words the fault of an unknown kind, and describes nothing. */
function namesKindsOnly(alternative: unknown): boolean {
  const { properties = {} } = (alternative ?? {}) as {
    properties?: { kind?: { enum?: readonly unknown[] } };
  };
  return Object.keys(properties).join() === 'kind' && (properties.kind?.enum?.length ?? 0) > 1;
}

/** A schema with its alternatives as they are meant: of several kinds each is exactly one. */
function tidied(schema: unknown): unknown {
  if (Array.isArray(schema)) return schema.map(tidied);
  if (schema === null || typeof schema !== 'object') return schema;
  return Object.fromEntries(
    Object.entries(schema).map(([name, part]: [string, unknown]) => [
      name,
      tidied(name === 'anyOf' && Array.isArray(part) ? part.filter((each) => !namesKindsOnly(each)) : part),
    ]),
  );
}

function jsonSchema(title: string, schema: Joi.Schema): Json {
  const made = schema['~standard'].jsonSchema.input({ target: 'draft-2020-12' });
  return { $schema: DIALECT, title, ...(tidied(made) as Json) };
}

/** The JSON Schemas of the formats, by the name of their file in docs/formats: made of what a reader checks by. */
export const jsonSchemas = (): ReadonlyMap<string, Json> =>
  new Map([
    ['study.schema.json', jsonSchema('study.json of a .thicket file', studyJsonSchema)],
    ['recipe.schema.json', jsonSchema('A recipe file', recipeFileSchema)],
  ]);
