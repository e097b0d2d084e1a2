'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { z } from 'zod';
import { priceSourceSchema } from '@/core/formats/feed/source';
import { problemsOf } from '@/core/formats/problems';
import type { Settings } from '@/core/model/settings';
import { dropSource, keepSource } from '@/server/actions';
import type { PriceState } from '@/server/contract';
import { FormField, SchemaForm } from '../shared/form';
import { FormChoice } from '../shared/FormChoice';
import { FormFoot } from '../shared/FormFoot';
import { Panel } from '../shared/Panel';
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
  const done = () => {
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
        <SourceForm onDone={done} onLeave={() => setAdding(false)} />
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

const FORMATS = [
  { value: 'json-ld', label: 'JSON-LD' },
  { value: 'csv', label: 'CSV' },
];

/** A source as it is typed: its own name and kind follow from the rest. */
const sourceForm = z
  .object({ name: z.string(), seller: z.string(), region: z.string(), at: z.string(), format: z.string() })
  .transform((typed, context) => {
    const at = typed.at.trim();
    const read = priceSourceSchema.safeParse({
      ...typed,
      id: `${typed.seller.trim()}-${typed.region.trim()}`,
      kind: /^https?:/.test(at) ? 'http' : 'file',
      at,
    });
    if (read.success) return read.data;
    for (const { path, message } of problemsOf(read.error))
      // an id that does not read is one of the two it is made of
      if (path !== 'id') context.addIssue({ code: 'custom', path: [path], message });
    return z.NEVER;
  });

function SourceForm({ onDone, onLeave }: { readonly onDone: () => void; readonly onLeave: () => void }) {
  return (
    <SchemaForm
      label="Add a source"
      schema={sourceForm}
      start={{ name: '', seller: '', region: '', at: '', format: 'json-ld' }}
      refused="It cannot be added yet"
      onKeep={async (source) => {
        const result = await keepSource(source);
        if (result.state === 'refused') return result.problems;
        onDone();
        return undefined;
      }}
    >
      {({ busy }) => (
        <>
          <Typography variant="body2" color="text.secondary" sx={{ mb: 3 }}>
            An address over https, or a file in the folder below, with schema.org products and offers as JSON-LD, or a
            table as CSV. {'{day}'} in it stands for the day.
          </Typography>
          <Stack sx={{ gap: 3, maxWidth: 420 }}>
            {FIELDS.map(([id, label]) => (
              <FormField key={id} name={id} label={label} />
            ))}
            <FormChoice name="format" label="Format" options={FORMATS} />
          </Stack>
          <FormFoot keep="Add it" onLeave={onLeave} busy={busy} />
        </>
      )}
    </SchemaForm>
  );
}
