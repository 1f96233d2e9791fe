import axe from 'axe-core';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { By, Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { Chromium } from './chromium.ts';
import { inPage, WORDS_OF } from './in-page.ts';

/** Longest a test waits for what should come; computing the sample from nothing takes two or three seconds. */
const PATIENCE = 30_000;
/** Time between two looks, ms: short, as a test is a row of waits. */
const LOOK = 40;

/** What a user does in a browser: finds, presses, types, waits for what comes. */
export class Browser extends Chromium {
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
