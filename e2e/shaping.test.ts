import { expect } from 'chai';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Key } from 'selenium-webdriver';
import type { Browser } from './browser.ts';
import { setUp } from './set-up.ts';

/** What a theme’s column says. */
const column = (letter: string): string => `[aria-label="Theme ${letter}"]`;

describe('themes, to a researcher who shapes them,', () => {
  const setup = setUp();
  let browser: Browser;
  beforeEach(async () => {
    browser = setup.browser;
    await setup.openSample();
    await browser.goTo('themes');
    await browser.find(column('A'));
  });
  const menu = async (of: string, words: string): Promise<void> => {
    await browser.click(`[aria-label="${of}"]`);
    await browser.pickFromMenu(words);
  };

  it('“show me all themes at once, and open one”: all in sight, one in full over the others, which stay', async () => {
    const places = (): Promise<number[][]> =>
      browser.driver.executeScript<number[][]>(
        `const room = document.querySelector('.centre-body').getBoundingClientRect();
        return Array.from(document.querySelectorAll('.theme-cell'), (each) => {
          const { left, top, right, bottom } = each.getBoundingClientRect();
          return [left, top, right <= room.right + 1 && bottom <= room.bottom + 1 ? 1 : 0];
        });`,
      );
    const before = await places();
    expect(before.map(([, , isInSight]) => isInSight)).to.deep.equal(new Array(7).fill(1));
    await browser.click('[aria-label="Open theme E"]');
    await browser.until('It says no more of each', async () =>
      (await browser.textOf(column('E'))).includes('Words that would join'),
    );
    expect(await places()).to.deep.equal(before);
    const inSight = await browser.driver.executeScript<boolean>(
      `const column = document.querySelector('.is-open').getBoundingClientRect();
      const room = document.querySelector('.centre-body').getBoundingClientRect();
      return column.top >= room.top - 1 && column.bottom <= room.bottom + 1;`,
    );
    expect(inSight, 'the column is all in sight').to.equal(true);
    // Its passages come by its figure, and its column stays until it is closed.
    await browser.click(`${column('E')} [title*="Read its passages"]`);
    await browser.waitForText('.reader', 'complaint');
    await browser.click('[aria-label="Close theme E"]');
    await browser.until('It stays open', async () => (await browser.all('.is-open')).length === 0);
  });

  it('“two concepts are elsewhere, and that theme is done”: moved, locked, and so after one more interview', async () => {
    await browser.click('[aria-label="Open theme A"]');
    await menu('Move cab', 'Into C');
    await browser.waitForText(column('C'), 'cab');
    expect(await browser.textOf(column('A'))).not.to.include('cab');
    await browser.click('[aria-label="Close theme A"]');
    // By keys alone: M opens where it can go.
    await (await browser.find(`${column('A')} [title*="M moves it"]`)).sendKeys('m');
    await browser.until('No menu opened', async () =>
      (await browser.driver.findElement({ css: '[role=menu][aria-label^="Move "]' })).isDisplayed(),
    );
    await browser.until('The menu never had the focus', () =>
      browser.driver.executeScript<boolean>("return document.activeElement.closest('[role=menu]') !== null"),
    );
    await browser.driver.actions().sendKeys(Key.ARROW_DOWN, Key.ENTER).perform();
    await browser.waitForText('.method-sentence', 'By hand: 2 concepts placed');
    await browser.undo();
    await menu('Theme C: more', 'Lock');
    await browser.waitForText(column('C'), 'locked');
    await browser.waitForText('.method-sentence', 'By hand: 1 concept placed and 1 locked');
    const conceptsOf = (): Promise<string[]> =>
      browser.driver.executeScript<string[]>(
        'return Array.from(document.querySelectorAll(arguments[0]), (each) => each.textContent)',
        `${column('C')} .theme-word .row-name`,
      );
    const concepts = await conceptsOf();

    const folder = mkdtempSync(join(tmpdir(), 'thicket-interview-'));
    const path = join(folder, 'one-more.txt');
    writeFileSync(path, 'The cab and the camera. The fare, the police and the rent. '.repeat(20));
    await browser.goTo('sources');
    await (await browser.find('input[type=file][multiple]')).sendKeys(path);
    await browser.waitForText('.trail', '37 sources');
    await browser.goTo('themes');
    await browser.settled();
    rmSync(folder, { recursive: true });
    await browser.find(`${column('C')} .theme-word`);
    expect(await conceptsOf()).to.have.members(concepts);
  });

  it('“that one is noise”: set aside, the rest grouped again, and taken back', async () => {
    await menu('Theme G: more', 'Set aside');
    await browser.waitForText('[aria-label="Set aside"]', 'market square');
    await browser.waitForText('.trail', '6 found');
    await browser.click('[aria-label="Take theme G back"]');
    await browser.waitForText('.trail', '7 found');
    expect(await browser.textOf(column('G'))).to.include('music venue');
  });

  it('“eight instead of seven, and back”: names stay, and what splits is shown', async () => {
    const name = await browser.find('[aria-label="Name of theme C"]');
    await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Money', Key.ENTER);
    await browser.find('.theme-name[title="Money"]');
    await browser.press('Finer within coarser');
    await browser.find('[aria-label^="What splits and joins:"][aria-label*="7 themes now"]');
    await browser.press('8');
    await browser.waitForText('.trail', '8 found');
    await browser.find('.theme-name[title="Money"]');
    await browser.press('as many as come back best');
    await browser.waitForText('.trail', '7 found');
    await browser.settled();
    expect(await (await browser.find('[aria-label="Name of theme C"]')).getAttribute('value')).to.equal(
      'Money',
    );
  });

  it('“which words belong to this that I have not kept?”: read, added, and a theme of one’s own begun', async () => {
    await browser.click('[aria-label="Open theme A"]');
    await browser.press('Words that would join');
    await browser.click('[aria-label="Add mirror to theme A"]');
    await browser.waitForText(column('A'), 'mirror');
    await browser.press('Words of your own');
    await browser.click('[aria-label="Words of the theme"]');
    await browser.driver.actions().sendKeys('radio').perform();
    // The words are looked up while one types.
    await browser.click('.ant-select-item-option[title="radio"]');
    // The list is open over the button below it.
    await browser.click('.ant-modal-title');
    await browser.press('Begin theme H');
    await browser.waitForText(column('H'), 'begun by you');
    await browser.waitForText(column('H'), 'radio');
    await browser.undo();
    await browser.until('The theme stayed', async () => (await browser.all(column('H'))).length === 0);
    await browser.undo();
    await browser.until(
      'The word stayed',
      async () => !/^mirror\n⋯/m.test(await browser.textOf(column('A'))),
    );
  });

  it('“what does a topic model say?”: topics beside the themes, how far they agree, and the words behind them', async () => {
    await browser.choose('Topics: a second opinion');
    await browser.waitForText('.centre', /Agreement with the themes: 0\.[6-9]/);
    await browser.waitForText('[aria-label="Topic 1"]', /Theme [A-G] \(\d+ of \d+\)/);
    await browser.click('[aria-label="Topic 1"] .row-button');
    await browser.waitForText('.reader', /\d+ (?:places|windows) in \d+ passages/);
    const number = await browser.find('input[aria-label="Number of topics"]');
    await number.sendKeys(Key.chord(Key.CONTROL, 'a'), '4', Key.ENTER);
    await browser.until(
      'There are more topics',
      async () => (await browser.all('[aria-label^="Topic "]')).length === 4,
    );
    await browser.press('How many are good?');
    await browser.waitForText('[aria-label="Numbers of topics"]', /lowest[\s\S]*|highest/);
    await browser.press('Begin one with words of your own');
    await (
      await browser.find('[aria-label="Words of your own topic"]')
    ).sendKeys('fare, wage, rent', Key.ENTER);
    await browser.waitForText('[aria-label="Topic 1"]', 'leave it to the model');
    await browser.waitForText('[aria-label="Topic 1"]', 'fare');
    await browser.driver.executeScript('document.activeElement?.blur()');
    await browser.click('[aria-label="Topic 2"] .linklike');
    await browser.waitForText('.centre', /\d+ words left out; take back/);
    await browser.press('Undo');
    await browser.until(
      'They stay left out',
      async () => !(await browser.textOf('.centre')).includes('left out; take back'),
    );
  });

  it('“is this one theme or two?”: split by its links, joined again by the menu, defined in words', async () => {
    await menu('Theme B: more', 'Split it');
    await browser.waitForText('.trail', '8 found');
    await browser.waitForText(column('H'), 'begun by you');
    await menu('Theme H: more', 'Leave it to the grouping');
    await browser.waitForText('.trail', '7 found');
    await menu('Theme B: more', 'Say what it is');
    await (await browser.find('[aria-label="What theme B is"]')).sendKeys('Getting there on time', Key.TAB);
    await browser.find('[aria-label="Definition of theme B: Getting there on time"]');
  });
});

