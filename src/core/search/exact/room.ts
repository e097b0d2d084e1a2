import type { Part, PartKind } from '../../parts';
import { kitGiB } from '../../parts/memory';
import type { Least } from './question';

const sum = (sizes: readonly number[]): number => sizes.reduce((all, size) => all + size, 0);

/** What drives hold together, in GB; of an unknown capacity nothing. */
export const storageGB = (parts: readonly Part[]): number =>
  sum(parts.map((part) => (part.kind === 'drive' ? (part.capacityGB ?? 0) : 0)));

/** What a question may ask of parts by themselves: room in memory, on one card, on all drives. Unknown counts as none. */
export const ROOM: readonly {
  readonly figure: Exclude<keyof Least, 'tasks'>;
  /** What it is called where figures are ticked. */
  readonly called: 'memory' | 'graphics' | 'storage';
  readonly kind: PartKind;
  readonly of: (parts: readonly Part[]) => number;
}[] = [
  {
    figure: 'memoryGiB',
    called: 'memory',
    kind: 'memory',
    of: (parts) => sum(parts.map((part) => (part.kind === 'memory' ? (kitGiB(part) ?? 0) : 0))),
  },
  {
    figure: 'graphicsGiB',
    called: 'graphics',
    kind: 'graphics',
    of: (parts) => Math.max(0, ...parts.map((part) => (part.kind === 'graphics' ? (part.memoryGiB ?? 0) : 0))),
  },
  {
    figure: 'storageGB',
    called: 'storage',
    kind: 'drive',
    of: storageGB,
  },
];

/** Whether parts have the room that is asked for. */
export const roomy = (parts: readonly Part[], least: Least): boolean =>
  ROOM.every(({ figure, of }) => of(parts) >= (least[figure] ?? 0));
