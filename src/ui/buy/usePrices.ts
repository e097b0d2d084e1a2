'use client';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { pricesMoved, startRefresh } from '@/server/actions';
import type { HistoryView, PriceState, Successions, WaitingWorth } from '@/server/contract';
import { useSeat } from '../seat/useSeat';
import { askAnew, readJson, useRead } from '../shared/asking';

/** How often a running refresh is looked at, ms. */
const LOOK_MS = 500;
const PRICES = '/api/prices';

/** Sources, refreshes, watches and rates as the server has them; while a refresh runs they are looked at again and again. */
export function usePriceState(): {
  state: PriceState | undefined;
  reload: () => Promise<void>;
  refresh: () => Promise<void>;
  /** Another refresh runs, of another window or the command line. */
  busy: boolean;
} {
  const [busy, setBusy] = useState(false);
  const reloadSeat = useSeat((seat) => seat.refresh);
  const client = useQueryClient();
  const { data: state } = useQuery({
    queryKey: [PRICES],
    queryFn: ({ signal }) => readJson<PriceState>(PRICES, signal),
    // others may have asked for prices since
    staleTime: 0,
    refetchInterval: ({ state: { data } }) => (data?.running === undefined ? false : LOOK_MS),
  });
  const reload = useCallback(() => askAnew(client, [PRICES]), [client]);
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

const address = (path: string, asked: Readonly<Record<string, string>>) =>
  `${path}?${new URLSearchParams(asked).toString()}`;

export const usePartHistory = (part: string, region: string, turn: unknown) =>
  useRead<HistoryView>(address('/api/prices/history', { part, region }), turn);
export const useDraftHistory = (seat: string, draft: string, turn: unknown) =>
  useRead<HistoryView>(address('/api/prices/history', { seat, draft }), turn);
export const useSuccessions = (kind: string, region: string) =>
  useRead<Successions>(address('/api/prices/successions', { kind, region }), undefined);
export const useWaiting = (kind: string, region: string) =>
  useRead<WaitingWorth[]>(address('/api/prices/waiting', { kind, region }), undefined);
