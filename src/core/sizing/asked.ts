import { isOnSale } from '../parts/onSale';
import type { Assessment, Context } from '../assess';
import type { Brief } from '../model/brief';
import type { FittedParts } from '../model/fitted';
import type { DriveRole } from '../figures/resources';
import { cheapestOffer } from '../money/landed';
import type { Part, PartKind, PartOf } from '../parts';
import { CARD_RATES, isCardResource } from '../predict/cardSupply';
import { processorRates } from '../predict/processor';
import { GIB } from '../units/quantity';
import { bareOf } from './bare';
import { derivedSizes } from './held';
import { cardKinds, type CardKinds } from './kinds';
import { askedRates } from './rates';
import { askedTogether, roleSizes, type RoleSize } from './roles';
import { kitGiB } from '../parts/memory';

/** What the work asks of parts, before any is chosen and at the safe end of the model's spread. */
export interface Asked {
  readonly rates: ReadonlyMap<string, number>;
  readonly memoryBytes: number;
  readonly graphicsBytes: number;
  readonly roles: readonly RoleSize[];
  /** Bytes/s of one drive that serves some roles. */
  readonly ofDrive: (roles: readonly DriveRole[]) => { readonly read: number; readonly write: number };
  readonly kinds: CardKinds;
  /** The cheapest part of a kind that has all that is asked of it, else the one that lacks least; buying rules respected. */
  readonly likely: (kind: 'processor' | 'graphics') => Part | undefined;
}

const known = new WeakMap<Assessment, Asked>();

export function askedOf(brief: Brief, context: Context): Asked {
  const bare = bareOf(brief, context);
  const before = known.get(bare);
  if (before) return before;
  const sizes = new Map(derivedSizes(bare, bare).map(({ what, safeBytes }) => [what, safeBytes]));
  const picked = new Map<PartKind, Part | undefined>();
  const asked: Asked = {
    rates: new Map(askedRates(bare, bare).map(({ resource, safe }) => [resource, safe])),
    memoryBytes: sizes.get('memory') ?? 0,
    graphicsBytes: sizes.get('graphics memory') ?? 0,
    roles: roleSizes(bare, bare),
    ofDrive: (roles) => askedTogether(bare.facts, roles),
    kinds: cardKinds(bare, bare),
    likely: (kind) => {
      if (!picked.has(kind)) picked.set(kind, leastThatDoes(kind));
      return picked.get(kind);
    },
  };
  known.set(bare, asked);
  return asked;

  function leastThatDoes(kind: 'processor' | 'graphics'): Part | undefined {
    let best: { part: Part; lacks: number; minor: number } | undefined;
    for (const part of context.catalogue.ofKind(kind) as readonly Part[]) {
      if (!isOnSale(part, context.today)) continue;
      const offer = cheapestOffer(context.catalogue, part, bare.region, bare.facts.policy);
      if (!offer) continue;
      const lacks = shortfall(part, asked, NOTHING);
      const minor = offer.landed.landedMinor;
      if (!best || lacks < best.lacks - 1e-9 || (lacks < best.lacks + 1e-9 && minor < best.minor))
        best = { part, lacks, minor };
    }
    return best?.part;
  }
}

/** What surrounds a part that is looked at: the parts already there, and the roles a drive would get. */
export interface Around {
  readonly parts: FittedParts | undefined;
  readonly roles: readonly DriveRole[];
  readonly roomC: number;
}
const NOTHING: Around = { parts: undefined, roles: [], roomC: 25 };

/** An asked figure that a part does not state counts as if it had a quarter of it: unknown never wins. */
const UNKNOWN_LACKS = Math.log(4);
/** A supply's rating ÷ the draw it is taken for, so that it is not at its limit for hours. */
const SUPPLY_RESERVE = 1 / 0.8;
/** Watts of drives, fans and a board beside processor and card. */
const REST_W = 60;
/** How much warmer the air in the case is than the room, in kelvin, before there is a case to ask. */
const CASE_RISE_K = 10;
/** The smallest system drive worth the name, in GB. Source: judgement, beside the rule `system-drive`. */
const SYSTEM_GB = 240;

const lack = (asked: number, has: number | undefined): number =>
  asked <= 0 ? 0 : has === undefined ? UNKNOWN_LACKS : Math.max(0, Math.log(asked / Math.max(has, asked * 1e-6)));

/**
 * How far a part is from what the work asks of its kind: the sum of ln(asked ÷ has) over what it lacks; 0 means that it
 * has all of it. What parts cannot tell by themselves (whether they fit) is for the rules.
 */
