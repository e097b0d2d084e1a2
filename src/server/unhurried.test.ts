import { expect, test } from 'vitest';
import { unhurried } from './unhurried';

test('comes to the end of its steps, and others have their turns in between', async () => {
  let turns = 0;
  let running = true;
  const others = (): void => {
    turns++;
    if (running) setImmediate(others);
  };
  setImmediate(others);
  function* steps(): Generator<void, string> {
    for (const end = performance.now() + 150; performance.now() < end;) yield;
    return 'done';
  }
  expect(await unhurried(steps())).toBe('done');
  running = false;
  expect(turns).toBeGreaterThan(2);
});
