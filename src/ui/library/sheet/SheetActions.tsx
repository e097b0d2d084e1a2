'use client';

import Box from '@mui/material/Box';
import { useState } from 'react';
import { removePart } from '@/server/actions';
import type { PartSheet } from '@/server/contract';
import { TextButton } from '../../shared/TextButton';
import { IntoDraft } from '../IntoDraft';
import type { SheetProps } from './props';

/** What is done with the part of a sheet. */
export function SheetActions({
  sheet,
  beside,
  onChanged,
  onStart,
  onClose,
  onBeside,
}: Pick<SheetProps, 'beside' | 'onChanged' | 'onStart' | 'onClose' | 'onBeside'> & { sheet: PartSheet }) {
  const [refused, setRefused] = useState<string>();
  const remove = async () => {
    const result = await removePart(sheet.part.id);
    if (result.state === 'refused') return setRefused(result.problems.map((problem) => problem.message).join(' '));
    onChanged();
    onClose();
  };
  return (
    <>
      <Box component="span" className="row wrap small" sx={{ gap: '10px', marginTop: '6px' }}>
        <IntoDraft key={sheet.part.id} part={sheet.part.id} />
        <TextButton onClick={() => onBeside(sheet.part)} aria-pressed={beside}>
          {beside ? 'Not beside others' : 'Beside others'}
        </TextButton>
        <TextButton onClick={() => onStart('copy', sheet)}>Copy as a start</TextButton>
        <TextButton onClick={() => onStart('stand-in', sheet)}>Let it stand in</TextButton>
        <TextButton onClick={() => void remove()}>Remove</TextButton>
      </Box>
      {refused && (
        <Box component="p" className="short small" role="alert" sx={{ marginTop: '4px' }}>
          Not removed: it {refused}.
        </Box>
      )}
    </>
  );
}
