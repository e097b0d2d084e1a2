import type { Assessment } from '../assess';
import type { Step } from '../search/coinSteps';
import type { Party } from '../quote/terms';
import { fullName } from '../model/fitted';
import { monthsAfter } from '../units/days';
import { warrantyUntil } from '../upgrade/resale';
import { startOf, type StartDoes, type StartStep } from './start';
import { acceptanceOf } from '../prove/acceptance';
import { judged, type Judged } from '../prove/readings';

/** One part as it was built in. */
export interface BuiltPart {
  readonly item: string;
  readonly name: string;
  readonly serial: string | undefined;
  readonly place: string | undefined;
  /** Last day of its warranty; undefined where its maker states none. */
  readonly warrantyUntil: string | undefined;
  /** Whom to ask: who sold it, else who made it. */
  readonly ask: string;
}

/** What is given to the client with the machine (J54). */
export interface HandOver {
  readonly on: string;
  readonly from: Party | undefined;
  readonly seat: string;
  readonly machine: string;
  readonly builtBy: readonly string[];
  readonly parts: readonly BuiltPart[];
  readonly licences: readonly string[];
  readonly firmware: string | undefined;
  readonly settings: readonly StartStep[];
  /** Readings against their promises, in the tests' order. */
  readonly read: readonly Judged[];
  readonly promises: number;
  readonly openSteps: number;
  /** Memory slots and places for drives that are free. */
  readonly free: { readonly memorySlots: number; readonly driveSlots: number };
  /** The part to change or add first, at today's prices; undefined where none helps, or that was not worked out. */
  readonly upgrade: Step | undefined;
  readonly filters: boolean;
  /** Serial numbers that are noted at several parts. */
  readonly twice: readonly string[];
}

const BUILT: ReadonlySet<string> = new Set([
  'processor',
  'board',
  'memory',
  'graphics',
  'expansion',
  'drive',
  'supply',
  'case',
  'cooler',
  'fan',
  'mixer',
  'display',
]);
const SETTINGS: ReadonlySet<StartDoes['do']> = new Set([
  'profile',
  'rate-by-hand',
  'no-profile',
  'processor-limit',
  'card-limit',
  'fan-curve',
  'virtual',
  'secure-start',
  'lane-mode',
  'encrypt',
  'backup',
]);

/**
 * The sheet of a machine that is handed over: what was built with serial numbers and warranties, its settings, what was
 * measured against what was promised, and what is free or pays for later. What was not done or not read is counted, not hidden.
 */
export function handOverOf(assessment: Assessment, seat: string, from: Party | undefined, upgrade?: Step): HandOver {
  const { facts } = assessment;
  const { machine, parts, memory, placement, brief, today } = facts;
  const tests = acceptanceOf(assessment);
  const start = startOf(assessment);
  const done = machine.assembly ?? {};
  const serials = Object.values(machine.serials ?? {});
  const board = parts.one('board')?.part;
  return {
    on: today,
    from,
    seat,
    machine: machine.name,
    builtBy: [...new Set(Object.values(done).flatMap(({ by }) => by ?? []))],
    parts: parts.all
      .filter(({ part }) => BUILT.has(part.kind))
      .map(({ item, part }) => {
        const slot = placement?.placed.get(item.id)?.slot;
        return {
          item: item.id,
          name: fullName(part),
          serial: machine.serials?.[item.id],
          place: slot === undefined ? undefined : (placement?.board.slotById.get(slot)?.label ?? slot),
          warrantyUntil:
            warrantyUntil({ item, part }) ??
            (item.owned === true || part.warrantyMonths === undefined
              ? undefined
              : monthsAfter(today, part.warrantyMonths)),
          ask: item.paid?.seller ?? part.maker,
        };
      }),
    licences: [...parts.ofKind('system'), ...parts.ofKind('licence')].map(({ part }) => fullName(part)),
    firmware: machine.firmware ?? start.firmware?.takes?.version ?? start.firmware?.has,
    settings: start.steps.filter(({ does }) => SETTINGS.has(does.do)),
    read: judged(tests, machine.proof ?? {}, brief.roomC),
    promises: tests.length,
    openSteps: start.steps.filter(({ id }) => done[id] === undefined).length,
    free: {
      memorySlots: Math.max(0, (board?.memorySlots?.length ?? 0) - memory.modules.length),
      driveSlots: (placement?.board.slots ?? []).filter(
        ({ id, kind }) =>
          kind === 'm2' &&
          !placement?.off.has(id) &&
          ![...(placement?.placed.values() ?? [])].some(({ slot }) => slot === id),
      ).length,
    },
    upgrade,
    filters: parts.one('case')?.part.dustFilters === true,
    twice: [...new Set(serials.filter((serial, i) => serials.indexOf(serial) !== i))],
  };
}
