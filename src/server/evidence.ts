import { parse } from 'csv-parse/sync';
import { withPart } from '@/core/evidence/comparable';
import { readResults, withIds } from '@/core/evidence/readers';
import type { Problem } from '@/core/formats/problems';
import { fitParts } from '@/core/model/fitted';
import type { Measurement } from '@/core/model/measurement';
import * as projects from '@/store/projectStore';
import { saveDraftEdit } from './edits';
import type { Service } from './service';

/** A result file as it was given. */
export interface ResultFile {
  readonly name: string;
  readonly text: string;
}

export type Taken =
  | { readonly ok: true; readonly draft: string; readonly count: number; readonly notes: readonly string[] }
  | { readonly ok: false; readonly problems: readonly Problem[] };

const wrong = (path: string, message: string): Taken => ({ ok: false, problems: [{ path, message }] });
const cut = (table: string): string[][] =>
  parse(table, { delimiter: [',', ';', '\t'], relax_column_count: true, skip_empty_lines: true, trim: true });

/**
 * Adds results to a draft, all files or none: by its id or name, else to the machine that is there, else to the only
 * one. Each keeps the part that was measured. It is a step that can be undone on the page.
 */
export async function addEvidence(
  service: Service,
  seatId: string,
  wanted: string | undefined,
  files: readonly ResultFile[],
): Promise<Taken> {
  const seat = await projects.readSeat(service.db, seatId);
  if (!seat) return wrong('--seat', `"${seatId}" is no seat`);
  const of =
    wanted === undefined
      ? (seat.drafts.find(({ body }) => body.present) ?? (seat.drafts.length === 1 ? seat.drafts[0] : undefined))
      : seat.drafts.find(({ id, body }) => id === wanted || body.id === wanted || body.name === wanted);
  const names = seat.drafts.map(({ body }) => body.name).join(', ');
  if (!of)
    return wrong(
      '--draft',
      wanted === undefined ? `must be named; there are ${names}` : `"${wanted}" is none of ${names}`,
    );
  const parts = fitParts(of.body, (await service.catalogue()).compiled);
  const kept = of.body.evidence ?? [];
  const found: Measurement[] = [];
  const problems: Problem[] = [];
  const notes: string[] = [];
  for (const { name, text } of files) {
    const reading = readResults(text, cut);
    if (!reading.ok) {
      problems.push({ path: name, message: reading.message });
      continue;
    }
    notes.push(...reading.notes.map((note) => `${name}: ${note}`));
    found.push(...withIds(reading.found, name.slice(0, 120), [...kept, ...found]).map((each) => withPart(each, parts)));
  }
  if (problems.length > 0) return { ok: false, problems };
  const saved = await saveDraftEdit(
    service,
    { seatId, documentId: of.id, base: of.revision, label: `Measured: ${found.length} results` },
    { kind: 'evidence', evidence: [...kept, ...found] },
  );
  if (saved.state !== 'saved')
    return wrong(
      '--draft',
      saved.state === 'stale'
        ? 'was changed at the same moment; try again'
        : 'message' in saved
          ? saved.message
          : 'is gone',
    );
  return { ok: true, draft: of.body.name, count: found.length, notes };
}
