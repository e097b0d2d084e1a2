'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useQueries } from '@tanstack/react-query';
import { useState } from 'react';
import { besideOne, type BesideFigure } from '@/core/library/beside';
import type { Part, PartKind } from '@/core/parts';
import { kindName } from '@/core/words/names';
import { valueWords } from '@/core/words/values';
import type { PartSheet } from '@/server/contract';
import { TextButton } from '../shared/TextButton';
import { cellWords, unitWords } from './cells';
import { sheetQuery } from './sheet/sheetQuery';
import { StructureRows } from './StructureRows';

interface BesideViewProps {
  readonly ids: readonly string[];
  readonly kind: PartKind;
  readonly version: number;
  readonly currency: string;
  readonly lengthUnit: 'mm' | 'inch';
  readonly onShow: (id: string) => void;
  readonly onLeaveOut: (part: Part) => void;
  readonly onBack: () => void;
}

/** Widths of the names of figures and, at least, of a part, px. */
const [NAME_PX, LEAST_PX] = [190, 220];
/** Stays when the parts are scrolled. */
const HELD = { position: 'sticky', left: 0, zIndex: 1, background: 'var(--paper)' } as const;

/** Parts of one kind side by side: what differs first, the better end of each figure marked. */
export function BesideView({ ids, kind, version, currency, lengthUnit, onShow, onLeaveOut, onBack }: BesideViewProps) {
  const [all, setAll] = useState(false);
  const asked = useQueries({ queries: ids.map((id) => sheetQuery(id, version)) });
  const sheets = asked.flatMap(({ data }) => data ?? []);
  const gone = ids.filter((_, i) => asked[i]?.isError);
  if (sheets.length === 0 || sheets.length + gone.length < ids.length)
    return (
      <Box sx={{ p: 4 }}>
        <Typography color="text.secondary">{gone.length === ids.length ? GONE : 'Opening …'}</Typography>
        <Button onClick={onBack}>Back to the list</Button>
      </Box>
    );
  // an address may name anything
  const alike = sheets.filter(({ part }) => part.kind === kind);
  const { figures, structures } = besideOne(
    alike.map(({ part }) => part),
    alike.map((sheet) => ({ landedMinor: sheet.landedMinor ?? undefined, used: sheet.uses.length })),
    currency,
  );
  const names = Object.fromEntries(alike.flatMap((sheet) => Object.entries(sheet.names)));
  const differing = figures.filter(({ same }) => !same).length + structures.filter(({ same }) => !same).length;
  const same = figures.length + structures.length - differing;
  return (
    <Box component="section" aria-label="Side by side" sx={{ overflow: 'auto', minHeight: 0, px: 4, pb: 6 }}>
      <Stack direction="row" sx={{ alignItems: 'center', gap: 4, py: 2 }}>
        <Typography variant="h1" component="h1">
          {alike.length} × {kindName(kind)}: {differing} {differing === 1 ? 'figure differs' : 'figures differ'}, {same}{' '}
          {same === 1 ? 'is' : 'are'} the same
        </Typography>
        <FormControlLabel
          control={<Switch checked={all} onChange={(_, next) => setAll(next)} />}
          label="show the same ones too"
        />
        <Button sx={{ ml: 'auto' }} onClick={onBack}>
          Back to the list
        </Button>
      </Stack>
      {gone.length > 0 && (
        <Typography variant="body2" color="warning">
          No longer in the library: {gone.join(', ')}.
        </Typography>
      )}
      {alike.length < sheets.length && (
        <Typography variant="body2" color="warning">
          Of another kind, and left out:{' '}
          {sheets
            .filter((sheet) => !alike.includes(sheet))
            .map(nameOf)
            .join(', ')}
          .
        </Typography>
      )}
      <Table stickyHeader sx={{ tableLayout: 'fixed', minWidth: NAME_PX + LEAST_PX * alike.length }}>
        <TableHead>
          <TableRow>
            <TableCell scope="col" sx={{ ...HELD, width: NAME_PX, zIndex: 3 }}>
              Figure
            </TableCell>
            {alike.map((sheet) => (
              <TableCell key={sheet.part.id} scope="col" sx={{ verticalAlign: 'top' }}>
                <TextButton onClick={() => onShow(sheet.part.id)}>{nameOf(sheet)}</TextButton>
                <Box component="span" sx={{ display: 'block', fontWeight: 400 }}>
                  {sheet.state === 'on sale' ? '' : `${sheet.state} · `}
                  <TextButton aria-label={`Leave ${nameOf(sheet)} out`} onClick={() => onLeaveOut(sheet.part)}>
                    leave out
                  </TextButton>
                </Box>
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {figures
            .filter((figure) => all || !figure.same)
            .map((figure) => (
              <FigureRow key={figure.column.key} figure={figure} lengthUnit={lengthUnit} />
            ))}
          {structures
            .filter((structure) => all || !structure.same)
            .map(({ field, values }) => (
              <TableRow key={field.path}>
                <TableCell component="th" scope="row" sx={{ ...HELD, verticalAlign: 'top' }}>
                  {field.label}
                </TableCell>
                {values.map((value, i) => (
                  <TableCell key={i} sx={{ verticalAlign: 'top' }}>
                    {value === undefined ? (
                      <span className="unproven">unknown</span>
                    ) : (
                      <>
                        {valueWords(field, value, { lengthUnit, names })}
                        <Box component="dl" sx={{ m: 0 }}>
                          <StructureRows value={value} />
                        </Box>
                      </>
                    )}
                  </TableCell>
                ))}
              </TableRow>
            ))}
        </TableBody>
      </Table>
    </Box>
  );
}

const GONE = 'None of these parts is in the library any more.';
const nameOf = (sheet: PartSheet | undefined): string => (sheet ? `${sheet.part.maker} ${sheet.part.name}` : '');

function FigureRow({
  figure: { column, cells, best },
  lengthUnit,
}: {
  figure: BesideFigure;
  lengthUnit: 'mm' | 'inch';
}) {
  const unit = unitWords(column.unit, lengthUnit);
  return (
    <TableRow>
      <TableCell component="th" scope="row" sx={{ ...HELD, fontWeight: 400 }}>
        {column.label}
        {unit && <span className="quiet">, {unit}</span>}
      </TableCell>
      {cells.map((cell, i) => (
        <TableCell key={i}>
          {cell === null ? (
            <span className="quiet">does not apply</span>
          ) : cell === undefined ? (
            <span className="unproven">unknown</span>
          ) : (
            <span className={best.includes(i) ? 'carries' : undefined}>
              {best.includes(i) && <span aria-hidden="true">▲ </span>}
              {cellWords(cell, column, lengthUnit)}
              {best.includes(i) && <span className="sr-only"> (best)</span>}
            </span>
          )}
        </TableCell>
      ))}
    </TableRow>
  );
}
