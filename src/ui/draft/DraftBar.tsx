'use client';

import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import { draftAnswer } from '@/core/words/answers';
import { useAssessment, useWholeDraft } from '../seat/moment';
import { Answer } from '../shared/Answer';
import { DraftButtons } from '../shared/DraftChips';
import { DraftMenu } from './DraftMenu';
import { PhaseBar } from './PhaseBar';

/** The answer of the station, the drafts of the seat with their verdicts, and what is done with the chosen one. */
export function DraftBar() {
  const whole = useWholeDraft();
  const assessment = useAssessment();
  return (
    <>
      <Answer>{draftAnswer(assessment)}</Answer>
      <Stack
        direction="row"
        className="drafts"
        sx={{ gap: '6px', mt: 1, mb: 1, alignItems: 'center', flexWrap: 'wrap' }}
      >
        <Box component="span" className="row wrap" role="group" aria-label="Drafts" sx={{ gap: '6px' }}>
          <DraftButtons />
        </Box>
        <DraftMenu />
        {whole.phases && <PhaseBar machine={whole} />}
      </Stack>
    </>
  );
}
