import { describe, expect, test } from 'vitest';
import { assessed, DESK, EXPORT, PLAY, SOURCE, without, type Change } from '../tests/world';
import { countByLevel } from '../rules/rule';
import { getsText, needText } from './results';
import { budgetBeam, headroomBeams, holdBeams, taskBeam, worstTask } from './beams';

const beamOf = (change: Change, id: string) => {
  const assessment = assessed(change);
  const task = assessment.facts.brief.tasks.find((candidate) => candidate.id === id);
  const result = assessment.tasks.find((candidate) => candidate.task === id);
  if (!task || !result) throw new Error(`no task ${id}`);
  return { beam: taskBeam(task, result), result };
};

describe('a task as a beam', () => {
  test('real time: rates with a range, and a sentence for those who hear it', () => {
    const { beam } = beamOf({}, 'play');
    expect(beam).toMatchObject({ need: 'need 25 fps', verdict: 'carries', axis: { kind: 'ratio' } });
    expect(beam.gets).toMatch(/^\d+ – \d+ fps$/);
    expect(beam.sentence).toMatch(/^Play: gets 15\d of 25 frames per second, carries\.$/);
    expect(beam.why[0]).toBe('Tightest on decoding engine, stage "decode source 1".');
  });

  test('a run: times, and the longest allowed', () => {
    const { beam } = beamOf({ brief: { tasks: [EXPORT], sittings: [] } }, 'export');
    expect(beam.need).toBe('need 20 min');
    expect(beam.sentence).toMatch(/^Export: takes .* of 20 min allowed, carries\.$/);
  });

  test('a run without a target has no verdict to miss', () => {
    const { targetMin: _none, ...free } = EXPORT;
    const { beam, result } = beamOf({ brief: { tasks: [free], sittings: [] } }, 'export');
    expect(beam.need).toBe('no target');
    expect(result.ratio).toBeUndefined();
    expect(beam.sentence).toMatch(/^Export: takes /);
  });

  test('unproven names neither a rate nor a zero', () => {
    const { beam, result } = beamOf({ parts: { card: { fp32Tflops: undefined } } }, 'play');
    expect(beam).toMatchObject({ verdict: 'unproven', band: undefined });
    expect(getsText(result)).toMatch(/^unproven, at most \d+ fps$/);
    expect(beam.sentence).toBe('Play: unproven, because a figure is unknown.');
  });

  test('what does not run says why in the sentence', () => {
    const { beam } = beamOf({ items: without('card-1') }, 'play');
    expect(beam.gets).toBe('does not run');
    expect(beam.sentence).toMatch(/^Play: does not run\. /);
  });

  test('dropped frames are told when it falls short', () => {
    const { beam } = beamOf(
      {
        brief: {
          tasks: [
            {
              ...PLAY,
              correctionSteps: 200,
              spatialNr: 'strong',
              temporalNr: 'strong',
              sources: [{ ...SOURCE, streams: 9 }],
            },
          ],
          sittings: [],
        },
      },
      'play',
    );
    expect(beam.verdict).toBe('short');
    expect(beam.why.join(' ')).toMatch(/About \d+(?:\.\d+)? of 25 frames a second are dropped/);
  });

  test('desk work is told as a multiple of what is enough', () => {
    const { beam, result } = beamOf({ brief: { tasks: [DESK], sittings: [] } }, 'desk');
    expect(beam.gets).toMatch(/× enough$/);
    expect(needText(result)).toBe('must keep up');
  });

  test('its derivations go from the tightest resource on', () => {
    const { beam } = beamOf({}, 'play');
    expect(beam.derivations[0]?.label).toBe('decoding engine: demand');
    expect(beam.derivations[1]?.label).toBe('decoding engine: supply');
  });
});

describe('room', () => {
  test('memory, graphics memory and space, each with what it needs and has', () => {
    const beams = holdBeams(assessed());
    expect(beams.map((beam) => beam.label).sort()).toEqual(['Graphics memory', 'Memory', 'Space, active drive']);
    expect(beams.find((beam) => beam.label === 'Memory')).toMatchObject({ gets: '64 GB', verdict: 'carries' });
    expect(beams.find((beam) => beam.label === 'Space, active drive')).toMatchObject({
      need: 'need 180 GB',
      gets: '936 GB',
    });
  });

  test('unknown memory is unproven, no drive at all is short', () => {
    expect(
      holdBeams(assessed({ parts: { kit: { moduleGiB: undefined } } })).find((beam) => beam.label === 'Memory'),
    ).toMatchObject({ verdict: 'unproven', gets: 'unproven' });
    expect(
      holdBeams(assessed({ items: without('ssd-1', 'disk-1') })).find((beam) => beam.label.startsWith('Space')),
    ).toMatchObject({ verdict: 'short', gets: 'none' });
  });

  test('supply and clearances, with a difference in mm', () => {
    const beams = headroomBeams(assessed());
    expect(beams.map((beam) => beam.label)).toEqual([
      'Supply, sustained',
      'Supply, peak',
      'Processor heat',
      'Card heat',
      'Card clearance',
      'Cooler clearance',
    ]);
    expect(beams.find((beam) => beam.label === 'Card clearance')).toMatchObject({
      need: '270 mm of 340 mm',
      gets: '+70 mm',
      verdict: 'carries',
    });
    expect(
      headroomBeams(assessed({ parts: { cooler: { heightMm: 170 } } })).find(
        (beam) => beam.label === 'Cooler clearance',
      ),
    ).toMatchObject({ gets: '−5 mm', verdict: 'short' });
  });

  test('a draw with an unknown part is at least so much, and unproven', () => {
    const beam = headroomBeams(assessed({ parts: { card: { boardPowerW: undefined } } })).find(
      (entry) => entry.label === 'Supply, peak',
    );
    expect(beam).toMatchObject({ verdict: 'unproven', need: 'draws at least 178 W' });
  });
});

