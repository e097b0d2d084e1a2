'use client';

import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { useDeferredValue } from 'react';
import type { SpokenView } from '@/server/contract';
import { LONGEST_SAID } from '@/core/library/said';
import { capitalised } from '@/core/words/format';
import { kindName } from '@/core/words/names';
import { useRead } from '../shared/asking';

/** The machine that is there in words, with the library's parts that they name as one types. */
export function Said({ value, onChange }: { value: string; onChange: (said: string) => void }) {
  const asked = useDeferredValue(value.trim());
  return (
    <>
      <TextField
        label="What is in it"
        multiline
        minRows={2}
        fullWidth
        value={value}
        placeholder="a 6-core of three years ago, 32 GB, a card with 12 GB, 1 TB drive"
        slotProps={{ htmlInput: { maxLength: LONGEST_SAID } }}
        helperText="One part between two commas: its name, or its figures. Its age too, if you know it."
        onChange={(event) => onChange(event.target.value)}
      />
      {asked !== '' && <Found said={asked} />}
    </>
  );
}

function Found({ said }: { said: string }) {
  const answer = useRead<SpokenView>(`/api/library/spoken?${new URLSearchParams({ said }).toString()}`, undefined);
  if (answer.state === 'failed') return <p className="short small">The library could not be read.</p>;
  if (answer.state === 'waiting') return <p className="quiet small">Looking in the library …</p>;
  const { parts, unknown } = answer.value;
  return (
    <Box component="ul" aria-label="What was understood" className="small" sx={{ margin: 0 }}>
      {parts.map(({ said: words, kind, name, between, canBe, boughtOn }, i) => (
        <li key={i}>
          {between ? (
            <>
              <span className="unproven">○</span> “{words}”: {capitalised(kindName(kind))} like <b>{name}</b>, one of{' '}
              {canBe} from {between[0]} to {between[1]}
            </>
          ) : (
            <>
              <span className="carries">▲</span> {capitalised(kindName(kind))} <b>{name}</b>
            </>
          )}
          {boughtOn !== undefined && `, bought about ${boughtOn.slice(0, 7)}`}
        </li>
      ))}
      {unknown.map(({ said: words, why }) => (
        <li key={words}>
          <span className="short">▽</span> “{words}”:{' '}
          {why === 'not-understood'
            ? 'not understood; name a part, or say cores, GB, TB or W'
            : 'the library has no such part; name the nearest, or add it there'}
        </li>
      ))}
    </Box>
  );
}
