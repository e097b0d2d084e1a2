import { assess, contextOf } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { sceneOf } from '@/core/clearance/scene';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { fitParts } from '@/core/model/fitted';
import { heatLoad } from '@/core/heat/load';
import { quietestCurves } from '@/core/heat/quiet';
import { steady } from '@/core/heat/steady';
import { operatingPoints } from '@/core/search/operatingPoints';
import { demoCatalogue } from '@/demo/catalogue';
import { filmBrief, filmDrafts, mosaicsBrief, mosaicsDrafts } from '@/demo/ninefathom';
import { median, parseBaseline } from './baseline';

const context = contextOf(compileCatalogue(catalogueSchema.parse(demoCatalogue())), '2026-05-18');
const parse = parseBaseline();
const line = (what: string, ms: number) =>
  console.log(`${what.padEnd(58)} ${ms.toFixed(3)} ms   ${(ms / parse).toFixed(2)} × parse`);
line('JSON.parse of the slice’s case file', parse);
for (const [brief, machines] of [
  [filmBrief(), filmDrafts()],
  [mosaicsBrief(), mosaicsDrafts()],
] as const)
  for (const machine of machines) {
    const { heat } = assess(machine, brief, context).facts;
    const held = heat.sittings.some(({ best }) => best.heldBy.processor ?? best.heldBy.graphics);
    line(
      `assess ${brief.name}, ${machine.name}${held ? ' (clocks solved for)' : ''}`,
      median(() => assess(machine, brief, context)),
    );
  }
const [machine] = filmDrafts().slice(1);
if (!machine) throw new Error('the film desk has a second draft');
const assessment = assess(machine, filmBrief(), context);
const { facts } = assessment;
const { byItem } = facts.power.sittings[0] ?? { byItem: new Map<string, number>() };
const load = heatLoad(facts.parts, facts.heat.setup, facts.region.mainsV, byItem);
line(
  'one steady state: temperatures, fan speeds, air',
  median(() => steady(facts.heat.setup, load, 'best')),
);
line(
  'the case as boxes',
  median(() => sceneOf(fitParts(machine, context.catalogue), facts.memory, facts.placement)),
);
line(
  'quietest curves that hold every clock',
  median(() => quietestCurves(facts.parts, facts.heat.setup, facts.power, 115)),
);
line(
  'all operating points of a machine',
  median(() => operatingPoints(machine, filmBrief(), context, assessment)),
);
