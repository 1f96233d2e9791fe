import { expose, transfer } from 'comlink';
import { writeProvedStudyFile, readStudyFile } from '@green-thicket/core/study-files/study-file';
import { isSealed, seal, unseal } from '@green-thicket/core/formats/sealed-file';
import { theDatabase } from '../store/database.ts';
import { giveKey } from '../store/keys.ts';
import { exportStudy, importStudy } from '../store/studies.ts';
import { answering } from './answering.ts';
import { bringWordsSoon, knowledge } from './knowledge.ts';
import { fileReading } from './file-reading.ts';
import { hands } from './hands.ts';
import { heldTexts } from './held-texts.ts';
import type { EngineWorker } from './protocol.ts';
import { requestsUnderWay } from './requests.ts';

const requests = requestsUnderWay();
const texts = heldTexts();

const api: EngineWorker = {
  ...answering(knowledge, texts, requests, hands),
  ...fileReading(texts, requests),
  cancel: requests.cancel,
  async packStudy(studyId) {
    const { key } = await theDatabase(studyId);
    const plain = writeProvedStudyFile(await exportStudy(studyId));
    const bytes = key ? await seal(plain, key.password) : plain;
    return transfer(bytes, [bytes.buffer]);
  },
  async openStudy(bytes, password) {
    const file = readStudyFile(password && isSealed(bytes) ? await unseal(bytes, password) : bytes);
    return { id: await importStudy(file, password), leftOut: file.leftOut };
  },
  useKey: giveKey,
};

expose(api);
bringWordsSoon();
