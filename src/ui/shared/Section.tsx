'use client';

import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { useRemembered } from './useRemembered';

interface SectionProps {
  /** What it is called, whatever is looked at: its state is remembered under this. */
  readonly label: string;
  /** What its line says, when that tells more than the label. */
  readonly title?: ReactNode;
  /** What it comes to, in a few words: read without opening. */
  readonly gist?: ReactNode;
  /** Whether it is open until somebody closes it. */
  readonly open?: boolean;
  readonly children: ReactNode;
}

/** Evidence behind one line; it stays as it was left. What is closed is not computed. */
export function Section({ label, title = label, gist, open: usual = false, children }: SectionProps) {
  const [open, setOpen] = useRemembered(label, usual);
  return (
    <Accordion
      component="section"
      aria-label={label}
      expanded={open}
      onChange={(_event, next) => setOpen(next)}
      // the section is the landmark: one inside it would say the same again
      slots={{ heading: 'h2', region: 'div' }}
      slotProps={{ transition: { unmountOnExit: true }, region: { role: undefined } }}
    >
      <AccordionSummary>
        <Box component="span" aria-hidden="true" sx={{ color: 'var(--quiet)', width: 14, flex: 'none' }}>
          {open ? '−' : '+'}
        </Box>
        <span>{title}</span>
        {gist !== undefined && (
          <Box
            component="span"
            className="quiet small"
            sx={{ marginLeft: 'auto', textAlign: 'right', fontWeight: 400 }}
          >
            {gist}
          </Box>
        )}
      </AccordionSummary>
      <AccordionDetails>{children}</AccordionDetails>
    </Accordion>
  );
}
