import { listOf, minorUnits } from '../units/bounds';
import { z } from 'zod';
import { CONDITIONS } from './offers';
import { idText } from '../parts/common';

/** Grades that may be asked for at least. */
export const TRUST_FLOORS = ['any', 'little-known', 'trusted'] as const;
export type TrustFloor = (typeof TRUST_FLOORS)[number];

/** Ways of sizing a supply; what a desk goes by is a setting. */
export const POLICIES = ['sustained', 'peak', 'excursion', 'maker', 'multiple'] as const;
export type Policy = (typeof POLICIES)[number];

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
  policies: listOf(z.enum(POLICIES), POLICIES.length).min(1).default(['sustained', 'peak', 'excursion']),
  /** Factor on the sustained draw, for those who size by it. */
  drawMultiple: z.number().min(1).max(4).default(1.5),
  /** Conditions of parts that are bought. */
  conditions: listOf(z.enum(CONDITIONS), CONDITIONS.length).min(1).default(['new']),
  /** Sellers below this grade are not bought from. */
  trustFloor: z.enum(TRUST_FLOORS).default('little-known'),
  /** A price far below the others from a seller with few ratings is not paid; both have to hold. */
  avoidBaits: z.boolean().default(true),
  /** Parcels that one machine may come in. */
  parcels: z.number().int().min(1).max(40).optional(),
  /** What money costs a year: later payments weigh less. */
  discountPercent: z.number().min(0).max(30).default(4),
  /** Share of its price that a machine loses in its first year and in each later one, and of the resale that fees take. */
  resale: z
    .strictObject({
      firstYearPercent: z.number().min(0).max(100),
      yearlyPercent: z.number().min(0).max(100),
      feePercent: z.number().min(0).max(100),
      /** Sending a parcel that was sold, minor units. */
      shippingMinor: minorUnits().default(950),
      /** Days until a part is sold and paid. */
      days: z.number().int().min(0).max(365).default(14),
    })
    .default({ firstYearPercent: 35, yearlyPercent: 25, feePercent: 12, shippingMinor: 950, days: 14 }),
  /** Failures of a machine in a year, % of machines, and days until it works again when parts are sent in. */
  repair: z
    .strictObject({ failuresPercent: z.number().min(0).max(100), sentInDays: z.number().min(0).max(90) })
    .default({ failuresPercent: 6, sentInDays: 8 }),
  /** Hours between refreshes of prices by themselves; none without. */
  refreshHours: z.number().int().min(1).max(168).optional(),
  /** What sources of prices may reach beside public addresses over https: ports here, hosts in private networks, a folder. */
  sources: z
    .strictObject({
      loopbackPorts: listOf(z.number().int().min(1).max(65_535), 20).default([]),
      hosts: listOf(
        z
          .string()
          .trim()
          .toLowerCase()
          .regex(/^[a-z0-9.:-]{1,253}$/, 'is no name of a host'),
        20,
      ).default([]),
      /** Absolute path of the folder that files of prices lie in. */
      folder: z
        .string()
        .trim()
        .regex(/^(?:\/|[A-Za-z]:\\)/, 'is no absolute path')
        .max(400)
        .optional(),
    })
    .default({ loopbackPorts: [], hosts: [] }),
  /** Backups kept beside the database, one a day; none are made by the clock at 0. */
  backupsKept: z.number().int().min(0).max(60).default(7),
  /** Changes of a price up to this share are no news on the desk. */
  newsPercent: z.number().min(0).max(50).default(2),
  lengthUnit: z.enum(['mm', 'inch']).default('mm'),
});
export type Settings = z.infer<typeof settingsSchema>;
export const usualSettings: Settings = settingsSchema.parse({});

/** The desk's region: the one that is set, else the first there is. */
export const deskRegion = <R extends { readonly id: string }>(
  regions: readonly R[],
  settings: Settings,
): R | undefined => regions.find((region) => region.id === settings.region) ?? regions[0];
