import { unpricedIn, type PaperLine, type PaperMachine, type Quote } from '../../quote/document';
import type { Party } from '../../quote/terms';
import { capitalised } from '../../words/format';
import { paperWords } from '../../words/paper';

/** One cell of a table of a paper. */
export interface Cell {
  readonly text: string;
  readonly right?: boolean;
  readonly strong?: boolean;
  /** Something that the client may tick: an option, or another machine. */
  readonly tick?: { readonly kind: 'option' | 'alternative'; readonly id: string };
}

export interface Table {
  readonly kind: 'table';
  /** Relative widths of its columns. */
  readonly widths: readonly number[];
  readonly head: readonly Cell[];
  readonly rows: readonly (readonly Cell[])[];
  readonly foot: readonly (readonly Cell[])[];
}

/** What papers are made of; each form of paper draws them its own way. */
export type Block =
  | { readonly kind: 'parties'; readonly from: Party; readonly client: Party | undefined }
  | { readonly kind: 'heading'; readonly level: 1 | 2 | 3; readonly text: string; readonly newPage?: boolean }
  | { readonly kind: 'text'; readonly text: string; readonly quiet?: boolean }
  | { readonly kind: 'list'; readonly items: readonly string[] }
  | Table
  /** Where a client signs, or answers. */
  | { readonly kind: 'sign' };

/** A quote as the client reads it: the price first, what may be chosen, then each machine in plain words. */
export function quoteBlocks(quote: Quote): Block[] {
  const { words, said, numbers } = paperWords(quote.locale);
  const { sections } = words;
  const notIn = said.notIn(quote);
  const under = (text: string, table: Table): Block[] =>
    table.rows.length > 0 ? [{ kind: 'heading', level: 2, text }, table] : [];
  return [
    { kind: 'parties', from: quote.from, client: quote.client },
    { kind: 'heading', level: 1, text: `${words.title(quote)}: ${quote.title}` },
    { kind: 'text', text: numbers.day(quote.on), quiet: true },
    priceTable(quote),
    ...[...said.notes(quote), ...(notIn === undefined ? [] : [notIn])].map((text): Block => ({ kind: 'text', text })),
    ...under(sections.options, optionTable(quote)),
    ...under(sections.inPlace, otherTable(quote)),
    { kind: 'heading', level: 2, text: sections.sign },
    { kind: 'sign' },
    ...quote.machines.flatMap((machine, i) => plainPage(quote, machine, i === 0)),
  ];
}

/** As a head begins: its first letter large. */
const head = (text: string): string => capitalised(text);
const right = (text: string, strong = false): Cell => ({ text, right: true, ...(strong ? { strong } : {}) });

function priceTable(quote: Quote): Table {
  const { words, numbers } = paperWords(quote.locale);
  const { heads } = words;
  const { currency } = quote;
  const coins = (minor: number): string => numbers.coins(minor, currency);
  const amounts = (net: number, tax: number, gross: number, strong = false): Cell[] =>
    [net, tax, gross].map((minor) => right(coins(minor), strong));
  const nameOf = ({ what, name }: PaperLine): string =>
    what === 'beside' ? heads.beside(name) : what === 'shipping' ? heads.sending : name;
  const rowOf = (line: PaperLine): Cell[] => [
    { text: nameOf(line) },
    right(String(line.count)),
    ...amounts(line.netMinor, line.taxMinor, line.grossMinor),
  ];
  const several = quote.machines.length > 1;
  const whole = quote.lines.every(({ what }) => what !== 'part');
  const groups = several && !whole ? quote.machines : [];
  const grouped = groups.flatMap((machine): Cell[][] => [
    [
      { text: machine.seat === undefined ? machine.name : `${machine.seat}: ${machine.name}`, strong: true },
      { text: '' },
      ...amounts(machine.netMinor, machine.taxMinor, machine.totalMinor, true),
    ],
    ...quote.lines.filter((line) => line.machine === machine.id).map(rowOf),
  ]);
  const rest = groups.length > 0 ? quote.lines.filter(({ machine }) => machine === undefined) : quote.lines;
  return {
    kind: 'table',
    widths: [10, 1.6, 2.6, 2.4, 2.8],
    head: [
      { text: heads.what },
      right(heads.count),
      right(heads.net),
      right(head(quote.taxName)),
      right(`${heads.gross} ${currency}`),
    ],
    rows: [
      ...grouped,
      ...rest.map((line) => {
        const seat = several && whole ? quote.machines.find(({ id }) => id === line.machine)?.seat : undefined;
        const [name, ...cells] = rowOf(line);
        return [{ text: seat === undefined ? (name?.text ?? '') : `${seat}: ${name?.text ?? ''}` }, ...cells];
      }),
      ...unpricedIn(quote).map((name): Cell[] => [
        { text: name },
        { text: '' },
        { text: '' },
        { text: '' },
        right(heads.noPrice),
      ]),
    ],
    foot: [
      ...quote.byRate.map(({ taxRate, netMinor, taxMinor }): Cell[] => [
        { text: head(heads.taxAt(quote.taxName, numbers.percent(Math.round(taxRate * 1e6) / 1e4))) },
        { text: '' },
        ...amounts(netMinor, taxMinor, netMinor + taxMinor),
      ]),
      ...(quote.discount
        ? [
            [
              { text: heads.discount(quote.discount.name) },
              { text: '' },
              { text: '' },
              { text: '' },
              right(coins(-quote.discount.minor)),
            ],
          ]
        : []),
      [
        { text: unpricedIn(quote).length > 0 ? heads.totalOfPriced : heads.total, strong: true },
        { text: '' },
        ...amounts(quote.netMinor, quote.taxMinor, quote.totalMinor, true),
      ],
    ],
  };
}

