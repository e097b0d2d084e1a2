import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';

/** The foot of a small form: keep it or leave it. */
export function FormFoot({ keep, busy = false, onLeave }: { keep: string; busy?: boolean; onLeave: () => void }) {
  return (
    <Stack direction="row" sx={{ gap: 2, mt: 2 }}>
      <Button type="submit" variant="outlined" disabled={busy}>
        {keep}
      </Button>
      <Button color="inherit" onClick={onLeave}>
        Leave it
      </Button>
    </Stack>
  );
}
