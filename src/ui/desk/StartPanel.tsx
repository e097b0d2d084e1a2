'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Problem } from '@/core/formats/problems';
import { newSeat } from '@/server/actions';
import { GiveFile } from '../import/GiveFile';
import { Problems } from '../shared/Problems';
import { stationPath } from '../seat/stations';

/** Start from a brief, or open a case or catalogue file: everything is checked before anything is written. */
export function StartPanel({ projects }: { projects: readonly { id: string; name: string }[] }) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [busy, setBusy] = useState<string>();
  const [problems, setProblems] = useState<{ title: string; list: readonly Problem[] }>();

  const start = async () => {
    if (name.trim() === '')
      return setProblems({
        title: 'The seat is not made',
        list: [{ path: 'name', message: 'is empty; say whose work it is' }],
      });
    setBusy('Making the seat …');
    setProblems(undefined);
    const result = await newSeat(projects[0]?.id ?? 'my-project', name.trim());
    setBusy(undefined);
    if (result.state === 'refused') setProblems({ title: 'The seat is not made', list: result.problems });
    else router.push(stationPath(result.projectId, result.seatId, 'brief'));
  };

  return (
    <div className="stack" style={{ gap: 16 }}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void start();
        }}
      >
        <h2>Start from a brief</h2>
        <p className="quiet small">Name the seat, then describe its work; parts come afterwards.</p>
        <label className="small" htmlFor="seat-name">
          Seat
        </label>
        <span className="row" style={{ marginTop: 2 }}>
          <input
            id="seat-name"
            className="field"
            value={name}
            maxLength={80}
            onChange={(event) => setName(event.target.value)}
            placeholder="for example Grading room"
          />
          <Button type="submit" variant="outlined" disabled={busy !== undefined} sx={{ flex: 'none' }}>
            Start
          </Button>
        </span>
      </form>
      <div>
        <h2>Open a file</h2>
        <GiveFile label="Choose a file">
          <p className="quiet small" style={{ marginBottom: 6 }}>
            A case file, a bill of materials or an inventory (<span className="mono">lshw -json</span>,{' '}
            <span className="mono">lscpu -J</span>) becomes a machine; a catalogue, a table or an archive goes into the
            library. It is checked first: all of it is taken or nothing.
          </p>
        </GiveFile>
      </div>
      {busy && (
        <p role="status" className="quiet">
          {busy}
        </p>
      )}
      {problems && <Problems title={problems.title} list={problems.list} />}
    </div>
  );
}
