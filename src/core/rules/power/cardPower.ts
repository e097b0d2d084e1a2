import type { AnyFitted } from '../../model/fitted';
import { inputsW, slotPowerW } from '../../power/inputs';
import { unknown, idsOf, nameOf, type Said, type Rule } from '../rule';

/** A card draws no more than its slot and its inputs give; without inputs that are stated only the slot is sure. */
export const cardPower: Rule = {
  id: 'card-power',
  reads: ['graphics', 'expansion', 'wiring'],
  levels: ['blocks', 'unproven'],
  check: ({ parts, placement, board }) =>
    [...parts.ofKind('graphics'), ...parts.ofKind('expansion')].flatMap((card: AnyFitted): Said[] => {
      if (card.part.kind !== 'graphics' && card.part.kind !== 'expansion') return [];
      const [field, drawW] =
        card.part.kind === 'graphics'
          ? (['boardPowerW', card.part.boardPowerW] as const)
          : (['powerW', card.part.powerW] as const);
      const { connectors, lanes } = card.part;
      const slot = board?.slotById.get(placement?.placed.get(card.item.id)?.slot ?? '');
      // graphics have a connector of 16 whatever is wired to it; a card without a place is judged by its own connector
      const own = card.part.kind === 'graphics' ? 16 : lanes;
      const width = own === undefined ? slot?.mechanicalLanes : Math.min(own, slot?.mechanicalLanes ?? own);
      const slotW = slotPowerW(width);
      const about = 'card-power';
      if (drawW === undefined) return connectors === undefined ? [unknown(about, [card, field])] : [];
      if (slotW !== undefined && drawW <= slotW) return [told(card, 'passes', drawW, slotW, 0)];
      if (connectors === undefined) return [unknown(about, [card, 'connectors'])];
      if (slotW === undefined && inputsW(connectors) < drawW) return [unknown(about, [card, 'lanes'])];
      const inputs = inputsW(connectors);
      return [told(card, drawW <= (slotW ?? 0) + inputs ? 'passes' : 'blocks', drawW, slotW ?? 0, inputs)];
    }),
};

const told = (card: AnyFitted, level: 'passes' | 'blocks', drawW: number, slotW: number, inputs: number): Said => ({
  level,
  code: 'card-power',
  items: idsOf(card),
  card: nameOf(card),
  drawW,
  slotW,
  inputsW: inputs,
});
