import type { Catalogue } from '../model/catalogue';
import { fitParts, type FittedParts } from '../model/fitted';
import type { Machine } from '../model/machine';
import type { Part, PartOf } from '../parts';
import { EVIDENCE } from './constants';
import type { Measurement, Workload } from '../model/measurement';

/**
 * A measurement and how alike its machine is: `about` is the part of this machine that it speaks of, `apart` the
 * ln-spread between the two, 0 for the same.
 */
export interface Comparable {
  readonly measurement: Measurement;
  readonly about: string | undefined;
  readonly apart: number;
}

/** A machine with results of its own, and its parts found once. */
export interface MeasuredMachine {
  readonly machine: Machine;
  readonly parts: FittedParts;
}

export const measuredMachines = (machines: readonly Machine[], catalogue: Catalogue): MeasuredMachine[] =>
  machines
    .filter(({ evidence = [] }) => evidence.length > 0)
    .map((machine) => ({ machine, parts: fitParts(machine, catalogue) }));

/** The part that a result is about: a drive, the memory kit, or else the processor. */
export function subjectOf(workload: Workload, parts: FittedParts): string | undefined {
  if (workload.work === 'drive') return measuredDrive(workload, parts)?.id;
  if (workload.work === 'memory') return parts.ofKind('memory')[0]?.part.id;
  return parts.one('processor')?.part.id;
}

/** A result with the part that was measured, so that another one in its place is not taken for it. */
export function withPart(measurement: Measurement, parts: FittedParts): Measurement {
  const part = subjectOf(measurement.workload, parts);
  return part === undefined ? measurement : { ...measurement, part };
}

/** The drive that was measured: the one that is named, or the only one there is. */
export function measuredDrive(
  { item }: Extract<Workload, { work: 'drive' }>,
  parts: FittedParts,
): PartOf<'drive'> | undefined {
  const drives = parts.ofKind('drive');
  const named = item === undefined ? undefined : drives.find((drive) => drive.item.id === item);
  return (named ?? (drives.length === 1 ? drives[0] : undefined))?.part;
}

/**
 * Measurements that say something of a machine. Results on its own parts count in full; results on the same part in
 * another machine, or on a part that was in this one before, with more doubt; a processor's also for others of its
 * family. Everything else is no evidence for it.
 */
export function comparableTo(
  machine: Pick<Machine, 'id' | 'evidence'>,
  parts: FittedParts,
  measured: readonly MeasuredMachine[],
  catalogue: Catalogue,
): Comparable[] {
  const own = (machine.evidence ?? []).flatMap((measurement) => {
    const about = measurement.part ?? subjectOf(measurement.workload, parts);
    const mine = subjectOn(measurement, about, parts);
    // without any part to name, what was measured here was measured on what is here
    if (about === undefined || about === mine) return [{ measurement, about: mine, apart: 0 }];
    return likeness(measurement, about, mine, catalogue);
  });
  const others = measured
    .filter((other) => other.machine.id !== machine.id)
    .flatMap((other) =>
      (other.machine.evidence ?? []).flatMap((measurement) => {
        const about = measurement.part ?? subjectOf(measurement.workload, other.parts);
        return likeness(measurement, about, subjectOn(measurement, about, parts), catalogue);
      }),
    );
  // a copied draft brings its results along: each counts once, as what it is here
  const once = new Map<string, Comparable>();
  for (const each of [...own, ...others]) {
    const { use: _use, ...result } = each.measurement;
    const key = JSON.stringify(result);
    if (!once.has(key)) once.set(key, each);
  }
  return [...once.values()];
}

/** Parts that results speak of, in a machine that has results of its own, if any, or in others: as they are or as one of a family. */
export function spokenOf(
  own: Pick<Machine, 'evidence'> | undefined,
  { measured, catalogue }: { readonly measured: readonly MeasuredMachine[]; readonly catalogue: Catalogue },
): (part: Part) => boolean {
  const mine = (own?.evidence ?? []).map(({ part }) => part);
  // what was measured here without a part to name was measured on whatever is here
  if (mine.includes(undefined)) return () => true;
  const ids = new Set([
    ...mine,
    ...measured.flatMap(({ machine, parts }) =>
      (machine.evidence ?? []).map(({ part, workload }) => part ?? subjectOf(workload, parts)),
    ),
  ]);
  const families = new Set([...ids].flatMap((id) => familyOf(id === undefined ? undefined : catalogue.part(id)) ?? []));
  return (part) => ids.has(part.id) || families.has(familyOf(part) ?? '');
}

/** Whose family a processor is of: results on one of it say something of the others. */
const familyOf = (part: Part | undefined): string | undefined =>
  part?.kind === 'processor' && part.family !== undefined ? `${part.maker} ${part.family}` : undefined;

/** The part of this machine that a result about `about` could speak of. */
function subjectOn({ workload }: Measurement, about: string | undefined, parts: FittedParts): string | undefined {
  if (workload.work !== 'drive') return subjectOf(workload, parts);
  return parts.ofKind('drive').find(({ part }) => part.id === about)?.part.id;
}

function likeness(
  measurement: Measurement,
  about: string | undefined,
  mine: string | undefined,
  catalogue: Catalogue,
): Comparable[] {
  if (about === undefined || mine === undefined) return [];
  if (about === mine) return [{ measurement, about: mine, apart: EVIDENCE.samePart.value }];
  const [there, here] = [catalogue.part(about), catalogue.part(mine)];
  const family = familyOf(there);
  return family !== undefined && family === familyOf(here)
    ? [{ measurement, about: mine, apart: EVIDENCE.sameFamily.value }]
    : [];
}
