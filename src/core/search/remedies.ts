import { isOnSale } from '../parts/onSale';
import { rootOf } from '../parts/lookalikes';
import { subjectOf, type Assessment, type Context } from '../assess';
import type { Brief } from '../model/brief';
import { editMachine, purchased, type MachineEdit } from '../model/edits';
import { fitParts, fullName, type FittedParts } from '../model/fitted';
import type { DriveRole } from '../figures/resources';
import type { Machine } from '../model/machine';
import type { Part, PartKind } from '../parts';
import { type Finding } from '../rules/rule';
import { ruleOf } from '../rules';
import { askedOf, shortfall, type Asked } from '../sizing/asked';
import { LOWEST_FIRST } from '../units/band';
import { bringsNothingAsBadAs, effectOf, mends, type Effect, type WorkEffect } from './effect';
import { trialBench } from './trial';
import { freshItem, WAYS, type Against, type Trial } from './ways';
import { finish, firstOfEach, type Trials } from '../assess/trials';

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

/** Every edit worth trying against a finding: swaps and removals of its items, what undoes a choice by hand, additions, and its rule's ways. */
function* editsAgainst(against: Against, asked: Asked): Generator<Trial> {
  const { machine, finding, assessed, buyable } = against;
  for (const id of finding.items) {
    const item = machine.items.find((candidate) => candidate.id === id);
    const part = item && assessed.facts.catalogue.part(item.part);
    if (!item) continue;
    if (!part) {
      yield { edit: { kind: 'remove', item: id }, part: undefined };
      continue;
    }
    for (const other of buyable(part.kind))
      if (other.id !== part.id)
        yield { edit: { kind: 'swap', item: id, part: other.id, label: fullName(other) }, part: other };
    if (SPARE.includes(part.kind)) yield { edit: { kind: 'remove', item: id }, part: undefined };
    if (item.upright) yield { edit: { kind: 'stand', item: id, upright: false }, part: undefined };
    if (machine.moduleSlots?.[id] !== undefined)
      yield { edit: { kind: 'seat-modules', item: id, slots: [] }, part: undefined };
    if (machine.pins?.[id] !== undefined) yield { edit: { kind: 'unpin', item: id }, part: undefined };
  }
  for (const kind of finding.adds ?? [])
    for (const part of buyable(kind)) {
      const roles = kind === 'drive' ? { roles: rolesWanted(machine, finding, asked) } : {};
      yield { edit: { kind: 'add', item: { ...freshItem(machine, part), ...roles } }, part };
    }
  for (const way of ruleOf(finding).mendedBy ?? []) yield* WAYS[way](against);
}

/** Roles of a drive that is added: the one that the finding is about, else all that the work asks for and nobody has. */
export function rolesWanted(machine: Machine, finding: Finding | undefined, asked: Asked): DriveRole[] {
  if (finding?.code === 'space') return [finding.role as DriveRole];
  const had = new Set(machine.items.flatMap((item) => item.roles ?? []));
  const wanted = (['system', ...asked.roles.map(({ role }) => role)] as const).filter((role) => !had.has(role));
  return wanted.length > 0 ? [...new Set(wanted)] : ['active'];
}

/**
 * Remedies of a finding, best first: an edit counts when the finding is gone afterwards and nothing of the same or a
 * worse level has come. Those that keep every task's verdict stand first, then those that keep speed, then those whose part
 * lacks least of what the work asks for, then those that bring nothing else, then those that mend most besides, then the
 * cheapest.
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
  const found: (Remedy & { readonly lacks: number })[] = [];
  const bench = trialBench(before, brief, context);
  const { now } = bench;
  const asked = askedOf(brief, context);
  // findings that money is freed for, at no loss worse than a note
  const { saves } = ruleOf(finding);
  const buyable = (kind: PartKind): readonly Part[] =>
    context.catalogue.ofKind(kind).filter((part: Part) => isOnSale(part, context.today));
  const lackOf = lackingBy(machine, brief, context, asked);
  const front = frontOf(limit);
  // what has most of what the work asks for first: once enough is found, what lacks more need not be tried
  const trials = Array.from(editsAgainst({ machine, finding, assessed: before, buyable }, asked), (trial) => ({
    ...trial,
    lacks: lackOf(trial),
  })).sort((a, b) => a.lacks - b.lacks);
  for (const trial of trials) {
    const { edit, part, lacks } = trial;
    if (front.isBefore(trial)) continue;
    const changed = purchased(machine, edit);
    if (changed === machine) continue;
    yield;
    if (bench.turnedDown(changed, saves ? 'caution' : finding.level)) continue;
    // less of what is too much counts as well, and work that comes nearer
    if (
      !saves &&
      bench.leaves(finding, edit, changed, part) &&
      !(finding.code === 'task-result' && nearer(bench.glance(edit, changed, part).work, finding.taskId))
    )
      continue;
    const effect = effectOf(now, bench.outcomeOf(edit, changed, part));
    if (effect.priceMinor === undefined) continue;
    if (finding.code === 'stream' && slows(effect, finding.taskId)) continue;
    if (finding.code === 'link' && slower(effect) > 0) continue;
    if (saves) {
      // less of what is too much is a saving even while some is left, as long as nothing is lost by it
      const replaced = edit.kind === 'swap' ? partOf(machine, edit.item, context) : undefined;
      if (part && replaced && !saves(finding, replaced, part)) continue;
      if (effect.priceMinor < 0 && noWorseThanNotes(effect) && worsened(effect) + slower(effect) === 0) {
        found.push({ edit, part, effect, lacks });
        front.add(trial);
      }
      continue;
    }
    if (!bringsNothingAsBadAs(effect, finding.level)) continue;
    if (effect.mended.some((mended) => mended.key === key)) {
      found.push({ edit, part, effect, lacks });
      if (worsened(effect) + slower(effect) === 0) front.add(trial);
    } else if (finding.code === 'task-result' && nearer(effect, finding.taskId))
      found.push({ edit, part, effect, lacks, nearer: true });
  }
  // for a missing figure the nearest in price is the likeliest to be wanted; a real fault is mended for the least
  const cost = (remedy: Remedy) =>
    finding.code === 'unknown-figure' ? Math.abs(remedy.effect.priceMinor ?? 0) : (remedy.effect.priceMinor ?? 0);
  found.sort(
    (a, b) =>
      Number(a.nearer ?? false) - Number(b.nearer ?? false) ||
      (a.nearer && b.nearer ? b.effect.gain - a.effect.gain : 0) ||
      worsened(a.effect) - worsened(b.effect) ||
      slower(a.effect) - slower(b.effect) ||
      a.lacks - b.lacks ||
      brings(a.effect) - brings(b.effect) ||
      mends(b.effect) - mends(a.effect) ||
      cost(a) - cost(b),
  );
  const distinct = firstOfEach(found, groupOf);
  return spreadOver(
    distinct.map(({ lacks: _, ...remedy }) => remedy),
    limit,
  );
}

/** Kind of edit and part: of each kind the best is offered first. */
const kindOf = ({ edit, part }: Trial): string => `${edit.kind} ${part?.kind ?? ''}`;

