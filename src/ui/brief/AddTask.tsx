'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { freshSittingId, freshTaskId } from '@/core/model/edits';
import { startingTask, TEMPLATES } from '@/core/work/templates';
import type { Editing } from './editing';

/** What can be added to the work. */
export function AddTask({ brief, edit }: Editing) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <Box className="row unprinted" sx={{ marginTop: '14px' }}>
      <Button variant="outlined" onClick={(event) => setAnchor(event.currentTarget)} aria-haspopup="menu">
        Add a task
      </Button>
      {brief.tasks.length > 0 && (
        <Button
          onClick={() => {
            const id = freshSittingId(brief);
            edit(
              {
                kind: 'set-sitting',
                sitting: {
                  id,
                  name: `Sitting ${id.slice('sitting-'.length)}`,
                  hoursPerWeek: 4,
                  tasks: [brief.tasks[0]?.id ?? ''],
                },
              },
              'New sitting',
            );
          }}
        >
          Add a sitting
        </Button>
      )}
      {brief.tasks.length > 0 && <Button onClick={() => window.print()}>Print the brief</Button>}
      {anchor && (
        <Menu open anchorEl={anchor} onClose={() => setAnchor(null)}>
          {TEMPLATES.map((template) => (
            <MenuItem
              key={template.kind}
              dense
              onClick={() => {
                setAnchor(null);
                edit(
                  { kind: 'add-task', task: startingTask(template.kind, freshTaskId(brief, template.kind)) },
                  template.name,
                );
              }}
            >
              <span>
                <b>{template.name}</b>
                <br />
                <span className="quiet small">{template.explains}</span>
              </span>
            </MenuItem>
          ))}
        </Menu>
      )}
    </Box>
  );
}
