'use client';

import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useFormContext } from 'react-hook-form';

/** A yes or no of the form around it. */
export function FormTick({ name, label }: { name: string; label: string }) {
  const { register } = useFormContext();
  return <FormControlLabel control={<Checkbox {...register(name)} />} label={label} />;
}
