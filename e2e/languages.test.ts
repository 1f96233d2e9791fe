import { expect } from 'chai';
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser } from './browser.ts';
import { root } from './served.ts';
import { setUp } from './set-up.ts';

/** What is said in made-up French interviews: each story in several of them. */
const STORIES = [
  'L’arrêt de bus n’a pas d’abri et la pluie tombe sur le banc. J’attends sous la pluie, près de l’abri cassé, et le banc est mouillé. Les abris sont vieux, et les bancs aussi.',
  'Le chauffeur a peur la nuit. Les chauffeurs demandent une caméra, et la police vient trop tard. Avec la caméra, la peur diminue, dit la police.',
  'Mon salaire ne paie plus le loyer. Le prix du billet monte avec le loyer, et mon salaire reste le même. Les loyers mangent les salaires.',
  'Le bruit du moteur entre dans la chambre. Les moteurs tournent sous la fenêtre, et le bruit réveille les enfants dans la chambre. La fenêtre reste fermée.',
];

const OFTEN = ['hier', 'souvent', 'toujours', 'parfois', 'encore', 'chez nous', 'en ville', 'chaque fois'];

describe('languages', () => {
  const setup = setUp();
  let browser: Browser;
  let folder: string;
  beforeEach(() => {
    browser = setup.browser;
    folder = mkdtempSync(join(tmpdir(), 'thicket-languages-'));
  });
  afterEach(() => rmSync(folder, { recursive: true }));
  const bringIn = async (paths: readonly string[]): Promise<void> => {
    await browser.driver.get(setup.served.address);
    await browser.press('Start an empty study');
    await (await browser.find('input[type=file][multiple]')).sendKeys(paths.join('\n'));
    await browser.waitForText('.trail', `${paths.length} sources`);
    await browser.settled();
  };

  it('“my interviews are in French”: nouns in their dictionary form, without what is elided before them', async () => {
    const paths = Array.from({ length: 8 }, (_, i) => {
      const path = join(folder, `entretien-${i}.txt`);
      // Nobody says it in the very words of another.
      const said = [0, 1, 2].map((k) =>
        `${STORIES[(i + k) % STORIES.length]} `.replaceAll('. ', ` ${OFTEN[i]}, ${OFTEN[(i + k + 3) % 8]}. `),
      );
      writeFileSync(path, `${said.join('\n\n')}\n\nC’est tout ce que je voulais vous dire, merci.`);
      return path;
    });
    await bringIn(paths);
    await browser.waitForText('.ledger', 'Language: 8 French');
    await browser.goTo('concepts');
    await browser.waitForText(
      '.method-sentence',
      /Concepts are French nouns and names in their dictionary form/,
    );
    await browser.waitForText('.method-sentence', 'leaving out the French stop words');
    for (const word of ['abri', 'banc', 'salaire', 'loyer', 'chauffeur', 'moteur'])
      await browser.find(`[data-concept="${word}"]`);
    // What is picked stands in the Reader as it was said.
    await browser.click('[data-concept="abri"]');
    await browser.waitForText('.reader', /Les\s+abris\s+sont vieux/);
  });

  it('“half of them are German”: each is read in its own, told at Sources, merged across by a list', async () => {
    const of = (name: string): string[] =>
      readdirSync(join(root, 'demo', name))
        .filter((each) => each.endsWith('.txt'))
        .slice(0, 12)
        .map((each) => join(root, 'demo', name, each));
    await bringIn([...of('nachtbus'), ...of('night-buses')]);
    await browser.waitForText('.ledger', /Language: 12 English and 12 German/);
    await browser.press('Note it as an attribute');
    await browser.waitForText('.ledger', 'what “language” says goes first');
    await browser.goTo('concepts');
    await browser.waitForText('.method-sentence', /Concepts are English and German nouns/);
    await browser.waitForText('.method-sentence', 'the English and German stop words');
    await browser.waitForText('.ledger', 'Each text is read in its own language: English and German');
    for (const word of ['Unterstand', 'Laterne', 'driver', 'camera'])
      await browser.find(`[data-concept="${word}"]`);
    expect(
      await browser.all('[data-concept="der"], [data-concept="nicht"], [data-concept="the"]'),
    ).to.have.length(0);
    // Equivalents are one concept once a list says so.
    const list = join(folder, 'equivalents.csv');
    writeFileSync(list, 'camera, Kamera\npolice, Polizei\n');
    await browser.choose('Lists');
    await (await browser.find('input[aria-label="Synonym file"]')).sendKeys(list);
    await browser.waitForText('.intake-report', /2 variants now count for 2 concepts/);
    await browser.press('OK');
    await browser.choose('Words');
    expect(await browser.all('[data-concept="Kamera"]')).to.have.length(0);
    await browser.click('[data-concept="camera"]');
    await browser.waitForText('.reader', 'Kamera');
    await browser.undo();
    await browser.find('[data-concept="Kamera"]');
    expect(await browser.violations()).to.deep.equal([]);
  });
});
