import type { MissingFigure } from '../../figures/missing';
import { figuresIn, unknownFigures, type Said, type Rule } from '../rule';

/** Predictions never guess: what a task lacks is named here, where it can be filled in. */
export const taskFigures: Rule = {
  id: 'task-figures',
  reads: ['sittings', 'any part'],
  levels: ['unproven'],
  check: ({ sittings, brief }) => {
    const byFigure = new Map<string, { figure: MissingFigure; tasks: Set<string> }>();
    for (const sitting of sittings)
      for (const task of sitting.tasks)
        for (const figure of task.missing) {
          const key = `${figure.item} ${figure.field}`;
          const entry = byFigure.get(key) ?? { figure, tasks: new Set<string>() };
          entry.tasks.add(brief.tasks.find((candidate) => candidate.id === task.task)?.name ?? task.task);
          byFigure.set(key, entry);
        }
    return [...byFigure.values()].map(({ figure, tasks }): Said => ({
      ...unknownFigures(['prediction', [...tasks].join(', ')], [figure]),
      // whichever tasks lack it
      subject: figuresIn([figure]),
    }));
  },
};
