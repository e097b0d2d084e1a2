import type { Assessment } from '../assess';
import { loudestOf } from '../heat/state';
import type { Item, Machine } from '../model/machine';
import { yearlyEnergy } from '../power/energy';
import type { TaskResult } from '../predict/results';
import type { Band } from '../units/band';
import { plainNumber, ratioOf } from '../units/money';
import { basketFor } from '../versus/basketFor';
import { waitingOf } from '../versus/ownership';
import { does } from './does';
import { netCost, resaleOf, type Resale } from './resale';

/** What becomes of one task. */
export interface TaskChange {
  readonly task: string;
  readonly before: TaskResult | undefined;
  readonly after: TaskResult | undefined;
  /** It runs, or meets its target, only on the new machine; or only on the old one. */
  readonly turns: 'begins' | 'ends' | undefined;
}

/** Whether another machine is worth it. Money in minor units of the region, landed; above 0 is paid. */
export interface UpgradeWorth {
  readonly purchaseMinor: number;
  /** Something has no price: the purchase is a lower bound. */
  readonly purchaseOpen: boolean;
  readonly resale: Resale;
  /** Items of the machine that is there which move on into the new one. */
  readonly carried: readonly Item[];
  /** Purchase less what is sold and what other seats save. */
  readonly net: Band;
  readonly tasks: readonly TaskChange[];
  /** Hours a week that somebody waits less; below 0 more. */
  readonly savedHoursAWeek: Band;
  /** Names of tasks whose waiting one of the two does not tell. */
  readonly notPredicted: readonly string[];
  /** Energy that is saved in a year; undefined without a tariff, or where a draw is not known. */
  readonly energySavedMinor: number | undefined;
  /** How much louder it is, dB(A); below 0 quieter. Undefined where a level is not known. */
  readonly louderDbA: number | undefined;
  /** Weeks until it has paid for itself; undefined without the worth of an hour. Infinity where it never does. */
  readonly weeks: Band | undefined;
  /** What an hour has to be worth for it to pay within so many years; undefined where no hour is saved. */
  readonly paysAt: readonly { readonly years: number; readonly hourMinor: number | undefined }[];
}

const WEEKS = 52;
const WITHIN_YEARS = [1, 2, 3] as const;

/**
 * Items of a machine that stand in another one as well: owned there, and of the same part, each counted once.
 */
export function carriedOver(present: Pick<Machine, 'items'>, draft: Pick<Machine, 'items'>): Item[] {
  const owned = new Map<string, number>();
  for (const { part, owned: has } of draft.items) if (has === true) owned.set(part, (owned.get(part) ?? 0) + 1);
  return present.items.filter(({ part }) => {
    const left = owned.get(part) ?? 0;
    owned.set(part, left - 1);
    return left > 0;
  });
}

/** Items of a draft that the machine that is there has too, and that are bought again as it stands. */
export function couldMove(present: Pick<Machine, 'items'>, draft: Pick<Machine, 'items'>): Item[] {
  const there = new Map<string, number>();
  for (const { part } of present.items) there.set(part, (there.get(part) ?? 0) + 1);
  for (const { part, owned } of draft.items) if (owned === true) there.set(part, (there.get(part) ?? 0) - 1);
  return draft.items.filter(({ part, owned }) => {
    if (owned === true) return false;
    const left = there.get(part) ?? 0;
    there.set(part, left - 1);
    return left > 0;
  });
}

/**
 * Weeks until what is gained a week has paid a cost; 0 where nothing has to be paid, Infinity where nothing is gained.
 * @example weeksToPay(221_000, 1.4 * 3800) // 41.54
 */
export const weeksToPay = (costMinor: number, gainAWeekMinor: number): number =>
  costMinor <= 0 ? 0 : gainAWeekMinor > 0 ? ratioOf(costMinor, gainAWeekMinor) : Infinity;

/**
 * A draft against the machine that is there: what it costs after what is sold, what becomes of each task, and when it has
 * paid for itself by the hours that somebody waits less and the energy that is saved. What moves on is neither bought nor
 * sold. Of the bands like ends are compared, as the model's doubts are the same for both machines; the ends of the net cost
 * meet them at their worst and their best. Source: definitions.
 * @example 1.4 h a week at 38.00 an hour, and 2,210.00 net: 41.54 weeks
 */
