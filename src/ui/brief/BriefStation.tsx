'use client';

import Box from '@mui/material/Box';
import { useRouter } from 'next/navigation';
import { memo } from 'react';
import { seatAddress } from '@/core/model/addresses';
import { FindMachines } from '../find/FindMachines';
import { useSeat } from '../seat/useSeat';
import { Demands } from './Demands';
import { Dragging, DropHead } from '../shared/sortable';
import { headOf, moveOf, placeName, standings } from './moving';
import { TaskList } from './TaskList';
import { SittingBlock } from './SittingBlock';
import { Terms } from './Terms';
import { AddTask } from './AddTask';
import { Term } from '../shared/Term';

/** Left, the work as editable sentences grouped by sitting; right, what it demands, live. */
export function BriefStation() {
  const brief = useSeat((state) => state.bundle.brief.body);
  const edit = useSeat((state) => state.editBrief);
  const project = useSeat((state) => state.bundle.seat.projectName);
  const today = useSeat((state) => state.bundle.today);
  const { tasks, sittings, ...terms } = brief;
  const standing = standings(brief);
  const alone = standing.at(-1)?.tasks ?? [];
  const move = (id: string, over: string) => {
    const change = moveOf(brief, id, over);
    const name = brief.tasks.find((task) => task.id === id)?.name ?? id;
    if (change) edit(change, `Move ${name}`);
  };
  return (
    <Box className="columns" sx={{ gridTemplateColumns: 'minmax(0, 1.35fr) minmax(360px, 1fr)' }}>
      <section className="pane" aria-label="The work">
        <p className="printed">
          {project}: {brief.name}. The work as it was told on {today}.
        </p>
        <Terms brief={terms} edit={edit} />
        {tasks.length === 0 && (
          <Box component="p" className="quiet" sx={{ margin: '12px 0' }}>
            What does this person do? Add the first task; every figure can be changed afterwards, and the machine is
            judged by it.
          </Box>
        )}
        <Dragging nameOf={(id) => placeName(brief, id)} onMoved={move}>
          {sittings.map((sitting, i) => (
            <SittingBlock
              key={sitting.id}
              sitting={sitting}
              tasks={tasks}
              edit={edit}
              inFull={standing[i]?.tasks ?? []}
            />
          ))}
          {alone.length > 0 && (
            <Box sx={{ marginTop: '14px' }}>
              <DropHead id={headOf(undefined)}>
                <h2>
                  In no <Term word="sitting" />
                </h2>
              </DropHead>
              <p className="quiet small">These are judged as if nothing else ran.</p>
              <TaskList ids={alone} tasks={tasks} edit={edit} />
            </Box>
          )}
        </Dragging>
        <AddTask brief={brief} edit={edit} />
        <Box component="p" className="printed" sx={{ marginTop: '24px' }}>
          This is the work that the machine is to be sized for. Confirmed by ______________________________ on
          ____________________
        </Box>
      </section>
      <WhatItTakes />
    </Box>
  );
}

/** The way to a machine, and what the work demands of one: it follows what is written when there is time. */
const WhatItTakes = memo(function WhatItTakes() {
  const router = useRouter();
  const seat = useSeat((state) => state.bundle.seat);
  const toDraft = () => router.push(seatAddress(seat.projectId, seat.id, 'draft'));
  return (
    <section className="pane unprinted" aria-label="What it demands">
      <Box component="section" aria-label="Machines for this work" sx={{ marginBottom: '10px' }}>
        <h2>Machines for this work</h2>
        <FindMachines onAdopted={toDraft} />
      </Box>
      <Demands />
    </section>
  );
});
