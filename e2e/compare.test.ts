import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { strFromU8, unzipSync } from 'fflate';
import { By, Key, type WebElement } from 'selenium-webdriver';
import { readFile } from '@green-thicket/core/formats/read/files';
import { root } from './served.ts';
import { setUp } from './set-up.ts';

const setup = setUp();

/** How many stretches a mark says it stands on. */
const stretchesIn = (title: string): string =>
  /: (\d+) of /.exec(title)?.[1] ?? /, (\d+) of /.exec(title)?.[1] ?? '';

describe('comparing', function () {
  this.timeout(120_000);

  const open = async (face?: string, isOnlyLookedAt = false): Promise<void> => {
    await (isOnlyLookedAt ? setup.showSample() : setup.openSample());
    await setup.browser.goTo('compare');
    if (face !== undefined) await setup.browser.choose(face);
    await setup.browser.settled();
  };
  /** Presses what is found by a style, by keys, and waits for the Reader to count so many. */
  const readByKey = async (css: string, count: (title: string) => string): Promise<void> => {
    const { browser } = setup;
    await browser.find(css);
    // The first that stands on anything.
    const mark = await browser.driver.executeScript<WebElement>(
      "return [...document.querySelectorAll(arguments[0])].find((each) => !/[:,] 0 of /.test(each.getAttribute('title') ?? each.querySelector('title').textContent))",
      css,
    );
    const title =
      (await mark.getAttribute('title')) ??
      (await (await mark.findElement(By.css('title'))).getAttribute('textContent'));
    await browser.driver.executeScript('arguments[0].focus()', mark);
    await browser.driver.actions().sendKeys(Key.ENTER).perform();
    const expected = count(title ?? '');
    expect(expected, title ?? '').to.match(/^\d+$/);
    await browser.waitForText('.reader-count', new RegExp(`^${expected} stretch`));
  };

  it('which theme do drivers raise that residents do not, and in joined and crossed groups?', async () => {
    const { browser } = setup;
    await open();
    const loud = await browser.driver.executeScript<string>(`
      const rows = [...document.querySelectorAll('.compare-table tbody tr')];
      const share = (row, cell) => parseFloat(row.querySelectorAll('.compare-cell')[cell].textContent);
      rows.sort((a, b) => share(b, 0) - share(b, 1) - share(a, 0) + share(a, 1));
      rows[0].id = 'loudest';
      return rows[0].querySelector('.beyond-chance') ? 'beyond chance' : 'may be chance';
    `);
    expect(loud).to.equal('beyond chance');
    await readByKey('#loudest .compare-cell', (title) => /: (\d+) of/.exec(title)?.[1] ?? '');
    await browser.waitForText('.reader', 'driver or depot staff');
    const text = await browser.textOf('.reader');
    expect(text).to.not.include('resident or business owner,');
    await browser.press('role');
    await browser.find('[aria-label="Groups by role"]');
    const named = async (): Promise<string> =>
      browser.driver.executeScript<string>(
        "return [...document.querySelectorAll('.compared-group')].map((each) => each.textContent).join(', ')",
      );
    const before = await named();
    await browser.press('driver or depot staff 12');
    await browser.press('shift worker 12');
    await browser.find('[aria-label="Name of the joined group"]');
    await browser.driver.executeScript(
      'document.querySelector(\'[aria-label="Name of the joined group"]\').focus()',
    );
    await browser.driver.actions().sendKeys('at work', Key.ENTER).perform();
    await browser.until(
      'The groups were not joined',
      async () => (await named()) === 'at work, resident or business owner',
    );
    await browser.waitForText('.method-sentence', 'with at work joined');
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.undo();
    await browser.until('They stay joined', async () => (await named()) === before);
    await browser.press('role');
    await browser.pick('Crossed with', 'wave');
    await browser.until('Nothing is crossed', async () => (await named()).includes('shift worker × before'));
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.settled();
    await readByKey(
      '.compare-table tbody tr:first-child td:nth-child(2) .compare-cell',
      (title) => /: (\d+) of/.exec(title)?.[1] ?? '',
    );
  });

  it('“compare more groups than columns can be read of”: every source on one scale, without scrolling', async () => {
    const { browser } = setup;
    await open();
    await browser.press('by');
    await browser.choose('single sources');
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.find('.scales button.track-dot');
    await browser.settled();
    const { sideways, marks, names, apart } = await browser.driver.executeScript<{
      sideways: number;
      marks: number;
      names: string[];
      apart: string;
    }>(`const body = document.querySelector('.centre-body');
      const row = document.querySelector('.scales tbody tr');
      return {
        sideways: body.scrollWidth - body.clientWidth,
        marks: row.querySelectorAll('button.track-dot').length,
        names: [...row.querySelectorAll('.scale-name')].map((each) => each.textContent),
        apart: row.querySelector('.scale-who').textContent,
      };`);
    expect(sideways).to.equal(0);
    expect(marks).to.equal(36);
    // Who is named above the scale is named at the right with a figure; sources by themselves are not tested.
    for (const name of names) expect(apart).to.include(name);
    await readByKey('.scales button.track-dot', (title) => /: (\d+) of/.exec(title)?.[1] ?? '');
    await browser.undo();
  });

  it('“my table has a column of years”: offered where nothing says that it is a date, taken with one click, undone', async () => {
    const { browser } = setup;
    const folder = mkdtempSync(join(tmpdir(), 'thicket-years-'));
    const demo = join(root, 'demo/night-buses');
    const names = readdirSync(demo).filter((name) => name.endsWith('.txt'));
    const table = join(folder, 'years.csv');
    const rows = names.map((name, i) => `${name},${2009 + 11 * (i % 2)}`);
    writeFileSync(table, ['file,season', ...rows, ''].join('\n'));
    const texts = names.map((name) => join(demo, name));
    const { status, stderr } = spawnSync(process.execPath, [
      join(root, 'dist/cli/main.js'),
      ...['analyse', ...texts, '--attributes', table, '--out', join(folder, 'out'), '--quiet'],
    ]);
    expect(status, String(stderr)).to.equal(0);
    await browser.driver.get(setup.served.address);
    const input = await browser.find('input[aria-label="Study file"]');
    await input.sendKeys(join(folder, 'out/study.thicket'));
    await browser.find('.concept-map .map-word');
    rmSync(folder, { recursive: true });
    await browser.goTo('compare');
    await browser.choose('Over time');
    await browser.waitForText('.empty-centre', /This column could be one:\s+season/);
    await browser.click('.empty-centre button');
    // Two years stand as columns, far apart as they are; of a year no more is known, so that none is looked into.
    await browser.waitForText('table.marked thead', /2009[^]*2020/);
    expect(await browser.all('table.marked thead th')).to.have.length(4);
    expect(await browser.all('[aria-label*="look into" i]')).to.have.length(0);
    await readByKey('table.marked .compare-cell', stretchesIn);
    await browser.undo();
    await browser.waitForText('.empty-centre', /This column could be one:\s+season/);
  });

  it('drill from the year to the day, with the average line, and read what stands behind a point', async () => {
    const { browser } = setup;
    await open('Over time', true);
    await browser.pick('Length of a period', 'by year');
    await browser.waitForText('.time-spans', 'All of');
    // One or two periods are columns, not lines of one point.
    await browser.waitForText('table.marked thead', '2025');
    for (let depth = 0; depth < 3; depth++) {
      await browser.settled();
      const name = await browser.driver.executeScript<string>(`
        const panel = document.querySelector('table.marked') ?? document.querySelector('.time-panel');
        const highest = [...panel.querySelectorAll('[aria-pressed]')][0].getAttribute('aria-label');
        const period = /: |, /.exec(highest) && highest.match(/(\\d{4}(?:-\\d\\d|-\\d\\d-\\d\\d| Q\\d)?):/)[1];
        const into = [...panel.querySelectorAll('[aria-label*="look into" i]')].find((each) => each.getAttribute('aria-label')?.toLowerCase().endsWith("look into " + period.toLowerCase()))
          ?? panel.querySelector('[aria-label*="look into" i]');
        into.focus();
        return into.getAttribute('aria-label');
      `);
      await browser.driver.actions().sendKeys(Key.ENTER).perform();
      await browser.waitForText('.time-spans', name.replace(/.*look into /i, ''));
    }
    await browser.settled();
    await browser.find('[aria-label="Length of a period"]');
    await readByKey('.centre-body > :not([hidden]) [aria-pressed]', stretchesIn);
    await browser.press('All of 2025');
    await browser.settled();
    await browser.pick('Lines', 'a line for each group');
    await browser.waitForText('.time-legend', 'shift worker');
    await browser.until('No line is drawn', async () =>
      (await browser.textOf('.time-panel')).includes('means '),
    );
    await browser.settled();
    await readByKey('.time-panel [aria-pressed]', (title) => /, (\d+) of/.exec(title)?.[1] ?? '');
    await browser.press('Save');
    await browser.pickFromMenu('Drawing (.svg)');
    const svg = readFileSync(await browser.download('.svg'), 'utf8');
    expect(svg)
      .to.match(/^<svg /)
      .and.include('data:font/woff2');
  });

  it('how do they feel about it, and which words say so? What sets them apart, where in their talk, in whose words?', async () => {
    const { browser } = setup;
    await open('Tone');
    await browser.waitForText('.centre', 'does not hear irony');
    await browser.find('.tone-tones [title*="VADER says the opposite of"]');
    await readByKey(
      '.tone-tones tbody tr:nth-child(2) button',
      (title) => /, (\d+) of/.exec(title)?.[1] ?? '',
    );
    await browser.waitForText('.tone-words h2', 'Words that make it positive');
    const marked = await browser.all('.passage mark');
    expect(marked.length).to.be.greaterThan(0);
    await browser.click('.tone-words .linklike');
    await browser.waitForText('.reader h2', '"');
    const file = join(tmpdir(), 'feelings.csv');
    writeFileSync(file, 'word,feeling,weight\nafraid,fear,1\ndark,fear,1\nafraid,fear,2\nbus,,x\n');
    await (await browser.find('[aria-label="File with a tone list"]')).sendKeys(file);
    await browser.waitForText('.ant-modal', '2 words came in');
    await browser.waitForText('.ant-modal', /already.*afraid/s);
    await browser.press('OK');
    await browser.waitForText('.tone-tones', /fear \d+ %/);
    await browser.press('Undo');
    await browser.until(
      'The list stays',
      async () => !(await browser.textOf('.tone-tones')).includes('fear '),
    );
    await browser.choose('Apart');
    await browser.settled();
    await browser.pick('What sets apart', 'shift worker');
    await browser.waitForText('.centre', 'shift worker says more of it');
    await browser.until('No line is drawn', async () => (await browser.all('.apart-line')).length > 4);
    await browser.driver.executeScript("document.querySelector('.apart-line').focus()");
    await browser.driver.actions().sendKeys(Key.ENTER).perform();
    await browser.waitForText('.reader-count', /\d+ stretch/);
    await browser.choose('Course');
    await browser.settled();
    await readByKey('.course-bars button:not(:disabled)', stretchesIn);
    await browser.choose('Profiles');
    await browser.settled();
    await browser.click('.profile-source .profile-mixture button');
    await browser.waitForText('.reader-count', /\d+ stretch/);
    await browser.choose('Voices');
    await browser.settled();
    await browser.find('.typical-passage mark');
    await browser.choose('Table');
    await browser.settled();
    await browser.press('Save');
    await browser.pickFromMenu('Workbook (.xlsx)');
    const bytes = new Uint8Array(readFileSync(await browser.download('.xlsx')));
    const content = await readFile({ name: 'x.xlsx', bytes });
    expect(content.kind).to.equal('table');
    if (content.kind !== 'table') return;
    const [head, first] = content.sheets[0].rows;
    expect(head.slice(0, 4)).to.deep.equal(['letter', 'row', 'group', 'strength']);
    expect(Number(first[3])).to.be.within(0, 1);
  });

  it('compares sources one by one, where they have no attribute', async () => {
    const { browser } = setup;
    const folder = join(root, 'demo/night-buses');
    const paths = readdirSync(folder).filter((name) => /^s\d\d.*\.txt$/.test(name));
    await browser.driver.get(setup.served.address);
    await browser.press('Start an empty study');
    await (
      await browser.find('input[type=file][multiple]')
    ).sendKeys(paths.map((name) => join(folder, name)).join('\n'));
    await browser.waitForText('.trail', `${paths.length} sources`);
    await browser.goTo('compare');
    await browser.press('Compare every source by itself');
    await browser.settled();
    await browser.waitForText('.trail', 'source by source');
    // Every source is a column, and a mark opens what that source says.
    await browser.waitForText('.centre', 'Whose interval leaves the mean');
    await readByKey(
      'button.track-dot[title^="s01-hospital-porter"]',
      (title) => /: (\d+) of/.exec(title)?.[1] ?? '',
    );
    await browser.undo();
    await browser.waitForText('.empty-centre', 'Nothing to compare yet');
  });

  it('keeps the company of a concept, two concepts, links by group and the sparser views of Links', async () => {
    const { browser } = setup;
    await setup.showSample();
    await browser.goTo('links');
    const rows = async (): Promise<number> =>
      Number(await (await browser.find('.figure-table')).getAttribute('aria-rowcount')) - 1;
    const all = await rows();
    await browser.pick('Which links', 'backbone');
    await browser.until(
      'The backbone is no sparser',
      async () => (await rows()) < all && (await rows()) > 10,
    );
    await browser.pick('Which links', 'rarer than chance');
    await browser.until('Links are still shown', async () => (await rows()) < all);
    await browser.pick('Company of a concept', 'driver');
    await browser.choose('Company');
    await browser.waitForText('.company', /driver stands in \d+ windows/);
    await browser.click('.company-table tbody button');
    await browser.waitForText('.reader h2', /driver/);
    await browser.choose('Matrix');
    await browser.press('.graphml');
    expect(readFileSync(await browser.download('.graphml'), 'utf8')).to.include('edgedefault="undirected"');
    await browser.choose('By group');
    await browser.settled();
    await browser.until(
      'No group has a link',
      async () => (await browser.all('.figure-table .grid-row')).length > 5,
    );
  });

  it('keeps the themes, makes another number of them, says what became of which, and lays them side by side', async () => {
    const { browser } = setup;
    await setup.openSample();
    await browser.goTo('themes');
    await (await browser.find('.theme-name')).sendKeys(Key.chord(Key.CONTROL, 'a'), 'Named by me', Key.ENTER);
    await browser.find('.theme-name[title="Named by me"]');
    await browser.choose('Side by side');
    await browser.press('Keep the themes as they are');
    await browser.waitForText('.centre', 'Agreement 1.00');
    await browser.choose('Themes');
    await browser.click('.choices button[aria-pressed=false]');
    await browser.waitForText('.became', /By the last change: .*(?:split into|are one now|is new|any more)/);
    await browser.choose('Side by side');
    await browser.waitForText('.centre', /Agreement 0\.\d\d over/);
    await browser.find('.beside-moved .linklike');
    await browser.undo();
    await browser.waitForText('.centre', 'Agreement 1.00');
    await browser.waitForText('.centre', 'Named by me');
    await browser.choose('Figures');
    await browser.settled();
    await browser.find('.typical-passage mark');
    await browser.waitForText('.figure-table', 'Coherence');
    await browser.press('For other programs');
    await browser.pickFromMenu('Project (.qdpx)');
    const files = unzipSync(new Uint8Array(readFileSync(await browser.download('.qdpx'))));
    expect(Object.keys(files).length).to.equal(37);
    expect(strFromU8(files['project.qde'])).to.include('name="Named by me"');
  });
});
