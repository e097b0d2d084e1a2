import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import Stack from '@mui/material/Stack';
import type { KeyboardEvent } from 'react';
import type { Machine } from '@/core/model/machine';
import { Press } from '../shared/Press';
import type { MarkedStep } from './parts';

export interface ListedStep extends MarkedStep {
  /** What stands at the end of its line while it is open. */
  readonly aside: string;
  readonly caution?: string | undefined;
  /** A line over it: it begins a group. */
  readonly head?: string | undefined;
}

interface StepListProps {
  readonly steps: readonly ListedStep[];
  readonly done: Machine['assembly'];
  readonly shown: string | undefined;
  readonly onShow: (id: string) => void;
  readonly onMark: (step: MarkedStep, on: boolean) => void;
}

/** Steps in their order, each with a tick; arrow keys walk through them, and it prints as a list. */
export function StepList({ steps, done, shown, onShow, onMark }: StepListProps) {
  const walk = (event: KeyboardEvent) => {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    const at = steps.findIndex(({ id }) => id === shown);
    const other = by === undefined ? undefined : steps[at + by];
    if (!other) return;
    event.preventDefault();
    onShow(other.id);
    document.getElementById(`step ${other.id}`)?.focus();
  };
  return (
    <Box
      component="ol"
      aria-label="Steps"
      onKeyDown={walk}
      sx={{ p: 0, m: 0, mt: 1, listStyle: 'none', maxWidth: 980 }}
    >
      {steps.map((step, i) => {
        const { id, title, aside, caution, head } = step;
        const kept = done?.[id];
        return (
          <Box component="li" key={id} sx={{ breakInside: 'avoid' }}>
            {head !== undefined && (
              <Box component="h2" sx={{ mt: 2, mb: '2px' }}>
                {head}
              </Box>
            )}
            <Stack
              direction="row"
              sx={{
                alignItems: 'center',
                gap: 1,
                borderBottom: '1px solid var(--hair)',
                boxShadow: id === shown ? 'inset 3px 0 0 var(--carries)' : undefined,
              }}
            >
              <Checkbox
                size="small"
                checked={kept !== undefined}
                onChange={(_, on) => onMark(step, on)}
                slotProps={{ input: { 'aria-label': `Done: ${title}` } }}
              />
              <Press
                id={`step ${id}`}
                aria-current={id === shown ? 'step' : undefined}
                onClick={() => onShow(id)}
                sx={{ flexGrow: 1, color: kept ? 'var(--quiet)' : undefined }}
              >
                {i + 1}. {title}
              </Press>
              <Box component="span" className="quiet small" sx={{ textAlign: 'right', maxWidth: '40%' }}>
                {caution !== undefined && <span className="caution">◆ {caution} </span>}
                {kept ? `${kept.on}${kept.by === undefined ? '' : `, ${kept.by}`}` : aside}
              </Box>
            </Stack>
          </Box>
        );
      })}
    </Box>
  );
}
