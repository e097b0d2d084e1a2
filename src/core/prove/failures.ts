import type { Assessment } from '../assess';
import type { DriveRole } from '../figures/resources';
import { editMachine } from '../model/edits';
import { cheapestOffer } from '../money/landed';
import { daysWithout, supportOf } from '../money/support';
import type { Fitted } from '../model/fitted';
import type { Part, PartKind, PartOf } from '../parts';
import type { TaskResult } from '../predict/results';
import { keepingDrives } from '../work/flowEnds';
import { PROVE } from './constants';
import { otherwise, withAir, withResistance } from './otherwise';

/** One thing that fails, or changes around the machine. */
export type FailureCode =
  'drive' | 'module' | 'card' | 'cooler-fan' | 'pump' | 'case-fan' | 'room' | 'filters' | 'mains';

/** Why the machine does not work at all. */
export type Stands = 'no-system' | 'no-picture' | 'too-hot' | 'no-memory' | 'no-power';

/** A task that goes otherwise; `after` is undefined for one that does not run any more. */
export interface ChangedTask extends Pick<TaskResult, 'task' | 'mode' | 'unit'> {
  readonly before: Done;
  readonly after: Done | undefined;
}
type Done = Pick<TaskResult, 'gets' | 'verdict'>;
const doneOf = ({ gets, verdict }: Done): Done => ({ gets, verdict });

export interface Failure {
  readonly code: FailureCode;
  readonly item: string | undefined;
  /** How many there are of it, used alike: any of them. */
  readonly of: number;
  readonly stands: Stands | undefined;
  readonly tasks: readonly ChangedTask[];
  /** What was kept there: gone where there is no copy, else brought back from it. */
  readonly kept: readonly DriveRole[];
  /** Further drives of the volume that is gone with it. */
  readonly volumeWith: number;
  readonly copied: boolean;
  /** What has no room any more. */
  readonly noRoom: readonly string[];
  /** What it takes to have it again: bought new, and under its warranty. Undefined where there is nothing to buy. */
  readonly mend:
    | {
        readonly part: string;
        readonly newMinor: number | undefined;
        readonly newDays: number | undefined;
        readonly warrantyDays: number;
      }
    | undefined;
}

/** Below this change of what it gets a task is as before. */
const AS_BEFORE = 0.02;

/**
 * What still works when one thing fails (J60): each drive, a module, a card, each kind of fan or the pump, the room warmer,
 * filters after a year, the mains. Every answer is the assessment of the machine that is left.
 */
