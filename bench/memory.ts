import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { subjectOf, contextOf } from '@/core/assess';
import { allParts, compileCatalogue } from '@/core/model/catalogue';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { rankCandidates } from '@/core/search/candidates';
import { demoCatalogue } from '@/demo/catalogue';
import { filmBrief, filmDrafts } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';

/**
 * What a worker holds of a catalogue of some 10,000 parts, as the heap after collecting: the catalogue read from JSON and
 * compiled, then with a tray of graphics cards ranked on the film desk (aim: 150 MB). Needs `--expose-gc`.
 */
const { gc } = globalThis;
if (!gc) throw new Error('run it with --expose-gc');
/** What is only weakly held is gone after the next turn. */
async function heldMB(): Promise<number> {
  for (let i = 0; i < 4; i++) {
    gc?.();
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  return process.memoryUsage().heapUsed / 1e6;
}

const wanted = Number(process.argv[2] ?? 10_000);
const file = join(mkdtempSync(join(tmpdir(), 'vane-')), 'catalogue.json');
writeFileSync(file, JSON.stringify(catalogueSchema.parse(demoCatalogue(wanted))));
const [draft] = filmDrafts();
if (!draft) throw new Error('the demo has no draft');
const megabytes = statSync(file).size / 1e6;
const before = await heldMB();
const catalogue = compileCatalogue(JSON.parse(readFileSync(file, 'utf8')) as CatalogueData);
rmSync(file);
const { length } = allParts(catalogue);
const held = (await heldMB()) - before;
console.log(
  `${length} parts, ${megabytes.toFixed(1)} MB of JSON: ${held.toFixed(0)} MB once compiled, ${(held / megabytes).toFixed(1)} × the JSON`,
);
const context = contextOf(catalogue, DEMO_TODAY);
const brief = filmBrief();
const subject = subjectOf(brief, context);
const ranked = rankCandidates(draft, brief, { kind: 'graphics', item: 'graphics-1' }, context, subject.assess(draft));
console.log(`${((await heldMB()) - before).toFixed(0)} MB with ${ranked.length} cards ranked`);
