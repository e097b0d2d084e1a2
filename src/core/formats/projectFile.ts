import { z } from 'zod';
import { briefSchema } from '../model/brief';
import { machineSchema } from '../model/machine';
import { idText, isoDate, partIdSchema, plainText } from '../parts/common';

/** A seat with its documents as one entry of an archive. */
export const seatSpecSchema = z.strictObject({
  id: idText,
  name: plainText(80),
  projectId: idText,
  projectName: plainText(80),
  brief: briefSchema,
  drafts: z.array(machineSchema).max(50),
});
export type SeatSpec = z.infer<typeof seatSpecSchema>;

/** A figure filled in by hand over what a file said. */
export const handFigureSchema = z.strictObject({
  part: partIdSchema,
  field: z.string().regex(/^[A-Za-z0-9.-]{1,80}$/, 'is not the name of a field'),
  value: z.json(),
  at: z.string().max(40),
});
export type HandFigure = z.infer<typeof handFigureSchema>;

/** Something owned that stays: a part, a display, a licence (J5). */
export const ownedSchema = z.strictObject({
  id: idText,
  part: partIdSchema,
  count: z.number().int().min(1).max(1000).meta({ label: 'count' }),
  note: plainText(200).optional().meta({ label: 'note' }),
  acquired: isoDate.optional().meta({ label: 'acquired' }),
});
export type Owned = z.infer<typeof ownedSchema>;

export const PROJECT_LISTS = ['seats', 'figures', 'owned'] as const;
export type ProjectList = (typeof PROJECT_LISTS)[number];
export const projectSchemas = { seats: seatSpecSchema, figures: handFigureSchema, owned: ownedSchema } as const;
