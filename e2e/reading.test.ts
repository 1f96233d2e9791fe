import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import type { Browser } from './browser.ts';
import { setUp } from './set-up.ts';

describe('reading', () => {
  const setup = setUp();
  let browser: Browser;
  beforeEach(() => {
    browser = setup.browser;
  });
  const search = async (query: string): Promise<void> => {
    const box = await browser.find('.search-box');
    await box.sendKeys(Key.chord(Key.CONTROL, 'a'), query, Key.ENTER);
  };
  const number = (text: string): number => Number(/\d[\d,]*/.exec(text)?.[0].replace(/,/g, ''));

  it('finds words in all their forms, exact phrases, and words near each other', async () => {
    await setup.showSample();
    await browser.driver.actions().sendKeys('/').perform();
    await browser.driver.actions().sendKeys('wait', Key.ENTER).perform();
    await browser.waitForText('.reader-count', /\d+ places/);
    const forms = await browser.driver.executeScript<string[]>(
      "return [...new Set([...document.querySelectorAll('.passage mark')].map((mark) => mark.textContent.toLowerCase()))]",
    );
    expect(forms).to.include.members(['wait', 'waits']);
    await search('"night shift"');
    await browser.waitForText('.reader', '"night shift"');
    await search('rain near5 shelter');
    await browser.waitForText('.passage', /rain|shelter/i);
    await search('*');
    await browser.waitForText('.reader-count', 'A * stands for letters of a word');
    await search('zzyzx');
    await browser.waitForText('.reader-count', 'It stands nowhere.');
  });

  it('shows how drivers use a word and how residents do, side by side', async () => {
    await setup.showSample();
    await search('safe');
    await browser.press('In lines');
    await browser.waitForText('.concordance', /“safe”, \d+ mentions/);
    const all = number(await browser.textOf('.concordance .pane-title'));
    await browser.pick('Compare groups of', 'by role');
    await browser.until(
      'There are not two groups',
      async () => (await browser.all('.concordance')).length === 2,
    );
    await browser.pick('Second group', 'shift worker');
    await browser.find('[aria-label="“safe” in shift worker, in lines"]');
    const [first, second] = await Promise.all(
      (await browser.all('.concordance .pane-title')).map(async (title) =>
        number((await title.getText()).split('”,')[1]),
      ),
    );
    expect(first + second)
      .to.be.at.most(all)
      .and.above(0);
    await browser.click('.concordance-line');
    await browser.waitForText('.whole-text', /safe/i);
    await browser.press('Back to Map');
    await browser.find('.map-word');
  });

  it('shows where concepts stand and what follows a word, down to the passages', async () => {
    await setup.showSample();
    await browser.goTo('concepts');
    await (await browser.find('input[aria-label="Find a word"]')).sendKeys('driver');
    await browser.click('.concept-row');
    await browser.press('Where');
    await browser.waitForText('.dispersion-row', /driver \d+ mentions/);
    await browser.pick('Concepts to show beside it', 'shelter');
    await browser.until('There is one row', async () => (await browser.all('.dispersion-row')).length === 2);
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.click('.dispersion-row svg');
    await browser.find('.whole-text mark');
    await browser.press('Back to passages');
    await browser.choose('What follows');
    await browser.find('.branch-fork .branch-line');
    // The most frequent branches are open from the start, and close.
    await browser.find('.branch-fork .branch-fork .branch-line');
    await browser.click('.branch-fork button.branch-word[aria-expanded="true"]');
    await browser.click('.branch-fork button.branch-word[aria-expanded="false"]');
    await browser.find('.branch-fork .branch-fork .branch-line');
    const count = number(await browser.textOf('.branch-fork .branch-count'));
    await browser.click('.branch-fork .branch-count');
    await browser.waitForText('.reader-count', new RegExp(`^${count} places?`));
    await browser.find('.branch-fork .branch-fork .branch-line');
  });

  it('keeps an excerpt with a note, and finds it unharmed whatever changes', async () => {
    await setup.openSample();
    await search('shelter');
    await browser.find('.passage');
    const quote = await browser.textOf('.passage-text');
    await browser.click('.passage-keep');
    await browser.press('Notebook 1');
    await browser.waitForText('.notebook-entry blockquote', quote);
    const note = await browser.find('.notebook-entry textarea');
    await note.sendKeys('to quote in chapter two');
    await (await browser.find('[aria-label="New memo"]')).sendKeys('Ask the council about benches.');
    await browser.press('Keep this memo');
    await browser.until(
      'The memo is not kept',
      async () => (await browser.all('.notebook-entry')).length === 2,
    );
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    // The analysis changes under it, and goes back again.
    await browser.goTo('sources');
    await browser.press('with everyone who speaks in them');
    await browser.press('Leave out Interviewer');
    await browser.waitForText('.method-sentence', 'without what Interviewer said');
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.goTo('clean');
    await browser.click('.step-list [aria-label="Capitals"]');
    await browser.find('.step-part.is-off');
    await browser.settled();
    await browser.press('Undo');
    await browser.press('Undo');
    await browser.driver.navigate().refresh();
    await browser.press('Notebook 2');
    await (await browser.find('[aria-label="Find in the Notebook"]')).sendKeys('chapter');
    await browser.until(
      'More than the excerpt is found',
      async () => (await browser.all('.notebook-entry')).length === 1,
    );
    await browser.waitForText('.notebook-entry blockquote', quote);
    await browser.click('.notebook-entry .linklike');
    await browser.waitForText('.whole-text .here', quote.slice(0, 40));
    // It goes with the study's file.
    await browser.press('Save study');
    const saved = await browser.download('.thicket');
    await browser.driver.get(setup.served.address);
    await (await browser.find('input[aria-label="Study file"]')).sendKeys(saved);
    await browser.find('.map-word');
    await browser.press('Notebook 2');
    await browser.waitForText('.ant-drawer', 'Ask the council about benches.');
    await browser.click('[aria-label="Remove from the Notebook"]');
    await browser.click('button[title^="Undo: remove it"]');
    await browser.until('It is gone', async () => (await browser.all('.notebook-entry')).length === 2);
  });
});
