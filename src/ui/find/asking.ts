'use client';

import { proxy, type Remote } from 'comlink';
import { useEffect, useSyncExternalStore } from 'react';
import type { Ask, Asked as Kind, SearchApi } from '@/workers/searchApi';
import { useSeat } from '../seat/useSeat';
import { useGround } from '../seat/worker';
import { identity } from '../shared/identity';
import { asksOf, searchWorker } from './searchWorker';

/** An answer as the page sees it: what was asked, and how far it is. */
export interface Asked<R> {
  readonly key: string;
  /** What it rests on: brief, prices, settings and measurements. */
  readonly on: string;
  readonly report: R | undefined;
  readonly failed: string | undefined;
  readonly running: boolean;
}

/** What is asked about, what answers rest on, and both as one text: equal texts, equal answers. */
function useAbout() {
  // what was written last is searched for, though it may not be judged yet
  const brief = useSeat((state) => state.bundle.brief.body);
  const ground = useGround();
  return { brief, ground, on: `${identity(ground)} ${identity(brief)}` };
}

/**
 * One of the questions that the searching worker answers. What is asked last is answered first, whichever station asked,
 * and what was under way goes on after it: the last answer of each stays until the same is asked of something else.
 */
export function asking<R extends { readonly done: boolean }>(
  kind: Kind,
  answer: (api: Remote<SearchApi>, ask: Ask, tell: (report: R) => void) => Promise<void>,
) {
  const NONE: Asked<R> = { key: '', on: '', report: undefined, failed: undefined, running: false };
  let now = NONE;
  const { begin: take, stop } = asksOf(kind);
  const listeners = new Set<() => void>();
  const set = (next: Asked<R>): void => {
    now = next;
    for (const listener of listeners) listener();
  };
  const subscribe = (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
  const useNow = (): Asked<R> =>
    useSyncExternalStore(
      subscribe,
      () => now,
      () => NONE,
    );

  return {
    /** What was answered to an ask, how to begin and how to stop. */
    useAsked(ask: Omit<Ask, 'brief'>, topic: string) {
      const { brief, ground, on } = useAbout();
      const found = useNow();
      const key = `${on} ${topic} ${JSON.stringify(ask)}`;
      const mine = found.key === key ? found : NONE;

      async function begin(): Promise<void> {
        set({ key, on, report: undefined, failed: undefined, running: true });
        const { stands, isWanted } = take();
        try {
          const worker = await searchWorker(ground);
          if (isWanted())
            await answer(
              worker,
              { ...ask, brief },
              proxy((report: R) => {
                if (stands()) set({ key, on, report, failed: undefined, running: !report.done });
              }),
            );
          if (stands()) set({ ...now, running: false });
        } catch (error) {
          if (stands()) set({ ...now, failed: error instanceof Error ? error.message : String(error), running: false });
        }
      }

      // what was asked of another brief or of other prices is not worth the work any more
      useEffect(() => {
        if (now.running && now.on !== on) stop();
      }, [on]);

      return { ...mine, begin, stop };
    },
    /** The last answer, as long as it is about what is written now. */
    useLast(): R | undefined {
      const { on } = useAbout();
      const last = useNow();
      return last.on === on ? last.report : undefined;
    },
  };
}
