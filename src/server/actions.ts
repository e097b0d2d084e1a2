'use server';

import { revalidatePath } from 'next/cache';
import type { ImportResult, SaveResult, SeatBundle } from './contract';
import { service } from './instance';
import * as work from './service';
import type { Brief } from '@/core/brief';
import type { Problem } from '@/core/formats/problems';
import type { Machine } from '@/core/machine';

/** Server actions: thin doors to the service, which checks everything that comes in. */

export async function saveDraftEdit(target: unknown, edit: unknown): Promise<SaveResult<Machine>> {
  return work.saveDraftEdit(service(), target, edit);
}

export async function saveBriefEdit(target: unknown, edit: unknown): Promise<SaveResult<Brief>> {
  return work.saveBriefEdit(service(), target, edit);
}

export async function loadSeat(seatId: string): Promise<SeatBundle | undefined> {
  return work.seatBundle(service(), String(seatId));
}

export async function stepSeat(
  seatId: string,
  direction: 'undo' | 'redo',
): Promise<{ label: string | undefined; bundle: SeatBundle | undefined }> {
  return work.stepSeat(service(), String(seatId), direction === 'redo' ? 'redo' : 'undo');
}

export async function fillFigure(seatId: string, partId: string, field: string, value: number) {
  return work.fillFigure(service(), String(seatId), String(partId), String(field), Number(value));
}

export async function copyDraft(seatId: string, documentId: string) {
  return work.copyDraft(service(), String(seatId), String(documentId));
}

export async function dropDraft(seatId: string, documentId: string): Promise<SeatBundle | undefined> {
  return work.dropDraft(service(), String(seatId), String(documentId));
}

export async function importText(text: string): Promise<ImportResult> {
  const result = await work.importText(service(), String(text));
  revalidatePath('/');
  return result;
}

export async function newSeat(
  projectId: string,
  name: string,
): Promise<{ state: 'made'; seatId: string; projectId: string } | { state: 'refused'; problems: Problem[] }> {
  return work.newSeat(service(), String(projectId), String(name));
}
