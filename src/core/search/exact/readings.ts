import { devicesOf } from '../../board/devices';
import type { DriveRole } from '../../figures/resources';
import { fitParts, type FittedParts } from '../../model/fitted';
import type { Catalogue } from '../../model/catalogue';
import type { Item } from '../../model/machine';
import { driveFor } from '../../work/flowEnds';
import { numberOf, type Option } from './option';
import type { Part, PartKind } from '../../parts';
import { figuresText } from '../../parts/order';
import type { Space } from './position';
import { bareMachine } from './space';
import type { Question } from './question';
import { UNREAD, UNREAD_COLD, UNREAD_SEATED, type Figures } from './unread';

/** What of an option is read: options that are alike in that are alike to whoever reads no more. */
export type Reading = (option: Option) => string | number;

/** All figures of its parts. */
export const byFigures: Reading = ({ figuresId }) => figuresId;
/** Which parts it is. */
export const byWhich: Reading = ({ partsId }) => partsId;

const DRIVES: readonly PartKind[] = ['drive'];

const DRIVE_RATES = [
  'seqReadMBs',
  'seqWriteMBs',
  'sustainedWriteMBs',
  'writeCacheGB',
  'generation',
  'lanes',
  'cellKind',
] as const;

/** What predictions see of options: less than all their figures. */
export interface Readings {
  /** All that a rule may read of its parts. */
  readonly whole: Reading;
  /** What predictions read, with heat. */
  readonly warm: Reading;
  /** Of what form drives and cards are and what link they ask for: whether a slot takes them. Of all else the whole. */
  readonly wiring: Reading;
  /** What predictions without heat read of parts that have their slots: how thick graphics are too. */
  readonly seated: Reading;
  /** What drives give and take in the roles that tasks read and write; of all else what predictions without heat read. */
  readonly rates: Reading;
  /** The same, with what wiring tells of drives and which roles are whose: what streams between devices depend on. */
  readonly streams: Reading;
}

export function readingsOf(
  { roles: chosen }: Pick<Space, 'roles'>,
  question: Question,
  catalogue: Catalogue,
  /** Roles that tasks read or write. */
  roles: readonly DriveRole[],
  /** Whether a part was measured, or one of its family: it is not told of by one that is alike in its figures. */
  isSpokenOf: (part: Part) => boolean,
): Readings {
  const bare = bareMachine(question);
  // as a text, since a number could be that of another's figures
  const whole = remembered((option) =>
    option.parts.some(isSpokenOf) ? `which ${byWhich(option)}` : byFigures(option),
  );
  const without = (what: string, unread: Figures): Reading =>
    remembered(({ items, parts }) => {
      const said = parts.map((part, i) => {
        const roles = items[i]?.roles?.join() ?? '';
        return `${isSpokenOf(part) ? part.id : figuresText(part, unread[part.kind])} ${roles}`;
      });
      return numberOf(`${what} ${said.join('+')}`);
    });
  const warm = without('warm', UNREAD);
  const cold = without('cold', UNREAD_COLD);
  const seated = without('seated', UNREAD_SEATED);
  /** What is read of options with parts of some kinds, and of all others. */
  const of = (
    kinds: readonly PartKind[],
    what: string,
    others: Reading,
    read: (parts: FittedParts, option: Option) => string,
  ): Reading =>
    remembered((option) => {
      if (!option.parts.some(({ kind }) => kinds.includes(kind))) return others(option);
      return numberOf(`${what} ${read(fitParts({ ...bare, items: [...option.items] }, catalogue), option)}`);
    });
  const wiring = of(['drive', 'graphics'], 'wiring', whole, (parts) =>
    JSON.stringify(devicesOf(parts).map(({ twinKey: _which, ...device }) => device)),
  );
  const shared = of(DRIVES, 'shared', cold, (_parts, { items, parts }) =>
    items
      .map(({ roles: own = [] }, i) => `${parts.findIndex(({ id }) => id === parts[i]?.id)} ${own.join()}`)
      .join(';'),
  );
  const ratesOf = driveRates(roles, chosen, isSpokenOf);
  const rates = of(DRIVES, 'rates', cold, (parts, { items }) => ratesOf(parts, items));
  const streams = of(
    DRIVES,
    'streams',
    cold,
    (_parts, option) => `${wiring(option)} ${shared(option)} ${rates(option)}`,
  );
  return { whole, warm, wiring, seated, rates, streams };
}

/**
 * What drives give and take in roles that tasks read and write, as a text; roles of `chosen` that none of them has are
 * still to come.
 */
export function driveRates(
  roles: readonly DriveRole[],
  chosen: readonly DriveRole[],
  isSpokenOf: (part: Part) => boolean,
): (parts: FittedParts, items: readonly Item[]) => string {
  return (parts, items) => {
    const there = new Set(items.flatMap(({ roles: own = [] }) => own));
    const seen: string[] = [];
    return roles
      .map((role) => {
        const fitted = there.has(role) || !chosen.includes(role) ? driveFor({ parts }, role) : undefined;
        if (!fitted) return '-';
        const { item, part } = fitted;
        // roles that one drive serves share it
        if (!seen.includes(item.id)) seen.push(item.id);
        // streams are spread over all drives of a role
        const count = items.filter(({ roles: own }) => own?.includes(role)).length;
        return `${seen.indexOf(item.id)} ${count} ${isSpokenOf(part) ? part.id : ''} ${DRIVE_RATES.map((field) => part[field] ?? '').join()}`;
      })
      .join(';');
  };
}

/** A reading that reads each option once. */
export function remembered<T extends string | number>(read: (option: Option) => T): (option: Option) => T {
  const known = new WeakMap<Option, T>();
  return (option) => {
    let number = known.get(option);
    if (number === undefined) known.set(option, (number = read(option)));
    return number;
  };
}
