import { describe, expect, test } from 'vitest';
import { assessed, plus, without, type Change } from '../tests/world';
import type { Resource } from '../figures/resources';
import { fromConstant, given, least, product, quotient, sum } from '../figures/derive';
import { chooseEngine, type Engines } from '../work/engines';

const rateOf = (resource: Resource, change: Change = {}) => assessed(change).supply.of(resource);

describe('supply', () => {
  test('memory: 89.6 GB/s of which three quarters arrive', () => {
    expect(rateOf('memory.traffic')?.rate?.value).toBeCloseTo(89.6e9 * 0.75, 3);
  });

  test('link to the card: generation 4 × 16 lanes, 85 % after headers', () => {
    expect(rateOf('gpu.in')?.rate?.value).toBeCloseTo(((16 * 128) / 65) * 1e9 * 0.85, 0);
  });

  test('a drive gives the least of its own rate and its link', () => {
    // 7,000 MB/s of the drive against 7,877 × 0.85 of the link
    expect(rateOf('read:active')?.rate?.value).toBeCloseTo(((4 * 128) / 65) * 1e9 * 0.85, 0);
    expect(rateOf('read:active', { parts: { ssd: { seqReadMBs: 3000 } } })?.rate?.value).toBe(3e9);
    expect(rateOf('write:scratch')?.rate?.value).toBe(1.5e9);
  });

  test('a role nobody has falls to the active drive, then to the system drive', () => {
    const alone: Change = {
      items: (items) => items.map((item) => (item['id'] === 'ssd-1' ? { ...item, roles: ['system'] } : item)),
    };
    expect(rateOf('write:scratch', alone)?.items).toEqual(['ssd-1']);
    expect(rateOf('read:archive')?.items).toEqual(['disk-1']);
  });

  const card = (networkGbitPerS: number | undefined, link: object = { generation: 3, lanes: 4 }): Change => ({
    addParts: [
      {
        kind: 'expansion',
        id: 'nic',
        maker: 'Relaypike',
        name: 'Test',
        purpose: 'network',
        slots: 1,
        lengthMm: 120,
        powerW: 8,
        networkGbitPerS,
        ...link,
      },
    ],
    items: plus({ id: 'nic-1', part: 'nic' }),
  });

  test('a network carries the same share on the board and on a card, and the fastest counts', () => {
    // 2.5 Gb/s are 312.5 MB/s, of which 0.94 are 293.75
    expect(rateOf('network')?.rate?.value).toBeCloseTo(293.75e6, 3);
    expect(rateOf('network', card(2.5))?.rate?.value).toBeCloseTo(293.75e6, 3);
    expect(rateOf('network', card(10))?.rate?.value).toBeCloseTo(1175e6, 3);
    // a slower card beside the board's own changes nothing, nor does one of unknown rate
    expect(rateOf('network', card(1))?.rate?.value).toBeCloseTo(293.75e6, 3);
    expect(rateOf('network', card(undefined))?.rate?.value).toBeCloseTo(293.75e6, 3);
  });

  test('a network card carries no more than its slot: one lane of generation 1 is 250 MB/s, 212.5 after headers', () => {
    expect(rateOf('network', card(10, { generation: 1, lanes: 1 }))?.rate?.value).toBeCloseTo(212.5e6, 3);
    const unknown = rateOf('network', card(10, { lanes: 1 }));
    expect(unknown?.rate).toBeUndefined();
    expect(unknown?.missing).toContainEqual({ item: 'nic-1', part: 'nic', field: 'generation' });
  });

  test('SATA carries 0.93 of 600 MB/s', () => {
    const fast: Change = { parts: { disk: { cellKind: 'TLC', seqReadMBs: 590 } } };
    expect(rateOf('read:archive', fast)?.rate?.value).toBeCloseTo(558e6, 3);
  });

  test('nothing there is absent; something unknown names its figure', () => {
    expect(rateOf('gpu.fp32', { items: without('card-1') })).toBeUndefined();
    expect(rateOf('gpu.fp32', { parts: { card: { fp32Tflops: undefined } } })).toEqual({
      rate: undefined,
      missing: [{ item: 'card-1', part: 'card', field: 'fp32Tflops' }],
      items: ['card-1'],
    });
    expect(rateOf('write:scratch', { parts: { ssd: { sustainedWriteMBs: undefined } } })?.missing).toEqual([
      { item: 'ssd-1', part: 'ssd', field: 'sustainedWriteMBs' },
    ]);
  });

  test('integrated graphics work in the machine’s memory and take half of it at most', () => {
    const integrated: Change = {
      items: without('card-1'),
      parts: { cpu: { integratedGraphics: { fp32Tflops: 2, mediaEngines: [] } } },
    };
    const { supply } = assessed(integrated);
    expect(supply.of('gpu.fp32')?.rate?.value).toBe(2e12);
    expect(supply.of('gpu.traffic')?.rate?.value).toBe(supply.of('memory.traffic')?.rate?.value);
    expect(supply.graphicsBytes?.rate?.value).toBe(32 * 2 ** 30);
  });

  test('space adds up over the drives of a role', () => {
    const two: Change = { items: plus({ id: 'disk-2', part: 'disk', roles: ['archive'] }) };
    expect(assessed(two).supply.space('archive')?.rate?.value).toBe(16e12);
    expect(assessed({ parts: { disk: { capacityGB: undefined } } }).supply.space('archive')?.rate).toBeUndefined();
  });
});

