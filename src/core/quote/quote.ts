import { subjectOf, type Assessment, type Context } from '../assess';
import type { Brief } from '../model/brief';
import { FIRST, type Machine } from '../model/machine';
import { inPhase } from '../model/phases';
import { dayAfter } from '../units/days';
import { netOf } from '../units/money';
import { costLines, purchasesOf, type Purchases } from './costs';
import { QUOTE_FORMAT, quoteSchema, type PaperLine, type Quote } from './document';
import { notAskedOf } from './notAsked';
import { optionsOf, priceAlone, type OptionOut } from './options';
import { againstOf, laterOf, reasonsOf, roomOf, workOf } from './plainWords';
import { priced, type NotPriced, type Priced, type QuoteLine } from './priced';
import type { QuoteTerms } from './terms';
import type { Offered } from './tried';

/** A machine that is offered: a draft with its brief, and the machine that is there. */
export interface Subject {
  readonly id: string;
  /** Whose it is, where a quote has several. */
  readonly seat?: string | undefined;
  readonly brief: Brief;
  readonly machine: Machine;
  readonly present?: Machine | undefined;
  /** Others that may be had in its place. */
  readonly others: readonly Machine[];
  readonly context: Context;
}

/** Machines as they are bought: judged, with spares beside them in one basket. */
export interface Bought {
  readonly machines: readonly Assessment[];
  /** All that is bought: the machines, then spares. */
  readonly all: readonly Assessment[];
  readonly purchases: Purchases;
}

/** A quote with what stays in the workshop. */
export interface Quoted extends Bought {
  readonly quote: Quote;
  readonly inside: Priced;
  /** Options that are not in it. */
  readonly out: readonly OptionOut[];
  /** Machines that may stand in its place, also those that cannot be priced in full and are not in it. */
  readonly others: readonly Assessment[];
}

const judged = ({ brief, context }: Subject, machine: Machine): Assessment =>
  subjectOf(brief, context).assess(inPhase(machine, FIRST));

/**
 * How machines are bought for a client.
 * @param spares parts that go beside the machines, as the items of one
 * @throws RangeError without a machine
 */
export function boughtFor(subjects: readonly Subject[], spares?: Machine): Bought {
  const [first] = subjects;
  if (!first) throw new RangeError('a quote offers at least one machine');
  const machines = subjects.map((subject) => judged(subject, subject.machine));
  const all = spares ? [...machines, judged(first, spares)] : machines;
  return { machines, all, purchases: purchasesOf(all) };
}

/**
 * A quote for machines, with options, with others at the same terms in place of a single one, and with the machine that is
 * there beside what it does. Another that cannot be priced in full is left out, as its total would be too low.
 * @throws RangeError without a machine
 */
export function quoteOf(
  title: string,
  subjects: readonly Subject[],
  terms: QuoteTerms,
  spares?: Machine,
): Quoted | NotPriced {
  const { machines, all, purchases } = boughtFor(subjects, spares);
  const [only, first] = [subjects[0], machines[0]];
  if (!only || !first) throw new RangeError('a quote offers at least one machine');
  const { facts, region } = first;
  const inside = priced(
    // spares are no machine: they are for all
    costLines(all, purchases.costOf, terms).map((line) =>
      line.machine === machines.length ? { ...line, machine: undefined } : line,
    ),
    terms,
    region,
  );
  if ('code' in inside) return inside;
  const on = terms.on ?? facts.today;
  // a total that is asked for is asked of these machines: options and others are priced by what it comes to on cost
  const fair: QuoteTerms =
    terms.margin.by === 'total'
      ? { ...terms, margin: { by: 'percent', percent: percentOfCost(inside, region.pricesIncludeTax) } }
      : terms;
  const offered = subjects.map((subject, i): Offered => {
    const { id, brief, context } = subject;
    return { id, brief, context, assessment: machines[i] ?? first };
  });
  const chosen = optionsOf(offered, terms.options, fair, inside.totalMinor);
  const others = subjects.length > 1 ? [] : only.others.map((other) => judged(only, other));
  const alternatives = others.flatMap((other) => {
    const totalMinor = priceAlone(other, fair);
    const { id, name } = other.facts.machine;
    return totalMinor === undefined ? [] : [{ id, name, totalMinor, differenceMinor: totalMinor - inside.totalMinor }];
  });
  const arrivals = purchases.baskets.map(({ best }) => best?.arrives);
  const quote = quoteSchema.parse({
    format: QUOTE_FORMAT,
    version: 2,
    number: terms.number,
    revision: terms.revision,
    locale: terms.locale,
    sheet: terms.sheet,
    title,
    on,
    validUntil: dayAfter(on, terms.validDays),
    currency: region.currency,
    taxName: region.taxName,
    pricesIncludeTax: region.pricesIncludeTax,
    from: terms.from,
    client: terms.client,
    machines: subjects.map((subject, i) => {
      const machine = machines[i] ?? first;
      const present = subject.present && judged(subject, subject.present);
      const mine = inside.lines.filter((line) => line.machine === i);
      const offer = offered[i];
      return {
        id: subject.id,
        ...(subject.seat === undefined ? {} : { seat: subject.seat }),
        name: machine.facts.machine.name,
        netMinor: sumOf(mine, 'netMinor'),
        taxMinor: sumOf(mine, 'taxMinor'),
        totalMinor: sumOf(mine, 'grossMinor'),
        unpriced: inside.unpriced.flatMap((line) => (line.machine === i ? [line.name] : [])),
        lacking: purchases.own[i]?.lacking ?? [],
        work: workOf(machine, present),
        parts: reasonsOf(machine),
        against: againstOf(
          machine,
          present,
          subject.context,
          subjects.length === 1 ? inside.totalMinor : sumOf(mine, 'grossMinor'),
        ),
        notAsked: offer ? notAskedOf(offer, fair) : [],
        room: roomOf(machine),
        later: laterOf(subject.machine),
      };
    }),
    lines: shown(inside.lines, terms, machines),
    unpriced: inside.unpriced.flatMap((line) => (line.machine === undefined ? [line.name] : [])),
    byRate: inside.byRate,
    ...(terms.discount ? { discount: { name: terms.discount.name, minor: inside.discountMinor } } : {}),
    netMinor: inside.netMinor,
    taxMinor: inside.taxMinor,
    totalMinor: inside.totalMinor,
    depositMinor: inside.depositMinor,
    restMinor: inside.restMinor,
    ...(terms.depositPercent === undefined ? {} : { depositPercent: terms.depositPercent }),
    paymentDays: terms.paymentDays,
    partsThereOn: arrivals.some((day) => day === undefined) ? undefined : arrivals.sort().at(-1),
    warrantyMonths: terms.warrantyMonths,
    covers: terms.covers,
    returnDays: terms.returnDays,
    notIncluded: terms.notIncluded,
    options: chosen.options,
    notAll: chosen.notAll,
    alternatives,
  });
  return { quote, inside, purchases, machines, all, out: chosen.out, others };
}

