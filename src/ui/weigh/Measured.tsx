'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { ChoiceButton } from '../shared/ChoiceButton';
import { TextButton } from '../shared/TextButton';
import { workloadWords } from '@/core/words/workload';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { compare, isInside, medianError, type Compared } from '@/core/versus/measured';
import type { Calibration } from '@/core/evidence/calibration';
import { teaches } from '@/core/evidence/calibrate';
import { withPart } from '@/core/evidence/comparable';
import type { Measurement } from '@/core/model/measurement';
import { readResults, withIds } from '@/core/evidence/readers';
import { PRESETS } from '@/core/model/encoders';
import { fullName } from '@/core/model/fitted';
import { number } from '@/core/words/format';
import { plain, Pick } from '../shared/phrases';
import { useDraft } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { MeasureByHand } from './MeasureByHand';
import { FilesButton } from '../shared/FilesButton';
import { fileText } from '../shared/fileText';
import { Section } from '../shared/Section';
import { Hint } from '../shared/Hint';

/** Results measured on the selected draft beside what the model says of them, and how to add more. */
export function Measured({ assessment }: { assessment: Assessment }) {
  const draft = useDraft();
  const editDraft = useSeat((state) => state.editDraft);
  const [told, setTold] = useState<(typeof PRESETS)[number]>('medium');
  const [saysPreset, setSaysPreset] = useState(false);
  const [message, setMessage] = useState<{ readonly good: boolean; readonly text: string }>();
  const [byHand, setByHand] = useState(false);
  const list = draft.evidence ?? [];
  const { parts } = assessment.facts;
  const set = (evidence: readonly Measurement[], label: string) =>
    editDraft({ kind: 'evidence', evidence: [...evidence] }, label);
  const rows = compare(list, assessment);
  const checks = rows.filter(({ measurement }) => measurement.use === 'check');
  const error = medianError(checks);
  const inside = checks.flatMap((row) => isInside(row) ?? []);
  const learnt = learntWords(assessment.facts.calibration);
  const take = async (files: readonly File[]) => {
    const found: Measurement[] = [];
    const said: string[] = [];
    let good = true;
    // the parser of tables is fetched when there is a file
    const { cutTable } = await import('./cutTable');
    for (const file of files) {
      const given = await fileText(file);
      const reading = given.ok ? readResults(given.text, cutTable, saysPreset ? { preset: told } : {}) : given;
      if (!reading.ok) {
        good = false;
        said.push(`${file.name}: ${reading.message}`);
        if (reading.message.includes('preset')) setSaysPreset(true);
        continue;
      }
      found.push(...withIds(reading.found, file.name.slice(0, 120), [...list, ...found]));
      said.push(
        `${file.name}: ${reading.found.length} ${reading.found.length === 1 ? 'result' : 'results'} of ${reading.tool}. ${reading.notes.join(' ')}`,
      );
    }
    if (found.length > 0)
      set([...list, ...found.map((each) => withPart(each, parts))], `Measured: ${found.length} results`);
    if (said.length > 0) setMessage({ good, text: said.join(' ') });
  };
  return (
    <Section
      label="Measured and predicted"
      title={`Measured on ${draft.name}`}
      gist={`${learnt === '' ? 'nothing calibrates it yet' : `calibrated: ${learnt}`}${
        error === undefined
          ? ''
          : `; rows kept to check: median error ${Math.round(error * 100)} %, ${inside.filter((each) => each).length} of ${inside.length} inside`
      }`}
    >
      {rows.length > 0 && (
        <Table>
          <TableHead>
            <TableRow>
              <TableCell scope="col">What</TableCell>
              <TableCell align="right" scope="col">
                measured
              </TableCell>
              <TableCell align="right" scope="col">
                predicted
              </TableCell>
              <TableCell align="right" scope="col">
                error
              </TableCell>
              <TableCell scope="col">used to</TableCell>
              <TableCell scope="col">Out</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map((row) => (
              <Row
                key={row.measurement.id}
                row={row}
                teaching={!row.former && teaches(row.measurement.workload, assessment)}
                drives={parts.ofKind('drive').map(({ part }) => [part.id, fullName(part)] as const)}
                onChange={(change, label) =>
                  set(
                    list.map((entry) => (entry.id === row.measurement.id ? { ...entry, ...change } : entry)),
                    label,
                  )
                }
                onRemove={() =>
                  set(
                    list.filter((entry) => entry.id !== row.measurement.id),
                    'A result out',
                  )
                }
              />
            ))}
          </TableBody>
        </Table>
      )}
      <Box className="row wrap small" sx={{ gap: '10px', marginTop: '6px' }}>
        <FilesButton label="Result files" onGive={take}>
          Add result files
        </FilesButton>
        <ChoiceButton chosen={byHand} onClick={() => setByHand(!byHand)}>
          Type one in
        </ChoiceButton>
        {saysPreset && (
          <span>
            Logs without a preset were made with{' '}
            <Pick label="Preset of the log" value={told} options={plain(PRESETS)} onChange={setTold} />
          </span>
        )}
        <span className="quiet">
          Storage results as JSON, encoders’ logs with a benchmark line, compression, processor and memory benchmarks,
          sensor values as CSV.
        </span>
      </Box>
      {message && (
        <p className={`small ${message.good ? 'quiet' : 'short'}`} role={message.good ? 'status' : 'alert'}>
          {message.text}
        </p>
      )}
      {byHand && (
        <MeasureByHand
          taken={list}
          onAdd={(measurement) => {
            set([...list, withPart(measurement, parts)], 'Measured: a result by hand');
            setByHand(false);
          }}
        />
      )}
    </Section>
  );
}

