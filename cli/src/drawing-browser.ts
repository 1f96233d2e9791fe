import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Readable, Writable } from 'node:stream';
import { sizeOfDrawing, type DrawPng } from '@green-thicket/core/formats/write/document';
import { reasonOf, UsageError } from './usage-error.ts';

/** A browser that turns drawings into pictures, as the page does in the researcher's own. */
interface DrawingBrowser {
  readonly draw: DrawPng;
  readonly close: () => Promise<void>;
}

/** How long one answer may take, ms. */
const PATIENCE = 60_000;

const FLAGS = [
  '--headless=new',
  '--remote-debugging-pipe',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-extensions',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** What the page does to save a picture, as a browser runs it: a drawing on a canvas of so many times its size. */
const DRAW = `async (svg, width, height) => {
  const image = new Image();
  image.src = 'data:image/svg+xml,' + encodeURIComponent(svg);
  await image.decode();
  const canvas = Object.assign(document.createElement('canvas'), { width, height });
  canvas.getContext('2d').drawImage(image, 0, 0, width, height);
  return canvas.toDataURL('image/png').split(',')[1];
}`;

interface Answer {
  readonly id?: number;
  readonly error?: { readonly message: string };
  readonly result?: Record<string, unknown>;
}

type Command = (method: string, params: object, sessionId?: string) => Promise<Record<string, unknown>>;

/**
 * Starts a browser that speaks the DevTools protocol over a pipe, such as Chromium, with a profile of its own. It is handed
 * drawings and asks no network for anything.
 *
 * @throws UsageError where there is none at this path, or it is none of that kind
 */
async function openBrowser(path: string): Promise<DrawingBrowser> {
  const profile = mkdtempSync(join(tmpdir(), 'thicket-browser-'));
  // As root a browser runs without its own walls only; it shows nothing but what is drawn here.
  const walls = process.getuid?.() === 0 ? ['--no-sandbox'] : [];
  const child = spawn(path, [...FLAGS, ...walls, `--user-data-dir=${profile}`, 'about:blank'], {
    stdio: ['ignore', 'ignore', 'ignore', 'pipe', 'pipe'],
  });
  const ended = new Promise<string>((resolve) => {
    child.once('error', (error) => resolve(reasonOf(error)));
    child.once('exit', () => resolve('it ended before it had drawn'));
  });
  const command = commandsOver(child.stdio[3] as Writable, child.stdio[4] as Readable, ended);
  const close = async (): Promise<void> => {
    // Asked to close it ends its helpers first, so that none still writes into the profile; one that is gone can't be asked.
    await command('Browser.close', {}).catch(() => child.kill());
    await ended;
    await rm(profile, { recursive: true, force: true, maxRetries: 10 });
  };
  try {
    const { targetId } = await command('Target.createTarget', { url: 'about:blank' });
    const { sessionId } = await command('Target.attachToTarget', { targetId, flatten: true });
    return {
      close,
      async draw(svg, scale) {
        const { width, height } = sizeOfDrawing(svg);
        const given = [svg, width * scale, height * scale].map((each) => JSON.stringify(each)).join(', ');
        const { result, exceptionDetails } = await command(
          'Runtime.evaluate',
          { expression: `(${DRAW})(${given})`, awaitPromise: true, returnByValue: true },
          String(sessionId),
        );
        if (exceptionDetails !== undefined) throw new UsageError(`${path} can’t draw the picture.`);
        return Buffer.from((result as { value: string }).value, 'base64');
      },
    };
  } catch (error) {
    await close();
    throw new UsageError(
      `${path} can’t draw pictures: ${reasonOf(error)}. Name a browser such as Chromium after --browser.`,
    );
  }
}

/** Does work with a browser that draws, where there is to be one, and closes it whatever comes. */
export async function withBrowser(
  path: string | undefined,
  work: (draw: DrawPng | undefined) => Promise<void>,
): Promise<void> {
  if (path === undefined) return work(undefined);
  const browser = await openBrowser(path);
  try {
    await work(browser.draw);
  } finally {
    await browser.close();
  }
}

/** Commands of the DevTools protocol over a pipe: JSON, each with a zero byte at its end. */
function commandsOver(into: Writable, from: Readable, ended: Promise<string>): Command {
  const waiting = new Map<number, (answer: Answer) => void>();
  let parts: Buffer[] = [];
  from.on('data', (bytes: Buffer) => {
    let rest = bytes;
    for (let end = rest.indexOf(0); end >= 0; end = rest.indexOf(0)) {
      const answer = JSON.parse(Buffer.concat([...parts, rest.subarray(0, end)]).toString()) as Answer;
      parts = [];
      rest = rest.subarray(end + 1);
      if (answer.id !== undefined) waiting.get(answer.id)?.(answer);
    }
    if (rest.length > 0) parts.push(rest);
  });
  // That the other end is gone is told by its end.
  into.on('error', () => undefined);
  let last = 0;
  return async (method, params, sessionId) => {
    const id = ++last;
    const answered = new Promise<Answer>((resolve) => waiting.set(id, resolve));
    into.write(`${JSON.stringify({ id, method, params, sessionId })}\0`);
    let timer: NodeJS.Timeout | undefined;
    const tooLong = new Promise<string>((resolve) => {
      timer = setTimeout(() => resolve('it did not answer'), PATIENCE);
    });
    const answer = await Promise.race([answered, ended, tooLong]);
    clearTimeout(timer);
    waiting.delete(id);
    if (typeof answer === 'string') throw new Error(answer);
    if (answer.error) throw new Error(answer.error.message);
    return answer.result ?? {};
  };
}
