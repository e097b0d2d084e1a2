import { listOf, priceMinor } from '../units/bounds';
import { z } from 'zod';
import { measurementSchema } from './measurement';
import { handPriceSchema, paidSchema } from './offers';
import { sideSchema } from '../parts/case';
import { LONGEST_NAME, idText, isoDate, partIdSchema, plainText } from '../parts/common';

import { driveRole } from '../figures/resources';
/** Fan speed in % of full against °C, rising; between the points it is interpolated, outside them held. */
export const fanCurveSchema = z
  .array(z.strictObject({ c: z.number().min(0).max(120), percent: z.number().min(0).max(100) }))
  .min(1)
  .max(6)
  .superRefine((points, context) => {
    points.forEach((point, i) => {
      const before = points[i - 1];
      if (before && (point.c <= before.c || point.percent < before.percent))
        context.addIssue({
          code: 'custom',
          path: [i],
          message: `a fan curve rises: ${point.c} °C, ${point.percent} % cannot follow ${before.c} °C, ${before.percent} %`,
        });
    });
  });
export type FanCurve = readonly { readonly c: number; readonly percent: number }[];

/** What is set in firmware and driver; absent means as the makers ship it. */
export const tuningSchema = z.strictObject({
  /** Package power that the processor keeps up, W. */
  packageW: z.number().positive().max(2000).optional(),
  /** Factor on the processor's clocks. */
  clock: z.number().min(1).max(1.2).optional(),
  /** Factor on the graphics cards' clocks. */
  cardClock: z.number().min(1).max(1.2).optional(),
  /** Share of their board power that graphics cards may draw. */
  cardShare: z.number().min(0.4).max(1).optional(),
  coolerCurve: fanCurveSchema.optional(),
  caseCurve: fanCurveSchema.optional(),
});
export type Tuning = z.infer<typeof tuningSchema>;

/** The machine as it is built first; what follows has an id of its own. */
export const FIRST = 'now';
export const LONGEST_PHASE = 60;
/** A phase that comes after the first: when it is planned for, and what it may cost. */
export const phaseSchema = z.strictObject({
  id: idText.refine((id) => id !== FIRST, `"${FIRST}" is the machine as built first`),
  name: plainText(LONGEST_PHASE),
  on: isoDate.optional(),
  budgetMinor: priceMinor().optional(),
});
export type Phase = z.infer<typeof phaseSchema>;
const MOST_PHASES = 8;

/** What becomes of a part once another takes its place: `given` to another seat. */
export const FATES = ['sold', 'spare', 'given'] as const;
/** How well a part still is: `worn` as one sees or hears, `faulty` where it fails at times. */
export const STATES = ['good', 'worn', 'faulty'] as const;
export const resaleSchema = z.strictObject({
  /** Sold when not stated. */
  fate: z.enum(FATES).optional(),
  /** What it is thought to be sold for, before fees, by hand. */
  minor: priceMinor('must be above 0: what nobody buys is kept as a spare').optional(),
  /** The seat that it is given to, and what that seat does not have to pay then. */
  to: idText.optional(),
  savesMinor: priceMinor().optional(),
  /** Good when not stated. */
  state: z.enum(STATES).optional(),
  /** The day it was bought, where no price that was paid says so. */
  boughtOn: isoDate.optional(),
  /** Until when its warranty lasts, where that is not as long as its maker gives it from the day it was bought. */
  warrantyUntil: isoDate.optional(),
});
export type ResaleTerms = z.infer<typeof resaleSchema>;

/** One physical part in a machine. Two equal modules bought as a kit are one item; two cards are two items. */
export const itemSchema = z.strictObject({
  id: idText,
  part: partIdSchema,
  /** The part's name when it was chosen, so that a part gone from the catalogue can still be named. */
  label: plainText().optional(),
  roles: listOf(driveRole, 10).optional(),
  /** Already owned: costs nothing again. */
  owned: z.boolean().optional(),
  /** A card that stands in the case's upright mount, on a riser. */
  upright: z.boolean().optional(),
  /** The side of the case a fan or radiator is put on by hand; else the app finds one. */
  side: sideSchema.optional(),
  /** The phase that it comes with, and the one in which it is no longer there; absent means from the first, to the last. */
  from: idText.optional(),
  until: idText.optional(),
  /** A price set by hand, which counts in place of the offers until it is taken away. */
  handPrice: handPriceSchema.optional(),
  /** What was really paid: kept apart from today's price. */
  paid: paidSchema.optional(),
  resale: resaleSchema.optional(),
  /** Parts between which the real one lies, when this one stands in for it: the lesser and the better. */
  standInRange: z.tuple([partIdSchema, partIdSchema]).optional(),
  /** How it is fixed in the machine, where it cannot be changed for another. */
  fixed: z.enum(['soldered', 'own form']).optional(),
  /** Set when this part stands in for one whose figures were never published. */
  standsInFor: plainText(200).optional(),
});
export type Item = z.infer<typeof itemSchema> & {
  /** Set in the view of a later phase, never kept: it stood in this machine before, so it is paid and has not moved. */
  readonly stood?: true;
};

