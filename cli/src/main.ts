import { Command, CommanderError, InvalidArgumentError } from 'commander';
import { analyse } from './analyse.ts';
import { group } from './group.ts';
import { UsageError } from './usage-error.ts';

declare const VERSION: string | undefined;
const version = typeof VERSION === 'string' ? VERSION : '0.1.0';

function numberAbove(smallest: number, whole: boolean) {
  return (text: string): number => {
    const value = Number(text);
    if (!Number.isFinite(value) || value < smallest || (whole && !Number.isInteger(value))) {
      throw new InvalidArgumentError(`It must be a ${whole ? 'whole ' : ''}number from ${smallest} up.`);
    }
    return value;
  };
}

const program = new Command('thicket')
  .description('From texts to concepts, themes, a concept map and a comparison of groups.')
  .version(version)
  .exitOverride()
  .configureOutput({ outputError: () => undefined });

program
  .command('analyse')
  .description('analyses texts, documents and tables, folders of them, or one .thicket study')
  .argument('<files...>', 'files or folders, or one .thicket file')
  .requiredOption('--out <folder>', 'where to write the tables')
  .option('--settings <file>', 'JSON with the settings to change')
  .option('--attributes <table>', 'CSV of attributes, first column the file name')
  .option('--quiet', 'say nothing but errors')
  .exitOverride()
  .action(
    async (
      files: string[],
      options: { out: string; settings?: string; attributes?: string; quiet?: boolean },
    ) => {
      await analyse(files, { ...options, quiet: options.quiet ?? false, version });
    },
  );

program
  .command('group')
  .description('groups a weighted network given as source,target,weight')
  .argument('<links>', 'CSV with the columns source, target and weight')
  .requiredOption('--out <folder>', 'where to write the tables')
  .option('--resolution <number>', 'resolution of modularity', numberAbove(0.01, false), 1)
  .option('--seed <number>', 'seed of the generator', numberAbove(0, true), 1)
  .option('--runs <number>', 'how many runs the consensus is of', numberAbove(1, true), 50)
  .exitOverride()
  .action(async (links: string, options: { out: string; resolution: number; seed: number; runs: number }) => {
    await group(links, { ...options, version });
  });

try {
  await program.parseAsync();
} catch (error) {
  if (error instanceof CommanderError) {
    if (error.exitCode === 0) process.exit(0);
    process.stderr.write(
      `${error.message.replace(/^error: /, '')}\nthicket --help lists what it takes.\n`.replace(
        /\n(?=thicket)/,
        ' ',
      ),
    );
    process.exit(2);
  }
  if (error instanceof UsageError) {
    process.stderr.write(`${error.message}\n`);
    process.exit(2);
  }
  throw error;
}
