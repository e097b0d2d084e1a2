import { fitParts } from '../fitted';
import type { Catalogue } from '../catalogue';
import type { Machine } from '../machine';
import type { Comparable } from './calibrate';

/** ln-spread between two machines with the same processor, and with processors of one family. */
const APART = { sameProcessor: 0.1, sameFamily: 0.2 } as const;

/**
 * Measurements that say something of a machine: its own in full, those of others with the same processor or one of its
 * family with so much more doubt. Everything else is no evidence for it.
 */
export function comparableTo(machine: Machine, others: readonly Machine[], catalogue: Catalogue): Comparable[] {
  const own = (machine.evidence ?? []).map((measurement): Comparable => ({ measurement, apart: 0 }));
  const withEvidence = others.filter((other) => other.id !== machine.id && (other.evidence ?? []).length > 0);
  if (withEvidence.length === 0) return own;
  const mine = fitParts(machine, catalogue).one('processor')?.part;
  if (!mine) return own;
  return [
    ...own,
    ...withEvidence.flatMap((other) => {
      const theirs = fitParts(other, catalogue).one('processor')?.part;
      const apart =
        theirs?.id === mine.id
          ? APART.sameProcessor
          : theirs?.family !== undefined && theirs.family === mine.family && theirs.maker === mine.maker
            ? APART.sameFamily
            : undefined;
      return apart === undefined ? [] : (other.evidence ?? []).map((measurement) => ({ measurement, apart }));
    }),
  ];
}
