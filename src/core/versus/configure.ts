import { editMachine } from '../model/edits';
import type { Machine } from '../model/machine';
import { landedPrice, type Landed } from '../money/landed';
import type { Region } from '../model/offers';
import type { RivalModel, RivalOption, Support } from '../model/rivals';

/** A branded machine as it would be ordered. */
export interface Configured {
  readonly rival: RivalModel;
  readonly machine: Machine;
  readonly options: readonly RivalOption[];
  readonly support: Support;
  /** Undefined when the machine or one of the options is not sold in the region. */
  readonly price: Landed | undefined;
  /** What support beyond the machine's own costs, before tax. */
  readonly supportMinor: number;
  readonly deliveryDays: number | undefined;
  /** Options that the region does not sell. */
  readonly unsold: readonly RivalOption[];
}

/**
 * Options that can be taken together: unknown ones are left out, of a group the last stays, and what an option needs comes
 * with it.
 */
export function settledOptions(rival: RivalModel, ids: readonly string[]): RivalOption[] {
  const all = new Map((rival.options ?? []).map((option) => [option.id, option]));
  const taken: RivalOption[] = [];
  const take = (id: string, above: readonly string[]) => {
    const option = all.get(id);
    if (!option || above.includes(id)) return;
    for (const need of option.needs ?? []) take(need, [...above, id]);
    const clash = taken.findIndex(
      (other) => other.id === id || (option.group !== undefined && other.group === option.group),
    );
    if (clash >= 0) taken.splice(clash, 1);
    taken.push(option);
  };
  for (const id of ids) take(id, []);
  // an option whose need was pushed out by a later one of its group cannot stay
  const whole = taken.filter((option) =>
    (option.needs ?? []).every((need) => taken.some((other) => other.id === need)),
  );
  return whole.length === taken.length
    ? whole
    : settledOptions(
        rival,
        whole.map((option) => option.id),
      );
}

/** The machine with its options, and what that costs in a region: one price, on which tax is rounded once. */
export function configured(rival: RivalModel, ids: readonly string[], region: Region): Configured {
  const options = settledOptions(rival, ids);
  const offer = rival.offers.find((candidate) => candidate.region === region.id);
  const priceOf = (option: RivalOption) => option.prices.find((price) => price.region === region.id)?.minor;
  const unsold = options.filter((option) => priceOf(option) === undefined);
  const sum = (list: readonly RivalOption[]) => list.reduce((total, option) => total + (priceOf(option) ?? 0), 0);
  const quoted = offer && offer.priceMinor + sum(options);
  const forSupport = sum(options.filter((option) => option.support && !option.edit));
  return {
    rival,
    options,
    machine: options.reduce(
      (machine, option) => (option.edit ? editMachine(machine, option.edit) : machine),
      rival.machine,
    ),
    support: options.findLast((option) => option.support)?.support ?? {
      warrantyMonths: rival.warrantyMonths,
      onSite: rival.onSite,
      ...(rival.responseDays === undefined ? {} : { responseDays: rival.responseDays }),
    },
    price:
      offer && quoted !== undefined && quoted > 0 && unsold.length === 0
        ? landedPrice(quoted, offer.shippingMinor, region)
        : undefined,
    supportMinor: landedPrice(Math.max(0, forSupport), 0, region).netMinor,
    deliveryDays: offer?.deliveryDays,
    unsold,
  };
}
