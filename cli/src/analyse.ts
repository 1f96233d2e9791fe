import { readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { compareGroups } from '@green-thicket/core/compare/strength';
import { readFile } from '@green-thicket/core/formats/files';
import type { SheetRows } from '@green-thicket/core/formats/read-result';
import { isSealed, passwordBytes, seal, unseal } from '@green-thicket/core/formats/sealed-file';
import { readStudyFile, writeStudyFile } from '@green-thicket/core/study-files/study-file';
import {
  apartTable,
  conceptsTable,
  linksTable,
  strengthTable,
  themesTable,
  timeTable,
  toneTable,
} from '@green-thicket/core/study-files/tables';
import { withGround } from '@green-thicket/core/map/ground';
import { withDrawnFace, withDrawnWords, type DrawPng } from '@green-thicket/core/formats/document';
import { drawMap } from '@green-thicket/core/map/draw';
import { foldDecisions, type DecisionLog } from '@green-thicket/core/study/record';
import type { Decision } from '@green-thicket/core/study/decisions';
import { describeSources } from '@green-thicket/core/intake/describing-table';
import { Engine } from '@green-thicket/core/engine/engine';
import { methodSentences, sentenceText, STOPS } from '@green-thicket/core/words/sentences';
import { conceptLabels, type Library, type StudyInput } from '@green-thicket/core/engine/resources';
import type { StageName } from '@green-thicket/core/engine/stage-keys';
import type { StageResults } from '@green-thicket/core/engine/stages';
import { textOf } from '@green-thicket/core/intake/intake';
import { typesOf } from '@green-thicket/core/study/attributes';
import { attributeNames, groupsOf } from '@green-thicket/core/study/groups';
import type { NotebookEntry } from '@green-thicket/core/study/notebook';
import { renamerOf } from '@green-thicket/core/study/pseudonyms';
import { networkInForce, sizeOfCollection } from '@green-thicket/core/study/in-force';
import type { StudyState } from '@green-thicket/core/study/study';
import { workingSources } from '@green-thicket/core/study/subset';
import { SentenceTags, sentenceTagger } from '@green-thicket/core/text/sentence-tags';
import type { ThemeIdentity } from '@green-thicket/core/themes/identity';
import { askOf } from './ask.ts';
import { collect, type Collected } from './collect.ts';
import { furtherComparisons } from './comparisons.ts';
import { openOutput } from './output-set.ts';
import { EXCHANGE_FILES, exchangeFiles, REPORT_FILES, reportFiles } from './publishing.ts';
import { withBrowser } from './drawing-browser.ts';
import { lexiconOnce, reportFace } from './lexicon-file.ts';
import { addDecisions, FIXED_TIME, NO_DECISIONS, readText, settingsIn } from './log.ts';
import { readCounts, giveCounts, type Counted } from './shards/counted.ts';
import { threads, toTheEndTogether } from './threads.ts';
import { reasonOf, UsageError } from './usage-error.ts';

export interface AnalyseOptions {
  readonly out: string;
  readonly settings?: string;
  /** A folder of merged counts, in place of files. */
  readonly counts?: string;
  readonly attributes?: string;
  /** The column of tables that holds the text, by its name. */
  readonly text?: string;
  /** A file that holds the password of a .thicket file. */
  readonly passwordFile?: string;
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

/** What a run writes. */
const RESULTS = [
  'concepts.csv',
  'links.csv',
  'themes.csv',
  'strength.csv',
  'apart.csv',
  'time.csv',
  'tone.csv',
  'map.svg',
  'network.graphml',
  'network.json',
  'study.thicket',
  'methods.md',
  'run.json',
] as const;

/** What is written where there is a browser that draws. */
const PICTURE = 'map.png';

/** How many times its size a picture may be drawn. */
export const PICTURE_SCALES = { min: 1, max: 4, whole: true } as const;

/** What a study is begun with. */
type Brought = Pick<Collected, 'added' | 'entries' | 'describing'> & Partial<Pick<Counted, 'decisions'>>;

interface LoadedStudy {
  /** The password of the file it came from; its results' study file gets the same. */
  password?: Uint8Array;
  log: DecisionLog;
  register: readonly ThemeIdentity[];
  originals: ReadonlyMap<string, string>;
  notebook: readonly NotebookEntry[];
  /** What was counted before. */
  counted?: Counted;
}

/** The password in a file: its first line. */
function readPassword(file: string | undefined): Uint8Array {
  if (file === undefined) {
    throw new Error('it has a password. Name a file that holds it: --password-file FILE.');
  }
  return passwordBytes(readText(file).split(/\r?\n/)[0]);
}

async function loadStudy(
  files: readonly string[],
  { attributes, text, out, passwordFile, counts }: AnalyseOptions,
  say: (line: string) => void,
): Promise<LoadedStudy> {
  if (counts !== undefined) {
    if (files.length > 0) throw new UsageError('Name files, or --counts, not both.');
    const counted = await readCounts(counts);
    say(`Read ${counted.added.length} sources.`);
    return { ...begin(counted, say), counted };
  }
  if (files.length === 0) throw new UsageError('Name the files to analyse, or --counts.');
  if (files.some((file) => file.endsWith('.thicket'))) {
    if (files.length > 1)
      throw new UsageError('Name one .thicket file, or files and folders of text, not both.');
    try {
      const bytes = readFileSync(files[0]);
      const password = isSealed(bytes) ? readPassword(passwordFile) : undefined;
      const { leftOut, ...study } = readStudyFile(password ? await unseal(bytes, password) : bytes);
      for (const each of leftOut) say(each);
      return { ...study, ...(password ? { password } : {}) };
    } catch (error) {
      throw new UsageError(`${files[0]} can’t be opened: ${reasonOf(error)}`);
    }
  }
  const { added, refused, notes, entries, describing } = await collect(files, {
    attributes,
    text,
    own: { folder: out, names: new Set<string>([...RESULTS, PICTURE, ...REPORT_FILES, ...EXCHANGE_FILES]) },
  });
  for (const note of notes) say(note);
  for (const { name, reason } of refused) say(`Left out ${name}: ${reason}`);
  if (added.length === 0) {
    const why =
      refused.length > 0
        ? `${refused[0].name}: ${refused[0].reason}`
        : 'there is no file of a kind that is read.';
    throw new UsageError(`Nothing can be read from ${files.join(', ')}: ${why}`);
  }
  say(`Read ${added.length} sources.`);
  return begin({ added, entries, describing }, say);
}

/** A study of what came in. */
function begin(
  { added, entries, describing, decisions = [] }: Brought,
  say: (line: string) => void,
): LoadedStudy {
  const sources = added.map(({ source }) => source);
  const types = typesOf(sources);
  let log = addDecisions(NO_DECISIONS, [
    { kind: 'renameStudy', title: 'Study' },
    { kind: 'addSources', sources, ...(Object.keys(types).length > 0 ? { types } : {}) },
  ]);
  for (const { sheet, nameColumn } of describing) log = describe(log, sheet, nameColumn, say);
  return {
    log: addDecisions(log, decisions),
    register: [],
    notebook: entries.map((entry, i) => ({ ...entry, id: `brought-${i + 1}`, time: FIXED_TIME, place: i })),
    originals: new Map(added.map(({ source, text }) => [source.id, text])),
  };
}

/** The text of each source by its id. */
function originalsOf(state: StudyState, originals: ReadonlyMap<string, string>): (id: string) => string {
  const sources = new Map(state.sources.map((source) => [source.id, source]));
  return (id) => {
    const source = sources.get(id);
    return source ? textOf(source, (whole) => originals.get(whole) ?? '') : '';
  };
}

/** Runs the engine over files or a study and writes the tables, the map, the study and the record of the run. */
export const analyse = (files: readonly string[], options: AnalyseOptions): Promise<void> =>
  withBrowser(options.browser, (draw) => analyseDrawing(files, options, draw));

async function analyseDrawing(
  files: readonly string[],
  options: AnalyseOptions,
  draw: DrawPng | undefined,
): Promise<void> {
  const say = (line: string): void => {
    if (!options.quiet) process.stderr.write(`${line}\n`);
  };
  const started = performance.now();
  const names = [
    ...RESULTS,
    ...(options.report ? REPORT_FILES : []),
    ...(options.exchange ? EXCHANGE_FILES : []),
    ...(options.browser === undefined ? [] : [PICTURE]),
  ];
  const output = openOutput(options.out, names, options.force ?? false);
  const study = await loadStudy(files, options, say);
  const readTime = performance.now() - started;
  let { log } = study;
  if (options.attributes !== undefined) log = await addAttributes(log, options.attributes, say);
  if (options.settings !== undefined)
    log = addDecisions(log, settingsIn(readText(options.settings), options.settings));
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
  // What it tags with is large, and not needed where nothing can be analysed.
  const { createTagger } = await import('@green-thicket/core/text/tagger');
  const lexicon = lexiconOnce();
  const library: Library = {
    original: originalsOf(state, study.originals),
    lexicon,
    tags: new SentenceTags(),
    tagSentence: sentenceTagger(lexicon, createTagger),
    helpers,
  };
  const engine = new Engine(library, () => performance.now());
  if (study.counted) giveCounts(study.counted, study.log, state, library, engine);
  const together = <S extends StageName>(what: string, stage: S): Promise<StageResults[S]> => {
    if (what !== '') say(what);
    return toTheEndTogether(engine.compute(stage, input));
  };
  const tokens = await together('Reading words …', 'tokens');
  const candidates = await together('Finding concepts …', 'candidates');
  const concepts = await together('Choosing concepts …', 'concepts');
  const links = await together('Finding links …', 'links');
  const windows = await together('Laying windows …', 'windows');
  const themes = await together('Finding themes …', 'themes');
  const redrawn = await together('Drawing sources anew …', 'redrawn');
  const map = await together('Drawing the map …', 'map');
  const strength = await together('Comparing groups …', 'strength');
  const comparison = await together('Testing differences …', 'comparison');
  const language = (await together('', 'languages')).main;
  helpers.stop();
  // All that follows goes on from what is at hand.
  const comparisons = attributeNames(sources).map((attribute) => {
    const { names, groupOf } = groupsOf(state, attribute);
    return { attribute, comparison: compareGroups(strength, groupOf, names, state.settings.themes.seed) };
  });
  const computing = { engine, input, library, say };
  const ask = askOf(computing);
  const { apart, overTime, tones, network } = furtherComparisons(computing, ask);
  if (links.standing === 0) {
    say(
      `No links: ${tokens.type.length} words are too few to link anything. More text, a longer window or a lower cut-off would help.`,
    );
  }

  // What is written carries pseudonyms; the study file alone keeps the names.
  const { rename, renameAnyCase } = renamerOf(state.pseudonyms);
  const labels = conceptLabels(state.conceptLabels, concepts).map(renameAnyCase);
  // Names of columns stay.
  const inRows = (csv: string): string => {
    const end = csv.indexOf('\n');
    return csv.slice(0, end) + renameAnyCase(csv.slice(end));
  };
  const namedThemes = {
    ...themes,
    themes: themes.themes.map((theme) => ({ ...theme, label: renameAnyCase(theme.label) })),
  };
  const sentences = methodSentences(state, {
    resolution: themes.resolution,
    exact: comparison.exact,
    language,
  });
  /** How many things each stage made. */
  const made: Partial<Record<StageName, number>> = {
    tokens: tokens.type.length,
    candidates: candidates.keys.length,
    concepts: concepts.keys.length,
    windows: windows.count,
    links: links.standing,
    themes: themes.themes.length,
    map: map.labels.length,
    comparison: comparison.groups.length,
  };
  const runRecord = {
    version: options.version,
    seed: state.settings.themes.seed,
    settings: state.settings,
    counts: {
      sources: sources.length,
      words: tokens.type.length,
      differentWords: tokens.forms.length,
      candidates: candidates.keys.length,
      concepts: concepts.keys.length,
      windows: windows.count,
      links: links.standing,
      themes: themes.themes.length,
    },
    resolution: themes.resolution,
    modularity: themes.modularity,
    stages: [
      { stage: 'read', milliseconds: Math.round(readTime), count: sources.length },
      ...engine.timings.map(({ stage, milliseconds }) => ({
        stage,
        milliseconds: Math.round(milliseconds),
        ...(made[stage] === undefined ? {} : { count: made[stage] }),
      })),
    ],
    peakMemoryMB: Math.round(process.resourceUsage().maxRSS / 1024),
  };
  const file = writeStudyFile({
    log,
    register: withGround(themes.register, map.ground),
    originals: study.originals,
    notebook: study.notebook,
  });
  const picture = withDrawnFace(withDrawnWords(drawMap(map, state.title), renameAnyCase), reportFace());
  const results: Record<(typeof RESULTS)[number], string | Uint8Array> = {
    'concepts.csv': conceptsTable(labels, concepts, candidates, themes, redrawn),
    'links.csv': linksTable(labels, links),
    'themes.csv': themesTable(labels, namedThemes, redrawn),
    'strength.csv': inRows(strengthTable(comparisons, themes)),
    'apart.csv': inRows(apartTable(apart)),
    'time.csv': timeTable(overTime),
    'tone.csv': inRows(toneTable(tones)),
    'map.svg': picture,
    'network.graphml': network('graphml'),
    'network.json': network('json'),
    'study.thicket': study.password ? await seal(file, study.password) : file,
    'methods.md': rename(`# Method\n\n${STOPS.map((stop) => sentenceText(sentences[stop])).join('\n\n')}\n`),
    'run.json': `${JSON.stringify(runRecord, null, 2)}\n`,
  };
  if (options.report) say('Writing the report …');
  const published = {
    ...(options.report
      ? await reportFiles(ask, { log, notebook: study.notebook, version: options.version }, draw)
      : {}),
    ...(draw ? { [PICTURE]: await draw(picture, options.scale) } : {}),
    ...(options.exchange ? exchangeFiles(ask, study.notebook) : {}),
  };
  output.write(new Map(Object.entries({ ...results, ...published })));
  say(
    `${tokens.type.length} words, ${concepts.keys.length} concepts, ${links.standing} links, ${themes.themes.length} themes, in ${((performance.now() - started) / 1000).toFixed(2)} s. Written to ${options.out}.`,
  );
}

async function addAttributes(
  log: DecisionLog,
  path: string,
  say: (line: string) => void,
): Promise<DecisionLog> {
  let bytes: Uint8Array;
  try {
    bytes = readFileSync(path);
  } catch (error) {
    throw new UsageError(`${path} can’t be read: ${reasonOf(error)}.`);
  }
  // Whatever its ending, a text of attributes is a table.
  const name = /\.xls[xm]$/i.test(path) ? path : `${path}.csv`;
  const content = await readFile({ name, bytes });
  if (content.kind !== 'table') {
    throw new UsageError(
      `The attributes in ${path} can’t be read: ${content.kind === 'refused' ? content.reason : 'it is not a table.'}`,
    );
  }
  try {
    return describe(log, content.sheets[0], 0, say);
  } catch (error) {
    throw new UsageError(`The attributes in ${path} can’t be read: ${reasonOf(error)}`);
  }
}

/** Gives the sources the attributes a table has of them, and says what fits none. */
function describe(
  log: DecisionLog,
  sheet: SheetRows,
  nameColumn: number,
  say: (line: string) => void,
): DecisionLog {
  const { sources } = foldDecisions(log);
  const { values, types, unmatched, without, doubled } = describeSources(sheet, nameColumn, sources);
  for (const what of doubled) say(what);
  for (const name of unmatched) say(`No source is called ${name}; its attributes are not used.`);
  if (without.length > 0) say(`${without.length} sources are not in the table of attributes.`);
  const typed = Object.entries(types).filter(([, type]) => type !== 'text');
  return addDecisions(log, [
    { kind: 'setValues', values },
    ...typed.map(([attribute, type]): Decision => ({ kind: 'setAttributeType', attribute, type })),
  ]);
}
