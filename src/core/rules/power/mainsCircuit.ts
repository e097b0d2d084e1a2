import { supplyWallW } from '../../power/efficiency';
import { idsOf, type Rule } from '../rule';

/** Share of its fuse that a circuit carries for hours. Source: usual wiring codes for continuous loads. */
const CONTINUOUS = 0.8;
/** The smallest circuit met with, when the region does not say. */
const LEAST_A = 10;

export const mainsCircuit: Rule = {
  id: 'mains-circuit',
  holds: "a usual socket's circuit carries the machine at its limit",
  compares: "the draw from the wall with everything at its limit with 80 % of what the region's circuits are fused at",
  reads: ['supply', 'power'],
  levels: ['caution', 'unproven'],
  source: 'definition; wiring codes: continuous loads at 80 %',
  check: ({ parts, power, region }) => {
    const supply = parts.one('supply');
    const { tier, ratedW } = supply?.part ?? {};
    if (!supply || tier === undefined || ratedW === undefined) return [];
    const wallW = supplyWallW(power.peakW, ratedW, tier, region.mainsV);
    const allowedW = region.mainsV * (region.circuitA ?? LEAST_A) * CONTINUOUS;
    // draws with unknown parts are lower bounds, and so is the smallest circuit
    if (wallW <= allowedW && power.missing.length > 0) return [];
    return [
      {
        rule: 'mains-circuit',
        level: wallW <= allowedW ? 'passes' : region.circuitA === undefined ? 'unproven' : 'caution',
        code: 'mains',
        items: idsOf(supply),
        wallW,
        allowedW,
        volts: region.mainsV,
        amperes: region.circuitA,
      },
    ];
  },
};
