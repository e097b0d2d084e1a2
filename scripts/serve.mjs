// The built app behind a small door of its own: what the framework would trip over never reaches it.
// Use: node scripts/serve.mjs HOST PORT
import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import Database from 'better-sqlite3';
import next from 'next';
import { HEADERS, READS, WRITES } from '../src/server/door/answers.mjs';
import { built } from '../src/server/door/built.mjs';
import { together } from '../src/server/door/together.mjs';
import { databasePath } from '../src/server/path.mjs';

const [host = '127.0.0.1', port = '4600'] = process.argv.slice(2);
const METHODS = [...READS, ...WRITES];
/** Longest address; a question to the library is far below it. */
const MOST_URL = 8_000;
const READ_AHEAD_MS = 3_000;

/** Whether an address is escaped as it should be. */
function readable(url) {
  try {
    decodeURIComponent(url);
    return true;
  } catch {
    return false;
  }
}

/** Why a request is refused before anything looks at it. */
function refusal({ method, url }) {
  if (!METHODS.includes(method)) return [405, `the method ${method} is not known here`];
  if (url.length > MOST_URL) return [414, 'the address is too long'];
  if (!readable(url)) return [400, 'the address holds an escape that is none'];
  return undefined;
}

function answer(response, status, message) {
  response.writeHead(status, {
    'content-type': 'application/json',
    'content-security-policy': "default-src 'none'; frame-ancestors 'none'",
    ...HEADERS,
    ...(status === 405 ? { allow: METHODS.join(', ') } : {}),
    connection: 'close',
  });
  response.end(JSON.stringify({ message }));
}

const app = next({
  dev: false,
  dir: fileURLToPath(new URL('..', import.meta.url)),
  hostname: host,
  port: Number(port),
});
await app.prepare();

/** A number that moves with every change of the database; undefined as long as there is none that can be asked. */
let stored;
function stamp() {
  try {
    stored ??= new Database(databasePath(), { readonly: true, fileMustExist: true });
    return stored.pragma('data_version', { simple: true });
  } catch {
    stored = undefined;
    return undefined;
  }
}
const made = together(app.getRequestHandler(), stamp);
const files = built(fileURLToPath(new URL('../.next/static', import.meta.url)));
const server = createServer((request, response) => {
  const refused = refusal(request);
  if (refused) return answer(response, ...refused);
  files(request, response, () => {
    made(request, response).catch((error) => {
      console.error(error);
      if (!response.headersSent)
        answer(response, 500, 'this went wrong; nothing was changed. Try again, or look at the terminal');
      else response.destroy();
    });
  });
});
server.on('clientError', (_error, socket) => socket.end('HTTP/1.1 400 Bad Request\r\nConnection: close\r\n\r\n'));
server.on('error', (error) => {
  console.error(error.code === 'EADDRINUSE' ? `Port ${port} on ${host} is taken.` : error);
  process.exit(1);
});
server.listen(Number(port), host, async () => {
  // where nothing is kept the desk's figures take some seconds: it is ready when they are there, and who comes before waits
  await fetch(`http://${host}:${port}/`).catch(() => {});
  console.log(`Ready at http://${host}:${port}`);
  // the library is read while the desk is looked at: who goes on from it need not wait
  setTimeout(() => void fetch(`http://${host}:${port}/library`).catch(() => {}), READ_AHEAD_MS).unref();
});
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    server.close(() => process.exit(0));
    server.closeAllConnections();
  });
