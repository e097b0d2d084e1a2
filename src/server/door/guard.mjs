// plain, because the server in front of the framework asks it before anything is compiled
import { READS, WRITES } from './answers.mjs';

/** Names that this machine has for itself: the app listens on loopback, so no other name leads here honestly. */
const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** Names under which somebody serves the app on purpose, separated by commas. */
const named = () =>
  new Set((process.env['VANE_HOSTS'] ?? '').split(',').flatMap((name) => name.trim().toLowerCase() || []));

export function turnedAway({ method, header }) {
  if (!READS.includes(method) && !WRITES.includes(method))
    return { status: 405, message: `the method ${method} is not known here` };
  const host = header('host')?.toLowerCase();
  if (host === undefined) return { status: 400, message: 'the request names no host' };
  const name = host.replace(/:\d{1,5}$/, '');
  if (!LOOPBACK.has(name) && !named().has(name))
    return {
      status: 421,
      message: `${name} is not where this app is; open it at its own address, or name the host in VANE_HOSTS`,
    };
  const site = header('sec-fetch-site') ?? null;
  if (READS.includes(method)) {
    // a page elsewhere may link here, and nothing more: no frame, script, image or fetch of it reads an answer
    const navigates = header('sec-fetch-mode') === 'navigate' && header('sec-fetch-dest') === 'document';
    return site === 'cross-site' && !navigates
      ? { status: 403, message: 'only pages of this app may read from it' }
      : undefined;
  }
  const origin = header('origin') ?? null;
  const own = origin === null ? site === 'same-origin' : origin === `http://${host}` || origin === `https://${host}`;
  return own ? undefined : { status: 403, message: 'only pages of this app may change something in it' };
}
