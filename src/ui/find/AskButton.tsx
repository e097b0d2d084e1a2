import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { tookWords } from '@/core/words/effort';
import type { Told } from '@/workers/searchApi';

interface AskProps {
  /** What begins it. */
  readonly label: string;
  readonly asked: {
    readonly report: Pick<Told, 'state'> | undefined;
    readonly running: boolean;
    readonly begin: () => Promise<void>;
    readonly stop: () => void;
  };
}

/** Begins a question to the searching worker, stops it with what is known, and goes on from there. */
export function AskButton({ label, asked: { report, running, begin, stop } }: AskProps) {
  if (running)
    return (
      <Box className="row" sx={{ gap: '8px' }}>
        {report?.state === 'waiting' && <span className="quiet small">waits its turn</span>}
        <Button size="small" onClick={stop}>
          Stop, keep what is known
        </Button>
      </Box>
    );
  if (report?.state === 'proven') return null;
  return (
    <Button variant="outlined" size="small" onClick={() => void begin()}>
      {report?.state === 'stopped' ? 'Go on' : label}
    </Button>
  );
}

/** That an answer is worked out, as far as its share is known; it stands still while the question waits its turn. */
export const Working = ({ label, waits, share }: { label: string; waits: boolean; share?: number }) => (
  <LinearProgress
    aria-label={label}
    {...(waits || share !== undefined ? { variant: 'determinate' as const, value: 100 * (share ?? 0) } : {})}
  />
);

/** Why the worker could not be asked. */
export const NotAsked = ({ failed }: { failed: string | undefined }) =>
  failed === undefined ? null : <p className="short small">The search could not be run: {failed}.</p>;

/** What an answer took, once it is there. */
export const Took = ({ report }: { report: Pick<Told, 'state' | 'effort' | 'seconds' | 'done'> | undefined }) =>
  report?.done ? (
    <p className="quiet small" role="status">
      {report.state === 'proven' ? 'Proven' : 'Stopped'}: {tookWords(report.effort, report.seconds)}.
    </p>
  ) : null;
