// npm run schemas: writes the JSON Schemas of docs/formats out of what a reader checks by.
import { writeFileSync } from 'node:fs';
import { format } from 'prettier';
import { jsonSchemas } from '../core/src/study-files/json-schemas.ts';

for (const [name, schema] of jsonSchemas()) {
  const text = await format(JSON.stringify(schema), { parser: 'json', printWidth: 110 });
  writeFileSync(new URL(`../docs/formats/${name}`, import.meta.url), text);
}
