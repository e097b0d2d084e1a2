import { describe, expect, test } from 'vitest';
import { partSchema, type Part } from '../parts';
import { besideOne } from './beside';

const drive = (id: string, figures: object): Part =>
  partSchema.parse({ kind: 'drive', id, maker: 'Fenstore', name: id, ...figures });
const facts = (...prices: (number | undefined)[]) => prices.map((landedMinor) => ({ landedMinor, used: 0 }));
const flash = { interface: 'NVMe', cellKind: 'TLC', capacityGB: 2000, seqReadMBs: 7000, activePowerW: 6 };

describe('parts side by side', () => {
  const parts = [
    drive('weir', flash),
    drive('flume', { ...flash, seqReadMBs: 5000, activePowerW: 4 }),
    drive('hold', { interface: 'SATA', cellKind: 'magnetic', capacityGB: 2000, rpm: 7200 }),
  ];
  const figure = (key: string) => {
    const found = besideOne(parts, facts(11_000, undefined, 9_000), 'USD').figures.find(
      ({ column }) => column.key === key,
    );
    if (!found) throw new Error(`no figure ${key}`);
    return found;
  };

  test('the better end is marked by the figure: faster, cheaper, drawing less', () => {
    expect(figure('seqReadMBs')).toMatchObject({ cells: [7000, 5000, undefined], best: [0], same: false });
    expect(figure('activePowerW')).toMatchObject({ cells: [6, 4, undefined], best: [1] });
    expect(figure('price')).toMatchObject({ cells: [110, undefined, 90], best: [2] });
  });

  test('all alike is the same and nobody is best; one unknown is not the same', () => {
    expect(figure('capacityGB')).toMatchObject({ same: true, best: [] });
    expect(besideOne([parts[0] as Part, drive('bare', { capacityGB: 2000 })], [], 'USD').figures).toContainEqual(
      expect.objectContaining({ cells: ['TLC', undefined], same: false, best: [] }),
    );
  });

  test('what does not apply is null and not unknown; what nobody states is left out', () => {
    expect(figure('rpm').cells).toEqual([null, null, 7200]);
    expect(figure('interface').cells).toEqual(['NVMe', 'NVMe', 'SATA']);
    const keys = besideOne(parts, [], 'USD').figures.map(({ column }) => column.key);
    expect(keys).not.toContain('cacheMiB');
    expect(keys).not.toContain('name');
  });

  test('one that is alone in being known is not best for it', () => {
    const two = [drive('a', { seqReadMBs: 7000 }), drive('b', {})];
    const read = besideOne(two, [], 'USD').figures.find(({ column }) => column.key === 'seqReadMBs');
    expect(read).toMatchObject({ cells: [7000, undefined], best: [], same: false });
  });

  test('structures stand beside each other too, and kinds are not mixed', () => {
    const group = { kind: 'performance', count: 8, threadsPerCore: 2, baseGHz: 3, boostGHz: 5 };
    const processor = (id: string, coreGroups: object[]) =>
      partSchema.parse({ kind: 'processor', id, maker: 'Halcyte', name: id, coreGroups });
    const pair = [processor('tern', [group]), processor('reef', [{ ...group, count: 6 }])];
    expect(besideOne(pair, [], 'USD').structures).toEqual([
      expect.objectContaining({
        values: pair.map((part) => (part as { coreGroups: unknown }).coreGroups),
        same: false,
      }),
    ]);
    expect(() => besideOne([pair[0] as Part, parts[0] as Part], [], 'USD')).toThrow(RangeError);
    expect(besideOne([], [], 'USD')).toEqual({ figures: [], structures: [] });
  });
});
