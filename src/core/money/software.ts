import { timesCount } from '../units/money';
import { applicationsOf, type Catalogue } from '../model/catalogue';
import type { FittedParts } from '../model/fitted';
import type { Brief } from '../model/brief';
import type { Region } from '../model/catalogueSchema';
import { cheapestOffer } from './landed';
import type { BuyPolicy } from './policy';
import type { PartOf } from '../parts';

export type Terms = NonNullable<PartOf<'licence'>['terms']>;

/** Licences of an application that the catalogue knows, in its order. */
export const licencesFor = (application: string, catalogue: Catalogue): readonly PartOf<'licence'>[] =>
  catalogue.ofKind('licence').filter((licence) => licence.application === application);

/** Where software is bought. */
export interface Market {
  readonly catalogue: Catalogue;
  readonly region: Region;
  readonly policy: BuyPolicy;
}

/** What an application costs over the years of service; coins in minor units, landed. */
export interface SoftwareCost {
  readonly application: string;
  /** The licence in the draft, or the cheapest over the years that could be. */
  readonly licence: string;
  readonly part: string;
  readonly terms: Terms | undefined;
  readonly here: boolean;
  readonly owned: boolean;
  /** Paid once; undefined without an offer. */
  readonly onceMinor: number | undefined;
  /** Paid each year again; undefined without an offer, or where use is metered. */
  readonly yearlyMinor: number | undefined;
  /** Over the years; undefined where a price or a year's use is unknown. */
  readonly totalMinor: number | undefined;
}

/** Whole years that are paid for: a part of a year is paid in full. */
const yearsPaid = (years: number): number => Math.ceil(years);

function costOf(
  application: string,
  licence: PartOf<'licence'>,
  { here, owned }: { here: boolean; owned: boolean },
  years: number,
  { catalogue, region, policy }: Market,
): SoftwareCost {
  const { terms } = licence;
  const price = terms === 'free' ? 0 : cheapestOffer(catalogue, licence, region, policy)?.landed.landedMinor;
  const again = terms === 'yearly';
  // what is owned is paid already, but a year's licence only for its year
  const onceMinor = again || terms === 'metered' ? 0 : owned ? 0 : price;
  const yearlyMinor = again ? price : terms === 'metered' ? undefined : 0;
  return {
    application,
    licence: `${licence.maker} ${licence.name}`,
    part: licence.id,
    terms,
    here,
    owned,
    onceMinor,
    yearlyMinor,
    totalMinor:
      onceMinor === undefined || yearlyMinor === undefined
        ? undefined
        : onceMinor + timesCount(yearlyMinor, yearsPaid(years)),
  };
}

/**
 * What the software of a brief costs: for each application the licence in the draft, or else the one that would cost
 * least over the years of service. Applications that nobody sells a licence for are left out.
 */
export function softwareOf(brief: Brief, parts: FittedParts, market: Market): SoftwareCost[] {
  const { catalogue } = market;
  return applicationsOf(brief.tasks, catalogue).flatMap(({ name: application }): SoftwareCost[] => {
    const cost = (licence: PartOf<'licence'>, place: { here: boolean; owned: boolean }) =>
      costOf(application, licence, place, brief.yearsOfService, market);
    const here = parts.ofKind('licence').filter(({ part }) => part.application === application);
    if (here.length > 0) return here.map(({ item, part }) => cost(part, { here: true, owned: item.owned === true }));
    const could = licencesFor(application, catalogue).map((licence) => cost(licence, { here: false, owned: false }));
    const [best] = could.sort((a, b) => (a.totalMinor ?? Infinity) - (b.totalMinor ?? Infinity));
    return best ? [best] : [];
  });
}
