'use client';

import { proxy, type Remote } from 'comlink';
import { useEffect, useSyncExternalStore } from 'react';
import type { Ground } from '@/workers/loaded';
import type { Ask, Asked as Kind, SearchApi } from '@/workers/searchApi';
import { useSeat } from '../seat/useSeat';
import { useGround } from '../seat/worker';
import { identity } from '../shared/identity';
import { asksOf, hasten, searchWorker } from './searchWorker';

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

/** What is begun ahead waits so long, ms, in case that what it is about is changed once more. */
const AT_REST_MS = 700;

/**
 * One of the questions that the searching worker answers. What is asked last is answered first, whichever station asked,
 * and what was under way goes on after it: the last answer of each stays until the same is asked of something else. What
 * will likely be asked can be begun ahead; nothing is told of it before it is asked for.
 */
export function asking<R extends { readonly done: boolean }>(
  kind: Kind,
  answer: (api: Remote<SearchApi>, ask: Ask, tell: (report: R) => void) => Promise<void>,
) {
  const NONE: Asked<R> = { key: '', on: '', report: undefined, failed: undefined, running: false };
  let now = NONE;
  /** Whether somebody has asked for it. */
  let shown = true;
  const { begin: take, stop, drop } = asksOf(kind);
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
      () => (shown ? now : NONE),
      () => NONE,
    );

  async function start(key: string, on: string, ground: Ground, ask: Ask): Promise<void> {
    shown = ask.ahead !== true;
    set({ key, on, report: undefined, failed: undefined, running: true });
    const { stands, isWanted } = take();
    try {
      const worker = await searchWorker(ground);
      // it may have been asked for meanwhile
      if (isWanted())
        await answer(
          worker,
          { ...ask, ahead: !shown },
          proxy((report: R) => {
            if (stands()) set({ key, on, report, failed: undefined, running: !report.done });
          }),
        );
      if (stands()) set({ ...now, running: false });
    } catch (error) {
      if (stands()) set({ ...now, failed: error instanceof Error ? error.message : String(error), running: false });
    }
  }

  return {
    /** What was answered to an ask, how to begin and how to stop; `ahead` begins it before it is asked for. */
    useAsked(ask: Omit<Ask, 'brief'>, topic: string, ahead = false) {
      const { brief, ground, on } = useAbout();
      const found = useNow();
      const key = `${on} ${topic} ${JSON.stringify(ask)}`;
      const mine = found.key === key ? found : NONE;

      async function begin(): Promise<void> {
        if (shown || now.key !== key || now.failed !== undefined) return start(key, on, ground, { ...ask, brief });
        shown = true;
        set({ ...now });
        if (now.running) hasten(kind);
      }

      // what was asked of another brief or of other prices is not worth the work any more
      useEffect(() => {
        if (now.running && shown && now.on !== on) stop();
      }, [on]);

      // an answer that somebody asked for, about what is written now, is not given up for one that nobody did
      useEffect(() => {
        if (now.running && !shown && now.key !== key) {
          drop();
          set(NONE);
        }
        if (!ahead) return;
        const timer = setTimeout(() => {
          const kept = shown && now.on === on && now.key !== '';
          if (now.key !== key && !kept) void start(key, on, ground, { ...ask, brief, ahead: true });
        }, AT_REST_MS);
        return () => clearTimeout(timer);
        // oxlint-disable-next-line react-hooks/exhaustive-deps -- `key` names all that is asked
      }, [key, ahead]);

      return { ...mine, begin, stop };
    },
    /** The last answer that was asked for, as long as it is about what is written now. */
    useLast(): R | undefined {
      const { on } = useAbout();
      const last = useNow();
      return last.on === on ? last.report : undefined;
    },
  };
}
