'use client';

import Box from '@mui/material/Box';
import Popover from '@mui/material/Popover';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import Typography from '@mui/material/Typography';
import type { FocusEvent, ReactNode } from 'react';
import { z } from 'zod';
import { LONGEST_NAME, plainText } from '@/core/parts/common';
import { orNone, typedDay, typedNumber } from '@/core/units/typed';
import { FormDay, FormField, FormLine, SchemaForm } from './form';
import type { AnyEditor, ChoiceEditor, DateEditor, NumberEditor, TextEditor } from './editors';

interface EditorProps<T> {
  readonly label: string;
  readonly editor: T;
  readonly onDone: () => void;
}

/** The small editor that a value opens over itself. */
export function ValueEditor({ anchor, ...rest }: EditorProps<AnyEditor> & { readonly anchor: HTMLElement }) {
  return (
    <Popover
      open
      anchorEl={anchor}
      onClose={rest.onDone}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      slotProps={{ paper: { sx: { p: 3, minWidth: 190, maxWidth: 360 } } }}
    >
      <OfKind {...rest} />
    </Popover>
  );
}

function OfKind({ editor, ...rest }: EditorProps<AnyEditor>) {
  switch (editor.kind) {
    case 'choice':
      return <Choices editor={editor} {...rest} />;
    case 'number':
      return <NumberForm editor={editor} {...rest} />;
    case 'date':
      return <DayForm editor={editor} {...rest} />;
    case 'text':
      return <TextForm editor={editor} {...rest} />;
  }
}

function Choices({ label, editor, onDone }: EditorProps<ChoiceEditor>) {
  return (
    <Stack role="group" aria-label={label} sx={{ gap: 1, alignItems: 'flex-start' }}>
      <Typography variant="body2" color="text.secondary">
        {label}
      </Typography>
      {editor.explains && <Explains text={editor.explains} />}
      {editor.options.map((option) => (
        <ToggleButton
          key={option.value}
          value={option.value}
          size="small"
          selected={option.value === editor.value}
          autoFocus={option.value === editor.value}
          onClick={() => {
            if (option.value !== editor.value) editor.onChange(option.value);
            onDone();
          }}
          sx={{ textAlign: 'left', justifyContent: 'flex-start' }}
        >
          {option.label}
        </ToggleButton>
      ))}
    </Stack>
  );
}

const Explains = ({ text }: { text: string }) => (
  <Typography variant="body2" color="text.secondary" sx={{ maxWidth: 280, mt: 1 }}>
    {text}
  </Typography>
);

interface OneFieldProps<T> {
  readonly start: string;
  readonly schema: z.ZodType<T, string>;
  /** The field, by the name of `value`. */
  readonly field: ReactNode;
  readonly onKeep: (value: T) => void;
  readonly children?: ReactNode;
}

/** A field and "Keep", with what is to be known of it beneath. */
function OneField<T>({ start, schema, field, onKeep, children }: OneFieldProps<T>) {
  return (
    <SchemaForm
      schema={z.object({ value: schema })}
      start={{ value: start }}
      onKeep={({ value }) => {
        onKeep(value as T);
        return undefined;
      }}
    >
      {({ busy }) => (
        <>
          <Box sx={{ pt: 1 }}>
            <FormLine busy={busy}>{field}</FormLine>
          </Box>
          {children}
        </>
      )}
    </SchemaForm>
  );
}

const EMPTY_FOR_NONE = <Explains text="Leave empty for none." />;

function NumberForm({ label, editor, onDone }: EditorProps<NumberEditor>) {
  return (
    <OneField<number | undefined>
      start={editor.value === undefined ? '' : String(editor.value)}
      schema={editor.optional ? orNone(typedNumber(editor)) : typedNumber(editor)}
      field={
        <FormField
          name="value"
          label={label}
          unit={editor.unit}
          inputMode="decimal"
          autoFocus
          onFocus={selectAll}
          sx={{ width: Math.max(150, 20 + 6.5 * label.length) + 7 * (editor.unit ?? '').length }}
        />
      }
      onKeep={(value) => {
        if (value !== editor.value) editor.onChange(value);
        onDone();
      }}
    >
      {editor.explains && <Explains text={editor.explains} />}
      {editor.optional && EMPTY_FOR_NONE}
    </OneField>
  );
}

function DayForm({ label, editor, onDone }: EditorProps<DateEditor>) {
  return (
    <OneField<string | undefined>
      start={editor.value ?? ''}
      schema={orNone(typedDay())}
      field={<FormDay name="value" label={label} autoFocus />}
      onKeep={(day) => {
        if (day !== editor.value) editor.onChange(day);
        onDone();
      }}
    >
      {editor.explains && <Explains text={editor.explains} />}
      {EMPTY_FOR_NONE}
    </OneField>
  );
}

function TextForm({ label, editor, onDone }: EditorProps<TextEditor>) {
  return (
    <OneField
      start={editor.value}
      schema={plainText(LONGEST_NAME)}
      field={
        <FormField
          name="value"
          label={label}
          maxLength={LONGEST_NAME}
          autoFocus
          onFocus={selectAll}
          sx={{ width: 230 }}
        />
      }
      onKeep={(value) => {
        if (value !== editor.value) editor.onChange(value);
        onDone();
      }}
    />
  );
}

const selectAll = (event: FocusEvent<HTMLInputElement | HTMLTextAreaElement>) => event.target.select();
