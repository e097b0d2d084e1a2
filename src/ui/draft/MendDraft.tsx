'use client';

import Box from '@mui/material/Box';
import { tookWords } from '@/core/words/effort';
import type { RepairReport } from '@/workers/searchApi';
import { AskButton, NotAsked, Working } from '../find/AskButton';
import { NearView } from '../find/NearView';
import { useMending, useSearched } from '../find/questions';
import { useDraft } from '../seat/moment';

/** All that is wrong mended at once: with the fewest changes, and at the least cost. */
export function MendDraft() {
  const draft = useDraft();
  const asked = useMending(draft, useSearched());
  const { report, failed, running } = asked;
  return (
    <Box component="section" aria-label="Mend it all" sx={{ margin: '4px 0 8px' }}>
      <AskButton label="Mend it all" asked={asked} />
      {running && (
        <Box sx={{ marginTop: '6px' }}>
          <Working label="Mending" waits={report?.state === 'waiting'} />
        </Box>
      )}
      <NotAsked failed={failed} />
      {report && <Told report={report} />}
    </Box>
  );
}

function Told({ report: { fewest, least, state, effort, seconds, done } }: { report: RepairReport }) {
  const same = fewest && least && fewest.found.priceMinor === least.found.priceMinor;
  return (
    <>
      {fewest && (
        <>
          <h3>{same ? 'Fewest changes, and the least cost' : 'Fewest changes'}</h3>
          <NearView
            near={fewest}
            label={`Mended with ${fewest.changes.length === 1 ? '1 change' : `${fewest.changes.length} changes`}`}
          />
        </>
      )}
      {least && !same && least.changes.length > 0 && (
        <>
          <h3>Least cost</h3>
          <NearView near={least} label="Mended at the least cost" />
        </>
      )}
      {state === 'proven' && !fewest && (
        <p className="small short">
          ▼ Nothing mends it beside what is owned or bought: no machine with that does the work.
        </p>
      )}
      <p className="quiet small" role={done ? 'status' : undefined}>
        {state === 'proven' ? 'Proven' : state === 'stopped' ? 'Stopped' : 'Looking'}: {tookWords(effort, seconds)}.
      </p>
    </>
  );
}
