'use client';

import { createContext, useCallback, useContext, useDeferredValue, useMemo, type ReactNode } from 'react';
import type { Assessment, Context } from '@/core/assess';
import type { Brief } from '@/core/model/brief';
import type { Machine } from '@/core/model/machine';
import { inPhase } from '@/core/model/phases';
import { assessmentOf, useSeat } from './useSeat';

/**
 * What is judged on a page: one machine, brief and catalogue, all of the same moment. It follows the seat when there is
 * time: what was typed or pressed is painted first, and its judgement, which takes longer, is not in the way of it.
 */
export interface Moment {
  /** The draft with both its phases. */
  readonly whole: Machine;
  /** The draft in the phase that is looked at, whatever is being previewed. */
  readonly draft: Machine;
  /** A machine shown in place of the draft. */
  readonly preview: Machine | undefined;
  readonly brief: Brief;
  readonly context: Context;
}

const EMPTY: Machine = { id: 'empty', name: 'Draft', items: [] };

const MomentContext = createContext<Moment | undefined>(undefined);

/** The frame of a seat's pages; it says when what is judged is a beat behind what was typed or pressed. */
export function MomentFrame({ children }: { children: ReactNode }) {
  const whole = useSeat((state) => state.bundle.drafts.find((draft) => draft.id === state.draftId)?.body ?? EMPTY);
  const phase = useSeat((state) => state.phase);
  const preview = useSeat((state) => state.preview);
  const brief = useSeat((state) => state.bundle.brief.body);
  const context = useSeat((state) => state.context);
  const now = useMemo<Moment>(
    () => ({ whole, draft: inPhase(whole, phase), preview, brief, context }),
    [whole, phase, preview, brief, context],
  );
  const shown = useDeferredValue(now);
  return (
    <MomentContext value={shown}>
      <div className="frame" aria-busy={shown !== now}>
        {children}
      </div>
    </MomentContext>
  );
}

export function useMoment(): Moment {
  const moment = useContext(MomentContext);
  if (!moment) throw new Error('this component needs the moment of a seat around it');
  return moment;
}

export const useWholeDraft = (): Machine => useMoment().whole;

export const useDraft = (): Machine => useMoment().draft;

/** The brief as it is judged; where it is written it is read from the seat. */
export const useBrief = (): Brief => useMoment().brief;

/** Assesses any machine against the brief of the moment. */
export function useJudge(): (machine: Machine) => Assessment {
  const { brief, context } = useMoment();
  return useCallback((machine) => assessmentOf(machine, brief, context), [brief, context]);
}

/** Assessment of what is on screen: the preview when there is one, else the draft. */
export function useAssessment(): Assessment {
  const { draft, preview, brief, context } = useMoment();
  return assessmentOf(preview ?? draft, brief, context);
}

export function useDraftAssessment(): Assessment {
  const { draft, brief, context } = useMoment();
  return assessmentOf(draft, brief, context);
}
