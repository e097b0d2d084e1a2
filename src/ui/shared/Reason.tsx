import { explained } from '@/core/formats/reasons';

/** Where a constant comes from and why it is what it is. */
export function Reason({ id }: { id: string }) {
  const { source, reasoning } = explained(id);
  return `${source}: ${reasoning}`;
}
