import { assess, contextOf, quickly, type Assessment } from '../assess';
import type { Catalogue } from '../model/catalogue';
import type { Brief } from '../model/brief';
import type { Machine } from '../model/machine';
import type { FittedParts } from '../model/fitted';
import type { Part, PartOf } from '../parts';
import { partId } from '../parts/common';

/** Asks about a machine that is not as it was planned. */
export interface Otherwise {
  /** The same machine, put otherwise, or for another brief. */
  readonly put: (machine: Machine, brief?: Brief) => Assessment;
  /** The machine with some items' parts made otherwise than they are stated. */
  readonly made: (parts: ReadonlyMap<string, Part>) => Assessment;
}

export function otherwise({ facts }: Assessment): Otherwise {
  const { machine, catalogue } = facts;
  const ask = (changed: Machine, brief: Brief, known: Catalogue): Assessment =>
    assess(changed, brief, quickly(contextOf(known, facts.today, facts.settings)));
  return {
    put: (changed, brief = facts.brief) => ask(changed, brief, catalogue),
    made: (parts) => {
      const made = new Map<string, Part>();
      const items = machine.items.map((item, i) => {
        const part = parts.get(item.id);
        if (!part) return item;
        const id = partId(`as-built.${i + 1}`);
        made.set(id, { ...part, id });
        return { ...item, part: id };
      });
      return ask({ ...machine, items }, facts.brief, {
        ...catalogue,
        part: (id: string) => made.get(id) ?? catalogue.part(id),
      });
    },
  };
}

/** A cooler that lets through less: its resistance times a factor. */
export const withResistance = (cooler: PartOf<'cooler'>, factor: number): PartOf<'cooler'> => ({
  ...cooler,
  ...(cooler.resistance
    ? { resistance: cooler.resistance.map((point) => ({ ...point, kPerW: point.kPerW * factor })) }
    : {}),
});

/** Everything that moves air through the case, by item, moving a share of it; empty where nothing does. */
export function withAir(parts: FittedParts, share: number): Map<string, Part> {
  const less = <F extends { readonly airflowM3h?: number | undefined }>(fan: F): F =>
    fan.airflowM3h === undefined ? fan : { ...fan, airflowM3h: fan.airflowM3h * share };
  const movers = new Map<string, Part>(parts.ofKind('fan').map(({ item, part }) => [item.id, less(part)]));
  const chassis = parts.one('case');
  if (chassis?.part.fansIncluded?.length)
    movers.set(chassis.item.id, { ...chassis.part, fansIncluded: chassis.part.fansIncluded.map(less) });
  return movers;
}
