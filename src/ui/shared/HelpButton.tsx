'use client';

import HelpOutline from '@mui/icons-material/HelpOutlineOutlined';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';

/** What the words of the screens mean, and the keys. */
export function HelpButton({ onOpen }: { onOpen: () => void }) {
  return (
    <Tooltip title="What the words mean, and the keys">
      <IconButton aria-label="Help" onClick={onOpen}>
        <HelpOutline fontSize="small" />
      </IconButton>
    </Tooltip>
  );
}
