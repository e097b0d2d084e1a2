import { assess, type Assessment, type Context } from '../assess';
import type { Brief } from '../brief';
import { editMachine, freshItemId, type MachineEdit } from '../edits';
import { fullName } from '../fitted';
import type { Machine } from '../machine';
import type { Part, PartKind } from '../parts';
import { SIDES } from '../parts/case';
import { findingKey, type Finding } from '../rules/rule';
import { bringsNothingAsBadAs, effectOf, mends, outcomeOf, type Effect } from './effect';
import { tuningsToTry } from './operatingPoints';
import { trialBench } from './trial';
import { finish, firstOfEach, type Trials } from './trials';

/** A single edit that mends a finding, found by trying it. */
export interface Remedy {
  readonly edit: MachineEdit;
  readonly part: Part | undefined;
  readonly effect: Effect;
}

/** Kinds that a machine can do without, so that leaving one out may be a remedy. */
const SPARE: readonly PartKind[] = ['expansion', 'fan', 'mixer', 'peripheral', 'accessory', 'display'];

/** Findings that another slot may mend. */
const MOVED: ReadonlySet<string> = new Set([
  'link',
  'device-place',
  'slot-off',
  'stream',
  'carrier',
  'drive-heatsink',
  'uplink',
  'collision',
  'reach',
]);

/** Findings that more air, a lower limit or another curve may mend. */
const WARM: ReadonlySet<string> = new Set(['cooler-load', 'card-load', 'case-air', 'noise']);

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
    if (item.upright) yield { edit: { kind: 'stand', item: id, upright: false }, part: undefined };
    else if (
      ['slot-off', 'collision', 'reach'].includes(finding.code) &&
      (part.kind === 'graphics' || part.kind === 'expansion')
    )
      yield { edit: { kind: 'stand', item: id, upright: true }, part: undefined };
    if (finding.code === 'collision' && (part.kind === 'cooler' || part.kind === 'fan'))
      for (const side of SIDES)
        if (side !== item.side) yield { edit: { kind: 'side', item: id, side }, part: undefined };
    if (machine.moduleSlots?.[id] !== undefined)
      yield { edit: { kind: 'seat-modules', item: id, slots: [] }, part: undefined };
    if (machine.pins?.[id] !== undefined) yield { edit: { kind: 'unpin', item: id }, part: undefined };
    else if (MOVED.has(finding.code))
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
  // one fan lets little in that cannot get out: two of a kind go to both ends
  if (finding.code === 'case-air')
    for (const part of catalogue.ofKind('fan'))
      if (buyable(part)) yield { edit: { kind: 'several', edits: severalOf(machine, part, 2) }, part: undefined };
  if (finding.code === 'data-cables' && finding.drives - finding.cables > 1)
    for (const part of catalogue.ofKind('accessory'))
      if (buyable(part) && part.cableFor === 'drive data') {
        const edits = severalOf(machine, part, finding.drives - finding.cables);
        yield { edit: { kind: 'several', edits }, part: undefined };
      }
  if (finding.code === 'surplus-fans' && finding.items.length > 1)
    yield {
      edit: { kind: 'several', edits: finding.items.map((item) => ({ kind: 'remove' as const, item })) },
      part: undefined,
    };
  if (WARM.has(finding.code)) {
    for (const tuning of tuningsToTry(assessed)) yield { edit: { kind: 'tune', tuning }, part: undefined };
    if (finding.code === 'cooler-load' || finding.code === 'card-load')
      for (const part of catalogue.ofKind('fan'))
        if (buyable(part))
          yield {
            edit: { kind: 'add', item: { id: freshItemId(machine, 'fan'), part: part.id, label: fullName(part) } },
            part,
          };
  }
  if (finding.code === 'memory-rate' || finding.code === 'profile-kind')
    yield { edit: { kind: 'memory-profile', profile: 'off' }, part: undefined };
  if (finding.code === 'firmware' && finding.takes !== undefined)
    yield { edit: { kind: 'firmware', version: finding.takes }, part: undefined };
  if (finding.code === 'system-drive')
    for (const id of finding.items)
      yield {
        edit: { kind: 'roles', item: id, roles: rolesSwitched(machine, id, finding.drives === 0) },
        part: undefined,
      };
}

/** Additions of a number of equal parts. */
const severalOf = (machine: Machine, part: Part, count: number) =>
  Array.from({ length: count }, (_, i) => ({
    kind: 'add' as const,
    item: { id: `${freshItemId(machine, part.kind)}.${i + 1}`, part: part.id, label: fullName(part) },
  }));

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
 * worse level has come. Those that keep every task's verdict stand first, then those that keep speed, then those that
 * bring nothing else, then those that mend most besides, then the cheapest.
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
  const bench = trialBench(before, brief, context);
  const now = outcomeOf(before);
  for (const { edit, part } of editsAgainst(machine, finding, context, before)) {
    const changed = editMachine(machine, edit);
    if (changed === machine) continue;
    yield;
    const effect = effectOf(now, bench.outcomeOf(edit, changed, part));
    if (effect.priceMinor === undefined) continue;
    if (finding.code === 'stream' && slows(effect, finding.taskId)) continue;
    if (finding.code === 'link' && slower(effect) > 0) continue;
    if (finding.code.startsWith('surplus-')) {
      // less of what is too much is a saving even while some is left, as long as nothing is lost by it
      if (effect.priceMinor < 0 && effect.brought.length === 0 && worsened(effect) + slower(effect) === 0)
        found.push({ edit, part, effect });
      continue;
    }
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
      brings(a.effect) - brings(b.effect) ||
      mends(b.effect) - mends(a.effect) ||
      cost(a) - cost(b),
  );
  const distinct = firstOfEach(found, ({ edit, part }) =>
    part ? `${edit.kind} ${part.variantOf ?? part.id}` : JSON.stringify(edit),
  );
  return spreadOver(distinct, limit);
}

/** A slower device no longer fills its link, which mends nothing: the task itself must not lose. */
function slows(effect: Effect, task: string): boolean {
  const change = effect.tasks.find((entry) => entry.task === task);
  return (change?.ratio?.likely ?? 0) < (change?.ratioBefore?.likely ?? 0) - 1e-9;
}

const RANK = { short: 0, unproven: 1, between: 2, carries: 3 } as const;
const worsened = (effect: Effect): number => effect.tasks.filter((task) => RANK[task.after] < RANK[task.before]).length;
/** Findings of a lesser level that come with it; a note is none. */
const brings = (effect: Effect): number => effect.brought.filter((finding) => finding.level !== 'note').length;
const slower = (effect: Effect): number => Number(effect.gain < -0.02);

/** The best of each kind of remedy first, then the next best, so that a choice is a choice. */
function spreadOver(remedies: readonly Remedy[], limit: number): Remedy[] {
  const kindOf = (remedy: Remedy) => `${remedy.edit.kind} ${remedy.part?.kind ?? ''}`;
  const firsts = remedies.filter((remedy, i) => remedies.findIndex((other) => kindOf(other) === kindOf(remedy)) === i);
  return [...firsts, ...remedies.filter((remedy) => !firsts.includes(remedy))].slice(0, limit);
}
