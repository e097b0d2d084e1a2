import type { Phrases } from './words';

const ROLES: Readonly<Record<string, string>> = {
  system: 'das System',
  scratch: 'Zwischendateien',
  active: 'die laufende Arbeit',
  archive: 'was aufgehoben wird',
  backup: 'Kopien',
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

const slots = (count: number, kind: string): string => `${count} ${kind}${count === 1 ? 'platz' : 'plätze'}`;

export const DE: Phrases = {
  and: 'und',
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
    options: 'Zur Wahl',
    inPlace: 'An seiner Stelle',
    plain: (machine) => `${machine} in einfachen Worten`,
    reasons: 'Warum diese Teile',
    against: 'Im Vergleich',
    notAsked: 'Nicht verlangt',
    later: 'Was später dazukommen kann',
    sign: 'Auftrag',
  },
  work: { task: 'Arbeit', needs: 'verlangt', now: 'heute', does: 'mit diesem Rechner' },
  option: {
    alone: 'Summe damit',
    difference: 'Unterschied',
    adds: 'Was angekreuzt ist, wird zusammengezählt.',
    needs: (names) => `nur mit ${names}`,
    notWith: (name) => `nicht mit ${name}`,
    notAllWith: (names) => `nicht mit ${names} zusammen`,
  },
  amount: {
    none: 'kein Ziel',
    fails: 'läuft nicht',
    starved: 'bekommt keine Rechenzeit',
    unknown: 'nicht bekannt',
    atMost: (rate) => `höchstens ${rate}`,
    inTime: 'rechtzeitig',
    enough: 'genug',
    keepsUp: 'hält Schritt',
    rate: (unit) => `${UNITS[unit] ?? unit}/s`,
  },
  reason: (reason, numbers, list) => {
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
  against: {
    price: (name, costs, change) => `${name} kostet ${costs}: ${change} gegenüber diesem Angebot.`,
    faster: (tasks, likely, low, high, than) =>
      `Über ${tasks} ${tasks === 1 ? 'Arbeit' : 'Arbeiten'}, die beide leisten, ist dieser Rechner ${likely}-mal so schnell${than === undefined ? '' : ` wie ${than}`}; zwischen ${low}- und ${high}-mal.`,
    onlyOurs: (tasks) => `Nur dieser Rechner leistet ${tasks}.`,
    onlyTheirs: (name, tasks) => `Nur ${name} leistet ${tasks}.`,
    years: (years, name, amount, less, lines) =>
      `Über ${years} Jahre kostet ${name} ${amount} ${less ? 'weniger' : 'mehr'} als dieser Rechner; gezählt sind ${lines}.`,
    costs: {
      purchase: 'Kauf',
      later: 'spätere Käufe',
      energy: 'Strom',
      software: 'Software',
      repair: 'Reparaturen',
      waiting: 'Warten',
      resale: 'Restwert',
    },
    ours: (things) => `Dieser Rechner ist besser bei: ${things}.`,
    theirs: (name, things) => `${name} ist besser bei: ${things}.`,
    beside: {
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
    },
    yes: 'ja',
    no: 'nein',
    to: 'gegen',
  },
  notAsked: {
    impossible: 'Speicher mit Fehlerkorrektur: dieser Rechner nimmt keinen.',
    of: ({ what, dbA }, part, money, { number }) => {
      switch (what) {
        case 'error-correction':
          return `Speicher mit Fehlerkorrektur (${part}): ${money}.`;
        case 'second-drive':
          return `Ein zweites Laufwerk mit einer Kopie der laufenden Arbeit (${part}): ${money}.`;
        case 'quieter':
          return `Ein leiseres Gehäuse (${part}), ${number(dbA ?? 0)} dB(A) bei der lautesten Arbeit: ${money}.`;
      }
    },
  },
  lacking: {
    system: 'ein Betriebssystem',
    display: 'ein Bildschirm',
    keyboard: 'eine Tastatur',
    pointing: 'eine Maus oder ein Tablett',
    activation: 'eine Lizenz für das vorhandene System',
  },
  room: {
    memory: (count) => slots(count, 'Speicher'),
    cards: (count) => slots(count, 'Karten'),
    drives: (count) => slots(count, 'Laufwerks'),
    spare: (watts) => `das Netzteil hat ${watts} W Reserve`,
    taken: 'Alle Plätze sind belegt',
    free: (free) => `Frei: ${free}`,
  },
  from: (name, day) => `${name}, ab ${day}`,
  notes: {
    prices: (taxIn, tax, until) =>
      `Die Preise stehen ${taxIn ? 'mit' : 'ohne'} ${tax}; die Summe enthält sie. Dieses Angebot gilt bis zum ${until}.`,
    deposit: (now, share, rest, days) =>
      `${now}${share === undefined ? '' : ` (${share})`} sind bei der Bestellung zu zahlen, ${rest} ${days === undefined ? 'bei der Lieferung' : `binnen ${days} Tagen nach der Lieferung`}.`,
    payable: (days) => `Zahlbar binnen ${days} Tagen nach der Lieferung.`,
    there: (day) => `Am Tag dieses Angebots bestellt, ist das letzte Teil am ${day} da.`,
    warranty: (months, covers) => `${months} Monate Garantie${covers === undefined ? '' : `: ${covers}`}.`,
    returns: (days) => `Rückgabe binnen ${days} Tagen.`,
  },
  notIn: (names) => `Nicht im Preis: ${names}.`,
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
    hello: 'Guten Tag',
    subject: ({ number, revision, title }) => `Angebot ${number}, Fassung ${revision}: ${title}`,
    text: ({ title, taxName }, total, until) =>
      `hier ist unser Angebot für ${title}: ${total} einschließlich ${taxName}. Es gilt bis zum ${until}.`,
  },
};
