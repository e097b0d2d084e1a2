import type { Assessment } from '../../assess';
import { kitGiB } from '../../parts/memory';
import type { Least } from './question';
import { progressAt } from './rank';

/** What one machine is held against another in. */
export const FIGURES = ['tasks', 'memory', 'graphics', 'storage'] as const;
export type MatchFigure = (typeof FIGURES)[number];

/** Of a figure so much may be missing: rounding. */
const AS_GOOD = 1 - 1e-9;

/**
 * What a machine must at least be to be as good as a given one in the ticked figures: each task that runs there makes as
 * much progress, and memory, memory on one card and room on drives are as large. What is not known of the given machine
 * is not asked for.
 */
export function matchOf({ tasks, facts }: Assessment, figures: readonly MatchFigure[] = FIGURES): Least {
  const { parts } = facts;
  const sum = (values: readonly (number | undefined)[]): number | undefined => {
    const known = values.filter((value) => value !== undefined);
    return known.length > 0 ? known.reduce((all, value) => all + value, 0) : undefined;
  };
  const memoryGiB = sum(parts.ofKind('memory').map(({ part }) => kitGiB(part)));
  const cards = parts.ofKind('graphics').flatMap(({ part }) => part.memoryGiB ?? []);
  const storageGB = sum(parts.ofKind('drive').map(({ part }) => part.capacityGB));
  const ticked = (figure: MatchFigure): boolean => figures.includes(figure);
  return {
    tasks: new Map(
      ticked('tasks')
        ? tasks.flatMap((result): [string, number][] => {
            const made = progressAt(result, 'likely');
            return made > 0 ? [[result.task, made * AS_GOOD]] : [];
          })
        : [],
    ),
    ...(ticked('memory') && memoryGiB !== undefined ? { memoryGiB } : {}),
    ...(ticked('graphics') && cards.length > 0 ? { graphicsGiB: Math.max(...cards) } : {}),
    ...(ticked('storage') && storageGB !== undefined ? { storageGB } : {}),
  };
}
