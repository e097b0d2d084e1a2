'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Problem } from '@/core/formats/problems';
import { kindName } from '@/core/words/names';
import { dropOwned, keepOwned, putOwned } from '@/server/actions';
import type { Done, LibraryRow, OwnedRow, Refused } from '@/server/contract';
import { PartField } from '../shared/PartField';
import { Problems } from '../shared/Problems';

export interface Place {
  readonly seatId: string;
  readonly draftId: string;
  readonly label: string;
}

/** What is owned and stays: parts, displays, licences. Put into a draft they cost nothing; a display stands at its seat. */
export function OwnedPanel({ owned, places }: { owned: readonly OwnedRow[]; places: readonly Place[] }) {
  const router = useRouter();
  const [picked, setPicked] = useState<LibraryRow | null>(null);
  const [count, setCount] = useState('1');
  const [note, setNote] = useState('');
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [told, setTold] = useState<string>();
  const done = (result: Done | Refused, said?: string) => {
    setProblems(result.state === 'refused' ? result.problems : []);
    setTold(result.state === 'done' ? said : undefined);
    if (result.state === 'done') router.refresh();
    return result.state === 'done';
  };
  const add = async () => {
    if (!picked) return setProblems([{ path: 'part', message: 'is not chosen; find it by its name' }]);
    const result = await keepOwned({
      part: picked.id,
      count: Number(count),
      ...(note.trim() === '' ? {} : { note: note.trim() }),
    });
    if (done(result)) {
      setPicked(null);
      setNote('');
      setCount('1');
    }
  };
  return (
    <section aria-label="Owned">
      <h2>Owned</h2>
      <p className="quiet small">Parts, displays and licences that are there already. In a draft they cost nothing.</p>
      <ul className="small" style={{ margin: '6px 0' }}>
        {owned.map((entry) => (
          <OwnedItem
            key={entry.id}
            entry={entry}
            places={places}
            onDrop={() => void dropOwned(entry.id).then((result) => done(result))}
            onPut={(place) =>
              void putOwned(entry.id, { seatId: place.seatId, draftId: place.draftId }).then((result) =>
                done(result, `${entry.label}: ${entry.kind === 'display' ? 'stands at' : 'put into'} ${place.label}.`),
              )
            }
          />
        ))}
        {owned.length === 0 && <li className="quiet">Nothing yet.</li>}
      </ul>
      <form
        className="stack"
        style={{ gap: 6 }}
        onSubmit={(event) => {
          event.preventDefault();
          void add();
        }}
      >
        <PartField key={owned.length} label="Part, display or licence" value={picked} onPick={setPicked} />
        <span className="row small">
          <label className="row" style={{ gap: 5 }}>
            <span className="quiet">Count</span>
            <input
              className="field"
              style={{ width: 52 }}
              inputMode="numeric"
              value={count}
              onChange={(event) => setCount(event.target.value)}
            />
          </label>
          <input
            className="field"
            aria-label="Note"
            placeholder="note, for example where it stands"
            value={note}
            maxLength={200}
            onChange={(event) => setNote(event.target.value)}
          />
          <Button type="submit" variant="outlined" sx={{ flex: 'none' }}>
            Add
          </Button>
        </span>
      </form>
      {told && (
        <p role="status" className="carries small">
          {told}
        </p>
      )}
      {problems.length > 0 && <Problems title="Not done" list={problems} />}
    </section>
  );
}

function OwnedItem({
  entry,
  places,
  onDrop,
  onPut,
}: {
  entry: OwnedRow;
  places: readonly Place[];
  onDrop: () => void;
  onPut: (place: Place) => void;
}) {
  return (
    <li style={{ padding: '4px 0', borderBottom: '1px solid var(--hair)' }}>
      <span className="spread">
        <span>
          {entry.count > 1 ? `${entry.count} × ` : ''}
          <b>{entry.label}</b>{' '}
          <span className="quiet">{entry.kind ? kindName(entry.kind) : 'no longer in the library'}</span>
          {entry.note && <span className="quiet">, {entry.note}</span>}
        </span>
        <button type="button" className="link" onClick={onDrop} aria-label={`${entry.label} is no longer owned`}>
          Remove
        </button>
      </span>
      {entry.kind && places.length > 0 && (
        <select
          className="field"
          style={{ width: '100%', marginTop: 2 }}
          aria-label={`Put ${entry.label} to use`}
          value=""
          onChange={(event) => {
            const place = places.find((candidate) => `${candidate.seatId} ${candidate.draftId}` === event.target.value);
            if (place) onPut(place);
          }}
        >
          <option value="">{entry.kind === 'display' ? 'stands at …' : 'put into a draft …'}</option>
          {places.map((place) => (
            <option key={`${place.seatId} ${place.draftId}`} value={`${place.seatId} ${place.draftId}`}>
              {place.label}
            </option>
          ))}
        </select>
      )}
    </li>
  );
}
