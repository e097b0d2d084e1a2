'use client';

import Box from '@mui/material/Box';
import type { Assessment } from '@/core/assess';
import type { TaskResult } from '@/core/predict/results';
import { sensitivityOf } from '@/core/predict/sensitivity';
import type { Task } from '@/core/model/tasks';
import { duration, number, percent } from '@/core/words/format';
import { bindingName, impossibleWords, outsideWords, resourceName } from '@/core/words/names';
import { getsText, needText } from '@/core/words/results';
import { Sign } from '../shared/Beam';
import { Hint } from '../shared/Hint';

/** Where the task's time goes, what binds it and what idles. */
export function Stages({ task, assessment }: { task: Task; assessment: Assessment }) {
  const result = assessment.tasks.find((candidate) => candidate.task === task.id);
  if (!result) return null;
  const total = result.stages.reduce((sum, stage) => sum + stage.seconds, 0);
  const sitting = assessment.facts.brief.sittings.find((candidate) => candidate.id === result.sitting);
  const uses = result.uses.filter((use) => use.busy !== undefined || use.ratio === undefined);
  return (
    <Box sx={{ marginBottom: '16px' }}>
      <div className="spread">
        <h2>{task.name}</h2>
        <span className="quiet small">{assessment.facts.machine.name}</span>
      </div>
      <p>
        <Sign verdict={result.verdict} /> <b className={result.verdict}>{getsText(result)}</b>{' '}
        <span className="quiet">
          ({needText(result)}
          {sitting ? `, worst in ${sitting.name}` : ''})
        </span>
      </p>
      {[...new Set(result.impossible.map(impossibleWords))].map((why) => (
        <p key={why} className="small short">
          {why}
        </p>
      ))}
      {result.binds && (
        <p className="small">
          {result.mode === 'real-time' && result.verdict === 'carries' ? 'Tightest on' : 'Bound by'}{' '}
          <b>{bindingName(result)}</b>
          {result.mode === 'real-time' && result.verdict === 'carries'
            ? '; everything else has more to spare.'
            : '; everything else waits for it.'}
        </p>
      )}
      {result.worst && result.worst.likely !== result.gets?.likely && (
        <p className="small quiet">
          In its worst moments {number(result.worst.low)} – {number(result.worst.high)} {result.unit}s a second.
        </p>
      )}
      {result.outside.map((outside) => (
        <p key={outside.label} className="small between">
          {outsideWords(outside)}
        </p>
      ))}
      <MovedBy result={result} />
      {result.stages.length > 0 && (
        <>
          <Box component="h3" sx={{ marginTop: '8px' }}>
            Time by stage, a {result.unit}
          </Box>
          {[...result.stages]
            .sort((a, b) => b.seconds - a.seconds)
            .map((stage) => (
              <Bar
                key={stage.stage}
                label={stage.stage}
                aside={resourceName(stage.binds)}
                share={total > 0 ? stage.seconds / total : 0}
                text={duration(stage.seconds)}
                tone="var(--info)"
              />
            ))}
          <p className="quiet small">Stages of neighbouring frames overlap, so a run is shorter than their sum.</p>
        </>
      )}
      <Box component="h3" sx={{ marginTop: '8px' }}>
        Busy in this sitting
      </Box>
      {[...uses]
        .sort((a, b) => (b.busy ?? 2) - (a.busy ?? 2))
        .map((use) =>
          use.busy === undefined ? (
            <p key={use.resource} className="small unproven">
              {resourceName(use.resource)}: a figure is unknown
            </p>
          ) : (
            <Bar
              key={use.resource}
              label={resourceName(use.resource)}
              aside={use.ratio !== undefined && use.ratio < 100 ? `${number(use.ratio, 2)} × what it asks` : ''}
              share={use.busy}
              text={percent(use.busy)}
              tone={use.resource === result.binds ? 'var(--doubt)' : 'var(--carries)'}
            />
          ),
        )}
      <Clocks assessment={assessment} sitting={result.sitting} />
    </Box>
  );
}

/** The constants whose doubt moves this prediction most. */
function MovedBy({ result }: { result: TaskResult }) {
  const most = sensitivityOf(result).slice(0, 3);
  if (most.length === 0) return null;
  return (
    <Box sx={{ marginTop: '6px' }}>
      <h3>What is least sure</h3>
      {most.map(({ where, label, factor }) => (
        <Hint key={where} says={where}>
          <p className="small">
            {label} <span className="quiet">moves it by {percent(factor - 1)} either way</span>
          </p>
        </Hint>
      ))}
    </Box>
  );
}

/** At which clocks the sitting runs once nothing changes any more, and what holds them. */
function Clocks({ assessment, sitting }: { assessment: Assessment; sitting: string }) {
  const { heat } = assessment.facts;
  const settled = heat.sittings.find((entry) => entry.sitting === sitting)?.best;
  // what is not there keeps no clock
  if (!settled || heat.setup.hot.length === 0) return null;
  const held = (['processor', 'graphics'] as const).flatMap((kind) => {
    const by = settled.heldBy[kind];
    return by
      ? [
          `${kind === 'processor' ? 'the processor' : 'the card'} keeps ${percent(settled.clocks[kind])} of its clock, held by ${by === 'heat' ? 'heat' : 'its power limit'}`,
        ]
      : [];
  });
  return (
    <p className={held.length > 0 ? 'between small' : 'quiet small'}>
      {held.length > 0 ? `Once warm, ${held.join('; ')}.` : 'Once warm, processor and card keep their full clocks.'}
    </p>
  );
}

function Bar({
  label,
  aside,
  share,
  text,
  tone,
}: {
  label: string;
  aside: string;
  share: number;
  text: string;
  tone: string;
}) {
  return (
    <Box className="small" sx={{ padding: '2px 0' }}>
      <span className="spread">
        <span className="cut">
          {label} <span className="quiet">{aside}</span>
        </span>
        <span className="num">{text}</span>
      </span>
      <Box component="span" sx={{ display: 'block', height: 6, background: 'var(--sunk)' }}>
        <span style={{ display: 'block', height: 6, width: `${Math.min(100, share * 100)}%`, background: tone }} />
      </Box>
    </Box>
  );
}
