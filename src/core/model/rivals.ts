import { listOf, minorUnits, piecesOrNone, quantity, priceMinor } from '../units/bounds';
import { z } from 'zod';
import { machineEditSchema } from './edits';
import { machineSchema } from './machine';
import { idText, isoDate, plainText } from '../parts/common';

/** What the maker charges for the machine in a region, as that region quotes prices. */
export const rivalOfferSchema = z.strictObject({
  region: idText,
  priceMinor: priceMinor(),
  shippingMinor: minorUnits(),
  deliveryDays: piecesOrNone(3650).optional(),
  asOf: isoDate,
});

/** What a maker does when a machine fails. */
export const supportSchema = z.strictObject({
  warrantyMonths: quantity('months').int(),
  onSite: z.boolean(),
  /** Working days until somebody comes or the machine is back. */
  responseDays: z.number().nonnegative().max(60).optional(),
});

/** Something that may be ordered with a machine: other parts, longer support. */
export const rivalOptionSchema = z.strictObject({
  id: idText,
  name: plainText(120),
  /** Of one group at most one is taken. */
  group: plainText(40).optional(),
  /** Options that must be taken with it. */
  needs: z.array(idText).max(10).optional(),
  /** More or less than the machine without it, as the region quotes; a region that is missing does not sell it. */
  prices: listOf(z.strictObject({ region: idText, minor: z.number().int().min(-1e13).max(1e13) }), 40).min(1),
  edit: machineEditSchema.optional(),
  support: supportSchema.optional(),
});
export type RivalOption = z.infer<typeof rivalOptionSchema>;

/** What the maker states of the machine as a whole. */
export const statedSchema = z.strictObject({
  noiseDbA: z.number().min(10).max(80).optional(),
  volumeL: z.number().positive().max(500).optional(),
  massKg: z.number().positive().max(200).optional(),
  encryption: z.boolean().optional(),
  remoteManagement: z.boolean().optional(),
  /** Opens and changes parts without tools. */
  toolFree: z.boolean().optional(),
  drivesFromFront: z.boolean().optional(),
  /** Applications whose makers certify it. */
  certifiedFor: z.array(plainText(60)).max(40).optional(),
});

/** A branded machine with what may be ordered with it. Unpublished parts carry `standsInFor` on their item. */
export const rivalSchema = z
  .strictObject({
    id: idText,
    maker: plainText(60),
    name: plainText(80),
    machine: machineSchema,
    offers: listOf(rivalOfferSchema, 40).min(1),
    options: z.array(rivalOptionSchema).max(60).optional(),
    warrantyMonths: quantity('months').int(),
    onSite: z.boolean(),
    responseDays: z.number().nonnegative().max(60).optional(),
    stated: statedSchema.optional(),
    notes: listOf(plainText(200), 40),
  })
  .superRefine((rival, context) => {
    const ids = new Set<string>();
    for (const [i, option] of (rival.options ?? []).entries()) {
      if (ids.has(option.id))
        context.addIssue({
          code: 'custom',
          path: ['options', i, 'id'],
          message: `the id "${option.id}" is used twice among this machine's options`,
        });
      ids.add(option.id);
    }
    (rival.options ?? []).forEach((option, i) =>
      option.needs?.forEach((id, n) => {
        if (!ids.has(id))
          context.addIssue({
            code: 'custom',
            path: ['options', i, 'needs', n],
            message: `names option "${id}", which this machine lacks`,
          });
      }),
    );
  });
export type RivalModel = z.infer<typeof rivalSchema>;
export type Support = z.infer<typeof supportSchema>;
