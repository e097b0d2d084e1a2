import { existsSync, readFileSync, statSync } from 'node:fs';
import { assess, contextOf, type Context } from '@/core/assess';
import { finish } from '@/core/assess/trials';
import { caseCatalogue, readCase, CASE_FORMAT, type CaseFile } from '@/core/formats/caseFile';
import { readCatalogue } from '@/core/formats/catalogue';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import { allParts, compileCatalogue } from '@/core/model/catalogue';
import type { Machine } from '@/core/model/machine';
import { clashOf } from '@/core/search/exact/clash';
import { searchFor, type Goal, type Standing } from '@/core/search/exact/goals';
import type { FoundMachine } from '@/core/search/exact/judge';
import { FIGURES, matchOf, type MatchFigure } from '@/core/search/exact/match';
import { limitedBy, NO_LIMITS, type Limits } from '@/core/search/exact/limits';
import { budgetOf, ENDS, plainQuestion, workOf, type End, type Question } from '@/core/search/exact/question';
import { SHARES, type Share } from '@/core/search/exact/shares';
import { searchable } from '@/core/search/exact/searchable';
import { coins } from '@/core/words/format';
import { madeOf, rankWords } from '@/core/words/found';
import { minorOf, ratioOf, type Currency } from '@/core/units/money';
import { demandsCommand } from './demands';
import { repairCommand } from './repair';
import { refuse, say } from './say';
import { stabilityCommand } from './stability';
import { stepsCommand } from './steps';
import { twoCommand } from './two';
import { teamCommand, type TeamCase } from './team';
import { clashData, effortWords, sayClash, stepped } from './searching';

/**
 * What is asked: `match` and `complete` are the cheapest machine under demands of a given one, `demands` what each demand
 * costs beside the cheapest, `stability` what would make another machine the cheapest, `two` whether two machines
 * that share the sittings cost less than one, `repair` how a machine is mended, `steps` what a few parts at once do from a machine on,
 * `team` how one budget is shared out over several cases.
 */
const ASKED = [
  'cheapest',
  'best',
  'frontier',
  'match',
  'complete',
  'demands',
  'stability',
  'two',
  'repair',
  'steps',
  'team',
] as const;
type Asked = (typeof ASKED)[number];

export const FIND_USE = `vane find ${ASKED.join('|')} CASE.json [--machine ID] [--figures a,b] [--budget AMOUNT]
  [--weights N,N,…] [--floors AMOUNT,…] [--step AMOUNT] [--at low|likely] [--keep PART,…] [--without PART,…] [--no-maker NAME,…] [--most graphics=AMOUNT,…] [--rebates] [--lasting]
  [--nodes N] [--catalogue FILE] [--json]`;

const VALUED = [
  '--machine',
  '--figures',
  '--budget',
  '--at',
  '--keep',
  '--without',
  '--no-maker',
  '--most',
  '--nodes',
  '--catalogue',
  '--weights',
  '--floors',
  '--step',
];

const LARGEST_BYTES = 200_000_000;

interface Options {
  readonly asked: Asked;
  readonly path: string;
  /** Further cases of a team. */
  readonly others: readonly string[];
  /** Of a team's cases in their order: how much each counts, and the least that it gets; as typed. */
  readonly weights: readonly string[];
  readonly floors: readonly string[];
  readonly step: string | undefined;
  readonly machine: string | undefined;
  readonly figures: readonly MatchFigure[];
  readonly budget: string | undefined;
  readonly at: End;
  readonly keep: readonly string[];
  readonly without: readonly string[];
  readonly noMaker: readonly string[];
  /** Shares of the money with the most for each, as typed. */
  readonly most: readonly string[];
  readonly rebates: boolean;
  readonly lasting: boolean;
  readonly nodes: number | undefined;
  readonly catalogue: string | undefined;
  readonly json: boolean;
}

/** A mistake in how it was called: what, and the mend. */
class Misuse extends Error {
  constructor(
    readonly at: string,
    message: string,
  ) {
    super(message);
  }
}

