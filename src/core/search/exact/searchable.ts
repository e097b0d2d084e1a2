import { freshSubject, quickly, type Context, type Subject } from '../../assess';
import { DRIVE_ROLES } from '../../figures/resources';
import type { Brief } from '../../model/brief';
import { fitParts } from '../../model/fitted';
import type { Machine } from '../../model/machine';
import type { Region } from '../../model/offers';
import { inPhase } from '../../model/phases';
import type { PartKind } from '../../parts';
import { comesToMore } from '../../money/basket';
import { buyPolicy } from '../../money/policy';
import { plainNumber } from '../../units/money';
import type { Progress } from './atBest';
import type { Ended } from './ended';
import { envelopesOf, type Envelopes } from './envelope';
import { LASTING, meets, noteDecisive, shortOf, type FoundMachine, type Judged } from './judge';
import { leastPrices, type LeastPrices } from './least';
import { only, type Option } from './option';
import { drivesHold, probesFor, TOLD_OF_DEMANDS, type DrivesHold, type Probe } from './probes';
import { targetedIn, type Question } from './question';
import type { Space } from './position';
import { absentKinds, bareMachine, makingOf, narrowed, wholeSpace } from './space';
import { spokenOf } from '../../evidence/comparable';
import type { Rank } from './rank';
import { byWhich, driveRates, readingsOf, type Reading } from './readings';
import { drivesAlone, drivesReadBy, stagesFor, type Stage } from './stages';

/** Parts and demands of one question, ready to be searched; kept, so that the same is not asked of parts twice. */
export interface Searchable {
  /** The space before anything is held in place. */
  readonly whole: Space;
  readonly context: Context;
  readonly question: Question;
  readonly space: Space;
  readonly prices: LeastPrices;
  /** Whether a machine is proven to cost more than so much, without being assessed. */
  readonly comesToMore: (machine: Machine, mostMinor: number) => boolean;
  /** Whole machines that were proven to cost more than so much, by the parts they are of. */
  readonly dearer: Map<string, number>;
  readonly probes: readonly Probe[];
  readonly stages: readonly Stage[];
  /** None where measurements tell parts of equal figures apart. */
  readonly envelopes: Envelopes | undefined;
  readonly subject: Subject;
  /** Tasks that have a target. */
  readonly targeted: ReadonlySet<string>;
  /** The most that a firm budget leaves, landed. */
  readonly firmMinor: number;
  /** Bounds of a stage, remembered by what it reads of the options; looked at closely where it can be. */
  readonly progressOf: (stage: Stage, options: readonly Option[], closely?: boolean) => Progress;
  /** Whole machines that were judged, by the parts they are of, and those that stand. */
  readonly judged: Map<string, Judged>;
  readonly found: FoundMachine[];
  /** How machines rank that stand, by what predictions read of them: those that are alike in that rank alike. */
  readonly ranks: Map<string, Rank>;
  readonly ranksBy: Reading;
  /** What of an option at each position tells it apart from others: all that is asked of it is answered by that. */
  readonly tellsApart: readonly Reading[];
  /** What was answered of parts; questions about the same work share it. */
  readonly memory: Memory;
  /** What was answered of drives for their own roles; questions about the same work share it, at whatever prices. */
  readonly drives: Drives;
  /** Tasks for whose sake alone something was refused by this question's own searches (`isDecisive`). */
  readonly decisive: Set<string>;
  /** The same of drives, which are refused once for all questions that look at the same whole space. */
  readonly decisiveOfDrives: Set<string>;
  /** Rules that whole machines were refused by. */
  readonly refusing: Set<string>;
  /** Searches that came to their end, with what they were made under. */
  readonly ended: { readonly rank: Rank; readonly mostMinor: number; readonly end: Ended }[];
}

/** Whether something was refused for the sake of a task alone: without what is asked of any other, all that was refused stays so. */
export const isDecisive = ({ decisive, decisiveOfDrives }: Searchable, task: string): boolean =>
  decisive.has(task) || decisiveOfDrives.has(task);

