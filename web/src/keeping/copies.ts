import type { DecisionLog } from '@green-thicket/core/study/record';
import { engine } from '../engine/client.ts';
import { catalogue } from '../store/database.ts';
import { lastDecision } from './save-study.ts';
import { fileName } from '../pieces/download.ts';
import { StoreError } from '../store/store-error.ts';
import { noteSaved } from '../store/studies.ts';

// The File System Access interface, which not every browser has and the compiler's library only in part.
interface Permitted {
  queryPermission(options: { mode: 'readwrite' }): Promise<PermissionState>;
  requestPermission(options: { mode: 'readwrite' }): Promise<PermissionState>;
}
type Folder = FileSystemDirectoryHandle & Partial<Permitted> & AsyncIterable<[string, FileSystemHandle]>;
type Picker = (options: { mode: 'readwrite'; id: string }) => Promise<Folder>;

const picker = (): Picker | undefined => (window as { showDirectoryPicker?: Picker }).showDirectoryPicker;

/** Whether this browser can write copies into a folder by itself. */
export const canKeepCopies = (): boolean => picker() !== undefined;

const SETTING = 'folder of copies';

/** Lets the researcher choose the folder that copies go to; the answer is its name, or undefined where none was chosen. */
export async function chooseCopyFolder(): Promise<string | undefined> {
  const choose = picker();
  if (!choose)
    throw new StoreError('This browser can’t write into a folder. Save the study to a file now and then.');
  try {
    const folder = await choose.call(window, { mode: 'readwrite', id: 'copies' });
    await catalogue.settings.put({ name: SETTING, value: folder });
    return folder.name;
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return undefined;
    throw error;
  }
}

export async function forgetCopyFolder(): Promise<void> {
  await catalogue.settings.delete(SETTING);
}

/** The folder that copies go to, and whether it may be written without asking again. */
export interface CopyFolder {
  readonly name: string;
  readonly allowed: boolean;
}

async function folderHandle(): Promise<Folder | undefined> {
  return (await catalogue.settings.get(SETTING))?.value as Folder | undefined;
}

export async function copyFolder(): Promise<CopyFolder | undefined> {
  const folder = await folderHandle();
  if (!folder) return undefined;
  const state = (await folder.queryPermission?.({ mode: 'readwrite' })) ?? 'granted';
  return { name: folder.name, allowed: state === 'granted' };
}

/** Asks for the folder again, as a browser wants after it was closed; called from a click. */
export async function allowCopyFolder(): Promise<boolean> {
  const folder = await folderHandle();
  return (
    folder !== undefined &&
    ((await folder.requestPermission?.({ mode: 'readwrite' })) ?? 'granted') === 'granted'
  );
}

/**
 * Writes a dated copy of a study into the folder; one a day, the last of it. The file is in its place only once it is whole.
 */
export async function writeCopy(id: string, title: string, log: DecisionLog): Promise<void> {
  const folder = await folderHandle();
  if (!folder) throw new StoreError('No folder for copies is chosen.');
  const time = new Date().toISOString();
  const name = fileName(title, ` ${time.slice(0, 10)}.thicket`);
  const bytes = await engine.packStudy(id);
  const file = await (await folder.getFileHandle(name, { create: true })).createWritable();
  await file.write(bytes as Uint8Array<ArrayBuffer>);
  await file.close();
  await noteSaved(id, { time, name, seq: lastDecision(log) });
}

/** A copy in the folder. */
export interface FoundCopy {
  readonly name: string;
  /** Milliseconds since 1970. */
  readonly modified: number;
  readonly file: File;
}

/** The copies in the folder, the latest first. */
export async function listCopies(): Promise<FoundCopy[]> {
  const folder = await folderHandle();
  if (!folder) return [];
  const found: FoundCopy[] = [];
  for await (const [name, handle] of folder) {
    if (handle.kind !== 'file' || !name.endsWith('.thicket')) continue;
    const file = await (handle as FileSystemFileHandle).getFile();
    found.push({ name, modified: file.lastModified, file });
  }
  return found.sort((a, b) => b.modified - a.modified || (a.name < b.name ? 1 : -1));
}
