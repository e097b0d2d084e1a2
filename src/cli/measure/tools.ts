import { spawn } from 'node:child_process';
import { accessSync, constants } from 'node:fs';
import { delimiter, join } from 'node:path';

/** Where a command of one of these names lies on the search path; undefined where none is installed. */
export function installed(...names: readonly string[]): string | undefined {
  for (const name of names)
    for (const folder of (process.env['PATH'] ?? '').split(delimiter)) {
      const path = join(folder, name);
      try {
        accessSync(path, constants.X_OK);
        return path;
      } catch {
        // not here: the next folder
      }
    }
  return undefined;
}

/** A run was ended by whoever asked for it. */
export class Cancelled extends Error {}

export interface Run {
  readonly seconds: number;
  readonly output: string;
}

/**
 * Runs a command to its end and gives what it printed, both streams together.
 * @throws Error with its last lines where it fails, Cancelled where it was stopped
 */
export function run(command: string, args: readonly string[], cwd: string, stop: AbortSignal): Promise<Run> {
  return new Promise((resolve, reject) => {
    if (stop.aborted) return reject(new Cancelled());
    const started = process.hrtime.bigint();
    const child = spawn(command, args, { cwd, signal: stop, stdio: ['ignore', 'pipe', 'pipe'] });
    const chunks: Buffer[] = [];
    child.stdout.on('data', (chunk: Buffer) => chunks.push(chunk));
    child.stderr.on('data', (chunk: Buffer) => chunks.push(chunk));
    child.on('error', (error) => reject(stop.aborted ? new Cancelled() : error));
    child.on('close', (code) => {
      const output = Buffer.concat(chunks).toString('utf8');
      if (stop.aborted) reject(new Cancelled());
      else if (code === 0) resolve({ seconds: Number(process.hrtime.bigint() - started) / 1e9, output });
      else
        reject(
          new Error(`ended with ${code ?? 'a signal'}: ${output.trim().split('\n').slice(-2).join(' ').slice(0, 300)}`),
        );
    });
  });
}
