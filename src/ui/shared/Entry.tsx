import OutlinedInput from '@mui/material/OutlinedInput';
import Select from '@mui/material/Select';
import type { ChangeEvent, InputHTMLAttributes, ReactNode, Ref } from 'react';

type Html = Omit<InputHTMLAttributes<HTMLInputElement>, 'color' | 'size' | 'onChange' | 'width'> & {
  readonly rows?: number;
};

interface EntryProps extends Html {
  readonly onChange?: (event: ChangeEvent<HTMLInputElement>) => void;
  /** px, or as wide as its place. */
  readonly width?: number | string;
  readonly ref?: Ref<HTMLInputElement>;
}

/** A field inside a line or a table; forms take MUI's own with its label. */
export function Entry({ width = '100%', ref, rows, onChange, ...html }: EntryProps) {
  return (
    <OutlinedInput
      size="small"
      notched={false}
      sx={{ width }}
      {...(rows === undefined ? {} : { multiline: true, rows })}
      {...(ref === undefined ? {} : { inputRef: ref })}
      onChange={(event) => onChange?.(event as ChangeEvent<HTMLInputElement>)}
      inputProps={html}
    />
  );
}

interface EntryChoiceProps {
  readonly value?: string;
  readonly defaultValue?: string;
  readonly name?: string;
  readonly disabled?: boolean;
  readonly width?: number | string;
  readonly 'aria-label'?: string;
  readonly onChange?: (event: { readonly target: { readonly value: string } }) => void;
  readonly children: ReactNode;
}

/** One of several in a line or a table. */
export function EntryChoice({ width = '100%', onChange, children, name, ...rest }: EntryChoiceProps) {
  const { 'aria-label': label, ...given } = rest;
  return (
    <Select
      native
      notched={false}
      sx={{ width }}
      {...given}
      onChange={(event) => onChange?.({ target: { value: String(event.target.value) } })}
      inputProps={{ ...(label === undefined ? {} : { 'aria-label': label }), ...(name === undefined ? {} : { name }) }}
    >
      {children}
    </Select>
  );
}
