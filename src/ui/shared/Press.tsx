import ButtonBase, { type ButtonBaseProps } from '@mui/material/ButtonBase';

const PLAIN = {
  font: 'inherit',
  letterSpacing: 'inherit',
  textAlign: 'inherit',
  justifyContent: 'flex-start',
  verticalAlign: 'baseline',
  minHeight: 24,
} as const;

/** Something that is pressed and looks like what stands in it: a figure, a row, a node of the map. */
export function Press({ sx = {}, ...rest }: ButtonBaseProps) {
  return <ButtonBase {...rest} sx={[PLAIN, ...(Array.isArray(sx) ? sx : [sx])]} />;
}
