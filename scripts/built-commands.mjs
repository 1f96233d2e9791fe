// Mocha's setup before the unit tests, once for all that run side by side: the command line is tested as it is built.
import { buildCommands } from './run.mjs';

export const mochaGlobalSetup = () => buildCommands();
