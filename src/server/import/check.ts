import { existsSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createHash } from 'node:crypto';
import { z } from 'zod';
import { catalogueReader } from '@/core/formats/catalogue';
import { checkEntry, danglingMessage, duplicateMessage, inside, partProblems } from '@/core/formats/entries';
import { rowReader } from '@/core/formats/csv/rows';
import { jsonCutter } from '@/core/formats/jsonElements';
import { asNow } from '@/core/formats/former';
import { parseText, problemsOf } from '@/core/formats/problems';
import { AROUND_LISTS, aroundKey, aroundSchemas, type AroundList } from '@/core/formats/aroundFile';
import {
  PROJECT_LISTS,
  projectSchemas,
  type HandFigure,
  type Owned,
  type ProjectList,
  type SeatSpec,
} from '@/core/formats/projectFile';
import { partSchemas, type Part } from '@/core/parts';
import type { Database } from '@/store/database';
import { compareStaged, openLookup, openStaging, stagedProblems, type Staging } from '@/store/staging';
import { readSmall } from '@/store/catalogueStore';
import { unpack, type Member } from './archive';
import { headerProblems } from '@/core/formats/csv/mapping';
import { csvRows } from './csvFile';
import { LARGEST_FILE_BYTES, type CsvRequest, type DryRun, type ImportRequest, type Progress } from './request';
import { detectEncoding, sampleOf, textOf, UnreadableFile } from './text';

export interface CheckHooks {
  readonly progress?: (progress: Progress) => void;
}

const SHOWN_PROBLEMS = 200;

/** Counts what has been read and says so now and then. */
function meter(of: number, hooks: CheckHooks) {
  let bytes = 0;
  let read = 0;
  let said = 0;
  return {
    bytes: (n: number) => {
      bytes = n;
      if (bytes - said < 2_000_000 && bytes < of) return;
      said = bytes;
      hooks.progress?.({ bytes, of, read });
    },
    entry: () => void read++,
    read: () => read,
  };
}
type Meter = ReturnType<typeof meter>;

/**
 * Reads a file into `stagingPath` and says what it would do: every problem with its place, and what would be added,
 * changed and left. Reads as it goes, so memory does not grow with the file. Writes nothing to the database.
 */
export async function checkFile(
  db: Database,
  databasePath: string,
  request: ImportRequest,
  stagingPath: string,
  hooks: CheckHooks = {},
): Promise<DryRun> {
  const staging = openStaging(stagingPath);
  let read = 0;
  try {
    if (!existsSync(request.path)) throw new UnreadableFile('file', 'is no longer there; give it again');
    const { size } = statSync(request.path);
    if (size > LARGEST_FILE_BYTES)
      throw new UnreadableFile(
        'file',
        `has ${(size / 1e9).toFixed(1)} GB; files of up to ${LARGEST_FILE_BYTES / 1e9} GB are read. Split it`,
      );
    if (size === 0) throw new UnreadableFile('file', 'is empty');
    const counter = meter(size, hooks);
    switch (request.format) {
      case 'catalogue':
        await readCatalogueFile(request.path, staging, counter);
        break;
      case 'archive':
        await readArchive(request.path, staging, counter);
        break;
      case 'csv':
        await readTable(db, databasePath, request.path, request.csv, staging, counter);
        break;
    }
    read = counter.read();
  } catch (error) {
    if (!(error instanceof UnreadableFile)) throw error;
    for (const problem of error.problems) staging.problem(problem);
  } finally {
    staging.close();
  }
  let problemCount = staging.problemCount();
  const { counts, dangling, revision } = await compareStaged(db, stagingPath);
  const { problems } = stagedProblems(stagingPath, 0, SHOWN_PROBLEMS);
  // an entry with a problem is not there for others to refer to: only the first cause is named
  const loose =
    problemCount > 0
      ? []
      : dangling.map(({ list, id, place }) => ({
          path: place,
          message:
            list === 'parts' || list === 'sellers' || list === 'regions' || list === 'applications'
              ? danglingMessage(list, id)
              : `refers to "${id}", which does not exist`,
        }));
  problemCount += loose.length;
  return { counts, problemCount, problems: [...problems, ...loose.slice(0, SHOWN_PROBLEMS)], read, revision };
}

