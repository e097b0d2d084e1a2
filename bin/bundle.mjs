// The command as one bundle: made when a source is newer than it, so that nothing is compiled at each start.
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');
const SHELF = join(ROOT, '.cache', 'cli');
const KEPT = 3;
const MAKING = 'making-';

/** What the bundle is made of, by name, size and time of change. */
function stateOfSources() {
  const hash = createHash('sha256');
  const add = (path) => {
    const { size, mtimeMs } = statSync(path);
    hash.update(`${path.slice(ROOT.length)} ${size} ${mtimeMs}\n`);
  };
  const walk = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true })) {
      const path = join(folder, entry.name);
      if (entry.isDirectory()) walk(path);
      else if (/(?<!\.test)\.(ts|json)$/.test(entry.name)) add(path);
    }
  };
  for (const folder of ['cli', 'core', 'server', 'store']) walk(join(ROOT, 'src', folder));
  for (const file of ['package-lock.json', 'tsconfig.json', 'bin/bundle.mjs']) add(join(ROOT, file));
  hash.update(process.versions.node);
  return hash.digest('hex').slice(0, 20);
}

/**
 * Path of a bundle that is as new as the sources; made when there is none. Undefined where none can be made, for example
 * in a folder that may not be written to: then whoever asks compiles the sources as they load.
 * @param {string} [shelf] where bundles stand
 * @returns {Promise<string | undefined>}
 */
export async function bundle(shelf = SHELF) {
  const folder = join(shelf, stateOfSources());
  const entry = join(folder, 'vane.mjs');
  if (existsSync(entry)) return entry;
  let making;
  try {
    const { build } = await import('esbuild');
    mkdirSync(shelf, { recursive: true });
    making = mkdtempSync(join(shelf, MAKING));
    await build({
      entryPoints: [join(ROOT, 'src', 'cli', 'vane.ts')],
      outdir: making,
      outExtension: { '.js': '.mjs' },
      bundle: true,
      splitting: true,
      platform: 'node',
      format: 'esm',
      target: 'node20',
      minifyWhitespace: true,
      minifySyntax: true,
      alias: { '@': join(ROOT, 'src') },
      // native code cannot be bundled; the others look for files of their own beside them
      external: ['better-sqlite3', 'pdfkit', 'nodemailer'],
      // packages that still load each other the older way
      banner: {
        js: "import { createRequire as vaneRequire } from 'node:module'; const require = vaneRequire(import.meta.url);",
      },
      logLevel: 'silent',
    });
    renameSync(making, folder);
    clearAway(shelf, folder);
    return entry;
  } catch {
    if (making) rmSync(making, { recursive: true, force: true });
    // another process may have been quicker; its bundle says the same
    return existsSync(entry) ? entry : undefined;
  }
}

/** Older bundles go, but for the last few: a process that started with one may still load a part of it. */
function clearAway(shelf, newest) {
  readdirSync(shelf)
    .filter((name) => !name.startsWith(MAKING))
    .map((name) => join(shelf, name))
    .filter((path) => path !== newest)
    .sort((a, b) => statSync(b).mtimeMs - statSync(a).mtimeMs)
    .slice(KEPT - 1)
    .forEach((path) => rmSync(path, { recursive: true, force: true }));
}
