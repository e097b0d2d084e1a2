'use client';

import Tooltip from '@mui/material/Tooltip';
import type { ReactElement } from 'react';

interface HintProps {
  /** A few words more; nothing is no hint. */
  readonly says: string | undefined;
  readonly children: ReactElement;
}

/** A few words more about something that has a name already: under the pointer, and to screen readers as its description. */
export const Hint = ({ says, children }: HintProps) =>
  says === undefined || says === '' ? (
    children
  ) : (
    <Tooltip describeChild title={says}>
      {children}
    </Tooltip>
  );
