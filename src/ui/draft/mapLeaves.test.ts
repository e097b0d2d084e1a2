import { describe, expect, test } from 'vitest';
import { assessed, EXPORT, plus, without, type Change } from '@/core/tests/world';
import {
  coresText,
  levelsByItem,
  memoryLeaves,
  memoryText,
  rolesMissing,
  summary,
  surroundings,
  trafficByPlace,
} from './mapLeaves';

const quiet = () => undefined;
const around = (change: Change = {}) => {
  const assessment = assessed(change);
  return surroundings(assessment, levelsByItem(assessment), quiet);
};
const leaves = (change: Change = {}, drawOf: (item: string) => { now: number; max: number } | undefined = quiet) => {
  const assessment = assessed(change);
  return memoryLeaves(assessment, levelsByItem(assessment), drawOf);
};

describe('the second line of a box', () => {
  test.each([
    ['card-1', '12 GB · 200 W'],
    ['ssd-1', '1 TB · system, active, scratch'],
    ['disk-1', '8 TB · archive'],
    ['psu-1', '750 W · gold'],
    ['cooler-1', '160 mm high'],
    ['kit-1', '2 × 32 GB'],
    ['screen-1', ''],
    ['nothing', ''],
  ])('of %s', (item, text) => {
    expect(summary(assessed(), item)).toBe(text);
  });

  test.each<[string, Change, string, string]>([
    ['what is unknown is a question mark', { parts: { card: { memoryGiB: undefined } } }, 'card-1', '? GB · 200 W'],
    ['a drive without a role says so', { items: plus({ id: 'disk-2', part: 'disk' }) }, 'disk-2', '8 TB · no role'],
    [
      'a liquid cooler by its radiator',
      { parts: { cooler: { type: 'liquid', radiatorMm: 240 } } },
      'cooler-1',
      '240 mm radiator',
    ],
    [
      'what the later phase takes out',
      {
        machine: { phases: [{ id: 'next', name: 'Later' }] },
        items: plus({ id: 'disk-2', part: 'disk', until: 'next' }),
      },
      'disk-2',
      '8 TB · no role · goes later',
    ],
  ])('%s', (_, change, item, text) => {
    expect(summary(assessed(change), item)).toBe(text);
  });

  test('cores of all kinds, and the memory’s rate and delay', () => {
    expect(coresText(undefined)).toBe('cores unknown');
    expect(
      coresText([
        { kind: 'performance', count: 8, boostGHz: 5.2 },
        { kind: 'efficient', count: 12 },
      ]),
    ).toBe('8 + 12 cores · 5.2 GHz');
    // 5600 MT/s × 8 B × 2 channels; 36 clocks of 2800 MHz
    expect(memoryText(assessed())).toBe('89.6 GB/s · 12.9 ns');
    expect(memoryText(assessed({ items: without('kit-1') }))).toBeUndefined();
  });
});

describe('module slots', () => {
  test('stand by channel and position, each with what sits in it', () => {
    expect(leaves().map(({ node }) => [node.title, node.kind])).toEqual([
      ['A1  empty', 'empty'],
      ['A2  32 GB', 'device'],
      ['B1  empty', 'empty'],
      ['B2  32 GB', 'device'],
    ]);
  });

  test('a second kit fills the rest, and a module draws its share of the kit', () => {
    const full = leaves({ items: plus({ id: 'kit-2', part: 'kit' }) }, () => ({ now: 6, max: 10 }));
    expect(full.every(({ node }) => node.kind === 'device')).toBe(true);
    expect(full[0]?.node.watts).toEqual({ now: 3, max: 5 });
    expect(new Set(full.map(({ node }) => node.item))).toEqual(new Set(['kit-1', 'kit-2']));
  });

  test('a wire carries its channel’s share, and only where a module is', () => {
    const [a1, a2] = leaves();
    expect(a1?.wire).toBeUndefined();
    // 5600 × 8 B a channel
    expect(a2?.wire).toMatchObject({ gbytePerS: 44.8, label: '5600 MT/s' });
    expect(leaves({ parts: { kit: { moduleGiB: undefined } } })[1]?.node.title).toBe('A2  ? GB');
  });

  test('without a board there is none', () => {
    expect(leaves({ items: without('board-1') })).toEqual([]);
  });
});

