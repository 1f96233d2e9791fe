import { expect } from 'chai';
import { closeSync, openSync, truncateSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser } from './browser.ts';
import { setIntake } from './intake.ts';

const WORDS =
  'rain shelter bench wind fare wage rent ticket driver camera police phone bus night road town'.split(' ');

describe('bad input', () => {
  const intake = setIntake();
  const { file, add } = intake;
  let browser: Browser;
  beforeEach(() => {
    browser = intake.browser;
  });

  it('of 200 MB is refused before it is read, and the others come in', async () => {
    const huge = join(intake.folder, 'huge.txt');
    closeSync(openSync(huge, 'w'));
    truncateSync(huge, 200 * 1024 * 1024);
    await add(huge, file('small.txt', 'A small text.'));
    expect(await browser.seeNotice('1 source came in; 1 file did not.')).to.include(
      'huge.txt: It is too large: 200 MB, and the most is 100 MB.',
    );
    await browser.waitForText('.source-grid', 'small.txt');
  });

  it('of one line of 10 MB is computed, and the page shows a part of it at a time', async () => {
    let line = '';
    for (let i = 0; line.length < 10 * 1024 * 1024; i++)
      line += `${WORDS[(i * 7 + (i >> 3)) % WORDS.length]} `;
    await add(file('line.txt', line), file('wall.txt', 'x'.repeat(1024 * 1024)));
    await browser.waitForText('.trail', '2 sources');
    await browser.settled();
    await browser.goTo('clean');
    await browser.find('[aria-label="Text of line.txt"]');
    await browser.settled();
    const shown = await browser.driver.executeScript<number>(
      "return document.querySelector('.clean-body').textContent.length",
    );
    expect(shown).to.be.within(1000, 80_000);
    await browser.press('Later in this source');
    await browser.button('Earlier in this source');
  });

  it('of 5,000 tiny files comes in, with the few that are empty named', async () => {
    // The driver can't type so many paths, so the page is handed the files as a drop would.
    await browser.driver.executeScript(
      `const transfer = new DataTransfer();
      const words = arguments[0];
      for (let i = 0; i < 5000; i++) {
        const text = i % 1000 === 500 ? '' : 'Note ' + i + '. The ' + words[i % 16] + ' and the ' + words[(i + 1) % 16] + '.';
        transfer.items.add(new File([text], 't' + String(i).padStart(4, '0') + '.txt'));
      }
      window.dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }));`,
      WORDS,
    );
    expect(await browser.seeNotice('4,995 sources came in; 5 files did not')).to.include(
      't0500.txt: It is empty.',
    );
    await browser.settled();
    await browser.waitForText('.trail', '4,995 sources');
    await browser.driver.executeScript("document.querySelector('.source-grid').scrollTop = 1e6");
    await browser.waitForText('.source-grid', 't4999.txt');
    await browser.goTo('map');
  });

  it('that is more than the disk holds leaves the study as it was', async () => {
    await add(file('first.txt', 'A first text.'));
    await browser.waitForText('.trail', '1 source');
    // Headless Chromium takes no smaller quota, so the store is made to answer as a full disk does.
    await browser.driver.executeScript(`
      const add = IDBObjectStore.prototype.add;
      IDBObjectStore.prototype.add = function (...given) {
        if (this.name === 'decisions') throw new DOMException('The disk is full.', 'QuotaExceededError');
        return add.apply(this, given);
      };
    `);
    await add(file('large.txt', 'A text for which there is no room.'));
    await browser.waitForText('.ant-modal-confirm', 'no more room for the study. Nothing was changed.');
    await browser.press('OK');
    expect(await browser.textOf('.trail')).to.include('1 source');
    expect(await browser.textOf('.source-grid'))
      .to.include('first.txt')
      .and.not.include('large.txt');
  });
});