/**
 * Whether an owned part comes from another machine: what stood in this one before is owned as well, but not moved; and around
 * a board that is owned it is the same machine still.
 */
export const movedHere = (
  { owned, stood }: Item,
  machine: Pick<Machine, 'present'>,
  boards: readonly { readonly item: Item }[],
): boolean =>
  owned === true &&
  stood !== true &&
  machine.present !== true &&
  !boards.some(({ item }) => item.owned === true && item.stood !== true);

/** A step of the assembly that is done; what it was, so that it can be named when the plan has it no more. */
export const doneSchema = z.strictObject({
  on: isoDate,
  by: plainText(60).optional(),
  what: plainText(200).optional(),
});

/** What was read of an acceptance test of the built machine. */
export const readingSchema = z.strictObject({
  value: z.number().min(-1e3).max(1e12),
  /** °C of the room while it was read. */
  roomC: z.number().min(-20).max(60).optional(),
  on: isoDate,
  by: plainText(60).optional(),
  /** File it was read from; by hand when not said. */
  source: plainText(120).optional(),
});

export const machineSchema = z
  .strictObject({
    id: idText,
    name: plainText(LONGEST_NAME),
    items: z.array(itemSchema).max(200),
    /** item → slot; hard for the placement search */
    pins: z.record(idText, idText).optional(),
    /** kit → memory slots its modules sit in, where a person says so; else the board's fill order decides */
    moduleSlots: z.record(idText, z.array(idText).min(1).max(32)).optional(),
    /** The phases that follow the first, in their order (J16). */
    phases: z.array(phaseSchema).min(1).max(MOST_PHASES).optional(),
    /** Whether the memory runs its profile or its standard rate. */
    memoryProfile: z.enum(['on', 'off']).optional(),
    tuning: tuningSchema.optional(),
    /** Firmware the board really has or will have before first start; unknown means as shipped. */
    firmware: plainText(20).optional(),
    /** What was measured on it (J29). */
    evidence: z.array(measurementSchema).max(500).optional(),
    /** The machine that is there already: what is added to it counts as owned. */
    present: z.boolean().optional(),
    /** Steps of its assembly that are done, by step: when, and by whom where that is said. */
    assembly: z
      .record(plainText(120), doneSchema)
      .refine((done) => Object.keys(done).length <= 2000, 'has more steps than any machine')
      .optional(),
    /** Readings of its acceptance tests, by test. */
    proof: z
      .record(plainText(160), readingSchema)
      .refine((read) => Object.keys(read).length <= 1000, 'has more readings than any machine')
      .optional(),
    /** What stands on its parts, by item. */
    serials: z.record(idText, plainText(60)).optional(),
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
    for (const { path, message } of phaseProblems(machine)) context.addIssue({ code: 'custom', path, message });
    const measured = new Set<string>();
    (machine.evidence ?? []).forEach(({ id }, i) => {
      if (measured.has(id))
        context.addIssue({
          code: 'custom',
          path: ['evidence', i, 'id'],
          message: `the id "${id}" is used twice among this machine's measurements`,
        });
      measured.add(id);
    });
    for (const [field, what] of [
      ['pins', 'pins'],
      ['moduleSlots', 'seats the modules of'],
    ] as const)
      for (const id of Object.keys(machine[field] ?? {}))
        if (!seen.has(id))
          context.addIssue({
            code: 'custom',
            path: [field, id],
            message: `${what} "${id}", which is not an item of this machine`,
          });
  });
export type Machine = z.infer<typeof machineSchema>;

/** What cannot be in the phases of a machine: an id twice, a day before an earlier one, a part that goes before it comes. */
function phaseProblems(machine: {
  readonly phases?: readonly Phase[] | undefined;
  readonly items: readonly Pick<Item, 'id' | 'from' | 'until'>[];
}): { path: (string | number)[]; message: string }[] {
  const problems: { path: (string | number)[]; message: string }[] = [];
  const order = new Map<string, number>();
  let last: Phase | undefined;
  (machine.phases ?? []).forEach((phase, i) => {
    if (order.has(phase.id))
      problems.push({ path: ['phases', i, 'id'], message: `the id "${phase.id}" is used twice among the phases` });
    order.set(phase.id, i + 1);
    if (last?.on !== undefined && phase.on !== undefined && phase.on <= last.on)
      problems.push({
        path: ['phases', i, 'on'],
        message: `"${phase.name}" on ${phase.on} cannot follow "${last.name}" on ${last.on}; give it a later day`,
      });
    if (phase.on !== undefined) last = phase;
  });
  machine.items.forEach((item, i) => {
    for (const end of ['from', 'until'] as const) {
      const phase = item[end];
      if (phase !== undefined && !order.has(phase))
        problems.push({ path: ['items', i, end], message: `names the phase "${phase}", which this machine lacks` });
    }
    if (item.until !== undefined && (order.get(item.until) ?? Infinity) <= (order.get(item.from ?? FIRST) ?? 0))
      problems.push({ path: ['items', i, 'until'], message: 'goes before it has come' });
  });
  return problems;
}
