import type { Assessment } from '@/core/assess';
import type { CableWay } from '@/core/assemble/cableWays';
import type { Planned } from '@/core/assemble/steps';
import type { Solid } from '@/core/clearance/scene';
import type { Machine } from '@/core/model/machine';

const WIDTH = 372;
const PAD = 6;
/** px that it takes of the step's pane, beside which words must be read. */
const HIGHEST = 250;

export interface PlaceViewProps {
  readonly step: Planned;
  readonly steps: readonly Planned[];
  readonly done: Machine['assembly'];
  readonly assessment: Assessment;
  readonly ways: ReadonlyMap<string, CableWay>;
}

/** Where a step happens: the case from its open side, what is built in, and the place of this step. Nothing without a scene. */
export function PlaceView({ step, steps, done, assessment, ways }: PlaceViewProps) {
  const { scene } = assessment.facts;
  if (!scene || scene.solids.length === 0) return null;
  const built = new Set(steps.flatMap((each) => (done?.[each.id] === undefined ? [] : each.mounts)));
  const way = ways.get(step.id);
  const here = placesOf(step, scene.solids);
  if (here.length === 0 && !way) return null;
  const scale = (WIDTH - 2 * PAD) / scene.lengthMm;
  const height = scene.heightMm * scale + 2 * PAD;
  const box = ({ x, y }: Solid) => ({
    x: PAD + x[0] * scale,
    y: PAD + y[0] * scale,
    width: Math.max(2, (x[1] - x[0]) * scale),
    height: Math.max(2, (y[1] - y[0]) * scale),
  });
  const order = [...scene.solids].filter(({ kind }) => kind !== 'cables').sort((a, b) => a.z[1] - b.z[1]);
  return (
    <svg
      width="100%"
      height={Math.min(HIGHEST, height)}
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="img"
      aria-label="The case from its open side, the place of this step filled"
    >
      <rect
        x={PAD}
        y={PAD}
        width={scene.lengthMm * scale}
        height={scene.heightMm * scale}
        fill="var(--paper)"
        stroke="var(--edge)"
      />
      {order.map((solid) => (
        <rect
          key={solid.id}
          {...box(solid)}
          fill={built.has(solid.item) ? 'var(--sunk)' : 'none'}
          stroke="var(--edge)"
          strokeDasharray={built.has(solid.item) ? undefined : '3 3'}
        />
      ))}
      {here.map((solid) => (
        <rect
          key={`${solid.id} here`}
          {...box(solid)}
          fill={way ? 'none' : 'var(--carries-soft)'}
          stroke="var(--carries)"
          strokeWidth={2}
        />
      ))}
      {way && <WayMark way={way} at={([x, y]) => [PAD + x * scale, PAD + y * scale]} />}
    </svg>
  );
}

/** A cable's way, dashed where it runs behind the board, and its plug. */
function WayMark({
  way,
  at,
}: {
  way: CableWay;
  at: (corner: CableWay['corners'][number]) => readonly [x: number, y: number];
}) {
  const corners = way.corners.map(at);
  const plug = corners[corners.length - 1];
  return (
    <g stroke="var(--carries)" strokeWidth={2} fill="none">
      {corners.length > 1 && (
        <polyline
          points={corners.map((corner) => corner.join(',')).join(' ')}
          strokeDasharray={way.side === 'behind' ? '6 4' : undefined}
        />
      )}
      {plug && <circle cx={plug[0]} cy={plug[1]} r={5} fill="var(--paper)" />}
    </g>
  );
}

/** Boxes that a step is about: one slot's module, a radiator without its block, else all of the part. */
function placesOf(step: Planned, solids: readonly Solid[]): readonly Solid[] {
  const items = step.mounts.length > 0 ? step.mounts : step.about === undefined ? [] : [step.about];
  const all = solids.filter(({ item }) => items.includes(item));
  if (step.code === 'module') {
    const slot = step.id.replace('module ', '');
    const one = all.filter(({ id }) => id.endsWith(` ${slot}`));
    return one.length > 0 ? one : all;
  }
  if (step.code === 'radiator') return all.filter(({ kind }) => kind === 'radiator' || kind === 'fan');
  if (step.code === 'cooler') return all.filter(({ kind }) => kind === 'cooler');
  if (step.code === 'processor' || step.code === 'cooler-kit') return solids.filter(({ kind }) => kind === 'cooler');
  return all;
}
