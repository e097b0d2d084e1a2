import { describe, expect, test } from 'vitest';
import { handOverOf } from '../assemble/handOver';
import { handOverBlocks, handOverWords } from '../formats/paper/handOver';
import { editMachine } from '../model/edits';
import { factsBut } from '../rules/rule';
import { assessed, BUSY, FAN, plus, without, type Change } from '../tests/world';
import { failureTitle, failureWords, mendWords } from '../words/prove';
import { acceptanceOf } from './acceptance';
import { failuresOf, type Failure } from './failures';

const failed = (code: Failure['code'], change: Change = {}, item?: string): Failure => {
  const found = failuresOf(assessed(change)).find(
    (each) => each.code === code && (item === undefined || each.item === item),
  );
  if (!found) throw new Error(`no failure ${code}`);
  return found;
};

describe('what still works when one thing fails', () => {
  test('without its only card a machine that draws nothing has no picture, and its tasks are not done', () => {
    expect(failed('card').stands).toBe('no-picture');
    const draws: Change = {
      parts: {
        cpu: { integratedGraphics: { fp32Tflops: 1, mediaEngines: [], outputs: [{ kind: 'HDMI 2.1', count: 1 }] } },
      },
    };
    const blind = failed('card', draws);
    expect(blind.stands).toBeUndefined();
    expect(blind.tasks.map(({ task }) => task)).toContain('play');
  });

  test('the system’s drive stops it; what was kept on another is lost, or comes back from its copy', () => {
    const assessment = assessed();
    const drives = failuresOf(assessment).filter(({ code }) => code === 'drive');
    expect(drives).toHaveLength(assessment.facts.parts.ofKind('drive').length);
    const roles = assessment.facts.parts.ofKind('drive').map(({ item }) => [item.id, item.roles ?? []] as const);
    for (const [item, has] of roles)
      expect(failed('drive', {}, item).stands).toBe(has.includes('system') ? 'no-system' : undefined);
    const kept = drives.find((each) => each.kept.length > 0);
    expect(kept && failureWords(kept, assessment)).toContain('is lost');
    const copied = failuresOf(assessed({ brief: { keeping: 'two' } })).find((each) => each.kept.length > 0);
    expect(copied && failureWords(copied, assessment)).toContain('comes back from its copy');
  });

  test('one module of two leaves half the memory', () => {
    const module = failed('module');
    expect(module.stands).toBeUndefined();
    expect(failed('module', { parts: { kit: { modules: 1 } } }).stands).toBe('no-memory');
  });

  test('heat: bare fins slow the export more than ten kelvin do, coolant that stands more than either', () => {
    const hot: Change = {
      brief: BUSY,
      parts: { cooler: { type: 'liquid', radiatorMm: 240, fans: 1, resistance: [{ rpm: 1500, kPerW: 0.45 }] } },
    };
    const sound = assessed(hot).tasks.find(({ task }) => task === 'export')?.gets?.likely ?? NaN;
    /** Seconds of the export; it never ends where the machine switches off, and is as before where it is not named. */
    const time = (code: Failure['code']): number => {
      const { stands, tasks } = failed(code, hot);
      const exported = tasks.find(({ task }) => task === 'export');
      return stands === 'too-hot' ? Infinity : exported ? (exported.after?.gets?.likely ?? Infinity) : sound;
    };
    expect(time('room')).toBeGreaterThanOrEqual(sound);
    expect(time('cooler-fan')).toBeGreaterThan(time('room'));
    expect(time('pump')).toBeGreaterThan(time('cooler-fan'));
    expect(failed('mains').stands).toBe('no-power');
  });

  test('of parts that are alike one stands for all, and says of how many', () => {
    const fans: Change = {
      addParts: [FAN],
      items: plus(
        { id: 'fan-1', part: 'fan', side: 'front' },
        { id: 'fan-2', part: 'fan', side: 'front' },
        { id: 'disk-2', part: 'disk', roles: ['archive'] },
        { id: 'disk-3', part: 'disk', roles: ['archive'] },
      ),
    };
    const assessment = assessed(fans);
    const titles = failuresOf(assessment).map((failure) => failureTitle(failure, assessment));
    expect(titles).toContain('One of 2 Northdraft Fan stands');
    expect(titles).toContain('A fan of Marlhouse Test stands');
    expect(titles.filter((title) => title.includes('Ketterlode')).length).toBeLessThan(3);
    expect(new Set(titles).size).toBe(titles.length);
  });

  test('drives of one role are one volume, which goes with any of them', () => {
    const kept = (items: readonly Record<string, unknown>[], item: string): string => {
      const assessment = assessed({ items: (all) => plus(...items)(without('disk-1')(all)) });
      const found = failuresOf(assessment).find((each) => each.code === 'drive' && each.item === item);
      return found ? failureWords(found, assessment) : '';
    };
    const disk = (id: string, ...roles: string[]) => ({ id, part: 'disk', roles });
    expect(kept([disk('a', 'archive')], 'a')).toContain('what it held (archive) is lost');
    expect(kept([disk('a', 'archive'), disk('b', 'archive')], 'a')).toContain(
      'its volume of 2 drives goes: what that held (archive) is lost',
    );
    expect(kept([disk('a', 'archive'), disk('b', 'backup')], 'a')).toContain('what it held (archive) is lost');
    expect(kept([disk('a', 'scratch'), disk('b', 'scratch')], 'a')).toContain('is made anew on what is left');
  });

  test('each is said with what it takes to mend', () => {
    const assessment = assessed();
    for (const failure of failuresOf(assessment)) {
      expect(failureTitle(failure, assessment)).not.toMatch(/undefined| {2}/);
      expect(failureWords(failure, assessment).length).toBeGreaterThan(5);
      if (failure.mend) expect(mendWords(failure, assessment)).toMatch(/under warranty some \d+ days?$/);
    }
  });

  test('a machine that is less is never faster', () => {
    const assessment = assessed({ brief: BUSY });
    for (const { tasks, code } of failuresOf(assessment))
      for (const { before, after, mode } of tasks)
        if (before.gets && after?.gets)
          expect(
            mode === 'real-time' ? before.gets.likely / after.gets.likely : after.gets.likely / before.gets.likely,
            code,
          ).toBeGreaterThan(0.999);
  });
});

