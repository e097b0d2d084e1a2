'use client';

import DarkMode from '@mui/icons-material/DarkModeOutlined';
import LightMode from '@mui/icons-material/LightModeOutlined';
import IconButton from '@mui/material/IconButton';
import { useColorScheme } from '@mui/material/styles';

/** Light, dark, back again; the choice is kept by the browser. */
export function ThemeSwitch() {
  const { mode, setMode } = useColorScheme();
  const dark = mode === 'dark';
  return (
    <IconButton
      size="small"
      aria-label={dark ? 'Use the light theme' : 'Use the dark theme'}
      title={dark ? 'Light theme' : 'Dark theme'}
      onClick={() => setMode(dark ? 'light' : 'dark')}
    >
      {dark ? <LightMode fontSize="small" /> : <DarkMode fontSize="small" />}
    </IconButton>
  );
}
