import { spawn } from 'node:child_process';
import { existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { BackupRow } from './contract';
import { answering, refuse, type Refused } from './refuse';
import type { Service } from './service';

/** Where backups lie: beside the database, in a folder of its own. */
const folderOf = (service: Service): string => `${service.path}.backups`;

const NAME = /^vane-(\d{4}-\d{2}-\d{2})T(\d{2})-(\d{2})-(\d{2})\.backup$/;
const nameAt = (at: string): string => `vane-${at.slice(0, 19).replaceAll(':', '-')}.backup`;

/** Backups that were made, the newest first. */
export function listBackups(service: Service): BackupRow[] {
  const folder = folderOf(service);
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .flatMap((name): BackupRow[] => {
      const found = NAME.exec(name);
      if (!found) return [];
      const [, day = '', hour = '', minute = '', second = ''] = found;
      return [{ name, at: `${day}T${hour}:${minute}:${second}Z`, bytes: statSync(join(folder, name)).size }];
    })
    .sort((a, b) => (a.at < b.at ? 1 : -1));
}

/** Runs the command line: what takes seconds over a large database is no work for the process that answers. */
function command(service: Service, args: readonly string[]): Promise<{ code: number | null; said: string }> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [join(process.cwd(), 'bin', 'vane.mjs'), ...args], {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, VANE_DB: service.path },
    });
    let said = '';
    const hear = (chunk: Buffer) => (said = `${said}${String(chunk)}`.slice(-2000));
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('error', reject);
    child.on('close', (code) => resolve({ code, said: said.trim() }));
  });
}

const holder = globalThis as { vaneBackup?: Promise<unknown> | undefined; vaneBackupTimer?: NodeJS.Timeout };

export interface Told {
  readonly state: 'told';
  readonly text: string;
}

/** One at a time: whoever asks while one is made waits for it. */
async function alone<T>(work: () => Promise<T>): Promise<T> {
  while (holder.vaneBackup) await holder.vaneBackup.catch(() => undefined);
  const running = work();
  holder.vaneBackup = running;
  try {
    return await running;
  } finally {
    holder.vaneBackup = undefined;
  }
}

/** Makes a backup now; the oldest beyond the number that is kept go. */
export const backUp = (service: Service, at = new Date().toISOString()): Promise<Told | Refused> =>
  answering(() =>
    alone(async () => {
      const name = nameAt(at);
      const { code, said } = await command(service, ['backup', join(folderOf(service), name)]);
      if (code !== 0) refuse('backup', said || 'ended without a word');
      const { backupsKept } = await service.settings();
      // one made by hand is there even when none are kept by the clock
      for (const old of listBackups(service).slice(Math.max(1, backupsKept)))
        rmSync(join(folderOf(service), old.name), { force: true });
      return { state: 'told' as const, text: `Backed up as ${name}.` };
    }),
  );

/** Restores a backup into a scratch database, reads all of it, and says what came back. */
export const tryBackup = (service: Service, name: string): Promise<Told | Refused> =>
  answering(() =>
    alone(async () => {
      if (!listBackups(service).some((row) => row.name === name)) refuse('backup', `"${name}" is not there any more`);
      const { code, said } = await command(service, ['restore', join(folderOf(service), name), '--try', 'yes']);
      if (code !== 0) refuse('backup', said);
      return { state: 'told' as const, text: said };
    }),
  );

const DAY_MS = 24 * 3_600_000;

/** Whether a day has gone by since the last backup; a clock that was set back makes none. */
export const backupDue = (last: string | undefined, kept: number, at: string): boolean =>
  kept > 0 && (last === undefined || Date.parse(at) - Date.parse(last) >= DAY_MS);

const FIRST_LOOK_MS = 120_000;
const LOOK_MS = 30 * 60_000;

/** Looks now and then whether the day's backup is due. Once a process. */
export function keepBackups(service: Service): void {
  if (holder.vaneBackupTimer) return;
  const look = async () => {
    const { backupsKept } = await service.settings();
    const at = new Date().toISOString();
    if (!backupDue(listBackups(service)[0]?.at, backupsKept, at)) return;
    const result = await backUp(service, at);
    if (result.state === 'refused')
      console.error(`no backup was made: ${result.problems.map(({ message }) => message).join('; ')}`);
  };
  const again = (ms: number) => {
    holder.vaneBackupTimer = setTimeout(() => {
      void look()
        .catch((error: unknown) => console.error('no backup was made:', error))
        .finally(() => again(LOOK_MS));
    }, ms);
    holder.vaneBackupTimer.unref();
  };
  again(FIRST_LOOK_MS);
}
