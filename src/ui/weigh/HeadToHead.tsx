'use client';

import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { basketFor } from '@/core/versus/basketFor';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { progress } from '@/core/predict/worst';
import type { TaskResult } from '@/core/predict/results';
import { loudestOf } from '@/core/heat/state';
import { coins, coinsChange, number, watts } from '@/core/words/format';
import { bindingName } from '@/core/words/names';
import { getsText, runsWhere } from '@/core/words/results';
import { Sign } from '../shared/Beam';
import { Value } from '../shared/Value';
import { Section } from '../shared/Section';

interface Column {
  readonly key: string;
  readonly name: string;
  readonly assessment: Assessment;
}

/** Two drafts side by side: each task with what binds it, and by how much one is ahead. */
export function HeadToHead({ columns, selected }: { columns: readonly Column[]; selected: Column }) {
  const [other, setOther] = useState<string>();
  const others = columns.filter((column) => column.key !== selected.key);
  const rival = others.find((column) => column.key === other) ?? others[0];
  if (!rival) return null;
  const [a, b] = [selected.assessment, rival.assessment];
  const { brief } = a.facts;
  const resultOf = (assessment: Assessment, id: string) => assessment.tasks.find((entry) => entry.task === id);
  const cost = (assessment: Assessment) => basketFor(assessment).total.landedMinor;
  const noise = ({ facts }: Assessment) => loudestOf(facts.heat.sittings)?.noise.dbA;
  return (
    <Section label="Head to head" gist={`${selected.name} against ${rival.name}`}>
      <p className="small">
        {selected.name} against{' '}
        <Value
          label="Draft to compare with"
          editor={{
            kind: 'choice',
            value: rival.key,
            options: others.map((column) => ({ value: column.key, label: column.name })),
            onChange: setOther,
          }}
        >
          {rival.name}
        </Value>
      </p>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell scope="col">Task</TableCell>
            <TableCell scope="col">{selected.name}</TableCell>
            <TableCell scope="col">{rival.name}</TableCell>
            <TableCell align="right" scope="col">
              ahead
            </TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {brief.tasks.map((task) => {
            const [mine, theirs] = [resultOf(a, task.id), resultOf(b, task.id)];
            return (
              <TableRow key={task.id}>
                <TableCell component="th" scope="row">
                  {task.name}
                </TableCell>
                <TableCell>{mine && <Outcome result={mine} />}</TableCell>
                <TableCell>{theirs && <Outcome result={theirs} />}</TableCell>
                <TableCell align="right">{mine && theirs ? ahead(mine, theirs) : ''}</TableCell>
              </TableRow>
            );
          })}
          <TableRow>
            <TableCell component="th" scope="row">
              Landed price, draw, noise
            </TableCell>
            {[a, b].map((assessment, i) => (
              <TableCell key={i}>
                {coins(cost(assessment), assessment.facts.price.currency)}, {watts(assessment.facts.power.sustainedW)}
                {noise(assessment) === undefined ? '' : `, ${number(noise(assessment) ?? 0)} dB(A)`}
              </TableCell>
            ))}
            <TableCell align="right" className="wraps">
              <span className="quiet small">
                {rival.name} − {selected.name}{' '}
              </span>
              {coinsChange(cost(b) - cost(a), a.facts.price.currency)}
            </TableCell>
          </TableRow>
        </TableBody>
      </Table>
    </Section>
  );
}

function Outcome({ result }: { result: TaskResult }) {
  return (
    <>
      <Sign verdict={result.verdict} /> <span className={result.verdict}>{getsText(result)}</span>
      {result.binds && <span className="quiet small"> · {bindingName(result)}</span>}
    </>
  );
}

/** How many times the other's speed; alike within one in a hundred. */
function ahead(mine: TaskResult, theirs: TaskResult): string {
  if (!mine.gets || !theirs.gets) return runsWhere(mine, theirs);
  const ratio = progress(mine) / progress(theirs);
  if (!Number.isFinite(ratio) || Math.abs(ratio - 1) < 0.01) return 'alike';
  return `${number(ratio, 3)} ×`;
}
