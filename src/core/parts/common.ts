import {
  listOf,
  pieces,
  piecesOrNone,
  quantity,
  quantityFromZero,
  tally,
  type BoundedUnit,
  priceMinor,
} from '../units/bounds';
import { z } from 'zod';
import { hiddenIn } from '../units/text';
import { CHROMA } from '../units/quantity';

/** Which way a figure is better; `none` where it depends on the work or is only a size. */
export type Better = 'higher' | 'lower' | 'none';

/** What a form, a column import, the JSON Schema and a finding need to know about a figure. */
export interface FigureMeta {
  readonly label: string;
  readonly unit?: string;
  readonly better?: Better;
}

/** A number that may be unknown: absent means unknown, never zero. */
export function figure(label: string, unit: BoundedUnit | 'of 5' | 'share', better: Better, schema?: z.ZodNumber) {
  return (schema ?? quantity(unit as BoundedUnit)).optional().meta({ label, unit, better });
}

/** A figure that may truly be zero, such as the modules a board has soldered on. */
export const figureFromZero = (label: string, unit: BoundedUnit, better: Better) =>
  figure(label, unit, better, quantityFromZero(unit));

/** A whole count that may be zero, of pieces that may be laid out one by one. */
export const count = (label: string, better: Better = 'higher', most?: number) =>
  piecesOrNone(most).optional().meta({ label, better });

export const flag = (label: string) => z.boolean().optional().meta({ label });

/**
 * Text people will see: no control characters, no markup, and nothing that cannot be seen, so that it means the same
 * everywhere it is shown.
 */
export const plainText = (max = 120) =>
  z
    .string()
    .trim()
    .min(1, 'is empty')
    .max(max, `is longer than ${max} characters`)
    .refine((text) => hiddenIn(text) === undefined, { error: (issue) => hiddenMessage(String(issue.input)) })
    .regex(/^[^<>\p{Cc}]*$/u, 'holds markup or control characters; write it as plain text');

const hiddenMessage = (text: string): string => {
  const found = hiddenIn(text);
  return found ? `holds the invisible character ${found.name} at place ${found.place}; take it out` : '';
};

/** Longest name of a seat, a draft or a project. */
export const LONGEST_NAME = 80;

export const idText = z
  .string()
  .regex(/^[a-z0-9][a-z0-9.-]{0,79}$/, 'is not an id: use lower-case letters, digits, "-" and "."');

export const partIdSchema = idText.brand<'PartId'>();
export type PartId = z.infer<typeof partIdSchema>;
export const partId = (text: string): PartId => partIdSchema.parse(text);

export const isoDate = z.iso.date('is not a date such as 2026-05-04');

/** GS1 GTIN-8/12/13/14 with its check digit. Source: GS1 General Specifications, section 7.9. */
export const gtin = z.string().refine(gtinIsValid, 'is not a GTIN: its check digit does not match');

export function gtinIsValid(text: string): boolean {
  if (!/^(\d{8}|\d{12,14})$/.test(text)) return false;
  const digits = [...text].map(Number).reverse();
  const sum = digits.slice(1).reduce((total, digit, i) => total + digit * (i % 2 === 0 ? 3 : 1), 0);
  return (10 - (sum % 10)) % 10 === digits[0];
}

/** What is known about a part beyond its label (J17). */
export const evidenceSchema = z.strictObject({
  ratings: tally().optional().meta({ label: 'ratings', better: 'higher' }),
  meanRating: figure('mean rating', 'of 5', 'higher', z.number().min(1).max(5)),
  returnRate: figure('return rate', 'share', 'lower', z.number().min(0).max(1)),
  testedGrade: plainText(60).optional().meta({ label: 'tested grade' }),
});

/** What a maker asks for a part in a region, as that region quotes prices. */
export const listPriceSchema = z.strictObject({ region: idText, minor: priceMinor() });

/** Fields every kind of part has. */
export const partBase = {
  id: partIdSchema.meta({ label: 'id' }),
  maker: plainText(60).meta({ label: 'maker' }),
  name: plainText().meta({ label: 'name' }),
  partNumber: plainText(60).optional().meta({ label: 'part number' }),
  gtin: gtin.optional().meta({ label: 'GTIN' }),
  variantOf: partIdSchema.optional().meta({ label: 'variant of' }),
  /** The part whose figures were borrowed because this one's were never published (J12). */
  figuresFrom: partIdSchema.optional().meta({ label: 'figures borrowed from' }),
  announced: isoDate.optional().meta({ label: 'announced' }),
  onSale: isoDate.optional().meta({ label: 'on sale' }),
  withdrawn: isoDate.optional().meta({ label: 'withdrawn' }),
  warrantyMonths: figure('warranty', 'months', 'higher'),
  massG: figure('mass', 'g', 'lower'),
  listPrices: listOf(listPriceSchema).max(40).optional().meta({ label: "maker's list prices" }),
  evidence: evidenceSchema.optional().meta({ label: 'evidence' }),
  source: plainText(200).optional().meta({ label: 'source' }),
};

