import type { About } from './topics';
import type { Calibration } from '../evidence/calibration';
import type { KeptByRole } from '../predict/kept';
import type { Board } from '../board/compile';
import type { Device } from '../board/fit';
import type { PlacementProblem } from '../board/problem';
import type { Placement } from '../board/placement';
import type { Brief } from '../model/brief';
import type { Catalogue } from '../model/catalogue';
import { fullName, type AnyFitted, type FittedParts } from '../model/fitted';
import type { Machine } from '../model/machine';
import type { MemoryState } from '../memory/population';
import type { MachinePrice } from '../money/landed';
import type { Spent } from '../money/spent';
import type { BuyPolicy } from '../money/policy';
import type { Part, PartKind } from '../parts';
import type { PowerState } from '../power/draw';
import type { SittingResult } from '../predict/results';
import type { Supply } from '../predict/supply';
import type { HeatState } from '../heat/state';
import type { Region } from '../model/catalogueSchema';
import type { Scene } from '../clearance/scene';
import type { HeatFigures } from './heat/figures';
import type { HousingFigures } from './housing/figures';
import type { MemoryFigures } from './memory/figures';
import type { PartFigures } from './parts/figures';
import type { PlatformFigures } from './platform/figures';
import type { PortFigures } from './ports/figures';
import type { PowerFigures } from './power/figures';
import type { PriceFigures } from './prices/figures';
import type { SlotFigures } from './slots/figures';
import type { SurplusFigures } from './surplus/figures';
import type { WorkFigures } from './work/figures';
import type { Settings } from '../model/settings';
import type { MissingFigure } from '../figures/missing';

/**
 * Worst first; `passes` is what the list of passed rules shows. `blocks` is said of parts, `stops` (does not run) and
 * `short` (falls short even at its best) of the work.
 */
export const LEVELS = ['blocks', 'stops', 'short', 'unproven', 'caution', 'note', 'passes'] as const;
export type Level = (typeof LEVELS)[number];
export const levelRank = (level: Level): number => LEVELS.indexOf(level);

/** Parts that do not belong together and work that is not done weigh the same: a machine may have neither. */
const WEIGHT: Readonly<Record<Level, number>> = {
  blocks: 0,
  stops: 0,
  short: 0,
  unproven: 1,
  caution: 2,
  note: 3,
  passes: 4,
};
/** How bad a level is, 0 is worst; levels that weigh the same have the same number. */
export const severity = (level: Level): number => WEIGHT[level];
/** Levels with which a machine cannot be ordered. */
export const failing = (level: Level): boolean => WEIGHT[level] === 0;

/** What a comparison found, as figures without words; `core/words` says each of them in one place. */
export type Figures =
  | SlotFigures
  | MemoryFigures
  | HousingFigures
  | PlatformFigures
  | PortFigures
  | WorkFigures
  | SurplusFigures
  | HeatFigures
  | PowerFigures
  | PriceFigures
  | PartFigures;

/** What a rule says of one comparison. */
export type Said = Figures & {
  readonly level: Level;
  /** Items of the machine that the comparison is about. */
  readonly items: readonly string[];
  /** Kinds of part that could mend it by being added. */
  readonly adds?: readonly PartKind[];
  /** What it is about where its items do not tell: a task, a connector, one of several comparisons of the same part. */
  readonly subject?: string;
};

/** What was said, with who said it. */
export type Check = Said & {
  readonly rule: string;
  /** Identity across what-ifs: the same rule, the same comparison of the same things. */
  readonly key: string;
};

/** A check that did not pass. */
export type Finding = Check & { readonly level: Exclude<Level, 'passes'> };
export const isFinding = (check: Check): check is Finding => check.level !== 'passes';

/** How many findings there are of each level. */
export function countByLevel(findings: readonly Pick<Check, 'level'>[]): Readonly<Record<Level, number>> {
  const counts: Record<Level, number> = { blocks: 0, stops: 0, short: 0, unproven: 0, caution: 0, note: 0, passes: 0 };
  for (const { level } of findings) counts[level]++;
  return counts;
}

/**
 * What a rule says about a machine, each comparison with the rule that made it and its identity. They are written into what
 * the rule has made for this answer and gives to nobody else: copying each took a twentieth of an assessment.
 */
export function ask(rule: Rule, facts: Facts): readonly Check[] {
  const checks = rule.check(facts) as readonly Stamped[];
  for (const check of checks) {
    check.rule = rule.id;
    check.key = `${rule.id} ${check.code} ${check.subject ?? check.items.join()}`;
  }
  return checks;
}
type Stamped = Said & { rule: string; key: string };

