import { checkNode, install, run, buildCommands, buildWeb } from './run.mjs';

checkNode();
install();
await buildCommands();
await buildWeb();
run('node', ['--import', 'tsx', 'bench/run.ts', ...process.argv.slice(2)]);
