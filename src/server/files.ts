import { readFileSync } from 'node:fs';
import { firstFree, idIn, numbered } from '@/core/units/free';
import { z } from 'zod';
import { readBom } from '@/core/formats/bom';
import { guessColumns, guessKind, mappingSchema, type ColumnTarget, type Mapping } from '@/core/formats/csv/mapping';
import { isSheet, type SheetKind } from '@/core/formats/csv/sheets';
import { readInventory } from '@/core/formats/lshw';
import { MAX_TEXT, type Parsed, type Problem } from '@/core/formats/problems';
import type { Machine } from '@/core/model/machine';
import type { Part } from '@/core/parts';
import { OWN_PROJECT } from '@/core/model/brief';
import { deskRegion } from '@/core/model/settings';
import type { Entry } from '@/store/lists';
import { rememberColumns, rememberedColumns } from '@/store/libraryStore';
import * as projects from '@/store/projectStore';
import { openCase } from './cases';
import { dropUpload as dropFile, readUpload, uploadPath } from './inbox';
import { sampleCsv, SEPARATORS, type CsvSample } from './import/csvFile';
import { csvRequestSchema, type ImportRequest } from './import/request';
import { detectEncoding, ENCODINGS } from './import/text';
import { cancelJob, forgetJob, jobState, startJob } from './jobs';
import { libraryStep } from './libraryStep';
import { answering, read, Refusal, refuse, type Refused } from './refuse';
import { newSeat } from './seats';
import { now, todayOf, type Service } from './service';

/** Where an upload lies, and what is known of it. @throws Refusal when it is gone */
function givenFile(service: Service, id: string) {
  const path = uploadPath(service, id);
  const upload = readUpload(service, id);
  return path === undefined || !upload ? refuse('file', 'is no longer there; give it again') : { ...upload, path };
}

/** What a reader made of a text. @throws Refusal with its problems */
function made<T>(parsed: Parsed<T>): T {
  if (!parsed.ok) throw new Refusal(parsed.problems);
  return parsed.value;
}

/** The text of a small upload, in whatever encoding it was saved. @throws Refusal when it is gone or too large */
function smallText(service: Service, id: string): string {
  const { path, bytes: size } = givenFile(service, id);
  if (size > MAX_TEXT)
    refuse('file', `has ${Math.round(size / 1e6)} MB; files of this kind are read up to ${MAX_TEXT / 1e6} MB`);
  const bytes = readFileSync(path);
  return new TextDecoder(detectEncoding(bytes)).decode(bytes);
}

export interface OpenedSeat {
  readonly state: 'opened';
  readonly seatId: string;
  readonly projectId: string;
}

export async function openUploadedCase(service: Service, id: string): Promise<OpenedSeat | Refused> {
  return answering(async () => {
    const { seatId, projectId } = made(await openCase(service, smallText(service, id)));
    dropFile(service, id);
    return { state: 'opened' as const, seatId, projectId };
  });
}

/** What an inventory or bill of materials holds, before it is put anywhere. */
export interface MachinePreview {
  readonly name: string;
  readonly items: readonly { readonly id: string; readonly label: string; readonly known: boolean }[];
  readonly added: readonly string[];
  readonly notes: readonly string[];
}

/** @throws Refusal with what is wrong with the file */
async function readMachine(
  service: Service,
  id: string,
): Promise<{ machine: Machine; parts: readonly Part[]; notes: readonly string[] }> {
  const text = smallText(service, id);
  const { data } = await service.catalogue();
  const upload = readUpload(service, id);
  if (upload?.format === 'lshw') {
    const { machine, parts, untold, recognised } = made(readInventory(text, data.parts));
    return { machine, parts, notes: [...recognised.map((name) => `recognised in the library: ${name}`), ...untold] };
  }
  const { machine, parts, leftOut } = made(readBom(text));
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
  if (problems.length > 0) throw new Refusal(problems);
  return {
    machine,
    parts: parts.filter((part) => !has.has(part.id)),
    notes: leftOut.map((name) => `left out: "${name}" says nothing of what kind of part it is`),
  };
}

export async function previewMachine(service: Service, id: string): Promise<MachinePreview | Refused> {
  return answering(async () => {
    const { machine, parts, notes } = await readMachine(service, id);
    const added = new Set(parts.map((part) => part.id as string));
    return {
      name: machine.name,
      items: machine.items.map((item) => ({
        id: item.id,
        label: item.label ?? item.part,
        known: !added.has(item.part),
      })),
      added: parts.map((part) => `${part.maker} ${part.name}`),
      notes,
    };
  });
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
): Promise<OpenedSeat | Refused> {
  return answering(async () => {
    const choice = read(targetSchema, target);
    const { machine, parts } = await readMachine(service, id);
    const entries: Entry[] = parts.map((part) => ({ list: 'parts', id: part.id, spec: part }));
    if (entries.length > 0)
      await libraryStep(service, `Parts of ${machine.name}`, entries, readUpload(service, id)?.name ?? 'file');
    const opened =
      'seatId' in choice ? await asDraft(service, choice.seatId, machine) : await asSeat(service, choice, machine);
    if (opened.state === 'opened') dropFile(service, id);
    return opened;
  });
}

