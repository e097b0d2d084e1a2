import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { modelDocument } from './modelDocument';
import { REGISTERS } from './reasons';
import { TRADES } from '../work/templates';

describe('the page about the model', () => {
  const page = readFileSync('docs/model.md', 'utf8');

  test('is the current one: npm run model', () => {
    expect(page).toBe(modelDocument());
  });

  test('names every trade, every figure and every constant', () => {
    for (const trade of Object.values(TRADES)) {
      expect(page).toContain(`## ${trade.name}`);
      for (const { label } of Object.values(trade.figures)) expect(page).toContain(`| ${label} |`);
    }
    for (const { register } of Object.values(REGISTERS))
      for (const [name, { value }] of Object.entries(register)) expect(page).toContain(`| ${name} | ${value} |`);
  });
});