describe('the sheet of a machine that is handed over', () => {
  test('what is open is counted, what is read stands beside its promise', () => {
    const fresh = assessed();
    const before = handOverOf(fresh, 'Film desk', undefined);
    expect(handOverWords(before)).toMatch(/^Not all is done: \d+ steps of the first start and \d+ promises to prove$/);
    const promise = acceptanceOf(fresh).find(({ id }) => id === 'memory-size');
    let { machine } = fresh.facts;
    machine = editMachine(machine, {
      kind: 'proven',
      test: 'memory-size',
      reading: { value: promise?.limit ?? 0, on: '2026-05-18', roomC: 21 },
    });
    machine = editMachine(machine, { kind: 'serial', item: 'card-1', serial: 'Q 17' });
    machine = editMachine(machine, { kind: 'serial', item: 'ssd-1', serial: 'Q 17' });
    machine = editMachine(machine, { kind: 'assembled', step: 'case', done: { on: '2026-05-18', by: 'Ruan' } });
    const sheet = handOverOf({ ...fresh, facts: factsBut(fresh.facts, { machine }) }, 'Film desk', undefined);
    expect(sheet.read).toHaveLength(1);
    expect(sheet.builtBy).toEqual(['Ruan']);
    expect(sheet.twice).toEqual(['Q 17']);
    expect(handOverWords(sheet)).toContain('a serial number twice (Q 17)');
    const text = JSON.stringify(handOverBlocks(sheet, fresh));
    for (const told of [
      'Q 17',
      'built by Ruan',
      'In a room of 21 °C',
      'dust filters',
      '2 memory slots are free',
      'Firmware 2.0',
    ])
      expect(text).toContain(told);
    expect(text).not.toContain('undefined');
  });

  test('from then on the machine is there, and all of it is owned; once', () => {
    const { machine } = assessed({ items: without('disk-1') }).facts;
    const given = editMachine(machine, { kind: 'handed-over' });
    expect([given.present, given.items.every(({ owned }) => owned)]).toEqual([true, true]);
    expect(editMachine(given, { kind: 'handed-over' })).toBe(given);
    const read = editMachine(given, { kind: 'proven', test: 'network', reading: { value: 2, on: '2026-05-18' } });
    expect(editMachine(read, { kind: 'proven', test: 'network' }).proof).toBeUndefined();
    expect(editMachine(given, { kind: 'proven', test: 'network' })).toBe(given);
  });
});
