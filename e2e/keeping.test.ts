import { expect } from 'chai';
import { cpSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Key } from 'selenium-webdriver';
import { seededRandom } from '@green-thicket/core/numeric/random';
import type { Browser } from './browser.ts';
import { decideInTwoTabs, filesWith, killWhileErasing } from './erasing.ts';
import { root, serve } from './served.ts';
import { OPEN_STUDY_DATABASE, setIntake } from './intake.ts';

const LONG_PATIENCE = 80_000;

describe('what is kept', () => {
  const intake = setIntake({ begun: false });
  const { setup, file, add, emptyStudy: begin } = intake;
  let browser: Browser;
  beforeEach(() => {
    browser = intake.browser;
  });

  /** Waits until no file of the browser's holds a phrase: it deletes a text's file once nothing in memory points at it. */
  const without = async (phrase: string): Promise<void> => {
    await browser.driver.wait(
      () => filesWith(browser.profile, phrase).length === 0,
      LONG_PATIENCE,
      `${phrase} is still in the browser’s files`,
      200,
    );
  };

  it('is gone from the browser’s files once it is deleted, and what is withdrawn once it is withdrawn', async () => {
    const anna = 'Quorzlewitt';
    const ben = 'Brindlemax';
    await begin();
    const said = (word: string): string =>
      `${word} waits at the stop. The ${word} took the bus.\n`.repeat(30);
    await add(file(`${anna}.txt`, said(anna)), file(`${ben}.txt`, said(ben)));
    await browser.waitForText('.trail', '2 sources');
    await browser.settled();
    await browser.until(
      'The texts were never written',
      async () => filesWith(browser.profile, anna).length > 0 && filesWith(browser.profile, ben).length > 0,
    );
    await browser.click(`[aria-label="Tick ${anna}.txt"]`);
    await browser.press('Withdraw …');
    await browser.press('Withdraw for good');
    await browser.waitForText('.ant-modal-confirm', '1 source and 0 excerpts went.');
    await browser.press('OK');
    await browser.waitForText('.trail', '1 source');
    await browser.settled();
    await without(anna);
    expect(filesWith(browser.profile, ben)).to.not.deep.equal([]);

    await browser.driver.get(setup.served.address);
    await browser.click('[aria-label="Delete Untitled study"]');
    await browser.click('.ant-popconfirm-buttons .ant-btn-primary');
    await browser.waitForText('.ant-message', 'was deleted');
    await without(ben);
    await browser.driver.quit();
    await browser.start();
    await browser.driver.get(setup.served.address);
    await browser.button('Start an empty study');
    for (const phrase of [anna, ben]) expect(filesWith(browser.profile, phrase), phrase).to.deep.equal([]);
  });

  it('is sealed with a password, in the browser’s files and in its own, and opens with that alone', async () => {
    const word = 'Quillabrand';
    const password = 'umbrella under the bridge';
    const give = async (text: string): Promise<void> => {
      const field = await browser.find('.ask-password input');
      await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER);
    };
    await begin();
    await add(
      file(`${word}.txt`, `${word} waits at the stop. The ${word} took the bus.\n`.repeat(30)),
      file('other.txt', 'The bus came late. The rain fell at the stop.\n'.repeat(30)),
    );
    await browser.waitForText('.trail', '2 sources');
    await browser.settled();
    await browser.until(
      'The texts were never written',
      async () => filesWith(browser.profile, word).length > 0,
    );
    await browser.click('.kept-note');
    await browser.press('Set a password');
    for (const field of await browser.all('.ant-modal input[type=password]')) await field.sendKeys(password);
    await browser.click('.ant-modal input[type=checkbox]');
    await browser.press('Set the password');
    await browser.until('The dialog stayed', async () => (await browser.all('.ant-modal')).length === 0);
    await browser.settled();
    expect(await browser.driver.getTitle()).to.match(/A study with a password/);
    await browser.press('Save study');
    const saved = await browser.download('.thicket');
    expect(readFileSync(saved).subarray(0, 3).toString()).to.equal('eyJ');
    expect(readFileSync(saved).includes(word)).to.equal(false);
    await without(word);

    await browser.click('.kept-note');
    await browser.press('Lock it now');
    await browser.press('A study with a password');
    await give('something else');
    await browser.waitForText('.control-fault', 'not the password of this study');
    await give(password);
    await browser.waitForText('.trail', '2 sources');
    await browser.settled();
    await browser.goTo('sources');
    await browser.waitForText('.trail', '2 sources');
    await browser.driver.get(setup.served.address);
    await (await browser.find('input[type=file][accept=".thicket"]')).sendKeys(saved);
    await give('something else');
    await browser.waitForText('.control-fault', 'not its password');
    await give(password);
    await browser.waitForText('.trail', '2 sources');
    await browser.settled();

    await browser.driver.quit();
    await browser.start();
    await browser.driver.get(setup.served.address);
    expect(await browser.textOf('.start-list')).to.match(/A study with a password\s+locked with a password/);
    expect(filesWith(browser.profile, word)).to.deep.equal([]);
  });

  it('goes on without the server: the page loads again, and documents come in', async () => {
    const own = await serve();
    await browser.driver.get(`${own.address}/demo`);
    await browser.find('.concept-map .map-word');
    await browser.driver.executeAsyncScript(
      'const done = arguments[arguments.length - 1]; navigator.serviceWorker.ready.then(() => done());',
    );
    own.close();
    await browser.driver.navigate().refresh();
    await browser.find('.concept-map .map-word');
    await browser.goTo('sources');
    for (const [i, name] of ['taxi-driver.pdf', 'conductor-diary.docx'].entries()) {
      await add(join(root, 'demo/night-buses-documents', name));
      await browser.waitForText('.trail', `${37 + i} sources`);
    }
    await browser.settled();
  });

  /** Opens the application from a server and again from what the browser keeps of it. */
  const openKept = async (address: string): Promise<void> => {
    await browser.driver.get(address);
    await browser.button('Start an empty study');
    await browser.driver.executeAsyncScript(
      'const done = arguments[arguments.length - 1]; navigator.serviceWorker.ready.then(() => done());',
    );
    await browser.driver.navigate().refresh();
  };

  it('lets a new version in only when it is told to, and then in every tab', async () => {
    const web = join(intake.folder, 'web');
    cpSync(join(root, 'dist/web'), web, { recursive: true });
    const own = await serve({ THICKET_WEB: web });
    await openKept(own.address);
    // The new version says so in its title; the old one goes on until it is let in.
    const page = join(web, 'index.html');
    writeFileSync(
      page,
      readFileSync(page, 'utf8').replace('<title>', '<meta name="newer" content="1" /><title>'),
    );
    const worker = join(web, 'service-worker.js');
    writeFileSync(
      worker,
      readFileSync(worker, 'utf8').replace(/("\/index\.html",revision:")[0-9a-f]+/, '$1newer'),
    );
    await browser.driver.navigate().refresh();
    await browser.waitForText('.ant-notification', 'A new version is ready');
    expect(await browser.all('meta[name="newer"]')).to.have.length(0);
    const first = await browser.driver.getWindowHandle();
    await browser.driver.switchTo().newWindow('tab');
    await browser.driver.get(own.address);
    await browser.button('Start an empty study');
    expect(await browser.all('meta[name="newer"]')).to.have.length(0);
    const second = await browser.driver.getWindowHandle();
    // It is told there too, once it has loaded all: what is still on its way to a tab keeps the old version.
    await browser.waitForText('.ant-notification', 'A new version is ready');
    await browser.driver.switchTo().window(first);
    // As who presses it sees it: a tab behind another draws nothing.
    await browser.command('Page.bringToFront', {});
    await browser.press('Load it');
    await browser.find('meta[name="newer"]');
    await browser.driver.switchTo().window(second);
    await browser.find('meta[name="newer"]');
    own.close();
  });

  it('says so where a new version that was let in still waits for another tab', async () => {
    const web = join(intake.folder, 'held-up');
    cpSync(join(root, 'dist/web'), web, { recursive: true });
    const worker = join(web, 'service-worker.js');
    // An answer without end keeps the old version, as what is on its way to a tab does.
    writeFileSync(
      worker,
      `self.addEventListener('fetch', (asked) => {
        if (asked.request.url.endsWith('/without-end')) asked.respondWith(new Response(new ReadableStream()));
      });
      ${readFileSync(worker, 'utf8')}`,
    );
    const own = await serve({ THICKET_WEB: web });
    await openKept(own.address);
    await browser.button('Start an empty study');
    await browser.driver.executeScript("fetch('/without-end').catch(() => undefined)");
    writeFileSync(worker, `${readFileSync(worker, 'utf8')}\n// newer`);
    await browser.driver.executeScript('navigator.serviceWorker.ready.then((kept) => kept.update())');
    await browser.waitForText('.ant-notification', 'A new version is ready');
    await browser.press('Load it');
    await browser.waitForText('.ant-notification', 'The new version waits for another tab');
    own.close();
  });

  it('says that a computation failed, why, and undoes what caused it', async () => {
    await begin();
    await add(file('a.txt', 'The bus waits. The rain waits.\n'.repeat(20)));
    await browser.waitForText('.trail', '1 source');
    await browser.settled();
    await browser.driver.executeAsyncScript(
      `const done = arguments[arguments.length - 1];
      ${OPEN_STUDY_DATABASE}
      openStudy((database) => {
        const change = database.transaction('portions', 'readwrite');
        change.objectStore('portions').clear();
        change.oncomplete = () => { database.close(); done(); };
      });`,
    );
    await browser.driver.navigate().refresh();
    await browser.waitForText('.stage-fault', 'The text of a source is missing from this browser.');
    expect(await browser.textOf('.status-now')).to.not.include('up to date');
    await browser.waitForText('.trail li:nth-child(3)', 'not computed');
    await browser.press('Undo: add a.txt');
    await browser.waitForText('.empty-centre', 'No sources yet');
    expect(await browser.all('.stage-fault')).to.have.length(0);
  });

  it('goes into a folder by itself as dated copies, and comes back from there', async () => {
    // The folder is one of the browser's own, since no test can press what the system asks.
    const choose = `window.showDirectoryPicker = async () =>
      (await navigator.storage.getDirectory()).getDirectoryHandle('copies', { create: true });`;
    await setup.openSample();
    expect(await browser.textOf('.kept-note')).to.include('no copy yet');
    await browser.driver.executeScript(choose);
    await browser.click('.kept-note');
    await browser.press('Copy into a folder by itself');
    await browser.waitForText('.copies-box', 'A dated copy goes into the folder copies by itself');
    await browser.driver.executeScript(
      `Object.defineProperty(document, 'visibilityState', { value: 'hidden', configurable: true });
      document.dispatchEvent(new Event('visibilitychange'));
      delete document.visibilityState;`,
    );
    await browser.waitForText('.kept-note', /copy \d\d:\d\d/);
    await browser.waitForText(
      '.copies-box',
      /The last copy outside it is Night buses in Larkhaven \d{4}-\d\d-\d\d\.thicket/,
    );
    await browser.driver.get(setup.served.address);
    await browser.click('[aria-label="Delete Night buses in Larkhaven"]');
    await browser.click('.ant-popconfirm-buttons .ant-btn-primary');
    await browser.waitForText('.ant-message', 'was deleted');
    await browser.press('Look for copies');
    await browser.press('Open a copy');
    await browser.find('.concept-map .map-word');
    await browser.waitForText('.trail', '36 sources');
  });

  it('is one set of studies, whichever of this machine’s names is used, and other addresses are told apart', async () => {
    await browser.driver.get(setup.served.address.replace('127.0.0.1', 'localhost'));
    await browser.button('Start an empty study');
    expect(await browser.driver.getCurrentUrl()).to.equal(`${setup.served.address}/`);
    expect(await browser.textOf('.start-card')).to.include('yours may be at http://127.0.0.1:4680');
    await browser.press('Start an empty study');
    await browser.find('.study-title');
    await browser.driver.get(setup.served.address);
    expect(await browser.textOf('[aria-label="How studies are kept"]')).to.match(/in use, \d+ GB free/);
  });

  it('may be called what every object is called: words, columns, values and addresses', async () => {
    await begin();
    const words = ['constructor', 'toString', 'hasOwnProperty'];
    const text = words.map((word) => `The ${word} met the bus. A bus waits for the ${word}. `).join('');
    await add(
      file(
        'table.csv',
        `text,constructor,__proto__,toString\n${[1, 2, 3, 4].map((n) => `"${text.repeat(n)}",constructor,__proto__,v${n % 2}`).join('\n')}\n`,
      ),
    );
    await browser.press('Add 4 sources');
    await browser.seeNotice('All 4 rows');
    await browser.settled();
    const head = await browser.textOf('.source-grid');
    for (const name of ['constructor', '__proto__', 'toString']) expect(head).to.include(name);
    const address = (await browser.driver.getCurrentUrl()).replace(/\/sources.*$/, '');
    for (const path of [
      'concepts?concept=constructor',
      'links?concept=constructor&with=__proto__',
      'themes?theme=__proto__',
      'map?find=hasOwnProperty',
      'compare?theme=constructor&attribute=constructor&group=toString',
      'concepts?concepts=constructor|toString&how=any',
    ]) {
      await browser.driver.get(`${address}/${path}`);
      await browser.settled();
      await browser.waitForText('.reader', /constructor|__proto__|hasOwnProperty/);
      expect(await browser.all('.stage-fault'), path).to.have.length(0);
    }
    await browser.driver.get(`${address}/concepts`);
    await browser.waitForText('[aria-label="Words"]', 'constructor');
  });

  it('can be nothing where the browser refuses to store, and then that is said, and what to do', async () => {
    await browser.driver.get(setup.served.address);
    await browser.command('Page.addScriptToEvaluateOnNewDocument', {
      source: `if (new URLSearchParams(location.search).has('refused'))
        IDBFactory.prototype.open = () => { throw new DOMException('refused', 'SecurityError'); };`,
    });
    await browser.driver.get(`${setup.served.address}/?refused`);
    await browser.waitForText('.plain-page', 'This browser keeps nothing for this page');
    await browser.driver.get(setup.served.address);
    await browser.button('Start an empty study');
  });

  it('is erased to the end where the browser was killed at it, or is as it was', async () => {
    const { kills, faults } = await killWhileErasing(seededRandom(3), 2);
    expect(faults).to.deep.equal([]);
    expect(kills).to.deep.equal({ deleted: 1, locked: 1, unlocked: 0, withdrawn: 0 });
  });

  it('is in one line for all tabs: what one decides while another sets a password is not lost', async () => {
    const { lost, shown } = await decideInTwoTabs(1);
    expect(lost).to.deep.equal([]);
    expect(shown).to.be.above(0);
  });

  it('“I open my study again”: map and figures stand without a word being read, and the next decision goes on from them', async () => {
    await browser.driver.get(`${setup.served.address}/demo`);
    await browser.find('.concept-map .map-word');
    await browser.settled();
    for (const stop of ['themes', 'compare', 'map']) await browser.goTo(stop);
    const words = await browser.mapWords();
    const drawing = await browser.mapDrawing();
    const trail = await browser.textOf('.trail');
    // Answers are written once none has come for a while.
    const address = await browser.driver.getCurrentUrl();
    await browser.until('The answers were never kept', async () => {
      const kept = await browser.driver.executeAsyncScript<string[]>(
        `const [id, done] = arguments;
        const open = indexedDB.open('green-thicket-study-' + id + '-1');
        open.onsuccess = () => {
          const all = open.result.transaction('results').objectStore('results').getAllKeys();
          all.onsuccess = () => { open.result.close(); done(all.result); };
        };`,
        /study\/([^/]+)/.exec(address)?.[1],
      );
      return ['map', 'themes', 'compare', 'themesOnTrail', 'linksOnTrail'].every((view) =>
        kept.includes(`answer ${view}`),
      );
    });
    // Nothing can be computed where no worker answers.
    await browser.command('Page.addScriptToEvaluateOnNewDocument', {
      source: `if (new URLSearchParams(location.search).has('unmade'))
        window.Worker = class extends EventTarget { postMessage() {} terminate() {} };`,
    });
    await browser.driver.get('about:blank');
    await browser.driver.get(`${address}?unmade`);
    await browser.find('.concept-map .map-word');
    expect(await browser.mapWords()).to.deep.equal(words);
    expect(await browser.mapDrawing()).to.equal(drawing);
    await browser.waitForText('.trail', '7 parcels');
    expect(await browser.textOf('.trail')).to.equal(trail);
    for (const [stop, what] of [
      ['themes', '.theme-column'],
      ['compare', '.compare-cell'],
    ]) {
      await browser.click(`.trail a[href*="/${stop}"]`);
      await browser.find(what);
    }
    await browser.driver.get('about:blank');
    // With one, a decision is followed as ever.
    await browser.driver.get(address.replace('/map', '/concepts'));
    await browser.find('[data-concept="camera"]');
    await browser.click('[data-concept="camera"]');
    await browser.press('Drop');
    await browser.settled();
    await browser.goTo('map');
    expect(await browser.mapWords()).not.to.include('camera');
  });
});
