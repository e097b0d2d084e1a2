// plain, because it stands in front of the framework
import { existsSync } from 'node:fs';
import sirv from 'sirv';
import { HEADERS, READS } from './answers.mjs';
import { turnedAway } from './guard.mjs';
import { policy } from './policy.mjs';

/** Under this address lie the files of the build. */
const AT = '/_next/static/';
const A_YEAR_S = 31_536_000;

export function built(folder) {
  if (!existsSync(folder)) return (_request, _response, otherwise) => otherwise();
  const headers = { 'content-security-policy': policy(undefined, false), ...HEADERS };
  const files = sirv(folder, {
    // a file whose contents change gets another name
    maxAge: A_YEAR_S,
    immutable: true,
    etag: true,
    gzip: true,
    extensions: [],
    setHeaders: (response) => {
      for (const [name, value] of Object.entries(headers)) response.setHeader(name, value);
    },
  });
  return (request, response, otherwise) => {
    const { method, url, headers: sent } = request;
    const away = turnedAway({ method, header: (name) => sent[name] });
    // who is turned away hears why from the one who always says it
    if (away || !READS.includes(method) || !url.startsWith(AT)) return otherwise();
    files({ url: url.slice(AT.length - 1), headers: sent }, response, otherwise);
  };
}
