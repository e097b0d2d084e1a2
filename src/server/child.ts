import { spawn, type ChildProcess, type StdioOptions } from 'node:child_process';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { PassThrough, type Readable } from 'node:stream';

/** Names the process that started this one. */
const PARENT = 'VANE_PARENT';

/** Starts the command on a database; it knows whose child it is. */
const spawnVane = (args: readonly string[], database: string, stdio: StdioOptions): ChildProcess =>
  spawn(process.execPath, [join(process.cwd(), 'bin', 'vane.mjs'), ...args], {
    stdio,
    env: { ...process.env, VANE_DB: database, [PARENT]: String(process.pid) },
  });

export interface ChildHooks {
  /** A line of JSON that it printed. */
  readonly onLine: (line: unknown) => void;
  /** Its end, with the last thing that it said of an error. */
  readonly onEnd: (code: number | null, error: string) => void;
}

/** Runs the `vane` command on a database in a process of its own, so that the app goes on answering. */
export function vaneChild(
  args: readonly string[],
  database: string,
  { onLine, onEnd }: ChildHooks,
  /** `asked` work is told what to do on its standard input, and ends with it. */
  how: 'once' | 'asked' = 'once',
): ChildProcess {
  const child = spawnVane(args, database, [how === 'asked' ? 'pipe' : 'ignore', 'pipe', 'pipe']);
  let errors = '';
  child.stderr?.on('data', (chunk: Buffer) => (errors = `${errors}${String(chunk)}`.slice(-2000)));
  if (child.stdout)
    createInterface({ input: child.stdout }).on('line', (line) => {
      const said = jsonOf(line);
      if (said !== undefined) onLine(said);
    });
  // a child that ended cannot be asked: its end is told anyway
  child.stdin?.on('error', () => undefined);
  child.on('close', (code) => onEnd(code, errors.trim().split('\n').at(-1) ?? ''));
  return child;
}

/** What the `vane` command writes on its standard output, as it comes; a command that fails breaks the stream off. */
export function vaneOutput(args: readonly string[], database: string): Readable {
  const child = spawnVane(args, database, ['ignore', 'pipe', 'ignore']);
  const output = new PassThrough();
  child.stdout?.pipe(output, { end: false });
  child.on('close', (code) => {
    if (code === 0) output.end();
    else output.destroy(new Error(`the command ended with code ${code ?? 'none'}`));
  });
  // who leaves in the middle does not keep it working
  output.on('close', () => child.kill());
  return output;
}

function jsonOf(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    // something beside its own lines was printed
    return undefined;
  }
}

/** Work whose app has ended: nobody waits for it any more, and nobody would learn of it. */
export class Orphaned extends Error {
  constructor() {
    super('the app that asked for this has ended; nothing was written');
  }
}

/** Ends work that nobody waits for; asked just before anything is written. @throws Orphaned when the app is gone */
export function stillWanted(): void {
  const parent = Number(process.env[PARENT] ?? 0);
  if (parent > 0 && process.ppid !== parent) throw new Orphaned();
}

/** Whether a process of this machine is there. */
export function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    // it is there, and another's
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}
