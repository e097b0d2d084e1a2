'use client';

import { arrayMove, SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { usualColumns, type Column } from '@/core/library/columns';
import { ChoiceButton } from '../shared/ChoiceButton';
import { Dragging, useMovable } from '../shared/sortable';
import { TextButton } from '../shared/TextButton';
import type { Question } from './question';

interface ColumnsProps {
  readonly all: readonly Column[];
  readonly question: Question;
  readonly onQuestion: (question: Question) => void;
}

/** Which figures the grid shows, and in which order; the address keeps both. */
export function Columns({ all, question, onQuestion }: ColumnsProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const shown = question.columns.flatMap((key) => all.find((column) => column.key === key) ?? []);
  const keys = shown.map(({ key }) => key);
  const group = useRef<HTMLDivElement>(null);
  const order = (columns: readonly string[]) => onQuestion({ ...question, columns });
  const show = (columns: readonly string[]) => {
    // what was pressed goes away: without the focus the keys would reach nothing here
    group.current?.focus({ preventScroll: true });
    order(columns);
  };
  return (
    <>
      <Button variant="outlined" onClick={(event) => setAnchor(event.currentTarget)} aria-haspopup="dialog">
        Columns
      </Button>
      {anchor && (
        <Popover
          open
          anchorEl={anchor}
          onClose={() => setAnchor(null)}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
          slotProps={{ paper: { sx: { p: 3, maxWidth: 560, maxHeight: '80vh' } } }}
        >
          <Box ref={group} tabIndex={-1} role="group" aria-label="Columns shown" sx={{ outline: 'none' }}>
            <Box component="span" className="spread small" sx={{ mb: 1 }}>
              <b>Columns shown, in their order</b>
              <TextButton onClick={() => show(usualColumns(question.kind))}>The usual ones</TextButton>
            </Box>
            <Dragging
              nameOf={(id) => all.find(({ key }) => key === id)?.label ?? id}
              onMoved={(id, over) => order(arrayMove(keys, keys.indexOf(id), keys.indexOf(over)))}
            >
              <SortableContext items={keys} strategy={verticalListSortingStrategy}>
                <Stack component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
                  {shown.map((column) => (
                    <Shown
                      key={column.key}
                      column={column}
                      onLeaveOut={() => show(keys.filter((key) => key !== column.key))}
                    />
                  ))}
                </Stack>
              </SortableContext>
            </Dragging>
            <Typography variant="body2" color="text.secondary" sx={{ mt: 2, mb: 1 }}>
              Others
            </Typography>
            <Box component="span" className="row wrap" sx={{ gap: '4px' }}>
              {all
                .filter(({ key }) => !keys.includes(key))
                .map((column) => (
                  <ChoiceButton key={column.key} chosen={false} onClick={() => show([...keys, column.key])}>
                    {column.label}
                  </ChoiceButton>
                ))}
            </Box>
          </Box>
        </Popover>
      )}
    </>
  );
}

function Shown({ column, onLeaveOut }: { column: Column; onLeaveOut: () => void }) {
  const { ref, style, handle } = useMovable(column.key, column.label);
  return (
    <Stack component="li" ref={ref} style={style} direction="row" sx={{ alignItems: 'center', gap: 1 }}>
      {handle}
      <Typography variant="body2" sx={{ flexGrow: 1 }}>
        {column.label}
        {column.unit && <span className="quiet">, {column.unit}</span>}
      </Typography>
      <TextButton aria-label={`Leave ${column.label} out`} onClick={onLeaveOut}>
        leave out
      </TextButton>
    </Stack>
  );
}
