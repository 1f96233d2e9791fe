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

  it('tells once, in each part of the screen, what it is for, until one acts', async () => {
    const { browser, served } = setup;
    const notes = (): Promise<string[]> =>
      browser.driver.executeScript(
        "return [...document.querySelectorAll('.first-note')].map((each) => each.textContent)",
      );
    await browser.driver.get(`${served.address}/`);
    await browser.asAtFirst();
    await browser.driver.get(`${served.address}/demo`);
    await browser.find('.concept-map .map-word');
    // By its address: a click would be an act.
    await browser.driver.get((await browser.driver.getCurrentUrl()).replace(/\/map.*/, '/concepts'));
    await browser.find('.field-word');
    await browser.until('Not all five are shown', async () => (await notes()).length === 5);
    // Looking about with the keys is no act; what is picked is.
    await browser.driver.actions().sendKeys(Key.TAB).perform();
    expect(await notes()).to.have.length(5);
    expect(await browser.violations()).to.deep.equal([]);
    await browser.click('.field-word');
    await browser.find('.passage');
    await browser.until('They stay', async () => (await notes()).length === 0);
    await browser.driver.navigate().refresh();
    await browser.find('.passage');
    expect(await notes(), 'not again').to.deep.equal([]);
  });

  it('is shown the way on first opening, goes anywhere by typing, and finds what the guide says', async () => {
    const { browser, served } = setup;
    await browser.driver.get(`${served.address}/`);
    await browser.press('Open the sample study');
    await browser.find('.concept-map .map-word');
    const walk = '[aria-label="A walk through the stops"]';
    await browser.press('Begin the walk');
    await browser.waitForText(walk, '1 of 10, Sources.');
    await browser.press('On to Clean');
    await browser.press('On to Concepts');
    await browser.press('On to what was said');
    await browser.waitForText(walk, '4 of 10');
    await browser.waitForText('.reader h2', 'camera');
    await browser.press('Leave');
    await browser.until('It did not go', async () => (await browser.all(walk)).length === 0);
    // Taken up again where it was left, from any stop, and walked to its end.
    await browser.goTo('map');
    await browser.press('?');
    await browser.press('A walk through the stops');
    await browser.waitForText(walk, '4 of 10');
    await browser.waitForText('.reader h2', 'camera');
    for (let step = 5; step <= 10; step++) {
      await browser.click(`${walk} .ant-btn-primary`);
      await browser.waitForText(walk, `${step} of 10`);
      if (step === 9) await browser.waitForText('.reader h2', 'shift worker');
    }
    await browser.press('Done');
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
