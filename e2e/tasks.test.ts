import axe from 'axe-core';
import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { faultsOf, root, setStage, type Browser } from './browser.ts';

const STOPS = ['sources', 'clean', 'concepts', 'links', 'themes', 'map', 'compare'];

/** What the map's strokes and words look like. */
const STROKES = ['d', 'fill', 'stroke', 'opacity', 'stroke-dasharray', 'stroke-linecap'];
const TYPE = ['font-weight', 'fill', 'stroke', 'stroke-width'];

describe('a researcher', () => {
  const stage = setStage();
  const { openSample } = stage;
  let browser: Browser;
  beforeEach(() => {
    browser = stage.browser;
  });
  const open = async (path: string): Promise<void> => {
    await browser.driver.get(`${stage.served.address}${path}`);
  };

  it('opens the sample from the first page and reaches the map', async () => {
    await open('/');
    await browser.press('Open the sample study');
    await browser.find('.concept-map .map-word');
    await browser.settled();
    expect((await browser.mapWords()).length).to.be.above(50);
    expect((await browser.all('.parcel')).length).to.be.within(7, 9);
    await browser.waitForText('.trail', '36 sources');
    expect(await browser.textOf('.method-sentence')).to.include('150 strongest links');
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
    await browser.waitForText('.empty-stage', 'No sources yet');
    await (await browser.find('input[type=file][multiple]')).sendKeys(paths.join('\n'));
    await browser.waitForText('.intake-report', '3 sources came in');
    const report = await browser.textOf('.intake-report');
    expect(report).to.include('2 files did not');
    expect(report).to.match(/empty\.txt: It is empty\./);
    expect(report).to.match(/picture\.txt: It is not text but a PNG picture/);
    expect(report).to.include('old.txt was read as Windows-1252.');
    await browser.press('OK');
    await browser.settled();
    expect(await browser.textOf('.source-grid'))
      .to.include('two.md')
      .and.not.include('picture');
    // Tags are words like any others, and there is too little to link, which is said.
    await browser.click('.grid-row [title="Read two.md"]');
    await browser.waitForText('.whole-text', '<script>alert(1)</script>');
    await browser.goTo('links');
    await browser.waitForText('.empty-stage', /too little to link/);
    await browser.goTo('map');
    await browser.waitForText('.empty-stage', /too little to draw/);
    rmSync(folder, { recursive: true });
  });

  it('removes a source and brings it back, and edits an attribute where it stands', async () => {
    await openSample();
    await browser.goTo('sources');
    await browser.click('button[aria-label="Remove d01-driver-veteran.txt"]');
    await browser.waitForText('.trail', '35 sources');
    await browser.press('Undo');
    await browser.waitForText('.trail', '36 sources');
    await browser.setCell('role of d01-driver-veteran.txt', 'retired driver');
    await browser.settled();
    await browser.goTo('compare');
    await browser.waitForText('.compare-table', 'retired driver');
    await browser.waitForText('.stage', 'one source only');
  });

  it('sees what a cleaning step does and switches it', async () => {
    await openSample();
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
    await openSample();
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
    await openSample();
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
    await browser.waitForText('.stage', 'radio');
    await browser.waitForText('.stage', 'mothers');
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
      for (const column of await browser.all('.theme-column')) {
        const text = await column.getText();
        if (new RegExp(`^${concept}$`, 'm').test(text)) return text[0];
      }
      return '';
    };
    const letter = await letterOf('shelter');
    const name = await browser.find(`input[aria-label="Name of theme ${letter}"]`);
    await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Waiting and weather', Key.ENTER);
    await browser.waitForText('.ledger', 'Waiting and weather');
    await browser.goTo('concepts');
    await browser.press('80 to 120');
    await (
      await browser.find('input[aria-label="Number of concepts"]')
    ).sendKeys(Key.chord(Key.CONTROL, 'a'), '60', Key.ENTER);
    await browser.waitForText('.trail', '60 kept');
    await browser.goTo('themes');
    expect(await letterOf('shelter')).to.equal(letter);
    await browser.waitForText('.ledger', 'Waiting and weather');
  });

  it('asks what the themes missed', async () => {
    await openSample();
    await browser.waitForText('.trail', /7 found, reach \d\d %/);
    await browser.goTo('themes');
    await browser.waitForText(
      '.ledger',
      /Themes reach \d\d % of \d+ stretches of text; \d+ % of the words are in concepts/,
    );
    const button = await browser.find('.ledger [aria-pressed=false].linklike');
    const [missed] = /\d+/.exec(await button.getText()) ?? [''];
    await button.click();
    await browser.waitForText('.reader h2', 'What no theme reaches');
    await browser.waitForText('.reader-count', `${missed} stretches in ${missed} passages`);
    await browser.waitForText('.ledger', 'Said there more than elsewhere');
    const address = await browser.driver.getCurrentUrl();
    expect(address).to.include('missed=');
    await browser.driver.get(address);
    await browser.waitForText('.reader h2', 'What no theme reaches');
  });

  it('follows a cell of Compare to its passage, and the passage to its place in the source', async () => {
    await openSample();
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
    await openSample();
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
    await browser.press('Save SVG');
    const svg = readFileSync(await browser.download('.svg'), 'utf8');
    expect(svg)
      .to.match(/^<svg /)
      .and.include('data:font/woff2')
      .and.include('Night buses in Larkhaven');
    // The page draws what the picture does, stroke by stroke, in the same order.
    const told = (element: string, names: readonly string[]): string =>
      names.map((name) => new RegExp(` ${name}="([^"]*)"`).exec(element)?.[1] ?? '').join(' ');
    expect(onPage).to.deep.equal([
      ...[...svg.matchAll(/<path [^>]*>/g)].map(([element]) => told(element, STROKES)),
      ...[...svg.matchAll(/<text [^>]*>/g)].map(([element]) => told(element, TYPE)),
    ]);
    await browser.press('Save PNG');
    expect([...readFileSync(await browser.download('.png')).subarray(1, 4)]).to.deep.equal([
      0x50, 0x4e, 0x47,
    ]);
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

  it('gets the same map, to the last byte, from the command line', async () => {
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
    const drawn = readFileSync(await browser.download('.svg'), 'utf8').replace(/@font-face\{[^}]*\}/, '');
    await browser.press('Save study');
    const path = await browser.download('.thicket');
    const out = join(browser.downloads, 'tables');
    const { status, stderr } = spawnSync(process.execPath, [
      join(root, 'dist/cli/main.js'),
      'analyse',
      path,
      '--out',
      out,
      '--quiet',
    ]);
    expect(status, String(stderr)).to.equal(0);
    expect(readFileSync(join(out, 'map.svg'), 'utf8')).to.equal(drawn);
    const figures = await browser.textOf('.trail li:nth-child(4)');
    const links = readFileSync(join(out, 'links.csv'), 'utf8').trim().split('\n').length - 1;
    expect(figures).to.include(`${links} stand`);
  });

  it('finds everything after the browser is killed at work', async () => {
    await openSample();
    await browser.goTo('themes');
    const name = await browser.find('.theme-name input');
    await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Feeling safe', Key.ENTER);
    await browser.waitForText('.ledger', 'Feeling safe');
    await browser.goTo('map');
    const drawing = await browser.mapDrawing();
    const address = await browser.driver.getCurrentUrl();
    await browser.kill();
    await browser.start();
    await browser.driver.get(address);
    await browser.find('.concept-map .map-word');
    await browser.settled();
    expect(await browser.mapDrawing()).to.equal(drawing);
    await browser.waitForText('.ledger', 'Feeling safe');
  });

  it('finds no stop that is closed to assistive technology', async () => {
    await openSample();
    const found: string[] = [];
    const check = async (where: string): Promise<void> => {
      await browser.driver.executeScript(axe.source);
      const violations = await browser.driver.executeAsyncScript<{ id: string; nodes: { html: string }[] }[]>(
        // Names are compared with what is seen by a rule of its own, which is in none of the sets.
        `const done = arguments[arguments.length - 1];
        const run = (runOnly) => axe.run({ runOnly }).then((result) => result.violations);
        run(['wcag2a', 'wcag2aa', 'best-practice'])
          .then(async (found) => [...found, ...(await run({ type: 'rule', values: ['label-content-name-mismatch'] }))])
          .then(done, (error) => done([{ id: String(error), nodes: [] }]));`,
      );
      found.push(
        ...violations.map(
          ({ id, nodes }) =>
            `${where}: ${id} ${nodes
              .slice(0, 4)
              .map((node) => node.html.slice(0, 160))
              .join(' ; ')}`,
        ),
      );
    };
    await open('/demo');
    await browser.find('.map-word');
    for (const stop of STOPS) {
      await browser.goTo(stop);
      await check(stop);
    }
    await browser.click('.compare-cell');
    await browser.find('.passage');
    await check('compare with passages');
    await open('/');
    await browser.find('.start-list');
    await check('first page');
    expect(found).to.deep.equal([]);
  });
});
