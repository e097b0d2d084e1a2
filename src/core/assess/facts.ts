import { devicesOf } from '../board/devices';
import type { Board } from '../board/compile';
import type { Device } from '../board/fit';
import type { Placement } from '../board/placement';
import type { PlacementProblem } from '../board/problem';
import { sceneOf, type Scene } from '../clearance/scene';
import { calibrated, calibrationOf } from '../evidence/calibrate';
import type { Calibration } from '../evidence/calibration';
import { comparableTo } from '../evidence/comparable';
import { heatOf, type HeatAnswer, type HeatState, type SettledSitting } from '../heat/state';
import { populate, type MemoryState } from '../memory/population';
import type { Brief } from '../model/brief';
import type { Catalogue } from '../model/catalogue';
import type { Region } from '../model/catalogueSchema';
import { fitParts, type FittedParts } from '../model/fitted';
import type { Machine } from '../model/machine';
import { inPhase } from '../model/phases';
import type { Settings } from '../model/settings';
import type { Task } from '../model/tasks';
import { priceMachine, type MachinePrice } from '../money/landed';
import { pageBasket } from '../money/pageBasket';
import type { BuyPolicy } from '../money/policy';
import { boughtApart, spentOf, type Spent } from '../money/spent';
import type { PartOf } from '../parts';
import { drawOf, type PowerState } from '../power/draw';
import { clocksSet } from '../predict/clocks';
import { keptByRole, type KeptByRole } from '../predict/kept';
import type { SittingResult } from '../predict/results';
import { supplyOf, type Supply } from '../predict/supply';
import type { Facts } from '../rules/rule';
import { expand } from '../work';
import { drivesThere } from '../work/flowEnds';
import { joinedTo } from '../work/joined';
import type { Context } from './context';
import { sameData, type Keep } from './keep';
import {
  bareBoardOf,
  factsForTrades,
  markTwins,
  placementFor,
  problemOf,
  realTimeFlows,
  runnersOf,
  sittingsOf,
  type RunnableSitting,
} from './stages';
import type { Views } from './view';

/** What all machines that one brief is asked about share. */
export interface Ground {
  readonly brief: Brief;
  readonly context: Context;
  readonly region: Region;
  readonly policy: BuyPolicy;
  /** Which of unlike cards suits the work best. */
  readonly prefers: ((card: PartOf<'graphics'>) => number) | undefined;
  /** The brief's tasks, with what their stages are called. */
  readonly tasks: readonly { readonly task: Task; readonly expanded: string; readonly taught: string }[];
  readonly keep: Keep;
  readonly views: Views;
}

/** What is not asked for yet, where the answer may be that there is none. */
const OPEN = Symbol('open');
type Open = typeof OPEN;

/**
 * The chain of stages of one machine: each runs when its result is first asked for, and then stands. Tens of thousands
 * of machines are asked for one fact each, so a machine costs no more than its parts until then: what is worked out
 * hangs on the class, and a spread (`{...facts}`) would lose it. What is to differ is said to `factsBut`.
 */
export class StagedFacts implements Facts {
  readonly machine: Machine;
  readonly parts: FittedParts;
  private readonly ground: Ground;
  private wiredParts: FittedParts | undefined = undefined;
  private builtParts: FittedParts | undefined = undefined;
  private memoryState: MemoryState | undefined = undefined;
  private boardAlone: Board | undefined | Open = OPEN;
  private supplyUnplaced: Supply | undefined = undefined;
  private taught: Calibration | undefined = undefined;
  private runnable: readonly RunnableSitting[] | undefined = undefined;
  private flowsInSittings: ReturnType<typeof realTimeFlows>[] | undefined = undefined;
  private keptOnDrives: KeptByRole | undefined = undefined;
  private slotted: readonly Device[] | undefined = undefined;
  private asked: PlacementProblem | undefined | Open = OPEN;
  private placed: Placement | undefined | Open = OPEN;
  private supplied: Supply | undefined = undefined;
  private running: ReturnType<typeof runnersOf> | undefined = undefined;
  private heated: HeatAnswer | undefined = undefined;
  private drawn: PowerState | undefined = undefined;
  private boxes: Scene | undefined | Open = OPEN;
  private priced: MachinePrice | undefined = undefined;
  private basket: Spent | undefined = undefined;

  constructor(ground: Ground, whole: Machine) {
    this.ground = ground;
    this.machine = inPhase(whole, 'now');
    this.parts = ground.views.whole(fitParts(this.machine, ground.context.catalogue, ground.prefers));
  }

  get brief(): Brief {
    return this.ground.brief;
  }
  get catalogue(): Catalogue {
    return this.ground.context.catalogue;
  }
  get region(): Region {
    return this.ground.region;
  }
  get policy(): BuyPolicy {
    return this.ground.policy;
  }
  get today(): string {
    return this.ground.context.today;
  }
  get settings(): Settings {
    return this.ground.context.settings;
  }

  private get wired(): FittedParts {
    return (this.wiredParts ??= this.ground.views.of(this.parts, 'wired'));
  }

  private get built(): FittedParts {
    return (this.builtParts ??= this.ground.views.of(this.parts, 'built'));
  }

  get memory(): MemoryState {
    const { keep, views } = this.ground;
    const { memoryProfile = 'on', moduleSlots } = this.machine;
    return (this.memoryState ??= keep(
      'memory',
      [views.of(this.parts, 'seated'), memoryProfile, moduleSlots],
      populate,
    ));
  }

