'use client';

import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import type { FieldValues } from 'react-hook-form';
import { FormFoot } from './FormFoot';
import { SchemaForm, type SchemaFormProps } from './form';

interface SmallFormProps<In extends FieldValues, Out> extends Omit<SchemaFormProps<In, Out>, 'children'> {
  /** What keeps it. */
  readonly keep: string;
  /** It is kept or left. */
  readonly onDone: () => void;
  readonly children: ReactNode;
}

/** A small form inside a page: its fields in two columns, kept or left. */
export function SmallForm<In extends FieldValues, Out>({
  keep,
  onKeep,
  onDone,
  children,
  ...form
}: SmallFormProps<In, Out>) {
  return (
    <SchemaForm
      {...form}
      onKeep={async (values) => {
        const against = await onKeep(values);
        if (!against?.length) onDone();
        return against;
      }}
    >
      {({ busy }) => (
        <>
          <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 3, pt: 2 }}>{children}</Box>
          <FormFoot keep={keep} onLeave={onDone} busy={busy} />
        </>
      )}
    </SchemaForm>
  );
}
