'use client';

import Box from '@mui/material/Box';
import { resourceKey } from '@/core/figures/resources';
import { scaleBand, scaleLinear } from 'd3-scale';
import type { Assessment } from '@/core/assess';
import { percent } from '@/core/words/format';
import { resourceName } from '@/core/words/names';
import { useWidth } from '../shared/useWidth';
import { Section } from '../shared/Section';

const ROW = 20;
const NAME = 214;
const HEAD = 18;
/** From this share on a resource is nearly used up. */
const TIGHT = 0.85;
/** Below this nothing is to be seen. */
const LEAST = 0.005;

/** Resources down, sittings across: how busy each keeps each, on the selected draft. */
export function Utilisation({ assessment }: { assessment: Assessment }) {
  const { brief, sittings, machine, board } = assessment.facts;
  /** A board may have several uplinks: each goes by what hangs on it. */
  const nameOf = (key: string) => {
    const parsed = resourceKey(key);
    if (parsed.of !== 'uplink') return resourceName(key);
    const label = board?.hubs.get(parsed.hub)?.label ?? board?.slotById.get(parsed.hub)?.label ?? parsed.hub;
    return `${label}, ${parsed.direction === 'up' ? 'to' : 'from'} the processor`;
  };
  const [holder, width] = useWidth<HTMLDivElement>(760, NAME + 200, 1400);
  const named = brief.sittings.flatMap((sitting) => {
    const found = sittings.find((entry) => entry.sitting === sitting.id);
    return found ? [{ id: sitting.id, name: sitting.name, hours: sitting.hoursPerWeek, busy: found.busy }] : [];
  });
  const resources = [
    ...new Set(named.flatMap(({ busy }) => [...busy].flatMap(([key, share]) => (share >= LEAST ? [key] : [])))),
  ]
    .map((key) => ({ key, most: Math.max(...named.map(({ busy }) => busy.get(key) ?? 0)) }))
    .sort((a, b) => b.most - a.most || (a.key < b.key ? -1 : 1));
  // in a machine without parts nothing is busy
  if (named.length === 0 || resources.length === 0 || machine.items.length === 0) return null;
  const [busiest] = resources;
  const across = scaleBand(
    named.map(({ id }) => id),
    [NAME, width],
  ).paddingInner(0.08);
  const share = scaleLinear([0, 1], [0, across.bandwidth()]);
  const height = HEAD + resources.length * ROW;
  const inside = (value: number) => across.bandwidth() - share(value) < 40;
  return (
    <Section
      label="Busy by sitting"
      title={`How busy each sitting keeps ${machine.name}`}
      gist={busiest && `${nameOf(busiest.key)} up to ${percent(busiest.most)}`}
    >
      <p className="quiet small">Full width is all there is.</p>
      <Box ref={holder} sx={{ overflowX: 'auto' }}>
        <svg width={width} height={height} role="img" aria-label={spoken(named, resources)} className="plot">
          {named.map(({ id, name, hours }) => (
            <text key={id} x={across(id)} y={12} className="quiettext">
              {name.length > 15 ? `${name.slice(0, 14)}…` : name}
              <title>{`${name}, ${hours} h a week`}</title>
            </text>
          ))}
          {resources.map(({ key }, row) => {
            const y = HEAD + row * ROW;
            return (
              <g key={key}>
                <text x={0} y={y + 13}>
                  {nameOf(key)}
                </text>
                {named.map(({ id, busy }) => {
                  const value = busy.get(key) ?? 0;
                  const x = across(id) ?? 0;
                  return (
                    <g key={id}>
                      <rect x={x} y={y + 3} width={across.bandwidth()} height={ROW - 7} fill="var(--sunk)" />
                      <rect
                        x={x}
                        y={y + 3}
                        width={Math.max(value >= LEAST ? 2 : 0, share(value))}
                        height={ROW - 7}
                        fill={value >= TIGHT ? 'var(--doubt)' : 'var(--carries)'}
                      />
                      {value >= LEAST && (
                        <text
                          x={x + (inside(value) ? share(value) - 4 : Math.max(2, share(value)) + 4)}
                          y={y + 13}
                          textAnchor={inside(value) ? 'end' : 'start'}
                          style={inside(value) ? { fill: 'var(--paper)' } : undefined}
                        >
                          {percent(value)}
                        </text>
                      )}
                    </g>
                  );
                })}
              </g>
            );
          })}
        </svg>
      </Box>
    </Section>
  );
}

const spoken = (
  sittings: readonly { name: string; busy: ReadonlyMap<string, number> }[],
  resources: readonly { key: string }[],
): string =>
  sittings
    .map(
      ({ name, busy }) =>
        `${name}: ${resources
          .slice(0, 4)
          .map(({ key }) => `${resourceName(key)} ${percent(busy.get(key) ?? 0)}`)
          .join(', ')}`,
    )
    .join('; ');
