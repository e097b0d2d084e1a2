import { describe, expect, test } from 'vitest';
import { inSlices } from './slices';
import { Turns, type Turn } from './turns';

/** A breath in which whoever was woken goes on. */
const breath = () => new Promise((resolve) => setTimeout(resolve));

/** Work that goes on until it is let go, with its turn. */
function open(turns: Turns, of: string, ahead = false) {
  let turn: Turn | undefined;
  let letGo: () => void = () => undefined;
  const done = turns.take(
    of,
    (mine) => {
      turn = mine;
      return new Promise<void>((resolve) => (letGo = resolve));
    },
    ahead,
  );
  if (!turn) throw new Error('it was given no turn');
  return { turn, done, letGo };
}

test('what is asked last is answered first, and what was under way goes on after it', async () => {
  const turns = new Turns();
  const first = open(turns, 'find');
  expect(first.turn.waits()).toBe(false);
  const second = open(turns, 'costs');
  const third = open(turns, 'steps');
  expect([first, second, third].map(({ turn }) => turn.waits())).toEqual([true, true, false]);
  const order: string[] = [];
  void first.turn.again().then(() => order.push('find'));
  void second.turn.again().then(() => order.push('costs'));
  await breath();
  expect(order).toEqual([]);
  third.letGo();
  await third.done;
  await breath();
  expect(order).toEqual(['costs']);
  second.letGo();
  await second.done;
  await breath();
  expect(order).toEqual(['costs', 'find']);
  expect([first, second, third].map(({ turn }) => turn.stopped())).toEqual([false, true, true]);
});

test('of a kind one is answered: asking again ends what was asked before, wherever it stands', async () => {
  const turns = new Turns();
  const first = open(turns, 'find');
  const second = open(turns, 'costs');
  const waiting = first.turn.again();
  const again = open(turns, 'find');
  // what waited is told so, and waits no longer
  await waiting;
  expect(first.turn.stopped()).toBe(true);
  expect(first.turn.waits()).toBe(false);
  expect([second.turn.waits(), again.turn.waits()]).toEqual([true, false]);
  // that the old one ends takes nothing from the new one
  first.letGo();
  await first.done;
  expect([second.turn.waits(), again.turn.waits(), again.turn.stopped()]).toEqual([true, false, false]);
});

test('stopping a kind leaves the others; stopping all stops all', () => {
  const turns = new Turns();
  const [first, second, third] = ['find', 'costs', 'steps'].map((of) => open(turns, of));
  turns.stop('costs');
  expect([first, second, third].map((one) => one?.turn.stopped())).toEqual([false, true, false]);
  expect([first, third].map((one) => one?.turn.waits())).toEqual([true, false]);
  turns.stop('nothing of the kind');
  turns.stop('steps');
  expect(first?.turn.waits()).toBe(false);
  turns.stop();
  expect(first?.turn.stopped()).toBe(true);
});

test('work that fails gives its turn back', async () => {
  const turns = new Turns();
  const first = open(turns, 'find');
  await expect(turns.take('costs', () => Promise.reject(new Error('no catalogue')))).rejects.toThrow('no catalogue');
  expect(first.turn.waits()).toBe(false);
});

test('time that is waited is not counted', () => {
  let now = 0;
  const turns = new Turns(() => now);
  const first = open(turns, 'find');
  now = 2000;
  const second = open(turns, 'costs');
  now = 7000;
  expect([first.turn.seconds(), second.turn.seconds()]).toEqual([2, 5]);
  turns.stop('costs');
  now = 8000;
  // 2 s before the other and 1 s after it; the other ended after 5 s
  expect([first.turn.seconds(), second.turn.seconds()]).toEqual([3, 5]);
});

