import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser } from './browser.ts';
import { root } from './served.ts';
import { setUp, type Setup } from './set-up.ts';

export const survey = join(root, 'demo/night-buses-survey/survey.csv');
export const document = (name: string): string => join(root, 'demo/night-buses-documents', name);

/** Opens, in the page, the database of the one study that is kept; `then` gets it and closes it. */
export const OPEN_STUDY_DATABASE = `const openStudy = (then) => indexedDB.databases().then((all) => {
  const open = indexedDB.open(all.find(({ name }) => name.startsWith('green-thicket-study-')).name);
  open.onsuccess = () => then(open.result);
});`;

/** An empty study for each test of a suite, and what brings a messy collection into it. */
export interface Intake {
  readonly setup: Setup;
  readonly browser: Browser;
  /** A folder that is gone after the test. */
  readonly folder: string;
  /** Writes a file that is gone after the test, and returns its path. */
  readonly file: (name: string, content: string | Uint8Array) => string;
  readonly add: (...paths: string[]) => Promise<void>;
  readonly emptyStudy: () => Promise<void>;
  readonly addSurvey: () => Promise<void>;
}

/**
 * Sets what brings texts in for the suite it is called in.
 *
 * @param begun whether each test begins in an empty study
 */
export function setIntake({ begun = true }: { readonly begun?: boolean } = {}): Intake {
  const setup = setUp();
  let folder: string;
  const intake: Intake = {
    setup,
    get browser() {
      return setup.browser;
    },
    get folder() {
      return folder;
    },
    file: (name, content) => {
      writeFileSync(join(folder, name), content);
      return join(folder, name);
    },
    add: async (...paths) => {
      await (await setup.browser.find('input[type=file][multiple]')).sendKeys(paths.join('\n'));
    },
    emptyStudy: async () => {
      await setup.browser.driver.get(setup.served.address);
      await setup.browser.press('Start an empty study');
      await setup.browser.find('input[type=file][multiple]');
    },
    addSurvey: async () => {
      const { browser } = setup;
      await intake.add(survey);
      await browser.pick('Text column', 'remarks');
      await browser.waitForText('.table-note', '48 of 120 rows of survey.csv have no text in “remarks”');
      await browser.press('Add 72 sources');
      await browser.seeNotice('72 sources came in');
      await browser.settled();
    },
  };
  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'thicket-collection-'));
    if (begun) await intake.emptyStudy();
  });
  afterEach(() => rmSync(folder, { recursive: true }));
  return intake;
}
