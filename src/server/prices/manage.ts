import type { PriceState, RefreshReport } from '../contract';
import { isOfferSource, priceSourceSchema } from '@/core/formats/feed/source';
import { watchSchema } from '@/core/money/watch';
import { counted, firstFree, idIn } from '@/core/units/free';
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
import { answering, DONE, read, refuse, type Done, type Refused } from '../refuse';
import { todayOf, type Service } from '../service';
import { lookAtWatches, runningRefresh } from './refresh';

/** Adds or changes a source of prices. */
export async function keepSource(service: Service, input: unknown): Promise<Done | Refused> {
  return answering(async () => {
    const source = read(priceSourceSchema, input);
    if (isOfferSource(source)) {
      const { data } = await service.catalogue();
      if (!idIn(data.sellers)(source.seller))
        refuse('seller', `"${source.seller}" is not in the library; import it with a catalogue first`);
      if (!idIn(data.regions)(source.region)) refuse('region', `"${source.region}" is not in the library`);
    }
    await writeSource(service.db, source);
    return DONE;
  });
}

export const dropSource = (service: Service, id: string): Promise<void> => removeSource(service.db, id);

/** Starts to wait for a price; without an id it is new. What is cheap enough already fires at once. */
export async function keepWatch(service: Service, input: unknown): Promise<Done | Refused> {
  return answering(async () => {
    const watches = await readWatches(service.db);
    const watch = read(watchSchema, {
      id: firstFree(counted('watch', watches.length + 1), idIn(watches)),
      since: await todayOf(service),
      ...(typeof input === 'object' ? input : {}),
    });
    // one watch a thing: a new target takes the place of the old one
    const same = watches.filter(
      (other) => other.id !== watch.id && JSON.stringify(other.what) === JSON.stringify(watch.what),
    );
    for (const other of same) await removeWatch(service.db, other.id);
    await writeWatches(service.db, [watch]);
    await lookAtWatches(service, new Set([watch.id]));
    return DONE;
  });
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
