import type { Fitted, FittedParts } from '../model/fitted';
import { cardPurpose } from '../parts/purposes';

/** A network of a machine: a card's, or one that the board has. */
export interface Network {
  /** What streams name it by: the card's item, or the board's function. */
  readonly end: string;
  readonly holder: Fitted<'expansion'> | Fitted<'board'>;
  readonly gbitPerS: number | undefined;
  readonly wireless: boolean;
}

/** Networks of a machine, those on a wire first and of them the fastest; one of unknown rate comes last. */
export const networksOf = (parts: FittedParts): Network[] =>
  [
    ...parts.ofKind('expansion').flatMap((holder): Network[] => {
      const { networkGbitPerS, wireless = false } = holder.part;
      return cardPurpose(holder.part) === 'network'
        ? [{ end: holder.item.id, holder, gbitPerS: networkGbitPerS, wireless }]
        : [];
    }),
    ...parts
      .ofKind('board')
      .slice(0, 1)
      .flatMap((holder) => onBoard(holder)),
  ].sort((a, b) => Number(a.wireless) - Number(b.wireless) || (b.gbitPerS ?? 0) - (a.gbitPerS ?? 0));

const onBoard = (holder: Fitted<'board'>): Network[] =>
  (holder.part.topology?.integrated ?? []).flatMap(({ id, kind, gbitPerS }) =>
    kind === 'network' ? [{ end: id, holder, gbitPerS, wireless: false }] : [],
  );

/** Gb/s of the fastest network on a wire; undefined where there is none or none states its rate. */
export const fastestWire = (parts: FittedParts): number | undefined =>
  networksOf(parts).find(({ wireless }) => !wireless)?.gbitPerS;

/** Gb/s of the fastest network that a board has; 0 where it states none. */
export const boardGbitPerS = (parts: FittedParts): number =>
  Math.max(0, ...parts.ofKind('board').flatMap((holder) => onBoard(holder).map(({ gbitPerS }) => gbitPerS ?? 0)));
