import { assess, type Assessment, type Context } from '../assess';
import type { Brief } from '../brief';
import { editMachine, freshItemId, type MachineEdit } from '../edits';
import { fullName } from '../fitted';
import type { DriveRole, Machine } from '../machine';
import { cheapestOffer } from '../money/landed';
import type { Part, PartKind } from '../parts';
import { compareStandings, effectOf, outcomeOf, standing, type Effect } from './effect';
import { trialBench } from './trial';
import { finish, type Trials } from './trials';

/** The position being filled: an item to replace, or a new one of a kind (with the roles a new drive gets). */
export interface Position {
  readonly kind: PartKind;
  readonly item?: string | undefined;
  readonly roles?: readonly DriveRole[] | undefined;
  readonly pin?: string | undefined;
}

/** A part that could take the position, with what it would do. */
export interface Candidate {
  readonly part: Part;
  readonly edit: MachineEdit;
  readonly effect: Effect;
  readonly landedMinor: number | undefined;
  /** Brings nothing that blocks. */
  readonly fits: boolean;
  readonly current: boolean;
}

/** The edit that puts a part into a position. */
export function editFor(machine: Machine, position: Position, part: Part): MachineEdit {
  if (position.item !== undefined) return { kind: 'swap', item: position.item, part: part.id, label: fullName(part) };
  const id = freshItemId(machine, part.kind);
  return {
    kind: 'add',
    item: {
      id,
      part: part.id,
      label: fullName(part),
      ...(part.kind === 'drive' ? { roles: [...(position.roles ?? ['active'])] } : {}),
    },
  };
}

/** The machine with a part in a position, pinned where the position says so. */
export function withPart(machine: Machine, position: Position, part: Part): Machine {
  const edit = editFor(machine, position, part);
  const changed = editMachine(machine, edit);
  return position.pin !== undefined && edit.kind === 'add'
    ? editMachine(changed, { kind: 'pin', item: edit.item.id, slot: position.pin })
    : changed;
}

/**
 * Every part of the position's kind with its effect, those that fit first, each group ranked by `compareEffects`.
 * Parts withdrawn by today are left out unless they are the current one.
 */
export const rankCandidates = (...args: Parameters<typeof candidateTrials>): Candidate[] =>
  finish(candidateTrials(...args));

/** The same, a trial at a time. */
export function* candidateTrials(
  machine: Machine,
  brief: Brief,
  position: Position,
  context: Context,
  before: Assessment = assess(machine, brief, context),
): Trials<Candidate[]> {
  const current = machine.items.find((item) => item.id === position.item)?.part;
  const candidates: Candidate[] = [];
  const bench = trialBench(before, brief, context);
  const now = outcomeOf(before);
  for (const part of context.catalogue.ofKind(position.kind)) {
    if (part.id !== current && part.withdrawn !== undefined && part.withdrawn <= context.today) continue;
    const edit = editFor(machine, position, part);
    const after = part.id === current ? now : bench.outcomeOf(edit, withPart(machine, position, part), part);
    const effect = effectOf(now, after);
    candidates.push({
      part,
      edit,
      effect,
      landedMinor: cheapestOffer(context.catalogue, part, before.region, before.facts.policy)?.landed.landedMinor,
      fits: effect.brought.every((finding) => finding.level !== 'blocks'),
      current: part.id === current,
    });
    yield;
  }
  return candidates
    .map((candidate) => ({ candidate, rank: [Number(candidate.fits), ...standing(candidate.effect)] }))
    .sort((a, b) => compareStandings(a.rank, b.rank) || (a.candidate.part.id < b.candidate.part.id ? -1 : 1))
    .map(({ candidate }) => candidate);
}
