import { expect, test } from 'vitest';
import { contextOf, subjectOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import type { Candidate } from '../search/candidates';
import { rankCandidates } from '../search/candidates';
import { briefOf, BUSY, dataOf, machineOf, PARTS } from '../tests/world';
import { TODAY } from '../tests/shops';
import { futureIn, futureOf } from './future';

const cpu = PARTS.find(({ id }) => id === 'cpu') ?? {};
const [cores] = cpu['coreGroups'] as Record<string, unknown>[];
const processor = (id: string, count: number, more: Record<string, unknown> = {}) => ({
  ...cpu,
  id,
  name: id,
  coreGroups: [{ ...cores, count }],
  ...more,
});
/** What a board can be given, where these are sold as well. */
function future(addParts: readonly Record<string, unknown>[], prices: Readonly<Record<string, number>> = {}) {
  const data = dataOf({
    addParts,
    offers: (all) => all.map((offer) => ({ ...offer, priceMinor: prices[offer.part] ?? offer.priceMinor })),
  });
  const context = contextOf(compileCatalogue(data), TODAY);
  const brief = briefOf({ brief: BUSY });
  const before = subjectOf(brief, context).assess(machineOf());
  return { context, brief, kinds: futureOf(machineOf(), brief, context, before) };
}
const ofKind = ({ kinds }: ReturnType<typeof future>, kind: string) => kinds.find((entry) => entry.kind === kind);

test('a board takes what has its socket: the most that makes the work faster, and the most for its money', () => {
  const more = Number(cores?.['count']);
  const named = future(
    [
      processor('twice', more * 2),
      processor('half-more', more * 1.5),
      processor('foreign', more * 4, { socket: 'Grebe' }),
      processor('less', Math.max(1, more / 2)),
    ],
    { twice: 900_00, 'half-more': 120_00 },
  );
  const processors = ofKind(named, 'processor');
  expect(processors).toMatchObject({ takes: 3, faster: 2 });
  expect(processors?.best?.part.id).toBe('twice');
  expect(processors?.value?.part.id).toBe('half-more');
  expect(processors?.best?.times ?? 0).toBeGreaterThan(processors?.value?.times ?? 9);
  // as the tray says it
  const [ranked] = rankCandidates(machineOf(), named.brief, { kind: 'processor', item: 'cpu-1' }, named.context);
  expect(processors?.best?.times).toBeCloseTo(
    Math.exp(
      rankCandidates(machineOf(), named.brief, { kind: 'processor', item: 'cpu-1' }, named.context).find(
        ({ part }) => part.id === 'twice',
      )?.effect.gain ?? NaN,
    ),
    9,
  );
  expect(ranked?.fits).toBe(true);
});

test('a board that nothing better goes into is a dead end', () => {
  const alone = ofKind(future([processor('foreign', 64, { socket: 'Grebe' })]), 'processor');
  expect(alone).toEqual({ kind: 'processor', takes: 0, faster: 0, best: undefined, value: undefined });
  const slower = ofKind(future([processor('less', 1)]), 'processor');
  expect(slower).toMatchObject({ takes: 1, faster: 0, best: undefined });
});

test('what leaves a figure unproven does not go in, and what has no price is no value for its money', () => {
  const candidate = (id: string, gain: number, landedMinor: number | undefined, level?: string): Candidate =>
    ({
      part: { id },
      effect: { gain, brought: level ? [{ level, code: 'x' }] : [] },
      landedMinor,
      fits: true,
      current: false,
    }) as unknown as Candidate;
  const { takes, best, value } = futureIn('graphics', [
    candidate('unknown', 2, 100, 'unproven'),
    candidate('priceless', 1, undefined),
    candidate('sold', 0.5, 200),
  ]);
  expect(takes).toBe(2);
  expect(best?.part.id).toBe('priceless');
  expect(value?.part.id).toBe('sold');
  expect(futureIn('graphics', [candidate('priceless', 1, undefined)]).value).toBeUndefined();
});
