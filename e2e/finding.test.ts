import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { Key } from 'selenium-webdriver';
import { STOPS } from '../core/src/words/sentences.ts';
import { setUp } from './set-up.ts';

describe('finding one’s way, and two researchers', () => {
  const setup = setUp();

  it('“what did she decide otherwise?”: her file beside mine, and one of her decisions taken over', async () => {
    const { browser } = setup;
    await setup.openSample();
    await browser.fill('input[aria-label="Find on the map"]', 'camera', Key.ENTER);
    await browser.waitForText('.reader h2', 'camera');
    await browser.press('Drop');
    await browser.settled();
    await browser.press('Save study');
    const hers = await browser.download('.thicket');
    await browser.press('Undo');
    await browser.settled();
    await browser.press('Decisions');
    await browser.press('Beside another study file');
    await (await browser.find('input[aria-label="Study file to lay beside"]')).sendKeys(hers);
    await browser.waitForText('.ant-modal', '0 only here, 1 only there');
    await browser.waitForText('.ant-modal', 'Only here: camera');
    await browser.waitForText('.ant-modal', '7 here, 7 there; they agree to');
    await browser.press('Take over');
    await browser.waitForText('.ant-modal', '0 only here, 0 only there');
    await browser.waitForText('.ant-modal', '80 concepts in both');
    expect(await browser.textOf('.ant-modal')).to.not.include('Only here');
    // A file that is no study leaves everything as it is, and says so.
    const other = new URL('../demo/night-buses/d03-controller.txt', import.meta.url).pathname;
    await (await browser.find('input[aria-label="Study file to lay beside"]')).sendKeys(other);
    await browser.find('.ant-modal .ant-alert-error');
  });

  it('is shown the way on first opening, goes anywhere by typing, and finds what the guide says', async () => {
    const { browser, served } = setup;
    await browser.driver.get(`${served.address}/`);
    await browser.press('Open the sample study');
    await browser.find('.concept-map .map-word');
    await browser.waitForText('[aria-label="A first way through"]', '6 of 7, Map.');
    await browser.press('On to Compare');
    await browser.waitForText('[aria-label="A first way through"]', '7 of 7, Compare.');
    await browser.press('Leave');
    await browser.until(
      'It did not go',
      async () => (await browser.all('[aria-label="A first way through"]')).length === 0,
    );
    const chord = (key: string): Promise<void> =>
      browser.driver.actions().keyDown(Key.CONTROL).sendKeys(key).keyUp(Key.CONTROL).perform();
    const goTo = async (typed: string): Promise<void> => {
      await chord('k');
      await browser.fill('input[aria-label="Go to"]', typed);
      await browser.waitForText('#go-to-places', typed);
      await browser.driver.actions().sendKeys(Key.ENTER).perform();
    };
    await goTo('Cut-off');
    await browser.waitForText('.ant-popover-title', 'Cut-off');
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await goTo('shelter');
    await browser.waitForText('.reader h2', 'shelter');
    // The keys go on where it led.
    await browser.until('The focus stayed behind', async () =>
      browser.driver.executeScript<boolean>(
        "return location.pathname.endsWith('/concepts') && document.activeElement.matches('main.centre')",
      ),
    );
    await browser.driver.actions().sendKeys('?').perform();
    await browser.waitForText('.help-page', 'mentions');
    await browser.choose('Measures');
    await browser.waitForText('.help-list', /share \d+ windows of \d+: 0\.\d\d/);
    await browser.choose('Keys');
    await browser.waitForText('.ant-drawer', 'keep what is shown in the Notebook');
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.until('The help stays', async () => (await browser.all('.help-list')).length === 0);
    // From a figure to where it is said how it is worked out.
    await browser.click('.figure-sentences summary');
    await browser.press('How it is worked out');
    await browser.until('The heading has no focus', async () =>
      browser.driver.executeScript<boolean>(
        "return document.activeElement.matches('.help-page h2') && document.activeElement.textContent === 'Figures of a concept'",
      ),
    );
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.until('The focus did not come back', async () =>
      browser.driver.executeScript<boolean>(
        "return document.activeElement.textContent === 'How it is worked out'",
      ),
    );
    // Every word the guide has in bold stands on the page, at its stop.
    const guide = readFileSync(new URL('../docs/from-files-to-paper.md', import.meta.url), 'utf8');
    const chapters = guide.split(/^## /m).slice(1);
    expect(chapters.length).to.equal(STOPS.length + 1);
    for (const [i, chapter] of chapters.entries()) {
      const stop = STOPS.at(i);
      if (stop) await browser.goTo(stop);
      if (stop === 'concepts') await browser.click('.word-field [role="button"], .ledger .row-button');
      if (!stop) {
        await browser.press('Notebook');
        await browser.press('Report');
        await browser.waitForText('.report-preview', 'References');
      }
      const bold = Array.from(chapter.matchAll(/\*\*([^*]+)\*\*/g), ([, words]) => words);
      expect(bold.length, chapter.slice(0, 20)).to.be.above(0);
      for (const words of bold)
        await browser.until(`${chapter.split('\n')[0]} has no ${words}`, async () =>
          browser.driver.executeScript<boolean>(
            'return document.body.innerText.includes(arguments[0])',
            words,
          ),
        );
    }
  });
});
