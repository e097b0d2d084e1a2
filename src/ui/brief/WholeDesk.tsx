'use client';

import { TextButton } from '../shared/TextButton';
import { WHOLE, WHOLE_CHOICES, type Brief, type PortDemand, type WholePart } from '@/core/model/brief';
import { WIRELESS_STANDARDS, type WirelessStandard } from '@/core/parts/common';
import { Num, Pick } from '../shared/phrases';
import type { EditingTerms } from './editing';

const NAMES: Readonly<Record<WholePart, string>> = {
  system: 'operating system',
  display: 'display',
  keyboard: 'keyboard',
  pointing: 'pointing device',
};
const CHOICES = [['', 'not asked'], ...WHOLE_CHOICES.map((choice) => [choice, choice] as const)] as const;

const PORTS = {
  label: 'USB ports',
  explains: 'How many ports there have to be, by connector, place and rate.',
};
const CHAIN = {
  label: 'Displays on an output',
  explains: 'A display that passes pictures on lets a second one hang on its output, as far as the link carries both.',
};
const ROUTER = {
  label: 'Router',
  explains: 'What the room’s own router speaks: wireless older than that makes the machine the slower end.',
};

/** What makes the machine whole for this person: said in one line, so that nothing is missed when it is handed over. */
export function WholeDesk({ brief, edit }: EditingTerms) {
  const whole = brief.whole ?? {};
  const displayIs = brief.ownedDisplays.length > 0;
  return (
    <>
      {' '}
      To be whole it takes{' '}
      {WHOLE.filter((what) => what !== 'display' || !displayIs).map((what, i) => (
        <span key={what}>
          {i > 0 ? ', ' : ''}
          {NAMES[what]}:{' '}
          <Pick
            label={`Whether the ${NAMES[what]} is there`}
            value={whole[what] ?? ''}
            options={CHOICES}
            onChange={(value) => {
              const { [what]: _before, ...rest } = whole;
              edit(
                { kind: 'set-figures', figures: { whole: value === '' ? rest : { ...rest, [what]: value } } },
                `Whole: ${NAMES[what]}`,
              );
            }}
          />
        </span>
      ))}
      .
    </>
  );
}

/** Ports by connector, place and rate; displays wanted and how they may hang together; the room's router. */
export function Connections({ brief, edit }: EditingTerms) {
  const must = brief.mustHaves;
  const set = (patch: Partial<Brief['mustHaves']>) =>
    edit(
      {
        kind: 'set-must-haves',
        mustHaves: Object.fromEntries(Object.entries({ ...must, ...patch }).filter(([, value]) => value !== undefined)),
      },
      'Must-haves',
    );
  const ports = must.ports ?? [];
  const setPorts = (next: readonly PortDemand[]) => set({ ports: next.length > 0 ? [...next] : undefined });
  const change = (i: number, patch: Partial<PortDemand>) =>
    setPorts(ports.map((port, k) => (k === i ? { ...port, ...patch } : port)));
  return (
    <>
      {' '}
      Displays wanted:{' '}
      <Num
        label="Displays wanted"
        value={must.displays}
        min={1}
        max={16}
        whole
        optional
        onChange={(displays) => set({ displays })}
      >
        {must.displays === undefined ? 'those that are named' : must.displays}
      </Num>
      ,{' '}
      <Pick
        label="Displays on an output"
        value={String(must.displaysPerOutput ?? 1)}
        options={[
          ['1', 'each on an output of its own'],
          ['2', 'two may share an output'],
        ]}
        figure={CHAIN}
        onChange={(value) => set({ displaysPerOutput: value === '2' ? 2 : undefined })}
      />
      . USB ports:{' '}
      {ports.map((port, i) => (
        <span key={i}>
          {i > 0 ? '; ' : ''}
          <Num
            label={`Ports of demand ${i + 1}`}
            value={port.count}
            min={0}
            max={40}
            whole
            figure={PORTS}
            onChange={(count) =>
              count === undefined || count === 0 ? setPorts(ports.filter((_, k) => k !== i)) : change(i, { count })
            }
          />{' '}
          of connector{' '}
          <Pick
            label={`Connector of demand ${i + 1}`}
            value={port.connector}
            options={[
              ['A', 'A'],
              ['C', 'C'],
            ]}
            onChange={(connector) => change(i, { connector })}
          />{' '}
          <Pick
            label={`Place of demand ${i + 1}`}
            value={port.place}
            options={[
              ['rear', 'at the back'],
              ['front', 'in front'],
              ['anywhere', 'anywhere'],
            ]}
            onChange={(place) => change(i, { place })}
          />{' '}
          of{' '}
          <Num
            label={`Rate of demand ${i + 1}`}
            value={port.gbitPerS}
            unit="Gb/s"
            min={0.4}
            max={1000}
            onChange={(gbitPerS) => gbitPerS !== undefined && change(i, { gbitPerS })}
          >
            {`${port.gbitPerS} Gb/s or more`}
          </Num>
        </span>
      ))}
      {ports.length === 0 && 'any '}{' '}
      <TextButton onClick={() => setPorts([...ports, { count: 1, connector: 'C', place: 'rear', gbitPerS: 10 }])}>
        ask for ports
      </TextButton>
      {must.wireless && (
        <>
          . The router speaks{' '}
          <Pick
            label="Router"
            value={brief.router ?? ''}
            options={[['', 'what nobody said'], ...WIRELESS_STANDARDS.map((each) => [each, `802.11${each}`] as const)]}
            figure={ROUTER}
            onChange={(value) =>
              edit(
                value === ''
                  ? { kind: 'unset-figure', figure: 'router' }
                  : { kind: 'set-figures', figures: { router: value as WirelessStandard } },
                'Router',
              )
            }
          />
        </>
      )}
      .
    </>
  );
}
