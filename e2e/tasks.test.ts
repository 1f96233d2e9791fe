import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { faultsOf, type Browser } from './browser.ts';
import { CHROMIUM } from './chromium.ts';
import { root } from './served.ts';
import { setUp } from './set-up.ts';

const STOPS = ['sources', 'clean', 'concepts', 'links', 'themes', 'map', 'compare'];

describe('a researcher', () => {
  const setup = setUp();
  const { openSample, showSample } = setup;
  let browser: Browser;
  beforeEach(() => {
    browser = setup.browser;
  });
  const open = async (path: string): Promise<void> => {
    await browser.driver.get(`${setup.served.address}${path}`);
  };

  it('opens the sample from the first page and reaches the map', async () => {
    await open('/');
    await browser.press('Open the sample study');
    await browser.find('.concept-map .map-word');
    await browser.settled();
    expect((await browser.mapWords()).length).to.be.above(50);
    expect((await browser.all('.parcel')).length).to.be.within(7, 9);
    await browser.waitForText('.trail', '36 sources');
    expect(await browser.textOf('.method-sentence')).to.include('150 links');
    expect(await faultsOf(browser.driver)).to.deep.equal([]);
  });

  it('imports files of which one is empty and one is a picture', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'thicket-files-'));
    const file = (name: string, content: string | Uint8Array): string => {
      writeFileSync(join(folder, name), content);
      return join(folder, name);
    };
    const paths = [
      file('one.txt', 'The rain came. The shelter leaked.'),
      file('two.md', 'The shelter has <script>alert(1)</script> no roof.'),
      file('empty.txt', ''),
      file('picture.txt', Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a)),
      file('old.txt', Uint8Array.of(0x43, 0x61, 0x66, 0xe9, 0x20, 0x6f, 0x70, 0x65, 0x6e)),
    ];
    await open('/');
    await browser.press('Start an empty study');
    await browser.waitForText('.empty-centre', 'No sources yet');
    await (await browser.find('input[type=file][multiple]')).sendKeys(paths.join('\n'));
    const report = await browser.seeNotice('3 sources came in; 2 files did not');
    expect(report).to.match(/empty\.txt: It is empty\./);
    expect(report).to.match(/picture\.txt: It is not text but a PNG picture/);
    expect(report).to.include('old.txt was read as Windows-1252.');
    await browser.settled();
    expect(await browser.textOf('.source-grid'))
      .to.include('two.md')
      .and.not.include('picture');
    // Tags are words like any others, and there is too little to link, which is said.
    await browser.click('.grid-row [title="Read two.md"]');
    await browser.waitForText('.whole-text', '<script>alert(1)</script>');
    await browser.goTo('links');
    await browser.waitForText('.empty-centre', /too little to link/);
    await browser.goTo('map');
    await browser.waitForText('.empty-centre', /too little to draw/);
    rmSync(folder, { recursive: true });
  });

  it('removes a source and brings it back, and edits an attribute where it stands', async () => {
    await showSample();
    await browser.goTo('sources');
    await browser.click('button[aria-label="Remove d01-driver-veteran.txt"]');
    await browser.waitForText('.trail', '35 sources');
    await browser.press('Undo');
    await browser.waitForText('.trail', '36 sources');
    await browser.setCell('role of d01-driver-veteran.txt', 'retired driver');
    await browser.settled();
    await browser.goTo('compare');
    await browser.waitForText('.compare-table', 'retired driver');
    await browser.waitForText('.centre', 'one source only');
  });

  it('sees what a cleaning step does and switches it', async () => {
    await showSample();
    await browser.goTo('clean');
    await browser.waitForText('.step-list', /Numbers\s\d+/);
    await browser.press('add a step');
    await browser.waitForText('.add-step', /Punctuation\s[\d,]+/);
    await browser.click('.add-step li:nth-child(7) button');
    await browser.press('a text still to be written is taken out');
    const find = await browser.find('input[aria-label="Text to find"]');
    await browser.click('button[aria-label="It is a pattern (regular expression)"]');
    await browser.waitForText('.method-sentence', 'a text still to be written');
    await find.sendKeys('(?=x)', Key.ENTER);
    await browser.waitForText('.control-fault', /can’t be read.*Look-around/);
    await find.sendKeys(Key.chord(Key.CONTROL, 'a'), '(a+)+b|Driver', Key.ENTER);
    await browser.waitForText('.method-sentence', 'what matches “(a+)+b|Driver” is taken out');
    await find.sendKeys(Key.ESCAPE);
    await browser.pointAt('[data-step=replace-1]');
    await browser.waitForText('.step-card', /[1-9]\d* places in \d+ sources/);
    expect(await browser.textOf('.step-card')).to.match(/Before[\s\S]*After/);
    await browser.waitForText('.clean-body del.trace', 'Driver');
    expect((await browser.all('.clean-body .trace-case')).length, 'only its own places').to.equal(0);
    await browser.click('.step-list [aria-label="A text or pattern of your own"]');
    await browser.waitForText('.step-card', /places would change/);
    await browser.settled();
    await browser.choose('Cleaned');
    await browser.waitForText('.clean-body', 'driver:');
  });

  it('drops a concept, sees links, themes and map follow, and undoes it', async () => {
    await showSample();
    const words = await browser.mapWords();
    const drawing = await browser.mapDrawing();
    expect(words).to.include('camera');
    await browser.goTo('concepts');
    const links = await browser.textOf('.trail li:nth-child(4)');
    await (await browser.find('input[aria-label="Find a word"]')).sendKeys('camera');
    await browser.click('.concept-row');
    await browser.press('Drop');
    await browser.waitForText('.concept-card', 'dropped by you');
    await browser.settled();
    await browser.until(
      'The links never changed',
      async () => (await browser.textOf('.trail li:nth-child(4)')) !== links,
    );
    await browser.goTo('themes');
    expect(await browser.textOf('.theme-columns')).not.to.match(/^camera$/m);
    await browser.goTo('map');
    expect(await browser.mapWords()).not.to.include('camera');
    await browser.undo();
    await browser.until('The map never came back', async () => (await browser.mapWords()).includes('camera'));
    await browser.settled();
    expect(await browser.mapWords()).to.deep.equal(words);
    expect(await browser.mapDrawing()).to.equal(drawing);
  });

  it('merges two concepts, renames one, and keeps one that was left out', async () => {
    await showSample();
    await browser.goTo('concepts');
    const pick = async (word: string): Promise<void> => {
      await (
        await browser.find('input[aria-label="Find a word"]')
      ).sendKeys(Key.chord(Key.CONTROL, 'a'), word);
      await browser.until(`${word} is not found`, async () =>
        (await browser.textOf('.concept-row')).startsWith(word),
      );
      await browser.click('.concept-row');
      await browser.find(`.concept-card[aria-label="Concept ${word}"]`);
    };
    await pick('grandmother');
    await (await browser.find('input[aria-label="Merge into"]')).sendKeys('mother');
    await (
      await browser.find('.concept-actions')
    )
      .findElement(By.xpath(".//button[normalize-space()='Merge']"))
      .click();
    await browser.settled();
    await pick('mother');
    await browser.waitForText('.concept-card', /made of mother \(\d+\), grandmother \(\d+\)/);
    const name = await browser.find('input[aria-label="Name"]');
    await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'mothers', Key.ENTER);
    await browser.waitForText('.reader', 'mothers');
    await pick('radio');
    await browser.press('Keep');
    await browser.waitForText('.concept-card', 'kept by you');
    await browser.goTo('themes');
    await browser.waitForText('.centre', 'radio');
    await browser.waitForText('.centre', 'mothers');
  });

  it('saves a study, clears the browser, opens it, and finds the same map', async () => {
    await openSample();
    await browser.goTo('concepts');
    await (await browser.find('input[aria-label="Find a word"]')).sendKeys('police');
    await browser.click('.concept-row');
    await browser.press('Drop');
    await browser.waitForText('.concept-card', 'dropped by you');
    await browser.goTo('map');
    const drawing = await browser.mapDrawing();
    await browser.press('Save study');
    const path = await browser.download('.thicket');
    await open('/');
    await browser.click('button[aria-label^="Delete"]');
    await browser.click('.ant-popconfirm .ant-btn-primary');
    await browser.until(
      'The study is still there',
      async () => (await browser.all('.start-list li')).length === 0,
    );
    await (await browser.find('input[aria-label="Study file"]')).sendKeys(path);
    await browser.find('.concept-map .map-word');
    await browser.settled();
    expect(await browser.mapDrawing()).to.equal(drawing);
    // A file that was cut short leaves what is there alone.
    const cut = `${path}.cut.thicket`;
    writeFileSync(cut, readFileSync(path).subarray(0, 5000));
    await open('/');
    await (await browser.find('input[aria-label="Study file"]')).sendKeys(cut);
    await browser.waitForText('.ant-modal-confirm-content', /cut short/);
    await browser.until('The study is gone', async () => (await browser.all('.start-list li')).length === 1);
  });

  it('gets the same map and report, to the last byte, from the command line', async () => {
    await openSample();
    await browser.goTo('links');
    await browser.press('0.1');
    await (
      await browser.find('input[aria-label="Cut-off"]')
    ).sendKeys(Key.chord(Key.CONTROL, 'a'), '0.25', Key.ENTER);
    await browser.waitForText('.method-sentence', 'above 0.25');
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.goTo('map');
    await browser.press('Save SVG');
    const drawing = await browser.download('.svg');
    await browser.press('Save PNG');
    await browser.pickFromMenu('Picture (.png), 2 × size');
    const picture = await browser.download('.png');
    await browser.press('Save study');
    const path = await browser.download('.thicket');
    await browser.press('Notebook');
    await browser.press('Report');
    await browser.waitForText('.report-preview', 'References');
    await browser.press('Save .docx');
    const report = await browser.download('.docx');
    await browser.press('Save .html');
    const page = await browser.download('.html');
    const out = join(browser.downloads, 'tables');
    const { status, stderr } = spawnSync(process.execPath, [
      join(root, 'dist/cli/main.js'),
      'analyse',
      path,
      '--out',
      out,
      '--quiet',
      '--report',
      '--browser',
      CHROMIUM,
    ]);
    expect(status, String(stderr)).to.equal(0);
    const written = { 'map.svg': drawing, 'map.png': picture, 'report.docx': report, 'report.html': page };
    for (const [name, saved] of Object.entries(written))
      expect(readFileSync(join(out, name)).equals(readFileSync(saved)), name).to.equal(true);
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    const figures = await browser.textOf('.trail li:nth-child(4)');
    const links = readFileSync(join(out, 'links.csv'), 'utf8').trim().split('\n').length - 1;
    expect(figures).to.include(`${links} stand`);
  });

  it('finds everything after the browser is killed at work', async () => {
    await openSample();
    await browser.goTo('themes');
    const name = await browser.find('.theme-name');
    await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Feeling safe', Key.ENTER);
    await browser.find('.theme-name[title="Feeling safe"]');
    await browser.goTo('map');
    const drawing = await browser.mapDrawing();
    const address = await browser.driver.getCurrentUrl();
    await browser.kill();
    await browser.start();
    await browser.driver.get(address);
    await browser.find('.concept-map .map-word');
    await browser.settled();
    expect(await browser.mapDrawing()).to.equal(drawing);
    await browser.waitForText('.concept-map', /Feeling/);
  });

  it('finds no stop that is closed to assistive technology, by day or by night', async () => {
    const found: string[] = [];
    const check = async (where: string): Promise<void> => {
      for (const each of await browser.violations()) found.push(`${where}: ${each}`);
    };
    const checkStops = async (ground: string): Promise<void> => {
      for (const stop of STOPS) {
        await browser.goTo(stop);
        await check(`${ground} ${stop}`);
      }
      await browser.choose('Marks');
      await browser.click('.compare-cell');
      await browser.find('.passage');
      await check(`${ground} compare with passages`);
      await browser.choose('Over time');
      await browser.find('.time-panel');
      await check(`${ground} over time`);
    };
    const paper = (): Promise<string> =>
      browser.driver.executeScript('return getComputedStyle(document.body).backgroundColor');
    await openSample();
    await checkStops('light');
    const light = await paper();
    // By its name, from any stop; what is picked and where one is stays.
    const address = await browser.driver.getCurrentUrl();
    await browser.driver.actions().keyDown(Key.CONTROL).sendKeys('k').keyUp(Key.CONTROL).perform();
    await browser.fill('input[aria-label="Go to"]', 'dark col', Key.ENTER);
    await browser.until('It stays light', async () => (await paper()) !== light);
    expect(await browser.driver.getCurrentUrl()).to.equal(address);
    await checkStops('dark');
    // What is saved is as on paper, in written-out colours.
    await browser.choose('Apart');
    await browser.find('.apart-drawing');
    await browser.press('Save');
    await browser.pickFromMenu('Drawing (.svg)');
    const svg = readFileSync(await browser.download('.svg'), 'utf8');
    expect(svg)
      .to.include('#26302a')
      .and.not.match(/var\(|color-mix/);
    // Kept for the next page, and taken back there.
    await open('/');
    await browser.find('.start-list');
    expect(await paper()).not.to.equal(light);
    await check('dark first page');
    await browser.press('light');
    await browser.until('It stays dark', async () => (await paper()) === light);
    await open('/');
    await browser.find('.start-list');
    await check('first page');
    expect(found).to.deep.equal([]);
  });
});
