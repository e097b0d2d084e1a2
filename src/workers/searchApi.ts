import type { Brief } from '@/core/model/brief';
import type { Machine } from '@/core/model/machine';
import type { Clash } from '@/core/search/exact/clash';
import type { DemandCost } from '@/core/search/exact/costs';
import type { Limits } from '@/core/search/exact/limits';
import type { End } from '@/core/search/exact/question';
import type { PartCase } from '@/core/search/exact/partCase';
import type { Effort } from '@/core/search/exact/ended';
import type { FoundMachine } from '@/core/search/exact/judge';
import type { Side, TwoMachines } from '@/core/search/exact/twoMachines';
import type { SeatPoints } from '@/core/search/exact/teamSearch';
import type { Goods } from '@/core/model/catalogue';
import type { Shelf } from '@/core/search/spares';
import type { Together } from '@/core/versus/boughtTogether';
import type { FoundWords } from '@/core/words/found';
import type { NearWords, StepsTold } from '@/core/words/near';
import type { StabilityWords } from '@/core/words/stability';
import type { CoreWords } from '@/core/words/upgrade';
import type { Ground } from './loaded';

/** Kinds of questions, of each of which one is answered: what is asked last first, and what was under way after it. */
export type Asked =
  'find' | 'costs' | 'partCase' | 'stability' | 'two' | 'cores' | 'steps' | 'repair' | 'team' | 'spares';

/** What is asked of the search. */
export interface Ask {
  readonly brief: Brief;
  readonly at: End;
  /** A draft that is completed: what is in it stays, and how it is set. */
  readonly from?: Machine;
  /** Machines that are to be matched: what each task of theirs makes is the least that is asked. */
  readonly match?: Machine;
  readonly limits: Limits;
  /** What may be spent, landed; the brief's budget when it is not stated. */
  readonly mostMinor?: number;
  /** A part whose case is asked for. */
  readonly part?: string;
  /** Nobody waits for the answer yet: it is worked out after all that was asked, and beside a frontier. */
  readonly ahead?: boolean;
}

/** One of the questions that are answered together. */
export interface Line {
  readonly state: 'waiting' | 'searching' | 'proven' | 'none' | 'stopped';
  readonly found: FoundWords | undefined;
  /** Nothing costs less, of what is looked for. */
  readonly atLeastMinor: number | undefined;
}

/** Where the search stands: told as it goes, and once more at its end. */
export interface Report {
  readonly cheapest: Line;
  readonly best: Line;
  /** Points of the frontier that are proven, the cheapest first. */
  readonly points: readonly FoundWords[];
  readonly frontier: Line['state'];
  readonly mostMinor: number | undefined;
  readonly effort: Effort;
  readonly seconds: number;
  /** Set when no machine is possible. */
  readonly clash: Clash | undefined;
  /** Whether it waits for something that was asked after it. */
  readonly waits: boolean;
  readonly done: boolean;
}

/** How far an answer is: told with each, as it goes and once more at its end. */
export interface Told {
  /** What waits goes on when what was asked after it is answered. */
  readonly state: 'searching' | 'waiting' | 'proven' | 'none' | 'stopped';
  readonly effort: Effort;
  readonly seconds: number;
  readonly done: boolean;
}

/** What each demand costs, as far as it is known: told as it goes, and once more at its end. */
export interface CostsReport extends Told {
  /** Price of the cheapest machine that meets all demands; undefined as long as it is not known, or when there is none. */
  readonly cheapestMinor: number | undefined;
  readonly demands: readonly DemandCost[];
  /** How many there are. */
  readonly count: number;
}

/** What speaks for a part and against it: told as it goes, and once more at its end. */
export interface PartReport extends Omit<PartCase, 'having' | 'lacking'>, Told {
  readonly having: FoundWords | undefined;
  readonly lacking: FoundWords | undefined;
}

/** What would make another machine the choice: told as it goes, and once more at its end. */
export interface StabilityReport extends Told {
  /** Undefined as long as the choice is not known, or when there is none. */
  readonly words: StabilityWords | undefined;
}

/** The cores that the machine that is there could have: told as they become known, and once more at the end. */
export interface CoresReport extends Told {
  readonly cores: readonly CoreWords[];
  readonly open: number;
}

