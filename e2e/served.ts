import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));

export interface Served {
  readonly address: string;
  readonly close: () => void;
}

/** Runs a command until whoever began it closes its input or is gone, however that comes: nothing outlives the tests. */
const UNTIL_LEFT =
  'exec 3<&0; "$0" "$1" 3<&- & pid=$!; (cat <&3 > /dev/null; kill $pid 2> /dev/null) & wait $pid';

/** Starts the built server on a free port, with settings of its own where they are given. */
export async function serve(settings: Readonly<Record<string, string>> = {}): Promise<Served> {
  const child = spawn('sh', ['-c', UNTIL_LEFT, process.execPath, join(root, 'dist/server/main.js')], {
    env: { ...process.env, PORT: '0', THICKET_ALLOW_LOOPBACK: '1', ...settings },
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  const address = await new Promise<string>((resolve, reject) => {
    let said = '';
    child.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(said);
      if (found) resolve(found[0]);
    });
    child.once('exit', () => reject(new Error(`The server ended: ${said}`)));
  });
  return { address, close: () => child.stdin.end() };
}
