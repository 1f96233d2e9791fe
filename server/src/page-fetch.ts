import type { LookupAddress } from 'node:dns';
import { lookup } from 'node:dns/promises';
import { request as httpRequest, type IncomingMessage } from 'node:http';
import { request as httpsRequest } from 'node:https';
import { isIP } from 'node:net';
import type { Readable, Transform } from 'node:stream';
import { createBrotliDecompress, createGunzip, createInflate } from 'node:zlib';
import ipaddr from 'ipaddr.js';

/** Why a page can't be fetched, as a sentence for the researcher. */
export class PageError extends Error {
  override readonly name = 'PageError';
}

export interface FetchLimits {
  /** Whether pages of this machine and its network may be fetched; for tests. */
  readonly allowLoopback?: boolean;
  /** Most bytes of a page, unpacked. */
  readonly mostBytes?: number;
  /** Most time for all of it, redirects too, in milliseconds. */
  readonly mostTime?: number;
  /** Finds the addresses of a server by its name. */
  readonly findServer?: (name: string) => Promise<LookupAddress[]>;
}

const MOST_BYTES = 10 * 1024 * 1024;
const MOST_TIME = 15_000;
const MOST_REDIRECTS = 5;
const READ_TYPES = /^(?:text\/html|application\/xhtml\+xml|text\/plain)$/;

/** A page as it came, with the address it was found at in the end. */
export interface RawPage {
  readonly address: URL;
  readonly type: string;
  readonly charset: string;
  readonly bytes: Buffer;
}

/** An address that may be asked for; throws a PageError for any other kind. */
export function checkedAddress(text: string, base?: URL): URL {
  let address: URL;
  try {
    address = new URL(text, base);
  } catch {
    throw new PageError('This is no address of a page. It should begin with https:// or http://.');
  }
  if (address.protocol !== 'https:' && address.protocol !== 'http:') {
    throw new PageError('Only pages at https:// and http:// addresses can be fetched.');
  }
  if (address.username !== '' || address.password !== '') {
    throw new PageError('An address with a name or password in it is not fetched.');
  }
  return address;
}

/** Whether an IP address is one of the open Internet: not this machine, its network, or reserved. */
export function isPublic(ip: string): boolean {
  if (!ipaddr.isValid(ip)) return false;
  let parsed = ipaddr.parse(ip);
  if (parsed instanceof ipaddr.IPv6 && parsed.isIPv4MappedAddress()) parsed = parsed.toIPv4Address();
  // Of IPv6 only 2000::/3 is given out (RFC 4291); the rest, such as ::127.0.0.1, stands for something else.
  if (parsed instanceof ipaddr.IPv6 && (parsed.parts[0] & 0xe000) !== 0x2000) return false;
  return parsed.range() === 'unicast';
}

/** What comes of work that can't be stopped, unless the signal comes first. */
function beforeAbort<T>(work: Promise<T>, signal: AbortSignal): Promise<T> {
  return new Promise((resolve, reject) => {
    const abort = (): void => reject(signal.reason as Error);
    if (signal.aborted) abort();
    signal.addEventListener('abort', abort, { once: true });
    work.then(resolve, reject).finally(() => signal.removeEventListener('abort', abort));
  });
}

/** The IP addresses of a host that may be asked; throws where any of them is not of the open Internet. */
async function resolved(
  host: string,
  { allowLoopback = false, findServer = (name) => lookup(name, { all: true }) }: FetchLimits,
  signal: AbortSignal,
): Promise<{ address: string; family: number }> {
  const name = host.replace(/^\[|\]$/g, '');
  let found: { address: string; family: number }[];
  try {
    found = isIP(name)
      ? [{ address: name, family: isIP(name) }]
      : await beforeAbort(findServer(name), signal);
  } catch (error) {
    if (signal.aborted) throw error;
    throw new PageError(`There is no server called ${name}, or this machine has no connection.`);
  }
  const isAllowed = (ip: string): boolean =>
    isPublic(ip) || (allowLoopback && ipaddr.isValid(ip) && ipaddr.parse(ip).range() === 'loopback');
  if (found.length === 0 || !found.every(({ address }) => isAllowed(address))) {
    throw new PageError('Pages of this machine or of a private network are not fetched.');
  }
  return found[0];
}

