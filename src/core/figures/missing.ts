/** A figure that a part lacks. */
export interface MissingFigure {
  readonly item: string;
  readonly part: string;
  readonly field: string;
}

/** Each figure once, in the order they came. */
export function unique(missing: readonly MissingFigure[]): MissingFigure[] {
  return [...new Map(missing.map((figure) => [`${figure.item} ${figure.field}`, figure])).values()];
}
