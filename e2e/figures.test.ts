import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { Key } from 'selenium-webdriver';
import type { Browser } from './browser.ts';
import { setUp } from './set-up.ts';

describe('words and figures', () => {
  const setup = setUp();
  let browser: Browser;
  beforeEach(() => {
    browser = setup.browser;
  });
  const find = async (word: string): Promise<void> => {
    await (await browser.find('input[aria-label="Find a word"]')).sendKeys(Key.chord(Key.CONTROL, 'a'), word);
  };
  const ledger = '[data-testid=concept-ledger]';

  it('are nouns only, then names only, and a wrong kind is put right', async () => {
    await setup.showSample();
    await browser.goTo('concepts');
    await find('Fen End');
    await browser.waitForText(ledger, /Fen End\s*17/);
    await browser.press('nouns and names');
    await browser.choose('names (Nadia, Market Square)');
    await browser.waitForText(ledger, 'No word is like that.');
    await browser.choose('names (Nadia, Market Square)');
    await browser.choose('nouns (bus, fare)');
    await (await browser.find('.method-sentence')).click();
    await browser.press('and phrases of two to four words');
    await browser.click('[aria-label="Find phrases of two to four words"]');
    await (await browser.find('body')).sendKeys(Key.ESCAPE);
    await find(Key.BACK_SPACE);
    await browser.settled();
    await browser.waitForText(ledger, /Fen End/);
    const words = (await browser.textOf(ledger)).match(/[A-Za-z][\w’' ]+/g) ?? [];
    expect(words.length).to.be.above(5);
    for (const word of words) expect(word.trim(), word).to.match(/^(?:[A-Z]|kept)/);

    await browser.choose('Kinds');
    await browser.waitForText('.kinds-list', /Nouns \d/);
    await browser.press('Names');
    await browser.waitForText('[aria-label="Names taken for people"]', /Index\s*3/);
    await browser.click('[aria-label="Tick Index"]');
    await browser.click('[aria-label="Tick Len"]');
    await browser.pick('Take the ticked names for', 'places');
    await browser.press('Places');
    await browser.waitForText('[aria-label="Names taken for places"]', /Index[^]*by you/);
    expect(await browser.textOf('[aria-label="Names taken for places"]')).to.match(/Len[^]*by you/);
    await browser.click('[aria-label="Places may be concepts"]');
    await browser.waitForText('.method-sentence', 'names of people and organisations and other names');
    await browser.choose('Words');
    await browser.settled();
    expect(await browser.textOf(ledger))
      .to.include('Gerald')
      .and.not.include('Fen End');
    await browser.press('Undo');
    await browser.waitForText(ledger, /Fen End/);
    await browser.choose('Kinds');
    await browser.press('Names');
    await browser.choose('Word by word');
    await browser.pick('What gerald is', 'nouns');
    await browser.until(
      'Gerald is a name still',
      async () => (await browser.all('[aria-label="What gerald is"]')).length === 0,
    );
    await browser.choose('Words');
    await find('Gerald');
    await browser.waitForText(ledger, 'No word is like that.');
    await browser.press('Undo');
    await browser.waitForText(ledger, /Gerald\s*4/);
  });

  it('that are stopped are found on their list and let back in', async () => {
    await setup.openSample();
    await browser.goTo('concepts');
    await find('people');
    await browser.waitForText(ledger, 'No word is like that.');
    await browser.press('the English stop words');
    await (await browser.find('input[aria-label="Which list is a word on?"]')).sendKeys('people');
    await browser.waitForText('.control-column [role=status]', /is on the published words of talk/);
    await browser.press('Let it in');
    await browser.waitForText(ledger, /people\s*\d+/);
    await browser.waitForText('.method-sentence', /the English stop words but 1 word/);
    // A word of a fixed phrase is on no list: whether it is a concept the texts tell, and either can be asked for.
    const asked = await browser.find('input[aria-label="Which list is a word on?"]');
    await asked.sendKeys(Key.chord(Key.CONTROL, 'a'), 'behalf');
    await browser.waitForText('.control-column [role=status]', /such as “on behalf of”.*Let it in.*Stop it/s);
    await browser.press('Let it in');
    await browser.waitForText(
      '.method-sentence',
      /the English stop words but 2 words, words that mostly stand in/,
    );
  });

  it('are never shown, and shown again, from where they are read', async () => {
    await setup.showSample();
    await browser.goTo('concepts');
    await find('taxi');
    await browser.waitForText(ledger, /taxi\s*\d+/);
    await browser.click(`${ledger} .concept-row`);
    await browser.waitForText('.reader', /in \d+ passages of/);
    await browser.click('[aria-label="What becomes of taxi"] button:last-child');
    await browser.waitForText(ledger, 'No word is like that.');
    await browser.waitForText('.reader', 'It is never shown: it is on the study’s stop list.');
    await browser.press('Never shown');
    await browser.waitForText(ledger, /taxi\s*\d+/);
    await (await browser.find(`${ledger} .concept-row`)).sendKeys(Key.chord(Key.SHIFT, Key.DELETE));
    await browser.waitForText(ledger, 'No word is like that.');
    await browser.press('Undo');
    await browser.waitForText(ledger, /taxi\s*\d+/);
    await browser.waitForText('.reader', /in \d+ passages of/);
  });

  it('say in a sentence what they say, and what sets a group apart', async () => {
    await setup.showSample();
    await browser.goTo('concepts');
    await find('driver');
    await browser.click(`${ledger} .row-button`);
    await browser.waitForText('.concept-card', /tf-idf\s*49/);
    await browser.click('.figure-sentences summary');
    await browser.waitForText('.figure-sentences', /91 mentions × ln\(36 ÷ 21\)/);
    await browser.pick('Distinctive of a group', 'role: driver or depot staff');
    await browser.waitForText(
      '.figure-sentences',
      /driver or depot staff mention it \d+ times, the rest \d+ times/,
    );
    await browser.pick('Against a group', 'role: shift worker');
    await browser.waitForText(
      '.figure-sentences',
      /depot staff mention it \d+ times, shift worker \d+ times/,
    );
    await browser.pick('Order of the words', 'from a to z');
    await find('dr');
    await browser.waitForText(ledger, /^[\s\S]*drip[\s\S]*driver/);
    await find(Key.BACK_SPACE);
    await browser.choose('Table');
    await browser.press('Distinct');
    await browser.until(
      'The most distinctive is not first',
      async () => (await browser.textOf('.figure-table .grid-row .linklike')) === 'driver',
    );
  });

  it('open their passages from the matrix, from pairs and for several concepts, to be saved', async () => {
    await setup.showSample();
    await browser.goTo('concepts');
    await browser.choose('Matrix');
    await browser.click('[aria-label="driver in d01-driver-veteran.txt: 10"]');
    await browser.waitForText('.reader-count', /of 1 source, 10 mentions/);
    await browser.press('all sources');
    await browser.waitForText('.reader-count', /91 mentions/);
    await browser.pick('Concepts asked for', 'camera');
    await browser.waitForText('.reader .pane-title', 'driver and camera');
    const both = await browser.textOf('.reader-count');
    await browser.choose('Near');
    await browser.waitForText('.reader-count', /places in/);
    await browser.choose('All');
    await browser.waitForText('.reader-count', both);
    await browser.pick('Only passages of', 'wave: after');
    await browser.until('The count stays', async () => (await browser.textOf('.reader-count')) !== both);
    const after = await browser.textOf('.reader-count');
    await browser.pick('Only passages of', 'role: driver or depot staff');
    await browser.until('The count stays', async () => (await browser.textOf('.reader-count')) !== after);
    await browser.press('Save');
    await browser.pickFromMenu('Table');
    const table = readFileSync(await browser.download('.csv'), 'utf8')
      .trim()
      .split('\n');
    expect(table[0]).to.match(/^source,role,wave,district,.*marked,passage$/);
    const passages = Number(/in (\d+) passage/.exec(await browser.textOf('.reader-count'))?.[1]);
    expect(table.length).to.equal(passages + 1);
    for (const row of table.slice(1)) expect(row).to.contain(',driver or depot staff,after,');
    await browser.press('Save');
    await browser.pickFromMenu('Document');
    await browser.download('.docx');

    await browser.choose('Pairs');
    await browser.press('street light');
    await browser.waitForText('.reader-count', '22 places');
    await browser.choose('Counts');
    await browser.pick('Counts by', 'by role');
    await browser.waitForText('.figure-table', /shift worker\s*12\s*7,744/);
  });
});