describe('media engines', () => {
  const engine = (over: object) => ({
    engine: {
      direction: 'decode' as const,
      codec: 'hevc' as const,
      chroma: '4:2:0' as const,
      bitDepth: 10 as const,
      mpxPerS: 1000,
      maxWidth: 8192,
      maxHeight: 8192,
      ...over,
    },
    on: 'graphics' as const,
    item: 'card-1',
    where: 'card',
  });
  const wanted = {
    direction: 'decode',
    codec: 'hevc',
    chroma: '4:2:0',
    bitDepth: 8,
    width: 3840,
    height: 2160,
  } as const;
  const choose = (list: Engines['list'], over: object = {}, missing: Engines['missing'] = []) =>
    chooseEngine({ list, missing }, { ...wanted, ...over });

  test('the fastest that fits is taken; a deeper one does the shallower', () => {
    expect(choose([engine({}), engine({ mpxPerS: 2000 })])).toMatchObject({
      kind: 'found',
      at: { engine: { mpxPerS: 2000 } },
    });
    expect(choose([engine({ bitDepth: 8 })], { bitDepth: 10 })).toEqual({ kind: 'none' });
    expect(choose([engine({ chroma: '4:2:2' })], { chroma: '4:2:0' })).toMatchObject({ kind: 'found' });
    expect(choose([engine({})], { chroma: '4:2:2' })).toEqual({ kind: 'none' });
  });

  test('too small says how large it goes', () => {
    expect(choose([engine({ maxWidth: 4096, maxHeight: 2304 })], { width: 7680, height: 4320 })).toEqual({
      kind: 'too-small',
      maxWidth: 4096,
      maxHeight: 2304,
    });
  });

  test('none known is not none: an unknown engine list leaves the answer open', () => {
    const missing = [{ item: 'card-1', part: 'card', field: 'mediaEngines' }];
    expect(choose([], {}, missing)).toEqual({ kind: 'unknown', missing });
    // but one that is known to do it decides
    expect(choose([engine({})], {}, missing)).toMatchObject({ kind: 'found' });
  });
});

describe('derivations', () => {
  const a = given('a', 6, 'm', 'part', 'somewhere');
  const b = given('b', 3, 's', 'brief', 'elsewhere');
  const unsure = (value: number, spread: number) =>
    fromConstant('c', { value, spread, unit: '', source: 'judgement', id: 'test.because' });

  test('compute what they say', () => {
    expect(product('p', 'ms', [a, b]).value).toBe(18);
    expect(quotient('q', 'm/s', [a, b]).value).toBe(2);
    expect(sum('s', '', [a, b]).value).toBe(9);
    expect(least('l', '', [a, b]).value).toBe(3);
    expect(() => quotient('q', '', [a, given('zero', 0, '', 'part', 'x')])).toThrow('cannot divide by zero = 0');
  });

  test('spreads of a product combine, those of a sum weigh by share', () => {
    expect(product('p', '', [unsure(1, 1.2), unsure(1, 1.2)]).spread).toBeCloseTo(1.294, 3);
    // a small unsure term hardly matters
    expect(sum('s', '', [given('sure', 99, '', 'part', 'x'), unsure(1, 2)]).spread).toBeCloseTo(2 ** 0.01, 9);
    expect(least('l', '', [unsure(5, 1.5), unsure(3, 1.1)]).spread).toBe(1.1);
  });

  test('constants are named by their register', () => {
    expect(unsure(1, 1).where).toBe('test.because');
  });
});
