'use client';

import LinearProgress from '@mui/material/LinearProgress';
import { Entry } from '../shared/Entry';
import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { TextButton } from '../shared/TextButton';
import Button from '@mui/material/Button';
import type { DryRunView, ImportProblem, JobView } from './useJob';
import { PageLink } from '../shared/PageLink';

const LIST_NAMES: Readonly<Record<string, string>> = {
  regions: 'regions',
  sellers: 'sellers',
  applications: 'application profiles',
  parts: 'parts',
  offers: 'offers',
  rivals: 'branded machines',
  figures: 'figures by hand',
  owned: 'owned things',
  seats: 'seats',
  around: 'prices by day, sources, watches, rates, marks',
};
const count = (n: number) => n.toLocaleString('en-US');

export interface Mending {
  readonly fixes: Readonly<Record<string, Readonly<Record<string, string>>>>;
  readonly leaveOut: readonly number[];
}

interface OutcomeProps {
  readonly name: string;
  readonly job: JobView;
  readonly mending: Mending | undefined;
  readonly onMend: (mending: Mending) => void;
  readonly onCheck: () => void;
  readonly onWrite: () => void;
  readonly onCancel: () => void;
}

/** What the file would do, what is wrong with it, and how far the work is. */
export function Outcome({ name, job, mending, onMend, onCheck, onWrite, onCancel }: OutcomeProps) {
  switch (job.state) {
    case 'none':
      return mending ? (
        <p className="quiet">Nothing is written before it was checked. Say what the columns mean, then check.</p>
      ) : (
        <p className="quiet">
          Nothing is written before it was checked. <TextButton onClick={onCheck}>Check it</TextButton>
        </p>
      );
    case 'running': {
      const { progress } = job;
      const share = progress && progress.of > 0 ? Math.min(1, progress.bytes / progress.of) : undefined;
      return (
        <div role="status">
          <p>
            {job.what === 'checking' ? 'Reading and checking' : 'Writing'} {name} …{' '}
            {progress && (
              <span className="quiet">
                {count(progress.read)} read, {Math.round((share ?? 0) * 100)} %
              </span>
            )}
          </p>
          <LinearProgress
            variant={share === undefined ? 'indeterminate' : 'determinate'}
            value={100 * (share ?? 0)}
            aria-label="Progress"
          />
          <TextButton onClick={onCancel}>Stop; nothing of it stays</TextButton>
        </div>
      );
    }
    case 'cancelled':
      return (
        <p role="status">
          Stopped. Nothing was written. <TextButton onClick={onCheck}>Check again</TextButton>
        </p>
      );
    case 'ended':
      return (
        <p role="status">
          The app was stopped while it was at work on {name}. Nothing was written.{' '}
          <TextButton onClick={onCheck}>Check again</TextButton>
        </p>
      );
    case 'failed':
      return (
        <p className="short" role="alert">
          Not read: {job.message}.
        </p>
      );
    case 'moved':
      return (
        <p className="caution" role="alert">
          ◆ The library changed since the file was checked, so nothing was written.{' '}
          <TextButton onClick={onCheck}>Check again</TextButton>
        </p>
      );
    case 'written':
      return (
        <div role="status">
          <p className="carries">
            ▲ {name} is in the library: {count(job.changed)} {job.changed === 1 ? 'entry' : 'entries'} written
            {job.changed === 0 ? ', everything was there already' : ''}.
          </p>
          <Box component="p" sx={{ marginTop: '6px' }}>
            <PageLink href="/library">Open the library</PageLink>, where one step takes it back again.
          </Box>
        </div>
      );
    case 'checked':
      return (
        <Checked
          name={name}
          dryRun={job.dryRun}
          mending={mending}
          onMend={onMend}
          onCheck={onCheck}
          onWrite={onWrite}
        />
      );
  }
}

