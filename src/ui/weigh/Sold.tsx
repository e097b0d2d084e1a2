'use client';

import Box from '@mui/material/Box';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { fullName } from '@/core/model/fitted';
import type { FATES, ResaleTerms, STATES } from '@/core/model/machine';
import { minorOfShown, shownCoins, type Currency } from '@/core/units/money';
import type { AskedSeat, CouldUse } from '@/core/upgrade/givenOn';
import { warrantyUntil, type PartResale } from '@/core/upgrade/resale';
import { coins } from '@/core/words/format';
import { resaleWords, warrantyWords } from '@/core/words/upgrade';
import { loadTeam } from '@/server/actions';
import { useSeat } from '../seat/useSeat';
import { useWorker } from '../seat/worker';
import { identity } from '../shared/identity';
import { TextButton } from '../shared/TextButton';
import { Value } from '../shared/Value';

type Fate = (typeof FATES)[number];
type State = (typeof STATES)[number];
/** What is taken away is left out, not kept as undefined. */
type Change = { [K in keyof ResaleTerms]: ResaleTerms[K] | undefined };

const FATE: Readonly<Record<Fate, string>> = {
  sold: 'is sold',
  spare: 'stays as a spare',
  given: 'goes to another seat',
};
const STATE: Readonly<Record<State, string>> = { good: 'good', worn: 'worn', faulty: 'faulty' };

/** What becomes of each part that leaves: sold, kept, or given to a seat that could use it. */
export function Sold({
  parts,
  assessment,
  currency,
  onTerms,
}: {
  parts: readonly PartResale[];
  assessment: Assessment;
  currency: Currency;
  onTerms: (item: string, resale: ResaleTerms | undefined, label: string) => void;
}) {
  const [asked, setAsked] = useState(false);
  const could = useCouldUse(asked ? parts : undefined, assessment);
  return (
    <>
      <p className="quiet small">
        Sold and paid after about {assessment.facts.settings.resale.days} days, as the Workshop says.{' '}
        {could.state === 'idle' ? (
          <TextButton onClick={() => setAsked(true)}>Who could use them?</TextButton>
        ) : could.state === 'waiting' ? (
          'Asking the other seats …'
        ) : could.state !== 'ready' ? (
          'The other seats could not be asked.'
        ) : could.value.length === 0 ? (
          'No other seat of this project could use one of them in place of what it would buy.'
        ) : (
          `${could.value.length} ${could.value.length === 1 ? 'use' : 'uses'} found at other seats, below.`
        )}
      </p>
      <ul>
        {parts.map((entry) => (
          <One
            key={entry.item.id}
            entry={entry}
            assessment={assessment}
            currency={currency}
            could={could.state === 'ready' ? could.value.filter(({ item }) => item === entry.item.id) : []}
            onTerms={onTerms}
          />
        ))}
      </ul>
    </>
  );
}

type Could =
  { readonly state: 'idle' | 'waiting' | 'failed' } | { readonly state: 'ready'; readonly value: readonly CouldUse[] };

/** Seats of the project that could use what leaves; they are read when somebody asks. */
function useCouldUse(parts: readonly PartResale[] | undefined, { facts }: Assessment): Could {
  const seat = useSeat((state) => state.bundle.seat);
  const { data: team, isError } = useQuery({
    queryKey: ['team', seat.projectId, parts !== undefined],
    queryFn: () => loadTeam(seat.projectId),
    enabled: parts !== undefined,
    staleTime: 0,
  });
  const others: readonly AskedSeat[] | undefined = team?.seats.filter(({ id }) => id !== seat.id);
  const items = parts?.map(({ item }) => item.id) ?? [];
  const answer = useWorker(team && `could use ${identity(facts.machine)} ${items.join()} ${identity(team)}`, (api) =>
    api.couldUse(facts.machine, items, others ?? []),
  );
  if (parts === undefined) return { state: 'idle' };
  if (isError || answer.state === 'failed') return { state: 'failed' };
  return answer.state === 'ready' ? { state: 'ready', value: answer.value } : { state: 'waiting' };
}

