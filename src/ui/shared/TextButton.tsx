import type { SxProps, Theme } from '@mui/material/styles';
import { styled } from '@mui/material/styles';
import type { ButtonHTMLAttributes } from 'react';

/** As a link, and as high as the smallest target that a hand meets; many stand on a page, so it is no more than a button. */
const Text = styled('button')(({ theme }) => ({
  ...theme.typography.body2,
  minHeight: 24,
  margin: 0,
  padding: 0,
  border: 0,
  background: 'none',
  color: 'var(--carries)',
  cursor: 'pointer',
  textAlign: 'inherit',
  textDecoration: 'underline',
  textDecorationColor: 'color-mix(in srgb, currentColor 40%, transparent)',
  textDecorationThickness: 1,
  textUnderlineOffset: 3,
  '&:hover': { textDecorationColor: 'currentColor' },
  '&:disabled': { color: 'var(--quiet)', cursor: 'default' },
}));

type TextButtonProps = Pick<
  ButtonHTMLAttributes<HTMLButtonElement>,
  'onClick' | 'disabled' | 'children' | 'title' | 'id' | 'autoFocus'
> & {
  readonly sx?: SxProps<Theme>;
  readonly [aria: `aria-${string}`]: string | boolean | number | undefined;
};

/** Something to do inside a line of text. */
export const TextButton = (props: TextButtonProps) => <Text type="button" {...props} />;
