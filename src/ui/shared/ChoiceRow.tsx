import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup, { type ToggleButtonGroupProps } from '@mui/material/ToggleButtonGroup';

interface ChoiceRowProps<T extends string> extends Pick<ToggleButtonGroupProps, 'aria-label' | 'aria-labelledby'> {
  readonly value: T;
  readonly options: readonly { readonly id: T; readonly label: string }[];
  readonly onPick: (id: T) => void;
}

/** A few that exclude each other, side by side: one of them always holds. */
export function ChoiceRow<T extends string>({ value, options, onPick, ...names }: ChoiceRowProps<T>) {
  return (
    <ToggleButtonGroup value={value} onChange={(_, next: T | null) => next !== null && onPick(next)} {...names}>
      {options.map(({ id, label }) => (
        <ToggleButton key={id} value={id}>
          {label}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
