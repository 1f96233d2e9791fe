import { buildServer } from './server.ts';

const folder = process.env.THICKET_WEB ?? new URL('../web/', import.meta.url).pathname;
const port = Number(process.env.PORT ?? 4680);
// Pages of this machine are fetched only where that is asked for, as the tests do.
const allowLoopback = process.env.THICKET_ALLOW_LOOPBACK === '1';
const server = await buildServer({ folder, pages: { allowLoopback } });

/** Listens on the port asked for, or, where that is taken, on any that is free. */
async function listen(): Promise<string> {
  try {
    return await server.listen({ host: '127.0.0.1', port });
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE' || process.env.PORT !== undefined) throw error;
    process.stderr.write(`Port ${port} is taken; another is used.\n`);
    return server.listen({ host: '127.0.0.1', port: 0 });
  }
}

const address = await listen();
const demo = process.argv.includes('--demo') ? '/demo' : '';
process.stdout.write(`Green Thicket is at ${address}${demo}\nPress Ctrl+C to stop it.\n`);
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    void server.close().then(() => process.exit(0));
  });
}
