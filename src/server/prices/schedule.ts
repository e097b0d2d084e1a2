import { endRefresh, lastRefresh } from '@/store/priceStore';
import { vaneChild } from '../child';
import type { RefreshReport } from '../contract';
import { now, todayOf, type Service } from '../service';
import { begunReport, endRefreshesOfTheGone, showRefresh, takePlace, type Place } from './refresh';

/** How often the clock is looked at, ms. */
const LOOK_MS = 60_000;
const holder = globalThis as { vanePriceTimer?: NodeJS.Timeout };

/** Starts a refresh without waiting for its end, unless one runs; what goes wrong stands in its report. */
export async function startRefreshing(service: Service, by: string): Promise<'started' | 'busy'> {
  const place = await takePlace(service);
  if (!place) return 'busy';
  // seen as running at once: the process that does it takes a moment to begin
  showRefresh(await begunReport(service, by, place));
  refreshElsewhere(service, by, place);
  return 'started';
}

/** A refresh in a process of its own: what sources answer is read and compared there, however long it takes. */
function refreshElsewhere(service: Service, by: string, place: Place): void {
  vaneChild(['refresh-job', String(place.id), place.started, by], service.path, {
    onLine: (line) => showRefresh(line as RefreshReport),
    onEnd: (code, error) => {
      showRefresh(undefined);
      if (code !== 0) void endUnfinished(service, by, place, error).catch(() => undefined);
    },
  });
}

/** Gives the place back when the process ended before it did. */
async function endUnfinished(service: Service, by: string, { id, started }: Place, error: string): Promise<void> {
  const report: RefreshReport = {
    started,
    ended: now(),
    by,
    day: await todayOf(service),
    sources: [],
    fired: [],
    message: `the prices could not be refreshed${error === '' ? '' : `: ${error}`}`,
  };
  await endRefresh(service.db, id, now(), report);
}

/** Whether the desk's own rhythm asks for a refresh. A clock that was set back does not start one after the other. */
export const refreshDue = (last: string | undefined, hours: number | undefined, at: string): boolean =>
  hours !== undefined && (last === undefined || Date.parse(at) - Date.parse(last) >= hours * 3_600_000);

/** Looks every minute whether prices are to be asked for, as the desk's settings say. Once a process. */
export function keepPricesFresh(service: Service): void {
  if (holder.vanePriceTimer) return;
  void endRefreshesOfTheGone(service).catch(() => undefined);
  const look = async () => {
    const { refreshHours } = await service.settings();
    const last = await lastRefresh(service.db);
    if (refreshDue(last?.started, refreshHours, new Date().toISOString()))
      await startRefreshing(service, 'by the clock');
  };
  holder.vanePriceTimer = setInterval(() => void look().catch(() => undefined), LOOK_MS);
  holder.vanePriceTimer.unref();
}
