import { parseArgs } from 'node:util';
import { buildServer } from './server.ts';
import { isOurs, programAt } from './who-listens.ts';

/** The usual port: studies are kept by address, so it is always the same unless another is asked for. */
const USUAL_PORT = 4680;

function options(): { demo: boolean; port: number } {
  try {
    const { values } = parseArgs({ options: { demo: { type: 'boolean' }, port: { type: 'string' } } });
    const port = Number(values.port ?? process.env.PORT ?? USUAL_PORT);
    if (!Number.isInteger(port) || port < 0 || port > 65535)
      throw new Error('A port is a number up to 65535');
    return { demo: values.demo === true, port };
  } catch (error) {
    process.stderr.write(
      `${error instanceof Error ? error.message : String(error)}. It takes --demo and --port <number>.\n`,
    );
    process.exit(2);
  }
}

const { demo, port } = options();
const path = demo ? '/demo' : '';
const folder = process.env.THICKET_WEB ?? new URL('../web/', import.meta.url).pathname;
// Pages of this machine are fetched only where that is asked for, as the tests do.
const allowLoopback = process.env.THICKET_ALLOW_LOOPBACK === '1';
const server = await buildServer({ folder, pages: { allowLoopback } });

/** Why the port can't be used and what to do: another address would be another, empty, set of studies. */
async function taken(): Promise<string> {
  const other =
    'Another address has studies of its own: to start there all the same, npm start -- --port 4681';
  if (await isOurs(port)) {
    return `Green Thicket is running already: open http://127.0.0.1:${port}${path}\n${other}\n`;
  }
  const program = programAt(port) ?? 'another program';
  return `Port ${port} is taken by ${program}, so the studies kept at http://127.0.0.1:${port} can’t be reached. Stop it and start again.\n${other}\n`;
}

try {
  const address = await server.listen({ host: '127.0.0.1', port });
  process.stdout.write(`Green Thicket is at ${address}${path}\nPress Ctrl+C to stop it.\n`);
} catch (error) {
  if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
  process.stderr.write(await taken());
  process.exit(1);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    server.close().then(
      () => process.exit(0),
      () => process.exit(1),
    );
  });
}
