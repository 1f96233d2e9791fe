import { randomInteger, type Random } from '@green-thicket/core/numeric/random';
import { Key } from 'selenium-webdriver';
import { Browser } from './browser.ts';
import { serve } from './served.ts';
import { OPEN_STUDY_DATABASE } from './intake.ts';

/** What came of killing the browser again and again. */
export interface Kills {
  readonly kills: number;
  /** Decisions that had been shown when it was killed. */
  readonly shown: number;
  /** A sentence for each decision that was shown and is gone. */
  readonly lost: readonly string[];
}

const UNDO = 'button[title^="Undo:"]';
const ROW = '.concept-row';
/** Decisions before a kill, at most. */
const MOST = 12;
const LOOKS = 50;

/**
 * Decides at random in the real interface and kills the browser in the midst of it: after a restart the last decision that was
 * shown, or the one under way, must be there.
 *
 * @param goOn asked before each kill
 */
export async function killAtWork(random: Random, goOn: (kills: number) => boolean): Promise<Kills> {
  const served = await serve();
  const browser = new Browser();
  await browser.start();
  const lost: string[] = [];
  let [kills, shown] = [0, 0];
  /** What undo would take back: the decision in force, as it is shown. */
  const inForce = async (): Promise<string> => (await (await browser.find(UNDO)).getAttribute('title')) ?? '';
  /** Decisions on record, undone ones too, as the browser keeps them. */
  const recorded = (): Promise<number> =>
    browser.driver.executeAsyncScript<number>(`const done = arguments[arguments.length - 1];
      ${OPEN_STUDY_DATABASE}
      openStudy((database) => {
        const count = database.transaction('decisions').objectStore('decisions').count();
        count.onsuccess = () => { database.close(); done(count.result); };
      });`);
  /** Decides something: drops a word, or takes the last decision back. */
  const decide = async (): Promise<'drop' | 'undo'> => {
    if (random() < 0.25) {
      await browser.driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform();
      return 'undo';
    }
    const rows = await browser.all(ROW);
    await rows[randomInteger(random, Math.min(rows.length, 10))].sendKeys(Key.DELETE);
    return 'drop';
  };
  /** Whether something else is shown as decided soon; a word that is dropped already can't be dropped again. */
  const changes = async (before: string): Promise<boolean> => {
    for (let look = 0; look < LOOKS; look++) {
      if ((await inForce()) !== before) return true;
      await browser.driver.sleep(20);
    }
    return false;
  };
  try {
    await browser.driver.get(`${served.address}/demo`);
    await browser.goTo('concepts');
    const address = await browser.driver.getCurrentUrl();
    const seen = new Set<string>();
    let drops = await recorded();
    while (goOn(kills)) {
      let before = '';
      let last: 'drop' | 'undo' = 'undo';
      for (let left = randomInteger(random, MOST); left >= 0; left--) {
        before = await inForce();
        seen.add(before);
        last = await decide();
        // The last one is not waited for: the browser goes while it is kept.
        if (left === 0 || !(await changes(before))) continue;
        shown++;
        if (last === 'drop') drops++;
      }
      await browser.kill();
      await browser.start();
      await browser.driver.get(address);
      await browser.find(ROW);
      kills++;
      const [now, there] = [await inForce(), await recorded()];
      const isThere = there === drops ? now === before || (last === 'undo' && seen.has(now)) : there > drops;
      if (!isThere) lost.push(`${before} was shown with ${drops} decisions; then ${now} with ${there}`);
      drops = there;
    }
    return { kills, shown, lost };
  } finally {
    await browser.end();
    served.close();
  }
}
