import type { Brief } from '../model/brief';
import { fullName } from '../model/fitted';
import type { Machine } from '../model/machine';
import type { CoreChoice, CoreOpens } from '../upgrade/cores';
import { missingIn, type LadderStep } from '../upgrade/ladder';
import type { FutureOf, FuturePart } from '../upgrade/future';
import type { Ends, StandIns } from '../upgrade/standIns';
import type { NotSold, PartResale, ValuedBy } from '../upgrade/resale';
import type { UpgradeWorth } from '../upgrade/worth';
import type { Band } from '../units/band';
import { minorOfShown, plainNumber, type Currency } from '../units/money';
import { findingWords } from './findings';
import { madeOf } from './found';
import { capitalised, coins, coinsOnly, listed, number } from './format';
import { kindName } from './names';

const MONTH_WEEKS = 52 / 12;
/** Longer than this is told as never: nobody keeps a machine so long. */
const NEVER_WEEKS = 20 * 52;

/** "5 weeks", "9.6 months", "2.4 years". */
export function whileWords(weeks: number): string {
  if (weeks > NEVER_WEEKS) return 'never';
  if (weeks < 9) return weeks < 1.5 ? 'a week' : `${number(weeks, 2)} weeks`;
  const months = weeks / MONTH_WEEKS;
  return months < 24 ? `${number(months, 2)} months` : `${number(months / 12, 2)} years`;
}

const range = ({ low, high }: Band, currency: Currency): string =>
  low === high
    ? coins(Math.round(low), currency)
    : `${coinsOnly(Math.round(low), currency)} to ${coins(Math.round(high), currency)}`;

/** Whether a draft is worth it against the machine that is there, in a sentence or two. */
export function worthWords(
  { net, savedHoursAWeek, weeks, purchaseOpen, notPredicted }: UpgradeWorth,
  name: string,
  { hourMinor }: Pick<Brief, 'hourMinor'>,
  currency: Currency,
): string {
  const cost = `${name} costs ${purchaseOpen ? 'at least ' : ''}${coins(Math.round(net.likely), currency)} net of what is sold`;
  const { likely, low, high } = savedHoursAWeek;
  const hours = Math.abs(likely);
  if (hours < HARDLY)
    return `${cost}; ${notPredicted.length > 0 ? `how long ${listed(notPredicted.map((task) => `“${task}”`))} ${notPredicted.length > 1 ? 'are' : 'is'} waited for is not predicted on both` : 'nobody waits noticeably less'}.`;
  const band = low === high ? '' : ` (${number(low, 2)} to ${number(high, 2)})`;
  const saves =
    likely > 0
      ? `somebody waits ${number(hours, 2)} h a week less${band}`
      : `somebody waits ${number(hours, 2)} h a week more${band}`;
  if (net.likely <= 0) return `${name} costs nothing net of what is sold, and ${saves}.`;
  if (weeks === undefined || hourMinor === undefined)
    return `${cost}, and ${saves}; what an hour is worth is not stated, so nothing says when that pays.`;
  const at = `at ${coins(hourMinor, currency)} an hour`;
  if (weeks.likely > NEVER_WEEKS) return `${cost}, and ${saves}: ${at} it does not pay.`;
  const [soon, late] = [whileWords(weeks.low), whileWords(weeks.high)];
  const between = soon === late ? '' : ` (${soon} at best, ${late} at worst)`;
  return `${cost}, and ${saves}: ${at} it has paid after ${whileWords(weeks.likely)}${between}.`;
}

/** Tasks that begin to do what is asked, or stop, and what they drop less or more, in a sentence each. */
export function turnsWords({ tasks }: Pick<UpgradeWorth, 'tasks'>, brief: Pick<Brief, 'tasks'>): string[] {
  const named = (turns: 'begins' | 'ends'): string[] =>
    tasks.flatMap((change) =>
      change.turns === turns ? [`“${brief.tasks.find(({ id }) => id === change.task)?.name ?? change.task}”`] : [],
    );
  const [begins, ends] = [named('begins'), named('ends')];
  const dropped = tasks.flatMap(({ task, before, after }) => {
    const [was = 0, is = 0] = [before?.dropped, after?.dropped];
    // what does not run drops nothing, and is told of above
    if (!before?.gets || !after?.gets || Math.abs(was - is) < SEEN_DROPS) return [];
    const name = brief.tasks.find(({ id }) => id === task)?.name ?? task;
    return [`“${name}” drops ${number(is, 2)} ${after.unit}s a second, ${number(was, 2)} now.`];
  });
  return [
    ...(begins.length > 0
      ? [`${listed(begins)} ${begins.length > 1 ? 'do' : 'does'} what is asked for the first time.`]
      : []),
    ...(ends.length > 0 ? [`${listed(ends)} no longer ${ends.length > 1 ? 'do' : 'does'} what is asked.`] : []),
    ...dropped,
  ];
}

