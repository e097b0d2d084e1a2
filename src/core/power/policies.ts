import type { Policy, Settings } from '../model/settings';
import type { FittedParts } from '../model/fitted';
import type { MissingFigure } from '../figures/missing';
import type { PowerState } from './draw';

/**
 * Share of its rating that a supply may give for the shortest excursions. Source: the ATX 3.x design guides allow 200 %
 * for 100 µs; earlier ones name no such class, and a tenth is a judgement.
 */
export const EXCURSION_SHARE = { 'ATX 2.x': 1.1, 'ATX 3.0': 2, 'ATX 3.1': 2 } as const;

/** What one policy asks of the supply. */
export interface PolicyAnswer {
  readonly policy: Policy;
  /** Rating it asks for, W; undefined when a figure is missing or it has nothing to go by. */
  readonly asksW: number | undefined;
  readonly holds: boolean | undefined;
  /** It asks for at least that: a draw is unknown, or a run whose speed is unknown keeps parts busy. */
  readonly lowerBound: boolean;
  /** Whether the desk goes by it. */
  readonly counts: boolean;
  readonly missing: readonly MissingFigure[];
}

/**
 * Every policy's answer side by side. `sustained`: the heaviest sitting ÷ the share a supply may give for hours; `peak`:
 * all limits together; `excursion`: the peak with the cards' excursions ÷ what the supply's standard allows for them;
 * `maker`: the largest recommendation of a card's maker, and the other cards' draw; `multiple`: the heaviest sitting ×
 * a factor. Efficiency plays no part in any: it raises the draw from the wall, not what is delivered.
 */
export function policiesOf(parts: FittedParts, power: PowerState, settings: Settings): PolicyAnswer[] {
  const supply = parts.one('supply');
  const ratedW = supply?.part.ratedW;
  const cards = parts.ofKind('graphics');
  const noRating: MissingFigure[] =
    supply && ratedW === undefined ? [{ item: supply.item.id, part: supply.part.id, field: 'ratedW' }] : [];
  const answer = (
    policy: Policy,
    asksW: number | undefined,
    missing: readonly MissingFigure[],
    lowerBound = missing.length > 0,
  ): PolicyAnswer => ({
    policy,
    asksW,
    // a lower bound can break a policy, never keep it
    holds:
      asksW === undefined || ratedW === undefined ? undefined : asksW > ratedW ? false : lowerBound ? undefined : true,
    lowerBound,
    counts: settings.policies.includes(policy),
    missing: [...missing, ...noRating],
  });
  const standard = supply?.part.standard;
  const share = supply && !standard ? undefined : EXCURSION_SHARE[standard ?? 'ATX 3.1'];
  const recommended = cards.flatMap(({ part }) => part.recommendedSupplyW ?? []);
  const largest = cards.reduce((most, { part }) => Math.max(most, part.boardPowerW ?? 0), 0);
  const otherCardsW = cards.reduce((sum, { part }) => sum + (part.boardPowerW ?? 0), 0) - largest;
  return [
    answer('sustained', power.sustainedW / settings.supplyShare, power.missing, power.sustainedOpen),
    answer('peak', power.peakW, power.missing),
    answer('excursion', share === undefined ? undefined : power.excursionW / share, [
      ...power.missing,
      ...(supply && !standard ? [{ item: supply.item.id, part: supply.part.id, field: 'standard' }] : []),
    ]),
    answer(
      'maker',
      recommended.length === 0 ? undefined : Math.max(...recommended) + otherCardsW,
      cards
        .filter(({ part }) => part.recommendedSupplyW === undefined)
        .map(({ item, part }) => ({ item: item.id, part: part.id, field: 'recommendedSupplyW' })),
    ),
    answer('multiple', power.sustainedW * settings.drawMultiple, power.missing, power.sustainedOpen),
  ];
}
