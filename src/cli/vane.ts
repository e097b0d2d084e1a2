import { existsSync } from 'node:fs';
import { assess } from '@/core/assess';
import { inPhase, phaseOf, phasesOf } from '@/core/model/phases';
import { emptyCatalogue } from '@/core/formats/catalogue';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import { exitCodeOf, reportOf } from '@/core/formats/report';
import { schemaNames, schemaOf } from '@/core/formats/schemas';
import { databasePath } from '@/server/path.mjs';
import { openCase } from './openCase';
import { refuse, say } from './say';

const USE = `use:
  vane assess CASE.json   prints the assessment of a case file as JSON
  vane find WHAT CASE.json  finds machines for a case's brief: cheapest, best, frontier, match or complete; what its
                          demands cost, what would make another machine the cheapest (stability), whether two machines
                          cost less than one (two), how a machine is mended (repair), what a few parts at once do from there (steps), or one budget shared over several cases (team: --weights N,…, --floors AMOUNT,…, --step AMOUNT);
                          --machine ID, --figures tasks,memory,graphics,storage, --budget AMOUNT, --at low|likely,
                          --nodes N (gives up after so many), --catalogue FILE, --json
  vane quote CASE.json    makes a quote for a machine of a case: --terms FILE, --machine ID, --out FILE.pdf|csv|json|html,
                          --own FILE.csv (costs and margin, for the workshop alone)
  vane plan CASE.json     prints the order in which a machine is put together, with what each step waits for:
                          --machine ID, --json
  vane measure            measures this machine with what is installed: --minutes N (5), --only memory,build,…,
                          --out FOLDER, --anyway (though it is busy or on its battery); --seat ID, --draft ID gives the
                          results to a draft
  vane evidence FILE…     gives result files to a draft: --seat ID, --draft ID or NAME (else the machine that is there)
  vane check FILE…        says what importing the files would do, and every problem with its place
  vane import FILE…       takes catalogue, CSV, archive and case files into the database, each whole or not at all
  vane export WHAT        writes catalogue, archive [--project ID], bom --seat ID --draft ID, a kind of part or offer
                          as CSV; --to FILE, else to standard output
  vane prices FILE…       takes tables of prices by day (offer,date,price), each whole or not at all
  vane refresh            asks all price sources once and says how each fared
  vane backup FILE        copies the whole database into a file, with a manifest, while the app goes on
  vane restore FILE       checks such a file and puts it in the database's place; what was there is kept beside it;
                          with --try yes only into a scratch database, reading all of it
  vane schema NAME        prints a JSON Schema; NAME is one of ${schemaNames().join(', ')}

tables (check, import): --kind KIND, --map "HEADING=field[unit]", --all field=value, --decimal . or ,,
  --separator C, --encoding NAME, --region ID; what is not said is guessed or remembered
exit codes of check, import, evidence, export, prices, backup, restore: 0 done, 2 invalid input; of refresh: 0 all sources answered, 1 some did
not, 3 another refresh runs

exit codes of quote: 0 made, 3 made without a price for something, 2 invalid input

exit codes of measure: 0 done, 1 stopped or nothing measured, 2 invalid input, 3 the machine is busy or on its battery

exit codes of find: 0 proven, 3 stopped before the proof, 1 nothing possible, 2 invalid input

exit codes of assess: 1 something blocks, else 3 something is unproven, else 4 an important or decisive task does not
run or falls short, else 0; 2 invalid input; with several machines the worst, 1 before 3 before 4`;

/** The catalogue of this checkout's database, when there is one; a case with its parts inline needs none. */
async function aroundCatalogue(): Promise<CatalogueData> {
  if (!existsSync(databasePath())) return emptyCatalogue;
  const { openService } = await import('@/server/service');
  const service = openService();
  try {
    return (await service.catalogue()).data;
  } finally {
    await service.close();
  }
}

async function assessCommand(path: string | undefined): Promise<number> {
  if (path === undefined) return refuse([{ path: 'CASE.json', message: 'is missing; name a case file' }]);
  const opened = await openCase(path, aroundCatalogue);
  if ('problems' in opened) return refuse(opened.problems);
  const { file, context } = opened;
  // a machine with later phases is several machines to a script that wants to know whether all is well
  const assessments = file.machines.flatMap((machine) =>
    phasesOf(machine).map((phase) => assess(inPhase(machine, phase), file.brief, context)),
  );
  const phases = file.machines.flatMap((machine) =>
    machine.phases ? phasesOf(machine).map((id) => phaseOf(machine, id)?.name ?? id) : [undefined],
  );
  say(
    JSON.stringify(
      {
        format: 'vane-assessment',
        version: 1,
        case: file.name,
        machines: assessments.map((assessment, i) => ({
          ...reportOf(assessment, context),
          ...(phases[i] ? { phase: phases[i] } : {}),
        })),
      },
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

// whoever reads only the beginning of an answer, such as a pager, ends the pipe: that is no fault
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error;
  process.exit();
});

// what touches the database is loaded for the commands that do
const files = () => import('./files');
const prices = () => import('./prices');
const backup = () => import('./backup');

const [command, argument, ...more] = process.argv.slice(2);
const args = argument === undefined ? [] : [argument, ...more];
switch (command) {
  case 'assess':
    process.exitCode = await assessCommand(argument);
    break;
  case 'find':
    process.exitCode = await (await import('./find')).findCommand(args, aroundCatalogue);
    break;
  case 'quote':
    process.exitCode = await (await import('./quote')).quoteCommand(args, aroundCatalogue);
    break;
  case 'plan':
    process.exitCode = await (await import('./plan')).planCommand(args, aroundCatalogue);
    break;
  case 'measure':
    process.exitCode = await (await import('./measure/measure')).measureCommand(args);
    break;
  case 'evidence':
    process.exitCode = await (await import('./evidence')).evidenceCommand(args);
    break;
  case 'schema':
    process.exitCode = schemaCommand(argument);
    break;
  case 'check':
  case 'import':
    process.exitCode = await (await files()).filesCommand(command, args);
    break;
  case 'prices':
    process.exitCode = await (await prices()).pricesCommand(args);
    break;
  case 'backup':
    process.exitCode = await (await backup()).backupCommand(argument);
    break;
  case 'restore':
    process.exitCode = await (await backup()).restoreCommand(args);
    break;
  case 'refresh':
    process.exitCode = await (await prices()).refreshCommand();
    break;
  case 'desk-job':
    process.exitCode = await (await import('./desk')).deskJobCommand();
    break;
  case 'refresh-job':
    process.exitCode = await (await prices()).refreshJobCommand(args);
    break;
  case 'export':
    process.exitCode = await (await files()).exportCommand(args);
    break;
  case 'job':
    process.exitCode = await (await files()).jobCommand(argument);
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
