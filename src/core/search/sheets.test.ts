import { describe, expect, test } from 'vitest';
import { assess, contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { editMachine } from '../model/edits';
import { actionOf, byAction } from '../rules/actions';
import { assessed, briefOf, dataOf, machineOf, plus, swapped, without, type Change } from '../tests/world';
import { compareDrafts } from '../versus/drafts';
import { memorySheet } from './memorySheet';
import { remediesFor } from './remedies';

const kit = (id: string, figures: Record<string, unknown>) => ({
  kind: 'memory',
  id,
  maker: 'Sablerow',
  name: `Test 2x32 ${id}`,
  generation: 'DDR5',
  moduleKind: 'unbuffered',
  errorCorrection: false,
  modules: 2,
  moduleGiB: 32,
  ranks: 2,
  profileKind: 'EP',
  rateMTs: 5600,
  casLatency: 36,
  rcd: 38,
  rp: 38,
  ras: 80,
  standardRateMTs: 4800,
  heightMm: 35,
  modulePowerW: 5,
  testedBoards: [],
  ...figures,
});
const KITS: Change = {
  addParts: [
    kit('fast', { rateMTs: 6400, casLatency: 32, testedBoards: ['board'] }),
    kit('grey', { name: 'Test 2x32 5600 grey', casLatency: 40, rcd: 42, rp: 42, variantOf: 'kit' }),
    kit('large', { moduleGiB: 48 }),
    kit('old', { generation: 'DDR4' }),
  ],
};
const contextFor = (change: Change = {}) => contextOf(compileCatalogue(dataOf(change)), '2026-05-18');

describe('the memory sheet', () => {
  const sheet = memorySheet(machineOf(), briefOf(), { kind: 'memory', item: 'kit-1' }, contextFor(KITS));
  const row = (id: string) => {
    const found = sheet.rows.find((entry) => entry.candidate.part.id === id);
    if (!found) throw new Error(`no row for ${id}`);
    return found;
  };

  test('has the kits that fit, as they would run here', () => {
    expect(sheet.rows.map((entry) => entry.candidate.part.id).sort()).toEqual(['fast', 'grey', 'kit', 'large']);
    expect(row('fast')).toMatchObject({
      gib: 64,
      profileMTs: 6400,
      effectiveMTs: 6400,
      supportedMTs: 5600,
      bandwidthBytesPerS: 102.4e9,
      tested: 'memory',
    });
    // 2000 × 32 ÷ 6400
    expect(row('fast').access?.open).toBeCloseTo(10, 9);
    expect(row('kit').access).toEqual({
      open: expect.closeTo(12.857, 3) as number,
      closed: expect.closeTo(26.429, 3) as number,
      conflict: expect.closeTo(40, 9) as number,
      cycle: expect.closeTo(42.143, 3) as number,
    });
  });

  test('prices a GB: 107.50 for 64 GB', () => {
    expect(row('kit').minorPerGib).toBeCloseTo(107_50 / 64, 9);
    expect(row('large').minorPerGib).toBeCloseTo(107_50 / 96, 9);
  });

  test('marks an edition whose timings differ, and by whom each was tested', () => {
    expect(
      row('grey').lookalikes.map(({ part, differences }) => [part.id, differences.map(({ field }) => field.path)]),
    ).toEqual([['kit', ['casLatency', 'rcd', 'rp']]]);
    expect([row('kit').tested, row('grey').tested]).toEqual(['both', 'neither']);
  });

  test('says where faster stops paying: at the cheapest kit of the size that gives the tasks as much', () => {
    expect(sheet.paysUpTo?.candidate.part.id).toBe(
      sheet.rows.filter((entry) => entry.gib === 64)[0]?.candidate.part.id,
    );
    expect(sheet.paysUpTo?.candidate.effect.gain).toBeGreaterThan(-0.005);
  });
});

describe('two drafts line by line', () => {
  test('pair what serves the same purpose, and tell what only one has', () => {
    const context = contextFor(KITS);
    const left = assess(machineOf(), briefOf(), context);
    const other = machineOf({
      items: (items) => [...without('disk-1')(swapped('kit-1', 'grey')(items)), { id: 'screen-1', part: 'screen' }],
    });
    const { lines } = compareDrafts(left, assess(other, briefOf(), context));
    const line = (kind: string) => lines.filter((entry) => entry.kind === kind);
    expect(line('memory')).toMatchObject([{ same: false, leftMinor: 107_50, rightMinor: 107_50 }]);
    expect(line('memory')[0]?.differences.map(({ field }) => field.path)).toContain('casLatency');
    expect(line('drive').map((entry) => [entry.left?.part.id, entry.right?.part.id, entry.same])).toEqual([
      ['disk', undefined, false],
      ['ssd', 'ssd', true],
    ]);
    expect(line('display')).toMatchObject([{ left: undefined, same: false }]);
    expect(line('processor')).toMatchObject([{ same: true, differences: [] }]);
  });

  test('tell findings apart by what they say, not by the ids of items', () => {
    const context = contextFor();
    const renamed = machineOf({ items: (items) => items.map((item) => ({ ...item, id: `x-${String(item['id'])}` })) });
    const same = compareDrafts(assess(machineOf(), briefOf(), context), assess(renamed, briefOf(), context));
    expect([same.onlyLeft, same.onlyRight]).toEqual([[], []]);
    const worse = compareDrafts(
      assess(machineOf(), briefOf(), context),
      assess(machineOf({ items: without('psu-1') }), briefOf(), context),
    );
    expect(worse.onlyRight.map((finding) => finding.code)).toContain('part-missing');
  });
});

describe('findings by what to do', () => {
  const actions = (change: Change) =>
    byAction(assessed(change).findings.filter((finding) => !finding.code.startsWith('surplus'))).map(
      ({ action, findings }) => [action, findings.map((finding) => finding.code)],
    );

  test('blocks are changed or added, unknown figures found out, settings settled', () => {
    expect(
      actions({
        parts: {
          card: { lengthMm: 400 },
          cooler: { pasteIncluded: false },
          board: { shippedFirmware: '1.0', sataCables: undefined },
        },
      }),
    ).toEqual([
      ['change', ['card-length']],
      ['add', ['paste']],
      ['find-out', ['unknown-figure']],
      ['settle', ['firmware']],
    ]);
    expect(actions({ items: without('psu-1') })).toEqual([['add', ['part-missing']]]);
  });

  test('each finding has one action', () => {
    const { findings } = assessed({ items: plus({ id: 'kit-2', part: 'kit' }), parts: { card: { lengthMm: 400 } } });
    expect(byAction(findings).flatMap((group) => group.findings)).toHaveLength(findings.length);
    expect(new Set(findings.map(actionOf)).size).toBeGreaterThan(2);
  });
});

describe('remedies by setting and by saving', () => {
  test('firmware that is too old is planned to be flashed, for nothing', () => {
    const change: Change = { parts: { board: { shippedFirmware: '1.0' } } };
    const { findings, facts } = assessed(change);
    const finding = findings.find((entry) => entry.code === 'firmware');
    if (!finding) throw new Error('the firmware should be cautioned about');
    const [remedy] = remediesFor(facts.machine, facts.brief, finding, contextFor(change));
    expect(remedy?.edit).toEqual({ kind: 'firmware', version: '2.0' });
    expect(remedy?.effect.priceMinor).toBe(0);
    expect(
      assess(
        editMachine(facts.machine, { kind: 'firmware', version: '2.0' }),
        facts.brief,
        contextFor(change),
      ).findings.map((entry) => entry.code),
    ).not.toContain('firmware');
  });

  test('modules in the wrong slots are seated in the fill order', () => {
    const change: Change = { machine: { moduleSlots: { 'kit-1': ['a1', 'b1'] } } };
    const { findings, facts } = assessed(change);
    const finding = findings.find((entry) => entry.code === 'memory-order');
    if (!finding) throw new Error('the order should be cautioned about');
    expect(
      remediesFor(facts.machine, facts.brief, finding, contextFor(change)).map((remedy) => remedy.edit),
    ).toContainEqual({ kind: 'seat-modules', item: 'kit-1', slots: [] });
  });

  test('a smaller supply is offered with the money it frees, one that brings a finding is not', () => {
    const psu = (id: string, ratedW: number, connectors: object) => ({
      kind: 'supply',
      id,
      maker: 'Gatewick',
      name: `Test ${id}`,
      form: 'ATX',
      lengthMm: 150,
      ratedW,
      tier: 'gold',
      standard: 'ATX 3.0',
      connectors,
    });
    const plugs = { 'board-24': 1, 'processor-8': 1, 'card-16': 1, sata: 4 };
    const data = dataOf({ addParts: [psu('less', 550, plugs), psu('bare', 500, { ...plugs, 'card-16': 0 })] });
    const cheaper = {
      ...data,
      offers: data.offers.map((offer) =>
        offer.part === 'less' || offer.part === 'bare' ? { ...offer, priceMinor: 60_00 } : offer,
      ),
    };
    const context = contextOf(compileCatalogue(cheaper), '2026-05-18');
    const before = assess(machineOf(), briefOf(), context);
    const finding = before.findings.find((entry) => entry.code === 'surplus-supply');
    if (!finding) throw new Error('the supply should be too large');
    const remedies = remediesFor(machineOf(), briefOf(), finding, context);
    expect(remedies.map((remedy) => [remedy.part?.id, remedy.effect.priceMinor])).toEqual([['less', -43_00]]);
  });
});
