import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fastifyStatic from '@fastify/static';
import { mainText } from './main-text.ts';
import { fetchRawPage, PageError, type FetchLimits } from './page-fetch.ts';
import Fastify, { type FastifyInstance, type FastifyReply } from 'fastify';

export interface ServerOptions {
  /** Folder of the built application. */
  readonly folder: string;
  /** Bounds of the pages that are fetched; as they are by themselves where it is left out. */
  readonly pages?: FetchLimits;
}

const NONCE_MARK = '__NONCE__';

/** What a page of ours may load: only from here, styles only with this answer's nonce. */
function contentPolicy(nonce: string): string {
  return [
    "default-src 'none'",
    "script-src 'self'",
    `style-src 'self' 'nonce-${nonce}'`,
    "font-src 'self' data:",
    "img-src 'self' data: blob:",
    "connect-src 'self' data:",
    "worker-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ');
}

/** The name in a Host header without its port. */
function hostName(host: string): string {
  return host.replace(/:\d+$/, '').toLowerCase();
}

const OUR_NAMES = new Set(['127.0.0.1', 'localhost']);

/** Serves the built application to this machine alone: Host and Origin must be its own names. */
export async function buildServer({ folder, pages }: ServerOptions): Promise<FastifyInstance> {
  const server = Fastify({ logger: false });
  // Read anew each time, so that a build under a running server is served whole.
  const readPage = (): string => readFileSync(join(folder, 'index.html'), 'utf8');
  readPage();

  server.addHook('onRequest', async (request, reply) => {
    const origin = request.headers.origin;
    const foreign =
      !OUR_NAMES.has(hostName(request.headers.host ?? '')) ||
      (origin !== undefined && !OUR_NAMES.has(hostName(origin.replace(/^https?:\/\//, ''))));
    if (foreign) await reply.code(403).type('text/plain').send('This address serves only this machine.');
  });
  server.addHook('onSend', async (_request, reply) => {
    reply.header('X-Content-Type-Options', 'nosniff');
    reply.header('Referrer-Policy', 'no-referrer');
    reply.header('Cross-Origin-Opener-Policy', 'same-origin');
    if (!reply.hasHeader('Content-Security-Policy')) {
      reply.header('Content-Security-Policy', contentPolicy(randomBytes(16).toString('base64url')));
    }
  });

  const sendPage = (reply: FastifyReply): FastifyReply => {
    const nonce = randomBytes(16).toString('base64url');
    return reply
      .header('Content-Security-Policy', contentPolicy(nonce))
      .header('Cache-Control', 'no-store')
      .type('text/html')
      .send(readPage().replaceAll(NONCE_MARK, nonce));
  };

  await server.register(fastifyStatic, {
    root: folder,
    index: false,
    wildcard: true,
    cacheControl: false,
    setHeaders: (response, path) => {
      // Built files carry a hash of their content in the name.
      if (path.includes('/assets/'))
        response.setHeader('Cache-Control', 'public, max-age=31536000, immutable');
    },
  });
  server.post<{ Body: { address: string } }>(
    '/fetch-page',
    {
      bodyLimit: 8192,
      schema: {
        body: {
          type: 'object',
          required: ['address'],
          additionalProperties: false,
          properties: { address: { type: 'string', minLength: 1, maxLength: 2000 } },
        },
      },
    },
    async (request, reply) => {
      try {
        return mainText(await fetchRawPage(request.body.address, pages));
      } catch (error) {
        if (error instanceof PageError) return reply.code(422).send({ reason: error.message });
        throw error;
      }
    },
  );
  server.get('/', (_request, reply) => sendPage(reply));
  server.get('/index.html', (_request, reply) => sendPage(reply));
  server.setNotFoundHandler((request, reply) => {
    const wantsPage = request.method === 'GET' && !/\.[a-z0-9]+$/i.test(request.url.split('?')[0]);
    return wantsPage ? sendPage(reply) : reply.code(404).type('text/plain').send('There is nothing here.');
  });
  return server;
}
