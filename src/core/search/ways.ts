import type { Assessment } from '../assess';
import { freshItemId, type MachineEdit } from '../model/edits';
import { fullName } from '../model/fitted';
import type { Item, Machine } from '../model/machine';
import type { Part, PartKind } from '../parts';
import { SIDES } from '../parts/case';
import type { Finding, Way } from '../rules/rule';
import { tuningsToTry } from './operatingPoints';

/** An edit worth trying, with the part that it puts in where it puts one in. */
export interface Trial {
  readonly edit: MachineEdit;
  readonly part: Part | undefined;
}

/** What a way is tried on. */
export interface Against {
  readonly machine: Machine;
  readonly finding: Finding;
  readonly assessed: Assessment;
  /** Parts of a kind that may be proposed. */
  readonly buyable: (kind: PartKind) => readonly Part[];
}

/** Edits of each way, tried one by one. */
export const WAYS: Readonly<Record<Way, (against: Against) => Iterable<Trial>>> = {
  *'another slot'(against) {
    for (const { item } of itemsOf(against))
      if (against.machine.pins?.[item.id] === undefined)
        for (const slot of against.assessed.facts.board?.slots ?? [])
          yield just({ kind: 'pin', item: item.id, slot: slot.id });
  },
  *'standing upright'(against) {
    for (const { item, part } of itemsOf(against))
      if (!item.upright && (part.kind === 'graphics' || part.kind === 'expansion'))
        yield just({ kind: 'stand', item: item.id, upright: true });
  },
  *'another side'(against) {
    for (const { item, part } of itemsOf(against))
      if (part.kind === 'cooler' || part.kind === 'fan')
        for (const side of SIDES) if (side !== item.side) yield just({ kind: 'side', item: item.id, side });
  },
  *'air and limits'({ assessed }) {
    for (const tuning of tuningsToTry(assessed)) yield just({ kind: 'tune', tuning });
  },
  *'a fan'({ machine, buyable }) {
    for (const part of buyable('fan')) yield { edit: { kind: 'add', item: freshItem(machine, part) }, part };
  },
  // one fan lets little in that cannot get out: two of a kind go to both ends
  *'two fans'({ machine, buyable }) {
    for (const part of buyable('fan')) yield just({ kind: 'several', edits: severalOf(machine, part, 2) });
  },
  *'data cables'({ machine, finding, buyable }) {
    if (finding.code !== 'data-cables' || finding.drives - finding.cables < 2) return;
    for (const part of buyable('accessory'))
      if (part.kind === 'accessory' && part.cableFor === 'drive data')
        yield just({ kind: 'several', edits: severalOf(machine, part, finding.drives - finding.cables) });
  },
  *'leaving out all'({ finding }) {
    if (finding.items.length > 1)
      yield just({ kind: 'several', edits: finding.items.map((item) => ({ kind: 'remove' as const, item })) });
  },
  *'profile off'() {
    yield just({ kind: 'memory-profile', profile: 'off' });
  },
  *'newer firmware'({ finding }) {
    if (finding.code === 'firmware' && finding.takes !== undefined)
      yield just({ kind: 'firmware', version: finding.takes });
  },
  *'role of the system'({ machine, finding }) {
    if (finding.code !== 'system-drive') return;
    for (const id of finding.items) {
      const roles = machine.items.find((item) => item.id === id)?.roles ?? [];
      yield just({
        kind: 'roles',
        item: id,
        roles: finding.drives === 0 ? ['system', ...roles] : roles.filter((role) => role !== 'system'),
      });
    }
  },
};

const just = (edit: MachineEdit): Trial => ({ edit, part: undefined });

/** The finding's items that are there, with their parts. */
function itemsOf({ machine, finding, assessed }: Against): { item: Item; part: Part }[] {
  return finding.items.flatMap((id) => {
    const item = machine.items.find((candidate) => candidate.id === id);
    const part = item && assessed.facts.catalogue.part(item.part);
    return item && part ? [{ item, part }] : [];
  });
}

/** An item for one more part. */
export const freshItem = (machine: Machine, part: Part): Item => ({
  id: freshItemId(machine, part.kind),
  part: part.id,
  label: fullName(part),
});

/** Additions of a number of equal parts. */
const severalOf = (machine: Machine, part: Part, count: number) =>
  Array.from({ length: count }, (_, i) => {
    const item = freshItem(machine, part);
    return { kind: 'add' as const, item: { ...item, id: `${item.id}.${i + 1}` } };
  });
