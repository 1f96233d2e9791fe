// Takes the pictures of docs/screenshots from the sample study: npm run screenshots (after a build).
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Key } from 'selenium-webdriver';
import { Browser } from './browser.ts';
import { root, serve } from './served.ts';

const folder = join(root, 'docs/screenshots');
mkdirSync(folder, { recursive: true });
const served = await serve();
const browser = new Browser();
try {
  await browser.start();
  const picture = async (name: string): Promise<void> => {
    // Type is drawn once it is there, and a pointer resting on something would show in the picture.
    await browser.driver.executeScript('return document.fonts.ready.then(() => true)');
    writeFileSync(join(folder, `${name}.png`), await browser.driver.takeScreenshot(), 'base64');
  };
  await browser.driver.get(served.address);
  await browser.button('Open the sample study');
  await picture('start');
  await browser.driver.get(`${served.address}/demo`);
  await browser.find('.map-word');
  await browser.settled();
  const study = (await browser.driver.getCurrentUrl()).replace(/\/map.*/, '');
  // The picture on the first page.
  await browser.driver.executeScript("document.querySelector('.map-tools').style.visibility = 'hidden'");
  const map = await (await browser.find('.concept-map > g')).getRect();
  writeFileSync(
    join(root, 'web/public/sample-map.webp'),
    await browser.pictureOf({ ...map, x: map.x - 4, width: map.width + 8 }, 1.8),
    'base64',
  );
  const views: [name: string, address: string, ready: string][] = [
    ['sources', 'sources', '.grid-row'],
    ['clean', 'clean', '.clean-body'],
    ['concepts', 'concepts?concept=night+shift', '.concept-card'],
    ['links', 'links?concept=driver', '.figure-table .grid-row'],
    ['themes', 'themes?theme=B', '.theme-column'],
    ['map', 'map?concept=camera&with=police', '.passage'],
    ['lines', 'concepts?find=wait&look=lines', '.concordance-line'],
    ['compare', 'compare?theme=A&attribute=role&group=shift+worker', '.passage'],
  ];
  for (const [name, address, ready] of views) {
    await browser.driver.get(`${study}/${address}`);
    await browser.find(ready);
    await browser.settled();
    // How steady themes are is found behind all else.
    if (name === 'themes') await browser.waitForText('.theme-column', 'comes back');
    await picture(name);
  }
  await browser.driver.get(`${study}/compare`);
  await browser.find('.compare-cell');
  await browser.click('[aria-label="Keep what is shown in the Notebook"]');
  await browser.waitForText('.ant-message', 'Strength by role');
  await browser.driver.get(`${study}/map`);
  await browser.find('.map-word');
  await browser.click('[aria-label="Keep what is shown in the Notebook"]');
  await browser.waitForText('.ant-message', 'Concept map');
  await browser.press('Notebook 2');
  await browser.fill('textarea[aria-label="New memo"]', 'Who speaks to what');
  await browser.press('As a heading');
  await browser.until(
    'The heading is not there',
    async () => (await browser.all('.notebook-entry')).length === 3,
  );
  await browser.until(
    'The messages stay',
    async () => (await browser.all('.ant-message-notice')).length === 0,
  );
  await picture('notebook');
  await browser.press('Report');
  await browser.waitForText('.report-preview', 'References');
  await browser.driver.executeScript("document.querySelectorAll('.report-preview h4')[0].scrollIntoView()");
  await picture('report');
  await browser.driver.get(`${study}/compare`);
  await browser.choose('Over time');
  await browser.find('.time-panel');
  await browser.pick('Lines', 'a line for each group');
  await browser.settled();
  await picture('over-time');
  await browser.driver.get(`${study}/map`);
  await browser.choose('By group');
  await browser.find('.tinted');
  await browser.settled();
  await picture('map-by-group');
  await browser.driver.get(`${study}/concepts`);
  await browser.choose('Table');
  await browser.find('.figure-table .grid-row');
  await browser.pick('Distinctive of a group', 'role: driver or depot staff');
  await browser.settled();
  await picture('candidates');
  await browser.choose('Matrix');
  await browser.click('[aria-label="camera in d03-controller.txt: 5"]');
  await browser.find('.passage');
  await browser.settled();
  await picture('matrix');
  await browser.driver.get(served.address);
  await browser.press('Start an empty study');
  await (
    await browser.find('input[type=file][multiple]')
  ).sendKeys(join(root, 'demo/night-buses-survey/survey.csv'));
  await browser.find('.preview-table');
  await browser.click('[aria-label="Text column"]');
  await browser.driver.actions().sendKeys('remarks', Key.ENTER).perform();
  await browser.waitForText('.table-note', '48 of 120');
  await picture('table');
  await browser.press('Add 72 sources');
  await browser.seeNotice('72 sources came in');
  await browser.settled();
  await browser.goTo('clean');
  await browser.choose('Left to clean');
  await browser.find('.remain-line');
  await browser.click('[aria-label="Odd characters"] .row-button');
  await browser.find('.found-place');
  await browser.settled();
  await picture('left-to-clean');
} finally {
  await browser.end();
  served.close();
}
