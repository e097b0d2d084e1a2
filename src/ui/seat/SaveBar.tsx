'use client';

import Button from '@mui/material/Button';
import { useSeat } from './store';

/** Says when a change could not be saved as it was, and offers it again. Nothing is lost. */
export function SaveBar() {
  const saving = useSeat((state) => state.saving);
  const refused = useSeat((state) => state.refused);
  const putOnTop = useSeat((state) => state.putOnTop);
  const forget = useSeat((state) => state.forget);
  const retry = useSeat((state) => state.retry);
  if (saving.state === 'stale')
    return (
      <div className="bar" role="alert">
        <span>
          This seat was changed in another window. You now see what is saved there; your change is kept:{' '}
          <b>{saving.label}</b>
          {saving.edits.length > 1 ? ` and ${saving.edits.length - 1} more` : ''}.
        </span>
        <Button variant="contained" onClick={putOnTop}>
          Put mine on top
        </Button>
        <Button onClick={forget}>Leave mine out</Button>
      </div>
    );
  if (saving.state === 'failed')
    return (
      <div className="bar" role="alert">
        <span>{saving.message}</span>
        <Button variant="contained" onClick={retry}>
          Try again
        </Button>
      </div>
    );
  if (refused.length > 0)
    return (
      <div className="bar" role="alert">
        <span>
          The change was not taken: {refused.map((problem) => `${problem.path} ${problem.message}`).join('; ')}. What
          you see is what is saved.
        </span>
      </div>
    );
  return null;
}
