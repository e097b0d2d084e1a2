'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { TextButton } from '../shared/TextButton';
import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import type { Brief } from '@/core/model/brief';
import type { Machine } from '@/core/model/machine';
import { actionOf } from '@/core/rules/actions';
import type { OperatingPoint } from '@/core/search/operatingPoints';
import { number, watts } from '@/core/words/format';
import { useDraft, useMoment } from '../seat/moment';
import { assessmentOf, useSeat } from '../seat/useSeat';
import { useWorker } from '../seat/worker';
import { identity } from '../shared/identity';
import { Section } from '../shared/Section';

const MEASURES: readonly {
  readonly id: string;
  readonly title: string;
  readonly of: (point: OperatingPoint) => number | undefined;
  readonly text: (value: number) => string;
  /** Least span of the scale, so that a hair does not look like a mile. */
  readonly span: number;
}[] = [
  {
    id: 'cores',
    title: 'All cores',
    of: (point) => point.allCores,
    text: (value) => `×${number(value, 3)}`,
    span: 0.1,
  },
  { id: 'tasks', title: 'This brief', of: (point) => point.tasks, text: (value) => `×${number(value, 3)}`, span: 0.1 },
  { id: 'temp', title: '°C at the limit', of: (point) => point.tempC, text: (value) => number(value), span: 8 },
  { id: 'noise', title: 'dB(A)', of: (point) => point.noiseDbA, text: (value) => number(value), span: 3 },
  { id: 'watts', title: 'W', of: (point) => point.watts, text: (value) => watts(value), span: 40 },
];
const WIDTH = 84;
const HEIGHT = 12;

const BOUNDS = {
  heat: 'heat binds',
  supply: 'the supply binds',
  phases: 'the board’s phases bind',
  'own limit': 'as far as it can be set',
} as const;
const boundWords = ({ bound }: OperatingPoint): string => (bound ? `: ${BOUNDS[bound]}` : '');

function name(point: OperatingPoint): string {
  switch (point.kind) {
    case 'now':
      return 'As it is set now';
    case 'shipped':
      return 'As the makers ship it';
    case 'quiet':
      return 'Quietest that holds the clock';
    case 'limit':
      return `Processor limited to ${point.percent ?? ''} %`;
    case 'base':
      return 'Processor at its base power';
    case 'clock':
      return `Processor clock raised ${point.percent ?? ''} %${boundWords(point)}`;
    case 'card-clock':
      return `Card clock raised ${point.percent ?? ''} %${boundWords(point)}`;
    case 'standard-memory':
      return 'Memory at its standard rate';
  }
}

/** Ways to set this machine in one chart: a row a setting, a column a measure, every dot on its column's scale. */
export function OperatingPoints() {
  const draft = useDraft();
  const { brief, context } = useMoment();
  const hasProcessor = assessmentOf(draft, brief, context).facts.parts.one('processor') !== undefined;
  if (!hasProcessor) return null;
  return (
    <Section
      label="Operating points"
      title={`Operating points of ${draft.name}`}
      gist="speed, heat and noise by setting"
    >
      <Points draft={draft} brief={brief} />
    </Section>
  );
}

/** Settings are tried when somebody looks. */
function Points({ draft, brief }: { draft: Machine; brief: Brief }) {
  const editDraft = useSeat((state) => state.editDraft);
  const answer = useWorker(`points ${identity(draft)} ${identity(brief)}`, (api) => api.operatingPoints(draft, brief));
  return (
    <>
      <p className="quiet small">
        Processor and cards at the most they may draw, for hours; raised clocks are unproven until they were measured.
      </p>
      {answer.state === 'waiting' && <p className="quiet small">Trying settings …</p>}
      {answer.state === 'failed' && <p className="short small">The settings could not be tried: {answer.message}.</p>}
      {answer.state === 'ready' && (
        <Chart points={answer.value} onTake={(point) => point.edit && editDraft(point.edit, name(point))} />
      )}
    </>
  );
}

