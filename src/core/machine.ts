import { z } from 'zod';
import { idText, partIdSchema, plainText } from './parts/common';

/** What a drive is for; a drive may have several roles, none means spare. */
export const DRIVE_ROLES = ['system', 'scratch', 'active', 'archive', 'backup'] as const;
export const driveRole = z.enum(DRIVE_ROLES);
export type DriveRole = z.infer<typeof driveRole>;

/** One physical part in a machine. Two equal modules bought as a kit are one item; two cards are two items. */
export const itemSchema = z.strictObject({
  id: idText,
  part: partIdSchema,
  /** The part's name when it was chosen, so that a part gone from the catalogue can still be named. */
  label: plainText().optional(),
  roles: z.array(driveRole).optional(),
  /** Already owned: costs nothing again. */
  owned: z.boolean().optional(),
  /** Set when this part stands in for one whose figures were never published. */
  standsInFor: plainText(200).optional(),
});
export type Item = z.infer<typeof itemSchema>;

export const machineSchema = z
  .strictObject({
    id: idText,
    name: plainText(80),
    items: z.array(itemSchema).max(200),
    /** item → slot; hard for the placement search */
    pins: z.record(idText, idText).optional(),
    /** Whether the memory runs its profile or its standard rate. */
    memoryProfile: z.enum(['on', 'off']).optional(),
    /** Firmware the board really has or will have before first start; unknown means as shipped. */
    firmware: plainText(20).optional(),
    /** The machine that is there already: what is added to it counts as owned. */
    present: z.boolean().optional(),
  })
  .superRefine((machine, context) => {
    const seen = new Set<string>();
    machine.items.forEach((item, i) => {
      if (seen.has(item.id))
        context.addIssue({
          code: 'custom',
          path: ['items', i, 'id'],
          message: `the id "${item.id}" is used twice in this machine`,
        });
      seen.add(item.id);
    });
    for (const id of Object.keys(machine.pins ?? {}))
      if (!seen.has(id))
        context.addIssue({
          code: 'custom',
          path: ['pins', id],
          message: `pins "${id}", which is not an item of this machine`,
        });
  });
export type Machine = z.infer<typeof machineSchema>;