const sumOf = <K extends 'netMinor' | 'taxMinor' | 'grossMinor' | 'discountMinor'>(
  lines: readonly Readonly<Record<K, number>>[],
  key: K,
): number => lines.reduce((sum, line) => sum + line[key], 0);

/** What parts were made dearer by, in percent of their cost to four places: what a total that was asked for comes to. */
function percentOfCost({ lines }: Priced, taxIn: boolean): string {
  const parts = lines.filter(({ what }) => what === 'part');
  const cost = parts.reduce((sum, line) => sum + (line.costMinor ?? 0), 0);
  const net = parts.reduce((sum, line) => sum + (taxIn ? netOf(line.amountMinor, line.taxRate) : line.amountMinor), 0);
  const percent = cost > 0 ? Math.max(0, (100 * (net - cost)) / cost) : 0;
  return String(Math.min(999, Math.round(percent * 1e4) / 1e4));
}

/** Lines as the client reads them: all of them, or each machine as one. At one price for one machine work and sending are in it. */
function shown(
  lines: readonly QuoteLine[],
  { show }: Pick<QuoteTerms, 'show'>,
  machines: readonly Assessment[],
): PaperLine[] {
  if (show === 'lines')
    return lines.map((line) =>
      asOne([line], line.what, line.name, line.machine === undefined ? undefined : machines[line.machine], line),
    );
  const single = machines.length === 1;
  // tax is told by its rate, so there is one line for each
  const groups = new Map<string, QuoteLine[]>();
  for (const line of lines) {
    const key = `${single ? 0 : (line.machine ?? line.name)} ${line.taxRate}`;
    groups.set(key, [...(groups.get(key) ?? []), line]);
  }
  const named = new Set<Assessment>();
  return [...groups.values()].flatMap((group): PaperLine[] => {
    const [head] = group;
    if (!head) return [];
    const at = single ? 0 : head.machine;
    const machine = at === undefined ? undefined : machines[at];
    if (!machine) return [asOne(group, head.what, head.name, undefined)];
    const what = named.has(machine) ? 'beside' : 'machine';
    named.add(machine);
    return [asOne(group, what, machine.facts.machine.name, machine)];
  });
}

/** Lines of one tax rate as one. */
function asOne(
  group: readonly QuoteLine[],
  what: PaperLine['what'],
  name: string,
  machine: Assessment | undefined,
  { part, count }: { readonly part: string | undefined; readonly count: number } = { part: undefined, count: 1 },
): PaperLine {
  return {
    what,
    ...(machine ? { machine: machine.facts.machine.id } : {}),
    ...(part === undefined ? {} : { part }),
    name,
    count,
    taxRate: group[0]?.taxRate ?? 0,
    discountMinor: sumOf(group, 'discountMinor'),
    netMinor: sumOf(group, 'netMinor'),
    taxMinor: sumOf(group, 'taxMinor'),
    grossMinor: sumOf(group, 'grossMinor'),
  };
}
