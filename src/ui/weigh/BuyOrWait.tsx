'use client';

import Box from '@mui/material/Box';
import { useState } from 'react';
import { worthOf } from '@/core/upgrade/worth';
import type { PartKind } from '@/core/parts';
import { inPhase } from '@/core/model/phases';
import { FIRST } from '@/core/model/machine';
import { kindName } from '@/core/words/names';
import { announcedWords, successionWords } from '@/core/words/plan';
import { useSuccessions } from '../buy/usePrices';
import { useJudge, useMoment } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { ChoiceRow } from '../shared/ChoiceRow';

/** Kinds of which a maker's next ones are waited for. */
const WAITED: readonly PartKind[] = ['processor', 'graphics', 'board'];

/** What is announced of the kinds that are bought, and what past successions did to prices. */
export function BuyOrWait() {
  const [kind, setKind] = useState<PartKind>('processor');
  return (
    <Box component="section" aria-label="Buy now or wait" className="stack" sx={{ gap: '4px', marginBottom: '8px' }}>
      <ChoiceRow
        aria-label="Kind that is waited for"
        value={kind}
        options={WAITED.map((id) => ({ id, label: kindName(id) }))}
        onPick={setKind}
      />
      <OfKind kind={kind} />
    </Box>
  );
}

function OfKind({ kind }: { kind: PartKind }) {
  const { brief, whole, context } = useMoment();
  const drafts = useSeat((state) => state.bundle.drafts);
  const judge = useJudge();
  const answer = useSuccessions(kind, brief.region);
  const present = drafts.find(({ body }) => body.present === true)?.body;
  if (answer.state === 'waiting') return <p className="quiet small">Reading prices …</p>;
  if (answer.state === 'failed')
    return <p className="short small">The prices could not be read. Open the page again.</p>;
  const { anew, used, announced } = answer.value;
  // what is waited for less once the draft is there is waited for until then
  const hours =
    present && present.id !== whole.id
      ? worthOf(judge(present), judge(inPhase(whole, FIRST))).savedHoursAWeek.likely
      : undefined;
  return (
    <>
      {announced.length === 0 ? (
        <p className="small">Nothing of this kind is announced in the library.</p>
      ) : (
        announced.map((part) => (
          <p key={part.id} className="small">
            {announcedWords(part, context.today, hours)}
          </p>
        ))
      )}
      {anew ? (
        <p className="small">{successionWords(anew, kindName(kind), false)}</p>
      ) : (
        <p className="quiet small">
          The prices that are kept go through too few successions of this kind to say what one does.
        </p>
      )}
      {used && <p className="small">{successionWords(used, kindName(kind), true)}</p>}
    </>
  );
}
