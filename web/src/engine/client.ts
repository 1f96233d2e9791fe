import { wrap } from 'comlink';
import { onKey, passwordKey } from '../store/keys.ts';
import { unlock } from '../store/password.ts';
import { coresAsName } from './cores.ts';
import { engineClient } from './engine-client.ts';
import workerAddress from './worker.ts?worker&url';
import type { EngineWorker, LookedAtStudy, OpenedStudy } from './protocol.ts';

/** Tells one edition of what computes from another: the worker's file is named by what is in it, and in what it loads. */
export const EDITION = workerAddress;

const remote = wrap<EngineWorker>(
  new Worker(workerAddress, {
    type: 'module',
    name: coresAsName(navigator.hardwareConcurrency),
  }),
);
// Sent before whatever is asked of the study.
onKey((database, key) => {
  remote.useKey(database, key).catch(reportError);
});

/** The engine of this page. */
export const engine = engineClient(remote);

/** The worker's calls for tables that wait for their columns, and for single texts. */
export const intakeWorker: Pick<
  typeof remote,
  | 'readText'
  | 'readNetwork'
  | 'lookAtSheet'
  | 'previewTable'
  | 'takeTable'
  | 'describeByTable'
  | 'letGoOfTable'
> = remote;

/** Whether a study file is sealed with a password. */
export async function hasPassword(file: Blob): Promise<boolean> {
  const { isSealed } = await import('@green-thicket/core/formats/sealed-file');
  return isSealed(new Uint8Array(await file.slice(0, 16).arrayBuffer()));
}

/** Reads a study file that is only looked at. Throws an Error that says why it can't be read. */
export async function readStudyFile(file: Blob, password: string): Promise<LookedAtStudy> {
  if ((await hasPassword(file)) && password === '')
    throw new Error('It has a password. Type it below and choose the file again.');
  const key = password === '' ? undefined : await passwordKey(password);
  return engine.readStudy(new Uint8Array(await file.arrayBuffer()), key);
}

/** Keeps a study file as a study, with the password it is sealed with. Throws an Error that says why it can't be opened. */
export async function openStudyFile(file: Blob, password?: string): Promise<OpenedStudy> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const key = password === undefined ? undefined : await passwordKey(password);
  const opened = await engine.openStudy(bytes, key);
  if (password !== undefined) await unlock(opened.id, password);
  return opened;
}