/** Everything a rule may look at. Nothing here is computed by a rule. */
export interface Facts {
  readonly machine: Machine;
  readonly brief: Brief;
  readonly catalogue: Catalogue;
  readonly parts: FittedParts;
  readonly memory: MemoryState;
  readonly board: Board | undefined;
  readonly devices: readonly Device[];
  readonly placement: Placement | undefined;
  /** What the placement answers; undefined without a board whose wiring is known. */
  readonly problem: PlacementProblem | undefined;
  /** What measurements of this machine and of ones like it teach its predictions. */
  readonly calibration: Calibration;
  /** What the work keeps on drives of each role. */
  readonly kept: KeptByRole;
  readonly sittings: readonly SittingResult[];
  readonly supply: Supply;
  readonly power: PowerState;
  readonly heat: HeatState;
  /** Parts as boxes in the case; undefined without a case and a board. */
  readonly scene: Scene | undefined;
  readonly region: Region;
  readonly price: MachinePrice;
  /** What the machine comes to as it would be bought; worked out when it is asked for. */
  readonly spent: () => Spent;
  /** Which offers may be bought for this brief. */
  readonly policy: BuyPolicy;
  readonly today: string;
  readonly settings: Settings;
}

/** Facts with some others in their place: of what was worked out of the first ones nothing is worked out anew. */
export const factsBut = <K extends keyof Facts>(facts: Facts, others: Pick<Facts, K>): Facts =>
  Object.create(facts, Object.getOwnPropertyDescriptors(others)) as Facts;

/**
 * What a rule looks at: parts of a kind, or what is derived from several. A swap can only change what a rule says when
 * it changes something the rule reads.
 */
export type Reading =
  | PartKind
  | 'any part'
  | 'memory state'
  | 'wiring'
  | 'what is kept'
  | 'sittings'
  | 'power'
  | 'heat'
  | 'geometry'
  | 'price';

export type AnyFittedById = ReadonlyMap<string, AnyFitted>;

/** Ways of mending a fault without another part of the same kind. */
export type Way =
  | 'another slot'
  | 'standing upright'
  | 'another side'
  | 'air and limits'
  | 'a fan'
  | 'two fans'
  | 'data cables'
  | 'leaving out all'
  | 'profile off'
  | 'newer firmware'
  | 'role of the system';

/** One question about a machine. `check` returns nothing when the question does not arise. */
export interface Rule {
  readonly id: string;
  readonly reads: readonly Reading[];
  /** Reads which part it is (its id, dates, price, lists that name it), not only its figures; then nothing derived. */
  readonly byIdentity?: true;
  /** Figures that it reads of parts of these kinds, beside what they are for; of the others it may read all. */
  readonly figures?: Readonly<Partial<Record<PartKind, readonly string[]>>>;
  readonly levels: readonly Exclude<Level, 'passes'>[];
  /** Ways of mending what it finds besides other parts and additions, each worth a trial. */
  readonly mendedBy?: readonly Way[];
  /**
   * Says that it finds too much of something, which is freed at no loss; whether a part is less of it than another, as
   * its advice says.
   */
  readonly saves?: (said: Said, from: Part, to: Part) => boolean;
  readonly check: (facts: Facts) => readonly Said[];
}

/** The answer when figures are missing: unproven, naming each figure. */
export const unknown = (about: About, ...missing: readonly (readonly [AnyFitted, string])[]): Said =>
  unknownFigures(
    about,
    missing.map(([{ item, part }, field]) => ({ item: item.id, part: part.id, field })),
  );

export const unknownFigures = (about: About, missing: readonly MissingFigure[]): Said => ({
  level: 'unproven',
  code: 'unknown-figure',
  about,
  subject: `${typeof about === 'string' ? about : about.join(' ')} ${figuresIn(missing)}`,
  items: [...new Set(missing.map(({ item }) => item))],
  missing,
});

/** Missing figures as part of a subject; another part that lacks the same leaves the same open. */
export const figuresIn = (missing: readonly MissingFigure[]): string =>
  missing.map(({ item, field }) => `${item}.${field}`).join();

export const idsOf = (...fitted: readonly AnyFitted[]): string[] => fitted.map(({ item }) => item.id);
export const nameOf = ({ part }: AnyFitted): string => fullName(part);