describe('what is worked out ahead of being asked for', () => {
  const waiting = (...of: readonly ReturnType<typeof open>[]) => of.map(({ turn }) => turn.waits());

  test('goes after all that was asked, one after the other', async () => {
    const turns = new Turns();
    const costs = open(turns, 'costs', true);
    const sure = open(turns, 'stability', true);
    expect(waiting(costs, sure)).toEqual([false, true]);
    const find = open(turns, 'find');
    const steps = open(turns, 'steps');
    expect(waiting(costs, sure, find, steps)).toEqual([true, true, true, false]);
    steps.letGo();
    await steps.done;
    expect(waiting(costs, sure, find)).toEqual([true, true, false]);
    find.letGo();
    await find.done;
    expect(waiting(costs, sure)).toEqual([false, true]);
    costs.letGo();
    await costs.done;
    expect(waiting(sure)).toEqual([false]);
  });

  test('goes on beside what spares it a share, not beside what was asked after that', async () => {
    const turns = new Turns();
    const find = open(turns, 'find');
    const costs = open(turns, 'costs', true);
    const sure = open(turns, 'stability', true);
    expect(waiting(find, costs, sure)).toEqual([false, true, true]);
    find.turn.spare();
    await costs.turn.again();
    expect(waiting(find, costs, sure)).toEqual([false, false, true]);
    const steps = open(turns, 'steps');
    expect(waiting(find, costs, sure, steps)).toEqual([true, true, true, false]);
    steps.letGo();
    await steps.done;
    expect(waiting(find, costs, sure)).toEqual([false, false, true]);
  });

  test('goes before all else as soon as it is asked for, from where it is', async () => {
    const turns = new Turns();
    const find = open(turns, 'find');
    find.turn.spare();
    const costs = open(turns, 'costs', true);
    const sure = open(turns, 'stability', true);
    turns.hasten('stability');
    expect(waiting(find, costs, sure)).toEqual([true, true, false]);
    turns.hasten('nothing of the kind');
    // what is asked for already stays where it stands
    turns.hasten('find');
    expect(waiting(find, costs, sure)).toEqual([true, true, false]);
    sure.letGo();
    await sure.done;
    expect(waiting(find, costs)).toEqual([false, false]);
  });

  test('ends when its kind is asked anew, of something else', () => {
    const turns = new Turns();
    const before = open(turns, 'costs', true);
    const after = open(turns, 'costs');
    expect(before.turn.stopped()).toBe(true);
    turns.hasten('costs');
    expect(waiting(after)).toEqual([false]);
  });

  test('shares the time that is counted', () => {
    let now = 0;
    const turns = new Turns(() => now);
    const find = open(turns, 'find');
    const costs = open(turns, 'costs', true);
    now = 1000;
    find.turn.spare();
    now = 5000;
    const seconds = () => [find, costs].map(({ turn }) => turn.seconds());
    // 1 s alone, then 4 s side by side
    expect(seconds()).toEqual([3, 2]);
    turns.stop('find');
    now = 6000;
    expect(seconds()).toEqual([3, 3]);
  });
});

/** Numbers up to `to`, each after some work. */
function* counting(to: number): Generator<number, number> {
  for (let i = 1; i < to; i++) {
    const until = performance.now() + 5;
    while (performance.now() < until);
    yield i;
  }
  return to;
}

test('steps rest while something else is answered, say so, and go on where they were', async () => {
  const turns = new Turns();
  const told: string[] = [];
  const slow = turns.take('find', (turn) =>
    inSlices(counting(25), turn, (at, waits) => told.push(`${waits ? 'waits' : 'goes on'} at ${at}`)),
  );
  await breath();
  const other = open(turns, 'costs');
  while (!told.some((line) => line.startsWith('waits'))) await breath();
  const before = told.length;
  await breath();
  await breath();
  expect(told).toHaveLength(before);
  const [rested] = told.filter((line) => line.startsWith('waits'));
  other.letGo();
  expect(await slow).toEqual({ done: true, value: 25 });
  // it was told once that it waits, between two slices that it was told of
  expect(told.filter((line) => line.startsWith('waits'))).toEqual([rested]);
  expect(told.at(-1)).toMatch(/^goes on at /);
});

test('steps that wait are stopped with what they have', async () => {
  const turns = new Turns();
  let at = 0;
  const slow = turns.take('find', (turn) => inSlices(counting(1000), turn, (now) => (at = now)));
  await breath();
  const other = open(turns, 'costs');
  while (at === 0) await breath();
  await breath();
  turns.stop('find');
  expect(await slow).toEqual({ done: false, last: at });
  expect(other.turn.waits()).toBe(false);
});

test('steps that share their time come to what they come to alone, and neither says that it waits', async () => {
  const turns = new Turns();
  const told: string[] = [];
  const telling = (of: string) => (at: number, waits: boolean) => void told.push(`${of}${waits ? ' waits' : ''} ${at}`);
  const find = turns.take('find', (turn) => {
    turn.spare();
    return inSlices(counting(30), turn, telling('find'));
  });
  const costs = turns.take('costs', (turn) => inSlices(counting(30), turn, telling('costs')), true);
  expect(await Promise.all([find, costs])).toEqual(Array(2).fill({ done: true, value: 30 }));
  expect(told.filter((line) => line.includes('waits'))).toEqual([]);
  // each is told of before the other ends
  const [first, last] = [told[0]?.split(' ')[0], told.at(-1)?.split(' ')[0]];
  expect(told.findIndex((line) => !line.startsWith(first ?? ''))).toBeLessThan(told.length / 2);
  expect(told.findLastIndex((line) => !line.startsWith(last ?? ''))).toBeGreaterThan(told.length / 2);
});
