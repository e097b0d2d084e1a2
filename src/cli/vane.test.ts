import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { readCase } from '@/core/formats/caseFile';
import { readCatalogue } from '@/core/formats/catalogue';

const ROOT = join(import.meta.dirname, '..', '..');
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'vane-cli-'));
});
afterAll(() => rmSync(folder, { recursive: true }));

/** Runs the command as a user does, with a database that does not exist. */
function vane(...args: string[]) {
  const result = spawnSync(process.execPath, [join(ROOT, 'bin', 'vane.mjs'), ...args], {
    encoding: 'utf8',
    cwd: folder,
    env: { ...process.env, VANE_DB: join(folder, 'none.db') },
  });
  return { code: result.status, out: result.stdout, err: result.stderr };
}
const file = (name: string, text: string): string => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};

/** The examples of docs/formats.md, by their name. */
const EXAMPLES = new Map(
  [
    ...readFileSync(join(ROOT, 'docs', 'formats.md'), 'utf8').matchAll(
      /<!-- example: (\w+) -->\n```(?:json|csv)\n([\s\S]*?)```/g,
    ),
  ].map((match) => [match[1] ?? '', match[2] ?? '']),
);
const filmCase = readFileSync(join(ROOT, 'bench', 'film-desk.case.json'), 'utf8');
interface CaseJson {
  machines: { id: string; items: { id: string; part: string }[] }[];
  parts: Record<string, unknown>[];
  offers: Record<string, unknown>[];
}
const changed = (change: (json: CaseJson) => void): string => {
  const json = JSON.parse(filmCase) as CaseJson;
  change(json);
  return JSON.stringify(json);
};

describe('the examples in docs/formats.md', () => {
  test('are read as they stand', () => {
    expect([...EXAMPLES.keys()]).toEqual(['catalogue', 'case', 'table']);
    expect(readCatalogue(EXAMPLES.get('catalogue') ?? '')).toMatchObject({ ok: true });
    expect(readCase(EXAMPLES.get('case') ?? '')).toMatchObject({ ok: true });
  });

  test('the case exits with 1 and says why', () => {
    const { code, out } = vane('assess', file('example.json', EXAMPLES.get('case') ?? ''));
    expect(code).toBe(1);
    expect(out).toContain('Halcyte Tern 4 has socket Dunlin; Tarnholt Ness 1 has Gannet.');
  });
});

describe('vane assess', () => {
  test('prints each machine of a case with findings, tasks and price', () => {
    const { code, out, err } = vane('assess', file('film.json', filmCase));
    expect(err).toBe('');
    expect(code).toBe(1);
    const report = JSON.parse(out) as {
      format: string;
      machines: { machine: string; tasks: { task: string; verdict: string }[]; price: { landedMinor: number } }[];
    };
    expect(report.format).toBe('vane-assessment');
    expect(report.machines.map((machine) => machine.machine)).toEqual(['film-a', 'film-b', 'film-now']);
    expect(report.machines[1]?.tasks.find((task) => task.task === 'cut-uhd')?.verdict).toBe('carries');
    expect(report.machines[0]?.price.landedMinor).toBeGreaterThan(200_000);
  });

  test('exit 0 with cautions and missed targets, 3 when unproven, 1 when something blocks', () => {
    const only = (id: string) => (json: CaseJson) =>
      (json.machines = json.machines.filter((machine) => machine.id === id));
    expect(vane('assess', file('b.json', changed(only('film-b')))).code).toBe(0);
    const unproven = changed((json) => {
      only('film-b')(json);
      json.parts = json.parts.map(({ lengthMm, ...part }) =>
        part['id'] === 'lumoth-drift-16' ? part : { ...part, ...(lengthMm === undefined ? {} : { lengthMm }) },
      );
    });
    expect(vane('assess', file('u.json', unproven)).code).toBe(3);
    expect(vane('assess', file('now.json', changed(only('film-now')))).code).toBe(1);
  });

  test('exit 2 with path and reason for input that is not valid', () => {
    const missing = vane('assess', join(folder, 'nothing.json'));
    expect([missing.code, missing.err]).toEqual([2, `${join(folder, 'nothing.json')}: does not exist\n`]);
    expect(vane('assess', file('junk.json', 'junk')).err).toMatch(/^file: is not JSON/);
    const stray = changed((json) => json.machines[0]?.items.push({ id: 'x', part: 'ghost' }));
    const refused = vane('assess', file('stray.json', stray));
    expect([refused.code, refused.out]).toEqual([2, '']);
    expect(refused.err).toContain('machines[0].items[12].part: refers to part "ghost"');
    const priced = changed((json) => (json.offers[0] = { ...json.offers[0], priceMinor: -1 }));
    expect(vane('assess', file('price.json', priced)).err).toContain('offers[0].priceMinor: must be above 0');
  });
});