function optionsOf(args: readonly string[]): Options {
  const named = new Map<string, string>();
  const plain: string[] = [];
  let [json, rebates, lasting] = [false, false, false];
  for (let i = 0; i < args.length; i++) {
    const arg = args[i] ?? '';
    if (arg === '--json') json = true;
    else if (arg === '--rebates') rebates = true;
    else if (arg === '--lasting') lasting = true;
    else if (arg.startsWith('--')) {
      const value = args[++i];
      if (!VALUED.includes(arg)) throw new Misuse(arg, `is no option; use: ${FIND_USE}`);
      if (value === undefined) throw new Misuse(arg, 'asks for a value');
      named.set(arg, value);
    } else plain.push(arg);
  }
  const [asked, path, ...others] = plain;
  const goal = ASKED.find((entry) => entry === asked);
  if (!goal) throw new Misuse(asked ?? 'WHAT', `is not what can be found; it is one of ${ASKED.join(', ')}`);
  if (path === undefined) throw new Misuse('CASE.json', 'is missing; name a case file');
  const at = ENDS.find((entry) => entry === (named.get('--at') ?? 'likely'));
  if (!at) throw new Misuse('--at', `is one of ${ENDS.join(', ')}`);
  const nodes = named.get('--nodes');
  if (nodes !== undefined && !/^[1-9]\d{0,11}$/.test(nodes)) throw new Misuse('--nodes', 'is a whole number above 0');
  const figures = (named.get('--figures') ?? FIGURES.join(',')).split(',').map((name) => {
    const figure = FIGURES.find((entry) => entry === name.trim());
    if (!figure) throw new Misuse('--figures', `"${name}" is none; there are ${FIGURES.join(', ')}`);
    return figure;
  });
  const list = (option: string): string[] =>
    (named.get(option) ?? '')
      .split(',')
      .map((entry) => entry.trim())
      .filter(Boolean);
  return {
    asked: goal,
    path,
    others,
    weights: list('--weights'),
    floors: list('--floors'),
    step: named.get('--step'),
    machine: named.get('--machine'),
    figures,
    budget: named.get('--budget'),
    at,
    keep: list('--keep'),
    without: list('--without'),
    noMaker: list('--no-maker'),
    most: list('--most'),
    rebates,
    lasting,
    nodes: nodes === undefined ? undefined : Number(nodes),
    catalogue: named.get('--catalogue'),
    json,
  };
}

function textOf(path: string): string {
  if (!existsSync(path)) throw new Misuse(path, 'does not exist');
  if (statSync(path).size > LARGEST_BYTES) throw new Misuse(path, `is larger than ${LARGEST_BYTES / 1e6} MB`);
  return readFileSync(path, 'utf8');
}

async function around(options: Options, own: () => Promise<CatalogueData>): Promise<CatalogueData> {
  if (options.catalogue === undefined) return own();
  const read = readCatalogue(textOf(options.catalogue));
  if (!read.ok)
    throw new Misuse(options.catalogue, read.problems.map(({ path, message }) => `${path} ${message}`).join('; '));
  return read.value;
}

interface Task {
  readonly name: string;
  readonly question: Question;
  readonly goal: Goal;
  readonly mostMinor: number | undefined;
  /** The machine that is mended, or stepped from. */
  readonly draft?: Machine;
  readonly context: Context;
}

/** What the options let the search use. */
function limitsOf(options: Options, { catalogue }: Context, currency: Currency): Limits {
  const partOf = (option: string, id: string) => {
    const part = catalogue.part(id);
    if (!part) throw new Misuse(option, `"${id}" is no part of the catalogue`);
    return part;
  };
  for (const maker of options.noMaker)
    if (!allParts(catalogue).some((part) => part.maker === maker))
      throw new Misuse('--no-maker', `"${maker}" makes nothing in the catalogue`);
  const mostFor = options.most.map((entry): [Share, number] => {
    const [name, amount = ''] = entry.split('=');
    const share = SHARES.find((each) => each === name);
    if (!share) throw new Misuse('--most', `"${name}" is no share of the money; there are ${SHARES.join(', ')}`);
    const minor = minorOf(amount, currency);
    if (minor === undefined || minor < 0)
      throw new Misuse('--most', `"${amount}" is no amount in ${currency}, such as ${share}=500.00`);
    return [share, minor];
  });
  return {
    ...NO_LIMITS,
    // a part that is named twice is kept twice
    keep: options.keep.map((id, i) => ({ id: `kept-${i + 1}`, part: partOf('--keep', id).id })),
    withoutParts: options.without.map((id) => partOf('--without', id).id),
    withoutMakers: options.noMaker,
    mostFor: Object.fromEntries(mostFor),
    rebates: options.rebates,
    lasting: options.lasting,
  };
}

/** A case as it is read, with the parts that are known around it. */
function readCaseAt(path: string, data: CatalogueData): CaseFile {
  const parsed = readCase(textOf(path), new Set(data.parts.map(({ id }) => id as string)));
  if (!parsed.ok) throw new Misuse(path, parsed.problems.map(({ path: at, message }) => `${at} ${message}`).join('; '));
  return parsed.value;
}

