'use client';

import { EntryChoice } from '../shared/Entry';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { Mapping } from '@/core/formats/csv/mapping';
import { SHEETS } from '@/core/formats/csv/sheets';
import type { Problem } from '@/core/formats/problems';
import { kindName } from '@/core/words/names';
import { checkUpload, dropUpload, guessTable, writeUpload } from '@/server/actions';
import type { TableView, UploadView } from '@/server/contract';
import { DeskBar } from '../shared/DeskBar';
import { Problems } from '../shared/Problems';
import { MappingTable } from './Mapping';
import { Outcome, type Mending } from './Outcome';
import { useJob } from './useJob';
import { PageLink } from '../shared/PageLink';

const NO_MENDING: Mending = { fixes: {}, leaveOut: [] };
const FORMAT_NAMES: Readonly<Record<string, string>> = {
  csv: 'a table',
  catalogue: 'a catalogue',
  archive: 'an archive',
  'other-json': 'JSON',
};
const SEPARATOR_NAMES: Readonly<Record<string, string>> = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'bar' };

interface ImportProps {
  readonly upload: UploadView;
  readonly table: TableView | undefined;
  readonly problems: readonly Problem[];
  readonly encodings: readonly string[];
  readonly regions: readonly { readonly id: string; readonly name: string; readonly currency: string }[];
  readonly region: string;
}

