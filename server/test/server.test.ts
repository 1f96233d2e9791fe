import { expect } from 'chai';
import type { FastifyInstance } from 'fastify';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildServer } from '../src/server.ts';

describe('the server', () => {
  let server: FastifyInstance;
  let folder: string;
  before(async () => {
    folder = mkdtempSync(join(tmpdir(), 'thicket-web-'));
    mkdirSync(join(folder, 'assets'));
    writeFileSync(join(folder, 'index.html'), '<meta name="csp-nonce" content="__NONCE__">');
    writeFileSync(join(folder, 'assets', 'a.js'), 'export {}');
    server = await buildServer({ folder });
  });
  after(async () => {
    await server.close();
    rmSync(folder, { recursive: true });
  });
  const get = (url: string, headers: Record<string, string> = {}) =>
    server.inject({ method: 'GET', url, headers: { host: '127.0.0.1:4680', ...headers } });

  it('serves the page at any of its addresses with a nonce of its own each time', async () => {
    const [one, two] = [await get('/'), await get('/study/x/map')];
    expect([one.statusCode, two.statusCode]).to.deep.equal([200, 200]);
    const nonce = /content="([^"]+)"/.exec(one.body)?.[1] ?? '';
    expect(nonce).to.have.length.above(10);
    expect(two.body).not.to.include(nonce);
    const policy = String(one.headers['content-security-policy']);
    expect(policy).to.include(`'nonce-${nonce}'`).and.include("default-src 'none'").and.not.include('unsafe');
  });

  it('serves built files as what they are, and says when there is none', async () => {
    const script = await get('/assets/a.js');
    expect(script.headers['content-type']).to.match(/javascript/);
    expect(script.headers['cache-control']).to.include('immutable');
    expect(script.headers['x-content-type-options']).to.equal('nosniff');
    expect((await get('/assets/none.js')).statusCode).to.equal(404);
    expect((await get('/../package.json')).statusCode).to.equal(404);
  });

  it('answers no other name and no other origin', async () => {
    expect((await get('/', { host: 'evil.example' })).statusCode).to.equal(403);
    expect((await get('/', { origin: 'https://evil.example' })).statusCode).to.equal(403);
    expect((await get('/', { origin: 'http://127.0.0.1:4680' })).statusCode).to.equal(200);
    expect((await get('/', { origin: 'http://127.0.0.1:8080' })).statusCode).to.equal(403);
    const from = (site: string, more: Record<string, string> = {}) =>
      get('/', { 'sec-fetch-site': site, ...more });
    expect((await from('cross-site')).statusCode).to.equal(403);
    expect((await from('same-site', { 'sec-fetch-mode': 'no-cors' })).statusCode).to.equal(403);
    expect((await from('same-origin')).statusCode).to.equal(200);
    const link = { 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'document' };
    expect((await from('cross-site', link)).statusCode).to.equal(200);
    expect((await from('cross-site', { ...link, 'sec-fetch-dest': 'iframe' })).statusCode).to.equal(403);
    expect((await get('/')).headers['cross-origin-resource-policy']).to.equal('same-origin');
  });

  it('has one address: the other name is sent on to it, unless what is kept there is asked for', async () => {
    const sent = await get('/study/x/map?concept=rain', { host: 'localhost:4680' });
    expect([sent.statusCode, sent.headers.location]).to.deep.equal([
      307,
      'http://127.0.0.1:4680/study/x/map?concept=rain',
    ]);
    expect((await get('/?stay', { host: 'localhost:4680' })).statusCode).to.equal(200);
    expect((await get('/assets/a.js', { host: 'localhost:4680' })).statusCode).to.equal(200);
  });

  it('fetches no page of this machine unless told to, and needs an address', async () => {
    const post = (payload: object, headers: Record<string, string> = {}) =>
      server.inject({
        method: 'POST',
        url: '/fetch-page',
        headers: { host: '127.0.0.1:4680', ...headers },
        payload,
      });
    const refused = await post({ address: 'http://127.0.0.1:4680/' });
    expect(refused.statusCode).to.equal(422);
    expect(refused.json<{ reason: string }>().reason).to.match(/private network/);
    expect((await post({ more: 1 })).statusCode).to.equal(400);
    expect(
      (await post({ address: 'http://127.0.0.1/' }, { origin: 'https://evil.example' })).statusCode,
    ).to.equal(403);
  });
});
