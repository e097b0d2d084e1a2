import { QueryClient, useQuery, type UseQueryResult } from '@tanstack/react-query';
import { useEffect, useState } from 'react';

/** What was asked for: on its way, there, or why it is not. */
export type Answer<T> =
  | { readonly state: 'waiting' }
  | { readonly state: 'ready'; readonly value: T }
  | { readonly state: 'failed'; readonly message: string };

/** How everything is asked for, of the app and of the worker alike: once a key, given up with who asked, kept a while. */
export const newAsking = (): QueryClient =>
  new QueryClient({
    defaultOptions: {
      queries: {
        // the app is on this machine: whether there is a network says nothing
        networkMode: 'always',
        // keys name all that an answer hangs on; what a person changes is asked for again by name
        staleTime: Infinity,
        refetchOnWindowFocus: false,
        retry: 1,
        // answers are never compared in depth: some are large, and some work figures out when they are looked at
        structuralSharing: false,
      },
    },
  });

/** The app has no such thing (404). */
export class NotThere extends Error {}

/** Reads JSON from one of the app's own routes; throws a sentence. */
export async function readJson<T>(url: string, signal?: AbortSignal): Promise<T> {
  const response = await fetch(url, signal ? { signal } : {});
  if (response.status === 404) throw new NotThere('it is not there any more');
  if (!response.ok) throw new Error(`the app answered ${response.status}`);
  return (await response.json()) as T;
}

/**
 * Asks again after something was done, also where an answer is on its way: that one may be older than what was done, and
 * asking a second time while the first answer ever is awaited gives no more than that one.
 */
export async function askAnew(client: QueryClient, queryKey: readonly unknown[]): Promise<void> {
  await client.cancelQueries({ queryKey });
  await client.refetchQueries({ queryKey });
}

export const libraryUrl = (question: object): string =>
  `/api/library?q=${encodeURIComponent(JSON.stringify(question))}`;
export const sheetUrl = (part: string): string => `/api/library/${encodeURIComponent(part)}`;

type Result<T> = Pick<UseQueryResult<T>, 'data' | 'error'> & { readonly isPlaceholderData?: boolean };

export function answerOf<T>({ data, error, isPlaceholderData = false }: Result<T>): Answer<T> {
  if (data !== undefined && !isPlaceholderData) return { state: 'ready', value: data };
  return error ? { state: 'failed', message: error.message } : { state: 'waiting' };
}

/** An answer in a box. That there is nothing is an answer too, which a query without the box would take for a failure. */
export const boxed = async <T>(asked: Promise<T>): Promise<{ readonly value: T }> => ({ value: await asked });

/** What is in the box, once it is there. */
export function unboxed<T>(result: Result<{ readonly value: T }>): Answer<T> {
  const answer = answerOf(result);
  return answer.state === 'ready' ? { state: 'ready', value: answer.value.value } : answer;
}

/** JSON from one of the app's own routes; asked for again when its address or `turn` changes. */
export const useRead = <T>(url: string, turn: unknown): Answer<T> =>
  answerOf(useQuery({ queryKey: [url, turn], queryFn: ({ signal }) => readJson<T>(url, signal) }));

/** After the last key before asking: typing a word asks once. */
const PAUSE_MS = 120;

/** A value once it has stood still for a moment. */
export function usePaused<T>(value: T): T {
  const [paused, setPaused] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setPaused(value), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [value]);
  return paused;
}
