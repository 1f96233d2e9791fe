import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { finish } from '../core/src/base/stepwise.ts';
import { applyStep } from '../core/src/text/cleaning/cleaning.ts';
import { untouched } from '../core/src/text/offsets.ts';
import { scanTokens } from '../core/src/text/scan.ts';
import { CLEANING_KINDS, FIRST_STEPS, newStep, type CleaningStep } from '../core/src/text/cleaning/steps.ts';
import { readTokens } from '../core/src/text/tokens.ts';
import { Browser } from '../e2e/browser.ts';
import { serve, type Served } from '../e2e/served.ts';
import { plantedCollection } from './collection.ts';
import { medianTime } from './timing.ts';

/** What makes a collection untidy, put in after every so many words. */
const DIRT = [
  'https://larkhaven.example/n7?x=1',
  '@larkbus',
  '#nightbus',
  '[laughs]',
  '[00:12:44]',
  '42',
  '10pm',
  'sooooo',
  '🚌🚌',
  '▲',
  '“quoted”',
  'café',
  '&amp;',
  '<b>bold</b>',
  'long-\nwinded',
  '!!!!',
];

/** Made-up texts as untidy as answers are. */
export function untidyTexts(words: number, wordsPerSource: number): string[] {
  const { texts } = plantedCollection({ words, wordsPerSource });
  let dirt = 0;
  return texts.map((text) =>
    text.replace(/(?:\S+\s+){12}/g, (run) => `${run}${DIRT[dirt++ % DIRT.length]} `),
  );
}

/** The step with what it needs to do something. */
function benchStep(kind: (typeof CLEANING_KINDS)[number]): CleaningStep {
  const step = newStep(kind, []);
  if (step.kind === 'lines') return { ...step, pattern: '^Page \\d+$' };
  if (step.kind === 'replace') return { ...step, find: 'b[aeiou]d', isPattern: true };
  return step;
}

/** Words a second of each step, over a collection of many small sources. */
export function benchSteps(words: number): void {
  const texts = untidyTexts(words, 200);
  let count = 0;
  for (const text of texts) scanTokens(text, () => count++);
  console.log(
    `\n## Cleaning, ${count.toLocaleString('en-GB')} words in ${texts.length.toLocaleString('en-GB')} sources\n`,
  );
  console.log('| step | median ms | words a second |');
  console.log('|---|---:|---:|');
  const row = (name: string, time: number): void =>
    console.log(
      `| ${name} | ${Math.round(time)} | ${Math.round(count / (time / 1000)).toLocaleString('en-GB')} |`,
    );
  const layers = texts.map(untouched);
  for (const kind of CLEANING_KINDS) {
    const step = benchStep(kind);
    row(
      kind,
      medianTime(() => {
        for (const layer of layers) applyStep(layer, step);
      }),
    );
  }
  const sources = texts.map((original) => ({ original, cuts: [] }));
  row(
    '**the first five steps, sentences and tokens**',
    medianTime(() => finish(readTokens(sources, FIRST_STEPS, new Set()))),
  );
}

/** Memory of the browser’s processes, in MB. */
function memoryOf(browser: Browser): number {
  const lines = execFileSync('ps', ['-eo', 'rss,args'], { encoding: 'utf8' }).split('\n');
  const own = lines.filter((line) => line.includes(browser.profile) && line.includes('--type=renderer'));
  return Math.round(own.reduce((sum, line) => sum + Number.parseInt(line, 10), 0) / 1024);
}

/** Runs of the real interface; medians of them are said. */
const RUNS = 5;

const WATCH = `
  window.longest = 0;
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) window.longest = Math.max(window.longest, entry.duration);
  }).observe({ type: 'longtask' });
`;

/** What one run of the real interface took: times in ms, memory in MB. */
interface Intake {
  readonly toList: number;
  readonly toStops: number;
  readonly toClean: number;
  /** The page's thread never held for longer than this; nothing under 50 ms is reported to a page. */
  readonly longest: number;
  readonly memory: number;
}