function Row({
  row,
  teaching,
  drives,
  onChange,
  onRemove,
}: {
  row: Compared;
  /** Whether it can calibrate, rather than be compared only. */
  teaching: boolean;
  /** The machine's drives, to say which one was measured. */
  drives: readonly (readonly [id: string, name: string])[];
  onChange: (change: Partial<Measurement>, label: string) => void;
  onRemove: () => void;
}) {
  const { measurement, plain: before, taught, error } = row;
  const { band } = taught;
  const said = `${measurement.tool}${measurement.settings ? `, ${measurement.settings}` : ''}, ${measurement.source}`;
  return (
    <TableRow>
      <TableCell>
        <Hint says={said}>
          <span>{workloadWords(measurement.workload)}</span>
        </Hint>
        {measurement.workload.work === 'drive' && drives.length > 1 && (
          <>
            {', '}
            <Pick
              label={`Drive of ${workloadWords(measurement.workload)}`}
              value={measurement.part ?? ''}
              options={[
                ...(measurement.part === undefined ? [['', 'which drive?'] as const] : []),
                ...new Map(drives).entries(),
              ]}
              onChange={(part) => onChange({ part }, 'Drive of a result')}
            />
          </>
        )}
      </TableCell>
      <TableCell align="right">
        {number(measurement.value, 3)} {measurement.unit}
      </TableCell>
      <Hint
        says={
          before.band ? `Without what was measured: ${number(before.band.likely, 3)} ${measurement.unit}` : undefined
        }
      >
        <TableCell align="right">
          {band ? (
            `${number(band.low, 3)} – ${number(band.high, 3)}`
          ) : (
            <span className="unproven">unknown: {taught.lacks.join(', ')}</span>
          )}
        </TableCell>
      </Hint>
      <TableCell className={`num ${isInside(row) === false ? 'between' : ''}`}>
        {error === undefined ? '' : errorWords(error)}
      </TableCell>
      <TableCell>
        {teaching ? (
          <Pick
            label={`Use of ${workloadWords(measurement.workload)}`}
            value={measurement.use}
            options={[
              ['calibrate', 'calibrate'],
              ['check', 'check'],
            ]}
            onChange={(use) => onChange({ use }, 'Use of a result')}
          />
        ) : (
          <span className="quiet">{measurement.use === 'check' && taught.band ? 'check' : 'compared'}</span>
        )}
      </TableCell>
      <TableCell sx={{ whiteSpace: 'nowrap' }}>
        <TextButton aria-label={`Leave ${workloadWords(measurement.workload)} out`} onClick={onRemove}>
          leave out
        </TextButton>
      </TableCell>
    </TableRow>
  );
}

/** What the model learnt, counted: kinds of work, threads, memory and drives. */
function learntWords({ works, threads, rates, borrowed }: Calibration): string {
  return [
    works.size === 0 ? '' : `${works.size} ${works.size === 1 ? 'kind' : 'kinds'} of work`,
    threads.count > 0 ? 'threads' : '',
    rates.memory ? 'memory' : '',
    rates.drives.size === 0 ? '' : rates.drives.size === 1 ? 'a drive' : `${rates.drives.size} drives`,
  ]
    .filter(Boolean)
    .join(', ')
    .concat(borrowed === 0 ? '' : ` (${borrowed} ${borrowed === 1 ? 'result' : 'results'} of machines like it)`);
}

/** Whole percents with their sign; rounded to nothing there is none. */
function errorWords(error: number): string {
  const percents = Math.round(Math.abs(error) * 100);
  return percents === 0 ? '0 %' : `${error > 0 ? '+' : '−'}${percents} %`;
}
