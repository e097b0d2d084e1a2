import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { assess, contextOf } from '@/core/assess';
import { readCase } from '@/core/formats/caseFile';
import { compileCatalogue } from '@/core/model/catalogue';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import { inPhase } from '@/core/model/phases';
import { PLANTED, provingRun, type Planted } from './rig';

const USE = `npm run rig -- --seat SEAT [--draft NAME] [--mistake none|${PLANTED.join('|')}] [--seed N] [--app http://127.0.0.1:4600] [--out FOLDER]`;

/** Ends with a sentence on what is wrong. */
function refuse(message: string): never {
  console.error(message);
  process.exit(2);
}

async function read(url: string): Promise<string> {
  try {
    const response = await fetch(url);
    if (response.ok) return await response.text();
    return refuse(`${url} answers ${response.status}: is that seat in this app?`);
  } catch {
    return refuse(`${url} cannot be reached: start the app, or name it with --app`);
  }
}

/** Builds a draft of the running app on the simulated rig, and writes the files that it measured. */
const { values } = parseArgs({
  options: {
    seat: { type: 'string' },
    draft: { type: 'string' },
    mistake: { type: 'string', default: 'none' },
    seed: { type: 'string', default: '1' },
    app: { type: 'string', default: 'http://127.0.0.1:4600' },
    out: { type: 'string', default: 'rig-readings' },
  },
});
const seed = Number(values.seed);
if (values.seat === undefined || !Number.isSafeInteger(seed)) refuse(`use: ${USE}`);
const planted = values.mistake === 'none' ? undefined : PLANTED.find((each) => each === values.mistake);
if (values.mistake !== 'none' && !planted) refuse(`"${values.mistake}" is no mistake of the rig; use: ${USE}`);

const catalogue = JSON.parse(await read(`${values.app}/api/catalogue`)) as CatalogueData;
const opened = readCase(
  await read(`${values.app}/api/case/${encodeURIComponent(values.seat)}`),
  new Set(catalogue.parts.map(({ id }) => id as string)),
);
if (!opened.ok) refuse(`the seat cannot be read: ${opened.problems[0]?.message ?? ''}`);
const { brief, machines, today } = opened.value;
const machine = machines.find(
  ({ id, name }) => values.draft === undefined || id === values.draft || name === values.draft,
);
if (!machine)
  refuse(`there is no draft "${values.draft ?? ''}"; there are ${machines.map(({ name }) => name).join(', ')}`);
run(planted);

function run(mistake: Planted | undefined): void {
  if (!machine || values.out === undefined) return;
  const context = contextOf(compileCatalogue(catalogue), today);
  mkdirSync(values.out, { recursive: true });
  try {
    const files = provingRun(assess(inPhase(machine, 'now'), brief, context), { seed, planted: mistake });
    for (const { name, text } of files) writeFileSync(join(values.out, name), text);
    console.log(`${files.length} simulated files of ${machine.name} in ${values.out}; give them to Assemble, Proof`);
  } catch (error) {
    refuse(error instanceof Error ? error.message : String(error));
  }
}
