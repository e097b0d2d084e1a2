'use client';

import Box from '@mui/material/Box';
import type { Machine } from '@/core/model/machine';
import { number, percent } from '@/core/words/format';
import { commandFor, measureFirstWords, toMeasureWords } from '@/core/words/measureFirst';
import { useBrief } from '../seat/moment';
import { useWorker } from '../seat/worker';
import { identity } from '../shared/identity';

/** Which short measurements on the machine that is there would narrow the decision most, and how to run them. */
export function MeasureFirst({ present, draft }: { present: Machine; draft: Machine }) {
  const brief = useBrief();
  const answer = useWorker(`measure ${identity(present)} ${identity(draft)} ${identity(brief)}`, (api) =>
    api.measureFirst(present, draft, brief),
  );
  if (answer.state === 'failed') return <p className="short small">It could not be worked out.</p>;
  if (answer.state === 'waiting') return <p className="quiet small">Trying what each measurement would tell …</p>;
  const { first } = answer.value;
  return (
    <Box component="section" aria-label="Measure first" sx={{ marginBottom: '8px' }}>
      <p className="small">{measureFirstWords(answer.value)}</p>
      <ol>
        {first.map(({ workload, drive, expected, unit, narrows }) => {
          const command = commandFor(workload);
          return (
            <Box component="li" key={JSON.stringify(workload)} className="small" sx={{ padding: '3px 0' }}>
              <b>{toMeasureWords({ workload, drive })}</b>, {percent(narrows)} narrower; expected {number(expected.low)}{' '}
              to {number(expected.high)} {unit}.
              {command !== undefined && (
                <Box component="code" sx={{ display: 'block', overflowX: 'auto', whiteSpace: 'pre', padding: '2px 0' }}>
                  {command}
                </Box>
              )}
            </Box>
          );
        })}
      </ol>
      {first.length > 0 && (
        <p className="quiet small">
          Choose the present machine above and give the file it writes to “Measured”: both machines are judged anew with
          it.
        </p>
      )}
    </Box>
  );
}
