import type { Assessment } from '../assess';
import { subjectOf } from '../evidence/comparable';
import { predictWorkload, type Prediction } from '../evidence/predict';
import type { Measurement } from '../model/measurement';

/** A measurement beside what the model says of it. */
export interface Compared {
  readonly measurement: Measurement;
  /** The part that was measured is no longer in the machine: nothing is predicted of it. */
  readonly former: boolean;
  /** Without and with what the calibrating measurements taught. */
  readonly plain: Prediction;
  readonly taught: Prediction;
  /** Predicted ÷ measured − 1, with what was taught; undefined without a prediction. */
  readonly error: number | undefined;
}

export function compare(measurements: readonly Measurement[], assessment: Assessment): Compared[] {
  const { parts, calibration } = assessment.facts;
  return measurements.map((measurement): Compared => {
    const { workload, part } = measurement;
    const drive = workload.work === 'drive' && parts.ofKind('drive').some((fitted) => fitted.part.id === part);
    if (part !== undefined && !drive && part !== subjectOf(workload, parts)) {
      const gone: Prediction = { band: undefined, lacks: ['the part that was measured, which is no longer here'] };
      return { measurement, former: true, plain: gone, taught: gone, error: undefined };
    }
    const plain = predictWorkload(workload, assessment, undefined, part);
    const taught = predictWorkload(workload, assessment, calibration, part);
    const error = taught.band && taught.band.likely / measurement.value - 1;
    return { measurement, former: false, plain, taught, error };
  });
}

/** Whether what was measured lies within the predicted low to high; undefined without a prediction. */
export const isInside = ({
  taught: { band },
  measurement: { value },
}: Pick<Compared, 'taught' | 'measurement'>): boolean | undefined => band && band.low <= value && value <= band.high;

/**
 * Median of the sizes of errors; undefined of none.
 * @example medianError([{ error: -0.2 }, { error: 0.1 }, {}]) // 0.15
 */
export function medianError(compared: readonly Compared[]): number | undefined {
  const sizes = compared.flatMap(({ error }) => (error === undefined ? [] : [Math.abs(error)])).sort((a, b) => a - b);
  const middle = sizes.length >> 1;
  const upper = sizes[middle];
  if (upper === undefined) return undefined;
  return sizes.length % 2 === 1 ? upper : (upper + (sizes[middle - 1] ?? upper)) / 2;
}
