import { plainly, type Assessment, type Context } from '../../assess';
import type { Brief } from '../../model/brief';
import type { Machine } from '../../model/machine';
import { buyPolicy } from '../../money/policy';
import { compareFound, judge, refused, type FoundMachine } from './judge';
import { leastPrices } from './least';
import type { Option } from './option';
import type { Space } from './position';
import type { Question } from './question';
import { machineOf, spaceOf } from './space';

/**
 * The plain way: every machine of a space through a full assessment and its basket, but those that rules about parts alone
 * refuse, whose findings stand in an assessment too. Nothing is bounded, nothing left out. The search is held to it; it is
 * for small catalogues.
 * @throws RangeError when there are more machines than `most`
 */
export function tryAll(question: Question, context: Context, most = 20_000): { found: FoundMachine[]; tried: number } {
  const region = context.catalogue.region(question.brief.region);
  if (!region) throw new RangeError(`the brief's region "${question.brief.region}" is not in the catalogue`);
  const policy = buyPolicy(question.brief, context.settings, context.today);
  const prices = { ...leastPrices(context.catalogue, region, policy, question.rebates), undercuts: () => false };
  const space = spaceOf(question, context, prices, () => true);
  const plain = assessedOf(question.brief, context);
  const found: FoundMachine[] = [];
  let tried = 0;
  for (const options of everyChoice(space, most)) {
    tried++;
    const changed = options.filter((option, i) => option !== space.positions[i]?.held).length;
    if (changed > (question.changes ?? Infinity)) continue;
    const machine = machineOf(space, question, options);
    const known = plain(machine);
    if (known.early.some((finding) => refused(finding, question))) continue;
    const judged = judge(known.whole(), question);
    if (judged.kind === 'found') found.push(judged.found);
  }
  return { found: found.sort(compareFound), tried };
}

/** What is known of a machine: the findings of rules about parts alone, and the whole, which is made when it is asked for. */
interface Assessed {
  readonly early: ReturnType<ReturnType<typeof plainly>['screen']>;
  readonly whole: () => Assessment;
}

/** Of this many machines what was found is kept at once. */
const KEPT = 2000;

let last: { readonly brief: Brief; readonly context: Context; readonly of: (machine: Machine) => Assessed } | undefined;

/**
 * Machines of a brief as they are assessed plainly, each once: what is asked of them hangs on no question, and those that
 * are asked one after the other are mostly about the same ones.
 */
function assessedOf(brief: Brief, context: Context): (machine: Machine) => Assessed {
  if (last?.brief === brief && last.context === context) return last.of;
  const plain = plainly(brief, context);
  const kept = new Map<string, Assessed>();
  const of = (machine: Machine): Assessed => {
    const key = JSON.stringify(machine);
    let known = kept.get(key);
    if (!known) {
      let whole: Assessment | undefined;
      known = { early: plain.screen(machine), whole: () => (whole ??= plain.assess(machine)) };
      if (kept.size >= KEPT) kept.clear();
      kept.set(key, known);
    }
    return known;
  };
  last = { brief, context, of };
  return of;
}

/**
 * Every way of choosing an option for each position of a space.
 * @throws RangeError when there are more than `most`
 */
export function* everyChoice({ positions }: Pick<Space, 'positions'>, most = 20_000): Generator<Option[]> {
  const lists = positions.map(({ choices, held }) => {
    const options: Option[] = [];
    for (let option = choices.at(0); option; option = choices.at(options.length)) options.push(option);
    return held ? [held, ...options] : options;
  });
  const size = lists.reduce((all, list) => all * list.length, 1);
  if (size > most) throw new RangeError(`there are ${size} machines, more than ${most}`);
  for (let place = 0; place < size; place++) {
    let rest = place;
    yield lists.flatMap((list) => {
      const option = list[rest % list.length];
      rest = Math.floor(rest / list.length);
      return option ?? [];
    });
  }
}
