import { describe, expect, test } from 'vitest';
import { modelDocument } from '../../formats/modelDocument';
import { checked, checkedAsJudged, held, heldTable } from './held';

describe('rows that were not used', () => {
  const rows = checked();

  test('most lie within their band, and not all: four in five to nineteen in twenty', () => {
    const { inside, count } = held(rows, 'taught');
    expect(count).toBeGreaterThanOrEqual(40);
    expect(inside / count).toBeGreaterThanOrEqual(0.8);
    expect(inside / count).toBeLessThanOrEqual(0.95);
  });

  test('half of them are predicted no worse than the machine repeats its own runs, give or take', () => {
    const { median } = held(rows, 'taught');
    expect(median).toBeLessThan(0.2);
  });

  test('measured constants halve the error of judged ones, and their bands hold more', () => {
    const judged = held(checkedAsJudged(), 'plain');
    const measured = held(rows, 'plain');
    expect(measured.median).toBeLessThan(judged.median * 0.6);
    expect(measured.worst).toBeLessThan(judged.worst / 4);
    expect(measured.inside).toBeGreaterThan(judged.inside * 1.4);
  });

  test('what is above one half is told on the page about the model', () => {
    const far = rows.filter(({ error }) => Math.abs(error ?? Infinity) > 0.5).map(({ measurement: { id } }) => id);
    expect(far.sort()).toEqual([
      'ingest.copy-and-sum.t2',
      'ingest.copy-disk.t1',
      'survey.detect.program.t1',
      'tables.frames.5m.t1.group-many',
    ]);
  });

  test('the page shows the table as it comes out', () => {
    const told = modelDocument();
    expect(heldTable().filter((line) => !told.includes(line))).toEqual([]);
  });
});