/** Differences below these shares are none. */
const SAME = 0.0015;

const alike = (a: OperatingPoint, b: OperatingPoint): boolean =>
  a.brings.length === 0 &&
  MEASURES.every((measure) => {
    const [one, other] = [measure.of(a), measure.of(b)];
    return one === other || (one !== undefined && other !== undefined && Math.abs(one / other - 1) < SAME);
  });

function Chart({
  points: all,
  onTake,
}: {
  points: readonly OperatingPoint[];
  onTake: (point: OperatingPoint) => void;
}) {
  const now = all.find((point) => point.kind === 'now');
  const idle = all.filter((point) => point !== now && now && alike(point, now));
  const points = all.filter((point) => !idle.includes(point));
  const scales = MEASURES.map((measure) => {
    const [low = 0, high = 1] = extent(points, (point) => measure.of(point));
    const pad = Math.max((high - low) * 0.08, (measure.span - (high - low)) / 2);
    return scaleLinear([low - pad, high + pad], [4, WIDTH - 4]);
  });
  return (
    <>
      <Table sx={{ tableLayout: 'auto' }}>
        <TableHead>
          <TableRow>
            <TableCell scope="col">Setting</TableCell>
            {MEASURES.map((measure) => (
              <TableCell key={measure.id} scope="col">
                {measure.title}
              </TableCell>
            ))}
            <TableCell scope="col">Use</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {points.map((point) => (
            <TableRow key={point.id} style={point.kind === 'now' ? { background: 'var(--sunk)' } : undefined}>
              <TableCell
                component="th"
                scope="row"
                sx={{ color: 'var(--ink)', paddingLeft: '4px', fontWeight: point.kind === 'now' ? 650 : 400 }}
              >
                {name(point)}
                {point.ghz !== undefined && <span className="quiet small"> {number(point.ghz, 3)} GHz</span>}
                {point.brings.length > 0 && (
                  <Box component="span" className="caution small" sx={{ display: 'block', fontWeight: 400 }}>
                    ◆ brings {point.brings.length} {point.brings.length === 1 ? 'finding' : 'findings'}
                    {point.brings.some((finding) => actionOf(finding) === 'change') ? ', one that blocks' : ''}
                  </Box>
                )}
              </TableCell>
              {MEASURES.map((measure, i) => {
                const value = measure.of(point);
                const scale = scales[i];
                const here = now && measure.of(now);
                if (value === undefined || !scale)
                  return (
                    <TableCell key={measure.id} className="quiet">
                      ?
                    </TableCell>
                  );
                return (
                  <TableCell key={measure.id} sx={{ paddingBlock: '3px' }}>
                    <svg width={WIDTH} height={HEIGHT} aria-hidden="true" style={{ display: 'block' }}>
                      <line x1={0} x2={WIDTH} y1={HEIGHT / 2} y2={HEIGHT / 2} stroke="var(--hair)" />
                      {here !== undefined && (
                        <line
                          x1={scale(here)}
                          x2={scale(here)}
                          y1={0}
                          y2={HEIGHT}
                          stroke="var(--edge)"
                          strokeDasharray="2 2"
                        />
                      )}
                      <circle
                        cx={scale(value)}
                        cy={HEIGHT / 2}
                        r={4}
                        fill={point.kind === 'now' ? 'var(--ink)' : 'var(--info)'}
                      />
                    </svg>
                    <span className="small">
                      {measure.id === 'noise' && point.noiseOpen ? 'at least ' : ''}
                      {measure.text(value)}
                    </span>
                  </TableCell>
                );
              })}
              <TableCell>{point.edit && <TextButton onClick={() => onTake(point)}>Set it</TextButton>}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {idle.length > 0 && (
        <Box component="p" className="small quiet" sx={{ marginTop: '4px' }}>
          Changes nothing here: {idle.map((point) => name(point).toLowerCase()).join('; ')}.
        </Box>
      )}
    </>
  );
}
