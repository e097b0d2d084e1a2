'use client';

import { Entry, EntryChoice } from '../shared/Entry';
import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import {
  headingOf,
  priceField,
  PRICE_TARGET,
  takesUnit,
  type ColumnTarget,
  type Mapping,
} from '@/core/formats/csv/mapping';
import { sheetFields } from '@/core/formats/csv/sheets';
import type { Field } from '@/core/parts/fields';
import { unitsLike } from '@/core/units/convert';

/** Units that a column for this field may count in; the trade's "GB" for memory is one of them. */
function unitsFor(field: Field): readonly string[] {
  if (field.unit === undefined) return [];
  const like = unitsLike(field.unit);
  return [...like, ...['GB', 'MB', 'TB'].filter((unit) => !like.includes(unit) && takesUnit(field, unit))];
}

/** Fields to choose from; structures are written as JSON and come from our own exports only. */
export const targetsFor = (kind: Mapping['kind'], currency: string): readonly Field[] => [
  ...sheetFields(kind),
  ...(kind === 'offer' ? [] : [priceField(currency)]),
];

interface MappingProps {
  readonly mapping: Mapping;
  readonly currency: string;
  readonly headers: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly remembered: readonly string[];
  readonly onMapping: (mapping: Mapping) => void;
}

/** Which column of the file is which figure, and in what unit; the first rows stand beside it. */
export function MappingTable({ mapping, currency, headers, rows, remembered, onMapping }: MappingProps) {
  const fields = targetsFor(mapping.kind, currency);
  const set = (at: number, target: ColumnTarget) =>
    onMapping({
      ...mapping,
      // a field is fed by one column: the one chosen last
      columns: mapping.columns.map((other, i) =>
        i === at
          ? target
          : other.field !== undefined && other.field === target.field
            ? { header: other.header }
            : other,
      ),
    });
  const missing = fields.filter(
    (field) => field.required && field.path !== 'id' && !mapping.columns.some((target) => target.field === field.path),
  );
  return (
    <>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell>Column in the file</TableCell>
            <TableCell>First cells</TableCell>
            <TableCell>Goes to</TableCell>
            <TableCell>Counts in</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {headers.map((header, i) => {
            const target = mapping.columns[i] ?? { header };
            const field = fields.find((candidate) => candidate.path === target.field);
            const units = field ? unitsFor(field) : [];
            return (
              <TableRow key={i}>
                <TableCell sx={{ fontWeight: 600 }}>
                  {header || <span className="quiet">no heading</span>}
                  {remembered.includes(header) && <span className="quiet small"> remembered</span>}
                </TableCell>
                <TableCell className="quiet small" sx={{ maxWidth: 190 }}>
                  <Box component="span" className="cut" sx={{ display: 'block' }}>
                    {rows
                      .map((row) => row[i] ?? '')
                      .filter(Boolean)
                      .slice(0, 3)
                      .join(' · ')}
                  </Box>
                </TableCell>
                <TableCell>
                  <EntryChoice
                    aria-label={`Where "${header}" goes`}
                    value={target.field ?? ''}
                    onChange={(event) => {
                      const next = fields.find((candidate) => candidate.path === event.target.value);
                      const stated = headingOf(header).unit;
                      const unit = next && (stated !== undefined && takesUnit(next, stated) ? stated : next.unit);
                      set(i, next ? { header, field: next.path, ...(unit === undefined ? {} : { unit }) } : { header });
                    }}
                  >
                    <option value="">left out</option>
                    {fields.map((option) => (
                      <option key={option.path} value={option.path}>
                        {option.label}
                        {option.unit ? `, ${option.unit}` : ''}
                      </option>
                    ))}
                  </EntryChoice>
                </TableCell>
                <TableCell>
                  {field && units.length > 1 && field.path !== PRICE_TARGET ? (
                    <EntryChoice
                      aria-label={`Unit of "${header}"`}
                      value={target.unit ?? field.unit ?? ''}
                      onChange={(event) => set(i, { ...target, unit: event.target.value })}
                    >
                      {units.map((unit) => (
                        <option key={unit} value={unit}>
                          {unit}
                        </option>
                      ))}
                    </EntryChoice>
                  ) : (
                    <span className="quiet">{field?.unit}</span>
                  )}
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
      {missing.length > 0 && (
        <Box sx={{ marginTop: '10px' }}>
          <p className="small caution">
            ◆ No column feeds {missing.map((field) => field.label).join(' and ')}. Choose one above, or give one value
            for all rows:
          </p>
          <span className="row wrap">
            {missing.map((field) => (
              <label key={field.path} className="small row">
                <span className="quiet">{field.label}</span>
                <Entry
                  width={150}
                  value={mapping.constants[field.path] ?? ''}
                  onChange={(event) => {
                    const { [field.path]: _before, ...rest } = mapping.constants;
                    onMapping({
                      ...mapping,
                      constants: event.target.value === '' ? rest : { ...rest, [field.path]: event.target.value },
                    });
                  }}
                />
              </label>
            ))}
          </span>
        </Box>
      )}
    </>
  );
}
