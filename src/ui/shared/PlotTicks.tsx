import type { ScaleLinear } from 'd3-scale';

/** Where the drawing lies in its picture, px. */
export interface PlotPad {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** Two values that are nearer would write over each other, px. */
const LINE = 13;

/** Values up the left edge of a drawing, each with a thin line across. */
export function UpTicks({
  values,
  y,
  words,
  width,
  pad,
}: {
  values: readonly number[];
  y: ScaleLinear<number, number>;
  words: (value: number) => string;
  width: number;
  pad: PlotPad;
}) {
  return values.map((value, i) => (
    <g key={value}>
      <line x1={pad.left} x2={width - pad.right} y1={y(value)} y2={y(value)} stroke="var(--hair)" />
      {values.slice(0, i).every((other) => Math.abs(y(other) - y(value)) >= LINE) && (
        <text x={pad.left - 6} y={y(value) + 4} textAnchor="end" className="quiettext">
          {words(value)}
        </text>
      )}
    </g>
  ));
}

/** Values under a drawing. */
export function AcrossTicks({
  values,
  x,
  words,
  height,
}: {
  values: readonly number[];
  x: ScaleLinear<number, number>;
  words: (value: number) => string;
  height: number;
}) {
  return values.map((value) => (
    <text key={value} x={x(value)} y={height - 7} textAnchor="middle" className="quiettext">
      {words(value)}
    </text>
  ));
}
