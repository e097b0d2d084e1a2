import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';

/** The foot of a small form: keep it, leave it, and what is wrong with it. */
export function FormFoot({
  keep,
  onLeave,
  message,
}: {
  keep: string;
  onLeave: () => void;
  message?: string | undefined;
}) {
  return (
    <>
      <Stack direction="row" sx={{ gap: 2, mt: 2 }}>
        <Button type="submit" variant="outlined">
          {keep}
        </Button>
        <Button color="inherit" onClick={onLeave}>
          Leave it
        </Button>
      </Stack>
      {message && (
        <Typography variant="body2" color="error" role="alert">
          {message}
        </Typography>
      )}
    </>
  );
}
