import { DRIVE_ROLES } from '../../figures/resources';
import type { Catalogue } from '../../model/catalogue';
import type { Machine } from '../../model/machine';
import { PART_KINDS, type Part, type PartKind, type PartOf } from '../../parts';
import { cardPurpose } from '../../parts/purposes';
import { isOnSale } from '../../parts/onSale';
import type { Context } from '../../assess';
import { spokenOf } from '../../evidence/comparable';
import { askedOf } from '../../sizing/asked';
import { bareOf } from '../../sizing/bare';
import { expand } from '../../work';
import { factsForTrades } from '../../assess/stages';
import { undominated } from './dominance';
import { driveSets } from './driveSets';
import { storageGB } from './room';
import type { LeastPrices } from './least';
import { near } from './near';
import type { Position, Space } from './position';
import { listed, NOTHING, only, optionOf, upTo, type DrivesDo, type Good, type Option } from './option';
import type { Question } from './question';

/** Positions of a space by the kinds they fill. */
export const positionsOf = ({ positions }: Space, kinds: ReadonlySet<PartKind>): number[] =>
  positions.flatMap(({ kinds: filled }, i) => (filled.some((kind) => kinds.has(kind)) ? [i] : []));

/** A machine of a question without its parts: what was set on the one that is completed, else nothing. */
export const bareMachine = ({ from, brief }: Question): Machine => ({
  ...(from ?? {}),
  id: from?.id ?? FOUND,
  name: from?.name ?? brief.name,
  items: [],
});
const FOUND = 'found';

/** The machine that options make with what is kept; with `kinds` only what is kept of these. */
export const machineOf = (
  { kept, keptParts }: Space,
  question: Question,
  options: readonly Option[],
  kinds?: ReadonlySet<PartKind>,
): Machine => ({
  ...bareMachine(question),
  items: [
    ...kept.filter((_, i) => !kinds || (keptParts[i] && kinds.has(keptParts[i].kind))),
    ...options.flatMap(({ items }) => items),
  ],
});

/** Makes the machine that options of some kinds make with what is kept of these. */
export type Making = (options: readonly Option[], kinds: ReadonlySet<PartKind>) => Machine;

/**
 * The same machine for the same options: several stages and probes look at them one after the other, and what a subject
 * has worked out of a machine it knows by the machine itself.
 */
export function makingOf(space: Space, question: Question): Making {
  const texts = new WeakMap<ReadonlySet<PartKind>, string>();
  let last: { readonly options: readonly Option[]; readonly kinds: string; readonly machine: Machine } | undefined;
  return (options, kinds) => {
    let text = texts.get(kinds);
    if (text === undefined) texts.set(kinds, (text = [...kinds].sort().join()));
    if (!last || last.kinds !== text || !sameOptions(last.options, options))
      last = { options: [...options], kinds: text, machine: machineOf(space, question, options, kinds) };
    return last.machine;
  };
}

function sameOptions(a: readonly Option[], b: readonly Option[]): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}

/** Most cards that are tried together, and most modules. */
const MOST_CARDS = 4;
const MODULES: ReadonlySet<number> = new Set([1, 2, 4, 8]);
const MOST_KITS = 4;
const MOST_FANS = 3;

/**
 * The machines that a question is about. One processor, board, supply and case; no or several equal cards; equal memory
 * kits; a drive, or two equal ones, for each group of the roles that the work asks for; a cooler or the processor's own;
 * no or up to three fans of one model beside the case's own; cards for capture and network where the work asks for
 * them; what makes the machine whole where it is wanted. Parts that nobody sells today are left out.
 */
export const spaceOf = (question: Question, context: Context, prices: LeastPrices, drivesDo: DrivesDo): Space =>
  narrowed(wholeSpace(question, context, prices, drivesDo), question, context.catalogue, prices);

