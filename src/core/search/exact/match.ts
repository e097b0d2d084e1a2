import type { Assessment } from '../../assess';
import type { Least } from './question';
import { madeIn } from './rank';
import { ROOM } from './room';

/** What one machine is held against another in. */
export const FIGURES = ['tasks', ...ROOM.map(({ called }) => called)] as const;
export type MatchFigure = (typeof FIGURES)[number];

/** Of a figure so much may be missing: rounding. */
const AS_GOOD = 1 - 1e-9;

/**
 * What a machine must at least be to be as good as a given one in the ticked figures: each task that runs there makes as
 * much progress, and memory, memory on one card and room on drives are as large. What is not known of the given machine
 * is not asked for.
 */
export function matchOf({ facts }: Assessment, figures: readonly MatchFigure[] = FIGURES): Least {
  const parts = facts.parts.all.map(({ part }) => part);
  const ticked = (figure: MatchFigure): boolean => figures.includes(figure);
  return {
    tasks: new Map(
      ticked('tasks')
        ? [...madeIn(facts.sittings, 'likely')].flatMap(([task, made]): [string, number][] =>
            made > 0 ? [[task, made * AS_GOOD]] : [],
          )
        : [],
    ),
    ...Object.fromEntries(
      ROOM.flatMap(({ figure, called, of }) => {
        const has = of(parts);
        return ticked(called) && has > 0 ? [[figure, has] as const] : [];
      }),
    ),
  };
}
