'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useMemo } from 'react';
import type { Machine } from '@/core/model/machine';
import { editGrid, type GridCell } from '@/core/search/grid';
import type { EditExport, EditPlay } from '@/core/model/tasks';
import { number } from '@/core/words/format';
import { codecName, impossibleWords } from '@/core/words/names';
import { useMoment } from '../seat/moment';
import { Sign } from '../shared/Beam';
import { Section } from '../shared/Section';
import { Hint } from '../shared/Hint';

const PATH_NAME = { play: 'play', engine: 'engine', software: 'software' } as const;

/** Source × timeline size × export path, as practitioners of the trade think. */
export function EditGrid({ machine, task }: { machine: Machine; task: EditPlay | EditExport }) {
  return (
    <Section
      label="Source by timeline size"
      title={`Source by timeline size, on ${machine.name}`}
      gist="every codec, played and exported"
    >
      <Rows machine={machine} task={task} />
    </Section>
  );
}

/** The grid is predicted when somebody looks. */
function Rows({ machine, task }: { machine: Machine; task: EditPlay | EditExport }) {
  const { brief, context } = useMoment();
  const rows = useMemo(() => editGrid(machine, brief, task, context), [machine, brief, task, context]);
  return (
    <>
      <p className="quiet small">
        With the corrections of “{task.name}”, one stream, nothing else running. Frames a second when played at full
        size, and when exported to HEVC 4:2:0 10-bit by the encoding engine or in software.
      </p>
      <Box sx={{ overflowX: 'auto' }}>
        <Table>
          <TableHead>
            <TableRow>
              <TableCell scope="col">Source</TableCell>
              <TableCell scope="col">Way</TableCell>
              {rows[0]?.sizes.map((size) => (
                <TableCell align="right" key={`${size.width}x${size.height}`} scope="col">
                  {size.width} × {size.height}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map((row, r) =>
              (['play', 'engine', 'software'] as const).map((path, p) => (
                <TableRow key={`${r} ${path}`}>
                  {p === 0 && (
                    <TableCell
                      component="th"
                      scope="rowgroup"
                      rowSpan={3}
                      sx={{ verticalAlign: 'top', fontWeight: 400 }}
                    >
                      {codecName(row.source.codec)} {row.source.chroma} {row.source.bitDepth}-bit
                      <br />
                      {row.source.width} × {row.source.height}, {row.source.fps} fps
                    </TableCell>
                  )}
                  <TableCell component="th" scope="row" sx={{ fontWeight: 400 }}>
                    {PATH_NAME[path]}
                  </TableCell>
                  {row.sizes.map((size) => (
                    <TableCell align="right" key={`${size.width}`} sx={{ paddingTop: '2px', paddingBottom: '2px' }}>
                      <Cell cell={size.cells[p]} need={row.source.fps} />
                    </TableCell>
                  ))}
                </TableRow>
              )),
            )}
          </TableBody>
        </Table>
      </Box>
    </>
  );
}

function Cell({ cell, need }: { cell: GridCell | undefined; need: number }) {
  if (!cell) return null;
  if (cell.impossible.length > 0)
    return (
      <Hint says={cell.impossible.map(impossibleWords).join(' ')}>
        <span className="short">does not run</span>
      </Hint>
    );
  if (cell.fps === undefined) return <span className="unproven">unproven</span>;
  if (cell.path !== 'play') return <span>{number(cell.fps)} fps</span>;
  return (
    <Hint says={`needs ${need} fps`}>
      <span className={cell.verdict}>
        <Sign verdict={cell.verdict} /> {number(cell.fps)} fps
      </span>
    </Hint>
  );
}
