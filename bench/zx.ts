import { contextOf, quickly, freshSubject } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';
import { searchable } from '@/core/search/exact/searchable';
import { plainQuestion, everyTask } from '@/core/search/exact/question';
import { rules } from '@/core/rules';
const data = catalogueSchema.parse(demoCatalogue());
const catalogue = compileCatalogue(data);
const context = contextOf(catalogue, DEMO_TODAY);
for (const { seatId, brief, drafts } of demoSeats()) {
  const s = freshSubject(brief, quickly(context));
  const rs = rules.filter((r) => ['drive-space', 'copies', 'drive-endurance', 'task-figures'].includes(r.id));
  for (const d of drafts) {
    const drives = { ...d, pins: undefined, moduleSlots: undefined, items: d.items.filter((i) => catalogue.part(i.part)!.kind === 'drive') };
    console.log(seatId, d.id, 'ALONE', s.findingsBy(rs, drives).map((f) => f.level + ' ' + f.key).join(' | '));
    console.log('    FULL', s.findingsBy(rs, d).map((f) => f.level + ' ' + f.key).join(' | '));
  }
}
