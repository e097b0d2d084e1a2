import { READS, WRITES } from './answers.mjs';

/** What the door looks at of a request. */
export interface Knock {
  readonly method: string;
  /** As the browser sent them, by lower-case name. */
  readonly header: (name: string) => string | null;
}

/** A request that is not let in, with what is said to it. */
export interface TurnedAway {
  readonly status: 400 | 403 | 405 | 421;
  readonly message: string;
}

/** Names that this machine has for itself: the app listens on loopback, so no other name leads here honestly. */
const LOOPBACK: ReadonlySet<string> = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** Names under which somebody serves the app on purpose, separated by commas. */
const named = (): ReadonlySet<string> =>
  new Set((process.env['VANE_HOSTS'] ?? '').split(',').flatMap((name) => name.trim().toLowerCase() || []));

/**
 * Whether a request may come in. A page elsewhere can reach a loopback address under a name of its own (rebinding), so
 * the name that was asked for has to be one of ours; and it can send forms and scripts, so whatever changes something has
 * to come from a page of the app itself. Sources: RFC 9110 (Host), Fetch metadata, RFC 6454 (Origin).
 */
export function turnedAway({ method, header }: Knock): TurnedAway | undefined {
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
  const site = header('sec-fetch-site');
  if (READS.includes(method)) {
    // a page elsewhere may link here, and nothing more: no frame, script, image or fetch of it reads an answer
    const navigates = header('sec-fetch-mode') === 'navigate' && header('sec-fetch-dest') === 'document';
    return site === 'cross-site' && !navigates
      ? { status: 403, message: 'only pages of this app may read from it' }
      : undefined;
  }
  const origin = header('origin');
  const own = origin === null ? site === 'same-origin' : origin === `http://${host}` || origin === `https://${host}`;
  return own ? undefined : { status: 403, message: 'only pages of this app may change something in it' };
}
