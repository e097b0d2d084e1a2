import { lookup } from 'node:dns';
import { createReadStream } from 'node:fs';
import { realpath, stat } from 'node:fs/promises';
import { request as overHttp, type IncomingMessage } from 'node:http';
import { request as overHttps } from 'node:https';
import { sep } from 'node:path';
import type { Readable } from 'node:stream';
import { createBrotliDecompress, createGunzip, createInflate } from 'node:zlib';
import { objectionToAddress, objectionToUrl, type Reach } from './address';

/** An answer that trying again cannot better. */
export class NotTaken extends Error {}

/** Answers of more than this, unpacked, are refused: a feed has no reason to be larger. */
export const MOST_BYTES = 48 * 1024 * 1024;
/** Unpacked bytes a byte: what grows more is made to fill memory. */
const MOST_INFLATION = 200;
const MOST_REDIRECTS = 3;

export interface Limits {
  readonly reach: Reach;
  readonly signal: AbortSignal;
  readonly mostBytes?: number;
}

/**
 * The text at an address. Each address on the way, redirects too, is held against what sources may reach: first as it is
 * written, then as its name is resolved, by the very lookup that the connection is made with. Size and inflation are counted
 * while reading; nothing past a limit is kept.
 * @throws NotTaken when it may not be asked or its answer is not taken; other errors may be gone the next time
 */
export async function textAt(address: string, limits: Limits): Promise<string> {
  let at = address;
  for (let hop = 0; hop <= MOST_REDIRECTS; hop++) {
    const objection = objectionToUrl(at, limits.reach);
    if (objection !== undefined) throw new NotTaken(`the address ${objection}`);
    const answer = await get(new URL(at), limits);
    const status = answer.statusCode ?? 0;
    const next = status >= 300 && status < 400 ? answer.headers.location : undefined;
    if (next === undefined) return body(answer, status, limits);
    answer.destroy();
    const to = URL.canParse(next, at) ? new URL(next, at) : undefined;
    if (!to) throw new NotTaken('it sends on to what is no address');
    if (at.startsWith('https:') && to.protocol !== 'https:') throw new NotTaken('it sends on from https to http');
    at = to.href;
  }
  throw new NotTaken(`it sends on more than ${MOST_REDIRECTS} times`);
}

function get(url: URL, { reach, signal }: Limits): Promise<IncomingMessage> {
  const ask = url.protocol === 'https:' ? overHttps : overHttp;
  return new Promise((resolve, reject) => {
    const request = ask(
      url,
      {
        signal,
        agent: false,
        headers: { accept: 'application/ld+json, text/csv, application/json', 'accept-encoding': 'gzip, deflate, br' },
        lookup: (host, options, done) => {
          lookup(host, { ...options, all: true }, (error, addresses) => {
            const objection = addresses
              ?.map(({ address }) => objectionToAddress(address, url, reach))
              .find((it) => it !== undefined);
            const [first] = addresses ?? [];
            if (error) done(error, []);
            else if (objection !== undefined) done(new NotTaken(`the address ${objection}`), []);
            else if (options.all) done(null, addresses);
            else done(null, first?.address ?? '', first?.family);
          });
        },
      },
      resolve,
    );
    request.on('error', reject);
    request.end();
  });
}

async function body(answer: IncomingMessage, status: number, { mostBytes = MOST_BYTES }: Limits): Promise<string> {
  if (status >= 400 && status < 500) throw refusing(answer, `it answered ${status}`);
  if (status < 200 || status >= 300) {
    answer.destroy();
    throw new Error(`it answered ${status}`);
  }
  let packed = 0;
  answer.on('data', (chunk: Buffer) => (packed += chunk.length));
  const plain = unpacked(answer);
  if (!plain) throw refusing(answer, 'its answer is packed in a way that is not read here');
  const allowed = () => Math.min(mostBytes, 1_000_000 + packed * MOST_INFLATION);
  try {
    return await collected(plain, allowed);
  } finally {
    answer.destroy();
  }
}

const refusing = (answer: IncomingMessage, message: string): NotTaken => {
  answer.destroy();
  return new NotTaken(message);
};

function unpacked(answer: IncomingMessage): Readable | undefined {
  const onto = <T extends Readable & NodeJS.WritableStream>(unpack: T): T => {
    // a source that breaks off must end what unpacks it, or nothing would ever come
    answer.on('error', (error) => unpack.destroy(error));
    answer.on('aborted', () => unpack.destroy(new Error('the answer broke off half way')));
    return answer.pipe(unpack);
  };
  switch ((answer.headers['content-encoding'] ?? 'identity').toLowerCase()) {
    case 'identity':
      return answer;
    case 'gzip':
      return onto(createGunzip());
    case 'deflate':
      return onto(createInflate());
    case 'br':
      return onto(createBrotliDecompress());
    default:
      return undefined;
  }
}

/** All of a stream as UTF-8 text, given up at the first byte past what is allowed. */
async function collected(stream: Readable, allowed: () => number): Promise<string> {
  const chunks: Buffer[] = [];
  let bytes = 0;
  for await (const chunk of stream as AsyncIterable<Buffer>) {
    bytes += chunk.length;
    if (bytes > allowed()) throw new NotTaken(`its answer is larger than ${Math.round(allowed() / 1e6)} MB`);
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}

/**
 * The text of a file under the folder that sources may lie in.
 * @throws NotTaken when there is no such folder or file, it lies elsewhere, or is too large
 */
export async function textOfFile(path: string, reach: Reach): Promise<string> {
  if (reach.folder === undefined) throw new NotTaken('no folder is named that files of prices may lie in (Workshop)');
  const folder = await realpath(reach.folder).catch(() => undefined);
  if (folder === undefined) throw new NotTaken(`there is no folder ${reach.folder}, which files of prices lie in`);
  const file = await realpath(path).catch(() => undefined);
  if (file !== undefined && !file.startsWith(folder + sep))
    throw new NotTaken(`${path} does not lie in ${reach.folder}, where files of prices lie`);
  const info = file === undefined ? undefined : await stat(file).catch(() => undefined);
  if (file === undefined || !info?.isFile()) throw new NotTaken(`there is no file ${path}`);
  return collected(createReadStream(file), () => MOST_BYTES);
}

/** What went wrong between here and there, in words that quote nothing of the answer. */
export function reasonOf(error: unknown, timeoutMs: number): string {
  if (!(error instanceof Error)) return 'it cannot be read';
  if (error instanceof NotTaken) return error.message;
  const code = (error as NodeJS.ErrnoException).code ?? '';
  if (error.name === 'TimeoutError' || error.name === 'AbortError' || code === 'ABORT_ERR')
    return `it did not answer within ${timeoutMs / 1000} s`;
  if (code === 'ECONNRESET' || /aborted|broke off|premature|terminated/i.test(error.message))
    return 'the answer broke off half way';
  if (code.startsWith('Z_') || code.startsWith('ERR_') || code.startsWith('ERR__ERROR'))
    return 'the answer is packed wrongly';
  if (code !== '') return `it cannot be reached (${code})`;
  return error.message;
}
