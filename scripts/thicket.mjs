import { buildCommands, checkNode, install, root } from './run.mjs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

checkNode();
install();
await buildCommands();
await import(pathToFileURL(join(root, 'dist/cli/main.js')).href);
