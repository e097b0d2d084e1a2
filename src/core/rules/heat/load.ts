import type { AnyFitted } from '../../model/fitted';
import type { Settled } from '../../heat/settle';
import type { HotPart } from '../../heat/setup';
import { figuresIn, nameOf, type Said, type Facts } from '../rule';

/** What heat does to a hot part with everything at its limit, and in the sitting that slows it most. */
export function loadCheck(facts: Facts, hot: HotPart, fitted: AnyFitted, cooledBy: AnyFitted): Said[] {
  const { heat, brief } = facts;
  const index = heat.setup.hot.indexOf(hot);
  const stateIn = (settled: Settled<unknown>) => settled.state.parts[index];
  const [best, worst] = [heat.atLimit.best, heat.atLimit.worst];
  const [good, bad] = [stateIn(best), stateIn(worst)];
  if (!good || !bad) return [];
  const items = [...new Set([cooledBy.item.id, fitted.item.id])];
  const failsAt = (settled: Settled<unknown>) =>
    settled.heldBy[hot.kind] === 'heat' || settled.shutsDown.includes(hot.item);
  const missing = heat.setup.missing;
  if (!failsAt(best) && failsAt(worst))
    return [
      {
        level: 'unproven',
        code: 'heat-unknown',
        subject: `${fitted.item.id} ${figuresIn(missing)}`,
        items: [...new Set(missing.map((figure) => figure.item))],
        about: hot.kind === 'processor' ? 'processor' : 'card',
        part: nameOf(fitted),
        best: good.tempC,
        worst: Math.max(bad.tempC, bad.intakeC + hot.fullW * bad.kPerW),
        limit: bad.limitC,
        missing,
      },
    ];
  const slow = heat.sittings
    .filter((sitting) => sitting.best.heldBy[hot.kind] === 'heat')
    .sort((a, b) => a.best.clocks[hot.kind] - b.best.clocks[hot.kind])[0];
  const shutsDown = best.shutsDown.includes(hot.item);
  const groups = fitted.part.kind === 'processor' ? fitted.part.coreGroups : undefined;
  const full = groups?.[0]?.allCoreGHz;
  return [
    {
      level: shutsDown ? 'blocks' : failsAt(best) ? 'caution' : 'passes',
      code: hot.kind === 'processor' ? 'cooler-load' : 'card-load',
      items,
      cooler: nameOf(cooledBy),
      part: nameOf(fitted),
      cards: heat.setup.hot.filter((part) => part.kind === 'graphics').length,
      watts: good.watts,
      fullW: hot.fullW,
      tempC: good.tempC,
      limitC: good.limitC,
      clock: best.clocks[hot.kind],
      ghz: full === undefined ? undefined : full * best.clocks[hot.kind],
      heldBy: best.heldBy[hot.kind],
      shutsDown,
      sitting: slow && brief.sittings.find((sitting) => sitting.id === slow.sitting)?.name,
    },
  ];
}
