import { expect } from 'chai';
import type { Browser } from './browser.ts';
import { setIntake } from './intake.ts';
import { setUp } from './set-up.ts';

describe('other people', () => {
  const setup = setUp();

  it('“would other interviews have shown this theme?”: how often it comes back, and which words are at the edge', async () => {
    const { browser } = setup;
    await setup.showSample();
    await browser.goTo('themes');
    await browser.waitForText('main', 'comes back');
    const said = await (
      await browser.find('[title^="Would other sources have shown it?"]')
    ).getAttribute('title');
    expect(said).to.match(/drawn 100 times.*In \d+ of them half of its concepts stand together/);
    await browser.goTo('concepts');
    await browser.fill('[aria-label="Find a word"]', 'tin');
    await browser.waitForText('.ledger', /^tin ?at the edge/m);
    await browser.fill('[aria-label="Find a word"]', '');
    await browser.choose('Table');
    await browser.waitForText('main', 'Chosen again');
    await browser.until('No share is told', async () =>
      /\d+ %/.test(
        await browser.driver.executeScript<string>(
          `const head = [...document.querySelectorAll('[role=columnheader]')].findIndex((each) => each.textContent.includes('Chosen again'));
          return document.querySelectorAll('.grid-row')[1]?.querySelectorAll('[role=gridcell], [role=cell]')[head]?.textContent ?? ''`,
        ),
      ),
    );
  });

  it('“how many themes does this collection really decide?”: said in the sentence, seen as a tree, cut with a click', async () => {
    const { browser } = setup;
    await setup.showSample();
    await browser.goTo('themes');
    await browser.waitForText('.method-sentence', /the texts do not decide: .* come back nearly as well/);
    await browser.press('Finer within coarser');
    await browser.find('[aria-label^="What splits and joins: "]');
    await browser.click('[aria-label="Cut at 8 themes"]');
    await browser.waitForText('.trail', '8 found');
    await browser.undo();
    await browser.waitForText('.trail', '7 found');
  });
});

describe('who speaks', () => {
  const intake = setIntake();
  let browser: Browser;
  beforeEach(() => {
    browser = intake.browser;
  });

  const WORDS = ['rain', 'wind', 'fare', 'lamp', 'ticket', 'bench', 'night', 'driver'];
  const text = (i: number): string =>
    Array.from(
      { length: 10 },
      (_, k) =>
        `Please say what you think about the harbour and the bus. The ${WORDS[(i + k) % 8]} and the ${
          WORDS[(3 * i + k + 1) % 8]
        } were here for ${'abcdefgh'[i]}ork${'abcdefghij'[k]}um again.`,
    ).join('\n\n');

  it('“these four files are one person”: asked about once, told in the sentence, taken back', async () => {
    const names = ['d07_1', 'd07_2', 'd07_3', 'd07_4', 'd09_1', 'd09_2', 'town hall'];
    await intake.add(...names.map((name, i) => intake.file(`${name}.txt`, text(i))));
    await browser.waitForText('main [role=alert]', 'By their names, 2 people speak in several sources');
    await browser.press('Count them as one');
    await browser.waitForText('.method-sentence', 'of 3 people by person, whose sources count as one');
    await browser.waitForText('main', 'd07');
    await browser.undo();
    await browser.waitForText('.method-sentence', 'each somebody else’s');
    await browser.press('Each is somebody else’s');
    await browser.until(
      'It is asked again',
      async () => (await browser.all('main [role=alert]')).length === 0,
    );
    await browser.waitForText('.method-sentence', 'each somebody else’s');
  });

  it('“everyone was read the same question”: its words make no links until that is decided', async () => {
    await intake.add(...Array.from({ length: 6 }, (_, i) => intake.file(`text ${'abcdef'[i]}.txt`, text(i))));
    await browser.settled();
    await browser.goTo('links');
    await browser.waitForText('main [role=alert]', '1 sentence stands word for word in many sources');
    await browser.waitForText('.method-sentence', 'nor what many sources repeat');
    await browser.press('Let it make links');
    await browser.waitForText('.method-sentence', 'also what many sources repeat');
    await browser.undo();
    await browser.press('Leave it so');
    await browser.until(
      'It is asked again',
      async () => (await browser.all('main [role=alert]')).length === 0,
    );
  });
});
