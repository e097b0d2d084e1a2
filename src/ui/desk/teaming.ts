'use client';

import * as Comlink from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { loadTeam } from '@/server/actions';
import type { TeamBundle } from '@/server/contract';
import type { SearchApi, TeamReport } from '@/workers/searchApi';

/** A search over the seats of a project: read, begun and stopped by whoever looks; it ends when nobody does. */
export function useTeam(project: string) {
  const [bundle, setBundle] = useState<TeamBundle>();
  const [report, setReport] = useState<TeamReport>();
  const [running, setRunning] = useState(false);
  const [failed, setFailed] = useState<string>();
  const worker = useRef<{ readonly thread: Worker; readonly api: Comlink.Remote<SearchApi> }>(undefined);
  useEffect(() => {
    let gone = false;
    loadTeam(project).then(
      (loaded) => {
        if (!gone) setBundle(loaded);
      },
      (error: unknown) => {
        if (!gone) setFailed(error instanceof Error ? error.message : String(error));
      },
    );
    return () => {
      gone = true;
      worker.current?.thread.terminate();
      worker.current = undefined;
    };
  }, [project]);

  async function begin(mostMinor: number): Promise<void> {
    if (!bundle) return;
    setRunning(true);
    setFailed(undefined);
    try {
      if (!worker.current) {
        const thread = new Worker(new URL('../../workers/search.worker.ts', import.meta.url), { type: 'module' });
        worker.current = { thread, api: Comlink.wrap<SearchApi>(thread) };
      }
      const { api } = worker.current;
      const { catalogueRevision, today, settings, measured, seats } = bundle;
      await api.load(`/api/catalogue?revision=${catalogueRevision}`, today, settings, measured);
      await api.team(
        { seats: seats.map(({ id, brief }) => ({ id, brief })), mostMinor },
        Comlink.proxy((now: TeamReport) => setReport(now)),
      );
    } catch (error) {
      setFailed(error instanceof Error ? error.message : String(error));
    }
    setRunning(false);
  }
  const stop = (): void => void worker.current?.api.stop();

  return { seats: bundle?.seats, report, running, failed, begin, stop };
}
