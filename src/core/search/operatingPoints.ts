import { assess, type Assessment, type Context } from '../assess';
import type { Brief } from '../brief';
import { editMachine, type MachineEdit } from '../edits';
import { quietestCurves, withCurves } from '../heat/quiet';
import type { Machine, Tuning } from '../machine';
import type { Finding } from '../rules/rule';
import { effectOf, outcomeOf } from './effect';

/** A way to set the machine: limits, clocks, fan curves, the memory's profile. */
export interface OperatingPoint {
  readonly id: string;
  readonly kind: 'now' | 'shipped' | 'limit' | 'base' | 'clock' | 'standard-memory' | 'quiet';
  /** % of the maximum, or of the clock, that the name tells. */
  readonly percent: number | undefined;
  readonly edit: MachineEdit | undefined;
  /** All cores at work, as a factor on what the machine does as it is now; undefined when unknown. */
  readonly allCores: number | undefined;
  /** Weighted over the brief's tasks, the same. */
  readonly tasks: number;
  readonly ghz: number | undefined;
  /** °C of the processor, dB(A) and W from the supply with processor and cards at the most they may draw. */
  readonly tempC: number | undefined;
  readonly limitC: number | undefined;
  readonly noiseDbA: number;
  /** Some source of noise is unknown, so that the level is the least. */
  readonly noiseOpen: boolean;
  readonly watts: number;
  /** Findings it brings that are not there now. */
  readonly brings: readonly Finding[];
}

const LIMITS = [0.8, 0.65] as const;
const RAISED = [1.03, 1.06] as const;

/** Settings worth trying on a machine whatever the question: lower limits and quieter or livelier fans. */
export function tuningsToTry({ facts }: Assessment): Tuning[] {
  const { machine, parts, heat, power, region } = facts;
  const now = machine.tuning ?? {};
  const processor = parts.one('processor')?.part;
  const quiet = quietestCurves(parts, heat.setup, power, region.mainsV);
  const full = [{ c: 30, percent: 100 }];
  return [
    ...(quiet ? [withCurves(now, quiet)] : []),
    { ...now, coolerCurve: full },
    { ...now, coolerCurve: full, caseCurve: full },
    ...(processor?.maxPowerW === undefined
      ? []
      : LIMITS.map((share) => ({ ...now, packageW: Math.round((processor.maxPowerW ?? 0) * share) }))),
    ...(parts.one('graphics') ? [{ ...now, cardShare: 0.8 }] : []),
  ];
}

/** The machine as it is, as shipped, with lower limits, raised clocks and quieter fans, each assessed in full. */
export function operatingPoints(
  machine: Machine,
  brief: Brief,
  context: Context,
  before: Assessment,
): OperatingPoint[] {
  const { parts, heat, power, region } = before.facts;
  const processor = parts.one('processor')?.part;
  const now = machine.tuning ?? {};
  const { packageW: _limit, clock: _clock, ...rest } = now;
  const quiet = quietestCurves(parts, heat.setup, power, region.mainsV);
  const tuned = (id: string, kind: OperatingPoint['kind'], tuning: Tuning, percent?: number) => ({
    id,
    kind,
    percent,
    edit: { kind: 'tune' as const, tuning },
  });
  const max = processor?.maxPowerW;
  const asked: Pick<OperatingPoint, 'id' | 'kind' | 'percent' | 'edit'>[] = [
    { id: 'now', kind: 'now', percent: undefined, edit: undefined },
    ...(Object.keys(now).length > 0 ? [tuned('shipped', 'shipped', {})] : []),
    ...(quiet ? [tuned('quiet', 'quiet', withCurves(now, quiet))] : []),
    ...(max === undefined
      ? []
      : LIMITS.map((share) =>
          tuned(`limit-${share}`, 'limit', { ...rest, packageW: Math.round(max * share) }, Math.round(share * 100)),
        )),
    ...(processor?.basePowerW === undefined || max === undefined || processor.basePowerW > max * (LIMITS[1] - 0.05)
      ? []
      : [tuned('base', 'base', { ...rest, packageW: processor.basePowerW })]),
    ...(processor?.unlocked === true
      ? RAISED.map((clock) => tuned(`clock-${clock}`, 'clock', { ...rest, clock }, Math.round((clock - 1) * 100)))
      : []),
    ...((machine.memoryProfile ?? 'on') === 'on' &&
    parts.ofKind('memory').some(({ part }) => part.profileKind !== 'none')
      ? [
          {
            id: 'standard-memory',
            kind: 'standard-memory' as const,
            percent: undefined,
            edit: { kind: 'memory-profile' as const, profile: 'off' as const },
          },
        ]
      : []),
  ];
  const outcome = outcomeOf(before);
  const clockNow = heat.atLimit.best.clocks.processor;
  return asked.map((point): OperatingPoint => {
    const at = point.edit ? assess(editMachine(machine, point.edit), brief, context) : before;
    const { atLimit, setup } = at.facts.heat;
    const effect = effectOf(outcome, outcomeOf(at));
    const hot = setup.hot.findIndex((part) => part.kind === 'processor');
    const state = atLimit.worst.state.parts[hot];
    const full = processor?.coreGroups?.[0]?.allCoreGHz;
    return {
      ...point,
      allCores: state ? atLimit.best.clocks.processor / clockNow : undefined,
      tasks: Math.exp(effect.gain),
      ghz: full === undefined || !state ? undefined : full * atLimit.best.clocks.processor,
      tempC: state?.tempC,
      limitC: state?.limitC,
      noiseDbA: atLimit.noise.dbA,
      noiseOpen: atLimit.noise.missing.length > 0,
      watts: atLimit.watts,
      brings: effect.brought.filter((finding) => finding.level !== 'note'),
    };
  });
}
