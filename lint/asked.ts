import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = fileURLToPath(new URL('..', import.meta.url));
const SET_UP = ['oxlint.config.mjs', 'tsconfig.json', 'lint'];

export interface Wrong {
  /** Path in the tree that was asked about. */
  readonly file: string;
  /** `plugin(rule)`. */
  readonly rule: string;
  readonly message: string;
}

/**
 * What the project's lint says of files that stand where `files` has them, by path from the project's root: asked as
 * `npm test` asks, so that a rule is tested together with where it holds.
 */
export function wrongsOf(files: Readonly<Record<string, string>>): readonly Wrong[] {
  const tree = mkdtempSync(join(tmpdir(), 'vane-lint-'));
  try {
    for (const name of SET_UP) cpSync(join(ROOT, name), join(tree, name), { recursive: true });
    symlinkSync(join(ROOT, 'node_modules'), join(tree, 'node_modules'));
    for (const [path, code] of Object.entries(files)) {
      mkdirSync(dirname(join(tree, path)), { recursive: true });
      writeFileSync(join(tree, path), code);
    }
    const args = ['-c', 'oxlint.config.mjs', '--type-aware', '--format', 'json', ...Object.keys(files)];
    return wrongsIn(said(tree, args));
  } finally {
    rmSync(tree, { recursive: true });
  }
}

/** The output of the linter, which ends with 1 when it has found something. */
function said(cwd: string, args: readonly string[]): string {
  try {
    return execFileSync(join(ROOT, 'node_modules', '.bin', 'oxlint'), args, { cwd, encoding: 'utf8' });
  } catch (failed) {
    const { status, stdout, stderr } = failed as { status?: number; stdout?: string; stderr?: string };
    if (status === 1 && stdout) return stdout;
    throw new Error(`the linter did not run: ${stderr ?? ''}${stdout ?? ''}`, { cause: failed });
  }
}

function wrongsIn(output: string): readonly Wrong[] {
  const { diagnostics } = JSON.parse(output) as {
    readonly diagnostics: readonly { readonly filename: string; readonly code: string; readonly message: string }[];
  };
  return diagnostics.map(({ filename, code, message }) => ({ file: filename, rule: code, message }));
}
