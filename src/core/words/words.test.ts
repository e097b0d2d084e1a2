import { describe, expect, test } from 'vitest';
import { assessed, type Change } from '../tests/world';
import { findingWords } from './findings';
import {
  byteRate,
  coins,
  coinsChange,
  duration,
  listed,
  memorySize,
  number,
  percent,
  quantity,
  size,
  times,
} from './format';
import { codecName, figureName, impossibleWords, kindName, resourceName, withArticle } from './names';

describe('numbers as the trade writes them', () => {
  test('three significant digits, whole from a hundred up, with separators', () => {
    expect([0, 0.25, 1.234, 12.345, 123.45, 12345].map((value) => number(value))).toEqual([
      '0',
      '0.25',
      '1.23',
      '12.3',
      '123',
      '12,345',
    ]);
    expect(number(12.345, 2)).toBe('12');
    expect(number(Infinity)).toBe('very many');
  });

  test('drives are decimal, memory is binary, both read "GB"', () => {
    expect(size(2e12)).toBe('2 TB');
    expect(size(878e9)).toBe('878 GB');
    expect(size(25e6)).toBe('25 MB');
    expect(memorySize(32 * 2 ** 30)).toBe('32 GB');
  });

  test('rates', () => {
    expect(byteRate(7.877e9)).toBe('7.88 GB/s');
    expect(byteRate(25e6)).toBe('25 MB/s');
    expect(byteRate(800)).toBe('0.8 kB/s');
  });

  test('times from milliseconds to hours, without sixty minutes left over', () => {
    expect([0.0123, 12, 89, 91, 600, 5399, 5400, 7199, 9000].map(duration)).toEqual([
      '12.3 ms',
      '12 s',
      '89 s',
      '1.5 min',
      '10 min',
      '90 min',
      '1 h 30 min',
      '2 h',
      '2 h 30 min',
    ]);
  });

  test('money keeps its cents and shows a change with its sign', () => {
    expect(coins(249272, 'USD')).toBe('2,492.72 USD');
    expect([coins(1234567, 'USD'), coins(1234567, 'JPY'), coins(1234567, 'KWD')]).toEqual([
      '12,345.67 USD',
      '1,234,567 JPY',
      '1,234.567 KWD',
    ]);
    expect([4600, -1200, 0].map((minor) => coinsChange(minor, 'USD'))).toEqual(['+46.00', '−12.00', '±0']);
  });

  test('the rest', () => {
    expect(percent(0.8)).toBe('80 %');
    expect(times(1.68)).toBe('×1.7');
    expect(listed([])).toBe('');
    expect(listed(['a'])).toBe('a');
    expect(listed(['a', 'b', 'c'])).toBe('a, b and c');
  });

  test('quantities by their unit', () => {
    expect(quantity(8_294_400, 'px')).toBe('8.29 Mpx');
    expect(quantity(20e12, 'FLOP/s')).toBe('20 TFLOP/s');
    expect(quantity(8e6, 'bit')).toBe('8 Mbit');
    expect(quantity(4.1472e9, 'bit/s')).toBe('4.15 Gbit/s');
    expect(quantity(0.35, 'share of peak')).toBe('0.35 share of peak');
    expect(quantity(2, '')).toBe('2');
    expect(quantity(1.5e9, 'B/s')).toBe('1.5 GB/s');
    expect(quantity(90, 's')).toBe('1.5 min');
    expect(quantity(2.5e9, 'clocks')).toBe('2.5 Gwork');
  });
});

describe('names', () => {
  test('of resources are words, also for uplinks, flows and drives', () => {
    expect(resourceName('uplink:hub-1:up')).toBe('hub uplink, towards the processor');
    expect(resourceName('uplink:hub-1:down')).toBe('hub uplink, from the processor');
    expect(resourceName('read:active')).toBe('active drive, reading');
    expect(resourceName('write:scratch')).toBe('scratch drive, writing after its cache');
    expect(resourceName('flow:x.0')).toBe('link of the flow');
    for (const key of [
      'cpu.serial',
      'cpu.parallel',
      'cpu.threads',
      'memory.traffic',
      'gpu.fp32',
      'gpu.traffic',
      'gpu.in',
      'gpu.out',
      'engine.decode',
      'engine.encode',
    ])
      expect(resourceName(key)).not.toContain('.');
  });

  test('of kinds and figures', () => {
    expect(withArticle(kindName('expansion'))).toBe('an expansion card');
    expect(withArticle(kindName('graphics'))).toBe('a graphics card');
    expect(withArticle('memory')).toBe('memory');
    expect(figureName('drive', 'sustainedWriteMBs')).toBe('sequential write after its cache (MB/s)');
    expect(figureName(undefined, 'x')).toBe('x');
    expect(['h264', 'hevc', 'av1', 'mezzanine', 'raw', 'uncompressed'].map(codecName)).toEqual([
      'H.264',
      'HEVC',
      'AV1',
      'intra-frame mezzanine',
      'compressed raw',
      'uncompressed',
    ]);
  });

  test('of what does not run say why and what would', () => {
    expect(impossibleWords({ code: 'no-encoder', codec: 'hevc', chroma: '4:4:4', bitDepth: 12 })).toBe(
      'No encoding engine here writes HEVC 4:4:4 at 12 bit. Export in software, or take a card whose engine does.',
    );
    expect(
      impossibleWords({ code: 'encoder-too-small', width: 7680, height: 4320, maxWidth: 4096, maxHeight: 4096 }),
    ).toContain('7680 × 4320; the encoding engine goes up to 4096 × 4096');
    expect(impossibleWords({ code: 'application-encodes-in-software', application: 'Cutwater' })).toContain('Cutwater');
    expect(
      impossibleWords({ code: 'no-compute-stack', application: 'Reelwright', wants: ['Tesserel', 'Loomwork'] }),
    ).toContain('Tesserel and Loomwork');
    expect(impossibleWords({ code: 'no-graphics' })).toContain('graphics');
    expect(impossibleWords({ code: 'part-missing', kind: 'drive' })).toContain('no drive');
  });
});

