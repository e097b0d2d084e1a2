'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { Assessment } from '@/core/assess';
import { overTime } from '@/core/heat/overTime';
import type { Task } from '@/core/model/tasks';
import { number, watts } from '@/core/words/format';

const WHEN: Readonly<Record<number, string>> = {
  5: 'first seconds',
  60: 'a minute',
  300: 'five minutes',
  3600: 'an hour',
};

/** How the processor holds under the task's sitting: short power window, the metal warming, the steady state. */
export function FirstHour({ task, assessment }: { task: Task; assessment: Assessment }) {
  const { heat, parts, sittings, brief } = assessment.facts;
  const result = assessment.tasks.find((entry) => entry.task === task.id);
  const settled = heat.sittings.find((entry) => entry.sitting === result?.sitting)?.best;
  const index = heat.setup.hot.findIndex((part) => part.kind === 'processor');
  const hot = heat.setup.hot[index];
  const state = settled?.state.parts[index];
  const processor = parts.one('processor')?.part;
  const busy = sittings.find((entry) => entry.sitting === result?.sitting)?.busy.get('cpu.parallel');
  if (!hot || !state || !processor || busy === undefined || busy < LEAST_BUSY) return null;
  const moments = overTime(hot, state, processor, parts.one('cooler')?.part, busy, heat.setup.clockMost);
  const full = processor.coreGroups?.[0]?.allCoreGHz;
  const sitting = brief.sittings.find(({ id }) => id === result?.sitting)?.name;
  const open = heat.setup.missing.length > 0;
  return (
    <Box component="section" aria-label="The first hour" sx={{ marginBottom: '16px' }}>
      <h3>The first hour of {sitting ?? 'it alone'}, from cold</h3>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell scope="col">After</TableCell>
            <TableCell align="right" scope="col">
              {full === undefined ? 'clock' : 'GHz, all cores'}
            </TableCell>
            <TableCell align="right" scope="col">
              °C of {number(hot.limitC.best)}
            </TableCell>
            <TableCell align="right" scope="col">
              draw
            </TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {moments.map((moment) => (
            <TableRow key={moment.atS}>
              <TableCell>{WHEN[moment.atS] ?? `${moment.atS} s`}</TableCell>
              <TableCell className={`num ${moment.clock < heat.setup.clockMost - 0.005 ? 'between' : ''}`}>
                {full === undefined ? `${number(moment.clock * 100)} %` : number(full * moment.clock, 3)}
              </TableCell>
              <TableCell align="right">{number(moment.tempC)}</TableCell>
              <TableCell align="right">{watts(moment.watts)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {open && (
        <p className="quiet small">Figures of the cooling are unknown; this is the better end of what is likely.</p>
      )}
    </Box>
  );
}

/** Below this share nothing warms up that is worth a table. */
const LEAST_BUSY = 0.3;
