import { describe, expect, test } from 'vitest';
import { assess, contextOf } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { overTime } from '@/core/heat/overTime';
import { warmestFor } from '@/core/heat/state';
import { basketFor } from '@/core/versus/basketFor';
import { compareOwnership } from '@/core/versus/ownership';
import { supportOf } from '@/core/money/support';
import { turnsOf } from '@/core/search/turning';
import { turnWords } from '@/core/words/turning';
import { budgetBeam, headroomBeams } from '@/core/words/beams';
import { coins, number } from '@/core/words/format';
import { demoCatalogue } from './catalogue';
import { demoSeats } from './ninefathom';
import { DEMO_TODAY } from './seed';

const context = contextOf(compileCatalogue(catalogueSchema.parse(demoCatalogue())), DEMO_TODAY);
const DRAFTS = demoSeats().flatMap(({ seatName, brief, drafts }) =>
  drafts.map((draft) => [`${seatName}: ${draft.name}`, assess(draft, brief, context)] as const),
);

describe('one figure, one value, for each demo draft', () => {
  test.each(DRAFTS)('%s: after an hour the processor is where its sitting leaves it', (_, { facts }) => {
    const { heat, parts } = facts;
    const index = heat.setup.hot.findIndex(({ kind }) => kind === 'processor');
    const [hot, processor] = [heat.setup.hot[index], parts.one('processor')?.part];
    for (const { sitting, best } of heat.sittings) {
      const busy = facts.sittings.find((entry) => entry.sitting === sitting)?.busy.get('cpu.parallel') ?? 0;
      const state = best.state.parts[index];
      if (!hot || !processor || !state || busy < 0.3) continue;
      const last = overTime(hot, state, processor, parts.one('cooler')?.part, busy, heat.setup.clockMost).at(-1);
      expect(last?.clock).toBeCloseTo(best.clocks.processor, 2);
      expect(Math.abs((last?.tempC ?? 0) - state.tempC)).toBeLessThan(0.2);
      expect(Math.abs((last?.watts ?? 0) - state.watts)).toBeLessThan(1);
    }
  });

  test.each(DRAFTS)('%s: the beam says the temperature of the sitting that it names', (_, assessment) => {
    const { heat, brief } = assessment.facts;
    const beams = headroomBeams(assessment);
    heat.setup.hot.forEach((part, i) => {
      const found = warmestFor(heat.sittings, i);
      const beam = beams.find(({ id }) => id === `heat-${part.item}`);
      if (!found) return;
      expect(beam?.sentence).toContain(`${number(found.best.tempC)} °C`);
      const name = brief.sittings.find(({ id }) => id === found.heat.sitting)?.name;
      if (name !== undefined) expect(beam?.sentence).toContain(name);
      // no other sitting is warmer at worst
      for (const { worst } of heat.sittings)
        expect(worst.state.parts[i]?.tempC ?? 0).toBeLessThanOrEqual(found.worst.tempC);
    });
  });

  test.each(DRAFTS)('%s: the budget and the years begin with the price of the basket', (_, assessment) => {
    const { brief, price } = assessment.facts;
    const { total, lowerBound } = basketFor(assessment);
    const beam = budgetBeam(assessment);
    if (beam && brief.budgetTaxIncluded)
      expect(beam.gets).toBe(`${lowerBound ? 'at least ' : ''}${coins(total.landedMinor, price.currency)}`);
    const side = {
      assessment,
      purchaseMinor: total.landedMinor,
      purchaseOpen: lowerBound,
      support: supportOf(assessment.facts.parts),
    };
    const { ours, oursRunningMinor, theirsRunningMinor } = compareOwnership(side, side);
    expect(ours.byLine.purchase).toBe(total.landedMinor);
    expect(oursRunningMinor).toEqual(theirsRunningMinor);
  });
});

test('a figure that three tasks lack decides those that nothing else holds down, and names the other', () => {
  const [film] = demoSeats();
  const machine = film?.drafts[0];
  if (!film || !machine) throw new Error('the film desk has drafts');
  const finding = assess(machine, film.brief, context).findings.find(({ rule }) => rule === 'task-figures');
  if (!finding) throw new Error('a drive states no rate after its cache');
  const [turn] = turnsOf(machine, film.brief, finding, context);
  const words = turn && turnWords(turn, context.catalogue);
  expect(words).toMatch(/^Holds for Cut UHD dive footage and Export web master (if|whatever) /);
  expect(words).toContain('Export cinema master may fall short whatever it is.');
});
