import type { Amount } from '../../quote/document';
import type { CostLine } from '../../versus/ownership';
import type { Numbers } from './numbers';
import { besideShown, joined, type BesideNames } from './shared';
import type { PaperWords } from './words';

const list = (names: readonly string[]): string => joined(names, 'und');

const BESIDE: BesideNames = {
  warranty: ['Garantie', 'Monate'],
  onSite: ['Dienst vor Ort', ''],
  responseDays: ['Tage ohne Gerät bei einem Ausfall', ''],
  delivery: ['Tage bis zur Lieferung', ''],
  noise: ['Geräusch', 'dB(A)'],
  volume: ['Größe', 'l'],
  errorCorrection: ['Speicher mit Fehlerkorrektur', ''],
  encryption: ['verschlüsselndes Laufwerk', ''],
  remoteManagement: ['Fernwartung', ''],
  toolFree: ['öffnet sich ohne Werkzeug', ''],
  drivesFromFront: ['Laufwerke von vorn', ''],
  fastPorts: ['schnelle Anschlüsse', ''],
  freeMemorySlots: ['freie Speicherplätze', ''],
  freeCardSlots: ['freie Kartenplätze', ''],
  freeDriveSlots: ['freie Laufwerksplätze', ''],
  supplyReserve: ['Leistungsreserve', 'W'],
  fixed: ['nicht austauschbare Teile', ''],
};

/** Units of work that are counted by the second; each trade's own. */
const UNITS: Readonly<Record<string, string>> = {
  frame: 'Bilder',
  step: 'Schritte',
  token: 'Token',
  pass: 'Durchläufe',
  image: 'Bilder',
  view: 'Ansichten',
  feature: 'Elemente',
  component: 'Bauteile',
  build: 'Übersetzungen',
  file: 'Dateien',
  still: 'Aufnahmen',
  byte: 'Byte',
  request: 'Anfragen',
  buffer: 'Puffer',
  job: 'Aufträge',
  second: 'Sekunden',
};
const rateUnit = (unit: string): string => `${UNITS[unit] ?? unit}/s`;

function amount(said: Amount, { number, times }: Numbers): string {
  const range = (low: number, high: number, digits?: number): string => {
    const [a, b] = [number(low, digits), number(high, digits)];
    return a === b ? a : `${a} – ${b}`;
  };
  switch (said.kind) {
    case 'none':
      return 'kein Ziel';
    case 'fails':
      return 'läuft nicht';
    case 'starved':
      return 'bekommt keine Rechenzeit';
    case 'unknown':
      return said.atMost === undefined
        ? 'nicht bekannt'
        : `${said.short ? '' : 'nicht bekannt, '}höchstens ${number(said.atMost)} ${rateUnit(said.unit)}`;
    case 'time':
      return times(said.low, said.high);
    case 'rate':
      return `${range(said.low, said.high)} ${rateUnit(said.unit)}`;
    case 'pace':
      return `${range(said.low, said.high, 2)} × ${said.buffer ? 'rechtzeitig' : 'genug'}`;
    case 'paced':
      return said.buffer ? 'rechtzeitig' : 'hält Schritt';
  }
}

const COSTS: Readonly<Record<CostLine, string>> = {
  purchase: 'Kauf',
  later: 'spätere Käufe',
  energy: 'Strom',
  software: 'Software',
  repair: 'Reparaturen',
  waiting: 'Warten',
  resale: 'Restwert',
};

const LACKING = {
  system: 'ein Betriebssystem',
  display: 'ein Bildschirm',
  keyboard: 'eine Tastatur',
  pointing: 'eine Maus oder ein Tablett',
  activation: 'eine Lizenz für das vorhandene System',
} as const;

const ROLES: Readonly<Record<string, string>> = {
  system: 'das System',
  scratch: 'Zwischendateien',
  active: 'die laufende Arbeit',
  archive: 'was aufgehoben wird',
  backup: 'Kopien',
};

