import { describe, expect, test } from 'vitest';
import { briefOf, dataOf, EXPORT, machineOf, PARTS, PLAY, REGION } from '../tests/world';
import { assess, contextOf } from '../assess';
import { compileCatalogue } from '../model/catalogue';
import { nothingKnown, readCatalogue, emptyCatalogue } from './catalogue';
import { caseCatalogue, readCase, writeCase } from './caseFile';
import { parseText, pathText } from './problems';
import { exitCodeOf } from './report';
import { schemaNames, schemaOf } from './schemas';
import { partSchema, type Part } from '../parts';

const file = (over: Record<string, unknown> = {}) => {
  const { applications, parts, offers, regions, sellers, rivals } = dataOf();
  return {
    format: 'vane-catalogue',
    version: 1,
    name: 'Test',
    regions,
    sellers,
    applications,
    parts,
    offers,
    rivals,
    ...over,
  };
};
const read = (over: Record<string, unknown> = {}) => readCatalogue(JSON.stringify(file(over)));
const problems = (over: Record<string, unknown>): string[] => {
  const parsed = read(over);
  return parsed.ok ? [] : parsed.problems.map((problem) => `${problem.path}: ${problem.message}`);
};
const patched = (id: string, patch: Record<string, unknown>) =>
  PARTS.map((part) => (part['id'] === id ? { ...part, ...patch } : part));

describe('a catalogue file', () => {
  test('that is sound is read whole', () => {
    const parsed = read();
    expect(parsed.ok && parsed.value.parts.length).toBe(PARTS.length);
  });

  test('that is not JSON, of another format or version says so in one sentence', () => {
    const broken = readCatalogue('{ "format": "vane-catalogue", ');
    expect(broken).toMatchObject({
      ok: false,
      problems: [{ path: 'file', message: expect.stringMatching(/^is not JSON/) as unknown }],
    });
    expect(problems({ version: 2 })).toEqual(['version: is 2; this release reads version 1']);
    expect(problems({ format: 'something' })[0]).toBe('format: is not "vane-catalogue": this is not a catalogue file');
  });

  test('names each problem by its path', () => {
    expect(problems({ offers: [{ ...dataOf().offers[0], priceMinor: -1 }] })).toEqual([
      'offers[0].priceMinor: must be above 0: an unknown price is left out, not 0',
    ]);
    expect(problems({ parts: patched('card', { lengthMm: -3 }) })).toEqual(['parts[3].lengthMm: must be above 0']);
    expect(problems({ parts: patched('card', { lenghtMm: 3 }) })).toEqual([
      'parts[3]: has the unknown field "lenghtMm"; check the spelling or leave it out',
    ]);
    expect(problems({ parts: patched('card', { name: '<b>Gale</b>' }) })).toEqual([
      'parts[3].name: holds markup or control characters; write it as plain text',
    ]);
    expect(problems({ parts: patched('card', { name: undefined }) })[0]).toMatch(
      /^parts\[3\]\.name: .*(missing|string)/,
    );
    expect(problems({ parts: patched('psu', { tier: 'brass' }) })[0]).toMatch(
      /^parts\[6\]\.tier: must be one of "white"/,
    );
    expect(problems({ parts: patched('card', { kind: 'toaster' }) })[0]).toMatch(
      /^parts\[3\]\.kind: "toaster" is no kind of part; there are processor, board/,
    );
    expect(problems({ parts: patched('card', { gtin: '2000000000009' }) })).toEqual([
      'parts[3].gtin: is not a GTIN: its check digit does not match',
    ]);
  });

  test('with ids used twice or referring to nothing is refused', () => {
    const [first] = PARTS;
    expect(problems({ parts: [...PARTS, first] })).toEqual([
      'parts[10].id: "cpu" is used already by parts[0]; ids must differ',
    ]);
    expect(problems({ offers: [{ ...dataOf().offers[0], part: 'ghost' }] })).toEqual([
      'offers[0].part: refers to part "ghost", which is neither in this file nor in the catalogue',
    ]);
    const known = { ...nothingKnown, parts: new Set(['ghost']) };
    expect(readCatalogue(JSON.stringify(file({ offers: [{ ...dataOf().offers[0], part: 'ghost' }] })), known).ok).toBe(
      true,
    );
  });

  test('with a topology that loops, or a mode that adds lanes, is refused with the place', () => {
    const board = PARTS.find((part) => part['id'] === 'board') as { topology: { hubs: object[] } };
    const loop = { ...board.topology, hubs: [{ id: 'hub', label: 'Hub', on: 'hub', generation: 4, lanes: 4 }] };
    expect(problems({ parts: patched('board', { topology: loop }) })).toEqual([
      'parts[1].topology.hubs[0].on: hub "hub" hangs on itself through "hub"; a topology is a tree',
    ]);
  });

  test('of fifty megabytes of junk is refused without being parsed', () => {
    const parsed = readCatalogue('x'.repeat(50_000_000));
    expect(parsed).toEqual({
      ok: false,
      problems: [{ path: 'file', message: 'has 50 million characters; files of up to 40 million are read' }],
    });
  });

  test('lists a great many problems, but not endlessly', () => {
    const bad = Array.from({ length: 1000 }, (_, i) => ({ ...dataOf().offers[0], id: `o${i}`, priceMinor: 0 }));
    expect(problems({ offers: bad })).toHaveLength(200);
  });
});

