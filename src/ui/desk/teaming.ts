'use client';

import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { loadTeam } from '@/server/actions';
import type { TeamBundle } from '@/server/contract';
import type { Together } from '@/core/versus/boughtTogether';
import type { TeamReport } from '@/workers/searchApi';
import { teamBy, type Hand } from '@/workers/teamCrew';
import { boughtAtOnce, dismissCrew, searchCrew, stopSearch, type SeatMachine } from '../find/searchWorker';

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** A search over the seats of a project: read, begun and stopped by whoever looks; it ends when nobody does. */
export function useTeam(project: string) {
  const [bundle, setBundle] = useState<TeamBundle>();
  const [report, setReport] = useState<TeamReport>();
  const [running, setRunning] = useState(false);
  const [failed, setFailed] = useState<string>();
  // who stops it while its workers are loaded does not want it any more
  const wanted = useRef(false);
  const stop = (): void => {
    wanted.current = false;
    stopSearch('team');
  };
  useEffect(() => {
    let gone = false;
    loadTeam(project).then(
      (loaded) => {
        if (!gone) setBundle(loaded);
      },
      (error: unknown) => {
        if (!gone) setFailed(messageOf(error));
      },
    );
    return () => {
      gone = true;
      wanted.current = false;
      stopSearch('team');
      dismissCrew();
    };
  }, [project]);

  async function begin(mostMinor: number): Promise<void> {
    if (!bundle) return;
    const { catalogueRevision: revision, today, settings, measured: machines, seats } = bundle;
    setRunning(true);
    setFailed(undefined);
    wanted.current = true;
    try {
      const crew = await searchCrew({ revision, today, settings, machines }, seats.length);
      const hands = crew.map((worker): Hand => ({
        teamFirst: (ask, tell) => worker.teamFirst(ask, proxy(tell)),
        team: (ask, tell) => worker.team(ask, proxy(tell)),
      }));
      if (wanted.current)
        await teamBy(hands, { seats: seats.map(({ id, brief }) => ({ id, brief })), mostMinor }, setReport);
    } catch (error) {
      // what one of them cannot answer the others need not go on with
      stopSearch('team');
      setFailed(messageOf(error));
    }
    setRunning(false);
  }

  return { seats: bundle?.seats, report, running, failed, begin, stop };
}

/** What the machines come to in one basket; undefined as long as it is not known, or where something has no price. */
export function useTogether(machines: readonly SeatMachine[] | undefined): Together | undefined {
  const [known, setKnown] = useState<{ readonly key: string; readonly together: Together | undefined }>();
  // as a text, so that equal machines are asked about once
  const key = machines && machines.length > 1 ? JSON.stringify(machines) : undefined;
  useEffect(() => {
    if (key === undefined) return;
    let wanted = true;
    void boughtAtOnce(JSON.parse(key) as SeatMachine[]).then((together) => wanted && setKnown({ key, together }));
    return () => {
      wanted = false;
    };
  }, [key]);
  return known?.key === key ? known?.together : undefined;
}
