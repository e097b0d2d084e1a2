import { expect, test } from 'vitest';
import { subjectOf, type Context } from '../assess';
import { finish } from '../assess/trials';
import { briefSchema, type Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import { progressAt } from '../search/exact/rank';
import { plainQuestion } from '../search/exact/question';
import { tryAll } from '../search/exact/tryAll';
import { smallMarket } from '../tests/smallMarkets';
import { coresWords } from '../words/upgrade';
import { coresOf, type Cores } from './cores';

const SEEDS = 60;
const MOST = 400;
const CORE = new Set(['processor', 'board', 'memory']);
const AT_NEED = new Set(['cooler', 'supply']);

/** The least of what can be had, as a machine that is there, so that there is something to gain; undefined in large markets. */
function presentIn(brief: Brief, context: Context): Machine | undefined {
  let all;
  try {
    all = tryAll(plainQuestion(brief), context, MOST).found;
  } catch {
    return undefined;
  }
  const [least] = [...all].sort((a, b) => a.rank.percent - b.rank.percent);
  return least && { ...least.machine, items: least.machine.items.map((item) => ({ ...item, owned: true })) };
}

test('the cheapest core of each socket equals every machine tried around what is there', () => {
  const seen = { machines: 0, found: 0, none: 0, other: 0 };
  for (let seed = 1; seed <= SEEDS && seen.machines < 6; seed++) {
    const { brief, context } = smallMarket(seed);
    const present = presentIn(brief, context);
    if (!present) continue;
    const subject = subjectOf(brief, context);
    const assessment = subject.assess(present);
    const kindOf = (id: string) => context.catalogue.part(id)?.kind ?? '';
    const stays = present.items.filter(({ part }) => !CORE.has(kindOf(part)) && !AT_NEED.has(kindOf(part)));
    const spare = present.items.filter(({ part }) => AT_NEED.has(kindOf(part)));
    const made = new Map(assessment.tasks.map((result) => [result.task, progressAt(result, 'likely')]));
    const said = finish<Cores>(coresOf(assessment, context));
    seen.machines++;
    for (const { socket, current, found, net, times } of said.cores) {
      const name = `seed ${seed}, ${socket}`;
      const own = context.catalogue.part(present.items.find(({ part }) => kindOf(part) === 'processor')?.part ?? '');
      expect(current, name).toBe(own?.kind === 'processor' && own.socket === socket);
      const others = context.catalogue.ofKind('processor').filter((part) => part.socket !== socket);
      const plain = tryAll(
        { ...plainQuestion(brief), keep: stays, spare, withoutParts: new Set(others.map(({ id }) => id as string)) },
        context,
        3 * MOST,
      ).found.find(({ machine }) =>
        subject
          .assess(machine)
          .tasks.every(
            (result) => progressAt(result, 'likely') >= Math.min(0.999, (made.get(result.task) ?? 0) * 0.999),
          ),
      );
      expect(found?.priceMinor, name).toBe(plain?.priceMinor);
      if (!found || !net) {
        seen.none++;
        expect(times, name).toBe(0);
        continue;
      }
      seen.found++;
      if (!current) seen.other++;
      expect(net.low, name).toBeLessThanOrEqual(net.high);
      expect(net.high, name).toBeLessThanOrEqual(found.priceMinor);
      const kept = found.machine.items.map(({ part }) => part);
      for (const { part } of stays) expect(kept, name).toContain(part);
    }
  }
  expect(seen.machines).toBeGreaterThan(2);
  expect(seen.found).toBeGreaterThan(2);
});

test('a drive that is full already is no reason against a core', () => {
  let [found, alone] = [0, 0];
  for (let seed = 1; seed <= SEEDS && found < 3; seed++) {
    const { brief, context } = smallMarket(seed);
    const present = presentIn(brief, context);
    if (!present) continue;
    // more is kept than any drive holds, by work that asks for nothing else
    const keeps = {
      kind: 'ingest',
      id: 'kept',
      name: 'Kept',
      importance: 1,
      from: 'memory',
      to: 'active',
      streams: 1,
      gbitPerS: 0.01,
      hours: 1,
      checksum: 'none',
      keepTB: 90,
    };
    const full = briefSchema.parse({ ...brief, tasks: [...brief.tasks, keeps] });
    const assessment = subjectOf(full, context).assess(present);
    const stands = assessment.findings.filter(({ rule, level }) => rule === 'drive-space' && level === 'blocks');
    expect(stands.length).toBe(1);
    for (const core of finish<Cores>(coresOf(assessment, context)).cores) {
      if (!core.found) continue;
      found++;
      const then = subjectOf(full, context).assess(core.found.machine);
      // that alone blocks, as before
      expect(then.findings.filter(({ level }) => level === 'blocks').map(({ key }) => key)).toEqual(
        stands.map(({ key }) => key),
      );
    }
    alone += tryAll(plainQuestion(full), context, 3 * MOST).found.length;
  }
  expect(found).toBeGreaterThan(1);
  expect(alone).toBe(0);
});

test('what costs least net comes first, and a socket without a machine last', () => {
  const present = { items: [{ id: 'a', part: 'old' }] } as unknown as Machine;
  const core = (socket: string, likely: number | undefined) => ({
    socket,
    current: false,
    found:
      likely === undefined
        ? undefined
        : ({
            priceMinor: likely + 10,
            rank: {},
            machine: { items: [...present.items, { id: 'b', part: 'new', label: 'New' }] },
          } as never),
    net: likely === undefined ? undefined : { low: likely, likely, high: likely },
    times: 1,
    asks: [],
    opens: { memory: 'DDR5', memoryMTs: 6400, memoryGiB: 192, card: { generation: 5, lanes: 16 }, m2Slots: 3 },
  });
  const words = coresWords([core('None', undefined), core('Dear', 500), core('Cheap', 100)], present);
  expect(words.map(({ socket, bought, netMinor }) => [socket, bought, netMinor])).toEqual([
    ['Cheap', 'New', 100],
    ['Dear', 'New', 500],
    ['None', undefined, undefined],
  ]);
  expect(words.every(({ againstMinor }) => againstMinor === undefined)).toBe(true);
  // new against new: 510 against the 110 of the socket that is there
  const beside = coresWords([{ ...core('Cheap', 100), current: true }, core('Dear', 500)], present);
  expect(beside.map(({ againstMinor }) => againstMinor)).toEqual([undefined, 400]);
  expect(words[0]?.opens).toBe('DDR5 up to 6400 MT/s and 192 GB; a card at generation 5 ×16; 3 M.2 slots');
});
