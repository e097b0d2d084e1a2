'use client';

import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import { RedoIcon, UndoIcon } from './icons';

interface StepButtonProps {
  readonly direction: 'undo' | 'redo';
  /** What it would take back or bring again; undefined is nothing. */
  readonly says: string | undefined;
  readonly disabled?: boolean;
  readonly onStep: () => void;
}

/** Takes a step back or brings it again; it is named by what it would do. */
export function StepButton({ direction, says, disabled = false, onStep }: StepButtonProps) {
  const Icon = direction === 'undo' ? UndoIcon : RedoIcon;
  const off = disabled || says === undefined;
  const button = (
    <IconButton size="small" disabled={off} onClick={onStep} aria-label={says ?? `Nothing to ${direction}`}>
      <Icon fontSize="small" />
    </IconButton>
  );
  // what is disabled hears no pointer
  return off ? button : <Tooltip title={says}>{button}</Tooltip>;
}
