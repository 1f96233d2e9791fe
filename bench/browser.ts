import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Browser, serve } from '../e2e/browser.ts';
import { plantedCollection } from './collection.ts';

/** Watches how long the page's thread is held, and when the first map stands. */
const WATCH = `
  window.longest = 0;
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) window.longest = Math.max(window.longest, entry.duration);
  }).observe({ type: 'longtask' });
`;

/** Times the real interface: from files chosen to a themed map, and a changed setting after that. */
export async function benchBrowser(words: number): Promise<void> {
  const { texts } = plantedCollection({ words, wordsPerSource: 8000 });
  const folder = mkdtempSync(join(tmpdir(), 'thicket-bench-'));
  const paths = texts.map((text, i) => {
    const path = join(folder, `${String(i).padStart(4, '0')}.txt`);
    writeFileSync(path, text);
    return path;
  });
  const served = await serve();
  const browser = new Browser();
  try {
    await browser.start();
    await browser.driver.manage().setTimeouts({ script: 120_000 });
    await browser.driver.get(served.address);
    await browser.press('Start an empty study');
    const input = await browser.find('input[type=file][multiple]');
    await browser.driver.executeScript(WATCH);
    await browser.driver.executeScript(
      "window.started = 0; arguments[0].addEventListener('change', () => { window.started = performance.now(); }, { capture: true })",
      input,
    );
    await input.sendKeys(paths.join('\n'));
    const toMap = await browser.driver.executeAsyncScript<number>(`
      const done = arguments[arguments.length - 1];
      const look = () => {
        const figure = document.querySelector('.trail li:nth-child(6) .trail-figure')?.textContent ?? '';
        if (/\\d+ parcels, up to date/.test(figure)) done(performance.now() - window.started);
        else requestAnimationFrame(look);
      };
      look();
    `);
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
        if (figure !== before && figure.includes('up to date')) done(performance.now() - started);
        else if (performance.now() - started > 20000) done(-1);
        else requestAnimationFrame(look);
      };
      look();
    `,
      box,
    );
    const longest = await browser.driver.executeScript<number>('return window.longest');
    console.log(`\n## Browser, ${words.toLocaleString('en-GB')} words in ${texts.length} files (one run)\n`);
    console.log('| what | ms |');
    console.log('|---|---:|');
    console.log(`| from files chosen to figures of every stop | ${Math.round(toMap)} |`);
    console.log(`| a changed cut-off to figures of every stop | ${Math.round(change)} |`);
    console.log(`| longest hold of the page’s thread | ${Math.round(longest)} |`);
  } finally {
    await browser.end();
    served.close();
    rmSync(folder, { recursive: true });
  }
}
