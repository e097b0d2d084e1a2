'use client';

import ButtonBase from '@mui/material/ButtonBase';
import Box from '@mui/material/Box';
import { useId, type ReactNode } from 'react';
import type { BeamAxis, BeamModel } from '@/core/words/beams';
import type { Band, Verdict } from '@/core/units/band';

export interface BeamProps {
  readonly label?: ReactNode;
  readonly aside?: ReactNode;
  readonly axis: BeamAxis;
  /** Supply ÷ demand, or supply − demand for a difference. Undefined when unproven. */
  readonly band: Band | undefined;
  readonly verdict: Verdict;
  readonly need?: string | undefined;
  readonly gets?: string | undefined;
  /** The whole beam as a sentence, for screen readers. */
  readonly sentence: string;
  readonly compact?: boolean;
  readonly onOpen?: (() => void) | undefined;
}

/** The drawing of a model alone, for a place with room for no more. */
export const bareBeam = ({
  axis,
  band,
  verdict,
  sentence,
}: Pick<BeamModel, 'axis' | 'band' | 'verdict' | 'sentence'>) => ({
  axis,
  band,
  verdict,
  sentence,
  compact: true,
});

/** The drawing of a model with its figures beneath. */
export const fullBeam = (model: BeamModel) => ({
  ...bareBeam(model),
  need: model.need,
  gets: model.gets,
  compact: false,
});

const WIDTH = 200;

/** Position 0 … WIDTH of a value, the pivot always in the middle; values past the end are pinned there. */
export function beamPosition(axis: BeamAxis, value: number): number {
  // ends lie at ± 1; it stands on every page, and a library of scales for two lines is not fetched with each
  const end = axis.kind === 'difference' ? axis.span : Math.log(axis.kind === 'ratio' ? 4 : 1 / 0.75);
  const at = axis.kind === 'difference' ? value : Math.log(Math.max(value, 1e-6));
  return ((Math.min(1, Math.max(-1, at / end)) + 1) * WIDTH) / 2;
}

export const VERDICT_WORD: Readonly<Record<Verdict, string>> = {
  carries: 'carries',
  between: 'may fall short',
  short: 'falls short',
  unproven: 'unproven',
};

/** The sign of a verdict: shape as well as colour. */
export function VerdictMark({ verdict, x = 6, y = 7 }: { verdict: Verdict; x?: number; y?: number }) {
  const fill = { carries: 'var(--carries)', between: 'var(--doubt)', short: 'var(--short)', unproven: 'var(--sheet)' }[
    verdict
  ];
  switch (verdict) {
    case 'carries':
      return <path d={`M${x} ${y - 5}L${x + 5.5} ${y + 4.5}H${x - 5.5}Z`} fill={fill} />;
    case 'short':
      return <path d={`M${x} ${y + 5}L${x + 5.5} ${y - 4.5}H${x - 5.5}Z`} fill={fill} />;
    case 'between':
      return <path d={`M${x} ${y - 5.5}L${x + 5.5} ${y}L${x} ${y + 5.5}L${x - 5.5} ${y}Z`} fill={fill} />;
    case 'unproven':
      return <circle cx={x} cy={y} r={4.5} fill={fill} stroke="var(--info)" strokeWidth={2} />;
  }
}

/** A verdict's sign on its own, inline. */
export function Sign({ verdict }: { verdict: Verdict }) {
  return (
    <svg
      width={13}
      height={13}
      viewBox="0 0 12 14"
      role="img"
      aria-label={VERDICT_WORD[verdict]}
      style={{ flex: 'none', verticalAlign: '-2px' }}
    >
      <VerdictMark verdict={verdict} />
    </svg>
  );
}

const SOFT: Readonly<Record<Verdict, string>> = {
  carries: 'var(--carries-soft)',
  between: 'var(--doubt-soft)',
  short: 'var(--short-soft)',
  unproven: 'var(--info-soft)',
};

function Track({ axis, band, verdict, compact }: Pick<BeamProps, 'axis' | 'band' | 'verdict' | 'compact'>) {
  const hatch = useId();
  const height = compact ? 12 : 14;
  const middle = height / 2;
  const at = (value: number) => beamPosition(axis, value);
  const low = band && at(band.low);
  const high = band && at(band.high);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} preserveAspectRatio="none" aria-hidden="true">
      <defs>
        <pattern id={hatch} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="5" height="5" fill="var(--sunk)" />
          <rect width="1.6" height="5" fill="var(--hatch)" />
        </pattern>
      </defs>
      <rect x={0} y={middle - 3} width={WIDTH / 2} height={6} fill={`url(#${hatch})`} />
      <rect x={WIDTH / 2} y={middle - 3} width={WIDTH / 2} height={6} fill="var(--sunk)" />
      {low !== undefined && high !== undefined && (
        <rect x={low} y={middle - 4} width={Math.max(1.5, high - low)} height={8} fill={SOFT[verdict]} />
      )}
      <rect x={WIDTH / 2 - 0.75} y={0} width={1.5} height={height} fill="var(--ink)" />
    </svg>
  );
}

/** A beam that opens its why, as wide as its place and a hair beyond. */
const OPENS = {
  display: 'block',
  width: 'calc(100% + 8px)',
  textAlign: 'inherit',
  font: 'inherit',
  '&:hover': { backgroundColor: 'var(--sunk)' },
} as const;

/** One visual grammar for every "is it enough?". Opening it shows its why. */
export function Beam({ label, aside, axis, band, verdict, need, gets, sentence, compact = false, onOpen }: BeamProps) {
  const position = band ? (beamPosition(axis, band.likely) / WIDTH) * 100 : 50;
  const body = (
    <>
      {label !== undefined && (
        <span className="beam-label">
          <span className="cut">{label}</span>
          {aside}
        </span>
      )}
      <Box component="span" sx={{ position: 'relative', display: 'block' }}>
        <Track axis={axis} band={band} verdict={verdict} compact={compact} />
        <svg
          width={13}
          height={14}
          viewBox="0 0 12 14"
          aria-hidden="true"
          style={{
            position: 'absolute',
            left: `calc(${position}% - 6.5px)`,
            top: compact ? -1 : 0,
            width: 13,
            height: 14,
          }}
        >
          <VerdictMark verdict={verdict} />
        </svg>
      </Box>
      {(need !== undefined || gets !== undefined) && (
        <span className="beam-foot">
          <span>{need}</span>
          <b className={verdict}>{gets}</b>
        </span>
      )}
    </>
  );
  const className = `beam${compact ? ' compact' : ''}`;
  // the sentence replaces the parts for screen readers: they hear one statement, not four fragments
  return onOpen ? (
    <ButtonBase className={className} onClick={onOpen} aria-label={`${sentence} Show why.`} sx={OPENS}>
      <Box component="span" aria-hidden="true" sx={{ display: 'block' }}>
        {body}
      </Box>
    </ButtonBase>
  ) : (
    <span className={className} role="img" aria-label={sentence}>
      {body}
    </span>
  );
}
