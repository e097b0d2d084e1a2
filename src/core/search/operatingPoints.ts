import { subjectOf, quickly, type Assessment, type Context } from '../assess';
import type { Brief } from '../model/brief';
import { editMachine, type MachineEdit } from '../model/edits';
import { quietestCurves, withCurves } from '../heat/quiet';
import { limitDraw } from '../heat/state';
import type { Machine, Tuning } from '../model/machine';
import type { Finding } from '../rules/rule';
import { effectOf, outcomeOf } from './effect';

/** A way to set the machine: limits, clocks, fan curves, the memory's profile. */
export interface OperatingPoint {
  readonly id: string;
  readonly kind: 'now' | 'shipped' | 'limit' | 'base' | 'clock' | 'card-clock' | 'standard-memory' | 'quiet';
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
  /** What binds a raised clock, of the highest one that was tried. Whether it is stable nobody knows until it is measured. */
  readonly bound: Bound | undefined;
}

/** What ends the raising of clocks: heat, the supply, the board's phases, or what the part can be set to at all. */
export type Bound = 'heat' | 'supply' | 'phases' | 'own limit';

const LIMITS = [0.8, 0.65] as const;
/** Clocks go up in such steps, to as much as can be set. */
const RAISE_STEP = 0.03;
const RAISE_MOST = 1.18;

/** Settings worth trying on a machine whatever the question: lower limits and quieter or livelier fans. */
export function tuningsToTry({ facts }: Assessment): Tuning[] {
  const { machine, parts, heat, power, region } = facts;
  const now = machine.tuning ?? {};
  const processor = parts.one('processor')?.part;
  const quiet = quietestCurves(parts, heat.setup, power, region.mainsV, limitDraw(parts, heat.atLimit.best.clocks));
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
  const quiet = quietestCurves(parts, heat.setup, power, region.mainsV, limitDraw(parts, heat.atLimit.best.clocks));
  const tuned = (id: string, kind: OperatingPoint['kind'], tuning: Tuning, percent?: number) => ({
    id,
    kind,
    percent,
    edit: { kind: 'tune' as const, tuning },
  });
  const max = processor?.maxPowerW;
  const asked: Asked[] = [
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
  const subject = subjectOf(brief, quickly(context));
  const quick = subject.assess(machine);
  const outcome = outcomeOf(quick);
  const clockNow = heat.atLimit.best.clocks.processor;
  const measured = (point: Asked): { point: OperatingPoint; at: Assessment } => {
    const at = point.edit ? subject.assess(editMachine(machine, point.edit)) : quick;
    const { atLimit, setup } = at.facts.heat;
    const effect = effectOf(outcome, outcomeOf(at));
    const hot = setup.hot.findIndex((part) => part.kind === 'processor');
    const state = atLimit.worst.state.parts[hot];
    const full = processor?.coreGroups?.[0]?.allCoreGHz;
    return {
      at,
      point: {
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
        bound: undefined,
      },
    };
  };
  const points = asked.map((point) => measured(point).point);
  const present = points.find(({ kind }) => kind === 'now');
  return [
    // what is louder, or hotter and no quieter, is not the quietest: then the present setting is
    ...points.filter((point) => point.kind !== 'quiet' || !present || !worseThan(point, present)),
    ...(processor?.unlocked === true ? raised('clock') : []),
    ...(parts.one('graphics') ? raised('card-clock') : []),
  ];

  /** Clocks raised step by step until something binds; the last one tried says what. */
  function raised(kind: 'clock' | 'card-clock'): OperatingPoint[] {
    const steps: OperatingPoint[] = [];
    for (let clock = 1 + RAISE_STEP; ; clock += RAISE_STEP) {
      const factor = Math.round(clock * 100) / 100;
      const tuning = kind === 'clock' ? { ...rest, clock: factor } : { ...now, cardClock: factor };
      const { point, at } = measured(tuned(`${kind}-${factor}`, kind, tuning, Math.round((factor - 1) * 100)));
      const bound = boundOf(kind, factor, at, point) ?? (factor >= RAISE_MOST - 1e-9 ? 'own limit' : undefined);
      steps.push({ ...point, bound });
      if (bound) return steps;
    }
  }
}

type Asked = Pick<OperatingPoint, 'id' | 'kind' | 'percent' | 'edit'>;

/** What keeps a raised clock from being reached or fed. */
function boundOf(
  kind: 'clock' | 'card-clock',
  factor: number,
  { facts }: Assessment,
  { brings }: OperatingPoint,
): Bound | undefined {
  const { clocks } = facts.heat.atLimit.best;
  if ((kind === 'clock' ? clocks.processor : clocks.graphics) < factor - HELD) return 'heat';
  const brought = (rule: string) => brings.some((finding) => finding.rule === rule);
  if (brought('supply-power') || brought('card-power')) return 'supply';
  if (brought('board-power')) return 'phases';
  return brought('cooler-load') || brought('card-load') || brought('case-air') ? 'heat' : undefined;
}

/** Share by which a clock may miss what was asked for before something is said to hold it. */
const HELD = 0.005;
/** dB(A) and K below which two settings are alike. */
const ALIKE = 0.05;

/** Whether a setting is louder than another, or hotter at the same noise, where the other holds its clock as well. */
export const worseThan = (point: OperatingPoint, other: OperatingPoint): boolean =>
  (other.allCores ?? 1) >= (point.allCores ?? 1) - HELD &&
  (point.noiseDbA > other.noiseDbA + ALIKE ||
    (point.noiseDbA > other.noiseDbA - ALIKE && (point.tempC ?? 0) > (other.tempC ?? 0) + ALIKE));
