'use client';

import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import type { Assessment } from '@/core/assess';
import { softwareOf } from '@/core/money/software';
import { TERMS } from '@/core/words/findings/work';
import { coins, coinsOnly } from '@/core/words/format';
import { Heads } from '../shared/Heads';
import { Section } from '../shared/Section';

/** What the applications of the brief cost over its years, and which licence that is. */
export function Software({ assessment }: { assessment: Assessment }) {
  const { brief, parts, region } = assessment.facts;
  const rows = softwareOf(brief, parts, assessment.facts);
  if (rows.length === 0) return null;
  const unknown = rows.some(({ totalMinor }) => totalMinor === undefined);
  const whole = rows.reduce((sum, { totalMinor }) => sum + (totalMinor ?? 0), 0);
  const money = (minor: number | undefined) =>
    minor === undefined ? 'by use' : minor === 0 ? '–' : coinsOnly(minor, region.currency);
  return (
    <Section
      label="Software"
      gist={`${unknown ? 'at least ' : ''}${coins(whole, region.currency)} over ${brief.yearsOfService} years`}
    >
      <p className="quiet small">
        {region.currency}, with tax and shipping, over {brief.yearsOfService} years.
      </p>
      <Table sx={{ marginBottom: '12px' }}>
        <Heads of={['Licence', 'once', 'a year', 'in all']} />
        <TableBody>
          {rows.map((row) => (
            <TableRow key={row.part}>
              <TableCell>
                {row.licence}
                <div className="quiet small">
                  {row.terms === undefined ? 'terms unknown' : TERMS[row.terms]}
                  {row.owned ? ', owned' : row.here ? ', in the draft' : ', not in the draft: the one that costs least'}
                </div>
              </TableCell>
              <TableCell align="right">{money(row.onceMinor)}</TableCell>
              <TableCell align="right">{money(row.yearlyMinor)}</TableCell>
              <TableCell align="right">
                <b>{row.totalMinor === undefined ? 'unknown' : money(row.totalMinor)}</b>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Section>
  );
}
