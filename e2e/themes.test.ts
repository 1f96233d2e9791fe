import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { By, Key } from 'selenium-webdriver';
import type { Browser } from './browser.ts';
import { onPaper } from '../web/src/pieces/drawn-colours.ts';
import { setUp } from './set-up.ts';

/** What the map's strokes and words look like. */
const STROKES = ['d', 'fill', 'stroke', 'opacity', 'stroke-dasharray', 'stroke-linecap'];
const TYPE = ['font-weight', 'fill', 'stroke', 'stroke-width'];

describe('from links to the comparison, a researcher', () => {
  const setup = setUp();
  const { openSample, showSample } = setup;
  let browser: Browser;
  beforeEach(() => {
    browser = setup.browser;
  });

  it('changes the window in the sentence, and everything follows without a button', async () => {
    await openSample();
    await browser.goTo('links');
    const before = await browser.textOf('.figures-list');
    await browser.press('3 sentences');
    await (await browser.find('input[type=radio][value=paragraph]')).sendKeys(Key.SPACE);
    await browser.waitForText('.method-sentence', 'a paragraph');
    await browser.until('The links stayed', async () => (await browser.textOf('.figures-list')) !== before);
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.click('.figure-table .grid-row .linklike');
    await browser.waitForText('.reader', /\d+ windows? in \d+ passages?/);
  });

  it('names a theme, whose name and letter stay over re-computation', async () => {
    await openSample();
    await browser.goTo('themes');
    const letterOf = async (concept: string): Promise<string> => {
      await browser.find('.theme-column');
      for (const column of await browser.all('.theme-column')) {
        const text = await column.getText();
        if (new RegExp(`^${concept}$`, 'm').test(text)) return text[0];
      }
      return '';
    };
    const letter = await letterOf('shelter');
    const name = await browser.find(`textarea[aria-label="Name of theme ${letter}"]`);
    await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Waiting and weather', Key.ENTER);
    await browser.find('.theme-name[title="Waiting and weather"]');
    await browser.goTo('concepts');
    await browser.press('80 to 120');
    await (
      await browser.find('input[aria-label="Number of concepts"]')
    ).sendKeys(Key.chord(Key.CONTROL, 'a'), '60', Key.ENTER);
    await browser.waitForText('.trail', '60 kept');
    await browser.goTo('themes');
    expect(await letterOf('shelter')).to.equal(letter);
    await browser.find('.theme-name[title="Waiting and weather"]');
  });

  it('asks what the themes missed', async () => {
    await showSample();
    await browser.waitForText('.trail', /7 found, reach \d\d %/);
    await browser.goTo('themes');
    await browser.waitForText(
      '[aria-label=Coverage]',
      /Themes reach \d\d % of \d+ stretches; \d+ % of the words are in concepts/,
    );
    const button = await browser.find('[aria-label=Coverage] [aria-pressed=false].linklike');
    const [missed] = /\d+/.exec(await button.getText()) ?? [''];
    await button.click();
    await browser.waitForText('.reader h2', 'What no theme reaches');
    await browser.waitForText('.reader-count', `${missed} stretches in ${missed} passages`);
    await browser.waitForText('[aria-label=Coverage]', 'Said there more than elsewhere');
    const address = await browser.driver.getCurrentUrl();
    expect(address).to.include('missed=');
    await browser.driver.get(address);
    await browser.waitForText('.reader h2', 'What no theme reaches');
  });

  it('follows a cell of Compare to its passage, and the passage to its place in the source', async () => {
    await showSample();
    await browser.goTo('compare');
    const cell = await browser.find('.compare-cell');
    const label = await cell.getAttribute('aria-label');
    expect(label).to.match(/in driver or depot staff: \d+\.\d %, interval/);
    await cell.click();
    await browser.waitForText('.reader', /\d+ stretches in \d+ passages of \d+ sources/);
    const passage = await browser.find('.passage');
    expect(await passage.getText()).to.include('driver or depot staff');
    const words = (await (await passage.findElement(By.css('.passage-text'))).getText()).slice(0, 60);
    await (await passage.findElement(By.css('.passage-source'))).click();
    await browser.waitForText('.whole-text .here', words);
    await browser.until('The place is not in sight', async () =>
      browser.driver.executeScript<boolean>(
        "const r = document.querySelector('.whole-text .here').getBoundingClientRect(); return r.top < innerHeight && r.bottom > 0",
      ),
    );
    await browser.press('Back to passages');
    await browser.find('.passage');
  });

  it('picks a theme, a concept and a link on the map with the keyboard, and saves pictures', async () => {
    await showSample();
    const onPage = await browser.driver.executeScript<string[]>(
      `const told = (each, names) => names.map((name) => each.getAttribute(name) ?? '').join(' ');
      return [
        ...Array.from(document.querySelectorAll('.concept-map path:not([stroke=transparent])'),
          (each) => told(each, arguments[0])),
        ...Array.from(document.querySelectorAll('.concept-map text'), (each) => told(each, arguments[1])),
      ];`,
      STROKES,
      TYPE,
    );
    const press = async (css: string): Promise<void> => {
      await browser.driver.executeScript('document.querySelector(arguments[0]).focus()', css);
      await browser.driver.actions().sendKeys(Key.ENTER).perform();
    };
    await press('.parcel');
    await browser.waitForText('.reader h2', /^[A-Z] /);
    await press('.map-word');
    await browser.until('No word is picked', async () => (await browser.all('.map-word.here')).length === 1);
    await browser.click('button[aria-label="Zoom in"]');
    await browser.press('Whole map');
    // By keys, while a word has the focus.
    const zoomedBy = async (key: string, scale: string): Promise<void> => {
      await browser.driver.executeScript("document.querySelector('.map-word').focus()");
      await browser.driver.actions().sendKeys(key).perform();
      await browser.until(`${key} did not zoom`, async () =>
        ((await (await browser.find('.concept-map')).getAttribute('style')) ?? '').includes(scale),
      );
    };
    await zoomedBy('+', 'scale(1.4)');
    await zoomedBy('+', 'scale(1.96)');
    await zoomedBy('-', 'scale(1.4)');
    await zoomedBy('0', 'scale(1)');
    await browser.press('Save SVG');
    const svg = readFileSync(await browser.download('.svg'), 'utf8');
    expect(svg)
      .to.match(/^<svg /)
      .and.include('data:font/woff2')
      .and.include('Night buses in Larkhaven');
    // The page draws what the picture does, stroke by stroke, in the same order, its colours by name.
    const told = (element: string, names: readonly string[]): string =>
      names.map((name) => new RegExp(` ${name}="([^"]*)"`).exec(element)?.[1] ?? '').join(' ');
    expect(onPage.map(onPaper)).to.deep.equal([
      ...[...svg.matchAll(/<path [^>]*>/g)].map(([element]) => told(element, STROKES)),
      ...[...svg.matchAll(/<text [^>]*>/g)].map(([element]) => told(element, TYPE)),
    ]);
    await browser.press('Save PNG');
    await browser.pickFromMenu('Picture (.png), 1 × size');
    expect([...readFileSync(await browser.download('.png')).subarray(1, 4)]).to.deep.equal([
      0x50, 0x4e, 0x47,
    ]);
  });
});