const caseText = (over: Record<string, unknown> = {}): string =>
  JSON.stringify({
    format: 'vane-case',
    version: 1,
    name: 'Case',
    today: '2026-05-18',
    region: REGION,
    brief: briefOf(),
    machines: [machineOf()],
    parts: PARTS,
    offers: dataOf().offers,
    sellers: dataOf().sellers,
    ...over,
  });
const caseProblems = (over: Record<string, unknown>): string[] => {
  const parsed = readCase(caseText(over));
  return parsed.ok ? [] : parsed.problems.map((problem) => `${problem.path}: ${problem.message}`);
};

describe('a case file', () => {
  test('with its parts inline needs no catalogue', () => {
    const parsed = readCase(caseText());
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
    const context = contextOf(compileCatalogue(caseCatalogue(parsed.value, emptyCatalogue)), parsed.value.today);
    const assessment = assess(parsed.value.machines[0] ?? machineOf(), parsed.value.brief, context);
    expect(assessment.findings.filter((finding) => finding.level !== 'note')).toEqual([]);
    expect(exitCodeOf([assessment])).toBe(0);
  });

  test('refers only to what exists, once', () => {
    const stray = { ...machineOf(), items: [...machineOf().items, { id: 'x', part: 'ghost' }] };
    expect(caseProblems({ machines: [stray] })).toEqual([
      'machines[0].items[9].part: refers to part "ghost", which is neither in this file nor in the catalogue',
    ]);
    expect(readCase(caseText({ machines: [stray] }), new Set(['ghost'])).ok).toBe(true);
    expect(caseProblems({ machines: [machineOf(), machineOf()] })).toEqual([
      'machines[1].id: "machine" is used twice; ids must differ',
    ]);
    expect(caseProblems({ parts: [...PARTS, PARTS[0]] })).toEqual([
      'parts[10].id: "cpu" is used twice; ids must differ',
    ]);
    expect(caseProblems({ brief: { ...briefOf(), region: 'elsewhere' } })).toEqual([
      'brief.region: is "elsewhere" but the file\'s region is "here"',
    ]);
  });

  test('with a sitting that names no task, or a pin on no item, is refused', () => {
    expect(
      caseProblems({
        brief: { ...briefOf(), sittings: [{ id: 's', name: 'S', hoursPerWeek: 1, tasks: ['nothing'] }] },
      }),
    ).toEqual(['brief.sittings[0].tasks[0]: names task "nothing", which this brief lacks']);
    expect(caseProblems({ machines: [{ ...machineOf(), pins: { ghost: 'm2-1' } }] })).toEqual([
      'machines[0].pins.ghost: pins "ghost", which is not an item of this machine',
    ]);
    expect(caseProblems({ machines: [] })[0]).toMatch(/^machines: needs at least 1/);
  });

  test('written from a catalogue reads back the same', () => {
    const data = dataOf();
    const stranger = { ...data.parts.find((part) => part.id === 'card')!, id: 'stranger' } as Part;
    const world = compileCatalogue({ ...data, parts: [...data.parts, stranger] });
    const written = writeCase('Back', '2026-05-18', briefOf(), [machineOf()], world);
    const parsed = readCase(JSON.stringify(written));
    expect(parsed).toEqual({ ok: true, value: written });
    const ids = written.parts?.map((part) => part.id as string);
    // the display on the desk asks for something too
    expect(ids).toContain('screen');
    expect(ids).not.toContain('stranger');
  });

  test('exit codes: 1 before 3, missed targets count for nothing', () => {
    const context = contextOf(compileCatalogue(dataOf()), '2026-05-18');
    const fine = assess(machineOf(), briefOf(), context);
    const slow = assess(
      machineOf(),
      briefOf({ brief: { tasks: [{ ...EXPORT, targetMin: 0.1 }], sittings: [] } }),
      context,
    );
    const gone = assess(
      { ...machineOf(), items: [...machineOf().items, { id: 'x', part: 'ghost' as never }] },
      briefOf(),
      context,
    );
    const bare = assess(
      { ...machineOf(), items: machineOf().items.slice(0, 2) },
      briefOf({ brief: { tasks: [PLAY], sittings: [] } }),
      context,
    );
    expect(slow.tasks[0]?.verdict).toBe('short');
    expect([
      exitCodeOf([fine]),
      exitCodeOf([slow]),
      exitCodeOf([gone]),
      exitCodeOf([bare]),
      exitCodeOf([gone, bare, fine]),
    ]).toEqual([0, 0, 3, 1, 1]);
  });
});

describe('schemas', () => {
  test('are JSON Schema with units and labels, for every name', () => {
    for (const name of schemaNames())
      expect(schemaOf(name), name).toMatchObject({ $schema: 'https://json-schema.org/draft/2020-12/schema' });
    expect(schemaOf('graphics')).toMatchObject({
      properties: { lengthMm: { label: 'length', unit: 'mm', better: 'lower', minimum: 0.01, maximum: 10_000 } },
    });
    expect(schemaOf('constructor')).toBeUndefined();
  });
});

test('paths are written as people do', () => {
  expect(pathText(['parts', 3, 'name'])).toBe('parts[3].name');
  expect(pathText([])).toBe('file');
  expect(parseText('[1', partSchema).ok).toBe(false);
});
