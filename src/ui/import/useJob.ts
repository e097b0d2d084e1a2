import { useCallback, useEffect, useState } from 'react';

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
  const [job, setJob] = useState<JobView>({ state: 'none' });
  const [turn, setTurn] = useState(1);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let current = true;
    const ask = async () => {
      try {
        const next = (await (await fetch(`/api/inbox/${id}`)).json()) as JobView;
        if (!current) return;
        setJob(next);
        if (next.state === 'running') timer = setTimeout(() => void ask(), EVERY_MS);
      } catch {
        if (current) timer = setTimeout(() => void ask(), EVERY_MS * 4);
      }
    };
    void ask();
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [id, turn]);
  const follow = useCallback(() => setTurn((before) => before + 1), []);
  const cancel = useCallback(async () => {
    await fetch(`/api/inbox/${id}`, { method: 'DELETE' });
    follow();
  }, [id, follow]);
  return { job, follow, cancel };
}
