import { cardPurpose } from '../../parts/purposes';
import { boardGbitPerS } from '../../work/networks';
import type { Fitted } from '../../model/fitted';
import { idsOf, nameOf, type Said, type Facts, type Rule } from '../rule';

/** Whether anything in the brief uses a card of its purpose; undefined for purposes the brief cannot speak of. */
function used({ part, item }: Fitted<'expansion'>, { brief, parts, placement, sittings }: Facts): boolean | undefined {
  const streams = sittings.some(({ flows }) => flows.some(({ flow }) => flow.from === item.id || flow.to === item.id));
  if (streams) return true;
  switch (cardPurpose(part)) {
    case 'capture':
      return brief.mustHaves.videoInputs !== undefined;
    case 'network':
      return (
        (brief.mustHaves.networkGbitPerS ?? 0) > boardGbitPerS(parts) ||
        brief.tasks.some((task) => task.kind === 'custom' && (task.networkGB ?? 0) > 0)
      );
    case 'wireless':
      return brief.mustHaves.wireless === true;
    case 'monitoring':
      return brief.tasks.some((task) => task.kind === 'edit-play' && task.monitoring);
    case 'storage':
      return [...(placement?.placed.values() ?? [])].some((placed) => placed.slot.startsWith(`${item.id}.`));
    default:
      return undefined;
  }
}

export const surplusCards: Rule = {
  id: 'surplus-cards',
  reads: ['expansion', 'wiring', 'sittings', 'board'],
  levels: ['note'],
  saves: () => true,
  check: (facts) =>
    facts.parts.ofKind('expansion').flatMap((card): Said[] => {
      const answer = used(card, facts);
      if (answer === undefined) return [];
      const inputs = card.part.videoInputs;
      const needs = facts.brief.mustHaves.videoInputs;
      return [
        {
          level: answer ? 'passes' : 'note',
          code: 'surplus-card',
          items: idsOf(card),
          card: nameOf(card),
          purpose: cardPurpose(card.part) ?? '',
        },
        ...(cardPurpose(card.part) === 'capture' && inputs !== undefined && needs !== undefined
          ? [
              {
                level: inputs >= 2 * needs ? ('note' as const) : ('passes' as const),
                code: 'surplus-port' as const,
                items: idsOf(card),
                card: nameOf(card),
                has: inputs,
                needs,
                what: 'video inputs' as const,
              },
            ]
          : []),
      ];
    }),
};
