'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { editsTo } from '@/core/model/editsTo';
import { coins } from '@/core/words/format';
import type { NearWords } from '@/core/words/near';
import { useBrief, useDraft } from '../seat/moment';
import { useCurrency, useSeat } from '../seat/useSeat';
import { LevelSign } from '../shared/Level';
import { unitsKept } from '../shared/unitsKept';
import { goodsOf } from './searchWorker';

/** Lines of what is gained or lost that are told. */
const TOLD = 4;

/** A machine near the draft: what is changed for it, what that gives and takes, and the way to take it. */
export function NearView({ near, label }: { near: NearWords; label: string }) {
  const draft = useDraft();
  const { region } = useBrief();
  const currency = useCurrency();
  const know = useSeat((state) => state.know);
  const editDraft = useSeat((state) => state.editDraft);
  const [failed, setFailed] = useState<string>();
  const { found, moreMinor, changes, gains, losses } = near;
  const take = async (): Promise<void> => {
    const edits = editsTo(draft, found.machine.items);
    try {
      know(await goodsOf(found.machine, region));
      editDraft({ kind: 'several', edits }, label);
    } catch (error) {
      setFailed(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Box component="article" aria-label={label} sx={{ padding: '6px 0', borderBottom: '1px solid var(--hair)' }}>
      <span className="spread">
        <b className="num">
          {moreMinor === undefined
            ? coins(found.priceMinor, currency)
            : moreMinor === 0
              ? 'no more money'
              : `${coins(Math.abs(moreMinor), currency)} ${moreMinor > 0 ? 'more' : 'less'}`}
        </b>
        <Button size="small" variant="outlined" onClick={() => void take()}>
          Take it
        </Button>
      </span>
      <ul>
        {changes.map((change) => (
          <li key={change} className="small">
            {unitsKept(change)}
          </li>
        ))}
      </ul>
      {gains.slice(0, TOLD).map((gain) => (
        <p key={gain} className="small">
          <LevelSign level="passes" /> {unitsKept(gain)}
        </p>
      ))}
      {losses.slice(0, TOLD).map((loss) => (
        <p key={loss} className="small between">
          ◆ {unitsKept(loss)}
        </p>
      ))}
      {losses.length > TOLD && <p className="small between">◆ and {losses.length - TOLD} more</p>}
      {failed && <p className="short small">It could not be taken: {failed}.</p>}
    </Box>
  );
}
