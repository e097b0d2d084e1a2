import { quickly, type Assessment, type Context } from '../assess';
import { warmestFor } from '../heat/state';
import { fullName, type AnyFitted } from '../model/fitted';
import type { Machine } from '../model/machine';
import type { PartKind } from '../parts';
import { basketFor } from '../versus/basketFor';
import { advantagesOf, freeMemory, freeSlots, loudest, reserve, type Advantage } from '../versus/advantages';
import { supportOf } from '../money/support';
import type { Landed } from '../money/landed';
import { compareOwnership } from '../versus/ownership';
import { compareWithRival, meanSpeed, suppliers, taskRows, type Comparison, type TaskRow } from '../versus/rivals';
import { daysBetween } from '../units/days';
import { ratioOf } from '../units/money';
import { getsAmount, needsAmount } from './amounts';
import type { Against, PaperMachine, PaperWork, Reason } from './document';

/** Each task as it is asked for, as it is with this machine, and as it is now where a machine is there. */
export function workOf(machine: Assessment, present: Assessment | undefined): PaperWork[] {
  return machine.facts.brief.tasks.flatMap(({ id, name }): PaperWork[] => {
    const [ours, theirs] = [machine, present].map((side) => side?.tasks.find(({ task }) => task === id));
    return ours
      ? [
          {
            task: name,
            needs: needsAmount(ours),
            does: getsAmount(ours),
            ...(theirs ? { now: getsAmount(theirs) } : {}),
            ...(ours.target === undefined ? {} : { verdict: ours.verdict }),
          },
        ]
      : [];
  });
}

/** Their name says what they are for. */
const SAYS_ITSELF: ReadonlySet<PartKind> = new Set(['system', 'licence', 'service']);

/** Why each part is in it, equal ones once, in the order of the machine. */
export function reasonsOf(machine: Assessment): PaperMachine['parts'] {
  const seen = new Set<string>();
  return machine.facts.parts.all.flatMap((fitted): PaperMachine['parts'] => {
    if (fitted.item.owned === true || seen.has(fitted.part.id) || SAYS_ITSELF.has(fitted.part.kind)) return [];
    seen.add(fitted.part.id);
    return [{ name: fullName(fitted.part), kind: fitted.part.kind, reason: reasonOf(machine, fitted) }];
  });
}

function reasonOf(machine: Assessment, { item, part }: AnyFitted): Reason {
  const { facts } = machine;
  const whole = (value: number): number => Math.round(value);
  switch (part.kind) {
    case 'memory': {
      const needs = facts.sittings.flatMap(({ holds }) =>
        holds.flatMap(({ what, needs }) => (what === 'memory' ? [needs.value] : [])),
      );
      const has = facts.memory.bytes;
      if (needs.length > 0 && has !== undefined) return { code: 'holds', needBytes: Math.max(...needs), hasBytes: has };
      break;
    }
    case 'supply': {
      const { ratedW } = part;
      if (ratedW !== undefined && facts.power.missing.length === 0)
        return { code: 'carries-draw', watts: whole(facts.power.peakW), ratedW };
      break;
    }
    case 'cooler': {
      const at = facts.heat.setup.hot.findIndex(({ kind }) => kind === 'processor');
      const warmest = at === -1 ? undefined : warmestFor(facts.heat.sittings, at);
      if (warmest) return { code: 'cools', celsius: whole(warmest.worst.tempC), limitC: whole(warmest.worst.limitC) };
      break;
    }
    case 'case': {
      const dbA = loudest(machine);
      if (dbA !== undefined) return { code: 'quiet', dbA };
      break;
    }
    case 'board': {
      const { memory, cards, drives } = roomOf(machine);
      if (memory !== undefined && cards !== undefined && drives !== undefined)
        return { code: 'takes', memory, cards, drives };
      break;
    }
  }
  const tasks = facts.brief.tasks.flatMap(({ id, name }) => {
    const binds = machine.tasks.find(({ task }) => task === id)?.binds;
    return binds !== undefined && suppliers(machine, binds).includes(item.id) ? [name] : [];
  });
  if (tasks.length > 0) return { code: 'sets-pace', tasks };
  if (part.kind === 'drive' && item.roles !== undefined && item.roles.length > 0)
    return {
      code: 'keeps',
      roles: [...item.roles],
      ...(part.capacityGB === undefined ? {} : { bytes: part.capacityGB * 1e9 }),
    };
  return { code: 'works-with' };
}

