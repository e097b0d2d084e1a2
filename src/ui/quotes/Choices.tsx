'use client';

import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import type { RevisionSpec } from '@/core/quote/kept';
import { counted, firstFree } from '@/core/units/free';
import { coins, coinsChange, listed } from '@/core/words/format';
import type { QuoteDetail } from '@/server/contract';
import { useSeat } from '../seat/useSeat';
import { later, opening } from '../shared/later';
import { Opener } from '../shared/Opener';
import { Section } from '../shared/Section';
import { TextButton } from '../shared/TextButton';

const OptionEntry = later(() => import('./OptionEntry').then((module) => module.OptionEntry), { meanwhile: opening });

interface Props {
  readonly detail: QuoteDetail;
  readonly spec: RevisionSpec;
  readonly onChange?: (spec: RevisionSpec) => void;
}

/** What the client may tick: parts in place of others, more or less, and other drafts in its place. */
export function Choices({ detail: { quote }, spec, onChange }: Props) {
  const drafts = useSeat((state) => state.bundle.drafts);
  const seat = useSeat((state) => state.bundle.seat.id);
  const { options } = spec.terms;
  const only = spec.subjects.length === 1 ? spec.subjects[0] : undefined;
  const others = drafts.filter(
    ({ id, body }) =>
      only?.seat === seat &&
      id !== only.draft &&
      body.present !== true &&
      body.items.length > 0 &&
      // of what was sent only what it offered
      (onChange !== undefined || spec.others.includes(id)),
  );
  const count = quote.options.length + quote.alternatives.length;
  const nameOf = (ids: readonly string[]): string =>
    listed(ids.flatMap((id) => quote.options.find((option) => option.id === id)?.name ?? []));
  return (
    <Section
      label="What the client may choose"
      gist={count === 0 ? 'nothing' : `${count} ${count === 1 ? 'choice' : 'choices'}`}
      open={count > 0}
    >
      <Stack component="ul" aria-label="Options" sx={{ listStyle: 'none', p: 0, m: 0, gap: 0.5 }}>
        {options.map((option) => {
          const priced = quote.options.find(({ id }) => id === option.id);
          return (
            <li key={option.id}>
              <b>{option.name}</b>{' '}
              {priced
                ? `${coinsChange(priced.differenceMinor, quote.currency)}, ${coins(priced.totalMinor, quote.currency)} with it`
                : 'is not in it'}
              {priced && priced.needs.length > 0 && `, only with ${nameOf(priced.needs)}`}
              {quote.notAll
                .filter((set) => set.includes(option.id))
                .map((set) => set.filter((id) => id !== option.id))
                .map((rest) => `, not with ${nameOf(rest)}${rest.length > 1 ? ' together' : ''}`)
                .join('')}
              {onChange && (
                <>
                  {' '}
                  <TextButton
                    aria-label={`Take ${option.name} away`}
                    onClick={() =>
                      onChange({
                        ...spec,
                        terms: { ...spec.terms, options: options.filter(({ id }) => id !== option.id) },
                      })
                    }
                  >
                    take away
                  </TextButton>
                </>
              )}
            </li>
          );
        })}
      </Stack>
      {onChange && only?.seat === seat && (
        <Opener label="Add an option">
          {(close) => (
            <OptionEntry
              draft={drafts.find(({ id }) => id === only.draft)?.body}
              onDone={close}
              onKeep={(option) => {
                const id = firstFree(counted('option', options.length + 1), (wanted) =>
                  options.some((each) => each.id === wanted),
                );
                onChange({ ...spec, terms: { ...spec.terms, options: [...options, { ...option, id }] } });
              }}
            />
          )}
        </Opener>
      )}
      {others.length > 0 && (
        <Stack role="group" aria-label="In its place" sx={{ mt: 1 }}>
          <span className="quiet small">In its place the client may take</span>
          {others.map(({ id, body }) => {
            const priced = quote.alternatives.find((other) => other.id === id);
            return (
              <FormControlLabel
                key={id}
                disabled={!onChange}
                control={
                  <Checkbox
                    size="small"
                    checked={spec.others.includes(id)}
                    onChange={(_, on) =>
                      onChange?.({
                        ...spec,
                        others: on ? [...spec.others, id] : spec.others.filter((other) => other !== id),
                      })
                    }
                  />
                }
                label={
                  priced
                    ? `${body.name}: ${coins(priced.totalMinor, quote.currency)}, ${coinsChange(priced.differenceMinor, quote.currency)}`
                    : body.name
                }
              />
            );
          })}
        </Stack>
      )}
    </Section>
  );
}