/** A file on its way into the library: what it is, what it would do, what is wrong with it, then all of it or nothing. */
export function ImportStation({
  upload,
  table: first,
  problems,
  encodings,
  regions,
  region: firstRegion,
}: ImportProps) {
  const router = useRouter();
  const { job, follow, cancel } = useJob(upload.id);
  const [table, setTable] = useState(first);
  const [mapping, setMapping] = useState<Mapping | undefined>(first?.mapping);
  const [region, setRegion] = useState(firstRegion);
  const [mending, setMending] = useState<Mending>(NO_MENDING);
  const [refused, setRefused] = useState<readonly Problem[]>(problems);
  const [busy, setBusy] = useState(false);
  const currency = regions.find((entry) => entry.id === region)?.currency ?? '';
  const csv = upload.format === 'csv';

  const check = async () => {
    setRefused([]);
    const shape =
      table && mapping
        ? { encoding: table.encoding, separator: table.separator, mapping, region, ...mending }
        : undefined;
    const result = await checkUpload(upload.id, shape);
    if (result.state === 'refused') setRefused(result.problems);
    else follow();
  };
  // what needs nothing said about it is checked at once
  const begun = useRef(false);
  useEffect(() => {
    if (csv || begun.current) return;
    begun.current = true;
    void check();
  });
  const write = async () => {
    const result = await writeUpload(upload.id);
    if (result.state === 'refused') setRefused(result.problems);
    else follow();
  };
  const guess = async (choice: { encoding?: string; separator?: string; kind?: string }) => {
    if (!table) return;
    setBusy(true);
    const result = await guessTable(upload.id, {
      encoding: table.encoding,
      separator: table.separator,
      ...(mapping ? { kind: mapping.kind } : {}),
      ...choice,
    });
    setBusy(false);
    if ('state' in result) return setRefused(result.problems);
    setRefused(result.problems);
    setTable(result);
    setMapping(result.mapping);
    setMending(NO_MENDING);
  };
  const leave = async () => {
    await dropUpload(upload.id);
    router.push('/library');
  };

  return (
    <Box className="frame" sx={{ gridTemplateRows: '40px minmax(0, 1fr)' }}>
      <DeskBar />
      <main className="station">
        <Box
          className="columns"
          sx={{ gridTemplateColumns: csv ? 'minmax(0, 1.35fr) minmax(330px, 1fr)' : 'minmax(0, 720px)' }}
        >
          {csv && (
            <section className="pane" aria-label="What the columns mean">
              <h1>
                {upload.name}{' '}
                <span className="quiet small">
                  {(upload.bytes / 1000).toLocaleString('en-US', { maximumFractionDigits: 1 })} kB, a table
                </span>
              </h1>
              {table && (
                <Box className="row wrap small" sx={{ margin: '8px 0 10px', gap: '14px' }}>
                  <Choice
                    label="Holds"
                    value={mapping?.kind ?? ''}
                    options={[
                      ...(mapping ? [] : [['', 'choose what it holds'] as const]),
                      ...SHEETS.map((kind) => [kind, kind === 'offer' ? 'offers' : kindName(kind)] as const),
                    ]}
                    onChange={(kind) => void guess({ kind })}
                  />
                  <Choice
                    label="Encoding"
                    value={table.encoding}
                    options={encodings.map((name) => [name, name])}
                    onChange={(encoding) => void guess({ encoding })}
                  />
                  <Choice
                    label="Separator"
                    value={table.separator}
                    options={Object.entries(SEPARATOR_NAMES)}
                    onChange={(separator) => void guess({ separator })}
                  />
                  {mapping && (
                    <Choice
                      label="Decimals"
                      value={mapping.decimal}
                      options={[
                        ['.', 'point: 7.5'],
                        [',', 'comma: 7,5'],
                      ]}
                      onChange={(decimal) => setMapping({ ...mapping, decimal: decimal === ',' ? ',' : '.' })}
                    />
                  )}
                  <Choice
                    label="Prices of"
                    value={region}
                    options={regions.map((entry) => [entry.id, `${entry.name}, ${entry.currency}`])}
                    onChange={setRegion}
                  />
                </Box>
              )}
              {busy && <p className="quiet">Reading …</p>}
              {table && mapping && (
                <MappingTable
                  mapping={mapping}
                  currency={currency}
                  headers={table.headers}
                  rows={table.rows}
                  remembered={table.remembered}
                  onMapping={setMapping}
                />
              )}
              {table && !mapping && (
                <p className="caution">◆ The headings do not say what the table holds. Choose it above.</p>
              )}
            </section>
          )}
          <section className="pane" aria-label="What it would do">
            {!csv && (
              <Box component="h1" sx={{ marginBottom: '8px' }}>
                {upload.name} <span className="quiet small">{FORMAT_NAMES[upload.format]}</span>
              </Box>
            )}
            {csv && (
              <Box component="h2" sx={{ marginBottom: '6px' }}>
                What it would do
              </Box>
            )}
            {refused.length > 0 && <Problems title="Not read" list={refused} />}
            <Outcome
              name={upload.name}
              job={job}
              mending={csv ? mending : undefined}
              onMend={setMending}
              onCheck={() => void check()}
              onWrite={() => void write()}
              onCancel={() => void cancel()}
            />
            <Box className="row" sx={{ marginTop: '14px' }}>
              {csv &&
                mapping &&
                job.state !== 'running' &&
                job.state !== 'written' &&
                !(job.state === 'checked' && job.dryRun.problemCount > 0) && (
                  <Button variant={job.state === 'checked' ? 'outlined' : 'contained'} onClick={() => void check()}>
                    {job.state === 'checked' ? 'Check again' : 'Check it'}
                  </Button>
                )}
              {job.state !== 'written' ? (
                <Button onClick={() => void leave()}>Throw the file away</Button>
              ) : (
                <PageLink href="/" className="link">
                  Desk
                </PageLink>
              )}
            </Box>
          </section>
        </Box>
      </main>
    </Box>
  );
}

function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: readonly (readonly [value: string, label: string])[];
  onChange: (value: string) => void;
}) {
  return (
    <Box component="label" className="row" sx={{ gap: '5px' }}>
      <span className="quiet">{label}</span>
      <EntryChoice width={'auto'} value={value} onChange={(event) => onChange(event.target.value)}>
        {options.map(([option, name]) => (
          <option key={option} value={option}>
            {name}
          </option>
        ))}
      </EntryChoice>
    </Box>
  );
}
