import { expect } from 'chai';
import { join } from 'node:path';
import type { Browser } from './browser.ts';
import { root } from './served.ts';
import { setIntake } from './intake.ts';

describe('messy files, to a researcher,', () => {
  const intake = setIntake();
  let browser: Browser;
  beforeEach(() => {
    browser = intake.browser;
  });

  it('“my mails are full of headers”: they come in as mails, and what is not theirs can be put back', async () => {
    await intake.add(join(root, 'demo/night-buses-mails/list.mbox'));
    await browser.waitForText('.trail', '30 sources');
    await browser.settled();
    await browser.find('[aria-label$=": Ilse Varga"]');
    await browser.waitForText('.ledger', '30 sources are mails');
    await browser.waitForText('.ledger', 'quoted replies in 19 sources');
    const words = await browser.textOf('.status-line > span');
    await browser.click('[aria-label="Put back quoted replies"]');
    await browser.find('[aria-label="Leave out quoted replies"]');
    await browser.settled();
    expect(await browser.textOf('.status-line > span')).not.to.equal(words);
    await browser.undo();
    await browser.find('[aria-label="Put back quoted replies"]');
    await browser.until(
      'The words stayed',
      async () => (await browser.textOf('.status-line > span')) === words,
    );

    // A mail that was pasted has its headers in the text.
    await browser.press('Paste');
    await (await browser.find('.ant-modal input')).sendKeys('one mail');
    await (
      await browser.find('.ant-modal textarea')
    ).sendKeys('From: Ada\nDate: Mon, 12 May 2031\nSubject: Re: Bus\n\nThe bus was late.');
    await browser.press('Add as a source');
    await browser.waitForText('.ledger', 'mail headers in 1 source');
    await browser.press('Note as attributes');
    await browser.waitForText('.ledger', 'text · 11 values');
    await browser.click('[aria-label="Leave out mail headers"]');
    await browser.waitForText('.ledger', 'mail headers in 1 source, 10 words: not read');
  });

  it('“the same footer stands in all of them”: it is shown, and taken out with one click', async () => {
    const bodies = ['The bus came late.', 'My mother was tired.', 'We waited in the rain.', 'Nobody slept.'];
    const footer = 'You receive this because you asked for it.\nNight bus office, Depot Road 3.';
    await intake.add(
      ...bodies.map((body, i) => intake.file(`letter-${i}.txt`, `${body} ${body} ${body}\n\n${footer}\n`)),
    );
    await browser.waitForText('.trail', '4 sources');
    await browser.waitForText('.ledger', '1 passage stands in many sources');
    // It is said where links and themes may be made of it, too.
    for (const stop of ['links', 'themes']) {
      await browser.goTo(stop);
      await browser.waitForText(
        '[data-repeats]',
        /^\d+ % of what is read are passages that stand in many sources/,
      );
    }
    await browser.click('[data-repeats] a');
    await browser.press('Look at what repeats');
    await browser.waitForText('.ant-modal mark', 'Night bus office');
    await browser.waitForText('.ant-modal', 'at the foot in 4 of 4 sources, 56 words');
    await browser.press('Take out');
    await browser.waitForText('.ledger', 'No line stands in many sources');
    await browser.settled();
    expect(await browser.textOf('.status-line > span')).to.match(/^4\d words/);
    await browser.undo();
    await browser.waitForText('.ledger', '1 passage stands in many sources');
  });

  it('“I have 72 short answers, what do they turn on?”: their concepts, and what comes nearest to a link', async () => {
    await intake.addSurvey();
    await browser.goTo('concepts');
    await browser.waitForText('.ledger', 'night bus');
    await browser.waitForText('.trail', /\d+ kept/);
    await browser.goTo('links');
    // So little text links nothing, which is said, and what there is to read is named.
    await browser.waitForText('.centre', 'There is too little to link');
    await browser.click('[aria-label="Pairs that come nearest"] button');
    await browser.waitForText('.reader', '2 windows in 2 passages of 2 sources');
    await browser.goTo('themes');
    await browser.press('Let links stand that may be chance');
    await browser.goTo('links');
    await browser.waitForText('.method-sentence', 'whether or not chance would explain it');
    await browser.undo();
    await browser.waitForText('.method-sentence', 'chance would explain it in under 5');
    expect(await browser.violations()).to.deep.equal([]);
  });
});
