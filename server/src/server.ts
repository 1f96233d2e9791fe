import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fastifyStatic from '@fastify/static';
import { fetchRawPage, PageError, type FetchLimits } from './page-fetch.ts';
import { mainTextApart } from './text-apart.ts';
import Fastify, { type FastifyInstance, type FastifyReply, type FastifyRequest } from 'fastify';

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

/** The one name studies are kept under; the other is sent on to it. */
const OUR_NAME = '127.0.0.1';
const OTHER_NAME = 'localhost';

/** Why a request is not ours to answer: another name, a page from elsewhere, or one of another port of this machine. */
function isForeign({ headers, method }: FastifyRequest): boolean {
  const host = headers.host ?? '';
  const name = hostName(host);
  if (name !== OUR_NAME && name !== OTHER_NAME) return true;
  if (headers.origin !== undefined && headers.origin !== `http://${host}`) return true;
  const from = headers['sec-fetch-site'];
  if (from === undefined || from === 'same-origin' || from === 'none') return false;
  // Whoever links here may; nothing else of another site's is answered.
  return !(
    method === 'GET' &&
    headers['sec-fetch-mode'] === 'navigate' &&
    headers['sec-fetch-dest'] === 'document'
  );
}

/** Whether a request is for the page itself, at whatever address of it. */
function isPage({ method, url }: FastifyRequest): boolean {
  return method === 'GET' && !/\.[a-z0-9]+$/i.test(url.split('?')[0]);
}

/** Serves the built application to this machine alone: Host and Origin must be its own names. */
export async function buildServer({ folder, pages }: ServerOptions): Promise<FastifyInstance> {
  const server = Fastify({ logger: false });
  // Read anew each time, so that a build under a running server is served whole.
  const readPage = (): string => readFileSync(join(folder, 'index.html'), 'utf8');
  readPage();

  server.addHook('onRequest', async (request, reply) => {
    if (isForeign(request)) {
      return reply.code(403).type('text/plain').send('This address serves only this machine.');
    }
    const host = request.headers.host ?? '';
    if (hostName(host) === OTHER_NAME && isPage(request) && !/[?&]stay(?:$|[=&])/.test(request.url)) {
      return reply.redirect(`http://${host.replace(/^localhost/i, OUR_NAME)}${request.url}`, 307);
    }
    return undefined;
  });
  server.addHook('onSend', async (_request, reply) => {
    reply.header('X-Content-Type-Options', 'nosniff');
    reply.header('Referrer-Policy', 'no-referrer');
    reply.header('Cross-Origin-Opener-Policy', 'same-origin');
    reply.header('Cross-Origin-Resource-Policy', 'same-origin');
    // By this a second server knows that the first is no other program.
    reply.header('X-Green-Thicket', '1');
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
        return await mainTextApart(await fetchRawPage(request.body.address, pages));
      } catch (error) {
        if (error instanceof PageError) return reply.code(422).send({ reason: error.message });
        throw error;
      }
    },
  );
  server.get('/', (_request, reply) => sendPage(reply));
  server.get('/index.html', (_request, reply) => sendPage(reply));
  server.setNotFoundHandler((request, reply) => {
    return isPage(request)
      ? sendPage(reply)
      : reply.code(404).type('text/plain').send('There is nothing here.');
  });
  return server;
}
