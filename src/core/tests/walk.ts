import type { Assessment } from '../assess';
import type { Catalogue } from '../model/catalogue';
import { editMachine, freshItemId, type MachineEdit } from '../model/edits';
import { fullName } from '../model/fitted';
import type { Machine } from '../model/machine';
import { DRIVE_ROLES } from '../figures/resources';
import { PART_KINDS, type PartKind } from '../parts';

/** Numbers in [0, 1) from a seed (mulberry32). */
export function numbers(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** A machine after each of some random edits: swaps, additions, removals, roles, pins, owners, prices, tuning, firmware. */
export function* walk(start: Machine, catalogue: Catalogue, next: () => number, steps: number): Generator<Machine> {
  const one = <T>(list: readonly T[]): T | undefined => list[Math.floor(next() * list.length)];
  let machine = start;
  for (let i = 0; i < steps; i++) {
    const edit = randomEdit();
    if (edit) machine = editMachine(machine, edit);
    yield machine;
  }

  function partOf(kind: PartKind) {
    return one(catalogue.ofKind(kind));
  }

  function randomEdit(): MachineEdit | undefined {
    const item = one(machine.items);
    const part = item && catalogue.part(item.part);
    const dice = next();
    if (dice < 0.5 && item && part) {
      const other = partOf(part.kind);
      return other && { kind: 'swap', item: item.id, part: other.id, label: fullName(other) };
    }
    if (dice < 0.62) {
      const kind = one(PART_KINDS);
      const added = kind && partOf(kind);
      if (!added) return undefined;
      const role = one(DRIVE_ROLES);
      return {
        kind: 'add',
        item: {
          id: freshItemId(machine, added.kind),
          part: added.id,
          label: fullName(added),
          ...(added.kind === 'drive' && role ? { roles: [role] } : {}),
        },
      };
    }
    if (!item) return undefined;
    if (dice < 0.7) return { kind: 'remove', item: item.id };
    if (dice < 0.75) return { kind: 'own', item: item.id, owned: next() < 0.5 };
    if (dice < 0.8)
      return {
        kind: 'hand-price',
        item: item.id,
        handPrice: { priceMinor: 5000, shippingMinor: 0, reason: 'by word of mouth', on: '2026-05-01' },
      };
    if (dice < 0.85) return { kind: 'roles', item: item.id, roles: DRIVE_ROLES.filter(() => next() < 0.4) };
    if (dice < 0.9) return { kind: 'memory-profile', profile: next() < 0.5 ? 'off' : 'on' };
    if (dice < 0.95)
      return { kind: 'tune', tuning: { packageW: 40 + Math.round(next() * 200), cardShare: 0.5 + next() / 2 } };
    return next() < 0.5
      ? { kind: 'rename', name: `Walked ${Math.floor(next() * 99)}` }
      : { kind: 'firmware', version: '2.40' };
  }
}

/** Maps as pairs, and what JSON has no word for as text, so that nothing is lost where data is compared. */
const plain = (value: unknown): unknown =>
  JSON.parse(
    JSON.stringify(value, (_, inner: unknown) =>
      inner instanceof Map
        ? [...(inner as Map<unknown, unknown>)]
        : inner === undefined || (typeof inner === 'number' && !Number.isFinite(inner))
          ? String(inner)
          : inner,
    ),
  );

/** All that an assessment tells, as data: what two ways of getting at it have to agree on. */
export const told = ({ facts, checks, findings, tasks }: Assessment): unknown =>
  plain({
    checks,
    findings,
    tasks,
    memory: facts.memory,
    placement: facts.placement && { ...facts.placement, board: facts.placement.board.key },
    sittings: facts.sittings,
    power: facts.power,
    heat: facts.heat.sittings.map(({ best, worst, noise }) => [
      best.clocks,
      best.state,
      worst.clocks,
      worst.state,
      noise,
    ]),
    limit: facts.heat.atLimit.worst.state,
    scene: facts.scene,
    price: facts.price,
    spent: facts.spent(),
  });