describe('around the board', () => {
  test('stands what hangs on no link, board, cooler, case and supply first', () => {
    expect(around().map(({ id }) => id)).toEqual(['board-1', 'cooler-1', 'case-1', 'psu-1']);
  });

  test.each(['cooler', 'case', 'supply'] as const)('a missing %s is an empty place that can be filled', (kind) => {
    const id = { cooler: 'cooler-1', case: 'case-1', supply: 'psu-1' }[kind];
    const place = around({ items: without(id) }).find((node) => node.id === `missing-${kind}`);
    expect(place).toMatchObject({ kind: 'empty', position: { kind }, sub: 'choose one' });
  });

  test('a cooler that comes with the processor is not missed', () => {
    const change = { items: without('cooler-1'), parts: { cpu: { coolerIncluded: true } } };
    expect(around(change).find((node) => node.id === 'missing-cooler')?.title).toBe('Cooler comes with the processor');
  });

  test('without a board, memory, card and drive stand here, and the board is missed', () => {
    const ids = around({ items: without('board-1', 'card-1', 'ssd-1', 'disk-1', 'kit-1') }).map(({ id }) => id);
    expect(ids).toEqual(
      expect.arrayContaining(['missing-board', 'missing-memory', 'missing-graphics', 'missing-drive']),
    );
  });

  test('what has no place says so, and what the library lost keeps its name', () => {
    const nodes = around({
      items: plus(
        { id: 'ssd-2', part: 'ssd' },
        { id: 'ssd-3', part: 'ssd' },
        { id: 'lost-1', part: 'lost', label: 'An old card' },
      ),
    });
    expect(nodes.filter(({ sub }) => sub.endsWith('has no place'))).toHaveLength(1);
    expect(nodes.find(({ id }) => id === 'lost-1')).toMatchObject({
      title: 'An old card',
      sub: 'no longer in the catalogue',
      level: 'unproven',
      position: undefined,
    });
  });
});

describe('what the map marks and draws', () => {
  test('an item bears the worst of its findings', () => {
    const levels = levelsByItem(assessed({ parts: { cooler: { heightMm: 168 }, psu: { ratedW: 300 } } }));
    expect(levels.get('cooler-1')).toBe('blocks');
    expect(levels.get('screen-1')).toBeUndefined();
  });

  test('traffic of one sitting is no more than that of all of them', () => {
    const brief = {
      tasks: [EXPORT, { ...EXPORT, id: 'second', name: 'Second' }],
      sittings: [
        { id: 'one', name: 'One', hoursPerWeek: 5, tasks: ['export'] },
        { id: 'both', name: 'Both', hoursPerWeek: 5, tasks: ['export', 'second'] },
      ],
    };
    const assessment = assessed({ brief });
    const all = trafficByPlace(assessment);
    expect(all.size).toBeGreaterThan(0);
    for (const sitting of ['one', 'both'])
      for (const [place, { up, down }] of trafficByPlace(assessment, sitting)) {
        expect(up, place).toBeLessThanOrEqual(all.get(place)?.up ?? 0);
        expect(down, place).toBeLessThanOrEqual(all.get(place)?.down ?? 0);
      }
    expect(trafficByPlace(assessment, 'none').size).toBe(0);
  });

  test('a new drive gets the first role that no drive has', () => {
    expect(rolesMissing(assessed({ items: without('ssd-1', 'disk-1') }))).toEqual(['system']);
    expect(rolesMissing(assessed({ items: without('disk-1') }))).toEqual(['archive']);
    expect(rolesMissing(assessed())).toEqual(['active']);
  });
});
