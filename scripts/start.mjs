import { buildCommands, buildWeb, checkNode, install, root, say } from './run.mjs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

checkNode();
install();
await buildCommands();
await buildWeb();
say('Starting …');
await import(pathToFileURL(join(root, 'dist/server/main.js')).href);
