import { expect } from 'chai';
import { Key } from 'selenium-webdriver';
import { Origin } from 'selenium-webdriver/lib/input.js';
import type { Browser } from './browser.ts';
import { setUp } from './set-up.ts';

describe('the pointer', () => {
  const setup = setUp();
  const { showSample } = setup;
  let browser: Browser;
  beforeEach(() => {
    browser = setup.browser;
  });
  /** The middle of an element on the page. */
  const middleOf = (script: string): Promise<[number, number]> =>
    browser.driver.executeScript<[number, number]>(
      `const box = (${script}).getBoundingClientRect(); return [Math.round(box.x + box.width / 2), Math.round(box.y + box.height / 2)]`,
    );
  const word = (css: string, text: string): string =>
    `Array.from(document.querySelectorAll('${css}')).find((each) => each.firstChild.textContent === '${text}')`;
  const clickAt = async ([x, y]: [number, number]): Promise<void> => {
    await browser.driver.actions().move({ x, y, origin: Origin.VIEWPORT }).click().perform();
  };

  /** Turns the wheel; the driver's types do not know that it can. */
  const wheelAt = async (x: number, y: number, by: number): Promise<void> => {
    const actions = browser.driver.actions() as unknown as {
      scroll(x: number, y: number, byX: number, byY: number): { perform(): Promise<void> };
    };
    await actions.scroll(x, y, 0, by).perform();
  };

  it('picks a word, a link and a theme on the map, and pans and zooms it', async () => {
    await showSample();
    await clickAt(await middleOf(word('.map-word text', 'camera')));
    await browser.waitForText('.reader h2', 'camera');
    const [x, y] = await browser.driver.executeScript<[number, number]>(`
      for (const link of document.querySelectorAll('.map-link')) {
        const path = link.querySelector('path');
        for (let share = 0.2; share < 0.85; share += 0.05) {
          const at = path.getPointAtLength(path.getTotalLength() * share);
          const place = new DOMPoint(at.x, at.y).matrixTransform(path.getScreenCTM());
          if (document.elementFromPoint(place.x, place.y)?.closest('.map-link') === link) return [Math.round(place.x), Math.round(place.y)];
        }
      }
      return [0, 0];
    `);
    await clickAt([x, y]);
    await browser.waitForText('.reader h2', ' — ');
    await browser.waitForText('.reader-count', /\d+ windows/);
    const [px, py] = await middleOf("document.querySelector('.parcel-name')");
    await clickAt([px, py - 1]);
    await browser.waitForText('.reader h2', /^[A-Z] /);
    const transform = async (): Promise<string> =>
      (await (await browser.find('.concept-map')).getAttribute('style')) ?? '';
    const before = await transform();
    await browser.driver
      .actions()
      .move({ x: px, y: py, origin: Origin.VIEWPORT })
      .press()
      .move({ x: px + 60, y: py + 40, origin: Origin.VIEWPORT })
      .release()
      .perform();
    await browser.until('The map was not moved', async () => (await transform()) !== before);
    const moved = await transform();
    await wheelAt(px, py, -300);
    await browser.until('The map was not zoomed', async () => (await transform()) !== moved);
    // Once the wheel rests, all is drawn again, and words have grown less than the map.
    await browser.until('Words were not sized anew', () =>
      browser.driver.executeScript<boolean>(`
        const map = document.querySelector('.concept-map');
        const grown = Number(/scale\\(([\\d.]+)/.exec(map.style.transform)[1]);
        const scale = Number(map.style.getPropertyValue('--word-scale'));
        return grown > 1 && map.style.willChange === '' && Math.abs(scale - grown ** -0.3) < 1e-6;
      `),
    );
    await browser.press('Whole map');
    await browser.until('The map is not whole again', async () => (await transform()).includes('scale(1)'));
  });

  it('merges two words by dropping one on the other', async () => {
    await showSample();
    await browser.goTo('concepts');
    const from = await middleOf(word('.field-word', 'grandmother'));
    const to = await middleOf(word('.field-word', 'mother'));
    await browser.driver
      .actions()
      .move({ x: from[0], y: from[1], origin: Origin.VIEWPORT })
      .press()
      .move({ x: from[0] + 20, y: from[1] + 5, origin: Origin.VIEWPORT })
      .move({ x: to[0], y: to[1], origin: Origin.VIEWPORT })
      .release()
      .perform();
    await browser.settled();
    await browser.until('grandmother is still there', async () =>
      browser.driver.executeScript<boolean>(`return !(${word('.field-word', 'grandmother')})`),
    );
    await clickAt(await middleOf(word('.field-word', 'mother')));
    await browser.waitForText('.concept-card', /made of mother \(\d+\), grandmother \(\d+\)/);
  });

  it('frames words to decide on them together, and drags the line that keeps', async () => {
    await showSample();
    await browser.goTo('concepts');
    const drag = async (from: [number, number], to: [number, number]): Promise<void> => {
      await browser.driver
        .actions()
        .move({ x: from[0], y: from[1], origin: Origin.VIEWPORT })
        .press()
        .move({ x: from[0], y: from[1] + 8, origin: Origin.VIEWPORT })
        .move({ x: to[0], y: to[1], origin: Origin.VIEWPORT })
        .release()
        .perform();
      await browser.settled();
    };
    const kept = async (): Promise<number> =>
      Number(/^(\d+) kept/.exec(await browser.textOf('.ledger-count'))?.[1]);
    const before = await kept();
    // The line lies on the ground at first: no pull is asked for.
    const line = await middleOf("document.querySelector('.keeping-line')");
    await drag(line, [line[0], line[1] - 180]);
    await browser.waitForText('.method-sentence', /a pull of at least 0\.\d+/);
    await browser.until('As many are kept', async () => (await kept()) < before);
    const fewer = await kept();
    await browser.until('The line stays', async () => {
      await (await browser.find('.keeping-line')).sendKeys(Key.ARROW_DOWN);
      await browser.settled();
      return (await kept()) > fewer;
    });

    const camera = await middleOf(word('.field-word', 'camera'));
    await drag([camera[0] - 38, camera[1] + 34], [camera[0] + 25, camera[1] - 6]);
    await browser.waitForText('.bulk-bar', /[23] concepts ticked/);
    await browser.press('Drop');
    await browser.until('camera is not dropped', async () =>
      browser.driver.executeScript<boolean>(
        `return ${word('.field-word', 'camera')}.classList.contains('is-dropped')`,
      ),
    );
    await browser.undo();
    await browser.until('camera stays dropped', async () =>
      browser.driver.executeScript<boolean>(
        `return !${word('.field-word', 'camera')}.classList.contains('is-dropped')`,
      ),
    );
  });

  it('sets the cut-off in the chart of strengths, and a resolution in the curve', async () => {
    await showSample();
    await browser.goTo('links');
    const standing = await browser.textOf('.figures-list');
    // A canvas has a size of its own until the chart is laid out in it.
    await browser.until('The chart is not laid out', () =>
      browser.driver.executeScript<boolean>(
        "return (document.querySelector('.chart-box canvas')?.getBoundingClientRect().width ?? 0) > 700",
      ),
    );
    const [x, y] = await middleOf("document.querySelector('.chart-box canvas')");
    await clickAt([x + 160, y]);
    await browser.until(
      'The cut-off stays',
      async () => !/above 0\.1 and/.test(await browser.textOf('.method-sentence')),
    );
    await browser.until('The links stay', async () => (await browser.textOf('.figures-list')) !== standing);
    await browser.goTo('themes');
    await browser.press('Curve');
    await browser.find('.chart-box canvas');
    await browser.driver.executeScript(
      "document.querySelector('.chart-box canvas').scrollIntoView({ block: 'center' })",
    );
    const [cx, cy] = await middleOf("document.querySelector('.chart-box canvas')");
    await clickAt([cx + 150, cy]);
    await browser.waitForText('.method-sentence', /Leiden: resolution \d/);
    expect(await browser.textOf('.chart-figure figcaption')).to.match(/Now at \d/);
  });
});
