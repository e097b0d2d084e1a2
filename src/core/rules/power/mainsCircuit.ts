import { supplyWallW } from '../../power/efficiency';
import { idsOf, unknown, type Rule } from '../rule';

/** Share of its fuse that a circuit carries for hours. Source: usual wiring codes for continuous loads. */
const CONTINUOUS = 0.8;
/** Efficiency of a supply that promises none. Source: judgement. */
const POOR_SUPPLY = 0.7;
/** The smallest circuit met with, when the region does not say. */
const LEAST_A = 10;

export const mainsCircuit: Rule = {
  id: 'mains-circuit',
  reads: ['supply', 'power'],
  levels: ['caution', 'unproven'],
  check: ({ parts, power, region }) => {
    const supply = parts.one('supply');
    const { tier, ratedW } = supply?.part ?? {};
    if (!supply) return [];
    const allowedW = region.mainsV * (region.circuitA ?? LEAST_A) * CONTINUOUS;
    if (tier === undefined || ratedW === undefined) {
      // even a poor supply takes no more than this from the wall
      if (power.peakW / POOR_SUPPLY <= allowedW || region.circuitA === undefined) return [];
      return [
        unknown(
          'wall-draw',
          ...(tier === undefined ? [[supply, 'tier'] as const] : []),
          ...(ratedW === undefined ? [[supply, 'ratedW'] as const] : []),
        ),
      ];
    }
    const wallW = supplyWallW(power.peakW, ratedW, tier, region.mainsV);
    // draws with unknown parts are lower bounds, and so is the smallest circuit
    if (wallW <= allowedW && power.missing.length > 0) return [];
    return [
      {
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
