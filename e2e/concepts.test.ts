import { expect } from 'chai';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import type { Browser } from './browser.ts';
import { setUp } from './set-up.ts';

const TEXT =
  'The nightbus came in the rain. The nightbus left the shelter. A night bus in the wind. The night bus, the night bus again. ' +
  'The night-bus was late at the shelter, the night-bus was full. Rain on the shelter, rain on the bench. The shelter and the bench. ' +
  'The cost of living rose with the rent. The cost of living fell with the fare. The fare and the rent. ' +
  'The theatre and the theater. A theatre by the theater, a theatre. The neighbour and the neighbor, a neighbour. ';

describe('concepts', () => {
  const setup = setUp();
  let browser: Browser;
  let folder: string;
  beforeEach(() => {
    browser = setup.browser;
    folder = mkdtempSync(join(tmpdir(), 'thicket-concepts-'));
  });
  afterEach(() => rmSync(folder, { recursive: true }));
  const file = (name: string, content: string): string => {
    writeFileSync(join(folder, name), content);
    return join(folder, name);
  };
  const withTexts = async (): Promise<void> => {
    await browser.driver.get(setup.served.address);
    await browser.press('Start an empty study');
    const paths = ['a', 'b', 'c'].map((name) => file(`${name}.txt`, TEXT + `Note ${name}.`));
    await (await browser.find('input[type=file][multiple]')).sendKeys(paths.join('\n'));
    await browser.waitForText('.trail', '3 sources');
    await browser.goTo('concepts');
  };
  const find = async (word: string): Promise<void> => {
    await (await browser.find('input[aria-label="Find a word"]')).sendKeys(Key.chord(Key.CONTROL, 'a'), word);
  };

  it('of several spellings become one, by suggestion, by refusing, and by a file', async () => {
    await withTexts();
    await browser.choose('Merge');
    await browser.waitForText('[aria-label="Suggested merges"]', 'British and American');
    await browser.click('[aria-label="See theater and theatre in their lines"]');
    await browser.waitForText('.concordances', /theatre or theater, \d+ mentions/);
    await browser.press('Back to Concepts');
    await browser.click('[aria-label="Merge theater into theatre"]');
    await browser.until(
      'The suggestion stays',
      async () => (await browser.all('[aria-label="Merge theater into theatre"]')).length === 0,
    );
    await browser.click('[aria-label="Keep neighbor and neighbour apart"]');
    await browser.until(
      'It is suggested again',
      async () => (await browser.all('[aria-label^="Merge neighbor"]')).length === 0,
    );
    // Hyphens and spaces make one concept by themselves, until they are told apart.
    await browser.choose('Words');
    await find('night bus');
    await browser.click('[data-testid=concept-ledger] .concept-row');
    await browser.waitForText('.concept-card', /made of night bus \(\d+\)[\s\S]*nightbus \(3\)/);
    await browser.click('[aria-label="Take nightbus out of night bus"]');
    await find('nightbus');
    await browser.waitForText('[data-testid=concept-ledger]', /nightbus\s*3/);
    await browser.press('Undo');
    await browser.choose('Lists');
    const list = file(
      'list.txt',
      'night bus, night-bus, omnibus\n\nnothing, nowhere\ntravel costs, cost of living\n',
    );
    await (await browser.find('[aria-label="Synonym file"]')).sendKeys(list);
    await browser.waitForText('.intake-report', /2 variants now count for 2 concepts/);
    const report = await browser.textOf('.intake-report');
    expect(report)
      .to.match(/omnibus/)
      .and.match(/1 line matched nothing: 3/);
    await browser.press('OK');
    await browser.choose('Words');
    await find('night bus');
    await browser.waitForText('[data-testid=concept-ledger]', /night bus[\s\S]*18/);
    await browser.click('[data-testid=concept-ledger] .concept-row');
    await browser.waitForText('.concept-card', /made of night bus \(\d+\)/);
    await browser.click('[aria-label="Take night-bus out of night bus"]');
    await find('night-bus');
    await browser.waitForText('[data-testid=concept-ledger]', /night-bus\s*6/);
    await browser.press('Undo');
    await find('night bus');
    await browser.waitForText('[data-testid=concept-ledger]', /night bus[\s\S]*18/);
    await find('travel costs');
    await browser.waitForText('[data-testid=concept-ledger]', /travel costs[\s\S]*6/);
    await browser.choose('Lists');
    await browser.click('.concept-lists .button-row button:last-child');
    const saved = readFileSync(await browser.download('.synonyms.txt'), 'utf8');
    expect(saved).to.equal('night bus, night-bus\ntheatre, theater\ntravel costs, cost of living\n');
  });

  it('that the texts were collected by are set aside, and common ones go many at a time', async () => {
    await withTexts();
    await browser.choose('Lists');
    await (
      await browser.find('[aria-label="What the texts were collected by"]')
    ).sendKeys('Night Bus', Key.ENTER);
    await browser.waitForText('.ant-message', /Set aside: night bus, night-bus, nightbus|Set aside:/);
    await browser.choose('Words');
    await find('night bus');
    await browser.waitForText('[data-testid=concept-ledger]', 'dropped');
    await find('');
    await browser.choose('Table');
    await find('shelter');
    await browser.click('.figure-table .grid-row .tick');
    await browser.waitForText('.bulk-bar', '1 concept ticked');
    await browser.press('Never show');
    await browser.waitForText('.method-sentence', '1 own one');
    await find('shelter');
    await browser.waitForText('[data-testid=concept-ledger]', 'No word is like that.');
    await browser.press('Undo');
    await browser.waitForText('[data-testid=concept-ledger]', 'shelter');
  });

  it('are made of own words, and drawn as bars and a cloud to save', async () => {
    await withTexts();
    await browser.choose('Lists');
    await (await browser.find('[aria-label="Name of the concept"]')).sendKeys('weather');
    await (await browser.find('[aria-label="Its words and phrases"]')).sendKeys('rain, win*', Key.ENTER);
    await browser.waitForText('.intake-report', '2 variants now count for 1 concept');
    await browser.press('OK');
    await browser.settled();
    await browser.choose('Bars');
    await browser.waitForText('.word-picture-list', 'weather');
    await browser.press('Save as SVG');
    expect(readFileSync(await browser.download('bars.svg'), 'utf8')).to.match(/^<svg[^>]*>.*weather/s);
    await browser.choose('Cloud');
    await browser.press('Save as PNG');
    expect(
      readFileSync(await browser.download('cloud.png'))
        .subarray(1, 4)
        .toString(),
    ).to.equal('PNG');
  });

  it('are decided on record: ten undone, five redone, and back to any point with a reason', async () => {
    await withTexts();
    await browser.choose('Lists');
    const stop = await browser.find('[aria-label="What the texts were collected by"]');
    const words = 'one two three four five six seven eight nine ten'.split(' ');
    for (const [i, word] of words.entries()) {
      await stop.sendKeys(`x${word}`, Key.ENTER);
      await browser.waitForText('.method-sentence', i === 0 ? '1 own one' : `${i + 1} own ones`);
    }
    await browser.driver.executeScript('document.activeElement.blur()');
    for (let i = 0; i < 10; i++) await browser.undo();
    await browser.until(
      'They are not undone',
      async () => !(await browser.textOf('.method-sentence')).includes('own one'),
    );
    for (let i = 0; i < 5; i++) await browser.press('Redo');
    await browser.waitForText('.method-sentence', '5 own ones');
    await browser.press('Decisions');
    const list = '[aria-label="Decisions, latest first"]';
    await browser.waitForText(list, 'stop xten');
    expect((await browser.textOf(list)).match(/undone/g)).to.have.length(5);
    const reason = await browser.find('[aria-label="Reason to stop xfive"]');
    await reason.sendKeys('said by nobody', Key.ENTER);
    await browser.click('[aria-label="Go to: stop xten"]');
    await browser.waitForText('.method-sentence', '10 own ones');
    await browser.click('[aria-label="Go to: stop xtwo"]');
    await browser.waitForText('.method-sentence', '2 own ones');
    await browser.driver.navigate().refresh();
    await browser.press('Decisions');
    const kept = await browser.find('[aria-label="Reason to stop xfive"]');
    expect(await kept.getAttribute('value')).to.equal('said by nobody');
    expect(await browser.driver.findElements(By.css('.decision.here'))).to.have.length(1);
  });

  it('“my interviews are in German”: read as German, in dictionary forms with capitals, four themes', async () => {
    const { browser, served } = setup;
    await browser.driver.get(served.address);
    await browser.press('a sample in German');
    await browser.find('.concept-map .map-word');
    await browser.settled();
    await browser.waitForText('.trail', '4 found');
    expect(await browser.mapWords()).to.include.members(['Haltestelle', 'Laterne', 'Bremse', 'Unterstand']);
    await browser.goTo('concepts');
    await browser.waitForText(
      '.method-sentence',
      /Concepts are German nouns and names in their dictionary form/,
    );
    // Compounds and plurals count for their dictionary form, and the passages have them as they stand.
    await browser.click('[data-concept="Bremse"]');
    await browser.waitForText('.reader', /Zuerst die\s+Bremsen/);
  });
});
