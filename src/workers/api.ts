import type { Brief } from '@/core/model/brief';
import type { Ground } from './loaded';
import type { Goods } from '@/core/model/catalogue';
import type { Machine } from '@/core/model/machine';
import type { ElsewhereResult } from '@/core/versus/elsewhere';
import type { Candidate, Position } from '@/core/search/candidates';
import type { CandidateLine } from '@/core/words/candidateLine';
import type { MemorySheet } from '@/core/search/memorySheet';
import type { CoinSteps, Step } from '@/core/search/coinSteps';
import type { OperatingPoint } from '@/core/search/operatingPoints';
import type { Largest } from '@/core/search/largest';
import type { Remedy } from '@/core/search/remedies';
import type { Turn } from '@/core/search/turning';
import type { Cause } from '@/core/prove/causes';
import type { Failure } from '@/core/prove/failures';
import type { FutureOf } from '@/core/upgrade/future';
import type { Ladder } from '@/core/upgrade/ladder';
import type { AskedSeat, CouldUse } from '@/core/upgrade/givenOn';
import type { MeasureFirst } from '@/core/upgrade/measureFirst';
import type { Planned } from '@/core/upgrade/planned';

/** What a page needs to judge by itself what it is told of. */
interface WithGoods {
  readonly goods: Goods;
}
export type CandidateRow = Candidate & WithGoods;
export type RemedyRow = Remedy & WithGoods;

/** A step up or a saving from a machine. */
export type CoinStep = Step & WithGoods;
export type CoinStepRows = Omit<CoinSteps, 'up' | 'savings'> & {
  readonly up: readonly CoinStep[];
  readonly savings: readonly CoinStep[];
};

export type MemorySheetRows = Omit<MemorySheet, 'paysUpTo'> &
  WithGoods & {
    readonly paysUpTo: string | undefined;
  };

/** What the worker does for the page. Data crosses as plain objects. */
export interface WorkerApi {
  load(ground: Ground): Promise<void>;
  largest(machine: Machine, brief: Brief, task: string): Promise<Largest | undefined>;
  /** Every candidate for a position, ranked, by name and price alone. */
  candidates(machine: Machine, brief: Brief, position: Position): Promise<CandidateLine[]>;
  /** What some of them do, in the order they are asked for. */
  explained(machine: Machine, brief: Brief, position: Position, parts: readonly string[]): Promise<CandidateRow[]>;
  memorySheet(machine: Machine, brief: Brief, position: Position): Promise<MemorySheetRows>;
  remedies(machine: Machine, brief: Brief, findingKey: string): Promise<RemedyRow[]>;
  /** At which values of its missing figures an unproven finding turns. */
  turns(machine: Machine, brief: Brief, findingKey: string): Promise<Turn[]>;
  /** The machine bought in another region, with substitutes for what is not sold there. */
  elsewhere(machine: Machine, brief: Brief, region: string): Promise<ElsewhereResult>;
  operatingPoints(machine: Machine, brief: Brief): Promise<OperatingPoint[]>;
  coinSteps(machine: Machine, brief: Brief): Promise<CoinStepRows>;
  /** How far the board of a machine goes. */
  future(machine: Machine, brief: Brief): Promise<FutureOf[]>;
  /** In which order the parts that one machine has and another has not are best bought. */
  ladder(present: Machine, draft: Machine, brief: Brief): Promise<Ladder>;
  /** A machine's phases over so many years, in the place of the one that is there. */
  planned(machine: Machine, brief: Brief, years: number, present?: Machine): Promise<Planned>;
  /** The cheapest single step with which a task does what is asked once the work has grown so many times. */
  thenMended(machine: Machine, brief: Brief, task: string, times: number): Promise<CoinStep | undefined>;
  /** Other seats that could use items which leave a machine. */
  couldUse(machine: Machine, items: readonly string[], seats: readonly AskedSeat[]): Promise<CouldUse[]>;
  /** What to change or add first in a machine that stands; undefined where nothing helps. */
  firstUpgrade(machine: Machine, brief: Brief): Promise<Step | undefined>;
  /** Mistakes that a machine's parts allow, with what each would show. */
  causes(machine: Machine, brief: Brief): Promise<Cause[]>;
  /** What still works when one thing fails. */
  failures(machine: Machine, brief: Brief): Promise<Failure[]>;
  /** Which short measurements on one machine would narrow the decision for another most. */
  measureFirst(present: Machine, draft: Machine, brief: Brief): Promise<MeasureFirst>;
}
