import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));

export interface Served {
  readonly address: string;
  readonly close: () => void;
}

/** Starts the built server on a free port, with settings of its own where they are given. */
export async function serve(settings: Readonly<Record<string, string>> = {}): Promise<Served> {
  const child: ChildProcess = spawn(process.execPath, [join(root, 'dist/server/main.js')], {
    env: { ...process.env, PORT: '0', THICKET_ALLOW_LOOPBACK: '1', ...settings },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  process.once('exit', () => child.kill());
  const address = await new Promise<string>((resolve, reject) => {
    let said = '';
    child.stdout?.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(said);
      if (found) resolve(found[0]);
    });
    child.once('exit', () => reject(new Error(`The server ended: ${said}`)));
  });
  return { address, close: () => child.kill() };
}
