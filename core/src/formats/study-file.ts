import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import Joi from 'joi';
import { hashText } from '../numeric/hash.ts';
import type { DecisionLog } from '../study/decisions.ts';
import { foldDecisions } from '../study/decisions.ts';
import type { NotebookEntry } from '../study/notebook.ts';
import { decisionSchema, id, keys, letter, text, whole } from './decision-schemas.ts';
import { liftRecords, STUDY_VERSION } from './study-versions.ts';
import type { ThemeIdentity } from '../themes/identity.ts';

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
const studySchema = Joi.object({
  format: Joi.valid(STUDY_FORMAT).required(),
  version: whole.min(1).required(),
  head: seq.required(),
  tip: seq.required(),
  decisions: Joi.array()
    .items(
      Joi.object({
        seq: seq.min(1).required(),
        parent: seq.required(),
        time: Joi.string().isoDate().required(),
        decision: decisionSchema.required(),
        reason: text,
      }),
    )
    .required(),
  register: Joi.array()
    .items(
      Joi.object({
        letter: letter.required(),
        members: keys.required(),
        present: Joi.boolean().required(),
      }),
    )
    .required(),
  notebook: Joi.array()
    .items(
      Joi.object({
        id: id.required(),
        time: Joi.string().isoDate().required(),
        note: text.required(),
        tags: keys.required(),
        excerpt: Joi.object({
          sourceId: id.required(),
          sourceName: text.required(),
          start: whole.min(0).required(),
          end: whole.min(0).required(),
          quote: Joi.string().allow('').max(1_000_000).required(),
        }),
      }),
    )
    .max(100_000),
}).required();

interface StudyJson extends DecisionLog {
  readonly decisions: DecisionLog['records'];
  readonly register: ThemeIdentity[];
  readonly notebook?: NotebookEntry[];
}

/** Packs a study: a ZIP of study.json and sources/<id>.txt. Equal studies give equal bytes. */
export function writeStudyFile(file: StudyFile): Uint8Array {
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
  const entries: Record<string, Uint8Array> = { 'study.json': strToU8(JSON.stringify(json, null, 1)) };
  for (const sourceId of [...originals.keys()].sort()) {
    entries[`sources/${sourceId}.txt`] = strToU8(originals.get(sourceId) ?? '');
  }
  // A fixed date, the first a ZIP can have, so that no clock gets into the bytes.
  return zipSync(entries, { level: 3, mtime: new Date(1980, 0, 1, 12) });
}

/** Opens a study file, or throws a StudyFileError that says why it can't be; nothing of a faulty file is taken. */
export function readStudyFile(bytes: Uint8Array): StudyFile {
  const entries = unpack(bytes);
  const packed = entries['study.json'];
  if (!packed) throw new StudyFileError('This is no study file: it holds no study.json.');
  let parsed: unknown;
  try {
    parsed = JSON.parse(strFromU8(packed));
  } catch {
    throw new StudyFileError(
      'The study file is damaged: its study.json is not valid JSON. Open an earlier copy.',
    );
  }
  const version = (parsed as { version?: unknown } | null)?.version;
  if (typeof version === 'number' && version > STUDY_VERSION) {
    throw new StudyFileError(
      `The study file has version ${version} and this application reads up to ${STUDY_VERSION}. Open it with a newer one.`,
    );
  }
  const { error, value } = studySchema.validate(lifted(parsed, version), { convert: false }) as {
    error?: Error;
    value: StudyJson;
  };
  if (error) throw new StudyFileError(`The study file is damaged: ${error.message}. Open an earlier copy.`);
  const log: DecisionLog = { records: value.decisions, head: value.head, tip: value.tip };
  checkTree(log);
  const originals = new Map<string, string>();
  for (const record of log.records) {
    if (record.decision.kind !== 'addSources') continue;
    for (const { id: sourceId, name, textHash, part } of record.decision.sources) {
      if (part)
        throw new StudyFileError(`The study file is damaged: “${name}” came in as a part of another.`);
      const entry = entries[`sources/${sourceId}.txt`];
      if (!entry) throw new StudyFileError(`The study file is damaged: the text of “${name}” is missing.`);
      const original = strFromU8(entry);
      if (hashText(original) !== textHash) {
        throw new StudyFileError(
          `The study file was changed by hand: the text of “${name}” is not the one its marks were made on.`,
        );
      }
      originals.set(sourceId, original);
    }
  }
  checkParts(log, originals);
  const ids = foldDecisions(log).sources.map((each) => each.id);
  if (new Set(ids).size !== ids.length) {
    throw new StudyFileError('The study file is damaged: a source is in it twice.');
  }
  return { log, register: value.register, originals, notebook: value.notebook ?? [] };
}

/** Every part of a source is inside an original that is there, and is the text it says it is. */
function checkParts(log: DecisionLog, originals: ReadonlyMap<string, string>): void {
  for (const { decision } of log.records) {
    if (decision.kind !== 'splitSources') continue;
    for (const { name, part, textHash } of Object.values(decision.parts).flat()) {
      const whole = part && originals.get(part.of);
      if (!part || whole === undefined || hashText(whole.slice(part.start, part.end)) !== textHash) {
        throw new StudyFileError(
          `The study file is damaged: the text of the part “${name}” is not where it says.`,
        );
      }
    }
  }
}

/** A file of an earlier version as one of the present. */
function lifted(parsed: unknown, version: unknown): unknown {
  if (typeof version !== 'number' || version >= STUDY_VERSION) return parsed;
  const old = parsed as { decisions?: unknown };
  if (!Array.isArray(old.decisions)) return parsed;
  return { ...old, version: STUDY_VERSION, decisions: liftRecords(old.decisions, version) };
}

/** Every record hangs on an earlier one, and the markers are on records. */
function checkTree({ records, head, tip }: DecisionLog): void {
  const known = new Set([0]);
  for (const { seq: number, parent } of records) {
    if (known.has(number) || !known.has(parent) || parent >= number) {
      throw new StudyFileError(
        `The study file is damaged: decision ${number} does not follow from an earlier one.`,
      );
    }
    known.add(number);
  }
  if (!known.has(head) || !known.has(tip)) {
    throw new StudyFileError('The study file is damaged: it points at a decision it does not hold.');
  }
}

function unpack(bytes: Uint8Array): Record<string, Uint8Array> {
  let unpacked = 0;
  let count = 0;
  try {
    return unzipSync(bytes, {
      filter: (entry) => {
        unpacked += entry.originalSize;
        if (++count > MOST_ENTRIES || unpacked > LARGEST_UNPACKED) {
          throw new StudyFileError('The study file is too large to open: it unpacks to more than 1 GB.');
        }
        return entry.name === 'study.json' || /^sources\/[A-Za-z0-9_-]{1,64}\.txt$/.test(entry.name);
      },
    });
  } catch (error) {
    if (error instanceof StudyFileError) throw error;
    throw new StudyFileError(
      'This is no study file, or it was cut short: it can’t be unpacked. Open an earlier copy.',
    );
  }
}
