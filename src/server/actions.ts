'use server';

import { revalidatePath } from 'next/cache';
import type { SaveResult, SeatBundle, SteppedSeat, Steps, TeamBundle } from './contract';
import * as backups from './backups';
import * as desk from './desk';
import * as files from './files';
import { service } from './instance';
import * as prices from './prices/manage';
import { startRefreshing } from './prices/schedule';
import { makeRival as makeRivalOf } from './rivals';
import { markDrafts } from './seen';
import * as setAside from './setAside';
import * as library from './library';
import { answerQuote as answerQuoteOf } from './quotes/answer';
import * as quotes from './quotes/manage';
import * as orders from './quotes/orders';
import * as sending from './quotes/send';
import { saveLogo as saveLogoOf, saveWorkshop as saveWorkshopOf } from './quotes/workshop';
import * as drafts from './drafts';
import * as edits from './edits';
import { stepsOf } from '@/store/history';
import { seatBundle } from './seatBundle';
import * as seats from './seats';
import { teamBundle } from './team';
import type { Brief } from '@/core/model/brief';
import { answering, read, type Refused } from './refuse';
import { machineSchema } from '@/core/model/machine';
import type { Machine } from '@/core/model/machine';

/** Server actions: thin doors to the service, which checks everything that comes in. */

export async function saveDraftEdit(target: unknown, edit: unknown): Promise<SaveResult<Machine>> {
  return edits.saveDraftEdit(service(), target, edit);
}

export async function saveBriefEdit(target: unknown, edit: unknown): Promise<SaveResult<Brief>> {
  return edits.saveBriefEdit(service(), target, edit);
}

export async function loadSeat(seatId: string, window?: string): Promise<SeatBundle | undefined> {
  return seatBundle(service(), String(seatId), String(window ?? ''));
}

export async function loadTeam(projectId: string): Promise<TeamBundle | undefined> {
  return teamBundle(service(), String(projectId));
}

export async function seatSteps(seatId: string, window: string): Promise<Steps> {
  return stepsOf(service().db, String(seatId), String(window));
}

export async function stepSeat(
  seatId: string,
  direction: 'undo' | 'redo',
  options: unknown,
): Promise<SteppedSeat | Refused> {
  return edits.stepSeat(service(), String(seatId), direction === 'redo' ? 'redo' : 'undo', options);
}

export async function fillFigure(seatId: string, partId: string, field: string, value: number, window: string) {
  return edits.fillFigure(service(), String(seatId), String(partId), String(field), Number(value), String(window));
}

export async function copyDraft(seatId: string, documentId: string, fromSeat: string, window: string) {
  return drafts.copyDraft(service(), String(seatId), String(documentId), String(fromSeat), String(window));
}

export async function addFound(seatId: string, machine: unknown, window: string) {
  return answering(() => drafts.addFound(service(), String(seatId), read(machineSchema, machine), String(window)));
}

export async function draftsElsewhere(seatId: string) {
  return drafts.draftsElsewhere(service(), String(seatId));
}

export async function dropDraft(seatId: string, documentId: string, window: string): Promise<SeatBundle | undefined> {
  return drafts.dropDraft(service(), String(seatId), String(documentId), String(window));
}

export async function beginSeat(input: unknown): Promise<seats.MadeSeat | Refused> {
  return seats.beginSeat(service(), input);
}

/** Changes of the library move every page that shows parts. */
async function moved<T>(change: Promise<T>): Promise<T> {
  const result = await change;
  revalidatePath('/', 'layout');
  return result;
}

export async function addPart(input: unknown): Promise<library.Kept | Refused> {
  return moved(library.addPart(service(), input));
}

export async function setPartField(
  id: string,
  path: string,
  value: { text: string } | { structure: unknown },
): Promise<library.Kept | Refused> {
  return moved(library.setField(service(), String(id), String(path), value));
}

export async function resetPartField(id: string, path: string): Promise<library.Kept | Refused> {
  return moved(library.resetField(service(), String(id), String(path)));
}

export async function setPartPrice(id: string, priceMinor: number | undefined): Promise<library.Kept | Refused> {
  return moved(library.setPrice(service(), String(id), priceMinor));
}

export async function removePart(id: string): Promise<library.Kept | Refused> {
  return moved(library.removePart(service(), String(id)));
}

export async function stepLibrary(direction: 'undo' | 'redo') {
  return moved(library.stepTheLibrary(service(), direction === 'redo' ? 'redo' : 'undo'));
}

