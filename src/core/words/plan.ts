import type { Brief } from '../model/brief';
import { FIRST, type Item } from '../model/machine';
import type { SuccessionChange } from '../money/history';
import { SUCCESSION_DAYS } from '../money/history';
import type { Credits, Renewal } from '../money/renewal';
import type { Part } from '../parts';
import { daysBetween } from '../units/days';
import type { Currency } from '../units/money';
import { growsBy } from '../upgrade/growth';
import type { Course, CourseOpen, FallsShort, Overtaking } from '../upgrade/course';
import type { Planned, PhaseRow } from '../upgrade/planned';
import { coins, listed, number } from './format';
import { resourceName } from './names';

/** What a phase is called. */
export const phaseName = ({ name }: Pick<PhaseRow, 'name'>): string => name ?? 'Now';

/** Name of the phase of that id, as it stands in a sentence. */
const phaseSaid = (phases: readonly PhaseRow[], id: string): string =>
  id === FIRST ? 'the machine of now' : `“${phases.find((phase) => phase.id === id)?.name ?? id}”`;

/** What a plan costs up to its end, in a sentence. */
export function planWords({ course, phases, years }: Planned, name: string, currency: Currency): string {
  const least = course.open.some(({ code }) => code === 'price-unknown' || code === 'undated') ? 'at least ' : '';
  const steps = phases.length === 1 ? 'bought at once' : `in ${phases.length} phases`;
  return `${name}, ${steps}, costs ${least}${coins(course.totalMinor, currency)} over ${years === 1 ? 'a year' : `${years} years`}.`;
}

/** What that is made of, and how long somebody waits. */
export function planMadeOf({ course }: Pick<Planned, 'course'>, currency: Currency): string {
  const { byLine, days, waitingHours } = course;
  const end = days.at(-1);
  const told = [
    `${coins(byLine.purchase, currency)} is bought`,
    ...(byLine.energy > 0 ? [`${coins(byLine.energy, currency)} is energy`] : []),
    ...(byLine.waiting > 0 ? [`${coins(byLine.waiting, currency)} is waiting`] : []),
    ...(byLine.resale < 0 ? [`${coins(-byLine.resale, currency)} comes back on the way`] : []),
    ...(byLine.held < 0 ? [`${coins(-byLine.held, currency)} on ${end ?? 'the last day'}`] : []),
  ];
  const hours = waitingHours >= 1 ? ` Somebody waits ${number(waitingHours, 2)} h until then.` : '';
  return `${listed(told)}.${hours}`;
}

/** What of a plan's cost nobody knows, each in a sentence. */
export function openCourseWords(open: CourseOpen): string {
  switch (open.code) {
    case 'undated':
      return `${listed(open.names.map((name) => `“${name}”`))} ${open.names.length > 1 ? 'have' : 'has'} no day yet: give ${open.names.length > 1 ? 'each' : 'it'} one, and what ${open.names.length > 1 ? 'they cost' : 'it costs'} is counted.`;
    case 'price-unknown':
      return `Something in ${listed(open.names.map((name) => (name === FIRST ? 'the machine of now' : `“${name}”`)))} has no price, or lacks what is wanted, so this is a lower bound.`;
    case 'resale-unknown':
      return `Of ${open.count} ${open.count === 1 ? 'part' : 'parts'} nobody knows what ${open.count === 1 ? 'it brings' : 'they bring'} used: nothing is counted for ${open.count === 1 ? 'it' : 'them'}.`;
    case 'no-tariff':
      return 'Energy is not in it: the Workshop has no tariff.';
    case 'draw-unknown':
      return 'Energy is a lower bound: a draw is unknown.';
    case 'no-hour-value':
      return 'Waiting is told in hours: the brief does not say what one is worth.';
    case 'not-predicted':
      return `Not counted, as it is not predicted: ${listed(open.tasks.map((task) => `“${task}”`))}.`;
  }
}

/** Tasks that fall short in a plan, a sentence each; what is too small, and until when. */
export function fallsWords(
  { task, from, until, binds, times, phase }: FallsShort,
  { tasks }: Pick<Brief, 'tasks'>,
  phases: readonly PhaseRow[],
  today: string,
): string {
  const entry = tasks.find(({ id }) => id === task);
  const what = entry && growsBy(entry);
  const grown = times > 1.005 && what !== undefined ? ` with ${number(times, 2)} × the ${what}` : '';
  const narrow = binds === undefined ? '' : `; what is too small is ${resourceName(binds)}`;
  const next = until === undefined ? undefined : phases.find(({ on }) => on === until);
  const again = until === undefined ? '' : `, until ${next ? `“${phaseName(next)}” on ` : ''}${until}`;
  return `“${entry?.name ?? task}” falls short from ${from <= today ? 'the start' : from}${grown} on ${phaseSaid(phases, phase)}${again}${narrow}.`;
}