interface Bound {
  readonly progress: Progress;
  readonly met: boolean;
  /** The question that it was worked out or looked through for last. */
  asked: Question;
}

/** Answers by what was asked: those of probes, and bounds of stages with whether they left each task what was asked. */
interface Memory {
  readonly answers: Map<string, Map<string | number, boolean>>;
  readonly bounds: Map<string, Map<string, Bound>>;
}

interface Drives {
  /** Whether they do by the rules, by what they are and by what will do (unproven, for now); no demand tells these rules. */
  readonly held: Map<string, boolean>;
  /** What they let the tasks do, by what they give and take. */
  readonly alone: Map<string, Bound>;
}

/**
 * What of a question no prediction reads, and no rule that is not told of it by name; of the machine that it starts from
 * what counts is looked at by itself (`settingsOf`).
 */
const APART: ReadonlySet<string> = new Set<keyof Question>([
  'least',
  'mostMinor',
  'mostFor',
  'unproven',
  'lasting',
  'withoutParts',
  'withoutMakers',
  'withPart',
  'changes',
  'brief',
  'from',
]);
/** Kinds that no machine of a space has, of those that predictions and bounds ask about. */
const absentIn = (space: Space): PartKind[] => absentKinds(space).filter((kind) => !BESIDE.has(kind));
const BESIDE: ReadonlySet<PartKind> = new Set(['system', 'service', 'licence', 'display', 'peripheral']);

/** What of a question only narrows its space. */
const NARROWING: ReadonlySet<string> = new Set<keyof Question>(['changes', 'mostMinor', 'mostFor']);
/** What of a question says nothing about whole machines. */
const CHANGES: ReadonlySet<string> = new Set<keyof Question>(['changes']);
const APART_IN_BRIEF: ReadonlySet<string> = new Set<keyof Brief>(['mustHaves', 'budgetMinor', 'budgetFirm']);

/** As one text, so that two may be compared that came from elsewhere. */
const textOf = (value: unknown): string =>
  JSON.stringify(value, (_key, entry: unknown) =>
    entry instanceof Set || entry instanceof Map ? [...entry] : entry,
  ) ?? '';

const sameBut = (a: object, b: object, apart: ReadonlySet<string>): boolean =>
  [...new Set([...Object.keys(a), ...Object.keys(b)])].every((key) => {
    const [one, other] = [a[key as keyof typeof a], b[key as keyof typeof b]];
    return apart.has(key) || one === other || textOf(one) === textOf(other);
  });
const NOTHING_APART: ReadonlySet<string> = new Set();

/** What of the machine that a question starts from counts for any part: how it is set, and what was measured on it. */
function settingsOf({ from }: Question, { measured }: Context): string {
  if (!from) return textOf({});
  const { id, name: _name, items: _items, ...set } = from;
  return textOf({ ...set, ...(measured.some(({ machine }) => machine.id === id) ? { id } : {}) });
}

/** Whether what was answered of parts for one question holds for the other: the work and what is there are the same. */
const alike = (a: Question, b: Question, context: Context): boolean =>
  sameBut(a, b, APART) &&
  sameBut(a.brief, b.brief, APART_IN_BRIEF) &&
  settingsOf(a, context) === settingsOf(b, context);

/**
 * A question made ready. What was answered of parts for an earlier one is taken over from `before`, where both are about
 * the same work, at whatever prices: letting a demand go, or asking for more of it, asks little anew.
 * @throws RangeError when the brief names a region that the catalogue lacks
 */
