import type { Assessment } from '../assess';
import { yearlyEnergy } from '../power/energy';
import { shareLeft } from '../money/declining';
import { softwareOf } from '../money/software';
import type { Band } from '../units/band';
import { timesFigure } from '../units/money';
import { waitingOfTask } from '../work/waiting';
import type { Support } from '../model/rivals';
import { daysWithout } from '../money/support';

/** What a year of owning a machine brings; amounts are paid, below 0 is received. */
export const COST_LINES = ['purchase', 'later', 'energy', 'software', 'repair', 'waiting', 'resale'] as const;
export type CostLine = (typeof COST_LINES)[number];

/** Why a line is a lower bound. */
export type OpenCost =
  | { readonly line: 'purchase'; readonly code: 'price-unknown' }
  | { readonly line: 'energy'; readonly code: 'no-tariff' | 'draw-unknown' }
  | { readonly line: 'waiting'; readonly code: 'no-hour-value' }
  | { readonly line: 'waiting'; readonly code: 'not-predicted'; readonly tasks: readonly string[] }
  | { readonly line: 'software'; readonly code: 'metered' | 'price-unknown'; readonly names: readonly string[] }
  | { readonly line: 'later'; readonly code: 'price-unknown' };

export interface Ownership {
  /** Minor units by year, from the purchase (year 0) to the end of service, today's worth. */
  readonly years: readonly Readonly<Record<CostLine, number>>[];
  /** Sum of all lines up to and with each year. */
  readonly runningMinor: readonly number[];
  readonly totalMinor: number;
  readonly byLine: Readonly<Record<CostLine, number>>;
  readonly open: readonly OpenCost[];
  /** Hours a year that somebody waits, as predicted. */
  readonly waitingHours: number;
}

/** What is bought on a side, and what stands behind it. */
export interface OwnedSide {
  readonly assessment: Assessment;
  readonly purchaseMinor: number;
  readonly purchaseOpen: boolean;
  /** A maker's support or a service that is bought; without it each part has its own warranty and is sent in. */
  readonly support: Support | undefined;
  /** What each later phase adds, and in which year. */
  readonly later?: readonly { readonly minor: number; readonly open: boolean; readonly year: number }[] | undefined;
}

/** Share of a machine's price that a repair out of warranty takes: a judgement. */
const REPAIR_SHARE = 0.15;
const WEEKS = 52;
const WORKDAYS = 5;

/**
 * What owning a machine costs over the years of service, as discounted cash flows: purchase at once, each year's energy,
 * software, expected repairs and waiting at its end, resale at the last. An amount a in year t weighs a ÷ (1 + r)^t and
 * is rounded once. Expected repairs: failures a year × (share of the price that is out of warranty × a repair's share of
 * the price + days without the machine × hours a day × what an hour costs). Waiting: hours a year that somebody waits ×
 * what an hour costs, without the tasks that are left out. Resale by declining balance net of fees. Source: definitions;
 * the settings say the rates.
 */
