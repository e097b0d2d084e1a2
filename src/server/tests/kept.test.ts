import { expect, test } from 'vitest';
import { keep, readKept } from '@/store/kept';
import { openDatabase } from '@/store/database';

test('what is kept is given for its own state only, and the last one stands', async () => {
  const { db, close } = openDatabase(':memory:');
  expect(await readKept(db, 'desk', 'a')).toBeUndefined();
  await keep(db, 'desk', 'a', '{"first":true}');
  expect(await readKept(db, 'desk', 'a')).toBe('{"first":true}');
  // the beginning of a state is not the state, nor is a longer one
  await keep(db, 'desk', 'abc', '{}');
  expect(await readKept(db, 'desk', 'a')).toBeUndefined();
  expect(await readKept(db, 'desk', 'ab')).toBeUndefined();
  expect(await readKept(db, 'desk', 'abcd')).toBeUndefined();
  expect(await readKept(db, 'desk', 'abc')).toBe('{}');
  expect(await readKept(db, 'other', 'abc')).toBeUndefined();
  await close();
});