export function failuresOf(assessment: Assessment): Failure[] {
  const { facts } = assessment;
  const { parts, machine, brief, heat } = facts;
  const other = otherwise(assessment);
  const failures: Failure[] = [];
  const warrantyDays = daysWithout(supportOf(parts), facts.settings);

  const copied = brief.keeping !== undefined && brief.keeping !== 'one';
  const tight = ({ facts: { sittings } }: Assessment): string[] =>
    sittings.flatMap(({ holds }) => holds.flatMap(({ what, ratio }) => (ratio && ratio.likely < 1 ? [what] : [])));
  const before = new Set(tight(assessment));
  const noRoomIn = (left: Assessment): string[] => [...new Set(tight(left))].filter((what) => !before.has(what));

  function add(
    code: FailureCode,
    left: Assessment | undefined,
    given: {
      item?: string;
      of?: number;
      stands?: Stands;
      kept?: readonly DriveRole[];
      volumeWith?: number;
      part?: Part;
    } = {},
  ): void {
    const { item, part, kept = [] } = given;
    const hot = left?.facts.heat.sittings.some(({ worst }) => worst.shutsDown.length > 0) ?? false;
    const best = part && cheapestOffer(facts.catalogue, part, facts.region, facts.policy);
    failures.push({
      code,
      item,
      of: given.of ?? 1,
      stands: given.stands ?? (hot ? 'too-hot' : undefined),
      tasks: assessment.tasks.flatMap((before) => {
        const after = left?.tasks.find(({ task }) => task === before.task);
        const runs = after && after.impossible.length === 0 ? after : undefined;
        if (runs && sameAs(before, runs)) return [];
        const { task, mode, unit } = before;
        return [{ task, mode, unit, before: doneOf(before), after: runs && doneOf(runs) }];
      }),
      kept,
      volumeWith: given.volumeWith ?? 0,
      copied,
      noRoom: left ? noRoomIn(left) : [],
      mend: part && {
        part: part.id,
        newMinor: best?.landed.landedMinor,
        newDays: best?.offer.deliveryDays,
        warrantyDays,
      },
    });
  }
  const without = (item: string): Assessment => other.put(editMachine(machine, { kind: 'remove', item }));

  for (const { fitted, of } of alike(keepingDrives(parts))) {
    const { item, part } = fitted;
    const roles = item.roles ?? [];
    // drives of a role are one volume, but for the one that the system stands on
    const together = roles.includes('system')
      ? []
      : keepingDrives(parts).filter(
          (other) =>
            other.item.id !== item.id &&
            other.item.roles?.includes('system') !== true &&
            other.item.roles?.some((role) => roles.includes(role)) === true,
        );
    add('drive', without(item.id), {
      item: item.id,
      of,
      part,
      volumeWith: together.length,
      kept: roles.filter((role) => role !== 'scratch' && role !== 'system'),
      ...(roles.includes('system') || keepingDrives(parts).length === 1 ? { stands: 'no-system' as const } : {}),
    });
  }
  for (const { item, part } of parts.ofKind('memory')) {
    const left = (part.modules ?? 0) - 1;
    const last = left < 1 && parts.ofKind('memory').length === 1;
    add('module', left < 1 ? without(item.id) : other.made(new Map([[item.id, { ...part, modules: left }]])), {
      item: item.id,
      part,
      ...(last ? { stands: 'no-memory' as const } : {}),
    });
  }
  for (const { fitted, of } of alike(parts.ofKind('graphics'))) {
    const { item, part } = fitted;
    const draws = parts.one('processor')?.part.integratedGraphics;
    const blind = parts.ofKind('graphics').length === 1 && (draws === undefined || draws === 'none');
    add('card', without(item.id), { item: item.id, of, part, ...(blind ? { stands: 'no-picture' as const } : {}) });
  }
  cooling();
  add('room', other.put(machine, { ...brief, roomC: Math.min(60, brief.roomC + WARMER_K) }));
  const chassis = parts.one('case');
  const clogged = withAir(parts, PROVE.cloggedAir.value);
  if (chassis?.part.dustFilters === true && !heat.setup.air.open && clogged.size > 0)
    add('filters', other.made(clogged));
  add('mains', undefined, { stands: 'no-power' });
  return failures;

  function cooling(): void {
    const cooler = parts.one('cooler');
    if (cooler?.part.resistance && cooler.part.fans !== 0) {
      const worse = (factor: number): PartOf<'cooler'> => withResistance(cooler.part, factor);
      // one of several leaves the others; the last leaves bare fins
      const fans = cooler.part.fans ?? 1;
      const factor = fans > 1 ? fans / (fans - 1) : PROVE.stillCooler.value;
      add('cooler-fan', other.made(new Map([[cooler.item.id, worse(factor)]])), {
        item: cooler.item.id,
        part: cooler.part,
      });
      if (cooler.part.radiatorMm !== undefined)
        add('pump', other.made(new Map([[cooler.item.id, worse(PROVE.stillPump.value)]])), {
          item: cooler.item.id,
          part: cooler.part,
        });
    }
    for (const { fitted, of } of alike(parts.ofKind('fan')))
      add('case-fan', without(fitted.item.id), { item: fitted.item.id, of, part: fitted.part });
    const included = parts.one('case');
    const [first, ...rest] = included?.part.fansIncluded ?? [];
    if (included && first)
      add(
        'case-fan',
        other.made(
          new Map([
            [
              included.item.id,
              {
                ...included.part,
                fansIncluded: first.count > 1 ? [{ ...first, count: first.count - 1 }, ...rest] : rest,
              },
            ],
          ]),
        ),
        { item: included.item.id },
      );
  }
}

/** One for all that are of the same part and have the same roles and side, with how many they are. */
function alike<K extends PartKind>(all: readonly Fitted<K>[]): { fitted: Fitted<K>; of: number }[] {
  const groups = new Map<string, { fitted: Fitted<K>; of: number }>();
  for (const fitted of all) {
    const { roles, side } = fitted.item;
    const key = JSON.stringify([fitted.part.id, roles, side]);
    const known = groups.get(key);
    if (known) known.of++;
    else groups.set(key, { fitted, of: 1 });
  }
  return [...groups.values()];
}

/** A summer day, or an air conditioner that stands. */
const WARMER_K = 10;

const sameAs = (before: Done, after: Done): boolean =>
  before.verdict === after.verdict &&
  (before.gets === undefined ||
    after.gets === undefined ||
    Math.abs(Math.log(after.gets.likely / before.gets.likely)) < AS_BEFORE);
