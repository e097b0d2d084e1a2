import type { Board } from '../board/compile';
import type { Placement } from '../board/placement';
import { isOf, resourceKey, type Resource } from '../figures/resources';
import type { MissingFigure } from '../figures/missing';
import type { Demand, Expanded } from '../work/stage';
import { sum, type Derivation } from '../figures/derive';
import { type Supply } from './supply';
import { isCardResource } from './cardSupply';

export interface Setting {
  readonly supply: Supply;
  readonly board: Board | undefined;
  readonly placement: Placement | undefined;
}

/** Totals a task's demands by resource, keeping what they came from. Uplinks that the traffic crosses are added. */
export function totals(expanded: Expanded, setting: Setting): Map<string, Demand & { readonly key: string }> {
  const groups = new Map<string, Demand[]>();
  const push = (key: string, demand: Demand) => {
    const list = groups.get(key);
    if (list) list.push(demand);
    else groups.set(key, [demand]);
  };
  for (const demand of expanded.demands) {
    push(demand.resource, demand);
    for (const key of uplinksOf(demand.resource, setting)) push(key, demand);
  }
  const result = new Map<string, Demand & { key: string }>();
  for (const [key, list] of groups) {
    const [first] = list;
    if (!first) continue;
    const unit = unitOf(first.resource);
    const amount =
      list.length > 1
        ? sum(
            'all stages together',
            unit,
            list.map((demand) => demand.amount),
          )
        : first.amount.unit === unit
          ? first.amount
          : { ...first.amount, unit };
    const heaviest = list.reduce((a, b) => (b.amount.value > a.amount.value ? b : a));
    result.set(key, { key, stage: heaviest.stage, resource: first.resource, amount });
  }
  return result;
}

/** Unit of a demand on a resource; constants state theirs by what they are counted for, such as "Gwork/frame". */
const unitOf = (resource: Resource): string =>
  isOf(resource, 'processor')
    ? 'Gwork'
    : isOf(resource, 'engine')
      ? 's'
      : isCardResource(resource) && resource !== 'gpu.traffic'
        ? 'FLOP'
        : 'B';

/** Hub uplinks, by direction, that a resource's traffic crosses where its device is placed. */
function uplinksOf(resource: Resource, { supply, board, placement }: Setting): string[] {
  const end = supply.endOf(resource);
  if (!end || !board) return [];
  const slot = placement?.placed.get(end.item)?.slot;
  const path = slot === undefined ? undefined : board.slotById.get(slot)?.path;
  return (path ?? []).map((hub) => `uplink:${hub}:${end.direction}`);
}

/** Where what a key counts meets what others count: links, or what one device does for all who use it. */
export const meetsAt = (key: string, { supply }: Setting): readonly string[] =>
  isOf(key, 'uplink') ? [key] : supply.meets(key as Resource);

/** The most that is on any of the places where a key's traffic is counted. */
export const mostOn = (load: ReadonlyMap<string, number>, places: readonly string[]): number =>
  places.reduce((most, place) => Math.max(most, load.get(place) ?? 0), 0);

/** Supply of a resource or uplink as a derivation, with what is missing. */
export function supplied(
  key: string,
  { supply }: Setting,
): { rate: Derivation | undefined; missing: readonly MissingFigure[]; absent: boolean } {
  const parsed = resourceKey(key);
  if (parsed.of === 'uplink') return { rate: supply.uplinks.get(parsed.hub), missing: [], absent: false };
  const found = supply.of(key as Resource);
  return found
    ? { rate: found.rate, missing: found.missing, absent: false }
    : { rate: undefined, missing: [], absent: true };
}

/** The same for one task: an application that uses several cards has their arithmetic together. */
export function suppliedTo(task: Pick<Expanded, 'cards'>, key: string, setting: Setting): ReturnType<typeof supplied> {
  const cards = task.cards;
  if (cards && cards.max > 1 && isCardResource(key)) {
    const found = setting.supply.cardsTogether(key, cards);
    if (found) return { rate: found.rate, missing: found.missing, absent: false };
  }
  return supplied(key, setting);
}

/** Factor by which a figure outside the model's range widens a band: the root of how far outside, a third at least. */
export const widening = ({ outside = [] }: Pick<Expanded, 'outside'>): number =>
  outside.reduce((all, { value, from, to }) => {
    const far = value > to ? value / to : from / Math.max(value, from / 100);
    return all * Math.max(4 / 3, Math.sqrt(far));
  }, 1);

/** Part kind to name when a resource has no supplier at all. */
export function supplierKind(key: string): string {
  const { of } = resourceKey(key);
  return of === 'processor' || of === 'memory' || of === 'graphics' || of === 'network' ? of : 'drive';
}
