'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Problem } from '@/core/formats/problems';
import { capitalised } from '@/core/words/format';
import { dropSetAside, mendSetAside } from '@/server/actions';
import type { AsideRow } from '@/server/contract';
import { Problems } from '../shared/Problems';

/** Rows that this release cannot read: they are kept, the rest works without them, and here they are mended. */
export function AsidePanel({ rows }: { rows: readonly AsideRow[] }) {
  const [open, setOpen] = useState<AsideRow>();
  if (rows.length === 0) return null;
  return (
    <Alert severity="warning" role="region" aria-label="Set aside" sx={{ mb: 2 }}>
      <Typography component="h2" variant="subtitle2">
        {rows.length === 1 ? 'One entry cannot be read' : `${rows.length} entries cannot be read`}; all else works
        without
        {rows.length === 1 ? ' it' : ' them'}
      </Typography>
      <Stack component="ul" sx={{ listStyle: 'none', p: 0, m: 0, gap: 1 }}>
        {rows.map((row) => (
          <li key={`${row.place} ${row.id}`}>
            <Typography variant="body2">
              {capitalised(row.what)}: {row.problems.map(({ path, message }) => `${path} ${message}`).join('; ')}
            </Typography>
            <Stack direction="row" sx={{ gap: 1, ml: '-6px' }}>
              <Button size="small" onClick={() => setOpen(row)}>
                Mend
              </Button>
              <Button
                size="small"
                href={`data:application/json;charset=utf-8,${encodeURIComponent(row.text)}`}
                download={`${row.id.replaceAll(/[^a-z0-9.-]+/gi, '-')}.json`}
              >
                Export as text
              </Button>
              <Remove row={row} />
            </Stack>
          </li>
        ))}
      </Stack>
      {open && <Mend row={open} onClose={() => setOpen(undefined)} />}
    </Alert>
  );
}

function Mend({ row, onClose }: { row: AsideRow; onClose: () => void }) {
  const router = useRouter();
  const [text, setText] = useState(() => indented(row.text));
  const [problems, setProblems] = useState(row.problems);
  const keep = async () => {
    const result = await mendSetAside(row.place, row.id, text);
    if (result.state === 'refused') return setProblems(result.problems);
    onClose();
    router.refresh();
  };
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth>
      <DialogTitle>Mend: {row.what}</DialogTitle>
      <DialogContent>
        <Problems title="What cannot be read" list={problems} />
        <TextField
          label="Entry as text"
          multiline
          fullWidth
          minRows={8}
          maxRows={18}
          margin="dense"
          value={text}
          onChange={(event) => setText(event.target.value)}
          slotProps={{ htmlInput: { spellCheck: false } }}
          sx={{ '& textarea': { fontFamily: '"Source Code Pro Variable", monospace', fontSize: 13 } }}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" onClick={() => void keep()}>
          Keep
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Removing is for good, so it is asked twice. */
function Remove({ row }: { row: AsideRow }) {
  const router = useRouter();
  const [sure, setSure] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const remove = async () => {
    const result = await dropSetAside(row.place, row.id);
    if (result.state === 'refused') return setProblems(result.problems);
    setSure(false);
    router.refresh();
  };
  return (
    <>
      <Button size="small" color="error" onClick={() => setSure(true)}>
        Remove
      </Button>
      <Dialog open={sure} onClose={() => setSure(false)}>
        <DialogTitle>Remove {row.what} for good?</DialogTitle>
        <DialogContent>
          <Typography variant="body2">It cannot be brought back; export it as text first to keep it.</Typography>
          {problems.length > 0 && <Problems title="It could not be removed" list={problems} />}
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setSure(false)}>Keep it</Button>
          <Button variant="contained" color="error" onClick={() => void remove()}>
            Remove
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

/** JSON in lines; what is no JSON as it is. */
function indented(text: string): string {
  try {
    return JSON.stringify(JSON.parse(text), null, 2);
  } catch {
    return text;
  }
}