/** One of two machines, as it is told. */
export interface SideReport extends Omit<Side, 'found'> {
  readonly found: FoundWords;
}

/** One machine for all sittings beside two that share them: told as it goes, and once more at its end. */
export interface TwoReport extends Omit<TwoMachines, 'two'>, Told {
  readonly two: readonly [SideReport, SideReport] | undefined;
}

/** What is near a draft: told as it goes, and once more at its end. */
export interface StepsReport extends StepsTold, Told {
  /** The draft as it stands; undefined when it has to be mended first. */
  readonly start: Pick<FoundWords, 'priceMinor' | 'rank'> | undefined;
  /** Changes together up to which all was asked. */
  readonly within: number;
  readonly mostMinor: number;
}

/** How a draft is mended: told as it goes, and once more at its end. */
export interface RepairReport extends Told {
  readonly sound: boolean;
  readonly fewest: NearWords | undefined;
  readonly least: NearWords | undefined;
}

/** The seats that one budget is shared over. */
export interface TeamAsk {
  readonly seats: readonly { readonly id: string; readonly brief: Brief }[];
  /** Up to this machines are looked for: the budget and what more is told of; landed. */
  readonly mostMinor: number;
}

/** The machines that are known of each seat: told as it goes, and once more at its end. */
export interface TeamReport extends Told {
  readonly seats: readonly {
    readonly id: string;
    readonly state: SeatPoints['state'];
    readonly points: readonly FoundMachine[];
  }[];
}

/** Told of an answer as it goes; whoever tells the last of it waits until it has arrived. */
export type Tell<R> = (report: R) => void | Promise<void>;

/** What the searching worker does for the page. */
export interface SearchApi {
  load(ground: Ground): Promise<void>;
  /** Answers all questions about a brief, telling how far it is; `stop` or asking it anew ends it with what it has. */
  find(ask: Ask, tell: Tell<Report>): Promise<void>;
  /** Lets each demand of a brief go, and asks for a step more of it; ended as `find` is. */
  costs(ask: Ask, tell: Tell<CostsReport>): Promise<void>;
  /** Holds the best machine with a part against the best without it; ended as `find` is. */
  partCase(ask: Ask, tell: Tell<PartReport>): Promise<void>;
  /** How sure the cheapest machine is the right one; ended as `find` is. */
  stability(ask: Ask, tell: Tell<StabilityReport>): Promise<void>;
  /** Shares the sittings of a brief between two machines; ended as `find` is. */
  two(ask: Ask, tell: Tell<TwoReport>): Promise<void>;
  /** Processor, board and memory of each socket in the machine `from`; ended as `find` is. */
  cores(ask: Ask, tell: Tell<CoresReport>): Promise<void>;
  /** Steps of several parts at once around the draft `from`; ended as `find` is. */
  steps(ask: Ask, tell: Tell<StepsReport>): Promise<void>;
  /** The cheapest machine of each of some seats; ended as `find` is. */
  teamFirst(ask: Pick<TeamAsk, 'seats'>, tell: Tell<TeamReport>): Promise<void>;
  /** Machines of several seats that a budget may be shared over; ended as `find` is. */
  team(ask: TeamAsk, tell: Tell<TeamReport>): Promise<void>;
  /** What machines of several seats come to in one basket; undefined when something has no price. */
  together(machines: readonly { readonly brief: Brief; readonly machine: Machine }[]): Promise<Together | undefined>;
  /** Which spares stand in for the pieces of machines of several seats at least cost; undefined when it was ended. */
  spares(machines: readonly { readonly brief: Brief; readonly machine: Machine }[]): Promise<Shelf[] | undefined>;
  /** Mends the draft `from`; ended as `find` is. */
  repair(ask: Ask, tell: Tell<RepairReport>): Promise<void>;
  /** Somebody waits now for what was asked of a kind ahead. */
  hasten(what: Asked): Promise<void>;
  /** Ends what was asked of a kind, with what is known; everything where no kind is named. */
  stop(what?: Asked): Promise<void>;
  /** What a page that does not know the parts of a machine yet needs to judge it. */
  goods(machine: Machine, region: string): Promise<Goods>;
}
