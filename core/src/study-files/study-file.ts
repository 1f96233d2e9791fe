import { SHEET_NAMES } from '../base/sheets.ts';
import { strFromU8, strToU8 } from 'fflate';
import Joi from 'joi';
import { hashText } from '../base/hash.ts';
import { ArchiveError, openArchive, type Archive } from '../formats/archive.ts';
import { DrawingError, readDrawing, writeDrawing } from '../formats/drawing.ts';
import { packBytes, writeArchive, type PackedBytes } from '../formats/write/archive-write.ts';
import type { DecisionLog, DecisionRecord } from '../study/record.ts';
import { clipped, LONGEST } from '../study/limits.ts';
import type { StudySource } from '../study/study.ts';
import { HANGS_ON, type NotebookEntry } from '../study/notebook.ts';
import { decisionSchema, faultIn } from './decision-schemas.ts';
import { concept, id, keys, letter, text, whole } from '../study/schema-fields.ts';
import { liftRecords, STUDY_VERSION } from './study-versions.ts';
import type { ThemeIdentity } from '../themes/identity.ts';
import { ownValue } from '../base/records.ts';

/** What a study file holds. docs/formats/study-file.md describes it. */
export interface StudyFile {
  readonly log: DecisionLog;
  readonly register: readonly ThemeIdentity[];
  /** Originals by source id, those of removed sources too, so that undo can bring them back. */
  readonly originals: ReadonlyMap<string, string>;
  /** Excerpts and memos. */
  readonly notebook?: readonly NotebookEntry[];
}

export const STUDY_FORMAT = 'green-thicket-study';
const LARGEST_UNPACKED = 1024 * 1024 * 1024;
const MOST_ENTRIES = 100_000;

/** Why a study file can't be opened, as a sentence for the researcher. */
export class StudyFileError extends Error {
  override readonly name = 'StudyFileError';
}

const seq = whole.min(0);
const shellSchema = Joi.object({
  format: Joi.valid(STUDY_FORMAT).required(),
  version: whole.min(1).required(),
  head: seq.required(),
  tip: seq.required(),
  decisions: Joi.array().required(),
  register: Joi.array().required(),
  notebook: Joi.array(),
})
  .unknown()
  .required();
const recordSchema = Joi.object({
  seq: seq.min(1).required(),
  parent: seq.required(),
  time: Joi.string().isoDate().required(),
  decision: decisionSchema.required(),
  reason: Joi.string().allow('').max(LONGEST.reason),
});
/** A place on the map, or a weight there, in map units. */
const place = Joi.number().min(-1e9).max(1e9);
const stood = Joi.array().ordered(place.required(), place.required(), place.required());
const identitySchema = Joi.object({
  letter: letter.required(),
  members: keys.required(),
  present: Joi.boolean().required(),
  sheet: Joi.valid(...SHEET_NAMES),
  site: stood,
  name: Joi.array().ordered(place.required(), place.required(), place.required(), place.required()),
  places: Joi.object().pattern(concept, stood),
});
const drawnText = Joi.string().allow('').max(LONGEST.drawing);
const cell = Joi.alternatives(Joi.number(), drawnText);
const keptViewSchema = Joi.object({
  asked: Joi.object({ kind: text.required() }).unknown().required(),
  address: Joi.string().allow('').max(LONGEST.note).required(),
  seq: seq.required(),
  figure: Joi.object({
    title: drawnText.required(),
    note: drawnText.required(),
    picture: Joi.object({ svg: drawnText.required(), alt: drawnText.required() }),
    table: Joi.object({
      head: Joi.array().items(drawnText).max(1000).required(),
      rows: Joi.array().items(Joi.array().items(cell).max(1000)).max(1000).required(),
    }),
  }),
});
const entrySchema = Joi.object({
  id: id.required(),
  time: Joi.string().isoDate().required(),
  note: Joi.string().allow('').max(LONGEST.note).required(),
  tags: Joi.array().items(Joi.string().max(LONGEST.tag)).max(1000).required(),
  isHeading: Joi.boolean(),
  place: Joi.number().min(-1e15).max(1e15),
  on: Joi.object({ kind: Joi.valid(...HANGS_ON).required(), key: concept.required(), name: text.required() }),
  view: keptViewSchema,
  excerpt: Joi.object({
    sourceId: id.required(),
    sourceName: text.required(),
    start: whole.min(0).required(),
    end: whole.min(0).required(),
    quote: Joi.string().allow('').max(LONGEST.quote).required(),
  }),
});

