import axe from 'axe-core';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, By, Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome.js';
import { inPage, WORDS_OF } from './in-page.ts';

/** Longest a test waits for what should come; computing the sample from nothing takes two or three seconds. */
const PATIENCE = 30_000;
/** Time between two looks, ms: short, as a test is a row of waits. */
const LOOK = 40;

/**
 * What a browser keeps of studies and of how one works. The application's own files stay, as they do for whoever comes
 * back: to keep all of them again costs as much as half a test.
 */
const OF_STUDIES = 'cookies,file_systems,indexeddb,local_storage,shared_storage,storage_buckets';

export const CHROMIUM = '/usr/bin/chromium';

/** A browser with a profile and a download folder of its own. */
export class Browser {
  readonly profile = mkdtempSync(join(tmpdir(), 'thicket-profile-'));
  readonly downloads = mkdtempSync(join(tmpdir(), 'thicket-downloads-'));
  driver!: WebDriver;

  /** @param motion whether the page may move things, as it does unless the system is asked for stillness */
  constructor(readonly motion = false) {}

  async start(): Promise<void> {
    const options = new chrome.Options();
    options.setChromeBinaryPath(CHROMIUM);
    options.addArguments(
      '--headless=new',
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      // Two browsers share two cores: what threads make faster costs the other more than this one gains.
      '--js-flags=--no-turbofan --single-threaded-gc',
      // As for people who ask for stillness: nothing is on its way when it is clicked.
      ...(this.motion ? [] : ['--force-prefers-reduced-motion']),
      `--user-data-dir=${this.profile}`,
    );
    options.setUserPreferences({
      'download.default_directory': this.downloads,
      'download.prompt_for_download': false,
    });
    this.driver = await new Builder()
      .forBrowser('chrome')
      .setChromeOptions(options)
      .setChromeService(new chrome.ServiceBuilder('/usr/bin/chromedriver'))
      .build();
    await this.fitWindow(1280, 800);
    await this.useCores(1);
    // What is told once was told, but where a test is about it.
    await this.command('Page.addScriptToEvaluateOnNewDocument', {
      source: `try { if (!sessionStorage.getItem('as at first')) localStorage.setItem('green-thicket-notes-seen', 'yes'); } catch {}`,
    });
  }

  /** Has the page tell what it tells once; to be asked for on a page of the application. */
  async asAtFirst(): Promise<void> {
    await this.driver.executeScript(
      "sessionStorage.setItem('as at first', 'yes'); localStorage.removeItem('green-thicket-notes-seen');",
    );
  }

  /**
   * Lets the page know of so many cores of the processor. Of one, unless a test is about more: two browsers share two cores,
   * and a second worker of each sets up the same again, at the cost of the other browser (a sixth of all the work).
   */
  async useCores(count: number): Promise<void> {
    await this.command('Emulation.setHardwareConcurrencyOverride', { hardwareConcurrency: count });
  }

  /** Makes the page itself this large, whatever the browser puts round it. */
  async fitWindow(width: number, height: number): Promise<void> {
    const size = (): Promise<[number, number]> =>
      this.driver.executeScript<[number, number]>('return [innerWidth, innerHeight]');
    if (String(await size()) === String([width, height])) return;
    await this.driver.manage().window().setRect({ width, height });
    const inner = await size();
    await this.driver
      .manage()
      .window()
      .setRect({ width: 2 * width - inner[0], height: 2 * height - inner[1] });
  }

  /** Ends the browser as a power cut would: nothing is told to close. */
  async kill(): Promise<void> {
    const pid = Number(
      /^\d+$/m.exec(readFileSync(join(this.profile, 'DevToolsActivePort'), 'utf8').split('\n')[0])?.[0],
    );
    if (!pid) throw new Error('The browser has no port.');
    spawnSync('pkill', ['-9', '-f', this.profile]);
    await this.driver.quit().catch(() => undefined);
    rmSync(join(this.profile, 'SingletonLock'), { force: true });
  }

  /** Leaves one tab of the first size, no file saved and nothing in the console. */
  async tidy(): Promise<void> {
    const { driver } = this;
    const [first, ...others] = await driver.getAllWindowHandles();
    for (const each of others) {
      await driver.switchTo().window(each);
      await driver.close();
    }
    await driver.switchTo().window(first);
    for (const name of readdirSync(this.downloads)) rmSync(join(this.downloads, name), { recursive: true });
    await driver.actions().clear();
    await this.fitWindow(1280, 800);
    await this.useCores(1);
    await driver.manage().logs().get('browser');
  }

  /** Makes the browser as good as new for the next test: tidy, empty, nothing stored by `address` but the application itself. */
  async clear(address: string): Promise<void> {
    await this.tidy();
    await this.driver.get('about:blank');
    for (const origin of [address, address.replace('127.0.0.1', 'localhost')])
      await this.command('Storage.clearDataForOrigin', { origin, storageTypes: OF_STUDIES });
    await this.command('Network.emulateNetworkConditions', {
      offline: false,
      latency: 0,
      downloadThroughput: -1,
      uploadThroughput: -1,
    });
    await this.driver.manage().logs().get('browser');
  }

