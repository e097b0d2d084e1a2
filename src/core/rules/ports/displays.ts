import type { Brief } from '../../brief';
import type { Catalogue } from '../../catalogue';
import type { AnyFitted, Fitted, FittedParts } from '../../fitted';

/** Displays that the machine must drive: those owned and those bought with it. An owned one is no item of the machine. */
export function displaysOf(parts: FittedParts, brief: Brief, catalogue: Catalogue): Fitted<'display'>[] {
  const owned = brief.ownedDisplays.flatMap((id, i): Fitted<'display'>[] => {
    const part = catalogue.part(id);
    return part?.kind === 'display' ? [{ item: { id: `owned-display-${i + 1}`, part: part.id }, part }] : [];
  });
  return [...owned, ...parts.ofKind('display')];
}

/** What makes the picture: the card, else the board's outputs. Outputs that are not stated are reported elsewhere. */
export function pictureSource(
  parts: FittedParts,
): { holder: AnyFitted; outputs: readonly { kind: string; count: number }[] | undefined } | undefined {
  const card = parts.one('graphics');
  if (card) return { holder: card, outputs: card.part.outputs };
  const board = parts.one('board');
  return board && { holder: board, outputs: board.part.displayOutputs };
}
