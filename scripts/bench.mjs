import { checkNode, install, run, buildCommands, buildWeb } from './run.mjs';

checkNode();
install();
await buildCommands();
await buildWeb();
run('node', ['--import', './scripts/typescript.mjs', 'bench/run.ts', ...process.argv.slice(2)]);
