import { fromConstant, given, product, quotient, type Derivation } from '../figures/derive';
import { GIB } from '../units/quantity';
import type { ApplicationProfile } from '../model/applications';
import { takePart, teamOf } from './cards';
import { EDIT } from './editConstants';
import type { MachineFacts } from './machineFacts';
import type { Resource } from '../figures/resources';
import type { MissingFigure } from '../figures/missing';
import type { Cards, Demand, ExpandedBase, Holding, Impossible, Sessions } from './stage';

/** A figure of the picture register, which every trade that handles pictures uses. */
export const c = (label: string, name: keyof typeof EDIT): Derivation => fromConstant(label, EDIT[name]);

/** Floating-point work on the cores; without it the figure of the processor that lacks, if there is one. */
export interface CoreArithmetic {
  readonly work?: Derivation;
  readonly missing?: MissingFigure;
}

/** Collects what a task asks for; one object a task keeps the steps of a trade short. */
export class Demands {
  readonly demands: Demand[] = [];
  readonly holdings: Holding[] = [];
  readonly impossible: Impossible[] = [];
  readonly missing: MissingFigure[] = [];
  readonly sessions: Sessions[] = [];

  /** `application` is whose cost against the trade's common case all processor work of the task has. */
  constructor(private readonly application?: ApplicationProfile) {}

  private costing(amount: Derivation, kind: keyof typeof COST_WORDS): Derivation {
    const own = this.application ? ownCost(this.application, kind) : [];
    return own.length === 0 ? amount : product(amount.label, amount.unit, [amount, ...own]);
  }

  need(stage: string, resource: Resource, amount: Derivation, work?: string): void {
    this.demands.push({ stage, resource, amount, ...(work === undefined ? {} : { work }) });
  }

  /** Processor work of a stage: all of it on the cores, its serial share also on the best one. */
  processor(stage: string, common: Derivation, serialShare: Derivation, work?: string): void {
    const amount = this.costing(common, 'cores');
    this.need(stage, 'cpu.parallel', amount, work);
    this.need(stage, 'cpu.serial', product(`${stage}, serial part`, 'Gwork', [amount, serialShare]), work);
  }

  /** Work of one thread: it keeps that thread's core busy too. */
  serial(stage: string, common: Derivation, work?: string): void {
    const amount = this.costing(common, 'oneThread');
    this.need(stage, 'cpu.serial', amount, work);
    this.need(stage, 'cpu.parallel', amount, work);
  }

  /** Arithmetic on the cores: its work, or the figure of the processor without which nobody can tell. */
  arithmetic(stage: string, { work, missing }: CoreArithmetic, serialShare: Derivation, name: string): void {
    if (missing) this.missing.push(missing);
    if (work) this.processor(stage, work, serialShare, name);
  }

  hold(what: Holding['what'], bytes: Derivation): void {
    this.holdings.push({ what, bytes });
  }

  /** What must lie in memory or the task does not run. */
  fit(what: 'memory' | 'graphics memory', bytes: Derivation): void {
    this.holdings.push({ what, bytes, mustFit: true });
  }

  /** What the program itself takes before any work is open. */
  program(application: ApplicationProfile, graphics: boolean): void {
    const own = (gib: number) => given('application', gib * GIB, 'B', 'profile', application.name);
    this.hold('memory', own(application.ownMemoryGiB));
    if (graphics && application.ownGraphicsMemoryGiB > 0)
      this.hold('graphics memory', own(application.ownGraphicsMemoryGiB));
  }

  /** An application that computes on the card needs one of its compute stacks there. */
  stacks(application: ApplicationProfile, facts: MachineFacts): void {
    const wants = application.computeStacks;
    if (application.effects !== 'graphics' || wants.length === 0) return;
    if (facts.stacks === undefined) this.missing.push(...facts.stacksMissing);
    else if (!wants.some((stack) => facts.stacks?.includes(stack)))
      this.impossible.push({ code: 'no-compute-stack', application: application.name, wants });
  }

  /** Cards that take part, each of which holds all that the task holds in graphics memory. */
  team(application: ApplicationProfile, facts: MachineFacts): Cards {
    const held = this.holdings.reduce(
      (all, { what, bytes }) => (what === 'graphics memory' ? all + bytes.value : all),
      0,
    );
    return teamOf(
      application,
      takePart(this, application, facts, () => held),
    );
  }

  /** What every expanded task carries of this. */
  collected(): Pick<ExpandedBase, 'demands' | 'holdings' | 'impossible' | 'missing' | 'sessions'> {
    return {
      demands: this.demands,
      holdings: this.holdings,
      impossible: this.impossible,
      missing: this.missing,
      sessions: this.sessions,
    };
  }
}

/** A number that is what it is: a definition, a count, a share that follows from counts. */
export const defined = (label: string, value: number, unit = ''): Derivation =>
  given(label, value, unit, 'standard', 'definition');

/** Figures of one task, as its brief gives them. */
export const briefOf =
  ({ name }: { readonly name: string }) =>
  (label: string, value: number, unit = ''): Derivation =>
    given(label, value, unit, 'brief', name);

/** Seconds of a target that is told in minutes or hours. */
export const within = (value: number | undefined, secondsEach: 60 | 3600): number | undefined =>
  value === undefined ? undefined : value * secondsEach;

export const gwork = (label: string, clocks: readonly Derivation[]): Derivation =>
  quotient(label, 'Gwork', [
    product(label, 'clocks', clocks),
    given('clocks a Gwork', 1e9, '', 'standard', 'definition'),
  ]);

/** FLOP as peak FLOP: what a card must offer on paper to do this much. */
export const achievedFlop = (label: string, factors: readonly Derivation[]): Derivation =>
  quotient(`${label}, in peak FLOP`, 'FLOP', [
    product(label, 'FLOP', factors),
    c('share of peak reached', 'achievedFp32'),
  ]);

export const achievedTraffic = (label: string, factors: readonly Derivation[]): Derivation =>
  quotient(`${label}, in peak bytes`, 'B', [
    product(label, 'B', factors),
    c('share of peak reached', 'achievedTraffic'),
  ]);

/** Bytes of a stream at a bit rate that one frame of it takes. */
export const bytesAFrame = (label: string, bits: Derivation, fps: Derivation): Derivation =>
  quotient(label, 'B', [bits, given('bits a byte', 8, 'bit/B', 'standard', 'definition'), fps]);

const COST_WORDS = {
  oneThread: 'one-thread work of the application',
  cores: 'work on all cores of the application',
  graphics: 'graphics work of the application',
} as const;

/** What an application makes of its trade's common case, as a factor to multiply with; nothing where it is not known to differ. */
export function ownCost({ costs, name }: ApplicationProfile, kind: keyof typeof COST_WORDS): Derivation[] {
  const factor = costs?.[kind];
  return factor === undefined ? [] : [given(COST_WORDS[kind], factor, '×', 'profile', name)];
}