describe('vane schema', () => {
  test('prints JSON Schema, and names the schemas it knows when asked for another', () => {
    const { code, out } = vane('schema', 'memory');
    expect(code).toBe(0);
    expect(JSON.parse(out)).toMatchObject({ properties: { rateMTs: { unit: 'MT/s', better: 'higher' } } });
    const unknown = vane('schema', 'toaster');
    expect(unknown.code).toBe(2);
    expect(unknown.err).toContain('case-file, catalogue');
  });
});

test('without a command, or with one that is not there, the use is told', () => {
  expect(vane().code).toBe(2);
  expect(vane('--help')).toMatchObject({ code: 0, out: expect.stringContaining('vane assess CASE.json') as unknown });
  expect(vane('fly').err).toContain('there is no command "fly"');
});

describe('check, import and export', () => {
  const database = () => join(folder, 'own.db');
  const run = (...args: string[]) => {
    const result = spawnSync(process.execPath, [join(ROOT, 'bin', 'vane.mjs'), ...args], {
      encoding: 'utf8',
      cwd: folder,
      env: { ...process.env, VANE_DB: database() },
    });
    return { code: result.status, out: result.stdout, err: result.stderr };
  };

  test('the catalogue and the table of the docs are checked, taken, taken again, and come out', () => {
    const catalogue = file('catalogue.json', EXAMPLES.get('catalogue') ?? '');
    expect(run('check', catalogue)).toMatchObject({
      code: 0,
      out: expect.stringContaining('would be taken; regions: 1 added') as unknown,
    });
    expect(run('import', catalogue).code).toBe(0);
    const table = file('table.csv', EXAMPLES.get('table') ?? '');
    expect(run('import', table)).toMatchObject({
      code: 0,
      // one of the two drives is known from the catalogue and is added to
      out: expect.stringContaining('parts: 1 added, 1 changed, 0 left as they are') as unknown,
    });
    expect(run('import', table).out).toContain('parts: 0 added, 0 changed, 2 left as they are');
    const csv = run('export', 'drive');
    expect(csv.out.split('\r\n')[0]).toContain('capacityGB');
    expect(csv.out).toContain('fenstore-weir-4-tb,Fenstore,Weir 4 TB');
    const saved = join(folder, 'all.zip');
    expect(run('export', 'archive', '--to', saved)).toMatchObject({ code: 0 });
    expect(run('check', saved).out).toContain('parts: 0 added, 0 changed, 2 left as they are');
  });

  test('what is wrong is named with file and place, and exits with 2', () => {
    const bad = file('bad.csv', 'maker,name,seqReadMBs\nF,A,fast\nF,B,7000\n');
    const result = run('import', '--kind', 'drive', bad);
    expect(result.code).toBe(2);
    expect(result.err).toContain('row 2, seqReadMBs: "fast" is not a number');
    expect(result.err).toContain('1 problem; nothing of it was taken');
    expect(run('export', 'drive').out).not.toContain('f-b');
    expect(run('check')).toMatchObject({ code: 2, err: expect.stringContaining('name the files to check') as unknown });
    expect(run('check', join(folder, 'nowhere.csv'))).toMatchObject({ code: 2 });
    expect(run('check', '--kind', 'toaster', bad).err).toContain('"toaster" is no kind of table');
    expect(run('check', '--colour', 'red', bad).err).toContain('is not an option');
    expect(run('export', 'nonsense')).toMatchObject({ code: 2 });
    expect(run('export', 'bom', '--seat', 'none', '--draft', 'none')).toMatchObject({ code: 2 });
  });

  test('columns are mapped from the command line, and what is left out is said', () => {
    const table = file('own.csv', 'Ware;Lesen;Regal\nWeir 9;7,1;A3\n');
    const without = run('check', '--kind', 'drive', '--all', 'maker=Fenstore', table);
    expect(without.err).toContain('column "Lesen" is left out');
    const mapped = [
      '--kind',
      'drive',
      '--all',
      'maker=Fenstore',
      '--map',
      'Ware=name',
      '--map',
      'Lesen=seqReadMBs[GB/s]',
    ];
    expect(run('import', ...mapped, table)).toMatchObject({
      code: 0,
      err: 'own.csv: column "Regal" is left out; --map "Regal=field" takes it\n',
    });
    expect(run('export', 'drive').out).toMatch(/fenstore-weir-9,.*7100/);
    expect(run('check', '--kind', 'drive', '--map', 'Lesen=seqReadMBs[W]', table).err).toContain(
      'W does not measure sequential read',
    );
    expect(run('check', '--kind', 'drive', '--map', 'Nichts=name', table).err).toContain(
      'names no heading of the file',
    );
  });
});

