import type { Brief } from '../../model/brief';
import type { Catalogue } from '../../model/catalogue';
import type { AnyFitted, Fitted, FittedParts } from '../../model/fitted';

/** Displays that the machine must drive: those owned and those bought with it. An owned one is no item of the machine. */
export function displaysOf(parts: FittedParts, brief: Brief, catalogue: Catalogue): Fitted<'display'>[] {
  const owned = brief.ownedDisplays.flatMap((id, i): Fitted<'display'>[] => {
    const part = catalogue.part(id);
    return part?.kind === 'display' ? [{ item: { id: `owned-display-${i + 1}`, part: part.id }, part }] : [];
  });
  return [...owned, ...parts.ofKind('display')];
}

/** Something with display outputs; `field` is where they are stated. */
export interface PictureSource {
  readonly holder: AnyFitted;
  readonly field: 'outputs' | 'displayOutputs' | 'integratedGraphics';
  /** Undefined when they are not stated. */
  readonly outputs: readonly { readonly kind: string; readonly count: number }[] | undefined;
  /** Displays it drives at once, where that is fewer than its outputs. */
  readonly most: number | undefined;
}

/**
 * All that makes pictures: every card, and the board's own outputs where the processor has graphics for them. Where it
 * is not known whether it has, the source has no outputs to count on and names what is missing.
 */
export function pictureSources(parts: FittedParts): PictureSource[] {
  const cards = parts.ofKind('graphics').map((card): PictureSource => ({
    holder: card,
    field: 'outputs',
    outputs: card.part.outputs,
    most: card.part.maxDisplays,
  }));
  const [processor, board] = [parts.one('processor'), parts.one('board')];
  if (!board || !processor) return cards;
  const integrated = processor.part.integratedGraphics;
  if (integrated === 'none') return cards;
  return [
    ...cards,
    integrated === undefined
      ? { holder: processor, field: 'integratedGraphics', outputs: undefined, most: undefined }
      : { holder: board, field: 'displayOutputs', outputs: board.part.displayOutputs, most: undefined },
  ];
}

/** Displays that the machine has to drive: as many as the brief wants, at least those that are named. */
export const displaysAsked = (parts: FittedParts, brief: Brief): number =>
  Math.max(brief.mustHaves.displays ?? 0, brief.ownedDisplays.length + parts.ofKind('display').length);
