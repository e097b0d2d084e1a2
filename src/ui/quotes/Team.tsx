'use client';

import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableFooter from '@mui/material/TableFooter';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { RevisionSpec } from '@/core/quote/kept';
import { coins, coinsOnly } from '@/core/words/format';
import type { QuoteDetail } from '@/server/contract';
import { later, opening } from '../shared/later';
import { Opener } from '../shared/Opener';
import { TextButton } from '../shared/TextButton';
import { Value } from '../shared/Value';

const SpareEntry = later(() => import('./SpareEntry').then((module) => module.SpareEntry), { meanwhile: opening });

interface Props {
  readonly detail: QuoteDetail;
  readonly spec: RevisionSpec;
  readonly onChange?: (spec: RevisionSpec) => void;
}

/** What each seat gets and pays, beside its budget; what is saved by one basket; spares. */
export function Team({ detail: { quote, team }, spec, onChange }: Props) {
  const { currency } = quote;
  const budgets = (team?.seats ?? []).map(({ budgetMinor }) => budgetMinor);
  const all = budgets.every((minor) => minor !== undefined) && budgets.length > 0;
  const saved = team ? team.apartMinor - team.togetherMinor : 0;
  return (
    <>
      <Table sx={{ maxWidth: 980 }} aria-label="By seat">
        <TableHead>
          <TableRow>
            <TableCell scope="col">Seat</TableCell>
            <TableCell scope="col">Machine</TableCell>
            <TableCell align="right" scope="col">
              before tax, {currency}
            </TableCell>
            <TableCell align="right" scope="col">
              with {quote.taxName}
            </TableCell>
            <TableCell align="right" scope="col">
              its budget
            </TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {quote.machines.map((machine) => {
            const subject = spec.subjects.find(({ draft }) => draft === machine.id);
            const seat = team?.seats.find((each) => each.seat === subject?.seat);
            return (
              <TableRow key={machine.id}>
                <TableCell>{machine.seat}</TableCell>
                <TableCell>
                  {onChange && seat && subject && seat.drafts.length > 1 ? (
                    <Value
                      label={`Draft of ${seat.name}`}
                      editor={{
                        kind: 'choice',
                        value: subject.draft,
                        options: seat.drafts.map(({ id, name }) => ({ value: id, label: name })),
                        onChange: (draft) =>
                          onChange({
                            ...spec,
                            subjects: spec.subjects.map((each) => (each === subject ? { ...each, draft } : each)),
                          }),
                      }}
                    >
                      {machine.name}
                    </Value>
                  ) : (
                    machine.name
                  )}
                </TableCell>
                <TableCell align="right">{coinsOnly(machine.netMinor, currency)}</TableCell>
                <TableCell align="right">{coinsOnly(machine.totalMinor, currency)}</TableCell>
                <TableCell align="right" className="quiet">
                  {seat?.budgetMinor === undefined ? '' : coinsOnly(seat.budgetMinor, currency)}
                </TableCell>
                <TableCell align="right">
                  {onChange && spec.subjects.length > 2 && (
                    <TextButton
                      aria-label={`Leave ${machine.seat ?? machine.name} out`}
                      onClick={() => onChange({ ...spec, subjects: spec.subjects.filter((each) => each !== subject) })}
                    >
                      leave out
                    </TextButton>
                  )}
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
        <TableFooter>
          <TableRow>
            <TableCell colSpan={2}>With work, sending and spares</TableCell>
            <TableCell align="right">{coinsOnly(quote.netMinor, currency)}</TableCell>
            <TableCell align="right">{coinsOnly(quote.totalMinor, currency)}</TableCell>
            <TableCell align="right">
              {all
                ? coinsOnly(
                    budgets.reduce<number>((sum, minor) => sum + (minor ?? 0), 0),
                    currency,
                  )
                : ''}
            </TableCell>
            <TableCell />
          </TableRow>
        </TableFooter>
      </Table>
      {team && (
        <p>
          {team.joint
            ? saved > 0
              ? `Bought in one basket all of it costs ${coins(saved, currency)} less than in ${quote.machines.length} baskets.`
              : 'One basket costs as much as baskets of their own.'
            : 'The sellers have not enough pieces for one basket: each machine has its own.'}
        </p>
      )}
      <p>
        Spares:{' '}
        {spec.spares.length === 0
          ? 'none'
          : spec.spares.map(({ part, count }) => {
              const line = quote.lines.find((each) => each.part === part && each.machine === undefined);
              return (
                <span key={part}>
                  <b>
                    {count} × {line?.name ?? part}
                  </b>
                  {onChange && (
                    <>
                      {' '}
                      <TextButton
                        aria-label={`No spare ${line?.name ?? part}`}
                        onClick={() => onChange({ ...spec, spares: spec.spares.filter((each) => each.part !== part) })}
                      >
                        take away
                      </TextButton>
                    </>
                  )}{' '}
                </span>
              );
            })}
        {onChange && (
          <>
            {' '}
            <Opener label="Add a spare">
              {(close) => (
                <SpareEntry
                  onDone={close}
                  onKeep={(spare) =>
                    onChange({
                      ...spec,
                      spares: [...spec.spares.filter(({ part }) => part !== spare.part), spare],
                    })
                  }
                />
              )}
            </Opener>
          </>
        )}
      </p>
    </>
  );
}
