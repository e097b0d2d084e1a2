'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import type { Problem } from '@/core/formats/problems';
import { importText, newSeat } from '@/server/actions';
import { stationPath } from '../seat/stations';

/** Larger files are refused before they are read into the page. */
const LARGEST_BYTES = 40_000_000;

/** Start from a brief, or open a case or catalogue file: everything is checked before anything is written. */
export function StartPanel({ projects }: { projects: readonly { id: string; name: string }[] }) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [busy, setBusy] = useState<string>();
  const [problems, setProblems] = useState<{ title: string; list: readonly Problem[] }>();
  const [told, setTold] = useState<string>();
  const input = useRef<HTMLInputElement>(null);

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

  const open = async (file: File) => {
    setProblems(undefined);
    setTold(undefined);
    if (file.size > LARGEST_BYTES) {
      setProblems({
        title: `${file.name} is not read`,
        list: [
          {
            path: 'file',
            message: `has ${Math.round(file.size / 1e6)} MB; files of up to ${LARGEST_BYTES / 1e6} MB are read`,
          },
        ],
      });
      return;
    }
    setBusy(`Reading and checking ${file.name} …`);
    try {
      const result = await importText(await file.text());
      if (result.state === 'refused')
        setProblems({ title: `Nothing of ${file.name} was taken`, list: result.problems });
      else if (result.state === 'case') router.push(stationPath(result.projectId, result.seatId, 'brief'));
      else {
        setTold(
          `${file.name}: ${result.added} entries added, ${result.changed} changed, ${result.left} left as they were.`,
        );
        router.refresh();
      }
    } catch {
      setProblems({
        title: `${file.name} is not read`,
        list: [{ path: 'app', message: 'cannot be reached; nothing was changed, try again' }],
      });
    } finally {
      setBusy(undefined);
    }
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
        <p className="quiet small">
          A case file becomes a seat; a catalogue file adds parts, offers and branded machines. It is checked first: all
          of it is taken or nothing.
        </p>
        <input
          ref={input}
          type="file"
          accept=".json,application/json"
          className="sr-only"
          tabIndex={-1}
          aria-label="File to open"
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (file) void open(file);
          }}
        />
        <Button
          variant="outlined"
          disabled={busy !== undefined}
          onClick={() => input.current?.click()}
          sx={{ mt: 0.5 }}
        >
          Choose a file
        </Button>
      </div>
      {busy && (
        <p role="status" className="quiet">
          {busy}
        </p>
      )}
      {told && (
        <p role="status" className="carries">
          {told}
        </p>
      )}
      {problems && (
        <div role="alert">
          <h3 className="short">{problems.title}</h3>
          <ul className="small">
            {problems.list.slice(0, 40).map((problem, i) => (
              <li key={i} style={{ padding: '2px 0' }}>
                <span className="mono">{problem.path}</span> {problem.message}
              </li>
            ))}
          </ul>
          {problems.list.length > 40 && <p className="quiet small">and {problems.list.length - 40} more.</p>}
        </div>
      )}
    </div>
  );
}
