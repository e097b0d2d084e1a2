'use client';

import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { GiveFile } from '../import/GiveFile';
import { NotMade, SeatFields, SeatFoot, useSeatForm, type ProjectChoice } from './seatForm';

/** From the machine that is there: its inventory as a file, or an empty draft to fill with its parts. */
export function FromMachine({ projects, onClose }: { projects: readonly ProjectChoice[]; onClose: () => void }) {
  const { form, problems, submit } = useSeatForm(projects, 'My machine', 'draft');
  const { register, control, formState } = form;
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="from-machine">
      <form noValidate onSubmit={(event) => void submit(() => ({ present: true }))(event)}>
        <DialogTitle id="from-machine">The machine I have</DialogTitle>
        <DialogContent>
          <Stack sx={{ gap: 4 }}>
            <GiveFile label="Open an inventory">
              <Typography variant="body2" color="text.secondary" sx={{ mb: 1 }}>
                What <code>lshw -json</code> or <code>lscpu -J</code> prints on it names its parts by itself.
              </Typography>
            </GiveFile>
            <Typography variant="body2" color="text.secondary">
              Or name the seat, and put its parts into an empty draft by typing them:
            </Typography>
            <SeatFields register={register} control={control} errors={formState.errors} projects={projects} />
          </Stack>
          <NotMade problems={problems} />
        </DialogContent>
        <SeatFoot making={formState.isSubmitting} make="Name its parts" onClose={onClose} />
      </form>
    </Dialog>
  );
}
