import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { strFromU8, unzipSync } from 'fflate';
import { Key } from 'selenium-webdriver';
import type { Browser } from './browser.ts';
import { survey, document, OPEN_STUDY_DATABASE, setIntake } from './intake.ts';

describe('a messy collection', () => {
  const intake = setIntake();
  const { setup, file, add } = intake;
  let browser: Browser;
  beforeEach(() => {
    browser = intake.browser;
  });

  it('comes from a table whose text column is found, with its empty answers counted', async () => {
    await add(survey);
    await browser.waitForText('.ant-modal', 'This column was taken because “remarks” reads like language');
    await browser.pick('Text column', 'form record');
    await browser.waitForText('.table-note', 'All 120 rows');
    await browser.pick('Text column', 'remarks');
    await browser.waitForText('.table-note', '48 of 120 rows of survey.csv have no text in “remarks”');
    await browser.waitForText('.preview-table', 'The nightbus got me home');
    await browser.press('Add 72 sources');
    // It stays until it was looked at, wherever one goes.
    await browser.waitForText('.notice-line', '48 of 120 rows');
    await browser.goTo('clean');
    await browser.waitForText('.notice-line', '72 sources came in');
    await browser.goTo('sources');
    await browser.seeNotice('48 of 120 rows');
    expect(await browser.all('.notice-line')).to.have.length(0);
    await browser.waitForText('.trail', '72 sources');
    await browser.find('[aria-label="age of survey 001: 22"]');
    await browser.waitForText('[aria-label="Attributes"]', 'date · ');
    await browser.press('Undo');
    await browser.waitForText('.empty-centre', 'No sources yet');
  });

  it('leaves the focus in the middle once it is in, one key from the sentence and the trail', async () => {
    const isInCentre = (): Promise<boolean> =>
      browser.driver.executeScript<boolean>(`return document.activeElement.closest('main.centre') !== null`);
    await browser.until('the empty study has no focus', isInCentre);
    await add(file('one.txt', 'The bus was late and I waited in the rain.'));
    await browser.waitForText('.notice-line', '1 source came in');
    await browser.until('the focus is lost after one text', isInCentre);
    await add(survey);
    await browser.pick('Text column', 'remarks');
    await (await browser.button('Add 72 sources')).sendKeys(Key.ENTER);
    await browser.waitForText('.notice-line', '72 sources came in');
    await browser.until('the focus is lost after a table', isInCentre);
    await (await browser.button('Seen')).sendKeys(Key.ENTER);
    await browser.until('the focus is lost after a table', isInCentre);
    await browser.driver.actions().keyDown(Key.SHIFT).sendKeys(Key.TAB).keyUp(Key.SHIFT).perform();
    expect(
      await browser.driver.executeScript<boolean>(
        `return document.activeElement.closest('.method-sentence, .ledger') !== null`,
      ),
    ).to.equal(true);
    await browser.settled();
  });

  it('has a document that is split into the nine parts it is known to have', async () => {
    await add(document('conductor-diary.docx'));
    await browser.waitForText('.trail', '1 source');
    await browser.press('Split …');
    await browser.waitForText('.split-count', '10 parts');
    // The title passes for a heading; what the headings are is better known to the researcher.
    await browser.choose('at lines that match a pattern');
    const pattern = await browser.find('[aria-label="Pattern of a heading line"]');
    await pattern.sendKeys('^[A-Z][a-z]+ (');
    await browser.waitForText('.ant-modal .control-fault', 'can’t be read');
    await pattern.sendKeys('?:[0-9]+) February$');
    await browser.waitForText('.split-count', '10 parts');
    await browser.choose('drop it');
    await browser.waitForText('.split-count', '9 parts; 45 characters before the first are dropped');
    await browser.waitForText('.preview-table', 'Friday 14 February');
    await browser.press('Make 9 parts');
    await browser.waitForText('.trail', '9 sources');
    await browser.find(
      '[aria-label="document of conductor-diary.docx: Sunday 16 February: conductor-diary.docx"]',
    );
    await browser.settled();
    // A part is read in its own words, from its own beginning.
    await browser.click('[title="Read conductor-diary.docx: Monday 10 February"]');
    await browser.waitForText('.whole-text', 'handed me a complaint in an envelope');
    expect(await browser.textOf('.whole-text')).not.to.include('Empty bus both ways');
    await browser.press('Undo');
    await browser.waitForText('.trail', '1 source');
  });

  it('takes a page in by its address', async () => {
    const said =
      'The night bus stopped at the old mill and nobody got on, so the driver read his paper twice. ';
    const server: Server = createServer((_request, response) => {
      response.writeHead(200, { 'Content-Type': 'text/html' });
      response.end(
        `<html><head><title>A night at the terminus</title></head><body><nav>Home News Sport</nav><article>${`<p>${said.repeat(3)}</p>`.repeat(4)}</article></body></html>`,
      );
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    try {
      await browser.press('Web page');
      const address = await browser.find('[aria-label="Address of the page"]');
      await address.sendKeys('http://10.0.0.1/secret', Key.ENTER);
      await browser.waitForText('.control-fault', 'private network are not fetched');
      await address.sendKeys(
        Key.chord(Key.CONTROL, 'a'),
        `http://127.0.0.1:${(server.address() as AddressInfo).port}/night`,
        Key.ENTER,
      );
      await browser.waitForText('[aria-label="The page’s main text"]', 'A night at the terminus');
      await browser.press('Add as a source');
      await browser.waitForText('.source-grid', 'A night at the terminus');
      await browser.click('[title="Read A night at the terminus"]');
      await browser.waitForText('.whole-text', 'the driver read his paper twice');
      expect(await browser.textOf('.whole-text')).not.to.include('Sport');
    } finally {
      server.close();
    }
  });

  it('is worked with in part, through to the map', async () => {
    await setup.openSample();
    const all = await browser.mapWords();
    await browser.goTo('sources');
    await browser.press('all 36 sources');
    await browser.pick('Attribute to pick by', 'role');
    await browser.choose('shift worker · 12');
    await browser.waitForText('.method-sentence', '12 of 36 sources, where role is shift worker');
    await browser.pick('Attribute to pick by', 'date');
    const from = await browser.find('[aria-label="date from"]');
    await from.sendKeys('1 March 2025', Key.ENTER);
    await browser.waitForText('.control-box', 'date is on or after 2025-03-01');
    const name = await browser.find('[aria-label="Name of this subset"]');
    await name.sendKeys('workers in spring', Key.ENTER);
    await browser.waitForText('[aria-label="Subsets kept by name"]', 'workers in spring');
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.waitForText('.trail', /12 of 36 sources/);
    await browser.settled();
    await browser.goTo('map');
    await browser.until('The map stayed as it was', async () => {
      const now = await browser.mapWords();
      return now.length > 0 && now.join() !== all.join();
    });
    await browser.goTo('sources');
    await browser.waitForText('.source-grid', 'not in');
    await browser.press('12 of 36 sources, where role is shift worker and date is on or after 2025-03-01');
    await browser.press('Work with all sources');
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.goTo('map');
    await browser.until(
      'The map never came back',
      async () => (await browser.mapWords()).join() === all.join(),
    );
  });

  it('has its attributes filled like a spreadsheet, from names and from a table', async () => {
    await add(
      file('nurse-01-harbour.txt', 'Rain again.'),
      file('nurse-02-fen.txt', 'Wind again.'),
      file('driver-03-fen.txt', 'An empty bus.'),
    );
    await browser.waitForText('.trail', '3 sources');
    await browser.press('Fill them …');
    await browser.pickFromMenu('From the sources’ names');
    const pattern = await browser.find('[aria-label="Pattern of the names"]');
    await pattern.sendKeys('{role}{place}');
    await browser.waitForText('.control-fault', 'there must be what parts them');
    await pattern.sendKeys(Key.chord(Key.CONTROL, 'a'), '{role}-{*}-{place}');
    await browser.waitForText('.ant-modal', '3 of 3 names fit');
    await browser.press('Set them for 3 sources');
    await browser.find('[aria-label="place of driver-03-fen.txt: fen"]');
    // Typed, filled down, pasted, and undone.
    await browser.setCell('place of driver-03-fen.txt', 'depot');
    await browser.click('[aria-label^="place of driver-03-fen.txt:"]');
    await browser.driver
      .actions()
      .keyDown(Key.SHIFT)
      .sendKeys(Key.ARROW_DOWN, Key.ARROW_DOWN)
      .keyUp(Key.SHIFT)
      .keyDown(Key.CONTROL)
      .sendKeys('d')
      .keyUp(Key.CONTROL)
      .perform();
    await browser.find('[aria-label="place of nurse-02-fen.txt: depot"]');
    await browser.driver.executeScript(
      `const cell = document.querySelector('[aria-label^="role of driver-03-fen.txt:"]');
      cell.dispatchEvent(new MouseEvent('mousedown', { bubbles: true }));`,
    );
    await browser.find('.grid-cell.active[aria-label^="role of driver"]');
    await browser.driver.executeScript(
      `const transfer = new DataTransfer();
      transfer.setData('text/plain', 'pilot\\tquay\\nmidwife\\t"a ""good"" place"\\n');
      document.querySelector('.grid-cell.active').dispatchEvent(new ClipboardEvent('paste', { clipboardData: transfer, bubbles: true, cancelable: true }));`,
    );
    await browser.find('[aria-label="role of nurse-01-harbour.txt: midwife"]');
    await browser.find(`[aria-label='place of nurse-01-harbour.txt: a "good" place']`);
    await browser.press('Undo');
    await browser.find('[aria-label="role of nurse-01-harbour.txt: nurse"]');
    await add(
      file(
        'people.csv',
        'who,age,met on\nnurse-01-harbour,41,3/4/2025\nnurse-02-fen,37,4/5/2025\nnobody,1,\n',
      ),
    );
    await browser.waitForText('.ant-modal', 'people.csv gives 2 attributes to 2 sources');
    expect(await browser.textOf('.ant-modal')).to.include('fit no source, such as nobody');
    await browser.press('Take these attributes');
    await browser.seeNotice('gives 2 attributes');
    await browser.find('[aria-label="age of nurse-02-fen.txt: 37"]');
    await browser.waitForText('.centre-note', 'Dates such as 3/4/2025 can be read two ways');
    await browser.press('Day first');
    await browser.until('It asks again', async () => (await browser.all('.centre-note')).length === 0);
  });

  it('is trimmed after a look at what goes, and its speakers become sources', async () => {
    await add(document('taxi-driver.pdf'), document('depot-table.vtt'));
    await browser.waitForText('.trail', '2 sources');
    await browser.settled();
    const words = await browser.textOf('.words-note');
    await browser.press('Trim …');
    await (await browser.find('[aria-label="Text to cut at"]')).sendKeys('And then the night buses came.');
    await browser.waitForText('.preview-table', 'Interviewer: You have driven a taxi');
    await browser.press('Cut this from 1 source');
    await browser.until('Nothing was cut', async () => (await browser.textOf('.words-note')) !== words);
    await browser.goTo('clean');
    await browser.click('[aria-label="Source after"]');
    await browser.waitForText('.clean-body del.trace-cut', 'You have driven a taxi');
    await browser.goTo('sources');
    await browser.press('with everyone who speaks in them');
    await browser.press('Leave out Interviewer');
    await browser.waitForText('.method-sentence', 'without what Interviewer said');
    await browser.press('Make each speaker a source');
    await browser.waitForText('.trail', '4 sources');
    await browser.waitForText('.source-grid', 'depot-table.vtt – Controller');
    await browser.settled();
    await browser.goTo('clean');
    await browser.choose('Cleaned');
    await browser.settled();
    expect(await browser.textOf('.clean-body')).not.to.include('what is a good night');
    await browser.press('Save cleaned text');
    await browser.pickFromMenu('in a .zip');
    const entries = unzipSync(readFileSync(await browser.download('.zip')));
    expect(Object.keys(entries)).to.have.length(4);
    expect(
      Object.values(entries)
        .map((entry) => strFromU8(entry))
        .join(),
    ).to.include('single gloves');
  });

  it('is looked over: copies, languages that mix, and dates in the texts that could be read two ways', async () => {
    const said =
      'On 4/5/2031 we met at the depot. The bus was late and we had to wait in the rain for it, which nobody liked at all.';
    await add(
      file('a.txt', said),
      file('b.txt', `${said} Yes.`),
      file(
        'c.txt',
        'Am 3. Mai 2031 war der Bus zu spät und wir haben im Regen auf ihn gewartet, das war nicht schön.',
      ),
    );
    await browser.waitForText('.trail', '3 sources');
    await browser.waitForText('.ledger', 'Language: 2 English and 1 German.');
    await browser.press('Note it as an attribute');
    await browser.find('[aria-label="language of c.txt: German"]');
    await browser.waitForText('.ledger', '1 pair of sources says the same, or nearly.');
    await browser.press('Look at them');
    await browser.waitForText('.ant-modal .preview-table', /100 %\s*a\.txt\s*b\.txt/);
    await browser.press('Remove the second');
    await browser.waitForText('.trail', '2 sources');
    await browser.driver.actions().sendKeys(Key.ESCAPE).perform();
    await browser.waitForText('.ledger', 'No two sources say the same.');
    await browser.press('Fill them …');
    await browser.pickFromMenu('From the dates in the texts');
    await browser.waitForText('.ant-modal', '1 date such as 4/5/2031 can be read two ways');
    const set = await browser.button('Set it for 2 sources');
    expect(await set.isEnabled(), 'it is asked first').to.equal(false);
    await browser.choose('month first');
    await browser.press('Set it for 2 sources');
    await browser.find('[aria-label="date of a.txt: 2031-04-05"]');
    await browser.find('[aria-label="date of c.txt: 2031-05-03"]');
    expect(await browser.all('.centre-note'), 'and not asked again').to.deep.equal([]);
  });

  it('brought in with a table that names them have its attributes', async () => {
    await add(
      file('a.txt', 'The bus waits.'),
      file('b.txt', 'The rain waits.'),
      file('who.csv', 'name,role\na.txt,driver\nb.txt,resident\n'),
    );
    await browser.waitForText('.ant-modal', 'What is in who.csv?');
    // That it tells of sources is seen, though these came in a moment ago.
    await browser.find('.ant-radio-wrapper-checked[class*=radio]:nth-child(2)');
    await browser.click('.ant-modal-footer .ant-btn-primary');
    await browser.seeNotice('2 sources came in. who.csv gives 1 attribute to 2 sources.');
    await browser.waitForText('.trail', '2 sources');
    await browser.find('[aria-label="role of a.txt: driver"]');
    await browser.find('[aria-label="role of b.txt: resident"]');
  });

  it('in an encoding that can’t be told is shown in each it may be in, and read as the one that reads right', async () => {
    // Two Polish sentences too short to be told apart, in ISO-8859-2.
    const polish = Buffer.from('4e6f636ee8206175746f62757320737461b320707a7920b66dfd6e65', 'hex');
    await add(
      file('noc.txt', polish),
      file('noc2.txt', Buffer.concat([polish, Buffer.from(' .')])),
      file('plain.txt', 'The bus waits.'),
    );
    await browser.waitForText('.ant-modal', 'The encoding of 2 files can’t be told for sure');
    await browser.waitForText('.encoding-choice', 'stał pzy śmýne iso-8859-2');
    await browser.click('.encoding-choice .ant-radio-wrapper:nth-child(2)');
    await browser.press('Read all 2 this way');
    await browser.seeNotice('3 sources came in. 2 files read as iso-8859-2');
    await browser.goTo('clean');
    await browser.waitForText('.clean-text', 'stał pzy śmýne');
  });

  it('of very many files can be stopped while it is read, and then nothing of it is there', async () => {
    await add(file('first.txt', 'A first text.'));
    await browser.waitForText('.trail', '1 source');
    await browser.driver.executeScript(
      `const transfer = new DataTransfer();
      for (let i = 0; i < 8000; i++) transfer.items.add(new File(['Note ' + i + ' about the rain.'], 't' + i + '.txt'));
      window.dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }));`,
    );
    await browser.waitForText('.ant-message', /Reading 8,000 files: \d+ %/);
    await browser.press('Stop');
    await browser.waitForText('.ant-message', 'Stopped. Nothing was added.');
    expect(await browser.textOf('.trail')).to.include('1 source\n');
    const kept = await browser.driver.executeAsyncScript<number>(
      `const done = arguments[arguments.length - 1];
      ${OPEN_STUDY_DATABASE}
      openStudy((database) => {
        const count = database.transaction('originals').objectStore('originals').count();
        count.onsuccess = () => { database.close(); done(count.result); };
      });`,
    );
    expect(kept, 'originals in the browser').to.equal(1);
  });
});
