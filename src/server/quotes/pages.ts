import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { setTimeout as wait } from 'node:timers/promises';
import type { z } from 'zod';
import { escaped, PAPER_STYLE, quotePage, type Said } from '@/core/formats/paper/html';
import { stateOf } from '@/core/quote/kept';
import { byToken, readQuote, readWorkshop, type StoredQuote, type StoredRevision } from '@/store/quoteStore';
import { Refusal } from '../refuse';
import { todayOf, type Service } from '../service';
import { giveAnswer, sayingSchema } from './answer';

/**
 * Pages on which clients answer: a listener of its own that knows quote pages at unguessable addresses and nothing else.
 * It is off until somebody turns it on, and listens on this machine only.
 */
interface Listening {
  readonly server: Server;
  readonly port: number;
}
/** One a process, also when a module is loaded again in development. */
const holder = globalThis as { vanePages?: Listening };

/** Starts, moves or ends the listener as the workshop says. @throws Refusal where its port is taken */
export async function servePages(service: Service): Promise<void> {
  const { pages } = await readWorkshop(service.db);
  const now = holder.vanePages;
  if (now && pages.on && now.port === pages.port) return;
  if (now) {
    delete holder.vanePages;
    await new Promise<void>((resolve) => {
      now.server.close(() => resolve());
      now.server.closeAllConnections();
    });
  }
  if (!pages.on) return;
  const server = pageServer(service);
  await new Promise<void>((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) =>
      reject(
        new Refusal([
          {
            path: 'pages.port',
            message:
              error.code === 'EADDRINUSE'
                ? `${pages.port} is taken by another program; choose another`
                : `${pages.port} cannot be listened on: ${error.message}`,
          },
        ]),
      ),
    );
    server.listen(pages.port, '127.0.0.1', resolve);
  });
  server.unref();
  holder.vanePages = { server, port: pages.port };
}

/** Wrong addresses after which each further one waits, within a minute. */
const FEW = 4;
const MINUTE_MS = 60_000;
const SLOW_MS = 1_500;
const MOST_BODY = 10_000;
const TOKEN = /^\/([\w-]{32})$/;

export function pageServer(service: Service): Server {
  let misses: number[] = [];
  /** The same answer for what never was, what is withdrawn, and what is no address at all. */
  const nothing = async (response: ServerResponse): Promise<void> => {
    const now = Date.now();
    misses = [...misses.filter((at) => now - at < MINUTE_MS), now];
    if (misses.length > FEW) await wait(SLOW_MS, undefined, { ref: false });
    send(response, 404, bare('There is no such page', 'Nothing is here. Ask whoever sent you the address.'));
  };
  const answer = async (request: IncomingMessage, response: ServerResponse): Promise<void> => {
    const token = TOKEN.exec(request.url ?? '')?.[1];
    const found = token === undefined ? undefined : await byToken(service.db, token);
    const quote = found && (await readQuote(service.db, found.quote));
    const revision = quote?.revisions.find((each) => each.revision === found?.revision);
    if (!found || !quote || !revision?.sent || token === undefined) return nothing(response);
    if (request.method === 'GET') return send(response, 200, await pageOf(service, quote, revision, token));
    if (request.method !== 'POST') return send(response, 405, bare('Not this way', 'Open the address in a browser.'));
    const form = await formOf(request);
    if (!form) return send(response, 400, bare('Not understood', 'Go back, and answer on the page itself.'));
    try {
      await giveAnswer(service, found.quote, found.revision, form);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      return send(response, 409, bare('Not taken', error.problems.map(({ message }) => message).join('; ')));
    }
    response.writeHead(303, { location: `/${token}` }).end();
  };
  const server = createServer((request, response) => {
    answer(request, response).catch((error: unknown) => {
      console.error(error);
      if (!response.headersSent) send(response, 500, bare('This went wrong', 'Nothing was changed. Try again later.'));
      else response.destroy();
    });
  });
  server.on('clientError', (_error, socket) => socket.end('HTTP/1.1 400 Bad Request\r\nConnection: close\r\n\r\n'));
  return server;
}

async function pageOf(
  service: Service,
  { revisions }: StoredQuote,
  revision: StoredRevision,
  token: string,
): Promise<string> {
  const { sent, answer } = revision;
  if (!sent) throw new RangeError('only what was sent has a page');
  const state = stateOf(revision, revisions, await todayOf(service));
  const said: Said | undefined = answer
    ? { state: answer.state, on: answer.on }
    : state === 'lapsed' || state === 'replaced'
      ? { state: 'lapsed' }
      : undefined;
  return quotePage(sent.quote, { answering: { action: `/${token}` }, ...(said ? { said } : {}) });
}

function send(response: ServerResponse, status: number, body: string): void {
  response.writeHead(status, {
    'content-type': 'text/html; charset=utf-8',
    'cache-control': 'no-store',
    'referrer-policy': 'no-referrer',
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
  });
  response.end(body);
}

const bare = (title: string, text: string): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'">
<title>${title}</title><style>${PAPER_STYLE}</style></head>
<body><h1>${title}</h1><p>${escaped(text)}</p></body></html>
`;

/** What a page's form says; undefined where it is none of ours. */
async function formOf(request: IncomingMessage): Promise<z.infer<typeof sayingSchema> | undefined> {
  let text = '';
  for await (const chunk of request) {
    text += String(chunk);
    if (text.length > MOST_BODY) return undefined;
  }
  const form = new URLSearchParams(text);
  const by = form.get('name')?.trim();
  const [alternative] = form.getAll('alternative');
  return sayingSchema.safeParse({
    state: form.get('answer'),
    ...(by === undefined || by === '' ? {} : { by }),
    options: form.getAll('option'),
    ...(alternative === undefined ? {} : { alternative }),
  }).data;
}
