import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { Key } from 'selenium-webdriver';
import type { Browser } from './browser.ts';
import { setIntake } from './intake.ts';

describe('a messy collection, cleaned', () => {
  const intake = setIntake();
  const { file, add, emptyStudy, addSurvey } = intake;
  let browser: Browser;
  beforeEach(() => {
    browser = intake.browser;
  });

  it('is cleaned of an odd symbol that the panel found, and the figures show it gone', async () => {
    await addSurvey();
    await browser.goTo('clean');
    await browser.choose('Left to clean');
    await browser.waitForText('[aria-label="Odd characters"]', '👏');
    await browser.click('[aria-label="Odd characters"] li:first-child .row-button');
    await browser.waitForText('.found-bar', /place 1 of \d/);
    await browser.find('.clean-body .found-place');
    await browser.waitForText('[aria-label="Broken characters"]', 'ã©');
    await browser.click('[aria-label^="Clean ã©"]');
    await browser.until(
      'The broken letter stays',
      async () => (await browser.all('[aria-label="Broken characters"]')).length === 0,
    );
    await browser.choose('Figures');
    await browser.waitForText('[aria-label="Cleaned"]', /[\d,]+ words/);
    const words = async (): Promise<string> => browser.textOf('[aria-label="Cleaned"] p');
    const before = await words();
    await browser.click('[aria-label^="Clean 👏"]');
    await browser.waitForText('.method-sentence', 'emoji are taken out');
    await browser.until('👏 is still listed', async () => {
      const panels = await browser.all('[aria-label="Odd characters"]');
      return panels.length === 0 || !(await panels[0].getText()).includes('👏');
    });
    await browser.settled();
    await browser.until('The figures stayed', async () => (await words()) !== before);
    const count = (said: string): number => Number(said.replace(/,/g, '').split(' ')[0]);
    expect(count(before) - count(await words()), 'emoji in the survey').to.equal(7);
    await browser.choose('Cloud');
    expect((await browser.all('.word-cloud text')).length).to.be.above(60);
  });

  it('lends its recipe to another study, which says what of it does nothing', async () => {
    await addSurvey();
    await browser.goTo('clean');
    await browser.press('add a step');
    await browser.waitForText('.add-step', 'Repeated letters');
    await browser.driver.executeScript(
      "[...document.querySelectorAll('.add-step button')].find((each) => each.textContent.startsWith('Repeated letters')).click()",
    );
    await browser.waitForText('.method-sentence', 'repeated letters are written once');
    // A step is moved by the keyboard.
    await browser.driver.executeScript("document.querySelector('[data-step=numbers]').focus()");
    await browser.driver.actions().keyDown(Key.ALT).sendKeys(Key.ARROW_LEFT).keyUp(Key.ALT).perform();
    await browser.waitForText('.method-sentence', /numbers are taken out, handles are taken out/);
    await browser.press('Recipe');
    await browser.pickFromMenu('Save these steps');
    const recipe = await browser.download('.recipe.json');
    const text = readFileSync(recipe, 'utf8');
    expect(text).to.include('"kind": "repeats"').and.not.include('nightbus');

    await emptyStudy();
    await add(file('plain.txt', 'We waited for the bus. The bus was late. Number 7 came.'));
    await browser.waitForText('.trail', '1 source');
    await browser.goTo('clean');
    await (await browser.find('[aria-label="Recipe file"]')).sendKeys(recipe);
    await browser.waitForText('.ant-modal-confirm', 'What does nothing here');
    expect(await browser.textOf('.ant-modal-confirm'))
      .to.match(/repeated letters are written once” finds nothing here/)
      .and.not.match(/numbers are taken out” finds nothing/);
    await browser.press('Use it');
    await browser.waitForText('.method-sentence', 'repeated letters are written once');
    await browser.waitForText('.method-sentence', /numbers are taken out, handles are taken out/);
    await browser.press('Undo');
    await browser.waitForText('.method-sentence', /handles are taken out, numbers are taken out/);
    await (await browser.find('[aria-label="Recipe file"]')).sendKeys(file('bad.json', '{"format":"x"}'));
    await browser.waitForText('.ant-modal-confirm', 'no recipe file of Green Thicket');
  });

  it('has steps that are dragged, and says where their order matters', async () => {
    await add(file('a.txt', 'They were shar-\ning a fare.\nAnd the rest was fine.'));
    await browser.waitForText('.trail', '1 source');
    await browser.goTo('clean');
    await browser.press('add a step');
    await browser.waitForText('.add-step', /Line breaks\s1/);
    await browser.driver.executeScript(
      "[...document.querySelectorAll('.add-step button')].find((each) => each.textContent.startsWith('Line breaks')).click()",
    );
    await browser.waitForText(
      '.method-sentence',
      'hyphenated line ends are joined, line breaks become spaces',
    );
    const from = await browser.find('[data-step=lineBreaks]');
    const onto = await browser.find('[data-step=hyphens]');
    await browser.driver
      .actions()
      .move({ origin: from })
      .press()
      .move({ origin: onto, x: -20, y: 0 })
      .release()
      .perform();
    await browser.waitForText(
      '.method-sentence',
      'line breaks become spaces, hyphenated line ends are joined',
    );
    expect(await browser.all('.ant-popover:not(.ant-popover-hidden)'), 'a drag opens nothing').to.deep.equal(
      [],
    );
    await browser.waitForText(
      '.order-note',
      /line breaks and hyphenated line ends matters here.*sharing for shar/,
    );
    await browser.press('Swap them');
    await browser.waitForText(
      '.method-sentence',
      'hyphenated line ends are joined, line breaks become spaces',
    );
    // It matters in this order too, and is said from where the researcher stands.
    await browser.waitForText('.order-note', /shar for sharing/);
    await browser.press('Undo');
    await browser.waitForText('.order-note', /sharing for shar/);
  });
});
