'use client';

import Box from '@mui/material/Box';
import type { Task } from '@/core/model/tasks';
import { TRADES } from '@/core/work/templates';
import { useBrief, useDraft } from '../seat/moment';
import { useWorker } from '../seat/worker';
import { identity } from '../shared/identity';

/** The largest size of a task that the draft still carries in its sittings. */
export function HowMuch({ task }: { task: Task }) {
  const draft = useDraft();
  const brief = useBrief();
  const grows = TRADES[task.kind].sizes !== undefined;
  const answer = useWorker(grows ? `largest ${task.id} ${identity(draft)} ${identity(brief)}` : undefined, (api) =>
    api.largest(draft, brief, task.id),
  );
  if (!grows) return null;
  return (
    <Box component="section" aria-label="How much would run" sx={{ marginBottom: '16px' }}>
      <h3>How much would run</h3>
      {answer.state === 'waiting' && <p className="quiet small">Trying sizes …</p>}
      {answer.state === 'failed' && <p className="short small">The sizes could not be tried: {answer.message}.</p>}
      {answer.state === 'ready' && answer.value && (
        <p className="small">
          {answer.value.unproven ? (
            <span className="unproven">Unproven: a figure that decides it is unknown.</span>
          ) : answer.value.most === undefined ? (
            <>
              Not even the smallest that was tried ({answer.value.of}: {answer.value.tooMuch}).
            </>
          ) : (
            <>
              Largest {answer.value.of}: <b>{answer.value.most}</b>
              {answer.value.tooMuch === undefined
                ? '; nothing larger was tried.'
                : `; ${answer.value.tooMuch} is too much.`}
            </>
          )}{' '}
          <span className="quiet">Everything else as in the brief, at the likely rate.</span>
        </p>
      )}
    </Box>
  );
}
