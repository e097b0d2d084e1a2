'use client';

import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Said } from './Said';
import { GiveFile } from '../import/GiveFile';
import { NotMade, SeatFields, SeatFoot, useSeatForm, type ProjectChoice } from './seatForm';

/** From the machine that is there: its inventory as a file, or an empty draft to fill with its parts. */
export function FromMachine({ projects, onClose }: { projects: readonly ProjectChoice[]; onClose: () => void }) {
  const [said, setSaid] = useState('');
  const { form, problems, submit } = useSeatForm(projects, 'My machine', 'draft');
  const { register, control, formState } = form;
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="from-machine">
      <form noValidate onSubmit={(event) => void submit(() => ({ present: true, said }))(event)}>
        <DialogTitle id="from-machine">The machine I have</DialogTitle>
        <DialogContent>
          <Stack sx={{ gap: 4 }}>
            <GiveFile label="Open an inventory">
              <Typography variant="body2" color="text.secondary" sx={{ mb: 1 }}>
                What <code>lshw -json</code> or <code>lscpu -J</code> prints on it names its parts by itself.
              </Typography>
            </GiveFile>
            <Typography variant="body2" color="text.secondary">
              Or say what is in it, as far as you know; the rest is added in the draft:
            </Typography>
            <Said value={said} onChange={setSaid} />
            <SeatFields register={register} control={control} errors={formState.errors} projects={projects} />
          </Stack>
          <NotMade problems={problems} />
        </DialogContent>
        <SeatFoot making={formState.isSubmitting} make="Name its parts" onClose={onClose} />
      </form>
    </Dialog>
  );
}
