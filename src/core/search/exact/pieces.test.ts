import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { refused } from './judge';
import { partLike } from '../../tests/world';
import { undominated } from './dominance';
import { driveSets, spreads } from './driveSets';
import { Heap } from './heap';
import { only, type Choices, type DrivesDo, type Good, type Option } from './option';
import { compareRanks, rankOf } from './rank';
import { storageGB } from './room';

const listOf = (choices: Choices) => {
  const options = [];
  for (let option = choices.at(0); option; option = choices.at(options.length)) options.push(option);
  return options;
};

describe('the queue', () => {
  test('gives out what was put in, in order, and orders anew', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -50, max: 50 })), (numbers) => {
        const heap = new Heap<number>((a, b) => a - b);
        for (const number of numbers) heap.push(number);
        expect(heap.peek()).toBe(numbers.length > 0 ? Math.min(...numbers) : undefined);
        heap.reorder((a, b) => b - a);
        const out = [];
        for (let next = heap.pop(); next !== undefined; next = heap.pop()) out.push(next);
        expect(out).toEqual([...numbers].sort((a, b) => b - a));
        expect(heap.size).toBe(0);
      }),
    );
  });
});

describe('sets of drives', () => {
  const good = (id: string, leastMinor: number): Good => ({ part: partLike('ssd', { id, name: id }), leastMinor });
  const goods = [good('small', 40_00), good('large', 90_00)];

  test('roles are spread every way there is, no way twice', () => {
    // Bell numbers: 1, 2, 5; of four roles 15, one of which takes four drives
    expect([1, 2, 3, 4].map((count) => spreads('abcd'.slice(0, count).split(''), 3).length)).toEqual([1, 2, 5, 14]);
    const ways = spreads(['a', 'b', 'c', 'd'], 3).map((groups) =>
      groups
        .map((group) => group.join(''))
        .sort()
        .join(),
    );
    expect(new Set(ways).size).toBe(14);
  });

  test('come cheapest first, all of them: one drive for all, one each, two equal ones beside the system', () => {
    const options = listOf(driveSets('drive', ['system', 'active'], goods, () => true));
    // together: 2; apart: system on one of 2, the other role on one of 2 or two of either: 2 × 4
    expect(options).toHaveLength(10);
    const prices = options.map(({ leastMinor }) => leastMinor);
    expect(prices).toEqual([...prices].sort((a, b) => a - b));
    expect(prices[0]).toBe(40_00);
    expect(new Set(options.map(({ partsId }) => partsId)).size).toBe(10);
    for (const { items } of options) expect(items.flatMap(({ roles = [] }) => roles)).toContain('system');
  });

  test('what does not do for its roles stands in no set', () => {
    const options = listOf(
      driveSets('drive', ['system', 'active'], goods, ({ items, parts }) =>
        items.some(({ roles }) => roles?.includes('active')) ? parts.every(({ id }) => id === 'large') : true,
      ),
    );
    expect(options.length).toBeGreaterThan(0);
    for (const { items } of options)
      for (const { part, roles } of items) if (roles?.includes('active')) expect(part).toBe('large');
  });

  test('with room asked of all together: those that have it, in the same order', () => {
    const GB = fc.constantFrom(250, 500, 1000, 2000, undefined);
    const drive = fc.record({ minor: fc.integer({ min: 1, max: 60 }), gb: GB, does: fc.boolean() });
    fc.assert(
      fc.property(fc.array(drive, { maxLength: 5 }), fc.integer({ min: -500, max: 7000 }), (drives, leastGB) => {
        const list = drives.map(({ minor, gb }, i): Good => ({
          part: partLike('ssd', { id: `d${i}`, name: `d${i}`, capacityGB: gb }),
          leastMinor: minor,
        }));
        // what does not do for one role alone may do for two
        const does: DrivesDo = ({ items, parts }) =>
          items[0]?.roles?.length !== 1 || parts.every(({ id }) => drives[Number(id.slice(1))]?.does);
        const sets = (least?: number) => listOf(driveSets('drive', ['system', 'active', 'scratch'], list, does, least));
        const said = (options: readonly Option[]) => options.map(({ partsId, leastMinor }) => [partsId, leastMinor]);
        expect(said(sets(leastGB))).toEqual(said(sets().filter(({ parts }) => storageGB(parts) >= leastGB)));
      }),
      { numRuns: 60 },
    );
  });

  test('a spare drive is used once and costs nothing', () => {
    const spare: Good = { ...good('there', 0), spare: { id: 'old', part: 'there' as Good['part']['id'] } };
    const options = listOf(driveSets('drive', ['system', 'active'], [...goods, spare], () => true));
    expect(options[0]?.leastMinor).toBe(0);
    for (const { items } of options) expect(items.filter(({ part }) => part === 'there').length).toBeLessThan(2);
    expect(options[0]?.items[0]?.owned).toBe(true);
  });

  test('choices without what is refused keep their order and are asked once', () => {
    let asked = 0;
    const all = listOf(driveSets('drive', ['system'], goods, () => true));
    const left = only({ at: (index) => all[index] }, ({ parts }) => {
      asked++;
      return parts[0]?.id === 'large';
    });
    expect(left.at(0)?.parts[0]?.id).toBe('large');
    expect(left.at(0)).toBe(left.at(0));
    expect(left.at(1)).toBeUndefined();
    expect(asked).toBe(2);
  });
});

