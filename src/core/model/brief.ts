import { listOf, pieces, quantity, priceMinor } from '../units/bounds';
import { z } from 'zod';
import {
  LONGEST_NAME,
  idText,
  isoDate,
  partIdSchema,
  plainText,
  USB_CONNECTORS,
  wirelessStandard,
} from '../parts/common';
import { taskSchema } from './tasks';

/** What a project is called that nobody has named; a seat joins another's project only when it is chosen. */
export const OWN_PROJECT = 'My project';

export const KEEPING = ['one', 'two', 'three'] as const;
export type Keeping = (typeof KEEPING)[number];
export const SECOND_COPY = ['here', 'server'] as const;

/** Tasks that run at the same time, with hours a week. */
export const sittingSchema = z.strictObject({
  id: idText,
  name: plainText(60),
  hoursPerWeek: z.number().min(0).max(168),
  tasks: listOf(idText, 100).min(1),
});
export type Sitting = z.infer<typeof sittingSchema>;

/** What makes a machine whole for its person beside the machine itself (J56). */
export const WHOLE = ['system', 'display', 'keyboard', 'pointing'] as const;
export type WholePart = (typeof WHOLE)[number];
export const WHOLE_CHOICES = ['wanted', 'owned', 'not needed'] as const;
export const wholeSchema = z.strictObject({
  system: z.enum(WHOLE_CHOICES).optional(),
  display: z.enum(WHOLE_CHOICES).optional(),
  keyboard: z.enum(WHOLE_CHOICES).optional(),
  pointing: z.enum(WHOLE_CHOICES).optional(),
});

/** Where a port has to be. */
export const PORT_PLACES = ['rear', 'front', 'anywhere'] as const;
export const portDemandSchema = z.strictObject({
  count: z.number().int().min(1).max(40),
  connector: z.enum(USB_CONNECTORS),
  place: z.enum(PORT_PLACES),
  gbitPerS: z.number().positive().max(1000),
});
export type PortDemand = z.infer<typeof portDemandSchema>;

/** Must-haves that are not speed (J6). */
export const mustHavesSchema = z.strictObject({
  errorCorrection: z.boolean().optional(),
  networkGbitPerS: quantity('Gb/s').optional(),
  wireless: z.boolean().optional(),
  videoInputs: pieces(64).optional(),
  displays: pieces(64).optional(),
  volumeL: quantity('L').optional(),
  /** Ports at the back and the front together that reach this rate. */
  fastPorts: z.strictObject({ count: pieces(64), gbitPerS: quantity('Gb/s') }).optional(),
  /** Ports by connector, place and rate. */
  ports: z.array(portDemandSchema).min(1).max(12).optional(),
  /** Displays that may hang on one output, each passing the picture on to the next; one each when not stated. */
  displaysPerOutput: z.number().int().min(1).max(2).optional(),
  opticalDrive: z.boolean().optional(),
  encryption: z.boolean().optional(),
  remoteManagement: z.boolean().optional(),
  /** Sound pressure at 1 m in the loudest sitting. */
  noiseDbA: z.number().min(15).max(80).optional(),
  /** Drives can be reached without taking a card or the cooler out. */
  drivesReachable: z.boolean().optional(),
});

/** A brief's fields before its references are checked. */
const briefFields = z.strictObject({
  id: idText,
  name: plainText(LONGEST_NAME),
  region: idText,
  /** In minor units of the region's currency. */
  budgetMinor: priceMinor().optional(),
  budgetTaxIncluded: z.boolean(),
  /** The budget is a limit and not a wish. */
  budgetFirm: z.boolean().optional(),
  roomC: z.number().min(0).max(60),
  /** The day everything has to be there. */
  neededBy: isoDate.optional(),
  /** What an hour of waiting costs this person, in minor units of the region's currency. */
  hourMinor: z.number().int().nonnegative().max(10_000_000).optional(),
  /** The most over a maker's list price, %. */
  overListPercent: z.number().min(0).max(300).optional(),
  yearsOfService: z.number().positive().max(20),
  /** Hours a week that the machine is on beside the sittings, at rest. */
  idleHoursPerWeek: z.number().min(0).max(168).optional(),
  /** By how much what is kept grows, in % a year. */
  growthPercent: z.number().min(0).max(500).optional(),
  /** By how much the work itself grows, in % a year: longer films, more images, larger models. */
  workGrowthPercent: z.number().min(0).max(200).optional(),
  /** Copies of what is kept: one is none, three with one of them elsewhere. */
  keeping: z.enum(KEEPING).optional(),
  /** Where the second copy lies: on a drive of this machine, as when not said, or on a storage server that is there. */
  secondCopy: z.enum(SECOND_COPY).optional(),
  mustHaves: mustHavesSchema,
  /** System, display, keyboard and pointing device: owned, wanted or not needed; what is not said was not asked. */
  whole: wholeSchema.optional(),
  /** What the room's own wireless router speaks. */
  router: wirelessStandard.optional(),
  ownedDisplays: listOf(partIdSchema, 20),
  tasks: z.array(taskSchema).max(60),
  sittings: z.array(sittingSchema).max(20),
  /** Options of branded machines that this seat would take. */
  rivals: z
    .array(z.strictObject({ rival: idText, options: z.array(idText).max(40) }))
    .max(100)
    .optional(),
});

/** Figures of a brief that are edited one by one. */
export const briefFiguresSchema = briefFields
  .pick({
    name: true,
    budgetTaxIncluded: true,
    budgetFirm: true,
    whole: true,
    router: true,
    roomC: true,
    neededBy: true,
    hourMinor: true,
    overListPercent: true,
    yearsOfService: true,
    idleHoursPerWeek: true,
    growthPercent: true,
    workGrowthPercent: true,
    keeping: true,
    secondCopy: true,
  })
  .partial();

const WEEK_HOURS = 168;

export const briefSchema = briefFields.superRefine((brief, context) => {
  const seen = new Set<string>();
  brief.tasks.forEach((task, i) => {
    if (seen.has(task.id))
      context.addIssue({
        code: 'custom',
        path: ['tasks', i, 'id'],
        message: `the id "${task.id}" is used twice in this brief`,
      });
    seen.add(task.id);
  });
  const hours = brief.sittings.reduce((all, sitting) => all + sitting.hoursPerWeek, brief.idleHoursPerWeek ?? 0);
  if (hours > WEEK_HOURS)
    context.addIssue({
      code: 'custom',
      path: ['sittings'],
      message: `take ${Math.round(hours * 10) / 10} hours a week with the hours at rest; a week has ${WEEK_HOURS}`,
    });
  brief.sittings.forEach((sitting, s) =>
    sitting.tasks.forEach((id, t) => {
      if (!seen.has(id))
        context.addIssue({
          code: 'custom',
          path: ['sittings', s, 'tasks', t],
          message: `names task "${id}", which this brief lacks`,
        });
    }),
  );
});
export type Brief = z.infer<typeof briefSchema>;
