import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, request as ask, type IncomingHttpHeaders } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { HEADERS } from './answers.mjs';
import { built } from './built.mjs';

const SCRIPT = 'console.log("made once")';
const root = mkdtempSync(join(tmpdir(), 'vane-built-'));
let port = 0;
let stop = () => {};

beforeAll(async () => {
  const folder = join(root, 'static');
  mkdirSync(join(folder, 'chunks'), { recursive: true });
  writeFileSync(join(root, 'secret.js'), 'not for anybody');
  writeFileSync(join(folder, 'chunks', 'a.js'), SCRIPT);
  writeFileSync(join(folder, 'chunks', 'packed.js'), SCRIPT);
  writeFileSync(join(folder, 'chunks', 'packed.js.gz'), gzipSync(SCRIPT));
  const files = built(folder);
  const server = createServer((request, response) =>
    files(request, response, () => {
      response.writeHead(404);
      response.end('otherwise');
    }),
  );
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  ({ port } = server.address() as AddressInfo);
  stop = () => void server.close();
});
afterAll(() => {
  stop();
  rmSync(root, { recursive: true });
});

const get = (path: string, headers: Record<string, string> = {}, method = 'GET') =>
  new Promise<{ status: number | undefined; headers: IncomingHttpHeaders; body: Buffer }>((resolve, reject) => {
    ask({ host: '127.0.0.1', port, path, headers, method, agent: false }, (response) => {
      const chunks: Buffer[] = [];
      response.on('data', (chunk: Buffer) => chunks.push(chunk));
      response.on('end', () =>
        resolve({ status: response.statusCode, headers: response.headers, body: Buffer.concat(chunks) }),
      );
    })
      .on('error', reject)
      .end();
  });

test('a file of the build comes as it is, for good, with the headers of every answer', async () => {
  const { status, headers, body } = await get('/_next/static/chunks/a.js');
  expect(status).toBe(200);
  expect(String(body)).toBe(SCRIPT);
  expect(headers['cache-control']).toBe('public,max-age=31536000,immutable');
  expect(headers['content-type']).toBe('text/javascript');
  expect(headers['content-security-policy']).toContain("script-src 'self';");
  expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
  expect(headers).toMatchObject(HEADERS);
  expect((await get('/_next/static/chunks/a.js', { 'if-none-match': headers.etag ?? '' })).status).toBe(304);
  const head = await get('/_next/static/chunks/a.js', {}, 'HEAD');
  expect([head.status, head.body.length]).toEqual([200, 0]);
});

test('packed where it was packed and where that is understood, and else whole', async () => {
  const packed = await get('/_next/static/chunks/packed.js', { 'accept-encoding': 'gzip, br' });
  expect(packed.headers['content-encoding']).toBe('gzip');
  expect(packed.headers['content-type']).toBe('text/javascript');
  expect(packed.headers.vary).toBe('Accept-Encoding');
  expect(String(gunzipSync(packed.body))).toBe(SCRIPT);
  const whole = await get('/_next/static/chunks/packed.js');
  expect([whole.headers['content-encoding'], String(whole.body)]).toEqual([undefined, SCRIPT]);
  const never = await get('/_next/static/chunks/a.js', { 'accept-encoding': 'gzip' });
  expect([never.headers['content-encoding'], String(never.body)]).toEqual([undefined, SCRIPT]);
});

test.each([
  ['what is not there', '/_next/static/chunks/b.js', {}],
  ['a folder', '/_next/static/chunks', {}],
  ['what lies beside the folder', '/_next/static/../secret.js', {}],
  ['the same, escaped', '/_next/static/%2e%2e/secret.js', {}],
  ['a page', '/chunks/a.js', {}],
  ['by a name that is not ours', '/_next/static/chunks/a.js', { host: 'evil.example' }],
  ['a script of a page elsewhere', '/_next/static/chunks/a.js', { 'sec-fetch-site': 'cross-site' }],
])('for others to answer: %s', async (_what, path, headers) => {
  const { status, body } = await get(path, headers as Record<string, string>);
  expect([status, String(body)]).toEqual([404, 'otherwise']);
});

test('what changes something is for others, and so is all where nothing was built', async () => {
  const own = { origin: `http://127.0.0.1:${port}`, host: `127.0.0.1:${port}` };
  expect((await get('/_next/static/chunks/a.js', own, 'POST')).status).toBe(404);
  let asked = 0;
  built(join(root, 'none'))({} as never, {} as never, () => (asked += 1));
  expect(asked).toBe(1);
});
