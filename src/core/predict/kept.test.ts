import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { taskKinds } from '../model/tasks';
import { taskOf } from '../tests/studio';
import { assessed, plus, without, type Change } from '../tests/world';
import { keptOf, leftOn, timesOver } from './kept';

const GB = 1e9;
/** Work that keeps so many GB on a role's drives: an ingest that fills nothing else. */
const keeps = (id: string, to: string, gb: number, copyTo?: string) => ({
  kind: 'ingest',
  id,
  name: id,
  importance: 1,
  from: 'memory',
  to,
  ...(copyTo ? { copyTo } : {}),
  streams: 1,
  gbitPerS: 0.1,
  hours: 1,
  checksum: 'none',
  keepTB: gb / 1000,
});
const each = (...tasks: { readonly id: string }[]): Change => ({
  brief: { tasks, sittings: tasks.map(({ id }) => ({ id: `only-${id}`, name: id, hoursPerWeek: 1, tasks: [id] })) },
});
const roles = (...of: string[]): Change => ({
  items: (items) =>
    items.flatMap((item) =>
      item['id'] === 'ssd-1' ? [{ ...item, roles: of }] : item['id'] === 'disk-1' ? [] : [item],
    ),
});
const room = (change: Change, role: string) => {
  const { facts } = assessed(change);
  const found = keptOf(facts.parts, facts.kept).find((entry) => entry.role === role);
  return (
    found && { needs: found.needs.value / GB, has: found.has && found.has.value / GB, others: found.othersBytes / GB }
  );
};
const spaces = (change: Change) =>
  assessed(change).checks.flatMap((finding) => (finding.code === 'space' ? [`${finding.role} ${finding.level}`] : []));

const bytesOf = (change: Change) => [...assessed(change).facts.kept].map(([role, { value }]) => [role, value]);

