import { firstOfEach } from '../assess/trials';
import { machineSchema, type Item, type Machine } from '../model/machine';
import type { Part, PartKind, PartOf } from '../parts';
import { rootOf } from '../parts/lookalikes';
import { compareParts } from '../parts/order';
import { monthsAfter } from '../units/days';
import { folded } from '../units/text';
import { LONGEST_SAID } from './said';

/** A part of a machine as somebody said it. */
export interface SaidPart {
  /** The words that name it. */
  readonly said: string;
  readonly kind: PartKind;
  /** The library's part: the one that was named, or the middle one of those that it can be. */
  readonly part: Part;
  /** The least and the best that it can be, where it is not named. */
  readonly between: readonly [Part, Part] | undefined;
  /** Parts that it can be, editions counted once. */
  readonly canBe: number;
  readonly boughtOn: string | undefined;
}

/** A machine as it was said. */
export interface Spoken {
  readonly parts: readonly SaidPart[];
  /** Words that name nothing that the library has, each with why. */
  readonly unknown: readonly { readonly said: string; readonly why: 'not-understood' | 'no-such-part' }[];
}

const COUNTS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
const COUNT = String.raw`(\d{1,3}|${COUNTS.join('|')}|a|an)`;
const countOf = (text: string | undefined): number | undefined => {
  if (text === undefined) return undefined;
  if (text === 'a' || text === 'an') return 1;
  const named = COUNTS.indexOf(text);
  return named === -1 ? Number(text) : named + 1;
};

const CORES = new RegExp(`${COUNT}[ -]?cores?\\b`);
const AGE = new RegExp(`${COUNT} years?(?: (?:ago|old))?\\b`);
const YEAR = /\b(?:from|of|in|bought) ((?:19|20)\d\d)\b/;
const MODULES = /(\d{1,2}) ?[x×] ?(\d{1,4}) ?g(?:i?b)?\b/;
const GIGABYTES = /(\d{1,5}) ?gi?b\b/;
const TERABYTES = /(\d{1,3}(?:\.\d{1,2})?) ?tb\b/;
const WATTS = /(\d{2,4}) ?w(?:att)?s?\b/;
const CARD = /\b(?:card|graphics|gpu)\b/;
const DRIVE = /\b(?:drive|ssd|disk|nvme|hard)\b/;
const MEMORY = /\b(?:memory|ram|ddr\d)\b/;
const SUPPLY = /\b(?:supply|psu)\b/;
const SPINNING = /\b(?:hard|disk|hdd)\b/;
const SOLID = /\b(?:ssd|nvme|solid)\b/;

const MOST_PHRASES = 40;

/** How good a part of a kind is, for the least and the best that it can be. */
function measureOf(part: Part): number | undefined {
  switch (part.kind) {
    case 'processor':
      return part.coreGroups?.reduce<number | undefined>((sum, { count, allCoreGHz, boostGHz, workPerClock }) => {
        const clock = allCoreGHz ?? boostGHz;
        return sum === undefined || clock === undefined || workPerClock === undefined
          ? undefined
          : sum + count * clock * workPerClock;
      }, 0);
    case 'graphics':
      return part.fp32Tflops;
    case 'memory':
      return part.rateMTs;
    case 'drive':
      return part.seqReadMBs;
    case 'supply':
      return part.ratedW;
    default:
      return undefined;
  }
}

/** Whether a part could be bought new on a day; one without dates could. */
const soldOn = ({ onSale, withdrawn }: Part, day: string): boolean =>
  (onSale === undefined || onSale <= day) && (withdrawn === undefined || withdrawn >= day);

interface Phrase {
  readonly said: string;
  readonly text: string;
  readonly boughtOn: string | undefined;
}

/**
 * The parts of a machine that is said in words, such as "a 6-core of three years ago, 32 GB, a card with 12 GB, 1 TB drive":
 * between commas one part each. A name of the library is that part; else the figure decides, and of the parts that were sold
 * at that age and go with the processor the middle one stands for it, with the least and the best it can be. An age by
 * itself, or that of the processor, is the age of all that say none. Nothing is guessed that nobody said.
 */
