'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { daysBetween } from '@/core/units/days';
import { SideHeads } from './SideHeads';
import type { Assessment } from '@/core/assess';
import { advantagesOf } from '@/core/versus/advantages';
import { basketFor } from '@/core/versus/basketFor';
import { ADVANTAGE_NAMES, saidWords } from '@/core/words/money';
import type { Sides } from './sides';
import { Section } from '../shared/Section';

/** What money does not measure, side by side; who is better off is said the same way for both. */
export function BesideMoney({ comparison, draft, name, mine }: Sides & { draft: Assessment }) {
  const arrives = basketFor(draft).best?.arrives;
  const rows = advantagesOf(
    draft,
    arrives === undefined ? undefined : daysBetween(draft.facts.today, arrives),
    comparison.side,
    comparison.assessment,
  );
  const { rival } = comparison.side;
  const better = (side: 'ours' | 'theirs') => rows.filter((row) => row.better === side).length;
  return (
    <Section
      label="What money does not measure"
      gist={`better: ours in ${better('ours')}, theirs in ${better('theirs')}`}
    >
      <Table>
        <SideHeads first="What" mine={mine} name={name} words />
        <TableBody>
          {rows.map((row) => (
            <TableRow key={row.id}>
              <TableCell component="th" scope="row" sx={{ fontWeight: 400 }}>
                {ADVANTAGE_NAMES[row.id]}
              </TableCell>
              {(['ours', 'theirs'] as const).map((side) => (
                <TableCell key={side} sx={{ fontWeight: row.better === side ? 650 : 400 }}>
                  {saidWords(row[side])}
                  {row.better === side && <span className="quiet small"> · better</span>}
                </TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {rival.notes.map((note) => (
        <p key={note} className="small">
          <span className="quiet">{name}:</span> {note}
        </p>
      ))}
    </Section>
  );
}