/** Fewer than this are not told, a second. */
const SEEN_DROPS = 0.05;
/** Less than this is no saving that anybody notices, hours a week. */
const HARDLY = 0.01;

/** What is not known of the machine that is there, and what of it matters most, in a sentence or two. */
export function standInWords({ all, items }: StandIns): string {
  const told = ({ hours, percent }: Ends): string => {
    const [few, many] = [Math.min(...hours), Math.max(...hours)];
    return many - few >= HARDLY
      ? `${number(few, 2)} to ${number(many, 2)} h a week are saved`
      : `it does ${Math.min(...percent)} to ${Math.max(...percent)} % of what is asked`;
  };
  const what = listed(items.map(({ item }) => `“${item.standsInFor ?? item.label ?? item.part}”`));
  const least = `${items.length === 1 ? 'Only said roughly' : `${items.length} parts are only said roughly`}: ${what}. With the least and the best that ${items.length === 1 ? 'it' : 'they'} can be ${told(all)}`;
  const [most] = items;
  return items.length > 1 && most
    ? `${least}; what matters most is “${most.item.standsInFor ?? most.item.part}” (${told(most.ends)}).`
    : `${least}.`;
}

/** What an hour has to be worth for it to pay, in a sentence; undefined where it costs nothing, or no hour is saved. */
export function paysAtWords({ paysAt, net }: UpgradeWorth, currency: Currency): string | undefined {
  if (net.likely <= 0) return undefined;
  const told = paysAt.flatMap(({ years, hourMinor }) =>
    hourMinor === undefined
      ? []
      : [`${coins(Math.round(hourMinor), currency)} within ${years === 1 ? 'a year' : `${years} years`}`],
  );
  return told.length === 0 ? undefined : `It pays if an hour is worth ${told.join(', ')}.`;
}

/** How long a part is under warranty still, as its terms or its maker say. */
export const warrantyWords = (until: string | undefined, today: string): string =>
  until === undefined ? 'no warranty known' : until > today ? `warranty until ${until}` : 'warranty over';

/** What a part is worth, and how that is known. */
export function resaleWords({ value, by, notSold }: PartResale, currency: Currency): string {
  if (notSold !== undefined && !value) return NOT_SOLD[notSold];
  if (!value || !by) return NOT_SOLD.unknown;
  const what = `${range(value, currency)}, ${byWords(by, currency)}`;
  return notSold === 'not-worth-it' ? `${what}; ${NOT_SOLD['not-worth-it']}` : what;
}

const NOT_SOLD: Readonly<Record<NotSold, string>> = {
  spare: 'kept as a spare',
  given: 'given to another seat',
  faulty: 'fails, so nobody buys it',
  'not-transferable': 'passes to nobody else',
  unknown: 'nobody says what it is worth: set a price, or the day it was bought',
  'not-worth-it': 'fees and the parcel take all of it, so it stays',
};

const FROM = { paid: 'was paid', today: 'it costs new', list: 'its maker asks' } as const;

function byWords(by: ValuedBy, currency: Currency): string {
  switch (by.code) {
    case 'by-hand':
      return 'set by hand';
    case 'used-offers':
      return by.offers === 1
        ? `a used one is offered for ${coins(by.leastMinor, currency)}`
        : `${by.offers} used ones are offered from ${coins(by.leastMinor, currency)}`;
    case 'declining':
      return `of the ${coins(by.fromMinor, currency)} that ${FROM[by.from]} after ${number(by.years, 2)} years${by.age === 'known' ? '' : ', if it is as old as it can be'}`;
  }
}

/** What is gained and lost beside time and money, a line each. */
export function besideWords({ louderDbA, energySavedMinor, notPredicted }: UpgradeWorth, currency: Currency): string[] {
  const lines: string[] = [];
  if (energySavedMinor !== undefined && energySavedMinor !== 0)
    lines.push(
      `Energy costs ${coins(Math.abs(energySavedMinor), currency)} a year ${energySavedMinor > 0 ? 'less' : 'more'}.`,
    );
  if (louderDbA !== undefined && Math.abs(louderDbA) >= 0.5)
    lines.push(`It is ${number(Math.abs(louderDbA), 2)} dB(A) ${louderDbA > 0 ? 'louder' : 'quieter'}.`);
  if (notPredicted.length > 0) lines.push(`Not counted, as it is not predicted on both: ${notPredicted.join(', ')}.`);
  return lines;
}