function optionTable(quote: Quote): Table {
  const { words, said, numbers } = paperWords(quote.locale);
  return {
    kind: 'table',
    widths: [11, 3, 3],
    head: [
      { text: words.option.adds },
      right(head(words.option.difference)),
      right(head(`${words.option.alone} ${quote.currency}`)),
    ],
    rows: quote.options.map((option) => [
      { text: said.option(option, quote), tick: { kind: 'option', id: option.id } },
      right(numbers.change(option.differenceMinor, quote.currency)),
      right(numbers.coins(option.totalMinor, quote.currency)),
    ]),
    foot: [],
  };
}

function otherTable(quote: Quote): Table {
  const { words, numbers } = paperWords(quote.locale);
  return {
    kind: 'table',
    widths: [11, 3, 3],
    head: [
      { text: words.heads.what },
      right(head(words.option.difference)),
      right(`${words.heads.total} ${quote.currency}`),
    ],
    rows: quote.alternatives.map((other) => [
      { text: other.name, tick: { kind: 'alternative', id: other.id } },
      right(numbers.change(other.differenceMinor, quote.currency)),
      right(numbers.coins(other.totalMinor, quote.currency)),
    ]),
    foot: [],
  };
}

/** One page a machine, in the client's words. */
function plainPage(quote: Quote, machine: PaperMachine, first: boolean): Block[] {
  const { words, said } = paperWords(quote.locale);
  const { sections } = words;
  const now = machine.work.some((task) => task.now !== undefined);
  const amount = (does: PaperMachine['work'][number]['does']): Cell => ({ text: said.amount(does) });
  const bullets = (head: string, items: readonly string[]): Block[] =>
    items.length === 0
      ? []
      : [
          { kind: 'heading', level: 3, text: head },
          { kind: 'list', items },
        ];
  const room = said.room(machine.room);
  const name = machine.seat === undefined ? machine.name : `${machine.seat}: ${machine.name}`;
  return [
    { kind: 'heading', level: 2, text: sections.plain(name), newPage: first },
    {
      kind: 'table',
      widths: [6, 3, ...(now ? [4] : []), 4],
      head: [
        { text: words.work.task },
        { text: head(words.work.needs) },
        ...(now ? [{ text: head(words.work.now) }] : []),
        { text: head(words.work.does) },
      ],
      rows: machine.work.map((task) => [
        { text: task.task },
        amount(task.needs),
        ...(now ? [task.now ? amount(task.now) : { text: '' }] : []),
        amount(task.does),
      ]),
      foot: [],
    },
    ...bullets(
      sections.reasons,
      machine.parts.map((part) => `${part.name}: ${said.reason(part.reason)}`),
    ),
    ...bullets(
      sections.against,
      machine.against.flatMap((other) => said.against(other, quote)),
    ),
    ...bullets(
      sections.notAsked,
      machine.notAsked.map((what) => said.notAsked(what, quote.currency)),
    ),
    ...bullets(sections.later, [
      ...(room === undefined ? [] : [room]),
      ...machine.later.map((phase) => said.later(phase)),
    ]),
  ];
}