describe('prices on the command line', () => {
  test('a table of prices by day is taken whole, or refused row by row', () => {
    vane('import', file('example-catalogue.json', EXAMPLES.get('catalogue') ?? ''));
    const good = vane('prices', file('days.csv', 'offer,date,price\nweir-1,2026-05-01,151.00\nweir-1,2026-05-02,\n'));
    expect([good.code, good.out.trim().split(': ')[1]]).toEqual([0, '2 prices taken']);
    const bad = vane('prices', file('bad.csv', 'offer,date,price\nweir-1,2026-05-01,free\n'));
    expect(bad.code).toBe(2);
    expect(bad.err).toContain('row 2, price');
    expect(bad.err).toContain('"free" is no amount above 0 in USD');
    expect(vane('prices').code).toBe(2);
  });

  test('without a source a refresh says so', () => {
    const { code, out } = vane('refresh');
    expect([code, out.trim()]).toEqual([0, 'no price source is set up']);
  });
});

describe('backup and restore', () => {
  /** The command with a database of its own. */
  const withDatabase = (db: string, ...args: string[]) => {
    const result = spawnSync(process.execPath, [join(ROOT, 'bin', 'vane.mjs'), ...args], {
      encoding: 'utf8',
      cwd: folder,
      env: { ...process.env, VANE_DB: db },
    });
    return { code: result.status, out: result.stdout, err: result.stderr };
  };

  test('what was backed up comes back, also after more was imported, and what was there is kept', () => {
    const db = join(folder, 'kept.db');
    const kept = join(folder, 'kept.backup');
    expect(withDatabase(db, 'backup', kept)).toMatchObject({
      code: 2,
      err: expect.stringContaining('does not exist') as string,
    });
    const film = file('film.case.json', filmCase);
    expect(withDatabase(db, 'import', film).code).toBe(0);
    expect(withDatabase(db, 'backup', kept).out).toContain('1 seats');
    expect(withDatabase(db, 'import', film).code).toBe(0);
    expect(withDatabase(db, 'restore', kept, '--try', 'yes').out).toContain('comes back whole: 1 seat,');
    const restored = withDatabase(db, 'restore', kept);
    expect(restored).toMatchObject({ code: 0 });
    expect(restored.out).toMatch(/is back: 1 projects, 1 seats/);
    const before = /lies in (\S+)/.exec(restored.out)?.[1] ?? '';
    expect(withDatabase(before, 'backup', join(folder, 'before.backup')).out).toContain('2 seats');
  }, 60_000);

  test('what is no backup is refused with its reason', () => {
    expect(withDatabase(join(folder, 'none.db'), 'restore', file('letter', 'dear')).err).toMatch(
      /is no database|damaged/,
    );
    expect(withDatabase(join(folder, 'none.db'), 'restore').err).toContain('name the file of the backup');
  });
});

