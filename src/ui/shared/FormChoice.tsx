'use client';

import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useFormContext } from 'react-hook-form';
import { useWrong } from './form';
import { wrongOr } from './wrongOr';

interface FormChoiceProps {
  readonly name: string;
  readonly label: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
  readonly disabled?: boolean;
}

/** One of several, of the form around it. */
export function FormChoice({ name, label, options, disabled = false }: FormChoiceProps) {
  const { register, getValues } = useFormContext();
  const wrong = useWrong(name);
  return (
    <TextField
      select
      label={label}
      disabled={disabled}
      defaultValue={getValues(name) as string}
      error={wrong !== undefined}
      helperText={wrongOr(wrong)}
      slotProps={{ htmlInput: { 'aria-label': label } }}
      {...register(name)}
    >
      {options.map((option) => (
        <MenuItem key={option.value} value={option.value}>
          {option.label}
        </MenuItem>
      ))}
    </TextField>
  );
}
