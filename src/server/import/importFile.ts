import { isProcessorList } from '@/core/formats/lshw';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { commitStaged, type CommitLabel, type Committed, type StagedProblem } from '@/store/staging';
import { CASE_FORMAT } from '@/core/formats/caseFile';
import { CATALOGUE_FORMAT } from '@/core/model/catalogueSchema';
import { now, type Service } from '../service';
import { checkFile, type CheckHooks } from './check';
import type { DryRun, ImportRequest } from './request';
import { detectEncoding, sampleOf } from './text';

export type FileFormat = ImportRequest['format'] | 'case' | 'bom' | 'lshw' | 'other-json' | 'empty';

/** What a file is, from its first bytes and never from its name alone. */
export async function sniff(path: string): Promise<FileFormat> {
  if (statSync(path).size === 0) return 'empty';
  const bytes = await sampleOf(path);
  if (bytes.subarray(0, 2).toString('latin1') === 'PK') return 'archive';
  const text = new TextDecoder(detectEncoding(bytes)).decode(bytes).trimStart();
  if (!text.startsWith('{') && !text.startsWith('[')) return 'csv';
  const format = /"format"\s*:\s*"([^"]{1,60})"/.exec(text)?.[1];
  if (format === CASE_FORMAT) return 'case';
  if (format === CATALOGUE_FORMAT) return 'catalogue';
  if (/"bomFormat"\s*:\s*"CycloneDX"/.test(text)) return 'bom';
  if (isProcessorList(text)) return 'lshw';
  if (/"class"\s*:\s*"(?:system|bus|processor|memory)"/.test(text)) return 'lshw';
  return 'other-json';
}

export type Imported =
  | { readonly state: 'written'; readonly dryRun: DryRun; readonly step: number | undefined }
  | { readonly state: 'refused'; readonly dryRun: DryRun; readonly problems: readonly StagedProblem[] }
  | { readonly state: 'moved'; readonly dryRun: DryRun };

/**
 * Checks a file and writes it when nothing is wrong. For a process that does nothing else with this database: the
 * command line, a job, the maker of the demo.
 */
export async function importFile(service: Service, request: ImportRequest, hooks: CheckHooks = {}): Promise<Imported> {
  const folder = mkdtempSync(join(tmpdir(), 'vane-import-'));
  try {
    const staging = join(folder, 'staging.db');
    const dryRun = await checkFile(service.db, service.path, request, staging, hooks);
    if (dryRun.problemCount > 0) return { state: 'refused', dryRun, problems: dryRun.problems };
    const committed = await writeChecked(service, request, staging, dryRun.revision);
    return committed.state === 'moved'
      ? { state: 'moved', dryRun }
      : { state: 'written', dryRun, step: committed.step };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Writes a file that was checked at this revision. */
export const writeChecked = (
  service: Service,
  request: ImportRequest,
  staging: string,
  revision: number,
  more: Pick<CommitLabel, 'upload' | 'stillWanted'> = {},
): Promise<Committed> =>
  commitStaged(service.db, staging, revision, {
    label: `Import of ${request.name}`,
    origin: request.name,
    at: now(),
    ...more,
  });