/** What counts as one remedy: of parts that are editions of one another the best stands for all. */
const groupOf = ({ edit, part }: Trial): string => (part ? `${edit.kind} ${rootOf(part)}` : JSON.stringify(edit));

/**
 * Remedies that keep every verdict and speed, as they are found, those that lack least first. Whatever lacks more stands
 * behind all of them: where its kind has one and there are as many as are offered, it cannot be among the offered.
 */
function frontOf(limit: number) {
  const [kinds, groups] = [new Set<string>(), new Set<string>()];
  let level: { readonly lacks: number; readonly trials: Trial[] } = { lacks: 0, trials: [] };
  return {
    add: (trial: Trial): void => void level.trials.push(trial),
    isBefore: (trial: Trial & { readonly lacks: number }): boolean => {
      if (trial.lacks > level.lacks) {
        for (const found of level.trials) {
          kinds.add(kindOf(found));
          groups.add(groupOf(found));
        }
        level = { lacks: trial.lacks, trials: [] };
      }
      return groups.size >= limit && kinds.has(kindOf(trial));
    },
  };
}

const partOf = (machine: Machine, item: string, context: Context): Part | undefined => {
  const id = machine.items.find((entry) => entry.id === item)?.part;
  return id === undefined ? undefined : context.catalogue.part(id);
};

/** Another note is no loss: less of what is too much may still be too much of something else. */
const noWorseThanNotes = (effect: Effect): boolean => effect.brought.every(({ level }) => level === 'note');

/** A slower device no longer fills its link, which mends nothing: the task itself must not lose. */
function slows(effect: Effect, task: string): boolean {
  const change = effect.tasks.find((entry) => entry.task === task);
  return (change?.ratio?.likely ?? 0) < (change?.ratioBefore?.likely ?? 0) - 1e-9;
}

/** Share by which a task has to come nearer to its target to be worth a word. */
const NEARER = 1.05;

/** Whether a task that stays short runs at all now, or comes clearly nearer to its target, and no other loses by it. */
function nearer(effect: WorkEffect, task: string): boolean {
  const change = effect.tasks.find((entry) => entry.task === task);
  if (!change?.ratio) return false;
  return effect.gain > 0 && change.ratio.likely > (change.ratioBefore?.likely ?? 0) * NEARER;
}

/**
 * How far the part that a remedy brings is from what the work asks of its kind. What somebody has to choose anyway is
 * chosen for the work, not for silencing a finding at the least cost.
 */
function lackingBy(machine: Machine, brief: Brief, context: Context, asked: Asked): (trial: Trial) => number {
  const parts = fitParts(machine, context.catalogue);
  const without = new Map<string, FittedParts>();
  function partsWithout(item: string): FittedParts {
    let rest = without.get(item);
    if (!rest) without.set(item, (rest = fitParts(editMachine(machine, { kind: 'remove', item }), context.catalogue)));
    return rest;
  }
  return ({ edit, part }) => {
    if (!part) return 0;
    const roles =
      edit.kind === 'add'
        ? (edit.item.roles ?? [])
        : edit.kind === 'swap'
          ? (machine.items.find((item) => item.id === edit.item)?.roles ?? [])
          : [];
    const around = edit.kind === 'swap' ? partsWithout(edit.item) : parts;
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
  const firsts = remedies.filter((remedy, i) => remedies.findIndex((other) => kindOf(other) === kindOf(remedy)) === i);
  return [...firsts, ...remedies.filter((remedy) => !firsts.includes(remedy))].slice(0, limit);
}
