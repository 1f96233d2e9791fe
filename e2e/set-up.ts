import { Key } from 'selenium-webdriver';
import { Browser } from './browser.ts';
import { serve, type Served } from './served.ts';

/** A server and a browser for a suite; the browser is emptied between its tests. */
export interface Setup {
  served: Served;
  browser: Browser;
  /** Opens the sample study at its map. */
  openSample: () => Promise<void>;
  /**
   * Shows the sample study at its map, as it is when it is opened: it stays open for the next test that asks so, as it takes
   * a third of a short test to open it. What a test decides in it is undone after it; what a test keeps in the Notebook, and
   * letters of new themes, would stay.
   */
  showSample: () => Promise<void>;
}

/**
 * The server and the browsers of this process, with motion and without. Suites follow each other in it: a browser that was
 * begun has the application at hand, which takes six seconds for the first time.
 */
let served: Promise<Served> | undefined;
const browsers = new Map<boolean, Browser>();

/** A browser for the next test: the one at hand, or a new one. */
async function browserFor(motion: boolean): Promise<Browser> {
  const known = browsers.get(motion);
  if (known) return known;
  const browser = new Browser(motion);
  await browser.start();
  browsers.set(motion, browser);
  return browser;
}

/** Ends a browser, as after a test that failed: what it left behind must not be what fails the next one. */
async function letGo(browser: Browser): Promise<void> {
  browsers.delete(browser.motion);
  await browser.end();
}

// Nothing can be waited for when a process ends.
process.once('exit', () => {
  for (const browser of browsers.values()) browser.endNow();
});

/** Decisions of one test, at most. */
const MOST_UNDONE = 40;

/** Sets the centre for the suite it is called in. */
export function setUp({ motion = false }: { readonly motion?: boolean } = {}): Setup {
  const setup = {} as Setup;
  let isShared = false;
  /** Address of the sample that tests share; what the page remembered and what was decided last when it was opened. */
  let shown: { readonly address: string; readonly remembered: string; readonly last: string } | undefined;
  /** What was decided last, as Undo tells it. */
  const lastDecided = async (): Promise<string> =>
    (await (await setup.browser.button('Undo')).getAttribute('title')) ?? '';
  /** Undoes what was decided in the sample since it was opened; in the page itself, as each step is a matter of its own speed. */
  const undoAll = async (): Promise<void> => {
    const isUndone = await setup.browser.driver.executeAsyncScript<boolean>(
      `const [last, most, done] = arguments;
      const undo = () => [...document.querySelectorAll('button')].find((each) => each.textContent.trim() === 'Undo');
      let left = most;
      const step = () => {
        const { title } = undo();
        if (title === last || left-- === 0) return done(title === last);
        // Not as by a pointer: what the test left open may cover the button.
        undo().click();
        // Two decisions may be called the same; then a while is long enough.
        let looks = 0;
        const wait = () => (undo().title !== title || looks++ >= 20 ? step() : setTimeout(wait, 40));
        wait();
      };
      step();`,
      shown?.last,
      MOST_UNDONE,
    );
    if (!isUndone) throw new Error('What was decided in the sample could not be undone.');
  };
  setup.openSample = async () => {
    isShared = false;
    await setup.browser.driver.get(`${setup.served.address}/demo`);
    await setup.browser.find('.concept-map .map-word');
    await setup.browser.settled();
  };
  setup.showSample = async () => {
    const { driver } = setup.browser;
    if (shown) {
      await driver.actions().sendKeys(Key.ESCAPE, Key.ESCAPE).perform();
      // As by a link within the page: nothing is loaded again, and everything of the stop is made anew.
      await driver.executeScript(
        `localStorage.clear();
        for (const [key, value] of JSON.parse(arguments[1])) localStorage.setItem(key, value);
        document.activeElement?.blur();
        history.pushState(null, '', arguments[0].replace('/map', '/sources'));
        dispatchEvent(new PopStateEvent('popstate'));`,
        shown.address,
        shown.remembered,
      );
      await setup.browser.find('main[aria-label="sources" i]');
      await setup.browser.goTo('map');
      await setup.browser.find('.concept-map .map-word');
    } else {
      await setup.openSample();
      const remembered = await driver.executeScript<string>(
        'return JSON.stringify(Object.entries(localStorage))',
      );
      shown = { address: await driver.getCurrentUrl(), remembered, last: await lastDecided() };
    }
    isShared = true;
  };
  before(async () => {
    setup.served = await (served ??= serve());
  });
  after(async () => {
    if (shown) await setup.browser.clear(setup.served.address);
  });
  beforeEach(async () => {
    isShared = false;
    setup.browser = await browserFor(motion);
  });
  afterEach(async function () {
    const { browser } = setup;
    if (this.currentTest?.state !== 'passed') {
      shown = undefined;
      await letGo(browser);
      return;
    }
    if (isShared) {
      await browser.tidy();
      await undoAll();
    } else {
      shown = undefined;
      await browser.clear(setup.served.address);
    }
  });
  return setup;
}
