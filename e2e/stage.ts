import { Browser } from './browser.ts';
import { serve, type Served } from './served.ts';

/** A server and a browser for a suite; the browser is emptied between its tests. */
export interface Stage {
  served: Served;
  browser: Browser;
  /** Opens the sample study at its map. */
  openSample: () => Promise<void>;
}

/** Sets the stage for the suite it is called in. */
export function setStage({ motion = false }: { readonly motion?: boolean } = {}): Stage {
  const stage = {} as Stage;
  let isFresh = false;
  stage.openSample = async () => {
    await stage.browser.driver.get(`${stage.served.address}/demo`);
    await stage.browser.find('.concept-map .map-word');
    await stage.browser.settled();
  };
  before(async () => {
    stage.served = await serve();
  });
  after(async () => {
    if (isFresh) await stage.browser.end();
    stage.served.close();
  });
  beforeEach(async () => {
    if (isFresh) return;
    stage.browser = new Browser(motion);
    await stage.browser.start();
    isFresh = true;
  });
  afterEach(async function () {
    // What a failed test left behind must not be what fails the next one.
    isFresh = false;
    if (this.currentTest?.state === 'passed') {
      await stage.browser.clear(stage.served.address);
      isFresh = true;
    } else await stage.browser.end();
  });
  return stage;
}