/** study.json whole, as its JSON Schema describes it; what is read is checked part by part, so that one fault costs one part. */
export const studyJsonSchema = Joi.object({
  format: Joi.valid(STUDY_FORMAT).required(),
  version: Joi.valid(STUDY_VERSION).required(),
  head: seq.required(),
  tip: seq.required(),
  decisions: Joi.array().items(recordSchema).required(),
  register: Joi.array().items(identitySchema).required(),
  notebook: Joi.array().items(entrySchema),
});

interface StudyJson extends DecisionLog {
  readonly decisions: readonly unknown[];
  readonly register: readonly unknown[];
  readonly notebook?: readonly unknown[];
}

/** What is wrong with an entry of the Notebook, or undefined. */
export function entryFault(entry: NotebookEntry): string | undefined {
  return faultIn(entrySchema, entry);
}

/**
 * Packs a study: a ZIP of study.json and sources/<id>.txt. Equal studies that are packed by the same give equal bytes.
 *
 * @param packed originals by source id that are packed already, as texts in UTF-8
 */
export function writeStudyFile(file: StudyFile, packed?: ReadonlyMap<string, PackedBytes>): Uint8Array {
  const { log, register, originals, notebook = [] } = file;
  const json = {
    format: STUDY_FORMAT,
    version: STUDY_VERSION,
    head: log.head,
    tip: log.tip,
    decisions: log.records,
    register,
    ...(notebook.length > 0 ? { notebook } : {}),
  };
  const entries = new Map([['study.json', packBytes(strToU8(JSON.stringify(json, null, 1)))]]);
  for (const sourceId of [...originals.keys()].sort()) {
    const text = packed?.get(sourceId) ?? packBytes(strToU8(originals.get(sourceId) ?? ''));
    entries.set(`sources/${sourceId}.txt`, text);
  }
  return writeArchive(entries);
}

/** Packs a study and reads it back; throws a StudyFileError where what was written would not open whole. */
export function writeProvedStudyFile(file: StudyFile): Uint8Array {
  const bytes = writeStudyFile(file);
  const [fault] = readStudyFile(bytes).leftOut;
  if (fault !== undefined) {
    throw new StudyFileError(`The study file would not hold all of the study: ${fault}`);
  }
  return bytes;
}

/** An opened study file, and what of it could not be opened. */
export interface OpenedStudyFile extends StudyFile {
  readonly notebook: readonly NotebookEntry[];
  /** A sentence for each thing that was left out because it is damaged; empty where the file is whole. */
  readonly leftOut: readonly string[];
}

/**
 * Opens a study file. What is wrong with single decisions, texts or notes is left out and said; where nothing could be
 * made of the rest, a StudyFileError says why.
 */
export function readStudyFile(bytes: Uint8Array): OpenedStudyFile {
  const archive = unpack(bytes);
  const json = readJson(archive);
  const leftOut: string[] = [];
  const intact = <T>(what: string, schema: Joi.Schema, given: readonly unknown[]): T[] =>
    given.filter((each, i): each is T => {
      const fault = faultIn(schema, each);
      if (fault !== undefined) leftOut.push(`${what} ${i + 1} is damaged and was left out (${fault}).`);
      return fault === undefined;
    }) as T[];
  const records = joined(
    intact<DecisionRecord>('Decision', recordSchema, json.decisions.map(withoutLongReason)),
    json.decisions,
    leftOut,
  );
  if (records.length === 0 && json.decisions.length > 0) {
    throw new StudyFileError(
      'The study file is damaged: none of its decisions can be read. Open an earlier copy.',
    );
  }
  const { log, originals } = withTexts({ ...markers(json, records), records }, archive, leftOut);
  return {
    log,
    register: intact<ThemeIdentity>('The register’s theme', identitySchema, json.register),
    originals,
    notebook: intact<NotebookEntry>('Notebook entry', entrySchema, json.notebook ?? []).map((entry, i) =>
      withReadPicture(entry, (what) => leftOut.push(`The picture of Notebook entry ${i + 1} ${what}.`)),
    ),
    leftOut,
  };
}

