import { expose, transfer } from 'comlink';
import {
  readStudyFile,
  writeProvedStudyFile,
  type OpenedStudyFile,
} from '@green-thicket/core/study-files/study-file';
import { theDatabase } from '../store/database.ts';
import { giveKey } from '../store/keys.ts';
import { exportStudy, importStudy } from '../store/studies.ts';
import { answering } from './answering.ts';
import { bringWordsSoon, knowledge } from './knowledge.ts';
import { fileReading } from './file-reading.ts';
import { HAND, hands } from './hands.ts';
import { handOfWorker } from './hand-of-worker.ts';
import { heldTexts } from './held-texts.ts';
import type { EngineWorker } from './protocol.ts';
import { requestsUnderWay } from './requests.ts';

const requests = requestsUnderWay();
const texts = heldTexts();

async function readFile(bytes: Uint8Array, password?: CryptoKey): Promise<OpenedStudyFile> {
  const { isSealed, unseal } = await import('@green-thicket/core/formats/sealed-file');
  return readStudyFile(password && isSealed(bytes) ? await unseal(bytes, password) : bytes);
}

const api: EngineWorker = {
  ...answering(knowledge, texts, requests, hands),
  ...fileReading(texts, requests),
  cancel: requests.cancel,
  async packStudy(studyId) {
    const { key } = await theDatabase(studyId);
    const plain = writeProvedStudyFile(await exportStudy(studyId));
    const { seal } = await import('@green-thicket/core/formats/sealed-file');
    const bytes = key ? await seal(plain, key.password) : plain;
    return transfer(bytes, [bytes.buffer]);
  },
  async readStudy(bytes, password) {
    const { log, register } = await readFile(bytes, password);
    return { log, register };
  },
  async openStudy(bytes, password) {
    const file = await readFile(bytes, password);
    return { id: await importStudy(file, password), leftOut: file.leftOut };
  },
  useKey: giveKey,
};

if (self.name === HAND) expose(handOfWorker());
else {
  expose(api);
  bringWordsSoon();
}