describe('parts that another one makes needless', () => {
  const ssd = (id: string, more: object, leastMinor: number): Good => ({
    part: partLike('ssd', { id, name: id, ...more }),
    leastMinor,
  });
  const cheaper = (a: Good['part'], b: Good['part']) => a.id < b.id;
  const left = (...goods: Good[]) => undominated(goods, cheaper).map(({ part }) => part.id);

  test('a worse part that costs more goes', () => {
    expect(left(ssd('a', {}, 50_00), ssd('b', { seqReadMBs: 3000 }, 60_00))).toEqual(['a']);
  });
  test('a part that is better in one figure stays, and so does one of another form', () => {
    expect(left(ssd('a', {}, 50_00), ssd('b', { capacityGB: 4000, seqReadMBs: 3000 }, 60_00))).toEqual(['a', 'b']);
    expect(left(ssd('a', {}, 50_00), ssd('b', { form: 'M.2 22110' }, 60_00))).toEqual(['a', 'b']);
  });
  test('what is not known is no worse than nothing: it neither goes nor takes its place', () => {
    expect(left(ssd('a', {}, 50_00), ssd('b', { seqReadMBs: undefined }, 60_00))).toEqual(['a', 'b']);
    expect(left(ssd('a', { seqReadMBs: undefined }, 50_00), ssd('b', {}, 60_00))).toEqual(['a', 'b']);
  });
  test('prices that a basket could turn round keep both', () => {
    const goods = [ssd('a', {}, 50_00), ssd('b', { seqReadMBs: 3000 }, 60_00)];
    expect(undominated(goods, () => false)).toHaveLength(2);
  });
});

describe('the rank', () => {
  const brief = {
    tasks: [
      { id: 'a', importance: 1 },
      { id: 'b', importance: 3 },
    ],
  } as unknown as Parameters<typeof rankOf>[0];
  const rank = (a: number, b: number, targeted = true) =>
    rankOf(
      brief,
      (task) => (task === 'a' ? a : b),
      () => targeted,
    );

  test('is the tasks that meet their targets, then the mean of the ratios by importance', () => {
    // exp((ln 0.5 + 3 ln 2) / 4) = 2^(1/2) = 1.414
    expect(rank(0.5, 2)).toEqual({ runs: 1, percent: 141 });
    expect(rank(1, 1)).toEqual({ runs: 2, percent: 100 });
  });
  test('more than four times a target is no gain, and what does not run counts as a hundredth', () => {
    expect(rank(40, 40)).toEqual(rank(4, 4));
    // exp((ln 0.01 + 3 ln 4) / 4) = 0.894
    expect(rank(0, 4)).toEqual({ runs: 1, percent: 89 });
  });
  test('tasks without a target count when they run', () => {
    expect(rank(0.001, 0, false)).toEqual({ runs: 1, percent: 100 });
  });
  test('more tasks stand above more speed', () => {
    expect(compareRanks({ runs: 2, percent: 100 }, { runs: 1, percent: 400 })).toBeLessThan(0);
    expect(compareRanks({ runs: 2, percent: 100 }, { runs: 2, percent: 101 })).toBeGreaterThan(0);
  });
});

test('what the brief asks for is not missed by a machine that is proposed, though a draft is only cautioned', () => {
  const says = (rule: string, level: 'blocks' | 'caution' | 'note' | 'unproven') => ({ rule, level, key: `${rule} 1` });
  const asks = { unproven: 'refused', standing: new Set<string>(), lasting: false } as const;
  expect(refused(says('noise-limit', 'caution'), asks)).toBe(true);
  expect(refused(says('reach', 'caution'), asks)).toBe(true);
  expect(refused(says('noise-limit', 'note'), asks)).toBe(false);
  expect(refused(says('drive-heatsink', 'caution'), asks)).toBe(false);
  expect(refused(says('noise-limit', 'unproven'), { ...asks, unproven: 'allowed' })).toBe(false);
  // what does for now will do, unless it has to last
  expect(refused(says('drive-space', 'caution'), asks)).toBe(false);
  for (const rule of ['drive-space', 'drive-endurance'])
    expect(refused(says(rule, 'caution'), { ...asks, lasting: true })).toBe(true);
  expect(refused(says('drive-heatsink', 'caution'), { ...asks, lasting: true })).toBe(false);
  // what stands already refuses nothing, and nothing else of its rule
  const stands = { ...asks, standing: new Set(['drive-space 1']) };
  expect(refused(says('drive-space', 'blocks'), asks)).toBe(true);
  expect(refused(says('drive-space', 'blocks'), stands)).toBe(false);
  expect(refused({ ...says('drive-space', 'blocks'), key: 'drive-space 2' }, stands)).toBe(true);
});
