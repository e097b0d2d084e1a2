'use client';

import Box from '@mui/material/Box';
import Chip from '@mui/material/Chip';
import { SHARES } from '@/core/search/exact/shares';
import { coinsOnly, listed } from '@/core/words/format';
import { useBrief } from '../seat/moment';
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
  const { yearsOfService } = useBrief();
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
  const told = answered || limits.rebates || limits.lasting;
  if (chips.length === 0 && owned.length === 0 && !told) return null;
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
      {told && (
        <Chip
          label={`prices ${limits.rebates ? 'after' : 'before'} mailed rebates`}
          aria-pressed={limits.rebates}
          onClick={() => onChange({ rebates: !limits.rebates })}
        />
      )}
      {told && (
        <Hint says="What is kept grows, and writing wears drives: whether one may be full or worn out before the years of service are over.">
          <Chip
            label={
              limits.lasting
                ? `drives last all ${yearsOfService} years`
                : `drives may fill within ${yearsOfService} years`
            }
            aria-pressed={limits.lasting}
            onClick={() => onChange({ lasting: !limits.lasting })}
          />
        </Hint>
      )}
      {chips.map(({ label, drop }) => (
        <Chip key={label} label={label} onClick={drop} onDelete={drop} aria-label={`${label}: let it go`} />
      ))}
    </Box>
  );
}
