import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Files that the simulated rig measured on Draft B of the film desk, built with a mistake or none. */
export function measured(app: string, mistake: string): { readonly files: string[]; readonly gone: () => void } {
  const out = mkdtempSync(join(tmpdir(), 'vane-rig-'));
  execFileSync(
    process.execPath,
    ['--import', 'tsx', 'src/standins/rig/main.ts', '--app', app, '--seat', 'film-desk', '--draft', 'Draft B'].concat([
      '--mistake',
      mistake,
      '--seed',
      '3',
      '--out',
      out,
    ]),
  );
  return {
    files: readdirSync(out).map((name) => join(out, name)),
    gone: () => rmSync(out, { recursive: true, force: true }),
  };
}