export function searchable(question: Question, context: Context, before?: Searchable): Searchable {
  const quick = quickly(context);
  const kin = before && alike(before.question, question, context) ? before : undefined;
  const sameBrief = kin?.context === context && sameBut(kin.question.brief, question.brief, NOTHING_APART);
  const subject = sameBrief ? kin.subject : freshSubject(question.brief, quick);
  const region = context.catalogue.region(question.brief.region);
  if (!region) throw new RangeError(`the brief's region "${question.brief.region}" is not in the catalogue`);
  const policy = buyPolicy(question.brief, context.settings, context.today);
  const prices = leastPrices(context.catalogue, region, policy, question.rebates);
  const alone = drivesAlone(question, quick);
  const holds = drivesHold(question, quick);
  const ofWhole =
    kin?.context === context && sameBut(kin.question, question, NARROWING)
      ? { whole: kin.whole, decisiveOfDrives: kin.decisiveOfDrives }
      : undefined;
  const decisiveOfDrives = ofWhole?.decisiveOfDrives ?? new Set<string>();
  const isSpokenOf = spokenOf(question.from, context);
  const bare = bareMachine(question);
  const read = drivesReadBy(question, quick);
  // all roles that they do not have are still to come
  const ratesOf = driveRates(read, DRIVE_ROLES, isSpokenOf);
  const drives: Drives = kin?.drives ?? { held: new Map(), alone: new Map() };
  const drivesDo = (option: Option): boolean => {
    const key = option.parts.some(isSpokenOf) ? `part ${option.partsId}` : `${option.figuresId}`;
    const hold = (of: keyof DrivesHold): boolean => {
      const asked = `${of} ${key} ${question.unproven} ${question.lasting}`;
      let held = drives.held.get(asked);
      if (held === undefined) drives.held.set(asked, (held = holds[of](option)));
      return held;
    };
    if (!hold('space')) return false;
    const short = shortOf(
      boundOnce(
        drives.alone,
        ratesOf(fitParts({ ...bare, items: [...option.items] }, context.catalogue), option.items),
        question,
        () => alone(option),
      ),
      question,
    );
    noteDecisive(decisiveOfDrives, short);
    return short.length === 0 && hold('use');
  };
  const whole = ofWhole?.whole ?? wholeSpace(question, context, prices, drivesDo);
  const sameVerdicts = kin?.context === context && sameBut(kin.question, question, CHANGES);
  const narrow = narrowed(whole, question, context.catalogue, prices);
  const made = makingOf(narrow, question);
  // which kinds there are none of is known of each: a bound counts on it
  const memory: Memory =
    kin && textOf(absentIn(kin.space)) === textOf(absentIn(narrow))
      ? kin.memory
      : { answers: new Map(), bounds: new Map() };
  const readings = readingsOf(narrow, question, quick.catalogue, read, isSpokenOf);
  const all = remembered(probesFor(narrow, question, quick, subject, readings, made), narrow, question, memory);
  // what an option is refused for by itself, it is refused for in every machine
  const space: Space = {
    ...narrow,
    positions: narrow.positions.map((position, i) => {
      const own = all.filter(({ of }) => of.length === 1 && of[0] === i);
      const stands = (option: Option): boolean => own.every(({ holds: does }) => does([option]));
      const { held, ...rest } = position;
      return { ...rest, choices: only(position.choices, stands), ...(held && stands(held) ? { held } : {}) };
    }),
  };
  const envelopes = envelopesOf(space.positions, quick.catalogue, isSpokenOf);
  return {
    whole,
    context,
    question,
    space,
    prices,
    // what is mailed back is no part of an invoice
    comesToMore: (machine, mostMinor) =>
      !question.rebates &&
      comesToMore(fitParts(inPhase(machine, 'now'), context.catalogue), mostMinor, {
        catalogue: context.catalogue,
        region,
        policy,
      }),
    dearer: kin?.context === context ? kin.dearer : new Map(),
    subject,
    probes: all.filter(({ of }) => of.length > 1),
    stages: stagesFor(space, question, quick, subject, readings, envelopes.catalogue, made),
    envelopes,
    targeted: targetedIn(question.brief, quick),
    firmMinor: firmBudget(question.brief, region),
    progressOf: rememberedBounds(space, question, memory),
    memory,
    drives,
    decisive: new Set(),
    decisiveOfDrives,
    refusing: new Set(),
    ended: [],
    judged: sameVerdicts ? kin.judged : new Map(),
    found: [],
    ranks: new Map(),
    ranksBy: readings.warm,
    tellsApart: space.positions.map((_, i) =>
      all.some(({ of, byIdentity }) => byIdentity && of.includes(i)) ? byWhich : readings.whole,
    ),
  };
}

