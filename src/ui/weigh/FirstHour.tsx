'use client';

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
    <section aria-label="The first hour" style={{ marginBottom: 16 }}>
      <h3>The first hour of {sitting ?? 'it alone'}, from cold</h3>
      <table>
        <thead>
          <tr>
            <th scope="col">After</th>
            <th scope="col" className="num">
              {full === undefined ? 'clock' : 'GHz, all cores'}
            </th>
            <th scope="col" className="num">
              °C of {number(hot.limitC.best)}
            </th>
            <th scope="col" className="num">
              draw
            </th>
          </tr>
        </thead>
        <tbody>
          {moments.map((moment) => (
            <tr key={moment.atS}>
              <td>{WHEN[moment.atS] ?? `${moment.atS} s`}</td>
              <td className={`num ${moment.clock < heat.setup.clockMost - 0.005 ? 'between' : ''}`}>
                {full === undefined ? `${number(moment.clock * 100)} %` : number(full * moment.clock, 3)}
              </td>
              <td className="num">{number(moment.tempC)}</td>
              <td className="num">{watts(moment.watts)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {open && (
        <p className="quiet small">Figures of the cooling are unknown; this is the better end of what is likely.</p>
      )}
    </section>
  );
}

/** Below this share nothing warms up that is worth a table. */
const LEAST_BUSY = 0.3;