/** Asks one address, of the very IP address that was checked, so that a name can't change between check and request. */
async function ask(address: URL, limits: FetchLimits, signal: AbortSignal): Promise<IncomingMessage> {
  const { address: ip, family } = await resolved(address.hostname, limits, signal);
  const send = address.protocol === 'https:' ? httpsRequest : httpRequest;
  return new Promise((resolve, reject) => {
    const asked = send(
      address,
      {
        method: 'GET',
        signal,
        headers: {
          Accept: 'text/html,application/xhtml+xml;q=0.9,text/plain;q=0.8',
          'Accept-Encoding': 'gzip, deflate, br',
          'User-Agent': 'GreenThicket/0.1 (reads one page for a researcher)',
        },
        lookup: (_host, options, done) => {
          if (options.all) done(null, [{ address: ip, family }]);
          else done(null, ip, family);
        },
      },
      resolve,
    );
    asked.on('error', reject);
    asked.end();
  });
}

const UNPACKERS: ReadonlyMap<string, () => Transform> = new Map([
  ['gzip', createGunzip],
  ['x-gzip', createGunzip],
  ['br', createBrotliDecompress],
  ['deflate', createInflate],
]);
/** More layers than this are only put on to make a reader work. */
const MOST_LAYERS = 2;

/** What unpacks a body, the outermost layer first (RFC 9110, 8.4: listed in the order they were put on, in any case). */
function unpackers(encodings: string): (() => Transform)[] {
  const layers = encodings
    .split(',')
    .map((each) => each.trim().toLowerCase())
    .filter((each) => each !== '' && each !== 'identity');
  if (layers.length > MOST_LAYERS) throw new PageError('The page is packed many times over and is not read.');
  return layers.reverse().map((layer) => {
    const make = UNPACKERS.get(layer);
    if (!make) throw new PageError(`The page is packed in a way that is not read (${layer}).`);
    return make;
  });
}

/** The body of an answer, unpacked and no larger than allowed. */
async function bodyOf(answer: IncomingMessage, mostBytes: number, signal: AbortSignal): Promise<Buffer> {
  const body = unpackers(answer.headers['content-encoding'] ?? '').reduce<Readable>((packed, make) => {
    const unpacked = make();
    // A pipe does not hand faults on.
    packed.on('error', (error) => unpacked.destroy(error));
    return packed.pipe(unpacked);
  }, answer);
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of body as AsyncIterable<Buffer>) {
    size += chunk.length;
    if (size > mostBytes) {
      answer.destroy();
      throw new PageError(`The page is larger than ${Math.round(mostBytes / 1024 / 1024)} MB.`);
    }
    chunks.push(chunk);
  }
  // A body that says nowhere how long it is ends where it is cut off, too.
  signal.throwIfAborted();
  if (!answer.complete) throw new PageError('The page’s server broke off in the middle of the page.');
  return Buffer.concat(chunks);
}

/**
 * Fetches a page by http or https, following redirects. Every address on the way is resolved and checked: this machine,
 * private and link-local networks are refused. Bounded in size and time. Throws a PageError that says why it can't.
 */
export async function fetchRawPage(text: string, limits: FetchLimits = {}): Promise<RawPage> {
  const { mostBytes = MOST_BYTES, mostTime = MOST_TIME } = limits;
  const signal = AbortSignal.timeout(mostTime);
  let address = checkedAddress(text);
  try {
    for (let redirects = 0; ; redirects++) {
      const answer = await ask(address, limits, signal);
      const status = answer.statusCode ?? 0;
      const { location } = answer.headers;
      if (status >= 300 && status < 400 && location !== undefined) {
        answer.destroy();
        if (redirects === MOST_REDIRECTS) throw new PageError('The page sends on to others without end.');
        address = checkedAddress(location, address);
        continue;
      }
      if (status !== 200) {
        answer.destroy();
        throw new PageError(
          status === 404
            ? 'There is no page at this address (404).'
            : `The page’s server refused with the status ${status}.`,
        );
      }
      const [type, ...parameters] = (answer.headers['content-type'] ?? 'text/html').split(';');
      if (!READ_TYPES.test(type.trim().toLowerCase())) {
        answer.destroy();
        throw new PageError(`At this address is no page but ${type.trim()}. Save it and add the file.`);
      }
      const charset = /charset="?([^"\s]+)/i.exec(parameters.join(';'))?.[1] ?? '';
      const bytes = await bodyOf(answer, mostBytes, signal);
      return { address, type: type.trim().toLowerCase(), charset, bytes };
    }
  } catch (error) {
    if (error instanceof PageError) throw error;
    if (signal.aborted) {
      throw new PageError(`The page’s server did not answer in full within ${mostTime / 1000} seconds.`);
    }
    const code = (error as NodeJS.ErrnoException).code ?? (error as Error).message;
    throw new PageError(`The page’s server can’t be reached (${code}).`);
  }
}
