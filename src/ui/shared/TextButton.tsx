import Link, { type LinkProps } from '@mui/material/Link';
import type { ButtonHTMLAttributes } from 'react';

type TextButtonProps = Pick<LinkProps, 'sx' | 'color'> &
  Pick<ButtonHTMLAttributes<HTMLButtonElement>, 'onClick' | 'disabled' | 'children' | 'title' | 'id' | 'autoFocus'> & {
    readonly [aria: `aria-${string}`]: string | boolean | number | undefined;
  };

/** Something to do inside a line of text. */
export function TextButton({ sx = {}, ...rest }: TextButtonProps) {
  return (
    <Link
      component="button"
      type="button"
      variant="body2"
      {...rest}
      // as high as the smallest target that a hand meets
      sx={[{ minHeight: 24, verticalAlign: 'baseline', textAlign: 'inherit' }, ...(Array.isArray(sx) ? sx : [sx])]}
    />
  );
}
