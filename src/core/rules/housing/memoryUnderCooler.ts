import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

export const memoryUnderCooler: Rule = {
  id: 'memory-under-cooler',
  reads: ['memory', 'cooler'],
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const cooler = parts.one('cooler');
    // liquid and low-profile coolers leave the modules free unless they say otherwise
    if (!cooler || (cooler.part.memoryClearanceMm === undefined && cooler.part.type !== 'tower')) return [];
    const spaceMm = cooler.part.memoryClearanceMm;
    return parts.ofKind('memory').map((kit): Said => {
      const { heightMm } = kit.part;
      if (heightMm === undefined || spaceMm === undefined)
        return unknown(
          'modules-under-cooler',
          ...(heightMm === undefined ? [[kit, 'heightMm'] as const] : []),
          ...(spaceMm === undefined ? [[cooler, 'memoryClearanceMm'] as const] : []),
        );
      return {
        level: heightMm <= spaceMm ? 'passes' : 'blocks',
        code: 'memory-under-cooler',
        items: idsOf(kit, cooler),
        kit: nameOf(kit),
        heightMm,
        spaceMm,
        cooler: nameOf(cooler),
      };
    });
  },
};
