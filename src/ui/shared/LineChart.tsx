'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { TextButton } from './TextButton';
import { bisectCenter, extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useId, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { CHART_PX } from './chartSize';
import { useWidth } from './useWidth';

export interface ChartLine {
  readonly id: string;
  readonly label: string;
  /** One value at each x; null where nothing is known. */
  readonly values: readonly (number | null)[];
  readonly strong?: boolean;
  readonly dash?: string;
  /** What is drawn is a lower bound: the room above is left open. */
  readonly open?: boolean;
}

export interface LineChartProps {
  /** What it shows, for screen readers and for the name of a saved picture. */
  readonly title: string;
  readonly xs: readonly number[];
  readonly lines: readonly ChartLine[];
  readonly xTicks: readonly { readonly at: number; readonly label: string }[];
  readonly xWords: (x: number) => string;
  readonly yWords: (value: number) => string;
  /** Unit on the axis. */
  readonly unit: string;
  readonly height?: number;
  /** The scale begins at 0 instead of at the least value. */
  readonly fromZero?: boolean;
  /** A level to be reached, drawn across. */
  readonly level?: { readonly value: number; readonly label: string } | undefined;
  /** Steps between points instead of slopes. */
  readonly steps?: boolean;
  /** Rows of the table view; every x when not said. */
  readonly tableXs?: readonly number[];
}

const LEFT = 54;
const LABELS = 118;
const MARGIN = 14;
const TOP = 14;
const BOTTOM = 22;
const COLOURS = ['var(--carries)', 'var(--info)', 'var(--doubt)', 'var(--quiet)'];
/** Labels at the lines' ends closer than this are moved apart, px. */
const APART = 15;

/** Line ends moved apart so that their labels do not cover each other; order is kept. */
export function spreadLabels(ys: readonly number[], top: number, bottom: number): number[] {
  const order = ys.map((y, i) => ({ y, i })).sort((a, b) => a.y - b.y);
  const out = [...ys];
  let least = top;
  for (const { y, i } of order) {
    const placed = Math.max(y, least);
    out[i] = placed;
    least = placed + APART;
  }
  let most = bottom;
  for (const { i } of [...order].reverse()) {
    out[i] = Math.min(out[i] ?? 0, most);
    most = (out[i] ?? 0) - APART;
  }
  return out;
}

/** Lines over an axis, labelled at their ends; pointer and arrow keys read values off, and all of it stands in a table too. */
export function LineChart(props: LineChartProps) {
  const {
    title,
    xs,
    lines,
    xTicks,
    xWords,
    yWords,
    unit,
    height = CHART_PX,
    fromZero = false,
    level,
    steps = false,
  } = props;
  const [box, width] = useWidth<HTMLDivElement>(640, 320);
  const svg = useRef<SVGSVGElement>(null);
  const [at, setAt] = useState<number>();
  const [table, setTable] = useState(false);
  const caption = useId();
  // a single line is named by the title
  const right = lines.length > 1 ? LABELS : MARGIN;
  const { x, y, paths, ends } = useMemo(() => {
    const known = lines.flatMap((entry) => entry.values.filter((value) => value !== null));
    const [least = 0, most = 1] = extent([...known, ...(level ? [level.value] : []), ...(fromZero ? [0] : [])]);
    const room = (most - least) * 0.06 || 1;
    const xScale = scaleLinear(extent(xs) as [number, number], [LEFT, width - right]);
    const yScale = scaleLinear([fromZero ? Math.min(0, least) : least - room, most + room], [height - BOTTOM, TOP]);
    const draw = line<number | null>()
      .defined((value) => value !== null)
      .x((_, i) => xScale(xs[i] ?? 0))
      .y((value) => yScale(value ?? 0));
    const drawn = lines.map((entry) => {
      if (!steps) return draw(entry.values) ?? '';
      // a price holds until the next one
      let path = '';
      entry.values.forEach((value, i) => {
        if (value === null) return;
        const before = entry.values[i - 1];
        const [px, py] = [xScale(xs[i] ?? 0).toFixed(1), yScale(value).toFixed(1)];
        path += before === null || before === undefined ? `M${px} ${py}` : `H${px}V${py}`;
      });
      return path;
    });
    const lastYs = lines.map((entry) => yScale(entry.values.findLast((value) => value !== null) ?? least));
    return { x: xScale, y: yScale, paths: drawn, ends: spreadLabels(lastYs, TOP + 4, height - BOTTOM) };
  }, [lines, xs, width, height, fromZero, level, steps, right]);

  const move = (event: PointerEvent<SVGSVGElement>) => {
    const bounds = event.currentTarget.getBoundingClientRect();
    setAt(bisectCenter(xs, x.invert(event.clientX - bounds.left)));
  };
  const key = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -1, ArrowRight: 1, PageUp: -30, PageDown: 30, Home: -Infinity, End: Infinity }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    setAt((now) => Math.max(0, Math.min(xs.length - 1, (now ?? xs.length - 1) + step)));
  };
  const readout =
    at === undefined
      ? undefined
      : `${xWords(xs[at] ?? 0)}: ${lines
          .map((entry) => {
            const value = entry.values[at];
            return `${entry.label} ${value === null || value === undefined ? 'unknown' : yWords(value)}`;
          })
          .join(', ')}`;
  const tableXs = props.tableXs ?? xs;
  return (
    <Box component="figure" ref={box} aria-labelledby={caption} sx={{ minWidth: 0 }}>
      <figcaption id={caption} className="spread small">
        <span className="quiet" aria-live="polite">
          {readout ?? title}
        </span>
        <Box component="span" className="row" sx={{ gap: '10px', flex: 'none' }}>
          <TextButton aria-pressed={table} onClick={() => setTable(!table)}>
            {table ? 'Chart' : 'Table'}
          </TextButton>
          {!table && (
            <>
              <TextButton onClick={() => svg.current && saveSvg(svg.current, title)}>SVG</TextButton>
              <TextButton onClick={() => svg.current && void savePng(svg.current, title)}>PNG</TextButton>
            </>
          )}
        </Box>
      </figcaption>
      {table ? (
        <div
          style={{ maxHeight: height + 40, overflow: 'auto' }}
          tabIndex={0}
          role="region"
          aria-label={`${title}, as a table`}
        >
          <Table>
            <TableHead>
              <TableRow>
                <TableCell scope="col">At</TableCell>
                {lines.map((entry) => (
                  <TableCell align="right" key={entry.id} scope="col">
                    {entry.label}, {unit}
                  </TableCell>
                ))}
              </TableRow>
            </TableHead>
            <TableBody>
              {tableXs.map((value) => {
                const i = xs.indexOf(value);
                return (
                  <TableRow key={value}>
                    <TableCell component="th" scope="row" sx={{ fontWeight: 400 }}>
                      {xWords(value)}
                    </TableCell>
                    {lines.map((entry) => {
                      const cell = entry.values[i];
                      return (
                        <TableCell align="right" key={entry.id}>
                          {cell === null || cell === undefined ? 'unknown' : yWords(cell)}
                        </TableCell>
                      );
                    })}
                  </TableRow>
                );
              })}
            </TableBody>
          </Table>
        </div>
      ) : (
        <svg
          ref={svg}
          className="plot"
          width={width}
          height={height}
          viewBox={`0 0 ${width} ${height}`}
          role="application"
          aria-label={`${title}. Arrow keys read values off.`}
          tabIndex={0}
          onPointerMove={move}
          onPointerLeave={() => setAt(undefined)}
          onKeyDown={key}
          style={{ display: 'block' }}
        >
          {y.ticks(Math.max(2, Math.round(height / 55))).map((tick) => (
            <g key={tick}>
              <line x1={LEFT} x2={width - right} y1={y(tick)} y2={y(tick)} stroke="var(--hair)" />
              <text className="quiettext" x={LEFT - 6} y={y(tick) + 4} textAnchor="end">
                {yWords(tick)}
              </text>
            </g>
          ))}
          <text className="quiettext" x={LEFT} y={TOP - 4}>
            {unit}
          </text>
          {xTicks.map((tick) => (
            <text key={tick.at} className="quiettext" x={x(tick.at)} y={height - 6} textAnchor="middle">
              {tick.label}
            </text>
          ))}
          {level && (
            <g>
              <line
                x1={LEFT}
                x2={width - right}
                y1={y(level.value)}
                y2={y(level.value)}
                stroke="var(--doubt)"
                strokeDasharray="4 3"
              />
              <text x={LEFT + 4} y={y(level.value) - 4} style={{ fill: 'var(--doubt)' }}>
                {level.label}
              </text>
            </g>
          )}
          {lines.map((entry, i) => {
            const colour = COLOURS[i % COLOURS.length] ?? 'var(--ink)';
            return (
              <g key={entry.id}>
                {entry.open && paths[i] && (
                  <path
                    d={`${paths[i]}L${x(xs.at(-1) ?? 0)} ${TOP}L${x(xs[0] ?? 0)} ${TOP}Z`}
                    fill={colour}
                    fillOpacity={0.06}
                    stroke="none"
                  />
                )}
                <path
                  d={paths[i]}
                  fill="none"
                  stroke={colour}
                  strokeWidth={entry.strong ? 2.2 : 1.5}
                  {...(entry.dash ? { strokeDasharray: entry.dash } : {})}
                />
                {lines.length > 1 && (
                  <text
                    x={width - right + 6}
                    y={(ends[i] ?? 0) + 4}
                    style={{ fill: colour, fontWeight: entry.strong ? 650 : 400 }}
                  >
                    {entry.label.length > 18 ? `${entry.label.slice(0, 17)}…` : entry.label}
                  </text>
                )}
              </g>
            );
          })}
          {at !== undefined && (
            <g>
              <line x1={x(xs[at] ?? 0)} x2={x(xs[at] ?? 0)} y1={TOP} y2={height - BOTTOM} stroke="var(--edge)" />
              {lines.map((entry, i) => {
                const value = entry.values[at];
                return value === null || value === undefined ? null : (
                  <circle
                    key={entry.id}
                    cx={x(xs[at] ?? 0)}
                    cy={y(value)}
                    r={3.5}
                    fill={COLOURS[i % COLOURS.length] ?? 'var(--ink)'}
                  />
                );
              })}
            </g>
          )}
        </svg>
      )}
    </Box>
  );
}

