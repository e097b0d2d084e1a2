import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { readBom } from '@/core/formats/bom';
import { guessColumns, guessKind, mappingSchema, type ColumnTarget, type Mapping } from '@/core/formats/csv/mapping';
import { isSheet, type SheetKind } from '@/core/formats/csv/sheets';
import { readInventory } from '@/core/formats/lshw';
import { MAX_TEXT, problemsOf, type Problem } from '@/core/formats/problems';
import type { Machine } from '@/core/model/machine';
import type { Part } from '@/core/parts';
import { deskRegion } from '@/core/model/settings';
import { bumpCatalogue } from '@/store/catalogueStore';
import { writing } from '@/store/database';
import { applyEntries, beginStep, type Entry } from '@/store/lists';
import { rememberColumns, rememberedColumns } from '@/store/libraryStore';
import * as projects from '@/store/projectStore';
import { openCase } from './cases';
import { dropUpload as dropFile, readUpload, uploadPath } from './inbox';
import { sampleCsv, SEPARATORS, type CsvSample } from './import/csvFile';
import { csvRequestSchema, type ImportRequest } from './import/request';
import { detectEncoding, ENCODINGS, UnreadableFile } from './import/text';
import { cancelJob, forgetJob, jobState, startJob } from './jobs';
import { newSeat, now, todayOf, type Service } from './service';

export type Refused = { readonly state: 'refused'; readonly problems: readonly Problem[] };
const refused = (path: string, message: string): Refused => ({ state: 'refused', problems: [{ path, message }] });
const GONE = refused('file', 'is no longer there; give it again');

/** The text of a small upload, in whatever encoding it was saved. */
function smallText(service: Service, id: string): string | Refused {
  const path = uploadPath(service, id);
  const upload = readUpload(service, id);
  if (path === undefined || !upload) return GONE;
  if (upload.bytes > MAX_TEXT)
    return refused(
      'file',
      `has ${Math.round(upload.bytes / 1e6)} MB; files of this kind are read up to ${MAX_TEXT / 1e6} MB`,
    );
  const bytes = readFileSync(path);
  return new TextDecoder(detectEncoding(bytes)).decode(bytes);
}

export async function openUploadedCase(
  service: Service,
  id: string,
): Promise<{ readonly state: 'opened'; readonly seatId: string; readonly projectId: string } | Refused> {
  const text = smallText(service, id);
  if (typeof text !== 'string') return text;
  const opened = await openCase(service, text);
  if (!opened.ok) return { state: 'refused', problems: opened.problems };
  dropFile(service, id);
  return { state: 'opened', seatId: opened.value.seatId, projectId: opened.value.projectId };
}

/** What an inventory or bill of materials holds, before it is put anywhere. */
export interface MachinePreview {
  readonly name: string;
  readonly items: readonly { readonly id: string; readonly label: string; readonly known: boolean }[];
  readonly added: readonly string[];
  readonly notes: readonly string[];
}

async function readMachine(
  service: Service,
  id: string,
): Promise<{ machine: Machine; parts: readonly Part[]; notes: readonly string[] } | Refused> {
  const text = smallText(service, id);
  if (typeof text !== 'string') return text;
  const { data } = await service.catalogue();
  const upload = readUpload(service, id);
  if (upload?.format === 'lshw') {
    const read = readInventory(text, data.parts);
    if (!read.ok) return { state: 'refused', problems: read.problems };
    const { machine, parts, untold, recognised } = read.value;
    return { machine, parts, notes: [...recognised.map((name) => `recognised in the library: ${name}`), ...untold] };
  }
  const read = readBom(text);
  if (!read.ok) return { state: 'refused', problems: read.problems };
  const { machine, parts, leftOut } = read.value;
  const has = new Map(data.parts.map((part) => [part.id as string, part]));
  const described = new Set(parts.map((part) => part.id as string));
  const problems: Problem[] = [
    ...parts
      .filter((part) => has.has(part.id) && JSON.stringify(has.get(part.id)) !== JSON.stringify(part))
      .map((part) => ({
        path: part.id as string,
        message: 'is in the library with other figures; give it another id in the file',
      })),
    ...machine.items
      .filter((item) => !has.has(item.part) && !described.has(item.part))
      .map((item) => ({
        path: item.id,
        message: `refers to part "${item.part}", which is neither described in the file nor in the library`,
      })),
  ];
  if (problems.length > 0) return { state: 'refused', problems };
  return {
    machine,
    parts: parts.filter((part) => !has.has(part.id)),
    notes: leftOut.map((name) => `left out: "${name}" says nothing of what kind of part it is`),
  };
}

export async function previewMachine(service: Service, id: string): Promise<MachinePreview | Refused> {
  const read = await readMachine(service, id);
  if ('state' in read) return read;
  const added = new Set(read.parts.map((part) => part.id as string));
  return {
    name: read.machine.name,
    items: read.machine.items.map((item) => ({
      id: item.id,
      label: item.label ?? item.part,
      known: !added.has(item.part),
    })),
    added: read.parts.map((part) => `${part.maker} ${part.name}`),
    notes: read.notes,
  };
}

const targetSchema = z.union([
  z.object({ seatId: z.string() }),
  z.object({ newSeat: z.string().min(1).max(80), projectId: z.string().optional() }),
]);