/** The question that the options ask about a case. */
async function taskOf(options: Options, own: () => Promise<CatalogueData>): Promise<Task> {
  const data = await around(options, own);
  const file = readCaseAt(options.path, data);
  const context = contextOf(compileCatalogue(caseCatalogue(file, data)), file.today);
  const { brief } = file;
  const region = context.catalogue.region(brief.region);
  if (!region) throw new Misuse('brief.region', `"${brief.region}" is not in the catalogue`);
  const given = options.budget === undefined ? undefined : minorOf(options.budget, region.currency);
  if (options.budget !== undefined && given === undefined)
    throw new Misuse('--budget', `"${options.budget}" is no amount in ${region.currency}, such as 1500.00`);
  const budget = given ?? budgetOf(brief, context);
  const machine = (): Machine => {
    const found =
      options.machine === undefined ? file.machines[0] : file.machines.find(({ id }) => id === options.machine);
    if (!found)
      throw new Misuse(
        '--machine',
        `${options.machine === undefined ? 'the case has no machine' : `"${options.machine}" is not in the case; there are ${file.machines.map(({ id }) => id).join(', ')}`}`,
      );
    return found;
  };
  if (brief.tasks.length === 0 && options.asked !== 'match' && budget === undefined)
    throw new Misuse('brief', 'has no task and no budget: nothing says what to look for; add a task or --budget');
  const limits = limitsOf(options, context, region.currency);
  const within = (question: Question): Question =>
    limitedBy({ ...question, at: options.at }, limits, context.catalogue);
  const work = workOf(brief, context);
  const base = { name: file.name, context };
  switch (options.asked) {
    case 'cheapest':
    case 'team':
    case 'demands':
    case 'stability':
    case 'two':
      return { ...base, question: within(work), goal: 'cheapest', mostMinor: given };
    case 'complete':
      return {
        ...base,
        question: within({ ...work, keep: machine().items, from: machine() }),
        goal: 'cheapest',
        mostMinor: given,
      };
    case 'steps':
      return { ...base, question: within(work), goal: 'frontier', mostMinor: budget, draft: machine() };
    case 'repair':
      return { ...base, question: within(work), goal: 'cheapest', mostMinor: given, draft: machine() };
    case 'match':
      return {
        ...base,
        question: within({
          ...plainQuestion(brief),
          least: matchOf(assess(machine(), brief, context), options.figures),
        }),
        goal: 'cheapest',
        mostMinor: given,
      };
    case 'best':
      if (budget === undefined) throw new Misuse('--budget', 'is missing, and the brief has none');
      return { ...base, question: within(plainQuestion(brief)), goal: 'best', mostMinor: budget };
    case 'frontier':
      return { ...base, question: within(work), goal: 'frontier', mostMinor: budget };
  }
}

/**
 * `vane find`: machines as case files, with price, results, bound, gap and nodes. Exit code 0 proven, 3 stopped before the
 * proof, 1 nothing possible (with the clash), 2 invalid input.
 */
export async function findCommand(args: readonly string[], own: () => Promise<CatalogueData>): Promise<number> {
  let task: Task;
  let options: Options;
  try {
    options = optionsOf(args);
    if (options.asked === 'team') return await findTeam(options, own);
    task = await taskOf(options, own);
  } catch (error) {
    if (error instanceof Misuse) return refuse([{ path: error.at, message: error.message }]);
    throw error;
  }
  if (options.asked === 'demands') return demandsCommand(wholeOf(task), task.context, options);
  if (options.asked === 'stability') return stabilityCommand(wholeOf(task), task.context, options);
  if (options.asked === 'two') return twoCommand(wholeOf(task), task.context, options);
  if (task.draft && options.asked === 'steps')
    return stepsCommand(task.question, task.draft, task.context, options, task.mostMinor);
  if (task.draft) return repairCommand(wholeOf(task), task.draft, task.context, options);
  const end = await stepped(
    searchFor(searchable(task.question, task.context), task.goal, task.mostMinor),
    options.nodes,
  );
  const stopped = !end.done;
  const found = end.done ? end.answer.found : heldIn(end.last);
  const { effort } = end.done ? end.answer : end.last;
  const { currency } = task.context.catalogue.region(task.question.brief.region) ?? {};
  const clash = !stopped && found.length === 0 ? finish(clashOf(wholeOf(task), task.context)) : undefined;
  const bound = end.done ? found[0]?.priceMinor : end.last.atLeastMinor;
  const [best] = found;
  const gap =
    stopped && best && bound !== undefined ? Math.max(0, 1 - ratioOf(bound, best.priceMinor)) : stopped ? undefined : 0;
  if (options.json)
    say(
      JSON.stringify(
        {
          format: 'vane-found',
          version: 1,
          asked: options.asked,
          state: stopped ? 'stopped' : found.length > 0 ? 'proven' : 'impossible',
          boundMinor: bound === undefined ? undefined : Math.floor(bound),
          gap,
          effort,
          machines: found.map((machine) => ({
            priceMinor: machine.priceMinor,
            rank: machine.rank,
            tasks: assess(machine.machine, task.question.brief, task.context).tasks.map(
              ({ task: id, verdict, ratio, gets }) => ({ task: id, verdict, ratio, gets }),
            ),
            case: caseOf(task, machine),
          })),
          clash: clash && clashData(clash),
        },
        null,
        1,
      ),
    );
  else if (currency) {
    for (const machine of found) {
      say(`${coins(machine.priceMinor, currency)}  ${rankWords(machine.rank, task.question.brief)}`);
      say(`  ${madeOf(machine.machine)}`);
    }
    if (clash) sayClash(clash, task.question.brief, currency);
    say(
      `${stopped ? `Stopped${bound === undefined ? '' : `: nothing costs less than ${coins(Math.floor(bound), currency)}`}` : found.length > 0 ? 'Proven: nothing better was missed' : 'Proven'}. ${effortWords(effort)}`,
    );
  }
  return stopped ? 3 : found.length > 0 ? 0 : 1;
}

