'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import Button from '@mui/material/Button';
import FormControl, { type FormControlProps } from '@mui/material/FormControl';
import FormHelperText from '@mui/material/FormHelperText';
import InputAdornment from '@mui/material/InputAdornment';
import InputLabel from '@mui/material/InputLabel';
import OutlinedInput, { type OutlinedInputProps } from '@mui/material/OutlinedInput';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useId, useState, type ReactNode } from 'react';
import {
  Controller,
  FormProvider,
  useForm,
  useFormContext,
  type DefaultValues,
  type FieldValues,
  type Path,
} from 'react-hook-form';
import type { z } from 'zod';
import type { Problem } from '@/core/formats/problems';
import type { Day } from './DayField';
import { DayField } from './LazyDayField';
import { Problems } from './Problems';
import { wrongOr } from './wrongOr';

/** What an answer says against what was sent; undefined or empty when it is taken. */
export type Against = readonly Problem[] | undefined;

export interface SchemaFormProps<In extends FieldValues, Out> {
  /** How a screen reader names the form; one of a single field is named by its field. */
  readonly label?: string;
  /** From what is typed to what is kept. */
  readonly schema: z.ZodType<Out, In>;
  readonly start: DefaultValues<In>;
  /** Keeps it; what is said against it stands beneath, or at the field that it names. */
  readonly onKeep: (values: Out) => Against | Promise<Against>;
  /** Head of what the app says against it. */
  readonly refused?: string;
  /** The fields, and how the form is sent; told whether it is being kept and whether it was touched. */
  readonly children: (state: { readonly busy: boolean; readonly touched: boolean }) => ReactNode;
}

/** A form that a schema reads: each field says what is wrong with it, and nothing that was typed is lost. */
export function SchemaForm<In extends FieldValues, Out>({
  label,
  schema,
  start,
  onKeep,
  refused = 'Not kept',
  children,
}: SchemaFormProps<In, Out>) {
  const form = useForm<In, unknown, Out>({ resolver: zodResolver(schema), defaultValues: start });
  const [against, setAgainst] = useState<readonly Problem[]>([]);
  const { isSubmitting, isDirty } = form.formState;
  const send = form.handleSubmit(async (values) => {
    const found = (await onKeep(values)) ?? [];
    const here = (path: string): path is Path<In> => path in form.getValues();
    for (const path of new Set(found.map((problem) => problem.path)))
      if (here(path)) {
        const said = found.filter((problem) => problem.path === path).map(({ message }) => message);
        form.setError(path, { message: said.join('; ') });
      }
    setAgainst(found.filter(({ path }) => !here(path)));
    if (found.length === 0) form.reset(start);
  });
  return (
    <FormProvider {...form}>
      <form noValidate aria-label={label} onSubmit={(event) => void send(event)}>
        {children({ busy: isSubmitting, touched: isDirty })}
        {against.length > 0 && <Problems title={refused} list={against} />}
      </form>
    </FormProvider>
  );
}

/** What is wrong with a field, said once to who cannot see it. */
export function useWrong(name: string) {
  const { getFieldState, formState } = useFormContext();
  return getFieldState(name, formState).error?.message;
}

type Given = Pick<OutlinedInputProps, 'type' | 'placeholder' | 'autoFocus' | 'onFocus' | 'disabled' | 'inputMode'> &
  Pick<FormControlProps, 'sx'>;

interface FieldProps extends Given {
  readonly name: string;
  readonly label: string;
  /** What stands beneath while nothing is wrong. */
  readonly hint?: string;
  readonly unit?: string | undefined;
  readonly maxLength?: number;
  /** Whether its label stands in a line of its own: a long one is cut off in the frame. */
  readonly above?: boolean;
}

/** A field of the form around it, with its unit. It is put together here: the library's whole field brings its lists along. */
export function FormField({ name, label, hint, unit, maxLength, above, inputMode, sx, ...given }: FieldProps) {
  const { register } = useFormContext();
  const wrong = useWrong(name);
  const id = useId();
  const beneath = wrongOr(wrong, hint);
  const field = (
    <FormControl size="small" error={wrong !== undefined} {...(sx ? { sx } : {})}>
      {!above && <InputLabel htmlFor={id}>{label}</InputLabel>}
      <OutlinedInput
        {...given}
        id={id}
        {...(above ? { notched: false } : { label })}
        {...(beneath === undefined ? {} : { 'aria-describedby': `${id}-beneath` })}
        {...(unit ? { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> } : {})}
        slotProps={{
          input: { ...(inputMode ? { inputMode } : {}), ...(maxLength === undefined ? {} : { maxLength }) },
        }}
        {...register(name)}
      />
      {beneath !== undefined && <FormHelperText id={`${id}-beneath`}>{beneath}</FormHelperText>}
    </FormControl>
  );
  if (!above) return field;
  return (
    <Stack sx={{ flexGrow: 1 }}>
      <Typography component="label" htmlFor={id} variant="body2">
        {label}
      </Typography>
      {field}
    </Stack>
  );
}

interface FormDayProps {
  readonly name: string;
  readonly label: string;
  readonly latest?: Day;
  readonly autoFocus?: boolean;
}

/** A day of the form around it. */
export function FormDay({ name, label, latest, autoFocus = false }: FormDayProps) {
  const wrong = useWrong(name);
  return (
    <Controller
      name={name}
      render={({ field: { value, onChange } }) => (
        <DayField
          label={label}
          start={value as Day | ''}
          onChange={onChange}
          autoFocus={autoFocus}
          wrong={wrong}
          {...(latest === undefined ? {} : { latest })}
        />
      )}
    />
  );
}

interface FormLineProps {
  /** What sends it. */
  readonly send?: string;
  readonly busy: boolean;
  /** Whether its fields have their labels above them. */
  readonly below?: boolean;
  readonly children: ReactNode;
}

/** Fields of a form in one line, with the button that sends it at their end. */
export function FormLine({ send = 'Keep', busy, below = false, children }: FormLineProps) {
  return (
    <Stack direction="row" sx={{ gap: 2, alignItems: below ? 'flex-end' : 'flex-start' }}>
      {children}
      {/* as high as a field */}
      <Button type="submit" variant="outlined" disabled={busy} sx={{ height: 30 }}>
        {send}
      </Button>
    </Stack>
  );
}
