import { refreshAll, takePlace } from './refresh';
import { lastRefresh } from '@/store/priceStore';
import type { Service } from '../service';

/** How often the clock is looked at, ms. */
const LOOK_MS = 60_000;
const holder = globalThis as { vanePriceTimer?: NodeJS.Timeout };

/** Starts a refresh without waiting for its end, unless one runs; what goes wrong stands in its report. */
export async function startRefreshing(service: Service, by: string): Promise<'started' | 'busy'> {
  const place = await takePlace(service);
  if (!place) return 'busy';
  void refreshAll(service, by, place).catch((error: unknown) =>
    console.error('the prices could not be refreshed:', error),
  );
  return 'started';
}

/** Whether the desk's own rhythm asks for a refresh. A clock that was set back does not start one after the other. */
export const refreshDue = (last: string | undefined, hours: number | undefined, at: string): boolean =>
  hours !== undefined && (last === undefined || Date.parse(at) - Date.parse(last) >= hours * 3_600_000);

/** Looks every minute whether prices are to be asked for, as the desk's settings say. Once a process. */
export function keepPricesFresh(service: Service): void {
  if (holder.vanePriceTimer) return;
  const look = async () => {
    const { refreshHours } = await service.settings();
    const last = await lastRefresh(service.db);
    if (refreshDue(last?.started, refreshHours, new Date().toISOString()))
      await startRefreshing(service, 'by the clock');
  };
  holder.vanePriceTimer = setInterval(() => void look().catch(() => undefined), LOOK_MS);
  holder.vanePriceTimer.unref();
}
