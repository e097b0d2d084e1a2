'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { FormFoot } from './FormFoot';

/** A small form behind a link: it opens, keeps or is left; what `onKeep` gives back is what is wrong. */
export function OpenForm({
  opener,
  label,
  keep,
  onKeep,
  children,
}: {
  opener: string;
  label: string;
  keep: string;
  onKeep: (text: (field: string) => string) => string | undefined;
  children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  const [message, setMessage] = useState<string>();
  if (!open) return <Button onClick={() => setOpen(true)}>{opener}</Button>;
  return (
    <form
      aria-label={label}
      onSubmit={(event) => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const wrong = onKeep((field) => String(form.get(field) ?? '').trim());
        setMessage(wrong);
        if (wrong === undefined) setOpen(false);
      }}
    >
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 2 }}>{children}</Box>
      <FormFoot keep={keep} onLeave={() => setOpen(false)} message={message} />
    </form>
  );
}
