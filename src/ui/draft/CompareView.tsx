'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { ChoiceButton } from '../shared/ChoiceButton';
import { TextButton } from '../shared/TextButton';
import { useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { fullName, type AnyFitted } from '@/core/model/fitted';
import { compareDrafts, type Line } from '@/core/versus/drafts';
import { findingWords } from '@/core/words/findings';
import { basketFor } from '@/core/versus/basketFor';
import { coins, coinsChange } from '@/core/words/format';
import type { Currency } from '@/core/units/money';
import { kindName } from '@/core/words/names';
import { valueWords } from '@/core/words/values';
import { useMoment } from '../seat/moment';
import { assessmentOf, useSeat } from '../seat/useSeat';
import { Beam, fullBeam } from '../shared/Beam';
import { taskBeam } from '@/core/words/beams';
import { LevelSign } from '../shared/Level';

/** This draft beside another of the seat: task by task, then line by line, same lines quiet, others with what differs. */
export function CompareView({ assessment }: { assessment: Assessment }) {
  const open = useSeat((state) => state.open);
  const drafts = useSeat((state) => state.bundle.drafts);
  const draftId = useSeat((state) => state.draftId);
  const { brief, context } = useMoment();
  const others = drafts.filter((draft) => draft.id !== draftId);
  const [chosen, setChosen] = useState<string>();
  const other = others.find((draft) => draft.id === chosen) ?? others[0];
  const right = other && assessmentOf(other.body, brief, context);
  const comparison = useMemo(() => right && compareDrafts(assessment, right), [assessment, right]);
  if (!other || !right || !comparison)
    return <p className="quiet">There is no other draft to compare with; copy this one and change it.</p>;
  const { currency } = assessment.facts.price;
  const [here, there] = [assessment.facts.price.total.landedMinor, right.facts.price.total.landedMinor];
  // what is ordered is one basket: the same totals as on Weigh, Buy and in the ledger
  const baskets = [assessment, right].map((side) => basketFor(side));
  const differing = comparison.lines.filter((line) => !line.same);
  const same = comparison.lines.filter((line) => line.same);
  return (
    <div>
      <div className="panehead">
        <Box component="span" className="row wrap" role="group" aria-label="Draft to compare with" sx={{ gap: '6px' }}>
          <h2>{assessment.facts.machine.name} beside</h2>
          {others.map((draft) => (
            <ChoiceButton key={draft.id} chosen={draft.id === other.id} onClick={() => setChosen(draft.id)}>
              {draft.body.name}
            </ChoiceButton>
          ))}
        </Box>
        <TextButton onClick={() => open(undefined)}>Back to the map</TextButton>
      </div>
      <Table sx={{ tableLayout: 'fixed' }}>
        <TableHead>
          <TableRow>
            <TableCell scope="col" sx={{ width: '20%' }}>
              Task
            </TableCell>
            <TableCell scope="col">{assessment.facts.machine.name}</TableCell>
            <TableCell scope="col">{right.facts.machine.name}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {brief.tasks.map((task) => (
            <TableRow key={task.id}>
              <TableCell component="th" scope="row">
                {task.name}
              </TableCell>
              {[assessment, right].map((side, i) => {
                const result = side.tasks.find((entry) => entry.task === task.id);
                const model = result && taskBeam(task, result);
                return (
                  <TableCell key={i} sx={{ paddingTop: '2px', paddingBottom: '2px' }}>
                    {model && <Beam {...fullBeam(model)} />}
                  </TableCell>
                );
              })}
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Box component="h3" sx={{ marginTop: '14px' }}>
        {differing.length} {differing.length === 1 ? 'line differs' : 'lines differ'}, {same.length} the same
      </Box>
      <Table sx={{ tableLayout: 'fixed' }}>
        <TableHead>
          <TableRow>
            <TableCell scope="col" sx={{ width: '13%' }}>
              Part
            </TableCell>
            <TableCell scope="col">{assessment.facts.machine.name}</TableCell>
            <TableCell scope="col">{right.facts.machine.name}</TableCell>
            <TableCell align="right" scope="col" sx={{ width: '14%' }}>
              Landed, {right.facts.machine.name} − {assessment.facts.machine.name}
            </TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {[...differing, ...same].map((line, i) => (
            <LineRow key={i} line={line} currency={currency} />
          ))}
          <TableRow>
            <TableCell component="th" scope="row">
              Landed, as one basket, tax and shipping in
            </TableCell>
            {baskets.map(({ lowerBound, total }, i) => (
              <TableCell key={i}>
                <b>
                  {lowerBound ? 'at least ' : ''}
                  {coins(total.landedMinor, currency)}
                </b>
              </TableCell>
            ))}
            <TableCell align="right">
              <b>
                {coinsChange((baskets[1]?.total.landedMinor ?? 0) - (baskets[0]?.total.landedMinor ?? 0), currency)}
              </b>
            </TableCell>
          </TableRow>
          <TableRow>
            <TableCell component="th" scope="row">
              Landed, bought one by one, tax and shipping in
            </TableCell>
            <TableCell>{coins(here, currency)}</TableCell>
            <TableCell>{coins(there, currency)}</TableCell>
            <TableCell align="right">{coinsChange(there - here, currency)}</TableCell>
          </TableRow>
        </TableBody>
      </Table>
      <Apart name={assessment.facts.machine.name} findings={comparison.onlyLeft} />
      <Apart name={right.facts.machine.name} findings={comparison.onlyRight} />
    </div>
  );
}

const SHOWN = 5;

function LineRow({ line, currency }: { line: Line; currency: Currency }) {
  const change = (line.rightMinor ?? 0) - (line.leftMinor ?? 0);
  const known =
    (line.left === undefined || line.leftMinor !== undefined) &&
    (line.right === undefined || line.rightMinor !== undefined);
  // structures and lists say little in a line; the part's sheet has them
  const plain = line.differences.filter(
    ({ field }) => !['structure', 'list'].includes(field.type) && field.path !== 'maker',
  );
  const more = plain.length - SHOWN;
  return (
    <TableRow className={line.same ? 'quiet' : undefined}>
      <TableCell
        component="th"
        scope="row"
        sx={{ textTransform: 'capitalize', verticalAlign: 'top', paddingTop: '6px' }}
      >
        {kindName(line.kind)}
      </TableCell>
      <TableCell>{nameOf(line.left)}</TableCell>
      <TableCell>
        {line.same ? 'the same' : nameOf(line.right)}
        {!line.same && plain.length > 0 && (
          <Box component="span" className="small quiet" sx={{ display: 'block' }}>
            {plain
              .slice(0, SHOWN)
              .map(({ field, here, there }) => {
                const [now, then] = [valueWords(field, here), valueWords(field, there)];
                return now === then ? `${field.label} not the same` : `${field.label} ${then} instead of ${now}`;
              })
              .join(', ')}
            {more > 0 ? ` and ${more} more` : ''}
          </Box>
        )}
      </TableCell>
      <TableCell align="right">
        {line.same ? coins(line.leftMinor ?? 0, currency) : known ? coinsChange(change, currency) : 'price unknown'}
      </TableCell>
    </TableRow>
  );
}

const nameOf = (fitted: AnyFitted | undefined) =>
  fitted ? (
    <>
      {fullName(fitted.part)}
      {(fitted.item.roles?.length ?? 0) > 0 && <span className="quiet small"> · {fitted.item.roles?.join(', ')}</span>}
    </>
  ) : (
    <span className="quiet">none</span>
  );

function Apart({ name, findings }: { name: string; findings: Assessment['findings'] }) {
  if (findings.length === 0) return null;
  return (
    <>
      <Box component="h3" sx={{ marginTop: '12px' }}>
        Only in {name}
      </Box>
      <ul>
        {findings.map((finding, i) => (
          <Box component="li" key={i} className="small" sx={{ padding: '3px 0', display: 'flex', gap: '6px' }}>
            <LevelSign level={finding.level} /> <span>{findingWords(finding).says}</span>
          </Box>
        ))}
      </ul>
    </>
  );
}
