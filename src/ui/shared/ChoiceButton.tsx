import ToggleButton, { type ToggleButtonProps } from '@mui/material/ToggleButton';

type ChoiceButtonProps = Omit<ToggleButtonProps, 'value' | 'selected'> & {
  readonly chosen: boolean | undefined;
};

/** One of several that can be chosen on its own. */
export function ChoiceButton({ chosen = false, ...rest }: ChoiceButtonProps) {
  return <ToggleButton size="small" value="choice" selected={chosen} {...rest} />;
}
