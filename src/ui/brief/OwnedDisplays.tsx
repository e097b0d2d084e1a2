'use client';

import Box from '@mui/material/Box';
import { TextButton } from '../shared/TextButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useMemo, useState } from 'react';
import type { Brief } from '@/core/model/brief';
import { fullName } from '@/core/model/fitted';
import { useSeat } from '../seat/useSeat';
import type { EditingTerms } from './editing';

/** Displays that are there already: what the machine must drive, and at which rate. */
export function OwnedDisplays({ brief, edit }: EditingTerms) {
  const catalogue = useSeat((state) => state.context.catalogue);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const displays = useMemo(() => catalogue.ofKind('display'), [catalogue]);
  const set = (ownedDisplays: Brief['ownedDisplays']) =>
    edit({ kind: 'set-displays', ownedDisplays }, 'Owned displays');
  const name = (id: string) => {
    const part = catalogue.part(id);
    return part ? fullName(part) : id;
  };
  return (
    <>
      {brief.ownedDisplays.length === 0 && 'no owned display'}
      {brief.ownedDisplays.map((id, i) => (
        <span key={i}>
          {i > 0 ? ', ' : ''}
          {name(id)}{' '}
          <TextButton
            aria-label={`Leave display ${i + 1} out`}
            onClick={() => set(brief.ownedDisplays.filter((_, k) => k !== i))}
          >
            leave out
          </TextButton>
        </span>
      ))}{' '}
      <TextButton aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        add a display
      </TextButton>
      {anchor && (
        <Menu open anchorEl={anchor} onClose={() => setAnchor(null)}>
          {displays.map((part) => (
            <MenuItem
              key={part.id}
              dense
              onClick={() => {
                setAnchor(null);
                set([...brief.ownedDisplays, part.id]);
              }}
            >
              {fullName(part)}
              <Box component="span" className="quiet small" sx={{ marginLeft: '8px' }}>
                {part.widthPx} × {part.heightPx}, {part.refreshHz} Hz
              </Box>
            </MenuItem>
          ))}
        </Menu>
      )}
    </>
  );
}
