import loadSolver from 'highs';
import { expect, test } from 'vitest';
import { finish } from '../../assess/trials';
import { peerMarket, programmeOf } from '../../tests/peer';
import { searchFor } from './goals';
import { searchable } from './searchable';

// an independent formulation, solved to its optimum by a general solver
test.each([1, 2, 3, 4, 5, 6])('150 parts, market %i: as cheap as the optimum of an integer programme', async (seed) => {
  const market = peerMarket(150, seed);
  const solver = await loadSolver();
  const solution = solver.solve(programmeOf(market), { mip_rel_gap: 0, mip_abs_gap: 0, random_seed: 1 });
  const [best] = finish(searchFor(searchable(market.question, market.context), 'cheapest')).found;
  if (solution.Status === 'Infeasible') expect(best).toBeUndefined();
  else {
    expect(solution.Status).toBe('Optimal');
    expect(best?.priceMinor).toBe(Math.round(solution.ObjectiveValue));
  }
});
