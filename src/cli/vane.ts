import { existsSync, readFileSync, statSync } from 'node:fs';
import { assess, contextOf } from '@/core/assess';
import { compileCatalogue } from '@/core/catalogue';
import { caseCatalogue, readCase } from '@/core/formats/caseFile';
import { emptyCatalogue } from '@/core/formats/catalogue';
import type { CatalogueData } from '@/core/formats/catalogueSchema';
import type { Problem } from '@/core/formats/problems';
import { exitCodeOf, reportOf } from '@/core/formats/report';
import { schemaNames, schemaOf } from '@/core/formats/schemas';
import { databasePath, openService } from '@/server/service';

const USE = `use:
  vane assess CASE.json   prints the assessment of a case file as JSON
  vane schema NAME        prints a JSON Schema; NAME is one of ${schemaNames().join(', ')}

exit codes of assess: 0 nothing blocks or is unproven, 1 something blocks, 3 nothing blocks but something is
unproven, 2 invalid input; with several machines the worst, 1 before 3`;

/** Larger files are refused before they are read. */
const LARGEST_BYTES = 40_000_000;

const say = (text: string): boolean => process.stdout.write(`${text}\n`);

function refuse(problems: readonly Problem[]): number {
  for (const problem of problems) process.stderr.write(`${problem.path}: ${problem.message}\n`);
  return 2;
}

/** The catalogue of this checkout's database, when there is one; a case with its parts inline needs none. */
async function aroundCatalogue(): Promise<CatalogueData> {
  if (!existsSync(databasePath())) return emptyCatalogue;
  const service = openService();
  try {
    return (await service.catalogue()).data;
  } finally {
    await service.close();
  }
}

async function assessCommand(path: string | undefined): Promise<number> {
  if (path === undefined) return refuse([{ path: 'CASE.json', message: 'is missing; name a case file' }]);
  if (!existsSync(path)) return refuse([{ path, message: 'does not exist' }]);
  const { size } = statSync(path);
  if (size > LARGEST_BYTES)
    return refuse([
      { path, message: `has ${Math.round(size / 1e6)} MB; files of up to ${LARGEST_BYTES / 1e6} MB are read` },
    ]);
  const text = readFileSync(path, 'utf8');
  let around = emptyCatalogue;
  let parsed = readCase(text);
  if (!parsed.ok && parsed.problems.some((problem) => problem.message.includes('neither in this file nor'))) {
    around = await aroundCatalogue();
    parsed = readCase(text, new Set(around.parts.map((part) => part.id as string)));
  }
  if (!parsed.ok) return refuse(parsed.problems);
  const file = parsed.value;
  const context = contextOf(compileCatalogue(caseCatalogue(file, around)), file.today);
  const assessments = file.machines.map((machine) => assess(machine, file.brief, context));
  say(
    JSON.stringify(
      { format: 'vane-assessment', version: 1, case: file.name, machines: assessments.map(reportOf) },
      null,
      1,
    ),
  );
  return exitCodeOf(assessments);
}

function schemaCommand(name: string | undefined): number {
  const schema = name === undefined ? undefined : schemaOf(name);
  if (!schema)
    return refuse([{ path: name ?? 'NAME', message: `is not a schema; there are ${schemaNames().join(', ')}` }]);
  say(JSON.stringify(schema, null, 1));
  return 0;
}

const [command, argument] = process.argv.slice(2);
switch (command) {
  case 'assess':
    process.exitCode = await assessCommand(argument);
    break;
  case 'schema':
    process.exitCode = schemaCommand(argument);
    break;
  case undefined:
  case 'help':
  case '--help':
    say(USE);
    process.exitCode = command === undefined ? 2 : 0;
    break;
  default:
    process.stderr.write(`vane: there is no command "${command}"\n${USE}\n`);
    process.exitCode = 2;
}
