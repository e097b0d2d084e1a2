import type { PriceState, RefreshReport } from '../contract';
import { isOfferSource, priceSourceSchema } from '@/core/formats/feed/source';
import { problemsOf, type Problem } from '@/core/formats/problems';
import { watchSchema } from '@/core/money/watch';
import type { DayRate } from '@/core/units/money';
import {
  lastRefresh,
  readRates,
  readSources,
  readWatches,
  removeSource,
  removeWatch,
  writeRate,
  writeSource,
  writeWatches,
} from '@/store/priceStore';
import { todayOf, type Service } from '../service';
import { lookAtWatches, runningRefresh } from './refresh';

export type Done = { readonly state: 'done' } | { readonly state: 'refused'; readonly problems: readonly Problem[] };
const refused = (path: string, message: string): Done => ({ state: 'refused', problems: [{ path, message }] });

/** Adds or changes a source of prices. */
export async function keepSource(service: Service, input: unknown): Promise<Done> {
  const parsed = priceSourceSchema.safeParse(input);
  if (!parsed.success) return { state: 'refused', problems: problemsOf(parsed.error) };
  const source = parsed.data;
  if (isOfferSource(source)) {
    const { data } = await service.catalogue();
    if (!data.sellers.some((seller) => seller.id === source.seller))
      return refused('seller', `"${source.seller}" is not in the library; import it with a catalogue first`);
    if (!data.regions.some((region) => region.id === source.region))
      return refused('region', `"${source.region}" is not in the library`);
  }
  await writeSource(service.db, source);
  return { state: 'done' };
}

export const dropSource = (service: Service, id: string): Promise<void> => removeSource(service.db, id);

/** Starts to wait for a price; without an id it is new. What is cheap enough already fires at once. */
export async function keepWatch(service: Service, input: unknown): Promise<Done> {
  const watches = await readWatches(service.db);
  let n = watches.length + 1;
  while (watches.some((watch) => watch.id === `watch-${n}`)) n++;
  const parsed = watchSchema.safeParse({
    id: `watch-${n}`,
    since: await todayOf(service),
    ...(typeof input === 'object' ? input : {}),
  });
  if (!parsed.success) return { state: 'refused', problems: problemsOf(parsed.error) };
  const watch = parsed.data;
  // one watch a thing: a new target takes the place of the old one
  const same = watches.filter(
    (other) => other.id !== watch.id && JSON.stringify(other.what) === JSON.stringify(watch.what),
  );
  for (const other of same) await removeWatch(service.db, other.id);
  await writeWatches(service.db, [watch]);
  await lookAtWatches(service, new Set([watch.id]));
  return { state: 'done' };
}

export const dropWatch = (service: Service, id: string): Promise<void> => removeWatch(service.db, id);

export async function priceState(service: Service): Promise<PriceState> {
  const stored = await lastRefresh(service.db);
  return {
    sources: await readSources(service.db),
    running: runningRefresh(),
    last: stored && (JSON.parse(stored.spec) as RefreshReport),
    watches: await readWatches(service.db),
    rates: await readRates(service.db, await todayOf(service)),
  };
}

export const keepRate = (service: Service, rate: DayRate): Promise<void> => writeRate(service.db, rate);
