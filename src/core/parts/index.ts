import { z } from 'zod';
import type { FigureMeta } from './common';
import { boardSchema } from './board';
import { caseSchema } from './case';
import { coolerSchema, fanSchema } from './cooling';
import { driveSchema } from './drive';
import { expansionSchema, mixerSchema } from './expansion';
import { graphicsSchema } from './graphics';
import { memorySchema } from './memory';
import { processorSchema } from './processor';
import { supplySchema } from './supply';
import {
  accessorySchema,
  displaySchema,
  licenceSchema,
  peripheralSchema,
  serviceSchema,
  systemSchema,
} from './surroundings';

/** One schema a kind; the order is the order a builder thinks in. */
export const partSchemas = {
  processor: processorSchema,
  board: boardSchema,
  memory: memorySchema,
  graphics: graphicsSchema,
  drive: driveSchema,
  supply: supplySchema,
  case: caseSchema,
  cooler: coolerSchema,
  fan: fanSchema,
  expansion: expansionSchema,
  mixer: mixerSchema,
  display: displaySchema,
  peripheral: peripheralSchema,
  system: systemSchema,
  licence: licenceSchema,
  service: serviceSchema,
  accessory: accessorySchema,
} as const;

export const partSchema = z.discriminatedUnion('kind', [
  processorSchema,
  boardSchema,
  memorySchema,
  graphicsSchema,
  driveSchema,
  supplySchema,
  caseSchema,
  coolerSchema,
  fanSchema,
  expansionSchema,
  mixerSchema,
  displaySchema,
  peripheralSchema,
  systemSchema,
  licenceSchema,
  serviceSchema,
  accessorySchema,
]);

export type Part = z.infer<typeof partSchema>;
export type PartKind = Part['kind'];
export type PartOf<K extends PartKind> = Extract<Part, { kind: K }>;
export const PART_KINDS = Object.keys(partSchemas) as readonly PartKind[];

const schemaOfField = (kind: PartKind, field: string): z.ZodType | undefined => {
  const shape: Record<string, z.ZodType> = partSchemas[kind].shape;
  // names come from files and addresses: only fields that the schema itself has count
  return Object.hasOwn(shape, field) ? shape[field] : undefined;
};

/** Label, unit and better direction of a part's field, as its schema declares them. */
export function figureMeta(kind: PartKind, field: string): FigureMeta {
  const meta = schemaOfField(kind, field)?.meta() as FigureMeta | undefined;
  return meta ?? { label: field };
}

/** Whether a single number can be typed in for this field (lists and structures need the part's own form). */
export function isNumberField(kind: PartKind, field: string): boolean {
  const schema = schemaOfField(kind, field);
  return (
    schema !== undefined &&
    schema.safeParse(1).success &&
    !schema.safeParse('x').success &&
    !schema.safeParse(true).success
  );
}

export { partId, type PartId } from './common';
