'use client';

import { z } from 'zod';
import { typedNumber } from '@/core/units/typed';
import type { LibraryRow } from '@/server/contract';
import { FormField } from '../shared/form';
import { FormPart } from '../shared/FormPart';
import { SmallForm } from '../shared/SmallForm';

const schema = z
  .object({ part: z.custom<LibraryRow | null>(), count: typedNumber({ min: 1, max: 50, whole: true }) })
  .refine(({ part }) => part !== null, { path: ['part'], message: 'choose a part' });

interface Props {
  readonly onKeep: (spare: { readonly part: string; readonly count: number }) => void;
  readonly onDone: () => void;
}

/** A part to have in reserve. */
export function SpareEntry({ onKeep, onDone }: Props) {
  return (
    <SmallForm
      label="Add a spare"
      keep="Add"
      schema={schema}
      start={{ part: null, count: '1' }}
      onDone={onDone}
      onKeep={({ part, count }) => {
        if (part) onKeep({ part: part.id, count });
        return undefined;
      }}
    >
      <FormPart name="part" label="Part" />
      <FormField name="count" label="Pieces" inputMode="numeric" />
    </SmallForm>
  );
}
