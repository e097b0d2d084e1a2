'use client';

import Box from '@mui/material/Box';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, type ReactNode } from 'react';
import type { CandidateLine } from '@/core/words/candidateLine';
import { Hint } from '../shared/Hint';
import { CandidateItem } from './CandidateItem';
import type { TrayLine } from './trayList';
import type { Place } from './useCandidates';

/** A column of the tray: which of the deciding figures, and how many letters its longest text has. */
export interface TrayColumn {
  readonly at: number;
  readonly head: string;
  readonly width: number;
}

interface TrayLinesProps {
  readonly lines: readonly TrayLine[];
  readonly place: Place | undefined;
  /** Which of the deciding figures stand in columns; undefined in a list of several kinds, where each says what it is. */
  readonly columns: readonly TrayColumn[] | undefined;
  readonly active: string | undefined;
  readonly label: string;
  readonly onLook: (line: TrayLine) => void;
  readonly onFold: (id: string) => void;
  readonly onTake: (row: CandidateLine) => void;
  /** What stands in place of lines. */
  readonly children: ReactNode;
}

/** About as high as a candidate is that changes little; each is measured once it is drawn. */
const LINE_PX = 58;
const FOLD_PX = 28;
/** Height of the heads of the columns, which stand over the lines. */
const HEADS_PX = 26;

/** The lines of the tray; only those in sight are drawn. */
export function TrayLines({ lines, place, columns, active, label, onLook, onFold, onTake, children }: TrayLinesProps) {
  const list = useRef<HTMLDivElement>(null);
  const headed = columns !== undefined && columns.length > 0 && lines.length > 0;
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => list.current,
    estimateSize: (index) => (lines[index]?.kind === 'fold' ? FOLD_PX : LINE_PX),
    getItemKey: (index) => lines[index]?.id ?? index,
    overscan: 6,
    scrollPaddingEnd: headed ? HEADS_PX : 0,
  });
  const at = lines.findIndex((line) => line.id === active);
  const height = virtual.getTotalSize();
  const shown = useRef({ at: -1, held: false });
  useEffect(() => {
    if (shown.current.at !== at) shown.current = { at, held: true };
    // lines grow as they are explained: what was gone to stays in sight until somebody scrolls elsewhere
    if (shown.current.held && at >= 0) virtual.scrollToIndex(at, { align: 'auto' });
  }, [at, height, virtual]);
  const letGo = () => (shown.current.held = false);
  useEffect(() => list.current?.focus(), []);
  const seen = virtual.getVirtualItems();
  return (
    <Box
      ref={list}
      role="listbox"
      aria-label={label}
      tabIndex={0}
      onWheel={letGo}
      onPointerDown={letGo}
      aria-activedescendant={seen.some(({ index }) => index === at) ? active : undefined}
      sx={{
        overflow: 'auto',
        flex: '1 1 auto',
        minHeight: 0,
        margin: '6px -14px 0',
        borderTop: '1px solid var(--hair)',
      }}
    >
      {children}
      {headed && (
        <Box
          role="presentation"
          sx={{
            position: 'sticky',
            top: 0,
            zIndex: 1,
            padding: '3px 14px 2px 11px',
            background: 'var(--paper)',
            borderBottom: '1px solid var(--hair)',
          }}
        >
          <Columns columns={columns} texts={columns.map(({ head }) => head)} />
        </Box>
      )}
      <div role="presentation" style={{ position: 'relative', height }}>
        {place &&
          seen.map(({ index, key, start }) => {
            const line = lines[index];
            return (
              line && (
                <div
                  key={key}
                  ref={virtual.measureElement}
                  data-index={index}
                  role="presentation"
                  style={{ position: 'absolute', top: start, left: 0, right: 0 }}
                >
                  <Box
                    id={line.id}
                    role="option"
                    aria-selected={index === at}
                    aria-setsize={lines.length}
                    aria-posinset={index + 1}
                    className={`tray-item${line.kind === 'fold' ? ' small quiet' : line.row.fits ? '' : ' misfit'}`}
                    sx={{
                      padding: line.kind === 'fold' ? '5px 14px 5px 11px' : '7px 14px 7px 11px',
                      paddingLeft: line.kind === 'part' && line.under ? '26px' : '11px',
                      cursor: 'pointer',
                    }}
                    onClick={() => {
                      onLook(line);
                      if (line.kind === 'fold') onFold(line.id);
                    }}
                    onDoubleClick={() => line.kind === 'part' && onTake(line.row)}
                  >
                    {line.kind === 'part' ? (
                      <CandidateItem
                        row={line.row}
                        place={place}
                        active={index === at}
                        figures={
                          columns && (
                            <Columns columns={columns} texts={columns.map((c) => line.row.texts[c.at] ?? '')} />
                          )
                        }
                      />
                    ) : (
                      `${line.open ? '−' : '+'} ${line.says}`
                    )}
                  </Box>
                </div>
              )
            );
          })}
      </div>
    </Box>
  );
}

/** Texts in columns as wide as their longest: under each other in every row, as the heads above them. */
const Columns = ({ columns, texts }: { columns: readonly TrayColumn[]; texts: readonly string[] }) => (
  <Box
    component="span"
    className="quiet small"
    sx={{
      display: 'grid',
      gridTemplateColumns: columns.map(({ width }) => `minmax(${width * 0.85}ch, ${width}fr)`).join(' '),
      columnGap: '8px',
    }}
  >
    {texts.map((text, i) => (
      <Hint key={i} says={text}>
        <span className="cut">{text}</span>
      </Hint>
    ))}
  </Box>
);
