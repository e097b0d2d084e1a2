import { isOnSale } from '../parts/onSale';
import { subjectOf, type Assessment, type Context } from '../assess';
import type { Brief } from '../model/brief';
import { editMachine, freshItemId, type MachineEdit } from '../model/edits';
import { fitParts, fullName } from '../model/fitted';
import type { DriveRole } from '../figures/resources';
import type { Machine } from '../model/machine';
import type { Part, PartKind } from '../parts';
import { SIDES } from '../parts/case';
import { type Finding } from '../rules/rule';
import { askedOf, shortfall, type Asked } from '../sizing/asked';
import { LOWEST_FIRST } from '../units/band';
import { bringsNothingAsBadAs, effectOf, mends, type Effect } from './effect';
import { tuningsToTry } from './operatingPoints';
import { trialBench } from './trial';
import { finish, firstOfEach, type Trials } from '../assess/trials';
import { kitGiB } from '../parts/memory';

/** A single edit that mends a finding, found by trying it. */
export interface Remedy {
  readonly edit: MachineEdit;
  readonly part: Part | undefined;
  readonly effect: Effect;
  /** It brings a task nearer to its target and does not reach it. */
  readonly nearer?: true;
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
  asked: Asked,
): Generator<{ edit: MachineEdit; part: Part | undefined }> {
  const { catalogue, today } = context;
  const buyable = (part: Part) => isOnSale(part, today);
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
              ...(kind === 'drive' ? { roles: rolesWanted(machine, finding, asked) } : {}),
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

/** Roles of a drive that is added: the one that the finding is about, else all that the work asks for and nobody has. */
export function rolesWanted(machine: Machine, finding: Finding | undefined, asked: Asked): DriveRole[] {
  if (finding?.code === 'space') return [finding.role as DriveRole];
  const had = new Set(machine.items.flatMap((item) => item.roles ?? []));
  const wanted = (['system', ...asked.roles.map(({ role }) => role)] as const).filter((role) => !had.has(role));
  return wanted.length > 0 ? [...new Set(wanted)] : ['active'];
}

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
  before: Assessment = subjectOf(brief, context).assess(machine),
): Trials<Remedy[]> {
  const key = finding.key;
  const found: Remedy[] = [];
  const bench = trialBench(before, brief, context);
  const { now } = bench;
  const asked = askedOf(brief, context);
  for (const { edit, part } of editsAgainst(machine, finding, context, before, asked)) {
    const changed = editMachine(machine, edit);
    if (changed === machine) continue;
    yield;
    if (bench.turnedDown(changed, isSaving(finding) ? 'caution' : finding.level)) continue;
    // work that comes nearer counts as well, and less of what is too much
    if (finding.code !== 'task-result' && !isSaving(finding) && bench.leaves(changed, finding)) continue;
    const effect = effectOf(now, bench.outcomeOf(edit, changed, part));
    if (effect.priceMinor === undefined) continue;
    if (finding.code === 'stream' && slows(effect, finding.taskId)) continue;
    if (finding.code === 'link' && slower(effect) > 0) continue;
    if (isSaving(finding)) {
      // less of what is too much is a saving even while some is left, as long as nothing is lost by it
      const replaced = edit.kind === 'swap' ? partOf(machine, edit.item, context) : undefined;
      if (part && replaced && !doesWhatItSays(finding, replaced, part)) continue;
      if (effect.priceMinor < 0 && noWorseThanNotes(effect) && worsened(effect) + slower(effect) === 0)
        found.push({ edit, part, effect });
      continue;
    }
    if (!bringsNothingAsBadAs(effect, finding.level)) continue;
    if (effect.mended.some((mended) => mended.key === key)) found.push({ edit, part, effect });
    else if (finding.code === 'task-result' && nearer(effect, finding.taskId))
      found.push({ edit, part, effect, nearer: true });
  }
  const lackOf = lackingBy(machine, brief, context, asked);
  const lacks = new Map(found.map((remedy) => [remedy, lackOf(remedy)]));
  // for a missing figure the nearest in price is the likeliest to be wanted; a real fault is mended for the least
  const cost = (remedy: Remedy) =>
    finding.code === 'unknown-figure' ? Math.abs(remedy.effect.priceMinor ?? 0) : (remedy.effect.priceMinor ?? 0);
  found.sort(
    (a, b) =>
      Number(a.nearer ?? false) - Number(b.nearer ?? false) ||
      (a.nearer && b.nearer ? b.effect.gain - a.effect.gain : 0) ||
      worsened(a.effect) - worsened(b.effect) ||
      slower(a.effect) - slower(b.effect) ||
      (lacks.get(a) ?? 0) - (lacks.get(b) ?? 0) ||
      brings(a.effect) - brings(b.effect) ||
      mends(b.effect) - mends(a.effect) ||
      cost(a) - cost(b),
  );
  const distinct = firstOfEach(found, ({ edit, part }) =>
    part ? `${edit.kind} ${part.variantOf ?? part.id}` : JSON.stringify(edit),
  );
  return spreadOver(distinct, limit);
}

