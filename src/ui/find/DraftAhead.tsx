'use client';

import { useEffect, useState } from 'react';
import { useDraft } from '../seat/moment';
import { useMending, useSteps } from './questions';

/** What the page itself offers to ask is begun before this, ms. */
const AFTER_MS = 3000;

/** Works out ahead what will likely be asked of the open draft beside what was found; it shows nothing. */
export function DraftAhead() {
  const draft = useDraft();
  const [due, setDue] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setDue(true), AFTER_MS);
    return () => clearTimeout(timer);
  }, []);
  const ahead = due && draft.items.length > 0;
  useMending(draft, ahead);
  useSteps(draft, ahead);
  return null;
}
