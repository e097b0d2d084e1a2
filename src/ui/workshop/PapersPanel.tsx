'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import type { Problem } from '@/core/formats/problems';
import type { Workshop } from '@/core/quote/terms';
import type { Currency } from '@/core/units/money';
import { saveLogo, saveWorkshop } from '@/server/actions';
import { PartyEntry } from '../quotes/Entries';
import { TermsSentence } from '../quotes/TermsSentence';
import { Opener } from '../shared/Opener';
import { Panel } from '../shared/Panel';
import { Num } from '../shared/phrases';
import { Problems } from '../shared/Problems';
import { TextButton } from '../shared/TextButton';
import { Value } from '../shared/Value';

interface Props {
  readonly workshop: Workshop;
  readonly logo: boolean;
  readonly currency: Currency;
}

/** The workshop as its papers name it, its usual terms, and how they go out. */
export function PapersPanel({ workshop, logo, currency }: Props) {
  const router = useRouter();
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const done = (result: Awaited<ReturnType<typeof saveWorkshop>>) => {
    setProblems(result.state === 'refused' ? result.problems : []);
    router.refresh();
  };
  const save = async (patch: Partial<Record<keyof Workshop, unknown>>) =>
    done(await saveWorkshop({ ...workshop, ...patch }));
  const { from, pages } = workshop;
  return (
    <Panel title="Papers" says="What quotes begin with; each may say otherwise.">
      <p className="sentence">
        {from ? (
          <>
            <b>{from.name}</b>
            {from.address.length > 0 ? `, ${from.address.join(', ')}` : ''}
            {from.taxNumber === undefined ? '' : `, tax number ${from.taxNumber}`}
            {from.reach === undefined ? '' : `, ${from.reach}`}
          </>
        ) : (
          <span className="caution">◆ The workshop has no name yet: no quote goes out without one.</span>
        )}{' '}
        <Opener label="Name and address">
          {(close) => (
            <PartyEntry
              label="Name and address"
              party={from}
              onKeep={(next) => void save({ from: next })}
              onDone={close}
            />
          )}
        </Opener>{' '}
        <Logo there={logo} onPick={async (picture) => done(await saveLogo(picture))} />
      </p>
      <TermsSentence terms={workshop} currency={currency} usual onChange={(patch) => void save(patch)} />
      <p className="sentence">
        Letters go to the mail server of this machine on port{' '}
        <Num
          label="Port of the mail server"
          value={workshop.mailPort}
          min={1024}
          max={65_535}
          whole
          optional
          onChange={(mailPort) => void save({ mailPort })}
        >
          {workshop.mailPort === undefined ? 'none: they go out as files' : String(workshop.mailPort)}
        </Num>
        . Pages on which clients tick options and answer are{' '}
        <Value
          label="Pages for clients"
          editor={{
            kind: 'choice',
            value: String(pages.on),
            options: [
              { value: 'false', label: 'off' },
              { value: 'true', label: `served on port ${pages.port} of this machine, and nothing else there` },
            ],
            onChange: (on) => void save({ pages: { ...pages, on: on === 'true' } }),
          }}
        >
          {pages.on ? `served on port ${pages.port}` : 'off'}
        </Value>
        .
      </p>
      {problems.length > 0 && <Problems title="Not kept" list={problems} />}
    </Panel>
  );
}

function Logo({ there, onPick }: { there: boolean; onPick: (picture: string | null) => Promise<void> }) {
  const field = useRef<HTMLInputElement>(null);
  const read = async (file: File) => {
    const bytes = new Uint8Array(await file.arrayBuffer());
    let text = '';
    for (const byte of bytes) text += String.fromCharCode(byte);
    await onPick(btoa(text));
  };
  return (
    <>
      <input
        ref={field}
        type="file"
        accept="image/png,image/jpeg"
        hidden
        aria-label="Picture for the head of papers"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void read(file);
          event.target.value = '';
        }}
      />
      <Button onClick={() => field.current?.click()}>{there ? 'Another picture' : 'Picture for the head'}</Button>
      {there && <TextButton onClick={() => void onPick(null)}>no picture</TextButton>}
    </>
  );
}