/** Brings texts in, goes to Clean when all is computed, then to every other stop. */
async function timeIntake(served: Served, folder: string, texts: readonly string[]): Promise<Intake> {
  const browser = new Browser();
  const run = (script: string, ...rest: unknown[]): Promise<unknown> =>
    browser.driver.executeScript(script, ...rest);
  const waited = (condition: string): Promise<number> =>
    browser.driver.executeAsyncScript<number>(`
      const done = arguments[arguments.length - 1];
      const look = () => {
        if (${condition}) done(performance.now() - window.started);
        else requestAnimationFrame(look);
      };
      look();
    `);
  const goTo = (stop: string): Promise<unknown> =>
    run(`window.started = performance.now(); document.querySelector('.trail a[href*="/${stop}"]').click();`);
  try {
    await browser.start();
    await browser.useCores(availableParallelism());
    await browser.driver.manage().setTimeouts({ script: 300_000 });
    await browser.driver.get(served.address);
    await browser.press('Start an empty study');
    const input = await browser.find('input[type=file][multiple]');
    if (texts.length > 1) {
      // The driver can't type thousands of paths, so they come as a drop. What the driver does is over by then.
      await run(
        `window.files = new DataTransfer();
        for (const [i, text] of arguments[0].entries()) window.files.items.add(new File([text], String(i).padStart(5, '0') + '.txt'));`,
        texts,
      );
      await run(WATCH);
      await run(
        `setTimeout(() => {
          window.started = performance.now();
          window.longest = 0;
          window.dispatchEvent(new DragEvent('drop', { dataTransfer: window.files, bubbles: true, cancelable: true }));
        }, 1000);`,
      );
    } else {
      writeFileSync(join(folder, 'huge.txt'), texts[0]);
      await run(WATCH);
      await run(
        "arguments[0].addEventListener('change', () => { window.started = performance.now(); }, { capture: true })",
        input,
      );
      await input.sendKeys(join(folder, 'huge.txt'));
    }
    const toList = await waited("document.querySelector('.grid-row')");
    const toStops = await waited(
      "/up to date/.test(document.querySelector('.trail li:nth-child(6) .trail-figure').textContent) && document.querySelector('.status-now').textContent === 'up to date'",
    );
    await goTo('clean');
    const toClean = await waited("document.querySelector('.clean-body')");
    for (const stop of ['concepts', 'links', 'themes', 'map', 'compare', 'sources', 'clean']) {
      await browser.settled();
      await goTo(stop);
    }
    await browser.settled();
    const longest = await browser.driver.executeScript<number>('return window.longest');
    return { toList, toStops, toClean, longest, memory: memoryOf(browser) };
  } finally {
    await browser.end();
  }
}

/** Times the real interface with many small sources and with a single huge one: brought in, then looked at everywhere. */
export async function benchIntake(smallSources: number, wordsOfHuge: number): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'thicket-bench-'));
  const served = await serve();
  const collections: [string, string[]][] = [
    [
      `${smallSources.toLocaleString('en-GB')} sources of 40 words`,
      untidyTexts(smallSources * 40, 30).slice(0, smallSources),
    ],
    [`one source of ${wordsOfHuge.toLocaleString('en-GB')} words`, untidyTexts(wordsOfHuge, wordsOfHuge)],
  ];
  console.log(`\n## Browser, bringing in and cleaning (medians of ${RUNS})\n`);
  console.log(
    '| collection | ms to the list | ms to every stop | ms to the text in Clean | longest hold of the page’s thread in each run, ms | memory, MB |',
  );
  console.log('|---|---:|---:|---:|---:|---:|');
  for (const [name, texts] of collections) {
    const runs: Intake[] = [];
    for (let run = 0; run < RUNS; run++) runs.push(await timeIntake(served, folder, texts));
    const middle = (figure: (run: Intake) => number): number =>
      Math.round(runs.map(figure).sort((a, b) => a - b)[RUNS >> 1]);
    const holds = runs.map(({ longest }) => (longest === 0 ? 'under 50' : String(Math.round(longest))));
    console.log(
      `| ${name} | ${middle((run) => run.toList)} | ${middle((run) => run.toStops)} | ${middle((run) => run.toClean)} | ${holds.join(', ')} | ${middle((run) => run.memory)} |`,
    );
  }
  served.close();
  rmSync(folder, { recursive: true });
}
