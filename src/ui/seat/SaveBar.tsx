'use client';

import Button from '@mui/material/Button';
import { useEffect } from 'react';
import { later } from '../shared/later';
import { useSeat, useSeatStore } from './useSeat';

// what two windows changed is rarely to be decided, and then perhaps while the app is away: fetched when the page rests
const Decide = later(() => import('./Decide').then((module) => module.Decide), { soon: true });
const AskFirst = later(() => import('./Decide').then((module) => module.AskFirst), { soon: true });

/** Says when a change could not be saved as it was, and offers it again. Nothing is lost. */
export function SaveBar() {
  const saving = useSeat((state) => state.saving);
  const waiting = useSeat((state) => state.waiting);
  const asked = useSeat((state) => state.asked);
  const refused = useSeat((state) => state.refused);
  const retry = useSeat((state) => state.retry);
  useLeaving();
  return (
    <>
      {waiting && <Decide waiting={waiting} />}
      {asked && <AskFirst asked={asked} />}
      {saving.state === 'failed' && (
        <div className="bar" role="alert">
          <span>{saving.message}</span>
          <Button variant="contained" onClick={retry}>
            Try again
          </Button>
        </div>
      )}
      {refused.length > 0 && (
        <div className="bar" role="alert">
          <span>
            The change was not taken: {refused.map((problem) => `${problem.path} ${problem.message}`).join('; ')}. What
            you see is what is saved.
          </span>
        </div>
      )}
    </>
  );
}

/** Leaving with something unsaved warns; coming back takes it up again. */
function useLeaving() {
  const store = useSeatStore();
  useEffect(() => {
    store.getState().takeUp();
    const warn = (event: BeforeUnloadEvent) => {
      if (store.getState().unsaved()) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [store]);
}
