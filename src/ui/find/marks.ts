'use client';

import { useMemo } from 'react';
import type { TaskResult } from '@/core/predict/results';
import type { End } from '@/core/search/exact/question';
import { rankIn, type Rank } from '@/core/search/exact/rank';
import { configured } from '@/core/versus/configure';
import { chosenOptions } from '@/core/versus/rivals';
import { useMoment } from '../seat/moment';
import { assessmentOf, useSeat } from '../seat/useSeat';

/** A machine that is there already, to be held against those that were found. */
export interface Mark {
  readonly what: 'draft' | 'rival';
  readonly name: string;
  readonly priceMinor: number;
  readonly rank: Rank;
}

/** Whether it is known of every task how it runs, or that it does not: what is unknown has no place on a chart. */
const known = (tasks: readonly TaskResult[]): boolean =>
  tasks.every(({ gets, impossible }) => gets !== undefined || impossible.length > 0);

/** The seat's drafts and the branded machines of its region that have a price. */
export function useMarks(at: End): readonly Mark[] {
  const drafts = useSeat((state) => state.bundle.drafts);
  const { brief, context } = useMoment();
  return useMemo(() => {
    const region = context.catalogue.region(brief.region);
    const ours = drafts.flatMap(({ body }): Mark[] => {
      if (body.items.length === 0 || body.present === true) return [];
      const assessment = assessmentOf(body, brief, context);
      const { total, lowerBound } = assessment.facts.spent();
      if (lowerBound || !known(assessment.tasks)) return [];
      return [{ what: 'draft', name: body.name, priceMinor: total.landedMinor, rank: rankIn(assessment, at) }];
    });
    const theirs = context.catalogue.rivals.flatMap((rival): Mark[] => {
      if (!region) return [];
      const { machine, price } = configured(rival, chosenOptions(brief, rival), region);
      if (!price) return [];
      const assessment = assessmentOf(machine, brief, context);
      if (!known(assessment.tasks)) return [];
      return [
        {
          what: 'rival',
          name: `${rival.maker} ${rival.name}`,
          priceMinor: price.landedMinor,
          rank: rankIn(assessment, at),
        },
      ];
    });
    return [...ours, ...theirs];
  }, [drafts, brief, context, at]);
}
