'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { ChoiceButton } from '../shared/ChoiceButton';
import { TextButton } from '../shared/TextButton';
import Popover from '@mui/material/Popover';
import { useState } from 'react';
import { usualColumns, type Column } from '@/core/library/columns';
import type { Question } from './question';

/** Which figures the grid shows; the address keeps it. */
export function Columns({
  all,
  question,
  onQuestion,
}: {
  all: readonly Column[];
  question: Question;
  onQuestion: (question: Question) => void;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const toggle = (key: string) =>
    onQuestion({
      ...question,
      columns: question.columns.includes(key)
        ? question.columns.filter((has) => has !== key)
        : [...question.columns, key],
    });
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
        >
          <Box className="pane" role="group" aria-label="Columns shown" sx={{ padding: '12px', maxWidth: 560 }}>
            <Box component="span" className="spread small" sx={{ marginBottom: '6px' }}>
              <b>Columns shown</b>
              <TextButton onClick={() => onQuestion({ ...question, columns: usualColumns(question.kind) })}>
                The usual ones
              </TextButton>
            </Box>
            <Box component="span" className="row wrap" sx={{ gap: '4px' }}>
              {all.map((column) => (
                <ChoiceButton
                  key={column.key}
                  chosen={question.columns.includes(column.key)}
                  onClick={() => toggle(column.key)}
                >
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
