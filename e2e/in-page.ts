import type { WebDriver } from 'selenium-webdriver';

/** What the driver says of a script whose page went. */
const GONE = /document unloaded|aborted by navigation|execution context|Cannot find context/i;
/** How long the page looks for itself before it is asked again, ms. */
const IN_PAGE = 5000;

/** The page's own function for what is read in an element: its text, spaces between cells, and what was typed into it. */
export const WORDS_OF = `((each) => [each.innerText ?? each.textContent, ...Array.from(each.querySelectorAll('textarea'), ({ value }) => value)]
  .join('\\n').replace(/[\\t\\u00a0]+/g, ' '))`;

/** What is looked at in a page, how often, and for how long, in milliseconds. */
interface Look {
  /** An expression of the page's own, of the arguments after it, as `arguments`. */
  readonly expression: string;
  readonly given: readonly unknown[];
  readonly patience: number;
  readonly look: number;
}

/**
 * Waits until an expression of the page's own is something, and gives that. It is looked at in the page: asked for from here,
 * each look would cost more than what is looked at.
 */
export async function inPage<T>(
  driver: WebDriver,
  what: string,
  { expression, given, patience, look }: Look,
): Promise<T> {
  const script = `const done = arguments[arguments.length - 1];
    const end = performance.now() + ${IN_PAGE};
    const look = function () {
      const found = (${expression}) || null;
      if (found !== null || performance.now() > end) done(found);
      else setTimeout(() => look.apply(null, arguments), ${look});
    };
    look.apply(null, arguments);`;
  return driver.wait(
    async () => {
      try {
        return await driver.executeAsyncScript<T | null>(script, ...given);
      } catch (error) {
        // The page is another by now.
        if (error instanceof Error && GONE.test(error.message)) return null;
        throw error;
      }
    },
    patience,
    what,
    look,
  ) as Promise<T>;
}
