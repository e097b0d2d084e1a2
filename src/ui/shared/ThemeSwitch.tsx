'use client';

import IconButton from '@mui/material/IconButton';
import { useColorScheme } from '@mui/material/styles';
import Tooltip from '@mui/material/Tooltip';
import { DarkThemeIcon, LightThemeIcon, SystemThemeIcon } from './icons';

const NEXT = { system: 'light', light: 'dark', dark: 'system' } as const;
const SAYS = {
  system: 'Theme: as the system. Use the light one',
  light: 'Theme: light. Use the dark one',
  dark: 'Theme: dark. Follow the system',
} as const;
const ICON = { system: SystemThemeIcon, light: LightThemeIcon, dark: DarkThemeIcon } as const;

/** As the system, light, dark, and round again; the choice is kept by the browser. */
export function ThemeSwitch() {
  const { mode = 'system', setMode } = useColorScheme();
  const Icon = ICON[mode];
  return (
    <Tooltip title={SAYS[mode]}>
      <IconButton aria-label={SAYS[mode]} onClick={() => setMode(NEXT[mode])}>
        <Icon fontSize="small" />
      </IconButton>
    </Tooltip>
  );
}
