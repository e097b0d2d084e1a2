import { describe, expect, test } from 'vitest';
import { PART_KINDS } from '../parts';
import { partLike } from '../tests/world';
import { decidingHeads, decidingTexts, keyFigures } from './partFigures';

const column = (part: ReturnType<typeof partLike>, head: string) =>
  decidingTexts(part)[decidingHeads(part.kind).indexOf(head)];

describe('the figures that decide', () => {
  test('a board: card slots by generation, the fastest first, M.2, network and what it carries', () => {
    const board = partLike('board');
    expect(column(board, 'cards × gen')).toBe('1×5 1×4');
    expect(column(board, 'M.2')).toBe('2');
    expect(column(board, 'Gb/s')).toBe('2.5');
    expect(column(board, 'carries W')).toBe('200');
  });

  test('memory: the first word in ns, CL over half the rate', () => {
    // 2000 × 36 ÷ 5600
    expect(column(partLike('kit'), 'ns')).toBe('12.9');
    expect(column(partLike('kit', { casLatency: undefined }), 'ns')).toBe('?');
  });

  test('a cooler: the line says what the millimetres are of', () => {
    expect(keyFigures(partLike('cooler'))).toBe('tower · 160 mm high · 0.2 K/W');
    expect(keyFigures(partLike('cooler', { type: 'liquid', radiatorMm: 240 }))).toBe(
      'liquid · 240 mm radiator · 0.2 K/W',
    );
    expect(column(partLike('cooler'), 'dB(A)')).toBe('30');
  });

  test('figures that belong together are said together', () => {
    expect(keyFigures(partLike('kit'))).toBe('DDR5 · 2 × 32 GB · 5,600 MT/s CL 36');
    expect(keyFigures(partLike('screen'))).toBe('? in · 3,840 × 2,160 · 60 Hz');
  });

  test('what is not stated is no number and never nothing at all', () => {
    const unknown = partLike('card', { memoryGiB: undefined, fp32Tflops: undefined });
    expect(keyFigures(unknown)).toBe('? GB · ? TFLOP/s · 200 W · 270 mm');
    expect(column(partLike('board', { topology: undefined }), 'cards × gen')).toBe('?');
    expect(column(partLike('psu', { connectors: { 'card-8': 4 } }), 'card-16')).toBe('0');
  });

  test('every kind has its figures, each under a head of its own', () => {
    for (const kind of PART_KINDS) {
      const heads = decidingHeads(kind);
      expect(heads.length, kind).toBeGreaterThan(0);
      expect(new Set(heads).size, kind).toBe(heads.length);
    }
  });
});