describe('budget', () => {
  // nine parts of 100.00 and 7.5 % tax: 967.50
  const withBudget = (budgetMinor: number, budgetTaxIncluded = true) =>
    budgetBeam(assessed({ brief: { budgetMinor, budgetTaxIncluded } }));

  test('is compared on its own tax basis', () => {
    expect(withBudget(96_750)).toMatchObject({ verdict: 'carries', gets: '967.50 USD', need: '0.00 USD left' });
    expect(withBudget(96_749)?.verdict).toBe('short');
    expect(withBudget(90_000, false)).toMatchObject({ verdict: 'carries', gets: '900.00 USD' });
  });

  test('is absent without one, and unproven while a price is missing', () => {
    expect(budgetBeam(assessed())).toBeUndefined();
    const lost = budgetBeam(
      assessed({ brief: { budgetMinor: 200_000 }, items: (items) => [...items, { id: 'x', part: 'gone' }] }),
    );
    expect(lost).toMatchObject({ verdict: 'unproven', band: undefined, gets: 'at least 967.50 USD' });
  });

  test('an overspent lower bound is short all the same', () => {
    expect(
      budgetBeam(assessed({ brief: { budgetMinor: 100 }, items: (items) => [...items, { id: 'x', part: 'gone' }] }))
        ?.verdict,
    ).toBe('short');
  });
});

test('the worst task is the one that falls short, then the unproven, then the tightest', () => {
  const tasks = [
    { ...PLAY, id: 'easy', correctionSteps: 0 },
    { ...PLAY, id: 'tight', sources: [{ ...SOURCE, streams: 4 }] },
    DESK,
  ];
  expect(worstTask(assessed({ brief: { tasks, sittings: [] } }))?.task.id).toBe('tight');
  const hopeless = { ...PLAY, id: 'hopeless', sources: [{ ...SOURCE, streams: 40 }] };
  expect(worstTask(assessed({ brief: { tasks: [...tasks, hopeless], sittings: [] } }))?.task.id).toBe('hopeless');
  expect(worstTask(assessed({ brief: { tasks: [], sittings: [] } }))).toBeUndefined();
});

test('findings are counted by level', () => {
  const counts = countByLevel(
    assessed({ parts: { cooler: { heightMm: 170 }, card: { slots: undefined }, psu: { ratedW: 380 } } }).findings,
  );
  expect(counts).toEqual({ blocks: 1, stops: 0, short: 0, unproven: 2, caution: 0, note: 3, passes: 0 });
});

describe('beams of heat and noise', () => {
  const beamsOf = (change: Change = {}) => new Map(headroomBeams(assessed(change)).map((model) => [model.id, model]));

  test('say how many kelvin are to spare, in the warmest sitting', () => {
    const model = beamsOf().get('heat-cpu-1');
    expect(model).toMatchObject({ label: 'Processor heat', verdict: 'carries' });
    const hot = assessed().facts.heat.sittings[0]?.best.state.parts[0];
    expect(model?.band?.likely).toBeCloseTo(95 - (hot?.tempC ?? 0), 9);
    expect(model?.sentence).toMatch(/Test 8 reaches .* of 95 degrees in Both, carries/);
  });

  test('a part that heat holds falls short at its limit; a missing figure that decides it is unproven', () => {
    const hot = { brief: { roomC: 55 }, parts: { card: { resistance: [{ rpm: 2000, kPerW: 0.9 }] } } };
    expect(beamsOf(hot).get('heat-card-1')).toMatchObject({ verdict: 'short', gets: 'held at 90 °C' });
    const unknown = {
      brief: { roomC: 50 },
      parts: { card: { resistance: [{ rpm: 2000, kPerW: 0.9 }], maxTemperatureC: undefined } },
    };
    expect(beamsOf(unknown).get('heat-card-1')).toMatchObject({ verdict: 'unproven', band: undefined });
  });

  test('noise stands against the brief’s limit, and an unknown source never passes', () => {
    expect(beamsOf().has('noise')).toBe(false);
    const limit = { brief: { mustHaves: { noiseDbA: 40 } } };
    const level = assessed().facts.heat.sittings[0]?.noise.dbA ?? 0;
    expect(beamsOf(limit).get('noise')).toMatchObject({ verdict: 'carries' });
    expect(beamsOf(limit).get('noise')?.band?.likely).toBeCloseTo(40 - level, 9);
    expect(beamsOf({ ...limit, parts: { card: { noiseDbA: undefined } } }).get('noise')?.verdict).toBe('unproven');
    expect(beamsOf({ brief: { mustHaves: { noiseDbA: 20 } } }).get('noise')?.verdict).toBe('short');
  });
});
