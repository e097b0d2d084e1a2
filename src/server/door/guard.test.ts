import { afterEach, describe, expect, test, vi } from 'vitest';
import { turnedAway } from './guard.mjs';
import { HEADERS } from './answers.mjs';
import { policy } from './policy.mjs';

const knock = (method: string, headers: Readonly<Record<string, string>>) =>
  turnedAway({ method, header: (name) => headers[name] ?? null })?.status;
const HOST = '127.0.0.1:4600';
afterEach(() => vi.unstubAllEnvs());

describe('who may come in', () => {
  test.each(['127.0.0.1:4600', 'localhost:4600', '[::1]:4600', 'LOCALHOST', '127.0.0.1'])(
    'by its own name %s',
    (host) => {
      expect(knock('GET', { host })).toBeUndefined();
    },
  );

  test.each([
    'evil.example',
    'evil.example:4600',
    '127.0.0.1.evil.example:4600',
    'localhost.evil.example',
    '192.168.0.7:4600',
    '0.0.0.0:4600',
    '',
  ])('not by the name %s, which a page elsewhere may have made to lead here', (host) =>
    expect(knock('GET', { host })).toBe(421),
  );

  test('a host that somebody serves it under on purpose is named', () => {
    expect(knock('GET', { host: 'bench.workshop:4600' })).toBe(421);
    vi.stubEnv('VANE_HOSTS', 'bench.workshop, other.workshop');
    expect(knock('GET', { host: 'bench.workshop:4600' })).toBeUndefined();
    expect(knock('GET', { host: 'workshop' })).toBe(421);
  });

  test('without a host nothing', () => expect(knock('GET', {})).toBe(400));

  test.each(['TRACE', 'PUT', 'PATCH', 'OPTIONS', 'CONNECT', 'PROPFIND'])('%s is not known', (method) =>
    expect(knock(method, { host: HOST })).toBe(405),
  );
});

describe('who may change something', () => {
  test('a page of the app, by its origin or by what the browser says of the site', () => {
    for (const method of ['POST', 'DELETE']) {
      expect(knock(method, { host: HOST, origin: `http://${HOST}` })).toBeUndefined();
      expect(knock(method, { host: HOST, 'sec-fetch-site': 'same-origin' })).toBeUndefined();
    }
  });

  test.each([
    ['a page elsewhere', { origin: 'https://evil.example', 'sec-fetch-site': 'cross-site' }],
    ['another server on this machine', { origin: 'http://127.0.0.1:3000', 'sec-fetch-site': 'same-site' }],
    ['a page without an origin, as a frame in a sandbox', { origin: 'null', 'sec-fetch-site': 'cross-site' }],
    ['a program that says nothing of where it comes from', {}],
    ['a form of a page elsewhere', { 'sec-fetch-site': 'cross-site' }],
    ['an origin that only begins like ours', { origin: `http://${HOST}.evil.example` }],
  ])('not %s', (_, headers) => {
    expect(knock('POST', { host: HOST, ...(headers as Record<string, string>) })).toBe(403);
    expect(knock('DELETE', { host: HOST, ...(headers as Record<string, string>) })).toBe(403);
  });

  test('a page elsewhere may link here, and cannot frame, fetch or include', () => {
    const from = { host: HOST, 'sec-fetch-site': 'cross-site' };
    expect(knock('GET', { ...from, 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'document' })).toBeUndefined();
    expect(knock('GET', { ...from, 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'iframe' })).toBe(403);
    expect(knock('GET', { ...from, 'sec-fetch-mode': 'no-cors', 'sec-fetch-dest': 'script' })).toBe(403);
    expect(knock('GET', { ...from, 'sec-fetch-mode': 'cors', 'sec-fetch-dest': 'empty' })).toBe(403);
    expect(knock('GET', { host: HOST, 'sec-fetch-site': 'none', 'sec-fetch-mode': 'navigate' })).toBeUndefined();
  });
});

test('no inline script runs without the nonce, and nobody frames a page', () => {
  const rules = policy('abc', false);
  expect(rules).toContain("script-src 'self' 'nonce-abc';");
  expect(rules).not.toMatch(/script-src[^;]*unsafe/);
  expect(rules).toContain("frame-ancestors 'none'");
  expect(rules).toContain("default-src 'none'");
  // what is no page has no scripts of its own
  expect(policy(undefined, false)).toContain("script-src 'self';");
  expect(HEADERS['x-content-type-options']).toBe('nosniff');
});
