import { buildCommands, buildWeb, checkNode, install } from './run.mjs';

checkNode();
install();
await buildCommands();
await buildWeb();