/** Makes questions ready; what was asked before is there again, and questions about the same work share their answers. */
export type Ready = (question: Question) => Searchable;

/** Questions that are kept with all that they found. */
const KEPT = 8;

export function readier(context: Context): Ready {
  const made: Searchable[] = [];
  return (question) => {
    const known = made.find((other) => sameBut(other.question, question, NOTHING_APART));
    if (known) return known;
    const kin = made.find((other) => alike(other.question, question, context));
    const ready = searchable(question, context, kin);
    made.unshift(ready);
    if (made.length > KEPT) made.pop();
    return ready;
  };
}

/** Most landed money that a firm budget can mean: tax on top where it is meant without. */
function firmBudget({ budgetMinor, budgetFirm, budgetTaxIncluded }: Brief, { taxRate }: Region): number {
  if (budgetFirm !== true || budgetMinor === undefined) return Infinity;
  return budgetTaxIncluded ? budgetMinor : Math.ceil(plainNumber(budgetMinor) * (1 + taxRate)) + ROUNDING_MINOR;
}
/** What rounding line by line can add to the tax of one machine. */
const ROUNDING_MINOR = 100;

const namesOf = ({ positions }: Space, of: readonly number[]): string => of.map((at) => positions[at]?.name).join('+');

function rememberedBounds(space: Space, question: Question, { bounds }: Memory): Searchable['progressOf'] {
  const names = new Map<Stage, string>();
  return (stage, options, closely = false) => {
    let name = names.get(stage);
    // no two stages look at the same positions
    if (name === undefined) names.set(stage, (name = `${namesOf(space, stage.of)} ${stage.about}`));
    const look = closely ? stage.closely : undefined;
    const asked = look ? `${name} closely` : name;
    let known = bounds.get(asked);
    if (!known) bounds.set(asked, (known = new Map()));
    let key = '';
    for (const option of options) key += `${stage.reads(option)}|`;
    return boundOnce(known, key, question, () => look?.(options) ?? stage.progress(options, question.least.tasks));
  };
}

/** A bound that is worked out once for all questions about the same work, as far as it went. */
function boundOnce(known: Map<string, Bound>, key: string, question: Question, work: () => Progress): Progress {
  const before = known.get(key);
  // what fell short of an earlier question may have ended there: it is enough where it falls short again
  if (before && (before.asked === question || before.met || !meets(before.progress, question))) {
    before.asked = question;
    return before.progress;
  }
  const progress = work();
  known.set(key, { progress, met: meets(progress, question), asked: question });
  return progress;
}

/** Probes that answer once for options of equal figures. */
function remembered(probes: readonly Probe[], space: Space, question: Question, { answers }: Memory): Probe[] {
  const seen = new Map<string, number>();
  const demands = JSON.stringify(question.brief.mustHaves);
  return probes.map((probe) => {
    const ofYears = probe.rules.some((rule) => LASTING.has(rule)) && question.lasting ? 'for all years ' : '';
    const told = probe.rules.some((rule) => TOLD_OF_DEMANDS.has(rule)) ? demands : '';
    const asks = `${probe.rules.join()} of ${namesOf(space, probe.of)} ${question.unproven} ${ofYears}${told}`;
    const turn = (seen.get(asks) ?? 0) + 1;
    seen.set(asks, turn);
    const name = `${asks}, ${turn}`;
    if (probe.plain) return probe;
    // a probe without rules is the question's own
    const shared = probe.rules.length > 0;
    const known = (shared ? answers.get(name) : undefined) ?? new Map<string | number, boolean>();
    if (shared) answers.set(name, known);
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
