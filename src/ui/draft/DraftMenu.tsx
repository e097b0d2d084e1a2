'use client';

import IconButton from '@mui/material/IconButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { useWholeDraft } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { freshPhaseId } from '@/core/model/edits';
import { MoreIcon } from '../shared/icons';
import { later } from '../shared/later';

// what is opened now and then is fetched then
const Rename = later(() => import('./DraftDialogs').then((module) => module.Rename), { soon: true });
const FromElsewhere = later(() => import('./DraftDialogs').then((module) => module.FromElsewhere), { soon: true });

type Opened = 'rename' | 'elsewhere';

/** All that is done with a draft as a whole. */
export function DraftMenu() {
  const drafts = useSeat((state) => state.bundle.drafts);
  const seat = useSeat((state) => state.bundle.seat);
  const draftId = useSeat((state) => state.draftId);
  const copy = useSeat((state) => state.copy);
  const drop = useSeat((state) => state.drop);
  const open = useSeat((state) => state.open);
  const editDraft = useSeat((state) => state.editDraft);
  const selectPhase = useSeat((state) => state.selectPhase);
  const whole = useWholeDraft();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [opened, setOpened] = useState<Opened>();
  const then = (work: () => void) => () => {
    setAnchor(null);
    work();
  };
  const planLater = () => {
    const id = freshPhaseId(whole);
    const name = whole.phases ? `Later still` : 'Later';
    editDraft({ kind: 'set-phase', phase: { id, name } }, 'Plan a later phase');
    selectPhase(id);
  };
  const several = drafts.length > 1;
  return (
    <>
      <IconButton
        aria-label="More for this draft"
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        <MoreIcon fontSize="small" />
      </IconButton>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <MenuItem onClick={then(() => void copy())}>Copy</MenuItem>
        <MenuItem onClick={then(() => setOpened('rename'))}>Rename …</MenuItem>
        {whole.items.length > 0 && whole.present !== true && (
          <MenuItem onClick={then(() => open('find'))}>Find what is missing</MenuItem>
        )}
        {several && <MenuItem onClick={then(() => open('compare'))}>Compare with another</MenuItem>}
        <MenuItem onClick={then(() => setOpened('elsewhere'))}>Bring one from another seat …</MenuItem>
        <MenuItem onClick={then(planLater)}>{whole.phases ? 'Plan another phase' : 'Plan a later phase'}</MenuItem>
        <MenuItem
          component="a"
          href={`/api/export/bom?seat=${encodeURIComponent(seat.id)}&draft=${encodeURIComponent(draftId)}`}
          download
          onClick={() => setAnchor(null)}
        >
          Save as a bill of materials
        </MenuItem>
        {several && <MenuItem onClick={then(() => void drop())}>Remove</MenuItem>}
      </Menu>
      {opened === 'rename' && <Rename onClose={() => setOpened(undefined)} />}
      {opened === 'elsewhere' && <FromElsewhere onClose={() => setOpened(undefined)} />}
    </>
  );
}
