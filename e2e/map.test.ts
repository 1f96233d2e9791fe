import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import { setUp } from './set-up.ts';

const setup = setUp();

describe('the map', function () {
  this.timeout(120_000);

  const pick = async (words: string): Promise<void> => {
    const { browser } = setup;
    const find = await browser.find('input[aria-label="Find on the map"]');
    await find.sendKeys(Key.chord(Key.CONTROL, 'a'), words, Key.ENTER);
    await browser.waitForText('.reader h2', words);
  };

  it('print me this map in greyscale; what lies between two words, and what is two steps away?', async () => {
    const { browser } = setup;
    await setup.showSample();
    await browser.press('On the picture');
    for (const words of ['the study’s title', 'the method sentence', 'how much went in', 'in greyscale'])
      await browser.choose(words);
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.press('Save SVG');
    const svg = readFileSync(await browser.download('.svg'), 'utf8');
    expect(svg).to.include('36 sources').and.include('go clear of every word');
    const colours = new Set(
      (svg.replace(/<style>[\s\S]*?<\/style>/, '').match(/#[0-9a-f]{6}\b/gi) ?? []).map((each) =>
        each.toLowerCase(),
      ),
    );
    for (const colour of colours)
      expect(
        colour.slice(1, 3) === colour.slice(3, 5) && colour.slice(3, 5) === colour.slice(5, 7),
        colour,
      ).to.equal(true);
    await browser.press('Save PNG');
    await browser.pickFromMenu('Picture (.png), 3 × size');
    const png = readFileSync(await browser.download('.png'));
    // The width stands in the file’s head.
    expect(png.readUInt32BE(16)).to.equal(3600);
    await pick('camera');
    await browser.pick('What lies between it and', 'cab');
    await browser.waitForText('.path', /camera — .*— cab/);
    await browser.click('.path .linklike');
    await browser.waitForText('.reader h2', 'camera — ');
    await pick('camera');
    const faint = async (): Promise<number> => (await browser.all('.map-word.faint')).length;
    await browser.choose('1 step');
    await browser.until('Nothing is quieted', async () => (await faint()) > 20);
    const near = await faint();
    await browser.choose('2 steps');
    await browser.until('Two steps reach no further', async () => (await faint()) < near);
  });

  it('“print the map on A4 upright”: chosen in the sentence, on the screen and in the file', async () => {
    const { browser } = setup;
    await setup.openSample();
    await browser.press('three by two, as screens and slides are');
    await browser.choose('A4 upright');
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.waitForText('.method-sentence', 'on a sheet that is A4 upright');
    await browser.until('The map kept its shape', async () =>
      browser.driver.executeScript<boolean>(
        "return document.querySelector('.concept-map').getAttribute('viewBox') === '0 0 825 1166'",
      ),
    );
    await browser.settled();
    await browser.press('Save SVG');
    const svg = readFileSync(await browser.download('.svg'), 'utf8');
    expect(svg).to.include('viewBox="0 0 825 1166"');
    expect(svg).not.to.include('…');
    // On paper the map alone, from the top of its page.
    await browser.command('Emulation.setEmulatedMedia', { media: 'print' });
    const [top, foot, others] = await browser.driver.executeScript<[number, number, number]>(
      `const { top, bottom } = document.querySelector('.concept-map').getBoundingClientRect();
      const others = document.querySelectorAll('.title-bar, .trail, .method-sentence, .status-line, .reader-pane');
      return [top, bottom / innerHeight, [...others].filter((part) => part.checkVisibility()).length];`,
    );
    await browser.command('Emulation.setEmulatedMedia', { media: '' });
    expect(top).to.be.below(40);
    expect(foot).to.be.at.most(1);
    expect(others).to.equal(0);
    await browser.undo();
    await browser.waitForText('.method-sentence', 'three by two');
  });

  it('how do drivers’ and residents’ maps differ, and where do they say it?', async () => {
    const { browser } = setup;
    await setup.showSample();
    await browser.choose('By group');
    await browser.settled();
    const drawn = 'section[aria-label="driver or depot staff"] .tinted-parcel';
    await browser.find(drawn);
    const parcels = await browser.all(drawn);
    expect(parcels.length).to.be.within(7, 9);
    const label = await parcels[0].getAttribute('aria-label');
    expect(label).to.match(/^A \d+\.\d %: .*, driver or depot staff/);
    // By key: a word may stand in its middle.
    await parcels[0].sendKeys(Key.ENTER);
    await browser.waitForText('.reader-count', /\d+ stretch/);
    await browser.choose('Difference');
    await browser.pick('Second group', 'shift worker');
    await browser.settled();
    await browser.click('.tinted-word');
    await browser.waitForText('.reader-count', /\d+ stretch/);
    // The same without the mouse: Tab reaches one word of each map, arrows the others.
    const reached = await browser.all('.tinted-word[tabindex="0"]');
    expect(reached).to.have.length(1);
    const nameOfFocus = (): Promise<string> =>
      browser.driver.executeScript<string>('return document.activeElement.textContent');
    await browser.driver.executeScript('arguments[0].focus()', reached[0]);
    const names = new Set([await nameOfFocus()]);
    for (const key of [Key.ARROW_DOWN, Key.ARROW_RIGHT, Key.ARROW_UP, Key.ARROW_LEFT]) {
      await browser.driver.actions().sendKeys(key).perform();
      names.add(await nameOfFocus());
    }
    expect(names.size).to.be.above(2);
    const word = await nameOfFocus();
    await browser.driver.actions().sendKeys(Key.ENTER).perform();
    await browser.waitForText('.reader h2', word);
    await browser.choose('Through time');
    await browser.waitForText('.time-bar', /2025-\d\d, \d+ sources/);
    const first = await browser.textOf('.time-bar b');
    await browser.driver.executeScript("document.querySelector('[aria-label=Period]').focus()");
    await browser.driver.actions().sendKeys(Key.ARROW_RIGHT).perform();
    await browser.until('Time stands still', async () => (await browser.textOf('.time-bar b')) !== first);
  });

  it('moves a word to another theme by mouse and by list, everything else stays; and undoes it', async () => {
    const { browser } = setup;
    await setup.showSample();
    const places = async (): Promise<Record<string, string>> =>
      browser.driver.executeScript<Record<string, string>>(
        "return Object.fromEntries([...document.querySelectorAll('.map-word text')].map((each) => [each.textContent, each.getAttribute('transform')]))",
      );
    const before = await places();
    const word = await browser.driver.executeScript<string>(
      "const word = [...document.querySelectorAll('.map-word')].find((each) => each.getAttribute('aria-label') === 'rain'); word.id = 'dragged'; return word.id",
    );
    await browser.driver
      .actions({ async: true })
      .move({ origin: await browser.find(`#${word} text`) })
      .press()
      .move({ origin: await browser.find('.parcel[aria-label^="Theme E"]'), duration: 120 })
      .release()
      .perform();
    await browser.waitForText('.method-sentence', 'A parcel’s area follows');
    await browser.settled();
    const themeOf = async (): Promise<string> => {
      await pick('rain');
      return browser.driver.executeScript<string>(
        "return document.querySelector('[aria-label=\"Theme it belongs to\"]').closest('.ant-select').textContent.trim()[0]",
      );
    };
    expect(await themeOf()).to.equal('E');
    const after = await places();
    const stayed = Object.keys(after).filter(
      (each) => each !== 'rain' && after[each] === before[each],
    ).length;
    expect(stayed / Object.keys(after).length).to.be.above(0.6);
    await browser.press('Undo');
    await browser.settled();
    // Finding the word has zoomed in, so that words may have come; those that were there are where they were.
    await browser.until('It is not as before', async () => {
      const undone = await places();
      return Object.keys(before).every((each) => undone[each] === before[each]);
    });
    await pick('rain');
    await browser.driver.executeScript(
      'document.querySelector("[aria-label=\'Theme it belongs to\']").focus()',
    );
    await browser.driver.actions().sendKeys(Key.ARROW_DOWN, Key.ARROW_DOWN, Key.ENTER).perform();
    await browser.until('The list moved nothing', async () => (await themeOf()) !== 'D');
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.click('[aria-label="Open the list"]');
    await browser.click('.ledger summary');
    await browser.waitForText('.ledger details', 'In no theme');
    // Dragged within its parcel a word is pinned there, and the map stays under it.
    await browser.press('Whole map');
    const middle = async (): Promise<{ x: number; y: number }> =>
      browser.driver.executeScript<{ x: number; y: number }>(
        'const box = document.querySelector(\'[data-word="camera"] text\').getBoundingClientRect(); return { x: Math.round(box.x + box.width / 2), y: Math.round(box.y + box.height / 2) }',
      );
    await browser.settled();
    const stood = await middle();
    await browser.driver
      .actions({ async: true })
      .move(stood)
      .press()
      .move({ x: stood.x + 24, y: stood.y + 16, duration: 120 })
      .release()
      .perform();
    await browser.find('[data-word="camera"] circle');
    await browser.until('It is not where it was put', async () => {
      const { x, y } = await middle();
      return Math.abs(x - stood.x - 24) < 4 && Math.abs(y - stood.y - 16) < 4;
    });
  });
});
