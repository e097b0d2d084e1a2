import type { Machine } from '../model/machine';
import { PART_KINDS, type PartKind } from '../parts';
import { ask, type Check, type Facts, type Reading, type Rule } from '../rules/rule';
import { sameArgs } from './keep';

/** Puts rules to what is known of a machine. */
export type Answers = (asked: readonly Rule[], facts: Facts) => readonly Check[];

/** Every rule anew: the plain way, which the other is held to. */
export const answeredAfresh: Answers = (asked, facts) => asked.flatMap((rule) => ask(rule, facts));

/** What stands behind a reading that is no kind of part. */
const BEHIND: Readonly<Record<Exclude<Reading, PartKind>, (facts: Facts) => readonly unknown[]>> = {
  'any part': ({ parts }) => [parts],
  'memory state': ({ memory }) => [memory],
  wiring: ({ board, devices, problem, placement }) => [board, devices, problem, placement],
  'what is kept': ({ kept }) => [kept],
  sittings: ({ sittings, supply, calibration }) => [sittings, supply, calibration],
  power: ({ power }) => [power],
  heat: ({ heat }) => [heat],
  geometry: ({ scene }) => [scene],
  price: ({ price, parts, machine }) => [price, parts, machine.present],
};

/** How a machine is set, beside its parts: every rule may look at it. */
const settingsOf = ({ items, tuning, memoryProfile, present, pins, moduleSlots, firmware, evidence }: Machine) => [
  items.length === 0,
  tuning,
  memoryProfile,
  present,
  pins,
  moduleSlots,
  firmware,
  evidence,
];

const readers: readonly (readonly [Reading, (facts: Facts) => readonly unknown[]])[] = [
  ...PART_KINDS.map((kind) => [kind, ({ parts }: Facts) => parts.ofKind(kind)] as const),
  ...(Object.entries(BEHIND) as [Exclude<Reading, PartKind>, (facts: Facts) => readonly unknown[]][]),
];
const READ = readers.map(([, read]) => read);
const indexOf = new Map(readers.map(([reading], i) => [reading, i]));
// the settings stand behind what can be read
const SETTINGS = READ.push(({ machine }) => settingsOf(machine)) - 1;

/** Of each rule what it reads, as places in the list of all that can be read. */
const readBy = new WeakMap<Rule, readonly number[]>();
function placesOf(rule: Rule): readonly number[] {
  let places = readBy.get(rule);
  // every reading has its place
  if (!places)
    readBy.set(rule, (places = [SETTINGS, ...rule.reads.map((reading) => indexOf.get(reading) ?? SETTINGS)]));
  return places;
}

interface Answer {
  /** Marks of what it was given for, in the order of the rule's places. */
  readonly marks: readonly number[];
  readonly checks: readonly Check[];
}

/** Numbers the last few values of one reading: what is compared by 75 rules is compared once. */
function register(entries: number): (values: readonly unknown[]) => number {
  const known: { readonly values: readonly unknown[]; readonly mark: number }[] = [];
  let given = 0;
  return (values) => {
    const at = known.findIndex((entry) => sameArgs(entry.values, values));
    const entry = known[at] ?? { values, mark: ++given };
    if (at >= 0) known.splice(at, 1);
    known.unshift(entry);
    if (known.length > entries) known.pop();
    return entry.mark;
  };
}

/**
 * Remembers the last few answers of each rule by what it reads, so that a rule is asked again only when something that it
 * reads is new. A reading has a number as long as it is among the last few; rules compare nothing but numbers.
 * @param ran told the stage of each rule that was asked
 */
export function answeredOnce(ran: (stage: string) => void, entries = 3): Answers {
  const markOf = READ.map(() => register(entries));
  const answers = new Map<Rule, Answer[]>();
  // screened, asked by one rule and assessed: the same machine comes several times in a row
  let last: { readonly facts: Facts; readonly marks: (number | undefined)[] } | undefined;

  function answerOf(rule: Rule, facts: Facts, markAt: (place: number) => number): readonly Check[] {
    const places = placesOf(rule);
    let known = answers.get(rule);
    if (!known) answers.set(rule, (known = []));
    for (let i = 0; i < known.length; i++) {
      const answer = known[i];
      if (!answer?.marks.every((mark, j) => mark === markAt(places[j] ?? SETTINGS))) continue;
      if (i > 0) {
        known.splice(i, 1);
        known.unshift(answer);
      }
      return answer.checks;
    }
    const checks = ask(rule, facts);
    ran(`rule ${rule.id}`);
    known.unshift({ marks: places.map(markAt), checks });
    if (known.length > entries) known.pop();
    return checks;
  }

  return (asked, facts) => {
    if (last?.facts !== facts) last = { facts, marks: [] };
    const { marks } = last;
    const markAt = (place: number): number => (marks[place] ??= markOf[place]?.(READ[place]?.(facts) ?? []) ?? 0);
    const checks: Check[] = [];
    for (const rule of asked) for (const check of answerOf(rule, facts, markAt)) checks.push(check);
    return checks;
  };
}