/** The sentence and the mend of the first finding of a rule. */
function said(change: Change, rule: string): string {
  const check = assessed(change).checks.find((candidate) => candidate.rule === rule && candidate.level !== 'passes');
  if (!check) throw new Error(`${rule} found nothing`);
  const words = findingWords(check);
  return `${words.says} ${words.mend ?? ''}`.trim();
}

describe('findings say the thing, both figures and the mend', () => {
  test.each<[string, Change, string]>([
    [
      'card-length',
      { parts: { card: { lengthMm: 345 } } },
      'Palisar Test 12 is 345 mm long; Marlhouse Test leaves 340 mm: 5 mm too long. Take a card of 340 mm at most, or a case with 345 mm of room.',
    ],
    [
      'cooler-height',
      { parts: { cooler: { heightMm: 168 } } },
      'Northdraft Test 140 is 168 mm high; Marlhouse Test leaves 165 mm: 3 mm too high. Take a cooler of 165 mm at most, or a wider case.',
    ],
    [
      'supply-power',
      { parts: { psu: { ratedW: 300 } } },
      'All parts at their limit draw 378 W; Gatewick Test 750 delivers 300 W. Take a supply of 400 W or more.',
    ],
    [
      'supply-connectors',
      { parts: { psu: { connectors: { 'board-24': 1, 'processor-8': 1, sata: 4 } } } },
      'Palisar Test 12 needs 1 connector of the kind card-16; Gatewick Test 750 has 0. Take a supply that has them: one cable for each high-power input.',
    ],
    [
      'firmware',
      { parts: { board: { shippedFirmware: '1.2' } } },
      'Halcyte Test 8 needs firmware 1.5; Wexcombe Test comes with 1.2, and can be flashed without a processor. Flash firmware 2.0 from a USB stick before the first start.',
    ],
    [
      'memory-channels',
      { parts: { kit: { modules: 1 } } },
      '1 of 2 memory channels is populated, which costs bandwidth. 32 GB at 44.8 GB/s over 1 channel. Fill all 2 channels alike.',
    ],
    [
      'parts-complete',
      { items: (items) => items.filter((item) => item['id'] !== 'psu-1') },
      'The machine has no power supply. Add a power supply.',
    ],
    [
      'must-haves',
      { brief: { mustHaves: { videoInputs: 4 } } },
      '0 video inputs; the brief asks for 4. Add a capture card or a mixer.',
    ],
    [
      'must-haves',
      { brief: { mustHaves: { volumeL: 20 } } },
      'Marlhouse Test has 45 L; the brief allows 20 L. Take a smaller case.',
    ],
    [
      'drive-space',
      { parts: { ssd: { capacityGB: 100 } } },
      'What must stay on the active drive is 180 GB; there are 36 GB beside 64 GB for other roles. Add a drive in that role or take a larger one.',
    ],
    [
      'socket',
      { parts: { cpu: { socket: undefined } } },
      'Unknown: whether the processor fits the board. Fill the missing figure in, or take a part that states it.',
    ],
    [
      'display-outputs',
      { brief: { ownedDisplays: ['screen', 'screen', 'screen', 'screen'] } },
      '4 displays; Palisar Test 12 drives 3. Take a card with more outputs.',
    ],
    [
      'error-correction',
      { brief: { mustHaves: { errorCorrection: true } } },
      'The brief asks for error-correcting memory; Sablerow Test 2x32 5600 does not have it. Processor, board and every kit must have it.',
    ],
    [
      'link',
      { parts: { ssd: { generation: 5 } } },
      'Fenstore Test 1 TB gets 7.88 of its link’s 15.8 GB/s in M.2 slot 1; it moves 7, so it loses nothing. Look at the tasks before paying for more: a beam there says whether it matters.',
    ],
    [
      // 14.0 GB/s of its own through 7.88: 44 % of what it moves, 50 % of its link
      'link',
      { parts: { ssd: { generation: 5, seqReadMBs: 14_000 } } },
      'Fenstore Test 1 TB gets 7.88 of its link’s 15.8 GB/s in M.2 slot 1; it moves up to 14, so it loses 44 %. Look at the tasks before paying for more: a beam there says whether it matters.',
    ],
  ])('%s', (rule, change, sentence) => {
    expect(said(change, rule)).toBe(sentence);
  });

  test('what passed can be read too', () => {
    const passed = assessed().checks.filter((check) => check.level === 'passes');
    const sentences = passed.map((check) => findingWords(check).says);
    expect(sentences).toContain('Halcyte Test 8 and Wexcombe Test both have socket Dunlin.');
    expect(sentences).toContain('All 2 memory channels are populated alike. 64 GB at 89.6 GB/s over 2 channels.');
    expect(sentences).toContain(
      'Under Northdraft Test 140, with the card under load too, Halcyte Test 8 settles at 72.9 of 95 °C with 120 W at full clock.',
    );
    for (const check of passed) expect(findingWords(check).mend, check.rule).toBeUndefined();
  });
});
