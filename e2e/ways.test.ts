import { expect } from 'chai';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Key } from 'selenium-webdriver';
import type { Browser } from './browser.ts';
import { setUp } from './set-up.ts';

describe('ways through the interface', () => {
  const setup = setUp();
  const { openSample, showSample } = setup;
  let browser: Browser;
  beforeEach(() => {
    browser = setup.browser;
  });

  it('takes a word one searched for off the list of concepts, and lets it back in', async () => {
    await showSample();
    await browser.goTo('concepts');
    await browser.press('the English stop words');
    const own = await browser.find('input[aria-label="Your own stop words"]');
    await own.sendKeys('driver', Key.ENTER);
    await browser.waitForText('.method-sentence', 'the English stop words and 1 own one');
    await browser.settled();
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    const find = await browser.find('input[aria-label="Find a word"]');
    await find.sendKeys('driver');
    await browser.waitForText('[data-testid=concept-ledger]', 'No word is like that.');
    await browser.press('Undo');
    await browser.waitForText('[data-testid=concept-ledger]', 'driver');
    await browser.press('Redo');
    await browser.waitForText('[data-testid=concept-ledger]', 'No word is like that.');
  });

  it('leaves out the interviewer, and every figure follows', async () => {
    await showSample();
    await browser.goTo('sources');
    await browser.waitForText('.words-note', 'words in');
    const caption = await browser.textOf('.words-note');
    await browser.press('with everyone who speaks in them');
    await browser.waitForText('.speaker-list', /Interviewer \d+ [\d,]+/);
    await browser.click('button[aria-label="Read Interviewer"]');
    await browser.waitForText('.method-sentence', 'without what Interviewer said');
    await browser.until('The words stay', async () => (await browser.textOf('.words-note')) !== caption);
    await browser.settled();
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.goTo('links');
    await browser.click('.figure-table .grid-row .linklike');
    await browser.find('.passage');
    await browser.press('Undo');
    await browser.goTo('sources');
    await browser.until(
      'The words never came back',
      async () => (await browser.textOf('.words-note')) === caption,
    );
  });

  it('pastes a text as a source and finds it after a reload; drops files on the first page', async () => {
    await browser.driver.get(setup.served.address);
    await browser.press('Start an empty study');
    const title = await browser.find('.study-title');
    await title.sendKeys(Key.chord(Key.CONTROL, 'a'), 'My study', Key.ENTER);
    await browser.press('Paste');
    await (await browser.find('input[aria-label="Name of the source"]')).sendKeys('Field note');
    await browser.press('Add as a source');
    await browser.waitForText('.control-fault', 'There is no text in it.');
    await (await browser.find('textarea[aria-label="Text"]')).sendKeys('It rained. The bus was late.');
    await browser.press('Add as a source');
    await browser.waitForText('.source-grid', 'Field note');
    await browser.settled();
    const add = await browser.find('input[aria-label="New attribute"]');
    await add.sendKeys('place', Key.ENTER);
    await browser.setCell('place of Field note', 'Harbour');
    await browser.driver.navigate().refresh();
    await browser.find('[aria-label="place of Field note: Harbour"]');
    expect(await (await browser.find('.study-title')).getAttribute('value')).to.equal('My study');
    await browser.driver.get(setup.served.address);
    await browser.waitForText('.start-list', /My study\s+1 source · 6 words/);
    expect(await browser.violations()).to.deep.equal([]);

    // What is dropped on the first page begins a study of its own.
    await browser.driver.executeScript(`
      const transfer = new DataTransfer();
      for (const name of ['one.txt', 'two.txt']) transfer.items.add(new File(['We waited in ' + name], name));
      window.dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }));`);
    await browser.waitForText('.source-grid', 'two.txt');
    expect(await browser.driver.getCurrentUrl()).to.match(/\/sources$/);
  });

  it('follows live in a second tab', async () => {
    await openSample();
    const address = await browser.driver.getCurrentUrl();
    const first = await browser.driver.getWindowHandle();
    await browser.driver.switchTo().newWindow('tab');
    await browser.driver.get(address.replace('/map', '/themes'));
    await browser.find('.theme-name');
    await browser.settled();
    const second = await browser.driver.getWindowHandle();
    await browser.driver.switchTo().window(first);
    await browser.goTo('themes');
    await (
      await browser.find('.theme-name')
    ).sendKeys(Key.chord(Key.CONTROL, 'a'), 'Told in both', Key.ENTER);
    await browser.find('.theme-name[title="Told in both"]');
    await browser.driver.switchTo().window(second);
    await browser.find('.theme-name[title="Told in both"]');
  });

  it('orders Compare by difference and by another attribute', async () => {
    await showSample();
    await browser.goTo('compare');
    const letters = async (): Promise<string> =>
      browser.driver.executeScript<string>(
        "return Array.from(document.querySelectorAll('.compare-table tbody th b'), (each) => each.textContent).join('')",
      );
    const strongest = await letters();
    await browser.press('overall strength');
    await (await browser.find('.control-box input[value=difference]')).sendKeys(Key.SPACE);
    await browser.waitForText('.method-sentence', 'difference between groups');
    await browser.until('The order stays', async () => (await letters()) !== strongest);
    const ranges = await browser.driver.executeScript<number[]>(
      "return Array.from(document.querySelectorAll('.difference-cell'), (each) => parseFloat(each.textContent))",
    );
    expect(ranges).to.deep.equal([...ranges].sort((a, b) => b - a));
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.press('role');
    await (await browser.find('.control-box input[value=wave]')).sendKeys(Key.SPACE);
    await browser.waitForText('.compare-table', 'before');
  });

  it('finds a concept on the map and zooms, and a bookmark of it shows the same', async () => {
    await showSample();
    const find = await browser.find('input[aria-label="Find on the map"]');
    await find.sendKeys('engine noise', Key.ENTER);
    await browser.waitForText('.reader h2', 'engine noise');
    const transform = async (): Promise<string> =>
      (await (await browser.find('.concept-map')).getAttribute('style')) ?? '';
    await browser.until('The map stays as it was', async () => (await transform()).includes('scale(2.2)'));
    const address = await browser.driver.getCurrentUrl();
    expect(address).to.include('concept=engine+noise');
    await browser.driver.get(address);
    await browser.waitForText('.reader h2', 'engine noise');
    await browser.waitForText('.reader-count', /\d+ windows/);
  });

  it('shows the figures as a table that can be sorted', async () => {
    await showSample();
    await browser.goTo('concepts');
    await browser.choose('Table');
    await browser.find('.figure-table .grid-row');
    const column = async (): Promise<number[]> =>
      browser.driver.executeScript<number[]>(
        "return Array.from(document.querySelectorAll('.figure-table .grid-row'), (row) => Number(row.children[3].textContent))",
      );
    const inOrder = (sign: number) => async (): Promise<boolean> => {
      const values = await column();
      return values.length > 3 && values.every((value, i) => i === 0 || sign * (value - values[i - 1]) >= 0);
    };
    await browser.press('Mentions');
    await browser.until('The most frequent is not first', inOrder(-1));
    await browser.press('Mentions ↓');
    await browser.until('The least frequent is not first', inOrder(1));
  });

  it('can be stopped at long work, says so, and goes on', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'thicket-long-'));
    const words =
      'rain shelter bench wind fare wage rent ticket driver camera police phone night road town street'.split(
        ' ',
      );
    const paths = Array.from({ length: 12 }, (_, f) => {
      let text = '';
      for (let i = 0; text.length < 350_000; i++)
        text += `The ${words[(i * 5 + f) % 16]} and ${words[(i + (i >> 4)) % 16]}${i % 977}. `;
      const path = join(folder, `long${f}.txt`);
      writeFileSync(path, text);
      return path;
    });
    // Work this long is shared with a second worker.
    await browser.useCores(2);
    await browser.driver.get(setup.served.address);
    await browser.press('Start an empty study');
    await (await browser.find('input[type=file][multiple]')).sendKeys(paths.join('\n'));
    await browser.until('There is nothing to stop', async () => {
      const [stop] = await browser.all('.status-now button');
      if (!stop || (await stop.getText()) !== 'Stop') return false;
      await stop.click();
      return true;
    });
    await browser.waitForText('.status-now', /Stopped/);
    await browser.press('Go on');
    await browser.until(
      'It is never done',
      async () => (await browser.textOf('.status-now')) === 'up to date',
    );
    await browser.settled();
    await browser.waitForText('.trail', '12 sources');
    rmSync(folder, { recursive: true });
  });

  it('has the Reader as an edge until something is picked, opens and closes it by keys, and nothing on the map moves', async () => {
    await setup.showSample();
    const keys = (...sent: string[]): Promise<void> =>
      browser.driver
        .actions()
        .sendKeys(...sent)
        .perform();
    const isOpen = async (): Promise<boolean> => (await browser.find('aside')).isDisplayed();
    const drawing = (): Promise<string> =>
      browser.driver.executeScript<string>(
        "const box = (css) => { const { x, y, width } = document.querySelector(css).getBoundingClientRect(); return [x, y, width].map(Math.round).join(); }; return box('.concept-map') + ' ' + box('[data-word=\"police\"] text')",
      );
    const centre = (): Promise<number> =>
      browser.driver.executeScript<number>("return document.querySelector('main.centre').offsetWidth");
    expect(await isOpen()).to.equal(false);
    expect(await centre()).to.be.above(1000);
    const before = await drawing();
    await browser.click('[data-word="police"]');
    await browser.until('The Reader stayed an edge', isOpen);
    await browser.waitForText('aside', 'police');
    expect(await drawing()).to.equal(before);
    await keys('r');
    await browser.until('R closed nothing', async () => !(await isOpen()));
    await keys('r');
    await browser.until('R opened nothing', isOpen);
    await browser.driver.executeScript("document.querySelector('aside button').focus()");
    await keys(Key.ESCAPE);
    await browser.until('Esc closed nothing', async () => !(await isOpen()));
    // The next pick opens it again; where themes and groups are named in the middle, no list stands beside them.
    await browser.click('[data-word="camera"]');
    await browser.until('It stayed closed', isOpen);
    await browser.goTo('compare');
    expect(await browser.all('.ledger')).to.have.length(0);
    await keys('r');
    await browser.until('R closed nothing at Compare', async () => !(await isOpen()));
    expect(await centre()).to.be.above(1200);
    await (await browser.button('Reader')).click();
    await browser.until('The edge opened nothing', isOpen);
  });

  it('widens, narrows and folds the panes by keys and by dragging, and finds them so again', async () => {
    await setup.showSample();
    // The Reader is an edge until something is picked.
    await browser.click('[data-word="camera"]');
    await browser.waitForText('aside', 'camera');
    // The map names what the list would: there it is an edge until it is asked for.
    expect(await browser.all('[role=separator][aria-label="Width of the list"]')).to.have.length(0);
    await browser.click('[aria-label="Open the list"]');
    const widthOf = (css: string): Promise<number> =>
      browser.driver.executeScript<number>('return document.querySelector(arguments[0]).offsetWidth', css);
    const before = await widthOf('.ledger');
    const divider = await browser.find('[role=separator][aria-label="Width of the list"]');
    await divider.sendKeys(Key.ARROW_RIGHT, Key.ARROW_RIGHT);
    await browser.until('The list stayed narrow', async () => (await widthOf('.ledger')) === before + 32);
    await browser.driver
      .actions()
      .dragAndDrop(await browser.find('[role=separator][aria-label="Width of the Reader"]'), { x: -60, y: 0 })
      .perform();
    await browser.until('The Reader stayed narrow', async () => (await widthOf('aside')) > 380);
    await (await browser.find('[role=separator][aria-label="Width of the list"]')).sendKeys(Key.ENTER);
    await browser.until('The list stayed', async () => (await widthOf('.ledger')) <= 28);
    await browser.driver.navigate().refresh();
    await browser.find('.concept-map .map-word');
    expect(await widthOf('.ledger')).to.equal(28);
    expect(await widthOf('aside')).to.be.above(380);
    await browser.driver.actions().sendKeys('l').perform();
    await browser.until('The list stayed folded', async () => (await widthOf('.ledger')) === before + 32);
  });
});
