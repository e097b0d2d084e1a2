'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import List from '@mui/material/List';
import ListItemButton from '@mui/material/ListItemButton';
import ListItemText from '@mui/material/ListItemText';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { z } from 'zod';
import { LONGEST_NAME, plainText } from '@/core/parts/common';
import { draftsElsewhere } from '@/server/actions';
import { useDraft } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { FormField, SchemaForm } from '../shared/form';

const nameForm = z.object({ name: plainText(LONGEST_NAME) });

/** Gives the draft another name. */
export function Rename({ onClose }: { onClose: () => void }) {
  const draft = useDraft();
  const editDraft = useSeat((state) => state.editDraft);
  return (
    <Dialog open onClose={onClose} aria-labelledby="rename-draft">
      <SchemaForm
        schema={nameForm}
        start={{ name: draft.name }}
        onKeep={({ name }) => {
          if (name !== draft.name) editDraft({ kind: 'rename', name }, `Name ${name}`);
          onClose();
          return undefined;
        }}
      >
        {() => (
          <>
            <DialogTitle id="rename-draft">Rename {draft.name}</DialogTitle>
            <DialogContent>
              <FormField
                name="name"
                label="Name of the draft"
                autoFocus
                sx={{ width: 260, mt: 1 }}
                onFocus={(event) => event.target.select()}
              />
            </DialogContent>
            <DialogActions>
              <Button color="inherit" onClick={onClose}>
                Leave it
              </Button>
              <Button type="submit" variant="contained">
                Keep
              </Button>
            </DialogActions>
          </>
        )}
      </SchemaForm>
    </Dialog>
  );
}

/** A draft of another seat as a start: its parts, judged by this seat's work. */
export function FromElsewhere({ onClose }: { onClose: () => void }) {
  const seatId = useSeat((state) => state.bundle.seat.id);
  const bring = useSeat((state) => state.bring);
  const { data: list } = useQuery({
    queryKey: ['drafts elsewhere', seatId],
    queryFn: () => draftsElsewhere(seatId),
    // others may have made drafts since
    staleTime: 0,
  });
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
