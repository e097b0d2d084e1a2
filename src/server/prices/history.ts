import type { HistoryView, Successions } from '../contract';
import { dayNumber, dayText } from '@/core/units/days';
import { fullName } from '@/core/model/fitted';
import {
  atSuccessions,
  machineSeries,
  partSeries,
  waitingWorth,
  type Series,
  type WaitingWorth,
} from '@/core/money/history';
import { plainPolicy } from '@/core/money/policy';
import { firstOfEach } from '@/core/assess/trials';
import { rootOf } from '@/core/parts/lookalikes';
import { saleState } from '@/core/parts/onSale';
import { inPhase } from '@/core/model/phases';
import { readPoints } from '@/store/priceStore';
import * as projects from '@/store/projectStore';
import { todayOf, type Service } from '../service';

/** Months of history that the charts show. */
const MONTHS = 18;
const DAYS = Math.round((MONTHS * 365.25) / 12);
export const WAITS = [30, 60, 90] as const;

const viewOf = ({ first, minors }: Series, unknown: readonly string[] = []): HistoryView => ({
  first: dayText(first),
  minors: Array.from(minors, (minor) => (Number.isNaN(minor) ? null : minor)),
  unknown,
});

async function contextFor(service: Service, regionId: string, parts: readonly string[]) {
  const { compiled: catalogue } = await service.catalogue();
  const wanted = new Set(parts);
  const region = catalogue.region(regionId);
  if (!region) return undefined;
  const today = await todayOf(service);
  const last = dayNumber(today);
  const first = last - DAYS;
  const offers = [...wanted].flatMap((part) => catalogue.offers(part, regionId).map((offer) => offer.id));
  const points = await readPoints(service.db, offers, first);
  const policy = plainPolicy(regionId, await service.settings(), today);
  return { first, last, context: { catalogue, region, policy, points } };
}

/** Cheapest landed price by day of each of some parts. */
export async function seriesOf(
  service: Service,
  region: string,
  parts: readonly string[],
): Promise<ReadonlyMap<string, Series>> {
  const found = await contextFor(service, region, parts);
  return new Map(
    [...new Set(parts)].flatMap((id) => {
      const part = found?.context.catalogue.part(id);
      return found && part ? [[id, partSeries(part, found.first, found.last, found.context)] as const] : [];
    }),
  );
}

/** Cheapest landed price of a part by day. */
export async function partHistory(service: Service, part: string, region: string): Promise<HistoryView | undefined> {
  const found = await contextFor(service, region, [part]);
  const it = found?.context.catalogue.part(part);
  return found && it ? viewOf(partSeries(it, found.first, found.last, found.context)) : undefined;
}

/** What a draft's parts cost together by day, each from the seller that was cheapest that day; what is owned costs nothing. */
export async function draftHistory(service: Service, seat: string, draft: string): Promise<HistoryView | undefined> {
  const documents = await projects.readSeat(service.db, seat);
  const machine = documents?.drafts.find((entry) => entry.id === draft)?.body;
  if (!documents || !machine) return undefined;
  const items = inPhase(machine, 'now').items.filter((item) => !item.owned);
  const found = await contextFor(
    service,
    documents.brief.body.region,
    items.map((item) => item.part),
  );
  if (!found) return undefined;
  const parts = items.flatMap((item) => found.context.catalogue.part(item.part) ?? []);
  const series = machineSeries(parts, found.first, found.last, found.context);
  return viewOf(series, series.unknown.map(fullName));
}

/** Parts of a kind with what their prices are looked at with. */
async function ofKind(service: Service, kind: string, region: string) {
  const { data } = await service.catalogue();
  const parts = data.parts.filter((part) => part.kind === kind);
  const found = await contextFor(
    service,
    region,
    parts.map((part) => part.id),
  );
  return { parts, found };
}

/** What waiting has been worth on parts of this kind in a region. */
export async function waitingOnKind(service: Service, kind: string, region: string): Promise<WaitingWorth[]> {
  const { parts, found } = await ofKind(service, kind, region);
  if (!found) return [];
  const series = parts.map((part) => partSeries(part, found.first, found.last, found.context));
  return WAITS.flatMap((days) => waitingWorth(series, days) ?? []);
}

export async function successionsOfKind(service: Service, kind: string, region: string): Promise<Successions> {
  const { parts, found } = await ofKind(service, kind, region);
  if (!found) return { anew: undefined, used: undefined, announced: [] };
  const { first, last, context } = found;
  const { today } = context.policy;
  const changes = (conditions: typeof context.policy.conditions) => {
    const policy = { ...context.policy, conditions };
    return atSuccessions(
      parts.map((part) => ({ part, series: partSeries(part, first, last, { ...context, policy }) })),
    );
  };
  return {
    anew: changes(['new']),
    used: changes(['used']),
    announced: firstOfEach(
      parts.filter((part) => saleState(part, today) === 'announced'),
      rootOf,
    ).map(({ id, maker, name, onSale }) => ({ id, maker, name, ...(onSale === undefined ? {} : { onSale }) })),
  };
}
