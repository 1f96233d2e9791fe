import { readFileSync } from 'node:fs';
import { strToU8 } from 'fflate';
import { readFile } from '../../src/formats/read/files.ts';
import { RecipeFileError, readRecipe, writeRecipe } from '../../src/study-files/recipe-file.ts';
import { readSettings } from '../../src/study-files/settings-file.ts';
import {
  readStudyFile,
  StudyFileError,
  writeProvedStudyFile,
  writeStudyFile,
} from '../../src/study-files/study-file.ts';
import { hashValue } from '../../src/base/hash.ts';
import { seededRandom } from '../../src/numeric/random.ts';
import { foldDecisions } from '../../src/study/record.ts';
import { readFiles } from '../../src/intake/intake.ts';
import { recipeOf } from '../../src/study/recipe.ts';
import { EMPTY_STUDY } from '../../src/study/study.ts';
import { EVERY, recordOf, source, text } from '../study/every-decision.ts';
import { REPEATED, TEXT_FUNCTIONS } from '../text/adversarial.ts';
import { mutant } from './mutants.ts';

const demo = (path: string): Uint8Array =>
  new Uint8Array(readFileSync(new URL(`../../../demo/${path}`, import.meta.url)));

const study = writeStudyFile({
  log: recordOf(Object.values(EVERY)),
  register: [],
  originals: new Map([[source.id, text]]),
});

/** Files of every kind that is read, to be damaged. */
const FILES: readonly (readonly [name: string, bytes: Uint8Array])[] = [
  ['at-the-stop.xlsx', demo('night-buses-documents/at-the-stop.xlsx')],
  ['conductor-diary.docx', demo('night-buses-documents/conductor-diary.docx')],
  ['depot-table.vtt', demo('night-buses-documents/depot-table.vtt')],
  ['taxi-driver.pdf', demo('night-buses-documents/taxi-driver.pdf')],
  ['survey.csv', demo('night-buses-survey/survey.csv').slice(0, 20_000)],
  ['a.txt', demo('night-buses/d01-driver-veteran.txt')],
  ['a.json', strToU8(JSON.stringify([{ text: 'The bus.', who: { role: 'driver' } }, { text: 'Rain.' }]))],
  [
    'a.html',
    strToU8('<!doctype html><title>T</title><body><p>The bus <b>waits</b>.</p><ul><li>Rain</ul></body>'),
  ],
  ['a.zip', study],
];

/** Longest anything that came in broken may take, in milliseconds, on however slow a machine. */
const TOO_LONG = 20_000;

/** What a fuzzing run found. */
export interface FuzzReport {
  tried: number;
  readonly faults: string[];
  /** The slowest of all, in milliseconds, and what it was. */
  slowest: number;
  slowestWas: string;
}

async function timed(report: FuzzReport, what: string, work: () => unknown): Promise<void> {
  const began = performance.now();
  report.tried++;
  try {
    await work();
  } catch (error) {
    report.faults.push(`${what}: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}`);
  }
  const took = performance.now() - began;
  if (took > report.slowest) [report.slowest, report.slowestWas] = [took, what];
  if (took > TOO_LONG) report.faults.push(`${what} took ${Math.round(took)} ms`);
}

/** A mutant study opens to something that can be saved and opened again, or is refused with a sentence. */
function tryStudy(bytes: Uint8Array): void {
  let opened: ReturnType<typeof readStudyFile>;
  try {
    opened = readStudyFile(bytes);
  } catch (error) {
    if (error instanceof StudyFileError) return;
    throw error;
  }
  const again = readStudyFile(writeProvedStudyFile(opened));
  if (hashValue(foldDecisions(again.log)) !== hashValue(foldDecisions(opened.log))) {
    throw new Error('What was opened is saved as another study.');
  }
}

/** Fuzzes everything that reads what others wrote, seed by seed, until it is told to stop. */
export async function fuzz(firstSeed: number, goOn: (tried: number) => boolean): Promise<FuzzReport> {
  const report: FuzzReport = { tried: 0, faults: [], slowest: 0, slowestWas: '' };
  const recipe = strToU8(writeRecipe(recipeOf(EMPTY_STUDY)));
  const settings = strToU8('{"windows":{"size":2},"stopWords":["a"],"cleaning":{"steps":[]}}');
  const decoder = new TextDecoder();
  // The PDF library leaves promises of damaged documents unheard; what is none of its own is a fault.
  const hear = (error: unknown): void => {
    const name = error instanceof Error ? `${error.name} ${error.constructor.name}` : String(error);
    if (!/Exception\b|FormatError/.test(name)) report.faults.push(`unheard: ${name}`);
  };
  process.on('unhandledRejection', hear);
  for (let seed = firstSeed; goOn(report.tried); seed++) {
    const random = seededRandom(seed);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
    const [name, bytes] = pick(FILES);
    await timed(report, `${name}, seed ${seed}`, () => readFile({ name, bytes: mutant(bytes, random) }));
    await timed(report, `intake of ${name}, seed ${seed}`, () =>
      readFiles([{ name, bytes: mutant(bytes, random) }], new Set()),
    );
    await timed(report, `study, seed ${seed}`, () => tryStudy(mutant(study, random)));
    await timed(report, `recipe, seed ${seed}`, () => {
      try {
        readRecipe(decoder.decode(mutant(recipe, random)));
      } catch (error) {
        if (!(error instanceof RecipeFileError)) throw error;
      }
    });
    await timed(report, `settings, seed ${seed}`, () => {
      try {
        readSettings(decoder.decode(mutant(settings, random)));
      } catch (error) {
        // Whatever is wrong is a sentence, never a fault of the program's own.
        if (!(error instanceof Error) || error.name !== 'Error') throw error;
      }
    });
    const [what, read] = pick([...TEXT_FUNCTIONS]);
    const unit = `${pick(REPEATED)}${pick(REPEATED)}`;
    const long = unit.repeat(Math.ceil(8000 / unit.length)) + pick(REPEATED);
    await timed(report, `${what} of ${JSON.stringify(unit)}, seed ${seed}`, () => read(long));
  }
  process.off('unhandledRejection', hear);
  return report;
}
