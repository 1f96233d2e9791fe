import { rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { Browser } from '../e2e/browser.ts';
import { serve, type Served } from '../e2e/served.ts';
import { plantedCollection, writeTexts } from './collection.ts';
import { median, printTable, REPEATS, told } from './timing.ts';

/** Watches how long the page's thread is held, and when the first map stands. */
const WATCH = `
  window.longest = 0;
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) window.longest = Math.max(window.longest, entry.duration);
  }).observe({ type: 'longtask' });
`;

/** Presses a button of the card of the fourth word, and waits till the list says so and till it has the new figures. */
const DECIDE = `
  const [press, done] = arguments;
  const ledger = () => document.querySelector('[data-testid=concept-ledger]');
  const nameOf = (row) => row.querySelector('.row-name').firstChild.textContent;
  const row = ledger().querySelectorAll('.concept-row:not(.is-dropped)')[3];
  const name = nameOf(row);
  row.click();
  const decide = () => {
    const card = document.querySelector('.concept-card[aria-label="Concept ' + name + '"]');
    const button = [...(card?.querySelectorAll('button') ?? [])].find((each) => each.textContent === press);
    if (!button || ledger().classList.contains('dimmed')) return setTimeout(decide, 50);
    const started = performance.now();
    button.click();
    let reflected;
    const look = () => {
      const there = [...ledger().querySelectorAll('.concept-row')].find((each) => nameOf(each) === name);
      if (press === 'Drop' ? there?.classList.contains('is-dropped') : !there) reflected ??= performance.now() - started;
      if (reflected !== undefined && !ledger().classList.contains('dimmed')) done([reflected, performance.now() - started]);
      else setTimeout(look, 1);
    };
    look();
  };
  setTimeout(decide, 300);
`;

/** Milliseconds from a decision in the list of concepts to its being seen there, and to the new figures. */
async function timeDecisions(browser: Browser, press: string): Promise<readonly [number, number]> {
  const times: [number, number][] = [];
  for (let time = 0; time < REPEATS; time++) {
    times.push(await browser.driver.executeAsyncScript<[number, number]>(DECIDE, press));
    await browser.settled();
  }
  return [median(times.map(([reflected]) => reflected)), median(times.map(([, figures]) => figures))];
}

/** Brings files into an empty study; the milliseconds until each stop's figure stands. */
async function bringIn(
  browser: Browser,
  { address }: Served,
  paths: readonly string[],
): Promise<[stop: string, time: number][]> {
  await browser.driver.get(address);
  await browser.press('Start an empty study');
  const input = await browser.find('input[type=file][multiple]');
  await browser.driver.executeScript(WATCH);
  await browser.driver.executeScript(
    "window.started = 0; arguments[0].addEventListener('change', () => { window.started = performance.now(); }, { capture: true })",
    input,
  );
  await input.sendKeys(paths.join('\n'));
  return browser.driver.executeAsyncScript<[string, number][]>(`
    const done = arguments[arguments.length - 1];
    const times = new Map();
    const look = () => {
      const stops = [...document.querySelectorAll('.trail li')];
      for (const stop of stops) {
        const figure = stop.querySelector('.trail-figure').textContent;
        const name = stop.querySelector('.trail-name').textContent;
        const stands = figure.includes('up to date') && !figure.startsWith('0 ');
        if (stands && !times.has(name)) times.set(name, performance.now() - window.started);
      }
      if (times.size === stops.length) done([...times]);
      else requestAnimationFrame(look);
    };
    look();
  `);
}

/** Times the real interface with files as people have them: when each stop's figure stands, and the longest hold. */
export async function timeFigures(paths: readonly string[]): Promise<[what: string, time: number][]> {
  const served = await serve();
  const browser = new Browser();
  try {
    await browser.start();
    await browser.useCores(availableParallelism());
    await browser.driver.manage().setTimeouts({ script: 300_000 });
    const figures = await bringIn(browser, served, paths);
    const longest = await browser.driver.executeScript<number>('return window.longest');
    return [...figures, ['longest hold of the page’s thread', longest]];
  } finally {
    await browser.end();
    served.close();
  }
}

/** Times the real interface: from files chosen to a themed map, and a changed setting after that. */
export async function benchBrowser(words: number): Promise<void> {
  const { texts } = plantedCollection({ words, wordsPerSource: 8000 });
  const { folder, paths } = writeTexts(texts);
  const served = await serve();
  const browser = new Browser();
  try {
    await browser.start();
    await browser.useCores(availableParallelism());
    await browser.driver.manage().setTimeouts({ script: 120_000 });
    const figures = await bringIn(browser, served, paths);
    await browser.goTo('map');
    await browser.find('.map-word');
    await browser.goTo('links');
    await browser.press('0.1');
    const box = await browser.find('input[aria-label="Cut-off"]');
    const change = await browser.driver.executeAsyncScript<number>(
      `
      const [box, done] = arguments;
      const before = document.querySelector('.trail li:nth-child(4) .trail-figure').textContent;
      const setter = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
      setter.call(box, '0.3');
      box.dispatchEvent(new Event('input', { bubbles: true }));
      const started = performance.now();
      box.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', keyCode: 13, bubbles: true }));
      const look = () => {
        const figure = document.querySelector('.trail li:nth-child(4) .trail-figure').textContent;
        const isAll = !document.querySelector('.trail .is-computing');
        if (figure !== before && isAll) done(performance.now() - started);
        else if (performance.now() - started > 20000) done(-1);
        else requestAnimationFrame(look);
      };
      look();
    `,
      box,
    );
    await browser.goTo('concepts');
    await browser.settled();
    const dropped = await timeDecisions(browser, 'Drop');
    const stopped = await timeDecisions(browser, 'Never show');
    const longest = await browser.driver.executeScript<number>('return window.longest');
    console.log(`\n## Browser, ${words.toLocaleString('en-GB')} words in ${texts.length} files (one run)\n`);
    printTable(
      ['what', 'ms'],
      [
        ...figures.map(([stop, time]) => [`from files chosen to the figure of ${stop}`, told(time)]),
        ['a changed cut-off to figures of every stop', told(change)],
        ['a dropped concept to the list saying so (median of 5)', told(dropped[0])],
        ['… to the list with its new figures', told(dropped[1])],
        ['a stopped word to the list without it (median of 5)', told(stopped[0])],
        ['… to the list with its new figures', told(stopped[1])],
        ['longest hold of the page’s thread', told(longest)],
      ],
    );
  } finally {
    await browser.end();
    served.close();
    rmSync(folder, { recursive: true });
  }
}
