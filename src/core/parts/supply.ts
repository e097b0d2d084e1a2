import { z } from 'zod';
import { cableLengths, connectorCounts, figure, flag, partBase } from './common';

export const EFFICIENCY_TIERS = ['white', 'bronze', 'silver', 'gold', 'platinum', 'titanium'] as const;
export const SUPPLY_FORMS = ['ATX', 'SFX', 'SFX-L', 'own'] as const;

export const supplySchema = z.strictObject({
  kind: z.literal('supply'),
  ...partBase,
  form: z.enum(SUPPLY_FORMS).optional().meta({ label: 'form' }),
  lengthMm: figure('length', 'mm', 'lower'),
  ratedW: figure('rated power', 'W', 'higher'),
  tier: z.enum(EFFICIENCY_TIERS).optional().meta({ label: 'efficiency tier' }),
  standard: z.enum(['ATX 2.x', 'ATX 3.0', 'ATX 3.1']).optional().meta({ label: 'standard' }),
  connectors: connectorCounts,
  cableLengthsMm: cableLengths,
  modular: flag('modular cables'),
  noiseDbA: figure('noise at half load', 'dB(A)', 'lower'),
});
