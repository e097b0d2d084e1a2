'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { madeOf, rankWords, type FoundWords } from '@/core/words/found';
import { useBrief } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { Beam } from '../shared/Beam';
import { Fold } from '../shared/Fold';
import { FoundParts, FoundShares } from './FoundParts';
import type { Limits } from './limits';
import { LevelSign } from '../shared/Level';
import { unitsKept } from '../shared/unitsKept';
import { goodsOf } from './searchWorker';

/** How an answer is looked at: what the search may use, and what is done beside showing it once it is a draft. */
export interface Look {
  readonly limits: Limits;
  readonly onLimit: (change: Partial<Limits>) => void;
  readonly onAdopted: (() => void) | undefined;
}

/** Cautions that are told beside what a machine does. */
const TOLD = 3;

/** What a found machine does, of what it is made, and the way on to a draft. */
export function FoundSummary({ found, title, look }: { found: FoundWords; title: string; look: Look }) {
  const brief = useBrief();
  const adopt = useSeat((state) => state.adopt);
  const [problem, setProblem] = useState<string>();
  const { beams, machine, cautions } = found;
  const take = async (): Promise<void> => {
    const [refused] = await adopt({ ...machine, name: title }, await goodsOf(machine, brief.region));
    setProblem(refused && `${refused.path} ${refused.message}`);
    if (!refused) look.onAdopted?.();
  };
  return (
    <>
      <p className="small">
        {rankWords(found.rank, brief)}
        {found.decides ? `; decided by ${found.decides}` : ''}.
      </p>
      <p className="small quiet">{madeOf(machine)}</p>
      {cautions.slice(0, TOLD).map((says) => (
        <p key={says} className="small">
          <LevelSign level="caution" /> {unitsKept(says)}
        </p>
      ))}
      {cautions.length > TOLD && (
        <p className="small quiet">{cautions.length - TOLD} more to know of; the draft tells.</p>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(190px, 1fr))', gap: '2px 14px' }}>
        {beams.map(({ task, beam }) => (
          <Beam key={task} {...beam} compact need={undefined} />
        ))}
      </Box>
      <Box className="row wrap" sx={{ gap: '12px', marginTop: '6px' }}>
        <Button variant="outlined" size="small" onClick={() => void take()}>
          Make it a draft
        </Button>
        <FoundShares found={found} {...look} />
      </Box>
      <Fold summary={<span className="small">Its parts, and what to look for instead</span>}>
        <FoundParts found={found} {...look} />
      </Fold>
      {problem && <p className="short small">It could not be made a draft: {problem}.</p>}
    </>
  );
}
