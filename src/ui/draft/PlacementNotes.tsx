'use client';

import Box from '@mui/material/Box';
import { TextButton } from '../shared/TextButton';
import type { Assessment } from '@/core/assess';
import { costOfPins } from '@/core/board/explain';
import { fullName } from '@/core/model/fitted';
import { byteRate } from '@/core/words/format';
import { pinCostWords } from '@/core/words/placement';
import { useDraft } from '../seat/moment';
import { useSeat } from '../seat/useSeat';

/** Under the map: what pins cost, and what each stream of a chosen sitting gets. */
export function PlacementNotes({ assessment, sitting }: { assessment: Assessment; sitting: string | undefined }) {
  const editDraft = useSeat((state) => state.editDraft);
  const draft = useDraft();
  const { problem, placement, sittings, parts, board, brief } = assessment.facts;
  if (!problem || !placement) return null;
  const cost = costOfPins(problem, placement);
  const nameOf = (id: string) => {
    if (id === 'memory') return 'memory';
    const fitted = parts.all.find((entry) => entry.item.id === id);
    return fitted ? fullName(fitted.part) : (board?.integrated.find((entry) => entry.id === id)?.label ?? id);
  };
  const flows = sittings.find((entry) => entry.sitting === sitting)?.flows ?? [];
  const taskOf = (id: string) => brief.tasks.find((task) => task.id === id)?.name ?? id;
  const pins = Object.keys(draft.pins ?? {});
  if (!cost && flows.length === 0) return null;
  return (
    <Box className="small" sx={{ borderTop: '1px solid var(--hair)', paddingTop: '6px', marginTop: '4px' }}>
      {cost && (
        <p className="caution">
          {pinCostWords(cost.pinned, cost.free)}{' '}
          <TextButton
            onClick={() =>
              editDraft(
                { kind: 'several', edits: pins.map((item) => ({ kind: 'unpin', item })) },
                'Let all devices find their slots',
              )
            }
          >
            Let them go
          </TextButton>
        </p>
      )}
      {flows.map(({ flow, task, bytesPerS, realTime, narrowest }) => (
        <p key={flow.id}>
          {taskOf(task)}: {nameOf(flow.from)} to {nameOf(flow.to)},{' '}
          {bytesPerS === undefined ? (
            <span className="unproven">unknown</span>
          ) : (
            <b className={bytesPerS < flow.bytesPerS * 0.999 ? (realTime ? 'short' : 'caution') : 'carries'}>
              {byteRate(bytesPerS)}
            </b>
          )}{' '}
          of {byteRate(flow.bytesPerS)}
          {bytesPerS !== undefined && bytesPerS < flow.bytesPerS * 0.999 && narrowest
            ? `, narrowest at ${narrowest.label}`
            : ''}
        </p>
      ))}
    </Box>
  );
}
