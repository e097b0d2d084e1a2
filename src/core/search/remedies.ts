import { assess, type Assessment, type Context } from '../assess';
import type { Brief } from '../brief';
import { editMachine, freshItemId, type MachineEdit } from '../edits';
import { fullName } from '../fitted';
import type { Machine } from '../machine';
import type { Part, PartKind } from '../parts';
import { findingKey, type Finding } from '../rules/rule';
import { bringsNothingAsBadAs, effectOf, type Effect } from './effect';
import { finish, firstOfEach, type Trials } from './trials';

/** A single edit that mends a finding, found by trying it. */
export interface Remedy {
  readonly edit: MachineEdit;
  readonly part: Part | undefined;
  readonly effect: Effect;
}

/** Kinds that a machine can do without, so that leaving one out may be a remedy. */
const SPARE: readonly PartKind[] = ['expansion', 'fan', 'mixer', 'peripheral', 'accessory', 'display'];

/** Every single edit worth trying against a finding: swaps of its items, additions, moves, removals and settings. */
function* editsAgainst(
  machine: Machine,
  finding: Finding,
  context: Context,
  assessed: Assessment,
): Generator<{ edit: MachineEdit; part: Part | undefined }> {
  const { catalogue, today } = context;
  const buyable = (part: Part) => part.withdrawn === undefined || part.withdrawn > today;
  for (const id of finding.items) {
    const item = machine.items.find((candidate) => candidate.id === id);
    const part = item && catalogue.part(item.part);
    if (!item) continue;
    if (!part) {
      yield { edit: { kind: 'remove', item: id }, part: undefined };
      continue;
    }
    for (const other of catalogue.ofKind(part.kind))
      if (other.id !== part.id && buyable(other))
        yield { edit: { kind: 'swap', item: id, part: other.id, label: fullName(other) }, part: other };
    if (SPARE.includes(part.kind)) yield { edit: { kind: 'remove', item: id }, part: undefined };
    if (machine.pins?.[id] !== undefined) yield { edit: { kind: 'unpin', item: id }, part: undefined };
    else if (finding.code === 'link' || finding.code === 'device-place' || finding.code === 'slot-off')
      for (const slot of assessed.facts.board?.slots ?? [])
        yield { edit: { kind: 'pin', item: id, slot: slot.id }, part: undefined };
  }
  for (const kind of finding.adds ?? [])
    for (const part of catalogue.ofKind(kind))
      if (buyable(part))
        yield {
          edit: {
            kind: 'add',
            item: {
              id: freshItemId(machine, kind),
              part: part.id,
              label: fullName(part),
              ...(kind === 'drive' ? { roles: rolesWanted(machine, finding) } : {}),
            },
          },
          part,
        };
  if (finding.code === 'memory-rate' || finding.code === 'profile-kind')
    yield { edit: { kind: 'memory-profile', profile: 'off' }, part: undefined };
  if (finding.code === 'system-drive')
    for (const id of finding.items)
      yield {
        edit: { kind: 'roles', item: id, roles: rolesSwitched(machine, id, finding.drives === 0) },
        part: undefined,
      };
}

const rolesWanted = (machine: Machine, finding: Finding) => {
  if (finding.code === 'space') return [finding.role as 'active'];
  return machine.items.some((item) => item.roles?.includes('system'))
    ? (['active'] as const).slice()
    : (['system'] as const).slice();
};

const rolesSwitched = (machine: Machine, id: string, on: boolean) => {
  const roles = machine.items.find((item) => item.id === id)?.roles ?? [];
  return on ? (['system', ...roles] as const).slice() : roles.filter((role) => role !== 'system');
};

/**
 * Remedies of a finding, best first: an edit counts when the finding is gone afterwards and nothing of the same or a
 * worse level has come. Those that keep every task's verdict stand first, then those that keep speed, then the cheapest.
 * At most `limit`, of different kinds of edit or part where there are such.
 */
export const remediesFor = (...args: Parameters<typeof remedyTrials>): Remedy[] => finish(remedyTrials(...args));

/** The same, a trial at a time. */
export function* remedyTrials(
  machine: Machine,
  brief: Brief,
  finding: Finding,
  context: Context,
  limit = 3,
  before: Assessment = assess(machine, brief, context),
): Trials<Remedy[]> {
  const key = findingKey(finding);
  const found: Remedy[] = [];
  for (const { edit, part } of editsAgainst(machine, finding, context, before)) {
    const changed = editMachine(machine, edit);
    if (changed === machine) continue;
    yield;
    const effect = effectOf(before, assess(changed, brief, context));
    if (effect.priceMinor === undefined) continue;
    if (!effect.mended.some((mended) => findingKey(mended) === key) || !bringsNothingAsBadAs(effect, finding.level))
      continue;
    found.push({ edit, part, effect });
  }
  // for a missing figure the nearest in price is the likeliest to be wanted; a real fault is mended for the least
  const cost = (remedy: Remedy) =>
    finding.code === 'unknown-figure' ? Math.abs(remedy.effect.priceMinor ?? 0) : (remedy.effect.priceMinor ?? 0);
  found.sort(
    (a, b) =>
      worsened(a.effect) - worsened(b.effect) ||
      slower(a.effect) - slower(b.effect) ||
      b.effect.mended.length - a.effect.mended.length ||
      cost(a) - cost(b),
  );
  const distinct = firstOfEach(found, ({ edit, part }) =>
    part ? `${edit.kind} ${part.variantOf ?? part.id}` : JSON.stringify(edit),
  );
  return spreadOver(distinct, limit);
}

const RANK = { short: 0, unproven: 1, between: 2, carries: 3 } as const;
const worsened = (effect: Effect): number => effect.tasks.filter((task) => RANK[task.after] < RANK[task.before]).length;
const slower = (effect: Effect): number => Number(effect.gain < -0.02);

/** The best of each kind of remedy first, then the next best, so that a choice is a choice. */
function spreadOver(remedies: readonly Remedy[], limit: number): Remedy[] {
  const kindOf = (remedy: Remedy) => `${remedy.edit.kind} ${remedy.part?.kind ?? ''}`;
  const firsts = remedies.filter((remedy, i) => remedies.findIndex((other) => kindOf(other) === kindOf(remedy)) === i);
  return [...firsts, ...remedies.filter((remedy) => !firsts.includes(remedy))].slice(0, limit);
}