  private get bareBoard(): Board | undefined {
    if (this.boardAlone === OPEN)
      this.boardAlone = this.ground.keep('board', [this.ground.views.of(this.parts, 'bare')], bareBoardOf);
    return this.boardAlone;
  }

  private get unplacedSupply(): Supply {
    return (this.supplyUnplaced ??= this.ground.keep(
      'supply before placement',
      [this.wired, this.memory, this.bareBoard, undefined],
      supplyOf,
    ));
  }

  get calibration(): Calibration {
    const { measured, catalogue } = this.ground.context;
    return (this.taught ??= this.ground.keep(
      'calibration',
      [this.wired, this.memory, this.unplacedSupply, this.machine.id, this.machine.evidence],
      (parts, memory, supply, id, evidence) =>
        calibrationOf(comparableTo({ id, evidence }, parts, measured, catalogue), { supply, facts: { parts, memory } }),
    ));
  }

  private get expanded(): readonly RunnableSitting[] {
    const { keep, views, brief, tasks } = this.ground;
    if (this.runnable) return this.runnable;
    const drives = keep('drives there', [views.of(this.parts, 'stored')], drivesThere, sameData);
    const joined = keep('joined', [views.of(this.parts, 'joined')], joinedTo, sameData);
    const computes = views.of(this.parts, 'computes');
    const trades = keep('facts', [computes, this.memory.bytes, this.catalogue, drives, joined], factsForTrades);
    const taught = tasks.map(({ task, expanded, taught }) =>
      keep(taught, [keep(expanded, [task, trades], expand), this.calibration], calibrated),
    );
    return (this.runnable = keep('sittings', taught, (...taught) => sittingsOf(brief, taught)));
  }

  get kept(): KeptByRole {
    return (this.keptOnDrives ??= this.ground.keep('kept', [this.expanded], keptByRole));
  }

  private get flows(): ReturnType<typeof realTimeFlows>[] {
    return (this.flowsInSittings ??= this.ground.keep(
      'flows',
      [this.expanded, this.unplacedSupply],
      (sittings, supply) => sittings.map(({ tasks }) => realTimeFlows(tasks, supply)),
      sameData,
    ));
  }

  get devices(): readonly Device[] {
    const { keep, views } = this.ground;
    return (this.slotted ??= keep('devices', [views.of(this.parts, 'slotted'), this.flows], (slotted, flows) =>
      markTwins(devicesOf(slotted), flows),
    ));
  }

  get problem(): PlacementProblem | undefined {
    if (this.asked !== OPEN) return this.asked;
    const board = this.bareBoard;
    const caseRows = this.parts.one('case')?.part.expansionSlots;
    return (this.asked =
      board && this.ground.keep('problem', [board, this.devices, this.machine.pins, caseRows, this.flows], problemOf));
  }

  get placement(): Placement | undefined {
    if (this.placed !== OPEN) return this.placed;
    const asked = this.problem;
    return (this.placed = asked && this.ground.keep('placement', [asked, this.ground.context], placementFor));
  }

  get board(): Board | undefined {
    return this.placement?.board ?? this.bareBoard;
  }

  get supply(): Supply {
    return (this.supplied ??= this.ground.keep(
      'supply',
      [this.wired, this.memory, this.board, this.placement, this.calibration.rates],
      supplyOf,
    ));
  }

  private get runners(): ReturnType<typeof runnersOf> {
    return (this.running ??= this.ground.keep(
      'runners',
      [this.expanded, this.supply, this.board, this.placement],
      runnersOf,
    ));
  }

  private get answer(): HeatAnswer {
    const { keep, brief, region } = this.ground;
    return (this.heated ??= keep(
      'heat',
      [this.machine.tuning, this.built, brief, region.mainsV, this.runners],
      heatOf,
    ));
  }

  get sittings(): readonly SittingResult[] {
    return this.answer.results;
  }

  get heat(): HeatState {
    return this.answer.heat;
  }

  get power(): PowerState {
    const { results, drawn } = this.answer;
    return (this.drawn ??= this.ground.keep('power', [this.built, results, drawn, this.machine.tuning], drawOf));
  }

  get scene(): Scene | undefined {
    if (this.boxes === OPEN) this.boxes = this.ground.keep('scene', [this.built, this.memory, this.placement], sceneOf);
    return this.boxes;
  }

  get price(): MachinePrice {
    const { keep, region, policy } = this.ground;
    return (this.priced ??= keep('price', [this.parts, this.catalogue, region, policy], priceMachine));
  }

  readonly spent = (): Spent => {
    const { context, brief, region, policy } = this.ground;
    const { price, parts, machine } = this;
    return (this.basket ??= spentOf(
      context.quick ? boughtApart(price) : pageBasket(price, parts, context.catalogue, region, policy),
      { machine, parts, brief },
    ));
  };

  /** Its sittings at the clocks it is set to, whatever its heat. */
  cold(): readonly SittingResult[] {
    return this.runners.map((run) => run(clocksSet(this.machine.tuning)));
  }

  /** Its sittings with their heat, each worked out when it is asked for. */
  settled(): readonly (() => SettledSitting)[] {
    return this.answer.sittings;
  }
}
