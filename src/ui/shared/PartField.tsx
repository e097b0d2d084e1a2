'use client';

import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { kindName } from '@/core/words/names';
import type { LibraryRow } from '@/server/contract';
import { useFoundParts } from './useFoundParts';
import { wrongOr } from './wrongOr';

const SHOWN = 20;

const labelOf = (row: LibraryRow | null): string => (row ? `${row.maker} ${row.name}` : '');

/** Finds one part of the library by name or figure. */
export function PartField({
  label,
  value,
  wrong,
  onPick,
}: {
  label: string;
  value: LibraryRow | null;
  /** What is wrong with the choice. */
  wrong?: string | undefined;
  onPick: (row: LibraryRow | null) => void;
}) {
  const [text, setText] = useState(labelOf(value));
  // what is chosen elsewhere, or was chosen before, is named as what is chosen here
  const [named, setNamed] = useState(value?.id);
  if (named !== value?.id) {
    setNamed(value?.id);
    setText(labelOf(value));
  }
  const rows = useFoundParts(text, SHOWN);
  return (
    <Autocomplete
      size="small"
      options={[...(rows ?? [])]}
      value={value}
      filterOptions={(options) => options}
      groupBy={(row) => kindName(row.kind)}
      getOptionLabel={labelOf}
      getOptionKey={(row) => row.id}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      inputValue={text}
      // a new list of answers resets the field by itself; what somebody is typing must stay
      onInputChange={(_, next, reason) => reason !== 'reset' && setText(next)}
      onChange={(_, row) => onPick(row)}
      noOptionsText={
        text.trim().length < 2
          ? 'Type two letters of its name'
          : rows
            ? 'Nothing of that name in the library'
            : 'Looking …'
      }
      renderInput={(params) => (
        <TextField {...params} label={label} error={wrong !== undefined} helperText={wrongOr(wrong)} />
      )}
    />
  );
}
