import type { Assessment } from '@/core/assess';

/** A step as it is marked. */
export interface MarkedStep {
  readonly id: string;
  readonly title: string;
}

/** What every part of Assemble is given. */
export interface PartProps {
  readonly assessment: Assessment;
  /** Who stands at the bench, as far as that was said. */
  readonly who: string | undefined;
  /** Keeps a step as done, or takes that back. */
  readonly mark: (step: MarkedStep, on: boolean) => void;
}