/** An entry whose kept picture is data: read into what it is made of and drawn anew from that, or left out. */
function withReadPicture(entry: NotebookEntry, say: (what: string) => void): NotebookEntry {
  const { view } = entry;
  const picture = view?.figure?.picture;
  if (!view?.figure || !picture) return entry;
  const { picture: _, ...others } = view.figure;
  try {
    const { root, leftOut } = readDrawing(picture.svg);
    if (leftOut.length > 0)
      say(`held what no drawing needs (${leftOut.slice(0, 5).join(', ')}), and is kept without it`);
    // Written anew even where nothing was left out: not a character of it stands as the file had it.
    const svg = writeDrawing(root);
    return { ...entry, view: { ...view, figure: { ...others, picture: { ...picture, svg } } } };
  } catch (error) {
    if (!(error instanceof DrawingError)) throw error;
    say(`was left out: ${error.message}`);
    return { ...entry, view: { ...view, figure: others } };
  }
}

function readJson(archive: Archive): StudyJson {
  if (!archive.has('study.json')) {
    throw new StudyFileError('This is no study file: it holds no study.json.');
  }
  let parsed: unknown;
  try {
    parsed = JSON.parse(strFromU8(archive.read('study.json')));
  } catch (error) {
    const what = error instanceof ArchiveError ? 'is damaged' : 'is not valid JSON';
    throw new StudyFileError(`The study file is damaged: its study.json ${what}. Open an earlier copy.`);
  }
  const version = (parsed as { version?: unknown } | null)?.version;
  if (typeof version === 'number' && version > STUDY_VERSION) {
    throw new StudyFileError(
      `The study file has version ${version} and this application reads up to ${STUDY_VERSION}. Open it with a newer one.`,
    );
  }
  const present = lifted(parsed, version);
  const fault = faultIn(shellSchema, present);
  if (fault !== undefined) {
    throw new StudyFileError(`The study file is damaged: ${fault}. Open an earlier copy.`);
  }
  return present as StudyJson;
}

/** A reason is a word beside a decision; one that is too long takes no decision with it. */
function withoutLongReason(record: unknown): unknown {
  const { reason } = (record ?? {}) as { reason?: unknown };
  return typeof reason === 'string' && reason.length > LONGEST.reason
    ? { ...(record as object), reason: clipped(reason, LONGEST.reason) }
    : record;
}

/** The records that hang together; one whose parent is gone hangs on the nearest that is there. */
function joined(
  records: readonly DecisionRecord[],
  given: readonly unknown[],
  leftOut: string[],
): DecisionRecord[] {
  const parentOf = new Map<number, number>();
  for (const record of given) {
    const { seq: number, parent } = (record ?? {}) as { seq?: unknown; parent?: unknown };
    if (typeof number === 'number' && typeof parent === 'number') parentOf.set(number, parent);
  }
  const known = new Set([0]);
  const kept: DecisionRecord[] = [];
  for (const record of records) {
    let { parent } = record;
    // Back over what was left out; a parent that is not earlier is none.
    while (!known.has(parent) && parent < record.seq) {
      const before = parentOf.get(parent);
      if (before === undefined || before >= parent) break;
      parent = before;
    }
    if (known.has(record.seq) || !known.has(parent)) {
      leftOut.push(`Decision ${record.seq} does not follow from an earlier one and was left out.`);
      continue;
    }
    known.add(record.seq);
    kept.push(parent === record.parent ? record : { ...record, parent });
  }
  return kept;
}

