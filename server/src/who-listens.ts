import { readdirSync, readFileSync, readlinkSync } from 'node:fs';
import { request } from 'node:http';

/** Whether Green Thicket answers at a port of this machine. */
export function isOurs(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const asked = request(
      { host: '127.0.0.1', port, path: '/about', timeout: 1000, headers: { host: `127.0.0.1:${port}` } },
      (answer) => {
        answer.resume();
        resolve(answer.headers['x-green-thicket'] !== undefined);
      },
    );
    asked.on('timeout', () => asked.destroy());
    asked.on('error', () => resolve(false));
    asked.end();
  });
}

/** The name of the program that listens at a port, where the system tells (Linux); undefined elsewhere. */
export function programAt(port: number): string | undefined {
  try {
    const hex = port.toString(16).toUpperCase().padStart(4, '0');
    const inodes = new Set(
      ['/proc/net/tcp', '/proc/net/tcp6']
        .flatMap((path) => readFileSync(path, 'utf8').split('\n'))
        .map((line) => line.trim().split(/\s+/))
        .filter((fields) => fields[1]?.endsWith(`:${hex}`) && fields[3] === '0A')
        .map((fields) => `socket:[${fields[9]}]`),
    );
    for (const process of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
      if (holds(process, inodes)) return readFileSync(`/proc/${process}/comm`, 'utf8').trim();
    }
  } catch {
    // No such table on this system: the name is only a help.
  }
  return undefined;
}

function holds(process: string, inodes: ReadonlySet<string>): boolean {
  try {
    return readdirSync(`/proc/${process}/fd`).some((fd) =>
      inodes.has(readlinkSync(`/proc/${process}/fd/${fd}`)),
    );
  } catch {
    // It ended meanwhile, or is another user's.
    return false;
  }
}
