import { mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
// @ts-expect-error what runs before anything is compiled is plain JavaScript
import { bundle as untyped } from '../../bin/bundle.mjs';

const bundle = untyped as (shelf?: string) => Promise<string | undefined>;
const shelf = mkdtempSync(join(tmpdir(), 'vane-bundle-'));
afterAll(() => rmSync(shelf, { recursive: true }));

describe('the command’s bundle', () => {
  test('is made once for the same sources, also when two ask at the same time', async () => {
    const [one, two] = await Promise.all([bundle(shelf), bundle(shelf)]);
    expect(one).toBe(two);
    const made = statSync(one ?? '').mtimeMs;
    expect(await bundle(shelf)).toBe(one);
    expect(statSync(one ?? '').mtimeMs).toBe(made);
    expect(readdirSync(shelf)).toHaveLength(1);
  });

  test('is not there where none can be made: then the sources are compiled as they load', async () => {
    expect(await bundle('/dev/null/nowhere')).toBeUndefined();
  });
});