async function readCatalogueFile(path: string, staging: Staging, counter: Meter): Promise<void> {
  const reader = catalogueReader({
    add: (list, id, value, place) => {
      counter.entry();
      return staging.add(list, id, value, place) ? undefined : (staging.placeOf(list, id) ?? 'another entry');
    },
    refer: (reference, place) => staging.refer(reference.list, reference.id, place),
    problem: (problem) => staging.problem(problem),
  });
  for await (const text of textOf(path, detectEncoding(await sampleOf(path)), counter.bytes))
    if (!reader.push(text)) return;
  reader.end();
}

const manifestSchema = z.object({
  format: z.literal('vane-archive', 'is not "vane-archive": this is not an archive of ours'),
  version: z.literal(1, 'is not a version that this release reads; it reads 1'),
  name: z.string().max(120),
  members: z.record(z.string(), z.object({ sha256: z.string(), bytes: z.number() })),
});

async function readArchive(path: string, staging: Staging, counter: Meter): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'vane-archive-'));
  try {
    const members = await unpack(path, folder);
    // the build would take this for any file of the project, and follow them all
    const stated = readFileSync(/* turbopackIgnore: true */ members.get('vane-archive.json') ?? '', 'utf8');
    const manifest = parseText(stated, manifestSchema);
    if (!manifest.ok)
      return manifest.problems.forEach((problem) =>
        staging.problem({ path: `vane-archive.json ${problem.path}`, message: problem.message }),
      );
    for (const [member, stated] of Object.entries(manifest.value.members)) {
      const file = [...members].find(([name]) => name === member)?.[1];
      if (!file) throw new UnreadableFile(member, 'is named in the manifest but is not in the archive');
      const hash = createHash('sha256');
      for await (const text of textOf(file, 'utf-8')) hash.update(text);
      if (hash.digest('hex') !== stated.sha256)
        throw new UnreadableFile(
          member,
          'does not match the checksum in the manifest; the archive was changed or damaged',
        );
    }
    const catalogue = members.get('catalogue.json');
    if (catalogue) await readCatalogueFile(catalogue, staging, counter);
    const project = members.get('project.json');
    const to = { staging, counter };
    if (project)
      await eachEntry(project, 'project.json', PROJECT_LISTS, to, (list, value, place) =>
        stageProjectEntry(list, value, place, staging),
      );
    const around = members.get('around.json');
    if (around)
      await eachEntry(around, 'around.json', AROUND_LISTS, to, (list, value, place) =>
        stageAround(list, value, place, staging),
      );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** The entries of a member's lists one by one, each with its place; a list that is not known is named once. */
async function eachEntry<L extends string>(
  path: string,
  member: Member,
  lists: readonly L[],
  { staging, counter }: { readonly staging: Staging; readonly counter: Meter },
  take: (list: L, value: unknown, place: string) => void,
): Promise<void> {
  const cutter = jsonCutter();
  for await (const text of textOf(path, 'utf-8'))
    for (const piece of cutter.push(text)) {
      if (piece.kind === 'broken') return staging.problem({ path: `${member} ${piece.path}`, message: piece.message });
      if (piece.kind !== 'element') continue;
      counter.entry();
      const list = lists.find((name) => name === piece.key);
      const place = `${member} ${piece.key}[${piece.index}]`;
      if (list !== undefined) take(list, piece.value, place);
      else if (piece.index === 0)
        staging.problem({ path: place, message: 'is a list that archives of this version do not have' });
    }
}

/** An entry that its schema takes; what is wrong with another is named. */
function soundEntry<T>(schema: z.ZodType<T>, json: unknown, place: string, staging: Staging): T | undefined {
  const parsed = schema.safeParse(json);
  if (parsed.success) return parsed.data;
  for (const problem of problemsOf(parsed.error))
    staging.problem({ path: inside(place, problem.path), message: problem.message });
  return undefined;
}

/** Stages an entry under its id; one that stands twice is named with both places. */
function stageOnce(list: Parameters<Staging['add']>[0], id: string, spec: unknown, place: string, staging: Staging) {
  if (!staging.add(list, id, spec, place))
    staging.problem({ path: place, message: duplicateMessage(id, staging.placeOf(list, id) ?? 'another entry') });
}

/** What belongs around seats and parts. */
function stageAround(list: AroundList, json: unknown, place: string, staging: Staging): void {
  const entry = soundEntry<object>(aroundSchemas[list], json, place, staging);
  if (entry) stageOnce(`around ${list}`, aroundKey(list, entry), entry, place, staging);
}

function stageProjectEntry(list: ProjectList, json: unknown, place: string, staging: Staging): void {
  const value = soundEntry<SeatSpec | HandFigure | Owned>(
    projectSchemas[list],
    list === 'seats' ? asNow(json) : json,
    place,
    staging,
  );
  if (!value) return;
  const id =
    list === 'figures' ? `${(value as HandFigure).part} ${(value as HandFigure).field}` : (value as { id: string }).id;
  const spec = list === 'figures' ? { value: (value as HandFigure).value, at: (value as HandFigure).at } : value;
  stageOnce(list, id, spec, place, staging);
  if (list !== 'seats') staging.refer('parts', (value as HandFigure | Owned).part, `${place}.part`);
  else {
    const seat = value as SeatSpec;
    staging.refer('regions', seat.brief.region, `${place}.brief.region`);
    for (const task of seat.brief.tasks)
      if (task.application !== undefined) staging.refer('applications', task.application, `${place}.brief`);
    for (const display of seat.brief.ownedDisplays) staging.refer('parts', display, `${place}.brief.ownedDisplays`);
    for (const [d, draft] of seat.drafts.entries())
      for (const [i, item] of draft.items.entries())
        for (const part of [item.part, ...(item.standInRange ?? [])])
          staging.refer('parts', part, `${place}.drafts[${d}].items[${i}].part`);
  }
}

/** Seller of prices that came with a table of parts. */
export const OWN_LIST = { id: 'own-price-list', name: 'Own price list' } as const;

async function readTable(
  db: Database,
  databasePath: string,
  path: string,
  request: CsvRequest,
  staging: Staging,
  counter: Meter,
): Promise<void> {
  const { mapping } = request;
  const region = (await readSmall(db, 'regions')).find((entry) => entry.id === request.region);
  if (!region)
    throw new UnreadableFile('region', `"${request.region}" is not in the catalogue; choose another for the prices`);
  const reader = rowReader(mapping, region.currency);
  const lookup = openLookup(databasePath);
  const skip = new Set(request.leaveOut);
  let headers: readonly string[] = [];
  try {
    for await (const { row, cells } of csvRows(path, request, counter.bytes)) {
      if (row === 1) {
        headers = cells.map((cell) => cell.trim());
        const wrong = [...headerProblems(headers), ...mappingProblems(headers, request)];
        if (wrong.length > 0) return wrong.forEach((problem) => staging.problem(problem));
        continue;
      }
      if (skip.has(row)) continue;
      counter.entry();
      if (cells.length > headers.length && cells.slice(headers.length).some((cell) => cell.trim() !== '')) {
        staging.problem({
          path: `row ${row}`,
          row,
          message: `has ${cells.length} cells under ${headers.length} headings; quote cells that hold the separator`,
        });
        continue;
      }
      const mended = mendedCells(cells, headers, request.fixes[String(row)]);
      stageRow(reader.read(mended), row, mended, headers, request, lookup.part, staging);
    }
  } finally {
    lookup.close();
  }
}

const mendedCells = (
  cells: readonly string[],
  headers: readonly string[],
  fixes: Readonly<Record<string, string>> | undefined,
): readonly string[] =>
  fixes === undefined
    ? cells
    : headers.map((header, i) => (Object.hasOwn(fixes, header) ? (fixes[header] ?? '') : (cells[i] ?? '')));

/** The mapping must speak of this file's headings. */
function mappingProblems(headers: readonly string[], { mapping }: CsvRequest): { path: string; message: string }[] {
  return mapping.columns.flatMap((target, i) =>
    (headers[i] ?? '') === target.header
      ? []
      : [
          {
            path: `row 1, column ${i + 1}`,
            message: `is headed "${headers[i] ?? ''}", but the mapping was made for "${target.header}"; map the columns again`,
          },
        ],
  );
}

type RowOutcome = ReturnType<ReturnType<typeof rowReader>['read']>;

function stageRow(
  outcome: RowOutcome,
  row: number,
  cells: readonly string[],
  headers: readonly string[],
  request: CsvRequest,
  known: (id: string) => string | undefined,
  staging: Staging,
): void {
  const say = (column: string, message: string) => {
    const at = headers.indexOf(column);
    staging.problem({
      path: `row ${row}, ${column}`,
      row,
      column,
      message,
      ...(at >= 0 ? { value: cells[at] ?? '' } : {}),
    });
  };
  if (!outcome.ok) return outcome.problems.forEach((problem) => say(problem.column, problem.message));
  const { entry, priceMinor } = outcome;
  const { kind } = request.mapping;
  const heading = (field: string) =>
    request.mapping.columns.find((target) => target.field === field || target.field === field.split(/[.[]/)[0])
      ?.header ?? field;
  const list = kind === 'offer' ? 'offers' : 'parts';
  const place = `row ${row}`;
  let value: object = entry;
  if (list === 'parts') {
    const merged = merge(entry, known(entry.id));
    if (merged === undefined)
      return say(
        heading('name'),
        `"${entry.id}" is in the catalogue as another kind of part; give this one another name or an id of its own`,
      );
    const problems = partProblems(merged);
    if (problems.length > 0) return problems.forEach((problem) => say(heading(problem.path), problem.message));
    value = merged;
  }
  const checked = checkEntry(list, value);
  if (!checked.ok) return checked.problems.forEach((problem) => say(heading(problem.path), problem.message));
  if (!staging.add(list, checked.id, checked.value, place))
    return say(
      heading('name'),
      `is the same ${kind} as ${staging.placeOf(list, checked.id) ?? 'another row'} ("${checked.id}"); leave one of the two out`,
    );
  for (const reference of checked.references)
    staging.refer(reference.list, reference.id, `${place}, ${heading(reference.path)}`);
  if (priceMinor !== undefined && list === 'parts') stageOffer(checked.id, priceMinor, request, place, staging);
}

/** A row over what is known of the part already: the row's cells win, an empty cell takes nothing away. */
function merge(entry: Record<string, unknown> & { readonly id: string }, known: string | undefined): Part | undefined {
  const before = known === undefined ? undefined : (JSON.parse(known) as { kind: string; evidence?: object });
  if (before && before.kind !== entry['kind']) return undefined;
  const schema = partSchemas[entry['kind'] as keyof typeof partSchemas];
  return schema.parse({ ...before, ...entry }) as Part;
}

function stageOffer(part: string, priceMinor: number, request: CsvRequest, place: string, staging: Staging): void {
  staging.add('sellers', OWN_LIST.id, OWN_LIST, place);
  const id = `${part.slice(0, 60)}.own.${request.region}`.slice(0, 80);
  staging.add(
    'offers',
    id,
    {
      id,
      part,
      seller: OWN_LIST.id,
      region: request.region,
      priceMinor,
      shippingMinor: 0,
      condition: 'new',
      asOf: request.today,
    },
    place,
  );
  staging.refer('regions', request.region, place);
}
