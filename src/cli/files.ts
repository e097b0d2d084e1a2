import { createWriteStream, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { readBom } from '@/core/formats/bom';
import { readCase } from '@/core/formats/caseFile';
import { isSheet, SHEETS } from '@/core/formats/csv/sheets';
import { readInventory } from '@/core/formats/lshw';
import type { Problem } from '@/core/formats/problems';
import { exportArchive, exportBom, exportCatalogue, exportSheet } from '@/server/exports';
import { checkFile } from '@/server/import/check';
import { importFile, sniff, writeChecked } from '@/server/import/importFile';
import type { DryRun, ImportRequest, Progress } from '@/server/import/request';
import { tableRequest, type TableOptions } from '@/server/import/tableRequest';
import { UnreadableFile } from '@/server/import/text';
import { stillWanted } from '@/server/child';
import { jobRequestSchema, type JobLine } from '@/server/jobs';
import { openService, type Service } from '@/server/service';
import { openCase } from '@/server/cases';
import { note, optionsOf, refuse, say } from './say';

const TABLE_OPTIONS = ['kind', 'encoding', 'separator', 'decimal', 'region', 'map', 'all'];

export async function withService<T>(work: (service: Service) => Promise<T>): Promise<T> {
  const service = openService();
  try {
    return await work(service);
  } finally {
    await service.close();
  }
}

const counted = (dryRun: DryRun): string =>
  dryRun.counts.length === 0
    ? 'nothing'
    : dryRun.counts
        .map(
          ({ list, added, changed, left }) => `${list}: ${added} added, ${changed} changed, ${left} left as they are`,
        )
        .join('; ');

function tableOptions(options: ReadonlyMap<string, readonly string[]>): TableOptions {
  const one = (name: string) => options.get(name)?.at(-1);
  return {
    kind: one('kind'),
    encoding: one('encoding'),
    separator: one('separator'),
    decimal: one('decimal'),
    region: one('region'),
    map: options.get('map') ?? [],
    all: options.get('all') ?? [],
  };
}

/** What a file is and how it is to be read; problems are those of the call or of the first rows. */
async function requestFor(
  service: Service,
  path: string,
  options: ReadonlyMap<string, readonly string[]>,
): Promise<ImportRequest | { other: 'case' | 'bom' | 'lshw' } | { problems: readonly Problem[] }> {
  if (!existsSync(path)) return { problems: [{ path, message: 'does not exist' }] };
  const name = basename(path);
  const format = await sniff(path);
  switch (format) {
    case 'empty':
      return { problems: [{ path, message: 'is empty' }] };
    case 'case':
    case 'bom':
    case 'lshw':
      return { other: format };
    case 'csv': {
      const table = await tableRequest(service, path, tableOptions(options));
      if (!table.ok) return { problems: table.problems };
      for (const header of table.value.leftOut)
        note(`${name}: column "${header}" is left out; --map "${header}=field" takes it`);
      return { format: 'csv', path, name, csv: table.value.request };
    }
    case 'archive':
      return { format: 'archive', path, name };
    default:
      return { format: 'catalogue', path, name };
  }
}

/** `vane check` and `vane import`: each file is checked whole; a file with a problem is not taken, not even in part. */
export async function filesCommand(what: 'check' | 'import', args: readonly string[]): Promise<number> {
  const parsed = optionsOf(args, TABLE_OPTIONS);
  if ('problem' in parsed) return refuse([parsed.problem]);
  if (parsed.rest.length === 0) return refuse([{ path: 'FILE', message: `is missing; name the files to ${what}` }]);
  return withService(async (service) => {
    let code = 0;
    for (const path of parsed.rest) {
      try {
        code = Math.max(code, await oneFile(service, what, path, parsed.options));
      } catch (error) {
        if (!(error instanceof UnreadableFile)) throw error;
        code = refuse(error.problems.map((problem) => ({ ...problem, path: `${path} ${problem.path}` })));
      }
    }
    return code;
  });
}

async function oneFile(
  service: Service,
  what: 'check' | 'import',
  path: string,
  options: ReadonlyMap<string, readonly string[]>,
): Promise<number> {
  const request = await requestFor(service, path, options);
  if ('problems' in request) return refuse(request.problems);
  if ('other' in request) return otherFile(service, what, path, request.other);
  const outcome =
    what === 'check'
      ? { state: 'checked' as const, dryRun: await checkOnly(service, request) }
      : await importFile(service, request);
  const { dryRun } = outcome;
  if (dryRun.problemCount > 0) {
    refuse(dryRun.problems.map((problem) => ({ path: `${path} ${problem.path}`, message: problem.message })));
    note(`${path}: ${dryRun.problemCount} problem${dryRun.problemCount === 1 ? '' : 's'}; nothing of it was taken`);
    return 2;
  }
  if (outcome.state === 'moved')
    return refuse([{ path, message: 'was not taken: the catalogue changed while it was checked; try again' }]);
  say(`${path}: ${what === 'check' ? 'would be taken' : 'taken'}; ${counted(dryRun)}`);
  return 0;
}

async function checkOnly(service: Service, request: ImportRequest): Promise<DryRun> {
  const folder = mkdtempSync(join(tmpdir(), 'vane-check-'));
  try {
    return await checkFile(service.db, service.path, request, join(folder, 'staging.db'));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Case files are opened as seats; machines of other formats are only checked here, the app asks where they belong. */
async function otherFile(
  service: Service,
  what: 'check' | 'import',
  path: string,
  format: 'case' | 'bom' | 'lshw',
): Promise<number> {
  const text = readFileSync(path, 'utf8');
  const { data } = await service.catalogue();
  const problemsAt = (problems: readonly Problem[]) =>
    refuse(problems.map((problem) => ({ path: `${path} ${problem.path}`, message: problem.message })));
  if (format === 'case') {
    const read =
      what === 'check'
        ? readCase(text, new Set(data.parts.map((part) => part.id as string)))
        : await openCase(service, text);
    if (!read.ok) return problemsAt(read.problems);
    say(what === 'check' ? `${path}: a case file without problems` : `${path}: opened as a seat`);
    return 0;
  }
  const read = format === 'bom' ? readBom(text) : readInventory(text, data.parts);
  if (!read.ok) return problemsAt(read.problems);
  if (what === 'import')
    return refuse([{ path, message: 'holds a machine; open it in the app, which asks the seat it belongs to' }]);
  say(`${path}: a machine of ${read.value.machine.items.length} parts, without problems`);
  return 0;
}

/** `vane export`: a catalogue, a table, a bill of materials or an archive, to a file or to standard output. */
export async function exportCommand(args: readonly string[]): Promise<number> {
  const parsed = optionsOf(args, ['to', 'project', 'seat', 'draft']);
  if ('problem' in parsed) return refuse([parsed.problem]);
  const [what] = parsed.rest;
  const one = (name: string) => parsed.options.get(name)?.at(-1);
  const known = ['catalogue', 'archive', 'bom', ...SHEETS];
  if (what === undefined || !known.includes(what))
    return refuse([{ path: what ?? 'WHAT', message: `is not something to export; there are ${known.join(', ')}` }]);
  return withService(async (service) => {
    const source = await exportSource(service, what, one);
    if (!source) return refuse([{ path: what, message: 'names no seat, draft or project that is there' }]);
    const to = one('to');
    if (to === undefined) {
      for await (const chunk of source) process.stdout.write(chunk as string | Buffer);
      return 0;
    }
    await pipeline(source, createWriteStream(to));
    note(`${to} written`);
    return 0;
  });
}

async function exportSource(
  service: Service,
  what: string,
  one: (name: string) => string | undefined,
): Promise<Readable | undefined> {
  if (what === 'catalogue') return Readable.from(await exportCatalogue(service));
  if (what === 'archive') return (await exportArchive(service, one('project')))?.stream as Readable | undefined;
  if (what === 'bom') {
    const bom = await exportBom(service, one('seat') ?? '', one('draft') ?? '');
    return bom && Readable.from([`${JSON.stringify(bom, null, 1)}\n`]);
  }
  return isSheet(what) ? Readable.from(await exportSheet(service, what)) : undefined;
}

/** Progress lines a second are enough to be seen moving. */
const EVERY_MS = 200;

/** Work of the app on an upload, in this process of its own: what it has to say goes out as lines of JSON. */
export async function jobCommand(path: string | undefined): Promise<number> {
  if (path === undefined || !existsSync(path)) return refuse([{ path: 'REQUEST', message: 'is missing' }]);
  const job = jobRequestSchema.parse(JSON.parse(readFileSync(path, 'utf8')));
  const tell = (line: JobLine) => say(JSON.stringify(line));
  let last = 0;
  const progress = (state: Progress) => {
    if (Date.now() - last < EVERY_MS) return;
    last = Date.now();
    stillWanted();
    tell({ say: 'progress', progress: state });
  };
  const service = openService(job.database);
  try {
    if (job.write) {
      const result = await writeChecked(service, job.request, job.staging, job.write.revision, {
        upload: job.id,
        stillWanted,
      });
      tell(
        result.state === 'moved' ? { say: 'moved' } : { say: 'written', changed: result.changed, step: result.step },
      );
    } else
      tell({
        say: 'checked',
        dryRun: await checkFile(service.db, service.path, job.request, job.staging, { progress }),
      });
    return 0;
  } finally {
    await service.close();
  }
}
