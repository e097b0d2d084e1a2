import { subjectOf, quickly, type Assessment, type Context } from '../assess';
import type { PartKind } from '../parts';
import { isOnSale } from '../parts/onSale';
import { foundWithin, NO_EFFORT, type Effort } from '../search/exact/ended';
import type { FoundMachine } from '../search/exact/judge';
import { plainQuestion, type Question } from '../search/exact/question';
import { rankIn } from '../search/exact/rank';
import { cheapest } from '../search/exact/search';
import { readier, type Ready } from '../search/exact/searchable';
import { keepingWork } from '../search/exact/steps';
import type { Band } from '../units/band';
import { ratioOf } from '../units/money';
import type { Finding } from '../rules/rule';
import { missingIn } from './ladder';
import { netCost, resaleOf } from './resale';

/** The cheapest core of one socket in the machine that is there. Money landed, minor units. */
export interface CoreChoice {
  readonly socket: string;
  /** The socket that is there already. */
  readonly current: boolean;
  /** The machine with it; its price is what has to be bought. Undefined when none is sound and does what is done now. */
  readonly found: FoundMachine | undefined;
  /** What is bought less what the parts that leave bring; undefined without a machine. */
  readonly net: Band | undefined;
  /** How many times as much of what is asked it does as the machine that is there; 0 without one. */
  readonly times: number;
  /** What it asks for beside: what it brings that the machine that is there has not. */
  readonly asks: readonly Finding[];
  /** What it opens later. */
  readonly opens: CoreOpens | undefined;
}

/** What a core takes later: as its processor and board say; undefined is unknown. */
export interface CoreOpens {
  readonly memory: string | undefined;
  /** The highest rate that its board is made for, MT/s, and the most memory, GiB. */
  readonly memoryMTs: number | undefined;
  readonly memoryGiB: number | undefined;
  /** The widest slot for a card: its generation and lanes. */
  readonly card: { readonly generation: number; readonly lanes: number } | undefined;
  readonly m2Slots: number | undefined;
}

export interface Cores {
  readonly cores: readonly CoreChoice[];
  /** Sockets that are still to be looked at. */
  readonly open: number;
  readonly effort: Effort;
}

/** What makes up a core; cooler and supply stay where they can, and are exchanged where they cannot. */
const CORE: ReadonlySet<PartKind> = new Set(['processor', 'board', 'memory']);
const AT_NEED: ReadonlySet<PartKind> = new Set(['cooler', 'supply']);

/**
 * Processor, board and memory as one decision: for each socket whose processors are sold, the cheapest ones with which the
 * machine that is there does no less than it does and has no fault but those that what stays has by itself already, and
 * what they cost net of what the old ones bring. Each is an exact search.
 */
export function* coresOf(
  present: Assessment,
  context: Context,
  ready: Ready = readier(context),
): Generator<Cores, Cores> {
  const { brief, machine, parts } = present.facts;
  const kindOf = new Map(parts.all.map(({ item, part }) => [item.id, part.kind]));
  const isOf = (kinds: ReadonlySet<PartKind>, id: string): boolean => {
    const kind = kindOf.get(id);
    return kind !== undefined && kinds.has(kind);
  };
  const own = parts.one('board')?.part.socket;
  const processors = context.catalogue.ofKind('processor');
  const sockets = [
    ...new Set(
      processors.flatMap((part) => (part.socket !== undefined && isOnSale(part, context.today) ? [part.socket] : [])),
    ),
  ].sort();
  const base: Question = {
    ...plainQuestion(brief),
    keep: machine.items.filter(({ id }) => !isOf(CORE, id) && !isOf(AT_NEED, id)),
    spare: machine.items.filter(({ id }) => isOf(AT_NEED, id)).map((item) => ({ ...item, owned: true })),
    least: { tasks: keepingWork(present, 'likely') },
    // a drive that is full is no reason against a core
    standing: standingOf(present, (id) => !isOf(CORE, id) && !isOf(AT_NEED, id)),
  };
  const subject = subjectOf(brief, quickly(context));
  const rank = rankIn(present, 'likely');
  let now: Cores = { cores: [], open: sockets.length, effort: NO_EFFORT };
  for (const socket of sockets) {
    const withoutParts = new Set(processors.flatMap((part) => (part.socket === socket ? [] : [part.id as string])));
    const found = yield* foundWithin(
      cheapest(ready({ ...base, withoutParts })),
      () => now,
      (next) => (now = next),
    );
    now = {
      ...now,
      cores: [...now.cores, { socket, current: socket === own, ...judged(found) }],
      open: now.open - 1,
    };
    yield now;
  }
  return now;

  function judged(found: FoundMachine | undefined): Pick<CoreChoice, 'found' | 'net' | 'times' | 'asks' | 'opens'> {
    if (!found) return { found, net: undefined, times: 0, asks: [], opens: undefined };
    const leaving = missingIn(found.machine.items, machine.items);
    const resale = resaleOf(present, new Set(leaving.map(({ id }) => id)));
    const assessment = subject.assess(found.machine);
    const then = rankIn(assessment, 'likely');
    const known = new Set(present.findings.map(({ key }) => key));
    return {
      found,
      net: netCost(found.priceMinor, resale),
      times: ratioOf(then.percent, Math.max(1, rank.percent)),
      asks: assessment.findings.filter(({ key, code }) => !known.has(key) && code !== 'task-result'),
      opens: opensOf(assessment),
    };
  }
}

/** Keys of findings that are about nothing but items that stay. */
const standingOf = ({ findings }: Assessment, stays: (item: string) => boolean): ReadonlySet<string> =>
  new Set(findings.flatMap(({ items, key }) => (items.length > 0 && items.every(stays) ? [key] : [])));

function opensOf({ facts }: Assessment): CoreOpens | undefined {
  const board = facts.parts.one('board')?.part;
  if (!board) return undefined;
  const slots = board.topology?.slots;
  const cards = (slots ?? []).flatMap(({ kind, generation, lanes }) =>
    kind === 'card' && generation !== undefined && lanes !== undefined ? [{ generation, lanes }] : [],
  );
  const [card] = cards.sort((a, b) => 2 ** b.generation * b.lanes - 2 ** a.generation * a.lanes);
  return {
    memory: board.memoryGeneration,
    memoryMTs: board.memoryRateMTs,
    memoryGiB: board.memoryLimitGiB,
    card,
    m2Slots: slots?.filter(({ kind }) => kind === 'm2').length,
  };
}
