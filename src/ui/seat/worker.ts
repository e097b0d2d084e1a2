'use client';

import * as Comlink from 'comlink';
import { useEffect, useState } from 'react';
import type { Machine } from '@/core/model/machine';
import type { Settings } from '@/core/model/settings';
import type { WorkerApi } from '@/workers/api';
import { useSeat } from './store';

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

export type Answer<T> =
  | { readonly state: 'waiting' }
  | { readonly state: 'ready'; readonly value: T }
  | { readonly state: 'failed'; readonly message: string };

/**
 * Asks the worker whenever `key` changes; answers of older questions are dropped. `ask` must depend on nothing but what
 * `key` names.
 */
export function useWorker<T>(key: string | undefined, ask: (api: Comlink.Remote<WorkerApi>) => Promise<T>): Answer<T> {
  const revision = useSeat((state) => state.bundle.catalogueRevision);
  const today = useSeat((state) => state.bundle.today);
  const settings = useSeat((state) => state.bundle.settings);
  const results = useSeat((state) => state.context.measured);
  const [answer, setAnswer] = useState<{ key: string; answer: Answer<T> }>();
  const wanted = key === undefined ? undefined : `${revision} ${key}`;
  useEffect(() => {
    if (wanted === undefined) return;
    let current = true;
    const measured = results.map(({ machine }) => machine);
    workerFor(revision, today, settings, measured)
      .then(ask)
      .then(
        (value) => current && setAnswer({ key: wanted, answer: { state: 'ready', value } }),
        (error: unknown) =>
          current &&
          setAnswer({
            key: wanted,
            answer: { state: 'failed', message: error instanceof Error ? error.message : String(error) },
          }),
      );
    return () => {
      current = false;
    };
    // `ask` is a new function each time; `wanted` says when the question changed
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wanted, revision, today]);
  return answer && answer.key === wanted ? answer.answer : { state: 'waiting' };
}

/** A key for objects that are replaced whenever they change. */
const ids = new WeakMap<object, number>();
let counter = 0;
export function identity(object: object): number {
  let id = ids.get(object);
  if (id === undefined) ids.set(object, (id = ++counter));
  return id;
}
