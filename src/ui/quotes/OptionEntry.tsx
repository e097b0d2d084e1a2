'use client';

import { z } from 'zod';
import type { Machine } from '@/core/model/machine';
import { plainText } from '@/core/parts/common';
import type { QuoteOption } from '@/core/quote/terms';
import type { LibraryRow } from '@/server/contract';
import { FormChoice } from '../shared/FormChoice';
import { FormField } from '../shared/form';
import { FormPart } from '../shared/FormPart';
import { SmallForm } from '../shared/SmallForm';
import { useSeat } from '../seat/useSeat';

const MORE = 'one more';

const schema = z
  .object({
    item: z.string(),
    part: z.custom<LibraryRow | null>(),
    name: z.union([z.literal(''), plainText(120)]),
  })
  .refine(({ item, part }) => item !== MORE || part !== null, { path: ['part'], message: 'choose what comes in' });

interface Props {
  readonly draft: Machine | undefined;
  readonly onKeep: (option: Omit<QuoteOption, 'id'>) => void;
  readonly onDone: () => void;
}

/** A part in place of one, one more, or one less. */
export function OptionEntry({ draft, onKeep, onDone }: Props) {
  const parts = useSeat((state) => state.bundle.data.parts);
  const nameOf = (id: string): string => {
    const part = parts.find((each) => each.id === id);
    return part ? `${part.maker} ${part.name}` : id;
  };
  const items = (draft?.items ?? []).filter(({ owned, from }) => owned !== true && from === undefined);
  return (
    <SmallForm
      label="Add an option"
      keep="Add"
      schema={schema}
      start={{ item: items.find(({ part }) => part.length > 0)?.id ?? MORE, part: null, name: '' }}
      onDone={onDone}
      onKeep={({ item, part, name }) => {
        const old = items.find(({ id }) => id === item);
        const usual = part
          ? `${part.maker} ${part.name}${old ? ` in place of ${nameOf(old.part)}` : ''}`
          : `without ${nameOf(old?.part ?? '')}`;
        onKeep({
          name: name === '' ? usual.slice(0, 120) : name,
          ...(old ? { item: old.id } : {}),
          ...(part ? { part: part.id } : {}),
        });
        return undefined;
      }}
    >
      <FormChoice
        name="item"
        label="In place of"
        options={[
          ...items.map(({ id, part }) => ({ value: id, label: nameOf(part) })),
          { value: MORE, label: 'nothing: one more' },
        ]}
      />
      <FormPart name="part" label="What comes in; empty leaves it out" />
      <FormField name="name" label="As the client reads it" maxLength={120} />
    </SmallForm>
  );
}
