import { rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { Key } from 'selenium-webdriver';
import { largest } from '../core/src/base/extent.ts';
import { Browser } from '../e2e/browser.ts';
import { serve } from '../e2e/served.ts';
import { plantedCollection, writeTexts } from './collection.ts';
import { median, printTable, told } from './timing.ts';

const CONCEPTS = 500;
/** A frame takes no longer than this where sixty come in a second, and where it is seen to stutter, ms. */
const [SMOOTH, STUTTERS] = [17.5, 32];

/**
 * Turns the wheel in and out over the map, lets it come to rest, then drags it about, an event a frame, 60 of each; gives the
 * milliseconds between frames of either, and of the longest frame in which it comes to rest and is drawn anew.
 */
const MOVE = `
  const done = arguments[arguments.length - 1];
  const map = document.querySelector('.concept-map');
  const box = map.getBoundingClientRect();
  const at = (share) => ({
    clientX: box.left + box.width * share, clientY: box.top + box.height * share, bubbles: true, cancelable: true, view: window,
  });
  const EVENTS = 60;
  const REST = 30;
  const times = [[], [], []];
  const zoom = (i) => map.dispatchEvent(new WheelEvent('wheel', { ...at(0.5), deltaY: i < EVENTS / 2 ? -40 : 40 }));
  const drag = (i) => {
    if (i === 0) map.dispatchEvent(new MouseEvent('mousedown', at(0.4)));
    window.dispatchEvent(new MouseEvent('mousemove', at(0.4 + 0.2 * Math.abs(Math.sin(i / 10)))));
    if (i === EVENTS - 1) window.dispatchEvent(new MouseEvent('mouseup', at(0.5)));
  };
  let last;
  let step = 0;
  const frame = (now) => {
    const kind = step <= EVENTS ? 0 : step <= EVENTS + REST ? 2 : 1;
    if (last !== undefined) times[kind].push(now - last);
    last = now;
    if (step === 2 * EVENTS + REST) return done(times);
    if (step < EVENTS) zoom(step);
    else if (step >= EVENTS + REST) drag(step - EVENTS - REST);
    step++;
    requestAnimationFrame(frame);
  };
  requestAnimationFrame(frame);
`;

/**
 * Opens and closes the Reader by its key, ten times each, with nothing picked; gives the milliseconds of each until it is drawn, and
 * by how many pixels the map moved at most.
 */
const READ = `
  const done = arguments[arguments.length - 1];
  const placeOf = () => document.querySelector('.map-word').getBoundingClientRect().x;
  const before = placeOf();
  const times = [[], []];
  let moved = 0;
  const step = (i) => {
    if (i === 20) return done([...times, [moved]]);
    const started = performance.now();
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'r', bubbles: true }));
    // The frame after the next begins when this one was drawn.
    requestAnimationFrame(() => requestAnimationFrame(() => {
      times[i % 2].push(performance.now() - started);
      moved = Math.max(moved, Math.abs(placeOf() - before));
      setTimeout(() => step(i + 1), 100);
    }));
  };
  step(0);
`;

/** Times the frames of a map of 500 concepts while it is zoomed and dragged, and the Reader beside it while it is opened and closed. */
export async function benchFrames(): Promise<void> {
  const { texts } = plantedCollection({
    words: CONCEPTS * 1500,
    themes: 20,
    conceptsPerTheme: Math.ceil((1.1 * CONCEPTS) / 20),
  });
  const { folder, paths } = writeTexts(texts);
  const served = await serve();
  const browser = new Browser(true);
  try {
    await browser.start();
    await browser.useCores(availableParallelism());
    await browser.driver.get(served.address);
    await browser.press('Start an empty study');
    await (await browser.find('input[type=file][multiple]')).sendKeys(paths.join('\n'));
    await browser.waitForText('.trail', `${texts.length} sources`);
    await browser.goTo('concepts');
    await browser.settled();
    await browser.driver.executeScript(
      `[...document.querySelectorAll('[aria-label="Method sentence"] button')]
        .find((each) => /^\\d+ to \\d+$/.test(each.textContent)).click()`,
    );
    await browser.fill('input[aria-label="Number of concepts"]', String(CONCEPTS), Key.ENTER);
    await browser.waitForText('.trail', `${CONCEPTS} kept`);
    await browser.goTo('map');
    await browser.find('.map-word');
    await browser.settled();
    const [opened, closed, [shift]] =
      await browser.driver.executeAsyncScript<[number[], number[], number[]]>(READ);
    const moved = await browser.driver.executeAsyncScript<[number[], number[], number[]]>(MOVE);
    console.log(`\n## Frames of a map of ${CONCEPTS} concepts, milliseconds\n`);
    printTable(
      ['', 'median', 'longest', `over ${STUTTERS}`, 'a second of them'],
      ['zoomed', 'dragged'].map((what, i) => [
        what,
        median(moved[i]).toFixed(1),
        told(largest(moved[i])),
        `${moved[i].filter((time) => time > STUTTERS).length} of ${moved[i].length}`,
        median(moved[i]) <= SMOOTH ? '60' : told(1000 / median(moved[i])),
      ]),
    );
    console.log(
      `\nThe Reader is opened in ${told(median(opened))} ms and closed in ${told(median(closed))} (medians of ten, two frames each at least); the map moves by ${told(shift)} pixels.`,
    );
    console.log(
      `\nWhere the zoom comes to rest all is drawn anew: a frame of ${told(largest(moved[2]))} ms.`,
    );
  } finally {
    await browser.end();
    served.close();
    rmSync(folder, { recursive: true });
  }
}
