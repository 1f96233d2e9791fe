import { randomInteger, type Random } from '@green-thicket/core/numeric/random';
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Key } from 'selenium-webdriver';
import { Browser } from './browser.ts';
import { serve } from './served.ts';

/** The files below a folder that hold a phrase, in either encoding a browser writes. */
export function filesWith(folder: string, phrase: string): string[] {
  const sought = [Buffer.from(phrase), Buffer.from(phrase, 'utf16le')];
  return readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((path) => {
    try {
      if (!statSync(join(folder, path)).isFile()) return false;
      const bytes = readFileSync(join(folder, path));
      return sought.some((each) => bytes.includes(each));
    } catch {
      // It went while it was looked at.
      return false;
    }
  });
}

const OPEN_CATALOGUE = `const inCatalogue = (store, then) => {
  const open = indexedDB.open('green-thicket-studies');
  open.onsuccess = () => {
    const all = open.result.transaction(store).objectStore(store).getAll();
    all.onsuccess = () => { open.result.close(); then(all.result); };
  };
};`;

/** What the browser keeps on record of its studies. */
export interface OnRecord {
  readonly studies: number;
  readonly locked: number;
  readonly going: number;
  readonly databases: number;
}

/** Reads what is on record of studies, and how many databases of theirs there are. */
export const onRecord = (browser: Browser): Promise<OnRecord> =>
  browser.driver.executeAsyncScript<OnRecord>(`const done = arguments[arguments.length - 1];
    ${OPEN_CATALOGUE}
    inCatalogue('studies', (studies) => inCatalogue('going', async (going) => done({
      studies: studies.length,
      locked: studies.filter(({ lock }) => lock).length,
      going: going.length,
      databases: (await indexedDB.databases()).filter(({ name }) => /^green-thicket-(study-|sweep)/.test(name)).length,
    })));`);

const WAYS = ['deleted', 'locked', 'unlocked', 'withdrawn'] as const;
type Way = (typeof WAYS)[number];
const PASSWORD = 'umbrella under the bridge';
/** Within so many milliseconds of the click the browser is killed: writing anew and sweeping take about as long. */
const LONGEST = 3000;

/** What came of killing the browser while it deleted, locked, unlocked or withdrew. */
export interface Erasures {
  readonly kills: Readonly<Record<Way, number>>;
  /** How many of them came before the step that decides, so that all was as it was. */
  readonly before: number;
  /** A sentence for each that left a word behind, or lost one. */
  readonly faults: readonly string[];
}

async function setPassword(browser: Browser): Promise<void> {
  await browser.click('.kept-note');
  await browser.press('Set a password');
  for (const field of await browser.all('.ant-modal input[type=password]')) await field.sendKeys(PASSWORD);
  await browser.click('.ant-modal input[type=checkbox]');
}

/** Everything up to the click that does it; gives what does it. */
async function ready(
  browser: Browser,
  way: Way,
  address: string,
  word: string,
): Promise<() => Promise<void>> {
  switch (way) {
    case 'deleted':
      await browser.driver.get(address);
      await browser.click('[aria-label^="Delete "]');
      return () => browser.click('.ant-popconfirm-buttons .ant-btn-primary');
    case 'locked':
      await setPassword(browser);
      return () => browser.press('Set the password');
    case 'unlocked':
      await setPassword(browser);
      await browser.press('Set the password');
      await browser.until('The dialog stayed', async () => (await browser.all('.ant-modal')).length === 0);
      await browser.until('It was never erased', async () => (await onRecord(browser)).going === 0);
      await browser.click('.kept-note');
      await browser.press('Take the password away');
      return () => browser.click('.ant-popconfirm-buttons .ant-btn-primary');
    case 'withdrawn':
      await browser.click(`[aria-label="Tick ${word}.txt"]`);
      await browser.press('Withdraw …');
      return () => browser.press('Withdraw for good');
  }
}

/**
 * Deletes, locks, unlocks and withdraws in the real interface and kills the browser at a random moment of it. After the next start
 * either all is as it was before, or it is done and no file of the browser's holds a word of it.
 *
 * @param rounds how many kills, in turn over the four
 */
