'use client';

import Box from '@mui/material/Box';
import { TextButton } from '../shared/TextButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { memo, useState } from 'react';
import { shallow } from 'zustand/shallow';
import type { Sitting } from '@/core/model/brief';
import type { Task } from '@/core/model/tasks';
import { Num } from '../shared/phrases';
import { Value } from '../shared/Value';
import type { EditBrief } from './editing';
import { DropHead } from '../shared/sortable';
import { headOf } from './moving';
import { TaskList } from './TaskList';

interface SittingBlockProps {
  readonly sitting: Sitting;
  /** All of the brief's. */
  readonly tasks: readonly Task[];
  /** Those that stand in full under this sitting. */
  readonly inFull: readonly string[];
  readonly edit: EditBrief;
}

/** The tasks that run together, and for how long; another sitting is not in its way. */
export const SittingBlock = memo(
  Block,
  ({ inFull, ...was }, { inFull: isInFull, ...is }) => shallow(was, is) && shallow(inFull, isInFull),
);

function Block({ sitting, tasks, inFull, edit }: SittingBlockProps) {
  const others = tasks.filter((task) => !sitting.tasks.includes(task.id));
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const set = (patch: Partial<Sitting>, label: string) =>
    edit({ kind: 'set-sitting', sitting: { ...sitting, ...patch } }, label);
  const again = sitting.tasks.filter((id) => !inFull.includes(id));
  return (
    <Box component="section" sx={{ marginTop: '14px' }} aria-label={`Sitting ${sitting.name}`}>
      <DropHead id={headOf(sitting.id)}>
        <h2>
          <Value
            label="Name of the sitting"
            editor={{ kind: 'text', value: sitting.name, onChange: (name) => set({ name }, `Sitting ${name}`) }}
          >
            {sitting.name}
          </Value>
          <Box component="span" className="quiet" sx={{ fontWeight: 400 }}>
            {' '}
            ·{' '}
            <Num
              label="Hours a week"
              value={sitting.hoursPerWeek}
              unit="h a week"
              max={168}
              onChange={(value) => set({ hoursPerWeek: value ?? 0 }, `Hours of ${sitting.name}`)}
            />
            {sitting.tasks.length > 1 ? ', all at the same time' : ''}
          </Box>
        </h2>
        <Box component="span" className="row small" sx={{ gap: '10px' }}>
          {others.length > 0 && (
            <TextButton onClick={(event) => setAnchor(event.currentTarget)}>also runs …</TextButton>
          )}
          <TextButton
            onClick={() => edit({ kind: 'remove-sitting', sitting: sitting.id }, `Sitting ${sitting.name} out`)}
          >
            take apart
          </TextButton>
        </Box>
        {anchor && (
          <Menu open anchorEl={anchor} onClose={() => setAnchor(null)}>
            {others.map((task) => (
              <MenuItem
                key={task.id}
                dense
                onClick={() => {
                  set({ tasks: [...sitting.tasks, task.id] }, `${task.name} in ${sitting.name}`);
                  setAnchor(null);
                }}
              >
                {task.name}
              </MenuItem>
            ))}
          </Menu>
        )}
      </DropHead>
      <TaskList ids={inFull} tasks={tasks} edit={edit} />
      {again.length > 0 && (
        <Box component="p" className="small quiet" sx={{ paddingTop: '4px' }}>
          {inFull.length > 0 ? 'with' : 'again:'}{' '}
          {again.map((id, i) => (
            <span key={id}>
              {i > 0 ? ', ' : ''}
              {tasks.find((task) => task.id === id)?.name ?? id}
              {sitting.tasks.length > 1 && (
                <span className="unprinted">
                  {' ('}
                  <TextButton
                    onClick={() =>
                      set({ tasks: sitting.tasks.filter((other) => other !== id) }, `${id} out of ${sitting.name}`)
                    }
                  >
                    not here
                  </TextButton>
                  )
                </span>
              )}
            </span>
          ))}
        </Box>
      )}
    </Box>
  );
}
