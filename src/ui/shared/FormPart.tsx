'use client';

import { Controller } from 'react-hook-form';
import type { LibraryRow } from '@/server/contract';
import { useWrong } from './form';
import { PartField } from './PartField';

/** A part of the library, of the form around it. */
export function FormPart({ name, label }: { name: string; label: string }) {
  const wrong = useWrong(name);
  return (
    <Controller
      name={name}
      render={({ field: { value, onChange } }) => (
        <PartField label={label} value={value as LibraryRow | null} onPick={onChange} wrong={wrong} />
      )}
    />
  );
}