/** What a purchase on the way does, in a sentence: "“Export” meets its target; the work at 161 % in place of 65 %". */
export function ladderWords(
  { begins, ends, unsure, before, after }: Pick<LadderStep, 'begins' | 'ends' | 'unsure' | 'before' | 'after'>,
  { tasks }: Pick<Brief, 'tasks'>,
): string {
  const named = (ids: readonly string[]): string =>
    listed(ids.map((id) => `“${tasks.find((task) => task.id === id)?.name ?? id}”`));
  const lines = [
    ...(begins.length > 0 ? [`${named(begins)} ${begins.length > 1 ? 'meet their targets' : 'meets its target'}`] : []),
    ...(ends.length > 0 ? [`${named(ends)} no longer ${ends.length > 1 ? 'do' : 'does'}`] : []),
    ...(unsure.length > 0 ? [`of ${named(unsure)} nobody can tell then`] : []),
    before.percent === after.percent
      ? `the work stays at ${after.percent} % of what is asked`
      : `the work at ${after.percent} % of what is asked, ${before.percent} % before`,
  ];
  return lines.join('; ');
}

/** What a purchase brings for its money, after those before it: how much more of the work for each 100 coins. */
export function perCoinWords({ perMinor }: Pick<LadderStep, 'perMinor'>, currency: Currency): string | undefined {
  const hundred = minorOfShown(100, currency);
  // not money: a gain for each unit of it
  const gain = plainNumber(hundred) * plainNumber(perMinor);
  const more = Math.expm1(gain);
  return Number.isFinite(more) && more >= 0.005
    ? `${number(more * 100, 2)} % more for each ${coins(hundred, currency)}`
    : undefined;
}

/** How far a board goes with one kind of part, in a sentence or two. */
export function futureWords({ kind, takes, faster, best, value }: FutureOf, currency: Currency): string {
  const name = capitalised(kindName(kind));
  if (takes === 0) return `${name}: a dead end, nothing else that is sold goes in.`;
  const goes = takes === 1 ? '1 other goes in' : `${takes} others go in`;
  if (!best) return `${name}: a dead end, ${goes} and none makes this work faster.`;
  const told = ({ part, landedMinor, times, brought }: FuturePart): string =>
    `${fullName(part)}${landedMinor === undefined ? '' : ` for ${coins(landedMinor, currency)}`}, ${number(times, 3)} × as fast${brought.length > 0 ? ` (${[...new Set(brought.map((finding) => findingWords(finding).says.replace(/\.$/, '')))].slice(0, BROUGHT).join('; ')})` : ''}`;
  const most = `${name}: ${goes}, ${faster} of them faster. The most: ${told(best)}.`;
  return value && value.part.id !== best.part.id ? `${most} For its money: ${told(value)}.` : most;
}

/** Of what a part brings so much is told. */
const BROUGHT = 2;

/** One socket's cheapest core in words; the parts by name, those that had to be exchanged with it too. */
export interface CoreWords {
  readonly socket: string;
  readonly current: boolean;
  /** "Tern 6, Reef 2 and Ash 2x16 5600"; undefined when nothing is sound and does what is done now. */
  readonly bought: string | undefined;
  readonly priceMinor: number | undefined;
  readonly netMinor: number | undefined;
  /** New against the new core of the socket that is there; undefined where one of them is not. */
  readonly againstMinor: number | undefined;
  readonly times: number;
  /** What it asks for beside, a sentence each. */
  readonly asks: readonly string[];
  /** "DDR5 up to 6400 MT/s and 192 GB; cards at generation 5 ×16; 3 M.2 slots". */
  readonly opens: string | undefined;
  readonly machine: Machine | undefined;
}

/** What a core takes later, in a line. */
function opensWords({ memory, memoryMTs, memoryGiB, card, m2Slots }: CoreOpens): string {
  const most = [
    ...(memoryMTs === undefined ? [] : [`${memoryMTs} MT/s`]),
    ...(memoryGiB === undefined ? [] : [`${memoryGiB} GB`]),
  ];
  return [
    ...(memory === undefined ? [] : [`${memory}${most.length > 0 ? ` up to ${listed(most)}` : ''}`]),
    ...(card ? [`a card at generation ${card.generation} ×${card.lanes}`] : []),
    ...(m2Slots === undefined ? [] : [m2Slots === 1 ? '1 M.2 slot' : `${m2Slots} M.2 slots`]),
  ].join('; ');
}

/** The cores of a present machine in words, those that cost least net first, sockets without one last. */
export function coresWords(cores: readonly CoreChoice[], present: Pick<Machine, 'items'>): CoreWords[] {
  const same = cores.find(({ current }) => current)?.found;
  return cores
    .map(({ socket, current, found, net, times, asks, opens }): CoreWords => {
      const anew = found && missingIn(present.items, found.machine.items);
      return {
        socket,
        current,
        bought: anew && madeOf({ items: anew }),
        priceMinor: found?.priceMinor,
        netMinor: net && Math.round(net.likely),
        againstMinor: !found || !same || current ? undefined : found.priceMinor - same.priceMinor,
        times,
        asks: [...new Set(asks.map((finding) => findingWords(finding).says))],
        opens: opens && opensWords(opens),
        machine: found?.machine,
      };
    })
    .sort((a, b) => (a.netMinor ?? Infinity) - (b.netMinor ?? Infinity) || (a.socket < b.socket ? -1 : 1));
}
