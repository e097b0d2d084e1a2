import { contextOf, freshSubject } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { coinSteps } from '@/core/search/coinSteps';
import { remediesFor } from '@/core/search/remedies';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';
import { parseBaseline } from './baseline';

/** Next coin of every seat's first draft, and all remedies of the film desk's, each with nothing remembered but the code. */
const data = catalogueSchema.parse(demoCatalogue());
const parse = parseBaseline();
const timed = (work: () => number): { ms: number; count: number } => {
  const started = performance.now();
  const count = work();
  return { ms: performance.now() - started, count };
};
const coins = () =>
  demoSeats().map(({ brief, drafts: [draft] }) => {
    const context = contextOf(compileCatalogue(data), DEMO_TODAY);
    return timed(() => (draft ? coinSteps(draft, { ...brief }, context).tried : 0));
  });
const remedies = () =>
  demoSeats()
    .slice(0, 1)
    .map(({ brief, drafts: [draft] }) => {
      const context = contextOf(compileCatalogue(data), DEMO_TODAY);
      if (!draft) return { ms: 0, count: 0 };
      return timed(() => {
        const before = freshSubject(brief, context).assess(draft);
        return before.findings.reduce(
          (all, finding) => all + remediesFor(draft, brief, finding, context, 3, before).length,
          0,
        );
      });
    });
coins();
remedies();
const line = (what: string, { ms, count }: { ms: number; count: number }, of: string) =>
  console.log(
    `${what.padEnd(34)} ${ms.toFixed(0).padStart(6)} ms   ${(ms / parse).toFixed(0)} × parse   ${count} ${of}`,
  );
const found = coins().sort((a, b) => a.ms - b.ms);
const middle = found[found.length >> 1];
const slowest = found.at(-1);
if (middle) line('next coin, median of the seats', middle, 'tried');
if (slowest) line('next coin, slowest seat', slowest, 'tried');
for (const each of remedies()) line('all remedies of Draft A', each, 'shown');
