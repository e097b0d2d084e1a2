import type { FittedParts } from '../model/fitted';
import type { Settings } from '../model/settings';
import type { Support } from '../model/rivals';

/** The support bought with a machine: a service that stands behind it for a stated time. */
export function supportOf(parts: FittedParts): Support | undefined {
  for (const { part } of parts.ofKind('service')) {
    const { purpose, warrantyMonths, onSite = false, responseDays } = part;
    if (purpose === 'warranty' && warrantyMonths !== undefined)
      return { warrantyMonths, onSite, ...(responseDays === undefined ? {} : { responseDays }) };
  }
  return undefined;
}

/** On site and without a stated time: the next working day, as such services usually go; a judgement. */
const NEXT_DAY = 1;

/** Working days without a machine that failed; sent in, as long as the desk's settings say. */
export const daysWithout = (support: Support | undefined, settings: Settings): number =>
  support?.responseDays ?? (support?.onSite ? NEXT_DAY : settings.repair.sentInDays);