describe('what stays on drives', () => {
  test.each(taskKinds.map((schema) => schema.shape.kind.value))('of %s is decided by no drive', (kind) => {
    const change = each(taskOf(kind));
    const kept = bytesOf(change);
    expect(bytesOf({ ...change, ...roles('system', 'active', 'archive', 'scratch', 'backup') })).toEqual(kept);
    expect(bytesOf({ ...change, items: without('ssd-1', 'disk-1') })).toEqual(kept);
    const others = { capacityGB: 100, seqReadMBs: 90, seqWriteMBs: 80, sustainedWriteMBs: 70, form: '2.5"' };
    expect(bytesOf({ ...change, parts: { ssd: others } })).toEqual(kept);
  });

  test('a task in two sittings keeps what it keeps once, and in two places twice', () => {
    const shoot = keeps('shoot', 'active', 600, 'archive');
    const sitting = (id: string) => ({ id, name: id, hoursPerWeek: 1, tasks: ['shoot'] });
    expect(bytesOf({ brief: { tasks: [shoot], sittings: [sitting('one'), sitting('two')] } })).toEqual([
      ['active', 600 * GB],
      ['archive', 600 * GB],
    ]);
  });

  test('a drive of several roles has its room once: of 1,000 GB that keep 600 for one, 400 are left', () => {
    const work = each(keeps('shoot', 'active', 600), keeps('old', 'archive', 500));
    const one = { ...work, ...roles('system', 'active', 'archive') };
    // 64 GB are the system's
    expect(room(one, 'active')).toEqual({ needs: 600, has: 436, others: 564 });
    expect(room(one, 'archive')).toEqual({ needs: 500, has: 336, others: 664 });
    expect(room({ ...work, ...roles('active', 'archive') }, 'archive')).toEqual({ needs: 500, has: 400, others: 600 });
    expect(spaces(one)).toEqual(['active blocks', 'archive blocks']);
    // the disk of 8,000 GB takes the archive
    expect(room(work, 'archive')).toEqual({ needs: 500, has: 8000, others: 0 });
    expect(spaces(work)).toEqual(['active passes', 'archive passes']);
    // what just fits passes
    const fits = {
      ...each(keeps('shoot', 'active', 600), keeps('old', 'archive', 400)),
      ...roles('active', 'archive'),
    };
    expect(spaces(fits)).toEqual(['active passes', 'archive passes']);
  });

  test('a role without a drive of its own lies with the work', () => {
    const work = each(keeps('shoot', 'active', 600), keeps('old', 'archive', 500));
    expect(spaces({ ...work, ...roles('system', 'active') })).toEqual(['active blocks', 'archive blocks']);
  });

  test('what one task keeps stays while another is worked on', () => {
    const apart = each(keeps('first', 'active', 600), keeps('second', 'active', 500));
    expect(room(apart, 'active')).toEqual({ needs: 1100, has: 936, others: 64 });
    expect(spaces(apart)).toEqual(['active blocks']);
    // once, in however many sittings
    const sittings = ['a', 'b'].map((id) => ({ id, name: id, hoursPerWeek: 1, tasks: ['first'] }));
    const twice: Change = { brief: { tasks: [keeps('first', 'active', 600)], sittings } };
    expect(room(twice, 'active')).toEqual({ needs: 600, has: 936, others: 64 });
  });

  test('what is scratched is there for its sitting only: the larger of two', () => {
    const apart = { ...each(keeps('first', 'scratch', 600), keeps('second', 'scratch', 500)) };
    expect(room(apart, 'scratch')).toEqual({ needs: 600, has: 936, others: 64 });
  });

  test('two drives of one role share what it keeps, and leave room for another', () => {
    const second = plus({ id: 'ssd-2', part: 'ssd', roles: ['active'] });
    const work = each(keeps('shoot', 'active', 1500), keeps('old', 'archive', 400));
    // the first also keeps the archive: 2,000 GB together
    const both: Change = { ...work, items: (items) => second(roles('active', 'archive').items?.(items) ?? []) };
    expect(room(both, 'active')).toEqual({ needs: 1500, has: 1600, others: 400 });
    expect(room(both, 'archive')).toEqual({ needs: 400, has: 500, others: 500 });
    expect(spaces(both)).toEqual(['active passes', 'archive passes']);
  });

  test('an unknown capacity matters only where it decides', () => {
    const vague: Change = { parts: { ssd: { capacityGB: undefined } } };
    const { findings } = assessed({ ...each(keeps('shoot', 'active', 600)), ...vague });
    expect(findings.filter(({ rule }) => rule === 'drive-space')).toMatchObject([
      { level: 'unproven', missing: [{ item: 'ssd-1', field: 'capacityGB' }] },
    ]);
    // a known one beside it is enough by itself
    const beside: Change = {
      ...each(keeps('shoot', 'active', 600)),
      ...vague,
      items: (items) => items.map((item) => (item['id'] === 'disk-1' ? { ...item, roles: ['active'] } : item)),
    };
    expect(spaces(beside)).toEqual(['active passes']);
    // no drive at all is for another rule to say
    expect(room({ ...each(keeps('shoot', 'active', 600)), items: without('ssd-1', 'disk-1') }, 'active')).toEqual({
      needs: 600,
      has: undefined,
      others: 0,
    });
  });

  test('a drive that is full of work has no room for the system', () => {
    expect(spaces({ ...each(keeps('shoot', 'active', 936)), ...roles('system', 'active') })).toEqual(['active passes']);
    expect(spaces({ ...each(keeps('shoot', 'active', 937)), ...roles('system', 'active') })).toEqual(['active blocks']);
    expect(spaces({ ...each(keeps('shoot', 'active', 937)), ...roles('active') })).toEqual(['active passes']);
  });

  test('what grows fills a drive within the years of service', () => {
    const growing = (growthPercent: number, yearsOfService: number) => {
      const { brief } = each(keeps('shoot', 'active', 600));
      const checks = assessed({
        ...roles('system', 'active'),
        brief: { ...brief, growthPercent, yearsOfService },
      }).checks;
      return checks.find(({ code }) => code === 'space');
    };
    // 936 GB ÷ 600 = 1.56: ln 1.56 ÷ ln 1.2 = 2.44 years
    expect(growing(20, 2)).toMatchObject({ level: 'passes', lastsYears: undefined });
    const full = growing(20, 4);
    expect(full).toMatchObject({ level: 'caution', needsYears: 4 });
    expect(full?.code === 'space' && full.lastsYears).toBeCloseTo(Math.log(1.56) / Math.log(1.2), 9);
    expect(growing(0, 20)).toMatchObject({ level: 'passes', lastsYears: undefined });
  });

  test('two roles of a drive grow together: 600 and 300 GB fill 1,800 at twice as much', () => {
    const [drive] = assessed().facts.parts.ofKind('drive');
    if (!drive) throw new Error('this world has a drive');
    const drives = [{ ...drive, part: { ...drive.part, capacityGB: 1864 } }];
    const [system, active, archive] = [64, 600, 300].map((gb) => ({ drives, bytes: gb * GB }));
    if (!system || !active || !archive) throw new Error('there are three');
    expect(timesOver(active, [archive], [system])).toBeCloseTo(2, 12);
    expect(timesOver(active, [archive], [])).toBeCloseTo(1864 / 900, 12);
    // a role that is elsewhere takes nothing from it
    const elsewhere = [{ ...drive, item: { ...drive.item, id: 'other' } }];
    expect(timesOver(active, [{ drives: elsewhere, bytes: 300 * GB }], [system])).toBeCloseTo(1800 / 600, 12);
  });

  test('a second copy finds no room where a cache lies', () => {
    const copies = (drive: number, scratch: number) => {
      const change: Change = {
        ...each(keeps('shoot', 'active', 600), ...(scratch > 0 ? [keeps('cache', 'scratch', scratch)] : [])),
        parts: { disk: { capacityGB: drive } },
        items: (items) =>
          items.map((item) =>
            item['id'] === 'disk-1'
              ? { ...item, roles: ['backup', 'scratch'] }
              : { ...item, ...(item['id'] === 'ssd-1' ? { roles: ['system', 'active'] } : {}) },
          ),
      };
      const kept = assessed({ ...change, brief: { ...change.brief, keeping: 'two' } });
      return kept.checks.flatMap((finding) =>
        finding.code === 'copies' ? [`${finding.level} ${finding.roomGB}`] : [],
      );
    };
    expect(copies(800, 0)).toEqual(['passes 800']);
    expect(copies(800, 300)).toEqual(['blocks 500']);
    expect(copies(900, 300)).toEqual(['passes 600']);
  });
});