export function shortfall(part: Part, asked: Asked, around: Around): number {
  switch (part.kind) {
    case 'processor': {
      const rates = processorRates(part);
      const drawn = asked.kinds.graphics !== undefined && !around.parts?.one('graphics');
      return (
        lack(asked.rates.get('cpu.serial') ?? 0, rates.serial?.value) +
        lack(asked.rates.get('cpu.parallel') ?? 0, rates.parallel(rates.threads)?.value) +
        lack(asked.memoryBytes / GIB, part.memoryLimitGiB) +
        // what has graphics of its own is not asked to have it: a card does better, so this only breaks ties
        (drawn && part.integratedGraphics === 'none' ? 1e-6 : 0)
      );
    }
    case 'board':
      return lack(asked.memoryBytes / GIB, part.memoryLimitGiB);
    case 'memory': {
      const there = around.parts?.ofKind('memory').reduce<number | undefined>((sum, kit) => added(sum, kit.part), 0);
      const has = there === undefined ? undefined : added(there, part);
      return lack(asked.memoryBytes / GIB, has);
    }
    case 'graphics':
      return cardLacks(part, asked);
    case 'drive':
      return driveLacks(part, asked, around.roles);
    case 'supply':
      return lack(drawn(asked, around) * SUPPLY_RESERVE, part.ratedW);
    case 'cooler': {
      const processor = around.parts?.one('processor')?.part;
      const { sustainedPowerW, maxPowerW, maxTemperatureC, packageKPerW } = processor ?? {};
      const power = sustainedPowerW ?? maxPowerW;
      if (power === undefined || maxTemperatureC === undefined) return 0;
      const allowed = (maxTemperatureC - around.roomC - CASE_RISE_K) / power - (packageKPerW ?? 0);
      const least = part.resistance && Math.min(...part.resistance.map(({ kPerW }) => kPerW));
      return least === undefined ? UNKNOWN_LACKS : lack(1 / Math.max(allowed, 0.01), 1 / least);
    }
    case 'case': {
      const card = around.parts?.one('graphics')?.part ?? (asked.kinds.graphics ? asked.likely('graphics') : undefined);
      return card?.kind === 'graphics' && card.lengthMm !== undefined ? lack(card.lengthMm, part.cardLengthMm) : 0;
    }
    default:
      return 0;
  }
}

const added = (gib: number | undefined, kit: PartOf<'memory'>): number | undefined => {
  const more = kitGiB(kit);
  return gib === undefined || more === undefined ? undefined : gib + more;
};

function cardLacks(part: PartOf<'graphics'>, { rates, graphicsBytes, kinds }: Asked): number {
  let lacks = lack(graphicsBytes / GIB, part.memoryGiB);
  for (const [resource, asked] of rates) {
    if (!isCardResource(resource)) continue;
    const { field, factor } = CARD_RATES[resource];
    lacks += lack(asked / factor, part[field]);
  }
  const stacks = kinds.graphics?.stacks;
  if (stacks && stacks.length > 0 && !stacks.some((stack) => part.computeStacks?.includes(stack)))
    lacks += UNKNOWN_LACKS;
  return lacks;
}

function driveLacks(part: PartOf<'drive'>, { roles, ofDrive }: Asked, mine: readonly DriveRole[]): number {
  const { read, write } = ofDrive(mine);
  const asking = roles.filter(({ role }) => mine.includes(role));
  const sum = (of: (role: RoleSize) => number) => asking.reduce((all, role) => all + of(role), 0);
  const system = mine.includes('system');
  return (
    lack(sum((role) => role.spaceAtEndBytes) / 1e9 + (system ? SYSTEM_GB : 0), part.capacityGB) +
    lack(read / 1e6, part.seqReadMBs) +
    lack(write / 1e6, part.sustainedWriteMBs) +
    (asking.some((role) => role.ratingBytes > 0) && part.cellKind !== 'magnetic'
      ? lack(sum((role) => role.ratingBytes) / 1e12, part.enduranceTBW)
      : 0) +
    // a system on a disk is a caution, an optical drive is no drive to keep anything on
    (system && part.cellKind === 'magnetic' ? UNKNOWN_LACKS : 0) +
    (part.cellKind === 'optical' ? 10 * UNKNOWN_LACKS : 0)
  );
}

/** Watts at full load of what is there and of what the targets will still need. */
function drawn(asked: Asked, { parts }: Around): number {
  const processors = parts?.ofKind('processor').map(({ part }) => part) ?? [];
  const cards = parts?.ofKind('graphics').map(({ part }) => part) ?? [];
  const processor = asked.likely('processor');
  const card = asked.kinds.graphics && asked.likely('graphics');
  const ofProcessors = (list: readonly PartOf<'processor'>[]) =>
    list.reduce((all, part) => all + (part.maxPowerW ?? part.basePowerW ?? 0), 0);
  const ofCards = (list: readonly PartOf<'graphics'>[]) => list.reduce((all, part) => all + (part.boardPowerW ?? 0), 0);
  return (
    REST_W +
    (processors.length > 0
      ? ofProcessors(processors)
      : processor?.kind === 'processor'
        ? ofProcessors([processor])
        : 0) +
    (cards.length > 0 ? ofCards(cards) : card?.kind === 'graphics' ? ofCards([card]) : 0)
  );
}
