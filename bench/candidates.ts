import { finish } from '../core/src/base/stepwise.ts';
import { Engine } from '../core/src/engine/engine.ts';
import type { StageName } from '../core/src/engine/stage-keys.ts';
import { englishLexicon, englishLibrary, exampleStudy } from '../core/test/examples.ts';
import { plantedCollection, plantedStudy } from './collection.ts';
import { median, printTable, timeOf, told } from './timing.ts';

/** What stands before the list of candidates, in order; parts of speech are said apart. */
const STAGES: readonly StageName[] = [
  'languages',
  'tokens',
  'parts',
  'wordParts',
  'terms',
  'capitals',
  'names',
  'runs',
  'contexts',
  'candidates',
  'concepts',
  'windows',
];

/** Times a collection from its texts to all candidates with their figures, nothing being at hand. */
export function benchCandidates(words: number, repeats: number): void {
  const { texts } = plantedCollection({ words });
  const study = plantedStudy(words);
  // The lexicon is loaded once a session.
  englishLexicon();
  const times = new Map<string, number[]>();
  const note = (what: string, time: number): void => void times.set(what, [...(times.get(what) ?? []), time]);
  let candidates = 0;
  for (let run = 0; run < repeats; run++) {
    const engine = new Engine(englishLibrary(study.original));
    let all = 0;
    let parts = 0;
    for (const stage of STAGES) {
      const time = timeOf(() => finish(engine.compute(stage, study.input())));
      note(stage, time);
      all += time;
      if (stage === 'parts') parts = time;
    }
    const { keys } = finish(engine.compute('candidates', study.input()));
    candidates = keys.length;
    const rows = timeOf(() => finish(engine.compute('conceptRows', study.input())));
    note('the rows with all figures', rows);
    note('**without parts of speech**', all - parts + rows);
    note('**with them**', all + rows);
  }
  const { rss } = process.memoryUsage();
  const peak = process.resourceUsage().maxRSS / 1024;
  // Held beside the first, so after memory is read.
  for (const [what, time] of laterParts(texts, repeats)) note(what, time);
  console.log(
    `\n## Candidates, cold, ${words.toLocaleString('en-GB')} words: ${candidates.toLocaleString('en-GB')} candidates (medians of ${repeats})\n`,
  );
  printTable(
    ['what', 'ms'],
    Array.from(times, ([what, each]) => [what, told(median(each))]),
  );
  console.log(
    `\nmemory ${Math.round(rss / 2 ** 20)} MB now, ${Math.round(peak)} MB at most (of this process, with the texts)`,
  );
}

/** Times parts of speech when a source comes in. */
function* laterParts(texts: readonly string[], repeats: number): Generator<[what: string, time: number]> {
  const sources = texts.map((text, i) => ({ name: `${i}.txt`, text }));
  const whole = exampleStudy(sources);
  whole.compute('parts');
  for (let run = 0; run < repeats; run++) {
    const text = `${texts[run]} A school run is a zorgle${run} in the light of the fare.`;
    whole.decide({ kind: 'addSources', sources: [whole.bring(`more ${run}.txt`, text)] });
    whole.compute('tokens');
    whole.compute('languages');
    yield ['parts of speech when one more source comes in', timeOf(() => whole.compute('parts'))];
  }
}
