import { unknown, idsOf, nameOf, type Rule } from './rule';

/**
 * Least steady temperature at full package power: room + W × the cooler's best resistance. Case warmth and the card's
 * exhaust come on top and are not modelled yet, so this can prove a cooler too small, never large enough.
 */
export const coolerLoad: Rule = {
  id: 'cooler-load',
  holds: 'in room air the cooler holds the processor at full power below its limit',
  compares: "room + package power × the cooler's best thermal resistance with the processor's limit",
  levels: ['caution', 'unproven'],
  source: 'steady-state heat conduction; case warmth not included',
  check: ({ parts, brief }) => {
    const cooler = parts.one('cooler');
    const processor = parts.one('processor');
    if (!cooler || !processor) return [];
    const { maxPowerW, maxTemperatureC } = processor.part;
    const { resistance } = cooler.part;
    if (maxPowerW === undefined || maxTemperatureC === undefined || resistance === undefined || resistance.length === 0)
      return [
        unknown(
          'cooler-load',
          'whether the cooler holds the processor',
          ...(['maxPowerW', 'maxTemperatureC'] as const)
            .filter((field) => processor.part[field] === undefined)
            .map((field) => [processor, field] as const),
          ...(resistance === undefined || resistance.length === 0 ? [[cooler, 'resistance'] as const] : []),
        ),
      ];
    const leastC = brief.roomC + maxPowerW * Math.min(...resistance.map((point) => point.kPerW));
    return [
      {
        rule: 'cooler-load',
        level: leastC > maxTemperatureC ? 'caution' : 'passes',
        code: 'cooler-load',
        items: idsOf(cooler),
        cooler: nameOf(cooler),
        processor: nameOf(processor),
        powerW: maxPowerW,
        leastC,
        limitC: maxTemperatureC,
      },
    ];
  },
};
