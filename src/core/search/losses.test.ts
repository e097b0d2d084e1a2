import { describe, expect, test } from 'vitest';
import { type Part } from '../parts';
import { partLike as like } from '../tests/world';
import { capacityOf, lossesOf, losesRoom } from './losses';

const lost = (before: Part, after: Part) => lossesOf(before, after).map(({ label, from, to }) => [label, from, to]);

describe('what a swap takes away', () => {
  test('an archive of 8 TB replaced by one of 2 loses room, however fast the new one is', () => {
    const [disk, ssd] = [like('disk'), like('ssd', { capacityGB: 2000 })];
    expect(lost(disk, ssd)).toContainEqual(['capacity', 8000, 2000]);
    expect(losesRoom(disk, ssd)).toBe(true);
    expect(losesRoom(ssd, disk)).toBe(false);
  });

  test('a figure that the new part does not state is not known to be kept', () => {
    const card = like('card');
    expect(lost(card, like('card', { memoryGiB: undefined }))).toEqual([['graphics memory', 12, undefined]]);
    expect(losesRoom(card, like('card', { memoryGiB: undefined }))).toBe(true);
  });

  test('what the replaced part did not state cannot be lost', () => {
    expect(lost(like('card', { memoryGiB: undefined }), like('card'))).toEqual([]);
    expect(losesRoom(like('card', { memoryGiB: undefined }), like('card'))).toBe(false);
  });

  test('modules and their size are told as what they make together', () => {
    const [two, four] = [like('kit', { modules: 2, moduleGiB: 32 }), like('kit', { modules: 4, moduleGiB: 8 })];
    expect(lost(two, four)).toEqual([['capacity', 64, 32]]);
    // four modules of 16 are as much as two of 32
    expect(lost(two, like('kit', { modules: 4, moduleGiB: 16 }))).toEqual([]);
    expect([capacityOf(two), capacityOf(four)]).toEqual([64, 32]);
  });

  test('an ability that is gone is lost; lower draw, size and noise are none of it', () => {
    const ssd = like('ssd', { encryption: true });
    expect(lost(ssd, like('ssd', { encryption: false }))).toEqual([[expect.stringContaining('encrypt'), true, false]]);
    expect(
      lost(like('card', { boardPowerW: 200, lengthMm: 270 }), like('card', { boardPowerW: 400, lengthMm: 330 })),
    ).toEqual([]);
  });

  test('parts of two kinds are not compared', () => {
    expect(lossesOf(like('card'), like('ssd'))).toEqual([]);
  });
});
