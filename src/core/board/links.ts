import { register } from '../figures/registers';
import type { Link } from '../units/links';

/** What links carry of what they are coded for. */
export const LINKS = register('links', {
  slot: { value: 0.85, spread: 1.08, unit: 'share of coded rate', source: 'standard' },
  sata: { value: 0.93, spread: 1.04, unit: 'share of coded rate', source: 'standard' },
  network: { value: 0.94, spread: 1.04, unit: 'share of stated rate', source: 'standard' },
});

/** The share that a placed device's link carries: one without lanes is SATA. */
export const shareOfLink = (link: Link | undefined) => (link ? LINKS.slot : LINKS.sata);

/** The share that a function on the board carries of its rate, or of the link that it hangs on. */
export const shareOfIntegrated = (kind: string) => (kind === 'network' ? LINKS.network : LINKS.slot);
