import { z } from 'zod';
import { POLICIES } from './power/policies';
import { idText } from './parts/common';

/** What holds for the whole desk, until a seat says otherwise. */
export const settingsSchema = z.strictObject({
  /** Region of new seats, and of the prices in the library; the first one when it is not set. */
  region: idText.optional(),
  /** Price of electricity in minor units a kWh, as an exact decimal. */
  tariffMinorPerKWh: z
    .string()
    .regex(/^\d{1,4}(\.\d{1,4})?$/, 'is not a price such as 24.5')
    .optional(),
  /** Share of its rating that a supply may give for hours. */
  supplyShare: z.number().min(0.5).max(1).default(0.8),
  /** Ways of sizing a supply that count; the others are shown beside them. */
  policies: z.array(z.enum(POLICIES)).min(1).default(['sustained', 'peak', 'excursion']),
  /** Factor on the sustained draw, for those who size by it. */
  drawMultiple: z.number().min(1).max(4).default(1.5),
  lengthUnit: z.enum(['mm', 'inch']).default('mm'),
});
export type Settings = z.infer<typeof settingsSchema>;
export const usualSettings: Settings = settingsSchema.parse({});

/** The desk's region: the one that is set, else the first there is. */
export const deskRegion = <R extends { readonly id: string }>(
  regions: readonly R[],
  settings: Settings,
): R | undefined => regions.find((region) => region.id === settings.region) ?? regions[0];
