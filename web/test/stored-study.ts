import type { Decision } from '@green-thicket/core/study/decisions';
import { recordsInForce } from '@green-thicket/core/study/record';
import { makeSource } from '@green-thicket/core/intake/sources';
import { databaseOf, type StudyDatabase } from '../src/store/database.ts';
import { loadStudy, type LoadedStudy } from '../src/store/study-reader.ts';
import { readOriginals } from '../src/store/texts.ts';

export const keep = (key: string): Decision => ({ kind: 'keepConcepts', keys: [key] });
export const added = (name: string, text: string) => ({ source: makeSource(name, text), text });

export async function loaded(id: string): Promise<LoadedStudy> {
  const study = await loadStudy(id);
  if (!study) throw new Error('There is no such study.');
  return study;
}
export async function databaseFor(id: string): Promise<StudyDatabase> {
  const database = await databaseOf(id);
  if (!database) throw new Error('There is no such study.');
  return database;
}
export const textsOf = async (id: string): Promise<string[]> =>
  [...(await readOriginals(await databaseFor(id))).values()].sort();
export const kindsOf = ({ log }: LoadedStudy): string[] =>
  recordsInForce(log).map(({ decision }) => decision.kind);