export function ownershipOf(side: OwnedSide, leaveOut: ReadonlySet<string> = new Set()): Ownership {
  const { assessment, support } = side;
  const { brief, settings, parts, power, region } = assessment.facts;
  const years = Math.max(1, Math.round(brief.yearsOfService));
  const open: OpenCost[] = [];
  const rate = settings.discountPercent / 100;
  const worth = (minor: number, year: number) => timesFigure(minor, 1 / (1 + rate) ** year);

  const energy = yearlyEnergy(power, brief, parts.one('supply')?.part, settings.tariffMinorPerKWh, region.mainsV);
  if (settings.tariffMinorPerKWh === undefined) open.push({ line: 'energy', code: 'no-tariff' });
  else if (!energy || energy.lowerBound) open.push({ line: 'energy', code: 'draw-unknown' });

  const software = softwareOf(brief, parts, assessment.facts);
  const metered = software.filter((row) => row.terms === 'metered');
  const unpriced = software.filter((row) => row.terms !== 'metered' && row.totalMinor === undefined);
  if (metered.length > 0) open.push({ line: 'software', code: 'metered', names: metered.map((row) => row.licence) });
  if (unpriced.length > 0)
    open.push({ line: 'software', code: 'price-unknown', names: unpriced.map((row) => row.licence) });
  // a licence in the machine is in its price already; the first year of one that is paid yearly too
  const once = software.filter((row) => !row.here).reduce((sum, row) => sum + (row.onceMinor ?? 0), 0);
  const yearly = software.reduce((sum, row) => sum + (row.yearlyMinor ?? 0), 0);
  const first = software.filter((row) => row.here && !row.owned).reduce((sum, row) => sum + (row.yearlyMinor ?? 0), 0);

  const waits = waitingOf(assessment);
  const counted = waits.tasks.filter(({ task }) => !leaveOut.has(task));
  const waitingHours = counted.reduce((sum, { hours }) => sum + (hours ?? 0), 0);
  const unknown = waits.unknown;
  if (brief.hourMinor === undefined) open.push({ line: 'waiting', code: 'no-hour-value' });
  if (unknown.length > 0) open.push({ line: 'waiting', code: 'not-predicted', tasks: unknown });
  if (side.purchaseOpen) open.push({ line: 'purchase', code: 'price-unknown' });
  const added = side.later ?? [];
  if (added.some((phase) => phase.open)) open.push({ line: 'later', code: 'price-unknown' });

  const hour = brief.hourMinor ?? 0;
  const hoursADay = brief.sittings.reduce((sum, sitting) => sum + sitting.hoursPerWeek, 0) / WORKDAYS;
  const days = daysWithout(support, settings);
  const failures = settings.repair.failuresPercent / 100;
  const repairIn = (year: number) =>
    timesFigure(side.purchaseMinor, failures * REPAIR_SHARE * uncovered(side, year)) +
    timesFigure(hour, failures * days * hoursADay);

  const left = shareLeft(years, settings.resale) * (1 - settings.resale.feePercent / 100);
  const resale = timesFigure(side.purchaseMinor, left);

  const rows = Array.from({ length: years + 1 }, (_, year): Record<CostLine, number> => ({
    purchase: year === 0 ? side.purchaseMinor : 0,
    later: added
      .filter((phase) => Math.min(years, Math.max(0, phase.year)) === year)
      .reduce((sum, { minor }) => sum + worth(minor, year), 0),
    energy: year === 0 ? 0 : worth(energy?.costMinor ?? 0, year),
    // paid ahead for each year
    software: year === 0 ? once + yearly - first : year < years ? worth(yearly, year) : 0,
    repair: year === 0 ? 0 : worth(repairIn(year), year),
    waiting: year === 0 ? 0 : worth(timesFigure(hour, waitingHours), year),
    resale: year === years ? -worth(resale, year) : 0,
  }));
  const sumOf = (row: Readonly<Record<CostLine, number>>) => COST_LINES.reduce((sum, line) => sum + row[line], 0);
  const runningMinor: number[] = [];
  for (const row of rows) runningMinor.push((runningMinor.at(-1) ?? 0) + sumOf(row));
  return {
    years: rows,
    runningMinor,
    totalMinor: runningMinor.at(-1) ?? 0,
    byLine: Object.fromEntries(
      COST_LINES.map((line) => [line, rows.reduce((sum, row) => sum + row[line], 0)]),
    ) as Record<CostLine, number>,
    open,
    waitingHours,
  };
}

/** Hours that somebody waits for a task in a year. */
export interface TaskWait {
  readonly task: string;
  readonly name: string;
  /** Undefined when the task is not predicted. */
  readonly hours: number | undefined;
}

export interface Waited {
  readonly tasks: readonly TaskWait[];
  readonly hours: number;
  /** Names of tasks that somebody waits for and that cannot be predicted. */
  readonly unknown: readonly string[];
}

/**
 * Hours a year that somebody waits. A run that is attended is waited for in full. One in the background or left to itself
 * costs nobody's time as long as the runs of its sitting fit into the sitting's hours; what does not fit is waited for. Taken
 * at one end of the predictions' bands.
 */
