import { describe, expect, test } from 'vitest';
import type { Candidate } from '@/core/search/candidates';
import { candidateLine } from '@/core/words/candidateLine';
import { partLike } from '@/core/tests/world';
import { foldId, sheetsOf, trayLines } from './trayList';

/** A candidate that fits, costs 10 more and changes nothing. */
const candidate = (
  id: string,
  more: Partial<Candidate> = {},
  effect: Partial<Candidate['effect']> = {},
  of?: string,
): Candidate => ({
  part: { ...partLike('card', { id }), ...(of ? { variantOf: of } : {}) } as Candidate['part'],
  edit: { kind: 'remove', item: id },
  effect: { priceMinor: 10, mended: [], brought: [], eased: [], tasks: [], met: 1, metBefore: 1, gain: 0, ...effect },
  landedMinor: 100,
  fits: true,
  current: false,
  ...more,
});
const NOW = candidate('now', { current: true });
const QUICK = candidate('quick', {}, { gain: 0.3 });
const read = (rows: readonly Candidate[], opened: readonly string[] = [], narrowed = false) =>
  trayLines(rows.map(candidateLine), new Set(opened.map(foldId)), narrowed).map((line) =>
    line.kind === 'part' ? `${line.under ? '  ' : ''}${line.row.part}` : `${line.open ? '−' : '+'} ${line.says}`,
  );

describe('the lines of the tray', () => {
  test('what is no better than the part that is there folds away, and opens', () => {
    const rows = [
      QUICK,
      candidate('cheap', {}, { priceMinor: -5 }),
      NOW,
      candidate('same'),
      candidate('slow', {}, { gain: -0.2 }),
    ];
    expect(read(rows)).toEqual(['quick', 'cheap', 'now', '+ 2 no better than what is there']);
    expect(read(rows, ['no better'])).toEqual([
      'quick',
      'cheap',
      'now',
      '− 2 no better than what is there',
      'same',
      'slow',
    ]);
  });

  test('what mends or does more of the work is better, whatever it costs; a price that is unknown is no gain', () => {
    const more = candidate('more', {}, { met: 2 });
    expect(read([more, NOW, candidate('unknown', {}, { priceMinor: undefined })])).toEqual([
      'more',
      'now',
      '+ 1 no better than what is there',
    ]);
  });

  test('an empty position offers everything that fits', () => {
    expect(read([candidate('a'), candidate('b')])).toEqual(['a', 'b']);
  });

  test('editions stand under the best ranked of them; the part that is there stands for itself', () => {
    const black = candidate('quick-black', {}, { gain: 0.3 }, 'quick');
    const edition = candidate('now-white', {}, { priceMinor: -1 }, 'now');
    const rows = [black, QUICK, edition, NOW];
    expect(read(rows)).toEqual(['quick-black', '+ 1 edition of it', 'now-white', 'now']);
    expect(read(rows, ['editions quick'])).toEqual(['quick-black', '− 1 edition of it', '  quick', 'now-white', 'now']);
  });

  test('what does not fit folds away, unless nothing fits', () => {
    const tall = candidate('tall', { fits: false });
    expect(read([NOW, tall])).toEqual(['now', '+ 1 does not fit, and why']);
    expect(read([NOW, tall], ['misfit'])).toEqual(['now', '− 1 does not fit, and why', 'tall']);
    expect(read([tall])).toEqual(['− 1 does not fit, and why', 'tall']);
  });

  test('whoever narrows the list sees all that is left of it, each once', () => {
    const rows = [
      QUICK,
      candidate('quick-black', {}, { gain: 0.3 }, 'quick'),
      NOW,
      candidate('same'),
      candidate('tall', { fits: false }),
    ];
    expect(read(rows, [], true)).toEqual(['quick', 'quick-black', 'now', 'same', '− 1 does not fit, and why', 'tall']);
  });
});

test('candidates are explained by the sheet: each is on one, and a sheet is about a screen', () => {
  const rows = Array.from({ length: 40 }, (_, i) => candidateLine(candidate(`c${i}`)));
  const sheets = sheetsOf(rows);
  expect([...new Set(sheets.values())].map((sheet) => sheet.length)).toEqual([16, 16, 8]);
  expect(rows.every(({ part }) => sheets.get(part)?.includes(part))).toBe(true);
  expect(sheetsOf([]).size).toBe(0);
});

test('a line says what a list needs to know of a candidate, and no more than that', () => {
  const line = candidateLine(candidate('edition', { fits: false }, { priceMinor: -5, gain: -0.5 }, 'quick'));
  expect(line).toMatchObject({
    part: 'edition',
    root: 'quick',
    fits: false,
    current: false,
    better: true,
    priceMinor: -5,
  });
  // a note gone mends nothing, and a price that is unknown is no saving
  expect(candidateLine(candidate('dear', {}, { priceMinor: undefined })).better).toBe(false);
  expect(JSON.stringify(line).length).toBeLessThan(600);
});
