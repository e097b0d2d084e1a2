'use client';

import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import { loadTeam } from '@/server/actions';
import type { TeamBundle } from '@/server/contract';
import type { Together } from '@/core/versus/boughtTogether';
import type { TeamReport } from '@/workers/searchApi';
import { teamBy, type Hand } from '@/workers/teamCrew';
import { asksOf, boughtAtOnce, dismissCrew, searchCrew, type SeatMachine } from '../find/searchWorker';

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** A search over the seats of a project: read, begun and stopped by whoever looks; it ends when nobody does. */
export function useTeam(project: string) {
  const [bundle, setBundle] = useState<TeamBundle>();
  const [report, setReport] = useState<TeamReport>();
  const [running, setRunning] = useState(false);
  const [failed, setFailed] = useState<string>();
  const [{ begin: take, stop }] = useState(() => asksOf('team'));
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
      stop();
      dismissCrew();
    };
  }, [project, stop]);

  async function begin(mostMinor: number): Promise<void> {
    if (!bundle) return;
    const { catalogueRevision: revision, today, settings, measured: machines, seats } = bundle;
    setRunning(true);
    setFailed(undefined);
    const { stands, isWanted } = take();
    try {
      const crew = await searchCrew({ revision, today, settings, machines }, seats.length);
      const hands = crew.map((worker): Hand => ({
        teamFirst: (ask, tell) => worker.teamFirst(ask, proxy(tell)),
        team: (ask, tell) => worker.team(ask, proxy(tell)),
      }));
      if (isWanted())
        await teamBy(hands, { seats: seats.map(({ id, brief }) => ({ id, brief })), mostMinor }, (told) => {
          if (stands()) setReport(told);
        });
    } catch (error) {
      // what one of them cannot answer the others need not go on with
      stop();
      if (stands()) setFailed(messageOf(error));
    }
    if (stands()) setRunning(false);
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