function Checked({
  name,
  dryRun,
  mending,
  onMend,
  onCheck,
  onWrite,
}: Pick<OutcomeProps, 'name' | 'mending' | 'onMend' | 'onCheck' | 'onWrite'> & { dryRun: DryRunView }) {
  const bad = dryRun.problemCount > 0;
  const nothing = dryRun.counts.every((entry) => entry.added + entry.changed === 0);
  return (
    <>
      {bad ? (
        <p className="short" role="alert">
          ▼ Nothing of {name} was taken: {count(dryRun.problemCount)}{' '}
          {dryRun.problemCount === 1 ? 'problem' : 'problems'} in {count(dryRun.read)} entries.
        </p>
      ) : (
        <p role="status" className="carries">
          ▲ {count(dryRun.read)} entries read, nothing is wrong.{' '}
          {nothing ? 'Everything is in the library already.' : 'This is what it would do:'}
        </p>
      )}
      {dryRun.counts.length > 0 && (
        <Table sx={{ margin: '8px 0' }}>
          <TableHead>
            <TableRow>
              <TableCell>{bad ? 'Without the problems it would be' : ''}</TableCell>
              <TableCell align="right">added</TableCell>
              <TableCell align="right">changed</TableCell>
              <TableCell align="right">left as it is</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {dryRun.counts.map((entry) => (
              <TableRow key={entry.list}>
                <TableCell>{LIST_NAMES[entry.list] ?? entry.list}</TableCell>
                <TableCell align="right">{count(entry.added)}</TableCell>
                <TableCell align="right">{count(entry.changed)}</TableCell>
                <TableCell align="right">{count(entry.left)}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
      {bad ? (
        <>
          <ProblemList problems={dryRun.problems} mending={mending} onMend={onMend} />
          {dryRun.problemCount > dryRun.problems.length && (
            <p className="quiet small">and {count(dryRun.problemCount - dryRun.problems.length)} more.</p>
          )}
          {mending && (
            <Button variant="contained" onClick={onCheck} sx={{ mt: 1 }}>
              Check again
            </Button>
          )}
        </>
      ) : (
        !nothing && (
          <Button variant="contained" onClick={onWrite}>
            Take all of it
          </Button>
        )
      )}
    </>
  );
}

function ProblemList({
  problems,
  mending,
  onMend,
}: {
  problems: readonly ImportProblem[];
  mending: Mending | undefined;
  onMend: (mending: Mending) => void;
}) {
  return (
    <ul className="small" aria-label="Problems">
      {problems.map((problem, i) => (
        <Box
          component="li"
          key={i}
          sx={{ padding: '5px 0', borderBottom: '1px solid var(--hair)', overflowWrap: 'anywhere' }}
        >
          <b className="mono">{problem.path}</b> {problem.message}
          {mending && problem.row !== undefined && (
            <Mend problem={problem} row={problem.row} mending={mending} onMend={onMend} />
          )}
        </Box>
      ))}
    </ul>
  );
}

/** A cell is mended here instead of in the file, or its row is left out on purpose. */
function Mend({
  problem,
  row,
  mending,
  onMend,
}: {
  problem: ImportProblem;
  row: number;
  mending: Mending;
  onMend: (mending: Mending) => void;
}) {
  const { column, value } = problem;
  const out = mending.leaveOut.includes(row);
  const fixes = mending.fixes[String(row)] ?? {};
  return (
    <Box component="span" className="row" sx={{ gap: '8px', marginTop: '3px' }}>
      {column !== undefined && value !== undefined && (
        <Entry
          width={170}
          disabled={out}
          aria-label={`Row ${row}, ${column}`}
          value={fixes[column] ?? value}
          onChange={(event) =>
            onMend({
              ...mending,
              fixes: { ...mending.fixes, [String(row)]: { ...fixes, [column]: event.target.value } },
            })
          }
        />
      )}
      <TextButton
        aria-pressed={out}
        onClick={() =>
          onMend({
            ...mending,
            leaveOut: out ? mending.leaveOut.filter((other) => other !== row) : [...mending.leaveOut, row],
          })
        }
      >
        {out ? `row ${row} is left out: take it in` : `leave row ${row} out`}
      </TextButton>
    </Box>
  );
}
