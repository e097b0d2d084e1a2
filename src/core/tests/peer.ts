import { contextOf, type Context } from '../assess';
import type { Brief } from '../model/brief';
import { compileCatalogue } from '../model/catalogue';
import { partSchema, type Part, type PartOf } from '../parts';
import { kitGiB } from '../parts/memory';
import type { Question } from '../search/exact/question';
import { plainQuestion } from '../search/exact/question';
import { usualSettings } from '../model/settings';
import { flat, FREE, offer, shop, TODAY } from './shops';
import { rolling } from './smallMarkets';
import { briefOf, DESK, PARTS } from './world';

/**
 * Markets that an integer programme can describe: what fits is told by pairs of parts and sums of sizes, prices add up,
 * and everything else always passes. The programme is written from the figures, not from our rules.
 */
export interface PeerMarket {
  readonly question: Question;
  readonly context: Context;
  readonly parts: readonly Part[];
  readonly priceOf: (part: Part) => number;
  readonly asks: { readonly memoryGiB: number; readonly graphicsGiB: number; readonly storageGB: number };
}

const SHARES: readonly (readonly [id: string, share: number])[] = [
  ['cpu', 0.2],
  ['board', 0.16],
  ['kit', 0.1],
  ['card', 0.16],
  ['ssd', 0.1],
  ['psu', 0.08],
  ['case', 0.1],
  ['cooler', 0.1],
];

const SOCKETS = ['Dunlin', 'Grebe', 'Petrel', 'Avocet'] as const;

export function peerMarket(size: number, seed: number): PeerMarket {
  const { pick, next } = rolling(seed);
  const whole = (from: number, to: number): number => Math.round(from + next() * (to - from));
  const changes: Readonly<Record<string, () => Record<string, unknown>>> = {
    cpu: () => ({ socket: pick(SOCKETS) }),
    board: () => ({ socket: pick(SOCKETS), form: pick(['ATX', 'Micro-ATX']) }),
    kit: () => ({ moduleGiB: pick([8, 16, 32]) }),
    card: () => ({ lengthMm: whole(180, 340), memoryGiB: pick([4, 6, 8, 12, 16]) }),
    ssd: () => ({ capacityGB: whole(250, 4000) }),
    psu: () => ({ lengthMm: whole(130, 200) }),
    case: () => ({
      cardLengthMm: whole(200, 360),
      coolerHeightMm: whole(130, 180),
      supplyLengthMm: whole(140, 210),
      boardForms: pick([['Micro-ATX'], ['Micro-ATX', 'ATX']]),
    }),
    cooler: () => ({
      heightMm: whole(110, 175),
      resistance: [{ rpm: 1500, kPerW: 0.1 }],
      sockets: SOCKETS.map((socket) => ({ socket, kit: 'included' })),
    }),
  };
  const parts = SHARES.flatMap(([id, share]) =>
    Array.from({ length: Math.round(size * share) }, (_, n): Part => {
      const part = {
        ...PARTS.find((entry) => entry['id'] === id),
        ...changes[id]?.(),
        id: `${id}-${n}`,
        name: `Test ${id} ${n}`,
      };
      return partSchema.parse(part);
    }),
  );
  const prices = new Map<string, number>(parts.map(({ id }) => [id, whole(20_00, 300_00)]));
  const brief: Brief = briefOf({ brief: { tasks: [DESK], sittings: [] } });
  const asks = { memoryGiB: pick([32, 48, 64]), graphicsGiB: pick([8, 12]), storageGB: pick([1000, 2000]) };
  const catalogue = compileCatalogue({
    parts,
    regions: [FREE],
    sellers: [shop('only', { shipping: flat(0) })],
    offers: parts.map(({ id }) => offer(id, 'only', prices.get(id) ?? 0)),
    applications: [],
    rivals: [],
  });
  return {
    question: { ...plainQuestion(brief), least: { tasks: new Map(), ...asks } },
    context: contextOf(catalogue, TODAY, usualSettings),
    parts,
    priceOf: ({ id }) => prices.get(id) ?? 0,
    asks,
  };
}

/** The same market asked for so much room on drives. */
export const withRoom = (market: PeerMarket, storageGB: number): PeerMarket => ({
  ...market,
  asks: { ...market.asks, storageGB },
  question: { ...market.question, least: { ...market.question.least, storageGB } },
});

/** The market as an integer programme in the LP format: one binary for each part, kits in one, two or four pieces. */
export function programmeOf({ parts, priceOf, asks }: PeerMarket): string {
  const of = <K extends Part['kind']>(kind: K) => parts.filter((part): part is PartOf<K> => part.kind === kind);
  const x = ({ id }: Part, count = 1): string => `${id.replace('-', '_')}_${count}`;
  // two modules a kit, four slots a board
  const kits = of('memory').flatMap((kit) => [1, 2].map((count) => ({ kit, count })));
  const rows: string[] = [];
  const one = (terms: readonly string[]): void => void rows.push(`${terms.join(' + ')} = 1`);
  for (const kind of ['processor', 'board', 'graphics', 'drive', 'supply', 'case', 'cooler'] as const)
    one(of(kind).map((part) => x(part)));
  one(kits.map(({ kit, count }) => x(kit, count)));
  // a part goes with one of those that it fits
  const needs = (part: Part, others: readonly Part[]): void =>
    void rows.push(`${x(part)} ${others.map((other) => `- ${x(other)}`).join(' ')} <= 0`);
  for (const cpu of of('processor'))
    needs(
      cpu,
      of('board').filter(({ socket }) => socket === cpu.socket),
    );
  for (const board of of('board'))
    needs(
      board,
      of('case').filter(({ boardForms }) => board.form !== undefined && boardForms?.includes(board.form)),
    );
  for (const card of of('graphics'))
    needs(
      card,
      of('case').filter(({ cardLengthMm = 0 }) => cardLengthMm >= (card.lengthMm ?? 0)),
    );
  for (const cooler of of('cooler'))
    needs(
      cooler,
      of('case').filter(({ coolerHeightMm = 0 }) => coolerHeightMm >= (cooler.heightMm ?? 0)),
    );
  for (const psu of of('supply'))
    needs(
      psu,
      of('case').filter(({ supplyLengthMm = 0 }) => supplyLengthMm >= (psu.lengthMm ?? 0)),
    );
  const sum = (terms: readonly (readonly [number, string])[], least: number): void =>
    void rows.push(`${terms.map(([factor, name]) => `${factor} ${name}`).join(' + ')} >= ${least}`);
  sum(
    kits.map(({ kit, count }) => [(kitGiB(kit) ?? 0) * count, x(kit, count)] as const),
    asks.memoryGiB,
  );
  sum(
    of('graphics').map((card) => [card.memoryGiB ?? 0, x(card)] as const),
    asks.graphicsGiB,
  );
  sum(
    of('drive').map((drive) => [drive.capacityGB ?? 0, x(drive)] as const),
    asks.storageGB,
  );
  const singles = parts.filter(({ kind }) => kind !== 'memory');
  const cost = [
    ...singles.map((part) => `${priceOf(part)} ${x(part)}`),
    ...kits.map(({ kit, count }) => `${priceOf(kit) * count} ${x(kit, count)}`),
  ];
  const names = [...singles.map((part) => x(part)), ...kits.map(({ kit, count }) => x(kit, count))];
  return [
    'Minimize',
    ` price: ${cost.join('\n + ')}`,
    'Subject To',
    ...rows.map((row, i) => ` r${i}: ${row}`),
    'Binary',
    ...names.map((name) => ` ${name}`),
    'End',
  ].join('\n');
}
