'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Problem } from '@/core/formats/problems';
import type { Settings } from '@/core/model/settings';
import { dropSource, keepSource } from '@/server/actions';
import type { PriceState } from '@/server/contract';
import { FormFoot } from '../shared/FormFoot';
import { Panel } from '../shared/Panel';
import { Problems } from '../shared/Problems';
import { ReachForm } from './ReachForm';

function askedText({ last, sources }: PriceState): string {
  if (sources.length === 0) return 'No source yet: prices are those of the files you import.';
  if (!last) return 'Not asked yet.';
  const answered = last.sources.filter((source) => source.state === 'done').length;
  return `Asked last ${last.started.slice(0, 16).replace('T', ' ')}, ${last.by}: ${last.message ?? `${answered} of ${last.sources.length} answered`}.`;
}

/** Where prices come from: which sources are asked, a source of one's own, and what sources may reach. */
export function PricesPanel({ prices, settings }: { prices: PriceState; settings: Settings }) {
  const router = useRouter();
  const [adding, setAdding] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const done = () => {
    setProblems([]);
    setAdding(false);
    router.refresh();
  };
  return (
    <Panel title="Where prices come from" says={askedText(prices)}>
      <Stack component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {prices.sources.map((source) => (
          <Stack key={source.id} component="li" direction="row" sx={{ alignItems: 'center' }}>
            <FormControlLabel
              sx={{ flexGrow: 1, mr: 0 }}
              control={
                <Checkbox
                  checked={source.active}
                  onChange={(event) => void keepSource({ ...source, active: event.target.checked }).then(done)}
                />
              }
              label={source.simulated ? `${source.name}, simulated` : source.name}
            />
            <Button
              color="inherit"
              aria-label={`Remove the source ${source.name}`}
              onClick={() => void dropSource(source.id).then(done)}
            >
              Remove
            </Button>
          </Stack>
        ))}
      </Stack>
      {adding ? (
        <SourceForm problems={problems} onProblems={setProblems} onDone={done} onLeave={() => setAdding(false)} />
      ) : (
        <Button onClick={() => setAdding(true)}>Add a source</Button>
      )}
      <ReachForm settings={settings} />
    </Panel>
  );
}

const FIELDS = [
  ['name', 'Name'],
  ['seller', 'Seller, by its id in the library'],
  ['region', 'Region, by its id'],
  ['at', 'Address or file'],
] as const;

interface SourceFormProps {
  readonly problems: readonly Problem[];
  readonly onProblems: (problems: readonly Problem[]) => void;
  readonly onDone: () => void;
  readonly onLeave: () => void;
}

function SourceForm({ problems, onProblems, onDone, onLeave }: SourceFormProps) {
  return (
    <form
      aria-label="Add a source"
      onSubmit={(event) => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const text = (name: string) => String(form.get(name) ?? '').trim();
        const at = text('at');
        void keepSource({
          id: `${text('seller')}-${text('region')}`,
          name: text('name'),
          seller: text('seller'),
          region: text('region'),
          kind: /^https?:/.test(at) ? 'http' : 'file',
          at,
          format: text('format'),
        }).then((result) => (result.state === 'refused' ? onProblems(result.problems) : onDone()));
      }}
    >
      <Typography variant="body2" color="text.secondary" sx={{ mb: 2 }}>
        An address over https, or a file in the folder below, with schema.org products and offers as JSON-LD, or a table
        as CSV. {'{day}'} in it stands for the day.
      </Typography>
      <Stack sx={{ gap: 3, maxWidth: 420 }}>
        {FIELDS.map(([id, label]) => (
          <TextField key={id} name={id} label={label} required slotProps={{ inputLabel: { required: false } }} />
        ))}
        <TextField select name="format" label="Format" defaultValue="json-ld">
          <MenuItem value="json-ld">JSON-LD</MenuItem>
          <MenuItem value="csv">CSV</MenuItem>
        </TextField>
      </Stack>
      <FormFoot keep="Add it" onLeave={onLeave} />
      {problems.length > 0 && <Problems title="It cannot be added yet" list={problems} />}
    </form>
  );
}
