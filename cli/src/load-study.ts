import { readFileSync } from 'node:fs';
import { readFile } from '@green-thicket/core/formats/read/files';
import type { SheetRows } from '@green-thicket/core/formats/read/read-result';
import { isSealed, passwordBytes, unseal } from '@green-thicket/core/formats/sealed-file';
import { describeSources } from '@green-thicket/core/intake/describing-table';
import { textOf } from '@green-thicket/core/intake/sources';
import { typesOf } from '@green-thicket/core/study/attributes';
import type { Decision } from '@green-thicket/core/study/decisions';
import type { NotebookEntry } from '@green-thicket/core/study/notebook';
import { foldDecisions, type DecisionLog } from '@green-thicket/core/study/record';
import type { StudyState } from '@green-thicket/core/study/study';
import { readStudyFile } from '@green-thicket/core/study-files/study-file';
import type { ThemeIdentity } from '@green-thicket/core/themes/identity';
import { collect, type Collected } from './collect.ts';
import { addDecisions, FIXED_TIME, NO_DECISIONS, readText } from './log.ts';
import { readCounts, type Counted } from './shards/counted.ts';
import { reasonOf, UsageError } from './usage-error.ts';

/** Where a study comes from, as the command line names it. */
export interface LoadOptions {
  /** A folder of merged counts, in place of files. */
  readonly counts?: string;
  readonly attributes?: string;
  /** The column of tables that holds the text, by its name. */
  readonly text?: string;
  /** A file that holds the password of a .thicket file. */
  readonly passwordFile?: string;
}

/** What a study is begun with. */
type Brought = Pick<Collected, 'added' | 'entries' | 'describing'> & Partial<Pick<Counted, 'decisions'>>;

/** A study as it was read or begun. */
export interface LoadedStudy {
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

/** Reads a study, or begins one of files or counts. Throws a UsageError that says what is wrong with them. */
export async function loadStudy(
  files: readonly string[],
  { attributes, text, passwordFile, counts }: LoadOptions,
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
  const { added, refused, notes, entries, describing } = await collect(files, { attributes, text });
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
export function originalsOf(
  state: StudyState,
  originals: ReadonlyMap<string, string>,
): (id: string) => string {
  const sources = new Map(state.sources.map((source) => [source.id, source]));
  return (id) => {
    const source = sources.get(id);
    return source ? textOf(source, (whole) => originals.get(whole) ?? '') : '';
  };
}

/** Gives the sources the attributes of a table in a file. */
export async function addAttributes(
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
