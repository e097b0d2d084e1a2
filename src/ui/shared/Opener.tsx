'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';

/** A button that something small opens in place of; it is told how to close. */
export function Opener({ label, children }: { label: string; children: (close: () => void) => ReactNode }) {
  const [open, setOpen] = useState(false);
  return open ? children(() => setOpen(false)) : <Button onClick={() => setOpen(true)}>{label}</Button>;
}
