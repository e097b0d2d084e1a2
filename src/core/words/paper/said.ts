import {
  unpricedIn,
  type Against,
  type Amount,
  type NotAsked,
  type PaperMachine,
  type PaperOption,
  type Quote,
  type Reason,
} from '../../quote/document';
import type { Numbers } from './numbers';
import type { Phrases } from './words';

/** What papers say in a language: which sentences there are, whatever the language. */
export interface Said {
  readonly list: (names: readonly string[]) => string;
  readonly amount: (amount: Amount) => string;
  readonly reason: (reason: Reason) => string;
  readonly against: (against: Against, quote: Quote) => string[];
  readonly notAsked: (what: NotAsked, currency: Quote['currency']) => string;
  readonly option: (option: PaperOption, quote: Quote) => string;
  readonly room: (room: PaperMachine['room']) => string | undefined;
  readonly later: (later: PaperMachine['later'][number]) => string;
  readonly notes: (quote: Quote) => string[];
  readonly notIn: (quote: Quote) => string | undefined;
  readonly letter: (quote: Quote) => { readonly subject: string; readonly text: string };
}

export function saidIn(phrases: Phrases, numbers: Numbers): Said {
  const { number, coins, change, day, percent, times } = numbers;
  const list = (names: readonly string[]): string =>
    names.length < 2
      ? (names[0] ?? '')
      : `${names.slice(0, -1).join(', ')} ${phrases.and} ${names[names.length - 1] ?? ''}`;
  const money = (minor: number, currency: Quote['currency']): string => `${coins(minor, currency)} ${currency}`;
  const range = (low: number, high: number, digits?: number): string => {
    const [a, b] = [number(low, digits), number(high, digits)];
    return a === b ? a : `${a} – ${b}`;
  };

  const amount = (said: Amount): string => {
    const words = phrases.amount;
    switch (said.kind) {
      case 'none':
        return words.none;
      case 'fails':
        return words.fails;
      case 'starved':
        return words.starved;
      case 'unknown': {
        if (said.atMost === undefined) return words.unknown;
        const most = words.atMost(`${number(said.atMost)} ${words.rate(said.unit)}`);
        return said.short ? most : `${words.unknown}, ${most}`;
      }
      case 'time':
        return times(said.low, said.high);
      case 'rate':
        return `${range(said.low, said.high)} ${words.rate(said.unit)}`;
      case 'pace':
        return `${range(said.low, said.high, 2)} × ${said.buffer ? words.inTime : words.enough}`;
      case 'paced':
        return said.buffer ? words.inTime : words.keepsUp;
    }
  };

  /** What one side is better in, both figures beside each other. */
  const betterIn = ({ beside }: Against, better: 'ours' | 'theirs'): string[] => {
    const { beside: names, yes, no, to } = phrases.against;
    return beside.flatMap((entry): string[] => {
      const known = names[entry.id];
      if (!known || entry.better !== better) return [];
      const [name, unit] = known;
      const shown = (value: number | boolean): string =>
        typeof value === 'boolean' ? (value ? yes : no) : `${number(value)}${unit === '' ? '' : ` ${unit}`}`;
      return [`${name} (${shown(entry.ours)} ${to} ${shown(entry.theirs)})`];
    });
  };

  const against = (other: Against, { currency, machines, totalMinor }: Quote): string[] => {
    const words = phrases.against;
    const { name, speed, years } = other;
    const [ours, theirs] = (['ours', 'theirs'] as const).map((side) => betterIn(other, side).join('; '));
    return [
      ...(other.totalMinor === undefined || machines.length > 1
        ? []
        : [words.price(name, money(other.totalMinor, currency), change(other.totalMinor - totalMinor, currency))]),
      ...(years
        ? [
            words.years(
              years.years,
              name,
              money(Math.abs(years.differenceMinor), currency),
              years.differenceMinor < 0,
              list(years.lines.map((line) => words.costs[line])),
            ),
          ]
        : []),
      ...(speed
        ? [
            words.faster(
              other.tasks,
              number(speed.likely, 2),
              number(speed.low, 2),
              number(speed.high, 2),
              other.what === 'present' ? name : undefined,
            ),
          ]
        : []),
      ...(other.onlyOurs.length > 0 ? [words.onlyOurs(list(other.onlyOurs))] : []),
      ...(other.onlyTheirs.length > 0 ? [words.onlyTheirs(name, list(other.onlyTheirs))] : []),
      ...(ours ? [words.ours(ours)] : []),
      ...(theirs ? [words.theirs(name, theirs)] : []),
    ];
  };

  const option = (one: PaperOption, { options, notAll, machines }: Quote): string => {
    const named = (ids: readonly string[]): string =>
      list(ids.flatMap((id) => options.find((other) => other.id === id)?.name ?? []));
    const seat = machines.length > 1 ? machines.find(({ id }) => id === one.machine)?.seat : undefined;
    const beside = [
      ...one.work.map(({ task, does }) => `${task}: ${amount(does)}`),
      ...(one.needs.length > 0 ? [phrases.option.needs(named(one.needs))] : []),
      ...notAll
        .filter((set) => set.includes(one.id))
        .map((set) => set.filter((id) => id !== one.id))
        .map((rest) => (rest.length > 1 ? phrases.option.notAllWith : phrases.option.notWith)(named(rest))),
    ];
    return `${seat === undefined ? '' : `${seat}: `}${one.name}${beside.length > 0 ? ` (${beside.join('; ')})` : ''}`;
  };

  const room = ({ memory, cards, drives, watts }: PaperMachine['room']): string | undefined => {
    const words = phrases.room;
    const free = [
      ...(memory ? [words.memory(memory)] : []),
      ...(cards ? [words.cards(cards)] : []),
      ...(drives ? [words.drives(drives)] : []),
    ];
    const spare = watts !== undefined && watts > 0 ? words.spare(number(watts, 4)) : undefined;
    if (free.length === 0 && spare === undefined) return undefined;
    const first = free.length === 0 ? words.taken : words.free(list(free));
    return `${first}${spare === undefined ? '' : `; ${spare}`}.`;
  };

  const notes = (quote: Quote): string[] => {
    const words = phrases.notes;
    const { currency, paymentDays, partsThereOn, warrantyMonths, returnDays, depositPercent } = quote;
    const share = depositPercent === undefined ? undefined : percent(depositPercent);
    return [
      words.prices(quote.pricesIncludeTax, quote.taxName, day(quote.validUntil)),
      ...(quote.depositMinor > 0
        ? [words.deposit(money(quote.depositMinor, currency), share, money(quote.restMinor, currency), paymentDays)]
        : paymentDays === undefined
          ? []
          : [words.payable(paymentDays)]),
      ...(partsThereOn === undefined ? [] : [words.there(day(partsThereOn))]),
      ...(warrantyMonths === undefined ? [] : [words.warranty(warrantyMonths, quote.covers)]),
      ...(returnDays === undefined ? [] : [words.returns(returnDays)]),
    ];
  };

  return {
    list,
    amount,
    reason: (reason) => phrases.reason(reason, numbers, list),
    against,
    notAsked: (what, currency) =>
      what.differenceMinor === undefined
        ? phrases.notAsked.impossible
        : phrases.notAsked.of(what, what.part ?? '', `${change(what.differenceMinor, currency)} ${currency}`, numbers),
    option,
    room,
    later: ({ name, on }) => (on === undefined ? name : phrases.from(name, day(on))),
    notes,
    notIn: (quote) => {
      const lacking = [...new Set(quote.machines.flatMap((machine) => machine.lacking))];
      const names = [
        ...lacking.map((what) => phrases.lacking[what]),
        ...quote.notIncluded,
        ...unpricedIn(quote).map((name) => `${name} (${phrases.heads.noPrice})`),
      ];
      return names.length === 0 ? undefined : phrases.notIn(list(names));
    },
    letter: (quote) => {
      const { from, client, currency, totalMinor, validUntil } = quote;
      return {
        subject: phrases.letter.subject(quote),
        text: [
          `${client?.name ?? phrases.letter.hello},`,
          '',
          phrases.letter.text(quote, money(totalMinor, currency), day(validUntil)),
          '',
          from.name,
          ...(from.reach === undefined ? [] : [from.reach]),
        ].join('\n'),
      };
    },
  };
}