/** Places that stay free, and what the supply could carry beside. */
export function roomOf(machine: Assessment): PaperMachine['room'] {
  const known = <K extends string>(key: K, value: number | undefined) =>
    (value === undefined ? {} : { [key]: value }) as Partial<Record<K, number>>;
  return {
    ...known('memory', freeMemory(machine)),
    ...known('cards', freeSlots(machine, 'card')),
    ...known('drives', freeSlots(machine, 'm2')),
    ...known('watts', reserve(machine)),
  };
}

/** What is planned for later: the phases of the draft after its first. */
export const laterOf = ({ phases = [] }: Machine): PaperMachine['later'] =>
  phases.map(({ name, on }) => ({ name, ...(on === undefined ? {} : { on }) }));

const runs = (row: TaskRow['ours']): boolean => row.verdict !== 'short' || row.gets !== undefined;

function against(
  what: Against['what'],
  name: string,
  machine: Assessment,
  rows: readonly TaskRow[],
  beside: readonly Advantage[],
): Against {
  const { brief } = machine.facts;
  const nameOf = ({ task }: TaskRow): string => brief.tasks.find(({ id }) => id === task)?.name ?? task;
  const { speedRatio, tasksCompared } = meanSpeed(rows, brief);
  return {
    what,
    name,
    ...(speedRatio ? { speed: speedRatio } : {}),
    tasks: tasksCompared,
    onlyOurs: rows.filter(({ ours, theirs }) => runs(ours) && !runs(theirs)).map(nameOf),
    onlyTheirs: rows.filter(({ ours, theirs }) => !runs(ours) && runs(theirs)).map(nameOf),
    beside: beside.flatMap(({ id, better, ours, theirs }) =>
      better !== undefined &&
      ours.kind !== 'words' &&
      theirs.kind !== 'words' &&
      ours.value !== undefined &&
      theirs.value !== undefined
        ? [{ id, better, ours: ours.value, theirs: theirs.value }]
        : [],
    ),
  };
}

/** What a branded machine comes to over the years of service against this one, of all that is known of both. */
function overYears(
  machine: Assessment,
  totalMinor: number,
  { assessment, theirs, side }: Comparison & { readonly theirs: Landed },
): Pick<Against, 'years'> {
  const pair = compareOwnership(
    { assessment: machine, purchaseMinor: totalMinor, purchaseOpen: false, support: supportOf(machine.facts.parts) },
    { assessment, purchaseMinor: theirs.landedMinor, purchaseOpen: false, support: side.support },
  );
  const [ours, other] = [pair.oursRunningMinor.at(-1), pair.theirsRunningMinor.at(-1)];
  if (ours === undefined || other === undefined || !pair.compared.includes('purchase')) return {};
  const counted = pair.compared.filter((line) => pair.ours.byLine[line] !== 0 || pair.theirs.byLine[line] !== 0);
  return {
    years: { years: pair.ours.years.length - 1, differenceMinor: other - ours, lines: counted },
  };
}

/**
 * The machine against what is there, and against the branded one that is nearest to it in price and does as many tasks.
 * @param totalMinor what the client pays for it
 */
export function againstOf(
  machine: Assessment,
  present: Assessment | undefined,
  context: Context,
  totalMinor: number,
): Against[] {
  const { brief, catalogue, today } = machine.facts;
  const basket = basketFor(machine);
  const ours = basket.total.landedMinor;
  const branded = catalogue.rivals
    .map((rival) => compareWithRival(machine, basket, rival, brief, quickly(context)))
    .flatMap((comparison) => (comparison.theirs ? [{ ...comparison, theirs: comparison.theirs }] : []))
    .map((comparison) => ({
      comparison,
      does: comparison.tasks.filter(({ theirs }) => theirs.verdict === 'carries' || theirs.gets !== undefined).length,
      apart: Math.abs(Math.log(ratioOf(comparison.theirs.landedMinor, Math.max(1, ours)))),
    }))
    .sort((a, b) => b.does - a.does || a.apart - b.apart)[0]?.comparison;
  const arrives = basket.best?.arrives;
  return [
    ...(present && present.facts.parts.all.length > 0
      ? [against('present', present.facts.machine.name, machine, taskRows(machine, present), [])]
      : []),
    ...(branded
      ? [
          {
            ...against(
              'branded',
              `${branded.side.rival.maker} ${branded.side.rival.name}`,
              machine,
              branded.tasks,
              advantagesOf(
                machine,
                arrives === undefined ? undefined : daysBetween(today, arrives),
                branded.side,
                branded.assessment,
              ),
            ),
            totalMinor: branded.theirs.landedMinor,
            ...overYears(machine, totalMinor, { ...branded, theirs: branded.theirs }),
          },
        ]
      : []),
  ];
}
