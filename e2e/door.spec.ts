import { request as knock } from 'node:http';
import { expect, test } from './test';
import { portOf } from './lanes';

interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly text: string;
}

/** A request as any program on the machine, or a page elsewhere through a browser, might send it. */
const asked = (port: number, method: string, path: string, headers: Record<string, string> = {}): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const sent = knock({ host: '127.0.0.1', port, method, path, headers }, (response) => {
      let text = '';
      response.setEncoding('utf8');
      response.on('data', (chunk: string) => (text += chunk));
      response.on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, text }));
    });
    sent.on('error', reject);
    sent.end();
  });

const ROUTES = [
  '/',
  '/library',
  '/ninefathom/film-desk/brief',
  '/ninefathom/film-desk/draft',
  '/ninefathom/film-desk/weigh',
  '/ninefathom/film-desk/rivals',
  '/ninefathom/film-desk/buy',
  '/nothing/here/at/all',
  '/api/catalogue',
  '/api/catalogue/used',
  '/api/catalogue/graphics',
  '/api/catalogue/nothing',
  '/api/prices',
  '/api/case/film-desk',
  '/api/library/nothing',
  '/api/library?q=nonsense',
  '/api/inbox/none',
  '/api/export/drive',
  '/icon.svg',
];

test('every answer has its headers; a page’s scripts carry the nonce of its policy and nothing else', async ({
  baseURL,
}) => {
  const port = portOf(baseURL);
  for (const path of ROUTES) {
    const { headers, text } = await asked(port, 'GET', path);
    const rules = String(headers['content-security-policy']);
    expect(rules, path).toContain("frame-ancestors 'none'");
    expect(rules, path).toMatch(/script-src 'self' 'nonce-[A-Za-z0-9+/=]{20,}'/);
    expect(rules, path).not.toMatch(/script-src[^;]*unsafe/);
    expect(headers['x-content-type-options'], path).toBe('nosniff');
    expect(headers['referrer-policy'], path).toBe('no-referrer');
    expect(headers['permissions-policy'], path).toContain('camera=()');
    expect(headers['cross-origin-opener-policy'], path).toBe('same-origin');
    expect(headers['cross-origin-resource-policy'], path).toBe('same-origin');
    const nonce = /'nonce-([^']+)'/.exec(rules)?.[1] ?? '';
    for (const [tag] of text.matchAll(/<script\b[^>]*>/g)) expect(tag, path).toContain(`nonce="${nonce}"`);
  }
});

test('files of the build come past the framework: packed, for good, with the same headers', async ({ baseURL }) => {
  const port = portOf(baseURL);
  const { text } = await asked(port, 'GET', '/');
  const [script] = /\/_next\/static\/chunks\/[^"]+\.js/.exec(text) ?? [];
  expect(script).toBeDefined();
  const { status, headers } = await asked(port, 'GET', script ?? '', { 'accept-encoding': 'gzip' });
  expect(status).toBe(200);
  expect(headers['content-encoding']).toBe('gzip');
  expect(headers['cache-control']).toContain('immutable');
  expect(headers['x-content-type-options']).toBe('nosniff');
  expect(headers['cross-origin-resource-policy']).toBe('same-origin');
  expect(headers['content-security-policy']).toContain("default-src 'none'");
  expect((await asked(port, 'GET', script ?? '', { host: `evil.example:${port}` })).status).toBe(421);
});

test('under a name that is not ours nothing is read, and nothing is changed from elsewhere', async ({ baseURL }) => {
  const port = portOf(baseURL);
  for (const path of ['/', '/api/catalogue', '/api/catalogue/used', '/api/case/film-desk']) {
    const answer = await asked(port, 'GET', path, { host: `evil.example:${port}` });
    expect(answer.status).toBe(421);
    expect(answer.text).not.toContain('film');
  }
  for (const headers of [
    { origin: 'https://evil.example' },
    { origin: `http://127.0.0.1:${port + 7}` },
    { 'sec-fetch-site': 'cross-site' },
    {},
  ])
    for (const path of ['/', '/api/inbox?name=x', '/ninefathom/film-desk/draft'])
      expect((await asked(port, 'POST', path, headers as Record<string, string>)).status).toBe(403);
  expect((await asked(port, 'DELETE', '/api/inbox/none')).status).toBe(403);
  expect((await asked(port, 'POST', '/api/inbox?name=x', { host: 'evil.example' })).status).toBe(421);
});

test('methods and addresses that are none get one sentence', async ({ baseURL }) => {
  const port = portOf(baseURL);
  for (const method of ['TRACE', 'PUT', 'PROPFIND', 'OPTIONS'])
    expect(await asked(port, method, '/')).toMatchObject({
      status: 405,
      text: JSON.stringify({ message: `the method ${method} is not known here` }),
    });
  expect((await asked(port, 'GET', '/api/library/%E0%A4%A')).status).toBe(400);
  expect((await asked(port, 'GET', `/library?q=${'x'.repeat(8_500)}`)).status).toBe(414);
  // and the app goes on
  expect((await asked(port, 'GET', '/')).status).toBe(200);
});
