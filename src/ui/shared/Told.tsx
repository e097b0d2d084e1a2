import Box from '@mui/material/Box';
import type { ToldVerdict } from '@/core/words/glance';
import { Sign } from './Beam';

const TONE = {
  carries: 'var(--carries)',
  between: 'var(--doubt)',
  short: 'var(--short)',
  unproven: 'var(--info)',
} as const;

/** A verdict in words, with its sign: shape and colour say the same. */
export function Told({ told: { verdict, text } }: { told: ToldVerdict }) {
  return (
    <Box component="span" sx={{ color: TONE[verdict], whiteSpace: 'nowrap', fontSize: 13, lineHeight: '18px' }}>
      <Sign verdict={verdict} /> {text}
    </Box>
  );
}
