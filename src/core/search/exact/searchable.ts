import { freshSubject, quickly, type Context, type Subject } from '../../assess';
import type { Brief } from '../../model/brief';
import type { Region } from '../../model/offers';
import { buyPolicy } from '../../money/policy';
import { plainNumber } from '../../units/money';
import type { Progress } from './atBest';
import { meets, type FoundMachine, type Judged } from './judge';
import { leastPrices, type LeastPrices } from './least';
import { only, type Option } from './option';
import { drivesHold, probesFor, type Probe } from './probes';
import { targetedIn, type Question } from './question';
import { spaceOf, type Space } from './space';
import { driveReadings, type Reading } from './readings';
import { drivesAlone, drivesReadBy, stagesFor, type Stage } from './stages';

/** Parts and demands of one question, ready to be searched; kept, so that the same is not asked of parts twice. */
export interface Searchable {
  readonly question: Question;
  readonly space: Space;
  readonly prices: LeastPrices;
  readonly probes: readonly Probe[];
  readonly stages: readonly Stage[];
  readonly subject: Subject;
  /** Tasks that have a target. */
  readonly targeted: ReadonlySet<string>;
  /** The most that a firm budget leaves, landed. */
  readonly firmMinor: number;
  /** Bounds of a stage, remembered by what it reads of the options. */
  readonly progressOf: (stage: Stage, options: readonly Option[]) => Progress;
  /** Whole machines that were judged, by the parts they are of, and those that stand. */
  readonly judged: Map<string, Judged>;
  readonly found: FoundMachine[];
}

/** @throws RangeError when the brief names a region that the catalogue lacks */
export function searchable(question: Question, context: Context): Searchable {
  const quick = quickly(context);
  const subject = freshSubject(question.brief, quick);
  const region = context.catalogue.region(question.brief.region);
  if (!region) throw new RangeError(`the brief's region "${question.brief.region}" is not in the catalogue`);
  const policy = buyPolicy(question.brief, context.settings, context.today);
  const prices = leastPrices(context.catalogue, region, policy, question.rebates);
  const alone = drivesAlone(question, quick);
  const holds = drivesHold(question, quick);
  const drivesDo = (option: Option): boolean => holds(option) && meets(alone(option), question);
  const whole = spaceOf(question, context, prices, drivesDo);
  const drives = driveReadings(
    whole,
    question,
    quick.catalogue,
    drivesReadBy(question, quick),
    context.measured.length > 0,
  );
  const all = remembered(probesFor(whole, question, subject, drives));
  // what an option is refused for by itself, it is refused for in every machine
  const space: Space = {
    ...whole,
    positions: whole.positions.map((position, i) => {
      const own = all.filter(({ of }) => of.length === 1 && of[0] === i);
      return {
        ...position,
        choices: only(position.choices, (option) => own.every(({ holds: does }) => does([option]))),
      };
    }),
  };
  return {
    question,
    space,
    prices,
    subject,
    probes: all.filter(({ of }) => of.length > 1),
    stages: stagesFor(space, question, quick, subject, drives),
    targeted: targetedIn(question.brief, quick),
    firmMinor: firmBudget(question.brief, region),
    progressOf: rememberedBounds(question),
    judged: new Map(),
    found: [],
  };
}

/** Most landed money that a firm budget can mean: tax on top where it is meant without. */
function firmBudget({ budgetMinor, budgetFirm, budgetTaxIncluded }: Brief, { taxRate }: Region): number {
  if (budgetFirm !== true || budgetMinor === undefined) return Infinity;
  return budgetTaxIncluded ? budgetMinor : Math.ceil(plainNumber(budgetMinor) * (1 + taxRate)) + ROUNDING_MINOR;
}
/** What rounding line by line can add to the tax of one machine. */
const ROUNDING_MINOR = 100;

function rememberedBounds({ least }: Question): Searchable['progressOf'] {
  const known = new WeakMap<Stage, Map<string, Progress>>();
  return (stage, options) => {
    let bounds = known.get(stage);
    if (!bounds) known.set(stage, (bounds = new Map()));
    let key = '';
    for (const option of options) key += `${stage.reads(option)}|`;
    let progress = bounds.get(key);
    if (!progress) bounds.set(key, (progress = stage.progress(options, least.tasks)));
    return progress;
  };
}

/** Probes that answer once for options of equal figures. */
function remembered(probes: readonly Probe[]): Probe[] {
  return probes.map((probe) => {
    const known = new Map<string | number, boolean>();
    return {
      ...probe,
      holds: (options) => {
        const key = keyOf(options, probe.reads);
        let holds = known.get(key);
        if (holds === undefined) known.set(key, (holds = probe.holds(options)));
        return holds;
      },
    };
  });
}

/** Options as one key: a number where two fit into one. */
function keyOf(options: readonly Option[], reads: Reading): string | number {
  const [first, second, ...rest] = options;
  if (first && second && rest.length === 0) {
    const [a, b] = [reads(first), reads(second)];
    if (typeof a === 'number' && typeof b === 'number') return a * 2 ** 26 + b;
  }
  let key = '';
  for (const option of options) key += `${reads(option)} `;
  return key;
}
