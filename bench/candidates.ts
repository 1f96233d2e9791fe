import { finish } from '../core/src/numeric/stepwise.ts';
import { Engine } from '../core/src/study/engine.ts';
import type { StageName } from '../core/src/study/stages.ts';
import { makeView } from '../core/src/study/views.ts';
import { englishLexicon, englishTagger, exampleStudy } from '../core/test/examples.ts';
import { plantedCollection } from './collection.ts';

/** What stands before the list of candidates, in order; parts of speech are said apart. */
const STAGES: readonly StageName[] = [
  'languages',
  'tokens',
  'parts',
  'wordParts',
  'terms',
  'names',
  'candidates',
  'concepts',
  'windows',
];

const middle = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1];

/** Times a collection from its texts to all candidates with their figures, nothing being at hand. */
export function benchCandidates(words: number, repeats: number): void {
  const { texts } = plantedCollection({
    words,
    wordsPerSource: 800,
    themes: 8,
    conceptsPerTheme: 10,
    seed: 7,
  });
  const study = exampleStudy(texts.map((text, i) => ({ name: `${i}.txt`, text })));
  // The lexicon and the tagger's model are loaded once a session.
  englishLexicon();
  englishTagger()('A word.');
  const times = new Map<string, number[]>();
  const note = (what: string, time: number): void => void times.set(what, [...(times.get(what) ?? []), time]);
  let candidates = 0;
  for (let run = 0; run < repeats; run++) {
    const engine = new Engine({ original: study.original, lexicon: englishLexicon, tagger: englishTagger });
    let all = 0;
    let parts = 0;
    for (const stage of STAGES) {
      const started = performance.now();
      finish(engine.compute(stage, study.input()));
      const time = performance.now() - started;
      note(stage, time);
      all += time;
      if (stage === 'parts') parts = time;
    }
    const { keys } = finish(engine.compute('candidates', study.input()));
    candidates = keys.length;
    finish(engine.compute('themes', study.input()));
    const started = performance.now();
    finish(
      makeView('concepts', null, {
        engine,
        study: study.input(),
        original: study.original,
        lexicon: englishLexicon,
      }),
    );
    const rows = performance.now() - started;
    note('the rows with all figures', rows);
    note('**without parts of speech**', all - parts + rows);
    note('**with them**', all + rows);
  }
  console.log(
    `\n## Candidates, cold, ${words.toLocaleString('en-GB')} words: ${candidates.toLocaleString('en-GB')} candidates (medians of ${repeats})\n`,
  );
  console.log('| what | ms |');
  console.log('|---|---:|');
  for (const [what, each] of times) console.log(`| ${what} | ${Math.round(middle(each))} |`);
  const { rss } = process.memoryUsage();
  const peak = process.resourceUsage().maxRSS / 1024;
  console.log(
    `\nmemory ${Math.round(rss / 2 ** 20)} MB now, ${Math.round(peak)} MB at most (of this process, with the texts)`,
  );
}
