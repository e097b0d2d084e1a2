import type { Phrases } from './words';

const ROLES: Readonly<Record<string, string>> = {
  system: 'the system',
  scratch: 'scratch files',
  active: 'what is worked on',
  archive: 'what is kept',
  backup: 'copies',
};

const slots = (count: number, kind: string): string => `${count} ${kind} ${count === 1 ? 'slot' : 'slots'}`;

export const EN: Phrases = {
  and: 'and',
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
    options: 'Choices',
    inPlace: 'In its place',
    plain: (machine) => `${machine} in plain words`,
    reasons: 'Why these parts',
    against: 'Beside others',
    notAsked: 'Not asked for',
    later: 'What can be added later',
    sign: 'Order',
  },
  work: { task: 'Work', needs: 'needed', now: 'now', does: 'with this machine' },
  option: {
    alone: 'total with it',
    difference: 'difference',
    adds: 'What is ticked adds up.',
    needs: (names) => `only with ${names}`,
    notWith: (name) => `not with ${name}`,
    notAllWith: (names) => `not with ${names} together`,
  },
  amount: {
    none: 'no target',
    fails: 'does not run',
    starved: 'gets no time to run',
    unknown: 'not known',
    atMost: (rate) => `at most ${rate}`,
    inTime: 'in time',
    enough: 'enough',
    keepsUp: 'keeps up',
    rate: (unit) => (unit === 'frame' ? 'fps' : `${unit}s/s`),
  },
  reason: (reason, numbers, list) => {
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
        return `${numbers.number(reason.dbA)} dB(A) in the loudest work`;
      case 'takes':
        return `leaves ${reason.memory} memory, ${reason.cards} card and ${reason.drives} drive slots free`;
      case 'works-with':
        return 'fits with the rest';
    }
  },
  against: {
    price: (name, costs, change) => `${name} costs ${costs}: ${change} against this quote.`,
    faster: (tasks, likely, low, high, than) =>
      `Over ${tasks} ${tasks === 1 ? 'task' : 'tasks'} that both run, this machine is ${likely} times as fast${than === undefined ? '' : ` as ${than}`}; between ${low} and ${high} times.`,
    onlyOurs: (tasks) => `Only this machine runs ${tasks}.`,
    onlyTheirs: (name, tasks) => `Only ${name} runs ${tasks}.`,
    years: (years, name, amount, less, lines) =>
      `Over ${years} years ${name} costs ${amount} ${less ? 'less' : 'more'} than this machine: ${lines} counted.`,
    costs: {
      purchase: 'purchase',
      later: 'later purchases',
      energy: 'energy',
      software: 'software',
      repair: 'repairs',
      waiting: 'waiting',
      resale: 'what it still brings',
    },
    ours: (things) => `This machine is better in: ${things}.`,
    theirs: (name, things) => `${name} is better in: ${things}.`,
    beside: {
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
    },
    yes: 'yes',
    no: 'no',
    to: 'against',
  },
  notAsked: {
    impossible: 'Memory that corrects errors: this machine cannot take it.',
    of: ({ what, dbA }, part, money, { number }) => {
      switch (what) {
        case 'error-correction':
          return `Memory that corrects errors (${part}): ${money}.`;
        case 'second-drive':
          return `A second drive that keeps a copy of what is worked on (${part}): ${money}.`;
        case 'quieter':
          return `A quieter case (${part}), ${number(dbA ?? 0)} dB(A) in the loudest work: ${money}.`;
      }
    },
  },
  lacking: {
    system: 'an operating system',
    display: 'a display',
    keyboard: 'a keyboard',
    pointing: 'a mouse or tablet',
    activation: 'a licence for the system that is there',
  },
  room: {
    memory: (count) => slots(count, 'memory'),
    cards: (count) => slots(count, 'card'),
    drives: (count) => slots(count, 'drive'),
    spare: (watts) => `the supply has ${watts} W to spare`,
    taken: 'All slots are taken',
    free: (free) => `Free: ${free}`,
  },
  from: (name, day) => `${name}, from ${day}`,
  notes: {
    prices: (taxIn, tax, until) =>
      `Prices are written ${taxIn ? 'with' : 'without'} ${tax}; the total is with it. This quote holds until ${until}.`,
    deposit: (now, share, rest, days) =>
      `${now}${share === undefined ? '' : ` (${share})`} are paid with the order, ${rest} ${days === undefined ? 'on delivery' : `within ${days} days of delivery`}.`,
    payable: (days) => `Payable within ${days} days of delivery.`,
    there: (day) => `Ordered on the day of this quote, the last part is there on ${day}.`,
    warranty: (months, covers) => `${months} months of warranty${covers === undefined ? '' : `: ${covers}`}.`,
    returns: (days) => `It may be sent back within ${days} days.`,
  },
  notIn: (names) => `Not in the price: ${names}.`,
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
    hello: 'Hello',
    subject: ({ number, revision, title }) => `Quote ${number}, revision ${revision}: ${title}`,
    text: ({ title, taxName }, total, until) =>
      `here is our quote for ${title}: ${total}, ${taxName} in. It holds until ${until}.`,
  },
};
