import type { AdvantageId, Said } from '../versus/advantages';
import type { EvidenceApart } from '../versus/rivals';
import type { Share } from '../versus/difference';
import type { CostLine, OpenCost } from '../versus/ownership';
import type { WhyNot } from '../money/policy';
import type { Lacking } from '../money/spent';
import type { TooGood, TrustReason } from '../money/trust';
import type { Currency } from '../units/money';
import { GRADE } from './findings/prices';
import { WHOLE_WORDS } from './findings/work';
import { coins, listed, number, percent } from './format';

/** Why an offer is not one to buy. */
export function whyNotWords(why: WhyNot, currency: Currency): string {
  switch (why.code) {
    case 'condition':
      return `is ${why.condition}; the desk buys other conditions only`;
    case 'expired':
      return `held until ${why.until}`;
    case 'sold-out':
      return 'is sold out';
    case 'trust':
      return `comes from a seller that is ${GRADE[why.grade]}`;
    case 'bait':
      return `${coins(why.priceMinor, currency)} is far below the others' ${coins(why.usualMinor, currency)}, from a seller with ${why.ratings === undefined ? 'no ratings' : `${why.ratings} ratings`}`;
    case 'late':
      return `arrives on ${why.arrives}, after ${why.neededBy}`;
    case 'delivery-unknown':
      return `does not say when it arrives, and is needed by ${why.neededBy}`;
    case 'over-list':
      return `is above ${coins(why.mostMinor, currency)}, the most over the list price of ${coins(why.listMinor, currency)}`;
  }
}

/** What speaks for or against a seller. */
export function trustWords(reason: TrustReason): string {
  switch (reason.code) {
    case 'ratings':
      return `rated ${number(reason.mean, 2)} of 5 by ${reason.ratings}; ${number(reason.shrunk, 3)} when few ratings count little`;
    case 'few-ratings':
      return `only ${reason.ratings} ratings`;
    case 'no-ratings':
      return 'no ratings known';
    case 'third-party':
      return "sells in somebody else's shop";
    case 'young':
      return `sells since ${reason.since}, less than a year`;
    case 'no-returns':
      return 'takes nothing back';
    case 'returns':
      return `takes back within ${reason.days} days`;
  }
}

export const tooGoodWords = (good: TooGood, currency: Currency): string =>
  `${coins(good.priceMinor, currency)} is far below ${good.against === 'others' ? 'what the others ask' : "the maker's list price"}, ${coins(good.usualMinor, currency)}: look twice`;

export const SHARE_NAMES: Readonly<Record<Share, string>> = {
  parts: 'Parts',
  system: 'System software',
  software: 'Licences',
  assembly: 'Assembly',
  warranty: 'Support bought',
  shipping: 'Shipping',
  tax: 'Tax',
  remainder: 'Remainder',
};

export const COST_NAMES: Readonly<Record<CostLine, string>> = {
  purchase: 'Purchase, landed',
  later: 'Later phases',
  energy: 'Energy',
  software: 'Software',
  repair: 'Repairs expected',
  waiting: 'Waiting for runs',
  resale: 'Resale, net of fees',
};

/** What a cost leaves out, and how to put it in. */
export function openCostWords(open: OpenCost): string {
  switch (open.code) {
    case 'no-tariff':
      return 'Energy is left out: Workshop has no price of electricity.';
    case 'draw-unknown':
      return 'Energy is a lower bound: a draw or the supply’s efficiency is unknown.';
    case 'no-hour-value':
      return 'Waiting is left out: the brief does not say what an hour costs.';
    case 'not-predicted':
      return `Waiting leaves out ${listed(open.tasks)}, which cannot be predicted.`;
    case 'metered':
      return `Software leaves out ${listed(open.names)}, paid by use.`;
    case 'price-unknown':
      return open.line === 'software'
        ? `Software leaves out ${listed(open.names)}, without a price.`
        : open.line === 'later'
          ? 'A later phase has parts without a price.'
          : 'The purchase is a lower bound: something has no price.';
  }
}

export const APART_WORDS: Readonly<Record<EvidenceApart['because'], string>> = {
  'only-here': 'measured on one side only',
  'other-tool': 'measured with another tool on the other side',
  'other-settings': 'measured with other settings on the other side',
};

/** "3 % cheaper", "5 % dearer". */
export const changeWords = (change: number): string =>
  Math.abs(change) < 0.005 ? 'the same' : `${percent(Math.abs(change))} ${change < 0 ? 'cheaper' : 'dearer'}`;

export const ADVANTAGE_NAMES: Readonly<Record<AdvantageId, string>> = {
  warranty: 'Warranty',
  onSite: 'Repaired on site',
  responseDays: 'Until it works again',
  delivery: 'Delivery',
  noise: 'Noise, loudest sitting',
  volume: 'Volume of the case',
  errorCorrection: 'Error-correcting memory',
  encryption: 'System drive encrypts',
  remoteManagement: 'Remote management',
  toolFree: 'Opens without tools',
  drivesFromFront: 'Drives come out at the front',
  certified: 'Certified for',
  fastPorts: 'Ports of 10 Gb/s or more at the back',
  freeMemorySlots: 'Memory slots left',
  freeCardSlots: 'Card slots left',
  freeDriveSlots: 'M.2 slots left',
  supplyReserve: 'Supply left at the peak',
  fixed: 'Parts that cannot be changed for others',
};

/** A thing that money does not measure, as it reads. */
export function saidWords(said: Said): string {
  switch (said.kind) {
    case 'flag':
      return said.value === undefined ? 'not stated' : said.value ? 'yes' : 'no';
    case 'number':
      return said.value === undefined
        ? 'not stated'
        : `${number(said.value)} ${said.value === 1 ? said.unit.replace(/s$/, '') : said.unit}`;
    case 'words':
      return said.value ?? 'not stated';
  }
}

/** What a total leaves out because it is still to be added, as a sentence. */
export const lackingWords = (lacking: readonly Lacking[]): string =>
  `Not in the total: ${listed(lacking.map(lackingWord))}.`;

/** One of them. */
export const lackingWord = (what: Lacking): string =>
  what === 'activation' ? 'a licence for the system, which is owned and not activated here' : WHOLE_WORDS[what];