/** Puts the machine of an upload into a seat as a draft, or into a seat of its own. */
export async function openUploadedMachine(
  service: Service,
  id: string,
  target: unknown,
): Promise<{ readonly state: 'opened'; readonly seatId: string; readonly projectId: string } | Refused> {
  const parsed = targetSchema.safeParse(target);
  if (!parsed.success) return { state: 'refused', problems: problemsOf(parsed.error) };
  const read = await readMachine(service, id);
  if ('state' in read) return read;
  const entries: Entry[] = read.parts.map((part) => ({ list: 'parts', id: part.id, spec: part }));
  if (entries.length > 0)
    await writing(service.db, async (trx) => {
      const name = readUpload(service, id)?.name ?? 'file';
      await applyEntries(trx, await beginStep(trx, `Parts of ${read.machine.name}`, name, now()), entries);
      await bumpCatalogue(trx);
    });
  const { data: choice } = parsed;
  if ('seatId' in choice) {
    const seat = await projects.readSeat(service.db, choice.seatId);
    if (!seat) return refused('seat', 'is no longer there; choose another');
    const used = new Set(seat.drafts.map((draft) => draft.body.id));
    let machineId = read.machine.id;
    for (let n = 2; used.has(machineId); n++) machineId = `${read.machine.id}-${n}`;
    await projects.addDraft(
      service.db,
      choice.seatId,
      { ...read.machine, id: machineId },
      `${read.machine.name} from a file`,
      now(),
    );
    dropFile(service, id);
    return { state: 'opened', seatId: choice.seatId, projectId: seat.seat.projectId };
  }
  const made = await newSeat(service, choice.projectId ?? 'my-project', choice.newSeat, read.machine);
  if (made.state === 'refused') return made;
  dropFile(service, id);
  return { state: 'opened', seatId: made.seatId, projectId: made.projectId };
}

/** What the mapping step starts from. */
export interface TableGuess extends CsvSample {
  readonly kind: SheetKind | undefined;
  readonly mapping: Mapping | undefined;
  /** Headings whose target was remembered from an earlier file. */
  readonly remembered: readonly string[];
}

const choiceSchema = z.object({
  encoding: z.enum(ENCODINGS).optional(),
  separator: z.enum(SEPARATORS).optional(),
  kind: z.string().refine(isSheet, 'is no kind of table').optional(),
});

/** First rows of a table and the best guess at what its columns mean; what was chosen for a heading before goes first. */
export async function guessTable(service: Service, id: string, choice: unknown): Promise<TableGuess | Refused> {
  const path = uploadPath(service, id);
  if (path === undefined) return GONE;
  const parsed = choiceSchema.safeParse(choice ?? {});
  if (!parsed.success) return { state: 'refused', problems: problemsOf(parsed.error) };
  const { encoding, separator } = parsed.data;
  try {
    const sample = await sampleCsv(path, { ...(encoding ? { encoding } : {}), ...(separator ? { separator } : {}) });
    const { data } = await service.catalogue();
    const settings = await service.settings();
    const currency = deskRegion(data.regions, settings)?.currency ?? '';
    const kind = (parsed.data.kind as SheetKind | undefined) ?? guessKind(sample.headers, currency);
    const before = kind ? await rememberedColumns(service.db, kind) : new Map<string, ColumnTarget>();
    return {
      ...sample,
      rows: sample.rows.slice(0, 6),
      kind,
      remembered: sample.headers.filter((header) => before.has(header)),
      mapping: kind
        ? {
            kind,
            columns: guessColumns(kind, sample.headers, before, currency),
            decimal: sample.decimal,
            constants: {},
          }
        : undefined,
    };
  } catch (error) {
    if (error instanceof UnreadableFile) return refused(error.path, error.message);
    throw error;
  }
}

const tableSchema = csvRequestSchema.omit({ today: true }).extend({ mapping: mappingSchema });

/** Starts checking an upload in a process of its own. Tables say how their columns are meant. */
export async function checkUpload(
  service: Service,
  id: string,
  csv: unknown,
): Promise<{ readonly state: 'started' } | Refused> {
  const path = uploadPath(service, id);
  const upload = readUpload(service, id);
  if (path === undefined || !upload) return GONE;
  const request = await requestOf(service, path, upload.name, upload.format, csv);
  if ('state' in request) return request;
  pending().set(id, request);
  startJob(service, id, request);
  return { state: 'started' };
}

async function requestOf(
  service: Service,
  path: string,
  name: string,
  format: string,
  csv: unknown,
): Promise<ImportRequest | Refused> {
  if (format === 'catalogue' || format === 'archive') return { format, path, name };
  if (format === 'other-json') return { format: 'catalogue', path, name };
  if (format !== 'csv') return refused('file', 'is of no kind that is imported into the library');
  const parsed = tableSchema.safeParse(csv);
  if (!parsed.success) return { state: 'refused', problems: problemsOf(parsed.error) };
  return { format: 'csv', path, name, csv: { ...parsed.data, today: await todayOf(service) } };
}

/** Requests of files that are being imported, so that writing means exactly what was checked. */
const holder = globalThis as { vanePending?: Map<string, ImportRequest> };
const pending = (): Map<string, ImportRequest> => (holder.vanePending ??= new Map());

/** Writes what the last check of this upload found, if the catalogue has not moved since. */
export async function writeUpload(service: Service, id: string): Promise<{ readonly state: 'started' } | Refused> {
  const request = pending().get(id);
  const job = jobState(id);
  if (!request || job?.state !== 'checked') return refused('file', 'was not checked yet; check it first');
  if (job.dryRun.problemCount > 0)
    return refused('file', `has ${job.dryRun.problemCount} problems; mend them or leave their rows out`);
  if (request.format === 'csv')
    await rememberColumns(service.db, request.csv.mapping.kind, request.csv.mapping.columns, now());
  startJob(service, id, request, { revision: job.dryRun.revision });
  return { state: 'started' };
}

export function cancelUpload(id: string): void {
  cancelJob(id);
}

export function dropUpload(service: Service, id: string): void {
  forgetJob(service, id);
  pending().delete(id);
  dropFile(service, id);
}
