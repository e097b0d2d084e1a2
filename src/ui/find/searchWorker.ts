'use client';

import * as Comlink from 'comlink';
import type { Machine } from '@/core/model/machine';
import type { Ground } from '@/workers/loaded';
import type { SearchApi } from '@/workers/searchApi';

let remote: Comlink.Remote<SearchApi> | undefined;
let loaded: { readonly key: string; readonly done: Promise<void> } | undefined;

/**
 * The searching worker, loaded with what answers rest on; the pages share it.
 * @throws Error when the catalogue cannot be read; it is read anew for whoever asks next
 */
export async function searchWorker(ground: Ground): Promise<Comlink.Remote<SearchApi>> {
  remote ??= Comlink.wrap<SearchApi>(
    new Worker(new URL('../../workers/search.worker.ts', import.meta.url), { type: 'module' }),
  );
  const key = JSON.stringify(ground);
  if (loaded?.key !== key) loaded = { key, done: remote.load(ground) };
  try {
    await loaded.done;
  } catch (error) {
    loaded = undefined;
    throw error;
  }
  return remote;
}

/** Ends what is asked now, with what is known. */
export const stopSearch = (): void => void remote?.stop();

/** Parts and offers of a machine that the search has found. */
export async function goodsOf(machine: Machine, region: string): ReturnType<SearchApi['goods']> {
  if (!remote) throw new Error('nothing was searched yet');
  return remote.goods(machine, region);
}

/** A machine with the brief that it is for. */
export type SeatMachine = Parameters<SearchApi['together']>[0][number];

/** What machines that the search has found come to in one basket. */
export async function boughtAtOnce(machines: readonly SeatMachine[]): ReturnType<SearchApi['together']> {
  return remote?.together(machines);
}

/** Which spares stand in for the pieces of machines that the search has found; undefined when something else was asked. */
export async function sparesOf(machines: readonly SeatMachine[]): ReturnType<SearchApi['spares']> {
  return remote?.spares(machines);
}
