import { Command, CommanderError, InvalidArgumentError } from 'commander';
import type { NumberRange } from '@green-thicket/core/base/ranges';
import { RANGES } from '@green-thicket/core/study/limits';
import type { AnalyseOptions } from './analyse.ts';
import type { Shard } from './collect.ts';
import type { GroupOptions } from './group.ts';
import { PICTURE_SCALES } from './picture-scales.ts';
import type { CountOptions } from './shards/count.ts';
import type { MergeOptions } from './shards/merge.ts';
import { UsageError } from './usage-error.ts';

declare const VERSION: string | undefined;
const version = typeof VERSION === 'string' ? VERSION : '0.1.0';

function numberIn({ min, max, whole }: NumberRange) {
  return (text: string): number => {
    const value = text.trim() === '' ? NaN : Number(text);
    if (!(value >= min && value <= max) || (whole && !Number.isInteger(value))) {
      throw new InvalidArgumentError(`It must be a ${whole ? 'whole ' : ''}number from ${min} to ${max}.`);
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
  .argument('[files...]', 'files or folders, or one .thicket file')
  .requiredOption('--out <folder>', 'where to write the tables')
  .option('--counts <folder>', 'counts that were merged, in place of files')
  .option('--settings <file>', 'JSON with the settings to change')
  .option(
    '--seed <number>',
    'seed of the generator, to see what hangs on it; else that of the settings',
    numberIn(RANGES.seed),
  )
  .option('--attributes <table>', 'table of attributes (.csv, .tsv, .xlsx), first column the file name')
  .option(
    '--text <column>',
    'column of a table that holds the text, by its name; else it is the one that reads like language',
  )
  .option('--password-file <file>', 'file whose first line is the password of the .thicket file')
  .option('--report', 'write a report too: report.html, report.docx and references.bib')
  .option('--exchange', 'write files for other programs too: codebook.qdc and project.qdpx')
  .option(
    '--browser <path>',
    'a browser such as Chromium that draws pictures: map.png, and those in report.docx, as the page saves them',
  )
  .option('--scale <number>', 'how many times its size map.png is drawn, 1 to 4', numberIn(PICTURE_SCALES), 2)
  .option(
    '--threads <number>',
    'threads that compute, 1 to 64; else as many as there are cores. The results are the same',
    numberIn({ min: 1, max: 64, whole: true }),
  )
  .option('--force', 'replace results that are in the folder already')
  .option('--quiet', 'say nothing but errors')
  .exitOverride()
  .action(async (files: string[], options: Omit<AnalyseOptions, 'version'>) => {
    const { analyse } = await import('./analyse.ts');
    await analyse(files, { ...options, version });
  });

program
  .command('group')
  .description('groups a weighted network given as source,target,weight, as GraphML or as JSON Graph Format')
  .argument('<links>', 'CSV with the columns source, target and weight; .graphml; or .json')
  .requiredOption('--out <folder>', 'where to write the tables')
  .option(
    '--resolution <number>',
    'resolution of modularity, or auto for the one whose grouping comes back best when the links are counted anew',
    (text) => (text === 'auto' ? text : numberIn(RANGES.resolution)(text)),
    'auto',
  )
  .option('--seed <number>', 'seed of the generator', numberIn(RANGES.seed), 1)
  .option(
    '--runs <number>',
    'how many runs the best is taken of; else 50, and fewer of more than 20,000 links',
    numberIn(RANGES.runs),
  )
  .option('--force', 'replace results that are in the folder already')
  .exitOverride()
  .action(async (links: string, options: Omit<GroupOptions, 'version'>) => {
    const { group } = await import('./group.ts');
    await group(links, { ...options, version });
  });

function shardIn(text: string): Shard {
  const [, number, of] = /^(\d{1,6})\/(\d{1,6})$/.exec(text) ?? [];
  const shard = { number: Number(number), of: Number(of) };
  if (!(shard.number >= 1 && shard.number <= shard.of))
    throw new InvalidArgumentError('It must be as 3/16: the third of sixteen parts.');
  return shard;
}

program
  .command('count')
  .description('counts one part of a large collection, to be merged with the others')
  .argument('<files...>', 'files or folders: all of them, whichever part is counted')
  .requiredOption('--shard <i/n>', 'which of how many parts, as 3/16', shardIn)
  .requiredOption('--out <folder>', 'where to write the part')
  .option('--settings <file>', 'JSON with the settings to change, the same for every part')
  .option('--attributes <table>', 'table of attributes, which is no source; name it to analyse')
  .option('--text <column>', 'column of a table that holds the text, by its name')
  .option('--force', 'replace what is there already')
  .option('--quiet', 'say nothing but errors')
  .exitOverride()
  .action(async (files: string[], options: Omit<CountOptions, 'version'>) => {
    const { count } = await import('./shards/count.ts');
    await count(files, { ...options, version });
  });

program
  .command('merge')
  .description('merges counted parts, in any order, for analyse --counts')
  .argument('<parts...>', 'folders of counted parts, or of merged ones')
  .requiredOption('--out <folder>', 'where to write the merged counts')
  .option('--partial', 'merge some neighbouring parts now and the rest later')
  .option('--force', 'replace what is there already')
  .exitOverride()
  .action(async (parts: string[], options: MergeOptions) => {
    const { merge } = await import('./shards/merge.ts');
    await merge(parts, options);
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
