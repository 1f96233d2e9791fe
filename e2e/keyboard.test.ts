import { expect } from 'chai';
import { By, Key } from 'selenium-webdriver';
import type { Browser } from './browser.ts';
import { setUp } from './set-up.ts';

const STOPS = ['sources', 'clean', 'concepts', 'links', 'themes', 'map', 'compare'];

for (const motion of [false, true]) {
  describe(`without a mouse, ${motion ? 'with motion' : 'in stillness'}`, () => {
    const setup = setUp({ motion });
    let browser: Browser;
    beforeEach(() => {
      browser = setup.browser;
    });
    /** A long test is run in one of both: boxes that are still on their way are the harder case, places are the same. */
    const onlyWhere =
      (moves: boolean) =>
      (title: string, test: () => Promise<void>): void => {
        if (moves === motion) it(title, test);
      };
    const keys = (...sent: string[]): Promise<void> =>
      browser.driver
        .actions()
        .sendKeys(...sent)
        .perform();
    const focused = (what: string): Promise<string> =>
      browser.driver.executeScript<string>(`const now = document.activeElement; return ${what}`);
    const nameOfFocus = (): Promise<string> =>
      focused("(now.getAttribute('aria-label') ?? now.textContent ?? '').trim()");
    const isInside = (css: string): Promise<boolean> =>
      browser.driver.executeScript<boolean>(
        `return document.activeElement.closest(${JSON.stringify(css)}) !== null`,
      );
    const focus = (css: string): Promise<void> =>
      browser.driver.executeScript(`document.querySelector(${JSON.stringify(css)}).focus()`);

    it('a number is typed into its box, rounded to what it may be, and undone', async () => {
      await setup.showSample();
      await browser.goTo('links');
      await focus('.method-sentence .control');
      await keys(Key.ENTER);
      await browser.find('input[aria-label="How many sentences"]');
      await focus('input[aria-label="How many sentences"]');
      await browser.driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).perform();
      await keys('2.5', Key.ENTER);
      await browser.waitForText('.method-sentence', '3 sentences');
      await browser.driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).perform();
      await keys('5', Key.ENTER);
      await browser.waitForText('.method-sentence', '5 sentences');
      await keys(Key.ESCAPE);
    });

    onlyWhere(true)(
      'every setting of every sentence is reached, says what it does, keeps the focus in and gives it back',
      async () => {
        await setup.showSample();
        let controls = 0;
        for (const stop of STOPS) {
          await browser.goTo(stop);
          const count = (await browser.all('.method-sentence .control')).length;
          expect(count, stop).to.be.above(0);
          controls += count;
          for (let i = 0; i < count; i++) {
            const at = `document.querySelectorAll('.method-sentence .control')[${i}]`;
            await browser.driver.executeScript(`${at}.focus()`);
            const name = await nameOfFocus();
            await keys(Key.ENTER);
            await browser.until(`${stop}: the focus never went into ${name}`, () =>
              isInside('[role=dialog]'),
            );
            const box = await browser.find('.ant-popover:not(.ant-popover-hidden) .control-box');
            await browser.until(
              `${name} says nothing`,
              async () => (await (await box.findElement(By.css('p.quiet'))).getText()).length > 20,
            );
            await browser.until(
              `${name} has nothing to set`,
              async () => (await box.findElements(By.css('input, button, [role=switch]'))).length > 0,
            );
            for (let tab = 0; tab < 4; tab++) await keys(Key.TAB);
            expect(await isInside('[role=dialog]'), `${stop}: ${name} lets the focus go`).to.equal(true);
            await browser.driver.actions().keyDown(Key.SHIFT).sendKeys(Key.TAB).keyUp(Key.SHIFT).perform();
            expect(await isInside('[role=dialog]'), `${stop}: ${name} lets the focus go back`).to.equal(true);
            await keys(Key.ESCAPE);
            await browser.until(`${stop}: the focus never came back to ${name}`, () =>
              browser.driver.executeScript<boolean>(`return document.activeElement === ${at}`),
            );
            await browser.until(
              `${name} stays open`,
              async () => (await browser.all('.control-box')).length === 0,
            );
          }
        }
        expect(controls).to.be.at.least(20);
      },
    );

    it('dialogs give the focus back to what opened them', async () => {
      await setup.showSample();
      await browser.goTo('sources');
      for (const [name, opener] of [
        ['Paste a text', '[aria-label="Paste a text"]'],
        ['Fetch a web page', '[aria-label="Fetch a web page"]'],
        ['Split …', undefined],
        ['Trim …', undefined],
      ] as const) {
        if (opener) await focus(opener);
        else await browser.driver.executeScript('arguments[0].focus()', await browser.button(name));
        await keys(Key.ENTER);
        await browser.find('.ant-modal');
        await browser.until(`The focus never went into ${name}`, () => isInside('.ant-modal-wrap'));
        await keys(Key.ESCAPE);
        await browser.until(
          `The focus never came back to ${name}`,
          async () => (await nameOfFocus()) === name,
        );
        await browser.until('The dialog stayed', async () => (await browser.all('.ant-modal')).length === 0);
      }
    });

    it('words of the map and the field have their own names, and arrows go from one to the next', async () => {
      await setup.showSample();
      for (const [stop, word] of [
        ['map', '.map-word'],
        ['concepts', '.field-word'],
      ] as const) {
        await browser.goTo(stop);
        await browser.find(word);
        const reached = await browser.all(`${word}[tabindex="0"]`);
        expect(reached, `${stop}: words that Tab reaches`).to.have.length(1);
        await browser.driver.executeScript('arguments[0].focus()', reached[0]);
        const seen = new Set<string>();
        for (const key of [Key.ARROW_RIGHT, Key.ARROW_DOWN, Key.ARROW_LEFT, Key.ARROW_UP, Key.ARROW_DOWN]) {
          await keys(key);
          expect(await isInside(word)).to.equal(true);
          const [name, text] = [
            await nameOfFocus(),
            await focused(`(now.querySelector('text') ?? now).firstChild.textContent`),
          ];
          expect(name).to.equal(text);
          seen.add(name);
        }
        expect(seen.size, `${stop}: words the arrows reached`).to.be.greaterThan(2);
        expect(await browser.all(`${word}[tabindex="0"]`)).to.have.length(1);
      }
    });

    it('the trail is one stop of Tab’s, and arrows go along it', async () => {
      await setup.showSample();
      expect(await browser.all('.trail a[tabindex="0"]')).to.have.length(1);
      await focus('.trail a[tabindex="0"]');
      await keys(Key.ARROW_LEFT);
      await keys(Key.ENTER);
      await browser.until('Themes never opened', async () =>
        (await browser.driver.getCurrentUrl()).includes('/themes'),
      );
      await browser.settled();
      expect(await browser.all('.trail a[tabindex="0"]')).to.have.length(1);
      await keys(Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ENTER);
      await browser.until('Compare never opened', async () =>
        (await browser.driver.getCurrentUrl()).includes('/compare'),
      );
    });

    onlyWhere(false)('no stop’s main thing is far, and titles say study and stop', async () => {
      await setup.showSample();
      for (const stop of STOPS) {
        await browser.goTo(stop);
        const title = await browser.driver.getTitle();
        expect(title.toLowerCase()).to.match(
          new RegExp(`^${stop} · night buses in larkhaven – green thicket$`),
        );
        await browser.driver.executeScript(
          'document.activeElement?.blur(); window.getSelection()?.removeAllRanges();',
        );
        await focus('.brand');
        await browser.driver.actions().keyDown(Key.SHIFT).sendKeys(Key.TAB).keyUp(Key.SHIFT).perform();
        expect(await nameOfFocus(), stop).to.equal('Skip to the centre');
        await keys(Key.ENTER);
        expect(await isInside('main.centre'), `${stop}: the centre is skipped to`).to.equal(true);
        let tabs = 0;
        for (; tabs < 15; tabs++) {
          await keys(Key.TAB);
          if (await isInside('main.centre *')) break;
        }
        expect(tabs, `${stop}: Tabs to the first thing of the centre`).to.be.lessThan(15);
        // And without skipping anything: what stands first in the list at the left, where there is one.
        if ((await browser.all('.ledger')).length === 0) continue;
        await focus('.brand');
        // Where it is folded, its edge.
        const first = '.ledger *, [aria-label="Open the list"]';
        for (tabs = 1; tabs < 20 && !(await isInside(first)); tabs++) await keys(Key.TAB);
        expect(tabs, `${stop}: Tabs to the list`).to.be.at.most(
          15 + (await browser.all('.method-sentence .control')).length,
        );
      }
    });
  });
}

