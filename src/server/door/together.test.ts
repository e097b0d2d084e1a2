import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { gunzipSync } from 'node:zlib';
import { request as ask } from 'node:http';
import { afterEach, expect, test, vi } from 'vitest';
import { together } from './together.mjs';

const AS_BROWSER = { accept: 'text/html', 'accept-encoding': 'gzip' };
let stop = () => {};
afterEach(() => stop());

interface Answer {
  readonly status: number | undefined;
  readonly headers: IncomingMessage['headers'];
  readonly body: string;
}

/** A server that makes pages slowly, with a nonce for each, and counts them. */
async function serving(
  stamp: () => unknown,
  make: (request: IncomingMessage, response: ServerResponse, n: number) => void = (_request, response, n) => {
    response.setHeader('content-security-policy', `script-src 'nonce-first${n}=='`);
    response.setHeader('link', `</a.js>; rel=preload; nonce="first${n}=="`);
    response.setHeader('content-type', 'text/html');
    response.write(`<script nonce="first${n}==">page ${n}</script>`);
    response.end(`<p>é ${'long '.repeat(400)}</p>`);
  },
) {
  let made = 0;
  const handle = together(async (request, response) => {
    const n = ++made;
    await new Promise((resolve) => setTimeout(resolve, 40));
    make(request, response, n);
  }, stamp);
  const server = createServer((request, response) => {
    handle(request, response).catch(() => response.destroy());
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  stop = () => void server.close();
  const { port } = server.address() as AddressInfo;
  const get = (path: string, headers: Record<string, string> = AS_BROWSER) =>
    new Promise<Answer>((resolve, reject) => {
      ask({ host: '127.0.0.1', port, path, headers, agent: false }, (response) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () => {
          const bytes = Buffer.concat(chunks);
          const body = String(response.headers['content-encoding'] === 'gzip' ? gunzipSync(bytes) : bytes);
          resolve({ status: response.statusCode, headers: response.headers, body });
        });
      })
        .on('error', reject)
        .end();
    });
  return { get, made: () => made, port };
}

const nonceOf = ({ headers }: Answer) => /'nonce-([^']+)'/.exec(String(headers['content-security-policy']))?.[1] ?? '';

test('the same page at the same time is made once, and each has a nonce of its own', async () => {
  const { get, made } = await serving(() => 1);
  const answers = await Promise.all(Array.from({ length: 8 }, () => get('/desk')));
  expect(made()).toBe(1);
  const nonces = answers.map(nonceOf);
  expect(new Set(nonces).size).toBe(8);
  answers.forEach((answer, i) => {
    expect(answer.body).toBe(`<script nonce="${nonces[i] ?? ''}">page 1</script><p>é ${'long '.repeat(400)}</p>`);
    expect(answer.headers.link).toBe(`</a.js>; rel=preload; nonce="${nonces[i] ?? ''}"`);
    expect(answer.headers['content-encoding']).toBe('gzip');
    expect(Number(answer.headers['content-length'])).toBeGreaterThan(0);
  });
  // what comes later is made anew
  expect((await get('/desk')).body).toContain('page 2');
});

test('what was begun before a change is not for who comes after it', async () => {
  let stored = 1;
  const { get, made } = await serving(() => stored);
  const before = get('/desk');
  await vi.waitFor(() => expect(made()).toBe(1));
  stored = 2;
  expect((await get('/desk')).body).toContain('page 2');
  expect((await before).body).toContain('page 1');
  expect(made()).toBe(2);
});

test.each([
  ['another address', '/other', AS_BROWSER],
  ['another header', '/desk', { ...AS_BROWSER, origin: 'http://evil.example' }],
  ['data and no page', '/desk', { accept: 'application/json' }],
  ['a part of a page', '/desk', { ...AS_BROWSER, rsc: '1' }],
  ['who is known by a cookie', '/desk', { ...AS_BROWSER, cookie: 'who=me' }],
  ['a route of data', '/api/case', AS_BROWSER],
])('not shared: %s', async (_what, path, headers) => {
  const { get, made } = await serving(() => 1);
  await Promise.all([get('/desk'), get(path, headers), get(path, headers)]);
  // a page alike in all may be shared by the two of its kind, never with the other
  expect(made()).toBeGreaterThan(1);
});

test('when what is stored cannot be asked, nothing is shared', async () => {
  const { get, made } = await serving(() => undefined);
  await Promise.all([get('/desk'), get('/desk')]);
  expect(made()).toBe(2);
});

test('a refusal is a refusal for all; who asked first may leave', async () => {
  const { get, made, port } = await serving(
    () => 1,
    (_request, response) => {
      response.writeHead(421, { 'content-type': 'application/json' });
      response.end('{"message":"not by this name"}');
    },
  );
  for (const answer of await Promise.all([get('/desk'), get('/desk')]))
    expect([answer.status, answer.body]).toEqual([421, '{"message":"not by this name"}']);
  expect(made()).toBe(1);
  const leaving = ask({ host: '127.0.0.1', port, path: '/desk', headers: AS_BROWSER, agent: false });
  leaving.on('error', () => {});
  leaving.end();
  await new Promise((resolve) => setTimeout(resolve, 15));
  const staying = get('/desk');
  await new Promise((resolve) => setTimeout(resolve, 5));
  leaving.destroy();
  expect((await staying).status).toBe(421);
});