/** The same before anything is held in place or wanted by name. */
export function wholeSpace(question: Question, context: Context, prices: LeastPrices, drivesDo: DrivesDo): Space {
  const { brief, keep } = question;
  const { catalogue } = context;
  const kept = keep.flatMap((item) => {
    const part: Part | undefined = catalogue.part(item.part);
    return part ? [{ item, part }] : [];
  });
  const has = new Set(kept.map(({ part }) => part.kind));
  const bare = bareOf(brief, context);
  const asked = askedOf(brief, context);
  const forTrades = factsForTrades(bare.facts.parts, undefined, catalogue);
  const expanded = brief.tasks.map((task) => expand(task, forTrades));
  const shop = shopOf(question, context, prices);
  const positions: Position[] = [];
  const add = (
    name: string,
    kinds: readonly PartKind[],
    options: readonly Option[],
    wants?: Position['wants'],
  ): void => {
    positions.push({ name, kinds, choices: listed(options), ...(wants ? { wants } : {}) });
  };
  const one = (kind: PartKind, name: string = kind, wanted: (part: Part) => boolean = () => true) =>
    shop(kind)
      .filter(({ part }) => wanted(part))
      .map((good) => optionOf(name, [good]));
  /** How many of what is kept serve for something. */
  const keptOf = (serves: (part: Part) => boolean): number => kept.filter(({ part }) => serves(part)).length;

  // first what much else hangs on and few options are for
  addCards();
  if (!has.has('processor')) add('processor', ['processor'], one('processor'));
  if (!has.has('graphics')) {
    const most = Math.min(MOST_CARDS, Math.max(1, ...expanded.map(({ cards }) => cards?.max ?? 1)));
    add(
      'graphics',
      ['graphics'],
      [NOTHING, ...shop('graphics').flatMap((good) => upTo(most, good).map((set) => optionOf('graphics', set)))],
    );
  }
  if (!has.has('board')) add('board', ['board'], one('board'));
  if (!has.has('memory'))
    add(
      'memory',
      ['memory'],
      shop('memory').flatMap((good) =>
        upTo(MOST_KITS, good)
          .filter(({ length }) => length === 1 || MODULES.has(length * ((good.part as PartOf<'memory'>).modules ?? 1)))
          .map((set) => optionOf('memory', set)),
      ),
    );
  const roles = DRIVE_ROLES.filter(
    (role) =>
      role === 'system' ||
      asked.roles.some((size) => size.role === role) ||
      (role === 'backup' && (brief.keeping ?? 'one') !== 'one' && brief.secondCopy !== 'server'),
  ).filter((role) => !kept.some(({ item }) => item.roles?.includes(role)));
  const name = has.has('drive') ? 'more-drive' : 'drive';
  if (roles.length > 0)
    positions.push({
      name: 'drives',
      kinds: ['drive'],
      choices: driveSets(
        name,
        roles,
        shop('drive'),
        drivesDo,
        (question.least.storageGB ?? 0) - storageGB(kept.map(({ part }) => part)),
      ),
    });
  if (!has.has('cooler')) add('cooler', ['cooler'], [NOTHING, ...one('cooler')]);
  if (!has.has('case')) add('case', ['case'], one('case'));
  if (!has.has('supply')) add('supply', ['supply'], one('supply'));
  if (!has.has('fan'))
    add(
      'fans',
      ['fan'],
      [NOTHING, ...shop('fan').flatMap((good) => upTo(MOST_FANS, good).map((set) => optionOf('fan', set)))],
    );
  addWhole();
  return {
    positions,
    roles,
    kept: kept.map(({ item }) => item),
    keptParts: kept.map(({ part }) => part),
    keptMinor: kept.reduce((all, { item, part }) => all + (prices.ofItem(item, part) ?? 0), 0),
  };

  /** Cards that the work or the brief asks for; a board may have what they bring, so none is an option. */
  function addCards(): void {
    const { networkGbitPerS, wireless, videoInputs } = brief.mustHaves;
    const flows = expanded.flatMap((task) => task.flows);
    const inputs = videoInputs !== undefined || brief.tasks.some(({ kind }) => kind === 'live');
    const network =
      networkGbitPerS !== undefined ||
      brief.tasks.some(({ kind }) => kind === 'ingest') ||
      flows.some(({ from, to }) => `${from} ${to}`.includes('network'));
    const serves = (purpose: PartOf<'expansion'>['purpose']) => (part: Part) =>
      part.kind === 'expansion' && cardPurpose(part) === purpose;
    const cards = (purpose: PartOf<'expansion'>['purpose']) => {
      const wanted = serves(purpose);
      return shop('expansion').filter(({ part }) => wanted(part));
    };
    if (inputs) {
      const mixers = has.has('mixer') ? [] : shop('mixer');
      const takers = cards('capture');
      add(
        'inputs',
        ['expansion', 'mixer'],
        [
          ...upToSo(2 - keptOf(serves('capture')), takers).map((set) => optionOf('capture', set)),
          ...mixers.flatMap((mixer) => upToSo(1, takers).map((set) => optionOf('capture', [mixer, ...set]))),
        ],
        (part) => part.kind === 'mixer' || serves('capture')(part),
      );
    }
    if (network) {
      const second = brief.tasks.some(
        (task) => task.kind === 'ingest' && [task.from, task.to, task.copyTo].includes('second network'),
      );
      const sets = upToSo((second ? 2 : 1) - keptOf(serves('network')), cards('network'));
      add(
        'network',
        ['expansion'],
        sets.map((set) => optionOf('network', set)),
        serves('network'),
      );
    }
    if (wireless && keptOf(serves('wireless')) === 0)
      add(
        'wireless',
        ['expansion'],
        upToSo(1, cards('wireless')).map((set) => optionOf('wireless', set)),
        serves('wireless'),
      );
  }

  function addWhole(): void {
    const { whole = {}, ownedDisplays } = brief;
    if (whole.system === 'wanted' && !has.has('system')) add('system', ['system'], one('system'));
    if (whole.display === 'wanted' && ownedDisplays.length === 0 && !has.has('display'))
      add('display', ['display'], one('display'));
    for (const what of ['keyboard', 'pointing'] as const) {
      const serves = (part: Part) => part.kind === 'peripheral' && (part.serves?.includes(what) ?? false);
      if (whole[what] === 'wanted' && keptOf(serves) === 0)
        add(what, ['peripheral'], one('peripheral', what, serves), serves);
    }
  }
}