export async function openUploadedCase(uploadId: string) {
  return moved(files.openUploadedCase(service(), String(uploadId)));
}

export async function openUploadedMachine(uploadId: string, target: unknown) {
  return moved(files.openUploadedMachine(service(), String(uploadId), target));
}

export async function checkUpload(uploadId: string, csv: unknown) {
  return files.checkUpload(service(), String(uploadId), csv);
}

export async function writeUpload(uploadId: string) {
  return files.writeUpload(service(), String(uploadId));
}

export async function dropUpload(uploadId: string): Promise<void> {
  files.dropUpload(service(), String(uploadId));
}

export async function guessTable(uploadId: string, choice: unknown) {
  return files.guessTable(service(), String(uploadId), choice);
}

export async function copySeat(seatId: string) {
  return moved(seats.copySeat(service(), String(seatId)));
}

export async function dropSeat(seatId: string) {
  return moved(seats.dropSeat(service(), String(seatId)));
}

export async function dropProject(projectId: string) {
  return moved(seats.dropProject(service(), String(projectId)));
}

export async function bringBack(id: number) {
  return moved(seats.bringBack(service(), Number(id)));
}

export async function makeRival(input: unknown) {
  return moved(makeRivalOf(service(), input));
}

export async function keepWatch(input: unknown) {
  return moved(prices.keepWatch(service(), input));
}

export async function dropWatch(id: string): Promise<void> {
  return moved(prices.dropWatch(service(), String(id)));
}

export async function keepSource(input: unknown) {
  return moved(prices.keepSource(service(), input));
}

export async function dropSource(id: string): Promise<void> {
  return moved(prices.dropSource(service(), String(id)));
}

/** Starts a refresh and comes back at once; pages look how it goes. */
export async function startRefresh(): Promise<'started' | 'busy'> {
  return startRefreshing(service(), 'by hand');
}

/** After a refresh: pages that show prices read them again. */
export async function pricesMoved(): Promise<void> {
  revalidatePath('/', 'layout');
}

export async function markSeen(marks: unknown): Promise<void> {
  return moved(markDrafts(service(), marks));
}

export async function addPresentMachine(seatId: string): Promise<string | undefined> {
  return moved(drafts.addPresentMachine(service(), String(seatId)));
}

export async function saveSettings(settings: unknown) {
  return moved(desk.saveSettings(service(), settings));
}

export async function backUp() {
  return backups.backUp(service());
}

export async function tryBackup(name: string) {
  return backups.tryBackup(service(), String(name));
}

export async function mendSetAside(place: unknown, id: string, text: string) {
  return moved(setAside.mendSetAside(service(), place, String(id), String(text)));
}

export async function dropSetAside(place: unknown, id: string) {
  return moved(setAside.dropSetAside(service(), place, String(id)));
}

export async function keepOwned(owned: unknown) {
  return moved(desk.keepOwned(service(), owned));
}

export async function dropOwned(id: string) {
  return moved(desk.dropOwned(service(), String(id)));
}

export async function draftPlaces() {
  return desk.draftPlaces(service());
}

export async function putPart(id: string, target: unknown) {
  return moved(desk.putPart(service(), String(id), target));
}

export async function putOwned(id: string, target: unknown) {
  return moved(desk.putOwned(service(), String(id), target));
}

export async function saveWorkshop(workshop: unknown) {
  return saveWorkshopOf(service(), workshop);
}

export async function saveLogo(logo: unknown) {
  return saveLogoOf(service(), logo);
}

export async function beginQuote(input: unknown) {
  return quotes.beginQuote(service(), input);
}

export async function keepRevision(input: unknown) {
  return quotes.keepRevision(service(), input);
}

export async function reviseQuote(id: string) {
  return quotes.reviseQuote(service(), String(id));
}

export async function dropRevision(id: string, revision: number) {
  return quotes.dropOpen(service(), String(id), Number(revision));
}

export async function sendRevision(input: unknown) {
  return sending.sendRevision(service(), input);
}

export async function withdrawPage(id: string, revision: number) {
  return sending.withdrawPage(service(), String(id), Number(revision));
}

export async function answerQuote(id: string, revision: number, said: unknown) {
  return answerQuoteOf(service(), String(id), Number(revision), said);
}

export async function orderAgain(id: string, revision: number) {
  return orders.orderAgain(service(), String(id), Number(revision));
}

export async function orderStep(id: string, revision: number, line: string, step: unknown) {
  return orders.orderStep(service(), String(id), Number(revision), String(line), step);
}
