import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { By, Key } from 'selenium-webdriver';
import { setIntake } from './intake.ts';

const CLUSTERS = [
  ['rain', 'roof', 'shelter', 'bench'],
  ['fare', 'wage', 'ticket', 'price'],
  ['driver', 'depot', 'rota', 'shift'],
];

/** Three clusters of four, tied to each other by one weak link each, as a table of links. */
const ROWS = CLUSTERS.flatMap((words, c) => [
  ...words.flatMap((a, i) => words.slice(i + 1).map((b) => `${a},${b},4`)),
  `${words[0]},${CLUSTERS[(c + 1) % 3][0]},0.5`,
]);

describe('a network from another program', () => {
  const intake = setIntake();
  const { setup, file } = intake;

  it('is opened without texts, shaped, read by its links, drawn, saved and opened again', async () => {
    const { browser } = setup;
    const open = async (content: string): Promise<void> => {
      await browser.press('Or open a network of links without texts');
      await (await browser.find('.file-chooser')).sendKeys(file('links.csv', content));
    };
    await open('source,target,weight\nrain,roof,heavy');
    await browser.waitForText(
      '.ant-modal',
      'links.csv: Row 2 has the weight “heavy”; it must be a number above 0.',
    );
    await browser.press('OK');
    await open(['source,target,weight', ...ROWS].join('\n'));
    await browser.waitForText('.trail', /a network[^]*12 kept[^]*21 stand[^]*3 found/);
    await browser.settled();
    await browser.waitForText('main', 'A network without texts');
    expect(await browser.violations(), 'Sources').to.deep.equal([]);

    await browser.goTo('concepts');
    await browser.waitForText('main', 'bench');
    await browser.driver.findElement(By.xpath('//main//button[contains(., "bench")]')).sendKeys(Key.DELETE);
    await browser.waitForText('.trail', '11 kept');
    await browser.press('Take back');
    await browser.waitForText('.trail', '12 kept');
    expect(await browser.violations(), 'Concepts').to.deep.equal([]);

    await browser.goTo('themes');
    const name = await browser.find('textarea[aria-label="Name of theme A"]');
    await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'The first', Key.ENTER);
    await browser.find('.theme-name[title="The first"]');
    expect(await browser.textOf('main'), 'steadiness').not.to.match(/comes back|steadiness to come/);

    await browser.goTo('map');
    await browser.find('.concept-map .map-word');
    expect(await browser.mapWords()).to.deep.equal(CLUSTERS.flat().sort());
    await browser.fill('input[aria-label="Find on the map"]', 'depot', Key.ENTER);
    await browser.waitForText('aside[aria-label="Reader"]', '3 links with a weight of 12 together');
    await browser.waitForText('aside[aria-label="Reader"]', 'driver');
    expect(await browser.violations(), 'Map').to.deep.equal([]);

    await browser.goTo('links');
    await browser.choose('Matrix');
    await browser.press('.graphml');
    const graphml = readFileSync(await browser.download('.graphml'), 'utf8');
    expect(graphml.match(/<edge /g)).to.have.length(21);
    expect(graphml).not.to.match(/NaN|npmi/);

    const before = await browser.textOf('.trail');
    await browser.press('Save study');
    const saved = await browser.download('.thicket');
    await browser.driver.get(setup.served.address);
    await browser.waitForText('.start-list', /a network of 12 concepts and 21 links · \d themes/);
    await (await browser.find('input[aria-label="Study file"]')).sendKeys(saved);
    await browser.find('.concept-map .map-word');
    await browser.settled();
    expect((await browser.textOf('.trail')).replace(/\s+/g, ' ')).to.equal(before.replace(/\s+/g, ' '));
    await browser.click('[aria-label="Open the list"]');
    await browser.waitForText('.ledger', 'The first');

    // Texts take its place, and it is there again when they go.
    await browser.goTo('sources');
    await intake.add(file('a.txt', 'Rain on the roof. Rain on the bench.'));
    await browser.waitForText('.trail', '1 source');
    await browser.undo();
    await browser.waitForText('.trail', /a network[^]*3 found/);
  });
});