/** @throws Refusal when the seat is gone */
async function asDraft(service: Service, seatId: string, machine: Machine): Promise<OpenedSeat> {
  const seat = await projects.readSeat(service.db, seatId);
  if (!seat) refuse('seat', 'is no longer there; choose another');
  const free = firstFree(numbered(machine.id), idIn(seat.drafts.map(({ body }) => body)));
  await projects.addDraft(
    service.db,
    seatId,
    { ...machine, id: free },
    {
      label: `${machine.name} from a file`,
      at: now(),
      window: '',
    },
  );
  return { state: 'opened', seatId, projectId: seat.seat.projectId };
}

async function asSeat(
  service: Service,
  { projectId, newSeat: name }: { projectId?: string | undefined; newSeat: string },
  machine: Machine,
): Promise<OpenedSeat | Refused> {
  const seat = await newSeat(service, { project: await projectFor(service, projectId), name, machine });
  return seat.state === 'refused' ? seat : { state: 'opened', seatId: seat.seatId, projectId: seat.projectId };
}

/** The project that is named, else one of its own. */
async function projectFor(service: Service, projectId: string | undefined): Promise<{ id: string } | { name: string }> {
  const known = await projects.listProjects(service.db);
  const found = known.find(({ id }) => id === projectId) ?? known.find(({ name }) => name === OWN_PROJECT);
  return found ? { id: found.id } : { name: OWN_PROJECT };
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
  return answering(async () => {
    const { path } = givenFile(service, id);
    const { encoding, separator, kind: chosen } = read(choiceSchema, choice ?? {});
    const sample = await sampleCsv(path, { ...(encoding ? { encoding } : {}), ...(separator ? { separator } : {}) });
    const { data } = await service.catalogue();
    const settings = await service.settings();
    const currency = deskRegion(data.regions, settings)?.currency ?? '';
    const kind = (chosen as SheetKind | undefined) ?? guessKind(sample.headers, currency);
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
  });
}

const tableSchema = csvRequestSchema.omit({ today: true }).extend({ mapping: mappingSchema });

export interface Started {
  readonly state: 'started';
}

/** Starts checking an upload in a process of its own. Tables say how their columns are meant. */
export async function checkUpload(service: Service, id: string, csv: unknown): Promise<Started | Refused> {
  return answering(async () => {
    const { path, name, format } = givenFile(service, id);
    const request = await requestOf(service, { path, name, format }, csv);
    pending().set(id, request);
    startJob(service, id, request);
    return { state: 'started' as const };
  });
}

/** @throws Refusal when the file is of no kind that is imported, or its columns are not told */
async function requestOf(
  service: Service,
  { path, name, format }: { path: string; name: string; format: string },
  csv: unknown,
): Promise<ImportRequest> {
  if (format === 'catalogue' || format === 'archive') return { format, path, name };
  if (format === 'other-json') return { format: 'catalogue', path, name };
  if (format !== 'csv') refuse('file', 'is of no kind that is imported into the library');
  return { format: 'csv', path, name, csv: { ...read(tableSchema, csv), today: await todayOf(service) } };
}

/** Requests of files that are being imported, so that writing means exactly what was checked. */
const holder = globalThis as { vanePending?: Map<string, ImportRequest> };
const pending = (): Map<string, ImportRequest> => (holder.vanePending ??= new Map());

/** Writes what the last check of this upload found, if the catalogue has not moved since. */
export async function writeUpload(service: Service, id: string): Promise<Started | Refused> {
  return answering(async () => {
    const request = pending().get(id);
    const job = jobState(id);
    if (!request || job?.state !== 'checked') refuse('file', 'was not checked yet; check it first');
    if (job.dryRun.problemCount > 0)
      refuse('file', `has ${job.dryRun.problemCount} problems; mend them or leave their rows out`);
    if (request.format === 'csv')
      await rememberColumns(service.db, request.csv.mapping.kind, request.csv.mapping.columns, now());
    startJob(service, id, request, { revision: job.dryRun.revision });
    return { state: 'started' as const };
  });
}

export function cancelUpload(id: string): void {
  cancelJob(id);
}

export function dropUpload(service: Service, id: string): void {
  forgetJob(service, id);
  pending().delete(id);
  dropFile(service, id);
}
