import { saleState } from '../parts/onSale';
import { subjectOf, type Assessment, type Context } from '../assess';
import type { Brief } from '../model/brief';
import { editMachine, freshItemId, purchased, type MachineEdit } from '../model/edits';
import { fullName } from '../model/fitted';
import type { DriveRole } from '../figures/resources';
import type { Machine } from '../model/machine';
import { cheapestOffer } from '../money/landed';
import type { Part, PartKind } from '../parts';
import { compareParts } from '../parts/order';
import { askedOf, shortfall } from '../sizing/asked';
import { compareStandings, effectOf, standing, type Effect } from './effect';
import { trialBench } from './trial';
import { finish, type Trials } from '../assess/trials';

/** The position being filled: an item to replace, or a new one of a kind (with the roles a new drive gets). */
export interface Position {
  readonly kind: PartKind;
  /** Further kinds that the position takes. */
  readonly also?: readonly PartKind[] | undefined;
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
  const changed = purchased(machine, edit);
  return position.pin !== undefined && edit.kind === 'add'
    ? editMachine(changed, { kind: 'pin', item: edit.item.id, slot: position.pin })
    : changed;
}

/**
 * Every part of the position's kind with its effect, those that fit first, each group ranked by `standing`.
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
  before: Assessment = subjectOf(brief, context).assess(machine),
): Trials<Candidate[]> {
  const current = machine.items.find((item) => item.id === position.item)?.part;
  const candidates: Candidate[] = [];
  const bench = trialBench(before, brief, context);
  const { now } = bench;
  const kinds = [position.kind, ...(position.also ?? [])];
  for (const part of kinds.flatMap((kind): readonly Part[] => context.catalogue.ofKind(kind))) {
    if (part.id !== current && saleState(part, context.today) === 'withdrawn') continue;
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
  const asked = askedOf(brief, context);
  const around = { parts: before.facts.parts, roles: position.roles ?? [], roomC: brief.roomC };
  /** Into an empty place goes what the work asks of its kind before what costs least. */
  const rankOf = ({ effect, part }: Candidate): readonly number[] => {
    const ranks = standing(effect);
    return position.item === undefined
      ? [...ranks.slice(0, -1), -Math.round(shortfall(part, asked, around) * 1e4), ranks.at(-1) ?? 0]
      : ranks;
  };
  return candidates
    .map((candidate) => ({
      candidate,
      rank: [Number(candidate.fits), ...rankOf(candidate)],
    }))
    .sort((a, b) => compareStandings(a.rank, b.rank) || compareParts(a.candidate.part, b.candidate.part))
    .map(({ candidate }) => candidate);
}