/** Whether all that is kept can be laid on drives: bytes flow from roles to drives, by augmenting paths. */
function laysOut(capacities: readonly number[], claims: readonly { on: readonly number[]; bytes: number }[]): boolean {
  const laid = claims.map(() => capacities.map(() => 0));
  const used = (drive: number) => laid.reduce((all, row) => all + (row[drive] ?? 0), 0);
  /** Frees a byte on a drive or finds one free, moving other claims' bytes on. */
  const makeRoom = (drive: number, seen: Set<number>): boolean => {
    if (used(drive) < (capacities[drive] ?? 0)) return true;
    for (const [i, claim] of claims.entries())
      for (const to of claim.on) {
        const row = laid[i];
        if (!row || (row[drive] ?? 0) === 0 || seen.has(to)) continue;
        seen.add(to);
        if (!makeRoom(to, seen)) continue;
        row[drive] = (row[drive] ?? 0) - 1;
        row[to] = (row[to] ?? 0) + 1;
        return true;
      }
    return false;
  };
  for (const [i, claim] of claims.entries())
    for (let byte = 0; byte < claim.bytes; byte++) {
      const to = claim.on.find((drive) => makeRoom(drive, new Set([drive])));
      if (to === undefined) return false;
      const row = laid[i];
      if (row) row[to] = (row[to] ?? 0) + 1;
    }
  return true;
}

test('each role has room for what it keeps exactly when all of it can be laid on the drives', () => {
  const { facts } = assessed();
  const [drive] = facts.parts.ofKind('drive');
  if (!drive) throw new Error('this world has a drive');
  let [can, cannot] = [0, 0];
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 1, maxLength: 3 }),
      fc.array(fc.record({ mask: fc.integer({ min: 1, max: 7 }), bytes: fc.integer({ min: 0, max: 6 }) }), {
        minLength: 1,
        maxLength: 4,
      }),
      (capacities, wanted) => {
        const drives = capacities.map((gb, i) => ({
          item: { ...drive.item, id: `d${i}` },
          part: { ...drive.part, capacityGB: gb / GB },
        }));
        const claims = wanted.map(({ mask, bytes }) => {
          const on = capacities.flatMap((_, i) => ((mask >> i) & 1 ? [i] : []));
          return { on: on.length > 0 ? on : [0], bytes };
        });
        const laid = claims.map(({ on, bytes }) => ({ drives: on.flatMap((i) => drives[i] ?? []), bytes }));
        const fits = laid.every(
          (mine) =>
            leftOn(
              mine.drives,
              laid.filter((other) => other !== mine),
              0,
            ) >=
            mine.bytes - 1e-6,
        );
        const lies = laysOut(capacities, claims);
        if (lies) can++;
        else cannot++;
        expect(fits).toBe(lies);
      },
    ),
    { numRuns: 400 },
  );
  expect(Math.min(can, cannot)).toBeGreaterThan(40);
});
