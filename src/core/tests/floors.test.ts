import { cruise } from 'dependency-cruiser';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
// @ts-expect-error the configuration is plain JavaScript
import config from '../../../.dependency-cruiser.mjs';
import { FLOORS } from '../floors.mjs';

const made: string[] = [];
afterAll(() => made.forEach((path) => rmSync(path, { recursive: true })));

/** Names of the rules that a small source tree breaks under the project's own configuration. */
async function broken(files: Readonly<Record<string, string>>): Promise<string[]> {
  const root = mkdtempSync(join(tmpdir(), 'floors-'));
  made.push(root);
  for (const [path, text] of Object.entries(files)) {
    mkdirSync(dirname(join(root, path)), { recursive: true });
    writeFileSync(join(root, path), text);
  }
  const { forbidden } = config as { forbidden: [] };
  const { output } = await cruise(['src'], {
    baseDir: root,
    validate: true,
    ruleSet: { forbidden },
    tsPreCompilationDeps: true,
  });
  if (typeof output === 'string') throw new Error(output);
  return [...new Set(output.summary.violations.map(({ rule }) => rule.name))].sort();
}

const thing = 'export interface Thing { readonly a: number }\nexport const thing: Thing = { a: 1 };\n';
const types = (from: string) => `import type { Thing } from '${from}';\nexport type Mine = Thing;\n`;
const values = (from: string) => `import { thing } from '${from}';\nexport const mine = thing.a;\n`;

describe('the floors of the core', () => {
  test.each([
    ['a type from the floor above', 'units', 'figures', types, ['floor-1-units']],
    ['a value from the floor above', 'units', 'figures', values, ['floor-1-units']],
    ['a type from far above', 'parts', 'words', types, ['floor-3-parts']],
    ['a type from below', 'figures', 'units', types, []],
    ['a value from far below', 'words', 'units', values, []],
    ['a type from the next folder of its own floor', 'evidence', 'money', types, []],
    ['anything from a folder that has no floor', 'attic', 'units', values, ['core-has-floors']],
  ])('%s', async (_, from, to, importing, breaks) => {
    expect(
      await broken({ [`src/core/${to}/thing.ts`]: thing, [`src/core/${from}/mine.ts`]: importing(`../${to}/thing`) }),
    ).toEqual(breaks);
  });

  test('a circle is one even where one of its arrows is a type', async () => {
    expect(
      await broken({
        'src/core/money/one.ts':
          "import { two } from './two';\nexport interface One { readonly a: number }\nexport const one = two;\n",
        'src/core/money/two.ts': "import type { One } from './one';\nexport const two: One = { a: 1 };\n",
      }),
    ).toEqual(['no-cycles']);
  });

  test('every folder stands on one floor, and every floor has its folders', () => {
    const folders = readdirSync('src/core', { withFileTypes: true }).filter((entry) => entry.isDirectory());
    expect(
      folders
        .map(({ name }) => name)
        .filter((name) => name !== 'tests')
        .sort(),
    ).toEqual(FLOORS.flatMap((floor) => floor.folders).sort());
  });

  test('CONTRIBUTING.md shows them as they are', () => {
    const rows = FLOORS.map(
      ({ folders, holds }, i) => `| ${i + 1} | ${folders.map((name) => `\`${name}\``).join(', ')} | ${holds} |`,
    );
    expect(readFileSync('CONTRIBUTING.md', 'utf8')).toContain(rows.join('\n'));
  });
});
