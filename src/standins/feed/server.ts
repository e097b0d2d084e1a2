import { dayNumber } from '@/core/units/days';
import { createServer, type Server, type ServerResponse } from 'node:http';
import { csvAnswer, FAULTS, jsonLdAnswer, type Fault, type World } from './answers';
import { modelRate } from './priceModel';

/** What goes wrong at a seller, by its id; `late` and `half` only the first time it is asked on a day. */
export type FaultPlan = Readonly<Record<string, Fault>>;

const isFault = (text: string | null): text is Fault => (FAULTS as readonly string[]).includes(text ?? '');
/** Longer than anybody waits for an answer. */
const LATE_MS = 20_000;

/**
 * A price feed as sellers would run one, with made-up prices, over loopback: `/SELLER/REGION/prices.jsonld?day=DAY`,
 * `…/prices.csv` and `/rates.json`. `?fault=` asks for a fault by name.
 */
export function feedServer(world: World, plan: FaultPlan = {}): Server {
  const asked = new Set<string>();
  return createServer((request, response) => {
    const url = new URL(request.url ?? '/', 'http://127.0.0.1');
    const day = url.searchParams.get('day') ?? '';
    if (!/^\d{4}-\d{2}-\d{2}$/.test(day)) return end(response, 400, 'text/plain', 'say the day: ?day=2026-05-18');
    if (url.pathname === '/rates.json')
      return end(
        response,
        200,
        'application/json',
        JSON.stringify({ base: 'USD', day, rates: { EUR: modelRate(dayNumber(day)) } }),
      );
    const match = /^\/([a-z0-9.-]+)\/([a-z0-9.-]+)\/prices\.(jsonld|csv)$/.exec(url.pathname);
    const [, seller = '', region = '', format] = match ?? [];
    if (!match || !world.catalogue.sellers.some((entry) => entry.id === seller))
      return end(response, 404, 'text/plain', 'no such seller');
    const wanted = url.searchParams.get('fault');
    const fault = isFault(wanted) ? wanted : plan[seller];
    const first = !asked.has(`${url.pathname} ${day}`);
    asked.add(`${url.pathname} ${day}`);
    // what is only slow or broken for a moment is whole when it is asked again
    const passing = (fault === 'late' || fault === 'half') && !first && !isFault(wanted);
    const now = passing ? undefined : fault;
    if (now === 'outage') return end(response, 503, 'text/plain', 'down');
    const text =
      format === 'csv' ? csvAnswer(world, seller, region, day, now) : jsonLdAnswer(world, seller, region, day, now);
    const type = format === 'csv' ? 'text/csv' : 'application/ld+json';
    if (now === 'late') {
      const timer = setTimeout(() => end(response, 200, type, text), LATE_MS);
      response.on('close', () => clearTimeout(timer));
      return;
    }
    if (now === 'half') {
      response.writeHead(200, { 'content-type': type, 'content-length': Buffer.byteLength(text) * 2 });
      response.write(text, () => response.destroy());
      return;
    }
    end(response, 200, type, text);
  });
}

function end(response: ServerResponse, status: number, type: string, text: string): void {
  response.writeHead(status, { 'content-type': `${type}; charset=utf-8` });
  response.end(text);
}
