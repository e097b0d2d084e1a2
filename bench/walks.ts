import { isDeepStrictEqual } from 'node:util';
import { assess, contextOf, freshSubject, quickly } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import type { Machine } from '@/core/model/machine';
import { numbers, told, walk } from '@/core/tests/walk';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';

/**
 * Random walks away from the drafts of all seats and back (20,000 machines, or as many as named): the subject has to say
 * what a plain assessment says, and takes this share of its time.
 */
const WANTED = Number(process.argv[2] ?? 20_000);
const catalogue = compileCatalogue(catalogueSchema.parse(demoCatalogue()));
const context = quickly(contextOf(catalogue, DEMO_TODAY));
const seats = demoSeats();
const spent = { subject: 0, plain: 0 };
let seen = 0;
for (let seed = 1; seen < WANTED; seed++)
  for (const { brief, drafts } of seats) {
    const draft = drafts[seed % drafts.length];
    if (!draft || seen >= WANTED) continue;
    const subject = freshSubject(brief, context);
    const way: Machine[] = [draft, ...walk(draft, catalogue, numbers(seed), 12)];
    for (const machine of [...way, ...way.toReversed().slice(1)]) {
      const a = performance.now();
      const quick = subject.assess(machine);
      const b = performance.now();
      const plain = assess(machine, brief, context);
      spent.subject += b - a;
      spent.plain += performance.now() - b;
      seen++;
      if (!isDeepStrictEqual(told(quick), told(plain)))
        throw new Error(`seat ${brief.name}, seed ${seed}: ${JSON.stringify(machine)}`);
    }
  }
console.log(
  `${seen} machines say the same both ways; the subject took ${(spent.subject / spent.plain).toFixed(2)} × the plain time`,
);
