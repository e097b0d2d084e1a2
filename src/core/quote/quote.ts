import { subjectOf, type Assessment, type Context } from '../assess';
import type { Brief } from '../model/brief';
import { FIRST, type Machine } from '../model/machine';
import { inPhase } from '../model/phases';
import { dayAfter } from '../units/days';
import { netOf } from '../units/money';
import { costLines, purchasesOf, type Purchases } from './costs';
import { QUOTE_FORMAT, quoteSchema, type PaperLine, type Quote } from './document';
import { notAskedOf, optionsOf, priceAlone, type Offered, type OptionOut } from './options';
import { againstOf, laterOf, reasonsOf, roomOf, workOf } from './plainWords';
import { priced, type NotPriced, type Priced } from './priced';
import type { QuoteTerms } from './terms';

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

/** A quote with what stays in the workshop. */
export interface Quoted {
  readonly quote: Quote;
  readonly inside: Priced;
  readonly purchases: Purchases;
  readonly machines: readonly Assessment[];
  /** All that is bought: the machines, then spares. */
  readonly bought: readonly Assessment[];
  /** Options that are not in it. */
  readonly out: readonly OptionOut[];
  /** Names of machines that were to stand in its place and cannot be priced in full. */
  readonly otherOut: readonly string[];
}

const judged = ({ brief, context }: Subject, machine: Machine): Assessment =>
  subjectOf(brief, context).assess(inPhase(machine, FIRST));

/**
 * A quote for machines, with options, with others at the same terms in place of a single one, and with the machine that is
 * there beside what it does. Another that cannot be priced in full is left out, as its total would be too low.
 * @param spares parts that go beside the machines, as the items of one
 * @throws RangeError without a machine
 */
export function quoteOf(
  title: string,
  subjects: readonly Subject[],
  terms: QuoteTerms,
  spares?: Machine,
): Quoted | NotPriced {
  const [only] = subjects;
  if (!only) throw new RangeError('a quote offers at least one machine');
  const machines = subjects.map((subject) => judged(subject, subject.machine));
  const [first] = machines;
  if (!first) throw new RangeError('a quote offers at least one machine');
  const { facts, region } = first;
  // spares are bought in the same basket, and are no machine
  const beside = spares && judged(only, spares);
  const bought = beside ? [...machines, beside] : machines;
  const purchases = purchasesOf(bought);
  const inside = priced(
    costLines(bought, purchases.costOf, terms).map((line) =>
      beside && line.machine === machines.length ? { ...line, machine: undefined } : line,
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
  const otherOut: string[] = [];
  const alternatives =
    subjects.length > 1
      ? []
      : only.others.flatMap((other) => {
          const totalMinor = priceAlone(judged(only, other), fair);
          if (totalMinor === undefined) {
            otherOut.push(other.name);
            return [];
          }
          return [{ id: other.id, name: other.name, totalMinor, differenceMinor: totalMinor - inside.totalMinor }];
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
    lines: shown(inside, terms, machines),
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
    alternatives,
  });
  return { quote, inside, purchases, machines, bought, out: chosen.out, otherOut };
}

const sumOf = <K extends 'netMinor' | 'taxMinor' | 'grossMinor'>(
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
function shown({ lines }: Priced, { show }: QuoteTerms, machines: readonly Assessment[]): PaperLine[] {
  const idOf = (at: number | undefined): { machine?: string } => {
    const id = at === undefined ? undefined : machines[at]?.facts.machine.id;
    return id === undefined ? {} : { machine: id };
  };
  const plain = lines.map((line): PaperLine & { at: number | undefined } => ({
    what: line.what,
    at: line.machine,
    ...idOf(line.machine),
    ...(line.part === undefined ? {} : { part: line.part }),
    name: line.name,
    count: line.count,
    taxRate: line.taxRate,
    discountMinor: line.discountMinor,
    netMinor: line.netMinor,
    taxMinor: line.taxMinor,
    grossMinor: line.grossMinor,
  }));
  if (show === 'lines') return plain.map(({ at: _at, ...line }) => line);
  const single = machines.length === 1;
  // tax is told by its rate, so there is one line for each
  const groups = new Map<string, PaperLine[]>();
  for (const line of plain) {
    const key = `${single ? 0 : (line.at ?? line.name)} ${line.taxRate}`;
    groups.set(key, [...(groups.get(key) ?? []), line]);
  }
  const named = new Set<string>();
  return [...groups.values()].map((group): PaperLine => {
    const [head] = group as [PaperLine, ...PaperLine[]];
    const at = single ? 0 : (head as PaperLine & { at?: number }).at;
    const machine = at === undefined ? undefined : machines[at]?.facts.machine;
    const again = machine !== undefined && named.has(machine.id);
    if (machine) named.add(machine.id);
    const sum = (key: 'discountMinor' | 'netMinor' | 'taxMinor' | 'grossMinor'): number =>
      group.reduce((all, line) => all + line[key], 0);
    return {
      what: machine ? (again ? 'beside' : 'machine') : head.what,
      ...(machine ? { machine: machine.id } : {}),
      name: machine?.name ?? head.name,
      count: 1,
      taxRate: head.taxRate,
      discountMinor: sum('discountMinor'),
      netMinor: sum('netMinor'),
      taxMinor: sum('taxMinor'),
      grossMinor: sum('grossMinor'),
    };
  });
}