export function waitingOf(assessment: Assessment, end: keyof Band = 'likely'): Waited {
  const { brief } = assessment.facts;
  const runs = brief.tasks.flatMap((task) => {
    const result = assessment.tasks.find((entry) => entry.task === task.id);
    const aWeek = task.runsPerWeek;
    if (result?.mode !== 'elastic' || aWeek === undefined || aWeek === 0) return [];
    const sitting = brief.sittings.find(({ tasks }) => tasks.includes(task.id));
    const hours = result.gets ? (aWeek * result.gets[end]) / 3600 : undefined;
    return [{ task, sitting, attended: waitingOfTask(task) === 'attended', hours }];
  });
  const tasks = runs.flatMap(({ task, sitting, attended, hours }): TaskWait[] => {
    const base = { task: task.id, name: task.name };
    if (attended) return [{ ...base, hours: hours === undefined ? undefined : hours * WEEKS }];
    if (!sitting) return [];
    // unattended runs of one sitting share its hours; each waits for its part of what is too much
    const beside = runs.filter((other) => other.sitting === sitting && !other.attended);
    if (beside.some((other) => other.hours === undefined)) return [{ ...base, hours: undefined }];
    const all = beside.reduce((sum, other) => sum + (other.hours ?? 0), 0);
    const over = Math.max(0, all - sitting.hoursPerWeek);
    return over > 0 && all > 0 ? [{ ...base, hours: over * ((hours ?? 0) / all) * WEEKS }] : [];
  });
  return {
    tasks,
    hours: tasks.reduce((sum, { hours }) => sum + (hours ?? 0), 0),
    unknown: tasks.flatMap(({ hours, name }) => (hours === undefined ? [name] : [])),
  };
}

/** Lines of the costs that a side knows only in part, so that a comparison cannot rest on them. */
const openLines = ({ open }: Ownership): ReadonlySet<CostLine> =>
  new Set(
    open.flatMap((entry) =>
      entry.code === 'no-tariff' || entry.code === 'no-hour-value' || entry.code === 'not-predicted'
        ? []
        : [entry.line],
    ),
  );

/** Two sides over the years, and what of them can be compared. */
export interface OwnershipPair {
  readonly ours: Ownership;
  readonly theirs: Ownership;
  /** Lines that both sides know: sums and curves that are compared are made of these. */
  readonly compared: readonly CostLine[];
  /** Lines that one side or both do not know in full. */
  readonly leftOut: readonly CostLine[];
  /** Tasks whose waiting one side does not know: they count on neither. */
  readonly tasksLeftOut: readonly string[];
  readonly oursRunningMinor: readonly number[];
  readonly theirsRunningMinor: readonly number[];
}

/** Compares what both sides know: a line that is open on one side is no gain of that side, nor a loss of the other. */
export function compareOwnership(ourSide: OwnedSide, theirSide: OwnedSide): OwnershipPair {
  const [mine, its] = [waitingOf(ourSide.assessment), waitingOf(theirSide.assessment)];
  const unknown = [...mine.tasks, ...its.tasks].filter(({ hours }) => hours === undefined);
  const out = new Set(unknown.map(({ task }) => task));
  const [ours, theirs] = [ownershipOf(ourSide, out), ownershipOf(theirSide, out)];
  const open = new Set([...openLines(ours), ...openLines(theirs)]);
  // what cannot be bought for a known price cannot be sold for one
  if (open.has('purchase')) for (const line of ['resale', 'repair'] as const) open.add(line);
  const compared = COST_LINES.filter((line) => !open.has(line));
  const running = (side: Ownership) => {
    let sum = 0;
    return side.years.map((row) => (sum += compared.reduce((all, line) => all + row[line], 0)));
  };
  return {
    ours,
    theirs,
    compared,
    leftOut: COST_LINES.filter((line) => open.has(line)),
    tasksLeftOut: [...new Set(unknown.map(({ name }) => name))],
    oursRunningMinor: running(ours),
    theirsRunningMinor: running(theirs),
  };
}

/** Share of the machine, by price, that no warranty covers in a year; a warranty that is not stated covers nothing. */
function uncovered({ assessment, support }: OwnedSide, year: number): number {
  const months = year * 12;
  if (support) return months > support.warrantyMonths ? 1 : 0;
  let all = 0;
  let out = 0;
  for (const entry of assessment.facts.price.items) {
    const part = assessment.facts.parts.all.find(({ item }) => item.id === entry.item)?.part;
    if (!part || part.kind === 'system' || part.kind === 'licence' || part.kind === 'service') continue;
    const weight = entry.landed?.landedMinor ?? 0;
    all += weight;
    if (part.warrantyMonths === undefined || months > part.warrantyMonths) out += weight;
  }
  return all > 0 ? out / all : 1;
}
