'use client';

import * as Comlink from 'comlink';
import type { Machine } from '@/core/model/machine';
import type { Ground } from '@/workers/loaded';
import type { Asked, SearchApi } from '@/workers/searchApi';

/** A searching worker, with what its answers rest on. */
interface Hand {
  readonly worker: Worker;
  readonly remote: Comlink.Remote<SearchApi>;
  loaded: { readonly key: string; readonly done: Promise<void> } | undefined;
}

/** The first answers all questions of the pages; the others are there for what several can do side by side. */
let crew: Hand[] = [];

/**
 * Workers at most, each with a catalogue of its own. A core is left to the page and to what the browser does for a worker
 * beside it: on two cores two workers took as long as one.
 */
const MOST_HANDS = 4;
const handsFor = (work: number): number =>
  Math.max(1, Math.min(work, MOST_HANDS, (navigator.hardwareConcurrency || 1) - 1));

async function handAt(at: number, ground: Ground): Promise<Hand['remote']> {
  let hand = crew[at];
  if (!hand) {
    const worker = new Worker(new URL('../../workers/search.worker.ts', import.meta.url), { type: 'module' });
    crew[at] = hand = { worker, remote: Comlink.wrap<SearchApi>(worker), loaded: undefined };
  }
  const key = JSON.stringify(ground);
  if (hand.loaded?.key !== key) hand.loaded = { key, done: hand.remote.load(ground) };
  try {
    await hand.loaded.done;
  } catch (error) {
    hand.loaded = undefined;
    throw error;
  }
  return hand.remote;
}

/**
 * As many searching workers as so many pieces of work can use here, loaded with what answers rest on.
 * @throws Error when the catalogue cannot be read; it is read anew for whoever asks next
 */
export const searchCrew = (ground: Ground, work: number): Promise<Hand['remote'][]> =>
  Promise.all(Array.from({ length: handsFor(work) }, (_, at) => handAt(at, ground)));

/** The one searching worker that the pages share, in the same way. */
export const searchWorker = (ground: Ground): Promise<Hand['remote']> => handAt(0, ground);

/** Sends home all but the first, with what they know. */
export function dismissCrew(): void {
  for (const { worker } of crew.slice(1)) worker.terminate();
  crew = crew.slice(0, 1);
}

/** What was begun ahead is waited for now. */
export function hasten(what: Asked): void {
  for (const { remote } of crew.slice(0, 1)) void remote.hasten(what);
}

/** Ends what is asked of a kind, with what is known; what was asked of other kinds goes on. */
function stopSearch(what: Asked): void {
  for (const { remote } of crew) void remote.stop(what);
}

/**
 * The asks of a kind: which is the newest, and whether it is still wanted. Who stops it while its worker is loaded gets no
 * answer, and what an older one has to say is not heard.
 */
export function asksOf(what: Asked) {
  let newest: object | undefined;
  let wanted = false;
  return {
    begin: () => {
      const mine = {};
      newest = mine;
      wanted = true;
      const stands = (): boolean => newest === mine;
      return { stands, isWanted: () => wanted && stands() };
    },
    /** Ends the newest with what is known. */
    stop: (): void => {
      wanted = false;
      stopSearch(what);
    },
    /** Ends the newest, and what it has to say is not heard. */
    drop: (): void => {
      newest = undefined;
      stopSearch(what);
    },
  };
}

/** Parts and offers of a machine that the search has found. */
export async function goodsOf(machine: Machine, region: string): ReturnType<SearchApi['goods']> {
  const [first] = crew;
  if (!first) throw new Error('nothing was searched yet');
  return first.remote.goods(machine, region);
}

/** A machine with the brief that it is for. */
export type SeatMachine = Parameters<SearchApi['together']>[0][number];

/** What machines that the search has found come to in one basket. */
export async function boughtAtOnce(machines: readonly SeatMachine[]): ReturnType<SearchApi['together']> {
  return crew[0]?.remote.together(machines);
}

/** Which spares stand in for the pieces of machines that the search has found; undefined when something else was asked. */
export async function sparesOf(machines: readonly SeatMachine[]): ReturnType<SearchApi['spares']> {
  return crew[0]?.remote.spares(machines);
}
