import { devicesOf } from '../../board/devices';
import type { DriveRole } from '../../figures/resources';
import { fitParts, type FittedParts } from '../../model/fitted';
import type { Catalogue } from '../../model/catalogue';
import { driveFor } from '../../work/flowEnds';
import { numberOf, type Option } from './option';
import type { Space } from './position';
import { bareMachine } from './space';
import type { Question } from './question';

/** What of an option is read: options that are alike in that are alike to whoever reads no more. */
export type Reading = (option: Option) => string | number;

/** All figures of its parts. */
export const byFigures: Reading = ({ figuresId }) => figuresId;
/** Which parts it is. */
export const byWhich: Reading = ({ partsId }) => partsId;

const DRIVE_RATES = [
  'seqReadMBs',
  'seqWriteMBs',
  'sustainedWriteMBs',
  'writeCacheGB',
  'generation',
  'lanes',
  'cellKind',
] as const;

/** Readings that see less of drives than all their figures; of all else they see these. */
export interface DriveReadings {
  /** Of what form they are and what link they ask for: whether a slot takes them. */
  readonly wiring: Reading;
  /** What they give and take in the roles that tasks read and write. */
  readonly rates: Reading;
  /** Both, and which roles are whose: what streams between devices depend on. */
  readonly streams: Reading;
}

export function driveReadings(
  { roles: chosen }: Pick<Space, 'roles'>,
  question: Question,
  catalogue: Catalogue,
  /** Roles that tasks read or write. */
  roles: readonly DriveRole[],
  /** What was measured was measured on a part, not on its figures. */
  measured: boolean,
): DriveReadings {
  const bare = bareMachine(question);
  const of = (what: string, read: (parts: FittedParts, option: Option) => string): Reading => {
    const known = new WeakMap<Option, number>();
    return (option) => {
      if (!option.parts.some(({ kind }) => kind === 'drive')) return option.figuresId;
      let number = known.get(option);
      if (number === undefined) {
        const parts = fitParts({ ...bare, items: [...option.items] }, catalogue);
        known.set(option, (number = numberOf(`${what} ${read(parts, option)}`)));
      }
      return number;
    };
  };
  const wiring = of('wiring', (parts) =>
    JSON.stringify(devicesOf(parts).map(({ twinKey: _which, ...device }) => device)),
  );
  const shared = of('shared', (_parts, { items, parts }) =>
    items
      .map(({ roles: own = [] }, i) => `${parts.findIndex(({ id }) => id === parts[i]?.id)} ${own.join()}`)
      .join(';'),
  );
  const rates = of('rates', (parts, { items }) => {
    const there = new Set(items.flatMap(({ roles: own = [] }) => own));
    return roles
      .map((role) => {
        const part = there.has(role) || !chosen.includes(role) ? driveFor({ parts }, role)?.part : undefined;
        if (!part) return '-';
        // streams are spread over all drives of a role
        const count = items.filter(({ roles: own }) => own?.includes(role)).length;
        return `${count} ${measured ? part.id : ''} ${DRIVE_RATES.map((field) => part[field] ?? '').join()}`;
      })
      .join(';');
  });
  return { wiring, rates, streams: (option) => `${wiring(option)} ${shared(option)} ${rates(option)}` };
}
