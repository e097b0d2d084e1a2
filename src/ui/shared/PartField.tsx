'use client';

import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import { kindName } from '@/core/words/names';
import type { LibraryPage, LibraryRow } from '@/server/contract';

const SHOWN = 20;
const PAUSE_MS = 150;

/** Finds one part of the library by name or figure. */
export function PartField({
  label,
  value,
  onPick,
}: {
  label: string;
  value: LibraryRow | null;
  onPick: (row: LibraryRow | null) => void;
}) {
  const [text, setText] = useState('');
  const [rows, setRows] = useState<readonly LibraryRow[]>([]);
  useEffect(() => {
    if (text.trim().length < 2) return;
    const control = new AbortController();
    const timer = setTimeout(() => {
      const q = JSON.stringify({ text, filters: {}, columns: [], offset: 0, limit: SHOWN });
      fetch(`/api/library?q=${encodeURIComponent(q)}`, { signal: control.signal })
        .then(async (response) => setRows(((await response.json()) as LibraryPage).rows))
        .catch(() => undefined); // an older question was dropped, or the app is away: the list stays as it is
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      control.abort();
    };
  }, [text]);
  return (
    <Autocomplete
      size="small"
      options={text.trim().length < 2 ? [] : [...rows]}
      value={value}
      filterOptions={(options) => options}
      groupBy={(row) => kindName(row.kind)}
      getOptionLabel={(row) => `${row.maker} ${row.name}`}
      getOptionKey={(row) => row.id}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      onInputChange={(_, next) => setText(next)}
      onChange={(_, row) => onPick(row)}
      noOptionsText={text.trim().length < 2 ? 'Type two letters of its name' : 'Nothing of that name in the library'}
      renderInput={(params) => <TextField {...params} label={label} />}
    />
  );
}
