import { explained } from '../../formats/reasons';
import { compare, medianError, type Compared } from '../../versus/measured';
import { realMeasurements, tradeMeasurements } from '../reality';
import { assessed, type Change } from '../world';
import { RECIPES } from './recipes';

/** The small machine as the model has it, with its arithmetic as it was measured beside the rows. */
export const SMALL_MACHINE: Change = {
  parts: {
    cpu: {
      coreGroups: [
        {
          kind: 'performance',
          count: 2,
          threadsPerCore: 1,
          baseGHz: 2.5,
          boostGHz: 2.5,
          allCoreGHz: 2.5,
          workPerClock: 1,
        },
      ],
      fp32PerClock: 58.3,
      fp64PerClock: 29.9,
      hashInstructions: false,
    },
  },
};

/** All rows of both sets that the model has a workload for. */
export const allMeasurements = () => [...realMeasurements(), ...tradeMeasurements()];

const TOPICS: Readonly<Record<string, string>> = {
  enc: 'Pictures',
  dec: 'Pictures',
  fx: 'Pictures',
  pipe: 'Pictures',
  live: 'Live',
  survey: 'Surveys',
  solve: 'Direct solution',
  tables: 'Tables',
  learn: 'Learning on cores',
  ingest: 'Copies',
  stills: 'Stills',
};

/** Rows that are kept to check with, beside the prediction. */
export function checked(): Compared[] {
  const evidence = allMeasurements();
  const assessment = assessed({ ...SMALL_MACHINE, machine: { evidence } });
  return compare(evidence, assessment).filter(({ measurement }) => measurement.use === 'check');
}

/** The same with the values as they were judged before there were rows. */
export function checkedAsJudged(): Compared[] {
  const constants = RECIPES.flatMap(([, register]) => Object.values(register)) as { id: string; value: number }[];
  const measured = constants.map(({ value }) => value);
  try {
    for (const constant of constants) constant.value = explained(constant.id).judged ?? constant.value;
    return checked();
  } finally {
    constants.forEach((constant, i) => (constant.value = measured[i] ?? NaN));
  }
}

export interface Held {
  readonly count: number;
  readonly median: number;
  readonly worst: number;
  readonly inside: number;
}

export function held(rows: readonly Compared[], which: 'plain' | 'taught'): Held {
  const errors = rows.map((row) => {
    const { band } = row[which];
    return { ...row, band, error: band && band.likely / row.measurement.value - 1 };
  });
  return {
    count: rows.length,
    median: medianError(errors) ?? NaN,
    worst: Math.max(...errors.map(({ error }) => Math.abs(error ?? Infinity))),
    inside: errors.filter(({ band, measurement: { value } }) => band && band.low <= value && value <= band.high).length,
  };
}

const percent = (share: number): string => `${Math.round(share * 100)} %`;
const said = ({ median, worst, inside }: Held): string => `${percent(median)}, ${percent(worst)}, ${inside}`;

/** Lines of the table that the page about the model shows. */
export function heldTable(): string[] {
  const [judged, rows] = [checkedAsJudged(), checked()];
  const topicOf = ({ measurement: { id } }: Compared) => TOPICS[id.split('.')[0] ?? ''] ?? id;
  const line = (name: string, mine: (row: Compared) => boolean): string => {
    const after = rows.filter(mine);
    return `| ${[
      name,
      after.length,
      said(held(judged.filter(mine), 'plain')),
      said(held(after, 'plain')),
      said(held(after, 'taught')),
    ].join(' | ')} |`;
  };
  return [
    ...[...new Set(rows.map(topicOf))].map((topic) => line(topic, (row) => topicOf(row) === topic)),
    line('All', () => true),
  ];
}
