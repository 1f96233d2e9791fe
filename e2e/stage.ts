import { Key } from 'selenium-webdriver';
import { Browser } from './browser.ts';
import { serve, type Served } from './served.ts';

/** A server and a browser for a suite; the browser is emptied between its tests. */
export interface Stage {
  served: Served;
  browser: Browser;
  /** Opens the sample study at its map. */
  openSample: () => Promise<void>;
  /**
   * Shows the sample study at its map to a test that decides nothing: it stays open for the next that asks so, as it takes
   * a third of a short test to open it.
   */
  showSample: () => Promise<void>;
}

/** Sets the stage for the suite it is called in. */
export function setStage({ motion = false }: { readonly motion?: boolean } = {}): Stage {
  const stage = {} as Stage;
  let isFresh = false;
  let isOnlyLookedAt = false;
  /** Address of the sample that is only looked at; what the page remembered and what was decided last when it was opened. */
  let shown: { readonly address: string; readonly remembered: string; readonly last: string } | undefined;
  /** What was decided last, as Undo tells it. */
  const lastDecided = async (): Promise<string> =>
    (await (await stage.browser.button('Undo')).getAttribute('title')) ?? '';
  stage.openSample = async () => {
    isOnlyLookedAt = false;
    await stage.browser.driver.get(`${stage.served.address}/demo`);
    await stage.browser.find('.concept-map .map-word');
    await stage.browser.settled();
  };
  stage.showSample = async () => {
    const { driver } = stage.browser;
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
      await stage.browser.find('main[aria-label="sources" i]');
      await stage.browser.goTo('map');
      await stage.browser.find('.concept-map .map-word');
    } else {
      await stage.openSample();
      const remembered = await driver.executeScript<string>(
        'return JSON.stringify(Object.entries(localStorage))',
      );
      shown = { address: await driver.getCurrentUrl(), remembered, last: await lastDecided() };
    }
    isOnlyLookedAt = true;
  };
  before(async () => {
    stage.served = await serve();
  });
  after(async () => {
    if (isFresh) await stage.browser.end();
    stage.served.close();
  });
  beforeEach(async () => {
    isOnlyLookedAt = false;
    if (isFresh) return;
    stage.browser = new Browser(motion);
    await stage.browser.start();
    isFresh = true;
  });
  afterEach(async function () {
    // What a failed test left behind must not be what fails the next one.
    isFresh = false;
    const { browser } = stage;
    if (this.currentTest?.state !== 'passed') {
      shown = undefined;
      await browser.end();
      return;
    }
    if (isOnlyLookedAt) {
      await browser.tidy();
      const last = await lastDecided();
      if (last !== shown?.last)
        throw new Error(`The test decided something in a study it only looks at: ${last}`);
    } else {
      shown = undefined;
      await browser.clear(stage.served.address);
    }
    isFresh = true;
  });
  return stage;
}