/** What a question wants by name, and the machine that it stays close to. */
export const narrowed = (space: Space, question: Question, catalogue: Catalogue, prices: LeastPrices): Space =>
  near(
    { ...space, positions: holding(space.positions, space.keptParts, question.withPart, catalogue) },
    question,
    catalogue,
    prices,
  );

/** Positions of which the one that can hold a part has nothing else; with none that can, no machine is left. */
function holding(
  positions: readonly Position[],
  kept: readonly Part[],
  wanted: string | undefined,
  catalogue: Catalogue,
): readonly Position[] {
  if (wanted === undefined || kept.some(({ id }) => id === wanted)) return positions;
  const kind = catalogue.part(wanted)?.kind;
  const of = positions.map((position) => ({
    ...position,
    choices: only(position.choices, ({ parts }) => parts.some(({ id }) => id === wanted)),
  }));
  const at = positions.findIndex(({ kinds }, i) => kinds.some((each) => each === kind) && of[i]?.choices.at(0));
  return at < 0
    ? [...positions, { name: 'wanted', kinds: [], choices: listed([]) }]
    : positions.map((position, i) => (i === at ? (of[i] as Position) : position));
}

/** No good, or as many as so many, two at most, alike or not; a spare piece is there once. */
function upToSo(most: number, goods: readonly Good[]): (readonly Good[])[] {
  const ones = most >= 1 ? goods.map((good) => [good]) : [];
  const twos =
    most < 2
      ? []
      : goods.flatMap((good, i) =>
          goods.slice(i).flatMap((other) => (other === good && good.spare ? [] : [[good, other]])),
        );
  return [[], ...ones, ...twos];
}

/** Parts of a kind that can be had: those on sale that somebody offers, and spare ones at no price. */
function shopOf(question: Question, context: Context, prices: LeastPrices): (kind: PartKind) => readonly Good[] {
  const shelves = new Map<PartKind, readonly Good[]>();
  const isSpokenOf = spokenOf(question.from, context);
  return (kind) => {
    let shelf = shelves.get(kind);
    if (!shelf) shelves.set(kind, (shelf = shelfOf(kind, question, context, prices, isSpokenOf)));
    return shelf;
  };
}

function shelfOf(
  kind: PartKind,
  { withoutParts, withoutMakers, withPart, spare }: Question,
  { catalogue, today }: Context,
  prices: LeastPrices,
  isSpokenOf: (part: Part) => boolean,
): Good[] {
  const sold = (catalogue.ofKind(kind) as readonly Part[]).flatMap((part): Good[] => {
    if (!isOnSale(part, today) || withoutParts.has(part.id) || withoutMakers.has(part.maker)) return [];
    const leastMinor = prices.of(part);
    return leastMinor === undefined ? [] : [{ part, leastMinor }];
  });
  const there = spare.flatMap((item): Good[] => {
    const part: Part | undefined = catalogue.part(item.part);
    return part?.kind === kind ? [{ part, leastMinor: 0, spare: item }] : [];
  });
  const left = undominated(sold, prices.undercuts, isSpokenOf);
  // what is wanted by name stays, though another makes it needless
  const wanted = sold.filter((good) => good.part.id === withPart && !left.includes(good));
  return [...there, ...left, ...wanted];
}

/** Kinds that no position fills and nothing that is kept is of: the machine has none. */
export const absentKinds = ({ positions, keptParts }: Space): PartKind[] =>
  PART_KINDS.filter(
    (kind) => !positions.some(({ kinds }) => kinds.includes(kind)) && !keptParts.some((part) => part.kind === kind),
  );
