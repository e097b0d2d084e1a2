'use client';

import Box from '@mui/material/Box';
import Chip from '@mui/material/Chip';
import { SHARES } from '@/core/search/exact/shares';
import { coinsOnly, listed } from '@/core/words/format';
import { useCurrency, useSeat } from '../seat/useSeat';
import type { Limits } from './limits';
import { Hint } from '../shared/Hint';

/** What the search may use, each limit as something that can be let go again. */
export function LimitsRow({
  limits,
  answered,
  onChange,
}: {
  limits: Limits;
  /** Something was found that prices are told of. */
  answered: boolean;
  onChange: (change: Partial<Limits>) => void;
}) {
  const currency = useCurrency();
  const owned = useSeat((state) => state.bundle.owned);
  const { keep, withoutParts, withoutMakers, mostFor } = limits;
  const kept = [...new Map(keep.map((item) => [item.part, item.label ?? item.part]))];
  const chips = [
    ...kept.map(([part, name]) => ({
      label: `keeps ${name}`,
      drop: () => onChange({ keep: keep.filter((item) => item.part !== part) }),
    })),
    ...withoutParts.map(({ id, name }) => ({
      label: `without ${name}`,
      drop: () => onChange({ withoutParts: withoutParts.filter((entry) => entry.id !== id) }),
    })),
    ...withoutMakers.map((maker) => ({
      label: `nothing by ${maker}`,
      drop: () => onChange({ withoutMakers: withoutMakers.filter((entry) => entry !== maker) }),
    })),
    ...SHARES.flatMap((share) => {
      const most = mostFor[share];
      const { [share]: _gone, ...others } = mostFor;
      return most === undefined
        ? []
        : [{ label: `at most ${coinsOnly(most, currency)} for ${share}`, drop: () => onChange({ mostFor: others }) }];
    }),
  ];
  const rebates = answered || limits.rebates;
  if (chips.length === 0 && owned.length === 0 && !rebates) return null;
  return (
    <Box className="row wrap" role="group" aria-label="What it may use" sx={{ gap: '6px' }}>
      {owned.length > 0 && (
        <Hint says={listed(owned.map(({ label }) => label))}>
          <Chip
            label={`${limits.owned ? 'may use' : 'leaves alone'} what is owned (${owned.length})`}

            aria-pressed={limits.owned}
            onClick={() => onChange({ owned: !limits.owned })}
          />
        </Hint>
      )}
      {rebates && (
        <Chip
          label={`prices ${limits.rebates ? 'after' : 'before'} mailed rebates`}
          aria-pressed={limits.rebates}
          onClick={() => onChange({ rebates: !limits.rebates })}
        />
      )}
      {chips.map(({ label, drop }) => (
        <Chip key={label} label={label} onClick={drop} onDelete={drop} aria-label={`${label}: let it go`} />
      ))}
    </Box>
  );
}
