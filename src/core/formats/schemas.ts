import { z } from 'zod';
import { briefSchema } from '../model/brief';
import { machineSchema } from '../model/machine';
import { partSchemas, type PartKind } from '../parts';
import { taskSchema } from '../model/tasks';
import { caseSchema } from './caseFile';
import { rivalSchema } from '../model/rivals';
import { applicationSchema } from '../model/applications';
import { offerSchema, regionSchema, sellerSchema } from '../model/offers';
import { catalogueSchema } from '../model/catalogueSchema';
import { mappingSchema } from './csv/mapping';
import { quoteSchema } from '../quote/document';
import { quoteTermsSchema } from '../quote/terms';
import { projectSchemas } from './projectFile';

const documents: Readonly<Record<string, z.ZodType>> = {
  'case-file': caseSchema,
  catalogue: catalogueSchema,
  brief: briefSchema,
  machine: machineSchema,
  task: taskSchema,
  offer: offerSchema,
  region: regionSchema,
  seller: sellerSchema,
  'application-profile': applicationSchema,
  rival: rivalSchema,
  'archive-seat': projectSchemas.seats,
  'archive-figure': projectSchemas.figures,
  'archive-owned': projectSchemas.owned,
  'column-mapping': mappingSchema,
  quote: quoteSchema,
  'quote-terms': quoteTermsSchema,
};

const isKind = (name: string): name is PartKind => Object.hasOwn(partSchemas, name);

/** Names that `schemaOf` knows: the documents, then each kind of part. */
export const schemaNames = (): string[] => [...Object.keys(documents), ...Object.keys(partSchemas)];

/** JSON Schema (draft 2020-12) of a document or kind of part, with labels, units and better direction as annotations. */
export function schemaOf(name: string): object | undefined {
  const schema = Object.hasOwn(documents, name) ? documents[name] : isKind(name) ? partSchemas[name] : undefined;
  // ids are branded and dates refined: what JSON Schema cannot say is left to the reader's own messages
  return schema && z.toJSONSchema(schema, { unrepresentable: 'any', io: 'input' });
}