/** A copy that stands alone: colours and type as they are on the page now. */
function standalone(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  const style = getComputedStyle(document.documentElement);
  const resolved = (text: string) =>
    text.replace(/var\((--[a-z-]+)\)/g, (_, name: string) => style.getPropertyValue(name).trim());
  const sheet = document.createElementNS('http://www.w3.org/2000/svg', 'style');
  sheet.textContent = resolved(
    'text{font:12px sans-serif;fill:var(--ink)}.quiettext{fill:var(--quiet)}svg{background:var(--paper)}',
  );
  copy.prepend(sheet);
  return resolved(new XMLSerializer().serializeToString(copy));
}

function save(url: string, name: string): void {
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
}

const fileName = (title: string) =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');

function saveSvg(svg: SVGSVGElement, title: string): void {
  const url = URL.createObjectURL(new Blob([standalone(svg)], { type: 'image/svg+xml' }));
  save(url, `${fileName(title)}.svg`);
  URL.revokeObjectURL(url);
}

async function savePng(svg: SVGSVGElement, title: string): Promise<void> {
  const url = URL.createObjectURL(new Blob([standalone(svg)], { type: 'image/svg+xml' }));
  const image = new Image();
  image.src = url;
  await image.decode();
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [image.width * 2, image.height * 2];
  const context = canvas.getContext('2d');
  if (context) {
    context.scale(2, 2);
    context.drawImage(image, 0, 0);
    save(canvas.toDataURL('image/png'), `${fileName(title)}.png`);
  }
  URL.revokeObjectURL(url);
}
