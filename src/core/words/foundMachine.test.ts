import { expect, test } from 'vitest';
import { assessed, type Change } from '../tests/world';
import { findingWords } from './findings';
import { foundWords } from './foundMachine';

const cautionsOf = (change: Change): readonly string[] => {
  const assessment = assessed(change);
  const found = { machine: assessment.facts.machine, priceMinor: 1, rank: { runs: 2, percent: 100 } };
  return foundWords(found, assessment).cautions;
};

test('a found machine is told with its cautions as a draft is; not with notes, nor with what stands beside it', () => {
  // a cache on cells that wear, on a budget that it exceeds: a wish, so no more than a caution
  const change: Change = {
    brief: { budgetMinor: 100 },
    parts: { ssd: { cellKind: 'QLC' } },
    items: (items) => items.map((item) => (item['id'] === 'ssd-1' ? { ...item, roles: ['system', 'scratch'] } : item)),
  };
  const { findings } = assessed(change);
  const cautions = findings.filter(({ level }) => level === 'caution');
  expect(cautions.map(({ code }) => code)).toEqual(expect.arrayContaining(['budget', 'scratch-cells']));
  expect(findings.some(({ level }) => level === 'note')).toBe(true);
  const told = cautionsOf(change);
  expect(told).toEqual(cautions.filter(({ rule }) => rule !== 'budget').map((finding) => findingWords(finding).says));
  expect(told.length).toBeGreaterThan(0);
  expect(told.join()).not.toContain('budget');
});

test('a machine without a caution is told without any', () => expect(cautionsOf({})).toEqual([]));