  /** Sends a command of the browser's own protocol. */
  async command(name: string, parameters: Readonly<Record<string, unknown>>): Promise<void> {
    if (!(this.driver instanceof chrome.Driver)) throw new Error('The driver is not that of Chromium.');
    await this.driver.sendDevToolsCommand(name, parameters);
  }

  /** A part of the page as it is drawn, so many times as large, as WebP in base 64. */
  async pictureOf(
    { x, y, width, height }: { x: number; y: number; width: number; height: number },
    scale: number,
  ): Promise<string> {
    if (!(this.driver instanceof chrome.Driver)) throw new Error('The driver is not that of Chromium.');
    const taken: unknown = await this.driver.sendAndGetDevToolsCommand('Page.captureScreenshot', {
      format: 'webp',
      quality: 70,
      clip: { x, y, width, height, scale },
    });
    return (taken as { data: string }).data;
  }

  async end(): Promise<void> {
    await this.driver.quit().catch(() => undefined);
    rmSync(this.profile, { recursive: true, force: true, maxRetries: 5 });
    rmSync(this.downloads, { recursive: true, force: true, maxRetries: 5 });
  }

  /** The same where nothing can be waited for. */
  endNow(): void {
    spawnSync('pkill', ['-9', '-f', this.profile]);
    for (const folder of [this.profile, this.downloads])
      rmSync(folder, { recursive: true, force: true, maxRetries: 5 });
  }

  find(css: string): Promise<WebElement> {
    return this.inPage(`Nothing is ${css}`, 'document.querySelector(arguments[0])', css);
  }

  all(css: string): Promise<WebElement[]> {
    return this.driver.findElements(By.css(css));
  }

  /** The first thing that can be pressed with this text, waited for. */
  async button(text: string): Promise<WebElement> {
    return this.inPage(
      `No button says ${text}`,
      `Array.from(document.querySelectorAll('button, a, [role=button]')).find(
        (each) => each.textContent.trim().replace(/\\s+/g, ' ') === arguments[0] && each.checkVisibility({ visibilityProperty: true }),
      )`,
      text,
    );
  }

  async press(text: string): Promise<void> {
    await this.until(`${text} can’t be pressed`, async () => {
      await (await this.button(text)).click();
      return true;
    });
  }

  /** Chooses one of several by its label: a part of a segmented choice, or a radio button. */
  async choose(text: string): Promise<void> {
    const path = `//label[normalize-space()=${JSON.stringify(text)}]`;
    await this.until(`${text} can’t be chosen`, async () => {
      const found = await this.driver.findElements(By.xpath(path));
      if (found.length === 0) return false;
      await found[0].click();
      return true;
    });
  }

  /** Chooses an entry of a list that opens, by the list's label. */
  async pick(label: string, entry: string): Promise<void> {
    await this.click(`[aria-label="${label}"]`);
    const path = `//*[contains(@class,'ant-select-item-option') and normalize-space()=${JSON.stringify(entry)}]`;
    await this.until(`${label} has no ${entry}`, async () => {
      const found = await this.driver.findElements(By.xpath(path));
      // Lists that were open before stay in the page, out of sight.
      for (const each of found) {
        if (!(await each.isDisplayed())) continue;
        await each.click();
        return true;
      }
      return false;
    });
  }

  /** Chooses an entry of a menu that is open. */
  async pickFromMenu(words: string): Promise<void> {
    const path = `//*[@role='menuitem'][contains(., ${JSON.stringify(words)})]`;
    await this.until(`The menu has no ${words}`, async () => {
      // Menus that were open before stay in the page, out of sight.
      for (const each of await this.driver.findElements(By.xpath(path))) {
        if (!(await each.isDisplayed())) continue;
        await each.click();
        return true;
      }
      return false;
    });
  }

  /** Clicks the first such thing, once it is there and can be clicked. */
  async click(css: string): Promise<void> {
    await this.until(`${css} can’t be clicked`, async () => {
      await (await this.find(css)).click();
      return true;
    });
  }

  /** Puts words into a field in place of what is there. */
  async fill(css: string, ...words: readonly string[]): Promise<void> {
    await this.until(`${css} can’t be typed into`, async () => {
      await (await this.find(css)).sendKeys(Key.chord(Key.CONTROL, 'a'), ...words);
      return true;
    });
  }

  /** What of the page is closed to assistive technology, by axe's rules for WCAG 2 A and AA and for good practice. */
  async violations(): Promise<string[]> {
    if (!(await this.driver.executeScript<boolean>('return "axe" in window')))
      await this.driver.executeScript(axe.source);
    const found = await this.driver.executeAsyncScript<{ id: string; nodes: { html: string }[] }[]>(
      // Names are compared with what is seen by a rule of its own, which is in none of the sets.
      `const done = arguments[arguments.length - 1];
      const run = (runOnly) => axe.run({ runOnly }).then((result) => result.violations);
      run(['wcag2a', 'wcag2aa', 'best-practice'])
        .then(async (found) => [...found, ...(await run({ type: 'rule', values: ['label-content-name-mismatch'] }))])
        .then(done, (error) => done([{ id: String(error), nodes: [] }]));`,
    );
    return found.map(
      ({ id, nodes }) =>
        `${id} ${nodes
          .slice(0, 4)
          .map((node) => node.html.slice(0, 160))
          .join(' ; ')}`,
    );
  }

