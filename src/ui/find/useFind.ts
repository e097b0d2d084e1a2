'use client';

import * as Comlink from 'comlink';
import { useEffect, useSyncExternalStore } from 'react';
import type { Machine } from '@/core/model/machine';
import type { Ask, Report, SearchApi } from '@/workers/searchApi';
import { useSeat } from '../seat/useSeat';
import { identity } from '../seat/worker';

/** A search as the page sees it: what was asked, and how far it is. */
export interface Found {
  readonly key: string;
  /** What it rests on: brief, prices, settings and measurements. */
  readonly on: string;
  readonly report: Report | undefined;
  readonly failed: string | undefined;
  readonly running: boolean;
}

const NONE: Found = { key: '', on: '', report: undefined, failed: undefined, running: false };

// one search at a time, whichever station asked: its answer stays until something else is asked
let now: Found = NONE;
const listeners = new Set<() => void>();
const set = (next: Found): void => {
  now = next;
  for (const listener of listeners) listener();
};
const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

let remote: Comlink.Remote<SearchApi> | undefined;
let loaded: { readonly key: string; readonly done: Promise<number> } | undefined;

/** The search of a seat's page: what it has found for a key, how to begin and how to stop. */
export function useFind(ask: Omit<Ask, 'brief'>, topic: string) {
  // what was written last is searched for, though it may not be judged yet
  const brief = useSeat((state) => state.bundle.brief.body);
  const revision = useSeat((state) => state.bundle.catalogueRevision);
  const today = useSeat((state) => state.bundle.today);
  const settings = useSeat((state) => state.bundle.settings);
  const measured = useSeat((state) => state.context.measured);
  const found = useSyncExternalStore(
    subscribe,
    () => now,
    () => NONE,
  );
  const on = [revision, identity(brief), identity(settings), identity(measured)].join(' ');
  const key = `${on} ${topic} ${JSON.stringify(ask)}`;
  const mine = found.key === key ? found : NONE;

  async function begin(): Promise<void> {
    set({ key, on, report: undefined, failed: undefined, running: true });
    const stands = () => now.key === key;
    try {
      remote ??= Comlink.wrap<SearchApi>(
        new Worker(new URL('../../workers/search.worker.ts', import.meta.url), { type: 'module' }),
      );
      const machines = measured.map(({ machine }) => machine);
      const wanted = `${revision} ${today} ${JSON.stringify([settings, machines])}`;
      if (loaded?.key !== wanted)
        loaded = { key: wanted, done: remote.load(`/api/catalogue?revision=${revision}`, today, settings, machines) };
      await loaded.done;
      await remote.find(
        { ...ask, brief },
        Comlink.proxy((report: Report) => {
          if (stands()) set({ key, on, report, failed: undefined, running: !report.done });
        }),
      );
      if (stands()) set({ ...now, running: false });
    } catch (error) {
      loaded = undefined;
      if (stands()) set({ ...now, failed: error instanceof Error ? error.message : String(error), running: false });
    }
  }

  // what was asked of another brief or of other prices is not worth the work any more
  useEffect(() => {
    if (now.running && now.on !== on) stop();
  }, [on]);

  return { ...mine, begin, stop };
}

/** Parts and offers of a machine that the search has found. */
export async function goodsOf(machine: Machine, region: string): ReturnType<SearchApi['goods']> {
  if (!remote) throw new Error('nothing was searched yet');
  return remote.goods(machine, region);
}

const stop = (): void => {
  void remote?.stop();
};
