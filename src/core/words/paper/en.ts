import type { Amount } from '../../quote/document';
import type { CostLine } from '../../versus/ownership';
import type { Numbers } from './numbers';
import { besideShown, joined, type BesideNames } from './shared';
import type { PaperWords } from './words';

const list = (names: readonly string[]): string => joined(names, 'and');

const BESIDE: BesideNames = {
  warranty: ['warranty', 'months'],
  onSite: ['service at your place', ''],
  responseDays: ['days without the machine when it fails', ''],
  delivery: ['days until it is there', ''],
  noise: ['noise', 'dB(A)'],
  volume: ['size', 'L'],
  errorCorrection: ['memory that corrects errors', ''],
  encryption: ['drive that encrypts', ''],
  remoteManagement: ['can be managed from afar', ''],
  toolFree: ['opens without tools', ''],
  drivesFromFront: ['drives from the front', ''],
  fastPorts: ['fast ports', ''],
  freeMemorySlots: ['free memory slots', ''],
  freeCardSlots: ['free card slots', ''],
  freeDriveSlots: ['free drive slots', ''],
  supplyReserve: ['power to spare', 'W'],
  fixed: ['parts that cannot be changed', ''],
};

const rateUnit = (unit: string): string => (unit === 'frame' ? 'fps' : `${unit}s/s`);

function amount(said: Amount, { number, times }: Numbers): string {
  const range = (low: number, high: number, digits?: number): string => {
    const [a, b] = [number(low, digits), number(high, digits)];
    return a === b ? a : `${a} – ${b}`;
  };
  switch (said.kind) {
    case 'none':
      return 'no target';
    case 'fails':
      return 'does not run';
    case 'starved':
      return 'gets no time to run';
    case 'unknown':
      return said.atMost === undefined
        ? 'not known'
        : `${said.short ? '' : 'not known, '}at most ${number(said.atMost)} ${rateUnit(said.unit)}`;
    case 'time':
      return times(said.low, said.high);
    case 'rate':
      return `${range(said.low, said.high)} ${rateUnit(said.unit)}`;
    case 'pace':
      return `${range(said.low, said.high, 2)} × ${said.buffer ? 'in time' : 'enough'}`;
    case 'paced':
      return said.buffer ? 'in time' : 'keeps up';
  }
}

const COSTS: Readonly<Record<CostLine, string>> = {
  purchase: 'purchase',
  later: 'later purchases',
  energy: 'energy',
  software: 'software',
  repair: 'repairs',
  waiting: 'waiting',
  resale: 'what it still brings',
};

const LACKING = {
  system: 'an operating system',
  display: 'a display',
  keyboard: 'a keyboard',
  pointing: 'a mouse or tablet',
  activation: 'a licence for the system that is there',
} as const;

const ROLES: Readonly<Record<string, string>> = {
  system: 'the system',
  scratch: 'scratch files',
  active: 'what is worked on',
  archive: 'what is kept',
  backup: 'copies',
};

