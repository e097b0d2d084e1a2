'use client';

import Box from '@mui/material/Box';
import Collapse from '@mui/material/Collapse';
import { useId, useState, type ReactNode } from 'react';
import { Press } from './Press';

interface FoldProps {
  readonly summary: ReactNode;
  readonly open?: boolean;
  readonly children: ReactNode;
}

/** One line that opens what stands behind it. */
export function Fold({ summary, open: first = false, children }: FoldProps) {
  const [open, setOpen] = useState(first);
  const id = useId();
  return (
    <div>
      <Press
        aria-expanded={open}
        aria-controls={id}
        onClick={() => setOpen(!open)}
        sx={{ display: 'flex', width: '100%', alignItems: 'baseline', gap: 2 }}
      >
        <Box component="span" aria-hidden="true" sx={{ color: 'var(--quiet)', width: 9, flex: 'none' }}>
          {open ? '−' : '+'}
        </Box>
        <Box component="span" sx={{ flexGrow: 1, minWidth: 0 }}>
          {summary}
        </Box>
      </Press>
      <Collapse in={open} id={id} unmountOnExit>
        {children}
      </Collapse>
    </div>
  );
}