export function spokenMachine(text: string, library: readonly Part[], today: string): Spoken {
  const phrases = phrasesOf(text.slice(0, LONGEST_SAID), today);
  const parts: SaidPart[] = [];
  const unknown: { said: string; why: 'not-understood' | 'no-such-part' }[] = [];
  for (const phrase of phrases) {
    const named = namedIn(phrase.text, library);
    const found = named
      ? { kind: named.kind, fits: [named], named: true }
      : { ...wantedBy(phrase, library, parts), named: false };
    if (found.kind === undefined) unknown.push({ said: phrase.said, why: 'not-understood' });
    else if (found.fits.length === 0) unknown.push({ said: phrase.said, why: 'no-such-part' });
    else parts.push(chosen(phrase, found.kind, found.fits));
  }
  return { parts, unknown };
}

/** Pieces between commas with the age of each; a piece that is nothing but an age is that of all. */
function phrasesOf(text: string, today: string): Phrase[] {
  const pieces = text
    .split(/[,;\n]|\band\b|\+/i)
    .map((piece) => piece.trim())
    .filter((piece) => piece !== '')
    .slice(0, MOST_PHRASES)
    .map((said) => ({ said, text: ` ${folded(said).replaceAll('-', ' ')} ` }));
  const ages = pieces.map(({ text: words }) => ageIn(words, today));
  const overall = pieces.flatMap(({ text: words }, i) => {
    const age = ages[i];
    return age !== undefined && (words.replace(AGE, '').replace(YEAR, '').trim() === '' || CORES.test(words))
      ? [age]
      : [];
  })[0];
  return pieces.flatMap(({ said, text: words }, i): Phrase[] => {
    const bare = words.replace(AGE, ' ').replace(YEAR, ' ');
    return bare.replace(/\b(?:all|it|is|about|bought)\b/g, '').trim() === ''
      ? []
      : [{ said, text: bare, boughtOn: ages[i] ?? overall }];
  });
}

function ageIn(words: string, today: string): string | undefined {
  const years = countOf(AGE.exec(words)?.[1]);
  if (years !== undefined) return monthsAfter(today, -12 * years);
  const year = YEAR.exec(words)?.[1];
  // in the middle of that year, as nobody says more; never after today
  const middle = year === undefined ? undefined : `${year}-07-01`;
  return middle === undefined ? undefined : middle > today ? today : middle;
}

/** The part whose name stands in the words, the longest of them; "Tern 8" also stands in "Tern 8 bare". */
function namedIn(words: string, library: readonly Part[]): Part | undefined {
  let best: { part: Part; length: number } | undefined;
  for (const part of library) {
    const name = folded(part.name).replaceAll('-', ' ');
    if (name.length < SHORTEST_NAME || !words.includes(` ${name} `)) continue;
    const length = name.length + (words.includes(folded(part.maker)) ? part.maker.length : 0);
    if (!best || length > best.length) best = { part, length };
  }
  return best?.part;
}
const SHORTEST_NAME = 4;