describe('in a small window, and at twice the size', () => {
  const setup = setUp();

  it('everything is reached without scrolling sideways', async () => {
    const { browser } = setup;
    for (const [width, height] of [
      [1024, 700],
      [640, 400],
    ]) {
      await setup.showSample();
      await browser.fitWindow(width, height);
      for (const stop of STOPS) {
        await browser.goTo(stop);
        const beyond = await browser.driver.executeScript<string[]>(`
          const scrolled = (each, axis, size, inner) => {
            for (let at = each.parentElement; at; at = at.parentElement) {
              const isOwn = at !== document.documentElement && at !== document.body;
              if (isOwn && /auto|scroll/.test(getComputedStyle(at)[axis]) && at[size] > at[inner]) return true;
            }
            return false;
          };
          return [
            ...(document.documentElement.scrollWidth > innerWidth ? ['the page itself'] : []),
            ...Array.from(document.querySelectorAll('button, input, a, [role=button], [tabindex="0"]'))
              .filter((each) => {
                const { left, right, width } = each.getBoundingClientRect();
                return width > 0 && (right > innerWidth + 1 || left < -1) && !scrolled(each, 'overflowX', 'scrollWidth', 'clientWidth');
              })
              .map((each) => each.getAttribute('aria-label') ?? each.textContent),
          ];`);
        expect(beyond, `${width}x${height}: ${stop}`).to.deep.equal([]);
        const panes = await browser.driver.executeScript<string[]>(`
          return Array.from(document.querySelectorAll('aside, nav, section'))
            .filter((each) => /auto|scroll/.test(getComputedStyle(each).overflowX) && each.clientWidth > 0 && each.scrollWidth > each.clientWidth + 1)
            .map((each) => (each.getAttribute('aria-label') ?? each.className) + ' ' + each.scrollWidth + ' of ' + each.clientWidth);`);
        expect(panes, `panes at ${width}x${height}: ${stop}`).to.deep.equal([]);
      }
    }
  });
});