export const DE: PaperWords = {
  title: ({ number, revision }) => `Angebot ${number}, Fassung ${revision}`,
  heads: {
    what: 'Leistung',
    count: 'Stück',
    net: 'Netto',
    gross: 'Brutto',
    total: 'Summe',
    totalOfPriced: 'Summe des Bepreisten',
    noPrice: 'kein Preis',
    taxAt: (tax, rate) => `${tax} zu ${rate}`,
    discount: (name) => `${name}, oben abgezogen`,
    beside: (machine) => `${machine}: Arbeit und anderes`,
    page: (page, of) => `Seite ${page} von ${of}`,
    sending: 'Versand',
  },
  sections: {
    price: 'Preis',
    options: 'Zur Wahl',
    inPlace: 'An seiner Stelle',
    plain: (machine) => `${machine} in einfachen Worten`,
    work: 'Was er leistet',
    reasons: 'Warum diese Teile',
    against: 'Im Vergleich',
    notAsked: 'Nicht verlangt',
    notIn: 'Nicht im Preis',
    later: 'Was später dazukommen kann',
    sign: 'Auftrag',
  },
  seats: 'Nach Arbeitsplatz',
  work: { task: 'Arbeit', needs: 'verlangt', now: 'heute', does: 'mit diesem Rechner' },
  option: { alone: 'Summe damit', difference: 'Unterschied' },
  needs: (names) => `nur mit ${list(names)}`,
  notWith: (names) => `nicht mit ${list(names)}`,
  optionWork: (work, amounts) => work.map(({ task, does }) => `${task}: ${amounts(does)}`).join('; '),
  optionsAdd: 'Was angekreuzt ist, wird zusammengezählt.',
  amount,
  reason: (reason, numbers) => {
    switch (reason.code) {
      case 'sets-pace':
        return `bestimmt das Tempo von ${list(reason.tasks)}`;
      case 'holds':
        return `fasst ${numbers.bytes(reason.hasBytes, true)}; die schwerste Arbeit braucht ${numbers.bytes(reason.needBytes, true)}`;
      case 'keeps':
        return `für ${list(reason.roles.map((role) => ROLES[role] ?? role))}${reason.bytes === undefined ? '' : `: ${numbers.bytes(reason.bytes)}`}`;
      case 'carries-draw':
        return `liefert ${numbers.number(reason.ratedW, 4)} W; alles an seiner Grenze nimmt ${numbers.number(reason.watts, 4)} W`;
      case 'cools':
        return `hält den Prozessor bei dieser Arbeit auf höchstens ${reason.celsius} °C; er verträgt ${reason.limitC} °C`;
      case 'quiet':
        return `${numbers.number(reason.dbA, 3)} dB(A) bei der lautesten Arbeit`;
      case 'takes':
        return `lässt ${reason.memory} Speicher-, ${reason.cards} Karten- und ${reason.drives} Laufwerksplätze frei`;
      case 'works-with':
        return 'passt zum Übrigen';
    }
  },
  against: (against, quote, { coins, change, number }) => {
    const { speed } = against;
    const price =
      against.totalMinor === undefined || quote.machines.length > 1
        ? []
        : [
            `${against.name} kostet ${coins(against.totalMinor, quote.currency)} ${quote.currency}: ${change(against.totalMinor - quote.totalMinor, quote.currency)} gegenüber diesem Angebot.`,
          ];
    const faster = speed
      ? [
          `Über ${against.tasks} ${against.tasks === 1 ? 'Arbeit' : 'Arbeiten'}, die beide leisten, ist dieser Rechner ${number(speed.likely, 2)}-mal so schnell${against.what === 'present' ? ` wie ${against.name}` : ''}; zwischen ${number(speed.low, 2)}- und ${number(speed.high, 2)}-mal.`,
        ]
      : [];
    const more = [
      ...(against.onlyOurs.length > 0 ? [`Nur dieser Rechner leistet ${list(against.onlyOurs)}.`] : []),
      ...(against.onlyTheirs.length > 0 ? [`Nur ${against.name} leistet ${list(against.onlyTheirs)}.`] : []),
    ];
    const side = (better: 'ours' | 'theirs') =>
      besideShown(against.beside, better, BESIDE, { yes: 'ja', no: 'nein', to: 'gegen' }, number);
    const [ours, theirs] = [side('ours'), side('theirs')];
    return [
      ...price,
      ...(against.years
        ? [
            `Über ${against.years.years} Jahre kostet ${against.name} ${coins(Math.abs(against.years.differenceMinor), quote.currency)} ${quote.currency} ${against.years.differenceMinor < 0 ? 'weniger' : 'mehr'} als dieser Rechner; gezählt sind ${list(against.years.lines.map((line) => COSTS[line]))}.`,
          ]
        : []),
      ...faster,
      ...more,
      ...(ours.length > 0 ? [`Dieser Rechner ist besser bei: ${ours.join('; ')}.`] : []),
      ...(theirs.length > 0 ? [`${against.name} ist besser bei: ${theirs.join('; ')}.`] : []),
    ];
  },
  notAsked: (what, currency, { change, number }) => {
    const minor = what.differenceMinor;
    const money = minor === undefined ? undefined : `${change(minor, currency)} ${currency}`;
    switch (what.what) {
      case 'error-correction':
        return money === undefined
          ? 'Speicher mit Fehlerkorrektur: dieser Rechner nimmt keinen.'
          : `Speicher mit Fehlerkorrektur (${what.part ?? ''}): ${money}.`;
      case 'second-drive':
        return `Ein zweites Laufwerk mit einer Kopie der laufenden Arbeit (${what.part ?? ''}): ${money ?? ''}.`;
      case 'quieter':
        return `Ein leiseres Gehäuse (${what.part ?? ''}), ${number(what.dbA ?? 0, 3)} dB(A) bei der lautesten Arbeit: ${money ?? ''}.`;
    }
  },
  lacking: (what) => LACKING[what],
  room: ({ memory, cards, drives, watts }, { number }) => {
    const free = [
      ...(memory ? [`${memory} ${memory === 1 ? 'Speicherplatz' : 'Speicherplätze'}`] : []),
      ...(cards ? [`${cards} ${cards === 1 ? 'Kartenplatz' : 'Kartenplätze'}`] : []),
      ...(drives ? [`${drives} ${drives === 1 ? 'Laufwerksplatz' : 'Laufwerksplätze'}`] : []),
    ];
    const spare = watts !== undefined && watts > 0 ? `das Netzteil hat ${number(watts, 4)} W Reserve` : undefined;
    return free.length === 0
      ? spare && `Alle Plätze sind belegt; ${spare}.`
      : `Frei: ${list(free)}${spare ? `; ${spare}` : ''}.`;
  },
  later: ({ name, on }, { day }) => (on === undefined ? name : `${name}, ab ${day(on)}`),
  notes: (quote, { coins, day, percent }) => {
    const { currency } = quote;
    const money = (minor: number): string => `${coins(minor, currency)} ${currency}`;
    return [
      `Die Preise stehen ${quote.pricesIncludeTax ? 'mit' : 'ohne'} ${quote.taxName}; die Summe enthält sie. Dieses Angebot gilt bis zum ${day(quote.validUntil)}.`,
      ...(quote.depositMinor > 0
        ? [
            `${money(quote.depositMinor)}${quote.depositPercent === undefined ? '' : ` (${percent(quote.depositPercent)})`} sind bei der Bestellung zu zahlen, ${money(quote.restMinor)} ${quote.paymentDays === undefined ? 'bei der Lieferung' : `binnen ${quote.paymentDays} Tagen nach der Lieferung`}.`,
          ]
        : quote.paymentDays === undefined
          ? []
          : [`Zahlbar binnen ${quote.paymentDays} Tagen nach der Lieferung.`]),
      ...(quote.partsThereOn === undefined
        ? []
        : [`Am Tag dieses Angebots bestellt, ist das letzte Teil am ${day(quote.partsThereOn)} da.`]),
      ...(quote.warrantyMonths === undefined
        ? []
        : [`${quote.warrantyMonths} Monate Garantie${quote.covers === undefined ? '' : `: ${quote.covers}`}.`]),
      ...(quote.returnDays === undefined ? [] : [`Rückgabe binnen ${quote.returnDays} Tagen.`]),
    ];
  },
  notIn: (names) => `Nicht im Preis: ${list(names)}.`,
  answer: {
    place: 'Ort und Tag',
    signature: 'Unterschrift',
    accept: 'Angebot annehmen',
    decline: 'Ablehnen',
    name: 'Ihr Name',
    chosen: 'Summe mit dem Angekreuzten',
    lapsed: 'Dieses Angebot ist abgelaufen. Bitte fragen Sie nach einem neuen.',
    accepted: (day) => `Dieses Angebot wurde am ${day} angenommen.`,
    declined: (day) => `Dieses Angebot wurde am ${day} abgelehnt.`,
  },
  letter: {
    subject: ({ number, revision, title }) => `Angebot ${number}, Fassung ${revision}: ${title}`,
    text: (quote, { coins, day }) =>
      [
        `${quote.client?.name ?? 'Guten Tag'},`,
        '',
        `hier ist unser Angebot für ${quote.title}: ${coins(quote.totalMinor, quote.currency)} ${quote.currency} einschließlich ${quote.taxName}. Es gilt bis zum ${day(quote.validUntil)}.`,
        '',
        quote.from.name,
        ...(quote.from.reach === undefined ? [] : [quote.from.reach]),
      ].join('\n'),
  },
};
