import { availableParallelism } from 'node:os';
import type { DrawPng } from '@green-thicket/core/formats/write/document';
import { Engine } from '@green-thicket/core/engine/engine';
import type { Library, StudyInput } from '@green-thicket/core/engine/resources';
import type { StageName } from '@green-thicket/core/engine/stage-keys';
import type { StageResults } from '@green-thicket/core/engine/stages';
import { networkInForce, sizeOfCollection } from '@green-thicket/core/study/in-force';
import { foldDecisions } from '@green-thicket/core/study/record';
import { workingSources } from '@green-thicket/core/study/subset';
import { askOf } from './ask.ts';
import { furtherComparisons } from './comparisons.ts';
import { withBrowser } from './drawing-browser.ts';
import { wordsAtHand } from './lexicon-file.ts';
import { addAttributes, loadStudy, originalsOf, type LoadOptions } from './load-study.ts';
import { addDecisions, readText, settingsIn } from './log.ts';
import { withOutput, type OutputFolder } from './output-folder.ts';
import { packOriginals } from './packing.ts';
import { exchangeFiles, reportFiles } from './publishing.ts';
import { PICTURE, resultFiles, runRecord, type Computed } from './results.ts';
import { giveCounts } from './shards/counted.ts';
import { threads, toTheEndTogether } from './threads.ts';
import { UsageError } from './usage-error.ts';

export interface AnalyseOptions extends LoadOptions {
  /** Where results go. */
  readonly out: string;
  readonly settings?: string;
  /** Of the generator; the settings' own where it is left out. */
  readonly seed?: number;
  readonly quiet?: boolean;
  /** How many threads compute; as many as the machine has cores where it isn't said. */
  readonly threads?: number;
  /** Whether results that are in the folder already may be replaced. */
  readonly force?: boolean;
  /** Whether a report is written, and files for other programs. */
  readonly report?: boolean;
  readonly exchange?: boolean;
  /** The browser that draws pictures, and how many times its size the map is drawn. */
  readonly browser?: string;
  readonly scale: number;
  readonly version: string;
}

/** In so many characters of text there is enough to do for threads, for sure. */
const LARGE = 2_000_000;

/** Runs the engine over files or a study and writes the tables, the map, the study and the record of the run. */
export const analyse = (files: readonly string[], options: AnalyseOptions): Promise<void> =>
  withBrowser(options.browser, (draw) =>
    withOutput(options.out, options.force ?? false, (output) => analyseInto(output, files, options, draw)),
  );

async function analyseInto(
  output: OutputFolder,
  files: readonly string[],
  options: AnalyseOptions,
  draw: DrawPng | undefined,
): Promise<void> {
  const say = (line: string): void => {
    if (!options.quiet) process.stderr.write(`${line}\n`);
  };
  const started = performance.now();
  // What is wrong with them is said before all texts are read.
  const settings =
    options.settings === undefined ? [] : settingsIn(readText(options.settings), options.settings);
  const study = await loadStudy(files, options, say);
  const readTime = performance.now() - started;
  const packing = packOriginals(study.originals);
  let { log } = study;
  if (options.attributes !== undefined) log = await addAttributes(log, options.attributes, say);
  log = addDecisions(log, settings);
  if (options.seed !== undefined)
    log = addDecisions(log, [{ kind: 'setThemes', change: { seed: options.seed } }]);
  const state = foldDecisions(log);
  const sources = workingSources(state);
  if (sources.length === 0) {
    throw new UsageError(
      networkInForce(state)
        ? 'The study is a network without texts: open it in the application, or give the network itself to “group”.'
        : state.sources.length === 0
          ? 'The study has no sources.'
          : 'No source is in the subset the study works with. Open it and widen the subset.',
    );
  }
  const input: StudyInput = { state, register: study.register };

  const helpers = threads(options.threads ?? availableParallelism(), say);
  if (sizeOfCollection(state).characters >= LARGE) helpers.startNow();
  const library: Library = {
    original: originalsOf(state, study.originals),
    words: wordsAtHand(),
    helpers,
  };
  const engine = new Engine(library, () => performance.now());
  if (study.counted) giveCounts(study.counted, study.log, state, engine);
  const together = <S extends StageName>(what: string, stage: S): Promise<StageResults[S]> => {
    if (what !== '') say(what);
    return toTheEndTogether(engine.compute(stage, input));
  };
  const computed: Computed = {
    tokens: await together('Reading words …', 'tokens'),
    candidates: await together('Finding concepts …', 'candidates'),
    concepts: await together('Choosing concepts …', 'concepts'),
    links: await together('Finding links …', 'links'),
    windows: await together('Laying windows …', 'windows'),
    themes: await together('Finding themes …', 'themes'),
    redrawn: await together('Choosing concepts of halves of the sources …', 'redrawn'),
    resampled: await together('Grouping halves of the sources …', 'resampled'),
    map: await together('Drawing the map …', 'map'),
    strength: await together('Comparing groups …', 'strength'),
    comparison: await together('Testing differences …', 'comparison'),
    wordLanguages: await together('', 'wordLanguages'),
    sweep: await together('', 'sweep'),
  };
  const { tokens, concepts, links, themes } = computed;
  helpers.stop();
  // All that follows goes on from what is at hand.
  const computing = { engine, input, library, say };
  const ask = askOf(computing);
  const further = furtherComparisons(computing, ask);
  if (links.standing === 0) {
    say(
      'No links: no two concepts keep company often and strongly enough to be told from chance. More text, a longer window or a lower cut-off would help.',
    );
  }

  const results = await resultFiles(
    { state, log, study: { ...study, packed: await packing }, computed, further },
    runRecord({ state, version: options.version, readTime, timings: engine.timings }, computed),
  );
  if (options.report) say('Writing the report …');
  const published = {
    ...(options.report
      ? await reportFiles(ask, { log, notebook: study.notebook, version: options.version }, draw)
      : {}),
    ...(draw ? { [PICTURE]: await draw(String(results['map.svg']), options.scale) } : {}),
    ...(options.exchange ? exchangeFiles(ask, study.notebook) : {}),
  };
  const { alike } = ask('namesToCheck', null);
  if (alike.length > 0)
    say(
      `Like a listed name, and not changed: ${alike.map(({ text, times, name }) => `${text} (${times}, like ${name})`).join(', ')}.`,
    );
  output.put(new Map(Object.entries({ ...results, ...published })));
  say(
    `${tokens.type.length} words, ${concepts.keys.length} concepts, ${links.standing} links, ${themes.themes.length} themes, in ${((performance.now() - started) / 1000).toFixed(2)} s. Written to ${options.out}.`,
  );
}
