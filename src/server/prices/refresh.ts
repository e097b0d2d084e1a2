import type { RefreshReport, SourceReport } from '../contract';
import { fitParts } from '@/core/model/fitted';
import { inPhase } from '@/core/model/phases';
import { isOfferSource, type PriceSource } from '@/core/formats/feed/source';
import { basketOfMachine } from '@/core/money/basket';
import { cheapestOffer } from '@/core/money/landed';
import { buyPolicy, plainPolicy } from '@/core/money/policy';
import { partFinder, takePrices } from '@/core/formats/feed/takePrices';
import { looked, type Watch } from '@/core/money/watch';
import {
  beginRefresh,
  endAbandoned,
  endRefresh,
  readSources,
  readWatches,
  writePrices,
  writeRate,
  writeWatches,
} from '@/store/priceStore';
import { readSeat } from '@/store/projectStore';
import { now, todayOf, type Service } from '../service';
import type { Reach } from './address';
import { isRunning, Orphaned, stillWanted } from '../child';
import { askSource, usualAsking, type Asking } from './fetchSource';

export type Refreshed = { readonly state: 'done'; readonly report: RefreshReport } | { readonly state: 'busy' };

/** Sources asked at the same time. */
const AT_ONCE = 4;
const KEPT_PROBLEMS = 40;
/** A refresh that has run for so long was ended with its process. */
const STALE_MS = 15 * 60_000;

/** What runs in this process, for pages that look. */
const holder = globalThis as { vaneRefresh?: { report: RefreshReport } };
export const runningRefresh = (): RefreshReport | undefined => holder.vaneRefresh?.report;

/** Shows how a refresh goes, here or in a process that tells of it; undefined at its end. */
export function showRefresh(report: RefreshReport | undefined): void {
  if (report) holder.vaneRefresh = { report };
  else delete holder.vaneRefresh;
}

/** The one place for a refresh, taken. */
export interface Place {
  readonly id: number;
  readonly started: string;
}

interface How {
  /** Told of each change of the report. */
  readonly onReport?: (report: RefreshReport) => void;
  readonly asking?: Asking;
  readonly clock?: () => string;
}

/** Ends what a process that is gone had begun, so that it holds no place and its state is known. */
export const endRefreshesOfTheGone = async (service: Service): Promise<number> => {
  const day = await todayOf(service);
  return endAbandoned(service.db, isRunning, (started) => ({
    started,
    ended: started,
    by: 'before the app was stopped',
    day,
    sources: [],
    fired: [],
    message: 'the app was stopped while sources were asked; what they had answered by then is kept',
  }));
};

/** Takes the place for a refresh; undefined when another one runs, in this process or elsewhere. */
export async function takePlace(service: Service, { clock = now }: How = {}): Promise<Place | undefined> {
  const started = clock();
  await endRefreshesOfTheGone(service);
  const stale = new Date(Date.parse(started) - STALE_MS).toISOString();
  const id = await beginRefresh(service.db, started, stale, process.pid);
  return id === undefined ? undefined : { id, started };
}

/** A refresh of which nothing is known yet but that it was begun. */
export const begunReport = async (service: Service, by: string, { started }: Place): Promise<RefreshReport> => ({
  started,
  ended: undefined,
  by,
  day: await todayOf(service),
  sources: (await readSources(service.db)).filter((source) => source.active).map(blank),
  fired: [],
});

/** Asks all active sources once; of two refreshes at once the second is told that one runs. */
export async function refreshPrices(service: Service, by: string, how: How = {}): Promise<Refreshed> {
  const place = await takePlace(service, how);
  return place ? { state: 'done', report: await refreshAll(service, by, place, how) } : { state: 'busy' };
}

/**
 * Asks all active sources once and takes what they answer, each by itself: a source that fails leaves its last good prices
 * with their age. At the end watches are looked at.
 */
export async function refreshAll(
  service: Service,
  by: string,
  { id, started }: Place,
  { asking = usualAsking, clock = now, onReport }: How = {},
): Promise<RefreshReport> {
  const today = await todayOf(service);
  const sources = (await readSources(service.db)).filter((source) => source.active);
  const reach = (await service.settings()).sources;
  const reports = new Map(sources.map((source) => [source.id, blank(source)]));
  const report = (ended?: string, fired: readonly string[] = []): RefreshReport => ({
    started,
    ended,
    by,
    day: today,
    sources: [...reports.values()],
    fired,
    ...(sources.length === 0 ? { message: 'no price source is set up' } : {}),
  });
  const show = () => {
    const now = report();
    showRefresh(now);
    onReport?.(now);
  };
  show();
  try {
    const queue = [...sources];
    const worker = async () => {
      for (let source = queue.shift(); source; source = queue.shift()) {
        const it = source;
        const say = (change: Partial<SourceReport>) => {
          reports.set(it.id, { ...(reports.get(it.id) ?? blank(it)), ...change });
          show();
        };
        try {
          await refreshSource(service, it, today, reach, asking, say);
        } catch (error) {
          if (error instanceof Orphaned) throw error;
          // what one source does wrong must not stop the others
          say({ state: 'failed', message: error instanceof Error ? error.message : String(error) });
        }
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, worker));
    const fired = await lookAtWatches(service);
    const done = report(clock(), fired);
    await endRefresh(service.db, id, done.ended ?? started, done);
    return done;
  } catch (error) {
    await endRefresh(service.db, id, clock(), {
      ...report(clock()),
      message: error instanceof Error ? error.message : String(error),
    });
    throw error;
  } finally {
    showRefresh(undefined);
  }
}

