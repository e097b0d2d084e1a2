'use client';

import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import { useHelp } from './HelpPlace';
import { HelpIcon } from './icons';

/** What this place is for, what its words mean, and the keys. */
export function HelpButton() {
  const { open } = useHelp();
  return (
    <Tooltip title="What this is for, its words, the keys">
      <IconButton aria-label="Help" onClick={() => open('here')}>
        <HelpIcon fontSize="small" />
      </IconButton>
    </Tooltip>
  );
}
