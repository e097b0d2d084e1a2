import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** The command from its start to its end with a small case, the bundle fresh, against Node doing nothing. */
const [, example] =
  /<!-- example: case -->\n```json\n([\s\S]*?)```/.exec(readFileSync('docs/formats.md', 'utf8')) ?? [];
if (!example) throw new Error('docs/formats.md has no example of a case');
const folder = mkdtempSync(join(tmpdir(), 'vane-start-'));
const path = join(folder, 'case.json');
writeFileSync(path, example);
const took = (...args: string[]): number => {
  const started = performance.now();
  spawnSync(process.execPath, args, { stdio: 'ignore' });
  return performance.now() - started;
};
const small = () => took('bin/vane.mjs', 'assess', path);
small();
const runs = Array.from({ length: 9 }, () => ({ empty: took('-e', '0'), small: small() }));
const median = (list: number[]): number => list.sort((a, b) => a - b)[list.length >> 1] ?? NaN;
const [empty, whole] = [median(runs.map((run) => run.empty)), median(runs.map((run) => run.small))];
console.log(
  `Node alone ${empty.toFixed(0)} ms, vane assess of a small case ${whole.toFixed(0)} ms   ${(whole / empty).toFixed(1)} × Node alone`,
);
rmSync(folder, { recursive: true });