describe('links, to a researcher who weighs them,', () => {
  const setup = setUp();

  it('“what stays above that cut-off, and who keeps whose company?”: a cut-off moved by keys, a matrix, its passages', async () => {
    const { browser } = setup;
    await setup.openSample();
    await browser.goTo('links');
    const standing = async (): Promise<number> =>
      Number(/(\d+) stand/.exec(await browser.textOf('.trail'))?.[1] ?? -1);
    const before = await standing();
    const slider = await browser.find('[aria-label="Cut-off"]');
    await browser.driver.executeScript('arguments[0].focus()', slider);
    await slider.sendKeys(Key.END);
    await browser.waitForText('.chart-figure', 'Without a link then: ');
    await browser.until('Links stand as before', async () => (await standing()) < before / 10);
    await browser.undo();
    await browser.until('Not all links are back', async () => (await standing()) === before);

    await browser.choose('Matrix');
    const cells = await browser.find('canvas[role=application]');
    await cells.sendKeys(Key.ARROW_RIGHT);
    await browser.waitForText('[role=status]', /police and camera: \d+ windows with both/);
    await cells.sendKeys(Key.ENTER);
    await browser.waitForText('.reader', /\d+ windows? in \d+ passages?/);
    await browser.press('Save as .csv');
    const rows = readFileSync(await browser.download('links as a matrix.csv'), 'utf8')
      .trim()
      .split(/\r?\n/);
    expect(rows).to.have.length(81);
    expect(rows[0]).to.match(/^.?concept,/);
  });
});