/** Findings that money is freed for, at no loss worse than a note. */
const isSaving = ({ code }: Finding): boolean => code.startsWith('surplus-') || code === 'budget';

const partOf = (machine: Machine, item: string, context: Context): Part | undefined => {
  const id = machine.items.find((entry) => entry.id === item)?.part;
  return id === undefined ? undefined : context.catalogue.part(id);
};

/** Another note is no loss: less of what is too much may still be too much of something else. */
const noWorseThanNotes = (effect: Effect): boolean => effect.brought.every(({ level }) => level === 'note');

/** Whether a swap is what the advice says: a smaller supply is smaller, slower memory is as much memory. */
function doesWhatItSays(finding: Finding, from: Part, to: Part): boolean {
  const less = (had: number | undefined, has: number | undefined) =>
    had !== undefined && has !== undefined && has < had;
  switch (finding.code) {
    case 'surplus-supply':
      return from.kind === 'supply' && to.kind === 'supply' && less(from.ratedW, to.ratedW);
    case 'surplus-rate':
      return (
        from.kind === 'memory' &&
        to.kind === 'memory' &&
        less(from.rateMTs, to.rateMTs) &&
        !less(kitGiB(from), kitGiB(to)) &&
        kitGiB(to) !== undefined
      );
    case 'surplus-memory':
      return from.kind === 'memory' && to.kind === 'memory' && less(kitGiB(from), kitGiB(to));
    case 'surplus-space':
      return from.kind === 'drive' && to.kind === 'drive' && less(from.capacityGB, to.capacityGB);
    case 'surplus-graphics-memory':
      return from.kind === 'graphics' && to.kind === 'graphics' && less(from.memoryGiB, to.memoryGiB);
    case 'surplus-unlocked':
      return from.kind === 'processor' && to.kind === 'processor' && to.unlocked !== true;
    default:
      return true;
  }
}

/** A slower device no longer fills its link, which mends nothing: the task itself must not lose. */
function slows(effect: Effect, task: string): boolean {
  const change = effect.tasks.find((entry) => entry.task === task);
  return (change?.ratio?.likely ?? 0) < (change?.ratioBefore?.likely ?? 0) - 1e-9;
}

/** Share by which a task has to come nearer to its target to be worth a word. */
const NEARER = 1.05;

/** Whether a task that stays short runs at all now, or comes clearly nearer to its target, and no other loses by it. */
function nearer(effect: Effect, task: string): boolean {
  const change = effect.tasks.find((entry) => entry.task === task);
  if (!change?.ratio) return false;
  return effect.gain > 0 && change.ratio.likely > (change.ratioBefore?.likely ?? 0) * NEARER;
}

/**
 * How far the part that a remedy brings is from what the work asks of its kind. What somebody has to choose anyway is
 * chosen for the work, not for silencing a finding at the least cost.
 */
function lackingBy(machine: Machine, brief: Brief, context: Context, asked: Asked): (remedy: Remedy) => number {
  const parts = fitParts(machine, context.catalogue);
  return ({ edit, part }) => {
    if (!part) return 0;
    const roles =
      edit.kind === 'add'
        ? (edit.item.roles ?? [])
        : edit.kind === 'swap'
          ? (machine.items.find((item) => item.id === edit.item)?.roles ?? [])
          : [];
    const around =
      edit.kind === 'swap'
        ? fitParts(editMachine(machine, { kind: 'remove', item: edit.item }), context.catalogue)
        : parts;
    return Math.round(shortfall(part, asked, { parts: around, roles, roomC: brief.roomC }) * 1e4) / 1e4;
  };
}

const worsened = (effect: Effect): number =>
  effect.tasks.filter((task) => LOWEST_FIRST[task.after] < LOWEST_FIRST[task.before]).length;
/** Findings of a lesser level that come with it; a note is none. */
const brings = (effect: Effect): number => effect.brought.filter((finding) => finding.level !== 'note').length;
const slower = (effect: Effect): number => Number(effect.gain < -0.02);

/** The best of each kind of remedy first, then the next best, so that a choice is a choice. */
function spreadOver(remedies: readonly Remedy[], limit: number): Remedy[] {
  const kindOf = (remedy: Remedy) => `${remedy.edit.kind} ${remedy.part?.kind ?? ''}`;
  const firsts = remedies.filter((remedy, i) => remedies.findIndex((other) => kindOf(other) === kindOf(remedy)) === i);
  return [...firsts, ...remedies.filter((remedy) => !firsts.includes(remedy))].slice(0, limit);
}
