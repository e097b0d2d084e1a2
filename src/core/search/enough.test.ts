import { describe, expect, test } from 'vitest';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { contextOf, quickly, subjectOf } from '../assess';
import { finish } from '../assess/trials';
import { compileCatalogue } from '../model/catalogue';
import { catalogueSchema } from '../model/catalogueSchema';
import { ruleOf } from '../rules';
import { coinTrials } from './coinSteps';
import { remediesFor, remedyTrials } from './remedies';

const context = contextOf(compileCatalogue(catalogueSchema.parse(demoCatalogue())), '2026-05-18');
const seats = demoSeats();

/** How many machines are worked out whole for an answer. */
function lookedAt(limit: number): number {
  const [film] = seats;
  const [draft] = film?.drafts ?? [];
  if (!film || !draft) throw new RangeError('the demo has no draft');
  const fresh = contextOf(context.catalogue, context.today);
  const before = subjectOf(film.brief, fresh).assess(draft);
  for (const finding of before.findings)
    if (finding.level !== 'note') finish(remedyTrials(draft, film.brief, finding, fresh, limit, before));
  return subjectOf(film.brief, quickly(fresh)).runs.get('assessment') ?? 0;
}

describe('once enough is found, what can only stand behind it is not tried', () => {
  test.each(seats.map((seat) => [seat.brief.name, seat] as const))('%s: the same remedies as of all', (_, seat) => {
    for (const draft of seat.drafts.slice(0, seat === seats[0] ? 2 : 1)) {
      const { findings } = subjectOf(seat.brief, context).assess(draft);
      for (const finding of findings) {
        // nobody asks what mends a note that frees no money
        if (finding.level === 'note' && !ruleOf(finding).saves) continue;
        const all = remediesFor(draft, seat.brief, finding, context, Infinity);
        for (const limit of [1, 3])
          expect(remediesFor(draft, seat.brief, finding, context, limit), `${finding.key}, ${limit}`).toEqual(
            all.slice(0, limit),
          );
      }
    }
  });

  test('half of the machines are not worked out for the film desk', () => {
    expect(lookedAt(3) / lookedAt(Infinity)).toBeLessThan(0.5);
  });

  test.each(seats.slice(0, 1).map((seat) => [seat.brief.name, seat] as const))(
    '%s: the same steps and savings as of all',
    (_, { brief, drafts: [draft] }) => {
      if (!draft) return;
      const all = finish(coinTrials(draft, brief, context));
      for (const mostSavings of [0, 1, 12])
        expect(finish(coinTrials(draft, brief, context, { mostSavings }))).toEqual({
          ...all,
          savings: all.savings.slice(0, mostSavings),
        });
    },
  );
});
