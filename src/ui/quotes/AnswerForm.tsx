'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import { useState } from 'react';
import { chosenTotal, type Quote } from '@/core/quote/document';
import { coins } from '@/core/words/format';
import { notHadWords } from '@/core/words/quote';

interface Props {
  readonly quote: Quote;
  readonly busy: boolean;
  readonly onAnswer: (said: {
    readonly state: 'accepted' | 'declined';
    readonly options: readonly string[];
    readonly alternative?: string;
  }) => void;
}

/** What the client said on paper or by telephone. */
export function AnswerForm({ quote, busy, onAnswer }: Props) {
  const [options, setOptions] = useState<readonly string[]>([]);
  const [alternative, setAlternative] = useState<string>();
  const total = chosenTotal(quote, { options, alternative });
  const chosen = { options, ...(alternative === undefined ? {} : { alternative }) };
  return (
    <Stack sx={{ gap: 0.5, mt: 2, alignItems: 'flex-start' }} role="group" aria-label="The client’s answer">
      <span className="quiet small">What the client says on paper or otherwise:</span>
      {quote.options.map((option) => (
        <FormControlLabel
          key={option.id}
          control={
            <Checkbox
              size="small"
              checked={options.includes(option.id)}
              onChange={(_, on) => setOptions(on ? [...options, option.id] : options.filter((id) => id !== option.id))}
            />
          }
          label={option.name}
        />
      ))}
      {quote.alternatives.map((other) => (
        <FormControlLabel
          key={other.id}
          control={
            <Checkbox
              size="small"
              checked={alternative === other.id}
              onChange={(_, on) => setAlternative(on ? other.id : undefined)}
            />
          }
          label={`${other.name} in its place`}
        />
      ))}
      {typeof total !== 'number' && <span className="caution small">◆ {notHadWords(total, quote)}.</span>}
      <Stack direction="row" sx={{ gap: 1.5 }}>
        <Button
          variant="contained"
          disabled={busy || typeof total !== 'number'}
          onClick={() => onAnswer({ state: 'accepted', ...chosen })}
        >
          {typeof total === 'number' ? `Accepted at ${coins(total, quote.currency)}` : 'Accepted'}
        </Button>
        <Button color="inherit" disabled={busy} onClick={() => onAnswer({ state: 'declined', options: [] })}>
          Declined
        </Button>
      </Stack>
    </Stack>
  );
}