describe('vane find', () => {
  const film = () => file('find.json', filmCase);

  test('stops after so many nodes with 3, saying how far it is', () => {
    const { code, out } = vane('find', 'frontier', film(), '--nodes', '5', '--json');
    expect(code).toBe(3);
    expect(JSON.parse(out)).toMatchObject({
      format: 'vane-found',
      asked: 'frontier',
      state: 'stopped',
      effort: { nodes: 5 },
    });
  });

  test('what demands cost: stopped it tells what it has, and where nothing is possible why', () => {
    const { code, out } = vane('find', 'demands', film(), '--nodes', '5', '--json');
    expect(code).toBe(3);
    expect(JSON.parse(out)).toMatchObject({ format: 'vane-demands', state: 'stopped', effort: { nodes: 5 } });
    const none = vane('find', 'demands', file('small.json', EXAMPLES.get('case') ?? ''));
    expect(none.code).toBe(1);
    expect(none.out).toContain('No machine is possible.');
  });

  test('how sure a choice is, and one machine or two: stopped they tell what they have', () => {
    for (const asked of ['stability', 'two']) {
      const { code, out } = vane('find', asked, film(), '--nodes', '5', '--json');
      expect(code).toBe(3);
      expect(JSON.parse(out)).toMatchObject({ format: `vane-${asked}`, state: 'stopped', effort: { nodes: 5 } });
      const none = vane('find', asked, file('small.json', EXAMPLES.get('case') ?? ''));
      expect(none.code).toBe(1);
    }
  });

  test('a machine is mended: stopped it tells what it has, and one that is not there is named', () => {
    const { code, out } = vane('find', 'repair', film(), '--machine', 'film-a', '--nodes', '5', '--json');
    expect(code).toBe(3);
    expect(JSON.parse(out)).toMatchObject({ format: 'vane-repair', state: 'stopped', sound: false });
    const unheard = vane('find', 'repair', film(), '--machine', 'nobody');
    expect(unheard.code).toBe(2);
    expect(unheard.out + unheard.err).toContain('"nobody" is not in the case');
  });

  test('steps from a machine: stopped it tells what it has; one that is refused is to be mended first', () => {
    const { code, out } = vane('find', 'steps', film(), '--machine', 'film-b', '--nodes', '5', '--json');
    expect(code).toBe(3);
    expect(JSON.parse(out)).toMatchObject({ format: 'vane-steps', state: 'stopped', within: 0, up: [] });
    const refused = vane('find', 'steps', film(), '--machine', 'film-a');
    expect(refused.code).toBe(1);
    expect(refused.out).toContain('mend it first, with vane find repair');
  });

  test('one budget over several cases: stopped, too many weights, and no budget at all', () => {
    const { code, out } = vane('find', 'team', film(), film(), '--nodes', '5', '--json');
    expect(code).toBe(3);
    expect(JSON.parse(out)).toMatchObject({ format: 'vane-team', state: 'stopped', kind: 'without machines' });
    // both have a machine, and nothing says yet that no cheaper one does the work
    const poor = ['find', 'team', film(), film(), '--budget', '1000'];
    const early = [...poor, '--nodes', '36'];
    expect(JSON.parse(vane(...early, '--json').out)).toMatchObject({ kind: 'too little', leastProven: false });
    expect(vane(...early).out).toMatch(/^The machines found so far cost [\d,.]+ USD together, more than 1,000\.00 USD/);
    expect(vane(...poor).out).toMatch(/^1,000\.00 USD do not buy every seat .* the least that does is [\d,.]+ USD/);
    const weights = vane('find', 'team', film(), film(), '--weights', '1,2,3');
    expect(weights.code).toBe(2);
    expect(weights.out + weights.err).toContain('has 3 values for 2 cases');
    const floor = vane('find', 'team', film(), '--floors', 'much');
    expect(floor.code).toBe(2);
    expect(floor.out + floor.err).toContain('"much" is no amount in USD');
  });

  test('a team buys in one market, and keeps spares that stand in for all', () => {
    const desk = (without: readonly string[]): string =>
      changed((json) => {
        const { brief } = json as unknown as { brief: { tasks: { id: string }[]; sittings: { tasks: string[] }[] } };
        brief.tasks = brief.tasks.filter(({ id }) => id === 'desk');
        brief.sittings = brief.sittings.slice(0, 1);
        for (const sitting of brief.sittings) sitting.tasks = ['desk'];
        json.machines = json.machines.filter(({ id }) => id === 'film-b');
        json.parts = json.parts.filter(({ id }) => !without.includes(String(id)));
        json.offers = json.offers.filter(({ part }) => !without.includes(String(part)));
      });
    // the second names one supply only: the first one's stands in at both desks all the same
    const cases = [file('a.json', desk([])), file('b.json', desk(['voltarn-hearth-600', 'voltarn-hearth-700']))];
    const { code, out } = vane('find', 'team', ...cases, '--budget', '9000', '--json');
    expect(code).toBe(0);
    const { spares, seats } = JSON.parse(out) as {
      seats: { id: string; priceMinor: number }[];
      spares: { kind: string; spares: { standsFor: { seat: string }[] }[]; without: unknown[] }[];
    };
    expect(seats[0]?.priceMinor).toBe(seats[1]?.priceMinor);
    const supply = spares.find(({ kind }) => kind === 'supply');
    expect(supply?.spares.map(({ standsFor }) => standsFor.map(({ seat }) => seat))).toEqual([['case-1', 'case-2']]);
    expect(spares.every(({ without }) => without.length === 0)).toBe(true);
    expect(vane('find', 'team', ...cases, '--budget', '9000').out).toMatch(
      /\d spares for [\d,.]+ USD stand in for \d+ pieces/,
    );
  });

  test('completes a draft around what it has', () => {
    const nearly = changed((json) => {
      const { brief } = json as unknown as { brief: { tasks: { id: string }[]; sittings: { tasks: string[] }[] } };
      brief.tasks = brief.tasks.filter(({ id }) => id !== 'offload');
      for (const sitting of brief.sittings) sitting.tasks = sitting.tasks.filter((id) => id !== 'offload');
    });
    const { code, out } = vane('find', 'complete', file('nearly.json', nearly), '--machine', 'film-b');
    expect(out).toMatch(/^[\d,.]+ USD {2}All 5 tasks run, at \d+ % of what is asked on average/);
    expect(code).toBe(0);
  });

  test('says with 1 what stands in the way where nothing is possible', () => {
    const { code, out } = vane('find', 'cheapest', file('small.json', EXAMPLES.get('case') ?? ''));
    expect(code).toBe(1);
    expect(out).toContain('No machine is possible. Nothing that is sold here will do for');
  });

  test('finds machines as case files that are read again', () => {
    const { code, out } = vane('find', 'match', film(), '--machine', 'film-now', '--figures', 'memory', '--json');
    expect(code).toBe(0);
    const { state, gap, machines } = JSON.parse(out) as {
      state: string;
      gap: number;
      machines: { case: unknown; priceMinor: number }[];
    };
    expect({ state, gap }).toEqual({ state: 'proven', gap: 0 });
    const [machine] = machines;
    expect(machine?.priceMinor).toBeGreaterThan(0);
    const known = new Set((JSON.parse(filmCase) as CaseJson).parts.map((part) => String(part['id'])));
    expect(readCase(JSON.stringify(machine?.case), known)).toMatchObject({ ok: true });
  });

  test('leaves out what is not wanted, which never makes it cheaper', () => {
    type Found = { machines: { priceMinor: number; case: { machines: { items: { part: string }[] }[] } }[] };
    const matched = (...limits: string[]) => {
      const args = ['find', 'match', film(), '--machine', 'film-now', '--figures', 'memory', '--json', ...limits];
      const { code, out } = vane(...args);
      const [machine] = (JSON.parse(out) as Found).machines;
      // 1 where nothing else of the kind will do
      expect(code).toBe(machine ? 0 : 1);
      return (
        machine && {
          priceMinor: machine.priceMinor,
          parts: machine.case.machines.flatMap(({ items }) => items.map(({ part }) => part)),
        }
      );
    };
    const free = matched();
    if (!free) throw new Error('the machine itself is one that matches');
    const [kept = '', ...others] = free.parts;
    for (const unwanted of others.reverse()) {
      const without = matched('--without', unwanted, '--keep', kept);
      if (!without) continue;
      expect(without.parts).not.toContain(unwanted);
      expect(without.parts).toContain(kept);
      expect(without.priceMinor).toBeGreaterThanOrEqual(free.priceMinor);
      return;
    }
    throw new Error('nothing that was found can be left out');
  });

  test('looks for drives that last where it is asked to', () => {
    const { brief, ...rest } = JSON.parse(filmCase) as { brief: object };
    const growing = file('growing.json', JSON.stringify({ ...rest, brief: { ...brief, growthPercent: 90 } }));
    const least = (...limits: string[]) => {
      const args = ['find', 'match', growing, '--machine', 'film-now', '--figures', 'memory', '--json', ...limits];
      const { code, out } = vane(...args);
      expect(code).toBe(0);
      return (JSON.parse(out) as { machines: { priceMinor: number }[] }).machines[0]?.priceMinor ?? NaN;
    };
    expect(least('--lasting')).toBeGreaterThan(least());
  });

  test('says of bad input what, where and the mend, with 2', () => {
    const nothing = changed((json) =>
      Object.assign((json as unknown as { brief: object }).brief, { tasks: [], sittings: [], budgetMinor: undefined }),
    );
    for (const [args, says] of [
      [
        ['find', 'dearest', film()],
        'dearest: is not what can be found; it is one of cheapest, best, frontier, match, complete',
      ],
      [['find', 'cheapest'], 'CASE.json: is missing; name a case file'],
      [['find', 'cheapest', join(folder, 'gone.json')], 'does not exist'],
      [['find', 'cheapest', film(), '--nodes', 'many'], '--nodes: is a whole number above 0'],
      [['find', 'cheapest', film(), '--at', 'best'], '--at: is one of likely, low'],
      [['find', 'best', film(), '--budget', 'much'], '--budget: "much" is no amount in USD'],
      [
        ['find', 'match', film(), '--machine', 'none'],
        '--machine: "none" is not in the case; there are film-a, film-b, film-now',
      ],
      [
        ['find', 'match', film(), '--figures', 'weight'],
        '--figures: "weight" is none; there are tasks, memory, graphics, storage',
      ],
      [['find', 'cheapest', film(), '--without', 'nothing-such'], '--without: "nothing-such" is no part'],
      [['find', 'cheapest', film(), '--keep', 'nothing-such'], '--keep: "nothing-such" is no part'],
      [['find', 'cheapest', film(), '--no-maker', 'Nobody'], '--no-maker: "Nobody" makes nothing in the catalogue'],
      [['find', 'cheapest', film(), '--most', 'cables=3'], '--most: "cables" is no share of the money; there are'],
      [['find', 'cheapest', film(), '--most', 'graphics=much'], 'is no amount in USD, such as graphics=500.00'],
      [['find', 'cheapest', film(), '--fast'], '--fast: is no option'],
      [['find', 'cheapest', file('nothing.json', nothing)], 'nothing says what to look for; add a task or --budget'],
    ] as const) {
      const { code, err } = vane(...args);
      expect(err, args.join(' ')).toContain(says);
      expect(code, args.join(' ')).toBe(2);
    }
  });
});