/** What is bought and what leaves in a phase. */
export function boughtWords({ bought, leaving }: Pick<PhaseRow, 'bought' | 'leaving'>): string {
  const names = (items: readonly Item[]): string => listed(items.map(({ label, part }) => label ?? part));
  const buys = bought.length > MANY ? `${bought.length} parts` : bought.length > 0 ? names(bought) : 'nothing bought';
  return leaving.length === 0
    ? buys
    : `${buys}; ${leaving.length > MANY ? `${leaving.length} parts leave` : `${names(leaving)} ${leaving.length > 1 ? 'leave' : 'leaves'}`}`;
}
/** More parts than this are counted, not named. */
const MANY = 4;

/** Which of two plans is the cheaper one, and from when on, in a sentence. */
export function overtakingWords(
  [first, second]: readonly [string, string],
  courses: readonly [Course, Course],
  overtaken: readonly Overtaking[],
  currency: Currency,
): string {
  const [start, ...turns] = overtaken;
  const [ours, theirs] = courses;
  if (!start) return `${first} and ${second} cost the same throughout.`;
  const nameOf = (which: Overtaking['cheaper']): string => (which === 'first' ? first : second);
  const by = coins(Math.abs(theirs.totalMinor - ours.totalMinor), currency);
  const last = nameOf((turns.at(-1) ?? start).cheaper);
  if (turns.length === 0) return `${last} costs less whenever it ends; ${by} less at the end.`;
  return `If it ended at once, ${nameOf(start.cheaper)} would have cost less; ${turns
    .map(({ on, cheaper }) => `from ${on} on ${nameOf(cheaper)}`)
    .join(', ')}. At the end ${last} costs ${by} less.`;
}

const share = (value: number): string =>
  `${value > 0 ? '+' : value < 0 ? '−' : ''}${number(Math.abs(value) * 100, 2)} %`;

/** What successions did to prices, told beside what prices do anyway. */
export function successionWords(change: SuccessionChange, kind: string, used: boolean): string {
  const { before, after } = SUCCESSION_DAYS;
  const { likely, low, high, cases, successions, otherwise } = change;
  const anyway =
    otherwise === undefined ? '' : `; over as many days in which nothing new came it was ${share(otherwise)}`;
  return `${used ? 'Used ones' : 'Their price'}: ${share(likely)} (${share(low)} to ${share(high)}) from ${before} days before a maker’s next ${kind} was sold to ${after} days after, in ${cases} cases at ${successions} ${successions === 1 ? 'succession' : 'successions'}${anyway}.`;
}

/** What is announced, and what waiting for it would cost in hours. */
export function announcedWords(
  part: Pick<Part, 'maker' | 'name' | 'onSale'>,
  today: string,
  hoursAWeek: number | undefined,
): string {
  const days = part.onSale === undefined ? undefined : daysBetween(today, part.onSale);
  const until = days === undefined ? ', nobody says for when' : ` for ${part.onSale ?? ''}, in ${days} days`;
  const waited =
    days === undefined || hoursAWeek === undefined || hoursAWeek < 0.01
      ? ''
      : `; until then ${number((hoursAWeek * days) / 7, 2)} h more are waited for`;
  return `${part.maker} ${part.name} is announced${until}${waited}.`;
}

/** Whether a year's licence is best renewed now. */
export function renewalWords({ gainMinor, lostMinor, paysUpToMinor }: Renewal, currency: Currency): string {
  const lost = lostMinor > 0 ? `, ${coins(lostMinor, currency)} of days lost` : '';
  return gainMinor > 0
    ? `Renewing now gains ${coins(gainMinor, currency)}${lost}; it pays up to ${coins(paysUpToMinor, currency)}.`
    : gainMinor < 0
      ? `Renewing now loses ${coins(-gainMinor, currency)}${lost}; it pays ${paysUpToMinor > 0 ? `up to ${coins(paysUpToMinor, currency)}` : 'at no price'}.`
      : `Renewing now neither gains nor loses${lost}.`;
}

/** Whether a packet of credits is worth it. */
export function creditsWords({ used, lapsed, gainMinor, paysFromAMonth }: Credits, currency: Currency): string {
  const from = Number.isFinite(paysFromAMonth)
    ? `it pays from ${number(paysFromAMonth)} a month on`
    : 'it never pays, however many are used';
  return `${number(used)} are used${lapsed > 0 ? ` and ${number(lapsed)} lapse` : ''}: the packet ${gainMinor >= 0 ? `gains ${coins(gainMinor, currency)}` : `loses ${coins(-gainMinor, currency)}`}; ${from}.`;
}