/** The markers of a record, on the nearest decision that is there. */
function markers(
  { head, tip, decisions }: StudyJson,
  records: readonly DecisionRecord[],
): { head: number; tip: number } {
  const known = new Set([0, ...records.map((record) => record.seq)]);
  const last = records[records.length - 1]?.seq ?? 0;
  const parentOf = new Map((decisions as DecisionRecord[]).map((record) => [record?.seq, record?.parent]));
  const nearest = (to: number): number => {
    let at: number | undefined = to;
    for (let hops = 0; hops <= decisions.length && at !== undefined; hops++) {
      if (known.has(at)) return at;
      at = parentOf.get(at);
    }
    return last;
  };
  return { head: nearest(head), tip: nearest(tip) };
}

/** The record with its texts; a source whose text is not there, or is another, is taken out of every decision. */
function withTexts(
  log: DecisionLog,
  archive: Archive,
  leftOut: string[],
): { log: DecisionLog; originals: ReadonlyMap<string, string> } {
  const originals = new Map<string, string>();
  const gone = new Set<string>();
  const leave = (source: StudySource, why: string): void => {
    if (!gone.has(source.id)) leftOut.push(`“${source.name}” was left out: ${why}.`);
    gone.add(source.id);
  };
  const isWhole = (source: StudySource): boolean => {
    const { id: sourceId, part, textHash } = source;
    if (part) leave(source, 'it came in as a part of another');
    else if (!originals.has(sourceId)) {
      try {
        const original = archive.text(`sources/${sourceId}.txt`);
        if (original === undefined) leave(source, 'its text is missing');
        else if (hashText(original) !== textHash) leave(source, 'its text was changed by hand');
        else originals.set(sourceId, original);
      } catch (error) {
        if (!(error instanceof ArchiveError)) throw error;
        leave(source, 'its text is damaged');
      }
    }
    return originals.has(sourceId);
  };
  const isPart = (source: StudySource): boolean => {
    const { part, textHash } = source;
    const whole = part && originals.get(part.of);
    const holds =
      part !== undefined && whole !== undefined && hashText(whole.slice(part.start, part.end)) === textHash;
    if (!holds) leave(source, 'it is a part of a text that is not where it says');
    return holds;
  };
  const records = log.records.map((record): DecisionRecord => {
    const { decision } = record;
    if (decision.kind === 'addSources') {
      const sources = decision.sources.filter(isWhole);
      return sources.length === decision.sources.length
        ? record
        : { ...record, decision: { ...decision, sources } };
    }
    if (decision.kind === 'splitSources') {
      const parts = Object.entries(decision.parts).map(([of, own]) => [of, own.filter(isPart)] as const);
      const all = parts.every(([of, own]) => own.length === ownValue(decision.parts, of)?.length);
      return all ? record : { ...record, decision: { ...decision, parts: Object.fromEntries(parts) } };
    }
    return record;
  });
  return { log: { ...log, records }, originals };
}

/** A file of an earlier version as one of the present. */
function lifted(parsed: unknown, version: unknown): unknown {
  if (typeof version !== 'number' || version >= STUDY_VERSION) return parsed;
  const old = parsed as { decisions?: unknown };
  if (!Array.isArray(old.decisions)) return parsed;
  return { ...old, version: STUDY_VERSION, decisions: liftRecords(old.decisions, version) };
}

function unpack(bytes: Uint8Array): Archive {
  try {
    return openArchive(bytes, {
      mostEntries: MOST_ENTRIES,
      mostBytes: LARGEST_UNPACKED,
      largestRatio: Infinity,
    });
  } catch (error) {
    if (!(error instanceof ArchiveError)) throw error;
    throw new StudyFileError(
      /would unpack|more than/.test(error.message)
        ? 'The study file is too large to open: it holds more than 1 GB or 100,000 texts.'
        : 'This is no study file, or it was cut short: it can’t be unpacked. Open an earlier copy.',
    );
  }
}