export const EN: PaperWords = {
  title: ({ number, revision }) => `Quote ${number}, revision ${revision}`,
  heads: {
    what: 'What',
    count: 'Pieces',
    net: 'Net',
    gross: 'Total',
    total: 'Total',
    totalOfPriced: 'Total of what has a price',
    noPrice: 'no price',
    taxAt: (tax, rate) => `${tax} at ${rate}`,
    discount: (name) => `${name}, taken off above`,
    beside: (machine) => `${machine}: work and other`,
    page: (page, of) => `Page ${page} of ${of}`,
    sending: 'Sending',
  },
  sections: {
    price: 'Price',
    options: 'Choices',
    inPlace: 'In its place',
    plain: (machine) => `${machine} in plain words`,
    work: 'What it does',
    reasons: 'Why these parts',
    against: 'Beside others',
    notAsked: 'Not asked for',
    notIn: 'Not in the price',
    later: 'What can be added later',
    sign: 'Order',
  },
  seats: 'By seat',
  work: { task: 'Work', needs: 'needed', now: 'now', does: 'with this machine' },
  option: { alone: 'total with it', difference: 'difference' },
  needs: (names) => `only with ${list(names)}`,
  notWith: (names) => `not with ${list(names)}`,
  optionWork: (work, amounts) => work.map(({ task, does }) => `${task}: ${amounts(does)}`).join('; '),
  optionsAdd: 'What is ticked adds up.',
  amount,
  reason: (reason, numbers) => {
    switch (reason.code) {
      case 'sets-pace':
        return `sets the pace of ${list(reason.tasks)}`;
      case 'holds':
        return `holds ${numbers.bytes(reason.hasBytes, true)}; the heaviest work takes ${numbers.bytes(reason.needBytes, true)}`;
      case 'keeps':
        return `keeps ${list(reason.roles.map((role) => ROLES[role] ?? role))}${reason.bytes === undefined ? '' : `: ${numbers.bytes(reason.bytes)}`}`;
      case 'carries-draw':
        return `gives ${numbers.number(reason.ratedW, 4)} W; all at its limit takes ${numbers.number(reason.watts, 4)} W`;
      case 'cools':
        return `keeps the processor at ${reason.celsius} °C at most in this work; it bears ${reason.limitC} °C`;
      case 'quiet':
        return `${numbers.number(reason.dbA, 3)} dB(A) in the loudest work`;
      case 'takes':
        return `leaves ${reason.memory} memory, ${reason.cards} card and ${reason.drives} drive slots free`;
      case 'works-with':
        return 'fits with the rest';
    }
  },
  against: (against, quote, { coins, change, number }) => {
    const { speed } = against;
    const price =
      against.totalMinor === undefined || quote.machines.length > 1
        ? []
        : [
            `${against.name} costs ${coins(against.totalMinor, quote.currency)} ${quote.currency}: ${change(against.totalMinor - quote.totalMinor, quote.currency)} against this quote.`,
          ];
    const faster = speed
      ? [
          `Over ${against.tasks} ${against.tasks === 1 ? 'task' : 'tasks'} that both run, this machine is ${number(speed.likely, 2)} times as fast${against.what === 'present' ? ` as ${against.name}` : ''}; between ${number(speed.low, 2)} and ${number(speed.high, 2)} times.`,
        ]
      : [];
    const more = [
      ...(against.onlyOurs.length > 0 ? [`Only this machine runs ${list(against.onlyOurs)}.`] : []),
      ...(against.onlyTheirs.length > 0 ? [`Only ${against.name} runs ${list(against.onlyTheirs)}.`] : []),
    ];
    const side = (better: 'ours' | 'theirs') =>
      besideShown(against.beside, better, BESIDE, { yes: 'yes', no: 'no', to: 'against' }, number);
    const [ours, theirs] = [side('ours'), side('theirs')];
    return [
      ...price,
      ...(against.years
        ? [
            `Over ${against.years.years} years ${against.name} costs ${coins(Math.abs(against.years.differenceMinor), quote.currency)} ${quote.currency} ${against.years.differenceMinor < 0 ? 'less' : 'more'} than this machine: ${list(against.years.lines.map((line) => COSTS[line]))} counted.`,
          ]
        : []),
      ...faster,
      ...more,
      ...(ours.length > 0 ? [`This machine is better in: ${ours.join('; ')}.`] : []),
      ...(theirs.length > 0 ? [`${against.name} is better in: ${theirs.join('; ')}.`] : []),
    ];
  },
  notAsked: (what, currency, { change, number }) => {
    const minor = what.differenceMinor;
    const money = minor === undefined ? undefined : `${change(minor, currency)} ${currency}`;
    switch (what.what) {
      case 'error-correction':
        return money === undefined
          ? 'Memory that corrects errors: this machine cannot take it.'
          : `Memory that corrects errors (${what.part ?? ''}): ${money}.`;
      case 'second-drive':
        return `A second drive that keeps a copy of what is worked on (${what.part ?? ''}): ${money ?? ''}.`;
      case 'quieter':
        return `A quieter case (${what.part ?? ''}), ${number(what.dbA ?? 0, 3)} dB(A) in the loudest work: ${money ?? ''}.`;
    }
  },
  lacking: (what) => LACKING[what],
  room: ({ memory, cards, drives, watts }, { number }) => {
    const free = [
      ...(memory ? [`${memory} memory ${memory === 1 ? 'slot' : 'slots'}`] : []),
      ...(cards ? [`${cards} card ${cards === 1 ? 'slot' : 'slots'}`] : []),
      ...(drives ? [`${drives} drive ${drives === 1 ? 'slot' : 'slots'}`] : []),
    ];
    const spare = watts !== undefined && watts > 0 ? `the supply has ${number(watts, 4)} W to spare` : undefined;
    return free.length === 0
      ? spare && `All slots are taken; ${spare}.`
      : `Free: ${list(free)}${spare ? `; ${spare}` : ''}.`;
  },
  later: ({ name, on }, { day }) => (on === undefined ? name : `${name}, from ${day(on)}`),
  notes: (quote, { coins, day, percent }) => {
    const { currency } = quote;
    const money = (minor: number): string => `${coins(minor, currency)} ${currency}`;
    return [
      `Prices are written ${quote.pricesIncludeTax ? 'with' : 'without'} ${quote.taxName}; the total is with it. This quote holds until ${day(quote.validUntil)}.`,
      ...(quote.depositMinor > 0
        ? [
            `${money(quote.depositMinor)}${quote.depositPercent === undefined ? '' : ` (${percent(quote.depositPercent)})`} are paid with the order, ${money(quote.restMinor)} ${quote.paymentDays === undefined ? 'on delivery' : `within ${quote.paymentDays} days of delivery`}.`,
          ]
        : quote.paymentDays === undefined
          ? []
          : [`Payable within ${quote.paymentDays} days of delivery.`]),
      ...(quote.partsThereOn === undefined
        ? []
        : [`Ordered on the day of this quote, the last part is there on ${day(quote.partsThereOn)}.`]),
      ...(quote.warrantyMonths === undefined
        ? []
        : [`${quote.warrantyMonths} months of warranty${quote.covers === undefined ? '' : `: ${quote.covers}`}.`]),
      ...(quote.returnDays === undefined ? [] : [`It may be sent back within ${quote.returnDays} days.`]),
    ];
  },
  notIn: (names) => `Not in the price: ${list(names)}.`,
  answer: {
    place: 'Place and day',
    signature: 'Signature',
    accept: 'Accept this quote',
    decline: 'Decline it',
    name: 'Your name',
    chosen: 'Total with what is ticked',
    lapsed: 'This quote has lapsed. Ask the workshop for a new one.',
    accepted: (day) => `This quote was accepted on ${day}.`,
    declined: (day) => `This quote was declined on ${day}.`,
  },
  letter: {
    subject: ({ number, revision, title }) => `Quote ${number}, revision ${revision}: ${title}`,
    text: (quote, { coins, day }) =>
      [
        `${quote.client?.name ?? 'Hello'},`,
        '',
        `here is our quote for ${quote.title}: ${coins(quote.totalMinor, quote.currency)} ${quote.currency}, ${quote.taxName} in. It holds until ${day(quote.validUntil)}.`,
        '',
        quote.from.name,
        ...(quote.from.reach === undefined ? [] : [quote.from.reach]),
      ].join('\n'),
  },
};
