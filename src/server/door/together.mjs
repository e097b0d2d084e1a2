// plain, because it stands in front of the framework
import { randomBytes } from 'node:crypto';
import { promisify } from 'node:util';
import { gzip as gzipped } from 'node:zlib';

const gzip = promisify(gzipped);
/** Below this packing costs more than it saves. */
const LEAST_PACKED = 1_000;
const NONCE = /'nonce-([^']+)'/;

/** Whether a request asks for a whole page, as a browser's address line does. */
const forPage = ({ method, url, headers }) =>
  method === 'GET' &&
  (headers.accept ?? '').includes('text/html') &&
  !/^\/(_next|api)\//.test(url) &&
  !['rsc', 'next-router-state-tree', 'cookie', 'authorization', 'range', 'if-none-match'].some(
    (name) => name in headers,
  );

/** Sends nothing of what `handle` answers, but gives it back: status, headers and body, or undefined when it was cut short. */
function held(handle, request, response) {
  const { write, end, writeHead, flushHeaders } = response;
  const chunks = [];
  const add = (chunk, encoding) => {
    if (chunk && typeof chunk !== 'function')
      chunks.push(Buffer.from(chunk, typeof encoding === 'string' ? encoding : undefined));
  };
  const called = (...args) => args.find((arg) => typeof arg === 'function')?.();
  return new Promise((resolve, reject) => {
    const given = () => Object.assign(response, { write, end, writeHead, flushHeaders });
    response.writeHead = (status, ...rest) => {
      response.statusCode = status;
      const headers = rest.find((arg) => typeof arg === 'object') ?? {};
      for (const [name, value] of Object.entries(headers)) response.setHeader(name, value);
      return response;
    };
    response.flushHeaders = () => {};
    response.write = (chunk, ...rest) => {
      add(chunk, rest[0]);
      called(...rest);
      return true;
    };
    response.end = (chunk, ...rest) => {
      add(chunk, rest[0]);
      given();
      resolve({ status: response.statusCode, headers: response.getHeaders(), body: Buffer.concat(chunks) });
      called(chunk, ...rest);
      return response;
    };
    response.once('close', () => resolve(undefined));
    handle(request, response).catch((error) => {
      given();
      reject(error);
    });
  });
}

/** Sends a page, under a nonce of its own unless it is the one it was made for. */
async function send(response, { status, headers, body }, packed, ownNonce) {
  const made = NONCE.exec(headers['content-security-policy'] ?? '')?.[1];
  const fresh = randomBytes(16).toString('base64');
  /** What was made under the one nonce, under the other. */
  const renewed = (text) => (ownNonce && made ? text.replaceAll(made, fresh) : text);
  let bytes = ownNonce && made ? Buffer.from(renewed(body.toString('utf8'))) : body;
  const packs = packed && bytes.length >= LEAST_PACKED && headers['content-encoding'] === undefined;
  if (packs) bytes = await gzip(bytes);
  if (response.destroyed) return;
  response.statusCode = status;
  for (const [name, value] of Object.entries(headers))
    if (value !== undefined) response.setHeader(name, typeof value === 'string' ? renewed(value) : value);
  for (const name of ['transfer-encoding', 'content-length']) response.removeHeader(name);
  if (packs) response.setHeader('content-encoding', 'gzip');
  response.setHeader('content-length', bytes.length);
  response.end(bytes);
}

export function together(handle, stamp) {
  /** What is being made, by request. */
  const underWay = new Map();
  return async (request, response) => {
    const now = forPage(request) ? stamp() : undefined;
    if (now === undefined) return handle(request, response);
    const key = JSON.stringify([request.url, request.rawHeaders]);
    const packed = /\bgzip\b/.test(request.headers['accept-encoding'] ?? '');
    const made = underWay.get(key);
    if (made && made.stamp === now) {
      const page = await made.page.catch(() => undefined);
      return page ? send(response, page, packed, true) : handle(request, response);
    }
    // packed here, each by itself, because each has a nonce of its own
    delete request.headers['accept-encoding'];
    const mine = {
      stamp: now,
      page: held(handle, request, response).finally(() => {
        if (underWay.get(key) === mine) underWay.delete(key);
      }),
    };
    underWay.set(key, mine);
    const page = await mine.page;
    if (page) await send(response, page, packed, false);
  };
}
