'use client';

import * as Comlink from 'comlink';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useMemo } from 'react';
import type { WorkerApi } from '@/workers/api';
import type { Ground } from '@/workers/loaded';
import { boxed, unboxed, type Answer } from '../shared/asking';
import { identity } from '../shared/identity';
import type { SeatState } from './state';
import { useSeat } from './useSeat';

let shared: { key: string; api: Promise<Comlink.Remote<WorkerApi>> } | undefined;
let remote: Comlink.Remote<WorkerApi> | undefined;

/** The page's one worker, loaded with what its answers rest on; when that changes it is loaded again. */
function workerFor(ground: Ground): Promise<Comlink.Remote<WorkerApi>> {
  const key = JSON.stringify(ground);
  if (shared?.key !== key) {
    remote ??= Comlink.wrap<WorkerApi>(
      new Worker(new URL('../../workers/assessment.worker.ts', import.meta.url), { type: 'module' }),
    );
    const api = remote;
    shared = { key, api: api.load(ground).then(() => api) };
    // a failed load may be tried again
    shared.api.catch(() => (shared = undefined));
  }
  return shared.api;
}

let last: { readonly of: readonly unknown[]; readonly ground: Ground } | undefined;

/** What the worker's answers rest on; one object for the same seat. */
function groundOf({ bundle, context: { measured } }: SeatState): Ground {
  const { catalogueRevision: revision, today, settings } = bundle;
  const of = [revision, today, settings, measured];
  if (!last || of.some((entry, i) => entry !== last?.of[i]))
    last = { of, ground: { revision, today, settings, machines: measured.map(({ machine }) => machine) } };
  return last.ground;
}

/** What answers rest on beside what is asked. */
export const useGround = (): Ground => useSeat(groundOf);

const WAITING: Answer<never> = { state: 'waiting' };

/** Answers to what nobody looks at any more are kept so long: whoever looks again has them at once. */
const KEPT_MS = 60_000;

/**
 * Asks the worker whenever `key` changes; answers of older questions are not shown. `ask` must depend on nothing but what
 * `key` names.
 */
export function useWorker<T>(key: string | undefined, ask: (api: Comlink.Remote<WorkerApi>) => Promise<T>): Answer<T> {
  const ground = useGround();
  const { data, error } = useQuery({
    queryKey: ['worker', identity(ground), key],
    queryFn: () => boxed(workerFor(ground).then(ask)),
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
