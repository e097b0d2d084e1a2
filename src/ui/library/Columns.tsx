'use client';

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
      <button type="button" className="chip" onClick={(event) => setAnchor(event.currentTarget)} aria-haspopup="dialog">
        Columns
      </button>
      {anchor && (
        <Popover
          open
          anchorEl={anchor}
          onClose={() => setAnchor(null)}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        >
          <div className="pane" role="group" aria-label="Columns shown" style={{ padding: 12, maxWidth: 560 }}>
            <span className="spread small" style={{ marginBottom: 6 }}>
              <b>Columns shown</b>
              <button
                type="button"
                className="link"
                onClick={() => onQuestion({ ...question, columns: usualColumns(question.kind) })}
              >
                The usual ones
              </button>
            </span>
            <span className="row wrap" style={{ gap: 4 }}>
              {all.map((column) => (
                <button
                  key={column.key}
                  type="button"
                  className="chip"
                  aria-pressed={question.columns.includes(column.key)}
                  onClick={() => toggle(column.key)}
                >
                  {column.label}
                </button>
              ))}
            </span>
          </div>
        </Popover>
      )}
    </>
  );
}
