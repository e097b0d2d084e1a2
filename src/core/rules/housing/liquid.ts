import type { Fitted, FittedParts } from '../../model/fitted';

/** A cooler's liquid loop as far as it is known: one with a radiator is liquid, whatever its type says or leaves out. */
export function liquidCooler(
  parts: FittedParts,
): { readonly cooler: Fitted<'cooler'>; readonly sure: boolean } | undefined {
  const cooler = parts
    .ofKind('cooler')
    .find(({ part }) => part.type === 'liquid' || (part.type === undefined && part.heightMm === undefined));
  if (cooler) return { cooler, sure: cooler.part.type === 'liquid' || cooler.part.radiatorMm !== undefined };
  const radiator = parts.ofKind('cooler').find(({ part }) => part.type === undefined && part.radiatorMm !== undefined);
  return radiator && { cooler: radiator, sure: true };
}
