'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useRef, useState, type DragEvent, type ReactNode } from 'react';
import type { Problem } from '@/core/formats/problems';
import { dropUpload, openUploadedCase } from '@/server/actions';
import { Problems } from '../shared/Problems';
import { seatAddress } from '@/core/model/addresses';

/** Larger files are refused before they are sent. */
const LARGEST_BYTES = 2_000_000_000;

interface Given {
  readonly id: string;
  readonly name: string;
  readonly format: string;
}

/** A file of any known format: it is sent, looked at, and opened where it belongs. */
export function GiveFile({ label, children }: { label: string; children?: ReactNode }) {
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState<string>();
  const [problems, setProblems] = useState<{ title: string; list: readonly Problem[] }>();
  const sending = useRef<AbortController>(undefined);

  const refuse = (name: string, list: readonly Problem[]) =>
    setProblems({ title: `Nothing of ${name} was taken`, list });

  const give = async (file: File) => {
    setProblems(undefined);
    if (file.size > LARGEST_BYTES)
      return refuse(file.name, [
        {
          path: 'file',
          message: `has ${(file.size / 1e9).toFixed(1)} GB; files of up to ${LARGEST_BYTES / 1e9} GB are read. Split it`,
        },
      ]);
    if (file.size === 0) return refuse(file.name, [{ path: 'file', message: 'is empty' }]);
    setBusy(`Sending ${file.name} …`);
    const control = new AbortController();
    sending.current = control;
    try {
      const response = await fetch(`/api/inbox?name=${encodeURIComponent(file.name)}`, {
        method: 'POST',
        body: file,
        signal: control.signal,
      });
      if (!response.ok)
        return refuse(file.name, [
          { path: 'file', message: ((await response.json()) as { message?: string }).message ?? 'could not be sent' },
        ]);
      await opened((await response.json()) as Given);
    } catch {
      refuse(file.name, [
        control.signal.aborted
          ? { path: 'file', message: 'was not sent: you stopped it' }
          : { path: 'app', message: 'cannot be reached; nothing was changed, try again' },
      ]);
    } finally {
      setBusy(undefined);
    }
  };

  const opened = async (given: Given) => {
    if (given.format !== 'case') return router.push(`/library/import/${given.id}`);
    const result = await openUploadedCase(given.id);
    if (result.state === 'opened') return router.push(seatAddress(result.projectId, result.seatId, 'brief'));
    refuse(given.name, result.problems);
    await dropUpload(given.id);
  };

  const drop = (event: DragEvent) => {
    event.preventDefault();
    const [file] = event.dataTransfer.files;
    if (file) void give(file);
  };

  return (
    <Box onDragOver={(event) => event.preventDefault()} onDrop={drop} sx={{ position: 'relative' }}>
      {children}
      <input
        ref={input}
        type="file"
        className="sr-only"
        tabIndex={-1}
        aria-label="File to open"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void give(file);
        }}
      />
      <Button variant="outlined" disabled={busy !== undefined} onClick={() => input.current?.click()}>
        {label}
      </Button>
      {busy && (
        <Typography component="span" role="status" variant="body2" color="text.secondary" sx={{ ml: 2 }}>
          {busy} <Button onClick={() => sending.current?.abort()}>Stop</Button>
        </Typography>
      )}
      {problems && (
        <Box className={children ? undefined : 'overlay'} sx={{ mt: 2 }}>
          <Problems title={problems.title} list={problems.list} />
          <Button onClick={() => setProblems(undefined)}>Close</Button>
        </Box>
      )}
    </Box>
  );
}
