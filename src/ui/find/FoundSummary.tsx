'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { ratioOf } from '@/core/units/money';
import { percent } from '@/core/words/format';
import { madeOf, rankWords, type FoundWords } from '@/core/words/found';
import { useSeat } from '../seat/store';
import { Beam } from '../shared/Beam';
import { goodsOf } from './useFind';

/** What a found machine does, of what it is made, and the way on to a draft. */
export function FoundSummary({
  found,
  title,
  onAdopted,
}: {
  found: FoundWords;
  title: string;
  onAdopted: (() => void) | undefined;
}) {
  const brief = useSeat((state) => state.bundle.brief.body);
  const adopt = useSeat((state) => state.adopt);
  const [problem, setProblem] = useState<string>();
  const { beams, machine } = found;
  const take = async (): Promise<void> => {
    const { parts, offers } = await goodsOf(machine, brief.region);
    const [refused] = await adopt({ ...machine, name: title }, parts, offers);
    setProblem(refused && `${refused.path} ${refused.message}`);
    if (!refused) onAdopted?.();
  };
  return (
    <>
      <p className="small">
        {rankWords(found.rank, brief)}
        {found.decides ? `; decided by ${found.decides}` : ''}.
      </p>
      <p className="small quiet">{madeOf(machine)}</p>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(190px, 1fr))', gap: '2px 14px' }}>
        {beams.map(({ task, beam }) => (
          <Beam key={task} {...beam} compact need={undefined} />
        ))}
      </Box>
      <Box className="row wrap" sx={{ gap: '12px', marginTop: '6px' }}>
        <Button variant="outlined" size="small" onClick={() => void take()}>
          Make it a draft
        </Button>
        <span className="quiet small">
          {found.shares
            .filter(({ minor }) => minor > 0)
            .map(({ what, minor }) => `${what} ${percent(ratioOf(minor, Math.max(1, found.priceMinor)))}`)
            .join(', ')}
        </span>
      </Box>
      {problem && <p className="short small">It could not be made a draft: {problem}.</p>}
    </>
  );
}
