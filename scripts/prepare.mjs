// What the other scripts share: runs before `npm ci`, so plain Node without dependencies.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');
export const ENV = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };
const inRoot = (...steps) => join(ROOT, ...steps);

/** Runs a command with its output shown; stops the script with its exit code when it fails. */
export function run(title, command, args, options = {}) {
  console.log(`\n— ${title}`);
  const started = Date.now();
  const result = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: ENV, ...options });
  if (result.error) stop(`${title}: ${command} cannot be started (${result.error.message}).`);
  if (result.status !== 0) {
    console.error(`${title} failed.`);
    process.exit(result.status ?? 1);
  }
  console.log(`  ${title}: ${((Date.now() - started) / 1000).toFixed(1)} s`);
}

/**
 * Runs commands that do not get in each other's way, all at once, and shows the output of each when it has ended; stops
 * the script when one has failed, after all have ended.
 */
export async function together(commands) {
  if (commands.length === 0) return;
  console.log(`\n— ${commands.map(([title]) => title).join(', ')}`);
  const started = Date.now();
  const ended = await Promise.all(
    commands.map(
      ([title, command, args, settings]) =>
        new Promise((resolve) => {
          const env = { ...settings, ...ENV };
          const child = spawn(command, args, { cwd: ROOT, env, stdio: ['ignore', 'pipe', 'pipe'] });
          let output = '';
          for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (output += text));
          child.on('error', (error) => (output += `${command} cannot be started (${error.message}).`));
          child.on('close', (code) => {
            if (output.trim() !== '') console.log(output.trimEnd());
            console.log(`  ${title}: ${((Date.now() - started) / 1000).toFixed(1)} s`);
            resolve({ title, code });
          });
        }),
    ),
  );
  const failed = ended.filter(({ code }) => code !== 0);
  if (failed.length > 0) stop(`${failed.map(({ title }) => title).join(', ')} failed.`);
}

export function stop(sentence) {
  console.error(sentence);
  process.exit(1);
}

const has = (command) => spawnSync('which', [command], { stdio: 'ignore' }).status === 0;

/** Whether packages could be installed; not tried but on Debian and by root. */
function installed(packages) {
  if (process.getuid?.() !== 0 || !has('apt-get')) return false;
  console.log(`\n— install ${packages.join(', ')}`);
  const options = { stdio: 'inherit', env: { ...ENV, DEBIAN_FRONTEND: 'noninteractive' } };
  spawnSync('apt-get', ['update', '-qq'], options);
  return spawnSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], options).status === 0;
}

/** Packages of commands that are missing are installed where that can be done; otherwise it is said what to install. */
function needPackages(commands, packages, what) {
  if (commands.every(has) || installed(packages)) return;
  stop(
    `${what} needs ${packages.join(', ')}. Install ${packages.length > 1 ? 'them' : 'it'} (on Debian: apt-get install ${packages.join(' ')}) and start again.`,
  );
}

/** Hash of files by content, so that a fresh checkout with new times is not taken for a change. */
function contentHash(paths) {
  const hash = createHash('sha256');
  const add = (path) => {
    if (!existsSync(path)) return;
    if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) add(join(path, name));
    else hash.update(path.slice(ROOT.length)).update(readFileSync(path));
  };
  for (const path of paths) add(path);
  return hash.digest('hex');
}

/** True when `stamp` says something else than `hash`. */
const stale = (stamp, hash) => !existsSync(stamp) || readFileSync(stamp, 'utf8') !== hash;
const mark = (stamp, hash) => {
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, hash);
};

/**
 * How the database driver is compiled. At -O3, its own choice, it takes three times as long, and queries 4 % less. One
 * warning, which it would not show, takes half of the rest; searches of words and of areas, which nothing here asks for, a
 * fifth.
 */
const QUICKLY = [
  '-O1',
  '-Wno-misleading-indentation',
  ...['FTS3', 'FTS3_PARENTHESIS', 'FTS4', 'FTS5', 'RTREE', 'GEOPOLY'].map((name) => `-USQLITE_ENABLE_${name}`),
].join(' ');

/**
 * `npm ci` when the lock file is not what is installed, up to what has to be compiled.
 * @returns what else is to be done before anything opens a database, as `together` takes it, and after it: both empty when
 * everything is installed
 */
