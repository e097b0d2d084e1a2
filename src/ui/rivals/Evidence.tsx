'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { SideHeads } from './SideHeads';
import type { Measurement } from '@/core/model/measurement';
import { number } from '@/core/words/format';
import { APART_WORDS } from '@/core/words/money';
import { workloadWords } from '@/core/words/workload';
import { Sign } from '../shared/Beam';
import type { Sides } from './sides';
import { ratioVerdict } from './ratios';
import { Section } from '../shared/Section';

const said = (measurement: Measurement): string => `${number(measurement.value)} ${measurement.unit}`;

/** What was measured on either machine: results that may be compared, and apart from them those that may not. */
export function Evidence({ comparison, name, mine }: Sides) {
  const { pairs, apart } = comparison;
  if (pairs.length + apart.length === 0) return null;
  return (
    <Section label="Measured results" gist={`${pairs.length} may be compared`}>
      {pairs.length > 0 && (
        <Table>
          <SideHeads first="one tool, one setting" mine={mine} name={name} last="ours ÷ theirs" />
          <TableBody>
            {pairs.map(({ ours, theirs, ratio }) => (
              <TableRow key={ours.id}>
                <TableCell>
                  {workloadWords(ours.workload)}
                  <span className="quiet small"> · {ours.tool}</span>
                </TableCell>
                <TableCell align="right">{said(ours)}</TableCell>
                <TableCell align="right">{said(theirs)}</TableCell>
                <TableCell align="right">
                  <Sign verdict={ratioVerdict(ratio)} /> × {number(ratio)}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
      {apart.length > 0 && (
        <>
          <Box component="h3" sx={{ marginTop: '6px' }}>
            Not to be compared
          </Box>
          {apart.map(({ side, measurement, because }) => (
            <p key={`${side} ${measurement.id}`} className="small">
              {side === 'ours' ? mine : name}: {workloadWords(measurement.workload)}, {said(measurement)},{' '}
              {measurement.tool} <span className="quiet">({APART_WORDS[because]})</span>
            </p>
          ))}
        </>
      )}
    </Section>
  );
}
