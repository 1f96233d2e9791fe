import { Builder } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome.js';
import { writeFileSync, mkdtempSync } from 'node:fs';
const opts = new chrome.Options();
opts.setChromeBinaryPath('/usr/bin/chromium');
opts.addArguments(
  '--headless=new',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--window-size=1280,943',
  '--user-data-dir=' + mkdtempSync('/tmp/ud'),
);
opts.setLoggingPrefs({ browser: 'ALL' });
const d = await new Builder()
  .forBrowser('chrome')
  .setChromeOptions(opts)
  .setChromeService(new chrome.ServiceBuilder('/usr/bin/chromedriver'))
  .build();
await d.manage().window().setRect({ width: 1280, height: 943 });
export default d;
export const shot = async (n) =>
  writeFileSync('/tmp/shots/' + n + '.png', await d.takeScreenshot(), 'base64');
export const logs = async () => {
  for (const e of await d.manage().logs().get('browser')) console.log(e.level.name, e.message.slice(0, 400));
};
