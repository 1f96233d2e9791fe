import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { strFromU8, unzipSync } from 'fflate';
import { Key } from 'selenium-webdriver';
import { readFile } from '../core/src/formats/read/files.ts';
import { setUp } from './set-up.ts';

describe('the Notebook and the report, to a researcher who writes up,', () => {
  const setup = setUp();

  it('“how was this before I dropped that word?”: a view kept with a key, beside what it is now', async () => {
    const { browser } = setup;
    await setup.openSample();
    await browser.driver.actions().sendKeys('v').perform();
    await browser.waitForText('.ant-message', 'Concept map: kept in the Notebook.');
    const field = await browser.find('input[aria-label="Find on the map"]');
    // A letter that is typed is a letter.
    await field.sendKeys('van', Key.ENTER);
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), 'camera', Key.ENTER);
    await browser.waitForText('.reader h2', 'camera');
    await browser.press('Drop');
    await browser.settled();
    await browser.press('Notebook 1');
    await browser.click('.kept-view');
    await browser.waitForText('.ant-modal', 'As it is now, 1 decision later');
    const drawn = await browser.driver.executeScript<string[]>(
      "return [...document.querySelectorAll('.then-and-now section')].map((each) => each.querySelector('img')?.alt ?? '')",
    );
    expect(drawn.length).to.equal(2);
    expect(drawn[0]).to.include('camera');
    expect(drawn[1]).to.include('police').and.not.include('camera');
    await browser.click('.ant-modal-close');
    await browser.fill('textarea[aria-label="New memo"]', 'What cameras are for');
    await browser.press('As a heading');
    await browser.until('The heading is not first', async () =>
      /Heading/.test((await (await browser.find('.notebook-entry')).getAttribute('aria-label')) ?? ''),
    );
    await browser.click('button[aria-label="Move down: Heading"]');
    await browser.until('It was not moved', async () =>
      /Kept view/.test((await (await browser.find('.notebook-entry')).getAttribute('aria-label')) ?? ''),
    );
    await browser.driver.executeScript(
      "[...document.querySelectorAll('.ant-drawer button')].find((each) => each.textContent === 'Undo').click()",
    );
    const first = async (): Promise<string> =>
      (await (await browser.find('.notebook-entry')).getAttribute('aria-label')) ?? '';
    await browser.until('The move was not taken back', async () => /Heading/.test(await first()));
    const [grip] = await browser.all('.entry-grip');
    const [, second] = await browser.all('.notebook-entry');
    await browser.driver.actions().dragAndDrop(grip, second).perform();
    await browser.until('It was not dragged', async () => /Kept view/.test(await first()));
  });

  it('“take one name out of all I publish, and make the report”: pseudonyms, and the words behind the first claim', async () => {
    const { browser } = setup;
    await setup.openSample();
    await browser.press('Notebook');
    await browser.press('Report');
    await browser.waitForText('.report-preview', 'References');
    // By keys: a part is moved with its box, and what comes after the parts is a few Tabs away.
    const parts = (): Promise<string[]> =>
      browser.driver.executeScript<string[]>(
        'return [...document.querySelectorAll(\'[aria-label="Parts of the report"] label\')].map((each) => each.textContent)',
      );
    const [first, second] = await parts();
    const keys = (...sent: string[]): Promise<void> =>
      browser.driver
        .actions()
        .sendKeys(...sent)
        .perform();
    await browser.driver.executeScript(
      'document.querySelector(\'[aria-label="Parts of the report"] input\').focus()',
    );
    await browser.driver.actions().keyDown(Key.ALT).sendKeys(Key.ARROW_DOWN).keyUp(Key.ALT).perform();
    await browser.until('The part stayed', async () => (await parts())[1] === first);
    await browser.driver.actions().keyDown(Key.ALT).sendKeys(Key.ARROW_UP).keyUp(Key.ALT).perform();
    await browser.until('The focus was lost', async () => (await parts())[0] === first);
    expect((await parts())[1]).to.equal(second);
    const focused = (): Promise<string> =>
      browser.driver.executeScript<string>('return document.activeElement.textContent');
    let tabs = 0;
    for (; tabs < 16 && (await focused()) !== 'Pseudonyms'; tabs++) await keys(Key.TAB);
    expect(tabs).to.be.below(16);
    await browser.press('Pseudonyms');
    await browser.fill('input[aria-label="Find a name"]', 'Fen End');
    await browser.fill('input[aria-label="Pseudonym of Fen End"]', 'Fen End House', Key.ENTER);
    await browser.waitForText('[role="alert"]', 'still has Fen End in it');
    await browser.fill('input[aria-label="Pseudonym of Fen End"]', 'the estate', Key.ENTER);
    await browser.waitForText('.report-preview', '[the estate]');
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.press('Save .html');
    const page = readFileSync(await browser.download('.html'), 'utf8');
    expect(page).to.include('[the estate]').and.not.include('Fen End');
    const claims = /<h3>A [^<]+<\/h3>[\s\S]*?<blockquote>([\s\S]*?)<cite>([^<]+), paragraph (\d+)/.exec(page);
    const [, quoted = '', source = ''] = claims ?? [];
    const words = quoted.replace(/<[^>]+>/g, '');
    const text = readFileSync(new URL(`../demo/night-buses/${source}`, import.meta.url), 'utf8');
    // Sentence by sentence: a quotation may reach over the turn of another speaker.
    for (const sentence of words.split(/\n+/)) expect(text).to.include(sentence.trim().slice(0, 60));
    await browser.press('Save .xlsx');
    const { kind, ...workbook } = (await readFile({
      name: 't.xlsx',
      bytes: readFileSync(await browser.download('.xlsx')),
    })) as { kind: string; sheets?: readonly { name: string }[] };
    expect(kind).to.equal('table');
    expect(workbook.sheets?.map(({ name }) => name)).to.include.members([
      'Columns',
      'Concepts',
      'Links',
      'Themes',
    ]);
    await browser.press('Save .docx');
    const files = unzipSync(readFileSync(await browser.download('.docx')));
    expect(strFromU8(files['word/document.xml'])).to.include('Heading2').and.not.include('Fen End');
    // Drawn by the browser: more than the one white point that stands in for it elsewhere.
    expect(files['word/media/picture1.png'].length).to.be.above(10_000);
    // What is saved asks for nothing and is open to assistive technology.
    await browser.driver.get(`data:text/html;charset=utf-8,${encodeURIComponent(page)}`);
    await browser.find('h1');
    expect(await browser.violations()).to.deep.equal([]);
  });

  it('“give it to my colleague in another program”: a project with codes, passages and attributes, which opens as a study', async () => {
    const { browser } = setup;
    await setup.openSample();
    await browser.goTo('themes');
    await browser.press('For other programs');
    await browser.pickFromMenu('Project (.qdpx)');
    const project = await browser.download('.qdpx');
    await browser.driver.get(setup.served.address);
    await browser.press('Start an empty study');
    await (await browser.find('input[type=file][multiple]')).sendKeys(project);
    await browser.waitForText('.trail', '36 sources');
    await browser.settled();
    // The attributes came along, and what was coded: words and whole passages, with the names of their codes.
    await browser.waitForText('.centre', 'district');
    await browser.driver.executeScript(
      "[...document.querySelectorAll('button')].find((each) => /^Notebook/.test(each.textContent)).click()",
    );
    await browser.waitForText('.notebook-entry', /\S/);
  });
});