  private inPage<T>(what: string, expression: string, ...given: readonly unknown[]): Promise<T> {
    return inPage<T>(this.driver, what, { expression, given, patience: PATIENCE, look: LOOK });
  }

  /** Waits for something to hold, asking again while the page changes under it. */
  async until(what: string, holds: () => Promise<boolean>): Promise<void> {
    await this.driver.wait(
      async () => {
        try {
          return await holds();
        } catch (error) {
          if (
            error instanceof Error &&
            /StaleElement|NoSuchElement|ElementNotInteractable|ElementClickIntercepted/.test(error.name)
          )
            return false;
          throw error;
        }
      },
      PATIENCE,
      what,
      LOOK,
    );
  }

  /** Types a value into a cell of the grid of sources, by what it is of, and leaves the cell. */
  async setCell(label: string, value: string): Promise<void> {
    await this.click(`[aria-label^="${label}:"]`);
    await this.driver.actions().sendKeys(value, Key.ENTER).perform();
    await this.find(`[aria-label="${label}: ${value}"]`);
  }

  /** Moves the pointer onto something. */
  async pointAt(css: string): Promise<void> {
    await this.driver
      .actions()
      .move({ origin: await this.find(css) })
      .perform();
  }

  async textOf(css: string): Promise<string> {
    const [text] = await this.inPage<[string]>(
      `Nothing is ${css}`,
      `((each) => each && [${WORDS_OF}(each)])(document.querySelector(arguments[0]))`,
      css,
    );
    return text;
  }

  async waitForText(css: string, expected: string | RegExp): Promise<void> {
    const sought = typeof expected === 'string' ? [expected] : [expected.source, expected.flags];
    await this.inPage(
      `${css} never said ${String(expected)}`,
      `((each, [sought, flags]) =>
        each && (flags === undefined ? ${WORDS_OF}(each).includes(sought) : new RegExp(sought, flags).test(${WORDS_OF}(each)))
      )(document.querySelector(arguments[0]), arguments[1])`,
      ...[css, sought],
    );
  }

  /** Waits until the figures shown are those of the study as it is; how steady themes are may still be found behind them. */
  async settled(): Promise<void> {
    await this.inPage(
      'The figures never came up to date',
      `(() => {
        const now = document.querySelector('.status-now');
        const isDone = now && ('behind' in now.dataset || /^(?:up to date|Nothing to compute yet)/.test(now.innerText));
        return isDone && !document.querySelector('.trail .is-computing, .dimmed');
      })()`,
    );
  }

  async goTo(stop: string): Promise<void> {
    const link = await this.find(`.trail a[href*="/${stop}"]`);
    await link.click();
    await this.until(`The trail never came to ${stop}`, async () =>
      (await this.driver.getCurrentUrl()).includes(`/${stop}`),
    );
    await this.find(`main[aria-label="${stop}" i]`);
    await this.settled();
  }

  /** The words drawn on the map, sorted. */
  async mapWords(): Promise<string[]> {
    return this.driver.executeScript<string[]>(
      "return Array.from(document.querySelectorAll('.map-word text'), (each) => each.textContent).sort()",
    );
  }

  /** Everything of the map's drawing that a change would show in. */
  async mapDrawing(): Promise<string> {
    await this.find('.concept-map .map-word');
    return this.driver.executeScript<string>(
      "return Array.from(document.querySelectorAll('.concept-map path, .concept-map text'), (each) => (each.getAttribute('d') ?? '') + (each.getAttribute('transform') ?? '') + each.textContent).join('|')",
    );
  }

  /** Reads what is said in the line over the work, with its details, and has seen it. */
  async seeNotice(expected: string | RegExp): Promise<string> {
    await this.waitForText('.notice-line', expected);
    const [details] = await this.all('.notice-line .linklike');
    if (details) await details.click();
    const said = await this.textOf('.notice-line');
    await this.press('Seen');
    return said;
  }

  async undo(): Promise<void> {
    await this.driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform();
  }

  /** Waits for a finished download with this ending and returns its path. */
  async download(ending: string): Promise<string> {
    let path = '';
    await this.until(`No ${ending} was saved`, async () => {
      const name = readdirSync(this.downloads).find((each) => each.endsWith(ending));
      path = name ? join(this.downloads, name) : '';
      return path !== '';
    });
    return path;
  }
}

/** The messages of the console that tell of a fault. */
export async function faultsOf(driver: WebDriver): Promise<string[]> {
  const entries = await driver.manage().logs().get('browser');
  return entries.filter((entry) => entry.level.name === 'SEVERE').map((entry) => entry.message);
}
