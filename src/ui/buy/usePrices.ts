'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { pricesMoved, startRefresh } from '@/server/actions';
import type { HistoryView, PriceState, WaitingWorth } from '@/server/contract';
import { useSeat } from '../seat/store';

/** How often a running refresh is looked at, ms. */
const LOOK_MS = 500;

/** Sources, refreshes, watches and rates as the server has them; while a refresh runs they are looked at again and again. */
export function usePriceState(): {
  state: PriceState | undefined;
  reload: () => Promise<void>;
  refresh: () => Promise<void>;
  /** Another refresh runs, of another window or the command line. */
  busy: boolean;
} {
  const [state, setState] = useState<PriceState>();
  const [busy, setBusy] = useState(false);
  const reloadSeat = useSeat((seat) => seat.refresh);
  const reload = useCallback(async () => {
    const response = await fetch('/api/prices');
    if (response.ok) setState((await response.json()) as PriceState);
  }, []);
  useEffect(() => void reload(), [reload]);
  const running = state?.running !== undefined;
  useEffect(() => {
    if (!running) return undefined;
    const timer = setInterval(() => void reload(), LOOK_MS);
    return () => clearInterval(timer);
  }, [running, reload]);
  // once a refresh has ended, however quickly, the prices that it brought are read
  const ended = state === undefined ? undefined : (state.last?.ended ?? 'never');
  const known = useRef(ended);
  useEffect(() => {
    const before = known.current;
    known.current = ended;
    if (before === undefined || ended === undefined || before === ended) return;
    setBusy(false);
    void pricesMoved().then(reloadSeat);
  }, [ended, reloadSeat]);
  const refresh = useCallback(async () => {
    setBusy((await startRefresh()) === 'busy');
    await reload();
  }, [reload]);
  return { state, reload, refresh, busy };
}

type Loaded<T> =
  { readonly state: 'waiting' } | { readonly state: 'ready'; readonly value: T } | { readonly state: 'failed' };

/** Reads something from the app's own routes whenever its address changes. */
function useFetched<T>(url: string | undefined, turn: unknown): Loaded<T> {
  const [loaded, setLoaded] = useState<{ url: string; answer: Loaded<T> }>();
  useEffect(() => {
    if (url === undefined) return;
    let current = true;
    fetch(url)
      .then((response) => (response.ok ? (response.json() as Promise<T>) : Promise.reject(new Error(url))))
      .then(
        (value) => current && setLoaded({ url, answer: { state: 'ready', value } }),
        () => current && setLoaded({ url, answer: { state: 'failed' } }),
      );
    return () => {
      current = false;
    };
  }, [url, turn]);
  return loaded?.url === url && loaded !== undefined ? loaded.answer : { state: 'waiting' };
}

const address = (path: string, asked: Readonly<Record<string, string>>) =>
  `${path}?${new URLSearchParams(asked).toString()}`;

export const usePartHistory = (part: string, region: string, turn: unknown) =>
  useFetched<HistoryView>(address('/api/prices/history', { part, region }), turn);
export const useDraftHistory = (seat: string, draft: string, turn: unknown) =>
  useFetched<HistoryView>(address('/api/prices/history', { seat, draft }), turn);
export const useWaiting = (kind: string, region: string) =>
  useFetched<WaitingWorth[]>(address('/api/prices/waiting', { kind, region }), undefined);