export async function killWhileErasing(random: Random, rounds: number): Promise<Erasures> {
  const served = await serve();
  const folder = mkdtempSync(join(tmpdir(), 'thicket-erasing-'));
  const kills = { deleted: 0, locked: 0, unlocked: 0, withdrawn: 0 };
  const faults: string[] = [];
  let before = 0;
  try {
    for (let round = 0; round < rounds; round++) {
      const way = WAYS[round % WAYS.length];
      const word = `Quorz${'abcdefghij'[Math.floor(round / 10) % 10]}${'abcdefghij'[round % 10]}lewitt`;
      const browser = new Browser();
      await browser.start();
      try {
        await browser.driver.get(served.address);
        await browser.press('Start an empty study');
        const files = [word, 'other'].map((name) => {
          writeFileSync(
            join(folder, `${name}.txt`),
            `${name} waits at the stop. The ${name} took the bus.\n`.repeat(30),
          );
          return join(folder, `${name}.txt`);
        });
        await (await browser.find('input[type=file][multiple]')).sendKeys(files.join('\n'));
        await browser.waitForText('.trail', '2 sources');
        await browser.settled();
        const doIt = await ready(browser, way, served.address, word);
        await doIt();
        await browser.driver.sleep(randomInteger(random, LONGEST));
        await browser.kill();
        kills[way]++;
        await browser.start();
        await browser.driver.get(served.address);
        await browser.button('Start an empty study');
        await browser.until(
          'What was cut off was never finished',
          async () => (await onRecord(browser)).going === 0,
        );
        const { studies, locked, databases } = await onRecord(browser);
        const done = {
          deleted: studies === 0,
          locked: locked === 1,
          unlocked: locked === 0,
          withdrawn: false,
        }[way];
        if (databases !== studies) faults.push(`${way}: ${databases} databases of ${studies} studies`);
        // Locked, its words may lie in no file; unlocked or as it was, they must be there.
        let mustBeGone = way === 'unlocked' ? !done : done;
        if (studies > 0) {
          await browser.click('.start-list a');
          if (locked > 0) {
            const field = await browser.find('.ask-password input');
            await field.sendKeys(PASSWORD, Key.ENTER);
          }
          await browser.waitForText('.trail', /\d sources?/);
          const count = /(\d) sources?/.exec(await browser.textOf('.trail'))?.[1];
          if (way === 'withdrawn' && count === '1') mustBeGone = true;
          else if (count !== '2') faults.push(`${way}: ${count ?? 'no'} sources are left`);
        } else if (way !== 'deleted') faults.push(`${way}: the study is gone`);
        if (!mustBeGone && way !== 'unlocked') before++;
        await browser.driver.quit();
        const left = filesWith(browser.profile, word);
        if (mustBeGone && left.length > 0) faults.push(`${way}: ${word} is still in ${left.join(', ')}`);
      } catch (error) {
        faults.push(`${way}: ${String(error)}`);
      } finally {
        await browser.end();
      }
      if (process.env.THICKET_SAY)
        process.stderr.write(`${round + 1} ${way}, ${faults.length} faults, ${before} before\n`);
    }
    return { kills, before, faults };
  } finally {
    rmSync(folder, { recursive: true });
    served.close();
  }
}

/** What came of two tabs that both change a study while it is written anew. */
export interface TwoTabs {
  readonly rounds: number;
  /** Decisions that were shown as made in either tab. */
  readonly shown: number;
  readonly lost: readonly string[];
}

/** After so many looks the study is taken to stay open, as it does where its password is the same tab's. */
const MOST_LOOKS = 600;
/** The words that are shown as dropped. */
const DROPPED = `() => Array.from(document.querySelectorAll('.concept-row'))
  .filter((row) => row.textContent.includes('dropped'))
  .map((row) => row.textContent)`;
/** The same over the whole ledger, of which only what is in sight is drawn: it is gone through from top to end. */
const ALL_DROPPED = `const done = arguments[arguments.length - 1];
  const isScroller = (each) => each.scrollHeight > each.clientHeight && getComputedStyle(each).overflowY !== 'visible';
  let scroller = document.querySelector('.concept-row');
  while (scroller && !isScroller(scroller)) scroller = scroller.parentElement;
  const found = new Set();
  const look = () => {
    for (const each of (${DROPPED})()) found.add(each);
    if (!scroller || scroller.scrollTop + scroller.clientHeight >= scroller.scrollHeight - 1) return done([...found]);
    scroller.scrollTop += scroller.clientHeight / 2;
    requestAnimationFrame(() => requestAnimationFrame(look));
  };
  if (scroller) scroller.scrollTop = 0;
  requestAnimationFrame(() => requestAnimationFrame(look));`;

/**
 * Drops words in one tab while another sets a password, takes it away or withdraws somebody: what was shown as decided must be on
 * record afterwards.
 */
export async function decideInTwoTabs(rounds: number): Promise<TwoTabs> {
  const served = await serve();
  const browser = new Browser();
  await browser.start();
  const lost: string[] = [];
  let shown = 0;
  const { driver } = browser;
  try {
    for (let round = 0; round < rounds; round++) {
      await browser.clear(served.address);
      await driver.get(`${served.address}/demo`);
      await browser.goTo('concepts');
      const address = await driver.getCurrentUrl();
      const first = await driver.getWindowHandle();
      await driver.switchTo().newWindow('tab');
      await driver.get(address);
      await browser.find('.concept-row');
      await browser.settled();
      const second = await driver.getWindowHandle();
      await driver.switchTo().window(first);
      await setPassword(browser);
      const button = await browser.button('Set the password');
      // Pressed a little later by the page itself, when the other tab is in front and decides.
      await driver.executeScript(
        'const [button, wait] = arguments; setTimeout(() => button.click(), wait)',
        ...[button, 1000 + 300 * round],
      );
      await driver.switchTo().window(second);
      await browser.command('Page.bringToFront', {});
      const seen = new Set<string>();
      /** Drops a word, where there is one to drop, and looks what is shown as dropped; nothing once the study is locked. */
      const dropAndLook = (row: number): Promise<string[] | null> =>
        driver.executeScript<string[] | null>(
          `const rows = document.querySelectorAll('.concept-row');
          if (rows.length === 0) return null;
          const row = rows[arguments[0]];
          row?.focus();
          row?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Delete', bubbles: true }));
          return (${DROPPED})();`,
          row,
        );
      await browser.until('Nothing was ever shown as dropped', async () => {
        const shownNow = await dropAndLook(0);
        for (const word of shownNow ?? []) seen.add(word);
        return shownNow === null || shownNow.length > 0;
      });
      for (let row = 1; ; row++) {
        const words = await dropAndLook(row);
        if (words === null || row > MOST_LOOKS) break;
        for (const word of words) seen.add(word);
      }
      await driver.close();
      await driver.switchTo().window(first);
      await browser.until('The dialog stayed', async () => (await browser.all('.ant-modal')).length === 0);
      await browser.settled();
      shown += seen.size;
      const there = await driver.executeAsyncScript<string[]>(ALL_DROPPED);
      for (const each of seen)
        if (!there.includes(each)) lost.push(`${each} was shown as dropped and is not`);
    }
    return { rounds, shown, lost };
  } finally {
    await browser.end();
    served.close();
  }
}
