import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

export const fanMounts: Rule = {
  id: 'fan-mounts',
  reads: ['fan', 'case', 'heat'],
  levels: ['blocks', 'unproven'],
  check: ({ parts, heat }) => {
    const chassis = parts.one('case');
    const fans = parts.ofKind('fan');
    if (!chassis || fans.length === 0) return [];
    const { mounts, fansIncluded } = chassis.part;
    const unsized = fans.filter(({ part }) => part.sizeMm === undefined);
    const { plan } = heat.setup;
    if (!mounts || !fansIncluded || !plan || unsized.length > 0)
      return [
        unknown(
          'fan-places',
          ...(mounts ? [] : [[chassis, 'mounts'] as const]),
          ...(fansIncluded ? [] : [[chassis, 'fansIncluded'] as const]),
          ...unsized.map((fan) => [fan, 'sizeMm'] as const),
        ),
      ];
    const sizes = [...new Set(fans.flatMap(({ part }) => part.sizeMm ?? []))].sort((a, b) => a - b);
    return sizes.map((sizeMm): Said => {
      const these = fans.filter(({ part }) => part.sizeMm === sizeMm);
      const homeless = these.filter(({ item }) => plan.homeless.includes(item.id));
      const fits = homeless.length === 0;
      return {
        level: fits ? 'passes' : 'blocks',
        code: 'fan-mounts',
        items: idsOf(...these, ...(fits ? [] : [chassis])),
        sizeMm,
        fans: these.length,
        places: these.length - homeless.length,
        chassis: nameOf(chassis),
      };
    });
  },
};