export const MEMORY_GENERATIONS = ['DDR4', 'DDR5'] as const;
export const MODULE_KINDS = ['unbuffered', 'registered', 'small-outline'] as const;
export const memoryGeneration = z.enum(MEMORY_GENERATIONS);
export const moduleKind = z.enum(MODULE_KINDS);

/** Rate that a processor or a board supports with this many modules a channel of this many ranks. */
export const populationRateSchema = z.strictObject({
  modulesPerChannel: z.number().int().min(1).max(3),
  ranks: z.number().int().min(1).max(8),
  rateMTs: quantity('MT/s'),
});
export type PopulationRate = z.infer<typeof populationRateSchema>;

export const linkGeneration = z.number().int().min(1).max(6);
export const lanes = z.union([z.literal(1), z.literal(2), z.literal(4), z.literal(8), z.literal(16)]);

export const FORMS = ['Mini-ITX', 'Micro-ATX', 'ATX', 'E-ATX'] as const;
export const boardForm = z.enum(FORMS);

/** Codec classes: open or generic ones only. */
export const CODECS = ['h264', 'hevc', 'av1', 'mezzanine', 'raw', 'uncompressed'] as const;
export const codecSchema = z.enum(CODECS);
export type Codec = z.infer<typeof codecSchema>;
export const chromaSchema = z.enum(CHROMA);
export const bitDepthSchema = z.union([z.literal(8), z.literal(10), z.literal(12), z.literal(16)]);

/** One thing a media engine can do. Rates are px/s at that codec, chroma and depth. */
export const mediaEngineSchema = z.strictObject({
  direction: z.enum(['decode', 'encode']),
  codec: codecSchema,
  chroma: chromaSchema,
  bitDepth: bitDepthSchema,
  mpxPerS: quantity('Mpx/s'),
  maxWidth: quantity('px').int(),
  maxHeight: quantity('px').int(),
  sessions: pieces().optional(),
});
export type MediaEngine = z.infer<typeof mediaEngineSchema>;
export const mediaEngines = listOf(mediaEngineSchema).optional().meta({ label: 'media engines' });

/** Thermal resistance to the air at fan speeds; a part without fans has one point at 1 rpm. */
export const resistancePoints = (label: string) =>
  listOf(z.strictObject({ rpm: quantity('rpm'), kPerW: quantity('K/W') }))
    .min(1)
    .optional()
    .meta({ label });

/** Supply connectors. One cable feeds one high-power input. */
export const CONNECTORS = ['board-24', 'processor-8', 'card-8', 'card-16', 'sata', 'peripheral'] as const;
export const connectorCounts = z
  .partialRecord(z.enum(CONNECTORS), piecesOrNone(64))
  .optional()
  .meta({ label: 'connectors' });
export type Connector = (typeof CONNECTORS)[number];
/** mm of cable from the supply to the first plug of a kind. */
export const cableLengths = z
  .partialRecord(z.enum(CONNECTORS), quantity('mm'))
  .optional()
  .meta({ label: 'cable lengths', unit: 'mm', better: 'higher' });

/** Display outputs and inputs by open interface version. */
export const displayPort = z.strictObject({
  kind: z.enum(['DisplayPort 1.4', 'DisplayPort 2.1', 'HDMI 2.0', 'HDMI 2.1', 'USB-C']),
  count: pieces(64),
});
/** Connectors of USB ports as the standard names them. */
export const USB_CONNECTORS = ['A', 'C'] as const;
/** Ports of one connector and rate; a connector that is not stated may be either. */
export const usbPortSchema = z.strictObject({
  gbitPerS: quantity('Gb/s'),
  count: pieces(64),
  connector: z.enum(USB_CONNECTORS).optional(),
});
export const usbPorts = (label: string) => listOf(usbPortSchema).optional().meta({ label });

/** Amendments of IEEE 802.11, oldest first. */
export const WIRELESS_STANDARDS = ['n', 'ac', 'ax', 'be'] as const;
export const wirelessStandard = z.enum(WIRELESS_STANDARDS);
export type WirelessStandard = z.infer<typeof wirelessStandard>;

/** Plugs of lights: addressable strips on 3 pins at 5 V, plain ones on 4 pins at 12 V. Each burns or stays dark on the other. */
export const LIGHT_PLUGS = ['3-pin 5 V', '4-pin 12 V'] as const;
const lightPlug = z.enum(LIGHT_PLUGS);
export type LightPlug = z.infer<typeof lightPlug>;
/** Lights of a part: how many headers they need, of which plug, and the program that sets them. */
export const lights = {
  lightHeaders: count('light headers needed', 'lower'),
  lightPlug: lightPlug.optional().meta({ label: 'plug of its lights' }),
  lightProgram: plainText(40).optional().meta({ label: 'program of its lights' }),
};
/** The plug of lights that do not say: by far the usual one. */
export const USUAL_LIGHT_PLUG: LightPlug = '3-pin 5 V';

export const displayPorts = (label: string) => listOf(displayPort).optional().meta({ label });