const blank = (source: PriceSource): SourceReport => ({
  id: source.id,
  name: source.name,
  simulated: source.simulated ?? false,
  state: 'waiting',
  attempts: 0,
  read: 0,
  moved: 0,
  points: 0,
  unmatched: 0,
  problems: [],
  problemCount: 0,
});

async function refreshSource(
  service: Service,
  source: PriceSource,
  today: string,
  reach: Reach,
  asking: Asking,
  say: (change: Partial<SourceReport>) => void,
): Promise<void> {
  const asked = await askSource(source, today, reach, asking, (attempts, message) =>
    say({ state: 'asking', attempts, ...(message === undefined ? {} : { message }) }),
  );
  if (asked.state === 'failed') return say({ state: 'failed', attempts: asked.attempts, message: asked.message });
  if (asked.rates) {
    for (const rate of asked.rates) if (rate.day <= today) await writeRate(service.db, rate);
    return say({ state: 'done', attempts: asked.attempts, message: undefined, read: asked.rates.length });
  }
  if (!isOfferSource(source)) return say({ state: 'failed', message: 'it does not say whose prices it has' });
  const { data } = await service.catalogue();
  const region = data.regions.find((entry) => entry.id === source.region);
  if (!region || !data.sellers.some((seller) => seller.id === source.seller))
    return say({
      state: 'failed',
      attempts: asked.attempts,
      message: `the ${region ? `seller "${source.seller}"` : `region "${source.region}"`} is not in the library`,
    });
  const known = new Map(
    data.offers
      .filter((offer) => offer.seller === source.seller && offer.region === source.region)
      .map((offer) => [offer.id, offer]),
  );
  const taken = takePrices(asked.answer, source, region, partFinder(data.parts), known, today);
  stillWanted();
  const written = await writePrices(service.db, taken.offers, taken.points);
  say({
    state: 'done',
    attempts: asked.attempts,
    message: undefined,
    read: taken.read,
    moved: taken.offers.filter((offer) => known.get(offer.id)?.priceMinor !== offer.priceMinor).length,
    points: written.points,
    unmatched: taken.unmatched,
    problems: taken.problems.slice(0, KEPT_PROBLEMS),
    problemCount: taken.problems.length,
  });
}

/** Looks at all watches that have not fired; gives back those that do now. */
export async function lookAtWatches(service: Service, only?: ReadonlySet<string>): Promise<string[]> {
  const watches = (await readWatches(service.db)).filter((watch) => !watch.fired && (!only || only.has(watch.id)));
  if (watches.length === 0) return [];
  const today = await todayOf(service);
  const after = await Promise.all(watches.map(async (watch) => looked(watch, await priceOf(service, watch), today)));
  const fired = after.filter((watch) => watch.fired);
  if (fired.length > 0) await writeWatches(service.db, fired);
  return fired.map((watch) => watch.id);
}

/** What a watched thing costs now, landed; undefined when something of it has no price. */
export async function priceOf(service: Service, { what }: Watch): Promise<number | undefined> {
  const today = await todayOf(service);
  const settings = await service.settings();
  const { compiled: catalogue } = await service.catalogue();
  if (what.kind === 'part') {
    const region = catalogue.region(what.region);
    const best =
      region && cheapestOffer(catalogue, catalogue.part(what.part), region, plainPolicy(region.id, settings, today));
    return best && best.despite === undefined ? best.landed.landedMinor : undefined;
  }
  const seat = await readSeat(service.db, what.seat);
  const draft = seat?.drafts.find((entry) => entry.id === what.draft);
  const region = seat && catalogue.region(seat.brief.body.region);
  if (!seat || !draft || !region) return undefined;
  const { brief } = seat;
  // what it costs does not hang on what it does: nothing is assessed for it
  const parts = fitParts(inPhase(draft.body, 'now'), catalogue);
  const basket = basketOfMachine(parts, catalogue, region, buyPolicy(brief.body, settings, today));
  return basket.lowerBound ? undefined : basket.total.landedMinor;
}