/** Without a step typed, so much more and less is told of. */
const USUAL_STEP = '500.00';

/** A team's cases, what each counts and gets at least, and the budget: typed, or what the briefs have together. */
async function findTeam(options: Options, own: () => Promise<CatalogueData>): Promise<number> {
  const paths = [options.path, ...options.others];
  const tasks: Task[] = [];
  // one market for all: what is on sale in one case can be bought for the others
  let market = await around(options, own);
  for (const path of paths) market = caseCatalogue(readCaseAt(path, market), market);
  for (const path of paths)
    tasks.push(
      await taskOf({ ...options, catalogue: undefined, path, budget: undefined }, () => Promise.resolve(market)),
    );
  const currencies = new Set(
    tasks.map(({ context, question }) => context.catalogue.region(question.brief.region)?.currency),
  );
  const [currency, another] = [...currencies];
  if (!currency || another)
    throw new Misuse('CASE.json', 'cases are in different currencies; share each budget by itself');
  const money = (option: string, text: string): number => {
    const minor = minorOf(text, currency);
    if (minor === undefined || minor < 0)
      throw new Misuse(option, `"${text}" is no amount in ${currency}, such as 500.00`);
    return minor;
  };
  for (const [option, typed] of [
    ['--weights', options.weights],
    ['--floors', options.floors],
  ] as const)
    if (typed.length > 0 && typed.length !== paths.length)
      throw new Misuse(
        option,
        `has ${typed.length} values for ${paths.length} cases; give each case one, in their order`,
      );
  const budgets = tasks.map(({ question, context }) => budgetOf(question.brief, context));
  const whole = budgets.every((budget) => budget !== undefined)
    ? budgets.reduce<number>((all, budget) => all + (budget ?? 0), 0)
    : undefined;
  const budget = options.budget === undefined ? whole : money('--budget', options.budget);
  if (budget === undefined) throw new Misuse('--budget', 'is missing, and not every brief has one');
  const cases = tasks.map(({ name, question, context }, i): TeamCase => {
    const weight = options.weights[i];
    if (weight !== undefined && !/^\d{1,3}(\.\d+)?$/.test(weight))
      throw new Misuse('--weights', `"${weight}" is no number from 0 to 999`);
    const floor = options.floors[i];
    return {
      id: `case-${i + 1}`,
      name,
      question,
      context,
      importance: weight === undefined ? 1 : Number(weight),
      atLeastMinor: floor === undefined ? 0 : money('--floors', floor),
    };
  });
  return teamCommand(cases, budget, money('--step', options.step ?? USUAL_STEP), currency, options);
}

/** The whole question: with the limit that was set beside it. */
const wholeOf = ({ question, mostMinor }: Task): Question => ({
  ...question,
  ...(mostMinor === undefined ? {} : { mostMinor }),
});

const caseOf = ({ name, question, context }: Task, { machine }: FoundMachine): object => ({
  format: CASE_FORMAT,
  version: 1,
  name: `${name}, found`.slice(0, 80),
  today: context.today,
  region: context.catalogue.region(question.brief.region),
  brief: question.brief,
  machines: [machine],
});

/** What a stopped search holds: what it has proven, and the best of what it was at. */
const heldIn = ({ proven, best }: Standing): readonly FoundMachine[] =>
  best && !proven.includes(best) ? [...proven, best] : proven;
