'use client';

import ButtonBase from '@mui/material/ButtonBase';
import { useState, type ReactNode } from 'react';
import type { AnyEditor } from './editors';
import { later } from './later';

// fetched when the first value of a page is opened
const ValueEditor = later(() => import('./ValueEditor').then((module) => module.ValueEditor), { soon: true });

/** An underlined value in a sentence that opens a small editor with its unit. Enter keeps, Escape leaves. */
export function Value({ label, children, editor }: { label: string; children: ReactNode; editor: AnyEditor }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <ButtonBase
        component="button"
        type="button"
        onClick={(event) => setAnchor(event.currentTarget)}
        aria-label={`${label}: ${typeof children === 'string' || typeof children === 'number' ? children : editor.value}. Change.`}
        aria-haspopup="dialog"
        sx={VALUE}
      >
        {children}
      </ButtonBase>
      {anchor && <ValueEditor anchor={anchor} label={label} editor={editor} onDone={() => setAnchor(null)} />}
    </>
  );
}

/** In normal weight with a thin line under it, which strengthens under the pointer and the focus. */
const VALUE = {
  display: 'inline',
  font: 'inherit',
  verticalAlign: 'baseline',
  lineHeight: '20px',
  borderBottom: '1px solid var(--carries-soft)',
  textAlign: 'inherit',
  '&:hover, &.Mui-focusVisible': { borderBottomColor: 'var(--carries)', boxShadow: '0 1px 0 var(--carries)' },
} as const;
