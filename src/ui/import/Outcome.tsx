'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import type { DryRunView, ImportProblem, JobView } from './useJob';

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
      return <p className="quiet">Nothing is written before it was checked. Say what the columns mean, then check.</p>;
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
          <progress value={share ?? undefined} max={1} style={{ width: '100%' }} aria-label="Progress" />
          <button type="button" className="link small" onClick={onCancel}>
            Stop; nothing of it stays
          </button>
        </div>
      );
    }
    case 'cancelled':
      return (
        <p role="status">
          Stopped. Nothing was written.{' '}
          <button type="button" className="link" onClick={onCheck}>
            Check again
          </button>
        </p>
      );
    case 'ended':
      return (
        <p role="status">
          The app was stopped while it was at work on {name}. Nothing was written.{' '}
          <button type="button" className="link" onClick={onCheck}>
            Check again
          </button>
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
          <button type="button" className="link" onClick={onCheck}>
            Check again
          </button>
        </p>
      );
    case 'written':
      return (
        <div role="status">
          <p className="carries">
            ▲ {name} is in the library: {count(job.changed)} {job.changed === 1 ? 'entry' : 'entries'} written
            {job.changed === 0 ? ', everything was there already' : ''}.
          </p>
          <p style={{ marginTop: 6 }}>
            <Link href="/library">Open the library</Link>, where one step takes it back again.
          </p>
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
        <table style={{ margin: '8px 0' }}>
          <thead>
            <tr>
              <th>{bad ? 'Without the problems it would be' : ''}</th>
              <th className="num">added</th>
              <th className="num">changed</th>
              <th className="num">left as it is</th>
            </tr>
          </thead>
          <tbody>
            {dryRun.counts.map((entry) => (
              <tr key={entry.list}>
                <td>{LIST_NAMES[entry.list] ?? entry.list}</td>
                <td className="num">{count(entry.added)}</td>
                <td className="num">{count(entry.changed)}</td>
                <td className="num">{count(entry.left)}</td>
              </tr>
            ))}
          </tbody>
        </table>
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
        <li key={i} style={{ padding: '5px 0', borderBottom: '1px solid var(--hair)', overflowWrap: 'anywhere' }}>
          <b className="mono">{problem.path}</b> {problem.message}
          {mending && problem.row !== undefined && (
            <Mend problem={problem} row={problem.row} mending={mending} onMend={onMend} />
          )}
        </li>
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
    <span className="row" style={{ gap: 8, marginTop: 3 }}>
      {column !== undefined && value !== undefined && (
        <input
          className="field"
          style={{ width: 170 }}
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
      <button
        type="button"
        className="link"
        aria-pressed={out}
        onClick={() =>
          onMend({
            ...mending,
            leaveOut: out ? mending.leaveOut.filter((other) => other !== row) : [...mending.leaveOut, row],
          })
        }
      >
        {out ? `row ${row} is left out: take it in` : `leave row ${row} out`}
      </button>
    </span>
  );
}