/** What a phrase asks for by its figures, and the parts that are so; no kind where nobody can tell. */
function wantedBy(
  { text, boughtOn }: Phrase,
  library: readonly Part[],
  before: readonly SaidPart[],
): { kind: PartKind | undefined; fits: Part[] } {
  const of = <K extends PartKind>(kind: K, fits: (part: PartOf<K>) => boolean): { kind: K; fits: Part[] } => {
    const all = library.filter(
      (part): part is Extract<Part, { kind: K }> => part.kind === kind && fits(part as PartOf<K>),
    );
    const then = boughtOn === undefined ? all : all.filter((part) => soldOn(part, boughtOn));
    return { kind, fits: then.length > 0 ? then : all };
  };
  const cores = countOf(CORES.exec(text)?.[1]);
  if (cores !== undefined)
    return of('processor', ({ coreGroups }) => coreGroups?.reduce((sum, { count }) => sum + count, 0) === cores);
  const watts = WATTS.exec(text)?.[1];
  if (watts !== undefined && !CARD.test(text)) return of('supply', ({ ratedW }) => ratedW === Number(watts));
  if (SUPPLY.test(text)) return of('supply', () => true);
  const gigabytes = GIGABYTES.exec(text)?.[1];
  if (CARD.test(text))
    return of('graphics', ({ memoryGiB }) => gigabytes === undefined || memoryGiB === Number(gigabytes));
  const terabytes = TERABYTES.exec(text)?.[1];
  if (terabytes !== undefined || DRIVE.test(text)) {
    const wanted =
      terabytes !== undefined ? Number(terabytes) * 1000 : gigabytes === undefined ? undefined : Number(gigabytes);
    const kind = SOLID.test(text) ? 'solid' : SPINNING.test(text) ? 'spinning' : undefined;
    return of(
      'drive',
      ({ capacityGB, cellKind }) =>
        (wanted === undefined || (capacityGB !== undefined && Math.abs(capacityGB / wanted - 1) < CAPACITY_SLACK)) &&
        (kind === undefined || (cellKind === 'magnetic') === (kind === 'spinning')),
    );
  }
  const modules = MODULES.exec(text);
  if (modules || gigabytes !== undefined || MEMORY.test(text)) {
    const processor = before.find(({ kind }) => kind === 'processor')?.part;
    const generations =
      processor?.kind === 'processor' ? processor.memory?.map(({ generation }) => generation) : undefined;
    const total = modules
      ? Number(modules[1]) * Number(modules[2])
      : gigabytes === undefined
        ? undefined
        : Number(gigabytes);
    return of(
      'memory',
      (kit) =>
        (total === undefined || (kit.modules ?? 0) * (kit.moduleGiB ?? 0) === total) &&
        (!modules || kit.modules === Number(modules[1])) &&
        (generations === undefined || kit.generation === undefined || generations.includes(kit.generation)),
    );
  }
  return { kind: undefined, fits: [] };
}
/** 960 GB are called 1 TB. */
const CAPACITY_SLACK = 0.07;

/** The middle of the parts that it can be, by how good they are. */
function chosen({ said, boughtOn }: Phrase, kind: PartKind, fits: readonly Part[]): SaidPart {
  const known = fits.filter((part) => measureOf(part) !== undefined);
  // of those whose figures nobody states none is the least or the best, unless there is no other
  const measured = [...(known.length > 0 ? known : fits)].sort(
    (a, b) => (measureOf(a) ?? 0) - (measureOf(b) ?? 0) || compareParts(a, b),
  );
  // of editions the plain one
  const plain = measured.map((part) => fits.find(({ id }) => id === rootOf(part)) ?? part);
  const distinct = firstOfEach(plain, rootOf);
  const [least, best] = [distinct[0], distinct.at(-1)];
  const part = distinct[Math.floor((distinct.length - 1) / 2)] ?? fits[0];
  if (!part || !least || !best) throw new RangeError('a phrase without a part that it can be');
  return {
    said,
    kind,
    part,
    between: distinct.length > 1 ? [least, best] : undefined,
    canBe: distinct.length,
    boughtOn,
  };
}

/** The machine that was said, as the one that is there: what is not named stands in for what it is. */
export function machineOfSpoken({ parts }: Pick<Spoken, 'parts'>): Machine {
  const counts = new Map<PartKind, number>();
  return machineSchema.parse({
    id: 'present',
    name: 'Present machine',
    present: true,
    items: parts.map(({ said, kind, part, between, boughtOn }): Item => {
      const n = (counts.get(kind) ?? 0) + 1;
      counts.set(kind, n);
      return {
        id: `${kind}-${n}`,
        part: part.id,
        label: `${part.maker} ${part.name}`.slice(0, 120),
        owned: true,
        ...(kind === 'drive' ? { roles: n === 1 ? ['system', 'active', 'scratch'] : ['archive'] } : {}),
        ...(between ? { standsInFor: said.slice(0, 200), standInRange: [between[0].id, between[1].id] } : {}),
        ...(boughtOn === undefined ? {} : { resale: { boughtOn } }),
      };
    }),
  });
}