function One({
  entry,
  assessment,
  currency,
  could,
  onTerms,
}: {
  entry: PartResale;
  assessment: Assessment;
  currency: Currency;
  could: readonly CouldUse[];
  onTerms: (item: string, resale: ResaleTerms | undefined, label: string) => void;
}) {
  const { item, fate } = entry;
  const { catalogue, today } = assessment.facts;
  const part = catalogue.part(item.part);
  const name = part ? fullName(part) : item.part;
  const until = part && warrantyUntil({ item, part } as Parameters<typeof warrantyUntil>[0]);
  const warranty = warrantyWords(until, today);
  const state = item.resale?.state ?? 'good';
  const set = (change: Partial<Change>, label: string): void => {
    const terms = Object.fromEntries(
      Object.entries({ ...item.resale, ...change }).filter(([, value]) => value !== undefined),
    ) as ResaleTerms;
    onTerms(item.id, Object.keys(terms).length > 0 ? terms : undefined, label);
  };
  return (
    <Box component="li" sx={{ padding: '3px 0' }} className="small">
      <b>{name}</b>{' '}
      <Value
        label={`What becomes of ${name}`}
        editor={{
          kind: 'choice',
          value: fate,
          options: [
            { value: 'sold', label: 'sold' },
            { value: 'spare', label: 'kept as a spare' },
            { value: 'given', label: 'given to another seat' },
          ],
          onChange: (next) =>
            set(
              next === 'sold'
                ? { fate: undefined, to: undefined, savesMinor: undefined }
                : { fate: next as Fate, ...(next === 'spare' ? { to: undefined, savesMinor: undefined } : {}) },
              `${name}: ${next}`,
            ),
        }}
      >
        {FATE[fate]}
      </Value>
      {fate === 'sold' && <>: {resaleWords(entry, currency)}</>}
      {fate === 'given' &&
        (item.resale?.savesMinor === undefined
          ? ''
          : `, which saves ${coins(item.resale.savesMinor, currency)} there`)}{' '}
      {entry.notSold !== 'not-transferable' && (
        <>
          (
          {fate === 'sold' && (
            <>
              <Value
                label={`Price for ${name}`}
                editor={{
                  kind: 'number',
                  value: item.resale?.minor === undefined ? undefined : shownCoins(item.resale.minor, currency),
                  unit: currency,
                  min: 0.01,
                  optional: true,
                  explains: 'What it is thought to be sold for, before fees.',
                  onChange: (major) =>
                    set(
                      { minor: major === undefined ? undefined : minorOfShown(major, currency) },
                      `Price for ${name}`,
                    ),
                }}
              >
                price
              </Value>
              ,{' '}
            </>
          )}
          <Value
            label={`${name} bought on`}
            editor={{
              kind: 'date',
              value: item.paid?.on ?? item.resale?.boughtOn,
              explains: 'Its age is counted from then.',
              onChange: (day) => set({ boughtOn: day }, `${name} bought on`),
            }}
          >
            bought on
          </Value>
          ,{' '}
          <Value
            label={`State of ${name}`}
            editor={{
              kind: 'choice',
              value: state,
              options: Object.entries(STATE).map(([value, label]) => ({ value, label })),
              onChange: (next) => set({ state: next === 'good' ? undefined : (next as State) }, `${name}: ${next}`),
            }}
          >
            {STATE[state]}
          </Value>
          ,{' '}
          <Value
            label={`Warranty of ${name}`}
            editor={{
              kind: 'date',
              value: until,
              explains: 'As long as its maker gives it, until somebody says otherwise.',
              onChange: (day) => set({ warrantyUntil: day }, `Warranty of ${name}`),
            }}
          >
            {warranty}
          </Value>
          )
        </>
      )}
      {could.slice(0, MOST_USES).map(({ seat, seatName, draft, inPlaceOf, savesMinor }) => (
        <p key={`${seat} ${inPlaceOf}`}>
          {seatName} could use it in {draft} in place of {inPlaceOf}, and saves {coins(savesMinor, currency)}.{' '}
          {(item.resale?.to !== seat || fate !== 'given') && (
            <TextButton onClick={() => set({ fate: 'given', to: seat, savesMinor }, `${name} to ${seatName}`)}>
              give it there
            </TextButton>
          )}
        </p>
      ))}
    </Box>
  );
}

const MOST_USES = 2;
