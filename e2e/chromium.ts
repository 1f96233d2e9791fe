import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, type WebDriver } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome.js';

/**
 * What a browser keeps of studies and of how one works. The application's own files stay, as they do for whoever comes
 * back: to keep all of them again costs as much as half a test.
 */
const OF_STUDIES = 'cookies,file_systems,indexeddb,local_storage,shared_storage,storage_buckets';

export const CHROMIUM = '/usr/bin/chromium';

/** A browser with a profile and a download folder of its own. */
export class Chromium {
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
}
