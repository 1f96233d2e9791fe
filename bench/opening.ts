import { rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { Browser } from '../e2e/browser.ts';
import { serve } from '../e2e/served.ts';
import { plantedCollection, writeTexts } from './collection.ts';
import { median, printTable, REPEATS, told } from './timing.ts';

/** Milliseconds from the address being followed to the map drawn and every stop's figure standing. */
const UNTIL_DRAWN = `
  const done = arguments[arguments.length - 1];
  const look = () => {
    const figures = [...document.querySelectorAll('.trail-figure')];
    const stand = figures.length === 7 && figures.every((each) => each.textContent.includes('up to date'));
    if (stand && document.querySelector('.map-word') && !document.querySelector('.dimmed')) done(performance.now());
    else requestAnimationFrame(look);
  };
  look();
`;

/** Drops the answers that were kept with the study of the address. */
const DROP_ANSWERS = `
  const done = arguments[arguments.length - 1];
  const [, id] = /study\\/([^/]+)/.exec(location.pathname);
  const open = indexedDB.open('green-thicket-study-' + id + '-1');
  open.onsuccess = () => {
    const change = open.result.transaction('results', 'readwrite');
    change.objectStore('results').delete(IDBKeyRange.bound('answer ', 'answer!'));
    change.oncomplete = () => { open.result.close(); done(); };
  };
`;

/** Times a study of the real interface that is opened again, with what was kept of it and without, by turns. */
export async function benchOpening(words: number): Promise<void> {
  const { texts } = plantedCollection({ words, wordsPerSource: 2000 });
  const { folder, paths } = writeTexts(texts);
  const served = await serve();
  const browser = new Browser();
  try {
    await browser.start();
    await browser.useCores(availableParallelism());
    const { driver } = browser;
    await driver.manage().setTimeouts({ script: 300_000 });
    await driver.get(served.address);
    await browser.press('Start an empty study');
    await (await browser.find('input[type=file][multiple]')).sendKeys(paths.join('\n'));
    await browser.goTo('map');
    await browser.find('.map-word');
    const address = await driver.getCurrentUrl();
    const times: Record<'kept' | 'anew', number[]> = { kept: [], anew: [] };
    for (let time = 0; time < REPEATS; time++) {
      for (const how of ['anew', 'kept'] as const) {
        await driver.get(address);
        await driver.executeAsyncScript(UNTIL_DRAWN);
        // Answers are written once none has come for a while.
        await driver.sleep(2500);
        await browser.settled();
        if (how === 'anew') await driver.executeAsyncScript(DROP_ANSWERS);
        await driver.get('about:blank');
        await driver.get(address);
        times[how].push(await driver.executeAsyncScript<number>(UNTIL_DRAWN));
      }
    }
    console.log(
      `\n## A study opened again, ${told(words)} words in ${told(texts.length)} files (medians of ${told(REPEATS)})\n`,
    );
    printTable(
      ['to the map, with all figures', 'ms'],
      [
        ['with what was kept', told(median(times.kept))],
        ['computed anew, parts of speech kept', told(median(times.anew))],
      ],
    );
  } finally {
    await browser.end();
    served.close();
    rmSync(folder, { recursive: true });
  }
}