export function worthOf(present: Assessment, draft: Assessment): UpgradeWorth {
  const { brief, settings } = draft.facts;
  const carried = carriedOver(present.facts.machine, draft.facts.machine);
  const staying = new Set(carried.map(({ id }) => id));
  const leaving = new Set(present.facts.machine.items.flatMap(({ id }) => (staying.has(id) ? [] : [id])));
  const resale = resaleOf(present, leaving);
  const basket = basketFor(draft);
  const purchaseMinor = basket.total.landedMinor;
  const net = netCost(purchaseMinor, resale);
  const tasks = brief.tasks.map(({ id }): TaskChange => {
    const [before, after] = [present, draft].map((side) => side.tasks.find(({ task }) => task === id));
    const [did, will] = [does(before), does(after)];
    return {
      task: id,
      before,
      after,
      turns: did === false && will === true ? 'begins' : did === true && will === false ? 'ends' : undefined,
    };
  });
  const { saved, notPredicted } = savedHours(present, draft);
  const energySavedMinor = energySaved(present, draft);
  const [was, is] = [present, draft].map(({ facts }) => loudestOf(facts.heat.sittings)?.noise);
  const hour = brief.hourMinor;
  const energyAYear = plainNumber(energySavedMinor ?? 0);
  const weeksAt = (cost: number, hours: number): number =>
    weeksToPay(cost, hours * plainNumber(hour ?? 0) + energyAYear / WEEKS);
  return {
    purchaseMinor,
    purchaseOpen: basket.lowerBound,
    resale,
    carried,
    net,
    tasks,
    savedHoursAWeek: saved,
    notPredicted,
    energySavedMinor,
    louderDbA: was && is && was.missing.length === 0 && is.missing.length === 0 ? is.dbA - was.dbA : undefined,
    weeks:
      hour === undefined
        ? undefined
        : {
            low: weeksAt(net.low, saved.high),
            likely: weeksAt(net.likely, saved.likely),
            high: weeksAt(net.high, saved.low),
          },
    paysAt: WITHIN_YEARS.map((years) => ({
      years,
      hourMinor:
        saved.likely > 0 ? Math.max(0, (net.likely - years * energyAYear) / (years * WEEKS * saved.likely)) : undefined,
    })),
  };

  function energySaved(one: Assessment, other: Assessment): number | undefined {
    const costs = [one, other].map(({ facts, region }) => {
      const energy = yearlyEnergy(
        facts.power,
        brief,
        facts.parts.one('supply')?.part,
        settings.tariffMinorPerKWh,
        region.mainsV,
      );
      return energy?.lowerBound === true ? undefined : energy?.costMinor;
    });
    const [now, then] = costs;
    return now === undefined || then === undefined ? undefined : plainNumber(now) - plainNumber(then);
  }
}

/** Hours a week that are waited for less, of the tasks that both machines are predicted for. */
function savedHours(present: Assessment, draft: Assessment): { saved: Band; notPredicted: string[] } {
  const ends = (['low', 'likely', 'high'] as const).map((end) => {
    const [was, is] = [waitingOf(present, end), waitingOf(draft, end)];
    const hoursOf = (tasks: typeof was.tasks, id: string): number | undefined => {
      const entry = tasks.find(({ task }) => task === id);
      // what is not listed is not waited for
      return entry ? entry.hours : 0;
    };
    const names = new Map([...was.tasks, ...is.tasks].map(({ task, name }) => [task, name]));
    let hours = 0;
    const open: string[] = [];
    for (const [id, name] of names) {
      const [before, after] = [hoursOf(was.tasks, id), hoursOf(is.tasks, id)];
      if (before === undefined || after === undefined) open.push(name);
      else hours += (before - after) / WEEKS;
    }
    return { hours, open };
  });
  const all = ends.map(({ hours }) => hours);
  return {
    saved: { low: Math.min(...all), likely: all[1] ?? 0, high: Math.max(...all) },
    notPredicted: ends[1]?.open ?? [],
  };
}
