'use client';

import Box from '@mui/material/Box';
import { usePathname, useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import { OFF_TEXT } from './offText';
import { useHotkeys } from 'react-hotkeys-hook';
import { HelpButton } from './HelpButton';
import { ThemeSwitch } from './ThemeSwitch';
import { PageLink } from './PageLink';

/** Top bar of what belongs to no seat: Desk and Library. */
export function DeskBar({ children }: { children?: ReactNode }) {
  const path = usePathname();
  const router = useRouter();
  useHotkeys('g>0', () => router.push('/'), OFF_TEXT);
  useHotkeys('g>7', () => router.push('/library'), OFF_TEXT);
  useHotkeys('g>8', () => router.push('/workshop'), OFF_TEXT);
  const link = (href: string, name: string) => (
    <PageLink href={href} aria-current={path === href || (href !== '/' && path.startsWith(href)) ? 'page' : undefined}>
      {name}
    </PageLink>
  );
  return (
    <header className="topbar">
      <PageLink href="/" className="brand">
        Vane Scale
      </PageLink>
      <nav className="stations" aria-label="Places">
        {link('/', 'Desk')}
        {link('/library', 'Library')}
        {link('/workshop', 'Workshop')}
      </nav>
      <Box component="span" className="row" sx={{ marginLeft: 'auto', gap: '6px', minWidth: 0 }}>
        {children}
      </Box>
      <HelpButton />
      <ThemeSwitch />
    </header>
  );
}
