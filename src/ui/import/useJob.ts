import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { askAnew, NotThere, readJson } from '../shared/asking';

export interface ImportProblem {
  readonly path: string;
  readonly message: string;
  readonly row?: number;
  readonly column?: string;
  readonly value?: string;
}

export interface DryRunView {
  readonly counts: readonly {
    readonly list: string;
    readonly added: number;
    readonly changed: number;
    readonly left: number;
  }[];
  readonly problemCount: number;
  readonly problems: readonly ImportProblem[];
  readonly read: number;
}

export type JobView =
  | { readonly state: 'none' }
  | {
      readonly state: 'running';
      readonly what: 'checking' | 'writing';
      readonly progress?: { readonly bytes: number; readonly of: number; readonly read: number };
    }
  | { readonly state: 'checked'; readonly dryRun: DryRunView }
  | { readonly state: 'written'; readonly changed: number; readonly step?: number }
  | { readonly state: 'moved' }
  | { readonly state: 'cancelled' }
  | { readonly state: 'ended' }
  | { readonly state: 'failed'; readonly message: string };

const EVERY_MS = 250;

/** The work on an upload, asked for until it is at rest; also work that was begun before the page was opened. */
export function useJob(id: string): { job: JobView; follow: () => void; cancel: () => Promise<void> } {
  const url = `/api/inbox/${id}`;
  const client = useQueryClient();
  const { data: job = { state: 'none' } } = useQuery({
    queryKey: [url],
    queryFn: ({ signal }) => readJson<JobView>(url, signal),
    staleTime: 0,
    retry: false,
    // an app that is away for a moment is asked again, more slowly; an upload that is gone is not
    refetchInterval: ({ state: { data, error } }) =>
      error instanceof NotThere ? false : error ? EVERY_MS * 4 : data?.state === 'running' ? EVERY_MS : false,
  });
  const follow = useCallback(() => void askAnew(client, [url]), [client, url]);
  const cancel = useCallback(async () => {
    await fetch(url, { method: 'DELETE' });
    follow();
  }, [url, follow]);
  return { job, follow, cancel };
}
