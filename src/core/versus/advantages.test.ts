import { describe, expect, test } from 'vitest';
import { assess, contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { briefOf, dataOf, machineOf, plus, REGION } from '../tests/world';
import { advantagesOf, type AdvantageId } from './advantages';
import { configured } from './configure';
import { rivalSchema, type RivalModel } from '../model/rivals';

const change = {
  addParts: [
    {
      kind: 'service',
      id: 'visit',
      maker: 'Quillstone',
      name: 'Visit',
      purpose: 'warranty',
      onSite: true,
      warrantyMonths: 24,
      responseDays: 2,
    },
  ],
};
const context = contextOf(compileCatalogue(dataOf(change)), '2026-05-18');
const rival = (over: Partial<RivalModel> = {}): RivalModel =>
  rivalSchema.parse({
    id: 'brand',
    maker: 'Aldmoor',
    name: 'Test',
    machine: { ...machineOf(), id: 'brand' },
    offers: [{ region: 'here', priceMinor: 1, shippingMinor: 0, deliveryDays: 12, asOf: '2026-05-01' }],
    warrantyMonths: 36,
    onSite: true,
    responseDays: 1,
    notes: [],
    ...over,
  });
function rows(over: Partial<RivalModel> = {}, mine = machineOf(), arrives: number | undefined = 5) {
  const side = configured(rival(over), [], REGION);
  const [ours, theirs] = [mine, side.machine].map((machine) => assess(machine, briefOf(), context));
  return new Map(advantagesOf(ours!, arrives, side, theirs!).map((row) => [row.id, row]));
}
const value = (all: ReturnType<typeof rows>, id: AdvantageId) => [
  all.get(id)?.ours.value,
  all.get(id)?.theirs.value,
  all.get(id)?.better,
];

describe('what money does not measure', () => {
  test('is told of both sides by the same rules: who is better off is said either way', () => {
    const all = rows();
    expect(value(all, 'onSite')).toEqual([false, true, 'theirs']);
    expect(value(all, 'responseDays')).toEqual([8, 1, 'theirs']);
    expect(value(all, 'delivery')).toEqual([5, 12, 'ours']);
    // the same parts: nobody is ahead
    for (const id of [
      'errorCorrection',
      'encryption',
      'freeMemorySlots',
      'freeCardSlots',
      'fastPorts',
      'noise',
    ] as const) {
      const [ours, theirs, better] = value(all, id);
      expect([ours, better], id).toEqual([theirs, undefined]);
    }
  });

  test('what a maker states counts before what is worked out; what nobody states is not known, and nobody’s advantage', () => {
    const all = rows({ stated: { noiseDbA: 20, volumeL: 12, toolFree: true, certifiedFor: ['Formglass'] } });
    expect(value(all, 'noise').slice(1)).toEqual([20, 'theirs']);
    expect(value(all, 'volume')).toEqual([45, 12, 'theirs']);
    expect(value(all, 'toolFree')).toEqual([undefined, true, undefined]);
    expect(value(all, 'certified')).toEqual([undefined, 'Formglass', undefined]);
    expect(value(all, 'warranty')).toEqual([undefined, 36, undefined]);
  });

  test('soldered memory leaves no slot, and counts as a part that cannot be changed', () => {
    const items = machineOf().items.map((item) =>
      item.id === 'kit-1' ? { ...item, fixed: 'soldered' as const } : item,
    );
    const all = rows({ machine: { ...machineOf(), items } });
    // four slots, two modules
    expect(value(all, 'freeMemorySlots')).toEqual([2, 0, 'ours']);
    expect(value(all, 'fixed')).toEqual([0, 1, 'ours']);
  });

  test('a service bought with the draft is its warranty', () => {
    const all = rows({}, machineOf({ items: plus({ id: 'service-1', part: 'visit' }) }));
    expect(value(all, 'warranty')).toEqual([24, 36, 'theirs']);
    expect(value(all, 'onSite')).toEqual([true, true, undefined]);
    expect(value(all, 'responseDays')).toEqual([2, 1, 'theirs']);
  });

  test('places left on the board: two card slots and two M.2 slots, one of each taken', () => {
    const all = rows();
    expect([value(all, 'freeCardSlots')[0], value(all, 'freeDriveSlots')[0]]).toEqual([1, 1]);
  });
});
