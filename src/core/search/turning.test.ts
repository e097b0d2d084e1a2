import { describe, expect, test } from 'vitest';
import { assess, contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { briefOf, dataOf, machineOf, PARTS, PLAY, SOURCE, type Change } from '../tests/world';
import { turnWords } from '../words/turning';
import { turnsOf } from './turning';

const more = ['a', 'b', 'c'].map((id, i) => ({
  ...PARTS.find((part) => part['id'] === 'psu'),
  id: `psu-${id}`,
  name: `Test ${id}`,
  ratedW: [300, 550, 1200][i],
}));

function turned(change: Change, rule: string) {
  const context = contextOf(
    compileCatalogue(dataOf({ ...change, addParts: [...more, ...(change.addParts ?? [])] })),
    '2026-05-18',
  );
  const machine = machineOf(change);
  const brief = briefOf(change);
  const finding = assess(machine, brief, context).findings.find(
    (entry) => entry.rule === rule && entry.level === 'unproven',
  );
  if (!finding) throw new Error(`${rule} should be unproven`);
  return { turns: turnsOf(machine, brief, finding, context), context, machine, brief };
}

describe('the value at which an unknown figure turns the verdict', () => {
  test('a supply of unknown rating holds from the rating on at which every policy does', () => {
    const { turns, machine, brief } = turned({ parts: { psu: { ratedW: undefined } } }, 'supply-power');
    const [turn] = turns;
    expect(turn).toMatchObject({ kind: 'at-least', usual: [300, 1200] });
    if (turn?.kind !== 'at-least') return;
    // the oracle: a supply of that rating passes, one of a percent less does not
    const level = (ratedW: number) =>
      assess(
        machine,
        brief,
        contextOf(compileCatalogue(dataOf({ parts: { psu: { ratedW } } })), '2026-05-18'),
      ).findings.some(({ rule }) => rule === 'supply-power');
    expect(level(turn.value)).toBe(false);
    expect(level(turn.value * 0.99)).toBe(true);
  });

  test('a length is best when short: it holds up to the room there is', () => {
    // the case leaves 340 mm
    const { turns, context } = turned(
      {
        parts: { card: { lengthMm: undefined } },
        addParts: [{ ...PARTS.find((part) => part['id'] === 'card'), id: 'card-b', name: 'B', lengthMm: 300 }],
      },
      'card-length',
    );
    expect(turns[0]?.kind).toBe('at-most');
    expect(turns[0]?.kind === 'at-most' ? turns[0].value : 0).toBeCloseTo(340, -1);
    expect(turnWords(turns[0]!, context.catalogue)).toMatch(
      /^Holds if Palisar Test 12’s length is at most 3(39|40) mm; the usual range/,
    );
  });

  test('a prediction turns where the task reaches its target', () => {
    const change: Change = {
      parts: { card: { fp32Tflops: undefined } },
      brief: { tasks: [{ ...PLAY, correctionSteps: 40, temporalNr: 'light' }], sittings: [] },
      addParts: [{ ...PARTS.find((part) => part['id'] === 'card'), id: 'card-b', name: 'B', fp32Tflops: 40 }],
    };
    const { turns, machine, brief } = turned(change, 'task-figures');
    const [turn] = turns;
    expect(turn?.kind).toBe('at-least');
    if (turn?.kind !== 'at-least') return;
    const likely = (fp32Tflops: number) =>
      assess(machine, brief, contextOf(compileCatalogue(dataOf({ parts: { card: { fp32Tflops } } })), '2026-05-18'))
        .tasks[0]?.ratio?.likely ?? 0;
    expect(likely(turn.value)).toBeGreaterThanOrEqual(1);
    expect(likely(turn.value * 0.98)).toBeLessThan(1);
  });

  test('says when no value would do, when any would, and when there is no direction', () => {
    const hopeless: Change = {
      parts: { card: { fp32Tflops: undefined } },
      brief: { tasks: [{ ...PLAY, sources: [{ ...SOURCE, streams: 40 }] }], sittings: [] },
    };
    // forty streams stop the decoding engine, whatever the card computes
    const context = contextOf(compileCatalogue(dataOf(hopeless)), '2026-05-18');
    const finding = assess(machineOf(), briefOf(hopeless), context).findings.find(
      ({ rule }) => rule === 'task-figures',
    );
    expect(finding && turnsOf(machineOf(), briefOf(hopeless), finding, context)[0]?.kind).toBe('never');
    expect(turned({ parts: { kit: { moduleKind: undefined } } }, 'module-kind').turns[0]?.kind).toBe('no-direction');
  });

  test('of several missing figures the one that decides stands first', () => {
    const { turns } = turned(
      {
        parts: { cooler: { resistance: undefined }, psu: { ratedW: undefined } },
        addParts: [{ ...PARTS.find((part) => part['id'] === 'cooler'), id: 'cooler-b', name: 'B' }],
      },
      'supply-power',
    );
    expect(turns[0]?.figure.field).toBe('ratedW');
  });
});