export function fetchPackages() {
  const [major] = process.versions.node.split('.').map(Number);
  if (major < 20) stop(`Vane Scale needs Node 20 or newer; this is ${process.versions.node}.`);
  const stamp = inRoot('node_modules', '.vane-installed');
  const hash = contentHash([inRoot('package-lock.json')]);
  if (!stale(stamp, hash)) return { toCompile: [], compiled: () => {} };
  needPackages(
    ['python3', 'make', 'g++'],
    ['python3', 'make', 'g++'],
    'The database driver compiles at install, which',
  );
  run('npm ci', 'npm', ['ci', '--no-audit', '--no-fund', '--ignore-scripts']);
  const { allowScripts } = JSON.parse(readFileSync(inRoot('package.json'), 'utf8'));
  return {
    // the only packages whose own scripts are run
    toCompile: [['database driver', 'npm', ['rebuild', ...Object.keys(allowScripts)], { CFLAGS: QUICKLY }]],
    compiled: () => mark(stamp, hash),
  };
}

/** Everything that is installed from the lock file. The database driver compiles: it needs python3, make, g++. */
export async function installPackages() {
  const { toCompile, compiled } = fetchPackages();
  await together(toCompile);
  compiled();
}

/**
 * Debian's Chromium: its build without windows, which takes three quarters of the time, where that can be installed; else
 * the whole one does.
 */
export function installBrowser() {
  if (has('chromium-headless-shell') || installed(['chromium-headless-shell'])) return;
  needPackages(['chromium'], ['chromium'], 'The browser tests are run in Chromium, which');
}

/** What papers are read back with in the tests. */
export function installPaperReaders() {
  needPackages(['pdftotext', 'pdfinfo', 'pdftoppm'], ['poppler-utils'], 'The tests read papers back, which');
}

const PACKED = /\.(js|css|svg)$/;

/**
 * Said in the first line of a script, it has all of its functions compiled beside the page as the script arrives. Else
 * each is read over then, and read again and compiled on the page's own thread when it is first called: three tenths of
 * what that thread did before a page could be used. To who does not know it it is a comment.
 */
const COMPILED_AT_ONCE = '//# allFunctionsCalledOnLoad\n';

/** Scripts that pages begin with. What is fetched later is compiled as it is called: most of it never is. */
function firstScripts(folder) {
  const first = new Set(JSON.parse(readFileSync(join(folder, 'build-manifest.json'), 'utf8')).rootMainFiles);
  const app = join(folder, 'server', 'app');
  for (const name of readdirSync(app, { recursive: true }))
    if (name.endsWith('page_client-reference-manifest.js'))
      for (const [, lists] of readFileSync(join(app, name), 'utf8').matchAll(/"entryJSFiles":\s*(\{[^}]*\})/g))
        for (const script of Object.values(JSON.parse(lists)).flat()) first.add(script);
  return [...first].map((script) => join(folder, script));
}

/** Makes ready what pages fetch, and packs it beside it: once, and not for each who asks. */
function pack(folder) {
  for (const script of firstScripts(folder)) writeFileSync(script, COMPILED_AT_ONCE + readFileSync(script, 'utf8'));
  const files = join(folder, 'static');
  for (const name of readdirSync(files, { recursive: true }))
    if (PACKED.test(name)) writeFileSync(join(files, `${name}.gz`), gzipSync(readFileSync(join(files, name))));
}

const SOURCES = ['src', 'scripts/prepare.mjs', 'package-lock.json', 'next.config.ts', 'tsconfig.json'];

/** `next build` when a source changed since the last build; it checks no types, which `npm test` does by itself. */
export function build() {
  const stamp = inRoot('.next', 'vane-built');
  const hash = contentHash(SOURCES.map((path) => inRoot(path)));
  if (!stale(stamp, hash)) return console.log('\n— build: sources unchanged');
  run('build', process.execPath, [inRoot('node_modules', 'next', 'dist', 'bin', 'next'), 'build'], {
    env: { ...ENV, VANE_TYPES_CHECKED: '1' },
  });
  pack(inRoot('.next'));
  mark(stamp, hash);
}

/** Makes a demo database: the generator writes a catalogue file and the importer reads it. */
const making = (path, catalogueFile) => [
  'demo database',
  process.execPath,
  ['--import', 'tsx', inRoot('src', 'demo', 'make.ts'), path, catalogueFile],
];
export const makeDemo = (path, catalogueFile) => run(...making(path, catalogueFile));

const demoFolder = inRoot('.cache', 'e2e');

/** What browser tests begin with: each app has a copy of it, with a feed of its own. */
export const DEMO = { db: join(demoFolder, 'demo.db'), catalogue: join(demoFolder, 'catalogue.json') };

/** Makes it when a source changed since it was made. */
export async function demoForTests() {
  const stamp = join(demoFolder, 'made');
  const hash = contentHash(SOURCES.map((path) => inRoot(path)));
  if (!stale(stamp, hash)) return;
  rmSync(demoFolder, { recursive: true, force: true });
  await together([making(DEMO.db, DEMO.catalogue)]);
  mark(stamp, hash);
}

export const bin = (name) => inRoot('node_modules', '.bin', name);
export const rootPath = inRoot;
