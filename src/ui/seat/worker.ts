'use client';

import * as Comlink from 'comlink';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useMemo } from 'react';
import type { Machine } from '@/core/model/machine';
import type { Settings } from '@/core/model/settings';
import type { WorkerApi } from '@/workers/api';
import { boxed, unboxed, type Answer } from '../shared/asking';
import { useSeat } from './useSeat';

let shared: { key: string; api: Promise<Comlink.Remote<WorkerApi>> } | undefined;
let remote: Comlink.Remote<WorkerApi> | undefined;

/** The page's one worker, loaded with a catalogue revision; a new revision loads it again. */
function workerFor(
  revision: number,
  today: string,
  settings: Settings,
  measured: readonly Machine[],
): Promise<Comlink.Remote<WorkerApi>> {
  const key = `${revision} ${today} ${JSON.stringify([settings, measured])}`;
  if (shared?.key !== key) {
    remote ??= Comlink.wrap<WorkerApi>(
      new Worker(new URL('../../workers/assessment.worker.ts', import.meta.url), { type: 'module' }),
    );
    const api = remote;
    shared = { key, api: api.load(`/api/catalogue?revision=${revision}`, today, settings, measured).then(() => api) };
    // a failed load may be tried again
    shared.api.catch(() => (shared = undefined));
  }
  return shared.api;
}

const WAITING: Answer<never> = { state: 'waiting' };

/** Answers to what nobody looks at any more are kept so long: whoever looks again has them at once. */
const KEPT_MS = 60_000;

/**
 * Asks the worker whenever `key` changes; answers of older questions are not shown. `ask` must depend on nothing but what
 * `key` names.
 */
export function useWorker<T>(key: string | undefined, ask: (api: Comlink.Remote<WorkerApi>) => Promise<T>): Answer<T> {
  const revision = useSeat((state) => state.bundle.catalogueRevision);
  const today = useSeat((state) => state.bundle.today);
  const settings = useSeat((state) => state.bundle.settings);
  const results = useSeat((state) => state.context.measured);
  const { data, error } = useQuery({
    queryKey: ['worker', revision, today, identity(settings), identity(results), key],
    queryFn: () =>
      boxed(
        workerFor(
          revision,
          today,
          settings,
          results.map(({ machine }) => machine),
        ).then(ask),
      ),
    enabled: key !== undefined,
    // what the worker cannot work out it cannot work out a second time
    retry: false,
    gcTime: KEPT_MS,
  });
  const now = useMemo(() => ({ key, answer: unboxed({ data, error }) }), [key, data, error]);
  // long answers are drawn when there is time: a press does not wait for them
  const shown = useDeferredValue(now);
  return shown.key === key ? shown.answer : WAITING;
}

/** A key for objects that are replaced whenever they change. */
const ids = new WeakMap<object, number>();
let counter = 0;
export function identity(object: object): number {
  let id = ids.get(object);
  if (id === undefined) ids.set(object, (id = ++counter));
  return id;
}
