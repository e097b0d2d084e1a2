'use client';

import Box from '@mui/material/Box';
import { demandsOf, type ResourceDemand } from '@/core/sizing/demandStrips';
import { percent } from '@/core/words/format';
import { rateText } from '@/core/words/knownCore';
import { resourceName } from '@/core/words/names';
import { useDraftAssessment } from '../seat/moment';
import { sittingName, taskName } from './names';
import { Sizes } from './Sizes';
import { Section } from '../shared/Section';
import { useKnownCore } from './useKnownCore';
import { Hint } from '../shared/Hint';

/** Tones of one hue, told apart by position and hatch as well as by lightness. */
const TONES = [
  'var(--info)',
  'var(--carries)',
  'var(--doubt)',
  'var(--edge)',
  'color-mix(in srgb, var(--info) 55%, var(--paper))',
  'color-mix(in srgb, var(--carries) 55%, var(--paper))',
];

/** How much of its supply the busiest sitting takes. */
const shareOf = ({ strips, supply = Infinity }: ResourceDemand): number =>
  Math.max(...strips.map(({ total }) => total)) / supply;

/** The resource that is nearest to its end: "tightest: graphics arithmetic, 64 % of it"; as long as all are known. */
function tightestWords(demands: readonly ResourceDemand[]): string | undefined {
  const unknown = demands.filter(({ supply }) => supply === undefined).length;
  if (unknown > 0) return `${unknown} of ${demands.length} not known of the draft`;
  const [tightest] = [...demands].sort((a, b) => shareOf(b) - shareOf(a));
  return tightest && `tightest: ${resourceName(tightest.resource)}, ${percent(shareOf(tightest))} of it`;
}

/** What the brief asks of each resource: one stacked strip a sitting, against what the draft offers. */
export function Demands() {
  const assessment = useDraftAssessment();
  const { brief, machine } = assessment.facts;
  const demands = demandsOf(assessment);
  const core = useKnownCore();
  const rate = rateText(core);
  const nameOf = (id: string) => taskName(brief, id);
  const sittingOf = (id: string) => sittingName(brief, id);
  const toneOf = (id: string) => TONES[brief.tasks.findIndex((task) => task.id === id) % TONES.length] ?? 'var(--info)';
  if (brief.tasks.length === 0)
    return (
      <>
        <h2>What it demands</h2>
        <p className="quiet">Nothing yet: the demands appear with the first task.</p>
      </>
    );
  return (
    <>
      <Sizes assessment={assessment} />
      <Section label="What real time demands" title="What real time demands a second" gist={tightestWords(demands)}>
        {demands.length === 0 && <p className="quiet small">No task here runs in real time; runs take what is left.</p>}
        {demands.map((demand) => {
          const most = Math.max(...demand.strips.map((strip) => strip.total), 1e-12);
          // the axis always reaches the supply: a short strip says that there is plenty
          const end = Math.max(most, demand.supply ?? most * 1.3) * 1.04;
          const supplyAt = demand.supply === undefined ? undefined : (demand.supply / end) * 100;
          return (
            <Box key={demand.resource} sx={{ padding: '5px 0', borderBottom: '1px solid var(--hair)' }}>
              <div className="spread small">
                <b>{resourceName(demand.resource)}</b>
                <span className="quiet">
                  {demand.supply === undefined ? 'draft: unknown' : `draft offers ${rate(demand.supply, demand.unit)}`}
                </span>
              </div>
              {demand.strips.map((strip) => (
                <Box key={strip.sitting} className="row small" sx={{ gap: '8px' }}>
                  <Box component="span" className="quiet cut" sx={{ width: 110, flex: 'none' }}>
                    {sittingOf(strip.sitting)}
                  </Box>
                  <Box
                    component="span"
                    sx={{
                      position: 'relative',
                      flex: '1 1 auto',
                      height: 10,
                      background: 'var(--sunk)',
                      display: 'flex',
                      overflow: 'hidden',
                    }}
                    role="img"
                    aria-label={`${sittingOf(strip.sitting)}: ${strip.parts.map((part) => `${nameOf(part.task)} ${rate(part.amount, demand.unit)}`).join(', ')}`}
                  >
                    {strip.parts.map((part) => (
                      <Hint key={part.task} says={`${nameOf(part.task)}: ${rate(part.amount, demand.unit)}`}>
                        <span
                          style={{
                            width: `${(part.amount / end) * 100}%`,
                            minWidth: 2,
                            background: toneOf(part.task),
                            borderRight: '1px solid var(--paper)',
                          }}
                        />
                      </Hint>
                    ))}
                    {supplyAt !== undefined && supplyAt <= 100 && (
                      <span
                        style={{
                          position: 'absolute',
                          left: `${supplyAt}%`,
                          top: 0,
                          bottom: 0,
                          width: 2,
                          background: 'var(--ink)',
                        }}
                      />
                    )}
                  </Box>
                  <Box component="span" className="num" sx={{ width: 92, flex: 'none' }}>
                    {rate(strip.total, demand.unit)}
                  </Box>
                </Box>
              ))}
            </Box>
          );
        })}
        <Box component="p" className="row wrap small quiet" sx={{ marginTop: '8px', gap: '12px' }}>
          {brief.tasks
            .filter((task) =>
              demands.some((demand) =>
                demand.strips.some((strip) => strip.parts.some((part) => part.task === task.id)),
              ),
            )
            .map((task) => (
              <span key={task.id}>
                <span
                  style={{
                    display: 'inline-block',
                    width: 10,
                    height: 10,
                    background: toneOf(task.id),
                    marginRight: 4,
                  }}
                />
                {task.name}
              </span>
            ))}
        </Box>
        <p className="small quiet">
          Upright line: {machine.name}. A core: {core.whose}.
        </p>
      </Section>
    </>
  );
}
