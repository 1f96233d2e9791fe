// npm run types: what the compiler says of every part.
import { run, TYPED, typesOf } from './run.mjs';

for (const part of TYPED) run(process.execPath, typesOf(part));
