import { seededRandom } from '../core/src/numeric/random.ts';
import { findRepeats } from '../core/src/text/look-alikes/repeats.ts';
import { languagesOf } from '../core/src/languages/detect.ts';
import { mailParts } from '../core/src/text/mail/mail-parts.ts';
import { guessTable } from '../core/src/intake/table-sources.ts';
import { finish } from '../core/src/base/stepwise.ts';
import { plantedCollection, plantedStudy } from './collection.ts';
import { medianTime, printTable, told } from './timing.ts';

const FOOTER =
  '\n\n_______________\nYou get this as a member of the list of night workers. To leave it, write to the desk at the depot.';
const QUESTION = '\n\nINT: And how was it on your way home, if I may ask, when the last bus had gone?\n\n';

/** Texts of a collection with the same footer in all and the same question in each third. */
const withWhatRepeats = (texts: readonly string[]): string[] =>
  texts.map(
    (text, i) =>
      `${text.slice(0, text.length >> 1)}${i % 3 === 0 ? QUESTION : ' '}${text.slice(text.length >> 1)}${FOOTER}`,
  );

/** Times what a collection is seen to be and to hold before anything is counted. */
export function benchLookingOver(words: number): void {
  const rows: string[][] = [];
  for (const [what, wordsPerSource] of [
    ['long talks', 2000],
    ['short texts', Math.round(words / 5000)],
  ] as const) {
    const texts = withWhatRepeats(plantedCollection({ words, wordsPerSource }).texts);
    const of = `${what}, ${texts.length.toLocaleString('en-GB')} sources`;
    rows.push([`what repeats: ${of}`, told(medianTime(() => finish(findRepeats(texts, () => []))))]);
    rows.push([`languages: ${of}`, told(medianTime(() => languagesOf(texts)))]);
    rows.push([
      `parts of mails: ${of}`,
      told(
        medianTime(() => texts.map((text) => mailParts(`From: a@b.example\nSubject: the bus\n\n${text}`))),
      ),
    ]);
  }
  const random = seededRandom(3);
  const { texts } = plantedCollection({ words: words / 4, wordsPerSource: 40 });
  const table = texts.map((text, i) => [
    String(i),
    `tablet ${Math.floor(random() * 1e9)}`,
    i % 2 === 0 ? 'before' : 'after',
    text,
  ]);
  rows.push([
    `which column is text: ${table.length.toLocaleString('en-GB')} rows`,
    told(medianTime(() => guessTable({ name: 'table', rows: table }, false))),
  ]);
  const study = plantedStudy(words);
  study.compute('names');
  rows.push([
    'names and what they are of',
    told(
      medianTime((time) => {
        study.decide({ kind: 'setNameKind', names: [`Name ${time}`], as: 'place' });
        study.compute('nameKinds');
      }),
    ),
  ]);
  console.log(`\n## Looking a collection over, ${words.toLocaleString('en-GB')} words\n`);
  printTable(['what', 'median ms'], rows);
}
