import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { asking, exampleStudy, type ExampleStudy } from '../core/test/examples.ts';
import { REPORT_PART_NAMES } from '../core/src/views/report/report-types.ts';
import { plantedStudy } from './collection.ts';
import { medianTime, printTable, timeOf, told } from './timing.ts';

const sample = fileURLToPath(new URL('../demo/night-buses', import.meta.url));
const REPORT = { parts: REPORT_PART_NAMES, entries: [], decisions: [], version: '0', quotations: 3 } as const;

/** The interviews of the sample, who is in a group told by their file's first letter. */
function sampleStudy(): ExampleStudy {
  return exampleStudy(
    readdirSync(sample)
      .filter((name) => name.endsWith('.txt'))
      .sort()
      .map((name) => ({
        name,
        text: readFileSync(join(sample, name), 'utf8'),
        attributes: { role: name[0] },
      })),
  );
}

/** Megabytes this process takes of the machine. */
const memory = (): number => process.memoryUsage().rss / 1e6;

/** Times what leaves a study whose themes are at hand: the report, and the project for other programs. */
export function benchPublishing(words: number): void {
  const reports = [
    { of: 'the sample', study: sampleStudy() },
    { of: `${told(words)} words`, study: plantedStudy(words) },
  ].map(({ of, study }) => {
    const ask = asking(study);
    ask('steadiness', null);
    const first = timeOf(() => ask('reportFile', { ...REPORT, as: 'html' }));
    return [
      `report of ${of}, .html`,
      told(first),
      told(medianTime(() => ask('reportFile', { ...REPORT, as: 'docx' }))),
    ];
  });
  console.log('\n## What leaves a study\n');
  printTable(['what', 'ms the first time', 'ms again, .docx (median)'], reports);
  // Paragraphs are not cut, so that this is 5,000 sources of a million words.
  const many = plantedStudy(words, { wordsPerSource: words / 6250 });
  const ask = asking(many);
  ask('themes', null);
  const before = memory();
  let [size, most] = [0, 0];
  const time = timeOf(() => {
    size = ask('projectFile', { notes: [] }).bytes.length / 1e6;
    most = memory();
  });
  console.log(
    `\n.qdpx of ${told(many.state.sources.length)} sources with ${told(words)} words: ${told(time)} ms, ${size.toFixed(1)} MB; memory ${told(before)} MB before, ${told(most)} after`,
  );
}
