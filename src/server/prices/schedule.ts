import { refreshPrices } from './refresh';
import { lastRefresh } from '@/store/priceStore';
import type { Service } from '../service';

/** How often the clock is looked at, ms. */
const LOOK_MS = 60_000;
const holder = globalThis as { vanePriceTimer?: NodeJS.Timeout };

/** Starts a refresh without waiting for it; what goes wrong stands in its report. */
export function startRefreshing(service: Service, by: string): void {
  void refreshPrices(service, by).catch((error: unknown) => console.error('the prices could not be refreshed:', error));
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
    if (refreshDue(last?.started, refreshHours, new Date().toISOString())) startRefreshing(service, 'by the clock');
  };
  holder.vanePriceTimer = setInterval(() => void look().catch(() => undefined), LOOK_MS);
  holder.vanePriceTimer.unref();
}
