'use client';

import MoreHoriz from '@mui/icons-material/MoreHoriz';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import IconButton from '@mui/material/IconButton';
import List from '@mui/material/List';
import ListItemButton from '@mui/material/ListItemButton';
import ListItemText from '@mui/material/ListItemText';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { LONGEST_NAME, plainText } from '@/core/parts/common';
import { draftsElsewhere } from '@/server/actions';
import { useDraft, useSeat, useWholeDraft } from '../seat/store';

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
    editDraft({ kind: 'later', later: { name: 'Later' } }, 'Plan a later phase');
    selectPhase('later');
  };
  const several = drafts.length > 1;
  return (
    <>
      <IconButton
        aria-label="More for this draft"
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        <MoreHoriz fontSize="small" />
      </IconButton>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <MenuItem onClick={then(() => void copy())}>Copy</MenuItem>
        <MenuItem onClick={then(() => setOpened('rename'))}>Rename …</MenuItem>
        {whole.items.length > 0 && whole.present !== true && (
          <MenuItem onClick={then(() => open('find'))}>Find what is missing</MenuItem>
        )}
        {several && <MenuItem onClick={then(() => open('compare'))}>Compare with another</MenuItem>}
        <MenuItem onClick={then(() => setOpened('elsewhere'))}>Bring one from another seat …</MenuItem>
        {!whole.later && <MenuItem onClick={then(planLater)}>Plan a later phase</MenuItem>}
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

function Rename({ onClose }: { onClose: () => void }) {
  const draft = useDraft();
  const editDraft = useSeat((state) => state.editDraft);
  const [name, setName] = useState(draft.name);
  const read = plainText(LONGEST_NAME).safeParse(name);
  return (
    <Dialog open onClose={onClose} aria-labelledby="rename-draft">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!read.success) return;
          if (read.data !== draft.name) editDraft({ kind: 'rename', name: read.data }, `Name ${read.data}`);
          onClose();
        }}
      >
        <DialogTitle id="rename-draft">Rename {draft.name}</DialogTitle>
        <DialogContent>
          <TextField
            label="Name of the draft"
            autoFocus
            sx={{ width: 260, mt: 1 }}
            value={name}
            error={!read.success}
            helperText={read.success ? '' : read.error.issues[0]?.message}
            onFocus={(event) => event.target.select()}
            onChange={(event) => setName(event.target.value)}
          />
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={!read.success}>
            Keep
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

/** A draft of another seat as a start: its parts, judged by this seat's work. */
function FromElsewhere({ onClose }: { onClose: () => void }) {
  const seatId = useSeat((state) => state.bundle.seat.id);
  const bring = useSeat((state) => state.bring);
  const [list, setList] = useState<Awaited<ReturnType<typeof draftsElsewhere>>>();
  useEffect(() => {
    void draftsElsewhere(seatId).then(setList);
  }, [seatId]);
  return (
    <Dialog open onClose={onClose} aria-labelledby="bring-draft" maxWidth="sm" fullWidth>
      <DialogTitle id="bring-draft">A draft of another seat, judged by this seat’s work</DialogTitle>
      <DialogContent>
        {list === undefined && <Typography color="text.secondary">Looking for drafts …</Typography>}
        {list?.length === 0 && <Typography color="text.secondary">No other seat has a draft with parts.</Typography>}
        <List dense disablePadding>
          {list?.map((draft) => (
            <ListItemButton
              key={`${draft.seatId} ${draft.documentId}`}
              onClick={() => {
                onClose();
                void bring(draft.seatId, draft.documentId);
              }}
            >
              <ListItemText primary={draft.label} secondary={draft.project} />
            </ListItemButton>
          ))}
        </List>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
